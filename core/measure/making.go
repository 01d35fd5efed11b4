package measure

import (
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/way"
)

// Hold is what keeps the cord from running out of an end.
type Hold string

// making is one way that an end is held: each in a file of its own.
type making struct {
	hold Hold
	// held says whether the end is held so, where none of those before it in the list does.
	held func(b *endBuilder) bool
	// legs is what each cord that ends there does from the last bead outwards; nil where none
	// ends.
	legs func(w *endWalk)
}

// makings lists them, the one that decides first.
func makings() []making {
	return []making{ofChain, runningOn, ofMiddle, stopped, onLeg, crimped, foldedOver, tiedInRing, slipping, inCordEnd, inCone, tied}
}

// hold says what keeps the cord in. Wire is crimped; other cords can be tied to
// whatever there is, and the fold of any cord lies round it.
func (b *endBuilder) hold() Hold {
	for _, m := range makings() {
		if m.held(b) {
			return m.hold
		}
	}
	return Unheld
}

// endWalk follows one cord from the last bead of a strand out to its tip.
type endWalk struct {
	p    *piece.Piece
	s    *Strand
	e    *End
	n    int // which of the cords that end there
	legs []way.Leg
}

// end is what the n-th cord that ends at an end of a strand does there.
func (w *walk) end(s *Strand, e *End, n int) []way.Leg {
	out := &endWalk{p: w.p, s: s, e: e, n: n}
	for _, m := range makings() {
		if m.hold == e.Hold && m.legs != nil {
			m.legs(out)
		}
	}
	return out.legs
}

// add goes on by one leg, and gives it for what else there is to say of it.
func (w *endWalk) add(does way.Does, item way.What, uses length.MM) *way.Leg {
	at := w.s.Row.AtEnd(w.e.Side)
	w.legs = append(w.legs, way.Leg{Does: does, At: at, Uses: uses, Item: way.Item{What: item, Side: w.e.Side}})
	return &w.legs[len(w.legs)-1]
}

// through runs through or round a part.
func (w *endWalk) through(does way.Does, p *Part, item way.What, uses length.MM) *way.Leg {
	l := w.add(does, item, uses)
	l.At.Fitting, l.Of = p.Fitting, p.Material
	return l
}

// knot ties one. An elastic is tied with what is left to tie.
func (w *endWalk) knot(item way.What, uses length.MM) {
	if w.s.Row.Cord.Cord.Type != material.Elastic {
		w.add(way.Knot, item, uses)
	}
}

// tail goes back through the beads.
func (w *endWalk) tail() {
	if w.e.Tail > 0 || len(w.e.TailBeads) > 0 {
		w.add(way.Tail, way.TailBack, w.e.Tail).Beads = w.onCord(w.e.TailBeads)
	}
	if w.e.TailShared == "" {
		return
	}
	// All of it is counted above.
	w.add(way.Tail, way.TailBack, 0).At.Fitting = w.e.TailShared
	into := w.add(way.Tail, way.TailBack, 0)
	into.At.Row, into.Beads = w.e.TailRow, w.e.TailInto
}

// onCord leaves out the beads that ride on another cord.
func (w *endWalk) onCord(beads []int) []int {
	if w.n == 0 {
		return beads
	}
	return slices.DeleteFunc(slices.Clone(beads), func(i int) bool { return w.s.Beads[i].OneCord })
}

// inHand is held while the end is made.
func (w *endWalk) inHand() {
	l := w.add(way.Hold, way.WorkingEnd, w.s.allowance(w.p, w.e))
	l.Spare, l.Least = true, max(0, leastHand-w.e.Tail)
}

// toTie is left to tie with. A tail that goes back is part of it, and keeps a hand beyond.
func (w *endWalk) toTie() {
	over := w.p.House.ToTie(w.p.Child())
	if w.e.Tail > 0 {
		over = max(over-w.e.Tail, leastHand)
	}
	l := w.add(way.Tie, way.KnotTail, over)
	l.Spare, l.Least = true, max(0, leastHand-w.e.Tail)
}

// allowance is what is held at an end while it is made. From the spool the free
// end is made first, and the end by the spool is cut and made last.
func (s *Strand) allowance(p *piece.Piece, e *End) length.MM {
	h := p.HouseOf(s.Row)
	first, last := h.WorkingAllowance()
	if (e.Side == piece.Left) != h.FromSpool() {
		return first
	}
	return last
}

// ofChain is a row of chain, which hangs by its links.
var ofChain = making{hold: HeldByLinks, held: func(b *endBuilder) bool { return !b.row.Corded() }}

// runningOn is an end whose cord runs on through a bead.
var runningOn = making{hold: HeldByRunning, held: (*endBuilder).runsOn}

// slipping is wire that no crimp holds.
var slipping = making{hold: Unheld, held: (*endBuilder).ofWire, legs: (*endWalk).inHand}

func (b *endBuilder) ofWire() bool { return b.row.Cord.Cord.Type == material.Wire }
