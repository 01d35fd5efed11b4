package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// ringTooSmall fires when a jump or split ring cannot hold what hangs in it on
// both sides.
var ringTooSmall = judgement{
	code:  "ring-too-small",
	stops: may,
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		var found []Finding
		s := m.Strands[0]
		bothEnds(s, func(side string, e measure.End) {
			for i, p := range e.Parts {
				if p.Does != measure.DoesRing {
					continue
				}
				if carried := carriedBy(s, e, i); carried > p.Material.Finding.Inside {
					f := atEnd(s, "ring-too-small", Stop, side)
					f.Title = "Ring too small for what it holds"
					f.Says = fmt.Sprintf("%s at the %s end is %s inside; what it carries is %s thick together.", p.Material.Name, side,
						mm(p.Material.Finding.Inside), mm(carried))
					found = append(found, f)
				}
			}
		})
		return found
	},
	mend: func(m *measure.Measured, f Finding, bench Bench) []Fix {
		s := m.Strands[0]
		var fixes []Fix
		bothEnds(s, func(side string, e measure.End) {
			for i, p := range e.Parts {
				carried := carriedBy(s, e, i)
				if side == f.End && p.Does == measure.DoesRing && carried > p.Material.Finding.Inside {
					fixes = append(fixes, instead(m, side, p.Material, bench.Shelf, func(c *material.Finding) bool {
						return c.IsRing() && c.Inside >= carried && c.Joint == p.Material.Finding.Joint
					})...)
				}
			}
		})
		return fixes
	},
}

// carriedBy is how thick the things on both sides of part i are together, where
// they go through it.
func carriedBy(s *measure.Strand, e measure.End, i int) length.MM {
	sum := length.MM(0)
	for _, k := range []int{i - 1, i + 1} {
		if k < 0 || k >= len(e.Parts) {
			continue
		}
		switch p := e.Parts[k]; p.Does {
		case measure.DoesLoop:
			sum += s.Row.Cord.Cord.Diameter * length.MM(s.Row.Passes)
		case measure.DoesRing, measure.DoesChain, measure.DoesClasp, measure.DoesGuard:
			sum += p.Material.Finding.Wire
		}
	}
	return sum
}
