package steps

import (
	"fmt"
	"strings"

	"mala/core/measure"
)

// ridesOnOne tells which beads go on one of the cords that run side by side.
func (w *writer) ridesOnOne() {
	if w.s.Row.Passes < 2 {
		return
	}
	var names []string
	seen := map[string]bool{}
	for i := range w.s.Beads {
		b := &w.s.Beads[i]
		if b.IsGap() || b.Passes >= w.s.Row.Passes || b.Material.Bead.OneCord || seen[b.Key] {
			continue
		}
		seen[b.Key] = true
		names = append(names, lower(b.Material.Name))
	}
	if len(names) > 0 {
		w.do("String %s on one of the cords alone; the other runs beside it.", strings.Join(names, " and "))
	}
}

// cordLoop ends a cord in a loop of itself.
func (w *writer) cordLoop(e *measure.End, loop *measure.Part) {
	w.do("%s end: lay the cord back in a loop of %s round its inside, and tie it with an overhand knot close to the beads.", w.title(e.Side), w.in(loop.Girth))
	w.tryLoop(e)
	w.gate("After the loop", fmt.Sprintf("the knot of the %s loop holds a firm pull", e.Side))
}
