package measure

import (
	"mala/core/length"
	"mala/core/piece"
	"mala/core/way"
)

// onLeg is a cord that hangs on beyond the strand: a knot holds the strand, another ends the
// leg, below its bead if it has one.
var onLeg = making{hold: HeldByLeg, held: func(b *endBuilder) bool { return b.ending.Way == piece.WayLeg && !b.ofWire() }, legs: func(w *endWalk) {
	w.add(way.OnLeg, way.BareLeg, legTakes(w.s.Row.Ending(w.e.Side))).Of = w.s.Row.Ending(w.e.Side).Bead
	w.add(way.Knot, way.KnotsTied, 2*w.s.overhand())
	w.toTie()
}}

// addLeg lets the cord hang on beyond the strand, with a bead and a knot.
func (b *endBuilder) addLeg() {
	b.end.Parts = append(b.end.Parts, Part{Role: RoleLeg, Material: b.ending.Bead, Free: true})
}

// legTakes is the cord of a leg down to its knot.
func legTakes(f *piece.Ending) length.MM {
	if f.Bead == nil {
		return f.Leg
	}
	return f.Leg + f.Bead.Bead.Length()
}
