// Package measure works out what a piece comes to: where every bead lies, how
// long the strand is, what the ends add, how much cord to cut, what it weighs.
// It measures; it does not judge.
package measure

import (
	"math"

	"mala/core/length"
)

// stack is beads set against each other on one cord.
type stack struct {
	beads []faces
	table *contactTable
}

// layout is where the beads of a stack come to lie.
type layout struct {
	at     []length.MM // middles
	before []int32     // the bead that holds each one off, -1 for none
	strung length.MM
	path   []int // the beads along the path of contacts that decides the length
	turns  int   // how often that path goes round a ring; 0 for an open strand
}

// straight sets the beads on a straight cord by the longest path: each lies as
// far left as the start of the strand and the beads before it allow, leaving out
// pairs of which one passes into the other's hole. The strand is measured
// between the rims of its outermost holes.
func (s *stack) straight() layout {
	n := len(s.beads)
	out := layout{at: make([]length.MM, n), before: make([]int32, n)}
	if n == 0 {
		return out
	}
	reached := make([]length.MM, n) // right end of all beads up to here
	recent := newRecentKinds(s)
	last := 0
	for k, b := range s.beads {
		best, from := s.table.faces[b.left].AtRim(), int32(-1)
		reach := s.table.faces[b.left].Reach()
		for j := recent.first(); j >= 0; j = recent.next(j) {
			if reached[j]+reach <= best {
				break
			}
			if c := s.table.between(s.beads[j].right, b.left); c.touches && out.at[j]+c.Distance > best {
				best, from = out.at[j]+c.Distance, int32(j)
			}
		}
		out.at[k], out.before[k] = best, from
		reached[k] = best + s.table.faces[b.right].Reach()
		if k > 0 {
			reached[k] = max(reached[k], reached[k-1])
		}
		recent.see(k)
		if end := best + s.table.faces[b.right].AtRim(); end > out.strung {
			out.strung, last = end, k
		}
	}
	out.path = make([]int, 0, n)
	for k := last; k >= 0; k = int(out.before[k]) {
		out.path = append(out.path, k)
	}
	reverse(out.path)
	return out
}

func reverse(list []int) {
	for i, j := 0, len(list)-1; i < j; i, j = i+1, j-1 {
		list[i], list[j] = list[j], list[i]
	}
}

// recentKinds lists the bead seen last of every kind, the latest first. Two
// beads of one kind always touch, so of each kind only the latest can hold
// another bead off.
type recentKinds struct {
	kind       []int32 // of each bead, by its two faces
	last       []int32 // bead of each kind, -1 for none yet
	newer, old []int32 // neighbours of each kind in the list
	head       int32
}

func newRecentKinds(s *stack) *recentKinds {
	r := &recentKinds{kind: make([]int32, len(s.beads)), head: -1}
	number := make([]int32, len(s.table.faces))
	for i := range number {
		number[i] = -1
	}
	for i, b := range s.beads {
		if number[b.left] < 0 {
			number[b.left] = int32(len(r.last))
			r.last = append(r.last, -1)
		}
		r.kind[i] = number[b.left]
	}
	r.newer, r.old = make([]int32, len(r.last)), make([]int32, len(r.last))
	return r
}

// see puts bead k's kind at the head of the list.
func (r *recentKinds) see(k int) {
	kind := r.kind[k]
	if r.last[kind] >= 0 && kind != r.head {
		newer, old := r.newer[kind], r.old[kind]
		r.old[newer] = old
		if old >= 0 {
			r.newer[old] = newer
		}
	}
	r.last[kind] = int32(k)
	if kind == r.head {
		return
	}
	if r.head >= 0 {
		r.newer[r.head] = kind
	}
	r.old[kind], r.newer[kind], r.head = r.head, -1, kind
}

// first gives the bead seen last, -1 for none.
func (r *recentKinds) first() int {
	if r.head < 0 {
		return -1
	}
	return int(r.last[r.head])
}

// next gives the bead seen last of the next kind after that of bead j.
func (r *recentKinds) next(j int) int {
	old := r.old[r.kind[j]]
	if old < 0 {
		return -1
	}
	return int(r.last[old])
}

// unreached marks a bead that no path leads to.
var unreached = length.MM(math.Inf(-1))
