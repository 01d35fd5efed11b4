package check

import (
	"fmt"
	"math"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// How far from the bottom of a necklace, as an angle of its loop, the cord still
// runs more across than down, and from where it runs more down than across.
const (
	acrossWithin = math.Pi / 4
	downBeyond   = math.Pi / 3
)

// liesSideways advises on an upright bead of a necklace where the strand turns it
// over: drilled through its height it lies down at the centre, drilled through
// its width it tips over at the sides. It only advises: how a necklace hangs is
// not worked out yet, so it is taken for a circle.
var liesSideways = Check{
	Code: "lies-sideways", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Finding {
		turned := ofComponents(v, s, charmSideways)
		if v.Piece.Kind != piece.Necklace || v.Finished <= 0 {
			return turned
		}
		g := gather{strand: s}
		for i, b := range s.Beads {
			if b.Material.Bead.Facing != material.FacingUpright {
				continue
			}
			fromBottom := math.Abs(float64((s.Left.Length+s.Slack/2+b.At)/v.Finished)-0.5) * 2 * math.Pi
			switch high := b.Material.Bead.Drilled == material.ThroughHeight; {
			case high && fromBottom < acrossWithin:
				g.add("down "+b.Material.ID, i, func() Finding {
					return Finding{Severity: Advise, Title: "Hangs on its side at the centre",
						Says: fmt.Sprintf("%s is drilled through its height; where the strand runs across, as here, it lies down.", b.Material.Name)}
				})
			case !high && fromBottom > downBeyond:
				g.add("over "+b.Material.ID, i, func() Finding {
					return Finding{Severity: Advise, Title: "Tips over at the side",
						Says: fmt.Sprintf("%s is drilled through its width; where the strand runs down, as here, it lies on its side.", b.Material.Name)}
				})
			}
		}
		return append(turned, g.found...)
	},
	Fix: func(v *View, f *Finding, _ Bench) []Fix {
		if s := v.Strand(f.At.Row); componentAt(s, f) != nil {
			return moreRings(s, f, -1, 1)
		}
		return nil
	},
}
