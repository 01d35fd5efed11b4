package material

import (
	"math"
	"math/rand/v2"
	"testing"
)

func TestTheSummitOfAFaceIsFoundWhereverItLies(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 8))
	for range 500 {
		from := r.Float64() * 5
		to := from + 0.1 + r.Float64()*10
		top := from + r.Float64()*(to-from)
		steep, high := 0.2+r.Float64(), r.Float64()*4
		at, value := highest(func(x float64) float64 { return high - steep*(x-top)*(x-top) }, from, to)
		if math.Abs(at-top) > 1e-3 || math.Abs(value-high) > 1e-6 {
			t.Fatalf("from %v to %v: %v at %v, want %v at %v", from, to, value, at, high, top)
		}
		// A roof has its edge there to within what is looked for.
		at, value = highest(func(x float64) float64 { return high - steep*math.Abs(x-top) }, from, to)
		if math.Abs(at-top) > 2e-6 || math.Abs(value-high) > 2e-6 {
			t.Fatalf("a roof: %v at %v, want %v at %v", value, at, high, top)
		}
	}
	for name, tt := range map[string]struct {
		f         func(x float64) float64
		at, value float64
	}{
		"rising":            {func(x float64) float64 { return x }, 4, 4},
		"falling":           {func(x float64) float64 { return -x }, 1, -1},
		"level":             {func(float64) float64 { return 2 }, 4, 2},
		"level, then falls": {func(x float64) float64 { return math.Min(1, 4.03-x) }, 3.03, 1},
		"rises, then level": {func(x float64) float64 { return math.Min(x, 2) }, 4, 2},
		"two equal summits": {func(x float64) float64 { return math.Abs(x - 2.5) }, 4, 1.5},
	} {
		at, value := highest(tt.f, 1, 4)
		if math.Abs(at-tt.at) > 1e-4 || math.Abs(value-tt.value) > 1e-6 {
			t.Errorf("%s: %v at %v, want %v at %v", name, value, at, tt.value, tt.at)
		}
	}
}

func TestTheFaceOfARingOnACord(t *testing.T) {
	b := bead(t, Bead{Shape: Charm, Across: 6, Hole: 4, Along: 0.8, Drop: 12})
	f := b.Hung(0.36)
	// Its wire's middle lies from 0.58 to 4.22; the ring ends 4.62 out.
	for r, want := range map[float64]float64{0.18: 0, 0.38: math.Sqrt(0.16 - 0.04), 0.58: 0.4, 2: 0.4, 4.22: 0.4, 4.42: math.Sqrt(0.16 - 0.04), 4.62: 0} {
		if got := f.At(r); math.Abs(got-want) > 1e-6 {
			t.Errorf("at %v it stands %v off, want %v", r, got, want)
		}
	}
	if math.Abs(f.Rim()-0.18) > 1e-12 || math.Abs(f.Edge()-4.62) > 1e-12 || math.Abs(float64(f.Reach())-0.4) > 1e-12 {
		t.Errorf("from %v to %v, %v out", f.Rim(), f.Edge(), f.Reach())
	}
	if f.ring != 4+2*0.8 {
		t.Errorf("the ring is %v outside", f.ring)
	}
}

func TestPrismsWeighTheirBlockLessTheirHole(t *testing.T) {
	hole := math.Pi / 4 * 1.2 * 1.2
	for name, tt := range map[string]struct {
		b    Bead
		want float64
	}{
		"a cube":             {Bead{Shape: Cube, Across: 6, Thick: 4, Along: 5, Hole: 1.2}, (24 - hole) * 5},
		"a letter":           {Bead{Shape: Letter, Across: 7, Thick: 3.6, Along: 7, Hole: 1.2}, (7*3.6 - hole) * 7},
		"a coin on its edge": {Bead{Shape: Coin, Across: 12, Thick: 4, Along: 12, Hole: 1.2}, (math.Pi/4*12*4 - hole) * 12},
		"a tube":             {Bead{Shape: Tube, Across: 4, Along: 6, Hole: 1.2}, (math.Pi*4 - hole) * 6},
		"a coin as thick":    {Bead{Shape: Coin, Across: 8, Along: 2, Hole: 1.2}, (math.Pi*16 - hole) * 2},
	} {
		if got := bead(t, tt.b).Volume(); math.Abs(got-tt.want) > 0.002*tt.want {
			t.Errorf("%s: %v mm³, want %v", name, got, tt.want)
		}
	}
}

func TestTheLimitsOfABead(t *testing.T) {
	for name, tt := range map[string]struct{ in, out Bead }{
		"a hole of 0.1":        {Bead{Shape: Round, Across: 4, Hole: 0.1}, Bead{Shape: Round, Across: 4, Hole: 0.0999}},
		"a hole just narrower": {Bead{Shape: Round, Across: 4, Hole: 3.9999}, Bead{Shape: Round, Across: 4, Hole: 4}},
		"a bead just thicker":  {Bead{Shape: Tube, Across: 4, Thick: 1.01, Along: 4, Hole: 1}, Bead{Shape: Tube, Across: 4, Thick: 1, Along: 4, Hole: 1}},
		"0.1 mm":               {Bead{Shape: Tube, Across: 4, Along: 0.1, Hole: 1}, Bead{Shape: Tube, Across: 4, Along: 0.0999, Hole: 1}},
		"200 mm":               {Bead{Shape: Tube, Across: 200, Along: 200, Hole: 1}, Bead{Shape: Tube, Across: 200.001, Along: 200, Hole: 1}},
		"1000 in a run":        {Bead{Shape: Tube, Across: 4, Along: 2, Hole: 1, Run: Run{1000, 2000}}, Bead{Shape: Tube, Across: 4, Along: 2, Hole: 1, Run: Run{1001, 2002}}},
		"a run of one":         {Bead{Shape: Tube, Across: 4, Along: 2, Hole: 1, Run: Run{1, 2}}, Bead{Shape: Tube, Across: 4, Along: 2, Hole: 1, Run: Run{1, 0.05}}},
		"a fifth as long":      {Bead{Shape: Tube, Across: 4, Along: 2, Hole: 1, Run: Run{10, 4.0001}}, Bead{Shape: Tube, Across: 4, Along: 2, Hole: 1, Run: Run{10, 3.99}}},
		"five times as long":   {Bead{Shape: Tube, Across: 4, Along: 2, Hole: 1, Run: Run{10, 99.999}}, Bead{Shape: Tube, Across: 4, Along: 2, Hole: 1, Run: Run{10, 100.1}}},
	} {
		if _, err := NewBead(tt.in); err != nil {
			t.Errorf("%s: %v", name, err)
		}
		if _, err := NewBead(tt.out); err == nil {
			t.Errorf("beyond %s it was taken", name)
		}
	}
	// A cap as deep as half its width is a ball's half, a deeper one a cone.
	half, cone := bead(t, Bead{Shape: Cap, Across: 6, Depth: 3, Wall: 0.3, Hole: 1}), bead(t, Bead{Shape: Cap, Across: 6, Depth: 3.001, Wall: 0.3, Hole: 1})
	if got, want := half.Face(true).At(1.5), 0.3+3-math.Sqrt(9-2.25); math.Abs(got-want) > 1e-9 {
		t.Errorf("inside the half ball at 1.5: %v, want %v", got, want)
	}
	if got, want := cone.Face(true).At(1.5), 0.3+3.001*(1.5-0.5)/(3-0.5); math.Abs(got-want) > 1e-9 {
		t.Errorf("inside the cone at 1.5: %v, want %v", got, want)
	}
	if got, want := half.Face(false).At(1.5), -(3.3 - math.Sqrt(3.3*3.3-2.25)); math.Abs(got-want) > 1e-9 {
		t.Errorf("outside the half ball at 1.5: %v, want %v", got, want)
	}
}
