package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// snugFit is how much wider than its cords a hole should be; below it the last
// pass is a struggle.
const snugFit = 1.1

// holeTooSmall fires when a bead's hole cannot take the passes of its cord, and
// warns when it only just can. Beads of one kind with as many passes are one
// finding, at the first of them.
var holeTooSmall = judgement{
	code:  "hole-too-small",
	stops: may,
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		type fit struct {
			material *material.Material
			passes   int
		}
		var found []Finding
		for _, s := range m.Strands {
			at, beads := map[fit]int{}, map[fit]int{}
			var order []fit
			for i, b := range s.Beads {
				f := fit{b.Material, b.Passes}
				if beads[f]++; beads[f] == 1 {
					at[f] = i
					order = append(order, f)
				}
			}
			cord := s.Row.Cord.Cord.Diameter
			for _, f := range order {
				need := material.HoleFor(f.passes, cord)
				hole := f.material.Bead.Hole
				if float64(hole) >= snugFit*float64(need)-1e-9 {
					continue
				}
				severity, title := Stop, "Hole too small for the cord"
				if hole >= need && s.Row.Cord.Cord.Type == material.Elastic {
					continue // elasticMisfit tells
				}
				if hole >= need {
					severity, title = Warn, "The cord only just passes"
				}
				found = append(found, Finding{
					Code: "hole-too-small", Severity: severity, Strand: s.ID, Element: at[f], Column: columnOf(s, at[f]), Title: title,
					Says: fmt.Sprintf("%s of %s of %s cord need a hole of %s; %s has %s.", times(f.passes), counted(beads[f], f.material.Name),
						mm(cord), mm(need), this(beads[f]), mm(hole)),
				})
			}
		}
		return found
	},
	mend: func(m *measure.Measured, f Finding, bench Bench) []Fix {
		var fixes []Fix
		s := m.Strands[0]
		if s.Beads[f.Element].Passes > s.Row.Passes {
			tail := piece.TailTrimmed
			fixes = append(fixes, Fix{Says: "Trim the tails short", Edit: Edit{Tail: &tail}})
		}
		return append(fixes, strungOn(bench.Shelf, thinner(s.Row.Cord.Cord))...)
	},
}

func times(passes int) string {
	if passes == 1 {
		return "One pass"
	}
	return fmt.Sprintf("%d passes", passes)
}

func counted(n int, name string) string {
	if n == 1 {
		return "one " + name
	}
	return fmt.Sprintf("%d %s", n, name)
}

func this(n int) string {
	if n == 1 {
		return "it"
	}
	return "each"
}

// mm writes a bead's measure, which the trade always gives in millimetres, to a
// hundredth: holes and cords are told apart by less than a tenth.
func mm(l length.MM) string { return fmt.Sprintf("%.4g mm", float64(int(l*100+0.5))/100) }
