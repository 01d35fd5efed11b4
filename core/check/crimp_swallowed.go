package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// crimpSwallowed fires when a crimp, or the cover over it, passes into the hole
// of the bead beside it: it no longer holds anything.
var crimpSwallowed = judgement{
	code:  "crimp-swallowed",
	stops: may,
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		var found []Finding
		for _, s := range m.Strands {
			for _, side := range []string{"left", "right"} {
				end, bead := s.Left, 0
				if side == "right" {
					end, bead = s.Right, len(s.Beads)-1
				}
				for _, part := range end.Parts {
					if !part.Swallowed {
						continue
					}
					b := s.Beads[bead].Material
					found = append(found, Finding{
						Code: "crimp-swallowed", Severity: Stop, Strand: s.ID, End: side, Element: bead, Column: columnOf(s, bead),
						Title: "Crimp slips into the bead",
						Says: fmt.Sprintf("The %s hole of %s takes in %s of %s at the %s end.", mm(b.Bead.Hole), b.Name,
							part.Material.Name, mm(part.Material.Finding.Outside), side),
					})
				}
			}
		}
		return found
	},
	mend: func(m *measure.Measured, f Finding, bench Bench) []Fix {
		s := m.Strands[0]
		gap, end := 0, s.Left
		if f.End == "right" {
			gap, end = len(s.Beads), s.Right
		}
		swallower := s.Beads[f.Element].Material.Bead
		return putBetween(m, gap, func(b *material.Bead) bool {
			for _, part := range end.Parts {
				if part.Swallowed && (b.Hole > part.Material.Finding.Outside || b.Across <= swallower.Hole) {
					return false
				}
			}
			return true
		}, bench.Shelf)
	},
}
