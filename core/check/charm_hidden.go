package check

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// charmHidden fires when a charm, hung by its ring, does not drop clear of the
// beads beside it.
var charmHidden = Check{
	Code: "charm-hidden", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		g := gather{strand: s}
		for i := range s.Beads {
			charm := s.Beads[i].Material
			if !charm.Bead.Hangs() {
				continue
			}
			wide := widestBeside(s, i)
			if wide == nil || charm.Bead.Drop > radius(wide) {
				continue
			}
			g.add(charm.ID+" beside "+wide.ID, i, func() Problem {
				return Problem{Severity: Advise, Fact: CharmHidden{charm, wide, radius(wide)}}
			})
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		charm := s.Beads[f.At.Element].Material.Bead
		fixes := moreRings(s, f, 1, 2)
		return append(fixes, putInto(v, s, []int{f.At.Element, f.At.Element + 1}, OnEitherSide, func(c *material.Bead) bool {
			return c.Across/2 < charm.Drop && touching(c, charm)
		}, shelf.Materials)...)
	},
}

func radius(m *material.Material) length.MM { return m.Bead.Across / 2 }

// widestBeside is the wider of the two beads beside the one at i.
func widestBeside(s *measure.Strand, i int) *material.Material {
	before, next := neighboursOf(s, i)
	switch {
	case before == nil && next == nil:
		return nil
	case next == nil || before != nil && before.Material.Bead.Across > next.Material.Bead.Across:
		return before.Material
	}
	return next.Material
}

// CharmHidden says that the bead beside a charm reaches as far below the cord as the charm.
type CharmHidden struct {
	Charm, Beside *material.Material
	Reach         length.MM // of the bead beside it, below the cord
}

func (CharmHidden) fact() {}
