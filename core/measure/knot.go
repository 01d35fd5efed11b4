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
	Pull   bool      // it takes it with a pull, tied tight
}

// tightKnot is how many cords wide a hole must be for a tight knot to be pulled
// into it.
const tightKnot = 2

// knot finds the bead to hide the knot in: the first with the widest hole of
// those that take it, else one that takes it with a pull.
func (s *Strand) knot(p *piece.Piece) *Knot {
	if !s.Ring {
		return nil
	}
	cord := s.Row.Cord.Cord
	k := &Knot{Across: length.MM(p.House.KnotAcross()) * cord.Diameter, Bead: -1}
	widest := length.MM(0)
	for i := range s.Beads {
		if b := s.Beads[i].Material.Bead; material.Hides(b.Shape) && b.Hole > widest+closeEnough {
			widest, k.Bead = b.Hole, i
		}
	}
	switch {
	case widest >= k.Across-closeEnough:
	case cord.Type == material.Elastic && widest >= tightKnot*cord.Diameter-closeEnough:
		k.Pull = true
	default:
		k.Bead = -1
	}
	return k
}
