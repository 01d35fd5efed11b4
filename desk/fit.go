package desk

import (
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/size"
)

// fit adds how the piece sits on its body, and where it can be closed.
func (a *Analysis) fit(m *measure.Measured) {
	a.LengthName = size.LengthName(m.Piece, m.Finished)
	for _, p := range size.Positions(m) {
		a.Positions = append(a.Positions, Position{Link: p.Link, FinishedMm: Exact(p.Finished), InsideMm: Exact(p.Inside), Word: p.Word, Covers: NonNil(p.Covers)})
	}
	if inside, ok := m.Inside(); ok && !m.Piece.Hangs() {
		a.Suits = size.Covers(m.Piece, inside)
	}
	f := size.Of(m)
	if f == nil {
		return
	}
	a.Fit = &Fit{MeasureMm: f.Measure, EaseMm: Exact(f.Ease), Word: f.Word, Suits: f.Suits(), Wanted: rangesOf(f.Wanted),
		SuitedMm: f.Suited(m), AimMm: f.Middle, TiedMm: Exact(f.Tied)}
	if p := f.Passage; p != nil {
		a.Fit.Passage = &Passage{Over: p.Over, NeedMm: Exact(p.Need), Measured: p.Measured, StretchedMm: Exact(p.Stretched), Passes: p.Passes}
	}
}

func rangesOf(wanted []piece.Ease) []EaseRange {
	out := []EaseRange{}
	for _, e := range wanted {
		r := EaseRange{Word: e.Word, FromMm: e.From}
		if !size.Unlimited(e) {
			to := e.To
			r.ToMm = &to
		}
		out = append(out, r)
	}
	return out
}
