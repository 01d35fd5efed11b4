package together

import (
	"context"
	"fmt"
	"slices"

	"mala/core/check"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/solve"
)

// The bounds of the search: by how many a count may change, how many beads may come at
// each end, and how many runs and dishes are tried.
const (
	mostBy    = 4
	mostAdded = 2
	mostRuns  = 8
	mostEnds  = 8
)

// optionsOf lists the ways a row can be: as it is, with another count, with beads more
// at its ends, and with one of each. What read the same from both ends still does. The
// length of one of each is the sum of both until it is measured.
func (t *task) optionsOf(ctx context.Context, k int) []option {
	s := t.measured.Main()[k]
	out := []option{{length: s.Finished() - t.shift[k], exact: true}}
	if !s.Row.Corded() {
		return append(out, t.possible(ctx, k, links(s))...)
	}
	counts, ends := counts(s), t.ends(s)
	counts, ends = t.possible(ctx, k, counts), t.possible(ctx, k, ends)
	out = append(append(out, counts...), ends...)
	for _, a := range counts {
		for _, b := range ends {
			out = append(out, option{length: a.length + b.length - out[0].length, line: t.added(a.line, s, b.key, b.beads), does: slices.Concat(a.does, b.does),
				changes: a.changes + b.changes, moved: a.moved + b.moved})
		}
	}
	return out
}

// mostLinks is by how many links a row of chain may change.
const mostLinks = 12

// links makes a row of chain longer or shorter by whole links.
func links(s *measure.Strand) []option {
	chain := s.Row.Chain()
	var out []option
	for by := -mostLinks; by <= mostLinks; by++ {
		if n := chain.Links + by; by != 0 && n > 0 {
			out = append(out, option{fitting: chain.ID, links: n, does: []solve.Change{solve.SetLinks{Links: n, Was: chain.Links, Chain: chain.Of}}, changes: 1})
		}
	}
	return out
}

// possible measures options and keeps those that can be.
func (t *task) possible(ctx context.Context, k int, list []option) []option {
	var out []option
	for i := range list {
		if ctx.Err() == nil && t.measure(k, &list[i]) {
			out = append(out, list[i])
		}
	}
	return out
}

// counts changes the count of one run or group.
func counts(s *measure.Strand) []option {
	var out []option
	tried := 0
	for _, n := range s.Row.Line.Nodes {
		if n.InDrop || !n.Counts() || tried == mostRuns {
			continue
		}
		tried++
		for by := -mostBy; by <= mostBy; by++ {
			if by == 0 || n.Count+by < 1 || n.Count+by > pattern.MaxCount {
				continue
			}
			line := s.Row.Line.Clone()
			line.Nodes[n.ID].Count += by
			out = append(out, option{line: line, does: []solve.Change{solve.Recount{From: n.String(), To: line.Nodes[n.ID].String()}}, changes: 1})
		}
	}
	return out
}

// ends adds beads of one dish at the ends of a row that they come to.
func (t *task) ends(s *measure.Strand) []option {
	where := check.EndsOf(t.measured.Piece, s)
	var out []option
	for _, key := range t.dishes(s) {
		for n := 1; n <= mostAdded; n++ {
			more := solve.AddBeads{Beads: n, Bead: t.measured.Piece.Palette[key], At: where}
			out = append(out, option{line: t.added(s.Row.Line, s, key, n), key: key, beads: n, does: []solve.Change{more}, changes: 1})
		}
	}
	return out
}

// dishes lists the beads that may come at an end: those of the row, then the others,
// the shortest first.
func (t *task) dishes(s *measure.Strand) []string {
	p := t.measured.Piece
	var keys []string
	for key, m := range p.Palette {
		if m.Class == material.ClassBead && !m.Bead.Hangs() && !m.Bead.Turns() && m.Bead.Shape != material.Letter &&
			m.Bead.Hole >= material.HoleFor(s.Row.Passes, s.Row.Cord.Cord.Diameter) {
			keys = append(keys, key)
		}
	}
	slices.SortFunc(keys, func(a, b string) int {
		if d := p.Palette[a].Bead.Length() - p.Palette[b].Bead.Length(); d != 0 {
			return map[bool]int{true: -1, false: 1}[d < 0]
		}
		if a < b {
			return -1
		}
		return 1
	})
	return keys[:min(len(keys), mostEnds)]
}

// added is the line with n beads more at the ends of its strand that they come to. It is nil
// where that cannot be written.
func (t *task) added(line *pattern.Line, s *measure.Strand, key string, n int) *pattern.Line {
	return line.WithEnds(fmt.Sprint(n, key), check.EndsOf(t.measured.Piece, s))
}

// measure works out the length of an option; false if it cannot be, or if it breaks
// what read the same from both ends.
func (t *task) measure(k int, o *option) bool {
	s := t.measured.Main()[k]
	if o.line == nil && o.links == 0 {
		return false
	}
	p := t.measured.Piece.Clone()
	row := p.Row(s.Row.ID)
	if o.links > 0 {
		row.Chain().Links = o.links
	} else {
		row.Line = o.line
	}
	is, err := measure.Row(p, row)
	if err != nil {
		return false
	}
	o.exact = true
	o.length = is.Finished() - t.shift[k]
	o.moved = max(len(is.Beads)-len(s.Beads), len(s.Beads)-len(is.Beads))
	return !check.Symmetric(s) || check.Symmetric(is)
}
