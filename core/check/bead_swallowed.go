package check

import (
	"mala/core/material"
	"mala/core/measure"
)

// beadSwallowed fires when a bead and its neighbour have no radius in common:
// the one passes into the other's hole.
var beadSwallowed = Check{
	Code: "bead-swallowed", Step: StepLayOut,
	Strand: func(_ *View, s *measure.Strand) []Problem {
		g := gather{strand: s}
		for _, i := range swallows(s) {
			inside, outside := i, (i+1)%len(s.Beads)
			if s.Beads[inside].Material.Bead.Across > s.Beads[outside].Material.Bead.Across {
				inside, outside = outside, inside
			}
			a, b := s.Beads[inside].Material, s.Beads[outside].Material
			g.add(a.ID+" in "+b.ID, inside, func() Problem {
				return Problem{Severity: Warn, Fact: BeadSwallowed{a, b}}
			})
		}
		return g.found
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		n := len(s.Beads)
		var gaps []int
		seen := map[[2]int]bool{}
		for _, i := range swallows(s) {
			next := (i + 1) % n
			a, b := s.Beads[i].Material, s.Beads[next].Material
			if where := [2]int{s.Beads[i].Node, s.Beads[next].Node}; f.cause != a.ID+" in "+b.ID && f.cause != b.ID+" in "+a.ID || seen[where] {
				continue
			} else {
				seen[where] = true
			}
			gaps = append(gaps, i+1)
		}
		if len(gaps) == 0 {
			return nil
		}
		a, b := s.Beads[gaps[0]-1].Material.Bead, s.Beads[gaps[0]%n].Material.Bead
		return putInto(v, s, gaps, Between, func(c *material.Bead) bool { return touching(a, c) && touching(c, b) }, shelf.Materials)
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
	return !a.Swallows(b) && !b.Swallows(a)
}

// BeadSwallowed says that a bead slips into the hole of its neighbour.
type BeadSwallowed struct{ Bead, Into *material.Material }

func (BeadSwallowed) fact() {}
