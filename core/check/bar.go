package check

import (
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
			found = append(found, Problem{Severity: Stop, At: piece.Place{Row: s.Row.ID, Side: e.Side, Fitting: bar.Fitting, Element: piece.NoElement},
				Fact: BarHoleSmall{Passing{s.Row.Passes, s.Row.Cord.Cord.Diameter, need}, bar.Material}})
		}
	}
	return found
}

// BarHoleSmall says that the holes of the bar do not take the cords tied in them.
type BarHoleSmall struct {
	Passing
	Bar *material.Material
}

func (BarHoleSmall) fact() {}
