package desk_test

import (
	"math"
	"testing"

	"mala/desk"
)

// hangsStraight holds the pictures of an ornament to how it hangs: its loop's inside at the
// top, every bead below the one strung after it, the foot lowest.
func hangsStraight(t *testing.T, a *desk.Analysis) {
	t.Helper()
	p, strand := a.Drawing.Picture, a.Strands[0]
	if len(p.Wraps) > 0 || a.InsideMm != nil || a.InsideState != "" || a.InsideRule != nil || p.Whole.Shape != "hung" || p.Laid.Shape != "straight" {
		t.Errorf("it is drawn round a body: %+v", p.Whole)
	}
	top := strand.Right[len(strand.Right)-1].ToMm
	for i, b := range strand.Placed {
		hung, laid := p.Whole.Rows[0].Beads[i], p.Laid.Rows[0].Beads[i]
		if math.Abs(hung.Y-float64(top-b.AtMm)) > 1e-3 || hung.X != 0 || laid.Y != 0 || laid.Angle != 0 {
			t.Errorf("bead %d hangs at %+v and lies at %+v", i, hung, laid)
		}
		if tips := hung.Angle + math.Pi/2; tips < -1e-3 || (tips > 1e-3) != (b.Material == "slate-paddle") {
			t.Errorf("bead %d, %s, leans by %v", i, b.Material, tips)
		}
	}
	if math.Abs((*p.Whole.Middle)[1]-float64(a.Hanger.MiddleMm)) > 1e-3 {
		t.Errorf("the middle is drawn at %v, and lies %v below the top", p.Whole.Middle, a.Hanger.MiddleMm)
	}
	if box := p.Whole.Box; box[1] > 0 || box[3] < float64(a.FinishedMm) {
		t.Errorf("%v holds no ornament of %v", box, a.FinishedMm)
	}
	for i := 1; i < len(a.Hanger.Below); i++ {
		if a.Hanger.Below[i].BelowG <= a.Hanger.Below[i-1].BelowG {
			t.Errorf("%+v", a.Hanger.Below)
		}
	}
}
