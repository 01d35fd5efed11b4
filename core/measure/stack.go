// Package measure works out what a piece comes to: where every bead lies, how
// long the strand is, what the ends add, how much cord to cut, what it weighs.
// It measures; it does not judge.
package measure

import (
	"math"

	"mala/core/length"
	"mala/core/material"
)

// Joint is a place where two beads touch and hold each other apart.
type Joint struct {
	Left, Right int // the beads, by their place in the sequence
	Contact     material.Contact
}

// stack lays beads against each other.
type stack struct {
	faces []faceOf // of each bead, by its place in the sequence
	table *contactTable
}

// faceOf numbers the two faces of one bead in the contact table.
type faceOf struct{ left, right int }

// contactTable remembers how any two faces meet, so that each pair is worked
// out once however often it stands in the strand.
type contactTable struct {
	faces   []material.Face
	reach   []length.MM
	index   map[*material.Bead]int
	known   []contactEntry
	breadth int
}

type contactEntry struct {
	material.Contact
	known, touches bool
}

// newContactTable makes room for at most so many different beads.
func newContactTable(beads int) *contactTable {
	n := 2 * beads
	return &contactTable{index: make(map[*material.Bead]int, beads), known: make([]contactEntry, n*n), breadth: n}
}

// of gives the numbers of the bead's faces, as it lies.
func (t *contactTable) of(b *material.Bead, turned bool) faceOf {
	i, ok := t.index[b]
	if !ok {
		i = len(t.faces)
		t.index[b] = i
		for _, right := range []bool{false, true} {
			f := b.Face(right)
			t.faces = append(t.faces, f)
			t.reach = append(t.reach, f.Reach())
		}
	}
	if turned {
		return faceOf{left: i + 1, right: i}
	}
	return faceOf{left: i, right: i + 1}
}

// between gives how a right face meets a left face.
func (t *contactTable) between(right, left int) *contactEntry {
	e := &t.known[right*t.breadth+left]
	if !e.known {
		e.Contact, e.touches = material.Touch(t.faces[right], t.faces[left])
		e.known = true
	}
	return e
}

// laid is where the beads of a stack come to lie.
type laid struct {
	at     []length.MM // middles
	before []int       // the bead that holds each one off, -1 for none
	strung length.MM
}

// straight lays the beads on a straight cord by the longest path: each lies as
// far right as any bead before it pushes it, leaving out pairs of which one
// passes into the other's hole. Beads far to the left are passed over as soon
// as none of them could reach.
func (s *stack) straight() laid {
	n := len(s.faces)
	out := laid{at: make([]length.MM, n), before: make([]int, n)}
	if n == 0 {
		return out
	}
	furthest := make([]length.MM, n) // right end of all beads up to here
	leftmost := length.MM(math.Inf(1))
	for k := range n {
		f := s.faces[k]
		reach := s.table.reach[f.left]
		best, from := length.MM(math.Inf(-1)), -1
		for j := k - 1; j >= 0 && furthest[j]+reach > best; j-- {
			if c := s.table.between(s.faces[j].right, f.left); c.touches && out.at[j]+c.Distance > best {
				best, from = out.at[j]+c.Distance, j
			}
		}
		if from < 0 {
			best = 0
			if k > 0 {
				best = leftmost + reach
			}
		}
		out.at[k], out.before[k] = best, from
		furthest[k] = best + s.table.reach[f.right]
		if k > 0 {
			furthest[k] = max(furthest[k], furthest[k-1])
		}
		leftmost = min(leftmost, best-reach)
	}
	out.strung = furthest[n-1] - leftmost
	return out
}

// joints follows the path of contacts that decides the length, back from bead
// last.
func (s *stack) joints(l laid, last int) []Joint {
	var out []Joint
	for k := last; l.before[k] >= 0; k = l.before[k] {
		j := l.before[k]
		out = append(out, Joint{Left: j, Right: k, Contact: s.table.between(s.faces[j].right, s.faces[k].left).Contact})
	}
	return out
}

// swallowed says whether neighbours j and k have no radius in common.
func (s *stack) swallowed(j, k int) bool {
	return !s.table.between(s.faces[j].right, s.faces[k].left).touches
}

// cut finds the bead to cut a ring at: one that touches every other bead of the
// ring, so that nothing can pass it on either side.
func (s *stack) cut() int {
	different := map[faceOf]bool{}
	for _, f := range s.faces {
		different[f] = true
	}
	touchesAll := func(f faceOf) bool {
		for other := range different {
			if !s.table.between(f.right, other.left).touches || !s.table.between(other.right, f.left).touches {
				return false
			}
		}
		return true
	}
	tried := map[faceOf]bool{}
	for k, f := range s.faces {
		if tried[f] {
			continue
		}
		tried[f] = true
		if touchesAll(f) {
			return k
		}
	}
	return 0
}

// ring lays the beads round a loop: the stack is cut at a bead, laid out straight,
// and closed on a copy of that bead. Positions start at the left face of the first bead.
func (s *stack) ring() (laid, []Joint) {
	n := len(s.faces)
	if n == 0 {
		return laid{}, nil
	}
	cut := s.cut()
	open := &stack{table: s.table, faces: make([]faceOf, 0, n+1)}
	for k := range n + 1 {
		open.faces = append(open.faces, s.faces[(cut+k)%n])
	}
	l := open.straight()
	out := laid{at: make([]length.MM, n), before: make([]int, n), strung: l.at[n] - l.at[0]}
	first := l.at[(n-cut)%n]
	for k := range n {
		from := (k + n - cut) % n
		out.at[k] = l.at[from] - first
		if out.at[k] < 0 {
			out.at[k] += out.strung
		}
		out.at[k] += s.table.reach[s.faces[0].left]
	}
	joints := open.joints(l, n)
	for i := range joints {
		joints[i].Left, joints[i].Right = (joints[i].Left+cut)%n, (joints[i].Right+cut)%n
	}
	return out, joints
}
