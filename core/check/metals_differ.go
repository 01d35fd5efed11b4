package check

import (
	"strings"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// metalsDiffer advises when the findings are of different metal colours.
var metalsDiffer = Check{
	Code: "metals-differ", Step: StepEnds,
	Piece: func(v *View) []Problem {
		most, odd := metalsOf(v.Measured)
		if len(odd) == 0 {
			return nil
		}
		return []Problem{{Severity: Advise, At: piece.Whole(), Fact: OtherMetal{odd[0], most}}}
	},
	Strand: func(v *View, s *measure.Strand) []Problem { return ofComponents(v, s, partsOfOtherMetal) },
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		if f.At.Row != "" {
			return nil
		}
		most, odd := metalsOf(v.Measured)
		if len(odd) == 0 {
			return nil
		}
		likes := Shelf{Stock: shelf.Stock}
		for _, c := range shelf.Materials {
			if strings.EqualFold(c.Metal, most) {
				likes.Materials = append(likes.Materials, c)
			}
		}
		kind := odd[0].Finding
		like := func(c *material.Finding) bool {
			return c.Type == kind.Type || kind.IsCrimp() && c.IsCrimp() || kind.IsRing() && c.IsRing() || kind.IsClasp() && c.IsClasp() && !c.HasTwoHalves()
		}
		// Every fitting of the odd metal changes at once.
		var fixes []Fix
		for _, s := range v.Strands {
			for _, e := range s.Ends() {
				for i := range e.Parts {
					if p := &e.Parts[i]; p.Material == odd[0] {
						fixes = together(fixes, instead(v, p, likes, like))
					}
				}
			}
		}
		return fixes
	},
}

// together joins the fixes for one fitting with those for another like it.
func together(all, more []Fix) []Fix {
	if all == nil {
		return more
	}
	for i := range min(len(all), len(more)) {
		all[i].Ops = append(all[i].Ops, more[i].Ops...)
	}
	return all
}

// MainMetal is the metal that most findings of the piece have, "" where
// none is named.
func MainMetal(m *measure.Measured) string {
	most, _ := metalsOf(m)
	return most
}

// metalsOf gives the metal that most findings have and the findings that are of
// another. A finding whose metal is not named is neither.
func metalsOf(m *measure.Measured) (most string, odd []*material.Material) {
	count := map[string]int{}
	for _, c := range m.Tally {
		if c.Material.Finding == nil || c.Material.Metal == "" {
			continue
		}
		key := strings.ToLower(c.Material.Metal)
		count[key] += c.Count
		if most == "" || count[key] > count[strings.ToLower(most)] {
			most = c.Material.Metal
		}
	}
	for _, c := range m.Tally {
		if c.Material.Finding != nil && c.Material.Metal != "" && !strings.EqualFold(c.Material.Metal, most) {
			odd = append(odd, c.Material)
		}
	}
	return most, odd
}

// OtherMetal says that a finding is not of the metal that most are of.
type OtherMetal struct {
	Of   *material.Material
	Most string
}

func (OtherMetal) fact() {}
