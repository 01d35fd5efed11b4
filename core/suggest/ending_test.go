package suggest

import (
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

func waxedCord(p *piece.Piece) {
	p.Leading().Cord = &material.Material{ID: "waxed", Name: "waxed", Class: material.ClassCord, Cord: &material.Cord{Type: material.Waxed, Diameter: 0.4}}
}

func TestAButtonIsOfferedItsLoopAndNoRings(t *testing.T) {
	button := fitting("button", "", material.Finding{Type: material.ButtonEnd, Outside: 14, Length: 4, Inside: 2})
	m := remeasured(t, func(p *piece.Piece) {
		waxedCord(p)
		p.Closure = piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "f1", Of: button}}}
	})
	all := For(m, "", catalogue)
	s := suggested(all, measure.RoleBeads, piece.Right)
	if s == nil || s.Has || !strings.Contains(Reasoned(s), "a loop of 39 mm round inside") || s.Fix == nil {
		t.Fatalf("%+v", s)
	}
	if suggested(all, measure.RoleBeads, piece.Left) != nil || suggested(all, measure.RoleRing, piece.Left) != nil || suggested(all, measure.RoleRing, piece.Right) != nil {
		t.Errorf("%+v", all)
	}
	after, _, err := edit.Apply(m.Piece, catalogue, s.Fix.Ops...)
	if err != nil {
		t.Fatal(err)
	}
	made, err := measure.Measure(after)
	if err != nil {
		t.Fatal(err)
	}
	if s := suggested(For(made, "", catalogue), measure.RoleBeads, piece.Right); s == nil || !s.Has || !strings.Contains(Reasoned(s), "this one has ") {
		t.Errorf("with its loop: %+v", s)
	}
	if fix := ByHouse(m, catalogue); fix == nil || len(fix.Ops) == 0 {
		t.Error("the house leaves the button without a loop")
	}
}

func TestAKnotThatItsBeadTakesIsOfferedToHide(t *testing.T) {
	// The knot of 0.4 cord is 1.2 thick.
	for _, tt := range []struct {
		hole   length.MM
		offers bool
	}{{1.2, true}, {1.19, false}} {
		m := remeasured(t, func(p *piece.Piece) {
			waxedCord(p)
			p.Palette["P"] = hole(t, tt.hole)
			p.Closure.Right = []piece.Fitting{{ID: "f2", Of: catalogue[6]}}
		})
		s := suggested(For(m, "", catalogue), RoleKnot, piece.Right)
		if (s != nil) != tt.offers {
			t.Errorf("a hole of %v: %+v", tt.hole, s)
			continue
		}
		if s == nil {
			continue
		}
		after, _, err := edit.Apply(m.Piece, catalogue, s.Fix.Ops...)
		if err != nil || after.Leading().RightEnding.Way != piece.WayHiddenKnot {
			t.Fatalf("%v", err)
		}
		made, err := measure.Measure(after)
		if err != nil || suggested(For(made, "", catalogue), RoleKnot, piece.Right) != nil {
			t.Errorf("hidden, it is offered again: %v", err)
		}
	}
}
