package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
)

// A cap sits on its bead if it is hardly wider. It faces away if what it opens
// to is much narrower, and the bead behind it is not.
const (
	capOver = length.MM(0.05)
	narrow  = 0.8
)

// capMisfit fires for a cap that is wider than its bead, or opens away from it.
// The caps of one item of the line are one finding.
var capMisfit = judgement{
	code: "cap-misfit",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		s := m.Strands[0]
		var found []Finding
		told := map[int]bool{}
		for i, b := range s.Beads {
			if b.Material.Bead.Shape != material.Cap || told[b.Node] {
				continue
			}
			open, back := capNeighbours(s, i)
			f := Finding{Code: "cap-misfit", Severity: Warn, Strand: s.ID, Element: i, Column: columnOf(s, i)}
			switch wide := b.Material.Bead.Across; {
			case back != nil && !isCap(back) && back.Bead.Across >= wide-capOver && (open == nil || !isCap(open) && open.Bead.Across < narrow*wide):
				f.Title = "Cap faces away from its bead"
				f.Says = fmt.Sprintf("%s opens away from %s; turned it sits on it.", b.Material.Name, back.Name)
			case open != nil && !isCap(open) && wide > open.Bead.Across+capOver:
				f.Title = "Cap wider than its bead"
				f.Says = fmt.Sprintf("%s is %s across, %s under it only %s.", b.Material.Name, mm(wide), open.Name, mm(open.Bead.Across))
			default:
				continue
			}
			told[b.Node] = true
			found = append(found, f)
		}
		return found
	},
	mend: func(m *measure.Measured, f Finding, _ Bench) []Fix {
		s := m.Strands[0]
		node := s.Beads[f.Element].Node
		return lineFix(m, "Turn it round", func(line *pattern.Line, _ pattern.Fills) error {
			line.Nodes[node].Reversed = !line.Nodes[node].Reversed
			return nil
		})
	},
}

func isCap(m *material.Material) bool { return m.Bead.Shape == material.Cap }

// capNeighbours gives what the cap at i opens to and what stands at its back.
func capNeighbours(s *measure.Strand, i int) (open, back *material.Material) {
	before, next := neighboursOf(s, i)
	if s.Beads[i].Turned {
		return before, next
	}
	return next, before
}
