package sizing

import (
	"context"

	"mala/core/check"
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

// Conversion asks for a piece as another kind, or closed another way, with its pattern kept.
type Conversion struct {
	Document format.Document `json:"document"`
	Kind     string          `json:"kind" enum:"necklace,bracelet,anklet"`
	Closure  string          `json:"closure" enum:"clasp,knot,none,bar,tied"`
	ToMm     length.MM       `json:"toMm,omitempty" minimum:"0" maximum:"100000" doc:"The length it is to have; if absent it keeps its inside length."`
	InStock  bool            `json:"inStock,omitempty" doc:"Take no more of a bead than there is."`
}

// Of is the piece it is about.
func (w *Conversion) Of() *format.Document { return &w.Document }

// Converted are the ways to do so, each with all that it takes.
type Converted struct {
	Ways
	Checks []string `json:"checks" doc:"The stops and warnings that come with the first way."`
}

// Convert proposes how the piece becomes the other kind or closes the other way: cord, ends and
// target change, and of its pattern the counts alone. It changes nothing. The error is
// format.Faults.
func Convert(ctx context.Context, in *Conversion, opt desk.Options) (*Converted, error) {
	if !(in.ToMm >= 0 && in.ToMm <= length.Longest) {
		return nil, format.Faults{{Where: "toMm", Says: "Convert it to a length of 0 to 100 m."}}
	}
	if size.PartOf(piece.Kind(in.Kind)) == "" || en.ClosedBy(piece.ClosureType(in.Closure)) == "" {
		return nil, format.Faults{{Where: "kind", Says: "Convert it to a necklace, a bracelet or an anklet, closed by a clasp, a knot, nothing, a bar or tied."}}
	}
	m, err := desk.Measured(&in.Document, opt.House)
	if err != nil {
		return nil, err
	}
	out := &Converted{Ways: Ways{NowMm: desk.Exact(m.ForTarget), Items: []Way{}}, Checks: []string{}}
	goal := solve.Goal{Row: m.Leading().Row.ID, Want: in.ToMm, Tolerance: piece.StandardTolerance}
	if m.Piece.Target != nil {
		goal.Tolerance = m.Piece.Target.Tolerance
	}
	if in.ToMm == 0 {
		inside, ok := m.Inside()
		if !ok || m.Piece.Hangs() {
			out.Why = en.Says(words.NoInsideKept)
			return out, nil
		}
		goal.Inside, goal.Want = true, inside
	}
	out.WantMm, out.ToleranceMm = desk.Exact(goal.Want), desk.Exact(goal.Tolerance)
	ops, says := conversionOf(in, m)
	changed, err := desk.Apply(&in.Document, ops, opt)
	if err != nil {
		return nil, err
	}
	after, err := desk.Measured(&changed.Document, opt.House)
	if err != nil {
		return nil, err
	}
	if after.Piece.Several() {
		out.Why = en.Says(words.RowsTogether)
		asItIs := solve.Proposal{Measured: after, Line: after.Leading().Row.Line.String(), Value: after.ForTarget}
		way := wayTo(in, m, &asItIs, ops, says, opt)
		out.Nearest = &way
		return out, nil
	}
	out.solve(ctx, in, m, after, goal, ops, says, opt)
	return out, ctx.Err()
}

// conversionOf is what changes apart from the counts, and how that is said.
func conversionOf(in *Conversion, m *measure.Measured) (ops []desk.Operation, says []string) {
	p := m.Piece
	if kind := string(p.Kind); kind != in.Kind {
		ops = append(ops, desk.Operation{Do: "set-kind", Text: in.Kind})
		says = append(says, en.KindTo(kind, in.Kind))
		if p.Body != nil && p.Body.Part != size.PartOf(piece.Kind(in.Kind)) {
			ops = append(ops, desk.Operation{Do: "set-body"})
			says = append(says, en.Says(words.NoWearerYet))
		}
		if len(p.Sizes) > 0 {
			ops = append(ops, desk.Operation{Do: "set-sizes"})
			says = append(says, en.Says(words.SizesGo))
		}
	}
	if p.Hangs() || string(p.Closure.Type) != in.Closure {
		ops = append(ops, desk.Operation{Do: "set-closure", Text: in.Closure})
		says = append(says, en.ClosedBy(piece.ClosureType(in.Closure)))
	}
	return ops, says
}

// solve finds the counts, and puts each with what the conversion itself takes.
func (c *Converted) solve(ctx context.Context, in *Conversion, before, after *measure.Measured, goal solve.Goal, ops []desk.Operation, says []string, opt desk.Options) {
	rules := solve.Rules{Pins: after.Piece.Pins, LineOnly: true, Most: mostWays, Stock: opt.StockIf(in.InStock)}
	counted := after
	if s := after.Leading(); s.Row.Line != nil && s.Row.Line.OpenFill() != nil {
		line := s.Row.Line.Counted(s.Fills).String()
		ops = append(ops, desk.Operation{Do: "set-line", Text: line})
		if changed, err := desk.Apply(&in.Document, ops, opt); err == nil {
			if m, err := desk.Measured(&changed.Document, opt.House); err == nil {
				counted = m
			}
		}
	}
	found := solve.Solve(ctx, counted, goal, rules)
	withAsItIs(&found, counted, goal)
	c.Why = en.In(opt.Unit).Why(found.Why)
	first := found.Nearest
	if found.Nearest != nil {
		near := wayTo(in, before, found.Nearest, ops, says, opt)
		c.Nearest = &near
	}
	for i := range found.Proposals[:min(len(found.Proposals), mostWays)] {
		c.Items = append(c.Items, wayTo(in, before, &found.Proposals[i], ops, says, opt))
	}
	if len(found.Proposals) > 0 {
		first = &found.Proposals[0]
	}
	if first != nil {
		for _, f := range check.New(check.All(before), check.All(first.Measured)) {
			_, says := en.In(opt.Unit).Problem(&f)
			c.Checks = append(c.Checks, says)
		}
	}
}

// wayTo is one way with the conversion before the counts, and its target behind them.
func wayTo(in *Conversion, before *measure.Measured, p *solve.Proposal, ops []desk.Operation, says []string, opt desk.Options) Way {
	out := wayOf(before, before.Leading(), &Aim{}, p, opt)
	out.Operations = append(append([]desk.Operation{}, ops...), out.Operations...)
	out.Changes = append(append([]string{}, says...), out.Changes...)
	to := desk.Exact(p.Measured.ForTarget)
	if in.ToMm > 0 {
		to = in.ToMm
	} else if t := p.Measured.Piece.Target; t == nil || max(to-t.Finished, t.Finished-to) <= t.Tolerance {
		return out
	}
	if t := before.Piece.Target; t == nil || t.Finished != to {
		out.Operations = append(out.Operations, desk.Operation{Do: "set-target", Mm: &to})
		out.Changes = append(out.Changes, en.In(opt.Unit).TargetTo(to))
	}
	return out
}
