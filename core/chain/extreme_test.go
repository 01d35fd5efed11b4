package chain

import (
	"math"
	"math/rand/v2"
	"testing"
)

// extremes are chains at the edge of what arithmetic can tell apart: many links
// of a twentieth of a millimetre, long bars beside them, reaches of all sizes.
func extremes(r *rand.Rand, n int) map[string][]Segment {
	out := map[string][]Segment{}
	pick := func(from ...float64) float64 { return from[r.IntN(len(from))] }
	for range n {
		add := func(name string, length, reach float64) { out[name] = append(out[name], Segment{length, reach}) }
		add("nearly equal slivers", 0.05+0.001*r.Float64(), r.Float64())
		add("slivers between beads", pick(0.05, 8, 0.06, 20), pick(4, -2, 0.5, 0))
		add("any length, any reach", 0.05+10*r.ExpFloat64(), 20*r.Float64()-5)
		add("discs, some of them wide", 1.5, pick(1, 8))
		add("slivers of any reach", 0.05, pick(0, 6, -3))
		add("few bars among slivers", pick(0.05, 0.05, 0.05, 0.05, 30), 3)
	}
	return out
}

func TestChainsAtTheEdgeAreSolvedToo(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for range trials(40, 8) {
		n := 3 + r.IntN(400)
		for name, segments := range extremes(r, n) {
			found, err := Tightest(segments)
			if err == ErrLost {
				t.Errorf("%s: %d of them have no solution", name, n)
				continue
			}
			if err != nil {
				continue
			}
			sum := 0.0
			for i, s := range segments {
				x, y := found.Joints[i], found.Joints[(i+1)%n]
				near, _ := nearest(x*x, y*y, s.Length)
				if off := math.Sqrt(max(0, near)) - found.Radius - s.Reach; off < -0.01 {
					t.Errorf("%s: segment %d of %d reaches %v into the circle", name, i, n, -off)
				}
				sum += found.Sweeps[i]
			}
			if math.Abs(sum-2*math.Pi) > 1e-5 {
				t.Errorf("%s: %d of them sweep %v", name, n, sum)
			}
		}
	}
}

func TestTooFewBeadsIsNotTooLittleRoom(t *testing.T) {
	for _, tt := range []struct {
		segments []Segment
		want     error
	}{
		{[]Segment{{8, 4}, {8, 4}}, ErrOpen},
		{[]Segment{{20, 1}, {5, 1}, {5, 1}}, ErrOpen},
		{[]Segment{{8, 9}, {8, 9}, {8, 9}, {8, 9}}, ErrNothing},
		{[]Segment{{8, 9}, {7, 9}, {8, 9}, {6, 9}}, ErrNothing},
	} {
		if _, err := Tightest(tt.segments); err != tt.want {
			t.Errorf("%v: %v, want %v", tt.segments, err, tt.want)
		}
	}
}

// A foot of the perpendicular outside its segment: the hinge is nearest then.
func TestTheNearestPointOfASegmentMayBeItsHinge(t *testing.T) {
	for _, tt := range []struct{ x, y, p, square, at float64 }{
		{25, 100, 6, 25, 0},  // it leads away from the centre: its near hinge
		{100, 25, 6, 25, 1},  // and towards it
		{25, 25, 6, 16, 0.5}, // level: 3 before, 3 behind, 4 off
		{36, 72, 6, 36, 0},   // square to the first hinge, the very edge
		{36, 71, 6, 36 - 1.0/(4*36), 1.0 / 72},
	} {
		square, at := nearest(tt.x, tt.y, tt.p)
		if math.Abs(square-tt.square) > 1e-9 || math.Abs(at-tt.at) > 1e-9 {
			t.Errorf("nearest(%v, %v, %v) = %v at %v, want %v at %v", tt.x, tt.y, tt.p, square, at, tt.square, tt.at)
		}
		rounded, _, _ := nearestRounded(tt.x, tt.y, tt.p, 1e-9)
		if math.Abs(rounded-tt.square) > 1e-5 {
			t.Errorf("rounded off ever less it tends to %v, want %v", rounded, tt.square)
		}
	}
}
