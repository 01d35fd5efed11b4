package check

import (
	"fmt"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// knotShows advises when the knot should hide and no bead's hole takes it, or
// takes it only with a pull.
var knotShows = Check{
	Code: "knot-shows", Step: StepEnds,
	Strand: func(v *View, s *measure.Strand) []Problem {
		k := s.Knot
		if k == nil || v.Piece.House.KnotPlace != piece.KnotHidden || len(s.Beads) == 0 || k.Bead >= 0 && !k.Pull {
			return nil
		}
		f := Problem{Severity: Advise, At: s.Row.At(), Title: "The knot will show"}
		if k.Pull {
			b := s.Beads[k.Bead].Material
			f.At.Element, f.Title = k.Bead, "The knot is tight in its bead"
			f.Says = fmt.Sprintf("The knot is about %s thick; tied tight it can be pulled into the %s hole of %s.", mm(k.Across), mm(b.Bead.Hole), b.Name)
			return []Problem{f}
		}
		f.Says = fmt.Sprintf("The knot is about %s thick, and no bead here has a hole that takes it.", mm(k.Across))
		if widest := widestHole(s); widest != nil {
			f.Says = fmt.Sprintf("The knot is about %s thick; the widest hole, of %s, is %s.", mm(k.Across), widest.Name, mm(widest.Bead.Hole))
		}
		return []Problem{f}
	},
	End: func(_ *View, s *measure.Strand, e *measure.End) []Problem {
		k := e.Hidden
		if k == nil || k.Bead >= 0 {
			return nil
		}
		b := s.Beads[s.Beside(e.Side)].Material
		return []Problem{{Severity: Advise, At: s.Row.AtEnd(e.Side), Title: "The knot will show",
			Says: fmt.Sprintf("The knot is about %s thick; %s at the %s end, that should hide it, has a hole of %s.", mm(k.Across), b.Name, e.Side, mm(b.Bead.Hole))}}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		if f.At.Side != "" {
			return []Fix{fix("Leave the knot visible", edit.Op{Do: edit.SetEnd, At: s.Row.AtEnd(f.At.Side), Field: edit.EndWay})}
		}
		fixes := strungOn(s, shelf.Materials, thinner(s.Row.Cord.Cord))
		return append(fixes, fix("Leave the knot visible", edit.Op{Do: edit.SetHouse, Field: "knotPlace", Text: piece.KnotShown}))
	},
}

// widestHole is the bead with the widest hole that could close round a knot.
func widestHole(s *measure.Strand) *material.Material {
	var widest *material.Material
	most := length.MM(0)
	for i := range s.Beads {
		if m := s.Beads[i].Material; material.Hides(m.Bead.Shape) && m.Bead.Hole > most {
			widest, most = m, m.Bead.Hole
		}
	}
	return widest
}
