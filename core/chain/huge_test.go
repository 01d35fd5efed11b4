package chain

import (
	"math"
	"math/rand/v2"
	"testing"
)

// A ring of thousands of segments is settled early: what it may still be off is far below what
// anybody measures, and it is the same wherever the ring begins.
func TestHugeRingsSettleEarlyAndRight(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	kinds := []Segment{{8, 4}, {1.2, 2}, {3, 1.5}, {0.9, 3}}
	ring := make([]Segment, huge+1)
	for i := range ring {
		ring[i] = kinds[r.IntN(len(kinds))]
	}
	s := &state{segments: ring}
	if s.patience() != hugePatience || (&state{segments: ring[1:]}).patience() != patience {
		t.Error("the patience does not follow the size")
	}
	one, err := Tightest(ring)
	if err != nil {
		t.Fatal(err)
	}
	turned, err := Tightest(append(append([]Segment{}, ring[1234:]...), ring[:1234]...))
	if err != nil {
		t.Fatal(err)
	}
	settled, err := newton(unshortened(ring, 1), 0, pace{letDown: 0.2, stall: 0.9, cut: 0.6, grow: 1.2, steps: 4000})
	if err != nil {
		t.Fatal(err)
	}
	for _, other := range []*Wrap{turned, settled} {
		if math.Abs(one.Radius-other.Radius) > 2*accepted {
			t.Errorf("%.6f and %.6f", one.Radius, other.Radius)
		}
	}
	for i, gap := range one.Gaps {
		if gap < -0.05 {
			t.Fatalf("segment %d reaches %.4f mm into the circle", i, -gap)
		}
	}
}
