package check

import (
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
		target := edit.SetTarget{Length: &want}
		if v.Leading().Row.Line.OpenFill() != nil {
			return []Fix{fix(SetTarget{want}, target)}
		}
		fixes := changedCounts(v, v.Leading(), float64(want-v.ForTarget), fit.Tolerated())
		if v.Piece.Target != nil {
			for i := range fixes {
				fixes[i].Does = append(fixes[i].Does, SetTarget{want})
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
	switch pass := fit.Passage; {
	case pass != nil && !pass.Passes:
		f.Severity, f.Fact, f.cause = Stop, WillNotPass{pass}, "passage"
	case !fit.Suits():
		f.Fact = EaseOff{v.numberOf(s), v.Piece.Body.Part, v.Piece.Times(), fit}
	default:
		return nil
	}
	return []Problem{f}
}

// OfWearer says whether a finding is about the body that the piece is for.
func (f *Problem) OfWearer() bool { return f.Code == easeOff.Code }

// WillNotPass says that the piece does not go over the hand or the head.
type WillNotPass struct{ *size.Passage }

// EaseOff says that the inside length does not suit the body.
type EaseOff struct {
	Row   int // 0 where there is one
	Part  string
	Turns int
	*size.Fit
}

// SetTarget sets the target.
type SetTarget struct{ To length.MM }

func (WillNotPass) fact() {}
func (EaseOff) fact()     {}

func (SetTarget) effect() {}
