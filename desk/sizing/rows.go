package sizing

import (
	"context"
	"errors"
	"math"

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

// SizeOfRows finds the way of a piece of several rows or sections to a size: the leading row's
// loop comes to the size, and every other to the length that follows from it, one after the
// other. In a loop of several sections each takes its share; chain follows where no beads do.
func SizeOfRows(ctx context.Context, doc *format.Document, ask SizeAsk, opt desk.Options) (*SizeFound, error) {
	w := newRowSizer(doc, ask, opt)
	if err := w.size(ctx); err != nil || len(w.out.Items) == 0 || w.tighter == 0 {
		return w.out, err
	}
	// A row is tighter than the leading one: the piece comes to its wearer by that.
	again := newRowSizer(doc, ask, opt)
	again.room = w.tighter
	err := again.size(ctx)
	return again.out, err
}

func newRowSizer(doc *format.Document, ask SizeAsk, opt desk.Options) *rowSizer {
	w := &rowSizer{doc: apart(doc), ask: ask, opt: opt, out: &SizeFound{SizeWanted: ask.SizeWanted, Items: []SizeWay{}}, settled: map[piece.ID]bool{}}
	w.doc.Sizes = nil
	return w
}

// size brings the rows to the size, one after the other.
func (w *rowSizer) size(ctx context.Context) error {
	own, err := desk.Measured(w.doc, w.opt.House)
	if err != nil {
		return err
	}
	w.leading = own.Leading().Row.ID
	if w.ask.MeasureMm > 0 { // the target stays until the leading row has its length: fills need one
		w.doc.Body = bodyFor(w.doc, w.ask.MeasureMm)
	} else {
		w.doc.Target = &format.Target{FinishedMm: w.ask.FinishedMm, ToleranceMm: w.tolerance()}
	}
	if w.piece, err = w.doc.Piece(w.opt.House); err != nil {
		return err
	}
	rows := own.Piece.Main().Rows
	for _, row := range rows {
		if err := w.loop(ctx, row.ID); err != nil || w.out.Why != "" {
			return w.faultOf(err)
		}
		w.write()
		if err := w.chain(row.ID); err != nil { // what follows it follows the links it has then
			return err
		}
	}
	return w.found(own)
}

// rowSizer brings one row after the other to its length. It works on the piece, and writes the
// lines into the document when they are all there.
type rowSizer struct {
	doc     *format.Document
	piece   *piece.Piece
	ask     SizeAsk
	opt     desk.Options
	leading piece.ID
	settled map[piece.ID]bool // rows that have their line
	out     *SizeFound
	says    []string
	follows bool      // a proposal takes it along: what does not bring a row all the way is left
	whole   bool      // take no change that does not bring a row all the way
	room    length.MM // by how much the leading row is to be roomier inside, as another is tighter
	tighter length.MM // by how much the tightest row of what was found is tighter than right
}

func (w *rowSizer) tolerance() length.MM {
	switch {
	case w.ask.Tolerance != nil:
		return *w.ask.Tolerance
	case w.doc.Target != nil:
		return w.doc.Target.ToleranceMm
	}
	return piece.StandardTolerance
}

// faultOf gives what went wrong its place.
func (w *rowSizer) faultOf(err error) error {
	var fault *measure.Fault
	if errors.As(err, &fault) {
		return w.doc.LineFault(fault.Row, fault.Err)
	}
	return err
}

// strand measures a row as it is now, with chain that fills up filled.
func (w *rowSizer) strand(id piece.ID) (*measure.Strand, error) {
	p, err := measure.Filled(w.piece)
	if err != nil {
		return nil, err
	}
	return measure.Row(p, p.Row(id))
}

// value is the length of a row that a goal is about.
func (w *rowSizer) value(id piece.ID, inside bool) (length.MM, error) {
	s, err := w.strand(id)
	if err != nil {
		return 0, err
	}
	return valueOf(w.piece, s, inside), nil
}

func valueOf(p *piece.Piece, s *measure.Strand, inside bool) length.MM {
	if inside {
		mm, _ := s.Inside()
		return mm
	}
	return s.ForTarget(p)
}

// loop brings the loop that a row of the main section lies in to what is asked of it; where
// that cannot be it says why.
func (w *rowSizer) loop(ctx context.Context, id piece.ID) error {
	shares, err := w.sharesOf(id)
	if err != nil {
		return err
	}
	s, err := w.strand(id)
	if err != nil {
		return err
	}
	// A row that follows none comes to the wearer by itself.
	wearer := w.ask.MeasureMm > 0 && (id == w.leading || w.piece.Row(id).Follow.Rule == piece.Free)
	goal, says := goalOf(&Aim{Document: *w.doc, Wearer: wearer}, &measure.Measured{Piece: w.piece}, s)
	switch {
	case says != "" && id == w.leading:
		w.out.Why = says
		return nil
	case says == "" && len(shares) == 0 && w.pinned(id) && !goal.Takes(valueOf(w.piece, s, goal.Inside)):
		w.out.Why = en.OfRow(w.piece.Number(id), en.Says(words.AllRowPinned))
		return nil
	case wearer && id == w.leading:
		goal.Want, goal.Least, goal.Most = goal.Want+w.room, goal.Least+w.room, goal.Most+w.room
	}
	if says == "" && len(shares) > 0 { // a row of its own length follows none
		if err := w.evenly(ctx, goal, shares); err != nil || w.out.Why != "" {
			return err
		}
	}
	if wearer && id == w.leading { // the others follow the length that it has now
		now, err := w.value(id, false)
		if err != nil {
			return err
		}
		w.doc.Target = &format.Target{FinishedMm: desk.Exact(now), ToleranceMm: piece.StandardTolerance}
		w.piece.Target = &piece.Target{Finished: desk.Exact(now), Tolerance: piece.StandardTolerance}
	}
	return nil
}

// pinned says whether a row may not change in any section.
func (w *rowSizer) pinned(id piece.ID) bool {
	row := w.piece.Row(id)
	for i := range w.piece.Sections {
		if r := w.piece.In(row, &w.piece.Sections[i]); r.Corded() && piece.RowPinned(w.piece.Pins, r) {
			return true
		}
	}
	return false
}

// evenly brings a loop to its goal, a row that has to change first to where its step from the
// row before is even, as that has come out; where nothing does that, anywhere within what is
// right.
func (w *rowSizer) evenly(ctx context.Context, goal solve.Goal, shares []share) error {
	now, err := w.value(goal.Row, goal.Inside)
	if err != nil {
		return err
	}
	step, before := w.before(goal.Row)
	if before == nil || goal.Takes(now) {
		return w.bring(ctx, goal, shares)
	}
	was, err := w.value(before.ID, false)
	if err != nil {
		return err
	}
	half := goal.Tolerance / 2
	even := goal
	even.Want, even.Tolerance = evenWith(goal.Want, was+step, half), half
	even.Least, even.Most = 0, 0
	kept, says := w.piece.Clone(), w.says
	w.whole = w.follows && len(shares) == 1
	err = w.bring(ctx, even, shares)
	if w.whole = false; err != nil || w.out.Why == "" {
		return err
	}
	w.piece, w.says, w.out.Why = kept, says, ""
	return w.bring(ctx, goal, shares)
}

// evenWith is what is wanted, moved to where the step from the row before is even, by no more than so
// much.
func evenWith(want, even, most length.MM) length.MM { return max(want-most, min(even, want+most)) }

// before is the row that a row follows by a step, and the step; nil where it follows none.
func (w *rowSizer) before(id piece.ID) (step length.MM, before *piece.Row) {
	for i, r := range w.piece.Main().Rows {
		if r.ID != id || i == 0 {
			continue
		}
		switch r.Follow.Rule {
		case piece.Equal:
			return 0, w.piece.Main().Rows[i-1]
		case piece.Longer, piece.Touching:
			return r.Follow.Step, w.piece.Main().Rows[i-1]
		}
	}
	return 0, nil
}

// write puts the lines that were found into the document.
func (w *rowSizer) write() {
	for _, r := range w.piece.Rows() {
		if w.settled[r.ID] {
			rowOf(w.doc, r.ID).Line = r.Line.String()
		}
	}
}

// chain gives a row that is all of chain the links that come nearest to what is asked of it.
func (w *rowSizer) chain(id piece.ID) error {
	m, err := desk.Measured(w.doc, w.opt.House)
	if err != nil {
		return err
	}
	row := m.Piece.Row(id)
	chain := row.Chain()
	t := desk.TargetOf(m.Piece, m.Strand(id))
	if row.Corded() || chain == nil || t == nil || t.Within || chain.Fill || piece.RowPinned(m.Piece.Pins, row) {
		return nil
	}
	at := &format.Place{Fitting: string(chain.ID)}
	even := *w.doc
	if step, before := w.before(id); before != nil && even.Target != nil {
		was, err := w.value(before.ID, false)
		if err != nil {
			return err
		}
		target := *even.Target
		target.FinishedMm += evenWith(t.FinishedMm, was+step, t.ToleranceMm/2) - t.FinishedMm
		even.Target = &target
	}
	filled, err := desk.Apply(&even, []desk.Operation{{Do: "set-fill", At: at, Text: string(piece.Yes)}, {Do: "set-fill", At: at, Text: string(piece.No)}}, w.opt)
	if err != nil { // it cannot fill up, and stays as it is
		return nil
	}
	was, now := chain.Links, 0
	eachFitting(&filled.Document, func(f *format.Fitting) {
		if f.ID == string(chain.ID) {
			now = f.Links
		}
	})
	if now != was {
		filled.Document.Target = w.doc.Target
		*w.doc = filled.Document
		w.piece.Row(id).Chain().Links = now
		w.says = append(w.says, en.LinksNow(m.Piece.Number(id), now, was))
	}
	return nil
}

// wearable says whether a piece suits and goes over what it must pass.
func wearable(fit *size.Fit) bool { return fit.Suits() && (fit.Passage == nil || fit.Passage.Passes) }

// found is the piece as it has become; where a row with beads is off its length it says so.
func (w *rowSizer) found(own *measure.Measured) error {
	after, err := desk.Measured(w.doc, w.opt.House)
	if err != nil {
		return err
	}
	speak := en.In(w.opt.Unit)
	for _, s := range after.Strands {
		t := desk.TargetOf(after.Piece, s)
		if t == nil || t.Within {
			continue
		}
		off := length.MM(math.Abs(float64(t.OffMm)))
		if s.Row.Corded() {
			w.out.Why = speak.RowOff(after.Piece.Number(s.Row.ID), off)
			return nil
		}
		w.says = append(w.says, speak.RowStays(after.Piece.Number(s.Row.ID), off))
	}
	s := after.Strand(w.leading)
	off := s.ForTarget(after.Piece) - w.ask.FinishedMm
	if fit := size.Of(after); fit != nil && w.ask.MeasureMm > 0 {
		off = fit.Ease - fit.Middle
		switch {
		case wearable(fit):
		case w.room != 0 || after.Binding() == s:
			w.out.Why = speak.Unworn(after.Piece.Number(after.Binding().Row.ID), fit)
			return nil
		default:
			w.tighter = size.OfRow(after, s).Inside - fit.Inside
		}
	}
	way := sizeWay(own, own.Leading(), &Aim{Document: *w.doc}, &solve.Proposal{Measured: after, Value: s.Finished(), Off: off, Line: s.Row.Line.String()}, w.opt)
	if w.says != nil {
		way.Changes = w.says
	}
	way.Beads, way.CutMm = after.AllBeads(), 0
	for _, s := range after.Strands {
		way.CutMm = desk.Exact(way.CutMm + s.CutLength())
	}
	way.Keep = keptSize(own, &w.ask.SizeWanted, &way, w.doc)
	w.out.Items = append(w.out.Items, way)
	return nil
}
