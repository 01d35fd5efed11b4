// Package steps tells how a piece is made, in order, in the words of the bench:
// what to do, and at each gate what must be true before it is passed, since
// cutting, crimping and gluing cannot be taken back.
package steps

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Step is one thing to do. A gate has what must be true first.
type Step struct {
	Says string
	Must []string
}

// For lists the steps of a piece, with lengths in the unit.
func For(m *measure.Measured, unit length.Unit) []Step {
	w := &writer{m: m, s: m.Strands[0], h: m.Piece.House, unit: unit}
	w.layOut()
	if w.s.Ring || !w.s.Left.Crimped && !w.s.Right.Crimped {
		w.tied()
	} else {
		w.crimped()
	}
	w.inspect()
	return w.out
}

type writer struct {
	m    *measure.Measured
	s    *measure.Strand
	h    piece.House
	unit length.Unit
	out  []Step
}

func (w *writer) do(says string, args ...any) {
	w.out = append(w.out, Step{Says: fmt.Sprintf(says, args...)})
}

func (w *writer) gate(says string, must ...string) {
	w.out = append(w.out, Step{Says: says, Must: must})
}

func (w *writer) in(l length.MM) string { return l.In(w.unit) }

func (w *writer) cord() string { return w.s.Row.Cord.Name }

func (w *writer) layOut() {
	w.do("Count out %d beads by the list and lay them out in the order of the runs.", len(w.s.Beads))
}

// beforeCutting is the gate of the cutters.
func (w *writer) beforeCutting() {
	must := []string{"the beads are all there and in order", fmt.Sprintf("laid tight they measure %s", w.in(w.s.Strung))}
	if t := w.m.Piece.Target; t != nil {
		must = append(must, fmt.Sprintf("the finished length will be %s, and %s is wanted", w.in(w.m.Finished), w.in(t.Finished)))
	}
	w.gate("Before you cut", must...)
}

// crimped tells of a strand whose ends are crimped: stopped at the left, strung,
// the left end made, the right end last.
func (w *writer) crimped() {
	start := w.s.Start
	if start.By == piece.StopSpool {
		w.do("Leave the cord on its spool, %s; the spool stops the left end. String from the free end: what goes on first lies next to the spool.", lower(w.cord()))
		w.runs()
		w.end("right", w.s.Right)
		w.beforeCutting()
		w.do("Push the beads up and cut from the spool, %s beyond the last bead, with cutters, never scissors.", w.in(w.s.Beyond(w.h, w.s.Left)))
		w.secondEnd("left", w.s.Left)
		return
	}
	w.beforeCutting()
	w.do("Cut %s: %s. Use cutters, never scissors.", w.in(w.s.CutLength()), lower(w.cord()))
	w.do("Stop the %s end with %s, %s from its tip.", start.Side, stops[start.By], w.in(start.Tip))
	w.runs()
	w.do("Take the stop off and hold the strand level.")
	w.end("left", w.s.Left)
	w.secondEnd("right", w.s.Right)
}

// stops names what stops a cord.
var stops = map[string]string{piece.StopStopper: "a bead stopper", piece.StopTape: "a fold of tape"}

func (w *writer) runs() {
	w.do("String the runs from the left to the right, ticking each off; after each the strand measures what stands beside it.")
}

// end tells one end in threading order.
func (w *writer) end(side string, e measure.End) {
	way := ""
	for _, p := range e.Parts {
		switch p.Does {
		case measure.DoesCrimp:
			way += ", the crimp"
		case measure.DoesGuard:
			way += ", the guard"
		}
	}
	// What hangs beyond the first fitting comes on its own.
	if hung := w.hung(side); way != "" && len(hung) > 0 {
		way += ", " + hung[0].name
	}
	if way == "" {
		w.do("The %s end stays bare.", side)
		return
	}
	tail := " Trim the tail close."
	if e.Tail > 0 {
		tail = fmt.Sprintf(" Tuck the tail back through %d beads, %s.", e.TailBeads, w.in(e.Tail))
	}
	w.do("%s end: thread%s, and go back through the crimp.%s", title(side), way[1:], tail)
	w.do("%s", map[string]string{
		piece.CrimpFolded:     "Close the crimp: press it round the two wires lying side by side, turn it, and fold it over.",
		piece.CrimpFlat:       "Press the crimp flat over the two wires, lying side by side and not crossed.",
		piece.CrimpThreeSided: "Press the crimp from three sides round the two wires, lying side by side and not crossed.",
	}[w.h.Crimp])
	for _, p := range e.Parts {
		if p.Does == measure.DoesCover {
			w.do("Close %s over the crimp.", p.Material.Name)
		}
	}
}

// secondEnd is the least reversible moment, so its gate comes first.
func (w *writer) secondEnd(side string, e measure.End) {
	must := []string{
		fmt.Sprintf("the beads measure %s and none is missing or turned the wrong way", w.in(w.s.Strung)),
		"it has been tried on",
		"the strand is not twisted and the order is right",
	}
	if w.s.Slack > 0 {
		must = append(must, fmt.Sprintf("%s of slack stands between the beads and the crimp", w.in(w.s.Slack)))
	}
	closes := "crimp is closed"
	if !e.Crimped {
		closes = "end is made"
	}
	w.gate(fmt.Sprintf("Before the %s %s", side, closes), must...)
	w.end(side, e)
	w.do("Clip the tails flush.")
	w.attach("left")
	w.attach("right")
}

// attach hangs on what the cord itself does not go through: each fitting on the
// one before it.
func (w *writer) attach(side string) {
	hung := w.hung(side)
	for i := 1; i < len(hung); i++ {
		w.do("%s end: hang %s on %s.%s", title(side), hung[i].name, hung[i-1].name, howItOpens(hung[i-1].finding, hung[i].finding))
	}
}

// hanging is one fitting at an end, as it is named there.
type hanging struct {
	name    string
	finding *material.Finding
}

// hung lists what hangs at an end from the cord outwards. A toggle is listed at
// its ring; its bar hangs at the other end.
func (w *writer) hung(side string) []hanging {
	own, other := w.s.Left, w.s.Right
	if side == "right" {
		own, other = other, own
	}
	var out []hanging
	for _, p := range own.Parts {
		switch p.Does {
		case measure.DoesRing, measure.DoesClasp, measure.DoesChain:
			h := hanging{p.Material.Name, p.Material.Finding}
			if h.finding.Type == material.Toggle {
				h.name = "the ring of " + h.name
			}
			out = append(out, h)
		}
	}
	for _, p := range other.Parts {
		if p.Does == measure.DoesClasp && p.Material.Finding.Type == material.Toggle {
			out = append(out, hanging{"the bar of " + p.Material.Name, p.Material.Finding})
		}
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
			return " The split ring is wound on."
		}
	}
	return ""
}

// tied tells of a strand that is knotted.
func (w *writer) tied() {
	elastic := w.s.Row.Cord.Cord.Type == material.Elastic
	w.beforeCutting()
	w.do("Cut %s: %s.", w.in(w.s.CutLength()), lower(w.cord()))
	if elastic {
		w.do("Stretch the elastic by hand a few times, so that it does not grow later.")
	}
	w.do("Stop one end with %s, %s from its tip.", stops[w.s.Start.By], w.in(w.s.Start.Tip))
	w.runs()
	w.gate("Before you knot", fmt.Sprintf("round the loop it measures %s", w.in(w.s.Strung)), "it has been tried on, over the hand where it must pass", "no bead is missing or turned the wrong way")
	w.do("Tie a %s, pulled tight to the beads.", map[string]string{piece.KnotSurgeons: "surgeon's knot", piece.KnotSquare: "square knot", piece.KnotTriple: "triple knot"}[w.h.Knot])
	if w.h.Glue == piece.Yes {
		w.gate("Before the glue", "the knot holds a firm pull", "the strand lies as it should")
		w.do("Put one drop of glue on the knot, with the window open, and let it dry as its label says.")
	}
	if k := w.s.Knot; k != nil && k.Bead >= 0 && w.h.KnotPlace == piece.KnotHidden {
		w.do("Clip the ends and pull the knot into %s, bead %d.", w.s.Beads[k.Bead].Material.Name, k.Bead+1)
		return
	}
	w.do("Clip the ends; the knot stays to be seen.")
}

func (w *writer) inspect() {
	must := []string{"it holds a firm pull", "no cord shows between the beads", "no end is sharp to a finger drawn along it", fmt.Sprintf("closed it measures %s", w.in(w.m.Finished))}
	w.gate("Before it leaves the bench", must...)
}

func lower(name string) string {
	if name == "" {
		return "cord"
	}
	r := []rune(name)
	if r[0] >= 'A' && r[0] <= 'Z' {
		r[0] += 'a' - 'A'
	}
	return string(r)
}

func title(side string) string {
	if side == "left" {
		return "Left"
	}
	return "Right"
}
