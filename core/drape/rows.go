package drape

import (
	"math"
	"slices"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/statics"
)

// For is how the loop lies that a strand is in.
func For(m *measure.Measured, rows []*Necklace, s *measure.Strand) *Necklace {
	return rows[slices.IndexFunc(m.Strands, func(o *measure.Strand) bool { return o.Row == s.Row })]
}

// Main lists how the rows of the section with the most lie.
func Main(m *measure.Measured, rows []*Necklace) []*Necklace {
	var out []*Necklace
	for _, s := range m.Main() {
		out = append(out, For(m, rows, s))
	}
	return out
}

// Rows works out how every row of a necklace lies, in the order of its strands, each in
// the whole loop it lies in; nil if it is none, if no row hangs in front, or if one does
// not reach. A row hangs by itself where it is longer than the way round the neck in its own
// thickness and hangsFrom more, whatever the others do. Rows lie beside one another at the neck's sides. Where rows meet what they
// share in front, a chain, a bar or a bead, all hang together.
func Rows(m *measure.Measured) []*Necklace {
	type lie struct{}
	return m.Kept(lie{}, func() any { return rowsOf(m) }).([]*Necklace)
}

func rowsOf(m *measure.Measured) []*Necklace {
	if m.Piece.Kind != piece.Necklace || m.Piece.Times() > 1 {
		return nil
	}
	rows, hang := make([]*Necklace, len(m.Strands)), false
	assumed := map[*material.Bead]float64{}
	for k, s := range m.Strands {
		if len(s.Beads) == 0 && s.Row.Corded() {
			return nil
		}
		rows[k] = lie(m, s, outside(m, s), assumed)
		hang = hang || rows[k].whole >= math.Pi*(float64(rows[k].Girth)/math.Pi+float64(s.Thickness()))+float64(hangsFrom)
	}
	if !hang {
		return nil
	}
	if len(rows) > 1 {
		if f := stagesOf(m, rows); f != nil {
			if !f.hang() {
				return nil
			}
			return rows
		}
	}
	for _, n := range rows {
		parts, _ := n.front()
		hanging, err := statics.Hang(parts, n.Width)
		if err != nil {
			return nil
		}
		n.fromJoin = false
		n.hangs(parts, hanging)
	}
	return rows
}

// outside is how far outside the first row of its section a row lies at the neck's
// sides, in mm from the middle of one to that of the other.
func outside(m *measure.Measured, s *measure.Strand) float64 {
	sum := 0.0
	rows := m.Piece.SectionOf(s.Row).Rows
	for k := 1; k < len(rows) && rows[k-1] != s.Row; k++ {
		sum += apart(m, m.Strand(rows[k-1].ID), m.Strand(rows[k].ID))
	}
	return sum
}

// apart is how far apart the middles of two rows are where they lie side by side: by
// the holes of what they go on, or touching.
func apart(m *measure.Measured, a, b *measure.Strand) float64 {
	for _, side := range piece.Sides() {
		if on := m.Piece.Joined(a.Row, side); m.Piece.Hole(a.Row, side) > 0 && m.Piece.Hole(b.Row, side) > 0 {
			return float64(on.Of.Finding.Spacing) * math.Abs(float64(m.Piece.Hole(b.Row, side)-m.Piece.Hole(a.Row, side)))
		}
	}
	return float64(a.Width()+b.Width()) / 2
}
