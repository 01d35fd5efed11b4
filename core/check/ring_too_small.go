package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// ringTooSmall fires when a jump or split ring cannot hold what hangs in it on
// both sides.
var ringTooSmall = Check{
	Code: "ring-too-small", Step: StepEnds,
	End: func(_ *View, s *measure.Strand, e *measure.End) []Finding {
		var found []Finding
		for i, p := range e.Parts {
			if p.Role != measure.RoleRing {
				continue
			}
			if carried := carriedBy(s, e, i); carried > p.Material.Finding.Inside+tiny {
				at := s.Row.AtEnd(e.Side)
				at.Fitting = p.Fitting
				found = append(found, Finding{Severity: Stop, At: at, Title: "Ring too small for what it holds", cause: string(p.Fitting),
					Says: fmt.Sprintf("%s at the %s end is %s inside; the parts it holds are %s thick together.", p.Material.Name, e.Side,
						mm(p.Material.Finding.Inside), mm(carried))})
			}
		}
		return found
	},
	Strand: func(v *View, s *measure.Strand) []Finding { return ofComponents(v, s, linkOvercrowded) },
	Fix: func(v *View, f *Finding, bench Bench) []Fix {
		s := v.Strand(f.At.Row)
		if c := componentAt(s, f); c != nil {
			return otherRings(s, f, c, bench, func(was, ring *material.Finding) bool { return ring.Inside > was.Inside })
		}
		e := s.End(f.At.Side)
		for i := range e.Parts {
			if p := &e.Parts[i]; p.Fitting == f.At.Fitting {
				carried := carriedBy(s, e, i)
				return instead(v, p, bench.Shelf, func(c *material.Finding) bool {
					return c.IsRing() && c.Inside >= carried && c.Joint == p.Material.Finding.Joint
				})
			}
		}
		return nil
	},
}

// carriedBy is how thick the things on both sides of part i are together, where
// they go through it.
func carriedBy(s *measure.Strand, e *measure.End, i int) length.MM {
	sum := length.MM(0)
	for _, k := range []int{i - 1, i + 1} {
		if k < 0 || k >= len(e.Parts) {
			continue
		}
		switch p := e.Parts[k]; p.Role {
		case measure.RoleLoop:
			sum += s.Row.Cord.Cord.Diameter * length.MM(s.Row.Passes)
		case measure.RoleRing, measure.RoleChain, measure.RoleClasp, measure.RoleGuard:
			sum += p.Material.Finding.Wire
		}
	}
	return sum
}
