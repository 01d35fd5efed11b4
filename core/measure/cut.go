package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/way"
)

// Cut is the sum that the row's cords are cut to.
func (s *Strand) Cut() []way.Entry { return way.Items(s.Cords) }

// CutLength is what all cords of the row are cut to together.
func (s *Strand) CutLength() length.MM { return s.overCords((*way.Cord).Length) }

// PathLength is what they cover, with nothing over to hold or to tie.
func (s *Strand) PathLength() length.MM { return s.overCords((*way.Cord).Path) }

// LeastCut is the least that the row can be made of: the path, and at each end of each cord
// what its making needs.
func (s *Strand) LeastCut() length.MM { return s.overCords((*way.Cord).Least) }

func (s *Strand) overCords(of func(c *way.Cord) length.MM) length.MM {
	sum := length.MM(0)
	for i := range s.Cords {
		sum += of(&s.Cords[i])
	}
	return sum
}

// Legs is what the cord of a row is made in: the halves of a fold, or cords that lie side
// by side, each of a share of what is cut.
type Legs struct {
	Count  int
	Folded bool
	Each   length.MM
	Least  length.MM
}

// Legs gives them; nil of a cord that runs once, or that a needle carries double.
func (s *Strand) Legs() *Legs {
	if len(s.Cords) == 0 {
		return nil
	}
	n := len(s.Cords)
	folded := s.Cords[0].Folded
	if folded {
		n *= 2
	}
	if n < 2 || !folded && s.Row.Cord.Cord.Type == material.Thread {
		return nil
	}
	return &Legs{Count: n, Folded: folded, Each: s.CutLength() / length.MM(n), Least: s.LeastCut() / length.MM(n)}
}

// Beyond is how much of each cord an end needs beyond its last bead: its way there and back,
// its tail or knot, and what is held while it is made.
func (m *Measured) Beyond(s *Strand, e *End) length.MM {
	sum := length.MM(0)
	first, last := m.Piece.HouseOf(s.Row).WorkingAllowance()
	for _, l := range (&walk{m: m, p: m.Piece, s: s}).end(s, e, 0) {
		if l.Does == way.Hold { // from the spool one end has none, and is held as the other
			sum += max(first, last)
			continue
		}
		sum += l.Uses
	}
	return sum
}
