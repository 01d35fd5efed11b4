package check

import (
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// A cover closes round its crimp to a ball: the crimp, once closed, takes up
// between these parts of the cover's width.
const (
	leastInCover = 0.35
	mostInCover  = 0.9
)

// coverMisfit fires when a crimp cover does not suit the crimp under it, or has
// none.
var coverMisfit = Check{
	Code: "cover-misfit", Step: StepEnds,
	End: func(v *View, s *measure.Strand, e *measure.End) []Problem {
		cover, crimp := e.Find(measure.RoleCover), e.Find(measure.RoleCrimp)
		if bead := s.Beside(e.Side); crimp != nil && bead >= 0 && !crimp.Swallowed && s.Row.Ending(e.Side).Way == piece.WayUnderBead {
			b := s.Beads[bead].Material
			return []Problem{{Severity: Advise, At: s.Row.AtEnd(e.Side), cause: "bead",
				Fact: CrimpBare{crimp.Material, v.Piece.House.ClosedCrimp(crimp.Material.Finding), b, e.Side}}}
		}
		if cover == nil {
			return nil
		}
		f := Problem{Severity: Advise, At: s.Row.AtEnd(e.Side)}
		f.At.Fitting = cover.Fitting
		switch {
		case crimp == nil:
			f.Fact = CoverAlone{cover.Material, e.Side}
		case !Covers(cover.Material.Finding, crimp.Material.Finding, v.Piece.House.ClosedCrimp(crimp.Material.Finding)):
			f.Fact = CoverUnlike{cover.Material, coverWidth(cover.Material.Finding), crimp.Material, v.Piece.House.ClosedCrimp(crimp.Material.Finding), e.Side}
		default:
			return nil
		}
		return []Problem{f}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		e := v.Strand(f.At.Row).End(f.At.Side)
		if f.cause == "bead" {
			return []Fix{fix(CrimpBesideBead{}, edit.SetEndWay{At: f.At})}
		}
		cover, crimp := e.Find(measure.RoleCover), e.Find(measure.RoleCrimp)
		var fixes []Fix
		if crimp != nil {
			closed := v.Piece.House.ClosedCrimp(crimp.Material.Finding)
			fixes = instead(v, cover, shelf, func(c *material.Finding) bool {
				return c.Type == material.CrimpCover && Covers(c, crimp.Material.Finding, closed)
			})
		}
		return append(fixes, fix(RemoveFitting{cover.Material}, edit.DropFitting{At: f.At}))
	},
}

// coverWidth is the room a cover has: its inside if known, else its diameter.
func coverWidth(cover *material.Finding) length.MM {
	if cover.Inside > 0 {
		return cover.Inside
	}
	return cover.Outside
}

// Covers says whether a crimp cover closes round the crimp, which is so wide once
// it is closed.
func Covers(cover, crimp *material.Finding, closed length.MM) bool {
	part := float64(closed / coverWidth(cover))
	return part >= leastInCover-1e-9 && part <= mostInCover+1e-9 && cover.Length >= crimp.Length
}

// What may be wrong with what covers a crimp. Closed is how wide the crimp is once it is closed.
type (
	CrimpBare struct { // the bead that should cover it does not take it
		Crimp  *material.Material
		Closed length.MM
		Bead   *material.Material
		Side   piece.Side
	}
	CoverAlone struct { // there is no crimp under it
		Cover *material.Material
		Side  piece.Side
	}
	CoverUnlike struct {
		Cover  *material.Material
		Room   length.MM // how wide it is inside
		Crimp  *material.Material
		Closed length.MM
		Side   piece.Side
	}
)

// CrimpBesideBead leaves the crimp beside its bead.
type CrimpBesideBead struct{}

// RemoveFitting removes a fitting.
type RemoveFitting struct{ Of *material.Material }

func (CrimpBare) fact()   {}
func (CoverAlone) fact()  {}
func (CoverUnlike) fact() {}

func (CrimpBesideBead) effect() {}
func (RemoveFitting) effect()   {}
