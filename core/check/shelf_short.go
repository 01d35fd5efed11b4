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
	noted bool // there is a figure in stock, if only that nothing is left
}

// Counted says whether the stock is kept of anything the piece takes: a shop that counted none of it
// has not run out of all of it.
func (s Stock) Counted(m *measure.Measured) bool {
	return slices.ContainsFunc(m.Bought(), func(c measure.Count) bool { return s[c.Material.ID] > 0 })
}

// Short lists what the piece takes beyond what is in stock, in the order of its tally; nothing where
// nothing is counted. A cord or a chain of which no length is noted is not counted.
func (s Stock) Short(m *measure.Measured) []Lack {
	if !s.Counted(m) {
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
	var out []Lack
	use := func(of *material.Material, n int, mm length.MM) {
		i := slices.IndexFunc(out, func(u Lack) bool { return u.Of.ID == of.ID })
		if i < 0 {
			i, out = len(out), append(out, Lack{Of: of, Has: max(0, s[of.ID]), noted: s[of.ID] != 0})
		}
		out[i].Count += n
		out[i].Long += mm
	}
	for _, c := range m.Tally {
		if c.Material.Component == nil {
			use(c.Material, c.Count, c.Length)
			continue
		}
		if make := c.Count - max(0, s[c.Material.ID]); make > 0 {
			c.Material.Each(func(of *material.Material, n int, mm length.MM) { use(of, n*make, mm*length.MM(make)) })
		}
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

// shelfShort warns of what there is not enough of to make one piece.
var shelfShort = Check{
	Code: "shelf-short", Step: StepLayOut,
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
