package steps

import (
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// ring makes a strand that is knotted on itself.
func (w *writer) ring() {
	if w.s.Left.Hold == measure.Unheld {
		w.start(w.cutter())
		w.stop()
		w.unheld(piece.Left)
		return
	}
	elastic := w.s.Row.Cord.Cord.Type == material.Elastic
	if w.startedBy() == piece.StopSpool {
		w.elasticFromSpool()
	} else {
		w.start(w.cutter())
		if elastic {
			w.do("stretch", Stretch{})
		}
		w.stop()
	}
	must := []Point{RoundLoop{w.s.Strung}, TriedOn{}, NoneMissing{}}
	if elastic {
		must[1] = TriedOverHand{}
	}
	w.gate("knot", BeforeRingKnot{}, must...)
	w.do("knot", TieRing{w.h.Knot})
	if elastic {
		w.do("pull-again", PullAgain{})
	}
	w.glueAndHide()
}

// elasticFromSpool strings elastic that is cut off once the beads are on it.
func (w *writer) elasticFromSpool() {
	w.do("spool", KeepOnSpool{w.s.Row.Cord})
	w.stringRuns()
	w.beforeCutting()
	w.final("cut", CutFromSpool{w.m.Beyond(w.s, &w.s.Right), w.m.Beyond(w.s, &w.s.Left), Scissors})
}

// glueAndHide glues the knot, draws it into its bead while the glue is wet, and
// clips the ends only once it is dry.
func (w *writer) glueAndHide() {
	k := w.s.Knot
	tails := w.s.Row.LeftEnding.Way == piece.WayTails || w.s.Row.RightEnding.Way == piece.WayTails
	hides := k != nil && k.Bead >= 0 && w.h.KnotPlace != piece.KnotShown && !tails
	if w.glued() {
		w.gate("glue", BeforeGlue{}, KnotsHold{}, LiesRight{})
		w.final("glue", Glue{OnKnot, false})
	}
	if hides {
		how := ByEnds
		if w.glued() {
			how = WhileWet
		}
		w.do("hide-knot", HideKnot{w.s.Beads[k.Bead].Material, k.Bead + 1, how})
	}
	if w.glued() {
		w.do("dry", LetDry{OnKnot})
		w.gate("trim", BeforeTrim{}, GlueDry{})
	}
	switch {
	case tails:
		for _, e := range w.s.Ends() {
			w.looseTails(e)
		}
	case hides:
		w.final("trim", TrimAtBead{})
	default:
		w.final("trim", TrimAtKnot{2 * w.s.Row.Passes, false})
	}
}

// looseTails ends the tails of a tied end in a bead and a knot each.
func (w *writer) looseTails(e *measure.End) {
	f := w.s.Row.Ending(e.Side)
	if f.Way != piece.WayTails {
		return
	}
	leg := f.Leg
	if f.Bead != nil {
		leg += f.Bead.Bead.Length()
	}
	w.final("tails:"+string(e.Side), TieTails{f.Bead, w.s.Row.Passes, leg})
	w.gate("tails:"+string(e.Side), After{MadeTails}, KnotsHold{})
}

// tiedOn makes a strand whose ends are tied to their fittings, or held by cord
// ends.
func (w *writer) tiedOn() {
	if w.startedBy() == piece.StopSpool {
		w.elasticFromSpool()
	} else {
		w.start(w.cutter())
		w.stop()
		w.open()
	}
	if w.s.Right.Hold == measure.HeldByMiddle { // it was made first, and the left end is the last
		w.secondKnot(&w.s.Left)
		return
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
	must := []Point{BeadsLong{w.s.Strung}, TriedOn{}}
	if w.s.Slack > 0 {
		must = append(must, SlackLeft{w.s.Slack, MadeKnot})
	}
	var at When = BeforeKnot{e.Side}
	if e.Hold == measure.HeldByFold {
		at = BeforeFlaps{e.Side}
	}
	w.gate("end:"+string(e.Side), at, must...)
	w.end(e)
	if w.m.Piece.Closure.Type == piece.OnBar {
		w.trimBoth()
		return
	}
	w.attachAll()
}

// tie makes an end that is knotted to a fitting or held by a cord end.
func (w *writer) tie(e *measure.End) {
	side := string(e.Side)
	switch e.Hold {
	case measure.HeldByCordEnd:
		w.final("tie:"+side, TieOff{w.at(e), e.Find(measure.RoleCordEnd).Material})
		if w.glued() {
			w.final("glue:"+side, Glue{InCordEnd, true})
		}
		w.gate("tied:"+side, After{MadeCordEnd}, FirmPull{})
		return
	case measure.HeldByFold:
		fold := e.Find(measure.RoleFold).Material
		w.final("tie:"+side, LayInTrough{w.at(e), fold, fold.Finding.Length})
		if w.glued() {
			w.final("glue:"+side, Glue{InTrough, false})
		}
		w.final("press:"+side, PressFlaps{})
		if w.glued() {
			w.do("dry:"+side, LetDry{InTrough})
		}
		w.gate("tied:"+side, After{MadeFoldOver}, FirmPull{})
		return
	case measure.HeldByCone:
		w.cone(e)
		return
	}
	if loop := e.Find(measure.RoleCordLoop); loop != nil {
		w.do("tie:"+side, LoopOfCord{w.at(e), loop.Girth})
		w.tryLoop(e)
		w.gate("tied:"+side, After{MadeLoop}, LoopKnotHolds{e.Side})
		w.final("trim:"+side, TrimAtKnot{w.s.Row.Passes, false})
		return
	}
	w.tieOn(e)
}

// tieOn leads the cord round what is there and back to its knot.
func (w *writer) tieOn(e *measure.End) {
	side := string(e.Side)
	way := TieOn{End: w.at(e), Around: w.around(e), Back: e.Back >= 0, Knot: w.h.Knot}
	way.Loop = way.Around.Loop != nil
	if bar := w.m.Piece.Closure; bar.Type == piece.OnBar && way.Around.Loop == nil {
		way.On = &Thing{Of: bar.Left[0].Of, Bar: e.Side}
	}
	w.do("tie:"+side, way)
	if way.Loop {
		w.tryLoop(e)
		w.do("knot:"+side, Tie{w.h.Knot})
	}
	if w.glued() {
		w.final("glue:"+side, Glue{OnKnot, true})
	}
	hidden := e.Hidden != nil && e.Hidden.Bead >= 0
	if hidden {
		w.do("hide-knot:"+side, HideKnot{w.s.Beads[e.Hidden.Bead].Material, e.Hidden.Bead + 1, Plainly})
	}
	w.gate("tied:"+side, After{MadeKnot}, FirmPull{})
	switch {
	case w.m.Piece.Closure.Type == piece.OnBar: // neither tail is clipped before both knots hold
	case w.s.Row.Ending(e.Side).Way == piece.WayTails:
		w.looseTails(e)
	case hidden:
		w.final("trim:"+side, TrimAtBead{})
	default:
		w.lastTail(e, false)
	}
}

// lastTail takes the tail of a knot back through the beads as far as it is cut for, and trims
// it; or at the knot.
func (w *writer) lastTail(e *measure.End, both bool) {
	switch n := len(e.TailBeads); {
	case w.beforeBeads(e):
		// it goes along in the first beads
	case n > 0:
		w.final("trim:"+string(e.Side), TuckTail{w.at(e), n, e.Tail, both})
	default:
		ends := w.s.Row.Passes
		if both {
			ends *= 2
		}
		w.final("trim:"+string(e.Side), TrimAtKnot{ends, both})
	}
}

// trimBoth clips the tails at both ends of a bar, once both knots hold.
func (w *writer) trimBoth() {
	var first Point = KnotsHold{true}
	if w.glued() {
		first = GlueDry{true}
	}
	w.gate("tails", BeforeTails{}, first, TriedOn{})
	left, right := &w.s.Left, &w.s.Right
	hides := func(e *measure.End) bool { return e.Hidden != nil && e.Hidden.Bead >= 0 }
	switch {
	case hides(left) && hides(right):
		w.final("trim", TrimAtBead{true})
	case len(left.TailBeads) == len(right.TailBeads) && left.Tail == right.Tail && !hides(left) && !hides(right):
		w.lastTail(left, true)
	default:
		for _, e := range w.s.Ends() {
			if hides(e) {
				w.final("trim:"+string(e.Side), TrimAtBead{})
				continue
			}
			w.lastTail(e, false)
		}
	}
}

// leg ends the cord on a leg: a knot holds the strand, a bead and a knot end the leg.
func (w *writer) leg(e *measure.End) {
	own := w.s.Row.Ending(e.Side)
	long := own.Leg
	if own.Bead != nil {
		long += own.Bead.Bead.Length()
	}
	w.final("leg:"+string(e.Side), TieLeg{w.at(e), own.Bead, long})
	w.gate("leg:"+string(e.Side), After{MadeLeg}, KnotsHold{true})
}

// cone ends the cord in a cone over its knot.
func (w *writer) cone(e *measure.End) {
	side := string(e.Side)
	w.do("tie:"+side, TieInCone{w.at(e), e.Find(measure.RoleCone).Material})
	if w.glued() {
		w.final("glue:"+side, Glue{OnKnot, true})
	}
	w.final("cone:"+side, DrawCone{})
	w.gate("tied:"+side, After{MadeCone}, FirmPull{})
}
