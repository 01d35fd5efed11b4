package check

import (
	"fmt"
	"math"

	"mala/core/drape"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// gapes is how wide the gap between two rows at the front may be until the designer says, in times
// the wider row.
const gapes = 3

// rowsCross warns of rows of a necklace that lie on one another somewhere in front.
var rowsCross = Check{
	Code: "rows-cross", Step: StepLayOut, Lies: true,
	Piece: func(v *View) []Problem {
		return betweenRows(v, func(_ []*drape.Necklace, k int) *Problem {
			a, b := v.Main()[k], v.Main()[k+1]
			near, need := drape.Nearest(v.Measured)[k], float64(a.Width()+b.Width())/2
			if near >= drape.LiesOn*need-tiny {
				return nil
			}
			return &Problem{Severity: Warn, Fact: RowsClose{v.number(k), v.number(k + 1), length.MM(near), length.MM(need)}}
		})
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix { return otherSteps(v, v.Strand(f.At.Row), 1) },
}

// rowsGape advises where the gap between two rows at the front is wide.
var rowsGape = Check{
	Code: "rows-gape", Step: StepLayOut, Lies: true,
	Piece: func(v *View) []Problem {
		return betweenRows(v, func(rows []*drape.Necklace, k int) *Problem {
			gap, most := drape.Gap(rows, k), gapes*float64(max(v.Main()[k].Width(), v.Main()[k+1].Width()))
			asked := v.Piece.Main().Gap
			if asked != nil {
				most = float64(*asked)
			}
			if gap <= most+tiny {
				return nil
			}
			return &Problem{Severity: Advise, Fact: RowsApart{v.number(k), v.number(k + 1), length.MM(gap), asked}}
		})
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix { return otherSteps(v, v.Strand(f.At.Row), -1) },
}

// betweenRows judges each row and the next as they hang; nothing where they do not, or
// where they are twisted together.
func betweenRows(v *View, judge func(rows []*drape.Necklace, k int) *Problem) []Problem {
	if !v.Piece.Several() || v.Piece.Twisted() {
		return nil
	}
	rows := drape.Rows(v.Measured)
	if rows == nil {
		return nil
	}
	rows = drape.Main(v.Measured, rows)
	var found []Problem
	for k := range v.Main()[1:] {
		if f := judge(rows, k); f != nil {
			f.At, f.More = v.Main()[k+1].Row.At(), []piece.Place{v.Main()[k].Row.At()}
			f.cause = fmt.Sprint(v.Main()[k].Row.ID, " and ", v.Main()[k+1].Row.ID)
			found = append(found, *f)
		}
	}
	return found
}

// otherSteps makes a row longer or shorter than the one before it, a little first.
func otherSteps(v *View, s *measure.Strand, way float64) []Fix {
	follow := s.Row.Follow
	fills := s.Row.Line.OpenFill() != nil
	var fixes []Fix
	for _, by := range []float64{3, 5, 8, 12, 16, 20, 25, 30, 40, 50, 65, 80} {
		step := length.MM(math.Round(float64(follow.Step) + way*by))
		set := edit.SetFollow{At: s.Row.At(), Rule: piece.Longer, Step: &step}
		resize := ResizeRow{v.Piece.Number(s.Row.ID), step, follow.Rule == piece.Own}
		if resize.Own {
			set.Rule = piece.Own
		}
		switch {
		case fills:
			fixes = append(fixes, fix(resize, set))
		default:
			for _, c := range firstOf(changedCounts(v, s, way*by, 2)) {
				if follow.Rule != piece.Free {
					c.Ops = append(c.Ops, set)
				}
				fixes = append(fixes, c)
			}
		}
	}
	return fixes
}

func firstOf(fixes []Fix) []Fix { return fixes[:min(1, len(fixes))] }

// How two rows may lie beside one another, named by their numbers.
type (
	RowsClose struct {
		Row, Next  int
		Near, Need length.MM // how near their middles come, 0 where they cross, and what they need
	}
	RowsApart struct {
		Row, Next int
		Gap       length.MM
		Wanted    *length.MM // where the designer says; else three times the wider row
	}
)

// ResizeRow makes a row so much longer than the one before it, or that long by itself.
type ResizeRow struct {
	Row int
	To  length.MM
	Own bool
}

func (RowsClose) fact() {}
func (RowsApart) fact() {}

func (ResizeRow) effect() {}
