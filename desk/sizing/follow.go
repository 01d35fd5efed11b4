package sizing

import (
	"context"
	"slices"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/size"
	"mala/desk"
	"mala/format"
)

// followed takes the rows along that follow the leading one, where a way changes that: each comes to the
// length that is asked of it then. What cannot be brought there the way says.
func (w *Way) followed(ctx context.Context, in *Aim, m *measure.Measured, opt desk.Options) error {
	if !m.Piece.Several() || m.Piece.Target == nil || len(w.Operations) == 0 {
		return nil
	}
	edited, err := desk.Apply(&in.Document, w.Operations, opt)
	if err != nil {
		return err
	}
	rows := newRowSizer(&edited.Document, SizeAsk{inStock: in.InStock}, opt)
	rows.leading, rows.follows = m.Leading().Row.ID, true
	if rows.piece, err = rows.doc.Piece(opt.House); err != nil {
		return err
	}
	for _, row := range m.Piece.Main().Rows[1:] {
		if row.Follow.Rule == piece.Free || ctx.Err() != nil {
			continue
		}
		rows.out.Why = ""
		kept, says := rows.piece.Clone(), rows.says
		if err := rows.loop(ctx, row.ID); err != nil {
			return rows.faultOf(err)
		}
		if rows.out.Why != "" { // it stays as it is
			rows.piece, rows.says = kept, append(says, rows.out.Why)
			continue
		}
		rows.write()
		if err := rows.chain(row.ID); err != nil {
			return err
		}
	}
	return w.take(rows, &edited.Document, m, opt)
}

// take adds what the other rows change, with what comes and goes in all.
func (w *Way) take(rows *rowSizer, before *format.Document, m *measure.Measured, opt desk.Options) error {
	var ops []desk.Operation
	for _, r := range rows.piece.Rows() {
		if was, is := rowOf(before, r.ID), rowOf(rows.doc, r.ID); was != nil && is != nil && was.Line != is.Line {
			ops = append(ops, desk.Operation{Do: "set-line", At: &format.Place{Strand: string(r.ID)}, Text: is.Line})
		}
	}
	links := map[string]int{}
	eachFitting(before, func(f *format.Fitting) { links[f.ID] = f.Links })
	eachFitting(rows.doc, func(f *format.Fitting) {
		if f.Links != links[f.ID] && !f.Fill {
			ops = append(ops, desk.Operation{Do: "set-links", At: &format.Place{Fitting: f.ID}, N: f.Links})
		}
	})
	if len(ops) == 0 && len(rows.says) == 0 {
		return nil
	}
	w.Operations, w.Changes = append(w.Operations, ops...), append(slices.Clone(w.Changes), rows.says...)
	after, err := desk.Measured(rows.doc, opt.House)
	if err != nil {
		return err
	}
	w.Price, w.Short = priceOf(m, after), shortOf(after, opt)
	w.worn(after, 0)
	return nil
}

// worn says what the wearer feels: the tightest row, with what another place to close it at adds.
func (w *Way) worn(m *measure.Measured, longer length.MM) {
	if m.Piece.Hangs() {
		return
	}
	s := m.Binding()
	if inside, ok := s.Inside(); ok {
		mm := desk.Exact(inside + longer)
		w.InsideMm = &mm
	}
	if fit := size.OfRow(m, s); fit != nil {
		fit.Loosen(m.Piece, longer)
		ease := desk.Exact(fit.Ease)
		w.EaseMm, w.EaseWord = &ease, fit.Word
	}
}
