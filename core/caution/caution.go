// Package caution says what can hurt someone in making or wearing a piece. The
// app advises and defers to local product-safety rules; it does not certify.
package caution

import (
	"slices"
	"strings"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Caution is one thing to mind, and why it applies to this piece.
type Caution struct {
	Code string
	Says string
}

// longStrand is the finished length from which a strand catches on things.
const longStrand = length.MM(600)

// plainMetals are metal colours that carry no nickel or lead by their nature.
var plainMetals = []string{"", "sterling silver", "niobium", "titanium"}

// For lists the cautions that the piece's materials, closure and size call for.
func For(m *measure.Measured) []Caution {
	var out []Caution
	add := func(code, says string) { out = append(out, Caution{code, says}) }
	add("small-parts", "Small parts choke: not for children under three. Length and breakaway rules for children are set locally; see your local rules.")
	bought := m.Bought()
	uses := func(ok func(*material.Material) bool) bool {
		return slices.ContainsFunc(bought, func(c measure.Count) bool { return ok(c.Material) })
	}
	if uses(func(x *material.Material) bool { return x.Cord != nil && x.Cord.Type == material.Wire }) {
		add("cut-ends", "Cut wire ends fly: wear eye protection, and hold the end as you cut.")
	}
	if uses(func(x *material.Material) bool { return x.Finding != nil && x.Finding.IsPin() }) {
		add("cut-pins", "Cut pin ends fly: wear eye protection, and hold the end as you cut. Press every tip in, so that none scratches.")
	}
	if uses(func(x *material.Material) bool { return x.Finding != nil && x.Finding.Type == material.Magnetic }) {
		add("magnet", "Magnets are dangerous if swallowed and can disturb medical implants; see your local rules.")
	}
	if uses(func(x *material.Material) bool {
		return !slices.Contains(plainMetals, strings.ToLower(x.Metal))
	}) {
		add("metal", "Plated and base metals may hold nickel or lead: keep to your local limits for what touches skin.")
	}
	if m.Piece.Child() {
		add("child", "For a child: a cord that does not break away can strangle; never at night or unwatched. See your local rules.")
	}
	if m.Piece.Closure.Type == piece.Knot && m.Piece.House.Glue == piece.Yes {
		add("glue", "Glue: open a window, keep it off skin and eyes, and let it dry as its label says.")
	}
	if uses(func(x *material.Material) bool { return x.Bead != nil && x.Look.Finish == "stone" }) {
		add("stones", "Make no health claims for stones; see your local rules.")
	}
	if uses(func(x *material.Material) bool { return x.Bead != nil && x.Look.Finish == "lava" }) {
		add("oils", "Oils put on porous beads can irritate skin and stain clothes.")
	}
	if m.Piece.Closure.Type != piece.Clasp && !m.Piece.Hangs() {
		add("tight-band", "A band that is too tight cuts circulation: it should turn freely.")
	}
	if h := m.Piece.Hanging; m.Piece.Hangs() && (h == nil || h.At == "" || h.At == piece.AtMirror) {
		add("vehicle", "In a vehicle it must not block or draw away the driver's view; many places forbid it. See your local law.")
	}
	tassel := slices.ContainsFunc(m.Tally, func(c measure.Count) bool { return holdsTassel(c.Material) })
	if m.Finished >= longStrand || tassel {
		add("snag", "Long strands and tassels snag: keep them from machines, cots and pets.")
	}
	return out
}

// holdsTassel says whether there is a tassel in the material.
func holdsTassel(m *material.Material) bool {
	c := m.Component
	return c != nil && (c.Kind == material.Tassel || slices.ContainsFunc(c.Parts, func(p material.PartCount) bool { return holdsTassel(p.Of) }))
}
