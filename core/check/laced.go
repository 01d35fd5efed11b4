package check

import (
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// topsMisfit stops a flat laced on another whose holes do not line up with its own, and warns
// of one that is wider than what it lies on.
var topsMisfit = Check{
	Code: "tops-misfit", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		g := gather{strand: s}
		for i := range s.Beads {
			flat := s.Beads[i].Flat()
			if flat == nil || flat.Top == nil {
				continue
			}
			under, top := flat.Of, flat.Top
			if !top.Bead.LinesUp(under.Bead) {
				g.add("holes "+top.ID+" "+under.ID, i, func() Problem {
					return Problem{Severity: Stop, Fact: HolesUnlike{top, under}}
				})
				continue
			}
			if top.Bead.Across > under.Bead.Across+tiny {
				g.add("wide "+top.ID+" "+under.ID, i, func() Problem {
					return Problem{Severity: Warn, Fact: TopWide{top, under}}
				})
			}
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		key := s.Beads[f.At.Element].Key
		return []Fix{fix(LaceAlone{}, edit.SetLacingTop{At: s.Row.At(), Letters: key})}
	},
}

// holesCovered warns where a flat covers a hole of its neighbour: the cord there lies between
// the two, and holds them apart.
var holesCovered = Check{
	Code: "holes-covered", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		g := gather{strand: s}
		before := -1
		for i := range s.Beads {
			if s.Beads[i].Flat() == nil {
				continue
			}
			if before >= 0 {
				clear := clearOfHoles(&s.Beads[before], &s.Beads[i])
				if clear < -tiny {
					g.add("covered", i, func() Problem {
						return Problem{Severity: Warn, Fact: HoleCovered{s.Beads[i].At - s.Beads[before].At, -clear}}
					})
				}
			}
			before = i
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		before := f.At.Element - 1
		for before > 0 && s.Beads[before].Flat() == nil {
			before--
		}
		need := -clearOfHoles(&s.Beads[before], &s.Beads[f.At.Element])
		if pitch := s.Row.Lacing.Pitch; pitch > 0 {
			wide := pitch + need
			return []Fix{fix(LayFlats{true, wide}, edit.SetLacingPitch{At: s.Row.At(), Pitch: &wide})}
		}
		wide := s.Row.Lacing.Overlap - need
		if wide <= 0 {
			return nil
		}
		return []Fix{fix(LayFlats{false, wide}, edit.SetLacingOverlap{At: s.Row.At(), Overlap: &wide})}
	},
}

// clearOfHoles is how far the edge of either of two neighbours stays off the other's nearest
// hole; less than 0 where it covers some of it.
func clearOfHoles(one, other *measure.Bead) length.MM {
	apart := other.At - one.At
	edge := func(over, hole *measure.Bead) length.MM {
		b := hole.Material.Bead
		return apart - over.Flat().Wide/2 - (b.Apart+b.Hole)/2
	}
	return min(edge(one, other), edge(other, one))
}

// What may be wrong with flats that lie on one another.
type (
	HolesUnlike struct{ Top, Under *material.Material }
	TopWide     struct{ Top, Under *material.Material }
	HoleCovered struct{ Apart, By length.MM } // from middle to middle, and how far the hole is covered
)

// LaceAlone laces a flat with nothing on it.
type LaceAlone struct{}

// LayFlats lets flats overlap by so much, or lays them at that pitch.
type LayFlats struct {
	Pitch bool
	By    length.MM
}

func (HolesUnlike) fact() {}
func (TopWide) fact()     {}
func (HoleCovered) fact() {}

func (LaceAlone) effect() {}
func (LayFlats) effect()  {}
