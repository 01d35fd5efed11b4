package suggest

import (
	"mala/core/check"
	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// RoleKnot is the role of a suggestion about the knot of an end.
const RoleKnot measure.Role = "knot"

// loop suggests the loop of beads that the button at the other end goes through.
func (p *picker) loop(side piece.Side) *Suggestion {
	button, of := p.strand().End(side.Other()).Button()
	if button == nil {
		return nil
	}
	need := button.LoopFor()
	s := &Suggestion{Role: measure.RoleBeads, Side: side, Reason: EasyLoop{of.Material, need, nil}}
	if part := p.has(side, measure.RoleBeads); part != nil {
		s.Has, s.Reason = true, EasyLoop{of.Material, need, &part.Loop.Girth}
		return s
	}
	s.Fix = &check.Fix{Does: []check.Effect{check.MakeLoop{OfBeads: true}}, Ops: []edit.Op{edit.SetEndWay{At: p.strand().Row.AtEnd(side), Way: piece.WayLoop}}}
	return s
}

// tiny keeps the rounding of sums from deciding, in mm.
const tiny = 1e-9

// hiddenKnot suggests to draw the knot of an end into its last bead where that takes
// it.
func (p *picker) hiddenKnot(side piece.Side) *Suggestion {
	s := p.strand()
	e, beside := s.End(side), s.Beside(side)
	if e.Hold != measure.HeldByKnot || beside < 0 || e.Hidden != nil {
		return nil
	}
	bead := s.Beads[beside].Material
	across := s.KnotAcross(p.m.Piece.House)
	if !material.Hides(bead.Bead.Shape) || bead.Bead.Hole < across-tiny || s.Row.Ending(side).Way != piece.WayFittings {
		return nil
	}
	return &Suggestion{Role: RoleKnot, Side: side, Material: bead, Reason: TakesKnot{bead.Bead.Hole, across},
		Fix: &check.Fix{Does: []check.Effect{check.DrawKnotIn{}}, Ops: []edit.Op{edit.SetEndWay{At: s.Row.AtEnd(side), Way: piece.WayHiddenKnot}}}}
}
