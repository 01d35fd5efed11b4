package statics

import (
	"errors"
	"math"
	"math/rand/v2"
	"testing"
)

// evenly is a chain of n parts of one length with a weight on each joint, and more on
// some.
func evenly(n int, length, load float64, more map[int]float64) []Part {
	parts := make([]Part, n)
	for i := range parts {
		parts[i].Length = length
		if i > 0 { // the joint before the part
			parts[i].Weight = load + more[i]
		}
	}
	return parts
}

func hung(t *testing.T, parts []Part, width float64) *Hanging {
	t.Helper()
	h, err := Hang(parts, width)
	if err != nil {
		t.Fatal(err)
	}
	return h
}

func near(t *testing.T, name string, got, want, within float64) {
	t.Helper()
	if math.Abs(got-want) > within {
		t.Errorf("%s = %.4f, want %.4f", name, got, want)
	}
}

// sag is that of a catenary of the length between two points a width apart.
func sag(length, width float64) float64 {
	low, high := 1e-3, 1e6 // of the parameter a: length = 2a sinh(width/2a)
	for range 200 {
		if a := math.Sqrt(low * high); 2*a*math.Sinh(width/(2*a)) > length {
			low = a
		} else {
			high = a
		}
	}
	return low * (math.Cosh(width/(2*low)) - 1)
}

func TestAFineChainHangsAsACatenary(t *testing.T) {
	for _, tt := range []struct{ length, sag float64 }{{260, 106.649}, {295, 125.643}, {330, 144.296}} {
		near(t, "the catenary", sag(tt.length, 120), tt.sag, 0.001)
		parts := make([]Part, 3000)
		for i := range parts {
			parts[i] = Part{tt.length / 3000, 1, tt.length / 6000}
		}
		depth, at := hung(t, parts, 120).Lowest()
		near(t, "a chain of 3,000 parts", depth, tt.sag, 0.001*tt.sag)
		if at != 1500 {
			t.Errorf("its lowest joint is %d", at)
		}
	}
}

func TestStiffPartsHangByTheirLoads(t *testing.T) {
	for _, tt := range []struct {
		name   string
		parts  []Part
		depth  float64
		lowest []int
	}{
		{"65 parts of 4, alike", evenly(65, 4, 1, nil), 106.598, []int{32, 33}},
		{"10 more on the two in the middle", evenly(65, 4, 1, map[int]float64{32: 10, 33: 10}), 112.304, []int{32, 33}},
		{"20 more at a side", evenly(65, 4, 1, map[int]float64{16: 20}), 105.081, []int{32}},
	} {
		depth, at := hung(t, tt.parts, 120).Lowest()
		near(t, tt.name, depth, tt.depth, 0.001)
		if at != tt.lowest[0] && at != tt.lowest[len(tt.lowest)-1] {
			t.Errorf("%s: the lowest joint is %d, want %v", tt.name, at, tt.lowest)
		}
	}
}

// With all the weight at the middle the chain is a V: half of it across half the width.
func TestOneWeightMakesAV(t *testing.T) {
	parts := make([]Part, 64)
	for i := range parts {
		parts[i].Length = 4
	}
	parts[32].Weight = 7
	h := hung(t, parts, 120)
	depth, at := h.Lowest()
	near(t, "its depth", depth, math.Sqrt(128*128-60*60), 1e-5)
	near(t, "as domain has it", depth, 113.066, 0.001)
	if at != 32 {
		t.Errorf("it is at %d", at)
	}
	near(t, "the pull", h.Pull, 7.0/2*60/depth, 1e-5)
}

// A weight off the middle of its part goes to both joints by the lever.
func TestAWeightGoesToItsJointsByTheLever(t *testing.T) {
	between := []Part{{Length: 50}, {Length: 10, Weight: 8, At: 2.5}, {Length: 50}}
	atJoints := []Part{{Length: 50}, {Length: 10, Weight: 6}, {Length: 50, Weight: 2}}
	a, b := hung(t, between, 60), hung(t, atJoints, 60)
	for i := range a.Joints {
		near(t, "x", a.Joints[i].X, b.Joints[i].X, 1e-6)
		near(t, "y", a.Joints[i].Y, b.Joints[i].Y, 1e-6)
	}
}

// Random chains: every part keeps its length, the ends meet the supports, at each
// joint the pulls balance, and turned round it hangs as its mirror image.
func TestEveryChainIsAtRest(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	solved := 0
	for range 200 {
		n := 3 + r.IntN(60)
		parts := make([]Part, n)
		whole := 0.0
		for i := range parts {
			l := 0.5 + 10*r.Float64()
			parts[i] = Part{l, 5 * r.Float64() * r.Float64(), l * r.Float64()}
			whole += l
		}
		width := whole * (0.05 + 0.9*r.Float64())
		h, err := Hang(parts, width)
		if errors.Is(err, ErrStiff) && longest(parts) > width/2 {
			continue
		}
		if err != nil {
			t.Fatal(err)
		}
		solved++
		near(t, "it begins", h.Joints[0].X, -width/2, 1e-9)
		near(t, "it ends across", h.Joints[n].X, width/2, 1e-6*width)
		near(t, "at the same height", h.Joints[n].Y, 0, 1e-6*width)
		slope := func(i int) float64 {
			return (h.Joints[i+1].Y - h.Joints[i].Y) / (h.Joints[i+1].X - h.Joints[i].X)
		}
		for i := range n {
			near(t, "a part", math.Hypot(h.Joints[i+1].X-h.Joints[i].X, h.Joints[i+1].Y-h.Joints[i].Y), parts[i].Length, 1e-6)
			if i == 0 {
				continue
			}
			load := parts[i].Weight*(1-parts[i].At/parts[i].Length) + parts[i-1].Weight*parts[i-1].At/parts[i-1].Length
			near(t, "what a joint carries", h.Pull*(slope(i-1)-slope(i)), load, 1e-5*(1+load))
		}
		turned := make([]Part, n)
		for i, p := range parts {
			turned[n-1-i] = Part{p.Length, p.Weight, p.Length - p.At}
		}
		back := hung(t, turned, width)
		for i := range h.Joints {
			near(t, "turned round", back.Joints[n-i].X, -h.Joints[i].X, 1e-5*width)
			near(t, "turned round", back.Joints[n-i].Y, h.Joints[i].Y, 1e-5*width)
		}
	}
	if solved < 150 {
		t.Errorf("only %d chains hang", solved)
	}
}

func longest(parts []Part) float64 {
	most := 0.0
	for _, p := range parts {
		most = max(most, p.Length)
	}
	return most
}

func TestABarLongerThanTheWidthDoesNotHangFreely(t *testing.T) {
	if _, err := Hang([]Part{{Length: 30}, {Length: 50, Weight: 1, At: 25}, {Length: 30}}, 40); !errors.Is(err, ErrStiff) {
		t.Errorf("%v", err)
	}
	if _, err := Hang([]Part{{Length: 30}, {Length: 35, Weight: 1, At: 17.5}, {Length: 30}}, 40); err != nil {
		t.Errorf("one that fits: %v", err)
	}
}

func TestAChainTooShortIsRefused(t *testing.T) {
	for name, tt := range map[string]struct {
		parts []Part
		width float64
	}{
		"shorter than the width": {evenly(10, 4, 1, nil), 41},
		"just as long":           {evenly(10, 4, 1, nil), 40},
		"nothing":                {nil, 10},
		"no width":               {evenly(10, 4, 1, nil), 0},
	} {
		if _, err := Hang(tt.parts, tt.width); !errors.Is(err, ErrShort) {
			t.Errorf("%s: %v", name, err)
		}
	}
	if h, err := Hang(evenly(10, 4, 1, nil), 39.9); err != nil || h.Joints[10].Y > 1e-3 {
		t.Errorf("just longer: %v", err)
	}
	weightless := evenly(65, 4, 0, nil)
	if depth, _ := hung(t, weightless, 120).Lowest(); math.Abs(depth-106.598) > 0.001 {
		t.Errorf("what is not weighed hangs %v deep, want as evenly loaded", depth)
	}
}

// The derivatives are those of the energy: else the steps still arrive, but slowly.
func TestTheSlopesAreThoseOfTheEnergy(t *testing.T) {
	r := rand.New(rand.NewPCG(12, 7))
	for range 50 {
		parts, weight := make([]Part, 2+r.IntN(8)), 0.0
		for i := range parts {
			parts[i] = Part{Length: 1 + 9*r.Float64(), Weight: 3 * r.Float64()}
			parts[i].At = parts[i].Length * r.Float64()
			weight += parts[i].Weight
		}
		c := &chain{parts, Loads(parts, weight), 10 * r.Float64()}
		h, v := 0.5+5*r.Float64(), weight*r.Float64()
		const d = 1e-5
		at, left, right, low, high := c.look(h, v), c.look(h-d, v), c.look(h+d, v), c.look(h, v-d), c.look(h, v+d)
		for name, pair := range map[string][2]float64{
			"by H": {at.h, (right.energy - left.energy) / (2 * d)}, "by V": {at.v, (high.energy - low.energy) / (2 * d)},
			"by H twice": {at.hh, (right.h - left.h) / (2 * d)}, "by V twice": {at.vv, (high.v - low.v) / (2 * d)},
			"by H and V": {at.hv, (high.h - low.h) / (2 * d)}, "by V and H": {at.hv, (right.v - left.v) / (2 * d)},
		} {
			if math.Abs(pair[0]-pair[1]) > 1e-6*(1+math.Abs(pair[1])) {
				t.Errorf("%s: %v, between places beside it %v", name, pair[0], pair[1])
			}
		}
		if got, ok := (seen{h: 2, v: -3}).misses(3), (seen{h: -2.1, v: 1}).misses(2); got || !ok {
			t.Error("they miss by what is more than is let pass")
		}
	}
}
