package steps

import "mala/core/piece"

// Work is what hands do over the steps of a piece, how often each.
type Work struct {
	Crimps int // that are closed
	Knots  int // that are tied
	Rings  int // that are opened and shut, those within a component aside
}

// WorkOf counts the work of steps.
func WorkOf(all []Step) Work {
	var out Work
	for _, s := range all {
		switch d := s.Does.(type) {
		case CloseCrimp, CloseOverLegs, PressAtTip:
			out.Crimps++
		case HoldApart:
			switch d.Way {
			case piece.HeldByCrimps:
				out.Crimps += d.N
			case piece.HeldByKnots:
				out.Knots += d.N
			}
		case TieOn:
			if !d.Loop { // else its knot is a step of its own
				out.Knots++
			}
		case Tie, TieOff, TieInCone, TieRing, KnotAtTip, LoopOfCord, FoldIntoLoop:
			out.Knots++
		case TieLeg:
			out.Knots += 2 // close to the beads, and at the foot of the leg
		case TieTails:
			out.Knots += d.N
		case Attach:
			if d.Opens != NoOpening {
				out.Rings++
			}
		}
	}
	return out
}
