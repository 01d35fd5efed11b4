package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// CutPart is one item of the sum that the cord is cut to.
type CutPart struct {
	Part   string
	Length length.MM
}

// CutLength is the sum.
func (s *Strand) CutLength() length.MM {
	sum := length.MM(0)
	for _, c := range s.Cut {
		sum += c.Length
	}
	return sum
}

// cut follows the cord: once along the axis for every pass, its slack, and at
// each end either twice through crimp and loop with a tail, or enough to tie,
// with something for the hand to hold.
func (s *Strand) cut(h piece.House) {
	passes := length.MM(s.Row.Passes)
	s.Cut = []CutPart{{"axis", s.Strung * passes}}
	if s.Slack > 0 {
		s.Cut = append(s.Cut, CutPart{"slack", s.Slack * passes})
	}
	first, last := h.HandAllowance()
	if s.Row.Cord.Cord.Type == material.Elastic {
		first, last = h.ElasticTail, h.ElasticTail
	}
	s.cutEnd("left", s.Left, h, first)
	s.cutEnd("right", s.Right, h, last)
}

func (s *Strand) cutEnd(side string, e End, h piece.House, hand length.MM) {
	if e.Crimped {
		s.Cut = append(s.Cut, CutPart{side + " crimp and loop, twice", 2 * e.Turn})
		if tail := h.TuckedTail(); tail > 0 {
			s.Cut = append(s.Cut, CutPart{side + " tail", tail})
		}
	}
	if hand > 0 {
		name := side + " hand"
		if !e.Crimped {
			name = side + " to tie"
		}
		s.Cut = append(s.Cut, CutPart{name, hand})
	}
}

// countPasses adds the tail's way back: a tail of a crimped end goes once more
// through the beads it is tucked into.
func (s *Strand) countPasses(h piece.House) {
	tail := h.TuckedTail()
	if tail <= 0 {
		return
	}
	for i := range s.Beads {
		b := &s.Beads[i]
		if s.Left.Crimped && b.From < tail-closeEnough {
			b.Passes++
		}
		if s.Right.Crimped && b.To > s.Strung-tail+closeEnough {
			b.Passes++
		}
	}
}

// closeEnough keeps the rounding of sums from deciding anything.
const closeEnough = length.MM(1e-6)
