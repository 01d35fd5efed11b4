package check

import (
	"fmt"

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
					return Problem{Severity: Stop, Title: "The holes do not line up", Says: fmt.Sprintf("%s has %s; %s under it has %s. A cord does not go straight through both.",
						top.Name, holesOf(top.Bead), lower(under.Name), holesOf(under.Bead))}
				})
				continue
			}
			if top.Bead.Across > under.Bead.Across+tiny {
				g.add("wide "+top.ID+" "+under.ID, i, func() Problem {
					return Problem{Severity: Warn, Title: "The flat on top is the wider one", Says: fmt.Sprintf("%s is %s wide and hides %s, which has %s. Lace the small on the large.",
						top.Name, mm(top.Bead.Across), lower(under.Name), mm(under.Bead.Across))}
				})
			}
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		key := s.Beads[f.At.Element].Key
		return []Fix{fix("Lace it alone, with nothing on it", edit.Op{Do: edit.SetLacing, At: s.Row.At(), Field: edit.LacingTop, Text: key})}
	},
}

func holesOf(b *material.Bead) string {
	return fmt.Sprintf("%d holes %s apart", b.Holes, mm(b.Apart))
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
						return Problem{Severity: Warn, Title: "A flat covers its neighbour's hole", Says: fmt.Sprintf("Middle to middle they lie %s apart here, and one covers the other's hole by %s: the cord lies between them and holds them apart.",
							mm(s.Beads[i].At-s.Beads[before].At), mm(-clear))}
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
		op := edit.Op{Do: edit.SetLacing, At: s.Row.At(), Field: edit.LacingOverlap}
		says := "Let them overlap by "
		wide := s.Row.Lacing.Overlap - need
		if s.Row.Lacing.Pitch > 0 {
			op.Field, wide, says = edit.LacingPitch, s.Row.Lacing.Pitch+need, "Lay them at a pitch of "
		}
		if wide <= 0 {
			return nil
		}
		op.Length = &wide
		return []Fix{fix(says+v.in(wide), op)}
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
