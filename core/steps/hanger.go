package steps

import (
	"fmt"

	"mala/core/measure"
	"mala/core/piece"
)

// hanger makes an ornament: its foot first, its beads from the foot up, its loop last.
func (w *writer) hanger() {
	w.start("")
	left, right := &w.s.Left, &w.s.Right
	if w.s.Start.By == measure.StartFoot && left.Hold != measure.Unheld {
		w.end(left)
	} else {
		w.unheld(piece.Left)
	}
	if n := len(left.TailBeads); n > 0 {
		w.do("String the first %s over cord and tail together.", beads(n))
	}
	w.stringRuns()
	if left.Crimped() && left.Tail > 0 {
		w.do("Foot end: trim the tail flush where it comes out.")
	}
	must := []string{fmt.Sprintf("the beads measure %s and none is missing or reversed by mistake", w.in(w.s.Strung)), "held up by the cord, it hangs straight from top to foot"}
	if h := w.m.Hanger(); h.Foot > 0 {
		must = append(must, "no curl shows in the cord above the foot")
	}
	if right.Hold == measure.Unheld {
		w.unheld(piece.Right)
		return
	}
	w.gate("Before the loop is made", must...)
	w.end(right)
	w.attachAll()
}

// stopped ends the cord behind a crimp or a knot alone.
func (w *writer) stopped(e *measure.End) {
	if crimp := e.Find(measure.RoleCrimp); crimp != nil {
		w.do("%s end: thread %s, press it at the tip of the cord, and trim what stands out below it flush.", w.title(e.Side), lower(crimp.Material.Name))
		w.gate("After the crimp", "it holds a firm pull")
		return
	}
	w.do("%s end: tie an overhand knot, draw it tight against the bead, and trim the end.", w.title(e.Side))
	w.gate("After the knot", "it holds a firm pull and does not slip into the bead")
}

// title names an end at the start of a sentence: of an ornament its foot and its top.
func (w *writer) title(side piece.Side) string {
	switch {
	case w.m.Piece.Hangs() && side == piece.Left:
		return "Foot"
	case w.m.Piece.Hangs():
		return "Top"
	case side == piece.Left:
		return "Left"
	}
	return "Right"
}
