package material

import "mala/core/length"

// wide is a radius in mm beyond that of any bead: every face meets a gap's.
const wide = 1e6

// BareCord is a gap of that length: it stands off what lies beside it by all of that
// bead's reach, weighs nothing, and is counted nowhere.
func BareCord(long length.MM) *Material {
	face := flatFace(float64(long) / 2)
	return &Material{Name: "a gap", Class: ClassBead, Bead: &Bead{Shape: Gap, Along: long, Facing: FacingNone, faces: [2]Face{face, face}, scale: 1}}
}

// flatFace stands off every other face by all of that one's reach and half of its own
// length.
func flatFace(half float64) Face {
	return Face{z: func(float64) float64 { return half }, edge: wide, falls: true, flat: true, bare: true}.scaled(1)
}

// IsGap says whether the bead is no bead but bare cord.
func (b *Bead) IsGap() bool { return b.Shape == Gap }
