package material

import (
	"math"
	"testing"

	"mala/core/length"
)

// Every limit of a bead, with the last value that is right and the first that is
// not.
func TestLimitsOfBeads(t *testing.T) {
	round := func(across, hole length.MM) Bead { return Bead{Shape: Round, Across: across, Hole: hole} }
	run := func(count int, measured length.MM) Bead {
		return Bead{Shape: Round, Across: 4, Hole: 0.8, Run: Run{Count: count, Measured: measured}}
	}
	pitch := length.MM(math.Sqrt(16 - 0.64))
	for _, tt := range []struct {
		name       string
		right, not Bead
	}{
		{"the smallest", round(LeastSize*2, LeastSize), round(LeastSize, LeastSize/2)},
		{"the greatest", round(MostSize, 1), round(MostSize+0.01, 1)},
		{"the smallest hole", round(4, LeastSize), round(4, LeastSize-0.001)},
		{"the widest hole", round(4, 3.99), round(4, 4)},
		{"the widest hole of a thin one", Bead{Shape: Oval, Across: 8, Thick: 4, Along: 6, Hole: 3.9}, Bead{Shape: Oval, Across: 8, Thick: 4, Along: 6, Hole: 4}},
		{"a run of one", run(1, pitch), run(1, 6*pitch)},
		{"a run of a thousand", run(1000, 1000*pitch), run(1001, 1001*pitch)},
		{"the shortest run", run(2, 2*pitch*0.21), run(2, 2*pitch*0.19)},
		{"the longest run", run(2, 2*pitch*4.99), run(2, 2*pitch*5.01)},
	} {
		if _, err := NewBead(tt.right); err != nil {
			t.Errorf("%s: %v", tt.name, err)
		}
		if _, err := NewBead(tt.not); err == nil {
			t.Errorf("%s: what is beyond it is let in", tt.name)
		}
	}
}

func TestCapsFaceTheirBeadAndOthersFaceNowhereUnlessSaid(t *testing.T) {
	for _, tt := range []struct {
		bead Bead
		want Facing
	}{
		{Bead{Shape: Round, Across: 4, Hole: 1}, FacingNone},
		{Bead{Shape: Cap, Across: 6, Depth: 2, Wall: 0.4, Hole: 1}, FacingForeAft},
		{Bead{Shape: Oval, Across: 6, Along: 8, Hole: 1, Facing: FacingForeAft}, FacingForeAft},
		{Bead{Shape: Cap, Across: 6, Depth: 2, Wall: 0.4, Hole: 1, Facing: FacingNone}, FacingNone},
	} {
		if b, err := NewBead(tt.bead); err != nil || b.Facing != tt.want {
			t.Errorf("%+v: %v", tt.bead, err)
		}
	}
}

func TestLimitsOfFindings(t *testing.T) {
	extender := func(links int) Finding { return Finding{Type: Extender, Inside: 3, Wire: 0.6, Links: links} }
	for _, tt := range []struct {
		name       string
		right, not Finding
	}{
		{"one link", extender(1), extender(0)},
		{"the most links", extender(MostLinks), extender(MostLinks + 1)},
		{"the smallest guard", Finding{Type: WireGuard, Length: LeastSize}, Finding{Type: WireGuard, Length: LeastSize - 0.001}},
		{"the greatest guard", Finding{Type: WireGuard, Length: MostSize}, Finding{Type: WireGuard, Length: MostSize + 0.1}},
		{"a crimp with a wall", Finding{Type: CrimpTube, Inside: 1.7, Outside: 1.8, Length: 2}, Finding{Type: CrimpTube, Inside: 1.8, Outside: 1.8, Length: 2}},
	} {
		if _, err := NewFinding(tt.right); err != nil {
			t.Errorf("%s: %v", tt.name, err)
		}
		if _, err := NewFinding(tt.not); err == nil {
			t.Errorf("%s: what is beyond it is let in", tt.name)
		}
	}
}

// Cords beyond seven fill at most seven ninths of their hole, and hardly less.
func TestManyPassesFillTheirShareOfTheHole(t *testing.T) {
	for _, passes := range []int{8, 12, 20} {
		for _, d := range []length.MM{0.2, 1} {
			hole := HoleFor(passes, d)
			fill := float64(passes) * float64(d*d) / float64(hole*hole)
			if fill > 7.0/9+1e-9 || fill < 7.0/9-0.02 {
				t.Errorf("%d passes of %v fill %.3f of %v", passes, d, fill, hole)
			}
		}
	}
}

func TestVolumesOfHungAndFlattenedBeads(t *testing.T) {
	volume := func(b Bead) float64 {
		made, err := NewBead(b)
		if err != nil {
			t.Fatal(err)
		}
		return made.Volume()
	}
	// A ring of 3 mm inside and 0.7 mm wire: the circle of its middle line by the
	// section of its wire.
	if got, want := volume(Bead{Shape: Charm, Hole: 3, Across: 4.4, Along: 0.7, Drop: 12}), math.Pi*3.7*math.Pi/4*0.49; math.Abs(got-want) > 1e-9 {
		t.Errorf("the ring has %v mm³, not %v", got, want)
	}
	// A coin drilled through its edge: its disc less the hole along its diameter.
	if got, want := volume(Bead{Shape: Coin, Across: 10, Thick: 3, Along: 10, Hole: 1}), (math.Pi/4*10*3-math.Pi/4)*10; math.Abs(got-want) > 1e-9 {
		t.Errorf("the coin has %v mm³, not %v", got, want)
	}
	// As thick as it is wide it is the same turned body.
	if thick, plain := volume(Bead{Shape: Disc, Across: 10, Thick: 10, Along: 3, Hole: 1}), volume(Bead{Shape: Disc, Across: 10, Along: 3, Hole: 1}); thick != plain || math.Abs(plain-(100-1)*math.Pi/4*3) > 0.01*plain {
		t.Errorf("through its faces it has %v and %v mm³", thick, plain)
	}
}
