package edit

import (
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// The operations on the cord of a row.
type (
	SetCord struct { // string the row on it
		At   piece.Place
		Cord *material.Material `op:"Material"`
	}
	SetHolder struct { // what holds beads apart: crimps, knots, friction, or nothing yet
		At    piece.Place
		Way   piece.HolderWay    `op:"Text"`
		Crimp *material.Material `op:"Material"`
	}
	SetSlack struct { // none follows the house
		At    piece.Place
		Slack *length.MM `op:"Length"`
	}
	SetCut struct { // what the cord has been cut to; none if it has not
		At  piece.Place
		Cut *length.MM `op:"Length"`
	}
)

func (SetCord) Do() Do   { return "set-cord" }
func (SetHolder) Do() Do { return "set-holder" }
func (SetSlack) Do() Do  { return "set-slack" }
func (SetCut) Do() Do    { return "set-cut" }

func (o SetCord) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	switch {
	case err != nil:
		return err
	case o.Cord == nil || o.Cord.Cord == nil:
		return refuse("Beads are strung on a cord.")
	}
	row.Cord = o.Cord
	return nil
}

func (o SetHolder) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	h := piece.Holder{Way: o.Way}
	if h.Way == piece.HeldByCrimps {
		h.Of = o.Crimp
	}
	if says := h.Check(); says != "" {
		return refuse("%s", says)
	}
	row.Holder = h
	return nil
}

func (o SetSlack) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	row.Slack = o.Slack
	return nil
}

func (o SetCut) apply(p *piece.Piece, _ []*material.Material) error {
	row, err := rowOf(p, o.At)
	if err != nil {
		return err
	}
	row.Cut = o.Cut
	return nil
}
