package piece

import (
	"testing"

	"mala/core/material"
)

func cord() *material.Material {
	return &material.Material{Name: "wire", Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}}
}

func finding(t material.FindingType) *material.Material {
	return &material.Material{Name: string(t), Finding: &material.Finding{Type: t}}
}

func strand() *Piece {
	return &Piece{Kind: Necklace, House: DefaultHouse(), Closure: Closure{Type: Clasp, Left: []*material.Material{finding(material.Lobster)}},
		Sections: []Section{{Rows: []Row{{Cord: cord(), Passes: 1, Left: []*material.Material{finding(material.CrimpTube)}}}}}}
}

func TestWhatIsNotWellFormedIsNamedAtItsPlace(t *testing.T) {
	if faults := strand().Check(); len(faults) > 0 {
		t.Fatalf("a plain strand has faults: %v", faults)
	}
	for where, spoil := range map[string]func(*Piece){
		"kind":                       func(p *Piece) { p.Kind = "boat" },
		"target.finishedMm":          func(p *Piece) { p.Target = &Target{Finished: 0} },
		"target.toleranceMm":         func(p *Piece) { p.Target = &Target{Finished: 100, Tolerance: 200} },
		"body.part":                  func(p *Piece) { p.Body = &Body{Part: "elbow"} },
		"house.hand":                 func(p *Piece) { p.House.Hand = "both" },
		"house.loopMm":               func(p *Piece) { p.House.Loop = -1 },
		"closure.type":               func(p *Piece) { p.Closure = Closure{Type: "glue"} },
		"closure":                    func(p *Piece) { p.Closure.Type = Knot },
		"closure.left[0]":            func(p *Piece) { p.Closure.Left[0] = finding(material.CrimpTube) },
		"sections":                   func(p *Piece) { p.Sections = append(p.Sections, Section{}) },
		"sections[0].rows[0].cord":   func(p *Piece) { p.Sections[0].Rows[0].Cord = nil },
		"sections[0].rows[0].passes": func(p *Piece) { p.Sections[0].Rows[0].Passes = 9 },
		"sections[0].rows[0].left[0]": func(p *Piece) {
			p.Sections[0].Rows[0].Left[0] = finding(material.Lobster)
		},
	} {
		p := strand()
		spoil(p)
		if faults := p.Check(); len(faults) != 1 || faults[0].Where != where {
			t.Errorf("got %v, want one fault at %s", faults, where)
		}
	}
	two := strand()
	two.Closure.Right = []*material.Material{finding(material.Hook)}
	if faults := two.Check(); len(faults) != 1 || faults[0].Where != "closure" {
		t.Errorf("two clasps: %v", faults)
	}
}

func TestOnlyAnEndWithoutFittingsClosesBeadToBead(t *testing.T) {
	p := strand()
	row := &p.Sections[0].Rows[0]
	if p.IsRing(row) {
		t.Error("a strand with a clasp is no ring")
	}
	p.Closure = Closure{Type: None}
	if p.IsRing(row) {
		t.Error("a crimp between the ends keeps the beads apart")
	}
	row.Left = nil
	if !p.IsRing(row) {
		t.Error("a ring that slips over closes bead to bead")
	}
}

func TestHouseAllowances(t *testing.T) {
	h := DefaultHouse()
	for hand, want := range map[string][2]float64{HandSpool: {0, 25}, HandStandard: {60, 60}, HandGenerous: {125, 125}} {
		h.Hand = hand
		if first, last := h.HandAllowance(); float64(first) != want[0] || float64(last) != want[1] {
			t.Errorf("%s: %v and %v, want %v", hand, first, last, want)
		}
	}
	if h.PlannedSlack(3) != 3 {
		t.Error("snug is what bending needs")
	}
	h.Slack, h.Tail = SlackEasy, TailTrimmed
	if h.PlannedSlack(3) != 5 || h.KnotAcross() != 3 {
		t.Error("easy is 2 mm more, and a surgeon's knot is three cords thick")
	}
}
