package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Position is one place the clasp can be hooked into.
type Position struct {
	Link     int // counted from the piece outwards
	Finished length.MM
}

// places is the stretch of a closure's fittings, counted from the outside in,
// that a clasp can be hooked into: from outer to inner, the one nearest the piece.
type places struct {
	outer, inner int
	fittings     []piece.Fitting
}

func (c places) holds(i int) bool { return c.fittings != nil && i >= c.outer && i <= c.inner }

// placesOf finds where the clasp can be hooked in on a side: at the links of an
// extender and the rings beyond it, or at rings that follow one another from the
// outside in. A clasp with a half at either end closes in one place.
func placesOf(p *piece.Piece, side piece.Side) places {
	clasp, at := p.Clasp()
	if clasp == nil || at == side || clasp.HasTwoHalves() {
		return places{}
	}
	fittings := *p.End(nil, side, true)
	inner, links := -1, 0
	for i, f := range fittings {
		if f.Of.Finding.Type == material.Extender {
			return places{0, i, fittings}
		}
		if !f.Of.Finding.IsRing() {
			break
		}
		inner, links = i, links+1
	}
	if links < 2 {
		return places{}
	}
	return places{0, inner, fittings}
}

// Positions lists the places to close the piece at, the shortest first; nil if
// there is only one. The finished length is that of the first.
func (m *Measured) Positions() []Position {
	var c places
	for _, side := range piece.Sides() {
		if found := placesOf(m.Piece, side); found.fittings != nil {
			c = found
		}
	}
	if c.fittings == nil {
		return nil
	}
	var out []Position
	longer := length.MM(0)
	for i := c.inner; i >= c.outer; i-- {
		f := c.fittings[i].Of.Finding
		for range max(1, f.Links) {
			if len(out) > 0 {
				longer += f.Inside
			}
			out = append(out, Position{Link: len(out) + 1, Finished: m.Finished + longer})
		}
	}
	if len(out) < 2 {
		return nil
	}
	return out
}
