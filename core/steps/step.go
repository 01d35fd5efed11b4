// Package steps gives how a piece is made, in order, as values: what to do, and at each gate
// what must be true before it is passed, since cutting, crimping and gluing cannot be undone.
// They follow the ways of the cords; a room of words speaks them.
package steps

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Step is one thing to do, or a gate.
type Step struct {
	// ID stays with the thing that the step is about: a row, an end, a fitting, a material.
	ID    string
	Row   int      // its row's number, from 1; 0 of the piece, or where there is one row alone
	Does  Doing    // what is done
	After []string // ids of the steps that must be done before
	Final bool     // it cannot be undone
}

// Doing is what is done in a step: one of the types of this package.
type Doing interface{ doing() }

// Gate is what must be true before the work goes on.
type Gate struct {
	At   When
	Must []Point
}

// When says before or after what a gate stands: one of the types of this package.
type When interface{ when() }

// Point is one thing that must be true at a gate: one of the types of this package.
type Point interface{ point() }

func (Gate) doing() {}

// Given is what a maker is given, as a kit holds it; the zero value is a workshop that has
// everything and cuts its own cord.
type Given struct {
	Premade map[string]bool        // ids of components that come made
	Own     map[string]bool        // ids of what the maker has already
	Cuts    map[piece.ID]length.MM // what each cord of a row is cut to in its bag; nil where none is cut yet
}

// For lists the steps of a piece, strand by strand.
func For(m *measure.Measured, given Given) []Step {
	w := &writer{m: m, h: m.Piece.House, given: given, noted: map[string]bool{}, hungUp: map[piece.ID]bool{}, ids: map[string]int{}}
	w.own()
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
	for _, last := range w.later {
		w.do("hang-last:"+last.Of.ID, last)
	}
	w.inspect()
	order(w.out)
	return w.out
}

// order names what must be done before each step: the step before it in its row, and of what
// concerns the whole piece the last of every row.
func order(steps []Step) {
	last := map[int]string{} // by row, since the piece as a whole was spoken of
	whole := ""
	for i := range steps {
		s := &steps[i]
		switch {
		case s.Row > 0 && last[s.Row] != "":
			s.After = []string{last[s.Row]}
		case s.Row > 0 || len(last) == 0:
			if whole != "" {
				s.After = []string{whole}
			}
		default:
			for row := 1; len(s.After) < len(last); row++ {
				if id := last[row]; id != "" {
					s.After = append(s.After, id)
				}
			}
		}
		if s.Row > 0 {
			last[s.Row] = s.ID
		} else {
			whole, last = s.ID, map[int]string{}
		}
	}
}

type writer struct {
	m     *measure.Measured
	s     *measure.Strand
	row   int // the number of the row that is spoken of; 0 for the piece
	h     piece.House
	given Given
	out   []Step

	ids    map[string]int
	noted  map[string]bool   // materials whose bench note has been given
	later  []HangLast        // what is hung on once the strand is finished
	hungUp map[piece.ID]bool // pairs of fittings that hang together already
}

// do adds a step. Its id begins with what it is about.
func (w *writer) do(about string, does Doing) *Step {
	id := about
	if w.s != nil {
		id = string(w.s.Row.ID) + ":" + about
	}
	if w.ids[id]++; w.ids[id] > 1 {
		id = fmt.Sprintf("%s:%d", id, w.ids[id])
	}
	w.out = append(w.out, Step{ID: id, Row: w.row, Does: does})
	return &w.out[len(w.out)-1]
}

// final adds one that cannot be undone.
func (w *writer) final(about string, does Doing) { w.do(about, does).Final = true }

func (w *writer) gate(about string, at When, must ...Point) {
	w.do("gate:"+about, Gate{at, must})
}

// own says what the maker has to add.
func (w *writer) own() {
	var of []*material.Material
	for _, c := range w.m.Bought() {
		if w.given.Own[c.Material.ID] {
			of = append(of, c.Material)
		}
	}
	if len(of) > 0 {
		w.do("own", UseOwn{of})
	}
}

func (w *writer) countOut() { w.do("count-out", CountOut{w.s.AllBeads()}) }

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

// glued says whether the house glues its knots.
func (w *writer) glued() bool { return w.h.Glue == piece.Yes }

// inspect is the last look.
func (w *writer) inspect() {
	w.s = w.m.Leading()
	defer func() { w.s = nil }()
	if w.m.Piece.Hangs() {
		must := []Point{FirmPull{}, HangsStraight{Gaps: w.hasGaps()}, NothingSharp{}, OrnamentLong{w.m.Finished, w.s.BelowLoop()}}
		w.gate("finished", BeforeFinished{}, must...)
		return
	}
	w.gate("finished", BeforeFinished{}, FirmPull{}, LiesInCurve{}, NothingSharp{}, w.closed())
}

// hasGaps says whether bare cord is meant to show on the strand.
func (w *writer) hasGaps() bool { return w.s.Count() < len(w.s.Beads) }

// closed is what the finished piece measures.
func (w *writer) closed() Point {
	if !w.m.Piece.Several() {
		if least, most, free := w.anyOrder(); free {
			return ClosedBetween{least, most}
		}
		return Closed{w.m.Finished}
	}
	out := RowsClosed{}
	for _, s := range w.m.Strands {
		out.Lengths = append(out.Lengths, s.Finished())
	}
	return out
}

// notesOf gives the bench note of a material, once.
func (w *writer) notesOf(m *material.Material) {
	if m.Note == "" || w.noted[m.ID] {
		return
	}
	w.noted[m.ID] = true
	w.do("note:"+m.ID, Note{m})
}
