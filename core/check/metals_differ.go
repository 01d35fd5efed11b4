package check

import (
	"fmt"
	"strings"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// metalsDiffer fires when the findings are of different metal colours.
var metalsDiffer = judgement{
	code: "metals-differ",
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		most, odd := metalsOf(m)
		if len(odd) == 0 {
			return nil
		}
		return []Finding{{
			Code: "metals-differ", Severity: Advise, Strand: m.Strands[0].ID, Element: -1, Title: "Findings of different metals",
			Says: fmt.Sprintf("%s is %s, the other findings are %s.", odd[0].Name, strings.ToLower(odd[0].Metal), strings.ToLower(most)),
		}}
	},
	mend: func(m *measure.Measured, _ Finding, bench Bench) []Fix {
		most, odd := metalsOf(m)
		var likes []*material.Material
		for _, c := range bench.Shelf {
			if strings.EqualFold(c.Metal, most) {
				likes = append(likes, c)
			}
		}
		if len(odd) == 0 {
			return nil
		}
		kind := odd[0].Finding
		return instead(m, "", odd[0], likes, func(c *material.Finding) bool {
			return c.Type == kind.Type || kind.IsCrimp() && c.IsCrimp() || kind.IsRing() && c.IsRing() || kind.IsClasp() && c.IsClasp() && c.Type != material.Toggle
		})
	},
}

// MainMetal is the metal that most findings of the piece have, "" if nobody
// named any.
func MainMetal(m *measure.Measured) string {
	most, _ := metalsOf(m)
	return most
}

// metalsOf gives the metal that most findings have and the findings that are of
// another. A finding whose metal nobody named is neither.
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
