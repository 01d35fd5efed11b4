package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// looseCrimp is how many times wider than its cords a crimp may be and still
// close on them.
const looseCrimp = 2

// crimpMisfit fires when a crimp cannot take the passes of its cord, which stops
// the work, or is so wide that it will not grip them.
var crimpMisfit = judgement{
	code:  "crimp-misfit",
	stops: may,
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		var found []Finding
		s := m.Strands[0]
		bothEnds(s, func(side string, e measure.End) {
			for _, p := range e.Parts {
				if p.Does != measure.DoesCrimp {
					continue
				}
				passes := 2 * s.Row.Passes
				need, inside := material.HoleFor(passes, s.Row.Cord.Cord.Diameter), p.Material.Finding.Inside
				f := atEnd(s, "crimp-misfit", Stop, side)
				switch {
				case inside < need:
					f.Title = "Crimp too small"
				case inside > looseCrimp*need+1e-9:
					f.Severity, f.Title = Warn, "Crimp too loose to grip"
				default:
					continue
				}
				f.Says = fmt.Sprintf("%d passes of %s cord measure %s; %s at the %s end is %s inside.", passes,
					mm(s.Row.Cord.Cord.Diameter), mm(need), p.Material.Name, side, mm(inside))
				found = append(found, f)
			}
		})
		return found
	},
	mend: func(m *measure.Measured, f Finding, bench Bench) []Fix {
		s := m.Strands[0]
		need := material.HoleFor(2*s.Row.Passes, s.Row.Cord.Cord.Diameter)
		return eachOf(m, f.End, measure.DoesCrimp, func(p measure.Part) []Fix {
			return instead(m, f.End, p.Material, bench.Shelf, func(c *material.Finding) bool {
				return Grips(c, need)
			})
		})
	},
}

// Grips says whether a crimp takes cords that need so wide a hole, and closes on
// them.
func Grips(c *material.Finding, need length.MM) bool {
	return c.IsCrimp() && c.Inside >= need && c.Inside <= looseCrimp*need
}

// eachOf gathers the fixes for the parts of an end that do the same.
func eachOf(m *measure.Measured, end, does string, fixes func(p measure.Part) []Fix) []Fix {
	var out []Fix
	bothEnds(m.Strands[0], func(side string, e measure.End) {
		for _, p := range e.Parts {
			if side == end && p.Does == does && p.Material != nil {
				out = append(out, fixes(p)...)
			}
		}
	})
	return out
}
