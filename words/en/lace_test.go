package en

import (
	"testing"

	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

func TestALacedRowIsLacedAndNotStrung(t *testing.T) {
	laced := func(l piece.Lacing, cords int) string {
		flat := func(id string, wide material.Bead) *material.Material {
			wide.Shape, wide.Along, wide.Hole, wide.Holes, wide.Apart = material.Button, 3, 1, 4, 3
			return testparts.Bead(t, id, wide, 0.5)
		}
		return told(measured(t, material.Cord{Type: material.Waxed, Diameter: 0.5}, piece.Clasp, func(p *piece.Piece) {
			p.Palette["B"], p.Palette["S"] = flat("Peacoat", material.Bead{Across: 15}), flat("Shell", material.Bead{Across: 9})
			r := p.Leading()
			r.Line, r.Lacing, r.Passes = testparts.Line(t, "3B"), &l, cords
		}))
	}
	inOrder(t, laced(piece.Lacing{Way: piece.LacedDiagonal, Pitch: 16}, 1), "GATE Before you cut", "16 mm from middle to middle",
		"cross its front to the lower right hole", "GATE Before the next end is made: the row measures 47 mm")
	inOrder(t, laced(piece.Lacing{Way: piece.LacedCrossed, Tops: map[string]string{"B": "S"}}, 2), "Cut 2 pieces", "edge to edge",
		"Lay shell on every peacoat, hole over hole", "Keep the cord that comes from the lower left on top")
	inOrder(t, laced(piece.Lacing{Way: piece.LacedStraight, Overlap: 9}, 2), "3 mm further forward", "one cord takes the upper two")
	inOrder(t, laced(piece.Lacing{Way: piece.LacedStraight, Overlap: 9, Tilted: true}, 1), "by about 30 degrees", "go over its front, down through the right hole")
}
