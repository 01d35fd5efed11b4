package edit

import (
	"fmt"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// The operations on how an end of a row is made.
type (
	SetEndWay struct {
		At  piece.Place
		Way piece.Way `op:"Text"`
	}
	SetEndLoop struct { // the beads of its loop
		At    piece.Place
		Beads string `op:"Text"`
	}
	SetEndLeg struct { // also of the neck below a bead in the fold, and of a loose tail
		At     piece.Place
		Length *length.MM
	}
	SetEndBead struct { // on a leg or in the fold; none leaves the knot alone
		At   piece.Place
		Bead *material.Material `op:"Material"`
	}
	SetEndTail struct { // none follows the house
		At     piece.Place
		Length *length.MM
	}
	SetEndTailBeads struct { // back through this many
		At    piece.Place
		Beads int `op:"N"`
	}
	SetEndGirth struct { // once round the inside of a loop of bare cord
		At    piece.Place
		Girth *length.MM `op:"Length"`
	}
	SetEndStop struct { // how the end is held while the strand is strung; empty follows the house
		At piece.Place
		By string `op:"Text"`
	}
)

// setEnd names them all; each has a field of its own.
const setEnd Do = "set-end"

func (SetEndWay) Do() Do       { return setEnd }
func (SetEndLoop) Do() Do      { return setEnd }
func (SetEndLeg) Do() Do       { return setEnd }
func (SetEndBead) Do() Do      { return setEnd }
func (SetEndTail) Do() Do      { return setEnd }
func (SetEndTailBeads) Do() Do { return setEnd }
func (SetEndGirth) Do() Do     { return setEnd }
func (SetEndStop) Do() Do      { return setEnd }

func (SetEndWay) field() string       { return "way" }
func (SetEndLoop) field() string      { return "loop" }
func (SetEndLeg) field() string       { return "leg" }
func (SetEndBead) field() string      { return "bead" }
func (SetEndTail) field() string      { return "tail" }
func (SetEndTailBeads) field() string { return "tailBeads" }
func (SetEndGirth) field() string     { return "girth" }
func (SetEndStop) field() string      { return "stop" }

// usualLeg is how long a leg is until it is set; one shorter than shortLeg was the neck of
// a fold.
const (
	usualLeg = length.MM(80)
	shortLeg = length.MM(5)
)

// endAt gives the row and the end at a place. The error is a *Refused.
func endAt(p *piece.Piece, at piece.Place) (*piece.Row, *piece.Ending, error) {
	row, err := rowOf(p, at)
	switch {
	case err != nil:
		return nil, nil, err
	case at.Side != piece.Left && at.Side != piece.Right:
		return nil, nil, refuse("Name the end to make: left or right.")
	}
	return row, row.Ending(at.Side), nil
}

func (o SetEndWay) apply(p *piece.Piece, _ []*material.Material) error {
	row, _, err := endAt(p, o.At)
	if err != nil {
		return err
	}
	return setWay(p, row, o.At.Side, o.Way)
}

func (o SetEndLoop) apply(p *piece.Piece, _ []*material.Material) error {
	_, e, err := endAt(p, o.At)
	if err != nil {
		return err
	}
	line, err := pattern.Parse(o.Beads)
	if err != nil {
		return err
	}
	if e.Loop = line; !e.LoopOfBeads() {
		e.Way = piece.WayLoop
	}
	return nil
}

func (o SetEndLeg) apply(p *piece.Piece, _ []*material.Material) error {
	_, e, err := endAt(p, o.At)
	switch {
	case err != nil:
		return err
	case o.Length == nil:
		return refuse("Give the length of the leg.")
	}
	e.Leg = *o.Length
	return nil
}

func (o SetEndGirth) apply(p *piece.Piece, _ []*material.Material) error {
	_, e, err := endAt(p, o.At)
	switch {
	case err != nil:
		return err
	case o.Girth == nil:
		return refuse("Give the inside girth of the loop.")
	}
	e.Girth = *o.Girth
	return nil
}

func (o SetEndBead) apply(p *piece.Piece, _ []*material.Material) error {
	_, e, err := endAt(p, o.At)
	if err == nil {
		e.Bead = o.Bead
	}
	return err
}

func (o SetEndTail) apply(p *piece.Piece, _ []*material.Material) error {
	_, e, err := endAt(p, o.At)
	if err == nil {
		e.Tail = piece.Tail{Length: o.Length}
	}
	return err
}

func (o SetEndTailBeads) apply(p *piece.Piece, _ []*material.Material) error {
	_, e, err := endAt(p, o.At)
	if err == nil {
		e.Tail = piece.Tail{Beads: &o.Beads}
	}
	return err
}

func (o SetEndStop) apply(p *piece.Piece, _ []*material.Material) error {
	_, e, err := endAt(p, o.At)
	if err == nil {
		e.Stop = o.By
	}
	return err
}

// setWay makes an end another way, with what that needs: a loop gets beads, a leg
// gives up its fittings, a fold runs the cord twice.
func setWay(p *piece.Piece, row *piece.Row, side piece.Side, way piece.Way) error {
	if !slices.Contains(piece.Ways(), way) {
		return refuse("%q is no way to make an end.", string(way))
	}
	e := row.Ending(side)
	if folds(e.Way) && !folds(way) && way != piece.WayCordLoop {
		row.Passes = 1
	}
	e.Way = way
	list := p.End(row, side, false)
	switch way {
	case piece.WayLoop:
		if e.Loop == nil {
			return firstLoop(p, row, e, side)
		}
	case piece.WayFoldLoop, piece.WayLegLoop:
		return loopOnLegs(p, row, e, side)
	case piece.WayTails:
		if e.Leg < shortLeg {
			e.Leg = usualTail
		}
	case piece.WayCordLoop:
		if crimped := slices.ContainsFunc(*list, func(f piece.Fitting) bool { return f.Of.Finding.IsCrimp() }); row.Cord.Cord.Type == material.Wire && !crimped {
			return refuse("A loop of bare cord is knotted, and wire takes no knot. Put a crimp there, or choose another cord first.")
		}
		e.Girth = loopFor(p, row, side)
	case piece.WayFootBead, piece.WayStopped:
		*list = slices.DeleteFunc(slices.Clone(*list), func(f piece.Fitting) bool { return !f.Of.Finding.IsCrimp() })
		if way == piece.WayFootBead {
			return firstFoot(p, row, e)
		}
	case piece.WayLeg:
		if p.Hangs() {
			return refuse("An ornament has no legs to tie. Stop its foot by a knot, or lead the cord round a bead.")
		}
		if e.Leg < shortLeg {
			e.Leg = usualLeg
		}
		*list = nil
		p.Closure = piece.Closure{Type: piece.Tied}
	case piece.WayFoldBead:
		return foldThroughBead(p, row, e)
	case piece.WayFold:
		if row.Passes%2 != 0 {
			row.Passes = 2
		}
		*list = slices.DeleteFunc(slices.Clone(*list), func(f piece.Fitting) bool { return !f.Of.Finding.IsRing() })
	}
	return nil
}

// usualTail is how long a loose tail hangs until it is set.
const usualTail = length.MM(30)

// folds says whether an end made so is the middle of a cord that runs twice through its beads.
func folds(way piece.Way) bool {
	return way == piece.WayFold || way == piece.WayFoldBead || way == piece.WayFoldLoop
}

// loopOnLegs makes a loop of beads at the fold, or of one of its legs at the far end: the cord
// runs twice, and a crimp closes over both legs.
func loopOnLegs(p *piece.Piece, row *piece.Row, e *piece.Ending, side piece.Side) error {
	list := p.End(row, side, false)
	if !slices.ContainsFunc(*list, func(f piece.Fitting) bool { return f.Of.Finding.IsCrimp() }) {
		return refuse("One crimp closes over both legs. Add a crimp at the %s end first.", side)
	}
	if e.Way == piece.WayLegLoop && !row.FoldsAtLeft() {
		return refuse("The legs are those of a fold. Fold the cord at the left end first.")
	}
	if row.Passes%2 != 0 {
		row.Passes = 2
	}
	if e.Loop == nil {
		return firstLoop(p, row, e, side)
	}
	return nil
}

// firstFoot puts the widest bead of the dishes that the cord goes through at the foot.
func firstFoot(p *piece.Piece, row *piece.Row, e *piece.Ending) error {
	if e.Bead == nil {
		e.Bead = widestFor(p, row.Passes, row.Cord.Cord.Diameter)
	}
	if e.Bead == nil {
		return refuse("The cord goes round a bead at the foot. Add a dish of one that it goes through first.")
	}
	return nil
}

// usualLoop is the inside girth of a loop that no button asks for.
const usualLoop = length.MM(24)

// loopFor is the inside girth of a loop at a side: what the button at the other end asks for.
func loopFor(p *piece.Piece, row *piece.Row, side piece.Side) length.MM {
	if far := p.EndsIn(row, side.Other()).Ending(side.Other()); far.Way == piece.WayFoldBead && far.Bead != nil {
		return far.Bead.Bead.AsButton().LoopFor()
	}
	if button, at := p.Clasp(); button != nil && button.Type == material.ButtonEnd && at != side {
		return button.LoopFor()
	}
	return usualLoop
}

// firstLoop makes a loop of the smallest bead there is, wide enough for the button
// at the other end.
func firstLoop(p *piece.Piece, row *piece.Row, e *piece.Ending, side piece.Side) error {
	key := smallestBead(p)
	if key == "" {
		return refuse("A loop is made of beads. Add a dish of small ones first.")
	}
	want := loopFor(p, row, side)
	for n := 4; n <= mostInLoop; n++ {
		line, err := pattern.Parse(fmt.Sprintf("%d%s", n, key))
		if err != nil {
			return err
		}
		loop, err := measure.LoopOf(p, row, line)
		if err != nil {
			return err
		}
		if e.Loop = line; loop.Girth >= want {
			return nil
		}
	}
	return nil
}

// mostInLoop is how many beads a loop is tried with.
const mostInLoop = 200

// smallestBead is the letter of the bead with the smallest width, of those that a
// loop can be made of; empty for none.
func smallestBead(p *piece.Piece) string {
	best := ""
	for key, m := range p.Palette {
		if m.Bead.Hangs() || m.Component != nil || m.Bead.Facing != material.FacingNone {
			continue
		}
		if was := p.Palette[best]; was == nil || m.Bead.Across < was.Bead.Across || m.Bead.Across == was.Bead.Across && key < best {
			best = key
		}
	}
	return best
}
