package measure

import (
	"math"
	"slices"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// twoLegs strings two rows on one wire, folded at the left, that end in one crimp.
func twoLegs(t *testing.T, first, second string, change func(p *piece.Piece)) *Measured {
	t.Helper()
	p := threeRows(t, first, second)
	rows := p.Rows()
	rows[1].FoldOf, rows[1].Cord = rows[0].ID, rows[0].Cord
	rows[0].Left, rows[1].Left, rows[1].Right = nil, nil, nil
	rows[1].RightEnding = piece.Ending{Way: piece.WayWith}
	zero := length.MM(0)
	rows[0].Slack, rows[1].Slack = &zero, &zero
	if change != nil {
		change(p)
	}
	return measured(t, p)
}

// One cut of two legs: each half of it, less half of what lies round the fold, covers either.
func TestAFoldedWireIsOneCut(t *testing.T) {
	for _, lines := range [][2]string{{"50R", "60R"}, {"60R", "50R"}, {"50R", "50R"}} {
		m := twoLegs(t, lines[0], lines[1], nil)
		a, b := m.Strands[0], m.Strands[1]
		if a.Left.Hold != HeldByMiddle || b.Left.Hold != HeldByMiddle || a.Right.Hold != HeldByCrimp || b.Right.Hold != HeldByCrimp || a.Start.By != StartFold {
			t.Fatalf("held by %s, %s, %s and %s", a.Left.Hold, b.Left.Hold, a.Right.Hold, b.Right.Hold)
		}
		cord := a.Row.Cord.Cord.Diameter
		ring := a.Left.Parts[0].Material.Finding.Wire
		fold := ring + math.Pi/2*(ring+cord)
		crimp := a.Right.Find(RoleCrimp).Material.Finding.Length
		legA := a.Strung + 2*(crimp+m.Piece.House.Loop) + 25
		legB := b.Strung + crimp
		if want := 2*max(legA, legB) + fold + 25; math.Abs(float64(a.LeastCut()-want)) > 1e-6 {
			t.Errorf("%v: at least %v, want %v", lines, a.LeastCut(), want)
		}
		if want := 2*max(legA, legB) + fold + 2*60; math.Abs(float64(a.CutLength()-want)) > 1e-6 {
			t.Errorf("%v: cut to %v, want %v", lines, a.CutLength(), want)
		}
		if legs := a.Legs(); legs == nil || !legs.Folded || legs.Each != a.CutLength()/2 || b.Legs() != nil || b.CutLength() != 0 {
			t.Errorf("%v: %+v and %+v", lines, legs, b.Legs())
		}
		if math.Abs(float64(b.Right.Length-a.Right.Length)) > 1e-9 || b.Right.TailBeads != nil || a.Half() != b || b.Half() != nil {
			t.Errorf("%v: ends of %v and %v, a tail through %v", lines, a.Right.Length, b.Right.Length, b.Right.TailBeads)
		}
		crimps, cords := 0, 0
		for _, c := range m.Tally {
			switch {
			case c.Material == a.Right.Find(RoleCrimp).Material:
				crimps += c.Count
			case c.Material == a.Row.Cord:
				cords += c.Count
			}
		}
		if crimps != 1 || cords != 1 {
			t.Errorf("%v: %d crimps, %d cords", lines, crimps, cords)
		}
	}
}

// The fold may be a loop of beads that a crimp closes over both legs: its beads are counted
// and cut for once, the crimp by either leg.
func TestTheFoldIsALoopOfBeads(t *testing.T) {
	m := twoLegs(t, "50R", "50R", func(p *piece.Piece) {
		rows := p.Rows()
		crimp := p.NewFitting(rows[0].Right[0].Of)
		rows[0].Left, rows[0].LeftEnding = []piece.Fitting{crimp}, loopOf(t, "12R")
	})
	a, b := m.Strands[0], m.Strands[1]
	parts := map[string]length.MM{}
	for _, c := range a.Cut() {
		parts[ItemName(c.Item)] += c.Length
	}
	loop := a.Left.Find(RoleBeads).Loop
	if parts["left loop of beads"] != loop.Strung || parts["left crimp"] != 4 || parts["round the fold"] != 0 {
		t.Errorf("%v, the loop is %v", parts, loop.Strung)
	}
	for _, c := range m.Tally {
		if c.Material.ID == a.Beads[0].Material.ID && c.Count != 112 {
			t.Errorf("%d beads, want 112", c.Count)
		}
	}
	if a.Left.Length != b.Left.Length || b.Left.Find(RoleBeads) == nil {
		t.Errorf("ends of %v and %v", a.Left.Length, b.Left.Length)
	}
}

// Folded through a bead the cord runs through its hole and round it, as round a fringe's last bead, and both
// cords down its neck.
func TestTheFoldLiesThroughABead(t *testing.T) {
	through := bead(t, "lantern", material.Bead{Shape: material.Round, Across: 6, Hole: 1}, 0.3)
	const round = 5.916 + 8.420 // through it and round it, structure.md's figures of a drop
	fold := piece.Ending{Way: piece.WayFoldBead, Bead: through, Leg: 4}
	m := twoLegs(t, "50R", "60R", func(p *piece.Piece) { p.Closure.Left, p.Rows()[0].LeftEnding = nil, fold })
	a, b := m.Strands[0], m.Strands[1]
	crimp := a.Right.Find(RoleCrimp).Material.Finding.Length
	legs := max(a.Strung+2*(crimp+m.Piece.House.Loop)+25, b.Strung+crimp) + 4
	if want := 2*legs + round + 25; math.Abs(float64(a.LeastCut()-want)) > 0.001 {
		t.Errorf("of two rows: at least %v, want %v", a.LeastCut(), want)
	}
	if a.Left.Length != 4 || b.Left.Length != 4 || a.Left.Parts[0].With || !b.Left.Parts[0].With || a.Left.Hold != HeldByMiddle || a.AllBeads() != 51 || b.AllBeads() != 60 {
		t.Errorf("%+v and %+v, %d and %d beads", a.Left, b.Left, a.AllBeads(), b.AllBeads())
	}
	if n := slices.IndexFunc(m.Tally, func(c Count) bool { return c.Material == through }); n < 0 || m.Tally[n].Count != 1 {
		t.Errorf("counted in %+v", m.Tally)
	}
	p := threeRows(t, "20R")
	row := p.Leading()
	p.Closure.Left, row.Left, row.Passes, row.LeftEnding = nil, nil, 2, fold
	doubled := measured(t, p).Strands[0]
	parts := map[string]length.MM{}
	for _, c := range doubled.Cut() {
		parts[ItemName(c.Item)] += c.Length
	}
	if math.Abs(float64(parts["round the fold, left"]-round)) > 0.001 || parts["left neck"] != 8 || doubled.Left.Hold != HeldByMiddle {
		t.Errorf("doubled: %v", doubled.Cut())
	}
}

// The fold may be a loop of the bare cord, knotted below it by both legs.
func TestTheFoldOfTwoLegsIsALoopOfTheCord(t *testing.T) {
	const thick = 0.4
	nylon := cord(material.Nylon, thick)
	cords := func(ending piece.Ending) length.MM {
		m := twoLegs(t, "50R", "50R", func(p *piece.Piece) {
			p.Closure.Left, p.Rows()[0].LeftEnding = nil, ending
			p.Rows()[0].Cord, p.Rows()[1].Cord = nylon, nylon
		})
		return m.Strands[0].LeastCut()
	}
	bare := cords(piece.Ending{})
	const want = 2*2*piece.OverhandCord*thick + 30 + math.Pi*thick
	if got := cords(piece.Ending{Way: piece.WayCordLoop, Girth: 30}) - bare; math.Abs(float64(got-want)) > 1e-6 {
		t.Errorf("the loop and its knot take %v, want %v", got, want)
	}
}
