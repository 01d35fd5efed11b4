package measure

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/way"
)

// tied is an end whose cord goes round what there is and comes back to a knot: a guard, a
// ring, a loop of beads or of itself, a bead at a foot, a bar, the clasp's other half.
var tied = making{hold: HeldByKnot, held: func(b *endBuilder) bool {
	return len(b.end.Parts) > 0 || b.piece.Closure.Type == piece.OnBar || b.onOtherHalf() != nil
}, legs: func(w *endWalk) {
	guard := w.throughGuard(way.Item{What: way.Guard, Side: w.e.Side, Turns: w.p.House.GuardTurns()})
	switch loop := w.e.Find(RoleCordLoop); {
	case loop != nil:
		w.roundLoop()
		w.knot(way.KnotTied, w.s.overhand())
		w.toTie()
		return
	case !w.roundLoop() && !guard && w.e.Wire > 0:
		l := w.add(way.Round, way.RoundRing, roundWire(w.e.Wire, w.s.Row.Cord.Cord.Diameter))
		l.Advances = w.e.Wire
		if on := w.e.firstFitting(); on != nil {
			l.At.Fitting, l.Of = on.Fitting, on.Material
		}
	}
	if i := w.e.Back; i >= 0 {
		b := &w.s.Beads[i]
		w.add(way.Back, way.BackThrough, b.To-b.From).Beads = w.onCord([]int{i})
	}
	w.knot(way.KnotTied, length.MM(w.p.House.KnotCord())*w.s.joint())
	w.tail()
	if w.s.Row.Ending(w.e.Side).Way == piece.WayTails {
		w.looseTail()
	}
	w.toTie()
}}

// firstFitting is the first thing at the end that the cord is tied to; nil where that is counted at
// the other end.
func (e *End) firstFitting() *Part {
	for i := range e.Parts {
		if p := &e.Parts[i]; p.Role != RoleTailBead && p.Role != RoleRound {
			return p
		}
	}
	return nil
}

// roundWire is the way from a bead that lies against a wire of thickness w round that and
// back, for cord of thickness d: half a turn at (w + d) / 2, and on both sides as far as the
// wire is thick in all.
func roundWire(wire, cord length.MM) length.MM { return wire + math.Pi/2*(wire+cord) }

// onOtherHalf is the clasp whose other half the end goes on; nil if there is none.
func (b *endBuilder) onOtherHalf() *material.Finding {
	if clasp, at := b.piece.Clasp(); clasp != nil && clasp.HasTwoHalves() && clasp.Type != material.ButtonEnd && at != b.end.Side {
		return clasp
	}
	return nil
}

// wireRound is the wire that the cord lies straight round, without a guard or a loop of its
// own between; 0 where there is none. What lies in a bar's hole lies round no wire.
func (b *endBuilder) wireRound() length.MM {
	if b.end.Hold != HeldByKnot && b.end.Hold != HeldByMiddle {
		return 0
	}
	if len(b.end.Parts) > 0 {
		p := &b.end.Parts[0]
		if p.Material == nil || p.Material.Finding == nil || p.Role == RoleGuard || p.Role == RoleBar || p.Role == RoleRow || p.Role == RoleCrimp {
			return 0
		}
		return p.Material.Finding.Wire
	}
	if half := b.onOtherHalf(); half != nil && b.end.Hold == HeldByKnot {
		return half.Wire
	}
	return 0
}

// layRound lets the cord lie round a wire: the bead beside it lies against the wire's outside,
// and not in the inside of its ring; a hitch lies between the two.
func (b *endBuilder) layRound() {
	wire := b.wireRound()
	if b.end.Wire = wire; wire <= 0 {
		return
	}
	add := wire
	if b.hitched() {
		add += b.row.Cord.Cord.Diameter
	}
	if len(b.end.Parts) == 0 {
		b.end.Parts = append(b.end.Parts, Part{Role: RoleRound, Length: add})
	} else {
		b.end.Parts[0].Length += add
	}
	b.end.Length += add
}

// tiedInRing is a ring tied on itself: each end has half of the knot.
var tiedInRing = making{hold: HeldByRing, held: func(b *endBuilder) bool { return b.piece.IsRing(b.row) && !b.ofWire() }, legs: func(w *endWalk) {
	w.knot(way.KnotTied, length.MM(w.p.House.KnotCord()/2)*w.s.joint())
	if w.s.Row.Ending(w.e.Side).Way == piece.WayTails {
		w.looseTail()
	}
	w.toTie()
}}
