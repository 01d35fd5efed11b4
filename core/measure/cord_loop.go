package measure

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// addCordLoop ends the cord in a loop of itself, held by a knot or by the crimp before it.
// Pulled tight it lies flat, and adds its knot and half of its inside girth.
func (b *endBuilder) addCordLoop() {
	knot := piece.OverhandAcross * b.row.Cord.Cord.Diameter * length.MM(b.row.Passes)
	if b.crimp >= 0 {
		knot = 0
	}
	b.end.Parts = append(b.end.Parts, Part{Role: RoleCordLoop, Length: knot + b.ending.Girth/2, Girth: b.ending.Girth})
}

// addFootBead leads the cord down through a bead and round its outside back up.
func (b *endBuilder) addFootBead() {
	b.end.Parts = append(b.end.Parts, Part{Role: RoleFootBead, Material: b.ending.Bead, Length: b.ending.Bead.Bead.Length()})
}

// foldsIntoLoop says whether the loop is the fold of a doubled cord: at the left, of as many
// cords there as back.
func (b *endBuilder) foldsIntoLoop() bool {
	return b.ending.Way == piece.WayCordLoop && b.end.Side == piece.Left && b.row.Passes%2 == 0
}

// cordLoopTakes is the cord round a loop of that inside girth, along its middle.
func (s *Strand) cordLoopTakes(girth length.MM) length.MM {
	return girth + math.Pi*s.Row.Cord.Cord.Diameter
}

// LoopGirth is the inside girth of a loop that goes over a button, of beads or of bare cord.
func (p *Part) LoopGirth() length.MM {
	if p.Loop != nil {
		return p.Loop.Girth
	}
	return p.Girth
}

// FindLoop gives the loop at the end that goes over a button; nil if it has none.
func (e *End) FindLoop() *Part {
	if p := e.Find(RoleBeads); p != nil {
		return p
	}
	return e.Find(RoleCordLoop)
}

// Legs is what the cord of a row is made in: the halves of a fold, or cords that lie side
// by side, each of a share of what is cut.
type Legs struct {
	Count  int
	Folded bool
	Each   length.MM
	Least  length.MM
}

// Legs tells them; nil of a cord that runs once, or that a needle carries double.
func (s *Strand) Legs() *Legs {
	if s.half != nil {
		return &Legs{Count: 2, Folded: true, Each: s.CutLength() / 2, Least: s.LeastCut() / 2}
	}
	n := s.Row.Passes
	if n < 2 || !s.Row.Corded() || len(s.Cut) == 0 {
		return nil
	}
	folded := s.Left.Hold == HeldByMiddle
	if !folded && s.Row.Cord.Cord.Type == material.Thread {
		return nil
	}
	return &Legs{Count: n, Folded: folded, Each: s.CutLength() / length.MM(n), Least: s.LeastCut() / length.MM(n)}
}
