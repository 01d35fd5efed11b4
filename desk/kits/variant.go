package kits

import (
	"cmp"
	"context"
	"fmt"
	"slices"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/desk"
	"mala/desk/sizing"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// variantKey names a piece in a size and a colourway; nothing for its own.
type variantKey struct {
	piece        int
	size, colour string
}

// variant is a piece in a size and a colourway.
type variant struct {
	number  int // among those that cells hold; -1 of one that none does yet
	doc     *format.Document
	m       *measure.Measured
	says    []string // what is wrong with it beside its checks
	changed bool     // its counts were changed to keep its length
}

// variant gives a piece in a size and a colourway, as it is where it has none of that name.
func (w *kitWork) variant(ctx context.Context, piece int, size, colour string) (*variant, error) {
	doc := &w.doc.Pieces[piece].Document
	key := variantKey{piece: piece}
	own := doc
	var says []string
	if i := slices.IndexFunc(doc.Sizes, func(s format.Size) bool { return s.Name == size }); i >= 0 && size != "" {
		key.size, own = size, sizing.InSize(doc, &doc.Sizes[i])
		says = sizing.SizeNotes(doc, &doc.Sizes[i])
	}
	i := slices.IndexFunc(doc.Colourways, func(c format.Colourway) bool { return c.Name == colour })
	if i >= 0 && colour != "" {
		key.colour, own = colour, own.InColours(&doc.Colourways[i])
	}
	if v := w.variants[key]; v != nil {
		return v, nil
	}
	plain := *own
	plain.Sizes, plain.Colourways, plain.Written = nil, nil, nil
	m, err := desk.Measured(&plain, w.opt.House)
	if err != nil {
		return nil, format.Faults{{Where: fmt.Sprintf("pieces[%d].document", piece), Says: fmt.Sprintf("%s: %s", doc.Name, err)}}
	}
	v := &variant{-1, plain.Tidied(), m, says, false}
	if key.colour != "" {
		base, err := w.variant(ctx, piece, size, "")
		if err != nil {
			return nil, err
		}
		if err := w.keepLength(ctx, v, base.m); err != nil {
			return nil, err
		}
	}
	w.variants[key] = v
	return v, nil
}

// keepLength brings a piece whose other materials moved its length back to its target, or to
// the length that it has in its own colours, by other counts; where none do it says so.
func (w *kitWork) keepLength(ctx context.Context, v *variant, base *measure.Measured) error {
	switch {
	case v.m.Piece.Hangs():
		v.moved(farthest(v.m, base, false), w.opt.Unit)
		return nil
	case v.m.Piece.Several():
		return w.keepRows(ctx, v, base)
	}
	was, is := base.Leading().ForTarget(base.Piece), v.m.Leading().ForTarget(v.m.Piece)
	if closeTo(is, was) {
		return nil // whatever it is off by, its colours did not do it
	}
	want, tolerance := was, piece.StandardTolerance
	if t := base.Piece.TargetOf(base.Leading().Row); t != nil {
		tolerance = t.Tolerance
		if off := was - t.Finished; max(off, -off) <= tolerance+1e-9 {
			want = t.Finished
		}
	}
	off := is - want
	if max(off, -off) <= tolerance+1e-9 {
		return nil
	}
	return w.resize(ctx, v, sizing.SizeWanted{FinishedMm: want}, tolerance, off)
}

// keepRows does so for a piece of several rows, of which each keeps what is asked of it.
func (w *kitWork) keepRows(ctx context.Context, v *variant, base *measure.Measured) error {
	off := farthest(v.m, base, false)
	t := desk.TargetOf(base.Piece, base.Leading())
	if max(off, -off) <= piece.StandardTolerance || t == nil {
		v.moved(off, w.opt.Unit)
		return nil
	}
	want := t.FinishedMm
	if !t.Within { // its colours did not do that
		want = base.Leading().ForTarget(base.Piece)
	}
	if err := w.resize(ctx, v, sizing.SizeWanted{FinishedMm: want}, t.ToleranceMm, off); err != nil || !v.changed {
		return err
	}
	v.moved(farthest(v.m, base, true), w.opt.Unit)
	return nil
}

// resize brings a variant to a length by other counts; where none do it says by how much its
// materials move it.
func (w *kitWork) resize(ctx context.Context, v *variant, want sizing.SizeWanted, tolerance, off length.MM) error {
	size := sizing.OneSize
	if v.m.Piece.Several() {
		size = sizing.SizeOfRows
	}
	found, err := size(ctx, v.doc, sizing.SizeAsk{SizeWanted: want, Tolerance: &tolerance}, w.opt)
	if err != nil {
		return err
	}
	if ctx.Err() != nil {
		return context.Cause(ctx)
	}
	if len(found.Items) == 0 {
		v.moved(off, w.opt.Unit)
		return nil
	}
	kept := *found.Items[0].Keep
	kept.FinishedMm, kept.MeasureMm = 0, 0 // what is asked of it stays
	doc := sizing.InSize(v.doc, &kept)
	m, err := desk.Measured(doc, w.opt.House)
	if err != nil {
		return err
	}
	v.doc, v.m, v.changed = doc, m, true
	return nil
}

// farthest is by how much the row is longer that differs most from the same in other materials;
// of those that nothing is asked of, if it is about them.
func farthest(m, base *measure.Measured, free bool) length.MM {
	off := length.MM(0)
	for i, s := range m.Strands {
		if free && m.Piece.TargetOf(s.Row) != nil {
			continue
		}
		if by := s.Finished() - base.Strands[i].Finished(); max(by, -by) > max(off, -off) {
			off = by
		}
	}
	return off
}

// moved says that the materials of a colourway move the length by more than is right.
func (v *variant) moved(off length.MM, unit length.Unit) {
	if max(off, -off) > piece.StandardTolerance {
		v.says = append(v.says, en.In(unit).ColourwayOff(off))
	}
}

// sameAs names the other sizes of the kit in which every piece comes out as in this one.
func (w *kitWork) sameAs(ctx context.Context, p *packed) ([]string, error) {
	var out []string
	holds := w.holds(p.of)
	for k, size := range w.sizes {
		if k == p.of.Size {
			continue
		}
		same := true
		for i, v := range p.variants {
			other, err := w.variant(ctx, holds[i], size, w.colours[p.of.Colourway])
			if err != nil {
				return nil, err
			}
			same = same && madeAlike(other.m, v.m)
		}
		if same {
			out = append(out, cmp.Or(size, en.Says(words.OwnSize)))
		}
	}
	return out, nil
}

// madeAlike says whether two pieces have the same beads in the same order, the same fittings and the
// same lengths.
func madeAlike(a, b *measure.Measured) bool {
	return slices.EqualFunc(a.Strands, b.Strands, func(s, o *measure.Strand) bool {
		return desk.Exact(s.Finished()) == desk.Exact(o.Finished()) && desk.Exact(s.CutLength()) == desk.Exact(o.CutLength()) &&
			slices.EqualFunc(s.Beads, o.Beads, func(x, y measure.Bead) bool { return x.Material.ID == y.Material.ID && x.Turned == y.Turned })
	}) && slices.EqualFunc(a.Tally, b.Tally, func(x, y measure.Count) bool { return x.Material.ID == y.Material.ID && x.Count == y.Count })
}
