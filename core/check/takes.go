package check

import (
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// Taken is what a piece takes of one material: a number, or of a cord and a chain mm. It needs no
// piece: kept beside one, it is held against what is in stock later.
type Taken struct {
	ID       string
	Count    int
	Long     length.MM
	Parts    []Taken // of a component: what one of it is made of
	Accepted bool    // that there is too little of it
}

// Takes lists what the piece takes, in the order of its tally.
func Takes(m *measure.Measured) []Taken {
	v := &View{Measured: m}
	taken := func(of *material.Material, n int, mm length.MM) Taken {
		one := Taken{ID: of.ID, Count: n, Long: mm}
		if len(m.Piece.Waived) > 0 {
			p := Problem{Code: codeShelfShort, At: v.firstOf(of), Fact: Lack{Of: of}}
			p.waive(m.Piece.Waived)
			one.Accepted = p.Waived != ""
		}
		return one
	}
	var out []Taken
	for _, c := range m.Tally {
		one := taken(c.Material, c.Count, c.Length)
		if c.Material.Component != nil {
			c.Material.Each(func(of *material.Material, n int, mm length.MM) { one.Parts = append(one.Parts, taken(of, n, mm)) })
		}
		out = append(out, one)
	}
	return out
}

// IDs lists the materials that are asked after to hold it against the stock.
func (t *Taken) IDs() []string {
	out := []string{t.ID}
	for i := range t.Parts {
		out = append(out, t.Parts[i].IDs()...)
	}
	return out
}

// TooLittle counts the materials of which is taken more than there is, without those that were accepted.
func (s Stock) TooLittle(taken []Taken) int {
	if !s.counts(taken) {
		return 0
	}
	n := 0
	for _, u := range s.uses(taken) {
		if _, known := s[u.id]; known && u.lacks() && !u.accepted {
			n++
		}
	}
	return n
}

// counts says whether the stock is kept of anything that is taken: a shop that counted none of it has
// not run out of all of it.
func (s Stock) counts(taken []Taken) bool {
	return slices.ContainsFunc(taken, func(t Taken) bool {
		if t.Parts != nil {
			return s.counts(t.Parts)
		}
		return s[t.ID] > 0
	})
}

// uses adds up what is taken. Of components those that are made up are used first; of the others
// their parts.
func (s Stock) uses(taken []Taken) []Lack {
	var out []Lack
	use := func(t Taken, times int) {
		i := slices.IndexFunc(out, func(u Lack) bool { return u.id == t.ID })
		if i < 0 {
			i, out = len(out), append(out, Lack{id: t.ID, Has: max(0, s[t.ID]), noted: s[t.ID] != 0, accepted: t.Accepted})
		}
		out[i].Count += t.Count * times
		out[i].Long += t.Long * length.MM(times)
	}
	for _, t := range taken {
		if t.Parts == nil {
			use(t, 1)
			continue
		}
		if toMake := t.Count - max(0, s[t.ID]); toMake > 0 {
			for _, part := range t.Parts {
				use(part, toMake)
			}
		}
	}
	return out
}
