package buying

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
	"mala/desk"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// Buying is what must be bought for this many of a piece, and what that costs two ways: by
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

// Buy works out what to buy for this many copies of the document, first using what is in
// stock if that is wanted. The error is format.Faults.
func Buy(doc *format.Document, copies int, fromStock bool, from Supplies, house format.House) (*Buying, error) {
	if copies < 1 || copies > MostCopies {
		return nil, format.Faults{{Where: "copies", Says: fmt.Sprintf("Buy for 1 to %d of a piece.", MostCopies)}}
	}
	m, err := desk.Measured(doc, house)
	if err != nil {
		return nil, err
	}
	b := NewBuyer(copies, from)
	b.need(m, copies, fromStock, from.Stock)
	return b.Buy(from), nil
}

// NewBuyer begins a list of what this many copies take of what the shop has.
func NewBuyer(copies int, from Supplies) *Buyer {
	return &Buyer{day: from.Day, Out: &Buying{Copies: copies, Needs: []BuyNeed{}, Packs: []BuyPack{}}}
}

// Buy finds the packs for all that is needed.
func (b *Buyer) Buy(from Supplies) *Buying {
	b.offered(from.Materials)
	for _, group := range b.groups() {
		b.buyCounted(group)
	}
	for _, n := range b.Needs {
		if n.Cuts != nil {
			b.buyLengths(n)
		}
	}
	b.done()
	return b.Out
}

// Needed is what is needed of one material, and the packs it comes in.
type Needed struct {
	Of     *material.Material
	Line   BuyNeed
	Open   int         // still to be bought
	Cuts   []length.MM // of a cord or a chain, each from one piece
	packs  []*supply.Pack
	Bought money.Amount
	Used   money.Amount
}

// Buyer gathers what is needed, takes what is in stock, and buys the rest.
type Buyer struct {
	day    time.Time
	Needs  []*Needed
	offers []*supply.Pack // of the catalogue, each once
	Out    *Buying
	bought money.Amount
}

func (b *Buyer) need(m *measure.Measured, copies int, fromStock bool, stock map[string]int) {
	for _, c := range m.Bought() {
		n := &Needed{Of: c.Material, Line: BuyNeed{Material: c.Material.ID, Name: c.Material.Name}}
		has := 0
		if fromStock {
			has = stock[c.Material.ID]
		}
		if cuts := cutsOf(m, c); cuts != nil {
			n.Cuts = slices.Repeat(cuts, copies)
			for _, mm := range cuts {
				n.Line.Mm += mm * length.MM(copies)
			}
			n.FromStock(has)
		} else {
			n.Line.Count = c.Count * copies
			n.Line.Stock = min(has, n.Line.Count)
			n.Open = n.Line.Count - n.Line.Stock
		}
		b.Needs = append(b.Needs, n)
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
		if rest := c.Length - Sum(out); rest > 0.01 {
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

// Sum adds lengths up.
func Sum(list []length.MM) (out length.MM) {
	for _, mm := range list {
		out += mm
	}
	return out
}

// FromStock takes the longest cuts that fit from what is there in one length.
func (n *Needed) FromStock(has int) {
	slices.SortFunc(n.Cuts, func(x, y length.MM) int { return int(math.Copysign(1, float64(y-x))) })
	left, open := length.MM(has), n.Cuts[:0:0]
	for _, mm := range n.Cuts {
		if mm <= left {
			left -= mm
			continue
		}
		open = append(open, mm)
	}
	n.Line.Stock = int(math.Round(float64(length.MM(has) - left)))
	if n.Cuts = open; open == nil {
		n.Cuts = []length.MM{}
	}
}

// offered finds the packs of the catalogue that hold something needed.
func (b *Buyer) offered(catalogue []format.Material) {
	find := func(id string) *material.Material {
		if i := slices.IndexFunc(b.Needs, func(n *Needed) bool { return n.Of.ID == id }); i >= 0 {
			return b.Needs[i].Of
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
				if j := slices.IndexFunc(b.Needs, func(n *Needed) bool { return n.Of == h.Of }); j >= 0 {
					b.Needs[j].packs = append(b.Needs[j].packs, pack)
				}
			}
		}
	}
}

// groups are the counted materials that are bought together: those that mixed sets join.
func (b *Buyer) groups() [][]*Needed {
	var out [][]*Needed
	seen := map[*Needed]bool{}
	for _, n := range b.Needs {
		if seen[n] || n.Cuts != nil || n.Open == 0 {
			continue
		}
		group := []*Needed{n}
		seen[n] = true
		for i := 0; i < len(group); i++ {
			for _, other := range b.Needs {
				if !seen[other] && other.Cuts == nil && other.Open > 0 && slices.ContainsFunc(other.packs, func(p *supply.Pack) bool { return slices.Contains(group[i].packs, p) }) {
					group, seen[other] = append(group, other), true
				}
			}
		}
		out = append(out, group)
	}
	return out
}

// choices are the packs of a group with what they surely hold of each of it.
func choices(group []*Needed) (out []supply.Choice) {
	for _, n := range group {
		for _, p := range n.packs {
			if slices.ContainsFunc(out, func(c supply.Choice) bool { return c.Pack == p }) {
				continue
			}
			holds := make([]int, len(group))
			for k, of := range group {
				for _, h := range p.Holds {
					if h.Of != of.Of {
						continue
					}
					number, _, err := h.Number()
					if err != nil {
						of.Line.Lacks = err.Error()
						continue
					}
					holds[k] += number
					of.Line.About = of.Line.About || h.MassG > 0
				}
			}
			if slices.Max(holds) > 0 {
				out = append(out, supply.Choice{Pack: p, Holds: holds})
			}
		}
	}
	return out
}

func (b *Buyer) buyCounted(group []*Needed) {
	from := choices(group)
	// What nothing holds keeps the rest from nothing.
	bought := slices.DeleteFunc(slices.Clone(group), func(n *Needed) bool {
		k := slices.Index(group, n)
		return !slices.ContainsFunc(from, func(c supply.Choice) bool { return c.Holds[k] > 0 })
	})
	for _, n := range group {
		if !slices.Contains(bought, n) && n.Line.Lacks == "" {
			n.Line.Lacks = en.Says(words.NoPack)
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
		need, n.Line.Lacks = append(need, n.Open), ""
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
			n.Line.Held += count * from[i].Holds[k]
			n.Bought += cost.Share(int64(from[i].Holds[k]), int64(holds))
		}
		b.add(from[i].Pack, count, holds, 0, each)
	}
	for _, n := range bought {
		n.Line.Left = n.Line.Held - n.Open
		n.Used = n.Bought.Share(int64(n.Open), int64(n.Line.Held))
	}
}

func (b *Buyer) add(p *supply.Pack, n, holds int, mm length.MM, each money.Amount) {
	sum := each * money.Amount(n)
	b.bought += sum
	of := p.Holds[0].Of
	b.Out.Packs = append(b.Out.Packs, BuyPack{Material: of.ID, Name: of.Name, Sold: p.Sold, Supplier: p.Supplier, Code: p.Code, N: n, Holds: holds, HoldsMm: mm, Each: each.String(), Sum: sum.String()})
}

func (b *Buyer) done() {
	used := money.Amount(0)
	for _, n := range b.Needs {
		if n.Line.Lacks == "" {
			n.Line.Used = n.Used.String()
		}
		used += n.Used
		b.Out.Needs = append(b.Out.Needs, n.Line)
	}
	b.Out.Bought, b.Out.Used = b.bought.String(), used.String()
}
