package material

import (
	"math"

	"mala/core/length"
)

// Volume is the volume of the bead in mm³: its faces turned about the hole,
// flattened where the bead is thinner than it is wide.
func (b *Bead) Volume() float64 {
	left, right := b.Face(false), b.Face(true)
	from, to := left.Rim(), left.Edge()
	const slices = 400
	width := (to - from) / slices
	sum := 0.0
	for i := range slices {
		r := from + width*(float64(i)+0.5)
		sum += (left.At(r) + right.At(r)) * 2 * math.Pi * r * width
	}
	return sum * float64(b.Thick/b.Across)
}

// Length is the length of one such bead alone, rim to rim along the hole.
func (b *Bead) Length() length.MM { return b.Face(false).Reach() + b.Face(true).Reach() }

// Pitch is the length each further bead of a tight run adds.
func (b *Bead) Pitch() length.MM {
	joint, _ := Touch(b.Face(true), b.Face(false))
	return joint.Distance
}
