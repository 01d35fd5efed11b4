package material

import (
	"math"
	"testing"

	"mala/core/length"
)

// Every limit of the holes of a flat, with what is right and what is not.
func TestLimitsOfHolesOfFlats(t *testing.T) {
	flat := func(holes int, apart length.MM) Bead {
		return Bead{Shape: Button, Across: 15, Along: 3, Hole: 1, Holes: holes, Apart: apart}
	}
	thin, off, ball := flat(4, 3), flat(4, 3), flat(4, 3)
	thin.Thick, off.HoleOff, ball.Shape = 3, 1, Oval
	for name, tt := range map[string]struct{ right, not Bead }{
		"one hole":           {flat(0, 0), flat(1, 3)},
		"three":              {flat(4, 3), flat(3, 3)},
		"none to be apart":   {flat(0, 0), flat(0, 3)},
		"beside one another": {flat(2, 1.001), flat(2, 1)},
		"two near the edge":  {flat(2, 13.999), flat(2, 14)},
		"four near the edge": {flat(4, 9.899), flat(4, 9.9)},
		"through its edge":   {flat(2, 3), thin},
		"off its middle":     {flat(2, 3), off},
		"of no flat":         {flat(2, 3), ball},
	} {
		if b, err := NewBead(tt.right); err != nil || b.Laces() != (tt.right.Holes > 0) {
			t.Errorf("%s: %v", name, err)
		}
		if _, err := NewBead(tt.not); err == nil {
			t.Errorf("%s: what is beyond it is let in", name)
		}
	}
}

func TestHolesLineUpAsFarAsTheyGive(t *testing.T) {
	flat := func(holes int, apart, hole length.MM) *Bead {
		return &Bead{Holes: holes, Apart: apart, Hole: hole}
	}
	for _, tt := range []struct {
		a, b *Bead
		want bool
	}{
		{flat(4, 3, 1), flat(4, 3.5, 2), true}, {flat(4, 3, 1), flat(4, 3.51, 2), false}, {flat(4, 3.5, 2), flat(4, 3, 1), true},
		{flat(2, 3, 1), flat(4, 3, 1), false}, {flat(2, 3, 1), flat(2, 2.5, 1), true}, {flat(2, 3, 1), flat(2, 2.49, 1), false},
	} {
		if got := tt.a.LinesUp(tt.b); got != tt.want {
			t.Errorf("%+v on %+v: %v", tt.a, tt.b, got)
		}
	}
}

// A flat only leans, or lies in a layer, where its neighbours cover it.
func TestHowAFlatLies(t *testing.T) {
	made, err := NewBead(Bead{Shape: Disc, Across: 10, Along: 2, Hole: 1, Holes: 2, Apart: 4})
	if err != nil {
		t.Fatal(err)
	}
	lie := func(reach length.MM, tilted bool) *Bead {
		return Lie(&Material{Bead: made}, nil, Lying{Reach: func(length.MM) length.MM { return reach }, Tilted: tilted, Cord: 0.7}).Bead
	}
	for _, reach := range []length.MM{5, 6} {
		for _, tilted := range []bool{true, false} {
			if b := lie(reach, tilted); b.Flat.Tilt != 0 || b.Flat.Layers || b.Thick != 2 || b.Along != 10 || b.ToBody() != 0 || b.Inwards != 0.7 {
				t.Errorf("%v: %+v", reach, b)
			}
		}
	}
	if b := lie(4, true); math.Abs(math.Sin(b.Flat.Tilt)-0.25) > 1e-12 || b.Flat.Layers {
		t.Errorf("%+v", b.Flat)
	}
	if b := lie(4, false); b.Flat.Tilt != 0 || !b.Flat.Layers || b.Thick != 4 {
		t.Errorf("%+v", b.Flat)
	}
	// Neighbours meet at their shares, and a strand ends with the flat itself.
	if c, ok := Touch(lie(4, false).Face(true), lie(4, false).Face(false)); !ok || c.Distance != 8 || lie(4, false).Face(true).AtRim() != 5 {
		t.Errorf("%+v", c)
	}
}
