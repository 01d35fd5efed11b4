package measure

import (
	"math"

	"mala/core/length"
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

// foldsIntoLoop says whether the loop is the fold of a doubled cord, of as many cords there as
// back. A cord is folded once: at the right only where nothing folds it at the left.
func (b *endBuilder) foldsIntoLoop() bool {
	if b.ending.Way != piece.WayCordLoop || b.crimp >= 0 || b.row.Passes%2 != 0 {
		return false
	}
	return b.end.Side == piece.Left || !b.row.FoldsAtLeft()
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
