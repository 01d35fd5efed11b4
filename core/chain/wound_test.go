package chain

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// A chain that repeats goes round several times as wide as one of its repeats once.
func TestWoundAsTightAsOneTurnOfIt(t *testing.T) {
	r := rand.New(rand.NewPCG(12, 3))
	for range 60 {
		one := make([]Segment, 20+r.IntN(30))
		for i := range one {
			p := []float64{8, 4, 1.5, 6, 3, 12}[r.IntN(6)]
			one[i] = Segment{p, p / 2}
		}
		times := 2 + r.IntN(4)
		once, err := Tightest(one)
		if err != nil {
			t.Fatal(err)
		}
		wound, err := Wound(slices.Repeat(one, times), times)
		if err != nil {
			t.Fatalf("%d times %v: %v", times, one, err)
		}
		if math.Abs(wound.Radius-once.Radius) > 1e-4 {
			t.Errorf("%d times: a radius of %.5f, want %.5f", times, wound.Radius, once.Radius)
		}
		turn := 0.0
		for _, s := range wound.Sweeps {
			turn += s
		}
		if math.Abs(turn-2*math.Pi*float64(times)) > 1e-4 {
			t.Errorf("%d times: it turns by %.5f", times, turn)
		}
	}
}

// Equal segments: p = 2(q + w) tan(π times/n). Too few for this many turns do not close.
func TestWoundEqualSegments(t *testing.T) {
	w, err := Wound(times(150, Segment{4, 2}), 3)
	if want := 2/math.Tan(3*math.Pi/150) - 2; err != nil || math.Abs(w.Radius-want) > 1e-12 {
		t.Errorf("%v, want a radius of %v: %v", w, want, err)
	}
	for n, want := range map[int]error{6: ErrOpen, 7: ErrNothing, 24: nil} {
		if _, err := Wound(times(n, Segment{4, 1}), 3); err != want {
			t.Errorf("%d segments three times round: %v, want %v", n, err, want)
		}
	}
	mixed := append(times(6, Segment{4, 2}), Segment{3, 1})
	if _, err := Wound(mixed, 4); err != ErrOpen {
		t.Errorf("seven segments four times round: %v", err)
	}
}
