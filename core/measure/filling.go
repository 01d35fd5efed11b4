package measure

import (
	"math"

	"mala/core/length"
	"mala/core/pattern"
	"mala/core/piece"
)

// Filled gives the piece with every chain that fills up at the number of whole links,
// alike in all chains of its loop, that brings its row nearest to what is asked of it;
// the smaller on a tie. The piece itself is left alone, and comes back if it is right as
// it is. The error is a *Fault.
func Filled(p *piece.Piece) (*piece.Piece, error) {
	for i, filling := range p.Filling() {
		says := p.CanFill(filling.Row)
		if open := filling.Row.Line.OpenFill(); open != nil {
			return nil, &Fault{Row: filling.Row.ID, Err: &pattern.Fault{Code: pattern.BadFill, Col: open.Col, Expected: "a fill with a length: {25mm: S}", Says: says}}
		}
		if says != "" {
			continue
		}
		links, err := linksToFill(p, i)
		if err != nil {
			return nil, err
		}
		p = withLinks(p, i, links)
	}
	return p, nil
}

// linksToFill works out the links of the n-th filling. The length grows by nearly the
// same with every link (slack shrinks a little as the loop widens), so a first guess is
// at most a step or two off.
func linksToFill(p *piece.Piece, n int) (int, error) {
	filling := p.Filling()[n]
	want := p.TargetOf(filling.Row).Finished
	known := map[int]length.MM{}
	off := func(links int) (length.MM, error) {
		if v, ok := known[links]; ok {
			return v, nil
		}
		tried := withLinks(p, n, links)
		v, err := ForTarget(tried, tried.Filling()[n].Row)
		known[links] = v - want
		return v - want, err
	}
	links := filling.Chains[0].Links
	first, err := off(links)
	if err != nil {
		return 0, err
	}
	next, err := off(links + 1)
	if err != nil || next <= first {
		return links, err // it does not lie in the loop of that row
	}
	links = within(links - int(math.Round(float64(first/(next-first)))))
	for {
		here, err := off(links)
		if err != nil {
			return 0, err
		}
		towards := within(links - 1)
		if here < 0 {
			towards = within(links + 1)
		}
		there, err := off(towards)
		if err != nil {
			return 0, err
		}
		const tie = 1e-9
		switch nearer := math.Abs(float64(here)) - math.Abs(float64(there)); {
		case nearer > tie:
			links = towards
		case nearer < -tie:
			return links, nil
		default:
			return min(links, towards), nil
		}
	}
}

func within(links int) int { return min(max(links, 1), piece.MostChain) }

// withLinks is the piece with this many links in every chain of the n-th filling.
func withLinks(p *piece.Piece, n, links int) *piece.Piece {
	right := true
	for _, chain := range p.Filling()[n].Chains {
		right = right && chain.Links == links
	}
	if right {
		return p
	}
	p = p.Clone()
	for _, chain := range p.Filling()[n].Chains {
		chain.Links = links
	}
	return p
}
