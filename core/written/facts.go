package written

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// facts are what a piece says of itself, as texts speak of it.
type facts struct {
	m      *measure.Measured
	all    []*material.Material
	strung map[string]measure.Count // by material: components as one thing
	bought map[string]measure.Count // components by what they are made of
}

func factsOf(m *measure.Measured) *facts {
	f := &facts{m: m, strung: map[string]measure.Count{}, bought: map[string]measure.Count{}}
	put := func(mat *material.Material) {
		if !slices.ContainsFunc(f.all, func(m *material.Material) bool { return m.ID == mat.ID }) {
			f.all = append(f.all, mat)
		}
	}
	for _, c := range m.Tally {
		f.strung[c.Material.ID] = c
		put(c.Material)
	}
	for _, c := range m.Bought() {
		f.bought[c.Material.ID] = c
		put(c.Material)
	}
	return f
}

// rows are how many rows lie side by side.
func (f *facts) rows() int { return len(f.m.Main()) }

// strand is the row that a text calls by this number, from 1; nil without one.
func (f *facts) strand(row int) *measure.Strand {
	if row < 1 || row > len(f.m.Strands) {
		return nil
	}
	return f.m.Strands[row-1]
}

// counts are the numbers of a material that a text may rightly give, the likeliest
// first: with what components are made of, or without where the text has those as well.
func (f *facts) counts(of *material.Material, row int, componentNamed bool) []int {
	get := func(from map[string]measure.Count) int {
		c := from[of.ID]
		switch {
		case row == whole:
			return c.Count
		case row <= len(c.ByStrand):
			return c.ByStrand[row-1]
		}
		return 0
	}
	strung, bought := get(f.strung), get(f.bought)
	switch {
	case of.Component != nil:
		return []int{strung}
	case strung == 0:
		return []int{bought}
	case strung == bought || !componentNamed:
		return []int{bought}
	}
	return []int{strung, bought}
}

// beads are how many beads a row has, or all of them.
func (f *facts) beads(row int) int {
	if s := f.strand(row); s != nil {
		return s.AllBeads()
	}
	return f.m.AllBeads()
}

// cords are the rows that have a cord of their own of this material, or of any.
func (f *facts) cords(of *material.Material, row int) []*measure.Strand {
	var out []*measure.Strand
	for i, s := range f.m.Strands {
		if (row == whole || row == i+1) && s.Row.Corded() && s.CutLength() > 0 && (of == nil || s.Row.Cord == of) {
			out = append(out, s)
		}
	}
	return out
}

// holds is how many of a material lie in a strung length of it, by how it is strung.
func (f *facts) holds(of *material.Material, mm length.MM) int {
	if of.Bead == nil {
		return 0
	}
	pitch := of.Bead.Pitch()
	if pitch <= 0 {
		return 0
	}
	return int(math.Floor(float64(mm/pitch) + 1e-9))
}
