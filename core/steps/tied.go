package steps

import (
	"fmt"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// knots names the house's knots.
var knots = map[string]string{piece.KnotSurgeons: "surgeon's knot", piece.KnotSquare: "square knot", piece.KnotTriple: "triple knot"}

// ring makes a strand that is knotted on itself.
func (w *writer) ring() {
	if w.s.Left.Hold == measure.Unheld {
		w.start("")
		w.stop()
		w.unheld(piece.Left)
		return
	}
	elastic := w.s.Row.Cord.Cord.Type == material.Elastic
	if w.s.Start.By == piece.StopSpool {
		w.elasticFromSpool()
	} else {
		w.start(" with scissors")
		if elastic {
			w.do("Stretch the elastic by hand a few times, so that it does not grow later.")
		}
		w.stop()
	}
	must := []string{fmt.Sprintf("round the loop it measures %s", w.in(w.s.Strung)), "it has been tried on", "no bead is missing or reversed by mistake"}
	if elastic {
		must[1] = "it has been tried on, over the hand where it must pass"
	}
	w.gate("Before you knot", must...)
	w.do("Tie a %s, pulled tight to the beads.", knots[w.h.Knot])
	if elastic {
		w.do("Pull the knot, wait a minute, and pull it again: elastic settles.")
	}
	w.glueAndHide()
}

// elasticFromSpool strings elastic that is cut off once the beads are on it.
func (w *writer) elasticFromSpool() {
	w.do("Leave the elastic on its spool, %s. Draw off a little more than the beads take and stretch it by hand a few times, so that it does not grow later.", w.cord())
	w.stringRuns()
	w.beforeCutting()
	w.do("Leave %s of the free end to tie with, and cut from the spool %s beyond the beads, with scissors.",
		w.in(w.m.Beyond(w.s, &w.s.Right)), w.in(w.m.Beyond(w.s, &w.s.Left)))
}

// glueAndHide glues the knot, draws it into its bead while the glue is wet, and
// clips the ends only once it is dry.
func (w *writer) glueAndHide() {
	k := w.s.Knot
	hides := k != nil && k.Bead >= 0 && w.h.KnotPlace == piece.KnotHidden
	glue := w.h.Glue == piece.Yes
	if glue {
		w.gate("Before the glue", "the knot holds a firm pull", "the strand lies as it should")
		w.do("Put one drop of glue on the knot, with the window open.")
	}
	if hides {
		wet := ""
		if glue {
			wet = " while the glue is wet"
		}
		w.do("Draw the knot into %s, bead %d,%s.", lower(w.s.Beads[k.Bead].Material.Name), k.Bead+1, orNow(wet))
	}
	if glue {
		w.do("Let it dry as the glue's label says.")
		w.gate("Before you trim", "the glue is dry")
	}
	if hides {
		w.do("Trim the ends close to the bead.")
		return
	}
	w.do("Trim the ends; the knot stays visible.")
}

// orNow closes a sentence that may have no time given.
func orNow(when string) string {
	if when == "" {
		return " by pulling on the ends"
	}
	return when
}

// tiedOn makes a strand whose ends are tied to their fittings, or held by cord
// ends.
func (w *writer) tiedOn() {
	if w.s.Start.By == piece.StopSpool {
		w.elasticFromSpool()
	} else {
		w.start("")
		w.stop()
		w.open()
	}
	w.end(&w.s.Left)
	if w.s.Right.Hold == measure.Unheld {
		w.unheld(piece.Right)
		return
	}
	w.secondKnot(&w.s.Right)
}

// secondKnot makes the second end of a strand that is tied or held by flaps.
func (w *writer) secondKnot(e *measure.End) {
	must := []string{fmt.Sprintf("the beads measure %s and none is missing or reversed by mistake", w.in(w.s.Strung)), "it has been tried on"}
	if w.s.Slack > 0 {
		must = append(must, fmt.Sprintf("in its wearing curve, %s of slack is left between the beads and the knot", w.in(w.s.Slack)))
	}
	before := fmt.Sprintf("Before the %s knot", e.Side)
	if e.Hold == measure.HeldByFold {
		before = fmt.Sprintf("Before the %s flaps are pressed", e.Side)
	}
	w.gate(before, must...)
	w.end(e)
	if w.m.Piece.Closure.Type == piece.OnBar {
		w.trimBoth()
		return
	}
	w.attachAll()
}

// tie makes an end that is knotted to a fitting or held by a cord end.
func (w *writer) tie(e *measure.End) {
	if e.Hold == measure.HeldByCordEnd {
		w.do("%s end: tie an overhand knot close to the beads, lay it in %s, and fold the cord end over it.", w.title(e.Side), lower(e.Find(measure.RoleCordEnd).Material.Name))
		if w.h.Glue == piece.Yes {
			w.do("Put a drop of glue inside before the last fold, with the window open, and let it dry as its label says.")
		}
		w.gate("After the cord end", "it holds a firm pull")
		return
	}
	if e.Hold == measure.HeldByFold {
		w.do("%s end: trim the cord square, %s beyond the last bead, and lay it in the trough of %s.", w.title(e.Side), w.in(e.Find(measure.RoleFold).Material.Finding.Length), lower(e.Find(measure.RoleFold).Material.Name))
		if w.h.Glue == piece.Yes {
			w.do("Put a drop of glue in the trough, with the window open.")
		}
		w.do("Press one flap down on the cord, then the other over that.")
		if w.h.Glue == piece.Yes {
			w.do("Let the glue dry as its label says.")
		}
		w.gate("After the fold-over end", "it holds a firm pull")
		return
	}
	if e.Hold == measure.HeldByCone {
		w.cone(e)
		return
	}
	if loop := e.Find(measure.RoleCordLoop); loop != nil {
		w.cordLoop(e, loop)
		return
	}
	way := ""
	if foot := e.Find(measure.RoleFootBead); foot != nil {
		way = "down through " + lower(foot.Material.Name) + " and round its outside"
	} else if e.Find(measure.RoleGuard) != nil {
		way = w.guard()
	}
	if loop := e.Find(measure.RoleBeads); loop != nil {
		way = loopBeads(loop.Loop)
	} else if bar := w.m.Piece.Closure; bar.Type == piece.OnBar {
		way = fmt.Sprintf("the %s hole of %s", e.Side, lower(bar.Left[0].Of.Name))
	} else if hung := w.hung(e.Side); len(hung) > 0 {
		if way != "" {
			way += " and "
		}
		way += hung[0].name
	}
	if e.Find(measure.RoleBeads) != nil {
		w.do("%s end: thread %s and go back into the last bead of the strand, so that the loop closes.", w.title(e.Side), way)
		w.tryLoop(e)
		w.do("Tie a %s round the cord.", knots[w.h.Knot])
	} else {
		w.do("%s end: thread %s, come back to the beads and tie a %s round the cord.", w.title(e.Side), way, knots[w.h.Knot])
	}
	if w.h.Glue == piece.Yes {
		w.do("Put one drop of glue on the knot, with the window open, and let it dry as its label says.")
	}
	if k := e.Hidden; k != nil && k.Bead >= 0 {
		w.do("Draw the knot into %s, bead %d.", lower(w.s.Beads[k.Bead].Material.Name), k.Bead+1)
	}
	w.gate("After the knot", "it holds a firm pull")
	if w.m.Piece.Closure.Type == piece.OnBar {
		return // neither tail is clipped before both knots hold
	}
	w.do("Thread the tail back through the last beads and trim it.")
}

// trimBoth clips the tails at both ends of a bar, once both knots hold.
func (w *writer) trimBoth() {
	must := []string{"both knots hold a firm pull", "it has been tried on"}
	if w.h.Glue == piece.Yes {
		must[0] = "the glue on both knots is dry"
	}
	w.gate("Before either tail is clipped", must...)
	if w.s.Left.Hidden != nil && w.s.Left.Hidden.Bead >= 0 && w.s.Right.Hidden != nil && w.s.Right.Hidden.Bead >= 0 {
		w.do("Trim both tails close to the beads that hide the knots.")
		return
	}
	w.do("Thread both tails back through the last beads and trim them.")
}
