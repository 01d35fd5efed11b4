package check

import (
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// crimpSwallowed fires when a crimp, closed, passes into the hole of the bead
// beside it or is just as wide: it no longer holds anything. A cover put on
// afterwards keeps no crimp out of a hole. A last bead that covers the crimp on
// purpose holds it if the bead behind that one does not let it through.
var crimpSwallowed = Check{
	Code: "crimp-swallowed", Step: StepLayOut,
	End: func(v *View, s *measure.Strand, e *measure.End) []Problem {
		part := e.Find(measure.RoleCrimp)
		bead := s.Beside(e.Side)
		if part == nil || bead < 0 || !part.Swallowed || heldUnderBead(v, s, e, part) {
			return nil
		}
		b := s.Beads[bead].Material
		at := s.Row.AtEnd(e.Side)
		at.Fitting, at.Element = part.Fitting, bead
		return []Problem{{Severity: Stop, At: at, Fact: CrimpSwallowed{part.Material, v.Piece.House.ClosedCrimp(part.Material.Finding), b, e.Side}}}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		gap := 0
		if f.At.Side == piece.Right {
			gap = len(s.Beads)
		}
		crimp := s.End(f.At.Side).Find(measure.RoleCrimp).Material.Finding
		closed, swallower := v.Piece.House.ClosedCrimp(crimp), s.Beads[f.At.Element].Material.Bead
		fixes := putInto(v, s, []int{gap}, Between, func(b *material.Bead) bool {
			return b.Hole < closed && b.Across > swallower.Hole
		}, shelf.Materials)
		return append(fixes, fix(CoverCrimp{s.Beads[f.At.Element].Material},
			edit.SetEndWay{At: s.Row.AtEnd(f.At.Side), Way: piece.WayUnderBead}))
	},
}

// heldUnderBead says whether the crimp lies inside the last bead on purpose, and the
// bead behind that one keeps it there.
func heldUnderBead(v *View, s *measure.Strand, e *measure.End, crimp *measure.Part) bool {
	if s.Row.Ending(e.Side).Way != piece.WayUnderBead || len(s.Beads) < 2 {
		return false
	}
	behind := 1
	if e.Side == piece.Right {
		behind = len(s.Beads) - 2
	}
	return s.Beads[behind].Material.Bead.Hole < v.Piece.House.ClosedCrimp(crimp.Material.Finding)-tiny
}

// CrimpSwallowed says that a crimp, so wide once it is closed, slips into the bead beside it.
type CrimpSwallowed struct {
	Crimp  *material.Material
	Closed length.MM
	Bead   *material.Material
	Side   piece.Side
}

// CoverCrimp lets the last bead cover the crimp.
type CoverCrimp struct{ Bead *material.Material }

func (CrimpSwallowed) fact() {}

func (CoverCrimp) effect() {}
