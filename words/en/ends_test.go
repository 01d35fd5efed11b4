package en

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// What lies at an end is listed in threading order, both halves of a toggle, and held by what the
// steps make: a knot only where one is tied.
func TestAnEndIsListedAsItIsHeld(t *testing.T) {
	wire := material.Cord{Type: material.Wire, Diameter: 0.38}
	listed := func(cord material.Cord, side piece.Side, change func(p *piece.Piece, r *piece.Row)) string {
		m := measured(t, cord, piece.Clasp, func(p *piece.Piece) { change(p, p.Leading()) })
		s := m.Leading()
		return strings.Join(In(length.InMillimetres).End(m.Piece, s, s.End(side)), " | ")
	}
	toggle := material.Material{ID: "t", Name: "Toggle", Class: material.ClassFinding,
		Finding: &material.Finding{Type: material.Toggle, RingInside: 9, RingEye: 2, Wire: 1.5, Bar: 18, BarThickness: 2, BarEye: 2}}
	toggled := func(p *piece.Piece, _ *piece.Row) { p.Closure.Left, p.Closure.Right = fittings("t", &toggle), nil }
	loop := func(_ *piece.Piece, r *piece.Row) { r.RightEnding = piece.Ending{Way: piece.WayCordLoop, Girth: 30} }
	bare := func(p *piece.Piece, r *piece.Row) {
		r.Left, r.Right, p.Closure = nil, nil, piece.Closure{Type: piece.Clasp}
	}
	for _, tt := range []struct {
		name   string
		cord   material.Cord
		side   piece.Side
		change func(p *piece.Piece, r *piece.Row)
		want   string
	}{
		{"crimped", wire, piece.Right, func(*piece.Piece, *piece.Row) {}, "Crimp, which slips into the last bead: see the problems. | The wire turns back in a loop of its own, through the next part, and back through the crimp. | Ring | Closes into the lobster."},
		{"a toggle's ring", wire, piece.Left, toggled, "Crimp | Cover | The wire turns back in a loop of its own, through the next part, and back through the crimp. | Toggle, its ring"},
		{"its bar", wire, piece.Right, toggled, "Crimp, which slips into the last bead: see the problems. | The wire turns back in a loop of its own, through the next part, and back through the crimp. | Toggle, its bar"},
		{"a loop of the cord in a crimp", wire, piece.Right, loop, "Crimp, which slips into the last bead: see the problems. | A loop of the bare cord, 30 mm round its inside | Ring | Closes into the lobster."},
		{"tied", material.Cord{Type: material.Waxed, Diameter: 1}, piece.Right, func(_ *piece.Piece, r *piece.Row) { r.Right = nil }, "Ring | Closes into the lobster. | Held by a surgeon's knot."},
		{"a loop of the cord, tied", material.Cord{Type: material.Waxed, Diameter: 1}, piece.Right, func(p *piece.Piece, r *piece.Row) { bare(p, r); loop(p, r) }, "A loop of the bare cord, 30 mm round its inside | Held by an overhand knot."},
		{"nothing", wire, piece.Right, bare, "No fittings: the cord ends bare."},
	} {
		if got := listed(tt.cord, tt.side, tt.change); got != tt.want {
			t.Errorf("%s:\n %s, want\n %s", tt.name, got, tt.want)
		}
	}
	ring := measured(t, material.Cord{Type: material.Elastic, Diameter: 0.7}, piece.Knot, func(*piece.Piece) {})
	if got := In(length.InMillimetres).End(ring.Piece, ring.Leading(), &ring.Leading().Left); got[0] != "No fittings: the cord is tied to its other end." {
		t.Error(got)
	}
}
