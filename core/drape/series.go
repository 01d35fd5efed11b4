package drape

import (
	"math"

	"mala/core/statics"
)

// The method's settings, as those of statics.Hang.
const (
	enough    = 1e-9 // of the width that the ends may miss each other by
	narrowed  = 1e-6 // the same where no step is small enough any more
	mostSteps = 100
)

// A stage is what hangs side by side between two places of a series: the rows of a
// section, or what rows share between two. All of it pulls together at both places.
type stage struct{ rows []*hangingRow }

// hangingRow is one row of a stage. It begins so far to the left of the place where the stage
// begins, and ends so far to the right of the one where it ends: by the holes of a bar,
// or where it lies at the neck's side.
type hangingRow struct {
	parts       []statics.Part
	left, right float64

	links []link
	pull  pull
	path  []statics.Point // where its joints come to rest
}

// link is one part with the weight that hangs before it, from where V is counted.
type link struct{ length, before float64 }

// pull is H and V of a row where it begins.
type pull struct{ h, v float64 }

// series is stages one after another between the neck's sides. At each place between
// two the pulls of both balance with the weight there: H is the same for all stages, V
// less by what hangs before. Unknown are H and V in all, and in each stage the share of
// every row but the first, which takes the rest. As with one chain, what they minimise
// is convex: the sum over all parts of length × √(H² + V²), less the pulls times how far
// they reach.
type series struct {
	stages []*stage
	width  float64
	before []float64 // the weight that hangs before each stage
}

// sums are what the links of one row give at a pull: the sum to minimise, how far they
// reach, and how that changes.
type sums struct{ energy, x, y, hh, hv, vv float64 }

func sumsOf(links []link, p pull) sums {
	var out sums
	for _, l := range links {
		u := p.v - l.before
		t := max(math.Hypot(p.h, u), 1e-300)
		out.energy += l.length * t
		out.x += l.length * p.h / t
		out.y += l.length * u / t
		cube := l.length / (t * t * t)
		out.hh += cube * u * u
		out.hv -= cube * p.h * u
		out.vv += cube * p.h * p.h
	}
	return out
}

// newSeries counts the weights before every stage.
func newSeries(stages []*stage, width float64) *series {
	s := &series{stages: stages, width: width}
	sum := 0.0
	for i, st := range stages {
		for _, r := range st.rows {
			first, _ := sides(r.parts)
			r.links = linksOf(r.parts)
			if i > 0 {
				sum += first
			}
		}
		s.before = append(s.before, sum)
		for _, r := range st.rows {
			_, last := sides(r.parts)
			sum += r.links[len(r.links)-1].before + last
		}
	}
	return s
}

// unknowns is how many there are: H and V, and two for each row more in a stage.
func (s *series) unknowns() int {
	n := 2
	for _, st := range s.stages {
		n += 2 * (len(st.rows) - 1)
	}
	return n
}

// take sets the rows' pulls from the unknowns.
func (s *series) take(x []float64) {
	k := 2
	for i, st := range s.stages {
		first := pull{x[0], x[1] - s.before[i]}
		for _, r := range st.rows[1:] {
			r.pull = pull{x[k], x[k+1]}
			first.h, first.v = first.h-r.pull.h, first.v-r.pull.v
			k += 2
		}
		st.rows[0].pull = first
	}
}

func (s *series) energy(x []float64) float64 {
	s.take(x)
	sum := -x[0] * s.width
	for _, st := range s.stages {
		for _, r := range st.rows {
			sum += sumsOf(r.links, r.pull).energy - r.pull.h*(r.left+r.right)
		}
	}
	return sum
}

// slopes gives the first and second derivatives of the energy.
func (s *series) slopes(x []float64) (g []float64, h [][]float64) {
	n := len(x)
	g, h = make([]float64, n), make([][]float64, n)
	for i := range h {
		h[i] = make([]float64, n)
	}
	s.take(x)
	g[0] -= s.width
	add := func(i, j int, sign float64, of sums) {
		h[i][j] += sign * of.hh
		h[i][j+1] += sign * of.hv
		h[i+1][j] += sign * of.hv
		h[i+1][j+1] += sign * of.vv
	}
	k := 2
	for _, st := range s.stages {
		zero := sumsOf(st.rows[0].links, st.rows[0].pull)
		zx := zero.x - st.rows[0].left - st.rows[0].right
		g[0] += zx
		g[1] += zero.y
		add(0, 0, 1, zero)
		from := k
		for _, r := range st.rows[1:] {
			own := sumsOf(r.links, r.pull)
			g[k] += own.x - r.left - r.right - zx
			g[k+1] += own.y - zero.y
			add(k, k, 1, own)
			add(0, k, -1, zero)
			add(k, 0, -1, zero)
			for j := from; j < from+2*(len(st.rows)-1); j += 2 {
				add(k, j, 1, zero)
			}
			k += 2
		}
	}
	return g, h
}

// hang lets the series hang by Newton's method, each step as long as the sum falls;
// false if it does not reach, or does not settle.
func (s *series) hang() bool {
	if !s.reaches() {
		return false
	}
	x := s.start()
	next := make([]float64, len(x))
	for range mostSteps {
		g, h := s.slopes(x)
		missed := 0.0
		for _, v := range g {
			missed = max(missed, math.Abs(v))
		}
		if missed < enough*s.width {
			s.rest(x)
			return true
		}
		step := solved(h, g)
		fall := 0.0
		for i := range step {
			fall -= step[i] * g[i]
		}
		now := s.energy(x)
		for size := 1.0; ; size /= 2 {
			if size < 1e-12 {
				if missed < narrowed*s.width {
					s.rest(x)
					return true
				}
				return false
			}
			for i := range x {
				next[i] = x[i] - size*step[i]
			}
			if next[0] > 0 && s.energy(next) <= now+1e-4*size*fall+1e-13*math.Abs(now) {
				break
			}
		}
		copy(x, next)
	}
	return false
}

// start is where the search begins: every row pulls by its share of the weight.
func (s *series) start() []float64 {
	x := make([]float64, s.unknowns())
	whole, long := 1e-6, 0.0
	last := s.stages[len(s.stages)-1]
	whole += s.before[len(s.stages)-1]
	for _, r := range last.rows {
		whole += r.links[len(r.links)-1].before
	}
	for _, st := range s.stages {
		long += lengthOf(st.rows[0].parts)
	}
	x[0], x[1] = whole*s.width/(2*long), whole/2
	k := 2
	for i, st := range s.stages {
		for range st.rows[1:] {
			x[k], x[k+1] = x[0]/float64(len(st.rows)), (x[1]-s.before[i])/float64(len(st.rows))
			k += 2
		}
	}
	return x
}

// rest works out where every row lies at rest.
func (s *series) rest(x []float64) {
	s.take(x)
	at := statics.Point{X: -s.width / 2}
	for _, st := range s.stages {
		end := at
		for k, r := range st.rows {
			r.path = []statics.Point{{X: at.X - r.left, Y: at.Y}}
			for _, l := range r.links {
				r.path = append(r.path, onwards(r.path[len(r.path)-1], l, r.pull))
			}
			if last := r.path[len(r.path)-1]; k == 0 {
				end = statics.Point{X: last.X - r.right, Y: last.Y}
			}
		}
		at = end
	}
}

// reaches says whether every way through the series is long enough.
func (s *series) reaches() bool {
	least := 0.0
	for _, st := range s.stages {
		shortest := math.Inf(1)
		for _, r := range st.rows {
			shortest = min(shortest, lengthOf(r.parts)-r.left-r.right)
		}
		least += shortest
	}
	return least > s.width*(1+1e-6)
}

func lengthOf(parts []statics.Part) (sum float64) {
	for _, p := range parts {
		sum += p.Length
	}
	return sum
}

// sides are the weights that go to the two ends of a list of parts.
func sides(parts []statics.Part) (first, last float64) {
	share := func(p statics.Part) float64 {
		if p.Length <= 0 {
			return 0
		}
		return min(1, max(0, p.At/p.Length))
	}
	p, q := parts[0], parts[len(parts)-1]
	return p.Weight * (1 - share(p)), q.Weight * share(q)
}

// linksOf gives parts with the weight on the joints before each, that of the list's own
// first end apart.
func linksOf(parts []statics.Part) []link {
	weight := 0.0
	for _, p := range parts {
		weight += p.Weight
	}
	below := statics.Loads(parts, weight)
	out := make([]link, len(parts))
	for i := range parts {
		out[i] = link{parts[i].Length, below[i]}
	}
	return out
}

// onwards is the end of a part that begins at a place.
func onwards(from statics.Point, l link, p pull) statics.Point {
	u := p.v - l.before
	t := max(math.Hypot(p.h, u), 1e-300)
	return statics.Point{X: from.X + l.length*p.h/t, Y: from.Y + l.length*u/t}
}

// solved is the solution of a x = b, by elimination with the largest pivot of each
// column. What cannot be distinguished is left as it is.
func solved(a [][]float64, b []float64) []float64 {
	n := len(b)
	x := append([]float64(nil), b...)
	for c := range n {
		best := c
		for r := c + 1; r < n; r++ {
			if math.Abs(a[r][c]) > math.Abs(a[best][c]) {
				best = r
			}
		}
		a[c], a[best] = a[best], a[c]
		x[c], x[best] = x[best], x[c]
		if math.Abs(a[c][c]) < 1e-300 {
			continue
		}
		for r := c + 1; r < n; r++ {
			f := a[r][c] / a[c][c]
			if f == 0 {
				continue
			}
			for k := c; k < n; k++ {
				a[r][k] -= f * a[c][k]
			}
			x[r] -= f * x[c]
		}
	}
	for c := n - 1; c >= 0; c-- {
		for k := c + 1; k < n; k++ {
			x[c] -= a[c][k] * x[k]
		}
		if math.Abs(a[c][c]) < 1e-300 {
			x[c] = 0
			continue
		}
		x[c] /= a[c][c]
	}
	return x
}
