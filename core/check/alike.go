package check

import (
	"context"
	"reflect"
	"slices"

	"mala/core/edit"
	"mala/core/measure"
)

// Alike is a problem that is the same in several rows, once for each; mostly it is one alone.
type Alike []*Problem

// namesRow is a fact that says itself which row it is about.
type namesRow interface{ namesRow() }

// Rows are the numbers of the rows that it is about, in the order of the piece; nil where it is about
// no row in particular.
func (a Alike) Rows() []int {
	var out []int
	for _, f := range a {
		if f.Row > 0 {
			out = append(out, f.Row)
		}
	}
	slices.Sort(out)
	return out
}

// ByRow puts together what is the same in several rows, in the order of the problems.
func ByRow(found []Problem) []Alike {
	var out []Alike
	for i := range found {
		f := &found[i]
		k := slices.IndexFunc(out, func(a Alike) bool { return a[0].alike(f) })
		if k < 0 {
			out = append(out, Alike{f})
			continue
		}
		out[k] = append(out[k], f)
	}
	return out
}

// alike says whether two problems are the same, of different rows.
func (f *Problem) alike(g *Problem) bool {
	return f.Row > 0 && g.Row > 0 && f.Row != g.Row && f.Code == g.Code && f.Severity == g.Severity && f.Waived == g.Waived && f.At.Side == g.At.Side &&
		len(f.More) == len(g.More) && reflect.DeepEqual(f.Fact, g.Fact)
}

// FixOfAlike finds what puts a problem right in all rows that have it: the fix of each, of the piece as
// the one before left it. Where one of them has none, those before are it; nil if the first has none.
func FixOfAlike(ctx context.Context, m *measure.Measured, found []Problem, alike Alike, shelf Shelf) *Fix {
	out := FixOf(ctx, m, found, alike[0], shelf)
	if out == nil || len(alike) == 1 {
		return out
	}
	all := &Fix{Does: out.Does, Ops: out.Ops, Rows: 1}
	after, err := edit.Try(m.Piece, shelf.Materials, all.Ops...)
	for _, f := range alike[1:] {
		if err != nil {
			return out
		}
		left := All(after)
		i := slices.IndexFunc(left, func(g Problem) bool { return key(&g) == key(f) })
		if i < 0 {
			continue // mended along with the one before
		}
		next := FixOf(ctx, after, left, &left[i], shelf)
		if next == nil {
			break
		}
		all.Rows++
		for _, does := range next.Does {
			if !slices.ContainsFunc(all.Does, func(e Effect) bool { return reflect.DeepEqual(e, does) }) {
				all.Does = append(all.Does, does)
			}
		}
		all.Ops = slices.Concat(all.Ops, next.Ops)
		after, err = edit.Try(after.Piece, shelf.Materials, next.Ops...)
	}
	if err != nil {
		return out
	}
	if all.More = beadsOf(after) - beadsOf(m); all.More != 0 {
		all.Longer = longest(m, after)
	}
	return all
}

func (LengthOff) namesRow()    {}
func (EaseOff) namesRow()      {}
func (BeadOnRow) namesRow()    {}
func (HangsOntoRow) namesRow() {}
