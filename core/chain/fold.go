package chain

import (
	"math"
	"slices"
)

// folded is a chain whose long runs of equal segments are cut short. Where a run
// lies on the circle its segments lie to and fro, each touching as far from the hinge
// it shares with the last as that one does: so one stands for all in the middle, as
// many as come back to where it ends.
type folded struct {
	segments []Segment
	copies   []float64 // how many segments each stands for: an odd number
	first    int       // the segment of the whole chain that comes first
	times    int       // that it goes round
	start    []float64 // the squared distances of the hinges to begin with
}

// The ends of a run are looked at one by one: so many more segments than a
// straight line from what stands higher near by could bridge. Fewer than leastFold in the
// middle are not worth a fold.
const (
	keptEnds  = 3
	leastFold = 8
)

// onCircle is how many mm off the circle at most a fold and what is beside it lie.
const onCircle = 1e-3

// foldsOf cuts the long runs of the chain short; nil where it has none.
func foldsOf(segments []Segment) *folded {
	n := len(segments)
	start := 0
	for start < n && segments[start] == segments[(start+n-1)%n] {
		start++
	}
	out := &folded{first: start % n}
	ring := newHeights(segments)
	for at := 0; at < n; {
		s := segments[(out.first+at)%n]
		count := 1
		for at+count < n && segments[(out.first+at+count)%n] == s {
			count++
		}
		before, middle := ring.fold((out.first+at)%n, count)
		for k := range count - middle + 1 {
			out.segments, out.copies = append(out.segments, s), append(out.copies, 1)
			if k == before {
				out.copies[len(out.copies)-1] = float64(middle)
			}
		}
		at += count
	}
	if len(out.segments) == n {
		return nil
	}
	return out
}

// heights is a ring with its length, and the highest that stands on it.
type heights struct {
	segments     []Segment
	length, high float64
}

func newHeights(segments []Segment) *heights {
	h := &heights{segments: segments, high: math.Inf(-1)}
	for _, s := range segments {
		h.length, h.high = h.length+s.Length, max(h.high, s.Reach)
	}
	return h
}

// fold gives how many segments of a run are kept before those that are folded, and how many
// these are: an odd number, 1 where there is no fold.
func (h *heights) fold(first, count int) (before, middle int) {
	if count < 2*keptEnds+leastFold {
		return 0, 1
	}
	before = keptEnds + h.bridged(first, -1)
	after := keptEnds + h.bridged((first+count-1)%len(h.segments), 1)
	if middle = (count-before-after-1)/2*2 + 1; middle < leastFold {
		return 0, 1
	}
	return before, middle
}

// bridge is how far a straight line reaches that touches the circle on which a segment
// lies, from where something else stands so much higher.
func (h *heights) bridge(above float64) float64 {
	return math.Sqrt(above * (above + h.length/math.Pi))
}

// bridged is how many segments, from the outermost of a run inwards, a straight line could
// bridge from something that stands higher on that side of it.
func (h *heights) bridged(outermost, outwards int) int {
	n := len(h.segments)
	s := h.segments[outermost]
	furthest, far, away := h.bridge(h.high-s.Reach), 0.0, 0.0
	for k := 1; k < n && away < furthest; k++ {
		other := h.segments[((outermost+k*outwards)%n+n)%n]
		if other.Reach > s.Reach {
			far = max(far, h.bridge(other.Reach-s.Reach)-away)
		}
		away += other.Length
	}
	return int(math.Ceil(far / s.Length))
}

// unshortened is the chain with nothing cut short.
func unshortened(segments []Segment, times int) *folded {
	return &folded{segments: segments, copies: slices.Repeat([]float64{1}, len(segments)), times: times, start: inscribed(segments, times)}
}

// wholeWrap looks at every segment by itself.
func wholeWrap(segments []Segment, times int) (*Wrap, error) {
	whole := unshortened(segments, times)
	l, err := newton(whole, 0, bold)
	if err != nil {
		l, err = newton(whole, 0, careful)
	}
	if err == ErrLost {
		l, err = newton(whole, roundStart, careful)
	}
	return l, err
}

// foldedWrap looks at the chain with its long runs folded; nil where it has none, or
// where one does not lie on the circle.
func foldedWrap(segments []Segment, times int) *Wrap {
	c := foldsOf(segments)
	if c == nil {
		return nil
	}
	long, radius := circumscribed(segments, times)
	if times == 1 && segments[long].Length > math.Sqrt2*radius {
		return nil // the centre lies near that segment, or beyond it
	}
	c.times, c.start = times, slices.Repeat([]float64{radius * radius}, len(c.segments))
	l, err := newton(c, 0, bold)
	if err != nil {
		return nil
	}
	for i, copies := range c.copies {
		if copies > 1 && max(l.Gaps[i-1], l.Gaps[i], l.Gaps[i+1]) > onCircle {
			return nil
		}
	}
	return c.unfolded(l)
}

// unfolded gives the wrap of the whole chain.
func (c *folded) unfolded(w *Wrap) *Wrap {
	n := 0
	for _, copies := range c.copies {
		n += int(copies)
	}
	out := &Wrap{Radius: w.Radius, Joints: make([]float64, n), Sweeps: make([]float64, n), Gaps: make([]float64, n)}
	at := c.first
	for i, copies := range c.copies {
		for k := range int(copies) {
			out.Joints[at], out.Sweeps[at], out.Gaps[at] = w.Joints[i+k%2], w.Sweeps[i], w.Gaps[i]
			if at++; at == n {
				at = 0
			}
		}
	}
	return out
}
