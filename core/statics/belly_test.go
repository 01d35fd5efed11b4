package statics

import (
	"math"
	"math/rand/v2"
	"testing"
)

// A bar on two legs, longer than its supports are apart: the legs splay, and the foot lies
// as deep as they reach.
func TestALongBarSplaysItsLegs(t *testing.T) {
	h, err := Belly([]Part{{Length: 25}, {Length: 14, Weight: 3, At: 7}, {Length: 25}}, 6)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "left foot", h.Joints[1].X, -7, 1e-6)
	near(t, "how deep", h.Joints[1].Y, math.Sqrt(25*25-4*4), 1e-6)
	near(t, "level", h.Joints[2].Y, h.Joints[1].Y, 1e-6)
	if h.Pull >= 0 {
		t.Errorf("the bar is pulled by %v", h.Pull)
	}
	// Where nothing thrusts it is the chain that hangs.
	short := evenly(20, 2, 1, nil)
	a, err := Belly(short, 9)
	b := hung(t, short, 9)
	if err != nil {
		t.Fatal(err)
	}
	for i := range a.Joints {
		near(t, "as it hangs", a.Joints[i].Y, b.Joints[i].Y, 1e-6)
	}
	if _, err := Belly(short, 41); err != ErrShort {
		t.Errorf("%v", err)
	}
}

// Whatever hangs, its parts keep their lengths, its ends lie at the supports, and at every
// joint the pulls balance the load.
func TestEveryBellyIsAtRest(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 33))
	splayed := 0
	for range 300 {
		parts := make([]Part, 2+r.IntN(20))
		for i := range parts {
			l := []float64{2, 5, 9}[r.IntN(3)]
			parts[i] = Part{l, 0.05 + r.Float64(), l / 2}
		}
		const width = 5.0
		h, err := Belly(parts, width)
		joints := Round(parts, width)
		if err == nil {
			joints = h.Joints
			rest(t, parts, h)
			if h.Pull < 0 {
				splayed++
			}
		}
		whole, longest := 0.0, width
		for _, p := range parts {
			whole, longest = whole+p.Length, max(longest, p.Length)
		}
		if whole+width <= 2*longest {
			continue
		}
		for i, p := range parts {
			near(t, "a part's length", math.Hypot(joints[i+1].X-joints[i].X, joints[i+1].Y-joints[i].Y), p.Length, 1e-5)
		}
		end := joints[len(parts)]
		near(t, "left end", joints[0].X, -width/2, 1e-6)
		near(t, "right end", end.X, width/2, 1e-5)
		near(t, "ends level", end.Y, joints[0].Y, 1e-5)
	}
	if splayed < 30 {
		t.Errorf("only %d splayed", splayed)
	}
}

// rest holds the forces at every joint to the load there: along each part acts a pull or a
// thrust whose part across is the same everywhere.
func rest(t *testing.T, parts []Part, h *Hanging) {
	t.Helper()
	steep := func(i int) float64 { // what a part lifts for the pull across
		return h.Pull * (h.Joints[i+1].Y - h.Joints[i].Y) / (h.Joints[i+1].X - h.Joints[i].X)
	}
	for i := 1; i < len(parts); i++ {
		if across := h.Joints[i+1].X - h.Joints[i].X; math.Abs(across) < 1e-5 || math.Abs(h.Joints[i].X-h.Joints[i-1].X) < 1e-5 {
			continue // so steep that rounding decides
		}
		load := (parts[i-1].Weight + parts[i].Weight) / 2
		if a, b := steep(i-1), steep(i); math.Abs(a-b-load) > 1e-4*(math.Abs(a)+math.Abs(b)+load) {
			t.Errorf("at joint %d the pulls leave %.5f of a load of %.5f", i, a-b, load)
			return
		}
	}
}
