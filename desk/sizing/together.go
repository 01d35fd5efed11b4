package sizing

import (
	"context"

	"mala/core/length"
	"mala/core/together"
	"mala/desk"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// Together is what is asked of rows that are sized together.
type Together struct {
	Document format.Document `json:"document"`
	Goal     string          `json:"goal" enum:"equal,step,touching" doc:"All of one length, each a step longer than the one before, or touching where they hang."`
	StepMm   length.MM       `json:"stepMm,omitempty" minimum:"-2000" maximum:"2000" doc:"Of the goal step."`
	InStock  bool            `json:"inStock,omitempty" doc:"Take no more of a bead than there is."`
}

// Of is the piece it is about.
func (w *Together) Of() *format.Document { return &w.Document }

// Proposals are ways to bring rows to a goal, the most regular first.
type Proposals struct {
	WithinMm length.MM  `json:"withinMm" doc:"The smallest bead: every row comes nearer than this to its place beside the others."`
	Items    []Proposal `json:"items" doc:"None where no way was found."`
	Why      string     `json:"why,omitempty" doc:"The reason where there is none."`
}

// Proposal is one way.
type Proposal struct {
	Says       string           `json:"says"`
	Operations []desk.Operation `json:"operations"`
	LengthsMm  []length.MM      `json:"lengthsMm" doc:"Of each row, as it would be."`
	OffMm      length.MM        `json:"offMm" doc:"By how much the row furthest off misses its place beside the others."`
	Changes    int              `json:"changes"`
	Short      []string         `json:"short,omitempty" doc:"What there is too little of in stock, with how much."`
}

// SizeTogether proposes how to bring the rows of a piece to a goal. The error is
// format.Faults, or the context's if it ends first.
func SizeTogether(ctx context.Context, in *Together, opt desk.Options) (*Proposals, error) {
	m, err := desk.Measured(&in.Document, opt.House)
	if err != nil {
		return nil, err
	}
	if !m.Piece.Several() {
		return nil, format.Faults{{Where: "sections[0].rows", Says: "One row has nothing to be sized with. Add a row first."}}
	}
	out := &Proposals{WithinMm: desk.Exact(together.SmallestBead(m)), Items: []Proposal{}}
	found := together.Propose(ctx, m, together.Goal(in.Goal), in.StepMm, opt.StockIf(in.InStock))
	switch {
	case len(found.Proposals) > 0:
	case ctx.Err() != nil:
		out.Why = en.Says(words.NotAllTried)
	default:
		out.Why = en.In(opt.Unit).NotTogether(found.Comes)
	}
	for _, p := range found.Proposals {
		item := Proposal{Says: en.In(opt.Unit).Together(&p), OffMm: desk.Exact(p.Off), Changes: p.Changes, Short: shortOf(p.Measured, opt)}
		for _, op := range p.Ops {
			item.Operations = append(item.Operations, desk.OperationOf(op))
		}
		for _, l := range p.Lengths {
			item.LengthsMm = append(item.LengthsMm, desk.Exact(l))
		}
		out.Items = append(out.Items, item)
	}
	return out, ctx.Err()
}
