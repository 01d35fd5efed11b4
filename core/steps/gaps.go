package steps

import (
	"fmt"

	"mala/core/length"
	"mala/core/piece"
)

// holdApart holds the beads beside every gap, one after the other from the left: each is
// looked at before the next, by its distance from the one before and from the start.
func (w *writer) holdApart() {
	held := w.s.Holders()
	if len(held) == 0 {
		return
	}
	h := w.s.Row.Holder
	what := ""
	switch h.Way {
	case piece.HeldByCrimps:
		what = "crimp"
		w.do("Thread %d × %s among the beads, one on each side of every bead that a gap lies beside. Close them from the left, one after the other.", len(held), lower(h.Of.Name))
	case piece.HeldByPressing:
		w.do("From the left, press each of these beads onto the cord where it lies, both cords in it side by side.")
	case piece.HeldByKnots:
		what = "knot"
		w.do("From the left, tie an overhand knot tight against every bead on each side where a gap lies, %d in all: draw each up to its bead with a needle.", len(held))
	default:
		what = "bead's edge"
		w.do("Push the beads to their places: nothing holds them but friction.")
	}
	var must []string
	before := length.MM(0)
	for i, one := range held {
		must = append(must, fmt.Sprintf("%s %d lies %s from the start, %s from the one before", what, i+1, w.in(one.At), w.in(one.At-before)))
		before = one.At
	}
	must[0] = fmt.Sprintf("%s 1 lies %s from the start", what, w.in(held[0].At))
	w.gate("Before the next one, each time", must...)
}
