package en

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

func TestAnOrnamentIsMadeFromItsFoot(t *testing.T) {
	hung := func(cord material.Cord, change func(p *piece.Piece, r *piece.Row)) string {
		return told(measured(t, cord, piece.Clasp, func(p *piece.Piece) {
			p.Kind, p.Closure = piece.Ornament, piece.Closure{Type: piece.Hung}
			change(p, p.Leading())
		}))
	}
	loop := piece.Ending{Way: piece.WayCordLoop, Girth: 100}
	wire, waxed := material.Cord{Type: material.Wire, Diameter: 0.38}, material.Cord{Type: material.Waxed, Diameter: 0.5}
	text := hung(wire, func(p *piece.Piece, r *piece.Row) {
		r.LeftEnding, r.RightEnding = piece.Ending{Way: piece.WayFootBead, Bead: p.Palette["H"]}, loop
	})
	inOrder(t, text, "GATE Before you cut", "Foot end: thread the crimp, down through barrel and round its outside, and go back through the crimp. Leave a tail",
		"GATE After the crimp", "over cord and tail together", "String the runs", "Foot end: trim the tail flush", "GATE Before the loop is made", "hangs straight from top to foot",
		"Top end: thread the crimp, leave a loop of 100 mm round its inside", "GATE Before the loop is fixed", "GATE Before it is finished", "from the top of its loop to its foot it measures")
	if strings.Contains(text, "tried on") || strings.Contains(text, "closed it measures") {
		t.Errorf("no one wears it: %s", text)
	}
	inOrder(t, hung(wire, func(_ *piece.Piece, r *piece.Row) {
		r.LeftEnding, r.RightEnding = piece.Ending{Way: piece.WayStopped}, loop
	}),
		"Foot end: thread crimp, press it at the tip of the cord, and trim what stands out below it flush", "GATE After the crimp", "String the runs")
	bare := func(way piece.Ending) string {
		return hung(waxed, func(_ *piece.Piece, r *piece.Row) { r.Left, r.Right, r.LeftEnding, r.RightEnding = nil, nil, way, loop })
	}
	inOrder(t, bare(piece.Ending{Way: piece.WayStopped}), "Foot end: tie an overhand knot, draw it tight against the bead", "GATE After the knot: it holds a firm pull and does not slip into the bead", "Top end: lay the cord back in a loop of 100 mm")
	inOrder(t, bare(piece.Ending{}), "GATE Before the left end: something holds it", "String the runs")
}
