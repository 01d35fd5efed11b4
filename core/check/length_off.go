package check

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
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
		return []Problem{{Severity: Warn, At: s.Row.At(), Fact: LengthOff{v.numberOf(s), is, *t}}}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		t := v.Piece.TargetOf(s.Row)
		want, tolerance := float64(t.Finished-s.ForTarget(v.Piece)), float64(t.Tolerance)
		return append(changedCounts(v, s, want, tolerance), changedLinks(v, s, want, tolerance)...)
	},
}

// LengthOff says that the length lies outside the target's tolerance.
type LengthOff struct {
	Row    int // 0 where there is one
	Is     length.MM
	Target piece.Target
}

func (LengthOff) fact() {}
