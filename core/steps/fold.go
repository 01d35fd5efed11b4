package steps

import (
	"mala/core/measure"
	"mala/core/piece"
)

// foldInTwo folds a cord of which each half is a row of its own: round what is at the left, or
// in a loop of beads that one crimp closes over both legs.
func (w *writer) foldInTwo() {
	left := &w.s.Left
	if loop, crimp := left.Find(measure.RoleBeads), left.Find(measure.RoleCrimp); loop != nil && crimp != nil {
		w.do("String %s to the middle of the cord, thread both ends through %s, and draw the loop round.", loopBeads(loop.Loop), lower(crimp.Material.Name))
		w.tryLoop(left)
		w.do("Close the crimp over both legs.")
		w.gate("After the crimp", "both legs hold a firm pull", "they are as long as each other")
	} else if !w.foldsBare() {
		w.do("Fold the cord in the middle round %s at the left: both legs are as long.", w.firstHung(piece.Left))
	}
	w.do("Each leg is %s. String this row on one of them.", w.in(w.s.CutLength()/2))
	w.stringRuns()
}

// foldsBare folds a cord through a bead, or into a loop of its own; false where it lies round
// a fitting.
func (w *writer) foldsBare() bool {
	left := &w.s.Left
	if loop := left.Find(measure.RoleCordLoop); loop != nil {
		w.do("Fold the cord in the middle, leave a loop of %s round its inside at the fold, and tie both halves in one overhand knot below it.", w.in(loop.Girth))
		w.tryLoop(left)
		return true
	}
	bead := left.Find(measure.RoleFoldBead)
	if bead == nil {
		return false
	}
	w.do("String %s to the middle of the cord, and bring both ends together below it.", lower(bead.Material.Name))
	if bead.Length > 0 {
		w.do("Leave %s of both cords below it: the loop that closes the piece lies round them there.", w.in(bead.Length))
	}
	return true
}

// otherHalf strings the row that is on the second leg.
func (w *writer) otherHalf() {
	w.countOut()
	w.do("String this row on the other leg of row %d, from the fold.", w.m.Piece.Number(w.s.Row.FoldOf))
	w.stringRuns()
}

// bothInOneCrimp brings the other leg into the crimp before it is closed.
func (w *writer) bothInOneCrimp() {
	half := w.s.Half()
	if half == nil || !half.Right.With() {
		return
	}
	w.do("Bring the leg of row %d into the same crimp from the side of its beads; it is clipped there and goes no further.", w.m.Piece.Number(half.Row.ID))
}
