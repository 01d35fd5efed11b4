package sizing

import (
	"context"
	"fmt"

	"mala/core/graduate"
	"mala/core/piece"
	"mala/core/solve"
	"mala/desk"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// Graduation asks for beads of several sizes that rise to the centre.
type Graduation struct {
	Document format.Document `json:"document"`
	Row      string          `json:"row,omitempty" doc:"The id of the row; the leading one if absent."`
	All      bool            `json:"all,omitempty" doc:"Every row together."`
	Ladder   []string        `json:"ladder" maxItems:"12" doc:"The letters of the sizes."`
	Centre   string          `json:"centre,omitempty" maxLength:"2" doc:"The letter of the one bead at the centre."`
	InStock  bool            `json:"inStock,omitempty" doc:"Take no more of a bead than there is."`
}

// Of is the piece it is about.
func (w *Graduation) Of() *format.Document { return &w.Document }

// Graduate proposes how many of each size make the target. It changes nothing. The error is
// format.Faults.
func Graduate(ctx context.Context, in *Graduation, opt desk.Options) (*Ways, error) {
	m, err := desk.Measured(&in.Document, opt.House)
	if err != nil {
		return nil, err
	}
	s := m.Leading()
	if in.Row != "" {
		if s = m.Strand(piece.ID(in.Row)); s == nil {
			return nil, format.Faults{{Where: "row", Says: "This piece has no row " + in.Row + "."}}
		}
	}
	asked := graduate.Asked{Rows: []piece.ID{s.Row.ID}, Ladder: in.Ladder, Centre: in.Centre, Unit: opt.Unit, Most: mostWays, Stock: opt.StockIf(in.InStock)}
	if in.All {
		asked.Rows = nil
		for _, row := range m.Piece.Rows() {
			if row.Corded() {
				asked.Rows = append(asked.Rows, row.ID)
			}
		}
	}
	found := graduate.Of(ctx, m, asked)
	out := &Ways{NowMm: desk.Exact(s.ForTarget(m.Piece)), Items: []Way{}, Why: found.Why}
	if t := m.Piece.TargetOf(s.Row); t != nil {
		out.WantMm, out.ToleranceMm = desk.Exact(t.Finished), desk.Exact(t.Tolerance)
	}
	for i := range found.Proposals {
		p := &found.Proposals[i]
		way := solve.Proposal{Ops: p.Ops, Measured: p.Measured}
		var says []string
		for _, row := range p.Rows {
			change := row.Line
			if len(p.Rows) > 1 {
				change = fmt.Sprintf("row %d: %s", m.Piece.Number(row.ID), row.Line)
			}
			says = append(says, change)
			if row.ID == s.Row.ID {
				way.Off, way.Line, way.Value = row.Off, row.Line, row.Value
			}
		}
		if p.Forced {
			says = append(says, en.Says(words.FewerOfSize))
		}
		one := wayOf(m, s, &Aim{}, &way, opt)
		one.Changes = append(says, one.Changes...)
		if p.Within {
			out.Items = append(out.Items, one)
		} else {
			out.Nearest = &one
		}
	}
	return out, ctx.Err()
}
