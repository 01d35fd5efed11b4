package check

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// sharedTooNarrow stops a bead that cords of several rows run through and that does not
// take them all, and warns of one that only just does. Of different cords the thickest
// counts.
func sharedTooNarrow(v *View) []Problem {
	var found []Problem
	for i, j := range v.Piece.Joins {
		if !j.Through() {
			continue
		}
		thickest := length.MM(0)
		passes := v.SharedPasses(j.Fittings[0].ID, v.Piece.Sections[i].Rows)
		for _, r := range v.Piece.Sections[i].Rows {
			thickest = max(thickest, r.Cord.Cord.Diameter)
		}
		m := j.Fittings[0].Of
		need := material.HoleFor(passes, thickest)
		if m.Bead.Hole >= snugFit*need-tiny {
			continue
		}
		at := piece.Place{Fitting: j.Fittings[0].ID, Element: piece.NoElement}
		tight := m.Bead.Hole >= need-tiny
		f := Problem{Severity: Stop, At: at, cause: string(j.ID), Fact: SharedHoleSmall{Passing{passes, thickest, need}, m, tight}}
		if tight {
			f.Severity = Warn
		}
		found = append(found, f)
	}
	return found
}

// SharedHoleSmall says that a bead does not take the cords of all its rows, or only just.
type SharedHoleSmall struct {
	Passing
	Bead  *material.Material
	Tight bool
}

func (SharedHoleSmall) fact() {}
