package measure

import (
	"mala/core/length"
	"mala/core/piece"
)

// Start is how the end that is strung first is kept from running off the cord.
type Start struct {
	Side string    // the end that is stopped
	By   string    // a stopper, tape, or the spool the cord is still on
	Tip  length.MM // how far from the cord's tip it stands; 0 on the spool
}

// start says how the strand is begun. A crimped one can stay on its spool; one
// that is tied is cut first.
func (s *Strand) start(p *piece.Piece) Start {
	h := p.House
	if !s.Left.Crimped && !s.Right.Crimped {
		by := h.Stopper
		if by == piece.StopSpool {
			by = piece.StopTape
		}
		return Start{Side: "left", By: by, Tip: h.ToTie(p.Child())}
	}
	if h.FromSpool() {
		return Start{Side: "left", By: piece.StopSpool}
	}
	return Start{Side: "left", By: h.Stopper, Tip: s.Beyond(h, s.Left)}
}

// Beyond is how much cord an end needs beyond its last bead: crimp and loop
// twice, the tail, and what the hand holds.
func (s *Strand) Beyond(h piece.House, e End) length.MM {
	first, last := h.HandAllowance()
	return 2*e.Turn + e.Tail + max(first, last)
}
