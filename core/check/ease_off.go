package check

import (
	"fmt"
	"math"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/size"
)

// easeOff fires when the inside length does not suit the body it is for; it
// stops the work where the piece cannot be put on.
var easeOff = judgement{
	code: "ease-off",
	// A piece that opens can at worst be too tight.
	stops: func(m *measure.Measured) bool { return m.Piece.Closure.Type != piece.Clasp },
	find: func(m *measure.Measured, unit length.Unit) []Finding {
		fit := size.Of(m)
		if fit == nil {
			return nil
		}
		f := Finding{Code: "ease-off", Severity: Warn, Strand: m.Strands[0].ID, Element: -1}
		part := m.Piece.Body.Part
		switch pass := fit.Passage; {
		case pass != nil && !pass.Passes:
			f.Severity, f.Title = Stop, "Will not pass the "+pass.Over
			f.Says = fmt.Sprintf("It opens to %s inside; the %s needs %s%s.", pass.Stretched.In(unit), pass.Over, pass.Need.In(unit), guessed(pass))
		case !fit.Suits():
			f.Title = "Too loose on the " + part
			if fit.Ease < fit.Wanted[0].From {
				f.Title = "Too tight on the " + part
			}
			f.Says = fmt.Sprintf("Inside it measures %s, which leaves %s of ease on %s; %s is right.", fit.Inside.In(unit),
				fit.Ease.In(unit), fit.Measure.In(unit), easeRange(fit, unit))
		default:
			return nil
		}
		return []Finding{f}
	},
	mend: func(m *measure.Measured, _ Finding, _ Bench) []Fix {
		fit := size.Of(m)
		want := fit.Suited(m)
		fixes := changedCounts(m, float64(want-m.ForTarget), tolerated(fit))
		if m.Piece.Target != nil {
			for i := range fixes {
				fixes[i].Edit.Target = &want
			}
		}
		return fixes
	},
}

func guessed(p *size.Passage) string {
	switch {
	case p.Measured:
		return ""
	case p.Over == "hand":
		return ", taken from the wrist"
	}
	return ", as a head usually does"
}

func easeRange(f *size.Fit, unit length.Unit) string {
	first, last := f.Wanted[0], f.Wanted[len(f.Wanted)-1]
	if size.Unlimited(last) {
		return first.From.In(unit) + " or more"
	}
	return first.From.In(unit) + " to " + last.To.In(unit)
}

// tolerated is how far from the middle of what is wanted the ease may lie.
func tolerated(f *size.Fit) float64 {
	const some = 5
	if len(f.Wanted) == 0 {
		return some
	}
	first, last := f.Wanted[0], f.Wanted[len(f.Wanted)-1]
	if size.Unlimited(last) {
		return some
	}
	return math.Max(1, float64(last.To-first.From)/2)
}
