package check

import (
	"slices"

	"mala/core/design"
	"mala/core/measure"
)

// beadInRepeats finds the one bead that a ring of repeats has too many or too few, wherever it lies;
// else it says whether the ring is whole repeats.
func beadInRepeats(s *measure.Strand) (found *slip, whole bool) {
	order, at := design.RingOrder(s)
	n := len(order)
	if n < fewestPattern || n > mostPattern || design.Runs(order) < fewestRuns {
		return nil, false
	}
	plain := func(k int) bool { // not a bead of a group, which comes in each of its repeats
		top := s.Row.Line.Top(s.Beads[at[(k+n)%n]].Node)
		return top.IsBead() || top.Count == 1
	}
	for p := 2; p <= n/2; p++ {
		switch {
		case n%p == 0:
			if repeats(order, p) {
				return nil, true
			}
		case n%p == 1:
			found = extraInRepeats(order, p, plain)
		case n%p == p-1:
			found = missingInRepeats(order, p, plain)
		}
		if found != nil {
			if found.at < n {
				found.at = at[found.at]
			} else {
				found.at = len(s.Beads)
			}
			return found, false
		}
	}
	return nil, false
}

// repeats says whether a ring is whole repeats of p beads.
func repeats(order []design.Seen, p int) bool {
	for i := range order {
		if order[i] != order[(i+p)%len(order)] {
			return false
		}
	}
	return true
}

// differing lists where a bead of a ring differs from the one p further on; nil where it differs in more
// places than one bead can bring about.
func differing(order []design.Seen, p int) []int {
	var off []int
	for i := range order {
		if order[i] != order[(i+p)%len(order)] {
			if off = append(off, i); len(off) > p+1 {
				return nil
			}
		}
	}
	return off
}

// extraInRepeats tries each bead that may be the one too many; of alike ones it takes one that is written
// by itself.
func extraInRepeats(order []design.Seen, p int, plain func(int) bool) *slip {
	n := len(order)
	var found *slip
	for _, k := range places(differing(order, p), p, n) {
		left := slices.Delete(slices.Clone(order), k, k+1)
		if !repeats(left, p) || design.Runs(left[:p]) < 2 {
			continue
		}
		if found == nil || plain(k) {
			found = &slip{at: k, kind: extra, of: InRepeat}
		}
	}
	return found
}

// missingInRepeats tries each place where the one too few may be missing; of several it takes one beside
// a bead of its kind that is written by itself.
func missingInRepeats(order []design.Seen, p int, plain func(int) bool) *slip {
	n := len(order)
	var found *slip
	for _, k := range places(differing(order, p), p, n) {
		want := order[(k+p-1)%n]
		whole := slices.Insert(slices.Clone(order), k, want)
		if !repeats(whole, p) || design.Runs(whole[:p]) < 2 {
			continue
		}
		if found == nil || plain(k-1) && order[(k-1+n)%n] == want {
			found = &slip{at: k, kind: missing, want: want, of: InRepeat}
			if k == 0 && plain(n-1) {
				found.at = n
			}
		}
	}
	return found
}

// places lists the beads round where a ring differs from itself.
func places(off []int, p, n int) []int {
	near := map[int]bool{}
	for _, i := range off {
		for k := range 2*p + 1 {
			near[(i+k)%n] = true
		}
	}
	var out []int
	for k := range n {
		if near[k] {
			out = append(out, k)
		}
	}
	return out
}
