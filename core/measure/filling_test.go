package measure

import (
	"fmt"
	"math"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

func linked(inside length.MM) *material.Material {
	return &material.Material{ID: fmt.Sprint("links", inside), Name: "links", Class: material.ClassFinding,
		Finding: &material.Finding{Type: material.Chain, Inside: inside, Wire: 0.6, Joint: "open"}}
}

// byTrying is the number of links, alike in every chain of the filling, whose row comes
// nearest to its target: every number tried.
func byTrying(t *testing.T, p *piece.Piece, filling int) int {
	t.Helper()
	best, least := 0, math.Inf(1)
	for links := 1; links <= 250; links++ {
		tried := p.Clone()
		f := tried.Filling()[filling]
		for _, chain := range f.Chains {
			chain.Links = links
		}
		got, err := ForTarget(tried, f.Row)
		if err != nil {
			t.Fatal(err)
		}
		if off := math.Abs(float64(got - tried.TargetOf(f.Row).Finished)); off < least-1e-9 {
			best, least = links, off
		}
	}
	return best
}

func TestChainFillsUpToTheTargetOfItsRow(t *testing.T) {
	both := func(p *piece.Piece, inside length.MM) {
		p.Closure.Left = append(p.Closure.Left, piece.Fitting{ID: "lc", Of: linked(inside), Links: 1, Fill: true})
		p.Closure.Right[0] = piece.Fitting{ID: "rc", Of: linked(inside), Links: 9, Fill: true}
	}
	for name, tt := range map[string]struct {
		lines []string
		with  func(p *piece.Piece)
		want  map[piece.ID]int // of a case counted by hand
	}{
		"one side":            {[]string{"50R"}, func(p *piece.Piece) { p.Closure.Right[0].Fill = true }, nil},
		"alike on both sides": {[]string{"20R"}, func(p *piece.Piece) { both(p, 2.4) }, nil},
		"of wide links":       {[]string{"20R"}, func(p *piece.Piece) { both(p, 11) }, nil},
		"too long already":    {[]string{"80R"}, func(p *piece.Piece) { both(p, 2.4) }, map[piece.ID]int{"lc": 1, "rc": 1}},
		"the first row's":     {[]string{"30R", "40R"}, func(p *piece.Piece) { both(p, 3) }, nil},
		"each row its own":    {[]string{"30R", "40R"}, func(p *piece.Piece) { ownChains(p) }, nil},
		"a row of chain alone": {[]string{"50R", "55R"}, func(p *piece.Piece) {
			p.Sections[0].Rows = append(p.Sections[0].Rows, rowOfChain("c1", 4))
			p.Rows()[2].Follow = piece.Follow{Rule: piece.Longer, Step: 30}
		}, nil},
		"chain sides": {[]string{"30R"}, func(p *piece.Piece) {
			p.Sections = []piece.Section{{Rows: []*piece.Row{rowOfChain("c1", 3)}}, p.Sections[0], {Rows: []*piece.Row{rowOfChain("c2", 3)}}}
			p.Sections[1].Rows = append(p.Sections[1].Rows, threeRows(t, "20R", "35R").Rows()[1])
			for i := range 2 {
				p.Joins = append(p.Joins, &piece.Join{ID: piece.ID(fmt.Sprint("j", i)), Fittings: []piece.Fitting{{ID: piece.ID(fmt.Sprint("jr", i)), Of: p.Closure.Left[1].Of}}})
			}
		}, nil},
	} {
		t.Run(name, func(t *testing.T) {
			p := threeRows(t, tt.lines...)
			tt.with(p)
			m := measured(t, p)
			if len(m.Piece.Filling()) == 0 {
				t.Fatal("nothing fills up")
			}
			for i, f := range m.Piece.Filling() {
				want := byTrying(t, m.Piece, i)
				for _, chain := range f.Chains {
					if chain.Links != want {
						t.Errorf("%s has %d links, want %d", chain.ID, chain.Links, want)
					}
					if n, ok := tt.want[chain.ID]; ok && n != chain.Links {
						t.Errorf("%s has %d links, by hand %d", chain.ID, chain.Links, n)
					}
				}
			}
			if again, err := Filled(m.Piece); err != nil || again != m.Piece {
				t.Errorf("filled once more it is another: %v", err)
			}
		})
	}
}

func ownChains(p *piece.Piece) {
	for i, r := range p.Rows() {
		r.Left = append(r.Left, piece.Fitting{ID: piece.ID(fmt.Sprint("ol", i)), Of: linked(3), Links: 5, Fill: true})
		r.Right = append(r.Right, piece.Fitting{ID: piece.ID(fmt.Sprint("or", i)), Of: linked(3), Links: 5, Fill: true})
	}
}

func rowOfChain(id string, inside length.MM) *piece.Row {
	row := &piece.Row{ID: piece.ID(id), Passes: 1, Left: []piece.Fitting{{ID: piece.ID("of" + id), Of: linked(inside), Links: 2, Fill: true}}}
	row.OfChain()
	return row
}

// Of two numbers of links that are as far off the smaller is taken.
func TestTheSmallerNumberOfLinksOnATie(t *testing.T) {
	p := threeRows(t, "50R")
	p.Closure.Right[0] = piece.Fitting{ID: "e", Of: linked(5), Links: 20, Fill: true}
	none := length.MM(0)
	p.Rows()[0].Slack = &none
	m := measured(t, p)
	links := m.Piece.Closure.Right[0].Links
	p.Target.Finished = m.Finished + 2.5
	if m, _ = Measure(p); m.Piece.Closure.Right[0].Links != links {
		t.Errorf("%d links, want %d", m.Piece.Closure.Right[0].Links, links)
	}
	p.Target.Finished += 0.01
	if m, _ = Measure(p); m.Piece.Closure.Right[0].Links != links+1 {
		t.Errorf("%d links a hair further, want %d", m.Piece.Closure.Right[0].Links, links+1)
	}
}

// Beads and chain cannot both fill up one row; where the house counts beads alone, chain
// keeps the links it has.
func TestOneThingFillsARow(t *testing.T) {
	p := threeRows(t, "{R}")
	p.Closure.Right[0].Fill = true
	if _, err := Measure(p); err == nil || err.(*Fault).Row != "r1" || err.Error() != "column 1: An open fill of beads fills its row up already. Give the chain a number of links, or the fill a length: {25mm: S}." {
		t.Errorf("%v", err)
	}
	p = threeRows(t, "50R")
	p.Closure.Right[0].Fill, p.House.TargetCounts = true, piece.CountsBeads
	if m, err := Measure(p); err != nil || m.Piece.Closure.Right[0].Links != 4 {
		t.Errorf("%v, %d links", err, m.Piece.Closure.Right[0].Links)
	}
}

// A chain that is not in the loop of the row keeps the links it has.
func TestChainBesideTheLoopDoesNotFill(t *testing.T) {
	p := threeRows(t, "50R")
	p.Closure.Right = []piece.Fitting{p.Closure.Right[1], {ID: "e", Of: linked(3), Links: 7, Fill: true}}
	p.Rows()[0].RightPort.On = p.Closure.Right[0].ID
	if m, err := Measure(p); err != nil || m.Piece.Closure.Right[1].Links != 7 {
		t.Errorf("%v, %d links", err, m.Piece.Closure.Right[1].Links)
	}
}
