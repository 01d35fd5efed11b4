package written

import (
	"math"
	"slices"
	"strings"

	"mala/core/length"
	"mala/core/material"
)

// Kind is what a statement speaks of.
type Kind string

// The kinds.
const (
	OfCount  Kind = "count"    // this many of a material
	OfTotal  Kind = "total"    // this many beads in all
	OfStrung Kind = "strung"   // this many of a material strung in a step of the work
	OfPacks  Kind = "packs"    // this many packs of a material
	OfName   Kind = "name"     // a material named without a count
	OfLength Kind = "length"   // how long the piece or a row is
	OfRows   Kind = "rows"     // how many rows
	OfStep   Kind = "row-step" // by how much each row is longer than the one before
	OfCut    Kind = "cut"      // this many pieces of cord cut to a length
	OfCord   Kind = "cord"     // so much cord, or chain, in all
	OfRepeat Kind = "repeat"   // how often what was strung is strung
)

// State is how a statement stands against the piece and the rest of the text.
type State string

// The states.
const (
	Agrees   State = "agrees"
	Differs  State = "differs"  // from the sequence
	Crosses  State = "crosses"  // another statement of the text, or itself
	Asks     State = "asks"     // which material is meant
	NoFigure State = "nothing"  // it is read, but there is nothing to hold it against
	LeftOut  State = "left-out" // the text forgets it
)

// Statement is one thing that a text says, and how that stands.
type Statement struct {
	Kind     Kind
	Line     int // from 1
	From, To int // in bytes of the text
	State    State
	Derived  string // the figure that follows from the piece, in words; empty without one
	Why      string // what disagrees, and what to do, in sentences
	Phrase   string // what the text calls a material; empty of anything else
	Of       *material.Material
	Also     [][2]int // what else of the text it adds up
	Edits    []Edit   // what would correct the text
	Take     Take     // what would take its figure into the piece

	row      int         // which row it speaks of, from 1; whole, or lastRow
	rows     []int       // or which of several
	each     bool        // of each row
	ends     bool        // of each of the two ends
	article  bool        // its count is an "a"
	ignored  bool        // it speaks of no material
	apiece   bool        // the same count on each of several rows
	sides    bool        // of each side of the middle
	times    int         // how often it is done; of a cut, how many pieces
	figure   token       // the count, or the length
	pieces   token       // of a cut: how many
	second   *token      // the same length in another unit
	all      []token     // the lengths of several rows
	per      *token      // how many are in a pack, or how long one is
	sizes    []length.MM // what the text says of the material's size
	sizeAt   []token
	words    []string // of the phrase
	clear    bool     // it is a count and a thing, and nothing besides
	by       *token   // how often a step is done, where the text says so
	have     int      // of what is strung: how many the sequence has
	sum      int      // and how many all steps string
	lastWord string   // as the text has it
	known    int      // which material its whole name is of, -1 if it is not named whole
}

// Edit puts other text in the place of some.
type Edit struct {
	From, To int // in bytes of the text
	Text     string
}

// Take is how the figure of a statement is taken into the piece.
type Take struct {
	Target *length.MM // as the length asked for
	Cut    *length.MM // as what the cord of Row has been cut to
	Row    string     // the id of a row
	Node   int        // with Count, the item of the line that is given another count
	Count  int
	Line   string // as the bead line of Row, where several of its runs change alike
}

// None says that there is no such way.
func (t *Take) None() bool { return t.Target == nil && t.Cut == nil && t.Count == 0 && t.Line == "" }

// count is how many the statement says in all that it speaks of at once.
func (s *Statement) count() int {
	n := int(s.figure.value) * max(1, s.times)
	if s.ends || s.sides {
		n *= 2
	}
	return n
}

var (
	packWords  = []string{"strand", "strands", "string", "strings", "hank", "hanks", "bag", "bags", "pack", "packs", "packet", "packets", "box", "boxes", "tube", "tubes", "spool", "spools", "reel", "reels", "card", "cards", "roll", "rolls"}
	cordWords  = []string{"wire", "cord", "thread", "elastic", "line", "leather", "cotton", "floss"}
	longWords  = []string{"finished", "finishes", "long", "length", "measures", "measure", "measuring", "overall", "makes", "size", "target", "circumference", "necklace", "bracelet", "anklet", "piece"}
	pastWords  = []string{"back", "through", "past", "skip", "into", "over", "remove", "undo"}
	addVerbs   = []string{"string", "thread", "add", "pick", "slide", "strung"}
	stopsName  = []string{"on", "onto", "through", "at", "in", "to", "from", "for", "per", "between", "after", "before", "so", "until", "with", "as", "is", "are", "has", "have", "by", "again", "that", "which", "here", "all", "total", "altogether", "or", "but", "times"}
	noName     = []string{"of", "the", "a", "an", "x", "bead", "beads", "piece", "pieces", "pcs", "pc", "each", "cut", "made", "these", "your", "my", "its", "more", "another", "about", "approximately", "approx", "ca", "some", "need", "you", "will", "use", "uses", "only", "size", "no", "exactly", "say", "string", "thread", "add", "pick", "up", "slide", "put", "place", "on", "first", "last", "next", "materials", "list", "one", "strung", "row", "rows", "bracelet", "necklace", "anklet", "long", "length", "lengths", "start", "begin", "finish", "end", "also", "this", "attach", "finally", "other", "remaining"}
	likeWords  = []string{"mirror", "mirrored", "reverse", "reversed", "backwards"}
	joinWords  = []string{"attach", "crimp", "close", "open", "fasten", "tie", "flatten", "fold", "squeeze", "knot", "press", "trim", "check", "tape", "leave", "pull"}
	extendWord = []string{"extender", "extends", "extended", "adjust", "adjusts", "adjustable", "extension"}
)

// packOf finds "strands of", "bag of" and their like; -1 without one.
func packOf(tokens []token) int {
	for i := range tokens {
		if tokens[i].is(packWords...) && i+1 < len(tokens) && tokens[i+1].is("of") && (i == 0 || !tokens[i-1].joined) {
			return i
		}
	}
	return -1
}

// figures are the numbers and lengths of a clause, apart.
type figures struct {
	numbers, lengths []token
}

func figuresOf(tokens []token) figures {
	var f figures
	for i, t := range tokens {
		switch {
		case t.counts() && i+1 < len(tokens) && tokens[i+1].is("bracelet", "necklace", "anklet", "ornament", "kit", "time"):
			// for one bracelet
		case t.counts():
			f.numbers = append(f.numbers, t)
		case t.sort == size:
			f.lengths = append(f.lengths, t)
		}
	}
	return f
}

// read makes a statement of a clause; nil if it says nothing that can be held against
// anything. Sure is false where it has figures that were not understood.
func (c *clause) read() (s *Statement, understood bool) {
	f := figuresOf(c.tokens)
	for _, reader := range []func(f figures) *Statement{c.readCut, c.readRowStep, c.readPacks, c.readRowLengths, c.readRows, c.readLength, c.readCord, c.readTotal, c.readCount} {
		if s := reader(f); s != nil {
			s.From, s.To = c.from, c.to
			s.row, s.rows, s.each, s.ends, s.sides = c.row, c.rows, c.each, c.ends, c.sides
			if s.times == 0 {
				s.times = c.times
			}
			s.by, s.apiece = c.by, has(c.tokens, "each")
			return s, true
		}
	}
	return nil, len(f.numbers)+len(f.lengths) == 0
}

func (c *clause) readCut(f figures) *Statement {
	several := len(f.numbers) == 1 && len(f.lengths) > 0 && f.lengths[0].mm() >= 100 && has(c.tokens, cordWords...) && packOf(c.tokens) < 0
	if !(has(c.tokens, "cut") || several) || len(f.lengths) == 0 {
		return nil
	}
	s := &Statement{Kind: OfCut, figure: f.lengths[0], times: 1}
	if len(f.numbers) > 0 {
		s.times, s.pieces = int(f.numbers[0].value), f.numbers[0]
	}
	s.nameFrom(c.tokens)
	s.otherUnit(c)
	return s
}

func (c *clause) readRowStep(f figures) *Statement {
	steps := hasStem(c.tokens, "longer", "shorter") || has(c.tokens, "steps", "step") && has(c.tokens, "of")
	if !steps || len(f.lengths) == 0 || !(c.each || c.row > 0 || has(c.tokens, "rows", "row", "strands", "each", "next", "before", "steps", "step")) {
		return nil
	}
	s := &Statement{Kind: OfStep, figure: f.lengths[0]}
	s.otherUnit(c)
	return s
}

func (c *clause) readPacks(f figures) *Statement {
	at := packOf(c.tokens)
	if at < 0 {
		return nil
	}
	rest := c.tokens[at+2:]
	s := &Statement{Kind: OfPacks, figure: token{sort: number, value: 1}}
	for _, t := range c.tokens[:at] {
		if t.counts() {
			s.figure = t
		}
	}
	if s.nameFrom(rest); s.Phrase == "" {
		return nil
	}
	inPack := figuresOf(c.aside)
	switch before, inside := figuresOf(c.tokens[:at]), figuresOf(rest); {
	case len(inPack.numbers) > 0:
		s.per = &inPack.numbers[0]
	case len(inside.numbers) > 0:
		s.per = &inside.numbers[0]
	case len(inPack.lengths) > 0:
		s.per = &inPack.lengths[0]
	case len(before.lengths) > 0:
		s.per = &before.lengths[0]
	}
	return s
}

func (c *clause) readRowLengths(f figures) *Statement {
	if !has(c.tokens, "rows", "strands") || len(f.lengths) == 0 || len(f.numbers)+len(f.lengths) < 2 {
		return nil
	}
	last := f.lengths[len(f.lengths)-1]
	s := &Statement{Kind: OfLength}
	for _, t := range c.tokens {
		if t.sort == number && t.value < 20 && s.all == nil && last.unit < 10 {
			continue // how many rows
		}
		if t.sort == number {
			t.sort, t.unit = size, last.unit
		}
		if t.sort == size {
			s.all = append(s.all, t)
		}
	}
	if len(s.all) < 2 {
		return nil
	}
	s.figure = s.all[0]
	return s
}

func (c *clause) readRows(f figures) *Statement {
	for i, t := range c.tokens {
		if t.counts() && i+1 < len(c.tokens) && c.tokens[i+1].is(ofRows...) && len(f.lengths) == 0 && t.value <= 100 {
			return &Statement{Kind: OfRows, figure: t}
		}
	}
	return nil
}

func (c *clause) readLength(f figures) *Statement {
	row := c.row > 0 || c.each
	bare := len(c.tokens) > 0 && !slices.ContainsFunc(c.tokens, func(t token) bool { return t.sort == word && !t.is("is", "are", "has") || t.sort == name })
	if len(f.lengths) == 0 && has(c.tokens, "necklace", "bracelet", "anklet", "length", "finished") {
		f.lengths = figuresOf(c.aside).lengths
	}
	extended := has(c.tokens, extendWord...) && !has(c.tokens, "without", "excluding")
	if len(f.lengths) == 0 || len(f.numbers) > 0 || has(c.tokens, cordWords...) || extended || named(c.tokens) {
		return nil
	}
	if !has(c.tokens, longWords...) && !(row && bare) {
		return nil
	}
	s := &Statement{Kind: OfLength, figure: f.lengths[0]}
	s.otherUnit(c)
	return s
}

func named(tokens []token) bool {
	return slices.ContainsFunc(tokens, func(t token) bool { return t.sort == name })
}

func (c *clause) readCord(f figures) *Statement {
	cord := has(c.tokens, cordWords...) || has(c.tokens, "chain") || named(c.tokens)
	if len(f.lengths) != 1 || len(f.numbers) > 0 || !cord || f.lengths[0].mm() < 100 {
		return nil
	}
	s := &Statement{Kind: OfCord, figure: f.lengths[0]}
	s.nameFrom(c.tokens)
	s.otherUnit(c)
	return s
}

func (c *clause) readTotal(f figures) *Statement {
	if len(f.numbers) != 1 || named(c.tokens) {
		return nil
	}
	for i, t := range c.tokens {
		beads := i+1 < len(c.tokens) && c.tokens[i+1].is("beads")
		all := hasStem(c.tokens, "total", "altogether") || has(c.tokens, "all") || has(c.aside, "all", "total")
		only := len(phrase(c.tokens)) == 0
		if t.counts() && only && (beads || all && has(c.tokens, "bead", "beads")) {
			return &Statement{Kind: OfTotal, figure: t}
		}
	}
	return nil
}

func (c *clause) readCount(f figures) *Statement {
	s := &Statement{Kind: OfCount}
	s.nameFrom(c.afterCount(f))
	if s.Phrase == "" {
		s.nameFrom(c.tokens)
	}
	if s.Phrase == "" {
		s.nameFrom(c.aside)
	}
	s.sizesFrom(slices.Concat(c.tokens, c.aside))
	s.clear = c.isClear(f)
	past := has(c.tokens, pastWords...) || c.step && has(c.tokens, joinWords...)
	switch {
	case s.Phrase == "":
		return nil
	case len(f.numbers) > 0 && !past:
		s.figure = f.numbers[0]
	case len(f.numbers) > 0 && !has(c.tokens, joinWords...) || len(f.lengths) > 0 && s.known < 0 && len(s.sizes) == 0:
		return nil
	default:
		s.Kind = OfName
		article := slices.IndexFunc(c.tokens, func(t token) bool { return t.is("a", "an") || c.step && t.is("the") })
		one := len(s.words) > 0 && strings.HasPrefix(s.words[len(s.words)-1], s.lastWord) // no plural
		if article >= 0 && !past && (one || !c.tokens[article].is("the")) {
			t := c.tokens[article]
			s.article = true
			s.Kind, s.figure = OfCount, token{sort: number, value: 1, spelled: true, from: t.from, to: t.to, end: t.to}
		}
	}
	if s.Kind == OfCount && (c.step || c.times > 1) {
		s.Kind = OfStrung
	}
	return s
}

// isClear says whether the clause is a count with a thing behind it, or a thing with its
// count behind it.
func (c *clause) isClear(f figures) bool {
	if len(f.numbers) == 0 {
		return false
	}
	i := slices.IndexFunc(c.tokens, func(t token) bool { return t.from == f.numbers[0].from })
	before := phrase(c.tokens[:i])
	return len(before) == 0 && !has(c.tokens[:i], stopsName...) && !has(c.tokens[i+1:], "them", "these", "those", "which", "is", "are") || i == len(c.tokens)-1
}

// afterCount are the tokens behind the first count: what is counted is named there, or
// else before it.
func (c *clause) afterCount(f figures) []token {
	if len(f.numbers) == 0 {
		return c.tokens
	}
	i := slices.IndexFunc(c.tokens, func(t token) bool { return t.from == f.numbers[0].from })
	return c.tokens[i+1:]
}

// otherUnit finds the same length in another unit, in brackets behind it.
func (s *Statement) otherUnit(c *clause) {
	inches := func(t token) bool { return math.Mod(float64(t.unit), float64(length.Inch)) == 0 }
	for _, t := range figuresOf(append(slices.Clone(c.tokens), c.aside...)).lengths {
		if t.from > s.figure.from && inches(t) != inches(s.figure) && t.mm() > s.figure.mm()/2 {
			s.second = &t
			return
		}
	}
}
