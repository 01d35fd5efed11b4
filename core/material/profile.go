package material

import (
	"math"

	"mala/core/length"
)

// profile gives the two faces of a shape: the distance along the hole from the
// bead's middle to its surface at radius r from the hole's axis, for r from
// half the hole to half the width. Outward is positive on both sides.
type profile struct {
	left, right func(r float64) float64
	// falls says that neither face rises away from the hole, so that it meets
	// another such face at the smallest radius both have; flat that it stays level.
	falls, flat bool
}

// shapeProfile picks the faces for the shape, before any scaling to a measured
// run. Every shape has its own; none falls back on nominal lengths.
func (b *Bead) shapeProfile() profile {
	a, rim, half := float64(b.Across)/2, float64(b.Hole)/2, float64(b.Along)/2
	switch b.Shape {
	case Round:
		return symmetric(func(r float64) float64 { return math.Sqrt(max(0, a*a-r*r)) })
	case Bicone:
		return symmetric(func(r float64) float64 { return half * (a - r) / (a - rim) })
	case Cap:
		return capProfile(a, rim, float64(b.Depth), float64(b.Wall))
	case Tube, Cube, Spacer, Letter, Charm:
		return level(half)
	case Coin, Disc, Button:
		// Pierced through its face it is a short cylinder. Thinner than it is
		// wide, it is drilled through its edge and takes its wide outline.
		if b.Thick >= b.Across {
			return level(half)
		}
	}
	return ellipse(a, rim, half)
}

// symmetric is a bead with the same falling face on both sides.
func symmetric(z func(float64) float64) profile { return profile{left: z, right: z, falls: true} }

// level is a bead with two flat faces.
func level(half float64) profile {
	p := symmetric(func(float64) float64 { return half })
	p.flat = true
	return p
}

// ellipse is the face of every bead that narrows in a curve: half is its half
// length at the rim of the hole.
func ellipse(a, rim, half float64) profile {
	b := half / math.Sqrt(1-rim*rim/(a*a))
	return symmetric(func(r float64) float64 { return b * math.Sqrt(max(0, 1-r*r/(a*a))) })
}

// capProfile gives a cap's faces measured from its outer pole, opening to the
// right: a shallow cap is part of a sphere, one deeper than half its width a
// cone.
func capProfile(a, rim, depth, wall float64) profile {
	if depth > a {
		slope := func(r float64) float64 { return depth * (r - rim) / (a - rim) }
		return profile{
			left:  func(r float64) float64 { return -slope(r) },
			right: func(r float64) float64 { return wall + slope(r) },
		}
	}
	inner := (a*a + depth*depth) / (2 * depth)
	outer := inner + wall
	return profile{
		left:  func(r float64) float64 { return -(outer - math.Sqrt(max(0, outer*outer-r*r))) },
		right: func(r float64) float64 { return wall + inner - math.Sqrt(max(0, inner*inner-r*r)) },
	}
}

// Face is one side of a bead as a neighbour meets it.
type Face struct {
	bead  *Bead
	right bool
}

// Face gives the right or the left face of the bead as written, not turned.
func (b *Bead) Face(right bool) Face { return Face{b, right} }

// At gives the distance in mm along the hole from the bead's middle to this
// face, at radius r mm from the hole's axis.
func (f Face) At(r float64) float64 {
	if f.right {
		return f.bead.scale * f.bead.profile.right(r)
	}
	return f.bead.scale * f.bead.profile.left(r)
}

// Rim is the radius of the hole and Edge the greatest radius of the bead.
func (f Face) Rim() float64 { return float64(f.bead.Hole) / 2 }

// Edge is the greatest radius of the bead.
func (f Face) Edge() float64 { return float64(f.bead.Across) / 2 }

// Reach is how far the face stands out from the bead's middle at most.
func (f Face) Reach() length.MM {
	if f.right {
		return f.bead.reach[1]
	}
	return f.bead.reach[0]
}

// furthest works out how far the face stands out.
func (f Face) furthest() length.MM {
	if f.bead.profile.falls {
		return length.MM(f.At(f.Rim()))
	}
	_, z := highest(f.At, f.Rim(), f.Edge())
	return length.MM(z)
}

// Contact is how two neighbours meet: the distance of their middles and the
// radius at which they touch.
type Contact struct {
	Distance length.MM
	Radius   float64
}

// Touch brings the right face of one bead against the left face of the next.
// The distance is the greatest sum of the two faces over the radii both have;
// ok is false if they have none in common, and one passes into the other's
// hole.
func Touch(right, left Face) (c Contact, ok bool) {
	from, to := max(right.Rim(), left.Rim()), min(right.Edge(), left.Edge())
	if from > to {
		return Contact{}, false
	}
	a, b := right.bead.profile, left.bead.profile
	switch {
	case a.flat && b.flat:
		return Contact{Distance: length.MM(right.At(to) + left.At(to)), Radius: to}, true
	case a.falls && b.falls:
		return Contact{Distance: length.MM(right.At(from) + left.At(from)), Radius: from}, true
	}
	r, z := highest(func(r float64) float64 { return right.At(r) + left.At(r) }, from, to)
	return Contact{Distance: length.MM(z), Radius: r}, true
}

// steps is how finely highest looks before it narrows down, to within what: a
// summit is so level that a millionth beside it changes nothing that is shown.
const (
	steps  = 32
	within = 1e-6
)

// highest finds the maximum of f on [from, to] and where it is; over a range of
// equal maxima, its outer end. Faces have at most a few bends, so a coarse look
// followed by golden-section narrowing finds the summit to far below 0.001 mm.
func highest(f func(float64) float64, from, to float64) (at, value float64) {
	const equal = 1e-9
	at, value = from, f(from)
	width := (to - from) / steps
	for i := 1; i <= steps; i++ {
		r := from + width*float64(i)
		if i == steps {
			r = to
		}
		if z := f(r); z >= value-equal {
			at, value = r, max(value, z)
		}
	}
	lo, hi := max(from, at-width), min(to, at+width)
	const ratio = 0.6180339887498949
	for hi-lo > within {
		a, b := hi-ratio*(hi-lo), lo+ratio*(hi-lo)
		if f(a) > f(b) {
			hi = b
		} else {
			lo = a
		}
	}
	if z := f((lo + hi) / 2); z > value+equal {
		return (lo + hi) / 2, z
	}
	return at, value
}
