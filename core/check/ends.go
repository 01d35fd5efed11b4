package check

import (
	"cmp"
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// bothEnds calls do for the left end and the right one.
func bothEnds(s *measure.Strand, do func(side string, e measure.End)) {
	do("left", s.Left)
	do("right", s.Right)
}

// atEnd is the finding's place at an end of the strand.
func atEnd(s *measure.Strand, code string, severity Severity, side string) Finding {
	return Finding{Code: code, Severity: severity, Strand: s.ID, End: side, Element: -1}
}

// instead offers, for one fitting of an end, the catalogue's others that pass,
// the one nearest in size and metal first.
func instead(m *measure.Measured, end string, from *material.Material, shelf []*material.Material, ok func(f *material.Finding) bool) []Fix {
	var fit []*material.Material
	for _, c := range shelf {
		if c.Finding != nil && c.ID != from.ID && ok(c.Finding) && !slices.ContainsFunc(fit, func(o *material.Material) bool { return o.ID == c.ID }) {
			fit = append(fit, c)
		}
	}
	slices.SortStableFunc(fit, func(a, b *material.Material) int {
		return cmp.Compare(unlike(from, a), unlike(from, b))
	})
	var fixes []Fix
	for _, c := range fit {
		ends := EndsOf(m.Piece)
		ends.Swap(end, from, c)
		fixes = append(fixes, Fix{Says: "Use " + c.Name + " instead", Edit: Edit{Ends: &ends}})
	}
	return fixes
}

// unlike says how far one fitting is from another: another metal weighs as much
// as some millimetres.
func unlike(a, b *material.Material) float64 {
	const otherMetal, otherType = 8, 3
	by := 0.0
	if a.Metal != b.Metal {
		by += otherMetal
	}
	if a.Finding.Type != b.Finding.Type {
		by += otherType
	}
	for _, d := range []length.MM{a.Finding.Inside - b.Finding.Inside, a.Finding.Length - b.Finding.Length, a.Finding.InSeries() - b.Finding.InSeries()} {
		by += math.Abs(float64(d))
	}
	return by
}
