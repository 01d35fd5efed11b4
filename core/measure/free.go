package measure

import (
	"math"

	"mala/core/length"
	"mala/core/pattern"
)

// Free is a stretch of beads that may come in any order, and how long the strand is with the
// orders that make it shortest and longest.
type Free struct {
	First, Count int // its beads
	Least, Most  length.MM
	About        bool // the true ones lie between these
}

// mostOrders is how many states of what is left to string are gone through.
const mostOrders = 200_000

// Free lists the stretches of a row whose beads may come in any order, with what each alone
// does to the strung length. Neighbours are taken to meet face to face, each pair by itself:
// the sum of a path through all beads of the stretch, by what is left of every kind.
func (m *Measured) Free(s *Strand) ([]Free, error) {
	loose := s.looseNodes()
	if len(loose) == 0 {
		return nil, nil
	}
	mk, err := newStrandMaker(m.Piece, s.Row)
	if err != nil {
		return nil, err
	}
	f := &freeSpan{mk: mk, s: s, apart: map[[2]nodeTurn]length.MM{}}
	var out []Free
	for i := 0; i < len(s.Beads); {
		if !loose[s.Beads[i].Node] {
			i++
			continue
		}
		from := i
		for i < len(s.Beads) && loose[s.Beads[i].Node] {
			i++
		}
		one, err := f.span(from, i)
		if err != nil {
			return nil, err
		}
		out = append(out, one)
	}
	return out, nil
}

// looseNodes are the numbers of the nodes in groups of any order.
func (s *Strand) looseNodes() map[int]bool {
	out := map[int]bool{}
	for _, n := range s.Row.Line.Nodes {
		if n.Free {
			for _, inner := range n.Items {
				out[inner.ID] = true
			}
		}
	}
	return out
}

// Loose says whether a bead may change places with those beside it.
func (s *Strand) Loose() func(bead int) bool {
	loose := s.looseNodes()
	return func(bead int) bool { return loose[s.Beads[bead].Node] }
}

// nodeTurn is a bead as it lies.
type nodeTurn struct {
	key    string
	turned bool
}

type freeSpan struct {
	mk    *strandMaker
	s     *Strand
	apart map[[2]nodeTurn]length.MM
}

func (f *freeSpan) lies(bead int) nodeTurn {
	b := &f.s.Beads[bead]
	return nodeTurn{b.Key, b.Turned}
}

// distance is how far apart the middles of two neighbours are.
func (f *freeSpan) distance(a, b nodeTurn) (length.MM, error) {
	pair := [2]nodeTurn{a, b}
	if d, ok := f.apart[pair]; ok {
		return d, nil
	}
	text := ""
	for _, one := range pair {
		if one.turned {
			text += "~"
		}
		text += one.key + " "
	}
	line, err := pattern.Parse(text)
	if err != nil {
		return 0, err
	}
	two, err := f.mk.lay(line, nil, nil, false)
	if err != nil {
		return 0, err
	}
	d := two.Beads[1].At - two.Beads[0].At
	f.apart[pair] = d
	return d, nil
}

// span finds the shortest and the longest order of the beads from one up to another.
func (f *freeSpan) span(from, to int) (Free, error) {
	out := Free{First: from, Count: to - from}
	kinds, left := []nodeTurn{}, []int{}
	for i := from; i < to; i++ {
		k := f.lies(i)
		at := 0
		for at < len(kinds) && kinds[at] != k {
			at++
		}
		if at == len(kinds) {
			kinds, left = append(kinds, k), append(left, 0)
		}
		left[at]++
	}
	written, pairs, err := f.pairs(from, to, kinds)
	if err != nil {
		return out, err
	}
	shortest := func(p *pairTable) float64 { return p.orders(left, math.Inf(1)) }
	if f.s.Ring && to-from == len(f.s.Beads) {
		shortest = func(p *pairTable) float64 { return p.round(left) }
	}
	least, most := shortest(pairs), -shortest(pairs.negative())
	if math.IsInf(least, 0) { // too many to go through
		out.About = true
		least, most = pairs.bounds(to - from)
	}
	out.Least, out.Most = f.s.Strung+length.MM(least)-written, f.s.Strung+length.MM(most)-written
	return out, nil
}

// pairs gives how far apart each two kinds lie, before the first and behind the last what
// stands there, and how long the stretch is as it is written.
func (f *freeSpan) pairs(from, to int, kinds []nodeTurn) (written length.MM, p *pairTable, err error) {
	p = &pairTable{between: make([][]float64, len(kinds)), before: make([]float64, len(kinds)), behind: make([]float64, len(kinds))}
	put := func(into *float64, a, b nodeTurn) {
		d, e := f.distance(a, b)
		if e != nil && err == nil {
			err = e
		}
		*into = float64(d)
	}
	n := len(f.s.Beads)
	beside := func(i int) (nodeTurn, bool) {
		if i < 0 || i >= n {
			if !f.s.Ring || n == to-from {
				return nodeTurn{}, false
			}
			i = (i + n) % n
		}
		return f.lies(i), true
	}
	left, hasLeft := beside(from - 1)
	right, hasRight := beside(to)
	for i, a := range kinds {
		p.between[i] = make([]float64, len(kinds))
		for j, b := range kinds {
			put(&p.between[i][j], a, b)
		}
		if hasLeft {
			put(&p.before[i], left, a)
		} else {
			p.before[i] = f.rim(a, false)
		}
		if hasRight {
			put(&p.behind[i], a, right)
		} else {
			p.behind[i] = f.rim(a, true)
		}
	}
	index := func(i int) int {
		for k := range kinds {
			if kinds[k] == f.lies(i) {
				return k
			}
		}
		return 0
	}
	sum := p.before[index(from)] + p.behind[index(to-1)]
	if f.s.Ring && to-from == n {
		sum = p.between[index(to-1)][index(from)]
	}
	for i := from; i+1 < to; i++ {
		sum += p.between[index(i)][index(i+1)]
	}
	return length.MM(sum), p, err
}

// rim is how far the rim of a bead's hole lies from its middle, where the strand is measured
// from when the bead is its first or last.
func (f *freeSpan) rim(k nodeTurn, behind bool) float64 {
	line, err := pattern.Parse(map[bool]string{true: "~"}[k.turned] + k.key)
	if err != nil {
		return 0
	}
	one, err := f.mk.lay(line, nil, nil, false)
	if err != nil || len(one.Beads) == 0 {
		return 0
	}
	if behind {
		return float64(one.Strung - one.Beads[0].At)
	}
	return float64(one.Beads[0].At)
}

// pairTable is how far apart kinds of beads lie, and what their first and last add.
type pairTable struct {
	between        [][]float64
	before, behind []float64
}

func (p *pairTable) negative() *pairTable {
	minus := func(list []float64) []float64 {
		out := make([]float64, len(list))
		for i, v := range list {
			out[i] = -v
		}
		return out
	}
	out := &pairTable{before: minus(p.before), behind: minus(p.behind)}
	for _, row := range p.between {
		out.between = append(out.between, minus(row))
	}
	return out
}

// round is the least sum of a way through all of them and back to its first.
func (p *pairTable) round(left []int) float64 {
	least := math.Inf(1)
	for first := range left {
		closed := &pairTable{between: p.between, before: make([]float64, len(left)), behind: make([]float64, len(left))}
		for k := range left {
			closed.before[k], closed.behind[k] = math.Inf(1), p.between[k][first]
		}
		closed.before[first] = 0
		least = min(least, closed.orders(left, math.Inf(1)))
	}
	return least
}

// orders is the least sum of a way through so many of each kind, or none if there are more
// states than are gone through.
func (p *pairTable) orders(left []int, none float64) float64 {
	states := len(left)
	place := make([]int, len(left))
	for i, n := range left {
		place[i] = states
		states *= n + 1
		if states > mostOrders {
			return none
		}
	}
	// best[state + last] is the least for what has been strung, the last bead being of that kind.
	best := make([]float64, states)
	for i := range best {
		best[i] = math.Inf(1)
	}
	done := make([]int, len(left))
	for state := 0; state < states; state += len(left) {
		rest := state
		for i := len(left) - 1; i >= 0; i-- {
			done[i] = rest / place[i]
			rest %= place[i]
		}
		for next := range left {
			if done[next] == left[next] {
				continue
			}
			to := state + place[next] + next
			if state == 0 {
				best[to] = p.before[next]
				continue
			}
			for last := range left {
				if v := best[state+last] + p.between[last][next]; v < best[to] {
					best[to] = v
				}
			}
		}
	}
	least := math.Inf(1)
	for last := range left {
		least = min(least, best[states-len(left)+last]+p.behind[last])
	}
	return least
}

// bounds are what no order of n beads can fall below or go beyond.
func (p *pairTable) bounds(n int) (least, most float64) {
	low, high := math.Inf(1), math.Inf(-1)
	for _, row := range p.between {
		for _, v := range row {
			low, high = min(low, v), max(high, v)
		}
	}
	ends := func(better func(x, y float64) float64, of []float64) float64 {
		out := of[0]
		for _, v := range of {
			out = better(out, v)
		}
		return out
	}
	lower, higher := func(x, y float64) float64 { return min(x, y) }, func(x, y float64) float64 { return max(x, y) }
	return low*float64(n-1) + ends(lower, p.before) + ends(lower, p.behind), high*float64(n-1) + ends(higher, p.before) + ends(higher, p.behind)
}
