package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// looseCrimp is how many times wider than its cords a crimp may be and still
// close on them.
const looseCrimp = 2

// crimpMisfit fires when a crimp cannot take the passes of its cord, which stops
// the work, or is so wide that it will not grip them.
var crimpMisfit = Check{
	Code: "crimp-misfit", Step: StepEnds,
	End: func(_ *View, s *measure.Strand, e *measure.End) []Finding {
		var found []Finding
		passes := 2 * s.Row.Passes
		need := material.HoleFor(passes, s.Row.Cord.Cord.Diameter)
		for _, p := range e.Parts {
			if p.Role != measure.RoleCrimp {
				continue
			}
			inside := p.Material.Finding.Inside
			f := Finding{Severity: Stop, At: s.Row.AtEnd(e.Side), Title: "Crimp too small", cause: string(p.Fitting)}
			f.At.Fitting = p.Fitting
			switch {
			case inside < need-tiny:
			case inside > looseCrimp*need+tiny:
				f.Severity, f.Title = Warn, "Crimp too loose to grip"
			default:
				continue
			}
			f.Says = fmt.Sprintf("%s of %s cord need %s; %s at the %s end is %s inside.", times(passes),
				mm(s.Row.Cord.Cord.Diameter), mm(need), p.Material.Name, e.Side, mm(inside))
			found = append(found, f)
		}
		return found
	},
	Fix: func(v *View, f *Finding, bench Bench) []Fix {
		s := v.Strand(f.At.Row)
		need := material.HoleFor(2*s.Row.Passes, s.Row.Cord.Cord.Diameter)
		for i, p := range s.End(f.At.Side).Parts {
			if p.Fitting == f.At.Fitting {
				return instead(v, &s.End(f.At.Side).Parts[i], bench.Shelf, func(c *material.Finding) bool { return Grips(c, need) })
			}
		}
		return nil
	},
}

// tiny keeps the rounding of sums from deciding, in mm.
const tiny = 1e-9

// Grips says whether a crimp takes cords that need so wide a hole, and closes on
// them.
func Grips(c *material.Finding, need length.MM) bool {
	return c.IsCrimp() && c.Inside >= need-tiny && c.Inside <= looseCrimp*need+tiny
}
