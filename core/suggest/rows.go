package suggest

import (
	"cmp"
	"fmt"
	"slices"

	"mala/core/check"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// Join is what rows go on together.
type Join string

// The joins: all on one ring at either side, each on a ring of its own, each in a hole
// of the clasp.
const (
	OneRing  Join = "ring"
	OwnRings Join = "rings"
	Holes    Join = "holes"
)

// Joins lists every join.
func Joins() []Join { return []Join{OneRing, OwnRings, Holes} }

// Rows gives a piece of one row this many rows alike, joined in this way with what the
// shelf has for it. The error is a *Lacks, or one of edit.
func Rows(p *piece.Piece, rows int, join Join, shelf []*material.Material) (*piece.Piece, error) {
	if rows < 2 {
		return p, nil
	}
	var ops []edit.Op
	if join == OwnRings {
		ring := ringFor(shelf, nil)
		if ring == nil {
			return nil, &Lacks{}
		}
		for _, side := range piece.Sides() {
			ops = append(ops, edit.AddFitting{At: p.Leading().AtEnd(side), Of: ring})
		}
	}
	ops = append(ops, edit.AddRow{At: p.Leading().At(), Rows: rows - 1})
	p, _, err := edit.Apply(p, shelf, ops...)
	if err != nil {
		return nil, err
	}
	if join == Holes {
		return inHoles(p, rows, shelf)
	}
	return onRings(p, shelf)
}

// Lacks is what rows would be joined by and the shelf has not: a clasp with this many holes, or a ring
// that takes this many rows; a ring that opens where both are 0.
type Lacks struct{ Holes, Rows int }

func (l *Lacks) Error() string { return fmt.Sprintf("nothing joins the rows: %+v", *l) }

// inHoles closes a piece by the clasp with the fewest holes that takes its rows.
func inHoles(p *piece.Piece, rows int, shelf []*material.Material) (*piece.Piece, error) {
	var fit []*material.Material
	for _, m := range shelf {
		if m.Finding != nil && m.Finding.IsClasp() && m.Finding.Holes >= rows {
			fit = append(fit, m)
		}
	}
	if len(fit) == 0 {
		return nil, &Lacks{Holes: rows}
	}
	clasp := slices.MinFunc(fit, func(a, b *material.Material) int {
		return cmp.Or(cmp.Compare(a.Finding.Holes, b.Finding.Holes), cmp.Compare(a.ID, b.ID))
	})
	p.Closure.Left, p.Closure.Right = nil, nil
	p.Closure.Left = append(p.Closure.Left, p.NewFitting(clasp))
	return p, nil
}

// onRings puts rings in the closure that take all rows, the smallest that do.
func onRings(p *piece.Piece, shelf []*material.Material) (*piece.Piece, error) {
	for _, side := range piece.Sides() {
		var thick []length.MM
		for _, r := range p.Rows() {
			thick = append(thick, measure.GoesOnWith(r, side))
		}
		ring := ringFor(shelf, thick)
		if ring == nil {
			return nil, &Lacks{Rows: len(thick)}
		}
		list := p.End(nil, side, true)
		if n := len(*list); n > 0 && (*list)[n-1].Of.Finding.IsRing() {
			(*list)[n-1].Of = ring
		} else {
			*list = append(*list, p.NewFitting(ring))
		}
	}
	return p, nil
}

// ringFor is the smallest ring that opens and takes things of these thicknesses on one
// side and its like on the other.
func ringFor(shelf []*material.Material, thick []length.MM) *material.Material {
	var fit []*material.Material
	for _, m := range shelf {
		if m.Finding != nil && m.Finding.IsRing() && m.Finding.IsOpen() && check.RingTakes(m.Finding.Inside, thick, []length.MM{m.Finding.Wire}) {
			fit = append(fit, m)
		}
	}
	if len(fit) == 0 {
		return nil
	}
	return slices.MinFunc(fit, func(a, b *material.Material) int {
		return cmp.Or(cmp.Compare(a.Finding.Inside, b.Finding.Inside), cmp.Compare(a.ID, b.ID))
	})
}
