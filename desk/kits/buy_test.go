package kits_test

import (
	"fmt"
	"maps"
	"math"
	"slices"
	"strings"
	"testing"

	"mala/desk"
	"mala/desk/buying"
	"mala/desk/kits"
	"mala/format"
)

// A component that the shop makes costs what its parts do, together with those that are strung;
// what there is of it in stock needs none. One that comes in a pack is bought.
func TestWhatTheShopMakesCostsItsParts(t *testing.T) {
	from := packing(t)
	from.Stock = map[string]int{}
	for _, name := range []string{"three-moorings", "last-ferry", "flag-down"} {
		k := kitOf(t, name)
		plain := billOf(t, k, kits.CellOf{}, 10, from)
		for _, m := range k.Pieces[0].Document.Materials {
			if m.Class == "component" {
				k.Premade = append(k.Premade, m.ID)
			}
		}
		made := billOf(t, k, kits.CellOf{}, 10, from)
		// Spares are counted of what the bill lists, so they differ; so does the learner's cord.
		spares := func(b *kits.KitBill) int { return cents(t, b.Price.Spares) }
		if a, b := cents(t, plain.Price.Materials), cents(t, made.Price.Materials); a == 0 || math.Abs(float64(a-b)) > 0.06*float64(a) {
			t.Errorf("%s: materials cost %d, %d with %v made (spares %d, %d)", name, a, b, k.Premade, spares(plain), spares(made))
		}
		if len(made.Price.Unpriced) > len(plain.Price.Unpriced) {
			t.Errorf("%s: %v has no price", name, made.Price.Unpriced)
		}
		for _, id := range k.Premade {
			at := slices.IndexFunc(made.Buying.Needs, func(n buying.BuyNeed) bool { return n.Material == id })
			if at < 0 {
				continue // a part of another
			}
			if n := made.Buying.Needs[at]; n.Made != n.Count || n.Lacks != "" {
				t.Errorf("%+v", n)
			}
			some := from
			some.Stock = map[string]int{id: 4}
			if n := billOf(t, k, kits.CellOf{}, 10, some).Buying.Needs[at]; n.Stock != 4 || n.Made != n.Count-4 {
				t.Errorf("4 in stock: %+v", n)
			}
		}
		parts := 0
		for _, p := range made.Price.Parts {
			parts += cents(t, p.Cost)
		}
		if parts != cents(t, made.Price.Materials)+spares(made) {
			t.Errorf("%s: parts cost %d, %s and %s in all", name, parts, made.Price.Materials, made.Price.Spares)
		}
	}
	k := kitOf(t, "three-moorings")
	k.Premade = []string{"stone-link"}
	d := &k.Pieces[0].Document
	d.Colourways = []format.Colourway{{Name: "Pale", Swaps: map[string]string{"tide-stone-8": "dusk-pearl-8"}}}
	if !slices.ContainsFunc(d.Materials, func(m format.Material) bool { return m.ID == "dusk-pearl-8" }) {
		at := slices.IndexFunc(from.Materials, func(m format.Material) bool { return m.ID == "dusk-pearl-8" })
		d.Materials = append(d.Materials, from.Materials[at])
	}
	from.Stock = map[string]int{"stone-link": 1000}
	for colourway, want := range []int{16, 0} { // those in stock are of tide stones
		b := billOf(t, k, kits.CellOf{Colourway: colourway}, 1, from)
		if n := b.Buying.Needs[slices.IndexFunc(b.Buying.Needs, func(n buying.BuyNeed) bool { return n.Material == "stone-link" })]; n.Stock != want || n.Made != 16-want {
			t.Errorf("colourway %d: %+v", colourway, n)
		}
	}
	d.Colourways, from.Stock = nil, map[string]int{}
	from.Materials = slices.Clone(from.Materials)
	at := slices.IndexFunc(from.Materials, func(m format.Material) bool { return m.ID == "stone-link" })
	from.Materials[at].Packs = []format.Pack{{Sold: "bag", Holds: format.PackHolds{Count: 20}, Price: "8.00"}}
	b := billOf(t, k, kits.CellOf{}, 10, from)
	need := b.Buying.Needs[slices.IndexFunc(b.Buying.Needs, func(n buying.BuyNeed) bool { return n.Material == "stone-link" })]
	part := b.Price.Parts[slices.IndexFunc(b.Price.Parts, func(p kits.KitShare) bool { return p.Material == "stone-link" })]
	if need.Made != 0 || need.Held != 160 || part.Cost != "6.40" || slices.ContainsFunc(b.Buying.Needs, func(n buying.BuyNeed) bool { return n.Material == "tide-stone-8" }) {
		t.Errorf("%+v, %+v", need, part)
	}
}

// A spare of an extender is one of its links: it lies in the bag for repairs, and twelve kits take
// one extender more, a thirteenth another.
func TestASpareLinkOfAnExtender(t *testing.T) {
	from := packing(t)
	k := kitOf(t, "three-moorings")
	links := 0
	for _, m := range k.Pieces[0].Document.Materials {
		if m.ID == "extender-12" {
			links = m.Links
		}
	}
	if links != 12 {
		t.Fatalf("an extender of %d links", links)
	}
	b := billOf(t, k, kits.CellOf{}, 1, from)
	repairs := b.Bags[len(b.Bags)-1]
	at := slices.IndexFunc(repairs.Items, func(i kits.BagItem) bool { return b.Lines[i.Line].Material == "extender-12" })
	if at < 0 || repairs.Items[at].Spare != 1 || repairs.Items[at].Count != 0 || !strings.Contains(repairs.Why, "or a link of the extender that gives way is replaced") || !strings.Contains(repairs.Why, "longer") {
		t.Errorf("%+v", repairs)
	}
	for copies, want := range map[int]int{1: 2, 11: 12, 12: 13, 13: 15, 24: 26, 100: 109} {
		b := billOf(t, k, kits.CellOf{}, copies, from)
		need := b.Buying.Needs[slices.IndexFunc(b.Buying.Needs, func(n buying.BuyNeed) bool { return n.Material == "extender-12" })]
		if need.Count != want {
			t.Errorf("%d kits take %d extenders, want %d", copies, need.Count, want)
		}
		part := b.Price.Parts[slices.IndexFunc(b.Price.Parts, func(p kits.KitShare) bool { return p.Material == "extender-12" })]
		if one, all := float64(cents(t, part.One)), float64(cents(t, part.Cost)); copies < 12 && math.Abs(all-one*13/12) > 1 {
			t.Errorf("%d kits: the extender and its link cost %s, one %s", copies, part.Cost, part.One)
		}
	}
	for stock, want := range map[int]int{1: 0, 2: 1, 13: 12, 14: 12, 15: 13} {
		from.Stock = maps.Clone(from.Stock)
		for _, m := range k.Pieces[0].Document.Materials {
			from.Stock[m.ID] = 100_000
		}
		from.Stock["extender-12"] = stock
		m, err := kits.KitMatrixOf(t.Context(), k, 1, from, desk.Options{})
		if err != nil || m.Cells[0].Makeable != want {
			t.Errorf("of %d extenders: %v, %+v", stock, err, m.Cells[0])
		}
	}
	from.Selling.Spares = nil
	for _, bag := range billOf(t, k, kits.CellOf{}, 1, from).Bags {
		if bag.Name == "For repairs" {
			t.Errorf("without spares there is %+v", bag)
		}
	}
}

// A cell costs what its parts, extras and work cost; by the dozen no more than one by one.
func TestPricesOfCells(t *testing.T) {
	from := packing(t)
	for _, kit := range []*format.Kit{kitOf(t, "last-ferry"), kitOf(t, "three-moorings", "first-tide"), kitOf(t, "slipway")} {
		last := math.Inf(1)
		for _, copies := range []int{1, 10, 100, 1000} {
			p := billOf(t, kit, kits.CellOf{}, copies, from).Price
			if sum(t, p.Materials, p.Spares, p.Extras, p.Labour, p.Overhead) != cents(t, p.Cost) || cents(t, p.Net)-cents(t, p.Cost) != cents(t, p.Gain) {
				t.Errorf("%+v does not add up", p)
			}
			parts := 0
			for _, part := range p.Parts {
				parts += cents(t, part.Cost)
			}
			if parts != cents(t, p.Materials)+cents(t, p.Spares) {
				t.Errorf("parts cost %d, materials %s and spares %s", parts, p.Materials, p.Spares)
			}
			if cost := float64(cents(t, p.Cost)); cost > last+15 {
				t.Errorf("%d cost %v each, fewer cost %v", copies, cost, last)
			} else {
				last = cost
			}
			if cents(t, p.Gross)%50 != 0 {
				t.Errorf("%s is no multiple of a half", p.Gross)
			}
		}
	}
	k := kitOf(t, "last-ferry")
	k.Price = "9,90"
	p := billOf(t, k, kits.CellOf{}, 10, from).Price
	if p.Gross != "9.90" || !p.Set || p.EvenAt != 0 || !strings.HasPrefix(p.Gain, "-") {
		t.Errorf("%+v", p)
	}
	k.MadeUp = true
	knotted := kitOf(t, "deckhand-loop")
	knotted.MadeUp = true
	for _, w := range billOf(t, knotted, kits.CellOf{}, 1, from).Price.Work {
		if w.Work == "knot" && w.Times != 16 { // one that closes the ring, fifteen between its beads
			t.Errorf("%d knots", w.Times)
		}
	}
	made := billOf(t, k, kits.CellOf{}, 10, from).Price
	works := map[string]int{}
	for _, w := range made.Work {
		works[w.Work] = w.Times
	}
	if want := (map[string]int{"count": len(billOf(t, k, kits.CellOf{}, 10, from).Lines), "cut": 1, "make": 4, "string": 113, "crimp": 2, "open": 1, "pack": works["pack"]}); fmt.Sprint(works) != fmt.Sprint(want) {
		t.Errorf("%v, want %v", works, want)
	}
}
