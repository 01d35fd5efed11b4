package caution

import (
	"slices"

	"mala/core/material"
	"mala/core/measure"
)

// Care is one thing the wearer does to keep a piece as it is.
type Care string

// CareFor lists how a piece is kept, by what it is made of.
func CareFor(m *measure.Measured) []Care {
	var out []Care
	keep := func(c Care) { out = append(out, c) }
	bought := m.Bought()
	cord := func(types ...material.CordType) bool {
		return slices.ContainsFunc(bought, func(c measure.Count) bool {
			return c.Material.Cord != nil && slices.Contains(types, c.Material.Cord.Type)
		})
	}
	finished := func(finishes ...string) bool {
		return slices.ContainsFunc(bought, func(c measure.Count) bool {
			return c.Material.Bead != nil && slices.Contains(finishes, c.Material.Look.Finish)
		})
	}
	if m.Piece.Hangs() {
		keep("dust")
	} else {
		keep("take-off")
	}
	if cord(material.Elastic) {
		keep("roll-on")
	}
	if cord(material.Thread) {
		keep("thread-dry")
	}
	if cord(material.Leather, material.Waxed) {
		keep("leather-dry")
	}
	if finished("pearl") {
		keep("pearl")
	}
	if finished("wood") {
		keep("wood")
	}
	if finished("lined") {
		keep("lined")
	}
	if finished("metal") || slices.ContainsFunc(bought, func(c measure.Count) bool { return c.Material.Metal != "" }) {
		keep("metal")
	}
	return out
}
