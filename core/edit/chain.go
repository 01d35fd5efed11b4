package edit

import (
	"math"
	"slices"

	"mala/core/material"
	"mala/core/piece"
)

// firstLinks is how many links a chain has until somebody says.
const firstLinks = 10

// newFitting puts a finding into the piece; a chain begins with a few links.
func newFitting(p *piece.Piece, of *material.Material) piece.Fitting {
	f := p.NewFitting(of)
	f.Links = linksOf(of, 0)
	return f
}

// linksOf is how many links a fitting of that material has, of which it had so many.
func linksOf(of *material.Material, had int) int {
	switch {
	case of.Finding.Type != material.Chain:
		return 0
	case had > 0:
		return had
	}
	return firstLinks
}

// setLinks gives a chain N links, or as many whole ones as come nearest to a length.
func setLinks(p *piece.Piece, op Op) error {
	for _, list := range p.Fittings() {
		i := slices.IndexFunc(*list, func(f piece.Fitting) bool { return f.ID == op.At.Fitting })
		if i < 0 {
			continue
		}
		f := &(*list)[i]
		if f.Of.Finding == nil || f.Of.Finding.Type != material.Chain {
			return refuse("%s has no links to count.", f.Of.Name)
		}
		f.Links = op.N
		if op.Length != nil {
			f.Links = max(1, int(math.Round(float64(*op.Length/f.Of.Finding.Inside))))
		}
		return nil
	}
	return refuse("This piece has no fitting %q.", string(op.At.Fitting))
}
