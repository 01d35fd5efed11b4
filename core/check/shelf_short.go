package check

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Stock is how much there is of each material by its id: how many, or mm of what has a length. What
// it does not name is not known; a nil Stock knows nothing.
type Stock map[string]int

// Lack is what a piece takes of a material, and what is in stock of it: a number, or of a cord and a
// chain mm.
type Lack struct {
	Of    *material.Material
	Count int
	Long  length.MM
	Has   int

	id       string
	noted    bool // there is a figure in stock, if only that nothing is left
	accepted bool // that there is too little
}

// Short lists what the piece takes beyond what is in stock, in the order of its tally; nothing where
// nothing is counted. A cord or a chain of which no length is noted is not counted.
func (s Stock) Short(m *measure.Measured) []Lack {
	if !s.counts(Takes(m)) {
		return nil
	}
	return slices.DeleteFunc(s.Uses(m), func(u Lack) bool {
		_, known := s[u.Of.ID]
		return !known || !u.lacks()
	})
}

// Enough says whether a search that may take only what is in stock may end with a piece: there are
// its beads, and its chain where a length of that is noted. Of what the piece before took it may
// keep as much; before is nil where all of it is still to be taken.
func (s Stock) Enough(m, before *measure.Measured) bool {
	var had []Lack
	if before != nil {
		had = s.Uses(before)
	}
	for _, u := range s.Uses(m) {
		if u.Of.Bead == nil && (u.Of.Finding == nil || u.Long == 0) || !u.lacks() {
			continue
		}
		kept := func(h Lack) bool { return h.Of.ID == u.Of.ID && u.Count <= h.Count && u.Long <= h.Long+tiny }
		if !slices.ContainsFunc(had, kept) {
			return false
		}
	}
	return true
}

// Uses lists what the piece takes of each material, and what there is of it. Of components those that
// are made up are used first; of the others their parts.
func (s Stock) Uses(m *measure.Measured) []Lack {
	of := map[string]*material.Material{}
	for _, c := range m.Tally {
		of[c.Material.ID] = c.Material
		c.Material.Each(func(part *material.Material, _ int, _ length.MM) { of[part.ID] = part })
	}
	out := s.uses(Takes(m))
	for i := range out {
		out[i].Of = of[out[i].id]
	}
	return out
}

// Takes is how much is taken, as a stock counts it.
func (l *Lack) Takes() int {
	if l.Long > 0 {
		return int(math.Ceil(float64(l.Long - tiny)))
	}
	return l.Count
}

// Short is how much more is taken than there is, in pieces or in mm.
func (l *Lack) Short() float64 {
	if l.Long > 0 {
		return float64(l.Long) - float64(l.Has)
	}
	return float64(l.Count - l.Has)
}

// lacks says whether there is too little; of what has a length, where one is noted.
func (l *Lack) lacks() bool {
	if l.Long > 0 {
		return l.noted && l.Short() > tiny
	}
	return l.Short() > 0
}

const codeShelfShort = "shelf-short"

// shelfShort warns of what there is not enough of to make one piece.
var shelfShort = Check{
	Code: codeShelfShort, Step: StepLayOut,
	Piece: func(v *View) []Problem {
		var found []Problem
		for _, l := range v.stock.Short(v.Measured) {
			found = append(found, Problem{Severity: Warn, At: v.firstOf(l.Of), cause: l.Of.ID, Fact: l})
		}
		return found
	},
}

// firstOf is where a material is first used: at its bead, or in the leading row.
func (v *View) firstOf(of *material.Material) piece.Place {
	for _, s := range v.Strands {
		for i := range s.Beads {
			if s.Beads[i].Material.ID == of.ID {
				return s.Row.AtBead(i)
			}
		}
	}
	return v.Leading().Row.At()
}

func (Lack) fact() {}
