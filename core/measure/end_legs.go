package measure

import (
	"slices"

	"mala/core/piece"
	"mala/core/way"
)

// trimmedInCrimp says whether the n-th leg of a fold ends in the crimp at its far end, where the
// other one goes on in a loop.
func (s *Strand) trimmedInCrimp(e *End, n int) bool {
	return s.Row.Ending(e.Side).Way == piece.WayLegLoop && n%2 == 1
}

// tailsAt is how many of the cords that end at an end of the row have a tail there.
func (s *Strand) tailsAt(e *End) int {
	if s.Row.Ending(e.Side).Way == piece.WayLegLoop {
		return s.Row.Passes / 2
	}
	return s.Row.Passes
}

// LoopPasses is how often the cord runs through the beads of a loop at an end: of the legs of a
// fold one, and once where the loop is the fold.
func (s *Strand) LoopPasses(e *End) int {
	switch s.Row.Ending(e.Side).Way {
	case piece.WayLegLoop, piece.WayFoldLoop:
		return s.Row.Passes / 2
	}
	return s.Row.Passes
}

// CrimpPasses is how often cord runs through the crimp of an end: there and back, of a fold's two
// legs each once where they begin, of one that is clipped there once.
func (s *Strand) CrimpPasses(e *End) int {
	switch own := s.Row.Ending(e.Side).Way; {
	case e.Hold == HeldByStop || own == piece.WayFoldLoop:
		return s.Row.Passes
	case own == piece.WayLegLoop:
		return s.Row.Passes/2 + s.Row.Passes
	case s.half != nil && e.Side == piece.Left:
		return 2
	case s.half != nil && s.half.Right.With():
		return 2*s.Row.Passes + 1
	}
	return 2 * s.Row.Passes
}

// addTailBeads hangs a bead on each loose tail of an end that is tied.
func (b *endBuilder) addTailBeads() {
	if !b.loosesTails() || b.ending.Bead == nil {
		return
	}
	tails := slices.Repeat([]Part{{Role: RoleTailBead, Material: b.ending.Bead, Free: true}}, b.row.Passes)
	b.end.Parts = append(tails, b.end.Parts...) // they hang from the knot beside the beads
}

func (b *endBuilder) loosesTails() bool {
	return b.ending.Way == piece.WayTails && (b.end.Hold == HeldByKnot || b.end.Hold == HeldByRing)
}

// looseTail leaves a tail hanging, with its bead and a knot in it alone.
func (w *endWalk) looseTail() {
	f := w.s.Row.Ending(w.e.Side)
	w.add(way.OnLeg, way.LooseTail, legTakes(f)).Of = f.Bead
	w.add(way.Knot, way.TailKnot, piece.OverhandCord*w.s.Row.Cord.Cord.Diameter)
}
