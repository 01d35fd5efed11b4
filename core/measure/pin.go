package measure

import (
	"mala/core/length"
	"mala/core/material"
)

// OnPin stacks beads on a pin as on a cord pulled tight: where the middle of each
// lies, and how much of the pin they take, from the first rim to the last.
func OnPin(beads []material.PinBead) (at []length.MM, long length.MM) {
	st := &stack{table: newContactTable(len(beads)), beads: make([]faces, len(beads))}
	for i, b := range beads {
		st.beads[i] = st.table.of(b.Material, b.Turned, 1, 0)
	}
	l := st.straight()
	return l.at, l.strung
}
