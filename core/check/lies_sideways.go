package check

import (
	"math"
	"slices"

	"mala/core/drape"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// How steep the cord may run at a bead that stands when it runs down, and how steep at
// one that stands when it runs across.
const (
	leastSteep = math.Pi / 4
	mostSteep  = math.Pi / 3
)

// liesSideways warns of an upright bead of a necklace where the strand, as it hangs,
// turns it over: drilled through its height it lies down at the centre, drilled through
// its width it tips over at the sides. Where a strand follows the neck it runs across
// everywhere. Of charms that their rings turn it advises.
var liesSideways = Check{
	Code: "lies-sideways", Step: StepLayOut, Lies: true,
	Strand: func(v *View, s *measure.Strand) []Problem {
		turned := ofComponents(v, s, charmSideways)
		upright := func(b measure.Bead) bool { return b.Material.Bead.Facing == material.FacingUpright }
		if v.Piece.Kind != piece.Necklace && !v.Piece.Hangs() || !slices.ContainsFunc(s.Beads, upright) {
			return turned
		}
		var hangs *drape.Necklace
		if rows := drape.Rows(v.Measured); rows != nil {
			hangs = drape.For(v.Measured, rows, s)
		}
		g := gather{strand: s}
		for i, b := range s.Beads {
			if !upright(b) {
				continue
			}
			steep := 0.0
			if v.Piece.Hangs() {
				steep = math.Pi / 2 // straight down
			}
			if hangs != nil {
				steep = steepness(hangs.AtBead(s, i))
			}
			switch high := b.Material.Bead.Drilled == material.ThroughHeight; {
			case high && steep < leastSteep:
				g.add("down "+b.Material.ID, i, func() Problem {
					return Problem{Severity: Warn, Fact: LiesDown{b.Material, steep}}
				})
			case !high && steep > mostSteep:
				g.add("over "+b.Material.ID, i, func() Problem {
					return Problem{Severity: Warn, Fact: TipsOver{b.Material, steep}}
				})
			}
		}
		return append(turned, g.found...)
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		if s := v.Strand(f.At.Row); componentAt(s, f) != nil {
			return moreRings(s, f, -1, 1)
		}
		return nil
	},
}

// steepness is how far from level the cord runs at a place, in radians; round the back
// of the neck it is level.
func steepness(at drape.Seat) float64 {
	if at.Behind {
		return 0
	}
	return math.Abs(math.Atan2(math.Sin(at.Angle), math.Abs(math.Cos(at.Angle))))
}

// How an upright bead may lie where the strand runs so steeply, in radians from level.
type (
	LiesDown struct { // drilled through its height
		Bead  *material.Material
		Steep float64
	}
	TipsOver struct { // drilled through its width
		Bead  *material.Material
		Steep float64
	}
)

func (LiesDown) fact() {}
func (TipsOver) fact() {}
