package check

import (
	"cmp"
	"slices"
	"strings"

	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
)

// componentAt is the component that a finding is about, in a dish or hanging at an
// end; nil if it is about something else.
func componentAt(s *measure.Strand, f *Problem) *material.Material {
	if s == nil {
		return nil
	}
	if id, hangs := strings.CutPrefix(f.cause, "hung "); hangs {
		for _, p := range s.End(f.At.Side).Parts {
			if i := slices.IndexFunc(p.Hung, func(m *material.Material) bool { return m.ID == id }); i >= 0 {
				return p.Hung[i]
			}
			if p.Material != nil && p.Material.ID == id {
				return p.Material
			}
		}
	}
	if f.At.Element < 0 || !strings.HasPrefix(f.cause, "component ") {
		return nil
	}
	return s.Beads[f.At.Element].Material
}

// moreRings hangs the component at a finding on this many rings more or less.
func moreRings(s *measure.Strand, f *Problem, by ...int) []Fix {
	c := componentAt(s, f)
	if c == nil && f.At.Element >= 0 {
		c = s.Beads[f.At.Element].Material
	}
	if c == nil || c.Component == nil || len(c.Component.Rings) == 0 {
		return nil
	}
	var fixes []Fix
	for _, more := range by {
		n := len(c.Component.Rings) + more
		if n < 1 {
			continue
		}
		op := edit.SetRings{Component: c.ID, Rings: n}
		fixes = append(fixes, fix(HangOnRings{c, n}, op))
	}
	return fixes
}

// otherPins makes the component at a finding on another pin of the shelf, the
// shortest first.
func otherPins(c *material.Material, shelf Shelf, suits func(*material.Finding) bool) []Fix {
	pin := c.Component.Pin
	if pin == nil {
		return nil
	}
	var fit []*material.Material
	for _, other := range shelf.Materials {
		if other.Finding != nil && other.Finding.Type == pin.Of.Finding.Type && other.ID != pin.Of.ID && suits(other.Finding) {
			fit = append(fit, other)
		}
	}
	slices.SortFunc(fit, func(a, b *material.Material) int {
		return cmp.Or(cmp.Compare(a.Finding.Length, b.Finding.Length), cmp.Compare(a.ID, b.ID))
	})
	var fixes []Fix
	for _, other := range fit {
		op := edit.SetPin{Component: c.ID, Pin: other}
		fixes = append(fixes, fix(MakeOnPin{c, other}, op))
	}
	return fixes
}

// otherRings puts another ring of the shelf in the place of each ring of the
// component, the smallest first.
func otherRings(c *material.Material, shelf Shelf, suits func(was, ring *material.Finding) bool) []Fix {
	var fit []*material.Material
	for _, m := range shelf.Materials {
		if m.Finding != nil && m.Finding.IsRing() {
			fit = append(fit, m)
		}
	}
	slices.SortFunc(fit, func(a, b *material.Material) int {
		return cmp.Or(cmp.Compare(a.Finding.Inside, b.Finding.Inside), cmp.Compare(a.ID, b.ID))
	})
	var fixes []Fix
	for i, was := range c.Component.Rings {
		for _, ring := range fit {
			if ring.ID != was.ID && suits(was.Finding, ring.Finding) {
				op := edit.SetRings{Component: c.ID, Rings: i, Ring: ring}
				fixes = append(fixes, fix(UseRingIn{c, ring}, op))
			}
		}
	}
	return fixes
}

// finerLinks makes a component on a finer pin or a finer ring.
func finerLinks(c *material.Material, shelf Shelf) []Fix {
	var fixes []Fix
	if pin := c.Component.Pin; pin != nil {
		fixes = otherPins(c, shelf, func(other *material.Finding) bool { return other.Wire < pin.Of.Finding.Wire })
	}
	return append(fixes, otherRings(c, shelf, func(was, ring *material.Finding) bool { return ring.Wire < was.Wire })...)
}
