package piece

import (
	"fmt"
	"math"

	"mala/core/length"
	"mala/core/material"
)

// Between is chain between each two bead links.
type Between struct {
	Of    *material.Material
	Links int
}

// Grows is how much longer a chain is with every link more.
func (f *Fitting) Grows() length.MM {
	grows := f.Of.Finding.Inside
	if f.Between != nil {
		grows += f.Between.Of.Finding.Inside * length.MM(f.Between.Links)
	}
	return grows
}

// ChainLength is how long a chain is, between the insides of its outermost links.
func (f *Fitting) ChainLength() length.MM {
	mm := f.Of.Finding.Inside * length.MM(f.Links)
	if f.Between != nil {
		mm += f.Between.Of.Finding.Inside * length.MM(f.Between.Links*(f.Links-1))
	}
	return mm
}

// LinksFor is how many links come nearest to a length, at least one.
func (f *Fitting) LinksFor(mm length.MM) int {
	return max(1, 1+int(math.Round(float64((mm-f.Of.Finding.Inside)/f.Grows()))))
}

// checkBetween holds chain to lie between bead links only.
func (f *Fitting) checkBetween(add func(says string, args ...any)) {
	b := f.Between
	switch {
	case b == nil:
	case !f.Of.HasLinks() || f.Of.Component == nil:
		add("%s is no bead link. Chain lies between bead links.", f.Of.Name)
	case !b.Of.HasLinks() || b.Of.Component != nil:
		add("%s is no chain. Only chain lies between bead links.", b.Of.Name)
	case b.Links < 1 || b.Links > mostBetween:
		add("Between bead links lie 1 to %d links of chain, not %d.", mostBetween, b.Links)
	}
}

// mostBetween is how many links of chain lie between two bead links at most.
const mostBetween = 100

// Filling is a row with the chains of its loop that take as many links as bring it to
// what is asked of it: on both sides alike.
type Filling struct {
	Row    *Row
	Chains []*Fitting
}

// Filling lists what fills up, by the row whose target it fills up to: a chain at the
// end of a row to that row's, of another section to that of the row in its loop, one
// that rows share to the first row's.
func (p *Piece) Filling() []Filling {
	var out []Filling
	add := func(r *Row, list []Fitting) {
		for i := range list {
			if !list[i].Fill {
				continue
			}
			at := -1
			for k := range out {
				if out[k].Row == r {
					at = k
				}
			}
			if at < 0 {
				at, out = len(out), append(out, Filling{Row: r})
			}
			out[at].Chains = append(out[at].Chains, &list[i])
		}
	}
	main := p.Main()
	for _, list := range p.sharedLists() {
		add(main.Rows[0], *list)
	}
	for _, r := range p.Rows() {
		add(p.In(r, main), r.Left)
		add(p.In(r, main), r.Right)
	}
	return out
}

// sharedLists are the lists of the fittings that rows share.
func (p *Piece) sharedLists() []*[]Fitting {
	lists := []*[]Fitting{&p.Closure.Left, &p.Closure.Right}
	for _, j := range p.Joins {
		lists = append(lists, &j.Fittings)
	}
	return lists
}

// CanFill says in a sentence why no chain can fill a row up to its target; empty if one
// can.
func (p *Piece) CanFill(r *Row) string {
	switch {
	case p.TargetOf(r) == nil:
		return "There is no length to fill up to. Set a target, or give the chain a number of links."
	case r.Line.OpenFill() != nil:
		return "An open fill of beads fills its row up already. Give the chain a number of links, or the fill a length: {25mm: S}."
	case p.House.TargetCounts == CountsBeads && !p.Hangs():
		return "The target counts beads alone, and no chain fills up to it. Give the chain a number of links."
	}
	return ""
}

// checkFilling holds chains that fill up to rows that have something to fill up to.
func (p *Piece) checkFilling(add adder) {
	main := p.Main()
	each := func(where string, r *Row, list []Fitting) {
		for i, f := range list {
			if !f.Fill {
				continue
			}
			at := fmt.Sprintf("%s[%d].fill", where, i)
			switch {
			case !f.Of.HasLinks():
				add(at, "%s is no chain. Only a chain takes as many links as it needs.", f.Of.Name)
			case p.TargetOf(r) == nil:
				add(at, "%s", p.CanFill(r))
			}
		}
	}
	each("closure.left", main.Rows[0], p.Closure.Left)
	each("closure.right", main.Rows[0], p.Closure.Right)
	for i, j := range p.Joins {
		each(fmt.Sprintf("joins[%d].fittings", i), main.Rows[0], j.Fittings)
	}
	for i, s := range p.Sections {
		for j, r := range s.Rows {
			each(rowAt(i, j)+".left", p.In(r, main), r.Left)
			each(rowAt(i, j)+".right", p.In(r, main), r.Right)
		}
	}
}

// Opposite is the chain at the same place of the other side: of the closure, of a row, of
// the joins, or of the section that lies as far from the other end; nil if there is none.
func (p *Piece) Opposite(f *Fitting) *Fitting {
	holds := func(list []Fitting) bool {
		for i := range list {
			if &list[i] == f {
				return true
			}
		}
		return false
	}
	chain := func(list []Fitting) *Fitting {
		for i := range list {
			if list[i].Of.HasLinks() && &list[i] != f {
				return &list[i]
			}
		}
		return nil
	}
	for _, side := range Sides() {
		if holds(*p.End(nil, side, true)) {
			return chain(*p.End(nil, side.Other(), true))
		}
	}
	for i, j := range p.Joins {
		if holds(j.Fittings) {
			return chain(p.Joins[len(p.Joins)-1-i].Fittings)
		}
	}
	for i, s := range p.Sections {
		for j, r := range s.Rows {
			for _, side := range Sides() {
				if !holds(*p.End(r, side, false)) {
					continue
				}
				if r.Corded() {
					return chain(*p.End(r, side.Other(), false))
				}
				if rows := p.Sections[len(p.Sections)-1-i].Rows; j < len(rows) && rows[j] != r && !rows[j].Corded() {
					return rows[j].Chain()
				}
			}
		}
	}
	return nil
}
