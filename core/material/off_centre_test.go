package material

import (
	"math"
	"strings"
	"testing"

	"mala/core/length"
)

func offBead(t *testing.T, b Bead) *Bead {
	t.Helper()
	made, err := NewBead(b)
	if err != nil {
		t.Fatal(err)
	}
	return made
}

// A round of 8 with its hole 2 off the middle is highest 2 from the hole, as high as in its
// middle, and is drawn and weighed as if the hole were there.
func TestAHoleOffTheMiddle(t *testing.T) {
	plain := offBead(t, Bead{Shape: Round, Across: 8, Hole: 1})
	off := offBead(t, Bead{Shape: Round, Across: 8, Hole: 1, HoleOff: 2})
	f := off.Face(true)
	for r, want := range map[float64]float64{0.5: math.Sqrt(16 - 1.5*1.5), 2: 4, 4: math.Sqrt(16 - 4), 5.9: math.Sqrt(16 - 3.9*3.9)} {
		if got := f.At(r); math.Abs(got-want) > 1e-9 {
			t.Errorf("at %v it is %v high, want %v", r, got, want)
		}
	}
	if math.Abs(f.Edge()-6) > 1e-9 || math.Abs(float64(f.Reach()-4)) > 1e-6 || off.BodyFace(true).Edge() != 4 || off.Volume() != plain.Volume() {
		t.Errorf("edge %v, reach %v, %v mm³ for %v", f.Edge(), f.Reach(), off.Volume(), plain.Volume())
	}
	if c, ok := Touch(f, f); !ok || math.Abs(float64(c.Distance-8)) > 1e-5 || math.Abs(c.Radius-2) > 1e-3 {
		t.Errorf("two of them lie %v apart, touching at %v", c.Distance, c.Radius)
	}
	for to, want := range map[Toward][2]length.MM{TowardTop: {4, 2}, "": {4, 2}, TowardBack: {2, 0}, TowardFront: {6, 0}} {
		b := offBead(t, Bead{Shape: Round, Across: 8, Hole: 1, HoleOff: 2, HoleTo: to})
		if b.ToBody() != want[0] || b.HangsBelow() != want[1] {
			t.Errorf("towards %q it reaches %v to the body and hangs %v below", to, b.ToBody(), b.HangsBelow())
		}
	}
	if plain.ToBody() != 4 || plain.HangsBelow() != 0 || plain.BodyFace(false).At(1) != plain.Face(false).At(1) {
		t.Error("a hole in the middle changes nothing")
	}
}

func TestWhereAHoleCannotBe(t *testing.T) {
	for says, b := range map[string]Bead{
		"less than 3.5 mm off the middle":  {Shape: Round, Across: 8, Hole: 1, HoleOff: 3.5},
		"less than 1.5 mm":                 {Shape: Oval, Across: 12, Thick: 4, Along: 8, Hole: 1, HoleOff: 1.5, HoleTo: TowardBack},
		"less than 5.5 mm":                 {Shape: Oval, Across: 12, Thick: 4, Along: 8, Hole: 1, HoleOff: -1},
		"towards top, back or front":       {Shape: Round, Across: 8, Hole: 1, HoleOff: 1, HoleTo: "side"},
		"a cap has its hole in the middle": {Shape: Cap, Across: 6, Depth: 1.4, Wall: 0.3, Hole: 1, HoleOff: 1},
	} {
		if _, err := NewBead(b); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
	if _, err := NewBead(Bead{Shape: Oval, Across: 12, Thick: 4, Along: 8, Hole: 1, HoleOff: 5.4}); err != nil {
		t.Error(err)
	}
}

func TestABarFollowsACircle(t *testing.T) {
	for _, tt := range []struct {
		radius float64
		long   length.MM
		want   float64
	}{{25, 30, 5}, {25, 14, 1}, {10, 30, 10}} {
		if got := RiseRound(tt.radius, tt.long); math.Abs(got-tt.want) > 1e-9 {
			t.Errorf("%v along a radius of %v rises %v, want %v", tt.long, tt.radius, got, tt.want)
		}
	}
	bar := Finding{Type: FocalBar, Length: 30, Outside: 7, Wire: 2, Inside: 1.5, Rise: 15}
	if _, err := NewFinding(bar); err != nil {
		t.Error(err)
	}
	for says, change := range map[string]func(f *Finding){
		"rises by up to half": func(f *Finding) { f.Rise = 15.1 }, "The rise of its middle is -1": func(f *Finding) { f.Rise = -1 },
		"The length is missing": func(f *Finding) { f.Length = 0 }, "The inside is missing": func(f *Finding) { f.Inside = 0 },
		"The rise of its middle is 3": func(f *Finding) { f.Type, f.Holes, f.Spacing, f.Rise = Connector, 2, 4, 3 },
	} {
		wrong := bar
		change(&wrong)
		if _, err := NewFinding(wrong); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
}
