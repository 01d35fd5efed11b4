package measure

import (
	"fmt"
	"math"

	"mala/core/length"
)

// joinHalves cuts folded cords in one: both halves as long as the longer leg asks for, and
// what lies round the fold. The second row has no cut of its own.
func (m *Measured) joinHalves() {
	for _, second := range m.Strands {
		first := m.Strand(second.Row.FoldOf)
		if second.Row.FoldOf == "" || first == nil {
			continue
		}
		first.half = second
		leg, held := second.PathLength(), second.CutLength()-second.PathLength()
		even := first.PathLength() - leg
		first.Cut = append(first.Cut, CutPart{Part: fmt.Sprintf("leg of row %d", m.Piece.Number(second.Row.ID)), Length: leg})
		if held > 0 {
			first.Cut = append(first.Cut, CutPart{fmt.Sprintf("working end of row %d", m.Piece.Number(second.Row.ID)), held, true})
		}
		if even = max(even, -even); even > closeEnough {
			first.Cut = append(first.Cut, CutPart{Part: "to even the legs", Length: even})
		}
		if fold := first.foldRound(); fold > 0 {
			first.Cut = append(first.Cut, CutPart{Part: "round the fold", Length: fold})
		}
		second.Cut = nil
	}
}

// foldRound is what the fold takes half way round the wire of what it lies in; nothing where
// it is a loop of beads, which is counted by itself.
func (s *Strand) foldRound() length.MM {
	for _, p := range s.Left.Parts {
		switch {
		case p.Loop != nil:
			return 0
		case p.Material != nil && p.Material.Finding != nil && p.Material.Finding.Wire > 0:
			return math.Pi / 2 * (p.Material.Finding.Wire + s.Row.Cord.Cord.Diameter)
		}
	}
	return 0
}

// Half is the row on the other half of the strand's cord; nil if it has none.
func (s *Strand) Half() *Strand { return s.half }
