package format

import (
	"mala/core/caution"
	"mala/core/check"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/steps"
)

// judge adds checks and cautions.
func (a *Analysis) judge(m *measure.Measured, doc *Document, opt Options) {
	a.Checks, a.Cautions = []Check{}, []CautionShown{}
	for _, f := range check.All(m, check.Bench{Shelf: atHand(doc, opt.Shelf), Unit: opt.Unit}) {
		c := Check{Code: f.Code, Severity: string(f.Severity), Strand: f.Strand, End: f.End, Column: f.Column, Title: f.Title, Says: f.Says,
			Waived: f.Waived, Step: stepOf(f.Code)}
		if f.Element >= 0 {
			element := f.Element
			c.Element = &element
		}
		if f.Fix != nil {
			c.Fix = fixOf(f.Fix, doc)
		}
		a.Checks = append(a.Checks, c)
	}
	for _, c := range caution.For(m) {
		a.Cautions = append(a.Cautions, CautionShown{c.Code, c.Says})
	}
}

// atHand is the shelf and what the piece lists for itself. Of a material that is
// both, the piece's own copy counts: a fix by its id would change nothing else.
func atHand(doc *Document, shelf []*material.Material) []*material.Material {
	listed := map[string]bool{}
	var out []*material.Material
	for i := range doc.Materials {
		listed[doc.Materials[i].ID] = true
		if own, faults := doc.Materials[i].Material(""); faults == nil {
			out = append(out, own)
		}
	}
	for _, m := range shelf {
		if !listed[m.ID] {
			out = append(out, m)
		}
	}
	return out
}

// The steps of the planning where a check is mended; the others are mended where
// the beads are laid out.
const (
	stepDecide = "decide"
	stepLayOut = "lay-out"
	stepFit    = "fit"
	stepEnds   = "ends"
)

func stepOf(code string) string {
	switch code {
	case "ease-off":
		return stepFit
	case "crimp-misfit", "cover-misfit", "slack-short", "slack-long", "ring-too-small", "clasp-closed-eye", "chain-soldered",
		"weak-link", "metals-differ", "elastic-misfit", "knot-shows", "leg-short":
		return stepEnds
	}
	return stepLayOut
}

// making adds the steps of the work and of the planning.
func (a *Analysis) making(m *measure.Measured, opt Options) {
	a.Steps = []MakingStep{}
	for _, s := range steps.For(m, opt.Unit) {
		a.Steps = append(a.Steps, MakingStep{s.Says, s.Must})
	}
	p := m.Piece
	touched := []struct {
		step string
		is   bool
	}{
		{stepDecide, p.Target != nil},
		{stepLayOut, len(m.Strands[0].Beads) > 0},
		{stepFit, p.Body != nil && p.Body.Measure > 0},
		{stepEnds, p.Closure.Type != piece.Clasp || m.Strands[0].Left.Length > 0 && m.Strands[0].Right.Length > 0},
	}
	for _, t := range touched {
		state := "untouched"
		if t.is {
			state = "settled"
		}
		for _, c := range a.Checks {
			here := c.Step == t.step || t.step == stepEnds && c.End != ""
			if here && c.Waived == "" && c.Severity != string(check.Advise) {
				state = "wrong"
			}
		}
		a.Thread = append(a.Thread, ThreadStep{t.step, state})
	}
}

// fixOf writes a fix as an edit of the document.
func fixOf(f *check.Fix, doc *Document) *Fix {
	w := &fixWriter{doc: doc, out: &Fix{Says: f.Says, Line: f.Edit.Line}}
	e := f.Edit
	if e.Cord != nil {
		w.out.Cord = w.id(e.Cord)
	}
	if e.Dish != nil {
		w.out.Palette = map[string]string{e.Dish.Key: w.id(e.Dish.Material)}
	}
	if e.Tail != nil || e.KnotPlace != nil {
		w.out.House = &House{}
		if e.Tail != nil {
			w.out.House.Tail = *e.Tail
		}
		if e.KnotPlace != nil {
			w.out.House.KnotPlace = *e.KnotPlace
		}
	}
	if e.Target != nil {
		target := length.MM(*e.Target)
		w.out.TargetMm = &target
	}
	if e.Ends != nil {
		w.out.Ends = &Ends{w.ids(e.Ends.Left), w.ids(e.Ends.Right), w.ids(e.Ends.ClosureLeft), w.ids(e.Ends.ClosureRight)}
	}
	if e.HouseSlack {
		w.out.Forget = append(w.out.Forget, "slackMm")
	}
	if e.Uncut {
		w.out.Forget = append(w.out.Forget, "cutMm")
	}
	return w.out
}

// fixWriter gathers the materials that the document does not list yet.
type fixWriter struct {
	doc *Document
	out *Fix
}

func (w *fixWriter) id(m *material.Material) string {
	for i := range w.doc.Materials {
		if w.doc.Materials[i].ID == m.ID {
			return m.ID
		}
	}
	for _, fetched := range w.out.Materials {
		if fetched == m.ID {
			return m.ID
		}
	}
	w.out.Materials = append(w.out.Materials, m.ID)
	return m.ID
}

func (w *fixWriter) ids(list []*material.Material) []string {
	out := make([]string, len(list))
	for i, m := range list {
		out[i] = w.id(m)
	}
	return out
}
