package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Start is how the end that is strung first is kept from running off the cord.
type Start struct {
	Side piece.Side // the end that is held
	By   string     // what stops it, its own crimp, or the spool the cord is still on
	Tip  length.MM  // how far from each cord's tip it is stopped; 0 where nothing stops it
}

// StartFold says that the fold of the cord is the end strung first: it cannot run
// off.
const StartFold = "fold"

// StartFoot says that the foot of an ornament is made first.
const StartFoot = "foot"

// StartNone says that no end is strung first: the row is one of chain, or its cord
// comes from the row before.
const StartNone = "none"

// tips is the cord, in mm, that must stand out beyond what stops it for that to
// hold: house data, as it is done at the bench.
var tips = map[string]length.MM{
	piece.StopStopper: 10, piece.StopClip: 20, piece.StopTape: 30, piece.StopSlipKnot: 50, piece.StopTiedBead: 50, piece.StopSpareCrimp: 5,
}

// start says how the strand is begun, and how far from its tip it is stopped.
func (m *Measured) start(s *Strand) Start {
	out := Start{Side: piece.Left, By: s.startedBy(m.Piece.HouseOf(s.Row))}
	s.stopping = 0
	if out.By == StartFold {
		out.Side = s.FoldSide()
	}
	if _, stopped := tips[out.By]; stopped {
		has := m.Beyond(s, &s.Left)
		s.stopping = startTakes(out.By, has)
		out.Tip = has + s.stopping
	}
	return out
}

// startedBy is what the end or the house starts with where the cord allows it, and else tape:
// wire takes no knot, thread no crimp, only a crimped strand or elastic can be
// strung on its spool, and from the centre both ends stay open.
func (s *Strand) startedBy(h piece.House) string {
	if !s.Row.Corded() || s.Left.Hold == HeldByRunning {
		return StartNone
	}
	cord := s.Row.Cord.Cord.Type
	if s.Folded() {
		return StartFold
	}
	if s.foot {
		return StartFoot
	}
	if h.FromSpool() && (s.Left.Crimped() || s.Right.Crimped()) {
		return piece.StopSpool
	}
	suits := true
	switch h.Stopper {
	case piece.StopSpool:
		suits = cord == material.Elastic
	case piece.StopSlipKnot, piece.StopTiedBead:
		suits = cord != material.Wire
	case piece.StopSpareCrimp:
		suits = (cord == material.Wire || cord == material.Nylon) && h.Order != piece.OrderCentre
	case piece.StopCrimped:
		suits = s.Left.Crimped() && h.Order != piece.OrderCentre
	}
	if !suits {
		return piece.StopTape
	}
	return h.Stopper
}

// startTakes is the cord that stopping the end takes of each cord beyond what its end has there:
// a spare crimp is cut off, anything else is undone and its cord used.
func startTakes(by string, has length.MM) length.MM {
	if by == piece.StopSpareCrimp {
		return tips[by]
	}
	return max(0, tips[by]-has)
}
