package drape

import "math"

// joined is rows that hang between two joins, each from the end of what they share: at
// either join the pulls of all rows and that of the shared part balance. For each row H
// and V are unknown; the shared parts carry the sums of all. As with one chain, what
// they minimise is convex: the sum over all parts of length × √(H² + V²), less the
// horizontal pull times the width.
type joined struct {
	shared []link // of both sides, by the sums of H and V
	rows   [][]link
	width  float64
	wider  []float64 // by how much wider each row hangs than from one place, in the holes of a bar
}

// link is one part with the weight that hangs before it, from where V is counted.
type link struct{ length, before float64 }

// pull is H and V of a row.
type pull struct{ h, v float64 }

// sums are what the parts of one list give at a pull: the sum to minimise, how far they
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

func (j *joined) total(at []pull) pull {
	var sum pull
	for _, p := range at {
		sum.h, sum.v = sum.h+p.h, sum.v+p.v
	}
	return sum
}

func (j *joined) energy(at []pull) float64 {
	whole := j.total(at)
	sum := sumsOf(j.shared, whole).energy
	for k, p := range at {
		sum += sumsOf(j.rows[k], p).energy - p.h*(j.width+j.wider[k])
	}
	return sum
}

// solve finds the pulls by Newton's method, each step as long as the sum falls. The
// second derivatives are those of each row and, for all together, those of the shared
// parts, so a step takes time in proportion to the parts. False if it does not settle.
func (j *joined) solve(at []pull) bool {
	step := make([]pull, len(at))
	next := make([]pull, len(at))
	for range mostSteps {
		fall, missed := j.step(at, step)
		if missed < enough*j.width {
			return true
		}
		now := j.energy(at)
		for size := 1.0; ; size /= 2 {
			if size < 1e-12 {
				return missed < narrowed*j.width
			}
			for k := range at {
				next[k] = pull{at[k].h + size*step[k].h, at[k].v + size*step[k].v}
			}
			if j.total(next).h > 0 && j.energy(next) <= now+1e-4*size*fall+1e-13*math.Abs(now) {
				break
			}
		}
		copy(at, next)
	}
	return false
}

// step works out Newton's step, how fast the sum falls along it, and by how much the
// rows miss their joins at most.
func (j *joined) step(at, out []pull) (fall, missed float64) {
	s := sumsOf(j.shared, j.total(at))
	// With B the second derivatives of a row and S those of the shared parts, each
	// row's step is B⁻¹ (g - S z), z being the sum of all steps.
	var y, c [4]float64 // Σ B⁻¹ g and Σ B⁻¹
	own := make([]sums, len(at))
	gap := make([]pull, len(at))
	for k, p := range at {
		own[k] = sumsOf(j.rows[k], p)
		gap[k] = pull{j.width + j.wider[k] - own[k].x - s.x, -own[k].y - s.y}
		missed = max(missed, math.Abs(gap[k].h), math.Abs(gap[k].v))
		b := own[k].inverse()
		y[0] += b[0]*gap[k].h + b[1]*gap[k].v
		y[1] += b[1]*gap[k].h + b[2]*gap[k].v
		for i := range 3 {
			c[i] += b[i]
		}
	}
	// (1 + C S) z = y
	m := [4]float64{1 + c[0]*s.hh + c[1]*s.hv, c[0]*s.hv + c[1]*s.vv, c[1]*s.hh + c[2]*s.hv, 1 + c[1]*s.hv + c[2]*s.vv}
	det := m[0]*m[3] - m[1]*m[2]
	z := pull{(m[3]*y[0] - m[1]*y[1]) / det, (m[0]*y[1] - m[2]*y[0]) / det}
	sz := pull{s.hh*z.h + s.hv*z.v, s.hv*z.h + s.vv*z.v}
	for k := range at {
		b := own[k].inverse()
		g := pull{gap[k].h - sz.h, gap[k].v - sz.v}
		out[k] = pull{b[0]*g.h + b[1]*g.v, b[1]*g.h + b[2]*g.v}
		fall -= gap[k].h*out[k].h + gap[k].v*out[k].v
	}
	return fall, missed
}

// inverse is that of the matrix of second derivatives: hh, hv, vv.
func (s *sums) inverse() [3]float64 {
	det := s.hh*s.vv - s.hv*s.hv
	if !(det > 1e-12*s.hh*s.vv) {
		det = 1e-12*s.hh*s.vv + 1e-300
	}
	return [3]float64{s.vv / det, -s.hv / det, s.hh / det}
}

// start is where the search begins: each row as if it hung by itself over its share of
// the width.
func (j *joined) start() []pull {
	at := make([]pull, len(j.rows))
	whole := 0.0
	for _, l := range j.shared {
		whole += l.length
	}
	for k, row := range j.rows {
		long := whole
		for _, l := range row {
			long += l.length
		}
		weight := row[len(row)-1].before
		at[k] = pull{max(weight, 1e-6) * j.width / (2 * long), weight / 2}
	}
	return at
}

// sharing is the fronts of rows cut at their joins: what they share at the left and the
// right, of the first row, and what each has by itself.
type sharing struct {
	left, right []Part
	rows        [][]Part
	spacing     float64 // of the holes that the rows hang in; 0 from one place
}

// sharedInFront cuts the fronts where they go together; nil if nothing that rows share
// hangs in front.
func sharedInFront(rows []*Necklace, spacing float64) *sharing {
	out := &sharing{spacing: spacing}
	for k, n := range rows {
		parts, cuts := n.front()
		joins := n.joins()
		from, to := 0, len(parts)
		for from < len(parts) && cuts[from] < joins[0]-1e-9 {
			from++
		}
		for to > from && cuts[to] > joins[1]+1e-9 {
			to--
		}
		if from == to {
			return nil
		}
		if k == 0 {
			out.left, out.right = parts[:from], parts[to:]
		}
		out.rows = append(out.rows, parts[from:to])
	}
	if len(out.left)+len(out.right) == 0 {
		return nil
	}
	return out
}

// hang lets the rows hang; false if they do not reach or no rest was found.
func (sh *sharing) hang(rows []*Necklace) bool {
	j := &joined{width: rows[0].inner, rows: make([][]link, len(rows)), wider: make([]float64, len(rows))}
	for k := range rows {
		j.wider[k] = 2 * sh.spacing * (float64(k) - float64(len(rows)-1)/2)
	}
	atLeft, atRight := 0.0, 0.0 // the weights at the joins
	for k, parts := range sh.rows {
		first, last := sides(parts)
		atLeft, atRight = atLeft+first, atRight+last
		j.rows[k] = linksOf(parts)
	}
	// The row's V counts all of its weight that pulls down at the right join.
	hangs := 0.0
	for _, row := range j.rows {
		hangs += row[len(row)-1].before
	}
	_, last := sides(sh.left)
	left := linksOf(sh.left)
	for i := len(left) - 1; i >= 0; i-- {
		after := atLeft + last + left[len(left)-1].before - left[i].before
		j.shared = append(j.shared, link{left[i].length, -after})
	}
	first, _ := sides(sh.right)
	for _, l := range linksOf(sh.right) {
		j.shared = append(j.shared, link{l.length, hangs + atRight + first + l.before})
	}
	at := j.start()
	if !sh.reaches(j) || !j.solve(at) {
		return false
	}
	whole := j.total(at)
	for k, n := range rows {
		points := []Point{{X: -n.inner / 2}}
		for i := range left {
			points = append(points, onwards(points[len(points)-1], j.shared[len(left)-1-i], whole))
		}
		points[len(points)-1].X -= j.wider[k] / 2
		for _, l := range j.rows[k] {
			points = append(points, onwards(points[len(points)-1], l, at[k]))
		}
		points[len(points)-1].X -= j.wider[k] / 2 // back to the middle of the bar, to go on from
		end := len(points) - 1
		for _, l := range j.shared[len(left):] {
			points = append(points, onwards(points[len(points)-1], l, whole))
		}
		points[end].X += j.wider[k] / 2
		parts := append(append(append([]Part(nil), sh.left...), sh.rows[k]...), sh.right...)
		n.Width, n.fromJoin = n.inner, sh.spacing == 0
		n.hangs(parts, &Hanging{points, whole.h})
	}
	return true
}

// reaches says whether every row is long enough with what it shares.
func (sh *sharing) reaches(j *joined) bool {
	long := func(parts []Part) (sum float64) {
		for _, p := range parts {
			sum += p.Length
		}
		return sum
	}
	for k, row := range sh.rows {
		if !(long(sh.left)+long(row)+long(sh.right) > (j.width+j.wider[k])*(1+1e-6)) {
			return false
		}
	}
	return true
}

// sides are the weights that go to the two ends of a list of parts.
func sides(parts []Part) (first, last float64) {
	if len(parts) == 0 {
		return 0, 0
	}
	share := func(p Part) float64 {
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
func linksOf(parts []Part) []link {
	weight := 0.0
	for _, p := range parts {
		weight += p.Weight
	}
	below := loads(parts, weight)
	out := make([]link, len(parts))
	for i := range parts {
		out[i] = link{parts[i].Length, below[i]}
	}
	return out
}

// onwards is the end of a part that begins at a place.
func onwards(from Point, l link, p pull) Point {
	u := p.v - l.before
	t := max(math.Hypot(p.h, u), 1e-300)
	return Point{from.X + l.length*p.h/t, from.Y + l.length*u/t}
}
