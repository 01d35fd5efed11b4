package check

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"mala/core/edit"
	"mala/core/material"
	"mala/core/measure"
)

// componentAt is the component that a finding is about; nil if it is about
// something else.
func componentAt(s *measure.Strand, f *Finding) *material.Material {
	if s == nil || f.At.Element < 0 || !strings.HasPrefix(f.cause, "component ") {
		return nil
	}
	return s.Beads[f.At.Element].Material
}

// moreRings hangs the component at a finding on so many rings more or less.
func moreRings(s *measure.Strand, f *Finding, by ...int) []Fix {
	bead := &s.Beads[f.At.Element]
	if bead.Material.Component == nil || len(bead.Material.Component.Rings) == 0 {
		return nil
	}
	var fixes []Fix
	for _, more := range by {
		n := len(bead.Material.Component.Rings) + more
		if n < 1 {
			continue
		}
		fixes = append(fixes, fix(fmt.Sprintf("Hang %s on %s", bead.Material.Name, plural(n, "ring")), edit.Op{Do: edit.SetRings, Text: bead.Key, N: n}))
	}
	return fixes
}

// otherPins makes the component at a finding on another pin of the shelf, the
// shortest first.
func otherPins(s *measure.Strand, f *Finding, bench Bench, suits func(*material.Finding) bool) []Fix {
	bead := &s.Beads[f.At.Element]
	pin := bead.Material.Component.Pin
	if pin == nil {
		return nil
	}
	var fit []*material.Material
	for _, c := range bench.Shelf {
		if c.Finding != nil && c.Finding.Type == pin.Of.Finding.Type && c.ID != pin.Of.ID && suits(c.Finding) {
			fit = append(fit, c)
		}
	}
	slices.SortFunc(fit, func(a, b *material.Material) int {
		return cmp.Or(cmp.Compare(a.Finding.Length, b.Finding.Length), cmp.Compare(a.ID, b.ID))
	})
	var fixes []Fix
	for _, c := range fit {
		fixes = append(fixes, fix(fmt.Sprintf("Make %s on %s", bead.Material.Name, c.Name), edit.Op{Do: edit.SetPin, Text: bead.Key, Material: c}))
	}
	return fixes
}

// otherRings puts another ring of the shelf in the place of each ring of the
// component, the smallest first.
func otherRings(s *measure.Strand, f *Finding, c *material.Material, bench Bench, suits func(was, ring *material.Finding) bool) []Fix {
	var fit []*material.Material
	for _, m := range bench.Shelf {
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
				fixes = append(fixes, fix(fmt.Sprintf("Use %s in %s", ring.Name, c.Name), edit.Op{Do: edit.SetRings, Text: s.Beads[f.At.Element].Key, N: i, Material: ring}))
			}
		}
	}
	return fixes
}

// finerLinks makes a component on a finer pin or a finer ring.
func finerLinks(s *measure.Strand, f *Finding, c *material.Material, bench Bench) []Fix {
	var fixes []Fix
	if pin := c.Component.Pin; pin != nil {
		fixes = otherPins(s, f, bench, func(other *material.Finding) bool { return other.Wire < pin.Of.Finding.Wire })
	}
	return append(fixes, otherRings(s, f, c, bench, func(was, ring *material.Finding) bool { return ring.Wire < was.Wire })...)
}
