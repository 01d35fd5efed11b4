package desk

import (
	"math"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// hangs says how an ornament hangs.
func (a *Analysis) hangs(m *measure.Measured) {
	h := m.Hanger()
	if h == nil {
		return
	}
	s := m.Leading()
	out := &HangerOf{BelowMm: Exact(s.BelowLoop()), MiddleMm: Exact(h.Middle), FootG: Thousandth(h.Foot), CurlG: measure.Straightens(s.Row.Cord.Cord, m.Piece.House), WidestMm: Exact(h.Widest), Below: []BelowRun{}}
	for _, r := range s.Runs() {
		out.Below = append(out.Below, BelowRun{Material: r.Material.ID, First: r.First, Count: r.Count, BelowG: Thousandth(h.Below[r.First])})
	}
	for i, tip := range h.Tips {
		if tip > 0 {
			out.Leaning = append(out.Leaning, Leaning{i, math.Round(tip*1800/math.Pi) / 10})
		}
	}
	a.Hanger = out
}

// straight lays an ornament along the felt, its foot at the left.
func (w *Whole) straight(m *measure.Measured) {
	w.Shape = "straight"
	s := m.Leading()
	middle := (s.Strung + s.Slack + s.Right.Length - s.Left.Length) / 2
	at := func(mm length.MM) Seat { return Seat{X: fine(float64(mm - middle))} }
	w.place(s, map[piece.ID]bool{}, at, at)
}

// asHung draws an ornament straight down from the inside of its loop, each bead leaning as it
// hangs.
func (w *Whole) asHung(m *measure.Measured) {
	w.Shape = "hung"
	s := m.Leading()
	top := s.Strung + s.Slack + s.Right.Length
	at := func(mm length.MM) Seat { return Seat{Y: fine(float64(top - mm)), Angle: fine(-math.Pi / 2)} }
	w.place(s, map[piece.ID]bool{}, at, at)
	h := m.Hanger()
	for i, tip := range h.Tips {
		w.Rows[0].Beads[i].Angle = fine(-math.Pi/2 + tip)
	}
	w.Middle = &[2]float64{0, fine(float64(h.Middle))}
}
