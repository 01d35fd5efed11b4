package piece

import "mala/core/material"

// HolderWay is what holds beads where gaps lie between them.
type HolderWay string

// The ways: a crimp or a knot on each side of every bead that a gap lies beside, the
// beads' own friction on the cord, or nothing yet.
const (
	HeldNotYet     HolderWay = ""
	HeldByCrimps   HolderWay = "crimps"
	HeldByKnots    HolderWay = "knots"
	HeldByFriction HolderWay = "friction"
	HeldByPressing HolderWay = "pressed"
)

// HolderWays lists every way.
func HolderWays() []HolderWay {
	return []HolderWay{HeldNotYet, HeldByCrimps, HeldByKnots, HeldByFriction, HeldByPressing}
}

// Holder is what holds the beads of a row apart.
type Holder struct {
	Way HolderWay
	Of  *material.Material // the crimp; nil for the other ways
}

// Check says in a sentence what is wrong with the holder; empty if nothing is.
func (h Holder) Check() string {
	switch h.Way {
	case HeldNotYet, HeldByKnots, HeldByFriction, HeldByPressing:
		if h.Of != nil {
			return "Only crimps are of a material. Leave it out."
		}
	case HeldByCrimps:
		if h.Of == nil || h.Of.Finding == nil || !h.Of.Finding.IsCrimp() {
			return "Choose the crimp that holds the beads apart."
		}
	default:
		return "Beads are held apart by crimps, by knots, by friction, or by pressing them on."
	}
	return ""
}
