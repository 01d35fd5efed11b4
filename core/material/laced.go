package material

import (
	"fmt"
	"math"

	"mala/core/length"
)

// Laced is a flat with several holes through its face, as it lies in a laced row: its width
// along the row, its holes across it.
const Laced Shape = "laced"

// Laces says whether the bead is a flat that can be laced: a button, coin or disc with two
// holes through its face, or four in a square.
func (b *Bead) Laces() bool { return b.Holes > 0 }

// checkHoles holds the holes of a flat to those it has room for.
func (b *Bead) checkHoles() error {
	if b.Holes == 0 {
		if b.Apart != 0 {
			return fmt.Errorf("The distance from hole to hole is %v mm, but the bead has one hole; give two or four holes, or leave it out.", float64(b.Apart))
		}
		return nil
	}
	most := b.Across - b.Hole
	if b.Holes == 4 {
		most /= math.Sqrt2 // the holes stand in a square
	}
	switch {
	case b.Shape != Button && b.Shape != Coin && b.Shape != Disc:
		return fmt.Errorf("It has %d holes; only buttons, coins and discs have several holes through their face.", b.Holes)
	case b.Holes != 2 && b.Holes != 4:
		return fmt.Errorf("It has %d holes; a flat is laced through two or four holes.", b.Holes)
	case b.Thick < b.Across || b.HoleOff != 0:
		return fmt.Errorf("The thickness is %v mm; the holes of a flat go through its face, so leave its thickness and how far a hole is off the middle out.", float64(b.Thick))
	case !(b.Apart > b.Hole && b.Apart < most):
		return fmt.Errorf("The distance from hole to hole is %v mm; from the middle of one hole to the next it is more than %v mm and less than %.4g mm here.", float64(b.Apart), float64(b.Hole), float64(most))
	}
	return nil
}

// Flat is how a laced bead lies.
type Flat struct {
	Of        *Material // as it comes
	Top       *Material // the smaller flat laced on it; nil for none
	Wide      length.MM
	Through   length.MM // from its back to the front of all that lies on it
	Tilt      float64   // in radians, leaning on the one before it
	Layers    bool      // every other one lies in front of its neighbours
	FrontSpan length.MM // from hole to hole at the front
}

// Lying is how the flats of a row lie beside one another.
type Lying struct {
	Reach  func(wide length.MM) length.MM // from the middle of one so wide to where its neighbour's share begins
	Tilted bool                           // where they overlap, each leans on the one before it; else every other one lies in front
	Cord   length.MM                      // thickness of the cord that runs between them and the body
}

// Lie gives the flat as it lies in a laced row, with the smaller one laced on it. Leaning by t,
// flats of a thickness T lie face to face at a distance of T / sin t.
func Lie(m, top *Material, how Lying) *Material {
	bead := *m.Bead
	wide, thick := bead.Across, bead.Along
	flat := &Flat{Of: m, Top: top, Wide: wide, FrontSpan: bead.Apart}
	if top != nil {
		thick += top.Bead.Along
		flat.FrontSpan = top.Bead.Apart
		bead.Hole = min(bead.Hole, top.Bead.Hole)
	}
	flat.Through = thick
	reach, end := how.Reach(wide), wide/2
	if overlaps := reach < wide/2-tiny; overlaps && how.Tilted {
		flat.Tilt = math.Asin(min(1, float64(thick/(2*reach))))
		sin, cos := length.MM(math.Sin(flat.Tilt)), length.MM(math.Cos(flat.Tilt))
		end, thick = (wide*cos+thick*sin)/2, wide*sin+thick*cos
	} else if overlaps {
		flat.Layers, thick = true, 2*thick
	}
	bead.Shape, bead.Facing, bead.Flat = Laced, FacingNone, flat
	bead.Thick, bead.Along, bead.Inwards = thick, 2*end, how.Cord
	// A neighbour meets it at its edge; a strand ends with it where it ends itself.
	face := Face{z: func(r float64) float64 {
		if r == 0 {
			return float64(end)
		}
		return float64(reach)
	}, edge: float64(wide) / 2, falls: true, flat: true, hole: bead.Hole}.scaled(1)
	bead.faces, bead.body, bead.scale = [2]Face{face, face}, [2]Face{face, face}, 1
	out := *m
	out.Bead = &bead
	return &out
}

// tiny keeps the rounding of sums from deciding, in mm.
const tiny = 1e-9

// LinesUp says whether a cord goes straight through the holes of both flats: as many, and no
// further off each other than the holes give.
func (b *Bead) LinesUp(on *Bead) bool {
	return b.Holes == on.Holes && length.MM(math.Abs(float64(b.Apart-on.Apart))) <= min(b.Hole, on.Hole)/2+tiny
}
