package check

import (
	"fmt"
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// thinElastic is the share of the thickest elastic that would pass, below which
// one is too thin for its beads: it wears through and the knot slips.
const thinElastic = 0.6

// elasticMisfit fires when an elastic is too thin for its beads, or so thick that
// it passes only by force.
var elasticMisfit = judgement{
	code: "elastic-misfit",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		s := m.Strands[0]
		c := s.Row.Cord.Cord
		if c.Type != material.Elastic || len(s.Beads) == 0 {
			return nil
		}
		most, finest := thickestElastic(s)
		f := Finding{Code: "elastic-misfit", Severity: Warn, Strand: s.ID, Element: -1}
		switch {
		case c.Diameter > snugFit*most+1e-9:
			return nil // it does not pass at all: holeTooSmall tells
		case c.Diameter > most+1e-9:
			f.Title = "Elastic too thick"
			f.Says = fmt.Sprintf("The finest hole, %s of %s, takes elastic of up to %s easily; this is %s.", mm(finest.Bead.Hole), finest.Name, mm(most), mm(c.Diameter))
		case c.Diameter < thinElastic*min(most, stoutest):
			f.Title = "Elastic thinner than it need be"
			f.Says = fmt.Sprintf("The finest hole, %s of %s, takes elastic of up to %s; %s wears through sooner and its knot slips.", mm(finest.Bead.Hole), finest.Name, mm(most), mm(c.Diameter))
		default:
			return nil
		}
		return []Finding{f}
	},
	mend: func(m *measure.Measured, _ Finding, bench Bench) []Fix {
		most, _ := thickestElastic(m.Strands[0])
		return strungOn(bench.Shelf, func(c *material.Cord) bool { return c.Type == material.Elastic && c.Diameter <= most+1e-9 })
	},
}

// stoutest is the thickest elastic that is sold for stringing.
const stoutest = length.MM(1.2)

// thickestElastic is the thickest that passes every hole as often as it must
// with ease, and the bead with the hole that decides it.
func thickestElastic(s *measure.Strand) (length.MM, *material.Material) {
	most, finest := length.MM(math.Inf(1)), (*material.Material)(nil)
	for _, b := range s.Beads {
		if d := b.Material.Bead.Hole / (snugFit * material.HoleFor(b.Passes, 1)); d < most {
			most, finest = d, b.Material
		}
	}
	return most, finest
}
