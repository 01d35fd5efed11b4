package steps

import (
	"fmt"
	"strings"

	"mala/core/measure"
)

// dropsInCord tells how each different drop is made, where its place in the order comes.
func (w *writer) dropsInCord() {
	drops, count := w.s.Drops()
	for _, d := range drops {
		last := len(d.Beads) - 1
		w.do("At %s of this drop go down through %s, round the outside of %s, and back up through the others to the strand; it takes %s of cord.",
			placesOf(count[d]), hungRuns(d.Beads[:last]), lower(d.Beads[last].Material.Name), w.in(d.Path))
		w.gate("Before the next bead", fmt.Sprintf("the drop hangs %s deep, with no cord showing", w.in(d.Deep)), "the strand beside it is pulled up to it")
	}
}

func placesOf(n int) string {
	if n == 1 {
		return "the place"
	}
	return fmt.Sprintf("each of the %d places", n)
}

// hungRuns lists beads in runs, from the strand down.
func hungRuns(hung []measure.HungBead) string {
	var out []string
	for i := 0; i < len(hung); {
		n := 1
		for i+n < len(hung) && hung[i+n].Material == hung[i].Material {
			n++
		}
		out = append(out, fmt.Sprintf("%d × %s", n, lower(hung[i].Material.Name)))
		i += n
	}
	return strings.Join(out, ", ")
}
