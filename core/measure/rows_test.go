package measure

import (
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/testparts"
)

// Domain's figures: cords of 1.0 side by side on an inside of 6.
func TestOuterRowsOnARingAreShorter(t *testing.T) {
	for _, tt := range []struct {
		n, k int
		want float64
	}{{5, 0, 0.77}, {5, 4, 0.77}, {5, 2, 0}, {3, 0, 0.20}, {3, 1, 0}, {1, 0, 0}} {
		thick := make([]length.MM, tt.n)
		for i := range thick {
			thick[i] = 1
		}
		if got := float64(fan(6, thick, tt.k)); math.Abs(got-tt.want) > 0.005 {
			t.Errorf("row %d of %d lies %.3f higher, want %.2f", tt.k+1, tt.n, got, tt.want)
		}
	}
	if got := fan(2, []length.MM{3, 3}, 0); got != 0 {
		t.Errorf("cords that do not go in: %v", got)
	}
}

// threeRows is a necklace of three rows between two shared rings, each crimped.
func threeRows(t *testing.T, lines ...string) *piece.Piece {
	t.Helper()
	finding := func(id string, f material.Finding) *material.Material {
		return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Finding: &f}
	}
	ring := finding("ring", material.Finding{Type: material.JumpRing, Inside: 6, Wire: 1})
	crimp := finding("crimp", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2})
	p := &piece.Piece{Kind: piece.Necklace, House: piece.DefaultHouse(), Target: &piece.Target{Finished: 400, Tolerance: 3},
		Palette: map[string]*material.Material{"R": bead(t, "round", material.Bead{Shape: material.Round, Across: 6, Hole: 1}, 0.3)},
		Closure: piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "c", Of: finding("lobster", material.Finding{Type: material.Lobster, Closed: 9})}, {ID: "l", Of: ring}},
			Right: []piece.Fitting{{ID: "e", Of: finding("chain", material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6}), Links: 4}, {ID: "q", Of: ring}}}}
	section := piece.Section{}
	for i, text := range lines {
		line := testparts.Line(t, text)
		id := string(rune('1' + i))
		section.Rows = append(section.Rows, &piece.Row{ID: piece.ID("r" + id), Passes: 1, Line: line, Follow: piece.Follow{Rule: piece.Longer, Step: 30},
			Cord: &material.Material{ID: "wire", Name: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}},
			Left: []piece.Fitting{{ID: piece.ID("fl" + id), Of: crimp}}, Right: []piece.Fitting{{ID: piece.ID("fr" + id), Of: crimp}}})
	}
	section.Rows[0].Follow = piece.Follow{}
	p.Sections = []piece.Section{section}
	return p
}

// Rows that are as tight as each other, but for what a search leaves open, bind in their order.
func TestOfRowsAsTightTheFirstBinds(t *testing.T) {
	for _, tt := range []struct {
		inside []length.MM
		binds  int
	}{{[]length.MM{400, 399.99995, 400}, 0}, {[]length.MM{400, 399.999, 399.99895}, 1}, {[]length.MM{400.5, 400.3, 400}, 2}} {
		m := &Measured{}
		for _, mm := range tt.inside {
			m.Strands = append(m.Strands, &Strand{wrap: func() (*Wrap, error) { return &Wrap{Inside: mm}, nil }})
		}
		if m.Binding() != m.Strands[tt.binds] {
			t.Errorf("of %v another binds than the one in place %d", tt.inside, tt.binds)
		}
	}
}

func TestWhatRowsShareIsCountedOnce(t *testing.T) {
	m := measured(t, threeRows(t, "50R", "55R", "60R"))
	want := map[string]Count{"round": {Count: 165}, "ring": {Count: 2}, "lobster": {Count: 1}, "chain": {Count: 4}, "crimp": {Count: 6}, "wire": {Count: 3}}
	byRow := map[string][]int{"round": {50, 55, 60}, "ring": {0, 0, 0}, "crimp": {2, 2, 2}, "wire": {1, 1, 1}, "chain": {0, 0, 0}, "lobster": {0, 0, 0}}
	for _, c := range m.Tally {
		if c.Count != want[c.Material.ID].Count {
			t.Errorf("%d × %s, want %d", c.Count, c.Material.ID, want[c.Material.ID].Count)
		}
		for i, n := range byRow[c.Material.ID] {
			if c.ByStrand[i] != n {
				t.Errorf("%s by row: %v, want %v", c.Material.ID, c.ByStrand, byRow[c.Material.ID])
			}
		}
		if c.Material.ID == "chain" && (c.Length != 12 || c.Lost != 1) {
			t.Errorf("chain: %v long, %d lost", c.Length, c.Lost)
		}
	}
	if len(m.Tally) != len(want) || math.Abs(m.MassG-165*0.3-4*(&material.Finding{Inside: 3, Wire: 0.6}).LinkMass()) > 1e-9 {
		t.Errorf("%d lines, %.3f g", len(m.Tally), m.MassG)
	}
}

// Each row is worked out in the whole loop it lies in: alone on the same fittings it
// measures the same, but for lying beside others on its rings.
func TestEachRowLiesInItsOwnLoop(t *testing.T) {
	lines := []string{"50R", "55R", "60R"}
	m := measured(t, threeRows(t, lines...))
	for i, line := range lines {
		alone, err := Measure(threeRows(t, line))
		if err != nil {
			t.Fatal(err)
		}
		one, in := alone.Leading(), m.Strands[i]
		higher := 2 * fan(6, []length.MM{0.38, 0.38, 0.38}, i)
		if i == 1 && higher != 0 || i != 1 && higher < 0.001 {
			t.Errorf("row %d lies %v higher", i+1, higher)
		}
		if d := one.Finished() - in.Finished() - higher; math.Abs(float64(d)) > 0.02 {
			t.Errorf("row %d measures %v, alone %v", i+1, in.Finished(), one.Finished())
		}
		if math.Abs(float64(one.SlackNeeded-in.SlackNeeded)) > 0.01 || in.Strung != one.Strung || in.CutLength()-one.CutLength() > 0.02 {
			t.Errorf("row %d: slack %v and %v, cut %v and %v", i+1, in.SlackNeeded, one.SlackNeeded, in.CutLength(), one.CutLength())
		}
	}
	if m.Finished != m.Strands[0].Finished() || m.Binding() != m.Strands[0] {
		t.Error("the first row is the piece's figure, and binds as the shortest")
	}
	shorter, err := Measure(threeRows(t, "60R", "50R"))
	if err != nil || shorter.Binding() != shorter.Strands[1] {
		t.Errorf("the shortest binds: %v", err)
	}
}

func TestAnOpenFillFillsToItsOwnRow(t *testing.T) {
	m := measured(t, threeRows(t, "{R}", "{R}", "{R}"))
	for i, want := range []float64{400, 430, 460} {
		if got := float64(m.Strands[i].Finished()); math.Abs(got-want) > 3.1 {
			t.Errorf("row %d comes to %.2f, want %v", i+1, got, want)
		}
	}
	p := threeRows(t, "{R}", "{R}")
	p.Rows()[1].Follow = piece.Follow{}
	if _, err := Measure(p); err == nil || err.(*Fault).Row != "r2" || err.(*Fault).Err.(*pattern.Fault).Says != "This row follows no other, so there is no length to fill up to. Choose how it follows, or give the fill a length: {25mm: S}." {
		t.Errorf("a free row has no length to fill to: %v", err)
	}
}

// A row that goes on a fitting further out leaves out what lies inside that one.
func TestARowGoesOnTheFittingItSays(t *testing.T) {
	p := threeRows(t, "50R", "50R")
	p.Rows()[1].RightPort.On = "e"
	m := measured(t, p)
	if d := m.Strands[0].Right.Length - m.Strands[1].Right.Length; math.Abs(float64(d-6)) > 1e-9 {
		t.Errorf("without the ring its end is %v shorter, want 6", d)
	}
}

// goesOn lists how thick the rows of a piece are where they go on its left ring.
func goesOn(p *piece.Piece) []length.MM {
	var out []length.MM
	for _, r := range p.Rows() {
		out = append(out, GoesOnWith(r, piece.Left))
	}
	return out
}
