package check

import (
	"math"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// thinElastic is the share of the thickest elastic that would pass below which
// one is too thin for its beads: it wears through and its knot slips.
const thinElastic = 0.5

// stoutest is the thickest elastic that is sold for stringing.
const stoutest = length.MM(1.2)

// elasticMisfit fires when an elastic is too thin for its beads, and advises when
// it passes only with a pull.
var elasticMisfit = Check{
	Code: "elastic-misfit", Step: StepEnds,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		c := s.Row.Cord.Cord
		if c.Type != material.Elastic || s.Count() == 0 {
			return nil
		}
		most, finest := thickestElastic(s)
		f := Problem{Severity: Warn, At: s.Row.At()}
		switch {
		case c.Diameter > snugFit*most+tiny:
			return nil // it does not pass at all: holeTooSmall says so
		case c.Diameter > most+tiny:
			f.Severity, f.Fact = Advise, ElasticUnlike{c.Diameter, most, finest, false}
		case c.Diameter < thinElastic*min(most, stoutest)-tiny:
			f.Fact = ElasticUnlike{c.Diameter, most, finest, true}
		default:
			return nil
		}
		return []Problem{f}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		most, _ := thickestElastic(s)
		return strungOn(s, shelf.Materials, func(c *material.Cord) bool { return c.Type == material.Elastic && c.Diameter <= most+tiny })
	},
}

// thickestElastic is the thickest that passes every hole as often as it must
// with ease, and the bead with the hole that decides it.
func thickestElastic(s *measure.Strand) (length.MM, *material.Material) {
	most, finest := length.MM(math.Inf(1)), (*material.Material)(nil)
	for _, b := range s.Beads {
		if b.IsGap() {
			continue
		}
		if d := b.Material.Bead.Hole / (snugFit * material.HoleFor(b.Passes, 1)); d < most {
			most, finest = d, b.Material
		}
	}
	return most, finest
}

// ElasticUnlike says that an elastic is too thin for its beads, or passes the finest with a pull.
type ElasticUnlike struct {
	Is, Most length.MM // what it is, and the thickest that passes with ease
	Finest   *material.Material
	Thin     bool
}

func (ElasticUnlike) fact() {}
