package measure

import (
	"math"

	"mala/core/length"
	"mala/core/pattern"
	"mala/core/piece"
)

// Free is a stretch of beads that may come in any order, and how long the strand and the
// finished loop are with the orders that make them shortest and longest.
type Free struct {
	First, Count int // its beads
	Least, Most  length.MM
	Shortest     length.MM // the finished loop, with the slack of that order
	Longest      length.MM
	About        bool // the true ones lie between these
}

// mostOrders is how many states of what is left to string are gone through, and mostLaid how
// many orders are laid out one by one.
const (
	mostOrders = 200_000
	mostLaid   = 1000
)

// Free lists the stretches of a row whose beads may come in any order, with what each alone
// does to the length. Few orders are laid out one by one. Of many the shortest and the longest
// are found by the sum of a path through all beads of the stretch, by what is left of every
// kind, and are laid out; where beads pass into the holes of others the two are bounds.
func (m *Measured) Free(s *Strand) ([]Free, error) {
	loose := s.looseNodes()
	if len(loose) == 0 {
		return nil, nil
	}
	f, err := newFreeSpan(m.Piece, s)
	if err != nil {
		return nil, err
	}
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
		out = append(out, f.span(from, i))
	}
	return out, nil
}

// looseNodes are the numbers of the nodes in groups of any order.
func (s *Strand) looseNodes() map[int]bool {
	out := map[int]bool{}
	for _, n := range s.Row.Line.Nodes {
		if group, is := n.Unit.(*pattern.Group); is && group.Free {
			for _, inner := range group.Items {
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

// freeSpan lays beads of a strand out in other orders.
type freeSpan struct {
	p    *piece.Piece
	s    *Strand
	st   *stack // as it is written
	ring bool
}

func newFreeSpan(p *piece.Piece, s *Strand) (*freeSpan, error) {
	mk, err := newStrandMaker(p, s.Row)
	if err != nil {
		return nil, err
	}
	f := &freeSpan{p: p, s: s, ring: s.Ring, st: &stack{table: mk.table, beads: make([]faces, len(s.Beads))}}
	for i := range s.Beads {
		b := &s.Beads[i]
		f.st.beads[i] = mk.table.of(b.Material, b.Turned, b.Passes, s.Row.Cord.Cord.Diameter)
	}
	return f, nil
}

// laid measures the strand with the beads from one on in this order: strung, and finished with
// the slack that its bending then needs.
func (f *freeSpan) laid(from int, order []faces) (strung, finished length.MM) {
	st := &stack{table: f.st.table, beads: append([]faces(nil), f.st.beads...)}
	copy(st.beads[from:], order)
	l := st.straightOrLoop(f.ring)
	s := &Strand{Row: f.s.Row, Ring: f.ring, Lace: f.s.Lace, Beads: f.s.Beads, times: f.s.times, Strung: l.strung, parts: st.partsOf(l), turns: l.turns}
	tight := l.strung + f.s.Left.Length + f.s.Right.Length
	slack, _ := s.planned(f.p, tight)
	return l.strung, tight + slack
}

// span finds the shortest and the longest order of the beads from one up to another.
func (f *freeSpan) span(from, to int) Free {
	out := Free{First: from, Count: to - from}
	kinds, left := []faces{}, []int{}
	for i := from; i < to; i++ {
		at := 0
		for at < len(kinds) && kinds[at] != f.st.beads[i] {
			at++
		}
		if at == len(kinds) {
			kinds, left = append(kinds, f.st.beads[i]), append(left, 0)
		}
		left[at]++
	}
	out.Least, out.Shortest = length.MM(math.Inf(1)), length.MM(math.Inf(1))
	out.Most, out.Longest = -out.Least, -out.Shortest
	look := func(order []faces) {
		strung, finished := f.laid(from, order)
		out.Least, out.Most = min(out.Least, strung), max(out.Most, strung)
		out.Shortest, out.Longest = min(out.Shortest, finished), max(out.Longest, finished)
	}
	if countOrders(left) <= mostLaid {
		eachOrder(kinds, left, look)
		return out
	}
	pairs := f.pairs(from, to, kinds)
	if pairs.passing {
		f.bounds(&out, pairs, left)
		return out
	}
	closed := f.ring && to-from == len(f.s.Beads)
	shortest, longest := pairs.order(left, closed), pairs.negative().order(left, closed)
	if shortest == nil {
		f.bounds(&out, pairs, left)
		return out
	}
	for _, order := range [][]int{shortest, longest} {
		beads := make([]faces, len(order))
		for i, k := range order {
			beads[i] = kinds[k]
		}
		look(beads)
	}
	return out
}

// bounds gives what no order can fall below or go beyond: shorter than what only those leave
// that pass into no hole, longer than all at their furthest apart. The slack is that of the
// order as it is written.
func (f *freeSpan) bounds(out *Free, pairs *pairTable, left []int) {
	least, most := pairs.bounds(left)
	rest := f.s.Finished() - f.s.Strung
	out.About, out.Least, out.Most = true, f.s.Strung+length.MM(least)-pairs.written, f.s.Strung+length.MM(most)-pairs.written
	out.Shortest, out.Longest = out.Least+rest, out.Most+rest
}

// pairs gives how far apart each two kinds lie, before the first and behind the last what
// stands there, and how long the stretch is as it is written.
func (f *freeSpan) pairs(from, to int, kinds []faces) *pairTable {
	p := &pairTable{between: make([][]float64, len(kinds)), before: make([]float64, len(kinds)), behind: make([]float64, len(kinds))}
	apart := func(a, b faces) float64 {
		c := f.st.table.between(a.right, b.left)
		if !c.touches {
			p.passing = true
			return 0
		}
		return float64(c.Distance)
	}
	n := len(f.s.Beads)
	beside := func(i int) (faces, bool) {
		if i < 0 || i >= n {
			if !f.ring || n == to-from {
				return faces{}, false
			}
			i = (i + n) % n
		}
		return f.st.beads[i], true
	}
	left, hasLeft := beside(from - 1)
	right, hasRight := beside(to)
	for i, a := range kinds {
		p.between[i] = make([]float64, len(kinds))
		for j, b := range kinds {
			p.between[i][j] = apart(a, b)
		}
		p.before[i], p.behind[i] = float64(f.st.table.faces[a.left].AtRim()), float64(f.st.table.faces[a.right].AtRim())
		if hasLeft {
			p.before[i] = apart(left, a)
		}
		if hasRight {
			p.behind[i] = apart(a, right)
		}
	}
	// From middle to middle of what stands before and behind, or to the rims.
	at := func(i int, behind bool) length.MM {
		switch {
		case i < 0:
			return 0
		case i >= n && behind && !f.ring:
			return f.s.Strung
		case i >= n:
			return f.s.Beads[i-n].At + f.s.Strung
		}
		return f.s.Beads[i].At
	}
	p.written = at(to, true) - at(from-1, false)
	if f.ring && from == 0 && to < n {
		p.written = at(to, true) - (f.s.Beads[n-1].At - f.s.Strung)
	}
	return p
}
