package check

import (
	"fmt"
	"mala/core/design"
	"math"
	"slices"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// rowOrder warns of rows whose order at the left is not that at the right: they cross
// on the way.
var rowOrder = Check{
	Code: "row-order", Step: StepEnds,
	Piece: func(v *View) []Problem {
		var found []Problem
		for _, s := range v.Piece.Sections {
			for k := 1; k < len(s.Rows); k++ {
				a, b := s.Rows[k-1], s.Rows[k]
				left, right := [2]int{v.Piece.Hole(a, piece.Left), v.Piece.Hole(b, piece.Left)}, [2]int{v.Piece.Hole(a, piece.Right), v.Piece.Hole(b, piece.Right)}
				if slices.Contains(left[:], 0) || slices.Contains(right[:], 0) || (left[1] > left[0]) == (right[1] > right[0]) {
					continue
				}
				found = append(found, Problem{Severity: Warn, At: b.AtEnd(piece.Right), More: []piece.Place{a.AtEnd(piece.Right)}, cause: string(a.ID),
					Fact: RowsSwap{[2]int{v.Piece.Number(a.ID), v.Piece.Number(b.ID)}, left, right}})
				break
			}
		}
		return found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		out := fix(OrderSides{})
		for _, r := range v.Piece.SectionOf(v.Piece.Row(f.At.Row)).Rows {
			out.Ops = append(out.Ops, edit.SetPort{At: r.AtEnd(piece.Right), On: r.RightPort.On, Hole: v.Piece.Hole(r, piece.Left)})
		}
		return []Fix{out}
	},
}

// holeEmpty tells of holes of a connector or clasp that no row is in.
var holeEmpty = Check{
	Code: "hole-empty", Step: StepEnds,
	Piece: func(v *View) []Problem {
		var found []Problem
		for _, s := range v.Piece.Sections {
			for _, side := range piece.Sides() {
				on := v.Piece.Joined(s.Rows[0], side)
				if on == nil || on.Of.Finding == nil || on.Of.Finding.Holes < 2 {
					continue
				}
				empty := v.Piece.EmptyHoles(on.ID, side)
				if len(empty) == 0 {
					continue
				}
				at := piece.Place{Side: side, Fitting: on.ID, Element: piece.NoElement}
				found = append(found, Problem{Severity: Advise, At: at, cause: fmt.Sprint(on.ID, side, askew(on.Of.Finding.Holes, empty)),
					Fact: HolesEmpty{on.Of, side, empty, askew(on.Of.Finding.Holes, empty)}})
			}
		}
		return found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix { return hungInMiddle(v, f) },
}

// hungInMiddle moves the rows of a bar that hangs askew to its middle holes, at both ends of the rows where
// both hang on bars of as many; nothing where no holes lie in the middle.
func hungInMiddle(v *View, f *Problem) []Fix {
	fact := f.Fact.(HolesEmpty)
	rows := v.Piece.AllOf(f.At.Fitting, f.At.Side)
	before := len(fact.Holes) / 2
	if !fact.Askew || len(fact.Holes)%2 != 0 || len(rows) == 0 {
		return nil
	}
	out, holes := Fix{}, []int{}
	for k := range rows {
		k = len(rows) - 1 - k // the last first: a row that meets another changes places with it
		holes = append([]int{before + k + 1}, holes...)
		for _, side := range piece.Sides() {
			if on := v.Piece.Joined(rows[k], side); on != nil && on.Of.Finding != nil && on.Of.Finding.Holes == fact.On.Finding.Holes {
				out.Ops = append(out.Ops, edit.SetPort{At: rows[k].AtEnd(side), On: rows[k].Port(side).On, Hole: before + k + 1})
			}
		}
	}
	out.Does = []Effect{HangInMiddle{holes}}
	return []Fix{out}
}

// askew says whether what is left in the holes pulls beside the middle: the bar tilts until its pull
// passes under what carries it.
func askew(holes int, empty []int) bool {
	left := 0
	for _, hole := range empty {
		left += 2*hole - (holes + 1)
	}
	return left != 0
}

// leastStep is the step in mm from which rows are meant to be a step apart.
const leastStep = length.MM(5)

// stepsUneven warns of rows whose steps differ by more than half of the smaller one.
var stepsUneven = Check{
	Code: "steps-uneven", Step: StepLayOut,
	Piece: func(v *View) []Problem {
		var steps []length.MM
		for k := 1; k < len(v.Main()); k++ {
			steps = append(steps, v.Main()[k].Finished()-v.Main()[k-1].Finished())
		}
		if len(steps) < 2 || slices.Min(steps) < leastStep || v.Piece.Twisted() {
			return nil
		}
		least, most := slices.Min(steps), slices.Max(steps)
		if most-least <= least/2+tiny {
			return nil
		}
		wide, narrow := slices.Index(steps, most), slices.Index(steps, least)
		return []Problem{{Severity: Warn, At: v.Main()[wide+1].Row.At(), More: []piece.Place{v.Main()[narrow+1].Row.At()},
			Fact: StepsUneven{RowStep{v.number(wide), v.number(wide + 1), most}, RowStep{v.number(narrow), v.number(narrow + 1), least}}}}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		return append(otherSteps(v, s, -1), otherSteps(v, v.Strand(f.More[0].Row), 1)...)
	},
}

// centresDiffer warns where one row has a bead at its centre and another a gap: at the
// front they do not line up.
var centresDiffer = Check{
	Code: "centres-differ", Step: StepLayOut,
	Piece: func(v *View) []Problem {
		if !v.Piece.Several() || v.Piece.Twisted() {
			return nil
		}
		var with, without *measure.Strand
		for _, s := range v.Main() {
			switch bead, sure := centred(v, s); {
			case !sure:
			case bead && with == nil:
				with = s
			case !bead && without == nil:
				without = s
			}
		}
		if with == nil || without == nil {
			return nil
		}
		return []Problem{{Severity: Warn, At: without.Row.At(), More: []piece.Place{with.Row.At()},
			Fact: CentresDiffer{v.Piece.Number(with.Row.ID), v.Piece.Number(without.Row.ID)}}}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		line, bead := centredOn(s.Row.Line)
		if line == "" {
			return nil
		}
		return []Fix{fix(CentreRow{v.Piece.Palette[bead], v.Piece.Number(s.Row.ID)}, edit.SetLine{At: s.Row.At(), Line: line})}
	},
}

// centredOn writes a mirror whose halves meet with its last bead once, as its centre;
// empty for another line.
func centredOn(line *pattern.Line) (text, bead string) {
	if !line.IsMirror() {
		return "", ""
	}
	node := line.Clone().Items[0]
	mirror := node.Unit.(*pattern.Mirror)
	last := len(mirror.Half) - 1
	if len(mirror.Centre) > 0 || !mirror.Half[last].IsBead() {
		return "", ""
	}
	one := *mirror.Half[last]
	one.Count = 1
	mirror.Centre = []*pattern.Node{&one}
	if mirror.Half[last].Count--; mirror.Half[last].Count == 0 {
		mirror.Half = mirror.Half[:last]
	}
	if len(mirror.Half) == 0 {
		return "", ""
	}
	return node.String(), one.Key()
}

// centred says whether a bead lies over the middle of a row that reads the same both
// ways; of another row that is not sure. Rows of one bead throughout have no centre that
// shows.
func centred(v *View, s *measure.Strand) (bead, sure bool) {
	order := v.order(s)
	if len(order) < 3 || !design.ReadsBothWays(order) || design.Runs(order) == 1 {
		return false, false
	}
	for i := range s.Beads {
		if b := &s.Beads[i]; !b.Material.Bead.Hangs() && !b.IsGap() && math.Abs(float64(b.At-s.Strung/2)) < float64(b.Material.Bead.Length())/4 {
			return true, true
		}
	}
	return false, true
}

// What may be wrong with rows side by side; they are named by their numbers.
type (
	RowsSwap struct {
		Rows        [2]int
		Left, Right [2]int // the holes that each is in
	}
	HolesEmpty struct {
		On    *material.Material
		Side  piece.Side
		Holes []int
		Askew bool // it tilts
	}
	StepsUneven   struct{ Wide, Narrow RowStep }
	CentresDiffer struct{ With, Without int } // a row with a bead at its centre, and one without
)

// RowStep is by how much a row is longer than the one before it.
type RowStep struct {
	Row, Next int
	By        length.MM
}

// HangInMiddle hangs the rows of a bar in its middle holes.
type HangInMiddle struct{ Holes []int }

// OrderSides orders the rows at the right as they are at the left.
type OrderSides struct{}

// CentreRow puts one bead at the centre of a row.
type CentreRow struct {
	Bead *material.Material
	Row  int
}

func (RowsSwap) fact()      {}
func (HolesEmpty) fact()    {}
func (StepsUneven) fact()   {}
func (CentresDiffer) fact() {}

func (OrderSides) effect()   {}
func (HangInMiddle) effect() {}
func (CentreRow) effect()    {}
