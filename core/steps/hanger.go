package steps

import (
	"mala/core/measure"
	"mala/core/piece"
)

// hanger makes an ornament: its foot first, its beads from the foot up, its loop last.
func (w *writer) hanger() {
	w.start(w.cutter())
	left, right := &w.s.Left, &w.s.Right
	if w.s.Start.By == measure.StartFoot && left.Hold != measure.Unheld {
		w.end(left)
	} else {
		w.unheld(piece.Left)
	}
	if n := len(left.TailBeads); n > 0 {
		w.do("over-tail", OverTail{n, false})
	}
	w.stringRuns()
	if left.Crimped() && left.Tail > 0 {
		w.final("trim-first-tail", TrimTail{w.at(left), true})
	}
	if right.Hold == measure.Unheld {
		w.unheld(piece.Right)
		return
	}
	must := []Point{BeadsLong{w.s.Strung}, HangsFromTop{}}
	if h := w.m.Hanger(); h.Foot > 0 {
		must = append(must, NoCurl{})
	}
	w.gate("loop", BeforeLoop{}, must...)
	w.end(right)
	w.attachAll()
}

// stopped ends the cord behind a crimp or a knot alone.
func (w *writer) stopped(e *measure.End) {
	if crimp := e.Find(measure.RoleCrimp); crimp != nil {
		w.final("stop:"+string(e.Side), PressAtTip{w.at(e), crimp.Material})
		w.gate("stopped:"+string(e.Side), After{MadeCrimp}, FirmPull{})
		return
	}
	w.final("stop:"+string(e.Side), KnotAtTip{w.at(e)})
	w.gate("stopped:"+string(e.Side), After{MadeKnot}, KnotStays{})
}
