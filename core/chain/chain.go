// Package chain wraps a closed chain of straight hinged segments round a centre
// as tightly as it goes: the geometry of a strand of beads round a wrist or a
// neck. Lengths are in millimetres, angles in radians.
package chain

import (
	"errors"
	"math"
	"slices"
)

// Segment is one straight link of the chain: its length between its hinges, and
// how far what it carries reaches inwards from the line of the hinges.
type Segment struct {
	Length float64 // more than 0
	Reach  float64 // may be negative
}

// Wrap is a chain lying as tightly round its centre as it goes.
type Wrap struct {
	// Radius of the widest circle that the chain goes round with nothing
	// reaching into it.
	Radius float64
	Joints []float64 // distance of each hinge from the centre; hinge i begins segment i
	Sweeps []float64 // angle at the centre that each segment takes
	Gaps   []float64 // how far each segment's reach stays off the circle
}

// Girth is the length round the inside: 2π times the radius.
func (l *Wrap) Girth() float64 { return 2 * math.Pi * l.Radius }

// ErrOpen says that the segments cannot be closed round a centre: fewer than
// three, or one longer than all the others together.
var ErrOpen = errors.New("the segments do not close round a centre")

// ErrNothing says that the closed chain leaves no room inside: what it carries
// meets in the middle.
var ErrNothing = errors.New("the chain leaves no room inside")

// ErrLost says that no solution was found.
var ErrLost = errors.New("no solution of the chain was found")

// Tightest finds the largest radius q at which a closed chain of the segments,
// hinged end to end and going once round a centre, keeps every point of segment
// i at least q + its reach from that centre. Equal segments have a closed form;
// other chains are solved by Newton's method on a barrier, boldly, then carefully,
// and where its steps still go to and fro with the corners of the clearances
// rounded off. The error is
// ErrOpen, ErrNothing or ErrLost.
func Tightest(segments []Segment) (*Wrap, error) { return Wound(segments, 1) }

// Wound is Tightest of a chain that goes this many times round, each turn beside the one
// before it. The errors are the same.
func Wound(segments []Segment, times int) (*Wrap, error) {
	if !closes(segments, times) {
		return nil, ErrOpen
	}
	l := equal(segments, times)
	if l == nil {
		l = foldedWrap(segments, times)
	}
	if l == nil {
		var err error
		if l, err = wholeWrap(segments, times); err != nil {
			return nil, err
		}
	}
	if l.Radius <= 0 {
		return nil, ErrNothing
	}
	return l, nil
}

// closes says whether the segments can make a polygon that goes this many times round.
func closes(segments []Segment, times int) bool {
	longest, sum := 0.0, 0.0
	for _, s := range segments {
		if !(s.Length > 0) || math.IsNaN(s.Reach) || math.IsInf(s.Length+s.Reach, 0) {
			return false
		}
		longest, sum = max(longest, s.Length), sum+s.Length
	}
	if times > 1 {
		turn := 0.0
		for _, s := range segments {
			turn += halfTurn(s.Length, longest/2)
		}
		return turn > math.Pi*float64(times)
	}
	return len(segments) >= 3 && longest < sum-longest
}

// equal gives the regular polygon: p = 2(q + w) tan(π times/n).
func equal(segments []Segment, times int) *Wrap {
	first := segments[0]
	for _, s := range segments {
		if s != first {
			return nil
		}
	}
	n := len(segments)
	turn := math.Pi * float64(times) / float64(n)
	l := &Wrap{Radius: first.Length/(2*math.Tan(turn)) - first.Reach,
		Joints: make([]float64, n), Sweeps: make([]float64, n), Gaps: make([]float64, n)}
	for i := range segments {
		l.Joints[i], l.Sweeps[i] = first.Length/(2*math.Sin(turn)), 2*turn
	}
	return l
}

// wrapOf describes the chain whose hinges have these squared distances.
func wrapOf(segments []Segment, q float64, squares []float64) *Wrap {
	n := len(segments)
	l := &Wrap{Radius: q, Joints: make([]float64, n), Sweeps: make([]float64, n), Gaps: make([]float64, n)}
	for i, s := range segments {
		x, y := squares[i], squares[(i+1)%n]
		l.Joints[i] = math.Sqrt(x)
		l.Sweeps[i] = math.Acos(cosine(x, y, s.Length))
		near, _ := nearest(x, y, s.Length)
		l.Gaps[i] = math.Sqrt(max(0, near)) - q - s.Reach
	}
	return l
}

// cosine of the angle at the centre that a segment between hinges at squared
// distances x and y takes, by the law of cosines.
func cosine(x, y, p float64) float64 { return (x + y - p*p) / (2 * math.Sqrt(x*y)) }

// nearest gives the squared distance from the centre to the nearest point of a
// segment between hinges at squared distances x and y, and where on the segment
// it is, from 0 to 1. It is the least of (1-t)x + ty - t(1-t)p² over t, and so
// concave in x and y.
func nearest(x, y, p float64) (square, at float64) {
	t := min(1, max(0, (x-y+p*p)/(2*p*p)))
	return (1-t)*x + t*y - t*(1-t)*p*p, t
}

// inscribed gives a closed convex chain to start from: its hinges lie on one
// circle, and the centre it goes round is the mean of its hinges, which lies
// inside it whatever its shape. It returns the squared distances of the hinges.
func inscribed(segments []Segment, times int) []float64 {
	n := len(segments)
	long, radius := circumscribed(segments, times)
	if times > 1 {
		return slices.Repeat([]float64{radius * radius}, n)
	}
	xs, ys := make([]float64, n), make([]float64, n)
	angle, cx, cy := 0.0, 0.0, 0.0
	for k := range n {
		i := (long + 1 + k) % n
		xs[i], ys[i] = radius*math.Cos(angle), radius*math.Sin(angle)
		angle += 2 * halfTurn(segments[i].Length, radius)
		cx, cy = cx+xs[i]/float64(n), cy+ys[i]/float64(n)
	}
	squares := make([]float64, n)
	for i := range squares {
		squares[i] = (xs[i]-cx)*(xs[i]-cx) + (ys[i]-cy)*(ys[i]-cy)
	}
	return squares
}

// halfTurn is half the angle that a chord of the length takes in a circle.
func halfTurn(length, radius float64) float64 { return math.Asin(min(1, length/(2*radius))) }

// circumscribed is the longest segment, and the radius of the circle on which all hinges can lie. The
// long side takes what the others leave of a full turn; if that is more than half
// a turn, the middle of the circle lies outside the chain.
func circumscribed(segments []Segment, times int) (long int, radius float64) {
	for i, s := range segments {
		if s.Length > segments[long].Length {
			long = i
		}
	}
	// Segments of one length are taken together: there are few lengths.
	type alike struct {
		length float64
		count  int
	}
	var kinds []alike
	at := map[float64]int{}
	k := -1
	for i, s := range segments {
		if i == long {
			continue
		}
		if k < 0 || s.Length != kinds[k].length { // mostly it is that of the one before
			var known bool
			if k, known = at[s.Length]; !known {
				k = len(kinds)
				at[s.Length], kinds = k, append(kinds, alike{length: s.Length})
			}
		}
		kinds[k].count++
	}
	others := func(radius float64) float64 {
		sum := 0.0
		for _, k := range kinds {
			sum += float64(k.count) * halfTurn(k.length, radius)
		}
		return sum
	}
	longest := segments[long].Length
	least := longest / 2
	tooTight := func(radius float64) bool { return others(radius)+halfTurn(longest, radius) > math.Pi*float64(times) }
	if times == 1 && others(least) < math.Pi/2 {
		tooTight = func(radius float64) bool { return halfTurn(longest, radius) > others(radius) }
	}
	const enough = 1 + 1e-8 // to start from
	lo, hi := least, least*1e6
	for hi > enough*lo {
		if mid := math.Sqrt(lo * hi); tooTight(mid) {
			lo = mid
		} else {
			hi = mid
		}
	}
	return long, lo
}
