package kits

import (
	"cmp"
	"context"
	"crypto/sha256"
	"encoding/base32"
	"encoding/json"
	"fmt"

	"mala/core/kit"
	"mala/desk"
	"mala/desk/buying"
	"mala/format"
)

// Packing is how the shop packs and prices, beside what it has.
type Packing struct {
	buying.Supplies
	Selling format.Selling
}

// CellOf names one thing of a kit that can be packed: which size, colourway and, of a
// choice, which piece, by their number among those that are sold.
type CellOf struct {
	Option    int `json:"option"`
	Size      int `json:"size"`
	Colourway int `json:"colourway"`
}

// kitWork looks at a kit; every piece is measured once in each size and colourway.
type kitWork struct {
	doc      *format.Kit
	from     Packing
	opt      desk.Options
	sizes    []string
	colours  []string
	variants map[variantKey]*variant
	all      []*variant
}

func workOn(doc *format.Kit, from Packing, opt desk.Options) (*kitWork, error) {
	if err := doc.Check(); err != nil {
		return nil, err
	}
	if err := from.Selling.Check(); err != nil {
		return nil, err
	}
	return &kitWork{doc: doc, from: from, opt: opt, sizes: doc.SizesSold(), colours: doc.ColourwaysSold(), variants: map[variantKey]*variant{}}, nil
}

// options are how many kinds of the kit there are beside sizes and colourways.
func (w *kitWork) options() int {
	if w.doc.Choice {
		return len(w.doc.Pieces)
	}
	return min(1, len(w.doc.Pieces))
}

// holds says which pieces a cell holds.
func (w *kitWork) holds(c CellOf) []int {
	if w.doc.Choice {
		return []int{c.Option}
	}
	out := make([]int, len(w.doc.Pieces))
	for i := range out {
		out[i] = i
	}
	return out
}

// check says whether the kit has such a cell.
func (w *kitWork) check(c CellOf) error {
	if c.Option < 0 || c.Option >= w.options() || c.Size < 0 || c.Size >= len(w.sizes) || c.Colourway < 0 || c.Colourway >= len(w.colours) {
		return format.Faults{{Where: "cell", Says: "The kit is not sold in that size and colourway. Choose one that it is sold in."}}
	}
	return nil
}

// packed is a cell with what it holds.
type packed struct {
	of       CellOf
	variants []*variant
	kit      *kit.Kit
	swaps    map[string]bool // ids of what takes the place of something in its colourway
	bill     []*kit.Line
	bags     []kit.Packed
}

func (w *kitWork) pack(ctx context.Context, c CellOf) (*packed, error) {
	if err := w.check(c); err != nil {
		return nil, err
	}
	swapped := w.swapped(c)
	out := &packed{of: c, kit: &kit.Kit{Premade: set(w.doc.Premade, swapped), Own: set(w.doc.Own, swapped), Rules: w.from.Selling.Rules(), Learner: w.from.Selling.Learner && !w.doc.MadeUp}}
	for _, i := range w.holds(c) {
		v, err := w.variant(ctx, i, w.sizes[c.Size], w.colours[c.Colourway])
		if err != nil {
			return nil, err
		}
		if v.number < 0 {
			v.number, w.all = len(w.all), append(w.all, v)
		}
		out.variants = append(out.variants, v)
		out.kit.Pieces = append(out.kit.Pieces, kit.Piece{Of: v.m, Quantity: w.doc.Pieces[i].Quantity})
	}
	for _, b := range w.doc.Bags {
		bag := kit.Bag{Name: b.Name}
		for _, id := range b.Of {
			bag.Of = append(bag.Of, cmp.Or(swapped[id], id))
		}
		out.kit.Bags = append(out.kit.Bags, bag)
	}
	out.swaps = map[string]bool{}
	for _, to := range swapped {
		out.swaps[to] = true
	}
	out.bill = out.kit.Bill()
	out.bags = out.kit.Pack(out.bill)
	return out, nil
}

// swapped says what takes the place of what in a cell's colourway: it is packed as that is.
func (w *kitWork) swapped(c CellOf) map[string]string {
	out := map[string]string{}
	for _, i := range w.holds(c) {
		for _, way := range w.doc.Pieces[i].Document.Colourways {
			if way.Name == w.colours[c.Colourway] {
				for from, to := range way.Swaps {
					out[from] = to
				}
			}
		}
	}
	return out
}

// set holds ids, and what takes their places.
func set(ids []string, swapped map[string]string) map[string]bool {
	out := map[string]bool{}
	for _, id := range ids {
		out[cmp.Or(swapped[id], id)] = true
	}
	return out
}

// CodeOf is a short code of all that a kit says: two kits that differ in anything have two.
func CodeOf(doc *format.Kit) string {
	data, err := json.Marshal(doc)
	if err != nil {
		return ""
	}
	sum := sha256.Sum256(data)
	text := base32.StdEncoding.EncodeToString(sum[:5])
	return text[:4] + "-" + text[4:]
}

// KitMatrix is a kit in all that it is sold in.
type KitMatrix struct {
	Options    []string          `json:"options" doc:"The pieces that the buyer chooses from; one without a name for a set."`
	Sizes      []string          `json:"sizes"`
	Colourways []string          `json:"colourways"`
	Documents  []format.Document `json:"documents" doc:"The pieces in their sizes and colourways, each once."`
	Cells      []KitCell         `json:"cells"`
}

// KitCell is one thing that can be packed.
type KitCell struct {
	CellOf
	Pieces   []KitCellPiece `json:"pieces"`
	Beads    int            `json:"beads"`
	Wrong    []string       `json:"wrong,omitempty" doc:"What is wrong with its pieces, the worst first."`
	Cost     string         `json:"cost"`
	Price    string         `json:"price"`
	Unpriced int            `json:"unpriced,omitempty" doc:"How many of its materials come in no pack that is known: their cost is not in it."`
	Makeable int            `json:"makeable" doc:"How many can be packed from stock."`
	RunsOut  string         `json:"runsOut,omitempty" doc:"What runs out first."`
}

// KitCellPiece is a piece in a cell.
type KitCellPiece struct {
	Piece    int `json:"piece"`
	Document int `json:"document" doc:"Which of the documents."`
	Quantity int `json:"quantity"`

	Changed    bool    `json:"changed,omitempty" doc:"Its counts were changed, since its other materials moved its length."`
	FinishedMm float64 `json:"finishedMm"`
}

// KitMatrixOf works all cells of a kit out, for batches of this many. The error is
// format.Faults, or the context's.
func KitMatrixOf(ctx context.Context, doc *format.Kit, batch int, from Packing, opt desk.Options) (*KitMatrix, error) {
	if err := checkBatch(batch); err != nil {
		return nil, err
	}
	w, err := workOn(doc, from, opt)
	if err != nil {
		return nil, err
	}
	out := &KitMatrix{Sizes: w.sizes, Colourways: w.colours, Options: []string{}, Documents: []format.Document{}, Cells: []KitCell{}}
	judged := map[*variant][]string{}
	for option := range w.options() {
		name := ""
		if doc.Choice {
			name = doc.Pieces[option].Document.Name
		}
		out.Options = append(out.Options, name)
		for c := range w.colours {
			for s := range w.sizes {
				if err := ctx.Err(); err != nil {
					return nil, err
				}
				p, err := w.pack(ctx, CellOf{option, s, c})
				if err != nil {
					return nil, err
				}
				cell, err := w.cell(ctx, p, batch, judged)
				if err != nil {
					return nil, err
				}
				out.Cells = append(out.Cells, cell)
			}
		}
	}
	for _, v := range w.all {
		out.Documents = append(out.Documents, *v.doc)
	}
	return out, nil
}

// MostBatch is how many kits can be worked out at once.
const MostBatch = 10_000

func checkBatch(n int) error {
	if n < 1 || n > MostBatch {
		return format.Faults{{Where: "copies", Says: fmt.Sprintf("Pack 1 to %d kits at a time.", MostBatch)}}
	}
	return nil
}

func (w *kitWork) cell(ctx context.Context, p *packed, batch int, judged map[*variant][]string) (KitCell, error) {
	out := KitCell{CellOf: p.of}
	holds := w.holds(p.of)
	for i, v := range p.variants {
		quantity := w.doc.Pieces[holds[i]].Quantity
		out.Pieces = append(out.Pieces, KitCellPiece{holds[i], v.number, quantity, v.changed, float64(desk.Exact(v.m.Finished))})
		out.Beads += v.m.AllBeads() * quantity
		wrong, ok := judged[v]
		if !ok {
			a, err := desk.Analyse(ctx, v.doc, w.opt)
			if err != nil {
				return out, err
			}
			wrong = append(wrongIn(a, &desk.Analysis{}), v.says...)
			judged[v] = wrong
		}
		for _, says := range wrong {
			if len(p.variants) > 1 {
				says = v.doc.Name + ": " + says
			}
			out.Wrong = append(out.Wrong, says)
		}
	}
	priced := w.price(p, batch)
	out.Cost, out.Price, out.Unpriced = priced.Cost, priced.Gross, len(priced.Unpriced)
	out.Makeable, out.RunsOut = w.makeable(p)
	return out, nil
}
