package kits

import (
	"context"
	"slices"

	"mala/core/kit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/steps"
	"mala/core/tools"
	"mala/desk"
	"mala/desk/buying"
	"mala/format"
	"mala/words/en"
)

// KitBill is all that goes into one thing of a kit, and what this many of it need.
type KitBill struct {
	CellOf
	SameAs    []string       `json:"sameAs,omitempty" doc:"The other sizes of the kit that come out the same."`
	Copies    int            `json:"copies"`
	Code      string         `json:"code" doc:"Of all that the kit says: it changes whenever that does."`
	Lines     []BillLine     `json:"lines"`
	Bags      []BillBag      `json:"bags"`
	Tools     []KitTool      `json:"tools"`
	Extras    []format.Extra `json:"extras"`
	Price     KitPrice       `json:"price"`
	Buying    buying.Buying  `json:"buying" doc:"What to buy for all copies, from stock first."`
	Documents []KitDocument  `json:"documents"`

	given []steps.Given // what the maker of each of its documents is given

	Outlines map[string]desk.Outline `json:"outlines" doc:"Of its beads and of components made by the shop, by material."`
}

// KitDocument is a piece of the kit in its size and colourway.
type KitDocument struct {
	Piece    int             `json:"piece"`
	Quantity int             `json:"quantity"`
	Document format.Document `json:"document"`
}

// BillLine is how much of a material one kit holds. Lengths are of cords and chains.
type BillLine struct {
	Material string    `json:"material"`
	Name     string    `json:"name"`
	Class    string    `json:"class" enum:"seed,bead,focal,component,crimp,ring,extender,finding,cord"`
	Letters  []string  `json:"letters" doc:"Of each piece, in its order; empty where it has none."`
	ByPiece  []int     `json:"byPiece" doc:"Of all copies of each piece."`
	ByRow    [][]int   `json:"byRow,omitempty" doc:"Of one copy of each piece of several rows."`
	Count    int       `json:"count" doc:"What the maker counts: of cords the lengths, of chain the links."`
	Spare    int       `json:"spare,omitempty" doc:"Beyond the count; of an extender single links."`
	Cuts     []KitCut  `json:"cuts,omitempty"`
	TotalMm  length.MM `json:"totalMm,omitempty"`
	Own      bool      `json:"own,omitempty" doc:"The buyer's own: neither priced nor packed."`
}

// KitCut is this many alike lengths.
type KitCut struct {
	Piece  int       `json:"piece"`
	Row    int       `json:"row,omitempty" doc:"From 1; absent of what components are made of."`
	N      int       `json:"n"`
	Mm     length.MM `json:"mm" doc:"As it is packed."`
	MoreMm length.MM `json:"moreMm,omitempty" doc:"How much of that is beyond the cut of the piece."`
}

// ByMeasure is a number of seed beads, spares too, by weight and by the length of a
// measuring tube. Beads differ, so a weight stands for more or fewer.
type ByMeasure struct {
	MassG  float64   `json:"massG,omitempty"`
	LeastG float64   `json:"leastG,omitempty"`
	MostG  float64   `json:"mostG,omitempty"`
	TubeMm length.MM `json:"tubeMm" doc:"Strung side by side."`
}

// BillBag is a bag and what lies in it.
type BillBag struct {
	Name  string    `json:"name"`
	Why   string    `json:"why,omitempty"`
	Items []BagItem `json:"items"`
}

// BagItem is what of a line lies in a bag.
type BagItem struct {
	Line  int      `json:"line"`
	Count int      `json:"count"`
	Spare int      `json:"spare,omitempty"`
	Cuts  []KitCut `json:"cuts,omitempty"`

	Measured *ByMeasure `json:"measured,omitempty" doc:"Of seed beads: other ways to count them."`
}

// KitTool is a tool, and whether it is in the kit.
type KitTool struct {
	desk.Tool
	InKit bool `json:"inKit,omitempty"`
}

// KitBillOf works one thing of a kit out. The error is format.Faults.
func KitBillOf(ctx context.Context, doc *format.Kit, cell CellOf, copies int, from Packing, opt desk.Options) (*KitBill, error) {
	if err := checkBatch(copies); err != nil {
		return nil, err
	}
	w, err := workOn(doc, from, opt)
	if err != nil {
		return nil, err
	}
	p, err := w.pack(ctx, cell)
	if err != nil {
		return nil, err
	}
	out := &KitBill{CellOf: cell, Copies: copies, Code: CodeOf(doc), Extras: desk.NonNil(from.Selling.Extras), Lines: []BillLine{}, Bags: []BillBag{}, Tools: []KitTool{}, Outlines: map[string]desk.Outline{}}
	holds := w.holds(cell)
	for i, v := range p.variants {
		out.Documents = append(out.Documents, KitDocument{holds[i], doc.Pieces[holds[i]].Quantity, *v.doc})
	}
	for i, v := range p.variants {
		out.given = append(out.given, p.given(i, v))
	}
	for _, l := range p.bill {
		out.Lines = append(out.Lines, lineOf(l, p))
		if o := desk.OutlineOf(l.Of); o != nil {
			out.Outlines[l.Of.ID] = *o
		}
	}
	for _, b := range p.bags {
		bag := BillBag{Name: b.Name, Why: b.Why}
		for _, i := range b.Items {
			bag.Items = append(bag.Items, BagItem{slices.Index(p.bill, i.Line), i.Count, i.Spare, kitCuts(i.Cuts), measuredBy(i)})
		}
		out.Bags = append(out.Bags, bag)
	}
	out.tools(p, doc, opt)
	if out.SameAs, err = w.sameAs(ctx, p); err != nil {
		return nil, err
	}
	if err := ctx.Err(); err != nil {
		return nil, err
	}
	out.Price = w.price(p, copies)
	out.Buying = *w.buyKits(p, copies, true).Out
	return out, nil
}

// Given is what the maker of the n-th of its documents is given: what comes made, what the buyer
// has, and how long the cords in the bag are.
func (k *KitBill) Given(n int) steps.Given { return k.given[n] }

func (p *packed) given(n int, v *variant) steps.Given {
	out := steps.Given{Premade: p.kit.Premade, Own: p.kit.Own, Cuts: map[piece.ID]length.MM{}}
	for _, l := range p.bill {
		for _, c := range l.Cuts {
			if l.Of.Class == material.ClassCord && !c.Made && c.Piece == n && c.Row >= 0 && !l.Own {
				out.Cuts[v.m.Piece.Rows()[c.Row].ID] = c.Length + c.More
			}
		}
	}
	return out
}

// tools lists what all pieces need, each once.
func (k *KitBill) tools(p *packed, doc *format.Kit, opt desk.Options) {
	at := map[string]int{}
	for i, v := range p.variants {
		for _, t := range tools.For(steps.For(v.m, k.given[i]), v.m.Piece.House) {
			name, what := en.In(opt.Unit).Tool(t, v.m.Piece.House.Needle)
			known, ok := at[name]
			if !ok {
				at[name] = len(k.Tools)
				k.Tools = append(k.Tools, KitTool{desk.Tool{Name: name, For: what, Optional: t.Optional}, slices.Contains(doc.Tools, name)})
				continue
			}
			k.Tools[known].Optional = k.Tools[known].Optional && t.Optional
		}
	}
}

func lineOf(l *kit.Line, p *packed) BillLine {
	out := BillLine{Material: l.Of.ID, Name: l.Of.Name, Class: string(l.Class), Letters: []string{}, ByPiece: l.ByPiece, Count: l.Count, Spare: l.Spare, Own: l.Own,
		Cuts: kitCuts(l.Cuts), TotalMm: desk.Exact(l.Total())}
	several := false
	for _, v := range p.variants {
		out.Letters = append(out.Letters, letterOf(v.doc, l.Of.ID))
		byRow := []int{}
		for _, c := range v.m.Bought() {
			if c.Material.ID == l.Of.ID && len(v.m.Strands) > 1 && len(l.Cuts) == 0 {
				byRow, several = c.ByStrand, true
			}
		}
		out.ByRow = append(out.ByRow, byRow)
	}
	if !several {
		out.ByRow = nil
	}
	return out
}

// massSpread is by how much the mass of this many seed beads may differ from their share.
const massSpread = 0.05

// measuredBy is what else seed beads are counted by; nil of other things.
func measuredBy(i kit.Item) *ByMeasure {
	of := i.Line.Of
	if i.Line.Class != kit.ClassSeed || of.Bead == nil {
		return nil
	}
	n := float64(i.Count + i.Spare)
	out := &ByMeasure{TubeMm: desk.Exact(of.Bead.Pitch() * length.MM(n))}
	if g := of.MassG; g > 0 {
		out.MassG, out.LeastG, out.MostG = desk.Thousandth(n*g), desk.Thousandth(n*g*(1-massSpread)), desk.Thousandth(n*g*(1+massSpread))
	}
	return out
}

// letterOf is the dish of a material; empty where it lies in none.
func letterOf(doc *format.Document, id string) string {
	letter := ""
	for l, of := range doc.Palette {
		if of == id && (letter == "" || l < letter) {
			letter = l
		}
	}
	return letter
}

func kitCuts(cuts []kit.Cut) []KitCut {
	var out []KitCut
	for _, c := range cuts {
		out = append(out, KitCut{c.Piece, c.Row + 1, c.N, desk.Exact(c.Length + c.More), desk.Exact(c.More)})
	}
	return out
}
