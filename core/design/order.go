// Package design says what each bead and run of a strand is to its designer, how it is regular,
// and in which ways it can be longer or shorter and still be the same design. Checks, proposals, fixes
// and sizes ask it; none guesses by itself.
package design

import (
	"slices"

	"mala/core/material"
	"mala/core/measure"
)

// Seen is what shows of a bead in the order of a strand: which it is, and which
// way round it lies where that can be Seen. The letters of a word are all alike
// here: a word has an order of its own.
type Seen struct {
	Material *material.Material
	Turned   bool
}

// ALetter stands for every letter bead.
var ALetter = &material.Material{Bead: &material.Bead{Shape: material.Letter}}

// Order is the strand's order as it is seen.
func Order(s *measure.Strand) []Seen {
	out := make([]Seen, len(s.Beads))
	for i := range s.Beads {
		b := &s.Beads[i]
		out[i] = Seen{b.Material, b.Turned}
		if b.Material.Bead.Shape == material.Letter {
			out[i] = Seen{Material: ALetter}
		}
	}
	return out
}

// RingOrder is the order of what is strung round a ring, without what hangs on
// the cord, and which bead of the strand each is.
func RingOrder(s *measure.Strand) (order []Seen, at []int) {
	for i, o := range Order(s) {
		if !s.Beads[i].Material.Bead.Hangs() {
			order, at = append(order, o), append(at, i)
		}
	}
	return order, at
}

// Mirrored is the bead as the other half of a mirror shows it.
func (s Seen) Mirrored() Seen {
	if s.Material.Bead.Turns() {
		s.Turned = !s.Turned
	}
	return s
}

// IsCap says whether the bead is a cap.
func (s Seen) IsCap() bool { return s.Material.Bead.Shape == material.Cap }

// ReadsBothWays says whether the order is its own mirror image.
func ReadsBothWays(order []Seen) bool {
	for i, j := 0, len(order)-1; i <= j; i, j = i+1, j-1 {
		// A bead in the very middle is not mirrored, and may face either way.
		if i < j && order[i] != order[j].Mirrored() {
			return false
		}
	}
	return true
}

// Period is the length of the shortest stretch whose repetition, perhaps cut
// short at the end, gives the order; all of it if none is shorter. It is found
// by the failure function of Knuth, Morris and Pratt.
func Period(order []Seen) int {
	n := len(order)
	fail := make([]int, n+1)
	if n > 0 {
		fail[0] = -1
	}
	for i, k := 0, -1; i < n; {
		for k >= 0 && order[i] != order[k] {
			k = fail[k]
		}
		i, k = i+1, k+1
		fail[i] = k
	}
	return n - fail[n]
}

// Runs counts the runs of alike beads.
func Runs(order []Seen) int {
	runs := 0
	for i := range order {
		if i == 0 || order[i] != order[i-1] {
			runs++
		}
	}
	return runs
}

// Elsewhere says whether a bead like the one at i is in the order a second time.
func Elsewhere(order []Seen, i int) bool {
	like := func(o Seen) bool { return o.Material == order[i].Material }
	return slices.ContainsFunc(order[:i], like) || slices.ContainsFunc(order[i+1:], like)
}
