package steps

import (
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// crimped makes a strand with crimped ends: stopped at the left, strung, the
// left end made, the right end last. The left end may also be made first of all.
func (w *writer) crimped() {
	switch w.startedBy() {
	case piece.StopSpool:
		w.do("spool", KeepOnSpool{w.s.Row.Cord})
		w.stringRuns()
		w.end(&w.s.Right)
		w.beforeCutting()
		w.final("cut", CutFromSpool{0, w.m.Beyond(w.s, &w.s.Left), w.cutter()})
		w.secondEnd(&w.s.Left)
	case piece.StopCrimped:
		w.start(w.cutter())
		w.end(&w.s.Left)
		if n := len(w.s.Left.TailBeads); n > 0 {
			w.do("over-tail", OverTail{n, true})
		}
		w.stringRuns()
		if w.s.Left.Tail > 0 {
			w.final("trim-first-tail", TrimTail{w.at(&w.s.Left), true})
		}
		w.secondEnd(&w.s.Right)
	default:
		w.start(w.cutter())
		w.stop()
		w.open()
		if w.s.Right.Hold == measure.HeldByMiddle { // it was made first
			w.secondEnd(&w.s.Left)
			return
		}
		w.end(&w.s.Left)
		w.secondEnd(&w.s.Right)
	}
}

// at is an end as steps name it.
func (w *writer) at(e *measure.End) End { return End{e.Side, w.m.Piece.Hangs()} }

// secondEnd is the least reversible moment, so its gate comes first.
func (w *writer) secondEnd(e *measure.End) {
	switch {
	case w.row > 0 && e.Hold != measure.HeldByCrimp && e.Hold != measure.Unheld:
		w.secondKnot(e)
		return
	case e.Hold == measure.Unheld:
		w.unheld(e.Side)
		return
	}
	must := []Point{BeadsLong{w.s.Strung}, TriedOn{}, w.straight(e)}
	if w.s.Slack > 0 {
		must = append(must, SlackLeft{w.s.Slack, MadeCrimp})
	}
	var at When = BeforeCrimp{e.Side}
	if !e.Crimped() {
		at = BeforeMade{e.Side}
	}
	w.gate("end:"+string(e.Side), at, must...)
	w.end(e)
	w.attachAll()
}

// straight is how the strand must run before its second end.
func (w *writer) straight(e *measure.End) Point {
	if hole := w.m.Piece.Hole(w.s.Row, e.Side); hole > 0 && w.row > 0 {
		return Untwisted{hole}
	}
	return Untwisted{}
}

// unheld says what is missing where nothing holds an end.
func (w *writer) unheld(side piece.Side) { w.gate("unheld:"+string(side), BeforeEnd{side}, Held{}) }

// end makes one end in threading order.
func (w *writer) end(e *measure.End) {
	switch e.Hold {
	case measure.HeldByCrimp:
		w.crimp(e)
	case measure.Unheld:
		w.unheld(e.Side)
	case measure.HeldByMiddle: // made before anything is strung
	case measure.HeldByLeg:
		w.leg(e)
	case measure.HeldByStop:
		w.stopped(e)
	default:
		w.tie(e)
	}
}

// around is what the cord goes through and round at an end.
func (w *writer) around(e *measure.End) Around {
	out := Around{}
	if e.Find(measure.RoleGuard) != nil {
		out.Guard = w.h.GuardTurns()
	}
	foot, cord, beads := e.Find(measure.RoleFootBead), e.Find(measure.RoleCordLoop), e.Find(measure.RoleBeads)
	switch {
	case foot != nil:
		out.Foot = foot.Material
	case cord != nil:
		out.Girth = cord.Girth
	case beads != nil:
		out.Loop = beads.Loop
	default:
		out.On = w.firstHung(e.Side)
	}
	return out
}

func (w *writer) crimp(e *measure.End) {
	side := string(e.Side)
	early := w.beforeBeads(e)
	if w.s.Row.Ending(e.Side).Way == piece.WayLegLoop {
		w.do("clip-leg", ClipLeg{w.at(e)})
	}
	way := ThreadCrimp{End: w.at(e), Around: w.around(e), Trim: e.Tail <= 0, Leave: e.Tail > 0 && early, Beads: len(e.TailBeads) + len(e.TailInto), Tail: e.Tail}
	if e.TailShared != "" {
		way.Shared = w.m.Piece.Fitting(e.TailShared).Of
	}
	w.do("thread:"+side, way)
	w.tryLoop(e)
	crimp := e.Find(measure.RoleCrimp)
	cover := e.Find(measure.RoleCover)
	if cover != nil && crimp != nil {
		w.do("room:"+side, LeaveRoom{max(0, (cover.Material.Finding.Length-crimp.Material.Finding.Length)/2)})
	}
	w.final("crimp:"+side, CloseCrimp{w.h.Crimp, w.s.CrimpPasses(e), w.s.Row.Cord.Cord.Type == material.Wire})
	w.gate("crimped:"+side, After{MadeCrimp}, FirmPull{})
	if e.Tail > 0 && !early {
		w.final("trim:"+side, TrimTail{w.at(e), false})
	}
	if bead := w.s.Beside(e.Side); w.s.Row.Ending(e.Side).Way == piece.WayUnderBead && bead >= 0 {
		w.do("slide-over:"+side, SlideOver{w.s.Beads[bead].Material})
	}
	if cover != nil {
		w.final("cover:"+side, CloseCover{cover.Material})
	}
}

// beforeBeads says whether the end is made before any bead is on the cord.
func (w *writer) beforeBeads(e *measure.End) bool {
	return (w.s.Start.By == piece.StopCrimped || w.s.Start.By == measure.StartFoot) && e.Side == w.s.Start.Side
}

// tryLoop tries a loop before it is fixed for good.
func (w *writer) tryLoop(e *measure.End) {
	loop := e.FindLoop()
	if loop == nil {
		return
	}
	must := []Point{LoopRound{loop.LoopGirth()}}
	if _, button := w.s.End(e.Side.Other()).Button(); button != nil {
		must = append(must, ButtonPasses{button.Material})
	}
	w.gate("loop:"+string(e.Side), BeforeLoopFixed{}, must...)
}
