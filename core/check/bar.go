package check

import (
	"fmt"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// barTooNarrow stops a bar whose holes do not take the cords that are tied in them.
func barTooNarrow(v *View) []Problem {
	var found []Problem
	for _, s := range v.Strands {
		for _, e := range s.Ends() {
			bar := e.Find(measure.RoleBar)
			if bar == nil || !s.Row.Corded() {
				continue
			}
			need := material.HoleFor(s.Row.Passes, s.Row.Cord.Cord.Diameter)
			if bar.Material.Finding.Inside >= need-tiny {
				continue
			}
			needed, held := against(need, bar.Material.Finding.Inside)
			found = append(found, Problem{Severity: Stop, At: piece.Place{Row: s.Row.ID, Side: e.Side, Fitting: bar.Fitting, Element: piece.NoElement}, Title: "Hole of the bar too small",
				Says: fmt.Sprintf("%s of %s cord need a hole of %s; %s has %s at each end.", times(s.Row.Passes), mm(s.Row.Cord.Cord.Diameter), needed, bar.Material.Name, held)})
		}
	}
	return found
}
