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
func (s *Strand) cut(p *piece.Piece) {
	h, passes := p.House, length.MM(s.Row.Passes)
	s.Cut = []CutPart{{"axis", s.Strung * passes}}
	if s.Slack > 0 {
		s.Cut = append(s.Cut, CutPart{"slack", s.Slack * passes})
	}
	first, last := h.HandAllowance()
	if h.FromSpool() {
		// The free end is made first, and the end at the spool is cut and made last.
		first, last = last, first
	}
	if s.Row.Cord.Cord.Type == material.Elastic {
		first, last = h.ToTie(p.Child()), h.ToTie(p.Child())
	}
	s.cutEnd("left", s.Left, first)
	s.cutEnd("right", s.Right, last)
}

func (s *Strand) cutEnd(side string, e End, hand length.MM) {
	if e.Crimped {
		s.Cut = append(s.Cut, CutPart{side + " crimp and loop, twice", 2 * e.Turn})
		if e.Tail > 0 {
			s.Cut = append(s.Cut, CutPart{side + " tail", e.Tail})
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

// PathLength is what the cord covers, with nothing over to hold or to tie.
func (s *Strand) PathLength() length.MM {
	passes := length.MM(s.Row.Passes)
	sum := (s.Strung + s.Slack) * passes
	for _, e := range []End{s.Left, s.Right} {
		if e.Crimped {
			sum += 2*e.Turn + e.Tail
		}
	}
	return sum
}

// tails works out how far the tail of each crimped end goes back, and adds its
// way to the passes of the beads it goes through.
func (s *Strand) tails(h piece.House) {
	n := len(s.Beads)
	for side, e := range map[bool]*End{false: &s.Left, true: &s.Right} {
		if !e.Crimped || h.Tail == piece.TailTrimmed {
			continue
		}
		e.Tail = h.TailLength
		if h.Tail == piece.TailBeads {
			e.Tail = 0
			switch count := min(h.TailBeads, n); {
			case count == 0:
			case side:
				e.Tail = s.Strung - s.Beads[n-count].From
			default:
				e.Tail = s.Beads[count-1].To
			}
		}
		for i := range s.Beads {
			b := &s.Beads[i]
			if !side && b.From < e.Tail-closeEnough || side && b.To > s.Strung-e.Tail+closeEnough {
				b.Passes++
				e.TailBeads++
			}
		}
	}
}

// closeEnough keeps the rounding of sums from deciding anything.
const closeEnough = length.MM(1e-6)
