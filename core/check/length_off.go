package check

import (
	"fmt"
	"math"
)

// lengthOff fires when the finished length lies outside the target's tolerance.
var lengthOff = Check{
	Code: "length-off", Step: StepLayOut,
	Piece: func(v *View) []Finding {
		t := v.Piece.Target
		if t == nil {
			return nil
		}
		off := v.ForTarget - t.Finished
		if math.Abs(float64(off)) <= float64(t.Tolerance)+tiny {
			return nil
		}
		title, way := "Too long", "over"
		if off < 0 {
			title, way = "Too short", "under"
		}
		return []Finding{{Severity: Warn, At: v.Leading().Row.At(), Title: title,
			Says: fmt.Sprintf("It measures %s, %s %s the target of %s (± %s).", v.ForTarget.In(v.Unit),
				max(off, -off).In(v.Unit), way, t.Finished.In(v.Unit), t.Tolerance.In(v.Unit)),
		}}
	},
	Fix: func(v *View, _ *Finding, _ Bench) []Fix {
		t := v.Piece.Target
		want, tolerance := float64(t.Finished-v.ForTarget), float64(t.Tolerance)
		return append(changedLinks(v, want, tolerance), changedCounts(v, v.Leading(), want, tolerance)...)
	},
}
