package material

import (
	"math"

	"mala/core/length"
)

// Leaves is the way through a drop: it holds the beads of the strand beside it about a
// cord's diameter apart, and hangs with what is on it.
func Leaves(id string, cord, deep, across length.MM, parts []PartCount, seats []Seat) *Material {
	const open = length.MM(50) // no hole of it has to take the cord
	face := flatFace(float64(cord) / 2)
	bead := &Bead{Shape: Fringe, Across: across, Along: cord, Hole: open, Drop: deep, Facing: FacingNone, faces: [2]Face{face, face}, scale: 1}
	return &Material{ID: id, Name: "a drop", Class: ClassComponent, Bead: bead,
		Component: &Component{Kind: InCord, Parts: parts, Seats: seats, Across: across, Drop: deep}}
}

// LoopsThrough is a bead with a loop of the strand's own cord hanging through it: the cord
// that leaves at both its ends holds its neighbours about its diameter further off.
func LoopsThrough(id string, through *Material, cord, deep length.MM, parts []PartCount, seats []Seat) *Material {
	bead := *through.Bead
	bead.Shape, bead.StandsOff = Looped, deep
	if bead.Facing == FacingNone {
		bead.Facing = FacingForeAft // a mirror runs its beads back
	}
	for i := range bead.faces {
		bead.faces[i] = bead.faces[i].keepingOff(cord)
	}
	across := bead.Across
	for _, s := range seats {
		across = max(across, 2*length.MM(math.Abs(s.X))+s.Wide)
	}
	return &Material{ID: id, Name: through.Name + " with its loop", Class: ClassComponent, Bead: &bead,
		Component: &Component{Kind: LoopInCord, Parts: parts, Seats: seats, Across: across, StandsOff: deep}}
}

// WayRound is how far it is from one rim of the bead's hole to the other along its
// outside: the cord's way round the bead that a drop turns at. It follows both faces from
// rim to edge and what lies between their edges.
func (b *Bead) WayRound() length.MM {
	const steps = 2000
	way := func(f Face) float64 {
		sum, r, z := 0.0, f.Rim(), f.At(f.Rim())
		for i := range steps {
			// Closest together towards the edge, where a round face falls away steeply.
			at := f.Rim() + (f.Edge()-f.Rim())*math.Sin(math.Pi/2*float64(i+1)/steps)
			sum += math.Hypot(at-r, f.At(at)-z)
			r, z = at, f.At(at)
		}
		return sum
	}
	left, right := b.Face(false), b.Face(true)
	return length.MM(way(left) + way(right) + max(0, left.At(left.Edge())+right.At(right.Edge())))
}
