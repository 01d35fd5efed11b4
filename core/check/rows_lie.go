package check

import (
	"fmt"
	"math"

	"mala/core/drape"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// gapes is how wide the gap between two rows at the front may be until the designer says, in times
// the wider row.
const gapes = 3

// rowsCross warns of rows of a necklace that lie on one another somewhere in front, and of a bead
// that lies on the next row; it advises of what hangs onto it.
var rowsCross = Check{
	Code: "rows-cross", Step: StepLayOut, Lies: true,
	Piece: func(v *View) []Problem {
		return betweenRows(v, func(p *drape.Pair) []Problem {
			var found []Problem
			row, next := v.numberOf(p.Upper), v.numberOf(p.Lower)
			switch {
			case p.LiesOn():
				more := []piece.Place{p.Upper.Row.At()}
				if p.Wide != nil {
					more = append(more, p.Wide.Strand.Row.AtBead(p.Wide.Bead))
				}
				found = append(found, Problem{Severity: Warn, At: p.Lower.Row.At(), More: more, Fact: RowsClose{row, next, length.MM(p.Near), length.MM(p.Need)}})
			case p.Wide != nil:
				bead := p.Wide.Strand.Beads[p.Wide.Bead].Material
				found = append(found, Problem{Severity: Warn, At: p.Wide.Strand.Row.AtBead(p.Wide.Bead),
					Fact: BeadOnRow{bead, v.numberOf(p.Wide.Strand), row + next - v.numberOf(p.Wide.Strand), length.MM(p.Wide.Near), length.MM(p.Wide.Need)}})
			}
			g := gather{strand: p.Upper}
			for _, h := range p.Hung {
				onto := Problem{Severity: Advise, Fact: HangsOntoRow{h.Of, row, next, length.MM(h.Need), length.MM(h.Near)}}
				if h.Bead >= 0 {
					g.add("hangs "+h.Of.ID, h.Bead, func() Problem { return onto })
					continue
				}
				onto.At, onto.cause = p.Upper.Row.AtEnd(h.Side), "hung "+h.Of.ID
				found = append(found, onto)
			}
			return append(found, g.found...)
		})
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix { return otherSteps(v, v.lower(f), 1) },
}

// rowsGape advises where the gap between two rows is wide.
var rowsGape = Check{
	Code: "rows-gape", Step: StepLayOut, Lies: true,
	Piece: func(v *View) []Problem {
		return betweenRows(v, func(p *drape.Pair) []Problem {
			section := v.Piece.SectionOf(p.Upper.Row)
			most, asked := gapes*float64(max(p.Upper.Width(), p.Lower.Width())), section.Gap
			if asked != nil {
				most = float64(*asked)
			}
			if p.Gap <= most+tiny {
				return nil
			}
			return []Problem{{Severity: Advise, At: p.Lower.Row.At(), More: []piece.Place{p.Upper.Row.At()},
				Fact: RowsApart{v.numberOf(p.Upper), v.numberOf(p.Lower), length.MM(p.Gap), asked}}}
		})
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix { return otherSteps(v, v.lower(f), -1) },
}

// lower is the lower of the two rows that a finding is about.
func (v *View) lower(f *Problem) *measure.Strand {
	next := 0
	switch fact := f.Fact.(type) {
	case RowsClose:
		next = fact.Next
	case RowsApart:
		next = fact.Next
	case BeadOnRow:
		next = max(fact.Row, fact.Other)
	case HangsOntoRow:
		next = fact.Next
	}
	return v.Strand(v.Piece.Rows()[next-1].ID)
}

// betweenRows judges each two rows that lie next to each other in a section, as they hang; nothing
// where they do not, or where they are twisted together.
func betweenRows(v *View, judge func(p *drape.Pair) []Problem) []Problem {
	if !v.Piece.Several() {
		return nil
	}
	pairs := drape.Beside(v.Measured)
	var found []Problem
	for i := range pairs {
		p := &pairs[i]
		if v.Piece.SectionOf(p.Upper.Row).Twisted || math.IsInf(p.Near, 1) {
			continue
		}
		for _, f := range judge(p) {
			f.cause += fmt.Sprint(p.Upper.Row.ID, " and ", p.Lower.Row.ID)
			found = append(found, f)
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
	// BeadOnRow says that a bead of a row, wider than most of it, lies on another.
	BeadOnRow struct {
		Bead       *material.Material
		Row, Other int
		Near, Need length.MM // as with RowsClose
	}
	// HangsOntoRow says that what hangs from a row lies on the next.
	HangsOntoRow struct {
		Of        *material.Material
		Row, Next int
		Drop      length.MM // how far it hangs down
		Away      length.MM // how far the next row is from the cord there
	}
)

// ResizeRow makes a row so much longer than the one before it, or that long by itself.
type ResizeRow struct {
	Row int
	To  length.MM
	Own bool
}

func (RowsClose) fact()    {}
func (RowsApart) fact()    {}
func (BeadOnRow) fact()    {}
func (HangsOntoRow) fact() {}

func (ResizeRow) effect() {}
