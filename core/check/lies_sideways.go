package check

import (
	"fmt"
	"math"

	"mala/core/length"
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

// liesSideways fires for an upright bead of a necklace where the strand turns it
// over: drilled through its height it lies down at the centre, drilled through
// its width it tips over at the sides.
var liesSideways = judgement{
	code: "lies-sideways",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		s := m.Strands[0]
		if m.Piece.Kind != piece.Necklace || m.Finished <= 0 {
			return nil
		}
		var found []Finding
		told := map[int]bool{}
		for i, b := range s.Beads {
			if b.Material.Bead.Facing != material.FacingUpright || told[b.Node] {
				continue
			}
			fromBottom := math.Abs(float64((s.Left.Length+s.Slack/2+b.At)/m.Finished)-0.5) * 2 * math.Pi
			f := Finding{Code: "lies-sideways", Severity: Warn, Strand: s.ID, Element: i, Column: columnOf(s, i)}
			switch high := b.Material.Bead.Drilled == material.ThroughHeight; {
			case high && fromBottom < acrossWithin:
				f.Title = "Lies on its side at the centre"
				f.Says = fmt.Sprintf("%s is drilled through its height: where the strand runs across, as here, it lies down.", b.Material.Name)
			case !high && fromBottom > downBeyond:
				f.Title = "Tips over at the side"
				f.Says = fmt.Sprintf("%s is drilled through its width: where the strand runs down, as here, it lies on its side.", b.Material.Name)
			default:
				continue
			}
			told[b.Node] = true
			found = append(found, f)
		}
		return found
	},
}
