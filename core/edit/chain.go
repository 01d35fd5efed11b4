package edit

import (
	"slices"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// firstLinks is how many links a chain has until it is set.
const firstLinks = 10

// newFitting puts a finding into the piece; a chain begins with a few links.
func newFitting(p *piece.Piece, of *material.Material) piece.Fitting {
	f := p.NewFitting(of)
	f.Links = linksOf(of, 0)
	return f
}

// linksOf is how many links a fitting of that material has, of which it had this many.
func linksOf(of *material.Material, had int) int {
	switch {
	case of.Finding.Type != material.Chain:
		return 0
	case had > 0:
		return had
	}
	return firstLinks
}

// The operations on chains and on bead links.
type (
	SetLinks struct { // this many, or as many whole ones as come nearest to a length
		At     piece.Place
		Links  int `op:"N"`
		Length *length.MM
	}
	SetBetween struct { // this many links of chain between each two bead links; none without a chain
		At    piece.Place
		Links int                `op:"N"`
		Chain *material.Material `op:"Material"`
	}
	SetFill struct { // let the chain fill up to the target: yes or no
		At   piece.Place
		Fill string `op:"Text"`
	}
)

func (SetLinks) Do() Do   { return "set-links" }
func (SetBetween) Do() Do { return "set-between" }
func (SetFill) Do() Do    { return "set-fill" }

func (o SetLinks) apply(p *piece.Piece, _ []*material.Material) error {
	f, err := chainAt(p, o.At.Fitting)
	if err != nil {
		return err
	}
	stopFilling(p, f)
	f.Links = o.Links
	if o.Length != nil {
		f.Links = f.LinksFor(*o.Length)
	}
	return nil
}

func chainAt(p *piece.Piece, id piece.ID) (*piece.Fitting, error) {
	f := p.Fitting(id)
	switch {
	case f == nil:
		return nil, refuse("This piece has no fitting %q.", string(id))
	case !f.Of.HasLinks():
		return nil, refuse("%s has no links to count.", f.Of.Name)
	}
	return f, nil
}

func (o SetBetween) apply(p *piece.Piece, _ []*material.Material) error {
	f, err := chainAt(p, o.At.Fitting)
	if err != nil {
		return err
	}
	if o.Chain == nil {
		f.Between = nil
		return nil
	}
	if f.Of.Component == nil || !o.Chain.HasLinks() || o.Chain.Component != nil {
		return refuse("Chain lies between bead links. Choose bead links for the row, and a chain for between them.")
	}
	f.Between = &piece.Between{Of: o.Chain, Links: max(1, o.Links)}
	return nil
}

// apply lets a chain fill up its row to the target, or keep the links it has; and with it the chain
// of the same kind at the other side of its loop, so that both stay alike.
func (o SetFill) apply(p *piece.Piece, _ []*material.Material) error {
	f, err := chainAt(p, o.At.Fitting)
	if err != nil {
		return err
	}
	if o.Fill == piece.No {
		stopFilling(p, f)
		return nil
	}
	f.Fill = true
	if other := p.Opposite(f); other != nil && other.Of.ID == f.Of.ID {
		other.Fill = true
	}
	for _, filling := range p.Filling() {
		if says := p.CanFill(filling.Row); slices.Contains(filling.Chains, f) && says != "" {
			return refuse("%s", says)
		}
	}
	return nil
}

// stopFilling keeps the links of a chain as they are, and of those that fill up with it.
func stopFilling(p *piece.Piece, f *piece.Fitting) {
	for _, filling := range p.Filling() {
		if !slices.Contains(filling.Chains, f) {
			continue
		}
		for _, chain := range filling.Chains {
			chain.Fill = false
		}
	}
}

// fillUp gives every chain that fills up the links that it has now. One whose row has
// no target any more, or is filled up by beads, keeps those it had.
func fillUp(p *piece.Piece) *piece.Piece {
	for _, filling := range p.Filling() {
		if p.TargetOf(filling.Row) != nil && filling.Row.Line.OpenFill() == nil {
			continue
		}
		for _, chain := range filling.Chains {
			chain.Fill = false
		}
	}
	if len(p.Filling()) == 0 || len(p.Check()) > 0 {
		return p // what is wrong is said where it is saved
	}
	if filled, err := measure.Filled(p); err == nil {
		return filled
	}
	return p // a line that has errors says so
}
