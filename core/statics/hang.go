// Package statics works out how a chain of stiff parts hangs between two supports under
// its own weight. Lengths are in millimetres, weights in grams; x runs to the right and
// y down.
package statics

import (
	"errors"
	"math"
)

// Part is one stiff part of a chain that hangs.
type Part struct {
	Length float64
	Weight float64
	At     float64 // where its weight lies, from its left end
}

// Point is a place of the picture.
type Point struct{ X, Y float64 }

// Hanging is a chain at rest between two points at one height: where its joints lie,
// from the left support at (-width/2, 0) to the right one.
type Hanging struct {
	Joints []Point
	Pull   float64 // the horizontal pull at the supports, in the weight of this many grams
}

// ErrShort says that a chain does not reach from one support to the other.
var ErrShort = errors.New("the chain does not reach across")

// ErrStiff says that a chain does not hang freely: a part of it is so long that it
// would push its supports apart.
var ErrStiff = errors.New("a part is too long to hang between the supports")

// The method's settings.
const (
	enough       = 1e-9 // of the width that the ends may miss each other by
	narrowed     = 1e-6 // the same where the steep search was needed
	mostSteps    = 100
	mostHalvings = 100
	lightest     = 1e-9 // grams at each joint, so that a chain that is not weighed hangs as well
)

// Hang finds how parts hang between two supports at one height, a width apart. Each
// weight goes to the joints of its part by the lever. In the part i the cord pulls by
// the horizontal H, the same everywhere, and by V less the weights before it; the
// parts' directions follow, and H and V are those at which they reach across. They
// minimise the sum over the parts of length × √(H² + Vᵢ²), less H times the width,
// which is convex: Newton's method finds them in time in proportion to the parts.
// The error is ErrShort or ErrStiff.
func Hang(parts []Part, width float64) (*Hanging, error) {
	whole, weight := 0.0, 0.0
	for _, p := range parts {
		whole += p.Length
		weight += p.Weight
	}
	if !(whole > width*(1+1e-6)) || width <= 0 {
		return nil, ErrShort
	}
	c := &chain{parts, Loads(parts, weight), width}
	h, v, ok := c.newton(whole)
	if !ok {
		h, v = c.narrow()
		if at := c.look(h, v); at.misses(narrowed * width) {
			return nil, ErrStiff
		}
	}
	return &Hanging{Joints: c.joints(h, v), Pull: h}, nil
}

// chain is the parts with the weight that hangs before each.
type chain struct {
	parts []Part
	below []float64
	width float64
}

// newton finds H and V in a few steps; false where it does not, as where a part of a
// steep chain lies across and the sum has a sharp edge.
func (c *chain) newton(whole float64) (h, v float64, ok bool) {
	total := c.below[len(c.below)-1]
	h, v = total*c.width/(2*whole), total/2
	at := c.look(h, v)
	for range mostSteps {
		if !at.misses(enough * c.width) {
			return h, v, true
		}
		det := at.hh*at.vv - at.hv*at.hv
		if !(det > 0) {
			return 0, 0, false
		}
		dh, dv := -(at.vv*at.h-at.hv*at.v)/det, -(at.hh*at.v-at.hv*at.h)/det
		rounding := 1e-13 * math.Abs(at.energy) // what long sums leave behind
		step, next := 1.0, c.look(h+dh, v+dv)
		for h+step*dh <= 0 || next.energy > at.energy+1e-4*step*(at.h*dh+at.v*dv)+rounding {
			if step /= 2; step < 1e-9 {
				return 0, 0, false
			}
			next = c.look(h+step*dh, v+step*dv)
		}
		h, v, at = h+step*dh, v+step*dv, next
	}
	return 0, 0, false
}

// narrow finds them by halving: for every H the V at which both ends are at one
// height, and of all H the one at which they are the width apart.
func (c *chain) narrow() (h, v float64) {
	total := c.below[len(c.below)-1]
	level := func(h float64) float64 {
		low, high := 0.0, total
		for range mostHalvings {
			mid := (low + high) / 2
			if c.look(h, mid).v < 0 {
				low = mid
			} else {
				high = mid
			}
		}
		return (low + high) / 2
	}
	low, high := total*1e-15, total*1e9
	for range mostHalvings {
		h = math.Sqrt(low * high)
		v = level(h)
		if c.look(h, v).h < 0 {
			low = h
		} else {
			high = h
		}
	}
	return h, v
}

// Loads gives for each part the weight that hangs on the joints before it.
func Loads(parts []Part, weight float64) []float64 {
	least := lightest
	if weight > 0 {
		least = 1e-9 * weight
	}
	below := make([]float64, len(parts))
	carried, sum := 0.0, 0.0
	for i, p := range parts {
		share := 0.0
		if p.Length > 0 {
			share = min(1, max(0, p.At/p.Length))
		}
		if i > 0 {
			sum += carried + p.Weight*(1-share) + least
		}
		below[i] = sum
		carried = p.Weight * share
	}
	return below
}

// seen is what H and V minimise, with its first and second derivatives.
type seen struct{ energy, h, v, hh, hv, vv float64 }

// misses says whether the ends miss each other by more than this many mm.
func (s seen) misses(mm float64) bool { return math.Abs(s.h) > mm || math.Abs(s.v) > mm }

func (c *chain) look(h, v float64) seen {
	out := seen{energy: -h * c.width, h: -c.width}
	for i := range c.parts {
		long, u := c.parts[i].Length, v-c.below[i]
		t := math.Sqrt(h*h + u*u)
		each := long / t
		out.energy += long * t
		out.h += each * h
		out.v += each * u
		cube := each / (t * t)
		out.hh += cube * u * u
		out.hv -= cube * h * u
		out.vv += cube * h * h
	}
	return out
}

func (c *chain) joints(h, v float64) []Point {
	out := make([]Point, 0, len(c.parts)+1)
	at := Point{X: -c.width / 2}
	out = append(out, at)
	for i, p := range c.parts {
		u := v - c.below[i]
		t := math.Hypot(h, u)
		at = Point{at.X + p.Length*h/t, at.Y + p.Length*u/t}
		out = append(out, at)
	}
	return out
}

// Lowest is how far the deepest joint lies below the supports, and which it is.
func (h *Hanging) Lowest() (depth float64, joint int) {
	for i, p := range h.Joints {
		if p.Y > depth {
			depth, joint = p.Y, i
		}
	}
	return depth, joint
}
