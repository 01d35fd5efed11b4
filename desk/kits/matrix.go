package kits

import (
	"context"
	"math"

	"mala/core/length"
	"mala/desk"
	"mala/desk/buying"
	"mala/desk/sizing"
	"mala/format"
)

// Matrix is a piece in all its sizes and colourways.
type Matrix struct {
	Sizes      []string `json:"sizes" doc:"The piece as it is comes first, without a name."`
	Colourways []string `json:"colourways" doc:"Its own colours come first, without a name."`
	Cells      []Cell   `json:"cells" doc:"Colourway by colourway, each in every size."`
}

// Cell is the piece in one size and colourway.
type Cell struct {
	Size       int             `json:"size"`
	Colourway  int             `json:"colourway"`
	Beads      int             `json:"beads"`
	FinishedMm length.MM       `json:"finishedMm"`
	MovedMm    length.MM       `json:"movedMm" doc:"By how much its materials make it longer than the same size in its own colours."`
	Wrong      []string        `json:"wrong,omitempty" doc:"What is wrong with it, the worst first; of what the piece itself has right."`
	Used       string          `json:"used,omitempty" doc:"What its materials cost."`
	Unpriced   int             `json:"unpriced,omitempty" doc:"How many of them come in no pack that is known."`
	Makeable   int             `json:"makeable" doc:"How many can be made from stock."`
	RunsOut    string          `json:"runsOut,omitempty" doc:"What runs out first."`
	Document   format.Document `json:"document"`
}

// MatrixOf works the matrix out. The error is format.Faults, or the context's.
func MatrixOf(ctx context.Context, doc *format.Document, from buying.Supplies, opt desk.Options) (*Matrix, error) {
	if err := doc.Check(); err != nil {
		return nil, err
	}
	sizes := append([]format.Size{{}}, doc.Sizes...)
	colours := append([]format.Colourway{{}}, doc.Colourways...)
	out := &Matrix{}
	for _, s := range sizes {
		out.Sizes = append(out.Sizes, s.Name)
	}
	own := make([]*desk.Analysis, len(sizes))
	for c := range colours {
		out.Colourways = append(out.Colourways, colours[c].Name)
		for s := range sizes {
			variant := sizing.InSize(doc, &sizes[s]).InColours(&colours[c])
			variant.Sizes, variant.Colourways, variant.Written = nil, nil, nil
			a, err := desk.Analyse(ctx, variant, opt)
			if err != nil {
				return nil, err
			}
			if c == 0 {
				own[s] = a
			}
			cell := Cell{Size: s, Colourway: c, Beads: a.Beads, FinishedMm: a.FinishedMm, MovedMm: desk.Exact(a.FinishedMm - own[s].FinishedMm), Wrong: append(wrongIn(a, own[0]), sizing.SizeNotes(doc, &sizes[s])...), Document: *variant.Tidied()}
			if err := cell.supply(variant, from, opt); err != nil {
				return nil, err
			}
			out.Cells = append(out.Cells, cell)
		}
	}
	return out, nil
}

// wrongIn lists the checks of a variant that are not waived and that the piece itself does not
// have.
func wrongIn(a, own *desk.Analysis) []string {
	had := map[string]bool{}
	for _, c := range own.Checks {
		had[c.Code] = true
	}
	var out []string
	for _, c := range a.Checks {
		if c.Waived == "" && !had[c.Code] && c.Severity != "advise" {
			out = append(out, c.Title+". "+c.Says)
		}
	}
	return out
}

// supply says what the cell costs, and how many stock is enough for.
func (c *Cell) supply(doc *format.Document, from buying.Supplies, opt desk.Options) error {
	one, err := buying.Buy(doc, 1, false, from, opt.House)
	if err != nil {
		return err
	}
	c.Used, c.Makeable = one.Used, math.MaxInt
	for _, n := range one.Needs {
		if n.Lacks != "" {
			c.Unpriced++
		}
		per := max(n.Count, int(math.Ceil(float64(n.Mm)-1e-6)))
		if per == 0 {
			continue
		}
		if makes := from.Stock[n.Material] / per; makes < c.Makeable {
			c.Makeable, c.RunsOut = makes, n.Name
		}
	}
	if c.Makeable == math.MaxInt {
		c.Makeable = 0
	}
	return nil
}
