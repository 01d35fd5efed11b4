package measure

import (
	"math"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// onLegs is ten rounds on wire folded in two, a loop of nine seeds at the fold and another on one
// of its legs, each behind one crimp of 2.
func onLegs(t *testing.T) *piece.Piece {
	t.Helper()
	crimp := finding(t, material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 3, Length: 2})
	return ended(t, "10R", func(_ *piece.Piece, r *piece.Row) {
		r.Cord, r.Passes = cord(material.Wire, 0.38), 2
		r.Left, r.Right = fittings("fl", crimp), fittings("fr", crimp)
		r.LeftEnding, r.RightEnding = loopOf(t, "9S"), loopOf(t, "9S")
		r.LeftEnding.Way, r.RightEnding.Way = piece.WayFoldLoop, piece.WayLegLoop
	})
}

func TestLoopsOnTheLegsOfAFold(t *testing.T) {
	p := onLegs(t)
	s := measured(t, p).Leading()
	if len(s.Cords) != 1 || !s.Cords[0].Folded || s.Left.Hold != HeldByMiddle || s.Right.Hold != HeldByCrimp {
		t.Fatalf("%d cords, held by %s and %s", len(s.Cords), s.Left.Hold, s.Right.Hold)
	}
	loop := length.MM(9 * 2.9)
	legs := 2 * (s.Strung + s.Slack)
	near(t, "the fold, its loop and either leg through the crimp", cutOf(s, "left loop of beads")+cutOf(s, "left crimp"), loop+2*2, 1e-9)
	// One leg twice through the crimp, round the loop and back; the other once.
	want := legs + (loop + 2*2) + (2*2 + loop + 25 + 60) + (2 + 60)
	near(t, "cut", s.CutLength(), want, 1e-9)
	near(t, "at least", s.LeastCut(), want-60-60+25, 1e-9)
	if s.CrimpPasses(&s.Left) != 2 || s.CrimpPasses(&s.Right) != 3 || s.LoopPasses(&s.Left) != 1 || s.LoopPasses(&s.Right) != 1 {
		t.Errorf("crimps take %d and %d, loops %d and %d", s.CrimpPasses(&s.Left), s.CrimpPasses(&s.Right), s.LoopPasses(&s.Left), s.LoopPasses(&s.Right))
	}
	if got := s.Beads[9].Passes; got != 3 {
		t.Errorf("the last bead is passed %d times: by both legs and one tail", got)
	}
	met := 0
	for _, l := range s.Cords[0].Legs {
		if l.At.Fitting == p.Leading().Right[0].ID {
			met++
		}
	}
	if met != 3 {
		t.Errorf("the crimp at the right is met %d times", met)
	}
	near(t, "a loop lies half its girth beyond its crimp", s.Right.Length, 2+max(0, loop-4*math.Pi)/2, 1e-9)
}

// Beads on loose tails take their leg, a bead and a knot of each tail, and are counted.
func TestBeadsOnLooseTails(t *testing.T) {
	p := stretch(t, "20R")
	plain := measured(t, p).Leading()
	p.Leading().LeftEnding = piece.Ending{Way: piece.WayTails, Leg: 30, Bead: p.Palette["P"]}
	m := measured(t, p)
	s := m.Leading()
	d := p.Leading().Cord.Cord.Diameter
	near(t, "more cord", s.CutLength()-plain.CutLength(), 30+p.Palette["P"].Bead.Length()+10*d, 1e-9)
	if s.AllBeads() != 21 || m.Finished != s.Strung {
		t.Errorf("%d beads, %v long of %v strung", s.AllBeads(), m.Finished, s.Strung)
	}
	p.Leading().Passes = 2
	if got := measured(t, p).Leading().AllBeads(); got != 22 {
		t.Errorf("two tails have %d beads with the strand's", got)
	}
}

// What cannot be is refused in a sentence.
func TestLegsAndTailsAreHeldToWhatCanBe(t *testing.T) {
	for name, change := range map[string]func(r *piece.Row){
		"runs twice through every bead": func(r *piece.Row) { r.Passes = 3 },
		"folded at the left":            func(r *piece.Row) { r.LeftEnding = piece.Ending{} },
		"One crimp closes":              func(r *piece.Row) { r.Left = nil },
		"Put beads on the loop":         func(r *piece.Row) { r.RightEnding.Loop = nil },
		"wire takes no knot":            func(r *piece.Row) { r.RightEnding = piece.Ending{Way: piece.WayTails, Leg: 30} },
	} {
		p := onLegs(t)
		change(p.Leading())
		faults := p.Check()
		says := ""
		for _, f := range faults {
			says += f.Says + " "
		}
		if !strings.Contains(says, name) {
			t.Errorf("%s: %s", name, says)
		}
	}
	if faults := onLegs(t).Check(); len(faults) > 0 {
		t.Error(faults)
	}
}
