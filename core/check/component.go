package check

import (
	"maps"
	"math"
	"slices"
	"strings"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// pinSlipping stops a pin whose end does not hold its beads.
var pinSlipping = Check{
	Code: "pin-slips", Step: StepLayOut,
	Strand: func(v *View, s *measure.Strand) []Problem { return ofComponents(v, s, pinSlips) },
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		c := componentAt(v.Strand(f.At.Row), f)
		if c == nil || c.Component.Pin == nil {
			return nil
		}
		was := c.Component.Pin.Of.Finding
		return otherPins(c, shelf, func(pin *material.Finding) bool {
			return pin.Outside > was.Outside || pin.Inside+2*pin.Wire > was.Inside+2*was.Wire
		})
	},
}

// judgeComponent is one judgement on a component by itself.
type judgeComponent func(m *material.Material, h piece.House) (Problem, bool)

// componentChecks are the judgements on components by their codes.
var componentChecks = map[string]judgeComponent{
	legShort.Code: pinShort, holeTooSmall.Code: pinTooThick, pinSlipping.Code: pinSlips, ringTooSmall.Code: linkOvercrowded, claspClosedEye.Code: closedInside,
	weakLink.Code: linkWeak, liesSideways.Code: charmSideways, metalsDiffer.Code: partsOfOtherMetal,
}

// Component judges a component by itself, as the maker shows it, the gravest first.
func Component(m *material.Material, h piece.House) []Problem {
	var out []Problem
	for _, code := range slices.Sorted(maps.Keys(componentChecks)) {
		if f, fires := componentChecks[code](m, h); fires {
			f.Code = code
			out = append(out, f)
		}
	}
	slices.SortStableFunc(out, func(a, b Problem) int { return a.Severity.rank() - b.Severity.rank() })
	return out
}

// ofComponents makes a judgement on every component of the strand and of its ends, one
// finding a component with all its places on the strand.
func ofComponents(v *View, s *measure.Strand, judge judgeComponent) []Problem {
	g := gather{strand: s}
	judged := map[*material.Material]*Problem{}
	finding := func(m *material.Material) *Problem {
		f, known := judged[m]
		if !known && m.Component != nil {
			if found, fires := judge(m, v.Piece.House); fires {
				f = &found
			}
			judged[m] = f
		}
		return f
	}
	for i := range s.Beads {
		if m := s.Beads[i].Material; m.Component != nil {
			if f := finding(m); f != nil {
				g.add("component "+m.ID, i, func() Problem { return *f })
			}
		}
	}
	for _, e := range s.Ends() {
		for _, p := range e.Parts {
			used := p.Hung
			if p.Material != nil && p.Material.Component != nil {
				used = append(slices.Clone(used), p.Material)
			}
			for _, m := range used {
				if f := finding(m); f != nil {
					hung := *f
					hung.At, hung.cause = s.Row.AtEnd(e.Side), "hung "+m.ID
					hung.At.Fitting = p.Fitting
					g.found = append(g.found, hung)
				}
			}
		}
	}
	return g.found
}

// within calls do for the component and for every component in it.
func within(m *material.Material, do func(*material.Material)) {
	if m.Component == nil {
		return
	}
	do(m)
	for _, p := range m.Component.Parts {
		within(p.Of, do)
	}
}

// PinNeeded is how much of its pin a component takes, its loop reckoned the
// house's way: by its size, or as a fixed length.
func PinNeeded(pin *material.Pin, h piece.House) length.MM {
	if h.PinLoops == piece.LoopsFixed && pin.LoopTakes > 0 {
		return pin.Stack + h.FixedLoop
	}
	return pin.Needed
}

// pinShort stops a component whose pin is shorter than what goes on it.
func pinShort(m *material.Material, h piece.House) (f Problem, fires bool) {
	within(m, func(c *material.Material) {
		pin := c.Component.Pin
		if pin == nil || c.Component.Kind == material.Coil {
			return
		}
		if need := PinNeeded(pin, h); need > pin.Held+rulerShows && !fires {
			f, fires = Problem{Severity: Stop, Fact: PinShort{c, pin.Of, need, pin.Stack, pin.Held}}, true
		}
	})
	return f, fires
}

// pinTooThick stops a component whose bead does not take its pin, or whose charm
// does not take its ring.
func pinTooThick(m *material.Material, _ piece.House) (f Problem, fires bool) {
	within(m, func(c *material.Material) {
		if pin := c.Component.Pin; pin != nil && !fires {
			wire := pin.Of.Finding.Wire
			for _, b := range pin.Beads {
				if hole := b.Material.Bead.Hole; hole < wire-tiny && !fires {
					f, fires = Problem{Severity: Stop, Fact: PinThick{c, pin.Of, b.Material}}, true
				}
			}
		}
		if charm, rings := c.Component.Strung, c.Component.Rings; charm != nil && len(rings) > 0 && !fires {
			if ring := rings[len(rings)-1]; charm.Bead.Hole < ring.Finding.Wire-tiny {
				f, fires = Problem{Severity: Stop, Fact: RingThick{charm, ring, ring.Finding.Wire}}, true
			}
		}
		wire, by := lastLink(c)
		for _, charm := range c.Component.Below {
			if charm.Component == nil && charm.Bead.Hole < wire-tiny && !fires {
				f, fires = Problem{Severity: Stop, Fact: RingThick{charm, by, wire}}, true
			}
		}
	})
	return f, fires
}

// lastLink gives the wire of the link that things below hang on, and whose it is.
func lastLink(c *material.Material) (wire length.MM, by *material.Material) {
	if pin := c.Component.Pin; pin != nil {
		return pin.Of.Finding.Wire, pin.Of
	}
	if bead := c.Component.Strung; bead != nil {
		return bead.Bead.LoopWire, bead
	}
	if n := len(c.Component.Rings); n > 0 {
		return c.Component.Rings[n-1].Finding.Wire, c.Component.Rings[n-1]
	}
	return 0, nil
}

// pinSlips stops a component whose head, eye or loop passes through the bead that
// should rest on it.
func pinSlips(m *material.Material, _ piece.House) (f Problem, fires bool) {
	within(m, func(c *material.Material) {
		pin := c.Component.Pin
		if pin == nil || fires {
			return
		}
		end := func(what PinEnd, wide length.MM, b material.PinBead) {
			if hole := b.Material.Bead.Hole; wide <= hole+tiny && !fires {
				f, fires = Problem{Severity: Stop, Fact: PinSlips{what, pin.Of, wide, b.Material}}, true
			}
		}
		last := pin.Beads[len(pin.Beads)-1]
		if pin.Of.Finding.Type == material.HeadPin {
			end(PinHead, pin.Of.Finding.Outside, last)
		} else {
			end(PinEye, pin.Of.Finding.Inside+2*pin.Of.Finding.Wire, last)
		}
		if c.Component.Kind != material.Coil {
			end(PinLoop, pin.Loop.Inside+2*pin.Of.Finding.Wire, pin.Beads[0])
		}
	})
	return f, fires
}

// RingTakes says whether a ring of this inside takes what pulls on it from two
// opposite directions: what pulls one way lies side by side in half of its inside,
// the sum of thicknesses at most π/2 × (inside - thickest), and the thickest of the
// two together fit across.
func RingTakes(inside length.MM, one, other []length.MM) bool {
	thickest := func(list []length.MM) length.MM {
		most := length.MM(0)
		for _, t := range list {
			most = max(most, t)
		}
		return most
	}
	for _, list := range [][]length.MM{one, other} {
		sum := length.MM(0)
		for _, t := range list {
			sum += t
		}
		if len(list) > 1 && sum > math.Pi/2*(inside-thickest(list))+tiny {
			return false
		}
	}
	return thickest(one)+thickest(other) <= inside+tiny
}

// linkOvercrowded stops a component whose last ring or loop does not take all that
// hangs on it.
func linkOvercrowded(m *material.Material, _ piece.House) (f Problem, fires bool) {
	within(m, func(c *material.Material) {
		for i, r := range c.Component.Rings {
			above := length.MM(0)
			if i > 0 {
				above = c.Component.Rings[i-1].Finding.Wire
			}
			if below := hangingOn(c, i); !RingTakes(r.Finding.Inside, []length.MM{above}, below) && !fires {
				f, fires = Problem{Severity: Stop, Fact: LinkCrowded{c, r, len(below)}}, true
			}
		}
		if bead := c.Component.Strung; bead != nil && !fires {
			if below := thickBelow(c); !RingTakes(bead.Bead.Loop, nil, below) {
				f, fires = Problem{Severity: Stop, Fact: LoopCrowded{c, bead, len(below)}}, true
			}
		}
	})
	return f, fires
}

// hangingOn lists the thicknesses of what hangs on ring i of a component.
func hangingOn(c *material.Material, i int) []length.MM {
	out := []length.MM{}
	switch rings := c.Component.Rings; {
	case i+1 < len(rings):
		return append(out, rings[i+1].Finding.Wire)
	case c.Component.Pin != nil:
		return append(out, c.Component.Pin.Of.Finding.Wire)
	case c.Component.Strung != nil:
		return append(out, c.Component.Strung.Bead.Along)
	case c.Component.Cord != nil:
		return append(out, material.HoleFor(c.Component.Strands, c.Component.Cord.Cord.Diameter))
	}
	return thickBelow(c)
}

// thickBelow lists the thicknesses of what hangs below a component's last link.
func thickBelow(c *material.Material) []length.MM {
	out := []length.MM{}
	for _, m := range c.Component.Below {
		out = append(out, m.Bead.Along)
	}
	return out
}

// linkWeak warns where a ring or a loop bent shut bears less than a tug on what
// hangs below it.
func linkWeak(m *material.Material, _ piece.House) (f Problem, fires bool) {
	within(m, func(c *material.Material) {
		load := c.MassG / 1000 * gravity * tugged
		for _, r := range c.Component.Rings {
			if holds, known := r.Finding.Holds(); known && holds < load-tiny && !fires {
				f, fires = Problem{Severity: Warn, Fact: LinkWeak{c, r, load, holds}}, true
			}
		}
		if pin := c.Component.Pin; pin != nil && c.Component.Kind.Hangs() && pin.Loop.Kind != material.WrappedLoop {
			w := float64(pin.Of.Finding.Wire)
			if holds := 300 * w * w * w / (3 * (float64(pin.Loop.Inside) + w)); holds < load-tiny && !fires {
				f, fires = Problem{Severity: Warn, Fact: LinkWeak{c, nil, load, holds}}, true
			}
		}
	})
	return f, fires
}

// charmSideways advises on a charm that its rings turn to the side.
func charmSideways(m *material.Material, _ piece.House) (Problem, bool) {
	c := m.Component
	if c == nil || !c.Faces || !c.Sideways {
		return Problem{}, false
	}
	return Problem{Severity: Advise, Fact: CharmSideways{m, len(c.Rings)}}, true
}

// partsOfOtherMetal advises on a component whose findings are of different metals.
func partsOfOtherMetal(m *material.Material, _ piece.House) (f Problem, fires bool) {
	var first *material.Material
	m.Each(func(of *material.Material, _ int, _ length.MM) {
		switch {
		case of.Finding == nil || of.Metal == "" || fires:
		case first == nil:
			first = of
		case !strings.EqualFold(first.Metal, of.Metal):
			f, fires = Problem{Severity: Advise, Fact: PartOfOtherMetal{m, of, first}}, true
		}
	})
	return f, fires
}
