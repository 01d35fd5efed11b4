package chain

import (
	"cmp"
	"math"
	"slices"
)

// The narrowing search's settings: the offsets tried round each hinge in parts
// of the window, the narrowest window in mm, how much each pass narrows it, and
// how close to a full turn is close enough.
var offsets = [...]float64{0, -1, 1, -0.6, 0.6, -0.3, 0.3, -0.1, 0.1, -0.03, 0.03, -0.01, 0.01}

const (
	narrowest    = 1e-6
	mostPasses   = 2000
	mostPartners = 10
	worthMore    = 1e-6
	narrowBy     = 0.7
	fullTurn     = 1e-8
)

// narrowing is the independent check of Tightest. It takes no derivatives: for a
// radius it finds the hinges that give the most sweep, by dynamic programming
// over a few places for each hinge in windows that shrink, and it closes in on
// the radius at which that is a full turn. Its chains keep clear, so what it finds
// is never too large.
func narrowing(segments []Segment) (*Wrap, error) {
	w := &windows{segments: segments}
	lo, hi := 0.0, w.slack()
	fLo := w.mostSweep(lo) - 2*math.Pi
	if fLo < 0 {
		return nil, ErrNothing
	}
	fHi := w.mostSweep(hi) - 2*math.Pi
	// The Illinois variant of false position: the end that stays twice counts half.
	q, side := lo, 0
	for range 60 {
		q = (lo*fHi - hi*fLo) / (fHi - fLo)
		f := w.mostSweep(q) - 2*math.Pi
		switch {
		case math.Abs(f) < fullTurn || hi-lo < 1e-7:
			return wrapOf(segments, q, w.squares()), nil
		case f > 0:
			lo, fLo = q, f
			if side > 0 {
				fHi /= 2
			}
			side = 1
		default:
			hi, fHi = q, f
			if side < 0 {
				fLo /= 2
			}
			side = -1
		}
	}
	return wrapOf(segments, q, w.squares()), nil
}

// windows is where each hinge is looked for: its distance from the centre now.
type windows struct {
	segments []Segment
	u        []float64
}

// slack gives a radius at which the chain cannot be wound all the way.
func (w *windows) slack() float64 {
	sum, least := 0.0, math.Inf(1)
	for _, s := range w.segments {
		sum, least = sum+s.Length, min(least, s.Reach)
	}
	return sum/(2*math.Pi) + max(0, -least) + 1e-3
}

// limit is how far a segment keeps from the centre at a radius.
func (w *windows) limit(i int, q float64) float64 { return max(0, q+w.segments[i].Reach) }

// mostSweep gives the greatest sum of sweeps at the radius. The windows narrow
// once looking further brings nothing more.
func (w *windows) mostSweep(q float64) float64 {
	n := len(w.segments)
	w.start(q)
	width, best := 0.0, 0.0
	for _, s := range w.segments {
		width = max(width, s.Length)
	}
	for pass := 0; width > narrowest && pass < mostPasses; pass++ {
		found := w.improve(q, width, pass*(n/2+1)%n)
		if found-best < worthMore*width {
			width *= narrowBy
		}
		best = found
	}
	return best
}

// start puts every hinge so far out that all segments keep clear, from where
// they lie now if they lie anywhere.
func (w *windows) start(q float64) {
	n := len(w.segments)
	if w.u == nil {
		w.u = make([]float64, n)
		for i := range w.u {
			w.u[i] = 1
		}
	}
	out := math.Inf(-1)
	for i, s := range w.segments {
		near := -s.Length * s.Length / 4
		if u, v := w.u[i], w.u[(i+1)%n]; math.Abs(u-v) < s.Length && u+v > s.Length {
			near, _ = nearest(u*u, v*v, s.Length)
		} else {
			near += w.u[i] * w.u[i]
		}
		out = max(out, w.limit(i, q)*w.limit(i, q)-near)
	}
	for i := range w.u {
		w.u[i] = math.Sqrt(w.u[i]*w.u[i] + out)
	}
}

// place is one place tried for a hinge: its distance from the centre, the most
// sweep up to it, and which place of the hinge before gives that.
type place struct {
	u, sweep float64
	from     int
}

// improve finds the best place for every hinge but the cut one by dynamic
// programming along the chain. Tried are a few places round where the hinge is,
// and those at which the segment behind it or before it just touches.
func (w *windows) improve(q, width float64, cut int) float64 {
	n := len(w.segments)
	tried := make([][]place, n+1)
	tried[0] = []place{{u: w.u[cut]}}
	for step := 1; step <= n; step++ {
		seg, at := (cut+step-1)%n, (cut+step)%n
		if step == n {
			tried[step] = []place{{u: w.u[at]}}
		} else {
			for _, o := range offsets {
				tried[step] = append(tried[step], place{u: w.u[at] + width*o})
			}
			for _, before := range best(tried[step-1], mostPartners) {
				tried[step] = append(tried[step], place{u: max(w.partner(seg, q, before.u), w.limit(at, q))})
			}
			if step == n-1 {
				tried[step] = append(tried[step], place{u: max(w.partner(at, q, w.u[cut]), w.limit(seg, q))})
			}
		}
		for i := range tried[step] {
			to := &tried[step][i]
			to.sweep, to.from = math.Inf(-1), -1
			for b, before := range tried[step-1] {
				if sweep, ok := w.sweep(seg, q, before.u, to.u); ok && before.sweep+sweep > to.sweep {
					to.sweep, to.from = before.sweep+sweep, b
				}
			}
		}
	}
	for step, i := n, 0; step > 0; step-- {
		w.u[(cut+step)%n] = tried[step][i].u
		i = tried[step][i].from
	}
	return tried[n][0].sweep
}

// best gives the places with the most sweep.
func best(places []place, most int) []place {
	sorted := slices.Clone(places)
	slices.SortFunc(sorted, func(a, b place) int { return cmp.Compare(b.sweep, a.sweep) })
	return sorted[:min(len(sorted), most)]
}

// partner gives the nearest place for the other hinge of a segment, one hinge
// being at u, at which the segment touches.
func (w *windows) partner(i int, q, u float64) float64 {
	p, limit := w.segments[i].Length, w.limit(i, q)
	beyond := p - math.Sqrt(max(0, u*u-limit*limit))
	return math.Hypot(limit, max(0, beyond)) * (1 + 1e-12)
}

// sweep gives what a segment sweeps between hinges at distances u and v; false
// if it cannot lie there or comes too near.
func (w *windows) sweep(i int, q, u, v float64) (float64, bool) {
	if u <= 0 || v <= 0 {
		return 0, false
	}
	p, limit := w.segments[i].Length, w.limit(i, q)
	c := cosine(u*u, v*v, p)
	if c > 1 || c < -1 {
		return 0, false
	}
	if near, _ := nearest(u*u, v*v, p); near < limit*limit {
		return 0, false
	}
	return math.Acos(c), true
}

func (w *windows) squares() []float64 {
	out := make([]float64, len(w.u))
	for i, u := range w.u {
		out[i] = u * u
	}
	return out
}
