package material

import (
	"math"

	"mala/core/length"
)

// UsualDensity is taken for beads that are not weighed, in g/cm³: that of glass and most
// stones.
const UsualDensity = 2.5

// About is what a bead, or a component of beads, weighs in g: of what is not weighed its
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
	ringsFrom := func(from, to float64) float64 {
		return overQuarter(from, to, func(r float64) float64 { return (left.At(r) + right.At(r)) * 2 * math.Pi * r })
	}
	flat := float64(b.Thick / b.Across)
	if flat == 1 {
		return ringsFrom(left.Rim(), left.Edge())
	}
	return flat*ringsFrom(0, left.Edge()) - ringsFrom(0, left.Rim())
}

// overQuarter is the integral of f by Simpson's rule over the angle of which r is the sine:
// a face falls away at its edge as a circle does, and over that angle it is smooth. Of a
// round it is right to a millionth.
func overQuarter(from, to float64, f func(r float64) float64) float64 {
	const steps = 32
	sum := 0.0
	for i := range steps + 1 {
		weight := float64(2 + 2*(i%2))
		if i == 0 || i == steps {
			weight = 1
		}
		sin, cos := math.Sincos(math.Pi / 2 / steps * float64(i))
		sum += weight * f(from+(to-from)*sin) * cos
	}
	return sum * (to - from) * math.Pi / 2 / steps / 3
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
