package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Knot is how a ring is tied on itself.
type Knot struct {
	Across length.MM // how thick it is
	Bead   int       // the bead whose hole takes it, -1 for none
}

// knot finds the bead to hide the knot in: the first whose hole takes it beside
// the cord that runs through.
func (s *Strand) knot(p *piece.Piece) *Knot {
	if !s.Ring {
		return nil
	}
	k := &Knot{Across: length.MM(p.House.KnotAcross()) * s.Row.Cord.Cord.Diameter, Bead: -1}
	for i := range s.Beads {
		if b := s.Beads[i].Material.Bead; b.Hole >= k.Across && material.Hides(b.Shape) {
			k.Bead = i
			break
		}
	}
	return k
}
