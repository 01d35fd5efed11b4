package sizing

import (
	"context"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/size"
	"mala/core/solve"
	"mala/desk"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// SizesWanted asks for a piece in several sizes.
type SizesWanted struct {
	Document format.Document `json:"document"`
	Sizes    []SizeWanted    `json:"sizes" maxItems:"12"`
	InStock  bool            `json:"inStock,omitempty" doc:"Take no more of a bead than there is."`
}

// Of is the piece it is about.
func (w *SizesWanted) Of() *format.Document { return &w.Document }

// SizeWanted is one of them: for a measure of the body, or of a finished length.
type SizeWanted struct {
	Name       string    `json:"name" maxLength:"40"`
	MeasureMm  length.MM `json:"measureMm,omitempty" minimum:"0" maximum:"2000"`
	FinishedMm length.MM `json:"finishedMm,omitempty" minimum:"0" maximum:"100000"`
}

// SizeRun is the piece in each size.
type SizeRun struct {
	Sizes []SizeFound `json:"sizes"`
}

// SizeFound is one size with its proposals, the most regular first.
type SizeFound struct {
	SizeWanted
	Items []SizeWay `json:"items" doc:"The pattern as it is comes first where it suits already."`
	Why   string    `json:"why,omitempty" doc:"The reason where there is none."`
}

// SizeWay is the piece in a size, as one proposal has it.
type SizeWay struct {
	Way
	StrungMm length.MM   `json:"strungMm"`
	CutMm    length.MM   `json:"cutMm"`
	Beads    int         `json:"beads"`
	Counts   []SizeCount `json:"counts" doc:"Of each bead, in the order they are strung."`

	Keep *format.Size `json:"keep,omitempty" doc:"The size as the piece keeps it."`
}

// SizeCount is how many of a bead a size takes.
type SizeCount struct {
	Material string `json:"material"`
	Count    int    `json:"count"`
}

// mostWays is how many proposals a size has.
const mostWays = 3

// RunSizes works out a piece in several sizes, by its bead lines alone: ends, clasp and beads stay
// the same. A size that the context leaves no time for says so. The error is
// format.Faults.
func RunSizes(ctx context.Context, in *SizesWanted, opt desk.Options) (*SizeRun, error) {
	doc := in.Document
	doc.Sizes = nil
	for _, s := range in.Sizes { // checked as those of a piece are
		doc.Sizes = append(doc.Sizes, format.Size{Name: s.Name, MeasureMm: s.MeasureMm, FinishedMm: s.FinishedMm})
	}
	p, err := doc.Piece(opt.House)
	if err != nil {
		return nil, err
	}
	out, size := &SizeRun{Sizes: []SizeFound{}}, OneSize
	if p.Several() {
		size = SizeOfRows
	}
	for _, want := range in.Sizes {
		found, err := size(ctx, &in.Document, SizeAsk{SizeWanted: want, inStock: in.InStock}, opt)
		if err != nil {
			return nil, err
		}
		out.Sizes = append(out.Sizes, *found)
	}
	return out, nil
}

// SizeAsk is one size with what it may be made of.
type SizeAsk struct {
	SizeWanted
	Tolerance *length.MM // nil for that of the target
	inStock   bool
	hand      *solve.Hand // nil where that is not asked
}

// OneSize finds the ways to a size: as it is, where that suits, then the proposals.
func OneSize(ctx context.Context, doc *format.Document, ask SizeAsk, opt desk.Options) (*SizeFound, error) {
	out := &SizeFound{SizeWanted: ask.SizeWanted, Items: []SizeWay{}}
	if ctx.Err() != nil {
		out.Why = en.Says(words.NoTime)
		return out, nil
	}
	aim := Aim{Document: *doc, Wearer: ask.MeasureMm > 0, ToMm: ask.FinishedMm, ToleranceMm: ask.Tolerance, InStock: ask.inStock}
	aim.Document.Sizes = nil
	if aim.Wearer {
		aim.Document.Body = bodyFor(doc, ask.MeasureMm)
	}
	m, err := desk.Measured(&aim.Document, opt.House)
	if err != nil {
		return nil, err
	}
	own := m
	if m, err = countedLine(aim.Document, m, opt); err != nil {
		return nil, err
	}
	s := m.Leading()
	goal, says := goalOf(&aim, m, s)
	if says != "" {
		out.Why = says
		return out, nil
	}
	rules := solve.Rules{Pins: m.Piece.Pins, LineOnly: true, Fresh: true, AnyWearer: !aim.Wearer, Most: mostWays, Hand: ask.hand, Stock: opt.StockIf(ask.inStock)}
	found := solve.Solve(ctx, m, goal, rules)
	if (ask.hand == nil || ask.hand.Makes(m, s)) && (rules.Stock == nil || rules.Stock.Enough(m, nil)) {
		withAsItIs(&found, m, goal)
	}
	for i := range found.Proposals[:min(len(found.Proposals), mostWays)] {
		way := sizeWay(m, s, &aim, &found.Proposals[i], opt)
		way.Keep = keptSize(own, &ask.SizeWanted, &way, &aim.Document)
		out.Items = append(out.Items, way)
	}
	if len(out.Items) == 0 {
		out.Why = en.In(opt.Unit).Why(found.Why)
		if ctx.Err() != nil {
			out.Why = en.Says(words.NoTime)
		}
	}
	return out, nil
}

// withAsItIs puts the piece as it is before the proposals where it lies within the tolerance already.
func withAsItIs(found *solve.Answer, m *measure.Measured, goal solve.Goal) {
	off := found.Now - goal.Want
	if fit := size.Of(m); !goal.Takes(found.Now) || goal.Inside && fit != nil && !wearable(fit) {
		return
	}
	asItIs := solve.Proposal{Measured: m, Value: found.Now, Off: off, Line: m.Leading().Row.Line.String()}
	found.Proposals, found.Nearest, found.Why = append([]solve.Proposal{asItIs}, found.Proposals...), nil, nil
}

// bodyFor is the body the piece is for with another measure, or that of its kind.
func bodyFor(doc *format.Document, mm length.MM) *format.Body {
	body := format.Body{Part: size.PartOf(piece.Kind(doc.Kind))}
	if doc.Body != nil {
		body = *doc.Body
	}
	body.MeasureMm, body.HandMm, body.HeadMm, body.For = mm, 0, 0, ""
	return &body
}

func sizeWay(m *measure.Measured, s *measure.Strand, aim *Aim, p *solve.Proposal, opt desk.Options) SizeWay {
	noTarget := *aim
	noTarget.ToMm, noTarget.Wearer = 0, false // a size has its own
	out := SizeWay{Way: wayOf(m, s, &noTarget, p, opt), StrungMm: desk.Exact(p.Measured.Leading().Strung), CutMm: desk.Exact(p.Measured.Leading().CutLength()), Beads: p.Measured.Leading().AllBeads(), Counts: []SizeCount{}}
	if out.Changes == nil {
		out.Changes, out.Operations = []string{}, []desk.Operation{}
	}
	for _, c := range p.Measured.Tally {
		if c.Material.Bead != nil {
			out.Counts = append(out.Counts, SizeCount{c.Material.ID, c.Count})
		}
	}
	return out
}
