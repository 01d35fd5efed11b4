package edit

import (
	"maps"
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// SetFold strings a row on the other half of another's cord, folded at the left; none gives it a cord
// of its own.
type SetFold struct {
	At   piece.Place
	With piece.ID `op:"Field"`
}

// Do names it.
func (SetFold) Do() Do { return "set-fold" }

func (o SetFold) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	return setFold(p, row, o.With)
}

// setFold folds the cord at the left; at the right the row ends in the other's crimp.
func setFold(p *piece.Piece, row *piece.Row, with piece.ID) error {
	if was := p.FoldedWith(row); was != nil {
		unfold(p, row, was)
	}
	if with == "" {
		return nil
	}
	mate := p.Row(with)
	switch {
	case mate == nil || mate == row || p.SectionOf(mate) != p.SectionOf(row):
		return refuse("A cord is folded into two rows of one section. Choose a row beside this one.")
	case p.FoldedWith(mate) != nil:
		return refuse("The cord of that row is folded with another row already.")
	case !row.Corded() || !mate.Corded():
		return refuse("A row of chain has no cord to fold.")
	}
	row.FoldOf, row.Cord, row.Passes, mate.Passes = mate.ID, mate.Cord, 1, 1
	row.Left, row.LeftEnding, row.LeftPort = nil, piece.Ending{}, mate.LeftPort
	if way := mate.LeftEnding.Way; way != piece.WayLoop && way != piece.WayFoldBead {
		// Round a ring the fold needs nothing that grips it.
		mate.LeftEnding = piece.Ending{}
		mate.Left = slices.DeleteFunc(slices.Clone(mate.Left), func(f piece.Fitting) bool { return !f.Of.Finding.IsRing() })
	}
	if len(mate.Right) > 0 {
		row.Right, row.RightEnding, row.RightPort = nil, piece.Ending{Way: piece.WayWith}, mate.RightPort
	}
	return nil
}

// usualNeck is how long the cords are below a bead in the fold until it is set: room for
// the loop that goes over it.
const usualNeck = length.MM(3)

// foldThroughBead folds the cord through the widest bead of the dishes that takes it.
func foldThroughBead(p *piece.Piece, row *piece.Row, e *piece.Ending) error {
	if p.FoldedWith(row) == nil && row.Passes%2 != 0 {
		row.Passes = 2
	}
	if e.Bead == nil {
		e.Bead = widestFor(p, max(1, row.Passes/2), row.Cord.Cord.Diameter)
	}
	if e.Bead == nil {
		return refuse("The cord is folded through a bead. Add a dish of one that it goes through first.")
	}
	e.Leg = usualNeck
	p.Closure.Left, row.Left = nil, nil
	return nil
}

// widestFor is the widest bead of the dishes that this many cords go through; nil for none.
func widestFor(p *piece.Piece, cords int, d length.MM) *material.Material {
	var widest *material.Material
	for _, key := range slices.Sorted(maps.Keys(p.Palette)) {
		m := p.Palette[key]
		if m.Component == nil && !m.Hangs() && m.Bead.Hole >= material.HoleFor(cords, d) && (widest == nil || m.Bead.Across > widest.Bead.Across) {
			widest = m
		}
	}
	return widest
}

// ownCord gives a copy of a folded row a cord of its own, with its mate's fittings.
func ownCord(p *piece.Piece, row *piece.Row) {
	mate := p.Row(row.FoldOf)
	if mate == nil {
		return
	}
	row.FoldOf = ""
	if row.RightEnding.Way == piece.WayWith {
		row.RightEnding, row.Right = piece.Ending{}, alike(p, mate.Right)
	}
	row.Left = alike(p, slices.DeleteFunc(slices.Clone(row.Right), func(f piece.Fitting) bool { return !f.Of.Finding.IsCrimp() }))
}

// unbend lets a row whose cord is no longer folded end by its fittings at the left.
func unbend(r *piece.Row) {
	if r.LeftEnding.Way == piece.WayFoldBead && r.Passes%2 != 0 {
		r.LeftEnding = piece.Ending{}
	}
}

// unfold gives both rows a cord of their own, with the fittings that one of them has.
func unfold(p *piece.Piece, row, mate *piece.Row) {
	for _, r := range []*piece.Row{row, mate} {
		other := mate
		if r == mate {
			other = row
		}
		r.FoldOf = ""
		unbend(r)
		if r.RightEnding.Way == piece.WayWith {
			r.RightEnding = piece.Ending{}
			r.Right = alike(p, other.Right)
		}
	}
	for _, r := range []*piece.Row{row, mate} {
		if !slices.ContainsFunc(r.Left, func(f piece.Fitting) bool { return f.Of.Finding.IsCrimp() }) {
			r.Left = append(alike(p, slices.DeleteFunc(slices.Clone(r.Right), func(f piece.Fitting) bool { return !f.Of.Finding.IsCrimp() })), r.Left...)
		}
	}
}

// alike gives fittings like these, each with an id of its own.
func alike(p *piece.Piece, list []piece.Fitting) []piece.Fitting {
	// Ids are free that no row or fitting of the piece has: what is made is put there first.
	holder := &piece.Join{}
	p.Joins = append(p.Joins, holder)
	defer func() { p.Joins = p.Joins[:len(p.Joins)-1] }()
	for _, f := range list {
		made := p.NewFitting(f.Of)
		made.Links = f.Links
		holder.Fittings = append(holder.Fittings, made)
	}
	return holder.Fittings
}
