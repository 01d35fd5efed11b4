package desk

import (
	"context"

	"mala/core/caution"
	"mala/core/check"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/steps"
	"mala/core/technique"
	"mala/core/tools"
	"mala/format"
	"mala/words/en"
)

// judge adds checks.
func (a *Analysis) judge(ctx context.Context, m *measure.Measured, doc *format.Document, opt Options) {
	a.Checks = []Check{}
	found, speak := check.AllOf(m, opt.Stock), en.In(opt.Unit)
	shelf := check.Shelf{}
	if opt.Fixes {
		shelf = opt.Shelf.of(doc)
	}
	for _, alike := range check.ByRow(found) {
		f := alike[0]
		c := Check{Code: f.Code, Severity: string(f.Severity), Place: format.PlaceOf(f.At), Of: f.About(), Column: f.Column,
			Waived: f.Waived, Step: string(f.Step), Fixable: check.HasFix(f.Code)}
		c.Title, c.Says = speak.ProblemOf(alike)
		for k, one := range alike {
			if k > 0 {
				c.More = append(c.More, format.PlaceOf(one.At))
			}
			for _, p := range one.More {
				c.More = append(c.More, format.PlaceOf(p))
			}
		}
		if opt.Fixes {
			if fix := check.FixOfAlike(ctx, m, found, alike, shelf); fix != nil {
				c.Fix = fixOf(fix, speak)
			}
		}
		a.Checks = append(a.Checks, c)
	}
}

// Fixes searches for the fix of every check of the document, in the order of the
// analysis; nil where there is none. The search ends with the context. The error
// is format.Faults.
func Fixes(ctx context.Context, doc *format.Document, opt Options) ([]*Fix, error) {
	m, err := Measured(doc, opt.House)
	if err != nil {
		return nil, err
	}
	found, speak := check.AllOf(m, opt.Stock), en.In(opt.Unit)
	shelf := opt.Shelf.of(doc)
	out := []*Fix{} // a list also where nothing is wrong
	for _, alike := range check.ByRow(found) {
		var one *Fix
		if fix := check.FixOfAlike(ctx, m, found, alike, shelf); fix != nil {
			one = fixOf(fix, speak)
		}
		out = append(out, one)
	}
	return out, ctx.Err()
}

// FixAll searches for the fixes of all stops and warnings of the document, each of what the one before
// leaves. The search ends with the context, with what was found by then. The error is format.Faults.
func FixAll(ctx context.Context, doc *format.Document, opt Options) (*AllFixes, error) {
	m, err := Measured(doc, opt.House)
	if err != nil {
		return nil, err
	}
	speak, out := en.In(opt.Unit), &AllFixes{Says: []string{}, Operations: []Operation{}, Left: []string{}}
	all := check.FixAll(ctx, m, opt.Shelf.of(doc), opt.Stock)
	for i := range all.Fixes {
		fix := fixOf(&all.Fixes[i], speak)
		out.Says, out.Operations = append(out.Says, fix.Says), append(out.Operations, fix.Operations...)
	}
	for _, alike := range check.ByRow(all.Left) {
		_, says := speak.ProblemOf(alike)
		out.Left = append(out.Left, says)
	}
	return out, nil
}

func fixOf(f *check.Fix, speak en.Speaker) *Fix {
	out := &Fix{Says: speak.Fix(f)}
	for _, op := range f.Ops {
		out.Operations = append(out.Operations, OperationOf(op))
	}
	return out
}

// making adds the steps of the work, with the tools, techniques and cautions that follow from them.
func (a *Analysis) making(m *measure.Measured, opt Options) {
	a.Steps, a.Tools, a.Techniques = []MakingStep{}, []Tool{}, []string{}
	all, speak := steps.For(m, opt.Given), en.In(opt.Unit)
	for i, s := range m.Strands {
		a.Strands[i].LeftEnd, a.Strands[i].RightEnd = speak.End(m.Piece, s, &s.Left), speak.End(m.Piece, s, &s.Right)
	}
	for _, c := range caution.For(m, all) {
		a.Cautions = append(a.Cautions, CautionShown{string(c), en.Caution(c)})
	}
	for _, c := range caution.CareFor(m) {
		a.Care = append(a.Care, en.Care(c))
	}
	for _, t := range technique.For(all, m.Piece.House) {
		a.Techniques = append(a.Techniques, string(t))
	}
	for _, s := range speak.Steps(all) {
		a.Steps = append(a.Steps, MakingStep{s.ID, s.Says, s.Must})
	}
	for _, t := range tools.For(all, m.Piece.House) {
		name, what := speak.Tool(t, m.Piece.House.Needle)
		a.Tools = append(a.Tools, Tool{name, what, t.Optional})
	}
}

// planning says of every step of the planning how far it is, by its checks.
func (a *Analysis) planning(m *measure.Measured) {
	p := m.Piece
	touched := []struct {
		step check.Step
		is   bool
	}{
		{check.StepDecide, p.Target != nil},
		{check.StepLayOut, a.beads() > 0},
		{check.StepFit, p.Body != nil && p.Body.Measure > 0 || p.Hanging != nil && p.Hanging.Over != ""},
		{check.StepEnds, p.SlipsOn() || p.Closure.Type == piece.Tied || bothEndsMade(m)},
	}
	for _, t := range touched {
		state := "untouched"
		if t.is {
			state = "settled"
		}
		for _, c := range a.Checks {
			here := c.Step == string(t.step) || t.step == check.StepEnds && c.End != ""
			if here && c.Waived == "" && c.Severity != string(check.Advise) {
				state = "wrong"
			}
		}
		a.Thread = append(a.Thread, ThreadStep{string(t.step), state})
	}
}

func (a *Analysis) beads() int {
	n := 0
	for _, s := range a.Strands {
		n += s.Beads
	}
	return n
}

func bothEndsMade(m *measure.Measured) bool {
	for _, s := range m.Strands {
		if s.Left.Length <= 0 || s.Right.Length <= 0 {
			return false
		}
	}
	return true
}
