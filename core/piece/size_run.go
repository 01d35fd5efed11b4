package piece

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"unicode/utf8"

	"mala/core/length"
	"mala/core/pattern"
)

// Size is the piece in another size: the same pattern, with other counts.
type Size struct {
	Name     string
	Measure  length.MM            // of the body that it is for; 0 of a length
	Finished length.MM            // the length asked for; 0 of a wearer
	Line     *pattern.Line        // of the leading row
	Rows     map[ID]*pattern.Line // of a piece of several rows those of each, by its id
	Links    map[ID]int           // of chains that have other numbers of links in this size
	Of       *pattern.Line        // the piece's own when the size was made; nil where that is not known
	OfRows   map[ID]*pattern.Line // and those of its rows
}

// mostSizes is how many sizes a piece has at most.
const mostSizes = 12

// checkSizes holds sizes to a name of their own each, one aim, and a line of letters that have a
// dish.
func (p *Piece) checkSizes(add adder) {
	if len(p.Sizes) > mostSizes {
		add("sizes", "A piece has at most %d sizes; this one has %d.", mostSizes, len(p.Sizes))
		return
	}
	seen := map[string]bool{}
	for i, s := range p.Sizes {
		where := fmt.Sprintf("sizes[%d]", i)
		switch {
		case strings.TrimSpace(s.Name) == "" || utf8.RuneCountInString(s.Name) > mostWord:
			add(where+".name", "A size has a name of 1 to %d characters.", mostWord)
		case seen[s.Name]:
			add(where+".name", "Two sizes are called %s. Give each a name of its own.", s.Name)
		case (s.Measure > 0) == (s.Finished > 0):
			add(where, "A size is for a measure of the body, or of a finished length: give one of them.")
		}
		seen[s.Name] = true
		if s.Measure != 0 {
			checkRange(add, where+".measureMm", s.Measure, 20, 2000)
		}
		if s.Finished != 0 {
			checkRange(add, where+".finishedMm", s.Finished, 1, length.Longest)
		}
		if s.Line == nil {
			add(where+".line", "A size has a bead line of its own.")
			continue
		}
		p.checkSizeLine(add, where+".line", s.Line)
		p.checkSizeRows(add, where, &s)
	}
}

// checkSizeRows holds what a size has for rows and chains to those that the piece has.
func (p *Piece) checkSizeRows(add adder, where string, s *Size) {
	for _, id := range slices.Sorted(maps.Keys(s.Rows)) {
		at := fmt.Sprintf("%s.rows.%s", where, id)
		if p.Row(id) == nil {
			add(at, "The piece has no row %q. Save the sizes again.", id)
			continue
		}
		p.checkSizeLine(add, at, s.Rows[id])
	}
	for _, id := range slices.Sorted(maps.Keys(s.Links)) {
		at, n := fmt.Sprintf("%s.links.%s", where, id), s.Links[id]
		switch f := p.Fitting(id); {
		case f == nil || !f.Of.HasLinks():
			add(at, "The piece has no chain %q. Save the sizes again.", id)
		case n < 1 || n > MostChain:
			add(at, "A chain has 1 to %d links; this one has %d.", MostChain, n)
		}
	}
}

// ForgetGone drops what sizes have for rows and chains that the piece has no more.
func (p *Piece) ForgetGone() {
	noRow := func(id ID, _ *pattern.Line) bool { return p.Row(id) == nil }
	for i := range p.Sizes {
		s := &p.Sizes[i]
		s.Rows, s.OfRows = without(s.Rows, noRow), without(s.OfRows, noRow)
		s.Links = without(s.Links, func(id ID, _ int) bool {
			f := p.Fitting(id)
			return f == nil || !f.Of.HasLinks()
		})
	}
}

// without is a map without those entries; the map itself where it has none.
func without[V any](all map[ID]V, gone func(ID, V) bool) map[ID]V {
	out := maps.Clone(all)
	maps.DeleteFunc(out, gone)
	if len(out) == len(all) {
		return all
	}
	return out
}

// Lines are all bead lines of the size, that of the leading row first.
func (s *Size) Lines() []*pattern.Line {
	var out []*pattern.Line
	if s.Line != nil {
		out = append(out, s.Line)
	}
	for _, id := range slices.Sorted(maps.Keys(s.Rows)) {
		out = append(out, s.Rows[id])
	}
	return out
}

// Rewritten is the size with every line written again, those that it was made of as well.
func (s Size) Rewritten(anew func(*pattern.Line)) Size {
	one := func(line *pattern.Line) *pattern.Line {
		if line == nil {
			return nil
		}
		line = line.Clone()
		anew(line)
		return line
	}
	all := func(lines map[ID]*pattern.Line) map[ID]*pattern.Line {
		lines = maps.Clone(lines)
		for id, line := range lines {
			lines[id] = one(line)
		}
		return lines
	}
	s.Line, s.Of, s.Rows, s.OfRows = one(s.Line), one(s.Of), all(s.Rows), all(s.OfRows)
	return s
}

// checkSizeLine holds one bead line of a size to what can be.
func (p *Piece) checkSizeLine(add adder, where string, line *pattern.Line) {
	if line.OpenFill() != nil {
		add(where, "A size has counts of its own. Write how many come where it fills up.")
	}
	if line.Size(pattern.Fills{}) > pattern.MaxBeads {
		add(where, "This is more than %d beads, the most in one strand. Make a count smaller.", pattern.MaxBeads)
	}
	for _, fault := range pattern.Faults(checkLetters(line, p.Palette)) {
		add(where, "Column %d: %s", fault.Col, fault.Says)
	}
}
