package chain

import (
	"math"
	"slices"
)

// The method's settings.
const (
	barrierEnd = 5e-6 // mm of the radius that the barrier is let down to
	begun      = 2e-3 // of the mean distance of the hinges that every segment is clear of the first circle
	nothing    = 1    // mm of radius
	settled    = 1e-6 // of the full turn in radians
	keptClear  = 3e-5 // mm by which a segment may miss its clearance

	// Missing by more than the step before is no stall while it is little beside what
	// the radius may still gain.
	little = 0.1

	// Where a short segment presses with its end, steps can go to and fro for ever
	// over thousandths of a millimetre that are worth nothing.
	patience = 60   // steps
	accepted = 1e-4 // mm of radius; five times as much once corners are rounded off

	// So many segments are metres round, where a ten-thousandth of a millimetre is nothing.
	huge         = 3000
	hugePatience = 20

	// How much the corners of clearances are rounded off, in parts of p² and of a
	// floor in mm²: where it begins, and where it may end.
	roundStart = 0.1
	roundEnd   = 1e-7
	roundLeast = 1000
)

// pace is how boldly the steps are taken: by how much the barrier is let down at
// each, how much a step is cut when the last one missed by more than stall times
// what the one before did, how fast it grows back, and when to give up.
type pace struct {
	letDown, stall, cut, grow float64
	steps                     int
}

// mostStalls is how often a bold step may miss by more than the one before, until
// the steps are damped as carefully as they can be.
const mostStalls = 4

// Most chains lie within twenty bold steps. Where a short segment presses with its
// end only careful ones arrive.
var (
	bold    = pace{letDown: 0.1, stall: 1, cut: 0.7, grow: 2, steps: 45}
	careful = pace{letDown: 0.2, stall: 0.9, cut: 0.6, grow: 1.2, steps: 500}
)

// state is a chain on the way to its tightest wrap: the squared distances of its
// hinges, the radius, how far each segment stays clear, and the force with which
// it presses on the circle.
type state struct {
	segments []Segment
	copies   []float64 // how often each of them comes
	turn     float64   // that the sweeps are to sum to, in radians
	x        []float64
	q        float64
	round    float64 // how much the corners of the clearances are rounded off; 0 for not at all
	clear    []float64
	force    []float64
	bars     []bar
	over     float64 // what the sweeps are over a full turn
	solver   ringSolver
}

// newton finds the tightest wrap by a primal-dual barrier method: it maximises
// the radius while every segment stays clear of the circle and the sweeps sum to
// the full turns. Each step solves a cyclic tridiagonal system, so it takes time in
// proportion to the number of segments.
func newton(c *folded, round float64, by pace) (*Wrap, error) {
	n := len(c.segments)
	s, lambda, mu := begin(c, round)
	if s == nil {
		return nil, ErrLost
	}
	var ok bool
	damping, before, stalls := 1.0, math.Inf(1), 0
	for taken := range by.steps {
		gap, off := s.quality()
		done := off < keptClear && math.Abs(s.over) < settled || taken > s.patience() && s.worth(lambda) < s.accepted()
		if gap < barrierEnd && done && s.round <= roundEnd {
			return wrapOf(c.segments, s.q, s.x), nil
		}
		if s.round > 0 {
			s.round = max(roundEnd, min(s.round, 0.1*s.round+0.02*gap))
		}
		// Where a segment's nearest point runs onto its hinge the curvature jumps,
		// and full steps can go to and fro across the jump for ever.
		if off > by.stall*max(before, little*gap) {
			damping = max(0.1, by.cut*damping)
			if stalls++; stalls == mostStalls {
				by.stall, by.cut, by.grow = careful.stall, careful.cut, careful.grow
			}
		} else {
			damping = min(1, by.grow*damping)
		}
		before = off
		mu = min(mu, by.letDown*gap/float64(n))
		mu = max(mu, barrierEnd/float64(4*n))
		if lambda, ok = s.step(mu, lambda, damping); !ok {
			break
		}
	}
	// With nothing in the middle the distances have no slope any more.
	if s.q < nothing {
		return nil, ErrNothing
	}
	return nil, ErrLost
}

// begin inscribes the chain in a circle; it gives the tension and the barrier to
// begin with, and nil where a segment does not reach.
func begin(c *folded, round float64) (s *state, lambda, mu float64) {
	n := len(c.segments)
	s = &state{segments: c.segments, copies: c.copies, turn: 2 * math.Pi * float64(c.times), round: round, x: slices.Clone(c.start), q: math.Inf(1),
		clear: make([]float64, n), force: make([]float64, n), bars: make([]bar, n)}
	s.solver.make(n)
	var ok bool
	if s.over, ok = s.look(s.x, s.bars); !ok {
		return nil, 0, 0
	}
	wide := 0.0
	for i := range s.bars {
		s.q = min(s.q, s.bars[i].clear)
		wide += math.Sqrt(s.x[i]) / float64(n)
	}
	s.q -= begun * wide
	for i := range s.bars {
		s.clear[i] = s.bars[i].clear - s.q
		mu += 1 / s.clear[i]
	}
	mu = 1 / mu
	for i := range s.bars {
		s.force[i] = mu / s.clear[i]
	}
	return s, wide / s.turn, mu
}

// quality gives how far the radius may still be off, and by how much at most the
// chain misses a full turn or a segment its clearance.
func (s *state) quality() (gap, off float64) {
	for i := range s.bars {
		gap += s.clear[i] * s.force[i]
		off = max(off, math.Abs(s.miss(i)))
	}
	return gap, max(off, math.Abs(s.over))
}

// worth is how much radius in mm at most what the chain still misses can be worth:
// each clearance by the force behind it, the full turn by the tension.
func (s *state) worth(tension float64) float64 {
	sum := math.Abs(tension * s.over)
	for i := range s.force {
		sum += s.force[i] * math.Abs(s.miss(i))
	}
	return sum
}

func (s *state) patience() int {
	if len(s.segments) > huge {
		return hugePatience
	}
	return patience
}

func (s *state) accepted() float64 {
	if s.round > 0 {
		return 5 * accepted
	}
	return accepted
}

// look works out every bar at these squared distances, and by how much their
// sweeps are over a full turn; false if a segment does not reach.
func (s *state) look(x []float64, bars []bar) (over float64, ok bool) {
	n := len(x)
	inverse := s.solver.inverse
	for i, square := range x {
		if square <= 0 {
			return 0, false
		}
		inverse[i] = 1 / math.Sqrt(square)
	}
	over = -s.turn
	for i := range bars {
		j := i + 1
		if j == n {
			j = 0
		}
		if !bars[i].at(x[i], x[j], inverse[i], inverse[j], s.segments[i], s.round) {
			return 0, false
		}
		over += bars[i].sweep * s.copies[i]
	}
	return over, true
}

// step takes one Newton step, damped, towards the wrap at which clear times force is mu
// everywhere. Lambda is the tension of the chain: what a turn more of sweep is
// worth in radius.
func (s *state) step(mu, lambda, damping float64) (float64, bool) {
	n := len(s.x)
	m := &s.solver
	clear(m.rows)
	gq, hqq := 1.0, 0.0
	weight := max(lambda, 0)
	for i := range s.bars {
		b, j := &s.bars[i], i+1
		if j == n {
			j = 0
		}
		z, inverse := s.force[i], 1/s.clear[i]
		stiff := z * inverse
		copies := s.copies[i]
		worth := weight * copies
		sxx, sxy, syy := concave(worth*b.sxx, worth*b.sxy, worth*b.syy)
		m.add(i, j, z*b.cxx-stiff*b.cx*b.cx+sxx, z*b.cxy-stiff*b.cx*b.cy+sxy, z*b.cyy-stiff*b.cy*b.cy+syy)
		push := mu*inverse - stiff*s.miss(i)
		here, next := &m.rows[i].right, &m.rows[j].right
		here[0] -= push * b.cx
		next[0] -= push * b.cy
		here[1] += stiff * b.cx // the mixed derivative by q
		next[1] += stiff * b.cy
		here[2] += copies * b.sx
		next[2] += copies * b.sy
		gq -= push
		hqq -= stiff
	}
	for i := range m.rows {
		m.border[0][i], m.border[1][i] = m.rows[i].right[1], m.rows[i].right[2]
	}
	if !m.solve() {
		return 0, false
	}
	// x = r - c·dq - j·lambda; put into the two rows of q and of the full turn.
	a, b, c, d, e, f := hqq, 0.0, 0.0, 0.0, -gq, -s.over
	for i := range m.rows {
		r, byQ, byTurn := &m.rows[i].right, m.border[0][i], m.border[1][i]
		a -= byQ * r[1]
		b -= byQ * r[2]
		c -= byTurn * r[1]
		d -= byTurn * r[2]
		e -= byQ * r[0]
		f -= byTurn * r[0]
	}
	det := a*d - b*c
	if det == 0 || math.IsNaN(det) {
		return 0, false
	}
	dq, next := (e*d-b*f)/det, (a*f-c*e)/det
	dx := s.solver.border[0]
	for i := range m.rows {
		r := &m.rows[i].right
		dx[i] = r[0] - r[1]*dq - r[2]*next
	}
	return next, s.move(mu, dx, dq, damping)
}

// miss is how far the clearance that is kept for a segment is from the one it
// has: the two become one as the steps converge.
func (s *state) miss(i int) float64 { return s.bars[i].clear - s.q - s.clear[i] }

// move goes along the step as far as clearances and forces stay above nothing,
// and the hinges within the reach of their segments.
func (s *state) move(mu float64, dx []float64, dq, damping float64) bool {
	const nearly = 0.99
	n := len(s.x)
	x, trial := s.solver.spare, s.solver.bars
	ds, dz := s.solver.ds, s.solver.dz
	step, press := damping, 1.0
	for i := range s.bars {
		b, j := &s.bars[i], i+1
		if j == n {
			j = 0
		}
		ds[i] = s.miss(i) + b.cx*dx[i] + b.cy*dx[j] - dq
		dz[i] = (mu-s.force[i]*ds[i])/s.clear[i] - s.force[i]
		if ds[i] < 0 {
			step = min(step, -nearly*s.clear[i]/ds[i])
		}
		if dz[i] < 0 {
			press = min(press, -nearly*s.force[i]/dz[i])
		}
	}
	before := math.Abs(s.over)
	for ; step > 1e-8; step /= 2 {
		for i := range x {
			x[i] = s.x[i] + step*dx[i]
		}
		over, ok := s.look(x, trial)
		if !ok || math.Abs(over) > max(2*before, 0.3) {
			continue
		}
		copy(s.x, x)
		s.q += step * dq
		s.over = over
		s.bars, s.solver.bars = trial, s.bars
		for i := range s.bars {
			s.clear[i] += step * ds[i]
			s.force[i] += press * dz[i]
		}
		return true
	}
	return false
}
