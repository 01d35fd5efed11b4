package check

import (
	"cmp"
	"mala/core/design"
	"slices"

	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/start"
)

// candidate is a bead that could go in, with the letter of its dish or a free one.
type candidate struct {
	key   string
	bead  *material.Material
	fetch bool // its dish has to be set out first
}

// putInto offers beads for gaps of a strand: those of the dishes first, then
// some of the shelf, the shortest first. A strand that reads the same from both
// sides gets one at the mirrored gap too.
func putInto(v *View, s *measure.Strand, gaps []int, where Where, keeps func(b *material.Bead) bool, shelf []*material.Material) []Fix {
	gaps = mirroredGaps(s, gaps)
	var fixes []Fix
	for _, c := range candidates(v, s, shelf) {
		if c.bead.Bead.Hangs() || !keeps(c.bead.Bead) {
			continue
		}
		var ops []edit.Op
		if c.fetch {
			ops = append(ops, edit.SetDish{Letter: c.key, Of: c.bead})
		}
		for _, gap := range gaps {
			ops = append(ops, edit.Between{At: s.Row.At(), Gap: gap, Beads: facing(s, gap, c)})
		}
		fixes = append(fixes, fix(PutBead{c.bead, where}, ops...))
	}
	return fixes
}

// mirroredGaps orders gaps from the right, so that putting into one does not move
// the next, with the mirrored ones of a strand that is its own mirror image but is
// not written as one mirror.
func mirroredGaps(s *measure.Strand, gaps []int) []int {
	out := slices.Clone(gaps)
	if !s.Ring && !s.Row.Line.IsMirror() && design.ReadsBothWays(design.Order(s)) {
		for _, gap := range gaps {
			out = append(out, len(s.Beads)-gap)
		}
	}
	slices.SortFunc(out, func(a, b int) int { return cmp.Compare(b, a) })
	return slices.Compact(out)
}

// facing spells the bead for a gap: a cap opens towards the wider neighbour, and
// away from an end.
func facing(s *measure.Strand, gap int, c candidate) string {
	if c.bead.Bead.Facing != material.FacingForeAft {
		return c.key
	}
	across := func(i int) float64 {
		if i < 0 || i >= len(s.Beads) {
			return -1
		}
		return float64(s.Beads[i].Material.Bead.Across)
	}
	if across(gap-1) > across(gap) {
		return "~" + c.key
	}
	return c.key
}

// candidates are the beads that could go in, those the strand has first.
func candidates(v *View, s *measure.Strand, shelf []*material.Material) []candidate {
	var own, others []candidate
	on := map[string]bool{}
	for key, mat := range v.Piece.Palette {
		own = append(own, candidate{key: key, bead: mat})
		on[mat.ID] = true
	}
	for _, mat := range shelf {
		if mat.Class != material.ClassBead || on[mat.ID] {
			continue
		}
		if key := start.FreeKey(v.Piece, ""); key != "" {
			others = append(others, candidate{key, mat, true})
		}
	}
	for _, list := range [][]candidate{own, others} {
		slices.SortFunc(list, func(a, b candidate) int {
			return cmp.Or(cmp.Compare(a.bead.Bead.Length(), b.bead.Bead.Length()), cmp.Compare(a.bead.ID, b.bead.ID), cmp.Compare(a.key, b.key))
		})
	}
	return append(own, others...)
}

// neighboursOf gives what stands before and behind the bead at i, round the join
// of a ring and past what hangs on the cord; nil at an end or a gap.
func neighboursOf(s *measure.Strand, i int) (before, next *measure.Bead) {
	n := len(s.Beads)
	look := func(by int) *measure.Bead {
		for k := 1; k < n; k++ {
			at := i + by*k
			if s.Ring {
				at = (at%n + n) % n
			}
			if at < 0 || at >= n {
				return nil
			}
			switch b := &s.Beads[at]; {
			case b.IsGap():
				return nil
			case !b.Material.Bead.Hangs():
				return b
			}
		}
		return nil
	}
	return look(-1), look(1)
}
