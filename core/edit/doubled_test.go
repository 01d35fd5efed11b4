package edit

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

func TestACordIsDoubledAndBeadsRideOnOneOfIt(t *testing.T) {
	p := tiedBench(t, "9P L")
	after := applied(t, p, nil, SetPasses{Passes: 2}, SetOneCord{Letter: "L", Cords: 1}, Letter{Letters: "L Q"})
	if after.Leading().Passes != 2 || !after.OneCord["Q"] || after.OneCord["L"] {
		t.Fatalf("%v", after)
	}
	if len(p.OneCord) > 0 {
		t.Error("the piece it was asked of changed")
	}
	after = applied(t, after, nil, SetOneCord{Letter: "Q"})
	if len(after.OneCord) > 0 {
		t.Error(after.OneCord)
	}
	refuses(t, p, "There is no dish Z", SetOneCord{Letter: "Z", Cords: 1})
	folded := applied(t, p, nil, endOp(piece.Left, "way", "fold"))
	refuses(t, folded, "folded at the left", SetPasses{Passes: 3})
	// From its fold to a loop of it the cord stays doubled.
	if looped, _, err := Apply(folded, nil, endOp(piece.Left, "way", "cord-loop")); err != nil || looped.Leading().Passes != 2 || looped.Leading().LeftEnding.Girth != 24 {
		t.Errorf("%v, %v", looped, err)
	}
}

func TestALoopOfBareCordFitsItsButton(t *testing.T) {
	p := tiedBench(t, "9P L")
	button := &material.Material{ID: "button", Name: "button", Class: material.ClassFinding, Finding: &material.Finding{Type: material.ButtonEnd, Form: "ball", Outside: 12, Length: 12, Inside: 2}}
	p.Closure.Left, p.Closure.Right = nil, []piece.Fitting{{ID: "f2", Of: button}}
	after, _, err := Apply(p, nil, endOp(piece.Left, "way", "cord-loop"))
	// Once round a ball of 12 and 3 more.
	if girth := after.Leading().LeftEnding.Girth; err != nil || girth < 40.69 || girth > 40.71 {
		t.Errorf("%v round, %v", girth, err)
	}
	wider := length.MM(50)
	after = applied(t, after, nil, SetEndGirth{piece.Place{Side: piece.Left, Element: piece.NoElement}, &wider})
	if after.Leading().LeftEnding.Girth != 50 {
		t.Errorf("%+v", after.Leading().LeftEnding)
	}
	p.Leading().Cord = &material.Material{ID: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}}
	crimped := applied(t, p, nil, endOp(piece.Left, "way", "cord-loop"))
	if faults := crimped.Check(); len(faults) > 0 {
		t.Errorf("a crimp closes a loop of wire: %v", faults)
	}
	p.Leading().Left = nil
	refuses(t, p, "wire takes no knot", endOp(piece.Left, "way", "cord-loop"))
}

func TestRidersAreSetAndKeepTheirDish(t *testing.T) {
	p := bench(t, "9P")
	after := applied(t, p, nil, SetRiders{Beads: " 3 L"})
	if after.Leading().Riders.String() != "3L" || p.Leading().Riders != nil {
		t.Fatalf("%v", after)
	}
	refuses(t, after, "still slides on a row", RemoveDish{Letter: "L"})
	if moved, _, err := Apply(after, nil, Letter{Letters: "L Q"}); err != nil || moved.Leading().Riders.String() != "3Q" || after.Leading().Riders.String() != "3L" {
		t.Errorf("%v, %v", moved, err)
	}
	if none, _, err := Apply(after, nil, SetRiders{Beads: "  "}); err != nil || none.Leading().Riders != nil {
		t.Errorf("%v", err)
	}
	if _, _, err := Apply(p, nil, SetRiders{Beads: "3L ("}); err == nil || !strings.Contains(err.Error(), "Column 4") || pattern.Faults(err) != nil {
		t.Errorf("%v", err)
	}
}
