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
		if d.Through != nil {
			w.loopInCord(d, count[d])
			continue
		}
		last := len(d.Beads) - 1
		w.do("At %s of this drop go down through %s, round the outside of %s, and back up through the others to the strand; it takes %s of cord.",
			placesOf(count[d]), hungRuns(d.Beads[:last]), lower(d.Beads[last].Material.Name), w.in(d.Path))
		w.gate("Before the next bead", fmt.Sprintf("the drop hangs %s deep, with no cord showing", w.in(d.Deep)), "the strand beside it is pulled up to it")
	}
}

// loopInCord tells how a loop through a bead is made.
func (w *writer) loopInCord(d *measure.Drop, count int) {
	through := lower(d.Through.Material.Name)
	w.do("At %s of this loop go through %s, take up %s, and go through %s again from the same side, so that the beads hang below it; it takes %s of cord.",
		placesOf(count), through, hungRuns(d.Beads), through, w.in(d.Path))
	told := map[*measure.Drop]bool{}
	for _, b := range d.Beads {
		if in := b.Drop; in != nil && !told[in] {
			told[in] = true
			w.hangInLoop(in)
		}
	}
	w.gate("Before the next bead", fmt.Sprintf("the loop hangs %s deep and lies round %s", w.in(d.Deep), through), "the cord is pulled up on both sides of it")
}

// hangInLoop tells how what hangs in a loop is made on the way.
func (w *writer) hangInLoop(d *measure.Drop) {
	if d.Through == nil {
		last := len(d.Beads) - 1
		w.do("In it drop %s hangs: down through %s, round the outside of %s, and back up through the others.", d.Key, hungRuns(d.Beads[:last]), lower(d.Beads[last].Material.Name))
		return
	}
	through := lower(d.Through.Material.Name)
	w.do("In it %s has a loop of its own: go through it, take up %s, and go through it again from the same side.", through, hungRuns(d.Beads))
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
		name := lower(hung[i].Material.Name)
		if d := hung[i].Drop; d != nil && d.Through == nil {
			name = "drop " + d.Key
		}
		out = append(out, fmt.Sprintf("%d × %s", n, name))
		i += n
	}
	return strings.Join(out, ", ")
}
