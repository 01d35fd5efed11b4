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
	"mala/core/steps"
)

// Caution is one thing to mind.
type Caution string

// longStrand is the finished length from which a strand catches on things.
const longStrand = length.MM(600)

// plainMetals are metal colours that carry no nickel or lead by their nature.
var plainMetals = []string{"", "sterling silver", "niobium", "titanium"}

// For lists the cautions that the piece's materials, closure, size and steps call for.
func For(m *measure.Measured, all []steps.Step) []Caution {
	var out []Caution
	add := func(c Caution) { out = append(out, c) }
	add("small-parts")
	bought := m.Bought()
	uses := func(ok func(*material.Material) bool) bool {
		return slices.ContainsFunc(bought, func(c measure.Count) bool { return ok(c.Material) })
	}
	if uses(func(x *material.Material) bool { return x.Cord != nil && x.Cord.Type == material.Wire }) {
		add("cut-ends")
	}
	if uses(func(x *material.Material) bool { return x.Finding != nil && x.Finding.IsPin() }) {
		add("cut-pins")
	}
	if uses(func(x *material.Material) bool { return x.Finding != nil && x.Finding.Type == material.Magnetic }) {
		add("magnet")
	}
	if uses(func(x *material.Material) bool {
		return !slices.Contains(plainMetals, strings.ToLower(x.Metal))
	}) {
		add("metal")
	}
	if m.Piece.Child() {
		add("child")
	}
	if slices.ContainsFunc(all, func(s steps.Step) bool { _, is := s.Does.(steps.Glue); return is }) {
		add("glue")
	}
	if uses(func(x *material.Material) bool { return x.Bead != nil && x.Look.Finish == "stone" }) {
		add("stones")
	}
	if uses(func(x *material.Material) bool { return x.Bead != nil && x.Look.Finish == "lava" }) {
		add("oils")
	}
	if m.Piece.Closure.Type != piece.Clasp && !m.Piece.Hangs() {
		add("tight-band")
	}
	if h := m.Piece.Hanging; m.Piece.Hangs() && (h == nil || h.At == "" || h.At == piece.AtMirror) {
		add("vehicle")
	}
	tassel := slices.ContainsFunc(m.Tally, func(c measure.Count) bool { return holdsTassel(c.Material) })
	if m.Finished >= longStrand || tassel {
		add("snag")
	}
	return out
}

// holdsTassel says whether there is a tassel in the material.
func holdsTassel(m *material.Material) bool {
	c := m.Component
	return c != nil && (c.Kind == material.Tassel || slices.ContainsFunc(c.Parts, func(p material.PartCount) bool { return holdsTassel(p.Of) }))
}
