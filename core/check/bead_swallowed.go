package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// beadSwallowed fires when a bead and its neighbour have no radius in common:
// the one passes into the other's hole. Where the same two items of the line
// meet again and again, it is one finding.
var beadSwallowed = judgement{
	code: "bead-swallowed",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		var found []Finding
		for _, s := range m.Strands {
			seen := map[[2]int]bool{}
			for _, i := range swallows(s) {
				a, b := s.Beads[i], s.Beads[(i+1)%len(s.Beads)]
				if where := [2]int{a.Node, b.Node}; seen[where] {
					continue
				} else {
					seen[where] = true
				}
				inside, outside, element := a, b, i
				if a.Material.Bead.Across > b.Material.Bead.Across {
					inside, outside, element = b, a, (i+1)%len(s.Beads)
				}
				found = append(found, Finding{
					Code: "bead-swallowed", Severity: Warn, Strand: s.ID, Element: element, Column: columnOf(s, element),
					Title: "A bead slips into its neighbour",
					Says: fmt.Sprintf("%s measures %s across and passes into the %s hole of %s.", inside.Material.Name,
						mm(inside.Material.Bead.Across), mm(outside.Material.Bead.Hole), outside.Material.Name),
				})
			}
		}
		return found
	},
	mend: func(m *measure.Measured, f Finding, bench Bench) []Fix {
		s := m.Strands[0]
		n := len(s.Beads)
		for _, i := range swallows(s) {
			if i != f.Element && (i+1)%n != f.Element {
				continue
			}
			a, b := s.Beads[i].Material.Bead, s.Beads[(i+1)%n].Material.Bead
			return putBetween(m, i+1, func(c *material.Bead) bool {
				return touching(a, c) && touching(c, b)
			}, bench.Shelf)
		}
		return nil
	},
}

// swallows lists the beads i that meet bead i+1 at no radius.
func swallows(s *measure.Strand) []int {
	var at []int
	n := len(s.Beads)
	for i := range n {
		if i+1 == n && (!s.Ring || n < 2) {
			break
		}
		if next := (i + 1) % n; s.Beads[i].Swallowed && s.Beads[next].Swallowed && !touching(s.Beads[i].Material.Bead, s.Beads[next].Material.Bead) {
			at = append(at, i)
		}
	}
	return at
}

// touching says whether two beads have a radius in common.
func touching(a, b *material.Bead) bool {
	return max(a.Hole, b.Hole) <= min(a.Across, b.Across)
}
