package check

import (
	"slices"

	"mala/core/material"
	"mala/core/measure"
)

// seen is what shows of a bead in the order of a strand: which it is, and which
// way round it lies where that can be seen. The letters of a word are all alike
// here: a word has an order of its own.
type seen struct {
	material *material.Material
	turned   bool
}

// aLetter stands for every letter bead.
var aLetter = &material.Material{Bead: &material.Bead{Shape: material.Letter}}

// order is the strand's order as it is seen, worked out once.
func (v *View) order(s *measure.Strand) []seen {
	type orderSeen struct{ of *measure.Strand }
	return v.Kept(orderSeen{s}, func() any { return orderOf(s) }).([]seen)
}

// orderOf is the strand's order as it is seen.
func orderOf(s *measure.Strand) []seen {
	out := make([]seen, len(s.Beads))
	for i := range s.Beads {
		b := &s.Beads[i]
		out[i] = seen{b.Material, b.Turned}
		if b.Material.Bead.Shape == material.Letter {
			out[i] = seen{material: aLetter}
		}
	}
	return out
}

// ringOrder is the order of what is strung round a ring, without what hangs on
// the cord, and which bead of the strand each is.
func ringOrder(s *measure.Strand) (order []seen, at []int) {
	for i, o := range orderOf(s) {
		if !s.Beads[i].Material.Bead.Hangs() {
			order, at = append(order, o), append(at, i)
		}
	}
	return order, at
}

// mirrored is the bead as the other half of a mirror shows it.
func (s seen) mirrored() seen {
	if s.material.Bead.Turns() {
		s.turned = !s.turned
	}
	return s
}

// isCap says whether the bead is a cap.
func (s seen) isCap() bool { return s.material.Bead.Shape == material.Cap }

// readsBothWays says whether the order is its own mirror image.
func readsBothWays(order []seen) bool {
	for i, j := 0, len(order)-1; i <= j; i, j = i+1, j-1 {
		// A bead in the very middle is not mirrored, and may face either way.
		if i < j && order[i] != order[j].mirrored() {
			return false
		}
	}
	return true
}

// periodOf is the length of the shortest stretch whose repetition, perhaps cut
// short at the end, gives the order; all of it if none is shorter. It is found
// by the failure function of Knuth, Morris and Pratt.
func periodOf(order []seen) int {
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

// runsIn counts the runs of alike beads.
func runsIn(order []seen) int {
	runs := 0
	for i := range order {
		if i == 0 || order[i] != order[i-1] {
			runs++
		}
	}
	return runs
}

// elsewhere says whether a bead like the one at i is in the order a second time.
func elsewhere(order []seen, i int) bool {
	like := func(o seen) bool { return o.material == order[i].material }
	return slices.ContainsFunc(order[:i], like) || slices.ContainsFunc(order[i+1:], like)
}
