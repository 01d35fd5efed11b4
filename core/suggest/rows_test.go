package suggest

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

func TestAPieceIsGivenRowsAndWhatTheyGoOn(t *testing.T) {
	slide := func(id string, holes int) *material.Material {
		return fitting(id, "brass", material.Finding{Type: material.Slide, Closed: 9, Holes: holes, Spacing: 6})
	}
	large := fitting("large", "brass", material.Finding{Type: material.JumpRing, Inside: 9, Wire: 1, Joint: "open"})
	shelf := append([]*material.Material{slide("six", 6), slide("three", 3), slide("two", 2), large}, catalogue...)
	p := strand(t, func(*piece.House) {}).Piece
	for _, join := range Joins() {
		made, err := Rows(p, 3, join, shelf)
		if err != nil {
			t.Fatalf("%s: %v", join, err)
		}
		if faults := made.Check(); len(faults) > 0 || len(made.Rows()) != 3 {
			t.Errorf("%s: %d rows, %v", join, len(made.Rows()), faults)
		}
		on := made.Joined(made.Rows()[2], piece.Left).Of
		switch join {
		case Holes:
			if on.ID != "three" || made.Hole(made.Rows()[2], piece.Right) != 3 {
				t.Errorf("in holes of %s", on.ID)
			}
		default:
			if !on.Finding.IsRing() || made.Joined(made.Rows()[0], piece.Left).ID != made.Joined(made.Rows()[2], piece.Left).ID {
				t.Errorf("%s: on %s", join, on.ID)
			}
		}
		if own := made.Rows()[2].Left; (join == OwnRings) != (len(own) > 0 && own[len(own)-1].Of.Finding.IsRing()) {
			t.Errorf("%s: its own end is %+v", join, own)
		}
	}
	many, err := Rows(p, 19, OneRing, shelf)
	if err != nil || many.Joined(many.Leading(), piece.Left).Of.ID != "large" {
		t.Errorf("nineteen rows want the large ring: %v", err)
	}
	if one, err := Rows(p, 1, Holes, nil); err != nil || one != p {
		t.Error("one row is left as it is")
	}
	for says, tt := range map[string]struct {
		rows  int
		join  Join
		shelf []*material.Material
	}{
		"no clasp with 7 holes":   {7, Holes, shelf},
		"no ring that takes 2":    {2, OneRing, nil},
		"no ring that opens":      {2, OwnRings, nil},
		"A piece has at most 20 ": {21, OneRing, shelf},
	} {
		_, err := Rows(p, tt.rows, tt.join, tt.shelf)
		if err == nil || !strings.Contains(Refusal(err), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
}
