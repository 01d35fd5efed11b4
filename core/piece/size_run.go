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
	Rows     map[ID]*pattern.Line // of the other rows that have one of their own in this size
	Of       *pattern.Line        // the piece's own when the size was made; nil where nobody knows
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
		for _, id := range slices.Sorted(maps.Keys(s.Rows)) {
			at := fmt.Sprintf("%s.rows.%s", where, id)
			if !slices.ContainsFunc(p.Rows(), func(r *Row) bool { return r.ID == id }) {
				add(at, "The piece has no row %q. Save the sizes anew.", id)
				continue
			}
			p.checkSizeLine(add, at, s.Rows[id])
		}
	}
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
