package desk

import (
	"context"
	"fmt"
	"math"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/solve"
	"mala/format"
)

// sizeOfRows finds the way of a piece of several rows to a size: the leading row comes to the
// size, and every other row to the length that follows from it, one after the other.
func sizeOfRows(ctx context.Context, doc *format.Document, ask sizeAsk, opt Options) (*SizeFound, error) {
	out := &SizeFound{SizeWanted: ask.SizeWanted, Items: []SizeWay{}}
	w := &rowSizer{ask: ask, opt: opt, out: out}
	w.doc = *doc
	w.doc.Sizes, w.doc.Sections = nil, cloneSections(doc.Sections)
	if len(doc.Sections) > 1 {
		out.Why = "A piece of several sections is brought to a length section by section, under Lay out. Save each length as a piece of its own."
		return out, nil
	}
	var err error
	if w.before, err = measured(&w.doc, opt.House); err != nil {
		return nil, err
	}
	if ask.MeasureMm > 0 { // the target stays until the leading row has its length: fills need one
		w.doc.Body = bodyFor(doc, ask.MeasureMm)
	} else {
		w.doc.Target = &format.Target{FinishedMm: ask.FinishedMm, ToleranceMm: w.tolerance()}
	}
	leading := w.before.Leading().Row.ID
	for _, row := range w.before.Piece.Main().Rows {
		if !row.Corded() || row.Line == nil || len(row.Line.Items) == 0 {
			continue // chain and links follow by themselves
		}
		if err := w.row(ctx, row.ID, row.ID == leading); err != nil || out.Why != "" {
			return out, err
		}
	}
	after, err := measured(&w.doc, opt.House)
	if err != nil {
		return nil, err
	}
	for _, s := range after.Strands {
		if t := targetOf(after.Piece, s); t != nil && !t.Within {
			out.Why = fmt.Sprintf("Row %d would be %s off its length: what it is made of comes in no such number. Let its chain fill up, or size the rows together, under Lay out.",
				after.Piece.Number(s.Row.ID), length.MM(math.Abs(float64(t.OffMm))).In(opt.Unit))
			return out, nil
		}
	}
	s := after.Strand(leading)
	way := sizeWay(w.before, w.before.Leading(), &Aim{Document: w.doc}, &solve.Proposal{Measured: after, Says: w.says, Value: s.Finished(), Line: s.Row.Line.String()}, opt.Unit)
	way.Rows, way.Beads, way.CutMm = w.lines, after.AllBeads(), 0
	for _, s := range after.Strands {
		way.CutMm = exact(way.CutMm + s.CutLength())
	}
	out.Items = append(out.Items, way)
	return out, nil
}

// rowSizer brings one row after the other to its length.
type rowSizer struct {
	doc    format.Document
	ask    sizeAsk
	opt    Options
	before *measure.Measured
	out    *SizeFound
	says   []string
	lines  map[string]string
}

func (w *rowSizer) tolerance() length.MM {
	switch {
	case w.ask.tolerance != nil:
		return *w.ask.tolerance
	case w.doc.Target != nil:
		return w.doc.Target.ToleranceMm
	}
	return piece.StandardTolerance
}

// row finds the line of one row; where there is none it says why.
func (w *rowSizer) row(ctx context.Context, id piece.ID, leading bool) error {
	m, err := measured(&w.doc, w.opt.House)
	if err != nil {
		return err
	}
	s := m.Strand(id)
	counted := s.Row.Line.Counted(s.Fills).String()
	if s.Row.Line.OpenFill() != nil { // a size has counts of its own
		w.put(id, counted, leading)
		if m, err = measured(&w.doc, w.opt.House); err != nil {
			return err
		}
		s = m.Strand(id)
	}
	aim := Aim{Document: w.doc, Wearer: leading && w.ask.MeasureMm > 0}
	goal, says := goalOf(&aim, m, s)
	switch {
	case says != "" && leading:
		w.out.Why = says
		return nil
	case says == "": // a row of its own length follows none
		found := solve.Solve(ctx, m, goal, solve.Rules{Pins: m.Piece.Pins, Unit: w.opt.Unit, LineOnly: true, Apart: true, Most: 1, Stock: w.opt.stock(w.ask.inStock)})
		off := found.Now - goal.Want
		switch {
		case max(off, -off) <= goal.Tolerance+1e-9:
		case ctx.Err() != nil:
			w.out.Why = noTime
			return nil
		case len(found.Proposals) == 0:
			w.out.Why = fmt.Sprintf("Row %d: %s", m.Piece.Number(id), found.Why)
			return nil
		default:
			counted = found.Proposals[0].Line
			for _, change := range found.Proposals[0].Says {
				w.says = append(w.says, fmt.Sprintf("row %d: %s", m.Piece.Number(id), change))
			}
		}
	}
	w.put(id, counted, leading)
	if leading && w.ask.MeasureMm > 0 { // the others follow the length that it has now
		if m, err = measured(&w.doc, w.opt.House); err != nil {
			return err
		}
		w.doc.Target = &format.Target{FinishedMm: exact(m.Strand(id).ForTarget(m.Piece)), ToleranceMm: piece.StandardTolerance}
	}
	return nil
}

// put writes a row's line.
func (w *rowSizer) put(id piece.ID, line string, leading bool) {
	for i := range w.doc.Sections {
		for k := range w.doc.Sections[i].Rows {
			if w.doc.Sections[i].Rows[k].ID == string(id) {
				w.doc.Sections[i].Rows[k].Line = line
			}
		}
	}
	if leading {
		return
	}
	if w.lines == nil {
		w.lines = map[string]string{}
	}
	w.lines[string(id)] = line
}
