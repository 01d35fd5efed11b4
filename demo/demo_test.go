package demo

import (
	"slices"
	"testing"

	"mala/format"
)

func TestPiecesAreSoundButTheOneWithAFaultWorthFinding(t *testing.T) {
	for _, name := range Pieces() {
		doc, err := Piece(name)
		if err != nil {
			t.Fatal(err)
		}
		a, err := format.Analyse(doc, format.Options{})
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		if name == "quay-lanterns.json" {
			if len(a.Checks) != 2 || a.Checks[0].Code != "crimp-swallowed" || a.Checks[0].Fix == nil {
				t.Errorf("%s: %+v, want both crimps swallowed", name, a.Checks)
			}
			continue
		}
		if len(a.Checks) > 0 {
			t.Errorf("%s: %+v, want none", name, a.Checks)
		}
		if !a.Target.Within {
			t.Errorf("%s is off its target by %v", name, a.Target.OffMm)
		}
	}
}

func TestEveryPieceIsListedInItsOrder(t *testing.T) {
	listed := slices.Sorted(slices.Values(order))
	if !slices.Equal(listed, Pieces()) {
		t.Errorf("order lists %v, there are %v", listed, Pieces())
	}
}
