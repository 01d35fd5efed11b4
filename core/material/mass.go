package material

import (
	"math"

	"mala/core/length"
)

// UsualDensity is taken for beads that nobody weighed, in g/cm³: that of glass and most
// stones.
const UsualDensity = 2.5

// About is what a bead, or a component of beads, weighs in g: of what nobody weighed its
// volume at the usual density.
func (m *Material) About() float64 {
	switch {
	case m.MassG > 0 || m.Bead == nil:
		return m.MassG
	case m.Component == nil || len(m.Component.Parts) == 0:
		return m.Bead.Volume() / 1000 * UsualDensity
	}
	sum := 0.0
	for _, p := range m.Component.Parts {
		sum += p.Of.About() * float64(p.Count)
	}
	return sum
}

// Volume is the volume of the bead in mm³: its body less the hole through it.
func (b *Bead) Volume() float64 {
	hole := math.Pi / 4 * float64(b.Hole*b.Hole)
	across, thick, along := float64(b.Across), float64(b.Thick), float64(b.Along)
	switch b.Shape {
	case Cube, Letter:
		return (across*thick - hole) * along
	case Coin, Disc, Button:
		if b.Thick < b.Across { // a disc on its edge: its faces are its front and back
			return (math.Pi/4*across*thick - hole) * along
		}
	case Charm:
		return b.ringVolume()
	}
	return b.turned()
}

// turned is the volume between the two faces turned about the hole, flattened
// where the bead is thinner than it is wide.
func (b *Bead) turned() float64 {
	left, right := b.BodyFace(false), b.BodyFace(true)
	const slices = 400
	ringsFrom := func(from, to float64) float64 {
		width, sum := (to-from)/slices, 0.0
		for i := range slices {
			r := from + width*(float64(i)+0.5)
			sum += (left.At(r) + right.At(r)) * 2 * math.Pi * r * width
		}
		return sum
	}
	flat := float64(b.Thick / b.Across)
	if flat == 1 {
		return ringsFrom(left.Rim(), left.Edge())
	}
	return flat*ringsFrom(0, left.Edge()) - ringsFrom(0, left.Rim())
}

// ringVolume is the volume of a charm's ring alone.
func (b *Bead) ringVolume() float64 {
	wire := float64(b.Along)
	return math.Pi * float64(b.Hole+b.Along) * math.Pi / 4 * wire * wire
}

// Length is the length of one such bead alone, rim to rim along the hole.
func (b *Bead) Length() length.MM { return b.Face(false).Reach() + b.Face(true).Reach() }

// Pitch is the length each further bead of a tight run adds.
func (b *Bead) Pitch() length.MM {
	joint, _ := Touch(b.Face(true), b.Face(false))
	return joint.Distance
}
