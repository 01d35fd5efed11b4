package check

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// ringTooSmall fires when a jump or split ring cannot hold what hangs in it on
// both sides.
var ringTooSmall = Check{
	Code: "ring-too-small", Step: StepEnds,
	End: func(v *View, s *measure.Strand, e *measure.End) []Problem {
		var found []Problem
		for i, p := range e.Parts {
			if p.Role != measure.RoleRing {
				continue
			}
			if !takes(v, s, e, i, p.Material.Finding.Inside) {
				at := s.Row.AtEnd(e.Side)
				at.Fitting = p.Fitting
				found = append(found, Problem{Severity: Stop, At: at, cause: string(p.Fitting),
					Fact: RingSmall{p.Material, e.Side, len(v.rowsOn(&p, e.Side)), carriedBy(v, s, e, i) + hungOn(&e.Parts[i])}})
			}
		}
		return found
	},
	Strand: func(v *View, s *measure.Strand) []Problem {
		return append(ofComponents(v, s, linkOvercrowded), firstRings(s)...)
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		if _, ofBead := f.Fact.(LoopCrowded); ofBead {
			return nil // it is mended where it is made
		}
		if c := componentAt(s, f); c != nil {
			return otherRings(c, shelf, func(was, ring *material.Finding) bool { return ring.Inside > was.Inside })
		}
		e := s.End(f.At.Side)
		for i := range e.Parts {
			if p := &e.Parts[i]; p.Fitting == f.At.Fitting {
				return instead(v, p, shelf, func(c *material.Finding) bool {
					return c.IsRing() && takes(v, s, e, i, c.Inside) && c.Joint == p.Material.Finding.Joint
				})
			}
		}
		return nil
	},
}

// carriedBy is how thick the things on both sides of part i are together, where
// they go through it.
func carriedBy(v *View, s *measure.Strand, e *measure.End, i int) length.MM {
	sum := through(s, e, i+1)
	for _, thick := range strandwards(v, s, e, i) {
		sum += thick
	}
	return sum
}

// rowsOn lists the rows that go on a part of the closure at a side.
func (v *View) rowsOn(p *measure.Part, side piece.Side) []*piece.Row {
	if !p.Shared {
		return nil
	}
	return v.Piece.AllOf(p.Fitting, side)
}

// strandwards is how thick each thing is that pulls at part i from the strand's side:
// every row that goes on it, or the part before it.
func strandwards(v *View, s *measure.Strand, e *measure.End, i int) []length.MM {
	rows := v.rowsOn(&e.Parts[i], e.Side)
	if len(rows) < 2 {
		return []length.MM{through(s, e, i-1)}
	}
	var out []length.MM
	for _, r := range rows {
		out = append(out, measure.GoesOnWith(r, e.Side))
	}
	return out
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
func takes(v *View, s *measure.Strand, e *measure.End, i int, inside length.MM) bool {
	beyond := []length.MM{through(s, e, i+1)}
	for _, m := range e.Parts[i].Hung {
		beyond = append(beyond, m.Bead.Along)
	}
	return RingTakes(inside, strandwards(v, s, e, i), beyond)
}

// hungOn is how thick all that hangs on a part is together.
func hungOn(p *measure.Part) length.MM {
	sum := length.MM(0)
	for _, m := range p.Hung {
		sum += m.Bead.Along
	}
	return sum
}

// RingSmall says that what goes on a ring is thicker together than the ring is wide.
type RingSmall struct {
	Ring  *material.Material
	Side  piece.Side
	Rows  int // that go on it
	Holds length.MM
}

func (RingSmall) fact() {}
