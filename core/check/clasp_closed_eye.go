package check

import (
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// claspClosedEye fires when a clasp's closed eye meets another closed fitting:
// neither opens to take the other in.
var claspClosedEye = Check{
	Code: "clasp-closed-eye", Step: StepEnds,
	End: func(_ *View, s *measure.Strand, e *measure.End) []Problem {
		return closedPairs(s, e, false)
	},
	Fix: openBetween,
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

// PutRing puts a ring between the two.
type PutRing struct{ Ring *material.Material }

func (BothClosed) fact() {}

func (PutRing) effect() {}
