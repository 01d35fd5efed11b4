package measure

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// inCone is a knot inside a cone, which the last bead stands in.
var inCone = making{hold: HeldByCone, held: func(b *endBuilder) bool { return b.end.Find(RoleCone) != nil }, legs: knotInside}

// coneTakes is the length a cone end adds beyond the last bead, which stands in its mouth
// until it touches the wall: the outermost of all its circles decides, of a tube that of its
// front edge, of a round the one where the wall lies along it. A wider bead rests on the rim.
func coneTakes(f *material.Finding, beside *Bead, side piece.Side) length.MM {
	if beside == nil || beside.Material.Bead.Hangs() {
		return f.InSeries()
	}
	b := beside.Material.Bead
	outwards := b.Face(beside.Turned == (side == piece.Left))
	inside := outwards.AtRim() - f.KeepsOut(outwards)
	return max(0, f.Length-inside) + f.RingEye
}
