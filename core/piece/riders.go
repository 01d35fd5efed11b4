package piece

import (
	"mala/core/pattern"
)

// mostRiders is how many beads ride on a row at most.
const mostRiders = 1000

// checkRiders holds what slides over a row to beads with a hole, counted out.
func (p *Piece) checkRiders(r *Row, add adder, where string) {
	if r.Riders == nil {
		return
	}
	if !r.Corded() {
		add(where, "A row of chain has no beads to slide over. Remove its sliding beads.")
		return
	}
	for _, n := range r.Riders.Nodes {
		m := p.Palette[n.Key()]
		switch {
		case n.IsFill():
			add(where, "Column %d: Riders have no length to fill. Give them a count, such as 24L.", n.Col)
		case n.IsGap():
			add(where, "Column %d: There are no gaps among sliding beads, which slide by themselves.", n.Col)
		case n.Hangs():
			add(where, "Column %d: Nothing hangs in a cord among sliding beads. Use beads alone.", n.Col)
		case n.IsBead() && m != nil && m.Bead != nil && m.Bead.Hangs():
			add(where, "Column %d: %s hangs by itself and slides over nothing. Use beads with large holes.", n.Col, m.Name)
		}
	}
	for _, fault := range pattern.Faults(checkLetters(r.Riders, p.Palette)) {
		add(where, "Column %d: %s", fault.Col, fault.Says)
	}
	if n := r.Riders.Size(nil); n > mostRiders {
		add(where, "At most %d beads ride on a row; here are %d.", mostRiders, n)
	}
}
