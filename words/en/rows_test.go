package en

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// inRows makes a strand into three rows, on what it is closed by.
func inRows(change func(p *piece.Piece)) func(p *piece.Piece) {
	return func(p *piece.Piece) {
		lead := p.Leading()
		for i := range 2 {
			row := *lead
			row.ID = p.NewRow()
			row.Left, row.Right = nil, nil
			for _, f := range lead.Left {
				row.Left = append(row.Left, piece.Fitting{ID: piece.ID(string(rune('a'+i)) + string(f.ID)), Of: f.Of})
			}
			for _, f := range lead.Right {
				row.Right = append(row.Right, piece.Fitting{ID: piece.ID(string(rune('a'+i)) + string(f.ID)), Of: f.Of})
			}
			p.Sections[0].Rows = append(p.Sections[0].Rows, &row)
		}
		change(p)
	}
}

func TestRowsOnOneRingAreStrungAndComparedBeforeAnyEnd(t *testing.T) {
	text := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, inRows(func(*piece.Piece) {})))
	inOrder(t, text, "Row 1: count out", "Row 1: string the runs", "Row 3: count out", "Row 3: string the runs",
		"GATE Before any end is made: all rows lie side by side", "the beads of row 3 measure",
		"Row 1: remove the stop", "Row 1, left end: thread the crimp", "GATE Row 1: after the crimp",
		"Row 2, left end: make it as that of row 1.", "GATE Row 2: after the crimp", "Row 3, left end: make it as that of row 1.",
		"GATE Before the second ends: the rows hang in order at the left", "no row is twisted round another",
		"GATE Row 1: before the right crimp is closed", "Row 1, right end: thread the crimp", "GATE Row 3: before the right crimp", "Row 3, right end: make it as that of row 1.",
		"GATE Before the clasp: the rows lie in order", "closed, its rows measure", " mm and ")
	if n := strings.Count(text, "hang ring"); n > 1 {
		t.Errorf("what rows share is attached once, not %d times: %s", n, text)
	}
	if strings.Contains(text, "Twist the rows") {
		t.Error("they are not twisted together")
	}
	twisted := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, inRows(func(p *piece.Piece) { p.Sections[0].Twisted = true })))
	inOrder(t, twisted, "GATE Before the second ends", "the rows are twisted as they are meant to be", "Twist the rows together, evenly from end to end", "GATE Row 1: before the right crimp")
}

func TestRowsInHolesAreMadeOneAtATime(t *testing.T) {
	slide := &material.Material{ID: "slide", Name: "Tube clasp", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Slide, Closed: 9, Holes: 3, Spacing: 6}}
	text := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, inRows(func(p *piece.Piece) {
		p.Closure = piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "k", Of: slide}}}
	})))
	inOrder(t, text, "Row 1: count out", "Row 1, left end: thread the crimp, hole 1 of tube clasp", "the row runs untwisted to hole 1", "Row 1, right end: thread the crimp, hole 1 of the other half of tube clasp",
		"Row 2: count out", "Row 2, left end: thread the crimp, hole 2 of tube clasp", "Row 2: go on as with row 1.", "the row runs untwisted to hole 2", "Row 3: count out")
	if strings.Contains(text, "Before any end is made") {
		t.Errorf("each row is finished before the next: %s", text)
	}
}

func TestTiedRowsHaveTheirKnotsOneAfterAnother(t *testing.T) {
	text := told(measured(t, material.Cord{Type: material.Waxed, Diameter: 0.5}, piece.Clasp, inRows(func(p *piece.Piece) {
		for _, r := range p.Rows() {
			r.Left, r.Right = nil, nil
		}
	})))
	inOrder(t, text, "GATE Before any end is made", "Row 1, left end: thread", "Row 2, left end: make it as that of row 1.", "GATE Before the second ends", "GATE Row 1: before the right knot", "Row 1, right end: thread", "GATE Row 2: before the right knot")
}

func TestARowOfChainIsCountedOffAndHung(t *testing.T) {
	chain := &material.Material{ID: "chain", Name: "Brass chain", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"}}
	text := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, inRows(func(p *piece.Piece) {
		row := p.Rows()[1]
		row.OfChain()
		row.Left, row.Right = []piece.Fitting{{ID: "cc", Of: chain, Links: 60}}, nil
	})))
	inOrder(t, text, "Row 2: count off 60 links of brass chain, 180 mm", "Row 1: count out", "Row 3: count out", "Row 2, left end: hang its first link on ring.", "GATE Before the second ends", "Row 2, right end: hang its last link on ring.", "Row 3, right end")
	if strings.Contains(text, "Row 2: cut") || strings.Contains(text, "beads of row 2") {
		t.Errorf("chain has no cord and no beads: %s", text)
	}
}

func TestACordThatRunsOnIsStrungOnAndEndedOnce(t *testing.T) {
	text := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) {
		next := *p.Leading()
		next.ID, next.Left = "n1", nil
		p.Leading().Right = nil
		p.Sections = append(p.Sections, piece.Section{Rows: []*piece.Row{&next}})
		p.Joins = []*piece.Join{{ID: "j", Fittings: []piece.Fitting{{ID: "b", Of: testparts.Bead(t, "ball", material.Bead{Shape: material.Round, Across: 12, Hole: 3}, 0)}}}}
	}))
	inOrder(t, text, "Row 1: count out", "Row 1: cut", "Row 1: string the runs", "Row 2: with the same cord go through ball, and on.", "Row 2: count out", "Row 2: string the runs",
		"Row 1, left end: thread the crimp", "GATE Row 2: before the right crimp", "Row 2, right end: thread the crimp")
	if strings.Contains(text, "Row 2: cut") || strings.Contains(text, "Row 1, right end") || strings.Contains(text, "Row 2, left end") {
		t.Errorf("one cord has two ends: %s", text)
	}
}
