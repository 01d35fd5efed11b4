package check

import (
	"fmt"

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
			return []Problem{{Severity: Advise, At: s.Row.AtEnd(e.Side), Title: "The bead does not cover the crimp", cause: "bead",
				Says: fmt.Sprintf("%s is %s wide once closed; %s at the %s end, that should cover it, has a hole of %s.", crimp.Material.Name,
					mm(v.Piece.House.ClosedCrimp(crimp.Material.Finding)), b.Name, e.Side, mm(b.Bead.Hole))}}
		}
		if cover == nil {
			return nil
		}
		f := Problem{Severity: Advise, At: s.Row.AtEnd(e.Side)}
		f.At.Fitting = cover.Fitting
		switch {
		case crimp == nil:
			f.Title = "Cover without a crimp"
			f.Says = fmt.Sprintf("%s at the %s end has no crimp to cover.", cover.Material.Name, e.Side)
		case !Covers(cover.Material.Finding, crimp.Material.Finding, v.Piece.House.ClosedCrimp(crimp.Material.Finding)):
			f.Title = "Cover and crimp do not match"
			f.Says = fmt.Sprintf("%s at the %s end is %s wide and %s long; %s under it is %s wide once closed and %s long.", cover.Material.Name, e.Side,
				mm(coverWidth(cover.Material.Finding)), mm(cover.Material.Finding.Length), crimp.Material.Name,
				mm(v.Piece.House.ClosedCrimp(crimp.Material.Finding)), mm(crimp.Material.Finding.Length))
		default:
			return nil
		}
		return []Problem{f}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		e := v.Strand(f.At.Row).End(f.At.Side)
		if f.cause == "bead" {
			return []Fix{fix("Leave the crimp beside the bead", edit.Op{Do: edit.SetEnd, At: f.At, Field: edit.EndWay})}
		}
		cover, crimp := e.Find(measure.RoleCover), e.Find(measure.RoleCrimp)
		var fixes []Fix
		if crimp != nil {
			closed := v.Piece.House.ClosedCrimp(crimp.Material.Finding)
			fixes = instead(v, cover, shelf.Materials, func(c *material.Finding) bool {
				return c.Type == material.CrimpCover && Covers(c, crimp.Material.Finding, closed)
			})
		}
		return append(fixes, fix("Remove "+cover.Material.Name, edit.Op{Do: edit.DropFitting, At: f.At}))
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
