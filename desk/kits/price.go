package kits

import (
	"math"
	"slices"

	"mala/core/kit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/money"
	"mala/core/price"
	"mala/desk/buying"
)

// KitPrice is what one kit of a batch costs, and what it is sold for.
type KitPrice struct {
	Materials string     `json:"materials"`
	Spares    string     `json:"spares"`
	Extras    string     `json:"extras"`
	Labour    string     `json:"labour"`
	Overhead  string     `json:"overhead"`
	Cost      string     `json:"cost"`
	Net       string     `json:"net" doc:"Without the tax."`
	Tax       string     `json:"tax,omitempty" doc:"Absent where none is shown."`
	Gross     string     `json:"gross" doc:"What the buyer pays."`
	Gain      string     `json:"gain" doc:"The net price less the cost."`
	Set       bool       `json:"set,omitempty" doc:"The price was set by hand; it does not follow from the cost."`
	Unpriced  []string   `json:"unpriced,omitempty" doc:"Materials that come in no pack that is known: their cost is not in it."`
	Work      []KitWork  `json:"work" doc:"What hands do for one."`
	Seconds   int        `json:"seconds"`
	Parts     []KitShare `json:"parts" doc:"What each material costs in one kit, the dearest first."`
	MoreCm    string     `json:"moreCm,omitempty" doc:"What a centimetre more of the first piece costs in beads and cord."`
	Spent     string     `json:"spent" doc:"What the whole batch costs: the packs that must be bought, extras and work."`
	EvenAt    int        `json:"evenAt,omitempty" doc:"How many of the batch have to be sold until that has come in; absent if all of them do not bring it in."`
}

// KitWork is a kind of work and how often it is done.
type KitWork struct {
	Work    string `json:"work" enum:"count,cut,make,string,crimp,knot,open,pack"`
	Times   int    `json:"times"`
	Seconds int    `json:"seconds" doc:"In all."`
}

// KitShare is what of a material is in one kit, and what that costs.
type KitShare struct {
	Material string `json:"material"`
	Name     string `json:"name"`
	Cost     string `json:"cost"`
	One      string `json:"one,omitempty" doc:"What one more costs."`
	cost     money.Amount
}

// price works out what one kit of a batch costs, and what it is sold for.
func (w *kitWork) price(p *packed, batch int) KitPrice {
	bought := w.buyKits(p, batch, false)
	out := KitPrice{Work: []KitWork{}, Parts: []KitShare{}}
	costs, packs := out.materials(p, bought, batch)
	for _, e := range w.from.Selling.Extras {
		cost, _ := money.Parse(e.Cost)
		costs.Extras += cost * money.Amount(e.Count)
	}
	works := p.kit.Work(p.bill, len(p.bags), w.doc.MadeUp)
	for _, work := range kit.Works() {
		if n := works[work]; n > 0 {
			seconds := n * w.from.Selling.Seconds[string(work)]
			out.Work = append(out.Work, KitWork{string(work), n, seconds})
			out.Seconds += seconds
		}
	}
	costs.Seconds = int64(out.Seconds)
	rules := w.from.Selling.Prices()
	priced := rules.Of(costs)
	if set, err := money.Parse(w.doc.Price); err == nil && w.doc.Price != "" {
		priced, out.Set = rules.At(costs, set), true
	}
	out.write(costs, priced, rules)
	spent := packs + (costs.Extras+priced.Labour)*money.Amount(batch)
	spent += rules.Overhead.Of(spent)
	out.Spent, out.EvenAt = spent.String(), price.EvenAt(spent, priced.Net, batch)
	out.MoreCm = moreOf(p, bought.Needs)
	return out
}

// materials adds up what the materials of one kit cost, spares apart, and what the packs for
// the whole batch do.
func (k *KitPrice) materials(p *packed, bought *kitBuyer, batch int) (costs price.Costs, packs money.Amount) {
	for _, n := range bought.Needs {
		packs += n.Bought
		if n.Line.Lacks != "" {
			k.Unpriced = append(k.Unpriced, n.Of.Name)
		}
	}
	for _, l := range p.bill {
		if l.Own || bought.need(l.Of).Line.Lacks != "" {
			continue
		}
		each := bought.costOf(l, batch)
		spare := spareOf(l, each)
		costs.Materials += each - spare
		costs.Spares += spare
		share := KitShare{Material: l.Of.ID, Name: l.Of.Name, Cost: each.String(), cost: each}
		if len(l.Cuts) == 0 {
			share.One = bought.oneOf(l, each).String()
		}
		k.Parts = append(k.Parts, share)
	}
	slices.SortStableFunc(k.Parts, func(x, y KitShare) int { return int(y.cost - x.cost) })
	return costs, packs
}

// spareOf is how much of what a line costs is for its spares.
func spareOf(l *kit.Line, cost money.Amount) money.Amount {
	if len(l.Cuts) == 0 {
		return cost.Share(int64(l.Spare), int64(l.PackedParts()))
	}
	more := length.MM(0)
	for _, c := range l.Cuts {
		more += c.More * length.MM(c.N)
	}
	return cost.Share(hundredths(more), hundredths(l.Total()))
}

func (k *KitPrice) write(c price.Costs, p price.Price, rules price.Rules) {
	k.Materials, k.Spares, k.Extras, k.Labour, k.Overhead = c.Materials.String(), c.Spares.String(), c.Extras.String(), p.Labour.String(), p.Overhead.String()
	k.Cost, k.Net, k.Gross, k.Gain = p.Cost.String(), p.Net.String(), p.Gross.String(), p.Gain.String()
	if rules.Tax > 0 {
		k.Tax = p.Tax.String()
	}
}

// moreOf is what a centimetre more of the first piece costs: its strung beads by what they
// cost over the length that they fill, and the cord. The needs are those of a whole batch, so
// that costs and amounts grow alike.
func moreOf(p *packed, needs []*buying.Needed) string {
	if len(p.variants) == 0 {
		return ""
	}
	s := p.variants[0].m.Leading()
	if s.Strung <= 0 || !s.Row.Corded() {
		return ""
	}
	count := map[string]int{}
	for _, b := range s.Beads {
		b.Material.Each(func(of *material.Material, n int, _ length.MM) { count[of.ID] += n })
	}
	sum := 0.0
	for _, n := range needs {
		switch {
		case n.Line.Lacks != "" || p.kit.Own[n.Of.ID]:
		case n.Of.ID == s.Row.Cord.ID && n.Line.Mm > 0:
			sum += float64(n.Used) / float64(n.Line.Mm) * 10 * float64(s.Row.Passes)
		case count[n.Of.ID] > 0 && n.Line.Count > 0:
			sum += float64(n.Used) / float64(n.Line.Count) * float64(count[n.Of.ID]) / float64(s.Strung) * 10
		}
	}
	return money.Amount(math.Round(sum)).String()
}

// makeable says how many of a cell stock is enough for, and what runs out first.
func (w *kitWork) makeable(p *packed) (int, string) {
	most, runsOut := math.MaxInt, ""
	for _, l := range p.bill {
		per, parts := l.PackedParts(), l.Parts()
		if len(l.Cuts) > 0 {
			per, parts = int(math.Ceil(float64(l.Total())-1e-6)), 1
		}
		if l.Own || per == 0 {
			continue
		}
		if n := w.inStock(p, l.Of) * parts / per; n < most {
			most, runsOut = n, l.Of.Name
		}
	}
	if runsOut == "" {
		return 0, ""
	}
	return most, runsOut
}
