package measure

import (
	"mala/core/length"
	"mala/core/piece"
)

// Start is how the end that is strung first is kept from running off the cord.
type Start struct {
	Side piece.Side // the end that is stopped
	By   string     // a stopper, tape, or the spool the cord is still on
	Tip  length.MM  // how far from the cord's tip it stands; 0 on the spool
}

// start says how the strand is begun. A crimped one can stay on its spool; one
// that is tied is cut first.
func (s *Strand) start(p *piece.Piece) Start {
	h := p.House
	if !s.Left.Crimped() && !s.Right.Crimped() {
		by := h.Stopper
		if by == piece.StopSpool {
			by = piece.StopTape
		}
		return Start{Side: piece.Left, By: by, Tip: s.Beyond(p, &s.Left)}
	}
	if h.FromSpool() {
		return Start{Side: piece.Left, By: piece.StopSpool}
	}
	return Start{Side: piece.Left, By: h.Stopper, Tip: s.Beyond(p, &s.Left)}
}

// Beyond is how much cord an end needs beyond its last bead: crimp and loop
// twice, its tail or knot, and what is held while it is made.
func (s *Strand) Beyond(p *piece.Piece, e *End) length.MM {
	sum := length.MM(0)
	for _, part := range s.cutAtEnd(p, e, false) {
		sum += part.Length
	}
	first, last := p.House.WorkingAllowance()
	if e.Crimped() || e.Hold == HeldByFold {
		sum += max(first, last)
	}
	return sum
}
