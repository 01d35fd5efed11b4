package measure

import (
	"math"
	"slices"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// beadLink is a bead link with a bead of 8, by what it takes between its loops.
func beadLink(id string, inside length.MM) *material.Material {
	stone := &material.Material{ID: "stone", Name: "stone", Class: material.ClassBead, MassG: 0.7, Bead: &material.Bead{Shape: material.Round, Across: 8, Thick: 8, Along: 8, Hole: 1}}
	return &material.Material{ID: id, Name: id, Class: material.ClassComponent, Bead: stone.Bead, Finding: &material.Finding{Type: material.Chain, Inside: inside, Wire: 0.6, Outside: 8, Joint: "open"},
		Component: &material.Component{Kind: material.BeadLink, Pin: &material.Pin{Beads: []material.PinBead{{Material: stone}}}, Parts: []material.PartCount{{Of: stone, Count: 1}}}}
}

// withLinked measures the piece with one row more, of chain or of bead links.
func withLinked(t *testing.T, p *piece.Piece, chain piece.Fitting) (*Measured, *Strand) {
	t.Helper()
	row := &piece.Row{ID: "c1", Passes: 1, Left: []piece.Fitting{chain}}
	row.OfChain()
	p.Sections[0].Rows = append(p.Sections[0].Rows, row)
	m := measured(t, p)
	return m, m.Strand(row.ID)
}

// Bead links hang in one another, or with chain between each two: both add to the loop,
// hinge each by itself, and are counted.
func TestARowOfBeadLinks(t *testing.T) {
	soldered := linked(3)
	soldered.Finding.Joint = "soldered"
	for name, tt := range map[string]struct {
		between *piece.Between
		long    length.MM
		stiff   int
		chain   int
	}{"in one another": {nil, 20 * 15, 20, 0}, "with chain between": {&piece.Between{Of: soldered, Links: 2}, 20*15 + 19*2*3, 58, 38}} {
		m, c := withLinked(t, threeRows(t, "70R"), piece.Fitting{ID: "cc", Of: beadLink("link", 15), Links: 20, Between: tt.between})
		links := c.Left.Find(RoleLinks)
		sum := length.MM(0)
		for _, one := range links.Pieces() {
			sum += one.Length
		}
		if links.Length != tt.long || math.Abs(float64(sum-tt.long)) > 1e-9 || len(links.Pieces()) != tt.stiff {
			t.Errorf("%s: %v long, %v in %d stiff parts, want %v in %d", name, links.Length, sum, len(links.Pieces()), tt.long, tt.stiff)
		}
		if c.Width() != 8 || c.Thickness() != 8 {
			t.Errorf("%s: %v wide, %v thick", name, c.Width(), c.Thickness())
		}
		found := map[string]Count{}
		for _, n := range m.Tally {
			found[n.Material.ID] = n
		}
		if found["link"].Count != 20 || found["link"].Lost != 0 || found[soldered.ID].Count != tt.chain || tt.chain > 0 && (found[soldered.ID].Lost != 19 || found[soldered.ID].Length != 114) {
			t.Errorf("%s: %+v", name, found)
		}
		if i := slices.IndexFunc(m.Sensitivity, func(s Sensitivity) bool { return s.Material.ID == "link" }); i < 0 || math.Abs(float64(m.Sensitivity[i].PerTenth-2)) > 1e-9 {
			t.Errorf("%s: 0.1 mm on each changes %+v", name, m.Sensitivity)
		}
		// The beads reach 4 mm inwards, the chain between them less than 1.
		reach := map[float64]int{}
		for _, l := range c.Round() {
			if l.Part == links {
				reach[l.Segment.Reach]++
			}
		}
		if reach[4] != 20 || len(reach) > 1 && reach[float64(soldered.Finding.Wire)/2] != tt.chain {
			t.Errorf("%s: reaches %v", name, reach)
		}
	}
}

// A row of chain adds its links to the loop, takes no cord and no slack, and is counted
// with its own links alone.
func TestARowOfChain(t *testing.T) {
	p := threeRows(t, "50R", "55R")
	links := &material.Material{ID: "links", Name: "links", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 4, Wire: 0.8, Joint: "open"}}
	m, c := withLinked(t, p, piece.Fitting{ID: "cc", Of: links, Links: 90})
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
