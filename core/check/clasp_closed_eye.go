package check

import (
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// claspClosedEye fires when a clasp's closed eye, or another closed thing on the way that a weight
// hangs, meets a closed one: neither opens to take the other in.
var claspClosedEye = Check{
	Code: "clasp-closed-eye", Step: StepEnds,
	Strand: func(v *View, s *measure.Strand) []Problem { return ofComponents(v, s, closedInside) },
	End: func(_ *View, s *measure.Strand, e *measure.End) []Problem {
		return append(closedPairs(s, e, false), closedOnHung(s, e)...)
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		if _, atEnd := f.Fact.(BothClosed); !atEnd {
			return nil // it is mended where it is made
		}
		return openBetween(v, f, shelf)
	},
}

// closedTop says whether what hangs has nothing at its top that opens: a charm by its hole, a component
// by its first ring.
func closedTop(m *material.Material) bool {
	if m.Component == nil {
		return m.Bead != nil && m.Bead.Hangs()
	}
	return len(m.Component.Rings) > 0 && !m.Component.Rings[0].Finding.IsOpen()
}

// closedInside stops a component in which two things are closed that hang in one another.
func closedInside(m *material.Material, _ piece.House) (f Problem, fires bool) {
	within(m, func(c *material.Material) {
		rings := c.Component.Rings
		stop := func(one, other *material.Material) {
			if !fires {
				f, fires = Problem{Severity: Stop, Fact: ClosedInside{c, one, other}}, true
			}
		}
		for i := 1; i < len(rings); i++ {
			if !rings[i-1].Finding.IsOpen() && !rings[i].Finding.IsOpen() {
				stop(rings[i-1], rings[i])
			}
		}
		last := c.Component.Strung // whose own loop does not open
		switch n := len(rings); {
		case last != nil && n > 0 && !rings[n-1].Finding.IsOpen():
			stop(rings[n-1], last)
		case last != nil:
		case n == 0 || c.Component.Pin != nil || rings[n-1].Finding.IsOpen():
			return // a loop of a pin is closed last
		default:
			last = rings[n-1]
		}
		for _, below := range c.Component.Below {
			if closedTop(below) {
				stop(last, below)
			}
		}
	})
	return f, fires
}

// closedOnHung finds what hangs closed in a closed fitting of an end.
func closedOnHung(s *measure.Strand, e *measure.End) []Problem {
	var found []Problem
	for _, p := range e.Parts {
		if p.Material == nil || p.Material.Finding == nil || p.Material.Finding.IsOpen() {
			continue
		}
		for _, hung := range p.Hung {
			if closedTop(hung) {
				at := s.Row.AtEnd(e.Side)
				at.Fitting = p.Fitting
				found = append(found, Problem{Severity: Stop, At: at, cause: "hung " + hung.ID, Fact: ClosedInside{nil, p.Material, hung}})
			}
		}
	}
	return found
}

// chainSoldered fires when a chain of soldered links meets another closed
// fitting.
var chainSoldered = Check{
	Code: "chain-soldered", Step: StepEnds,
	End: func(_ *View, s *measure.Strand, e *measure.End) []Problem {
		return closedPairs(s, e, true)
	},
	Fix: openBetween,
}

// closedPairs finds neighbours at an end that are both closed: those with a
// chain among them, or those without.
func closedPairs(s *measure.Strand, e *measure.End, chains bool) []Problem {
	var found []Problem
	for _, i := range closedAt(e) {
		a, b := e.Parts[i], e.Parts[i+1]
		isChain := chained(a) || chained(b)
		if isChain != chains {
			continue
		}
		at := s.Row.AtEnd(e.Side)
		at.Fitting = b.Fitting
		found = append(found, Problem{Severity: Stop, At: at, cause: string(b.Fitting), Fact: BothClosed{a.Material, b.Material, e.Side, chains}})
	}
	return found
}

func chained(p measure.Part) bool {
	return p.Role == measure.RoleChain || p.Role == measure.RoleLinks
}

// closedAt gives the places i where parts i and i+1 are both closed metal.
func closedAt(e *measure.End) []int {
	var at []int
	closed := func(p measure.Part) bool {
		switch p.Role {
		case measure.RoleClasp, measure.RoleRing, measure.RoleChain, measure.RoleLinks:
			return !p.Material.Finding.IsOpen()
		}
		return false
	}
	for i := 0; i+1 < len(e.Parts); i++ {
		if closed(e.Parts[i]) && closed(e.Parts[i+1]) {
			at = append(at, i)
		}
	}
	return at
}

// openBetween puts a ring that opens between the two.
func openBetween(v *View, f *Problem, shelf Shelf) []Fix {
	var fixes []Fix
	for _, ring := range ringsFor(v, shelf.Materials) {
		fixes = append(fixes, fix(PutRing{ring}, edit.AddFitting{At: f.At, Of: ring}))
	}
	return fixes
}

// ringsFor are the rings to add to a piece: its own first, then two of the shelf
// that can be opened.
func ringsFor(v *View, shelf []*material.Material) []*material.Material {
	var rings []*material.Material
	add := func(c *material.Material) {
		if c.Finding != nil && c.Finding.IsRing() && c.Finding.IsOpen() && len(rings) < 2 {
			rings = append(rings, c)
		}
	}
	for _, c := range v.Tally {
		add(c.Material)
	}
	for _, c := range shelf {
		add(c)
	}
	return rings
}

// BothClosed says that two closed pieces of metal meet at an end, one of them perhaps a chain.
type BothClosed struct {
	One, Other *material.Material
	Side       piece.Side
	Chain      bool
}

// ClosedInside says that two closed things would have to hang in one another: in a component, or in a
// fitting, where Of is nil.
type ClosedInside struct{ Of, One, Other *material.Material }

// PutRing puts a ring between the two.
type PutRing struct{ Ring *material.Material }

func (BothClosed) fact()   {}
func (ClosedInside) fact() {}

func (PutRing) effect() {}
