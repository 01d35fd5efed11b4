// Package measure works out what a piece comes to: where every bead lies, how
// long the strand is, what the ends add, how much cord to cut, what it weighs.
// It measures; it does not judge.
package measure

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
)

// Joint is a pair of faces that touch and hold their beads apart, and how often
// they do so along the path that decides the length.
type Joint struct {
	Contact     material.Contact
	Count       int
	left, right face       // the faces that meet: the left bead's right one, the right bead's left one
	share       [2]float64 // what each of the two faces gives to the distance, in mm
	hole        length.MM  // the finer of the two holes
}

// face numbers one face of one kind of bead in the contact table: twice the
// kind, and one more for its right face.
type face int32

func (f face) kind() int { return int(f) / 2 }

// lying is the two faces of a bead as it lies.
type lying struct{ left, right face }

// contactTable remembers how any two faces meet, so that each pair is worked
// out once however often it stands in the strand.
type contactTable struct {
	kinds   []*material.Material
	faces   []material.Face
	reach   []length.MM
	index   map[*material.Material]int
	known   []contactEntry
	breadth int
}

type contactEntry struct {
	material.Contact
	share          [2]float64
	known, touches bool
	used           int // along the deciding path of the stack being laid
}

// newContactTable makes room for at most so many different beads.
func newContactTable(beads int) *contactTable {
	n := 2 * beads
	return &contactTable{index: make(map[*material.Material]int, beads), known: make([]contactEntry, n*n), breadth: n}
}

// of gives the faces of the bead as it lies.
func (t *contactTable) of(m *material.Material, turned bool) lying {
	i, ok := t.index[m]
	if !ok {
		i = len(t.kinds)
		t.index[m] = i
		t.kinds = append(t.kinds, m)
		for _, right := range []bool{false, true} {
			f := m.Bead.Face(right)
			t.faces = append(t.faces, f)
			t.reach = append(t.reach, f.Reach())
		}
	}
	if turned {
		return lying{left: face(2*i + 1), right: face(2 * i)}
	}
	return lying{left: face(2 * i), right: face(2*i + 1)}
}

// between gives how a right face meets a left face.
func (t *contactTable) between(right, left face) *contactEntry {
	e := &t.known[int(right)*t.breadth+int(left)]
	if !e.known {
		t.workOut(e, right, left)
	}
	return e
}

func (t *contactTable) workOut(e *contactEntry, right, left face) {
	a, b := t.faces[right], t.faces[left]
	e.Contact, e.touches = material.Touch(a, b)
	e.share = [2]float64{a.At(e.Radius), b.At(e.Radius)}
	e.known = true
}

func (t *contactTable) finerHole(a, b face) length.MM {
	return min(t.kinds[a.kind()].Bead.Hole, t.kinds[b.kind()].Bead.Hole)
}

// stack lays beads against each other.
type stack struct {
	beads []lying
	table *contactTable
}

// laid is where the beads of a stack come to lie.
type laid struct {
	at        []length.MM // middles
	before    []int32     // the bead that holds each one off, -1 for none
	swallowed []bool      // it and the bead before it have no radius in common
	first     int         // the bead whose left face is leftmost
	last      int         // the bead whose right face is rightmost
	start     length.MM   // where the leftmost face lies
	strung    length.MM
}

// straight lays the beads on a straight cord by the longest path: each lies as
// far right as any bead before it pushes it, leaving out pairs of which one
// passes into the other's hole. Beads far to the left are passed over as soon
// as none of them could reach.
func (s *stack) straight() laid {
	n := len(s.beads)
	out := laid{at: make([]length.MM, n), before: make([]int32, n), swallowed: make([]bool, n), start: length.MM(math.Inf(1))}
	if n == 0 {
		return out
	}
	furthest := make([]length.MM, n) // right end of all beads up to here
	for k, b := range s.beads {
		reach := s.table.reach[b.left]
		best, from := length.MM(math.Inf(-1)), -1
		for j := k - 1; j >= 0 && furthest[j]+reach > best; j-- {
			c := s.table.between(s.beads[j].right, b.left)
			if c.touches && out.at[j]+c.Distance > best {
				best, from = out.at[j]+c.Distance, j
			}
			if j == k-1 {
				out.swallowed[k] = !c.touches
			}
		}
		if from < 0 {
			best = 0
			if k > 0 {
				best = out.start + reach
			}
		}
		out.at[k], out.before[k] = best, int32(from)
		if end := best + s.table.reach[b.right]; k == 0 || end > furthest[k-1] {
			furthest[k], out.last = end, k
		} else {
			furthest[k] = furthest[k-1]
		}
		if best-reach < out.start {
			out.start, out.first = best-reach, k
		}
	}
	out.strung = furthest[n-1] - out.start
	return out
}

// joints follows the path of contacts that decides the length, back from bead
// last, and counts how often each pair of faces stands in it.
func (s *stack) joints(l laid, last int) []Joint {
	for k := last; l.before[k] >= 0; k = int(l.before[k]) {
		s.table.between(s.beads[l.before[k]].right, s.beads[k].left).used++
	}
	var out []Joint
	for i := range s.table.known {
		if e := &s.table.known[i]; e.used > 0 {
			out = append(out, Joint{Contact: e.Contact, Count: e.used, share: e.share,
				left: face(i / s.table.breadth), right: face(i % s.table.breadth),
				hole: s.table.finerHole(face(i/s.table.breadth), face(i%s.table.breadth))})
			e.used = 0
		}
	}
	return out
}

// onPath is a bead on the path of contacts that decides the length: its length
// in mm between its contact planes, how much of it lies before its middle, and the
// contact radius at either side.
type onPath struct {
	bead                        int
	length, before, left, right float64
}

// path lists the beads along the deciding path of an open stack, from its first
// face to its last. At the ends a bead counts to its own rims.
func (s *stack) path(l laid) []onPath {
	if len(s.beads) == 0 {
		return nil
	}
	out := s.between(l, l.last)
	rim := func(f face) (reach, radius float64) {
		at := s.table.faces[f]
		return float64(s.table.reach[f]), at.Rim()
	}
	first, last := &out[0], &out[len(out)-1]
	reach, radius := rim(s.beads[first.bead].left)
	first.length, first.before, first.left = first.length+reach, reach, radius
	reach, radius = rim(s.beads[last.bead].right)
	last.length, last.right = last.length+reach, radius
	return out
}

// between follows the path back from bead last, counting what each contact gives.
func (s *stack) between(l laid, last int) []onPath {
	out := []onPath{{bead: last}}
	for k := last; l.before[k] >= 0; k = int(l.before[k]) {
		j := int(l.before[k])
		e := s.table.between(s.beads[j].right, s.beads[k].left)
		to := &out[len(out)-1]
		to.left, to.length, to.before = e.Radius, to.length+e.share[1], e.share[1]
		out = append(out, onPath{bead: j, right: e.Radius, length: e.share[0]})
	}
	slices.Reverse(out)
	return out
}

// cut finds the bead to cut a ring at: one that touches every other bead of the
// ring, so that nothing can pass it on either side.
func (s *stack) cut() int {
	different := map[lying]bool{}
	for _, b := range s.beads {
		different[b] = true
	}
	touchesAll := func(f lying) bool {
		for other := range different {
			if !s.table.between(f.right, other.left).touches || !s.table.between(other.right, f.left).touches {
				return false
			}
		}
		return true
	}
	tried := map[lying]bool{}
	for k, b := range s.beads {
		if tried[b] {
			continue
		}
		tried[b] = true
		if touchesAll(b) {
			return k
		}
	}
	return 0
}

// ring lays the beads round a loop: the stack is cut at a bead, laid out straight,
// and closed on a copy of that bead. Positions start at the left face of the first bead.
func (s *stack) ring() (laid, []Joint, func() []onPath) {
	n := len(s.beads)
	if n == 0 {
		return laid{}, nil, nil
	}
	cut := s.cut()
	open := &stack{table: s.table, beads: make([]lying, 0, n+1)}
	for k := range n + 1 {
		open.beads = append(open.beads, s.beads[(cut+k)%n])
	}
	l := open.straight()
	out := laid{at: make([]length.MM, n), swallowed: make([]bool, n), strung: l.at[n] - l.at[0]}
	first := l.at[(n-cut)%n]
	for k := range n {
		from := (k + n - cut) % n
		out.at[k] = l.at[from] - first
		if out.at[k] < 0 {
			out.at[k] += out.strung
		}
		out.at[k] += s.table.reach[s.beads[0].left]
		out.swallowed[k] = l.swallowed[from] || from == 0 && l.swallowed[n]
	}
	path := func() []onPath {
		// The copy's left side is that of the bead it copies.
		path := open.between(l, n)
		end := len(path) - 1
		path[0].left, path[0].length, path[0].before = path[end].left, path[0].length+path[end].length, path[end].length
		path = path[:end]
		for i := range path {
			path[i].bead = (path[i].bead + cut) % n
		}
		return path
	}
	return out, open.joints(l, n), path
}
