package measure

import (
	"math"
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

// A row of chain adds its links to the loop, takes no cord and no slack, and is counted
// with its own links alone.
func TestARowOfChain(t *testing.T) {
	p := threeRows(t, "50R", "55R")
	links := &material.Material{ID: "links", Name: "links", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 4, Wire: 0.8, Joint: "open"}}
	row := &piece.Row{ID: "c1", Passes: 1, Left: []piece.Fitting{{ID: "cc", Of: links, Links: 90}}}
	row.OfChain()
	p.Sections[0].Rows = append(p.Sections[0].Rows, row)
	if faults := p.Check(); len(faults) > 0 {
		t.Fatal(faults)
	}
	m, err := Measure(p)
	if err != nil {
		t.Fatal(err)
	}
	c := m.Strand("c1")
	between := m.Strands[0].Finished() - m.Strands[0].Strung - m.Strands[0].Slack - 8 // the closure: crimps and loops apart
	thin := fan(6, goesOn(p), 0)
	thick := fan(6, goesOn(p), 2)
	if want := 360 + between + 2*thin - 2*thick; math.Abs(float64(c.Finished()-want)) > 1e-9 {
		t.Errorf("it measures %v, want %v", c.Finished(), want)
	}
	if c.Slack != 0 || c.SlackNeeded != 0 || c.CutLength() != 0 || c.Left.Hold != HeldByLinks || c.Right.Hold != HeldByLinks || c.Start.By != StartNone {
		t.Errorf("%v slack, cut to %v, held by %s", c.Slack, c.CutLength(), c.Left.Hold)
	}
	if math.Abs(float64(c.Width()-4)) > 1e-9 || c.Thickness() != 1.6 {
		t.Errorf("%v wide, %v thick", c.Width(), c.Thickness())
	}
	for _, n := range m.Tally {
		switch n.Material.ID {
		case "links":
			if n.Count != 90 || n.Length != 360 || n.Lost != 0 || n.ByStrand[2] != 90 {
				t.Errorf("%+v", n)
			}
		case "wire":
			if n.Count != 2 {
				t.Errorf("cut %d times", n.Count)
			}
		case "no cord", "":
			t.Error("no cord is counted")
		}
	}
	if inside, ok := c.Inside(); !ok || inside > c.Finished() || inside < c.Finished()-20 {
		t.Errorf("inside %v of %v", inside, c.Finished())
	}
}
