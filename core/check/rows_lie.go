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

// nearer is how near the middles of two rows may come, in parts of half their widths
// together, before they are said to cross; gapes how wide the gap between them at the
// front may be until the designer says, in times the wider row.
const (
	nearer = 0.9
	gapes  = 3
)

// rowsCross warns of rows of a necklace that lie on one another somewhere in front.
var rowsCross = Check{
	Code: "rows-cross", Step: StepLayOut, Lies: true,
	Piece: func(v *View) []Problem {
		return betweenRows(v, func(_ []*drape.Necklace, k int) *Problem {
			a, b := v.Main()[k], v.Main()[k+1]
			near, need := drape.Nearest(v.Measured)[k], float64(a.Width()+b.Width())/2
			if near >= nearer*need-tiny {
				return nil
			}
			needed, within := against(length.MM(need), length.MM(near))
			f := &Problem{Severity: Warn, Title: "Rows lie on each other",
				Says: fmt.Sprintf("As they hang, the middles of rows %d and %d come within %s; side by side they need %s.", v.number(k), v.number(k+1), within, needed)}
			if near == 0 {
				f.Title = "Rows cross"
				f.Says = fmt.Sprintf("As they hang, row %d crosses row %d. Make the outer one longer, or twist them together on purpose.", v.number(k+1), v.number(k))
			}
			return f
		})
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix { return otherSteps(v, v.Strand(f.At.Row), 1) },
}

// rowsGape advises where the gap between two rows at the front is wide.
var rowsGape = Check{
	Code: "rows-gape", Step: StepLayOut, Lies: true,
	Piece: func(v *View) []Problem {
		return betweenRows(v, func(rows []*drape.Necklace, k int) *Problem {
			gap, most, than := drape.Gap(rows, k), gapes*float64(max(v.Main()[k].Width(), v.Main()[k+1].Width())), "three times the wider row"
			if asked := v.Piece.Main().Gap; asked != nil {
				most, than = float64(*asked), "the "+v.in(*asked)+" that are wanted"
			}
			if gap <= most+tiny {
				return nil
			}
			return &Problem{Severity: Advise, Title: "A wide gap between rows",
				Says: fmt.Sprintf("At the front rows %d and %d hang %s apart, more than %s.", v.number(k), v.number(k+1), v.in(length.MM(gap)), than)}
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
		set := edit.Op{Do: edit.SetFollow, At: s.Row.At(), Text: string(piece.Longer), Length: &step}
		says := fmt.Sprintf("Make row %d %s longer than row %d", v.Piece.Number(s.Row.ID), step.In(v.Unit), v.Piece.Number(s.Row.ID)-1)
		if follow.Rule == piece.Own {
			set.Text, says = string(piece.Own), fmt.Sprintf("Make row %d %s long", v.Piece.Number(s.Row.ID), step.In(v.Unit))
		}
		switch {
		case fills:
			fixes = append(fixes, fix(says, set))
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
