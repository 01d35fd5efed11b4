package check

import (
	"fmt"
	"math"
	"slices"

	"mala/core/measure"
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
		title, way := "Too long", "over"
		if off < 0 {
			title, way = "Too short", "under"
		}
		return []Problem{{Severity: Warn, At: s.Row.At(), Title: title,
			Says: fmt.Sprintf("%s measures %s, %s %s the target of %s (± %s).", v.it(s), is.In(v.Unit),
				max(off, -off).In(v.Unit), way, t.Finished.In(v.Unit), t.Tolerance.In(v.Unit)),
		}}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		t := v.Piece.TargetOf(s.Row)
		want, tolerance := float64(t.Finished-s.ForTarget(v.Piece)), float64(t.Tolerance)
		return append(changedLinks(v, s, want, tolerance), changedCounts(v, s, want, tolerance)...)
	},
}
