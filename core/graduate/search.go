package graduate

import (
	"cmp"
	"math"
	"slices"

	"mala/core/length"
)

// The bounds of the search: how many counts are looked at, and how many of one roughness are
// measured.
const (
	mostVisited  = 1_000_000
	mostMeasured = 60
)

// around is by how much a length that is only added up may be wrong, in mm: the slack that
// bending needs does not grow quite evenly.
const around = length.MM(0.6)

// found is counts with their measured length.
type found struct {
	counts Counts
	value  length.MM
}

// smoothest gives the smoothest counts within the tolerance, up to this many, of one roughness the
// nearest first. Where there are none it gives one that lies near, and false.
func (r *row) smoothest(most int) ([]found, bool) {
	for i := range r.ladder {
		if r.span(i) == 0 {
			return nil, false
		}
	}
	if out := r.search(most); len(out) > 0 {
		return out, true
	}
	wider := *r
	wider.target.Tolerance = max(r.target.Tolerance, length.MM(r.nearestLength()))
	out := wider.search(1)
	return out, len(out) > 0 && r.within(out[0].value)
}

// search gives what lies within the tolerance, the smoothest first.
func (r *row) search(most int) []found {
	s := &search{row: r, outlook: r.newOutlook(), counts: make(Counts, len(r.ladder))}
	if s.outlook == nil {
		return nil
	}
	var out []found
	for rough := s.outlook.least(); rough <= r.roughest() && s.visited < mostVisited && r.ctx.Err() == nil; rough++ {
		s.all(rough)
		if out = append(out, r.measured(s.hits)...); len(out) >= most {
			return out[:most]
		}
	}
	return out
}

// roughest is how rough counts can be at most.
func (r *row) roughest() int {
	sum := 0
	for i := 1; i < len(r.ladder); i++ {
		step := max(r.ladder[i].most-r.low[i-1], r.ladder[i-1].most-r.low[i])
		sum += step * step
	}
	return sum
}

// measured gives those of the counts that lie within the tolerance, the nearest first.
func (r *row) measured(hits []Counts) []found {
	off := func(l length.MM) float64 { return math.Abs(float64(l - r.target.Finished)) }
	slices.SortStableFunc(hits, func(a, b Counts) int { return cmp.Compare(off(r.about(a)), off(r.about(b))) })
	var out []found
	for _, c := range hits[:min(len(hits), mostMeasured)] {
		if r.ctx.Err() != nil {
			break
		}
		if value, err := r.value(c); err == nil && r.within(value) {
			out = append(out, found{c, value})
		}
	}
	slices.SortStableFunc(out, func(a, b found) int { return cmp.Compare(off(a.value), off(b.value)) })
	return out
}

// search goes through counts by their roughness.
type search struct {
	row     *row
	outlook *outlook
	counts  Counts
	hits    []Counts
	visited int
}

// all finds every counts of exactly such a roughness whose length is about right.
func (s *search) all(rough int) {
	s.hits = nil
	r := s.row
	for n := r.low[0]; n <= r.ladder[0].most; n++ {
		s.rung(0, n, rough, r.base+r.step[0]*length.MM(n))
	}
}

// rung takes a count of a rung, and goes through those of the rungs behind it, with what
// roughness is left and the length so far.
func (s *search) rung(i, n, left int, sum length.MM) {
	r := s.row
	if s.visited++; s.visited > mostVisited || s.visited%4096 == 0 && r.ctx.Err() != nil {
		s.visited = max(s.visited, mostVisited)
		return
	}
	if s.outlook.ahead(i, n, sum) > left {
		return
	}
	s.counts[i] = n
	if i == len(r.ladder)-1 {
		if left == 0 {
			s.hits = append(s.hits, slices.Clone(s.counts))
		}
		return
	}
	step := int(math.Sqrt(float64(left)))
	for next := max(r.low[i+1], n-step); next <= min(r.ladder[i+1].most, n+step); next++ {
		s.rung(i+1, next, left-(next-n)*(next-n), sum+r.step[i+1]*length.MM(next))
	}
}
