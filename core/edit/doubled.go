package edit

import (
	"mala/core/material"
	"mala/core/piece"
)

// The operations on cords that run several times through a row.
type (
	SetPasses struct { // how often the cord runs through the row's beads: doubled for 2
		At     piece.Place
		Passes int `op:"N"`
	}
	SetOneCord struct { // let beads of a letter ride on one of several cords, or with 0 on all
		At     piece.Place
		Letter string `op:"Text"`
		Cords  int    `op:"N"`
	}
)

func (SetPasses) Do() Do  { return "set-passes" }
func (SetOneCord) Do() Do { return "set-one-cord" }

func (o SetPasses) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	switch {
	case err != nil:
		return err
	case !row.Corded():
		return refuse("A row of chain has no cord.")
	case (row.LeftEnding.Way == piece.WayFold || row.LeftEnding.Way == piece.WayFoldBead && p.FoldedWith(row) == nil) && o.Passes%2 != 0:
		return refuse("The cord is folded at the left, so it runs twice through every bead. Make that end another way first.")
	}
	row.Passes = o.Passes
	return nil
}

func (o SetOneCord) apply(p *piece.Piece, _ []*material.Material) error {
	if _, err := rowOf(p, o.At); err != nil {
		return err
	}
	if p.Palette[o.Letter] == nil {
		return refuse("There is no dish %s.", o.Letter)
	}
	if p.OneCord == nil {
		p.OneCord = map[string]bool{}
	}
	if delete(p.OneCord, o.Letter); o.Cords > 0 {
		p.OneCord[o.Letter] = true
	}
	return nil
}
