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
			if !takes(s, e, i, p.Material.Finding.Inside) {
				at := s.Row.AtEnd(e.Side)
				at.Fitting = p.Fitting
				found = append(found, Finding{Severity: Stop, At: at, Title: "Ring too small for what it holds", cause: string(p.Fitting),
					Says: fmt.Sprintf("%s at the %s end is %s inside; the parts it holds are %s thick together.", p.Material.Name, e.Side,
						mm(p.Material.Finding.Inside), mm(carriedBy(s, e, i)+hungOn(&e.Parts[i])))})
			}
		}
		return found
	},
	Strand: func(v *View, s *measure.Strand) []Finding { return ofComponents(v, s, linkOvercrowded) },
	Fix: func(v *View, f *Finding, bench Bench) []Fix {
		s := v.Strand(f.At.Row)
		if c := componentAt(s, f); c != nil {
			return otherRings(c, bench, func(was, ring *material.Finding) bool { return ring.Inside > was.Inside })
		}
		e := s.End(f.At.Side)
		for i := range e.Parts {
			if p := &e.Parts[i]; p.Fitting == f.At.Fitting {
				return instead(v, p, bench.Shelf, func(c *material.Finding) bool {
					return c.IsRing() && takes(s, e, i, c.Inside) && c.Joint == p.Material.Finding.Joint
				})
			}
		}
		return nil
	},
}

// carriedBy is how thick the things on both sides of part i are together, where
// they go through it.
func carriedBy(s *measure.Strand, e *measure.End, i int) length.MM {
	return through(s, e, i-1) + through(s, e, i+1)
}

// through is how thick part k is where it goes through the part beside it.
func through(s *measure.Strand, e *measure.End, k int) length.MM {
	if k < 0 || k >= len(e.Parts) {
		return 0
	}
	switch p := e.Parts[k]; p.Role {
	case measure.RoleBeads:
		return p.Loop.Thick
	case measure.RoleLoop:
		return s.Row.Cord.Cord.Diameter * length.MM(s.Row.Passes)
	case measure.RoleRing, measure.RoleChain, measure.RoleLinks, measure.RoleClasp, measure.RoleGuard:
		return p.Material.Finding.Wire
	}
	return 0
}

// takes says whether a ring of this inside takes what part i joins and what hangs
// on it: that pulls beside the part beyond, against the strand.
func takes(s *measure.Strand, e *measure.End, i int, inside length.MM) bool {
	beyond := []length.MM{through(s, e, i+1)}
	for _, m := range e.Parts[i].Hung {
		beyond = append(beyond, m.Bead.Along)
	}
	return RingTakes(inside, []length.MM{through(s, e, i-1)}, beyond)
}

// hungOn is how thick all that hangs on a part is together.
func hungOn(p *measure.Part) length.MM {
	sum := length.MM(0)
	for _, m := range p.Hung {
		sum += m.Bead.Along
	}
	return sum
}
