package check

import (
	"math"
	"slices"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/size"
)

// lengthOff fires when the finished length lies outside the target's tolerance.
var lengthOff = Check{
	Code: "length-off", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Problem {
		t := v.Piece.TargetOf(s.Row)
		if t == nil || !slices.Contains(v.Main(), s) { // a loop is asked for once
			return nil
		}
		is := s.ForTarget(v.Piece)
		off := is - t.Finished
		if math.Abs(float64(off)) <= float64(t.Tolerance)+tiny {
			return nil
		}
		return []Problem{{Severity: Warn, At: s.Row.At(), Fact: LengthOff{v.numberOf(s), is, *t, suitedOffTarget(v, s, t)}}}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		t := v.Piece.TargetOf(s.Row)
		var fixes []Fix
		if suitedOffTarget(v, s, t) != nil {
			to := length.MM(math.Round(float64(s.ForTarget(v.Piece))))
			fixes = append(fixes, fix(SetTarget{to}, edit.SetTarget{Length: &to}))
		}
		want, tolerance := float64(t.Finished-s.ForTarget(v.Piece)), float64(t.Tolerance)
		return slices.Concat(fixes, changedCounts(v, s, want, tolerance), changedLinks(v, s, want, tolerance))
	},
}

// suitedOffTarget is how the piece sits on its wearer, where it suits as it is and would not at its target:
// one of the two is wrong; nil where they agree, or only one row is off.
func suitedOffTarget(v *View, s *measure.Strand, t *piece.Target) *size.Fit {
	if s != v.Leading() || s != v.Binding() {
		return nil
	}
	fit := size.Of(v.Measured)
	if fit == nil || len(fit.Wanted) == 0 || !fit.Suits() || fit.Passage != nil && !fit.Passage.Passes {
		return nil
	}
	at := *fit
	at.Ease += (t.Finished - s.ForTarget(v.Piece)) / length.MM(v.Piece.Times())
	if at.Suits() {
		return nil
	}
	return fit
}

// LengthOff says that the length lies outside the target's tolerance.
type LengthOff struct {
	Row    int // 0 where there is one
	Is     length.MM
	Target piece.Target
	Suits  *size.Fit // how it sits as it is, where it would not suit at its target; nil
}

func (LengthOff) fact() {}
