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
	// another such face at the smallest radius both have; flat that it stays level;
	// mouth that the right one is the inside of a cap.
	falls, flat, mouth bool
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
	case Tube, Cube, Spacer, Letter, Coiled:
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
			mouth: true,
		}
	}
	inner := (a*a + depth*depth) / (2 * depth)
	outer := inner + wall
	return profile{
		left:  func(r float64) float64 { return -(outer - math.Sqrt(max(0, outer*outer-r*r))) },
		right: func(r float64) float64 { return wall + inner - math.Sqrt(max(0, inner*inner-r*r)) },
		mouth: true,
	}
}

// Face is one side of a bead as a neighbour meets it: the distance z(r) in mm
// along the hole from the bead's middle to its surface, at radius r from the
// axis of the hole, between its rim and its edge.
type Face struct {
	z         func(r float64) float64
	scale     float64
	rim, edge float64
	reach     length.MM
	atRim     length.MM
	falls     bool      // it never rises away from the hole
	flat      bool      // it stays level
	bare      bool      // it is bare cord, and stands off whatever lies beside it
	mouth     bool      // it is the inner face of a cap or cone
	ring      length.MM // outside diameter of the ring it belongs to; 0 for a bead strung through
	hole      length.MM // the hole it meets its neighbours with
}

// Face gives the right or the left face of the bead as written, not turned. A
// charm's is that of its ring on a cord of no thickness; see Hung.
func (b *Bead) Face(right bool) Face {
	if right {
		return b.faces[1]
	}
	return b.faces[0]
}

// At gives the distance in mm along the hole from the bead's middle to this
// face, at radius r mm from the hole's axis.
func (f Face) At(r float64) float64 { return f.scale * f.z(r) }

// Rim is the radius in mm of the hole.
func (f Face) Rim() float64 { return f.rim }

// Edge is the greatest radius in mm of the face.
func (f Face) Edge() float64 { return f.edge }

// Reach is how far the face stands out from the bead's middle at most.
func (f Face) Reach() length.MM { return f.reach }

// AtRim is how far the face stands out at the rim of its hole, where a strand
// that ends with it is measured to. A ring hung on its cord has no hole: it
// counts to the side of its wire.
func (f Face) AtRim() length.MM {
	if f.ring > 0 {
		return f.reach
	}
	return f.atRim
}

// IsFlat says whether the face stays level.
func (f Face) IsFlat() bool { return f.flat }

// IsMouth says whether the face is the inside of a cap or cone.
func (f Face) IsMouth() bool { return f.mouth }

// keepingOff is the face with something so thick between it and what it meets.
func (f Face) keepingOff(thick length.MM) Face {
	z, off := f.z, float64(thick)/f.scale
	f.z = func(r float64) float64 { return z(r) + off }
	f.reach, f.atRim = f.reach+thick, f.atRim+thick
	return f
}

// scaled is the face stretched along the hole, with what it comes to there worked out.
func (f Face) scaled(by float64) Face {
	f.scale = by
	f.atRim = length.MM(f.At(f.rim))
	if f.falls {
		f.reach = f.atRim
		return f
	}
	_, z := highest(f.At, f.rim, f.edge)
	f.reach = length.MM(z)
	return f
}

// Hung gives the two equal faces of a charm's ring where it hangs on a cord, or
// on several in a bundle of that diameter. Its wire stands round the cord and
// runs down beside it: z(r) = sqrt((w/2)² - (r - (d+w)/2)²) up to the wire's
// middle, w/2 as far as the ring's other side, then falling to 0.
func (b *Bead) Hung(cord length.MM) Face {
	if b.Shape == Fringe {
		return b.faces[0]
	}
	d, w, inside := float64(cord), float64(b.Along), float64(b.Hole)
	near, far := (d+w)/2, inside+(w-d)/2
	z := func(r float64) float64 {
		off := max(0, near-r, r-far)
		return math.Sqrt(max(0, w*w/4-off*off))
	}
	face := Face{z: z, rim: d / 2, edge: inside + w - d/2, ring: b.Hole + 2*b.Along}.scaled(b.scale)
	face.reach = length.MM(face.scale * w / 2) // however thick the cord is, its wire stands round it
	return face
}

// Contact is how two neighbours meet.
type Contact struct {
	Distance length.MM // of their middles
	Radius   float64   // at which they touch, in mm from the axis
	// Seated says that one takes the other in its mouth, a ball in a socket:
	// the two do not turn against each other there.
	Seated bool
}

// Touch brings the right face of one bead against the left face of the next.
// The distance is the greatest sum of the two faces over the radii both have;
// ok is false if they have none in common, and one passes into the other's
// hole.
func Touch(right, left Face) (c Contact, ok bool) {
	from, to := max(right.rim, left.rim), min(right.edge, left.edge)
	if from > to && (right.bare || left.bare) { // a ring hangs off the cord wherever its own begins
		return Contact{Distance: right.reach + left.reach, Radius: max(to, 0)}, true
	}
	if from > to || goesInto(right, left) || goesInto(left, right) {
		return Contact{}, false
	}
	switch {
	case right.flat && left.flat:
		return Contact{Distance: length.MM(right.At(to) + left.At(to)), Radius: to}, true
	case right.falls && left.falls:
		return Contact{Distance: length.MM(right.At(from) + left.At(from)), Radius: from}, true
	}
	r, z := highest(func(r float64) float64 { return right.At(r) + left.At(r) }, from, to)
	c = Contact{Distance: length.MM(z), Radius: r}
	const clearly = 1e-6 // of a radius or a distance in mm
	c.Seated = (right.mouth || left.mouth) && r > from+clearly && c.Distance < right.reach+left.reach-clearly
	return c, true
}

// goesInto says whether a hung ring slips whole into the hole of its neighbour.
func goesInto(ring, hole Face) bool { return ring.ring > 0 && ring.ring < hole.hole }

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
	if mid := (lo + hi) / 2; f(mid) > value+equal || mid > at && f(mid) >= value-equal {
		return mid, max(value, f(mid))
	}
	return at, value
}
