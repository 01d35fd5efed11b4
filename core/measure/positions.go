package measure

import (
	"mala/core/length"
	"mala/core/material"
)

// Position is one place the clasp can be hooked into.
type Position struct {
	Link     int // counted from the piece outwards
	Finished length.MM
}

// Positions lists the places to close the piece at, the shortest first: the
// links of its extender, or the rings one after another on the side that the
// clasp closes into. It is nil if there is only one.
func (m *Measured) Positions() []Position {
	c := m.Piece.Closure
	for _, fittings := range [][]*material.Material{c.Left, c.Right} {
		if len(fittings) == 0 || fittings[0].Finding.IsClasp() {
			continue
		}
		if f := fittings[0].Finding; f.Type == material.Extender {
			return m.positions(f.Links, func(link int) length.MM { return f.Inside * length.MM(link) })
		}
		rings := 0
		for rings < len(fittings) && fittings[rings].Finding.IsRing() {
			rings++
		}
		if rings < 2 || !m.hasClasp() {
			return nil
		}
		// Hooked into an inner ring, the outer ones hang free.
		return m.positions(rings, func(link int) length.MM {
			less := length.MM(0)
			for _, outer := range fittings[:rings-1-link] {
				less -= outer.Finding.Inside
			}
			return less
		})
	}
	return nil
}

func (m *Measured) positions(n int, longer func(link int) length.MM) []Position {
	out := make([]Position, n)
	for i := range out {
		out[i] = Position{Link: i + 1, Finished: m.Finished + longer(i)}
	}
	return out
}

func (m *Measured) hasClasp() bool {
	for _, side := range [][]*material.Material{m.Piece.Closure.Left, m.Piece.Closure.Right} {
		for _, f := range side {
			if f.Finding.IsClasp() {
				return true
			}
		}
	}
	return false
}
