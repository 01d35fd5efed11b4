package edit

import (
	"slices"

	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/start"
)

// The operations on dishes.
type (
	SetDish struct { // give a letter a bead; without a letter, a free one
		Letter string             `op:"Text"`
		Of     *material.Material `op:"Material"`
	}
	RemoveDish struct {
		Letter string `op:"Text"`
	}
)

func (SetDish) Do() Do    { return "set-dish" }
func (RemoveDish) Do() Do { return "remove-dish" }

func (o SetDish) apply(p *piece.Piece, _ []*material.Material) error {
	if o.Of == nil || o.Of.Bead == nil {
		return refuse("A dish holds a bead or a component.")
	}
	key := o.Letter
	if key == "" {
		key = start.FreeKey(p, o.Of.Name)
	}
	p.Palette[key] = o.Of
	return nil
}

func (o RemoveDish) apply(p *piece.Piece, _ []*material.Material) error {
	in := func(line *pattern.Line) bool {
		return line != nil && slices.ContainsFunc(line.Nodes, func(n *pattern.Node) bool { return n.Key() == o.Letter })
	}
	for _, s := range p.Sizes {
		if slices.ContainsFunc(s.Lines(), in) {
			return refuse("The dish %s is still in the size %s. Save the sizes again first.", o.Letter, s.Name)
		}
	}
	for _, row := range p.Rows() {
		switch {
		case in(row.LeftEnding.Loop) || in(row.RightEnding.Loop):
			return refuse("The dish %s is still in a loop of beads at an end. Change the loop first.", o.Letter)
		case onTop(row.Lacing, o.Letter):
			return refuse("The dish %s is still laced on another, or has one laced on it. Change the lacing first.", o.Letter)
		case in(row.Riders):
			return refuse("The dish %s still slides on a row. Change its sliding beads first.", o.Letter)
		case in(row.Line):
			return refuse("The dish %s is still in the line. Remove its beads first.", o.Letter)
		}
	}
	delete(p.Palette, o.Letter)
	return nil
}
