package measure

import (
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// doubled is a row on waxed cord of 1, twice through its beads, from a loop of its fold at
// the left to a button at the right, its shank 2 inside.
func doubled(t *testing.T, line string, girth length.MM, passes int) *Measured {
	t.Helper()
	p := fringed(t, line)
	onTray(t, p, 0, map[string]material.Bead{"W": {Shape: material.Tube, Across: 5, Along: 8, Hole: 2.3}})
	row := p.Rows()[0]
	row.Cord = &material.Material{ID: "waxed", Name: "waxed", Class: material.ClassCord, Cord: &material.Cord{Type: material.Waxed, Diameter: 1}}
	row.Passes, row.Left, row.Right = passes, nil, nil
	row.LeftEnding = piece.Ending{Way: piece.WayCordLoop, Girth: girth}
	button := &material.Material{ID: "button", Name: "button", Class: material.ClassFinding, Finding: &material.Finding{Type: material.ButtonEnd, Outside: 15, Length: 3, Inside: 2}}
	p.Closure = piece.Closure{Type: piece.Clasp, Right: []piece.Fitting{{ID: "b", Of: button}}}
	zero := length.MM(0)
	row.Slack = &zero
	return measured(t, p)
}

// A loop of the fold, lying flat, adds half of its inside girth and its knot in both cords;
// both halves are one cut.
func TestTheFoldOfADoubledCordGoesOverTheButton(t *testing.T) {
	m := doubled(t, "10W", 39, 2)
	s := m.Leading()
	knot := 2.5 * 2
	if math.Abs(float64(m.Finished)-(80+39.0/2+knot+2)) > 1e-9 {
		t.Errorf("finished %v", m.Finished)
	}
	if s.Left.Hold != HeldByMiddle || s.Start.By != StartFold || s.Right.Hold != HeldByKnot {
		t.Errorf("held by %s, started by %s, then by %s", s.Left.Hold, s.Start.By, s.Right.Hold)
	}
	// Round the loop along the cord's middle, and an overhand knot of both cords: each uses
	// ten times what the two are thick.
	want := map[string]float64{"beads": 160, "left loop": 39 + math.Pi, "left knot": 2 * 10 * 2}
	for _, c := range s.Cut() {
		if mm, asked := want[ItemName(c.Item)]; asked {
			if delete(want, ItemName(c.Item)); math.Abs(float64(c.Length)-mm) > 1e-9 {
				t.Errorf("%s takes %v, want %v", ItemName(c.Item), c.Length, mm)
			}
		}
	}
	if len(want) > 0 {
		t.Errorf("not cut for: %v", want)
	}
	legs := s.Legs()
	if legs == nil || !legs.Folded || legs.Count != 2 || legs.Each != s.CutLength()/2 || legs.Least != s.LeastCut()/2 {
		t.Errorf("%+v", legs)
	}
	// At a time, the button goes through a loop that is 3 more than once round it.
	if wide := m.Piece.Closure.Right[0].Of.Finding.LoopFor(); wide != 39 || s.Left.FindLoop().LoopGirth() != 39 {
		t.Errorf("it is easy to close at %v", wide)
	}
}

// Once through the beads the cord's own end comes back round the loop to its knot.
func TestALoopAtTheEndOfOneCord(t *testing.T) {
	s := doubled(t, "10W", 39, 1).Leading()
	loop := length.MM(0)
	for _, c := range s.Cut() {
		if ItemName(c.Item) == "left loop" {
			loop = c.Length
		}
	}
	if s.Left.Hold != HeldByKnot || math.Abs(float64(loop)-39-math.Pi) > 1e-9 || s.Legs() != nil {
		t.Errorf("held by %s, a loop of %v, legs %+v", s.Left.Hold, loop, s.Legs())
	}
	laid := doubled(t, "10W", 39, 3).Leading()
	if legs := laid.Legs(); legs == nil || legs.Folded || legs.Count != 3 || math.Abs(float64(legs.Each*3-laid.CutLength())) > 1e-9 {
		t.Errorf("%+v", legs)
	}
}

// A bead that rides on one of two cords has one pass; the others both.
func TestABeadRidesOnOneCord(t *testing.T) {
	m := doubled(t, "3W B 3W", 39, 2)
	m.Piece.OneCord = map[string]bool{"B": true}
	one := measured(t, m.Piece)
	for i, want := range []int{2, 2, 2, 1, 2, 2, 2} {
		if i > 2 {
			want *= 2 // the tails come back from the button
		}
		if got := one.Leading().Beads[i].Passes; got != want {
			t.Errorf("bead %d has %d passes, want %d", i, got, want)
		}
	}
	if one.Finished != m.Finished || one.Leading().CutLength() != m.Leading().CutLength() {
		t.Error("both cords are as long")
	}
}

// Knots in several cords use of each what the knot takes of all, less the knot's own length, which
// lies in the gap.
func TestKnotsInADoubledCordUseBoth(t *testing.T) {
	takes := func(passes int) length.MM {
		m := doubled(t, "W _20mm W", 39, passes)
		m.Leading().Row.Holder = piece.Holder{Way: piece.HeldByKnots}
		return cutOf(measured(t, m.Piece).Leading(), "knots between beads")
	}
	if one, two := takes(1), takes(2); one != 2*(10-2.5) || two != 2*2*(20-5) {
		t.Errorf("two knots use %v of one cord and %v of two", one, two)
	}
}
