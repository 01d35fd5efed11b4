package measure

import (
	"fmt"
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
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

// foldRound is what the fold takes: half way round the wire of what it lies in, through a bead
// and round it, or a loop of the bare cord; nothing where it is a loop of beads, which is
// counted by itself.
func (s *Strand) foldRound() length.MM {
	for i := range s.Left.Parts {
		switch p := &s.Left.Parts[i]; {
		case p.Loop != nil:
			return 0
		case p.Role == RoleFoldBead:
			return p.foldThrough()
		case p.Role == RoleCordLoop:
			return s.cordLoopTakes(p.Girth)
		case p.Material != nil && p.Material.Finding != nil && p.Material.Finding.Wire > 0:
			return math.Pi / 2 * (p.Material.Finding.Wire + s.Row.Cord.Cord.Diameter)
		}
	}
	return 0
}

// addFoldBead ends the cord in a bead that it is folded through, on a neck of both cords. A
// loop that goes over the bead lies round the neck.
func (b *endBuilder) addFoldBead() {
	b.end.Parts = append(b.end.Parts, Part{Role: RoleFoldBead, Material: b.ending.Bead, Length: b.ending.Leg})
}

// neck is how long both cords are between the strand and the bead they are folded through.
func (s *Strand) neck(e *End) length.MM {
	if p := e.Find(RoleFoldBead); p != nil {
		return p.Length
	}
	return 0
}

// foldThrough is what the fold takes of the cord in its bead: through its hole, and along its
// outside from either rim to where both cords meet. It is as long as round a fringe's last bead.
func (p *Part) foldThrough() length.MM {
	return p.Material.Bead.Length() + p.Material.Bead.WayRound()
}

// FoldsThroughBead says whether a cord of the piece is folded through a bead, which closes
// into a loop.
func (m *Measured) FoldsThroughBead() bool {
	return slices.ContainsFunc(m.Strands, func(s *Strand) bool { return s.Left.Find(RoleFoldBead) != nil })
}

// Button is what a loop at the other end goes over: a button, or the bead that the cord is
// folded through; nil if the part is neither.
func (p *Part) Button() *material.Finding {
	switch {
	case p.Role == RoleFoldBead:
		return p.Material.Bead.AsButton()
	case p.Role == RoleClasp && p.Material.Finding.Type == material.ButtonEnd:
		return p.Material.Finding
	}
	return nil
}

// Button finds it at the end, with the part that it is; nil if there is none.
func (e *End) Button() (*material.Finding, *Part) {
	for i := range e.Parts {
		if b := e.Parts[i].Button(); b != nil {
			return b, &e.Parts[i]
		}
	}
	return nil, nil
}

// Half is the row on the other half of the strand's cord; nil if it has none.
func (s *Strand) Half() *Strand { return s.half }
