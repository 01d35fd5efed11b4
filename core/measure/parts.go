package measure

import (
	"math"

	"mala/core/length"
	"mala/core/material"
)

// A stiffPart is a stretch of the deciding path that does not bend: one bead
// with the caps that are seated on it. Its length runs between the planes in
// which it meets its neighbours; where a strand ends, to the rim of its hole.
type stiffPart struct {
	beads       []BeadInLink
	length      float64 // mm
	left, right float64 // radius in mm at which it turns against the part on that side
	inwards     float64 // how far it reaches from the cord towards the body, in mm
	gap         length.MM
}

// partsOf cuts the deciding path into stiff parts. A ring's path that goes round
// several times gives the parts of all its turns.
func (s *stack) partsOf(l layout) []stiffPart {
	n := len(l.path)
	if n == 0 {
		return nil
	}
	ring := l.turns > 0
	joint := s.jointsOf(l)
	begin := 0
	if ring {
		// A part that lies across the start of the path is taken whole.
		for begin < n-1 && joint((begin+n-1)%n).stiff {
			begin++
		}
	}
	parts, beads := make([]stiffPart, 0, n), make([]BeadInLink, n)
	open := false
	for k := range n {
		i := (begin + k) % n
		b := s.beads[l.path[i]]
		if !open {
			parts = append(parts, stiffPart{})
		}
		part := &parts[len(parts)-1]
		before, left := s.sideBefore(l, i, joint)
		behind, right := s.sideBehind(l, i, joint)
		if !open {
			part.left = left.hinge
		}
		beads[k] = BeadInLink{l.path[i], part.length + before}
		part.beads = beads[k-len(part.beads) : k+1]
		part.length += before + behind
		part.right, part.gap = right.hinge, right.hole
		part.inwards = max(part.inwards, s.table.inwards(b.left))
		open = right.stiff && (ring || i+1 < n) && k+1 < n
	}
	return parts
}

// jointsOf gives the joint between the i-th bead of the path and the next one round.
func (s *stack) jointsOf(l layout) func(i int) *contact {
	return func(i int) *contact {
		next := i + 1
		if next == len(l.path) {
			next = 0
		}
		return s.table.between(s.beads[l.path[i]].right, s.beads[l.path[next]].left)
	}
}

// sideBefore is what the i-th bead of the path takes before its middle, in mm,
// and the contact that bounds it. At a strand's end that is the rim of its hole.
func (s *stack) sideBefore(l layout, i int, joint func(int) *contact) (float64, *contact) {
	if i > 0 || l.turns > 0 {
		if i == 0 {
			i = len(l.path)
		}
		c := joint(i - 1)
		return c.share[1], c
	}
	return s.outermost(s.beads[l.path[i]].left)
}

// sideBehind is what the i-th bead of the path takes behind its middle, in mm,
// and the contact that bounds it.
func (s *stack) sideBehind(l layout, i int, joint func(int) *contact) (float64, *contact) {
	if i+1 < len(l.path) || l.turns > 0 {
		c := joint(i)
		return c.share[0], c
	}
	return s.outermost(s.beads[l.path[i]].right)
}

func (s *stack) outermost(f face) (float64, *contact) {
	at := s.table.faces[f]
	return float64(at.AtRim()), &contact{hinge: min(at.Rim(), s.table.halfThick(f))}
}

// turningGaps is the sum of the gaps that bending into a loop of this length
// opens on the cord's line: 2ρ tan(t/2) at each joint of radius ρ between two
// stiff parts, which turns by t = π × the sum of their lengths / the loop, for each time the
// loop goes round. The
// joint to a fitting opens nothing.
func (s *Strand) turningGaps(loop length.MM, radius func(left *stiffPart) float64) length.MM {
	sum := 0.0
	n := len(s.parts)
	before, tangent := 0.0, 0.0 // of the joint before: most are alike
	for i := range s.parts {
		if i+1 == n && !s.Ring {
			break
		}
		a, b := &s.parts[i], &s.parts[(i+1)%n]
		half := math.Pi / 2 * float64(s.times) * (a.length + b.length) / float64(loop)
		if half < math.Pi/2 && half > 0 {
			if half != before {
				before, tangent = half, math.Tan(half)
			}
			sum += 2 * radius(a) * tangent
		}
	}
	return length.MM(sum / float64(max(1, s.turns)))
}

// slackNeeded is the slack that bending into a loop of this length takes.
func (s *Strand) slackNeeded(loop length.MM) length.MM {
	return max(0, s.turningGaps(loop, func(left *stiffPart) float64 { return left.right }))
}

// SlackLeast is the slack below which the strand will not lie round: the cord
// lies to the inside of its holes, so each joint opens only by ρ - (hole -
// cord)/2, and never by less than 0. Of two holes the finer decides.
func (s *Strand) SlackLeast() length.MM {
	if s.Lace != nil {
		return 0 // its cord lies at the back, where the flats turn
	}
	cord := s.Row.Cord.Cord.Diameter
	return s.turningGaps(s.tight, func(left *stiffPart) float64 {
		return max(0, left.right-float64(left.gap-cord)/2)
	})
}

// shares works out how much of the strand's length, in mm, the faces of each
// material give: their part of every contact that decides it, and of the ends.
func (s *Strand) shares(st *stack, l layout) map[*material.Material]float64 {
	byKind, decides := make([]float64, len(st.table.kinds)), make([]bool, len(st.table.kinds))
	joint := st.jointsOf(l)
	for i, k := range l.path {
		before, _ := st.sideBefore(l, i, joint)
		behind, _ := st.sideBehind(l, i, joint)
		kind := st.beads[k].left.kind()
		byKind[kind] += (before + behind) / float64(max(1, l.turns))
		decides[kind] = true
	}
	out := make(map[*material.Material]float64, len(byKind))
	for i, share := range byKind {
		if decides[i] {
			out[st.table.kinds[i].material] += share
		}
	}
	return out
}
