package check

import (
	"fmt"
	"math"

	"mala/core/length"
	"mala/core/measure"
)

// lengthOff fires when the finished length lies outside the target's tolerance.
var lengthOff = judgement{
	code: "length-off",
	find: func(m *measure.Measured, unit length.Unit) []Finding {
		t := m.Piece.Target
		if t == nil {
			return nil
		}
		off := m.ForTarget - t.Finished
		if math.Abs(float64(off)) <= float64(t.Tolerance)+1e-9 {
			return nil
		}
		title, way := "Too long", "over"
		if off < 0 {
			title, way = "Too short", "under"
		}
		return []Finding{{
			Code: "length-off", Severity: Warn, Strand: m.Strands[0].ID, Element: -1, Title: title,
			Says: fmt.Sprintf("It comes to %s, %s %s the target of %s; %s either way is right.", m.ForTarget.In(unit),
				max(off, -off).In(unit), way, t.Finished.In(unit), t.Tolerance.In(unit)),
		}}
	},
	mend: func(m *measure.Measured, f Finding, _ Bench) []Fix {
		t := m.Piece.Target
		return changedCounts(m, float64(t.Finished-m.ForTarget), float64(t.Tolerance))
	},
}
