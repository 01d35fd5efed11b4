// Package steps gives how a piece is made, in order, in the words of the bench:
// what to do, and at each gate what must be true before it is passed, since
// cutting, crimping and gluing cannot be undone.
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

// For lists the steps of a piece, strand by strand, with lengths in the unit.
func For(m *measure.Measured, unit length.Unit) []Step {
	w := &writer{m: m, h: m.Piece.House, unit: unit, noted: map[string]bool{}, told: map[string]toldEnd{}, hungUp: map[piece.ID]bool{}}
	w.componentsFirst()
	for _, c := range m.Tally {
		w.notesOf(c.Material)
	}
	w.chains()
	if m.Piece.Several() {
		w.rows()
	} else {
		w.s = m.Leading()
		w.countOut()
		w.strand()
	}
	for _, says := range w.later {
		w.do("%s", says)
	}
	w.inspect()
	return w.out
}

func (w *writer) countOut() {
	w.do("Count out %s from the list and lay them out in order.", beads(w.s.AllBeads()))
}

// strand makes a strand from its cut to its second end.
func (w *writer) strand() {
	switch {
	case w.m.Piece.Hangs():
		w.hanger()
	case w.s.Ring:
		w.ring()
	case w.s.Left.Crimped() || w.s.Right.Crimped():
		w.crimped()
	default:
		w.tiedOn()
	}
}

type writer struct {
	m    *measure.Measured
	s    *measure.Strand
	row  int // the number of the row that is spoken of; 0 for the piece
	h    piece.House
	unit length.Unit
	out  []Step

	noted  map[string]bool    // materials whose bench note has been given
	later  []string           // what is hung on once the strand is finished
	hungUp map[piece.ID]bool  // pairs of fittings that hang together already
	told   map[string]toldEnd // ends that have been told in full, by their shape
}

func (w *writer) do(says string, args ...any) {
	w.out = append(w.out, Step{Says: w.ofRow(fmt.Sprintf(says, args...))})
}

func (w *writer) gate(says string, must ...string) {
	w.out = append(w.out, Step{Says: w.ofRow(says), Must: must})
}

func (w *writer) in(l length.MM) string { return l.In(w.unit) }

func (w *writer) cord() string { return lower(w.s.Row.Cord.Name) }

// beforeCutting is the gate of the cutters.
func (w *writer) beforeCutting() {
	how := "laid tight they measure"
	if w.s.Count() < len(w.s.Beads) {
		how = "laid out with their gaps they measure"
	}
	must := []string{"the beads are all there and in order", fmt.Sprintf("%s %s", how, w.in(w.s.Strung))}
	if t := w.m.Piece.TargetOf(w.s.Row); t != nil {
		must = append(must, fmt.Sprintf("the finished length will be %s, and %s is wanted", w.in(w.s.Finished()), w.in(t.Finished)))
	}
	w.gate("Before you cut", must...)
}

// start cuts the cord and stops the end that is strung first.
func (w *writer) start(with string) {
	w.beforeCutting()
	if legs := w.s.Legs(); legs != nil && !legs.Folded {
		w.do("Cut %d pieces of %s%s, %s each.", legs.Count, w.cord(), with, w.in(legs.Each))
		return
	}
	w.do("Cut %s of %s%s.", w.in(w.s.CutLength()), w.cord(), with)
}

func (w *writer) stop() {
	if w.s.Half() != nil {
		w.foldInTwo()
		return
	}
	if w.s.Start.By == measure.StartFold {
		bare := w.foldsBare()
		if !bare {
			w.do("Fold the cord in the middle, lay the fold round %s at the left, and draw both ends through it.", w.firstHung(piece.Left))
		}
		w.do("String over both halves together; each half is %s.", w.in(w.s.CutLength()/2))
		if bare {
			w.ridesOnOne()
		}
		w.stringRuns()
		return
	}
	if w.s.FromCentre(w.h) {
		w.do("Mark the middle of the cord. Whenever it is set down, hold either end with %s, %s from the left tip and %s from the right.",
			stoppers[w.s.Start.By], w.in(w.m.Beyond(w.s, &w.s.Left)), w.in(w.m.Beyond(w.s, &w.s.Right)))
		w.stringRuns()
		return
	}
	w.do("Hold the %s end with %s, %s from its tip.", w.s.Start.Side, stoppers[w.s.Start.By], w.in(w.s.Start.Tip))
	w.stringRuns()
}

// open takes off what stops the end strung first.
func (w *writer) open() {
	says := "Remove the stop"
	switch w.s.Start.By {
	case measure.StartFold:
		return
	case piece.StopSlipKnot:
		says = "Undo the slip knot"
	case piece.StopTiedBead:
		says = "Take off the tied bead"
	case piece.StopSpareCrimp:
		says = "Cut off the spare crimp"
	}
	w.do("%s and hold the strand level.", says)
}

// stoppers names what stops a cord.
var stoppers = map[string]string{
	piece.StopStopper: "a bead stopper", piece.StopTape: "a fold of tape", piece.StopClip: "a clip", piece.StopSlipKnot: "a slip knot",
	piece.StopTiedBead: "a bead tied in that is no part of the piece", piece.StopSpareCrimp: "a spare crimp pressed flat",
}

// unheld says what is missing where nothing holds an end.
func (w *writer) unheld(side piece.Side) {
	w.gate(fmt.Sprintf("Before the %s end", side), "something holds it: as planned nothing keeps the cord from slipping out")
}

func (w *writer) inspect() {
	if w.m.Piece.Hangs() {
		w.gate("Before it is finished", "it holds a firm pull", "it hangs straight, and no cord shows between the beads", "no end feels sharp to a finger",
			fmt.Sprintf("from the top of its loop to its foot it measures %s", w.in(w.m.Finished)))
		return
	}
	w.gate("Before it is finished", "it holds a firm pull", "lying in its curve no more cord shows than planned",
		"no end feels sharp to a finger", w.closed())
}

func beads(n int) string {
	if n == 1 {
		return "1 bead"
	}
	return fmt.Sprintf("%d beads", n)
}

func lower(name string) string {
	if name == "" {
		return "cord"
	}
	return material.InSentence(name)
}

// inAnyOrder says which beads may be mixed, and what that does to the length.
func (w *writer) inAnyOrder() {
	least, most, free := w.anyOrder()
	if !free {
		return
	}
	w.do("The runs marked “any order” may be mixed as you like, each with those beside it: the finished length then lies between %s and %s.", w.in(least), w.in(most))
}

// anyOrder is how long the strand is finished with its free runs in any order; not free
// where it has none.
func (w *writer) anyOrder() (least, most length.MM, free bool) {
	stretches, err := w.m.Free(w.s)
	if err != nil || len(stretches) == 0 {
		return 0, 0, false
	}
	least, most = w.s.Finished(), w.s.Finished()
	for _, f := range stretches {
		least, most = least+f.Shortest-w.s.Finished(), most+f.Longest-w.s.Finished()
	}
	return least, most, true
}

func (w *writer) stringRuns() {
	if w.s.Lace != nil {
		w.laceRow()
		return
	}
	says := "String the runs in order and tick each one; the length after each run is given beside it."
	if w.s.FromCentre(w.h) {
		says = "String from the middle outwards and tick each run: first all to the right, then all to the left. The length from the middle is given beside each."
	}
	w.do("%s", says)
	w.inAnyOrder()
	if w.s.Left.Hold != measure.HeldByMiddle {
		w.ridesOnOne()
	}
	w.dropsInCord()
	w.holdApart()
	w.ride()
	w.later = append(w.later, w.hanging()...)
}
