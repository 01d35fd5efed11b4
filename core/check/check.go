// Package check holds the judgements a designer would make at the bench, one
// file each: what fires, how grave it is, where, why with its numbers, and
// where it can a fix that is a real change of the piece.
package check

import (
	"cmp"
	"mala/core/design"
	"slices"

	"mala/core/measure"
	"mala/core/piece"
)

// Severity says how grave a finding is.
type Severity string

// The severities, the gravest first: the piece cannot be made as it is; it will
// come out wrong; it could be better.
const (
	Stop   Severity = "stop"
	Warn   Severity = "warn"
	Advise Severity = "advise"
)

// rank orders severities, the gravest 0.
func (s Severity) rank() int { return slices.Index([]Severity{Stop, Warn, Advise}, s) }

// Step is the step of the planning at which a finding is put right.
type Step string

// The steps.
const (
	StepDecide Step = "decide"
	StepLayOut Step = "lay-out"
	StepFit    Step = "fit"
	StepEnds   Step = "ends"
)

// Steps lists them in the order they are done.
func Steps() []Step { return []Step{StepDecide, StepLayOut, StepFit, StepEnds} }

// Problem is one judgement on a measured piece. Alike findings with one cause are
// one, with all its places.
type Problem struct {
	Code     string
	Severity Severity
	Step     Step
	At       piece.Place
	More     []piece.Place // the other places of the same cause
	Column   int           // of the bead line, from 1; 0 for none
	Fact     Fact          // what is wrong, with its figures
	Waived   string        // the reason it was accepted for; empty if it was not
	Row      int           // the number of the row that it is about; 0 of one row alone, of no row in particular, or where the fact says it

	// cause tells findings of one code apart, wherever a change moves them.
	cause string
}

// places is how many places the finding has.
func (f *Problem) places() int { return 1 + len(f.More) }

// View is a measured piece as the checks look at it.
type View struct {
	*measure.Measured
	stock Stock
}

// Check is one judgement. It declares what it looks at: the piece as a whole, a
// strand, or an end of a strand; and, asked about one of its findings, which
// changes might put it right, the most likely first.
type Check struct {
	Code   string
	Step   Step
	Lies   bool // it asks how the piece lies round a body or hangs
	Piece  func(v *View) []Problem
	Strand func(v *View, s *measure.Strand) []Problem
	End    func(v *View, s *measure.Strand, e *measure.End) []Problem
	Fix    func(v *View, f *Problem, shelf Shelf) []Fix
}

// checks lists every check there is.
var checks = []*Check{
	&holeTooSmall, &crimpSwallowed, &beadSwallowed, &crimpMisfit, &coverMisfit, &pinSlipping, // what goes through what
	&lengthOff, &slackShort, &slackLong, &easeOff, // how it lies
	&loopBreak, &centreParity, &patternBreak, &capMisfit, &liesSideways, &charmHidden, // the order of the beads
	&rowOrder, &rowsCross, &rowsGape, &stepsUneven, &centresDiffer, &holeEmpty, // rows beside one another
	&gapUnheld, &gapShort, &gapSlips, &dropStiff, &loopShort, &ridersBlocked, &riderSlips, &topsMisfit, &holesCovered, &leans, &footLight, &loopTooSmall, // beads that stand apart, and drops
	&endUnheld, &noClasp, &loopMisfit, &toggleBlocked, &ringTooSmall, &claspClosedEye, &chainSoldered, &weakLink, &metalsDiffer, // the ends
	&elasticMisfit, &knotShows, &legShort, // the cord
	&shelfShort, // what there is of it
}

// Codes lists the codes of all checks.
func Codes() []string {
	out := make([]string, len(checks))
	for i, c := range checks {
		out[i] = c.Code
	}
	return out
}

// HasFix says whether a fix may be found for findings of a code.
func HasFix(code string) bool {
	return slices.ContainsFunc(checks, func(c *Check) bool { return c.Code == code && c.Fix != nil })
}

// All judges the piece, gravest first, those that were waived last.
func All(m *measure.Measured) []Problem { return AllOf(m, nil) }

// AllOf judges the piece and whether there is enough in stock to make it.
func AllOf(m *measure.Measured, stock Stock) []Problem {
	v := &View{m, stock}
	byCheck := make([][]Problem, len(checks))
	for _, lies := range []bool{false, true} { // how it lies may still be worked out beside the others
		for i, c := range checks {
			if c.Lies == lies {
				byCheck[i] = c.judge(v)
			}
		}
	}
	found := slices.Concat(byCheck...)
	for i := range found {
		found[i].waive(m.Piece.Waived)
	}
	rank := func(f Problem) int {
		if f.Waived != "" {
			return 1 + Advise.rank()
		}
		return f.Severity.rank()
	}
	slices.SortStableFunc(found, func(a, b Problem) int { return cmp.Compare(rank(a), rank(b)) })
	return found
}

func (c *Check) judge(v *View) []Problem {
	var found []Problem
	if c.Piece != nil {
		found = append(found, c.Piece(v)...)
	}
	for _, s := range v.Strands {
		if c.Strand != nil {
			found = append(found, v.ofRow(s, c.Strand(v, s))...)
		}
		for _, e := range s.Ends() {
			if c.End != nil {
				found = append(found, v.ofRow(s, c.End(v, s, e))...)
			}
		}
	}
	found = v.once(found)
	for i := range found {
		f := &found[i]
		f.Code, f.Step = c.Code, c.Step
		if s := v.Measured.Strand(f.At.Row); s != nil && f.At.Element >= 0 {
			f.Column = s.Row.Line.Nodes[s.Beads[f.At.Element].Node].Col
		}
	}
	return found
}

// ofRow marks findings as those of a row, but for those at a fitting that several share.
func (v *View) ofRow(s *measure.Strand, found []Problem) []Problem {
	for i := range found {
		f := &found[i]
		if _, says := f.Fact.(namesRow); !says && (f.At.Fitting == "" || !v.Piece.IsShared(f.At.Fitting)) {
			f.Row = v.numberOf(s)
		}
	}
	return found
}

// once leaves out what has been found of a fitting that several rows share with a row
// before.
func (v *View) once(found []Problem) []Problem {
	if !v.Piece.Several() {
		return found
	}
	type shared struct {
		fitting piece.ID
		cause   string
	}
	seen := map[shared]bool{}
	return slices.DeleteFunc(found, func(f Problem) bool {
		at := shared{f.At.Fitting, f.cause}
		if !v.Piece.IsShared(f.At.Fitting) {
			return false
		}
		was := seen[at]
		seen[at] = true
		return was
	})
}

// About is the id of the one material that the problem is about, where another like it may be at the
// same place; empty where its place says enough.
func (f *Problem) About() string {
	if l, is := f.Fact.(Lack); is {
		return l.Of.ID
	}
	return ""
}

// waive marks the finding as accepted if waivers cover all of it.
func (f *Problem) waive(waivers []piece.Waiver) {
	note := ""
	for _, at := range append([]piece.Place{f.At}, f.More...) {
		i := slices.IndexFunc(waivers, func(w piece.Waiver) bool {
			return w.Code == f.Code && w.At.Covers(at) && (w.Of == "" || w.Of == f.About())
		})
		if i < 0 {
			return
		}
		if note == "" {
			note = waivers[i].Note
		}
	}
	f.Waived = note
}

// gather makes alike findings of beads one, with all their places, in the order
// they come along the strand.
type gather struct {
	strand *measure.Strand
	at     map[string]int
	found  []Problem
}

// add notes a finding at a bead; make is asked once for each cause.
func (g *gather) add(cause string, bead int, make func() Problem) {
	if i, known := g.at[cause]; known {
		g.found[i].More = append(g.found[i].More, g.strand.Row.AtBead(bead))
		return
	}
	if g.at == nil {
		g.at = map[string]int{}
	}
	g.at[cause] = len(g.found)
	f := make()
	f.At, f.cause = g.strand.Row.AtBead(bead), cause
	g.found = append(g.found, f)
}

// design is what a strand is to its designer, worked out once.
func (v *View) design(s *measure.Strand) *design.Strand {
	type designOf struct{ of *measure.Strand }
	return v.Kept(designOf{s}, func() any { return design.Of(v.Piece, s) }).(*design.Strand)
}

// order is a strand's order as it is seen, worked out once.
func (v *View) order(s *measure.Strand) []design.Seen {
	type orderSeen struct{ of *measure.Strand }
	return v.Kept(orderSeen{s}, func() any { return design.Order(s) }).([]design.Seen)
}
