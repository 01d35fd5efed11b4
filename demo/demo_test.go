package demo

import (
	"slices"
	"testing"

	"mala/desk"
)

func TestPiecesAreSoundButTheOneWithAFaultWorthFinding(t *testing.T) {
	for _, name := range Pieces() {
		doc, err := Piece(name)
		if err != nil {
			t.Fatal(err)
		}
		a, err := desk.Analyse(t.Context(), doc, desk.Options{Fixes: true})
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		if name == "quay-lanterns.json" {
			if len(a.Checks) != 2 || a.Checks[0].Code != "crimp-swallowed" || a.Checks[0].Fix == nil {
				t.Errorf("%s: %+v, want both crimps swallowed", name, a.Checks)
			}
			continue
		}
		if name == "crossed-lines.json" {
			if len(a.Checks) != 1 || a.Checks[0].Code != "rows-cross" || a.Checks[0].Fix == nil {
				t.Errorf("%s: %+v, want crossing rows", name, a.Checks)
			}
			continue
		}
		if name == "crab-pot.json" {
			if len(a.Checks) != 1 || a.Checks[0].Code != "lies-sideways" || a.Checks[0].Fix == nil || len(a.Checks[0].More) != 1 {
				t.Errorf("%s: %+v, want both crabs sideways", name, a.Checks)
			}
		}
		for _, c := range a.Checks {
			if c.Severity != "advise" {
				t.Errorf("%s: %s", name, c.Says)
			}
		}
		for _, s := range a.Strands {
			if !s.Target.Within {
				t.Errorf("%s, %s is off its target by %v", name, s.ID, s.Target.OffMm)
			}
		}
	}
}

func TestEveryPieceIsListedInItsOrder(t *testing.T) {
	listed := slices.Sorted(slices.Values(order))
	if !slices.Equal(listed, Pieces()) {
		t.Errorf("order lists %v, there are %v", listed, Pieces())
	}
}
