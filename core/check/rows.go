package check

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"mala/core/edit"
	"mala/core/length"
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
				found = append(found, Problem{Severity: Warn, At: b.AtEnd(piece.Right), More: []piece.Place{a.AtEnd(piece.Right)}, Title: "Rows change places", cause: string(a.ID),
					Says: fmt.Sprintf("Rows %d and %d are in holes %d and %d at the left and %d and %d at the right: they cross on the way.", v.Piece.Number(a.ID), v.Piece.Number(b.ID), left[0], left[1], right[0], right[1])})
				break
			}
		}
		return found
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		out := Fix{Says: "Order the right side as the left"}
		for _, r := range v.Piece.SectionOf(v.Piece.Row(f.At.Row)).Rows {
			out.Ops = append(out.Ops, edit.Op{Do: edit.SetPort, At: r.AtEnd(piece.Right), Field: string(r.RightPort.On), N: v.Piece.Hole(r, piece.Left)})
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
				found = append(found, Problem{Severity: Advise, At: at, Title: "A hole without a row", cause: string(on.ID) + string(side),
					Says: fmt.Sprintf("%s at the %s has %d holes; no row is in %s.", on.Of.Name, side, on.Of.Finding.Holes, holes(empty))})
			}
		}
		return found
	},
}

func holes(list []int) string {
	var out []string
	for _, n := range list {
		out = append(out, fmt.Sprint(n))
	}
	if len(out) == 1 {
		return "hole " + out[0]
	}
	return "holes " + strings.Join(out[:len(out)-1], ", ") + " and " + out[len(out)-1]
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
		return []Problem{{Severity: Warn, At: v.Main()[wide+1].Row.At(), More: []piece.Place{v.Main()[narrow+1].Row.At()}, Title: "Rows step unevenly",
			Says: fmt.Sprintf("Row %d is %s longer than row %d, but row %d only %s longer than row %d.", v.number(wide+1), most.In(v.Unit), v.number(wide), v.number(narrow+1), least.In(v.Unit), v.number(narrow))}}
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
		return []Problem{{Severity: Warn, At: without.Row.At(), More: []piece.Place{with.Row.At()}, Title: "Centres do not line up",
			Says: fmt.Sprintf("%s has a bead at its centre, %s two beads that meet there.", v.row(with), lower(v.row(without)))}}
	},
	Fix: func(v *View, f *Problem, _ Shelf) []Fix {
		s := v.Strand(f.At.Row)
		line, bead := centredOn(s.Row.Line)
		if line == "" {
			return nil
		}
		says := fmt.Sprintf("Put one %s at the centre of %s", lower(v.Piece.Palette[bead].Name), lower(v.row(s)))
		return []Fix{fix(says, edit.Op{Do: edit.SetLine, At: s.Row.At(), Text: line})}
	},
}

// centredOn writes a mirror whose halves meet with its last bead once, as its centre;
// empty for another line.
func centredOn(line *pattern.Line) (text, bead string) {
	if !line.IsMirror() || len(line.Items[0].Centre) > 0 {
		return "", ""
	}
	mirror := line.Clone().Items[0]
	last := len(mirror.Items) - 1
	if mirror.Items[last].Kind != pattern.Bead {
		return "", ""
	}
	one := *mirror.Items[last]
	one.Count = 1
	mirror.Centre = []*pattern.Node{&one}
	if mirror.Items[last].Count--; mirror.Items[last].Count == 0 {
		mirror.Items = mirror.Items[:last]
	}
	if len(mirror.Items) == 0 {
		return "", ""
	}
	return mirror.String(), one.Key
}

// centred says whether a bead lies over the middle of a row that reads the same both
// ways; of another row nobody is sure. Rows of one bead throughout have no centre that
// shows.
func centred(v *View, s *measure.Strand) (bead, sure bool) {
	order := v.order(s)
	if len(order) < 3 || !readsBothWays(order) || runsIn(order) == 1 {
		return false, false
	}
	for i := range s.Beads {
		if b := &s.Beads[i]; !b.Material.Bead.Hangs() && !b.IsGap() && math.Abs(float64(b.At-s.Strung/2)) < float64(b.Material.Bead.Length())/4 {
			return true, true
		}
	}
	return false, true
}
