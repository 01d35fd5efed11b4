package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// charmHidden fires when a charm's ring does not drop it clear of the beads
// beside it: it lies behind them.
var charmHidden = judgement{
	code: "charm-hidden",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		s := m.Strands[0]
		var found []Finding
		told := map[int]bool{}
		for i, b := range s.Beads {
			if b.Material.Bead.Shape != material.Charm || told[b.Node] {
				continue
			}
			drop, beside := dropOf(s, i), widestBeside(s, i)
			if beside == nil || drop > beside.Bead.Across/2 {
				continue
			}
			told[b.Node] = true
			found = append(found, Finding{
				Code: "charm-hidden", Severity: Advise, Strand: s.ID, Element: i, Column: columnOf(s, i), Title: "Charm hides behind its neighbours",
				Says: fmt.Sprintf("The ring of %s lets it down %s below the cord; %s beside it reaches %s.", b.Material.Name, mm(drop),
					beside.Name, mm(beside.Bead.Across/2)),
			})
		}
		return found
	},
	mend: func(m *measure.Measured, f Finding, bench Bench) []Fix {
		s := m.Strands[0]
		drop, ring := dropOf(s, f.Element), s.Beads[f.Element].Material.Bead
		return putInto(m, []int{f.Element + 1, f.Element}, "on either side", func(c *material.Bead) bool {
			return c.Across/2 < drop && touching(c, ring)
		}, bench.Shelf)
	},
}

// dropOf is how far below the cord's axis the charm at i begins: its ring hangs
// on the cord by its inside.
func dropOf(s *measure.Strand, i int) length.MM {
	b := s.Beads[i].Material.Bead
	return b.Hole + b.Along - s.Row.Cord.Cord.Diameter/2
}

// widestBeside is the wider of the two beads beside the one at i.
func widestBeside(s *measure.Strand, i int) *material.Material {
	before, next := neighboursOf(s, i)
	if next == nil || before != nil && before.Bead.Across > next.Bead.Across {
		return before
	}
	return next
}
