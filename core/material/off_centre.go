package material

import (
	"fmt"
	"math"

	"mala/core/length"
)

// Toward says towards which side of a bead its hole lies.
type Toward string

// The sides: its top, so that it hangs down with most of it; its back, so that most of it
// lies in front, away from the body; its front, so that most of it lies to the body.
const (
	TowardTop   Toward = "top"
	TowardBack  Toward = "back"
	TowardFront Toward = "front"
)

// checkHole holds a hole that is off centre to where the bead can have one.
func (b *Bead) checkHole() error {
	if b.HoleOff == 0 {
		b.HoleTo = ""
		return nil
	}
	if b.HoleTo == "" {
		b.HoleTo = TowardTop
	}
	room := b.Across
	switch b.HoleTo {
	case TowardTop:
	case TowardBack, TowardFront:
		room = b.Thick
	default:
		return fmt.Errorf("The hole lies towards %q; a hole lies towards top, back or front.", string(b.HoleTo))
	}
	most := (room - b.Hole) / 2
	switch {
	case b.Shape == Cap || b.Shape == Charm:
		return fmt.Errorf("The hole is %v mm off the middle; %s has its hole in the middle.", float64(b.HoleOff), a(b.Shape))
	case !(b.HoleOff > 0 && b.HoleOff < most):
		return fmt.Errorf("The hole is %v mm off the middle; here it lies less than %v mm off the middle.", float64(b.HoleOff), float64(most))
	}
	return nil
}

// roundHole gives the faces as they stand round a hole off the bead's middle by e: at a
// radius r the bead is highest on its heavier side, z(|r - e|).
func (b *Bead) roundHole() [2]Face {
	faces := b.body
	if b.HoleOff == 0 {
		return faces
	}
	e := float64(b.HoleOff)
	for i, f := range faces {
		z := f.z
		f.z = func(r float64) float64 { return z(math.Abs(r - e)) }
		f.edge += e
		f.falls = f.falls && f.flat
		faces[i] = f.scaled(f.scale)
	}
	return faces
}

// BodyFace gives the right or the left face round the bead's middle, as it is drawn. Only
// of a bead with its hole off centre is it another than Face.
func (b *Bead) BodyFace(right bool) Face {
	face := b.body[0]
	if right {
		face = b.body[1]
	}
	if face.z == nil {
		return b.Face(right)
	}
	return face
}

// ToBody is how far the bead reaches from its hole towards the body: half its thickness,
// less where its hole lies towards its back, more where it lies towards its front.
func (b *Bead) ToBody() length.MM {
	if b.Flat != nil {
		return 0 // it lies on the cord, which runs along its back
	}
	switch b.HoleTo {
	case TowardBack:
		return b.Thick/2 - b.HoleOff
	case TowardFront:
		return b.Thick/2 + b.HoleOff
	}
	return b.Thick / 2
}

// HangsBelow is how far the middle of the bead hangs below its hole.
func (b *Bead) HangsBelow() length.MM {
	if b.HoleTo == TowardTop {
		return b.HoleOff
	}
	return 0
}
