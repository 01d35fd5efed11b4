package measure

import "mala/core/length"

// settledWithin is how little a bead may still move for a loop to have settled,
// in mm.
const settledWithin = length.MM(1e-9)

// loop sets the beads round a closed loop. Its length is the maximum cycle mean
// of the contacts: the greatest length of a chain of touching beads that comes
// back to where it began, for each turn it makes. It is found by policy iteration
// (Howard): at a length that is too short the beads push each other round, and
// the chain that does so gives a longer one. So it does not depend on where the
// line starts. Positions count from the left rim of the first bead.
func (s *stack) loop() layout {
	n := len(s.beads)
	if n == 0 {
		return layout{}
	}
	r := &ringRelaxation{stack: s, at: make([]length.MM, n), before: make([]int32, n), reached: make([]length.MM, n)}
	out := layout{at: r.at, before: r.before}
	out.path, out.turns = r.deciding()
	out.strung = r.length
	r.from(out.path[0])
	start := r.at[0] - s.table.faces[s.beads[0].left].AtRim()
	for k := range r.at {
		r.at[k] -= start
	}
	return out
}

// ringRelaxation finds where the beads of a loop of a length lie by pushing each
// off those before it, turn after turn.
type ringRelaxation struct {
	stack   *stack
	length  length.MM
	at      []length.MM
	before  []int32     // the bead that pushed each one last
	reached []length.MM // right end of all beads up to here, of the last turn
	recent  *recentKinds
}

// deciding finds the cycle of beads that decides the length, how often it goes
// round, and the length.
func (r *ringRelaxation) deciding() (path []int, turns int) {
	first := r.stack.straight()
	copy(r.at, first.at)
	// The strand laid straight and closed on its first bead is nearly always it;
	// a bead against itself is the shortest cycle there can be.
	path, r.length = r.closedOn(first)
	turns = 1
	r.forget()
	r.rewind()
	for r.turn() {
		if found, mean, times := r.cycle(); found != nil && mean > r.length+settledWithin {
			r.length, path, turns = mean, found, times
			r.forget()
		}
	}
	return path, turns
}

// closedOn gives the chain from the first bead round to that bead again in a
// strand laid straight, and its length.
func (r *ringRelaxation) closedOn(l layout) ([]int, length.MM) {
	first := r.stack.beads[0]
	best, from := unreached, 0
	for j := len(r.stack.beads) - 1; j >= 0; j-- {
		if c := r.stack.table.between(r.stack.beads[j].right, first.left); c.touches && l.at[j]+c.Distance > best {
			best, from = l.at[j]+c.Distance, j
		}
	}
	var path []int
	for k := from; k >= 0; k = int(l.before[k]) {
		path = append(path, k)
	}
	reverse(path)
	if path[0] != 0 {
		return []int{0}, r.stack.table.between(first.right, first.left).Distance
	}
	return path, best - l.at[0]
}

// forget lets go of what pushed what.
func (r *ringRelaxation) forget() {
	for k := range r.before {
		r.before[k] = -1
	}
}

// rewind begins a new count of turns as if one had been made.
func (r *ringRelaxation) rewind() {
	r.recent = newRecentKinds(r.stack)
	far := unreached
	for k, b := range r.stack.beads {
		r.recent.see(k)
		far = max(far, r.at[k]+r.stack.table.faces[b.right].Reach())
		r.reached[k] = far
	}
}

// turn pushes every bead once round; it says whether any moved.
func (r *ringRelaxation) turn() bool {
	moved := false
	whole := r.reached[len(r.reached)-1] - r.length
	for k, b := range r.stack.beads {
		reach := r.stack.table.faces[b.left].Reach()
		best := r.at[k]
		for j := r.recent.first(); j >= 0; j = r.recent.next(j) {
			at, bound := r.at[j], r.reached[j]
			if j >= k {
				at, bound = at-r.length, bound-r.length
			} else {
				bound = max(bound, whole)
			}
			if bound+reach <= best {
				break
			}
			if c := r.stack.table.between(r.stack.beads[j].right, b.left); c.touches && at+c.Distance > best+settledWithin {
				best, r.before[k], moved = at+c.Distance, int32(j), true
			}
		}
		r.at[k] = best
		r.reached[k] = best + r.stack.table.faces[b.right].Reach()
		if k > 0 {
			r.reached[k] = max(r.reached[k], r.reached[k-1])
		}
		r.recent.see(k)
	}
	return moved
}

// cycle looks for beads that push each other round, and gives those with the
// greatest mean length a turn.
func (r *ringRelaxation) cycle() (path []int, mean length.MM, turns int) {
	seen := make([]int32, len(r.before))
	for start := range r.before {
		k := start
		for k >= 0 && seen[k] == 0 {
			seen[k] = int32(start + 1)
			k = int(r.before[k])
		}
		if k < 0 || seen[k] != int32(start+1) {
			continue
		}
		found, sum, times := []int{}, length.MM(0), 0
		for at := k; ; {
			from := int(r.before[at])
			found = append(found, at)
			sum += r.stack.table.between(r.stack.beads[from].right, r.stack.beads[at].left).Distance
			if from >= at {
				times++
			}
			if at = from; at == k {
				break
			}
		}
		if each := sum / length.MM(times); path == nil || each > mean {
			reverse(found)
			path, mean, turns = found, each, times
		}
	}
	return path, mean, turns
}

// from lays the settled loop out from one bead of its deciding cycle. Beads
// that touch none of those, inside the holes of their neighbours, follow from the
// first of them, midway between the beads it lies between.
func (r *ringRelaxation) from(root int) {
	for k := range r.at {
		r.at[k] = unreached
	}
	r.at[root] = 0
	r.settle()
	for k := range r.at {
		if r.at[k] == unreached {
			r.at[k] = (r.beside(k, -1) + r.beside(k, 1)) / 2
			r.settle()
		}
	}
}

func (r *ringRelaxation) settle() {
	r.forget()
	r.rewind()
	for r.turn() {
	}
}

// beside gives where the next bead that is laid out lies, going on from bead k by
// this many beads at a time.
func (r *ringRelaxation) beside(k, by int) length.MM {
	n, round := len(r.at), length.MM(0)
	for {
		switch k += by; {
		case k < 0:
			k, round = n-1, round-r.length
		case k == n:
			k, round = 0, round+r.length
		}
		if r.at[k] > unreached {
			return r.at[k] + round
		}
	}
}
