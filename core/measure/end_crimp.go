package measure

import (
	"fmt"

	"mala/core/way"
)

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
func (w *endWalk) throughCrimps(item string) {
	for i := range w.e.Parts {
		switch p := &w.e.Parts[i]; p.Role {
		case RoleCrimp:
			w.through(way.Through, p, item, p.Material.Finding.Length)
		case RoleCover:
			if under := w.e.Find(RoleCrimp); under != nil && !p.Swallowed {
				w.through(way.Room, p, item, p.Material.Finding.Length-under.Material.Finding.Length)
			}
		}
	}
}

// beyondCrimp goes round what the crimp closes.
func (w *endWalk) beyondCrimp(item string) {
	if w.throughGuard(item) || w.roundLoop() {
		return
	}
	if loop := w.e.Find(RoleLoop); loop != nil {
		w.add(way.Loop, item, 2*loop.Length).Advances = loop.Length
	}
}

// throughGuard leads the cord through a guard, up one leg and down the other each time.
func (w *endWalk) throughGuard(item string) bool {
	guard := w.e.Find(RoleGuard)
	if guard == nil {
		return false
	}
	for range w.p.House.GuardTurns() {
		w.through(way.Through, guard, item, 2*guard.Material.Finding.Length)
	}
	return true
}

// roundLoop goes round a loop of beads or of the cord, or through the bead at a foot.
func (w *endWalk) roundLoop() bool {
	if p := w.e.Find(RoleBeads); p != nil {
		l := w.add(way.Loop, "loop of beads", p.Loop.Strung)
		l.Advances = p.Length
		return true
	}
	if p := w.e.Find(RoleCordLoop); p != nil {
		w.add(way.Loop, "loop", w.s.cordLoopTakes(p.Girth)).Advances = p.Length
		return true
	}
	if p := w.e.Find(RoleFootBead); p != nil {
		w.through(way.Round, p, "through the foot and round it", p.foldThrough())
		return true
	}
	return false
}

// clipped ends in the crimp of the other leg, once through it.
func (w *endWalk) clipped() {
	w.through(way.Through, w.e.Find(RoleCrimp), "crimp", w.e.Find(RoleCrimp).Material.Finding.Length)
	w.inHand()
	w.legs[len(w.legs)-1].Least = leastHand // it has no tail of its own
}

func crimpItem(e *End, guardTurns int) string {
	name := "crimp"
	if e.Find(RoleCover) != nil {
		name = "cover"
	}
	if e.Find(RoleBeads) != nil || e.Find(RoleCordLoop) != nil || e.Find(RoleFootBead) != nil {
		return name + " x 2"
	}
	if e.Find(RoleGuard) != nil {
		if guardTurns == 1 {
			return name + " + guard x 2"
		}
		return fmt.Sprintf("%s x 2 + %s", name, guardItem(guardTurns))
	}
	return name + " + loop x 2"
}

// guardItem names a guard in the sum: each turn goes up one leg and down the other.
func guardItem(turns int) string { return fmt.Sprintf("guard x %d", 2*turns) }
