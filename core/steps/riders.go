package steps

import (
	"fmt"

	"mala/core/measure"
)

// ride tells of the beads that slide over the others: they go on over a finished run,
// before its second end is made.
func (w *writer) ride() {
	r := w.s.Riders
	if r == nil {
		return
	}
	w.do("Slide the riders over the beads, from the end that is still open: %s.", riderRuns(r))
	if r.Free() >= 0 && r.First >= 0 {
		w.gate("Before the next end is made", "every rider slides over its run without force",
			fmt.Sprintf("pushed together they leave %s of the run free", w.in(r.Free())), "they stop at both ends of it")
	}
}

func riderRuns(r *measure.Riders) string {
	hung := make([]measure.HungBead, len(r.Beads))
	for i := range r.Beads {
		hung[i].Material = r.Beads[i].Material
	}
	return hungRuns(hung)
}
