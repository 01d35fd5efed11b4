package measure

import "mala/core/way"

// inCordEnd is a knot that a cord end folds over.
var inCordEnd = making{hold: HeldByCordEnd, held: func(b *endBuilder) bool { return b.end.Find(RoleCordEnd) != nil }, legs: knotInside}

// knotInside ties an overhand knot that lies inside what covers it.
func knotInside(w *endWalk) {
	w.add(way.Knot, way.KnotTied, w.s.overhand())
	w.toTie()
}

// foldedOver is a fold-over end, whose two flaps press the cord in its trough.
var foldedOver = making{hold: HeldByFold, held: func(b *endBuilder) bool { return b.end.Find(RoleFold) != nil }, legs: func(w *endWalk) {
	trough := w.e.Find(RoleFold)
	l := w.through(way.Trough, trough, way.InTrough, trough.Material.Finding.Length)
	l.Advances = trough.Material.Finding.Length
	w.inHand()
}}
