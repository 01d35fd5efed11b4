package together

import (
	"context"
	"math"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/solve"
)

// around is how much further than the others are apart the lengths of a row are looked at, in mm.
const around = length.MM(15)

// optionsOf lists the ways a row can be: as it is, and with every other line that leaves it the same
// design. Their lengths are added up until they are measured.
func (t *task) optionsOf(ctx context.Context, k int, reach length.MM) []option {
	s := t.measured.Main()[k]
	out := []option{{length: s.Finished() - t.shift[k], exact: true}}
	if piece.RowPinned(t.measured.Piece.Pins, s.Row) {
		return out
	}
	if !s.Row.Corded() {
		return append(out, t.links(ctx, k, reach)...)
	}
	lines := solve.Lines(ctx, t.measured, s.Row.ID, solve.Rules{Pins: t.measured.Piece.Pins, Stock: t.stock}, reach)
	for i := range lines {
		l := &lines[i]
		out = append(out, option{length: out[0].length + l.By, line: l, does: l.Changes, tiers: l.Tiers, changes: len(l.Changes), moved: l.Moved})
	}
	return out
}

// links makes a row of chain longer or shorter by whole links.
func (t *task) links(ctx context.Context, k int, reach length.MM) []option {
	s := t.measured.Main()[k]
	chain := s.Row.Chain()
	if chain == nil || chain.Fill {
		return nil
	}
	most := 1
	if chain.Of.Finding.Inside > 0 {
		most = int(math.Ceil(float64(reach / chain.Of.Finding.Inside)))
	}
	var out []option
	for by := -most; by <= most && ctx.Err() == nil; by++ {
		n := chain.Links + by
		if by == 0 || n < 1 {
			continue
		}
		o := option{fitting: chain.ID, links: n, does: []solve.Change{solve.SetLinks{Links: n, Was: chain.Links, Chain: chain.Of}}, tiers: int(design.LongRuns), changes: 1, moved: max(by, -by)}
		if t.measure(k, &o) {
			out = append(out, o)
		}
	}
	return out
}

// measure works out the length of an option; false if it cannot be, or if it breaks
// what read the same from both ends.
func (t *task) measure(k int, o *option) bool {
	s := t.measured.Main()[k]
	p := t.measured.Piece.Clone()
	row := p.Row(s.Row.ID)
	if o.links > 0 {
		row.Chain().Links = o.links
	} else if row.Line = o.line.Written(); row.Line == nil {
		return false
	}
	is, err := measure.Row(p, row)
	if err != nil {
		return false
	}
	o.exact = true
	o.length = is.Finished() - t.shift[k]
	return !design.Symmetric(s) || design.Symmetric(is)
}

// opsOf are the operations of an option of a row.
func (t *task) opsOf(k int, o *option) []edit.Op {
	var out []edit.Op
	if o.links > 0 {
		out = append(out, edit.SetLinks{At: piece.Place{Fitting: o.fitting, Element: piece.NoElement}, Links: o.links})
	}
	if o.line != nil {
		out = append(out, edit.SetLine{At: t.measured.Main()[k].Row.At(), Line: o.line.Written().String()})
	}
	return out
}
