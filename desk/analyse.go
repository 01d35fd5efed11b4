// Package desk is the application's work on a piece file: it analyses, edits,
// starts, suggests and compares, the same for the page and the command line. What
// it works out comes from the core; files are read and written by format.
package desk

import (
	"context"
	"errors"
	"math"

	"mala/core/chain"
	"mala/core/check"
	"mala/core/drape"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/steps"
	"mala/core/way"
	"mala/format"
	"mala/words/en"
)

// Options are how a piece is looked at.
type Options struct {
	Unit    length.Unit  // that sentences speak in
	Shelf   *Shelf       // what may be fetched beside the piece's own materials
	Fixes   bool         // with the fix of every check; without, they are searched for later
	Drawing bool         // with outlines and the lines as trees
	Picture bool         // and with where everything lies in the pictures
	Brief   bool         // in few words: what is looked at while a piece is laid out
	Given   steps.Given  // what a maker is given: as a kit holds it
	House   format.House // the shop's house method
	Stock   check.Stock  // what there is of each material; nil where it is not known
}

// StockIf is what there is of each material, nothing where it is not known; nil where it is not asked.
func (o *Options) StockIf(asked bool) check.Stock {
	switch {
	case !asked:
		return nil
	case o.Stock == nil:
		return check.Stock{}
	}
	return o.Stock
}

// Analyse works out the document. The error is format.Faults, or the context's
// if it ends before the figures are there; a search for fixes just ends with it.
func Analyse(ctx context.Context, doc *format.Document, opt Options) (*Analysis, error) {
	m, err := Measured(doc, opt.House)
	if err != nil {
		return nil, err
	}
	return analyse(ctx, m, doc, opt)
}

func analyse(ctx context.Context, m *measure.Measured, doc *format.Document, opt Options) (*Analysis, error) {
	measure.Ahead(func() { drape.Beside(m) })
	if !m.Piece.Hangs() {
		measure.Ahead(func() { _, _ = m.Wrap() })
	}
	a := &Analysis{Format: AnalysisFormat, Cautions: []CautionShown{}, FinishedMm: Exact(m.Finished), MassG: Thousandth(m.MassG), Unweighed: NonNil(m.Unweighed)}
	if err := ctx.Err(); err != nil {
		return nil, err
	}
	a.target(m)
	for _, s := range m.Strands {
		strand := strandOf(m.Piece, s)
		strand.Target = TargetOf(m.Piece, s)
		var err error
		if strand.Free, err = freeOf(m, s); err != nil {
			return nil, err
		}
		if opt.Brief {
			strand.Brief = briefly(s)
		} else {
			strand.Placed, strand.Runs, strand.Outwards = placedOf(s.Beads), runsOf(s), outwardsOf(s, m.Piece.House)
		}
		a.Strands = append(a.Strands, strand)
	}
	a.Beads = m.AllBeads()
	a.counts(m, opt.Stock)
	if !opt.Brief {
		a.making(m, opt)
	}
	if opt.Drawing {
		a.draw(m, opt.Brief)
	}
	if err := ctx.Err(); err != nil {
		return nil, err
	}
	a.judge(ctx, m, doc, opt)
	if m.Piece.Hangs() {
		a.hangs(m)
	} else {
		a.insides(m)
	}
	a.rows(m)
	a.fit(m)
	a.planning(m)
	if opt.Drawing && opt.Picture {
		a.Drawing.Picture = pictureOf(m)
	}
	return a, nil
}

// Measured measures the piece in a shop of this house method. The error is
// format.Faults.
func Measured(doc *format.Document, house format.House) (*measure.Measured, error) {
	p, err := doc.Piece(house)
	if err != nil {
		return nil, err
	}
	return measureOf(doc, p)
}

func measureOf(doc *format.Document, p *piece.Piece) (*measure.Measured, error) {
	m, err := measure.Measure(p)
	var fault *measure.Fault
	if errors.As(err, &fault) {
		return nil, doc.LineFault(fault.Row, fault.Err)
	}
	return m, err
}

// Exact rounds away what floating-point sums leave behind a millionth of a
// millimetre.
func Exact(l length.MM) length.MM { return length.MM(math.Round(float64(l)*1e6) / 1e6) }

// Thousandth rounds what is no length to three places.
func Thousandth(v float64) float64 { return math.Round(v*1000) / 1000 }

// NonNil writes an empty list as [] and not as null.
func NonNil[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}

func (a *Analysis) insides(m *measure.Measured) {
	switch w, err := m.Wrap(); {
	case err == nil:
		inside := Exact(w.Inside)
		a.InsideMm = &inside
	case errors.Is(err, chain.ErrLost):
		a.InsideState = InsideUnsolved
	case errors.Is(err, chain.ErrNothing):
		a.InsideState = InsideNothing
	default:
		a.InsideState = InsideOpen
	}
	if m.Rule != nil {
		a.InsideRule = &InsideRule{Mm: Exact(m.Rule.Inside), ThickMm: m.Rule.Thick}
	}
}

func (a *Analysis) target(m *measure.Measured) { a.Target = TargetOf(m.Piece, m.Leading()) }

// TargetOf holds a row against what is asked of it; nil where nothing is.
func TargetOf(p *piece.Piece, s *measure.Strand) *TargetState {
	t := p.TargetOf(s.Row)
	if t == nil {
		return nil
	}
	mm := Exact(s.ForTarget(p))
	off := Exact(mm - t.Finished)
	counts := p.House.TargetCounts
	if p.Hangs() && counts != piece.CountsBeads {
		counts = p.House.OrnamentCounts
	}
	return &TargetState{FinishedMm: t.Finished, ToleranceMm: t.Tolerance, Counts: counts,
		Mm: mm, OffMm: off, Within: math.Abs(float64(off)) <= float64(t.Tolerance)+1e-9}
}

func strandOf(p *piece.Piece, s *measure.Strand) Strand {
	out := Strand{ID: string(s.Row.ID), FinishedMm: Exact(s.Finished()), WidthMm: Exact(s.Width()), Line: s.Row.Line.String(), Ring: s.Ring, StrungMm: Exact(s.Strung), SlackMm: Exact(s.Slack),
		SlackNeededMm: Exact(s.SlackNeeded), CutMm: Exact(s.CutLength()), Beads: s.Count(),
		Left: partsOf(s, &s.Left), Right: partsOf(s, &s.Right), LeftHold: string(s.Left.Hold), RightHold: string(s.Right.Hold), Cut: []CutPart{},
		PathMm: Exact(s.PathLength()),
		Start:  Start{string(s.Start.Side), s.Start.By, Exact(s.Start.Tip)}, LeastCutMm: Exact(s.LeastCut())}
	out.LeftTail, out.RightTail = tailOf(s, &s.Left), tailOf(s, &s.Right)
	out.Knot, out.LeftKnot, out.RightKnot = knotOf(s.Knot), knotOf(s.Left.Hidden), knotOf(s.Right.Hidden)
	out.cut(s.Cut())
	out.LeftWays, out.RightWays = waysAt(p, s.Row, piece.Left), waysAt(p, s.Row, piece.Right)
	drops, count := s.Drops()
	for _, d := range drops {
		out.Drops = append(out.Drops, DropOf{Key: d.Key, Count: count[d], DeepMm: Exact(d.Deep), CordMm: Exact(d.Path)})
	}
	out.Riders, out.Lace = ridersOf(s), laceOf(s)
	if legs := s.Legs(); legs != nil {
		out.Legs = &LegsOf{Count: legs.Count, Folded: legs.Folded, EachMm: Exact(legs.Each), LeastMm: Exact(legs.Least)}
	}
	for _, h := range s.Holders() {
		held := HeldAt{AtMm: Exact(h.At), Outward: 1, LongMm: Exact(s.HolderLong()), Element: h.Bead}
		if h.Side == piece.Left {
			held.Outward = -1
		}
		out.Holders = append(out.Holders, held)
	}
	return out
}

// cut writes the sum of the cut so that its parts, as they are read, add up.
func (out *Strand) cut(items []way.Entry) {
	lengths := make([]length.MM, len(items))
	for i, c := range items {
		lengths[i] = c.Length
	}
	mm, sumMm := length.Parts(lengths, length.InMillimetres)
	in, sumIn := length.Parts(lengths, length.InInches)
	for i, c := range items {
		out.Cut = append(out.Cut, CutPart{en.CutItem(c.Item), Exact(c.Length), Read{mm[i], in[i]}})
	}
	out.CutRead = Read{sumMm, sumIn}
}

func waysAt(p *piece.Piece, r *piece.Row, side piece.Side) []string {
	out := []string{}
	for _, w := range p.WaysAt(r, side) {
		out = append(out, string(w))
	}
	return out
}

func knotOf(k *measure.Knot) *Knot {
	if k == nil {
		return nil
	}
	out := &Knot{AcrossMm: Exact(k.Across), Pull: k.Pull}
	if k.Bead >= 0 {
		out.Element = &k.Bead
	}
	return out
}

func loopOf(l *measure.BeadLoop) *BeadLoop {
	if l == nil {
		return nil
	}
	out := &BeadLoop{GirthMm: Exact(l.Girth), StrungMm: Exact(l.Strung), ThickMm: Exact(l.Thick)}
	for _, b := range l.Beads {
		out.Beads = append(out.Beads, LoopBead{b.Material.ID, Exact(b.At), b.Turned})
	}
	return out
}

// freeOf lists the stretches that may come in any order.
func freeOf(m *measure.Measured, s *measure.Strand) ([]FreeOf, error) {
	stretches, err := m.Free(s)
	var out []FreeOf
	for _, f := range stretches {
		out = append(out, FreeOf{f.First, f.Count, Exact(f.Shortest), Exact(f.Longest), f.About})
	}
	return out, err
}

func runsOf(s *measure.Strand) []RunOf {
	out, loose := []RunOf{}, s.Loose()
	for _, r := range s.Runs() {
		out = append(out, runOf(r, "", loose))
	}
	return out
}

func runOf(r measure.Run, side piece.Side, loose func(bead int) bool) RunOf {
	return RunOf{r.Key, r.Material.ID, r.Turned, r.First, r.Count, Exact(r.Reached), loose(r.First), string(side)}
}

// outwardsOf lists the runs from the centre, if the house strings so, or from the right, where
// the fold of the cord lies there; nil of a row that is strung from the left.
func outwardsOf(s *measure.Strand, h piece.House) []RunOf {
	var out []RunOf
	loose := s.Loose()
	if s.Start.Side == piece.Right {
		for _, r := range s.RunsFromRight() {
			out = append(out, runOf(r, "", loose))
		}
		return out
	}
	if !s.FromCentre(h) {
		return nil
	}
	right, left := s.Outwards()
	for _, r := range right {
		out = append(out, runOf(r, piece.Right, loose))
	}
	for _, r := range left {
		out = append(out, runOf(r, piece.Left, loose))
	}
	return out
}

func placedOf(beads []measure.Bead) []Placed {
	out := make([]Placed, len(beads))
	for i, b := range beads {
		out[i] = Placed{Key: b.Key, Material: b.Material.ID, Node: b.Node, AtMm: Exact(b.At), FromMm: Exact(b.From), ToMm: Exact(b.To),
			AlongMm: Exact(b.To - b.From), AcrossMm: b.Material.Bead.Across, Turned: b.Turned, Passes: b.Passes}
	}
	return out
}

// tailOf tells of a tail and of the finest hole on its way.
func tailOf(s *measure.Strand, e *measure.End) Tail {
	t := Tail{Mm: Exact(e.Tail), Beads: len(e.TailBeads)}
	for _, i := range e.TailBeads {
		b := &s.Beads[i]
		need := material.HoleFor(b.Passes, s.Row.Cord.Cord.Diameter)
		if hole := b.Material.Bead.Hole; t.Finest == "" || hole-need < t.HoleMm-t.NeedMm {
			t.Finest, t.HoleMm, t.NeedMm, t.Passes = b.Material.ID, hole, Exact(need), b.Passes
		}
	}
	return t
}

func partsOf(s *measure.Strand, e *measure.End) []EndPart {
	out := []EndPart{}
	spans := spansOf(s, e)
	for i, p := range e.Parts {
		if p.Role == measure.RoleRow {
			break // another section begins
		}
		part := EndPart{Role: string(p.Role), Fitting: string(p.Fitting), Mm: Exact(p.Length), Swallowed: p.Swallowed, Shared: p.Shared, Free: p.Free, With: p.With,
			FromMm: Exact(length.MM(spans[i][0])), ToMm: Exact(length.MM(spans[i][1])), Loop: loopOf(p.Loop), Links: p.Links}
		part.GirthMm = Exact(p.Girth)
		if p.Role == measure.RoleLeg || p.Role == measure.RoleTailBead {
			part.LegMm = s.Row.Ending(e.Side).Leg
		}
		if p.Material != nil {
			part.Material = p.Material.ID
			part.Carries = p.Fitting != "" && (&piece.Fitting{Of: p.Material}).Carries()
		}
		if p.Between != nil {
			part.Between = &Between{Of: p.Between.Of.ID, Links: p.Between.Links}
		}
		for _, m := range p.Hung {
			part.Hung = append(part.Hung, m.ID)
		}
		out = append(out, part)
	}
	return out
}

func (a *Analysis) counts(m *measure.Measured, stock check.Stock) {
	a.Tally, a.Sensitivity = []Count{}, []Sensitivity{}
	for _, c := range m.Tally {
		a.Tally = append(a.Tally, countOf(c))
	}
	for _, c := range m.Bought() {
		a.Bought = append(a.Bought, countOf(c))
	}
	for _, l := range stock.Short(m) {
		a.Short = append(a.Short, ShortOf{l.Of.ID, l.Has, Thousandth(l.Short())})
	}
	for _, s := range m.Sensitivity {
		a.Sensitivity = append(a.Sensitivity, Sensitivity{s.Material.ID, string(s.SizedFrom), Exact(s.PerTenth)})
	}
}

func countOf(c measure.Count) Count {
	out := Count{Material: c.Material.ID, Count: c.Count, ByStrand: c.ByStrand, Parts: partsOfMaterial(c.Material, c.Count)}
	out.Lost = c.Lost
	if c.Material.Class == material.ClassCord || c.Length > 0 && c.Material.Component == nil {
		cut := Exact(c.Length)
		out.CutMm = &cut
	}
	return out
}

// Strand finds the figures of a row by its id; nil if there are none.
func (a *Analysis) Strand(id string) *Strand {
	for i := range a.Strands {
		if a.Strands[i].ID == id {
			return &a.Strands[i]
		}
	}
	return nil
}
