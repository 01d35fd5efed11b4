package check

import (
	"fmt"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// crimpSwallowed fires when a crimp, closed, passes into the hole of the bead
// beside it or is just as wide: it no longer holds anything. A cover put on
// afterwards keeps no crimp out of a hole.
var crimpSwallowed = Check{
	Code: "crimp-swallowed", Step: StepLayOut,
	End: func(v *View, s *measure.Strand, e *measure.End) []Finding {
		part := e.Find(measure.RoleCrimp)
		bead := s.Beside(e.Side)
		if part == nil || bead < 0 || !part.Swallowed {
			return nil
		}
		b := s.Beads[bead].Material
		at := s.Row.AtEnd(e.Side)
		at.Fitting, at.Element = part.Fitting, bead
		return []Finding{{Severity: Stop, At: at, Title: "Crimp slips into the bead",
			Says: fmt.Sprintf("%s is %s wide once closed and slips into the %s hole of %s at the %s end.", part.Material.Name,
				mm(v.Piece.House.ClosedCrimp(part.Material.Finding)), mm(b.Bead.Hole), b.Name, e.Side)}}
	},
	Fix: func(v *View, f *Finding, bench Bench) []Fix {
		s := v.Strand(f.At.Row)
		gap := 0
		if f.At.Side == piece.Right {
			gap = len(s.Beads)
		}
		crimp := s.End(f.At.Side).Find(measure.RoleCrimp).Material.Finding
		closed, swallower := v.Piece.House.ClosedCrimp(crimp), s.Beads[f.At.Element].Material.Bead
		return putInto(v, s, []int{gap}, "between", func(b *material.Bead) bool {
			return b.Hole < closed && b.Across > swallower.Hole
		}, bench.Shelf)
	},
}
