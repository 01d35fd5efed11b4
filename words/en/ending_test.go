package en

import (
	"strings"
	"testing"

	"mala/core/component"
	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/testparts"
)

func TestEachWayToEndIsToldAsItIsMade(t *testing.T) {
	waxed := material.Cord{Type: material.Waxed, Diameter: 0.5}
	finding := func(name string, f material.Finding) []piece.Fitting {
		return fittings(name, &material.Material{ID: name, Name: name, Class: material.ClassFinding, Finding: &f})
	}
	button := finding("Button", material.Finding{Type: material.ButtonEnd, Outside: 14, Length: 4, Inside: 2})
	ring := finding("Ring", material.Finding{Type: material.JumpRing, Inside: 3, Wire: 0.7})
	bare := func(p *piece.Piece) *piece.Row {
		row := p.Leading()
		row.Left, row.Right = nil, nil
		return row
	}
	loop := testparts.Line(t, "20P H 2P")
	told := func(cord material.Cord, change func(p *piece.Piece, row *piece.Row)) string {
		return told(measured(t, cord, piece.Clasp, func(p *piece.Piece) { change(p, bare(p)) }))
	}
	text := told(waxed, func(p *piece.Piece, row *piece.Row) {
		p.Closure = piece.Closure{Type: piece.Clasp, Left: button}
		row.RightEnding = piece.Ending{Way: piece.WayLoop, Loop: loop}
	})
	inOrder(t, text, "Left end: thread button, come back to the beads and tie a surgeon's knot round the cord.",
		"Right end: thread 20 × pearl, 1 × barrel, 2 × pearl for the loop and go back into the last bead of the strand, so that the loop closes.",
		"GATE Before the loop is fixed: the loop is ", " round inside; button goes through it with a little push and does not slip out by itself", "Tie a surgeon's knot round the cord.", "GATE After the knot")
	if strings.Contains(text, "other half") {
		t.Errorf("a button has no other half: %s", text)
	}
	text = told(material.Cord{Type: material.Wire, Diameter: 0.38}, func(p *piece.Piece, row *piece.Row) {
		p.Closure.Right = nil
		row.Right, row.RightEnding = finding("Crimp", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 1.8, Length: 2}), piece.Ending{Way: piece.WayLoop, Loop: loop}
	})
	inOrder(t, text, "Right end: thread the crimp, 20 × pearl, 1 × barrel, 2 × pearl for the loop, and go back through the crimp.", "GATE Before the loop is fixed: the loop is ", "turn it and fold it", "GATE After the crimp")
	text = told(waxed, func(p *piece.Piece, row *piece.Row) {
		p.Closure = piece.Closure{Type: piece.Tied}
		row.LeftEnding, row.RightEnding = piece.Ending{Way: piece.WayLeg, Leg: 60, Bead: p.Palette["P"]}, piece.Ending{Way: piece.WayLeg, Leg: 80}
	})
	inOrder(t, text, "Left end: tie an overhand knot close to the beads.", "String pearl, tie an overhand knot below it 67.9 mm from the strand, and trim the end.", "GATE After the leg: both knots hold a firm pull",
		"Right end: tie an overhand knot close to the beads.", "Leave a leg of 80 mm, tie an overhand knot at its end, and trim it.", "GATE After the leg")
	text = told(waxed, func(p *piece.Piece, row *piece.Row) {
		p.Closure.Left, p.Closure.Right, row.LeftEnding, row.Passes = ring, ring, piece.Ending{Way: piece.WayFold}, 2
	})
	inOrder(t, text, "Cut ", "Fold the cord in the middle, lay the fold round ring at the left, and draw both ends through it.", "Pull both halves equally long, ", "String the runs", "Right end: thread ring")
	if strings.Contains(text, "Remove the stop") || strings.Contains(text, "Left end: thread") || strings.Contains(text, "from its tip") {
		t.Errorf("a fold is not stopped nor tied: %s", text)
	}
	text = told(waxed, func(p *piece.Piece, row *piece.Row) {
		row.Left = finding("Cone", material.Finding{Type: material.ConeEnd, Outside: 9, Inside: 1.2, Length: 12, RingEye: 2})
		row.RightEnding = piece.Ending{Way: piece.WayHiddenKnot}
	})
	inOrder(t, text, "Left end: tie an overhand knot through the eye inside cone, close to the beads.", "Put one drop of glue on the knot", "draw the cone down over the knot until it meets the last bead", "GATE After the cone",
		"Right end: thread ring", "Draw the knot into barrel, bead 21.", "GATE After the knot")
}

func TestTheLastBeadIsSlidOverItsCrimp(t *testing.T) {
	text := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) {
		p.Leading().RightEnding.Way = piece.WayUnderBead
	}))
	inOrder(t, text, "Right end: thread the crimp", "GATE After the crimp", "Slide the last bead, barrel, over the crimp.")
	if strings.Contains(text, "Slide the last bead, pearl") {
		t.Errorf("the left one stays where it is: %s", text)
	}
}

func TestChainIsCountedOffFirst(t *testing.T) {
	told := func(joint string) string {
		return told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) {
			chain := &material.Material{ID: "chain", Name: "Brass chain", Class: material.ClassFinding, Finding: &material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: joint}}
			p.Closure.Right = append(p.Closure.Right, piece.Fitting{ID: "x1", Of: chain, Links: 24})
		}))
	}
	inOrder(t, told("open"), "Right end: count off 24 links of brass chain, 72 mm, and open the next link.", "Count out 21 beads", "Right end: hang ring on 24 links of brass chain.")
	inOrder(t, told("soldered"), "72 mm, and cut through the next link, which is lost.")
}

func TestElasticTiedToFittingsIsStrungFromItsSpool(t *testing.T) {
	text := told(measured(t, material.Cord{Type: material.Elastic, Diameter: 0.7}, piece.Clasp, func(p *piece.Piece) {
		p.House.Stopper, p.Leading().Left, p.Leading().Right = piece.StopSpool, nil, nil
	}))
	inOrder(t, text, "Leave the elastic on its spool", "String the runs", "GATE Before you cut", "cut from the spool", "Left end: thread ring", "Right end: thread ring")
	if strings.Contains(text, "Remove the stop") {
		t.Errorf("the spool is the stop: %s", text)
	}
}

func TestWhatIsCarriedIsHungOnTheLoop(t *testing.T) {
	star := testparts.Bead(t, "star", material.Bead{Shape: material.Charm, Across: 9, Hole: 1.4, Along: 0.8, Drop: 12}, 0)
	m, err := component.Make("carrier", "Star on a tube", component.Plan{Kind: material.Carrier, Strung: testparts.Bead(t, "looped tube", material.Bead{Shape: material.Tube, Across: 4, Along: 6, Hole: 1.6, Loop: 1.8, LoopWire: 0.8}, 0), Below: []*material.Material{star}})
	if err != nil {
		t.Fatal(err)
	}
	loop := testparts.Line(t, "20P")
	text := told(measured(t, material.Cord{Type: material.Waxed, Diameter: 0.5}, piece.Clasp, func(p *piece.Piece) {
		row := p.Leading()
		p.Palette["P"], row.Left, row.Right, p.Closure.Right = m, nil, nil, nil
		p.Palette["Q"] = p.Palette["H"]
		loop.Nodes[0].Unit = pattern.Bead{Key: "Q"}
		row.RightEnding = piece.Ending{Way: piece.WayLoop, Loop: loop, Hung: []*material.Material{star}}
	}))
	inOrder(t, text, "Make star on a tube (the first of 20): hang star on the loop of looped tube.", "GATE Before you make the other 19: it reaches 16.6 mm down from the middle of the cord", "Right end: hang star on the loop of beads.")
}

func TestACharmIsHungOnTheLoopOfAnother(t *testing.T) {
	charm := func(name string, loop length.MM) *material.Material {
		return testparts.Bead(t, name, material.Bead{Shape: material.Charm, Across: 9, Hole: 1.4, Along: 0.8, Drop: 12, Loop: loop, LoopWire: 0.6 * loop}, 1)
	}
	ring := &material.Material{ID: "jump ring", Name: "Jump ring", Class: material.ClassFinding, Finding: &material.Finding{Type: material.JumpRing, Inside: 3, Wire: 0.7}}
	star, err := component.Make("star", "Star on a ring", component.Plan{Kind: material.CharmOnRings, Rings: []*material.Material{ring}, Below: []*material.Material{charm("star", 0)}})
	if err != nil {
		t.Fatal(err)
	}
	m, err := component.Make("two", "Star below an anchor", component.Plan{Kind: material.CharmOnRings, Rings: []*material.Material{ring}, Strung: charm("anchor", 1), Below: []*material.Material{star}})
	if err != nil {
		t.Fatal(err)
	}
	text := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) { p.Palette["P"] = m }))
	inOrder(t, text, "Make star on a ring", "Make star below an anchor", "hang star on a ring on the loop of anchor", "open jump ring by twisting it sideways")
}
