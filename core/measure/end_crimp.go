package measure

import "mala/core/way"

// crimped is an end that a crimp holds: the cord goes through it, round what lies beyond, and
// back through it.
var crimped = making{hold: HeldByCrimp, held: func(b *endBuilder) bool { return b.crimp >= 0 }, legs: func(w *endWalk) {
	if w.e.With() || w.s.trimmedInCrimp(w.e, w.n) {
		w.clipped()
		return
	}
	item := crimpItem(w.e, w.p.House.GuardTurns())
	w.throughCrimps(item)
	w.beyondCrimp(item)
	w.throughCrimps(item)
	w.tail()
	w.inHand()
}}

// throughCrimps runs once through what grips the cord, with the bare cord that a cover needs.
func (w *endWalk) throughCrimps(item way.Item) {
	for i := range w.e.Parts {
		switch p := &w.e.Parts[i]; p.Role {
		case RoleCrimp:
			w.through(way.Through, p, item.What, p.Material.Finding.Length).Item = item
		case RoleCover:
			if under := w.e.Find(RoleCrimp); under != nil && !p.Swallowed {
				w.through(way.Room, p, item.What, p.Material.Finding.Length-under.Material.Finding.Length).Item = item
			}
		}
	}
}

// beyondCrimp goes round what the crimp closes.
func (w *endWalk) beyondCrimp(item way.Item) {
	if w.throughGuard(item) || w.roundLoop() {
		return
	}
	if loop := w.e.Find(RoleLoop); loop != nil {
		l := w.add(way.Loop, item.What, 2*loop.Length)
		l.Advances, l.Item = loop.Length, item
	}
}

// throughGuard leads the cord through a guard, up one leg and down the other each time.
func (w *endWalk) throughGuard(item way.Item) bool {
	guard := w.e.Find(RoleGuard)
	if guard == nil {
		return false
	}
	for range w.p.House.GuardTurns() {
		w.through(way.Through, guard, item.What, 2*guard.Material.Finding.Length).Item = item
	}
	return true
}

// roundLoop goes round a loop of beads or of the cord, or through the bead at a foot.
func (w *endWalk) roundLoop() bool {
	if p := w.e.Find(RoleBeads); p != nil {
		l := w.add(way.Loop, way.BeadLoop, p.Loop.Strung)
		l.Advances = p.Length
		return true
	}
	if p := w.e.Find(RoleCordLoop); p != nil {
		w.add(way.Loop, way.CordLoop, w.s.cordLoopTakes(p.Girth)).Advances = p.Length
		return true
	}
	if p := w.e.Find(RoleFootBead); p != nil {
		w.through(way.Round, p, way.RoundFoot, p.foldThrough())
		return true
	}
	return false
}

// clipped ends in the crimp of the other leg, once through it.
func (w *endWalk) clipped() {
	w.through(way.Through, w.e.Find(RoleCrimp), way.Crimp, w.e.Find(RoleCrimp).Material.Finding.Length)
	w.inHand()
	w.legs[len(w.legs)-1].Least = leastHand // it has no tail of its own
}

// crimpItem is what an end's crimp, its cover, and the guard or the loop behind it stand under
// together.
func crimpItem(e *End, guardTurns int) way.Item {
	out := way.Item{What: way.CrimpLoop, Side: e.Side, Cover: e.Find(RoleCover) != nil}
	switch {
	case e.Find(RoleBeads) != nil || e.Find(RoleCordLoop) != nil || e.Find(RoleFootBead) != nil:
		out.What = way.CrimpTwice
	case e.Find(RoleGuard) != nil:
		out.What, out.Turns = way.CrimpGuard, guardTurns
	}
	return out
}
