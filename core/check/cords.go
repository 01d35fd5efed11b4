package check

import (
	"cmp"
	"fmt"
	"slices"

	"mala/core/material"
)

// strungOn offers the shelf's cords that pass instead of the strand's, the
// thickest first.
func strungOn(shelf []*material.Material, ok func(c *material.Cord) bool) []Fix {
	var fit []*material.Material
	for _, c := range shelf {
		if c.Cord != nil && ok(c.Cord) {
			fit = append(fit, c)
		}
	}
	slices.SortFunc(fit, func(a, b *material.Material) int { return cmp.Compare(b.Cord.Diameter, a.Cord.Diameter) })
	var fixes []Fix
	for _, c := range fit {
		fixes = append(fixes, Fix{Says: fmt.Sprintf("String it on %s", c.Name), Edit: Edit{Cord: c}})
	}
	return fixes
}

// thinner says of cords whether they are like the strand's but thinner.
func thinner(than *material.Cord) func(c *material.Cord) bool {
	return func(c *material.Cord) bool { return c.Type == than.Type && c.Diameter < than.Diameter }
}
