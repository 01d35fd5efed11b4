package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// claspClosedEye fires when a clasp's closed eye meets another closed fitting:
// neither opens to take the other in.
var claspClosedEye = judgement{
	code:  "clasp-closed-eye",
	stops: may,
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		return closedPairs(m, "clasp-closed-eye", "Neither eye opens", false)
	},
	mend: openBetween,
}

// closedPairs finds neighbours at an end that are both closed: those with a
// chain among them, or those without.
func closedPairs(m *measure.Measured, code, title string, chains bool) []Finding {
	var found []Finding
	s := m.Strands[0]
	bothEnds(s, func(side string, e measure.End) {
		for _, i := range closedAt(e) {
			a, b := e.Parts[i], e.Parts[i+1]
			isChain := a.Does == measure.DoesChain || b.Does == measure.DoesChain
			if isChain != chains {
				continue
			}
			f := atEnd(s, code, Stop, side)
			f.Title = title
			f.Says = fmt.Sprintf("%s and %s at the %s end are both closed; put a ring that opens between them.", a.Material.Name, b.Material.Name, side)
			found = append(found, f)
		}
	})
	return found
}

// closedAt gives the places i where parts i and i+1 are both closed metal.
func closedAt(e measure.End) []int {
	var at []int
	closed := func(p measure.Part) bool {
		switch p.Does {
		case measure.DoesClasp, measure.DoesRing, measure.DoesChain:
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
func openBetween(m *measure.Measured, f Finding, bench Bench) []Fix {
	s := m.Strands[0]
	var fixes []Fix
	bothEnds(s, func(side string, e measure.End) {
		if side != f.End {
			return
		}
		for _, i := range closedAt(e) {
			for _, ring := range ringsFor(m, bench.Shelf) {
				ends := EndsOf(m.Piece)
				row, closure := ends.Side(side)
				putBeside(row, closure, e.Parts[i+1].Material, ring)
				fixes = append(fixes, Fix{Says: "Put " + ring.Name + " between", Edit: Edit{Ends: &ends}})
			}
		}
	})
	return fixes
}

// putBeside puts the ring on the strand's side of a fitting. The row lists its
// fittings from the strand outwards, the closure from the outside in.
func putBeside(row, closure *[]*material.Material, beside, ring *material.Material) {
	for i, x := range *closure {
		if x == beside {
			*closure = append((*closure)[:i+1:i+1], append([]*material.Material{ring}, (*closure)[i+1:]...)...)
			return
		}
	}
	for i, x := range *row {
		if x == beside {
			*row = append((*row)[:i:i], append([]*material.Material{ring}, (*row)[i:]...)...)
			return
		}
	}
}
