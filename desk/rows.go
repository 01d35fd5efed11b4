package desk

import (
	"math"
	"slices"

	"mala/core/drape"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// rows adds how the rows of a piece lie beside one another, and what each is inside.
func (a *Analysis) rows(m *measure.Measured) {
	for i, s := range m.Strands {
		if inside, ok := s.Inside(); ok {
			inside = Exact(inside)
			a.Strands[i].InsideMm = &inside
		}
	}
	if !m.Piece.Several() {
		return
	}
	a.Rows = &Rows{Binding: string(m.Binding().Row.ID), Between: []BetweenRows{}, Fitting: []RowsOn{}}
	main := m.Main()
	for _, s := range main {
		a.Rows.Main = append(a.Rows.Main, string(s.Row.ID))
	}
	for k, s := range main[:len(main)-1] {
		next := main[k+1]
		between := BetweenRows{Upper: string(s.Row.ID), Lower: string(next.Row.ID), StepMm: Exact(next.Finished() - s.Finished()),
			NeedMm: Exact((s.Width() + next.Width()) / 2)}
		// Rows that lie round the back of the neck come near each other nowhere in front.
		if lie := drape.BesideRow(m, s); lie != nil && !math.IsInf(lie.Near, 1) {
			gap, least := Exact(length.MM(lie.Gap)), Exact(length.MM(lie.Near))
			between.GapMm, between.LeastMm = &gap, &least
		}
		a.Rows.Between = append(a.Rows.Between, between)
	}
	for _, side := range piece.Sides() {
		a.Rows.Fitting = append(a.Rows.Fitting, rowsOn(m.Piece, side)...)
	}
}

// rowsOn lists what rows go on at a side, and in which holes.
func rowsOn(p *piece.Piece, side piece.Side) []RowsOn {
	var out []RowsOn
	for _, r := range p.Rows() {
		on := p.Joined(r, side)
		if on == nil || p.JoinAt(r, side) != nil && p.JoinAt(r, side).Through() {
			continue
		}
		i := slices.IndexFunc(out, func(o RowsOn) bool { return o.Fitting == string(on.ID) })
		if i < 0 {
			i = len(out)
			out = append(out, RowsOn{Fitting: string(on.ID), Material: on.Of.ID, Side: string(side)})
		}
		out[i].Rows = append(out[i].Rows, string(r.ID))
		if hole := p.Hole(r, side); hole > 0 {
			out[i].Holes = append(out[i].Holes, hole)
		}
	}
	for i := range out {
		if len(out[i].Holes) > 0 {
			out[i].Empty = p.EmptyHoles(piece.ID(out[i].Fitting), side)
		}
	}
	return out
}
