package check

import (
	"mala/core/material"
	"mala/core/measure"
)

// seen is what shows of a bead in the order of a strand: which it is, and which
// way round it lies where that can be seen.
type seen struct {
	material *material.Material
	turned   bool
}

// orderOf is the strand's order as it is seen.
func orderOf(s *measure.Strand) []seen {
	out := make([]seen, len(s.Beads))
	for i, b := range s.Beads {
		out[i] = seen{b.Material, b.Turned}
	}
	return out
}

// mirrored is the bead as the other half of a mirror shows it.
func (s seen) mirrored() seen {
	if s.material.Bead.Turns() {
		s.turned = !s.turned
	}
	return s
}

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

// neighboursOf gives what stands before and behind the bead at i, round the join
// of a ring; nil at an end.
func neighboursOf(s *measure.Strand, i int) (before, next *material.Material) {
	at := func(k int) *material.Material {
		n := len(s.Beads)
		if s.Ring && n > 2 {
			k = (k + n) % n
		}
		if k < 0 || k >= n {
			return nil
		}
		return s.Beads[k].Material
	}
	return at(i - 1), at(i + 1)
}
