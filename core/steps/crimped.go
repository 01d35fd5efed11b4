package steps

import (
	"fmt"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// crimped makes a strand with crimped ends: stopped at the left, strung, the
// left end made, the right end last. The left end may also be made first of all.
func (w *writer) crimped() {
	switch w.s.Start.By {
	case piece.StopSpool:
		w.do("Leave the cord on its spool, %s. String from the free end: the run that goes on first ends up by the spool.", w.cord())
		w.stringRuns()
		w.end(&w.s.Right)
		w.beforeCutting()
		w.do("Push the beads up and cut from the spool %s beyond the last bead,%s.", w.in(w.m.Beyond(w.s, &w.s.Left)), w.cutters())
		w.secondEnd(&w.s.Left)
	case piece.StopCrimped:
		w.start(w.cutters())
		w.end(&w.s.Left)
		if n := len(w.s.Left.TailBeads); n > 0 {
			w.do("String the first %s over wire and tail together.", beads(n))
		}
		w.stringRuns()
		if w.s.Left.Tail > 0 {
			w.do("Left end: trim the tail flush where it comes out.")
		}
		w.secondEnd(&w.s.Right)
	default:
		w.start(w.cutters())
		w.stop()
		w.open()
		w.end(&w.s.Left)
		w.secondEnd(&w.s.Right)
	}
}

// secondEnd is the least reversible moment, so its gate comes first.
func (w *writer) secondEnd(e *measure.End) {
	if w.row > 0 && e.Hold != measure.HeldByCrimp && e.Hold != measure.Unheld {
		w.secondKnot(e)
		return
	}
	must := []string{
		fmt.Sprintf("the beads measure %s and none is missing or reversed by mistake", w.in(w.s.Strung)),
		"it has been tried on",
		w.straight(e),
	}
	if w.s.Slack > 0 {
		must = append(must, fmt.Sprintf("in its wearing curve, %s of slack is left between the beads and the crimp", w.in(w.s.Slack)))
	}
	if e.Hold == measure.Unheld {
		w.unheld(e.Side)
		return
	}
	closes := "crimp is closed"
	if !e.Crimped() {
		closes = "end is made"
	}
	w.gate(fmt.Sprintf("Before the %s %s", e.Side, closes), must...)
	w.end(e)
	w.attachAll()
}

// end makes one end in threading order; of several rows one made like that of a row
// before is told by it.
func (w *writer) end(e *measure.End) {
	from := len(w.out)
	w.endInFull(e)
	if w.row > 0 {
		w.likeBefore(from, e.Side)
	}
}

func (w *writer) endInFull(e *measure.End) {
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

func (w *writer) crimp(e *measure.End) {
	way := "the crimp"
	if e.Find(measure.RoleGuard) != nil {
		way += ", " + w.guard()
	}
	if foot := e.Find(measure.RoleFootBead); foot != nil {
		way += ", down through " + lower(foot.Material.Name) + " and round its outside"
	} else if loop := e.Find(measure.RoleCordLoop); loop != nil {
		way += fmt.Sprintf(", leave a loop of %s round its inside", w.in(loop.Girth))
	} else if loop := e.Find(measure.RoleBeads); loop != nil {
		way += ", " + loopBeads(loop.Loop)
	} else if hung := w.hung(e.Side); len(hung) > 0 { // what hangs beyond the first comes on its own
		way += ", " + hung[0].name
	}
	tail := "Trim the tail close."
	if e.Tail > 0 {
		tail = fmt.Sprintf("Leave a tail of %s.", w.in(e.Tail))
	}
	if e.Tail > 0 && !w.beforeBeads(e) {
		tail = fmt.Sprintf("Tuck the tail back through %s, %s.", beads(len(e.TailBeads)), w.in(e.Tail))
	}
	w.do("%s end: thread %s, and go back through the crimp. %s", w.title(e.Side), way, tail)
	w.tryLoop(e)
	if cover := e.Find(measure.RoleCover); cover != nil && e.Find(measure.RoleCrimp) != nil {
		room := (cover.Material.Finding.Length - e.Find(measure.RoleCrimp).Material.Finding.Length) / 2
		w.do("Leave %s of bare cord on either side of the crimp: the cover needs the room.", w.in(max(0, room)))
	}
	w.do("%s", map[string]string{
		piece.CrimpFolded:     "Close the crimp: press it between the two wires, which lie side by side, then turn it and fold it.",
		piece.CrimpFlat:       "Press the crimp flat over the two wires. They lie side by side, not crossed.",
		piece.CrimpThreeSided: "Press the crimp from three sides around the two wires. They lie side by side, not crossed.",
	}[w.h.Crimp])
	w.gate("After the crimp", "it holds a firm pull")
	if e.Tail > 0 && !w.beforeBeads(e) {
		w.do("Trim the tail flush where it comes out.")
	}
	if bead := w.s.Beside(e.Side); w.s.Row.Ending(e.Side).Way == piece.WayUnderBead && bead >= 0 {
		w.do("Slide the last bead, %s, over the crimp.", lower(w.s.Beads[bead].Material.Name))
	}
	if cover := e.Find(measure.RoleCover); cover != nil {
		w.do("Close %s over the crimp.", lower(cover.Material.Name))
	}
}

// guard is how the house leads the cord through a guard.
func (w *writer) guard() string {
	if w.h.GuardTurns() > 1 {
		return "the guard twice"
	}
	return "the guard"
}

// beforeBeads says whether the end is made before any bead is on the cord.
func (w *writer) beforeBeads(e *measure.End) bool {
	return (w.s.Start.By == piece.StopCrimped || w.s.Start.By == measure.StartFoot) && e.Side == w.s.Start.Side
}

// attachAll hangs on what the cord itself does not go through; of several rows what is
// the row's own, and once all are made what they share.
func (w *writer) attachAll() {
	for _, side := range piece.Sides() {
		w.attach(side)
	}
	w.hangOnFittings()
}

// now says whether what two parts are hung together by is done now: what rows share
// comes last.
func (w *writer) now(shared bool) bool { return !w.m.Piece.Several() || shared == (w.row == 0) }

// hangOnFittings hangs what is carried by rings, clasp and extender.
func (w *writer) hangOnFittings() {
	for _, e := range w.s.Ends() {
		for _, p := range e.Parts {
			if len(p.Hung) == 0 || !w.now(p.Shared) {
				continue
			}
			on := "the loop of beads"
			if p.Material != nil {
				on = lower(p.Material.Name)
			}
			if p.Role == measure.RoleChain {
				on = "the last link of " + on
			}
			w.do("%s end: hang %s on %s.", w.title(e.Side), names(p.Hung), on)
		}
	}
}

// attach hangs on what the cord itself does not go through: each fitting on the
// one before it.
func (w *writer) attach(side piece.Side) {
	hung := w.hung(side)
	for i := 1; i < len(hung); i++ {
		pair := hung[i-1].id + " " + hung[i].id
		if !w.now(hung[i-1].shared && hung[i].shared) || w.hungUp[pair] {
			continue
		}
		w.hungUp[pair], w.hungUp[hung[i].id+" "+hung[i-1].id] = true, true
		w.do("%s end: hang %s on %s.%s", w.title(side), hung[i].name, hung[i-1].name, howItOpens(hung[i-1].finding, hung[i].finding))
	}
}

// hanging is one fitting at an end, as it is named there.
type hanging struct {
	name    string
	finding *material.Finding
	shared  bool
	id      piece.ID
}

// hung lists what hangs at an end from the cord outwards. A toggle is listed at
// its ring; its bar hangs at the other end.
func (w *writer) hung(side piece.Side) []hanging {
	var out []hanging
	for _, p := range w.s.End(side).Parts {
		if p.Role == measure.RoleRow {
			return out
		}
		switch p.Role {
		case measure.RoleRing, measure.RoleClasp, measure.RoleChain, measure.RoleLinks, measure.RoleConnector, measure.RoleBar:
			h := hanging{lower(p.Material.Name), p.Material.Finding, p.Shared, p.Fitting}
			if p.Role == measure.RoleLinks {
				h.name = fmt.Sprintf("%d links of %s", p.Links, h.name)
			}
			if h.finding.Type == material.Toggle {
				h.name = "the ring of " + h.name
			}
			if hole := w.m.Piece.Hole(w.s.Row, side); hole > 0 && len(out) == 0 {
				h.name = fmt.Sprintf("hole %d of %s", hole, lower(p.Material.Name))
			}
			out = append(out, h)
		}
	}
	if clasp := w.s.End(side.Other()).Find(measure.RoleClasp); clasp != nil && clasp.Material.Finding.HasTwoHalves() && clasp.Material.Finding.Type != material.ButtonEnd {
		half := "the other half of "
		if clasp.Material.Finding.Type == material.Toggle {
			half = "the bar of "
		}
		if hole := w.m.Piece.Hole(w.s.Row, side); hole > 0 {
			half = fmt.Sprintf("hole %d of %s", hole, half)
		}
		out = append(out, hanging{half + lower(clasp.Material.Name), clasp.Material.Finding, true, clasp.Fitting + "'"})
	}
	return out
}

// howItOpens says how the one of two fittings that opens is opened.
func howItOpens(a, b *material.Finding) string {
	for _, f := range []*material.Finding{a, b} {
		switch {
		case f.Type == material.JumpRing && f.IsOpen():
			return " Open the ring sideways, never apart, and close it until nothing can be felt at the joint."
		case f.Type == material.SplitRing:
			return " Wind on the split ring."
		}
	}
	return ""
}
