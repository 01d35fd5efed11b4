package written

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"mala/core/material"
	"mala/core/measure"
)

// Audit is a text held against a piece.
type Audit struct {
	Statements []*Statement // in the order of the text; what it forgets is last
	Unread     []Unread
	Questions  []Question
}

// Unread is a part of the text that was not understood.
type Unread struct {
	Line, From, To int
	Figures        bool // it has numbers that nothing was made of
}

// Question asks which material a phrase means.
type Question struct {
	Phrase string
	Likely []*material.Material // the likeliest first
	Asked  int                  // how many statements wait for it
}

// The most that is read of one text.
const (
	MostBytes = 64 << 10
	MostLines = 2000
)

// What answers a question beside the id of a material: the piece has no such material, or
// the text speaks of none.
const (
	NotInPiece = "none"
	NoMaterial = "nothing"
)

// Read reads the text and holds it against the piece. Answers say which material, by its
// id, a phrase means. The error is a sentence.
func Read(text string, m *measure.Measured, answers map[string]string) (*Audit, error) {
	switch {
	case strings.TrimSpace(text) == "":
		return nil, errors.New("There is no text yet. Paste the pattern as it is written.")
	case len(text) > MostBytes:
		return nil, fmt.Errorf("The text has %d kB; the most is %d kB. Paste the part about this piece.", len(text)>>10, MostBytes>>10)
	case strings.Count(text, "\n") >= MostLines:
		return nil, fmt.Errorf("The text has more than %d lines. Paste the part about this piece.", MostLines)
	case !utf8.ValidString(text) || strings.ContainsRune(text, 0):
		return nil, errors.New("The text has characters that are none. Save it as UTF-8 and paste it again.")
	}
	f := factsOf(m)
	r := &reader{text: text, names: newNames(f.all, m.Piece.Palette), out: &Audit{}}
	r.lines()
	a := &auditor{facts: f, names: r.names, answers: answers, Audit: r.out, text: text, open: r.open, mirror: r.back}
	a.know()
	a.hold()
	return r.out, nil
}

// reader goes through the text line by line.
type reader struct {
	text  string
	names *names
	out   *Audit
	row   int  // which row the lines under a heading speak of
	step  bool // they are steps of the work
	open  bool // some steps are done again in a way that was not understood
	back  bool // the steps come back the way they went
	last  []*Statement

	strung bool // some step strings something
}

func (r *reader) lines() {
	base := 0
	for i, line := range strings.Split(r.text, "\n") {
		r.line(i+1, line, base)
		base += len(line) + 1
	}
}

var (
	stepHeads   = []string{"steps", "instructions", "method", "stringing", "making", "make", "how", "assembly", "directions", "procedure", "work", "order"}
	goesOnWords = []string{"continue", "until", "remaining", "rest", "same", "picture", "chart", "diagram", "shown"}
	listHeads   = []string{"materials", "need", "list", "parts", "beads", "findings", "supplies", "shopping", "kit", "ingredients", "buy", "bag", "counts"}
)

func (r *reader) line(number int, line string, base int) {
	start := bullet(line)
	tokens := r.names.mark(lex(line[start:], base+start), r.text)
	if len(tokens) == 0 {
		if strings.TrimSpace(line) == "" {
			r.row = whole
		}
		return
	}
	if r.heading(tokens) {
		return
	}
	rows, tokens := rowsOfLine(tokens)
	row, tokens := r.rowOfLine(tokens)
	step := r.step || len(tokens) > 0 && tokens[0].is(addVerbs...)
	var now []*Statement
	said := clauses(tokens, row, step)
	if slices.ContainsFunc(said, func(c clause) bool { return c.by != nil }) {
		said = clauses(tokens, row, true) // what stands beside a repeat is strung too
	}
	for _, c := range said {
		if c.row == whole {
			c.rows = rows
		}
		if back := has(c.tokens, likeWords...); back && (step || r.strung) {
			r.open, r.back = r.open || r.back, true
			continue
		}
		if has(c.tokens, "repeat", "repeated") {
			r.repeat(&c, &now)
			continue
		}
		if (step || r.strung) && has(c.tokens, goesOnWords...) {
			r.open = true
		}
		s, understood := c.read()
		if s == nil {
			s = r.ofRow(&c)
		}
		if s == nil {
			s = r.cordInAll(&c)
		}
		if s == nil {
			r.out.Unread = append(r.out.Unread, Unread{number, c.from, c.to, !understood})
			continue
		}
		s.Line = number
		if len(c.aside) > 0 && s.To < len(r.text) && r.text[s.To] == ')' {
			s.To++ // the bracket that closes it
		}
		r.out.Statements = append(r.out.Statements, s)
		for _, t := range slices.Concat(c.tokens, c.aside) {
			if t.sort == name && t.what != s.known && s.Phrase != "" {
				r.out.Statements = append(r.out.Statements, &Statement{Kind: OfName, Line: number, From: t.from, To: t.to, Phrase: t.text, known: t.what, row: c.row})
			}
		}
		if s.Kind == OfStrung {
			now, r.strung = append(now, s), true
			r.open = r.open || r.back // what comes after the way back
		}
	}
	r.last = now
}

// rowsOfLine takes "Rows 1 and 5:" off the front of a line.
func rowsOfLine(tokens []token) ([]int, []token) {
	if !tokens[0].is("rows", "strands") {
		return nil, tokens
	}
	var rows []int
	for i, t := range tokens[1:] {
		switch {
		case t.counts() && t.value <= 20:
			rows = append(rows, int(t.value))
		case t.is(":") && rows != nil:
			return rows, tokens[i+2:]
		case !t.is("and", ",", "&", "+"):
			return nil, tokens
		}
	}
	return nil, tokens
}

// cordInAll reads a length alone behind what is cut: cut 5 wires 36 cm long, 1.8 m in all.
func (r *reader) cordInAll(c *clause) *Statement {
	last, f := len(r.out.Statements)-1, figuresOf(c.tokens)
	if last < 0 || len(f.lengths) != 1 || len(f.numbers) > 0 || len(phrase(c.tokens)) > 0 || f.lengths[0].mm() < 100 {
		return nil
	}
	before := r.out.Statements[last]
	if before.Kind != OfCut && before.Kind != OfCord || !has(c.tokens, "all", "total", "altogether") {
		return nil
	}
	return &Statement{Kind: OfCord, From: c.from, To: c.to, row: c.row, figure: f.lengths[0], times: 1, Phrase: before.Phrase, words: before.words, known: before.known}
}

// ofRow reads the count of a row behind a total: 174 beads: row 1: 85, row 2: 89.
func (r *reader) ofRow(c *clause) *Statement {
	last := len(r.out.Statements) - 1
	if f := figuresOf(c.tokens); last >= 0 && r.out.Statements[last].Kind == OfTotal && c.row != whole && len(f.numbers) == 1 && len(phrase(c.tokens)) == 0 {
		return &Statement{Kind: OfTotal, From: c.from, To: c.to, row: c.row, figure: f.numbers[0], times: 1}
	}
	return nil
}

// bullet gives where a line begins behind its dash or its number.
func bullet(line string) int {
	trimmed := strings.TrimLeft(line, " \t")
	start := len(line) - len(trimmed)
	for _, sign := range []string{"- ", "* ", "• ", "– ", "— ", "[ ] ", "☐ "} {
		if rest, ok := strings.CutPrefix(trimmed, sign); ok {
			return start + len(sign) + bullet(rest)
		}
	}
	if rest, ok := strings.CutPrefix(strings.ToLower(trimmed), "step "); ok {
		if digits := strings.TrimLeft(rest, "0123456789"); len(digits) < len(rest) && (strings.HasPrefix(digits, ":") || strings.HasPrefix(digits, ".")) {
			return start + len(trimmed) - len(digits) + 1
		}
	}
	digits := strings.TrimLeft(trimmed, "0123456789")
	if n := len(trimmed) - len(digits); n > 0 && n < 4 && len(digits) > 1 && (digits[0] == '.' || digits[0] == ')') && digits[1] == ' ' {
		return start + n + 2
	}
	return start
}

// heading takes a line that only says what the lines under it are about.
func (r *reader) heading(tokens []token) bool {
	last := tokens[len(tokens)-1]
	if !last.is(":") && len(tokens) > 3 {
		return false
	}
	rest := tokens
	if last.is(":") {
		rest = tokens[:len(tokens)-1]
	}
	if row, alone := rowNamed(rest); alone {
		r.row = row
		return true
	}
	for _, t := range rest {
		if t.sort == number || t.sort == size || t.sort == name {
			return false
		}
	}
	switch {
	case has(rest, stepHeads...):
		r.step, r.row = true, whole
	case has(rest, listHeads...):
		r.step, r.row = false, whole
	default:
		return last.is(":") // some other heading
	}
	return true
}

// rowOfLine takes "Row 2:" off the front of a line.
func (r *reader) rowOfLine(tokens []token) (int, []token) {
	for i := range min(4, len(tokens)) {
		if !tokens[i].is(":") {
			continue
		}
		if row, alone := rowNamed(tokens[:i]); alone {
			return row, tokens[i+1:]
		}
	}
	return r.row, tokens
}

// rowNamed gives the row that these tokens name, and whether they say nothing else.
func rowNamed(tokens []token) (row int, alone bool) {
	c := clause{tokens: tokens}
	c.place()
	return c.row, c.row != whole && len(c.tokens) == 0
}

// repeat has what was strung in this line, or else in the one before, done this many times.
func (r *reader) repeat(c *clause, now *[]*Statement) {
	of := *now
	if len(of) == 0 {
		of = r.last
	}
	figures := figuresOf(c.tokens).numbers
	if len(figures) == 0 || len(of) == 0 || has(c.tokens, "step", "steps", "from", "until") {
		r.open = true
		return
	}
	figure := &figures[0]
	n := int(figure.value)
	if has(c.tokens, "more", "again", "another") {
		n++
	}
	for _, s := range of {
		s.times, s.by = s.times*min(n, 10000), figure
	}
	*now, r.last = nil, nil
}
