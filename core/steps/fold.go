package steps

import (
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// foldDoubled folds a cord that runs twice through its beads, and evens both halves.
func (w *writer) foldDoubled() {
	side := w.s.FoldSide()
	if !w.foldsBare(side) {
		w.do("fold", Hitch{side, w.foldedOn(side)})
	}
	w.do("even", EvenLegs{w.eachLeg(), true})
	w.ridesOnOne()
}

// foldedOn is what the fold goes round.
func (w *writer) foldedOn(side piece.Side) Thing {
	if on := w.firstHung(side); on != nil {
		return *on
	}
	return Thing{}
}

// eachLeg is half of a folded cord as it is cut.
func (w *writer) eachLeg() (each length.MM) {
	long := w.s.CutLength()
	if given, in := w.given.Cuts[w.s.Row.ID]; in {
		long = given
	}
	return long / length.MM(max(2, 2*len(w.s.Cords)))
}

// foldInTwo folds a cord of which each half is a row of its own: round what is at the left, or
// in a loop of beads that one crimp closes over both legs.
func (w *writer) foldInTwo() {
	if !w.foldsBare(piece.Left) {
		w.do("fold", FoldRound{piece.Left, w.foldedOn(piece.Left)})
	}
	w.do("even", EvenLegs{w.eachLeg(), false})
	w.stringRuns()
}

// foldsBare folds a cord through a bead, or into a loop of its own or of beads; false where it
// lies round a fitting.
func (w *writer) foldsBare(side piece.Side) bool {
	e := w.s.End(side)
	if loop, crimp := e.Find(measure.RoleBeads), e.Find(measure.RoleCrimp); loop != nil && crimp != nil {
		w.do("fold", FoldIntoBeads{loop.Loop, crimp.Material})
		w.tryLoop(e)
		w.final("close-over-legs", CloseOverLegs{crimp.Material})
		w.gate("fold-crimp", After{MadeCrimp}, LegsHold{}, LegsEven{})
		return true
	}
	if loop := e.Find(measure.RoleCordLoop); loop != nil {
		w.do("fold", FoldIntoLoop{loop.Girth})
		w.tryLoop(e)
		return true
	}
	bead := e.Find(measure.RoleFoldBead)
	if bead == nil {
		return false
	}
	w.do("fold", FoldThrough{bead.Material, bead.Length})
	return true
}

// otherHalf strings the row that is on the second leg.
func (w *writer) otherHalf() {
	w.countOut()
	w.do("other-leg", OtherLeg{w.m.Piece.Number(w.s.Row.FoldOf)})
	w.stringRuns()
}

// bothInOneCrimp brings the other leg into the crimp before it is closed.
func (w *writer) bothInOneCrimp() {
	if half := w.s.Half(); half != nil && half.Right.With() {
		w.do("join-crimp", JoinCrimp{w.m.Piece.Number(half.Row.ID)})
	}
}
