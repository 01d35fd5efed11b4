package written

import (
	"slices"
	"strings"
)

// clause is the least part of a text that may say something: between commas, or
// between one "and" and the next.
type clause struct {
	tokens   []token
	aside    []token // in brackets
	row      int     // which row it speaks of, from 1; 0 of the whole piece
	rows     []int   // of each of these
	each     bool    // of each row
	ends     bool    // of each end
	sides    bool    // of each side, beside what is in the middle
	leading  bool    // it begins with which row it speaks of
	step     bool    // it is a step of the work
	times    int     // how often the step is done
	by       *token  // the figure that says so
	sentence int     // which sentence of its line
	from, to int
}

// What a clause speaks of where it is no row's number: the whole piece, or the last row,
// however many there are.
const (
	whole   = 0
	lastRow = 1 << 20
)

// clauses parts a line into what it says. It begins with what the lines before say of it.
func clauses(tokens []token, row int, step bool) []clause {
	p := parter{row: row, step: step}
	p.read(tokens, 1, nil)
	p.done()
	for i := range p.out {
		p.out[i].place()
	}
	p.out = slices.DeleteFunc(p.out, func(c clause) bool { return len(c.tokens) == 0 && len(c.aside) == 0 })
	p.joinSizes()
	p.spread()
	return p.out
}

type parter struct {
	out      []clause
	now      clause
	row      int
	step     bool
	sentence int
	times    int
	by       *token
	depth    int // of brackets
}

// deepest is how deep people put brackets in brackets.
const deepest = 4

func (p *parter) done() {
	p.now.row, p.now.step, p.now.sentence, p.now.times, p.now.by = p.row, p.step, p.sentence, max(1, p.times), p.by
	p.out = append(p.out, p.now)
	p.now = clause{}
}

// read takes tokens that are done this many times.
func (p *parter) read(tokens []token, times int, by *token) {
	for i := 0; i < len(tokens); i++ {
		t := tokens[i]
		p.times, p.by = times, by
		switch {
		case t.is("("):
			end := closing(tokens, i)
			inner := tokens[i+1 : min(end, len(tokens))]
			figure, used := multiplier(tokens[min(end+1, len(tokens)):])
			// Sea-pearl (6 mm) x 3 repeats nothing.
			counted := p.depth < deepest && (len(figuresOf(inner).numbers) > 0 || has(inner, "a", "an"))
			if !counted {
				figure, used = nil, 0
			}
			if before := len(p.now.tokens) - 2; figure == nil && counted && before >= 0 && p.now.tokens[before].counts() && p.now.tokens[before+1].is("x", "×", "*") {
				figure = &p.now.tokens[before]
				p.now.tokens = p.now.tokens[:before:before]
			}
			if figure == nil {
				p.now.aside = append(p.now.aside, inner...)
			} else {
				p.done()
				p.depth++
				p.read(inner, min(times*int(min(figure.value, 10000)), 10000), figure)
				p.depth--
				p.done()
				p.times, p.by = times, by
			}
			i = end + used
		case t.is(".", "!", "?"):
			p.done()
			p.sentence++
		case t.is(":") && p.saysCount():
			p.done()
		case t.is("alternating") || t.is("with") && i+1 < len(tokens) && tokens[i+1].counts():
			p.done()
		case t.is(";", ",", "|", "+", "&", "and", "then", "plus"):
			p.done()
		default:
			p.now.tokens = append(p.now.tokens, t)
		}
	}
}

func closing(tokens []token, open int) int {
	depth := 0
	for i := open; i < len(tokens); i++ {
		if tokens[i].is("(") {
			depth++
		} else if tokens[i].is(")") {
			if depth--; depth == 0 {
				return i
			}
		}
	}
	return len(tokens)
}

// multiplier reads "x 3", "3 times" and "repeated 3 times" behind a bracket.
func multiplier(tokens []token) (figure *token, used int) {
	for i := range min(3, len(tokens)) {
		if !tokens[i].counts() {
			continue
		}
		if i > 0 && tokens[i-1].is("x", "×", "*") {
			return &tokens[i], i + 1
		}
		if i+1 < len(tokens) && tokens[i+1].is("times", "x", "×") {
			return &tokens[i], i + 2
		}
	}
	return nil, 0
}

// saysCount says whether a colon ends a total and begins what that is made of: 44 beads:
// 22 tide stones.
func (p *parter) saysCount() bool {
	return has(p.now.tokens, "for") || has(p.now.tokens, "beads", "findings") && len(figuresOf(p.now.tokens).numbers) > 0
}

var (
	ordinals = []string{"", "first", "second", "third", "fourth", "fifth", "sixth", "seventh"}
	topmost  = []string{"upper", "top", "inner", "uppermost", "shortest"}
	lowest   = []string{"lower", "bottom", "outer", "last", "lowest", "longest"}
	ofRow    = []string{"row", "strand"}
	ofRows   = []string{"row", "rows", "strand", "strands"}
)

// place finds which row or which ends the clause speaks of, and takes that out of it.
func (c *clause) place() {
	if len(c.tokens) > 0 {
		c.from, c.to = c.tokens[0].from, c.tokens[len(c.tokens)-1].to
	} else if len(c.aside) > 0 {
		c.from = c.aside[0].from
	}
	if len(c.aside) > 0 {
		c.to = max(c.to, c.aside[len(c.aside)-1].to)
	}
	t := c.tokens
	for i := range t {
		next := func(texts ...string) bool { return i+1 < len(t) && t[i+1].is(texts...) }
		remove := func(n int) { c.tokens = slices.Delete(slices.Clone(t), i, i+n) }
		switch {
		case t[i].is(topmost...) && next(ofRow...):
			c.row, c.leading = 1, i == 0
			remove(2)
			return
		case t[i].is(lowest...) && next(ofRow...):
			c.row, c.leading = lastRow, i == 0
			remove(2)
			return
		case t[i].is(ofRow...) && i+1 < len(t) && t[i+1].counts() && t[i+1].value <= 20 && !t[i+1].joined:
			c.row, c.leading = int(t[i+1].value), i == 0
			remove(2)
			return
		case t[i].sort == word && slices.Index(ordinals, t[i].text) > 0 && next(ofRow...):
			c.row, c.leading = slices.Index(ordinals, t[i].text), i == 0
			remove(2)
			return
		case t[i].is("each", "every", "per", "a") && next(ofRow...) && (!t[i].is("a") || i > 0 && !t[i-1].is("of", "longer", "is")):
			c.each, c.leading = true, i == 0
			remove(2)
			return
		case t[i].is("each", "every", "either") && next("side") || t[i].is("both") && next("sides"):
			c.sides = true
			remove(2)
			return
		case t[i].is("each", "every", "either") && next("end") || t[i].is("both") && next("ends"):
			c.ends = true
			remove(2)
			return
		}
	}
}

// joinSizes puts a size, or a count alone, to the thing named before it:
// sea-pearl, 6 mm, 102.
func (p *parter) joinSizes() {
	var out []clause
	for _, c := range p.out {
		last := len(out) - 1
		if last >= 0 && out[last].sentence == c.sentence && len(c.tokens) > 0 && len(c.aside) == 0 && c.row == out[last].row {
			before := &out[last]
			bare := !slices.ContainsFunc(c.tokens, func(t token) bool {
				return t.sort == word && !t.is("x", "pcs", "pieces", "each", "per") || t.sort == name
			})
			named := slices.ContainsFunc(before.tokens, func(t token) bool { return t.sort == word || t.sort == name })
			counted := slices.ContainsFunc(before.tokens, func(t token) bool { return t.sort == number })
			isCount := slices.ContainsFunc(c.tokens, func(t token) bool { return t.sort == number })
			if bare && isCount && (c.each || has(c.tokens, "each", "per")) && packOf(before.tokens) >= 0 {
				before.aside, before.to = append(slices.Clone(before.aside), c.tokens...), c.to
				continue
			}
			isSize := slices.ContainsFunc(c.tokens, func(t token) bool { return t.sort == size })
			if bare && named && counted && isCount && isSize {
				// Jump rings 5 mm x 1, 7 mm x 1: the same thing in another size.
				c.tokens = append(phrase(before.tokens), c.tokens...)
				out = append(out, c)
				continue
			}
			if bare && named && (!(counted && isCount) || has(before.tokens, ofRows[1], ofRows[3])) {
				before.tokens, before.to = append(slices.Clone(before.tokens), c.tokens...), c.to
				continue
			}
		}
		out = append(out, c)
	}
	p.out = out
}

// spread lets the clauses of a sentence speak of the same row and the same ends.
func (p *parter) spread() {
	for i := range p.out {
		c := &p.out[i]
		if i > 0 && p.out[i-1].sentence == c.sentence && c.row == p.row && !c.each {
			c.row, c.each, c.sides = p.out[i-1].row, p.out[i-1].each, c.sides || p.out[i-1].sides
		}
	}
	for i := len(p.out) - 2; i >= 0; i-- {
		c, next := &p.out[i], p.out[i+1]
		if next.sentence != c.sentence || has(next.tokens, "repeat", "repeated") {
			continue
		}
		if c.row == p.row && !c.each && p.row == whole && !next.leading {
			c.row, c.each = next.row, next.each
		}
		// "Two crimps, one at each end" are two.
		c.ends = c.ends || next.ends && !next.step && len(phrase(next.tokens)) > 0
	}
}

// has says whether one of the words is among the tokens.
func has(tokens []token, texts ...string) bool {
	return slices.ContainsFunc(tokens, func(t token) bool { return t.is(texts...) })
}

// hasStem says whether a word begins with one of these.
func hasStem(tokens []token, stems ...string) bool {
	return slices.ContainsFunc(tokens, func(t token) bool {
		return t.sort == word && slices.ContainsFunc(stems, func(stem string) bool { return strings.HasPrefix(t.text, stem) })
	})
}
