package steps

import (
	"fmt"
	"strings"

	"mala/core/measure"
	"mala/core/piece"
)

// loopBeads names the beads of a loop in runs.
func loopBeads(l *measure.BeadLoop) string {
	var runs []string
	for i := 0; i < len(l.Beads); {
		n := 1
		for i+n < len(l.Beads) && l.Beads[i+n].Material == l.Beads[i].Material {
			n++
		}
		runs = append(runs, fmt.Sprintf("%d × %s", n, lower(l.Beads[i].Material.Name)))
		i += n
	}
	return strings.Join(runs, ", ") + " for the loop"
}

// tryLoop tries a loop of beads before it is fixed for good.
func (w *writer) tryLoop(e *measure.End) {
	loop := e.FindLoop()
	if loop == nil {
		return
	}
	must := []string{fmt.Sprintf("the loop is %s round inside", w.in(loop.LoopGirth()))}
	if _, button := w.s.End(e.Side.Other()).Button(); button != nil {
		must = append(must, fmt.Sprintf("%s goes through it with a little push and does not slip out by itself", lower(button.Material.Name)))
	}
	w.gate("Before the loop is fixed", must...)
}

// leg ends the cord on a leg: a knot holds the strand, a bead and a knot end the leg.
func (w *writer) leg(e *measure.End) {
	own := w.s.Row.Ending(e.Side)
	w.do("%s end: tie an overhand knot close to the beads.", w.title(e.Side))
	if own.Bead != nil {
		w.do("String %s, tie an overhand knot below it %s from the strand, and trim the end.", lower(own.Bead.Name), w.in(own.Leg+own.Bead.Bead.Length()))
	} else {
		w.do("Leave a leg of %s, tie an overhand knot at its end, and trim it.", w.in(own.Leg))
	}
	w.gate("After the leg", "both knots hold a firm pull")
}

// cone ends the cord in a cone over its knot.
func (w *writer) cone(e *measure.End) {
	w.do("%s end: tie an overhand knot through the eye inside %s, close to the beads.", w.title(e.Side), lower(e.Find(measure.RoleCone).Material.Name))
	if w.h.Glue == piece.Yes {
		w.do("Put one drop of glue on the knot, with the window open, and let it dry as its label says.")
	}
	w.do("Trim the cord and draw the cone down over the knot until it meets the last bead.")
	w.gate("After the cone", "it holds a firm pull")
}

// firstHung names what the cord goes round first at an end.
func (w *writer) firstHung(side piece.Side) string {
	if hung := w.hung(side); len(hung) > 0 {
		return lower(hung[0].name)
	}
	return "the end"
}

// chains cuts the lengths of chain first, counted by their links.
func (w *writer) chains() {
	seen := map[piece.ID]bool{}
	for i, s := range w.m.Strands {
		for _, e := range s.Ends() {
			w.chainsAt(e, seen, i+1)
		}
	}
}

func (w *writer) chainsAt(e *measure.End, seen map[piece.ID]bool, row int) {
	for _, p := range e.Parts {
		if p.Role != measure.RoleLinks || seen[p.Fitting] {
			continue
		}
		seen[p.Fitting] = true
		if w.m.Piece.Several() && !p.Shared {
			w.row = row
		}
		if p.Material.Component != nil {
			w.hookUp(p)
			continue
		}
		how := "open the next link"
		if !p.Material.Finding.IsOpen() {
			how = "cut through the next link, which is lost"
		}
		where := w.title(e.Side) + " end: count"
		if w.row > 0 && !w.m.Strands[row-1].Row.Corded() {
			where = "Count"
		}
		w.do("%s off %d links of %s, %s, and %s.", where, p.Links, lower(p.Material.Name), w.in(p.Length), how)
		w.row = 0
	}
}

// hookUp hangs bead links in one another, so many in a row.
func (w *writer) hookUp(p measure.Part) {
	switch b := p.Between; {
	case p.Links < 2:
	case b != nil:
		how := "open the next link"
		if !b.Of.Finding.IsOpen() {
			how = "cut through the next link, which is lost"
		}
		w.do("Count off %d times %d links of %s: %s each time.", p.Links-1, b.Links, lower(b.Of.Name), how)
		w.do("Hook %d × %s into a row with %d links of chain between each two, %s: open each eye sideways, hang the chain in it, and close it.", p.Links, lower(p.Material.Name), b.Links, w.in(p.Length))
	default:
		w.do("Hook %d × %s into one another, %s: open the eye of each sideways, hang it in the loop of the next, and close it.", p.Links, lower(p.Material.Name), w.in(p.Length))
	}
	w.row = 0
}
