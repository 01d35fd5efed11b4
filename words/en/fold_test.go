package en

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// A loop of a doubled cord at the right is its fold: made first, strung from there, and the left end
// is made once, last.
func TestALoopAtTheRightIsStrungFromThere(t *testing.T) {
	text := told(measured(t, material.Cord{Type: material.Waxed, Diameter: 0.5}, piece.Clasp, func(p *piece.Piece) {
		r := p.Leading()
		r.Passes, r.Left, r.Right, p.Closure.Right = 2, nil, nil, nil
		r.RightEnding = piece.Ending{Way: piece.WayCordLoop, Girth: 40}
	}))
	inOrder(t, text, "GATE Before you cut", "Fold the cord in the middle, leave a loop of 40 mm", "GATE Before the loop is fixed", "Pull both halves equally long", "String from the right", "GATE Before the left knot", "Left end: thread ring", "Left end: hang lobster on ring")
	if strings.Count(text, "Left end: thread") != 1 || strings.Contains(text, "Right end") || strings.Contains(text, "Hold the") {
		t.Errorf("%s", text)
	}
}

// New ways of ending a cord are described as they are made.
func TestLoopsOnTheLegsOfAFoldAndBeadsOnTails(t *testing.T) {
	crimp := &material.Material{ID: "c", Name: "Crimp", Class: material.ClassFinding, Finding: &material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 3, Length: 2}}
	text := told(measured(t, material.Cord{Type: material.Wire, Diameter: 0.38}, piece.Clasp, func(p *piece.Piece) {
		r := p.Leading()
		p.Closure.Left, r.Passes = nil, 2
		r.Left, r.Right = fittings("l", crimp), fittings("r", crimp)
		r.LeftEnding, r.RightEnding = loopOfPearls(t, piece.WayFoldLoop), loopOfPearls(t, piece.WayLegLoop)
	}))
	inOrder(t, text, "String 9 × pearl for the loop to the middle of the cord, thread both ends through crimp", "Close the crimp over both legs", "GATE After the crimp: both legs hold", "Pull both halves equally long",
		"Right end: thread both legs through the crimp; clip one of them there", "Right end: thread the crimp, 9 × pearl for the loop", "part the 3 wires evenly", "Trim the tail flush")
	tails := told(measured(t, material.Cord{Type: material.Elastic, Diameter: 0.7}, piece.Knot, func(p *piece.Piece) {
		p.Leading().LeftEnding = piece.Ending{Way: piece.WayTails, Leg: 20, Bead: p.Palette["H"]}
	}))
	inOrder(t, tails, "Tie a surgeon's knot", "GATE Before you trim", "On the loose tail string barrel, tie an overhand knot below it", "GATE After the tails")
	if strings.Contains(tails, "Draw the knot into") {
		t.Errorf("its tails hang loose: %s", tails)
	}
}

func loopOfPearls(t *testing.T, way piece.Way) piece.Ending {
	t.Helper()
	line := testparts.Line(t, "9P")
	return piece.Ending{Way: way, Loop: line}
}
