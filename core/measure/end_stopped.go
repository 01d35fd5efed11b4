package measure

import (
	"mala/core/piece"
	"mala/core/way"
)

// stopped is a cord behind a crimp or an overhand knot alone, at the foot of an ornament.
var stopped = making{hold: HeldByStop, held: func(b *endBuilder) bool {
	return b.ending.Way == piece.WayStopped && (b.crimp >= 0 || !b.ofWire())
}, legs: func(w *endWalk) {
	if crimp := w.e.Find(RoleCrimp); crimp != nil {
		w.through(way.Through, crimp, way.Crimp, crimp.Material.Finding.Length)
		w.inHand()
		return
	}
	w.add(way.Knot, way.KnotTied, w.s.overhand())
	w.toTie()
}}
