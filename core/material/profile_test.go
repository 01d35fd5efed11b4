package material

import (
	"math"
	"strings"
	"testing"

	"mala/core/length"
)

func bead(t testing.TB, b Bead) *Bead {
	t.Helper()
	made, err := NewBead(b)
	if err != nil {
		t.Fatal(err)
	}
	return made
}

func round(t testing.TB, d, hole length.MM) *Bead {
	return bead(t, Bead{Shape: Round, Across: d, Hole: hole})
}

func TestNeighboursTouchWhereTheirFacesMeet(t *testing.T) {
	seed := bead(t, Bead{Shape: Seed, Across: 2.2, Along: 1.5, Hole: 0.8})
	bicone := bead(t, Bead{Shape: Bicone, Across: 4, Along: 4, Hole: 0.9})
	tube := bead(t, Bead{Shape: Tube, Across: 3, Along: 6, Hole: 1.2})
	big := round(t, 10, 2.5)
	for _, tt := range []struct {
		name     string
		a, b     *Bead
		distance float64
		radius   float64
	}{
		{"round 8, hole 1, twice", round(t, 8, 1), round(t, 8, 1), 7.937, 0.5},
		{"round 8, hole 1, beside round 4, hole 0.8", round(t, 8, 1), round(t, 4, 0.8), 5.905, 0.5},
		{"round 4 beside round 10 with hole 2.5", round(t, 4, 0.8), big, 6.402, 1.25},
		{"bicone 4 x 4, hole 0.9, twice", bicone, bicone, 4, 0.45},
		{"tube 3 x 6 beside round 8", tube, round(t, 8, 1), 6.955, 0.6},
		{"two tubes, the outer end of their contact", tube, tube, 6, 1.5},
		{"seeds alone keep their pitch", seed, seed, 1.5, 0.4},
	} {
		c, ok := Touch(tt.a.Face(true), tt.b.Face(false))
		if !ok || math.Abs(float64(c.Distance)-tt.distance) > 0.001 || math.Abs(c.Radius-tt.radius) > 0.001 {
			t.Errorf("%s: %.4f at radius %.4f, %v, want %.3f at %.3f", tt.name, float64(c.Distance), c.Radius, ok, tt.distance, tt.radius)
		}
	}
	if _, ok := Touch(seed.Face(true), big.Face(false)); ok {
		t.Error("a seed of 2.2 beside a hole of 2.5 should be swallowed")
	}
}

func TestCapsMeetMouthToMouth(t *testing.T) {
	c := bead(t, Bead{Shape: Cap, Across: 6, Depth: 1.4, Wall: 0.35, Hole: 0.8})
	joint, ok := Touch(c.Face(true), c.Face(true))
	if !ok || math.Abs(float64(joint.Distance)-3.5) > 0.001 {
		t.Errorf("mouth to mouth = %v, want 3.5", joint)
	}
	inside, _ := Touch(c.Face(true), round(t, 2.5, 0.8).Face(false))
	if 2*inside.Distance >= 3.5 {
		t.Errorf("a 2.5 mm bead should hide between the caps, but needs %v", 2*inside.Distance)
	}
	cone := bead(t, Bead{Shape: Cap, Across: 6, Depth: 5, Wall: 0.4, Hole: 1})
	if got := cone.Face(true).At(3); math.Abs(got-5.4) > 1e-9 {
		t.Errorf("a cone's rim stands %v from its pole, want 5.4", got)
	}
}

func TestEveryShapeHasItsOwnLengthAtTheRim(t *testing.T) {
	for _, shape := range Shapes() {
		b := bead(t, Bead{Shape: shape, Across: 6, Along: 5, Depth: 2, Wall: 0.4, Drop: 12, Hole: 1})
		want := 5.0
		switch shape {
		case Round:
			want = math.Sqrt(36 - 1)
		case Charm: // its ring alone, from one side of its wire to the other
		case Cap:
			s := (9.0 + 4) / 4
			want = 2.4 - (s + .4 - math.Sqrt((s+.4)*(s+.4)-.25))
		}
		if got := float64(b.Length()); math.Abs(got-want) > 0.001 {
			t.Errorf("%s alone = %.4f, want %.4f", shape, got, want)
		}
	}
}

func TestFlatBeadsDrilledThroughTheEdgeTakeTheirWideOutline(t *testing.T) {
	edge := bead(t, Bead{Shape: Coin, Across: 12, Thick: 4, Along: 12, Hole: 1})
	face := bead(t, Bead{Shape: Coin, Across: 12, Along: 4, Hole: 1})
	if edge.Face(true).At(5) >= edge.Face(true).At(0.5) {
		t.Error("a coin drilled through its edge narrows away from its hole")
	}
	if face.Face(true).At(5) != face.Face(true).At(0.5) {
		t.Error("a coin pierced through its face is flat")
	}
}

func TestMeasuredRunWinsAndMeasuresExactly(t *testing.T) {
	for _, shape := range Shapes() {
		b := Bead{Shape: shape, Across: 6, Along: 5, Depth: 2, Wall: 0.9, Drop: 12, Hole: 1, Sized: Calipered}
		plain := bead(t, b)
		n := 20
		want := (plain.Length() + plain.Pitch()*length.MM(n-1)) * 1.03
		b.Run = Run{Count: n, Measured: want}
		run := bead(t, b)
		if got := run.Length() + run.Pitch()*length.MM(n-1); math.Abs(float64(got-want)) > 0.001 {
			t.Errorf("%s: the run measures %v, want %v", shape, got, want)
		}
		if plain.SizedBy() != Calipered || run.SizedBy() != MeasuredRun {
			t.Errorf("%s: sized by %s and %s", shape, plain.SizedBy(), run.SizedBy())
		}
	}
}

func TestVolumeAgreesWithClosedForms(t *testing.T) {
	// A sphere with a drilled hole is as large as a sphere of its length.
	b := round(t, 8, 1)
	l := float64(b.Length())
	if got, want := b.Volume(), math.Pi*l*l*l/6; math.Abs(got-want) > want*1e-6 {
		t.Errorf("round 8 = %.2f mm³, want %.2f", got, want)
	}
	tube := bead(t, Bead{Shape: Tube, Across: 3, Along: 6, Hole: 1.2})
	if got, want := tube.Volume(), math.Pi*6*(1.5*1.5-.6*.6); math.Abs(got-want) > 1e-6*want {
		t.Errorf("tube = %.3f mm³, want %.3f", got, want)
	}
}

func TestWhatCannotBeIsRefusedByName(t *testing.T) {
	nan := length.MM(math.NaN())
	for _, tt := range []struct {
		name string
		in   Bead
		says string
	}{
		{"zero", Bead{Shape: Round, Hole: 1}, "The diameter"},
		{"negative", Bead{Shape: Round, Across: -4, Hole: 1}, "The diameter"},
		{"absurd", Bead{Shape: Round, Across: 4000, Hole: 1}, "The diameter"},
		{"not a number", Bead{Shape: Round, Across: nan, Hole: 1}, "The diameter"},
		{"no hole", Bead{Shape: Round, Across: 4}, "The hole"},
		{"hole not a number", Bead{Shape: Round, Across: 4, Hole: nan}, "The hole"},
		{"hole wider than the bead", Bead{Shape: Round, Across: 4, Hole: 4.5}, "The hole"},
		{"no length", Bead{Shape: Tube, Across: 4, Hole: 1}, "The length along the hole"},
		{"cap without a depth", Bead{Shape: Cap, Across: 4, Hole: 1, Wall: 0.3}, "The inner depth"},
		{"run of nothing", Bead{Shape: Round, Across: 4, Hole: 1, Run: Run{Count: 10}}, "The length of the measured run is missing"},
		{"run far off", Bead{Shape: Round, Across: 4, Hole: 1, Run: Run{Count: 10, Measured: 400}}, "measure again"},
	} {
		if _, err := NewBead(tt.in); err == nil || !strings.Contains(err.Error(), tt.says) {
			t.Errorf("%s: %v, want a sentence about %s", tt.name, err, tt.says)
		}
	}
}

func TestFindingsInSeries(t *testing.T) {
	for _, tt := range []struct {
		name string
		in   Finding
		want length.MM
	}{
		{"ring", Finding{Type: JumpRing, Inside: 3.6, Wire: 0.7}, 3.6},
		{"lobster as measured", Finding{Type: Lobster, Length: 10, Closed: 8.6}, 8.6},
		{"lobster by its wire", Finding{Type: Lobster, Length: 10, Wire: 0.7}, 8.6},
		{"toggle", Finding{Type: Toggle, RingEye: 1.5, Wire: 1.6, RingInside: 9, BarEye: 1.6}, 13.7},
		{"guard", Finding{Type: WireGuard, Length: 4}, 4},
	} {
		f, err := NewFinding(tt.in)
		if err != nil || math.Abs(float64(f.InSeries()-tt.want)) > 1e-9 {
			t.Errorf("%s: %v, %v, want %v", tt.name, f, err, tt.want)
		}
	}
	if _, err := NewFinding(Finding{Type: CrimpTube, Inside: 2, Outside: 1.8, Length: 2}); err == nil {
		t.Error("a crimp wider inside than outside was taken")
	}
}

func TestHolesForPasses(t *testing.T) {
	want := []float64{0, 1, 2, 2.1547, 2.4142, 2.7013, 3, 3}
	for n, k := range want {
		if got := HoleFor(n, 2); math.Abs(float64(got)-2*k) > 1e-9 {
			t.Errorf("HoleFor(%d, 2) = %v, want %v", n, got, 2*k)
		}
	}
	if HoleFor(12, 1) <= HoleFor(8, 1) || HoleFor(8, 1) < 3 {
		t.Error("more passes need a wider hole")
	}
}

func TestARingHungOnTheCordTakesItsWireOfStrand(t *testing.T) {
	charm := func(inside, wire length.MM) *Bead {
		return bead(t, Bead{Shape: Charm, Across: inside + 2*wire, Hole: inside, Along: wire, Drop: 18})
	}
	ring, cap6 := charm(4, 0.8), bead(t, Bead{Shape: Cap, Across: 6, Depth: 1.4, Wall: 0.35, Hole: 1})
	for _, tt := range []struct {
		name       string
		beside     *Bead
		ring       *Bead
		cord, want length.MM // of the two beads beside the ring
	}{
		{"rounds 8 with holes of 1", round(t, 8, 1), ring, 0.36, 8.723},
		{"rounds 8 with holes of 1.8", round(t, 8, 1.8), ring, 0.36, 8.595},
		{"rounds 8 with holes of 2", round(t, 8, 2), ring, 0.36, 8.546},
		{"rounds 6 on elastic 0.7", round(t, 6, 1.2), charm(4, 1), 0.7, 6.790},
	} {
		hung := tt.ring.Hung(tt.cord)
		right, ok := Touch(tt.beside.Face(true), hung)
		left, _ := Touch(hung, tt.beside.Face(false))
		if got := right.Distance + left.Distance; !ok || math.Abs(float64(got-tt.want)) > 0.001 {
			t.Errorf("%s: %.4f, want %.3f", tt.name, float64(got), float64(tt.want))
		}
	}
	mouth, ok := Touch(cap6.Face(true), ring.Hung(0.36))
	if !ok || math.Abs(float64(mouth.Distance)-2.150) > 0.001 {
		t.Errorf("against the open mouth of a cap: %v, want 2.150", mouth)
	}
	// Outside it measures 5.6: a hole of 5.5 holds it off, one of 5.7 takes it in.
	if _, ok := Touch(round(t, 9, 5.5).Face(true), ring.Hung(0.36)); !ok {
		t.Error("a ring of 5.6 outside slips into a hole of 5.5")
	}
	if _, ok := Touch(round(t, 9, 5.7).Face(true), ring.Hung(0.36)); ok {
		t.Error("a ring of 5.6 outside is held off by a hole of 5.7")
	}
	if _, err := NewBead(Bead{Shape: Charm, Across: 4.4, Hole: 3, Along: 0.7}); err == nil {
		t.Error("a charm that drops nowhere is no charm")
	}
}

func TestWhichNeighboursACapIsSeatedOn(t *testing.T) {
	cap6 := bead(t, Bead{Shape: Cap, Across: 6, Depth: 1.4, Wall: 0.35, Hole: 1})
	for _, tt := range []struct {
		name   string
		b      *Bead
		seated bool
	}{
		{"round 7.9", round(t, 7.9, 1), true},
		{"round 8", round(t, 8, 1), true},
		{"rondelle 8 x 5", bead(t, Bead{Shape: Rondelle, Across: 8, Along: 5, Hole: 1}), true},
		{"tube 4", bead(t, Bead{Shape: Tube, Across: 4, Along: 6, Hole: 1}), true},
		{"round 7.8", round(t, 7.8, 1), false},
		{"bicone 8", bead(t, Bead{Shape: Bicone, Across: 8, Along: 8, Hole: 1}), false},
		{"oval 6 x 9", bead(t, Bead{Shape: Oval, Across: 6, Along: 9, Hole: 1}), false},
		{"tube 8", bead(t, Bead{Shape: Tube, Across: 8, Along: 6, Hole: 1}), false},
	} {
		into, _ := Touch(cap6.Face(true), tt.b.Face(false))
		onto, _ := Touch(tt.b.Face(true), cap6.Face(true))
		if into.Seated != tt.seated || onto.Seated != tt.seated {
			t.Errorf("on %s: seated %v and %v, want %v", tt.name, into.Seated, onto.Seated, tt.seated)
		}
	}
	if facing, _ := Touch(cap6.Face(true), cap6.Face(true)); facing.Seated {
		t.Error("two mouths are seated in each other")
	}
	if behind, _ := Touch(round(t, 8, 1).Face(true), cap6.Face(false)); behind.Seated {
		t.Error("a bead behind a cap is seated in it")
	}
}

func TestPrismsWeighWhatTheyWeigh(t *testing.T) {
	for _, tt := range []struct {
		name string
		b    Bead
		want float64 // mm³
	}{
		{"a cube of 6", Bead{Shape: Cube, Across: 6, Along: 6, Hole: 1}, 216 - 6*math.Pi/4},
		{"a flat letter", Bead{Shape: Letter, Across: 7, Thick: 3.6, Along: 7, Hole: 1}, 7*7*3.6 - 7*math.Pi/4},
		{"a coin on its edge", Bead{Shape: Coin, Across: 12, Thick: 4, Along: 12, Hole: 1}, math.Pi/4*12*12*4 - 12*math.Pi/4},
		{"a coin through its face", Bead{Shape: Coin, Across: 12, Along: 4, Hole: 1}, math.Pi / 4 * (12*12 - 1) * 4},
		{"a tube", Bead{Shape: Tube, Across: 3, Along: 6, Hole: 1.2}, math.Pi / 4 * (9 - 1.44) * 6},
		{"a round", Bead{Shape: Round, Across: 8, Hole: 1}, math.Pi / 6 * math.Pow(63, 1.5)},
	} {
		if got := bead(t, tt.b).Volume(); math.Abs(got-tt.want) > 0.002*tt.want {
			t.Errorf("%s: %.3f mm³, want %.3f", tt.name, got, tt.want)
		}
	}
}
