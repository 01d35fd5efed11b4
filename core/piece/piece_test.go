package piece

import (
	"fmt"
	"strings"
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
	return &Piece{Kind: Necklace, House: DefaultHouse(), Closure: Closure{Type: Clasp, Left: []Fitting{{ID: "c1", Of: finding(material.Lobster)}}},
		Sections: []Section{{Rows: []*Row{{ID: "r1", Cord: cord(), Passes: 1, Left: []Fitting{{ID: "f1", Of: finding(material.CrimpTube)}}}}}}}
}

func TestWhatIsNotWellFormedIsNamedAtItsPlace(t *testing.T) {
	if faults := strand().Check(); len(faults) > 0 {
		t.Fatalf("a plain strand has faults: %v", faults)
	}
	for where, spoil := range map[string]func(*Piece){
		"kind":                           func(p *Piece) { p.Kind = "boat" },
		"target.finishedMm":              func(p *Piece) { p.Target = &Target{Finished: 0} },
		"target.toleranceMm":             func(p *Piece) { p.Target = &Target{Finished: 100, Tolerance: 200} },
		"body.part":                      func(p *Piece) { p.Body = &Body{Part: "elbow"} },
		"house.allowance":                func(p *Piece) { p.House.Allowance = "both" },
		"house.loopMm":                   func(p *Piece) { p.House.Loop = -1 },
		"closure.type":                   func(p *Piece) { p.Closure = Closure{Type: "glue"} },
		"closure":                        func(p *Piece) { p.Closure.Type = Knot },
		"closure.left[0]":                func(p *Piece) { p.Closure.Left[0].Of = finding(material.CrimpTube) },
		"joins":                          func(p *Piece) { p.Sections = append(p.Sections, Section{}) },
		"sections[0].rows[0].cord":       func(p *Piece) { p.Leading().Cord = nil },
		"sections[0].rows[0].passes":     func(p *Piece) { p.Leading().Passes = 9 },
		"sections[0].rows[0].left[0].id": func(p *Piece) { p.Leading().Left[0].ID = "r1" },
		"sections[0].rows[0].id":         func(p *Piece) { p.Leading().ID = "" },
		"sections[0].rows[0].left[0]": func(p *Piece) {
			p.Leading().Left[0].Of = finding(material.Toggle)
		},
	} {
		p := strand()
		spoil(p)
		if faults := p.Check(); len(faults) != 1 || faults[0].Where != where {
			t.Errorf("got %v, want one fault at %s", faults, where)
		}
	}
	two := strand()
	two.Closure.Right = []Fitting{{ID: "c2", Of: finding(material.Hook)}}
	if faults := two.Check(); len(faults) != 1 || faults[0].Where != "closure" {
		t.Errorf("two clasps: %v", faults)
	}
}

func TestASeriesHasAJoinBetweenEachTwoSections(t *testing.T) {
	for _, joins := range []int{0, 2} {
		p := strand()
		p.Sections = append(p.Sections, p.Sections[0])
		p.Joins = make([]*Join, joins)
		want := fmt.Sprintf("for 2 sections 1, and this piece has %d. The series does not close.", joins)
		if faults := p.Check(); len(faults) != 1 || faults[0].Where != "joins" || !strings.HasSuffix(faults[0].Says, want) {
			t.Errorf("%d joins: %v", joins, faults)
		}
	}
}

func TestOnlyAnEndWithoutFittingsClosesBeadToBead(t *testing.T) {
	p := strand()
	row := p.Leading()
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
	for allowance, want := range map[string][2]float64{AllowanceSpool: {0, 25}, AllowanceStandard: {60, 60}, AllowanceGenerous: {120, 120}} {
		h.Allowance = allowance
		if first, last := h.WorkingAllowance(); float64(first) != want[0] || float64(last) != want[1] {
			t.Errorf("%s: %v and %v, want %v", allowance, first, last, want)
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

func TestAPlaceCoversItselfAndWhatItHolds(t *testing.T) {
	row := strand().Leading()
	bead, end := row.AtBead(3), row.AtEnd(Left)
	for _, tt := range []struct {
		name     string
		p, other Place
		covers   bool
	}{
		{"the piece its beads", Whole(), bead, true},
		{"the row its beads", row.At(), bead, true},
		{"a bead itself", bead, bead, true},
		{"a bead not another", bead, row.AtBead(4), false},
		{"a bead not its row", bead, row.At(), false},
		{"an end not the other", end, row.AtEnd(Right), false},
		{"another row nothing", Place{Row: "r2", Element: NoElement}, bead, false},
		{"a fitting not another", Place{Fitting: "f1", Element: NoElement}, Place{Fitting: "f2", Element: NoElement}, false},
	} {
		if got := tt.p.Covers(tt.other); got != tt.covers {
			t.Errorf("%s: %v", tt.name, got)
		}
	}
}

func TestACloneCanBeChangedAlone(t *testing.T) {
	p := strand()
	c := p.Clone()
	c.Leading().Left[0].Of, c.Leading().Passes, c.Closure.Left = finding(material.CrimpBead), 3, nil
	if p.Leading().Left[0].Of.Finding.Type != material.CrimpTube || p.Leading().Passes != 1 || len(p.Closure.Left) != 1 {
		t.Error("the piece changed with its clone")
	}
	if f := p.NewFitting(finding(material.JumpRing)); f.ID == "f1" || f.ID == "c1" || f.ID == "r1" {
		t.Errorf("%q is in use", f.ID)
	}
}

func TestACrimpClosedIsNarrowerOrFlat(t *testing.T) {
	crimp := &material.Finding{Type: material.CrimpTube, Outside: 2}
	for school, want := range map[string]float64{CrimpFolded: 1.6, CrimpThreeSided: 1.8, CrimpFlat: 3} {
		h := DefaultHouse()
		h.Crimp = school
		if got := float64(h.ClosedCrimp(crimp)); got < want-1e-9 || got > want+1e-9 {
			t.Errorf("%s: %v, want %v", school, got, want)
		}
	}
}
