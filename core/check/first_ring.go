package check

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// firstRings stops a component whose first ring does not take both what carries it, the cords or
// another part, and what hangs on it.
func firstRings(s *measure.Strand) []Problem {
	g := gather{strand: s}
	for i := range s.Beads {
		b := &s.Beads[i]
		if !b.Material.Bead.Hangs() {
			continue
		}
		cords := material.HoleFor(b.Passes, s.Row.Cord.Cord.Diameter)
		if f := firstRing(b.Material, cords); f != nil {
			g.add("component "+b.Material.ID, i, func() Problem { return *f })
		}
	}
	for _, e := range s.Ends() {
		for k, p := range e.Parts {
			for _, m := range p.Hung {
				f := firstRing(m, through(s, e, k))
				if f == nil {
					continue
				}
				f.At, f.cause = s.Row.AtEnd(e.Side), "hung "+m.ID
				f.At.Fitting = p.Fitting
				g.found = append(g.found, *f)
			}
		}
	}
	return g.found
}

// firstRing judges a component that hangs on something so thick; nil where its ring takes both.
func firstRing(m *material.Material, carrier length.MM) *Problem {
	c := m.Component
	if c == nil || len(c.Rings) == 0 || carrier == 0 {
		return nil
	}
	ring, below := c.Rings[0], hangingOn(m, 0)
	if RingTakes(ring.Finding.Inside, nil, below) && !RingTakes(ring.Finding.Inside, []length.MM{carrier}, below) {
		return &Problem{Severity: Stop, Fact: FirstRingSmall{m, ring, carrier, below}}
	}
	return nil
}

// FirstRingSmall says that a component's first ring has no room for what hangs on it beside what
// carries it.
type FirstRingSmall struct {
	Of, Ring *material.Material
	Carrier  length.MM   // how thick what carries it is
	Below    []length.MM // how thick each thing is that hangs on it
}

func (FirstRingSmall) fact() {}
