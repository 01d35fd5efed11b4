package check

import (
	"fmt"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/size"
)

// easeOff fires when the inside length does not suit the body it is for; it
// stops the work where the piece cannot be put on.
var easeOff = Check{
	Code: "ease-off", Step: StepFit, Lies: true,
	Piece: func(v *View) []Problem {
		if v.Piece.Body == nil || v.Piece.Body.Measure <= 0 {
			return nil
		}
		found := easeOfRow(v, v.Binding())
		for _, s := range v.Main() {
			// A row to a length of its own is worn alone as well.
			if s.Row.Follow.Rule == piece.Own && s != v.Binding() {
				found = append(found, easeOfRow(v, s)...)
			}
		}
		return found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		if v.Piece.Several() {
			s := v.Strand(f.At.Row)
			fit := size.OfRow(v.Measured, s)
			return changedCounts(v, s, float64(v.Piece.Times())*float64(fit.Middle-fit.Ease), fit.Tolerated())
		}
		fit := size.Of(v.Measured)
		want := fit.Suited(v.Measured)
		target := edit.Op{Do: edit.SetTarget, Length: &want}
		says := "Set the target to " + want.In(v.Unit)
		if v.Leading().Row.Line.OpenFill() != nil {
			return []Fix{fix(says, target)}
		}
		fixes := changedCounts(v, v.Leading(), float64(want-v.ForTarget), fit.Tolerated())
		if v.Piece.Target != nil {
			for i := range fixes {
				fixes[i].Says += " and set the target to " + want.In(v.Unit)
				fixes[i].Ops = append(fixes[i].Ops, target)
			}
		}
		return fixes
	},
}

// easeOfRow holds the ease of a row against what is right for the body.
func easeOfRow(v *View, s *measure.Strand) []Problem {
	fit := size.OfRow(v.Measured, s)
	if fit == nil {
		return nil
	}
	f := Problem{Severity: Warn, At: s.Row.At(), cause: "ease"}
	part := v.Piece.Body.Part
	switch pass := fit.Passage; {
	case pass != nil && !pass.Passes:
		f.Severity, f.Title, f.cause = Stop, "Will not pass the "+pass.Over, "passage"
		f.Says = fmt.Sprintf("It opens to %s inside; the %s needs %s%s.", pass.Stretched.In(v.Unit), pass.Over, pass.Need.In(v.Unit), guessed(pass))
	case !fit.Suits():
		f.Title = "Too loose on the " + part
		if fit.Ease < fit.Wanted[0].From {
			f.Title = "Too tight on the " + part
		}
		each := ""
		if n := v.Piece.Times(); n > 1 {
			each = fmt.Sprintf(" at each of its %d turns", n)
		}
		f.Says = fmt.Sprintf("%s measures %s inside%s, an ease of %s on %s; %s is right.", v.it(s), fit.Inside.In(v.Unit), each,
			fit.Ease.In(v.Unit), fit.Measure.In(v.Unit), easeRange(fit, v.Unit))
	default:
		return nil
	}
	return []Problem{f}
}

func guessed(p *size.Passage) string {
	switch {
	case p.Measured:
		return ""
	case p.Over == "hand":
		return ", worked out from the wrist"
	}
	return ", a typical head"
}

func easeRange(f *size.Fit, unit length.Unit) string {
	first, last := f.Wanted[0], f.Wanted[len(f.Wanted)-1]
	if size.Unlimited(last) {
		return first.From.In(unit) + " or more"
	}
	return first.From.In(unit) + " to " + last.To.In(unit)
}
