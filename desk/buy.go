package desk

import (
	"fmt"
	"math"
	"slices"
	"time"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/money"
	"mala/core/supply"
	"mala/format"
)

// Buying is what must be bought for so many of a piece, and what that costs two ways: by
// the packs that must be bought, and by what of them is used.
type Buying struct {
	Copies int       `json:"copies"`
	Needs  []BuyNeed `json:"needs"`
	Packs  []BuyPack `json:"packs" doc:"The cheapest that hold all of it."`
	Bought string    `json:"bought" doc:"What the packs cost."`
	Used   string    `json:"used" doc:"What of that is used."`
}

// BuyNeed is how much of a material is needed. Lengths are of cords and chains.
type BuyNeed struct {
	Material string    `json:"material"`
	Name     string    `json:"name"`
	Count    int       `json:"count,omitempty"`
	Mm       length.MM `json:"mm,omitempty"`
	Stock    int       `json:"stock,omitempty" doc:"Of it from stock, in mm of what has a length."`
	Made     int       `json:"made,omitempty" doc:"Of it made by the shop: its parts are needed instead."`
	Held     int       `json:"held,omitempty" doc:"What the packs surely hold of it."`
	HeldMm   length.MM `json:"heldMm,omitempty"`
	Left     int       `json:"left,omitempty" doc:"What is left over."`
	LeftMm   length.MM `json:"leftMm,omitempty"`
	About    bool      `json:"about,omitempty" doc:"Its packs go by weight: they hold more or less."`
	Used     string    `json:"used,omitempty"`
	Lacks    string    `json:"lacks,omitempty" doc:"Why no packs are found for it."`
}

// BuyPack is a number of one pack.
type BuyPack struct {
	Material string    `json:"material"`
	Name     string    `json:"name"`
	Sold     string    `json:"sold"`
	Supplier string    `json:"supplier,omitempty"`
	Code     string    `json:"code,omitempty"`
	N        int       `json:"n"`
	Holds    int       `json:"holds,omitempty"`
	HoldsMm  length.MM `json:"holdsMm,omitempty"`
	Each     string    `json:"each"`
	Sum      string    `json:"sum"`
}

// Supplies is what is known of where things come from: the catalogue's materials with their
// packs, and what there is of each.
type Supplies struct {
	Materials []format.Material
	Stock     map[string]int
	Day       time.Time
}

// MostCopies is how many of a piece can be bought for at once.
const MostCopies = 10_000

// Buy works out what to buy for so many copies of the document, first using what is in
// stock if that is wanted. The error is format.Faults.
func Buy(doc *format.Document, copies int, fromStock bool, from Supplies, house format.House) (*Buying, error) {
	if copies < 1 || copies > MostCopies {
		return nil, format.Faults{{Where: "copies", Says: fmt.Sprintf("Buy for 1 to %d of a piece.", MostCopies)}}
	}
	m, err := measured(doc, house)
	if err != nil {
		return nil, err
	}
	b := newBuyer(copies, from)
	b.need(m, copies, fromStock, from.Stock)
	return b.buy(from), nil
}

func newBuyer(copies int, from Supplies) *buyer {
	return &buyer{day: from.Day, out: &Buying{Copies: copies, Needs: []BuyNeed{}, Packs: []BuyPack{}}}
}

// buy finds the packs for all that is needed.
func (b *buyer) buy(from Supplies) *Buying {
	b.offered(from.Materials)
	for _, group := range b.groups() {
		b.buyCounted(group)
	}
	for _, n := range b.needs {
		if n.cuts != nil {
			b.buyLengths(n)
		}
	}
	b.done()
	return b.out
}

// needed is what is needed of one material, and the packs it comes in.
type needed struct {
	of     *material.Material
	line   BuyNeed
	open   int         // still to be bought
	cuts   []length.MM // of a cord or a chain, each from one piece
	packs  []*supply.Pack
	bought money.Amount
	used   money.Amount
}

type buyer struct {
	day    time.Time
	needs  []*needed
	offers []*supply.Pack // of the catalogue, each once
	out    *Buying
	bought money.Amount
}

func (b *buyer) need(m *measure.Measured, copies int, fromStock bool, stock map[string]int) {
	for _, c := range m.Bought() {
		n := &needed{of: c.Material, line: BuyNeed{Material: c.Material.ID, Name: c.Material.Name}}
		has := 0
		if fromStock {
			has = stock[c.Material.ID]
		}
		if cuts := cutsOf(m, c); cuts != nil {
			n.cuts = slices.Repeat(cuts, copies)
			for _, mm := range cuts {
				n.line.Mm += mm * length.MM(copies)
			}
			n.fromStock(has)
		} else {
			n.line.Count = c.Count * copies
			n.line.Stock = min(has, n.line.Count)
			n.open = n.line.Count - n.line.Stock
		}
		b.needs = append(b.needs, n)
	}
}

// cutsOf are the pieces of a cord that the piece is strung on, or its length of a chain;
// nil of what is counted.
func cutsOf(m *measure.Measured, c measure.Count) []length.MM {
	if c.Material.Cord != nil {
		var out []length.MM
		for _, s := range m.Strands {
			if s.Row.Corded() && s.Row.Cord.ID == c.Material.ID && s.CutLength() > 0 && s.Row.FoldOf == "" {
				out = append(out, s.CutLength())
			}
		}
		if rest := c.Length - sum(out); rest > 0.01 {
			out = append(out, rest) // of what components are made with
		}
		return out
	}
	if c.Length > 0 && c.Material.Finding != nil {
		var out []length.MM
		for _, p := range m.ChainPieces(c.Material) {
			out = append(out, p.Length)
		}
		return out
	}
	return nil
}

func sum(list []length.MM) (out length.MM) {
	for _, mm := range list {
		out += mm
	}
	return out
}

// fromStock takes the longest cuts that fit from what is there in one length.
func (n *needed) fromStock(has int) {
	slices.SortFunc(n.cuts, func(x, y length.MM) int { return int(math.Copysign(1, float64(y-x))) })
	left, open := length.MM(has), n.cuts[:0:0]
	for _, mm := range n.cuts {
		if mm <= left {
			left -= mm
			continue
		}
		open = append(open, mm)
	}
	n.line.Stock = int(math.Round(float64(length.MM(has) - left)))
	if n.cuts = open; open == nil {
		n.cuts = []length.MM{}
	}
}

// offered finds the packs of the catalogue that hold something needed.
func (b *buyer) offered(catalogue []format.Material) {
	find := func(id string) *material.Material {
		if i := slices.IndexFunc(b.needs, func(n *needed) bool { return n.of.ID == id }); i >= 0 {
			return b.needs[i].of
		}
		return nil
	}
	for i := range catalogue {
		of := find(catalogue[i].ID)
		for k := range catalogue[i].Packs {
			own := of
			if own == nil {
				own = &material.Material{ID: catalogue[i].ID, Name: catalogue[i].Name}
			}
			pack := catalogue[i].Packs[k].Core(own, find)
			if pack == nil || of == nil && len(pack.Holds) == 1 {
				continue
			}
			b.offers = append(b.offers, pack)
			for _, h := range pack.Holds {
				if j := slices.IndexFunc(b.needs, func(n *needed) bool { return n.of == h.Of }); j >= 0 {
					b.needs[j].packs = append(b.needs[j].packs, pack)
				}
			}
		}
	}
}

// groups are the counted materials that are bought together: those that mixed sets join.
func (b *buyer) groups() [][]*needed {
	var out [][]*needed
	seen := map[*needed]bool{}
	for _, n := range b.needs {
		if seen[n] || n.cuts != nil || n.open == 0 {
			continue
		}
		group := []*needed{n}
		seen[n] = true
		for i := 0; i < len(group); i++ {
			for _, other := range b.needs {
				if !seen[other] && other.cuts == nil && other.open > 0 && slices.ContainsFunc(other.packs, func(p *supply.Pack) bool { return slices.Contains(group[i].packs, p) }) {
					group, seen[other] = append(group, other), true
				}
			}
		}
		out = append(out, group)
	}
	return out
}

// choices are the packs of a group with what they surely hold of each of it.
func choices(group []*needed) (out []supply.Choice) {
	for _, n := range group {
		for _, p := range n.packs {
			if slices.ContainsFunc(out, func(c supply.Choice) bool { return c.Pack == p }) {
				continue
			}
			holds := make([]int, len(group))
			for k, of := range group {
				for _, h := range p.Holds {
					if h.Of != of.of {
						continue
					}
					number, _, err := h.Number()
					if err != nil {
						of.line.Lacks = err.Error()
						continue
					}
					holds[k] += number
					of.line.About = of.line.About || h.MassG > 0
				}
			}
			if slices.Max(holds) > 0 {
				out = append(out, supply.Choice{Pack: p, Holds: holds})
			}
		}
	}
	return out
}

func (b *buyer) buyCounted(group []*needed) {
	from := choices(group)
	// What nothing holds keeps the rest from nothing.
	bought := slices.DeleteFunc(slices.Clone(group), func(n *needed) bool {
		k := slices.Index(group, n)
		return !slices.ContainsFunc(from, func(c supply.Choice) bool { return c.Holds[k] > 0 })
	})
	for _, n := range group {
		if !slices.Contains(bought, n) && n.line.Lacks == "" {
			n.line.Lacks = "No pack of it is known. Add one to it under Materials."
		}
	}
	if len(bought) == 0 {
		return
	}
	var need []int
	for i := range from {
		var holds []int
		for _, n := range bought {
			holds = append(holds, from[i].Holds[slices.Index(group, n)])
		}
		from[i].Holds = holds
	}
	for _, n := range bought {
		need, n.line.Lacks = append(need, n.open), ""
	}
	for i, count := range supply.Cheapest(need, from, b.day) {
		if count == 0 {
			continue
		}
		each := from[i].Pack.Each(count, b.day)
		cost := each * money.Amount(count)
		holds := 0 // with what of a set is not needed
		for _, h := range from[i].Pack.Holds {
			if number, _, err := h.Number(); err == nil {
				holds += number
			}
		}
		for k, n := range bought {
			n.line.Held += count * from[i].Holds[k]
			n.bought += cost.Share(int64(from[i].Holds[k]), int64(holds))
		}
		b.add(from[i].Pack, count, holds, 0, each)
	}
	for _, n := range bought {
		n.line.Left = n.line.Held - n.open
		n.used = n.bought.Share(int64(n.open), int64(n.line.Held))
	}
}

func (b *buyer) add(p *supply.Pack, n, holds int, mm length.MM, each money.Amount) {
	sum := each * money.Amount(n)
	b.bought += sum
	of := p.Holds[0].Of
	b.out.Packs = append(b.out.Packs, BuyPack{Material: of.ID, Name: of.Name, Sold: p.Sold, Supplier: p.Supplier, Code: p.Code, N: n, Holds: holds, HoldsMm: mm, Each: each.String(), Sum: sum.String()})
}

func (b *buyer) done() {
	used := money.Amount(0)
	for _, n := range b.needs {
		if n.line.Lacks == "" {
			n.line.Used = n.used.String()
		}
		used += n.used
		b.out.Needs = append(b.out.Needs, n.line)
	}
	b.out.Bought, b.out.Used = b.bought.String(), used.String()
}
