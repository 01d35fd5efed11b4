package check

import (
	"cmp"
	"fmt"
	"slices"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// knotShows fires when the knot should hide and no bead's hole takes it.
var knotShows = judgement{
	code: "knot-shows",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		s := m.Strands[0]
		if s.Knot == nil || s.Knot.Bead >= 0 || m.Piece.House.KnotPlace != piece.KnotHidden || len(s.Beads) == 0 {
			return nil
		}
		widest := slices.MaxFunc(s.Beads, func(a, b measure.Bead) int { return cmp.Compare(a.Material.Bead.Hole, b.Material.Bead.Hole) })
		return []Finding{{
			Code: "knot-shows", Severity: Warn, Strand: s.ID, Element: -1, Title: "The knot will show",
			Says: fmt.Sprintf("The knot is about %s thick; the widest hole, of %s, is %s.", mm(s.Knot.Across), widest.Material.Name, mm(widest.Material.Bead.Hole)),
		}}
	},
	mend: func(m *measure.Measured, _ Finding, bench Bench) []Fix {
		s := m.Strands[0]
		shown := piece.KnotShown
		fixes := strungOn(bench.Shelf, thinner(s.Row.Cord.Cord))
		return append(fixes, Fix{Says: "Let the knot show", Edit: Edit{KnotPlace: &shown}})
	},
}
