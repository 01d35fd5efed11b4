package check

import (
	"fmt"

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
		f := Problem{Severity: Stop, At: at, Title: "Hole too small for all cords", cause: string(j.ID)}
		if m.Bead.Hole >= need-tiny {
			f.Severity, f.Title = Warn, "The cords only just pass"
		}
		needed, held := against(need, m.Bead.Hole)
		f.Says = fmt.Sprintf("%s, shared by %s of %s cord, needs a hole of %s and has %s.", m.Name, times(passes), mm(thickest), needed, held)
		found = append(found, f)
	}
	return found
}
