package kits

import (
	"math"
	"slices"

	"mala/core/kit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/money"
	"mala/desk/buying"
	"mala/format"
)

// kitBuyer buys for this many kits.
type kitBuyer struct {
	*buying.Buyer
	made []madePart
}

// madePart is what of a material goes into a component that the shop makes.
type madePart struct {
	into, of string // their ids
	count    int
	mm       length.MM
}

// buyKits finds the packs for this many of a cell. A component that the shop makes and that comes
// in no pack is made: what is not in stock of it needs its parts.
func (w *kitWork) buyKits(p *packed, copies int, fromStock bool) *kitBuyer {
	b := &kitBuyer{Buyer: buying.NewBuyer(copies, w.from.Supplies)}
	inStock := func(of *material.Material) int {
		if !fromStock {
			return 0
		}
		return w.inStock(p, of)
	}
	for _, l := range p.bill {
		if l.Own {
			continue
		}
		n := b.need(l.Of)
		for _, c := range l.Cuts {
			n.Cuts = append(n.Cuts, slices.Repeat([]length.MM{c.Length + c.More}, c.N*copies)...)
		}
		if len(l.Cuts) == 0 {
			n.Line.Count += l.Takes(copies)
		}
	}
	for _, l := range p.bill {
		if l.Of.Component != nil && !l.Own && !w.isBought(l.Of.ID) {
			b.make(b.need(l.Of), inStock(l.Of))
		}
	}
	for _, n := range b.Needs {
		if n.Cuts != nil {
			n.Line.Mm = buying.Sum(n.Cuts)
			n.FromStock(inStock(n.Of))
			continue
		}
		n.Line.Stock = min(inStock(n.Of), n.Line.Count)
		n.Open = n.Line.Count - n.Line.Stock - n.Line.Made
	}
	b.Buy(w.from.Supplies)
	return b
}

// inStock is how many there are of a material: of a component in other materials than its own
// none, as the stock is of its own.
func (w *kitWork) inStock(p *packed, of *material.Material) int {
	if of.Component != nil {
		other := false
		of.Each(func(part *material.Material, _ int, _ length.MM) { other = other || p.swaps[part.ID] })
		if other {
			return 0
		}
	}
	return w.from.Stock[of.ID]
}

// need is that of a material, a new one where nothing needed it yet.
func (b *kitBuyer) need(of *material.Material) *buying.Needed {
	if i := slices.IndexFunc(b.Needs, func(n *buying.Needed) bool { return n.Of.ID == of.ID }); i >= 0 {
		return b.Needs[i]
	}
	n := &buying.Needed{Of: of, Line: buying.BuyNeed{Material: of.ID, Name: of.Name}}
	b.Needs = append(b.Needs, n)
	return n
}

// isBought says whether a material comes in a pack that is known.
func (w *kitWork) isBought(id string) bool {
	return slices.ContainsFunc(w.from.Materials, func(m format.Material) bool { return m.ID == id && len(m.Packs) > 0 })
}

// make needs the parts of what there is not enough of.
func (b *kitBuyer) make(n *buying.Needed, has int) {
	times := n.Line.Count - min(has, n.Line.Count)
	if n.Line.Made = times; times == 0 {
		return
	}
	n.Of.Each(func(of *material.Material, count int, mm length.MM) {
		part := b.need(of)
		if of.Class == material.ClassCord {
			part.Cuts = append(part.Cuts, slices.Repeat([]length.MM{mm}, times)...)
			b.made = append(b.made, madePart{n.Of.ID, of.ID, 0, mm * length.MM(times)})
			return
		}
		part.Line.Count += count * times
		b.made = append(b.made, madePart{n.Of.ID, of.ID, count * times, 0})
	})
}

// costOf is what a line of the bill costs in one kit of a batch that takes nothing from stock:
// its share of what all that is used of it costs, or of a component that of its parts.
func (b *kitBuyer) costOf(l *kit.Line, batch int) money.Amount {
	n := b.need(l.Of)
	if n.Line.Made > 0 {
		all := money.Amount(0)
		for _, part := range b.made {
			if part.into == l.Of.ID {
				all += b.partOf(part)
			}
		}
		return all.Share(1, int64(batch))
	}
	if len(l.Cuts) > 0 {
		return n.Used.Share(hundredths(l.Total()), hundredths(n.Line.Mm))
	}
	// What is left of one that comes in parts is not used.
	return n.Used.Share(int64(l.PackedParts()), int64(n.Line.Count*l.Parts()))
}

// oneOf is what one more of a line costs, of which those in one kit cost so much.
func (b *kitBuyer) oneOf(l *kit.Line, each money.Amount) money.Amount {
	if n := b.need(l.Of); n.Line.Made == 0 {
		return n.Used.Share(1, int64(n.Line.Count)) // of all, to the hundredth
	}
	return each.Share(1, int64(l.PackedParts()))
}

func (b *kitBuyer) partOf(part madePart) money.Amount {
	i := slices.IndexFunc(b.Needs, func(n *buying.Needed) bool { return n.Of.ID == part.of })
	if n := b.Needs[i]; n.Cuts == nil {
		return n.Used.Share(int64(part.count), int64(n.Line.Count))
	}
	return b.Needs[i].Used.Share(hundredths(part.mm), hundredths(b.Needs[i].Line.Mm))
}

// hundredths are those of a millimetre, in whole numbers.
func hundredths(mm length.MM) int64 { return int64(math.Round(float64(mm) * 100)) }
