package check

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// knob is what can be set in a line and how far the piece moves with one step.
type knob struct {
	*design.Knob
	step length.MM
}

// turn sets one or two knobs, and says where that should bring the piece.
type turn struct {
	knobs []knob
	steps []int
	off   float64 // how far off the target it should end, by the steps
	tiers int     // how much of the design it touches
	share float64 // how far the knobs are turned: little is better
}

// mostKnobs bounds what is looked at, the most regular first.
const mostKnobs = 16

// changedCounts proposes other counts for runs and groups that make the piece longer by this many mm and
// leave it the same design: within the tolerance the most regular first, then the nearest.
func changedCounts(v *View, s *measure.Strand, want, tolerance float64) []Fix {
	knobs := knobsOf(v, s)
	var turns []turn
	for i, k := range knobs {
		for _, n := range wholeSteps(want, k) {
			left := want - float64(n)*float64(k.step)
			turns = append(turns, turn{[]knob{k}, []int{n}, math.Abs(left), int(k.Tier), math.Abs(float64(n))})
			for _, other := range knobs[i+1:] {
				for _, n2 := range wholeSteps(left, other) {
					if (n < 0) != (n2 < 0) && n2*n2 > 1 || meets(k, other) {
						continue // it would take back what the first gives
					}
					turns = append(turns, turn{[]knob{k, other}, []int{n, n2}, math.Abs(left - float64(n2)*float64(other.step)), int(k.Tier + other.Tier), math.Abs(float64(n)) + math.Abs(float64(n2))})
				}
			}
		}
	}
	slices.SortStableFunc(turns, func(a, b turn) int {
		aIn, bIn := a.off <= tolerance, b.off <= tolerance
		switch {
		case aIn != bIn && aIn:
			return -1
		case aIn != bIn:
			return 1
		case aIn:
			return cmp.Or(cmp.Compare(a.tiers, b.tiers), cmp.Compare(len(a.knobs), len(b.knobs)), cmp.Compare(a.share, b.share))
		}
		return cmp.Compare(a.off, b.off)
	})
	var fixes []Fix
	for _, t := range turns[:min(len(turns), mostTried)] {
		if f := t.fix(s); f != nil {
			fixes = append(fixes, *f)
		}
	}
	return fixes
}

// meets says whether two knobs change the same runs.
func meets(a, b knob) bool {
	for _, n := range a.Counts {
		if slices.Contains(b.Counts, n) {
			return true
		}
	}
	return len(a.Gaps) > 0 && len(b.Gaps) > 0 || a.Stretch != nil || b.Stretch != nil
}

// wholeSteps are the whole changes on either side of the wanted one that the knob can make.
func wholeSteps(want float64, k knob) []int {
	least, most := k.Range()
	exact := want / float64(k.step)
	var steps []int
	for _, n := range []int{int(math.Floor(exact)), int(math.Ceil(exact))} {
		if n != 0 && n >= least && n <= most && !slices.Contains(steps, n) {
			steps = append(steps, n)
		}
	}
	return steps
}

// knobsOf measures what one step of each knob does.
func knobsOf(v *View, s *measure.Strand) []knob {
	all := design.Of(v.Piece, s).Knobs(func(n *pattern.Node) bool { return piece.Pinned(v.Piece.Pins, s.Row, n) })
	var knobs []knob
	for i := range all[:min(len(all), mostKnobs)] {
		k := knob{Knob: &all[i]}
		line := k.turned(s.Row.Line, 1)
		if line == nil {
			continue
		}
		after, _, err := edit.Apply(v.Piece, nil, edit.SetLine{At: s.Row.At(), Line: line.String()})
		if err != nil {
			continue
		}
		longer, err := measure.ForTarget(after, after.Row(s.Row.ID))
		if err != nil {
			continue
		}
		if k.step = longer - s.ForTarget(v.Piece); k.step > 0.01 {
			knobs = append(knobs, k)
		}
	}
	return knobs
}

// turned is the line with the knob turned; nil where that cannot be written.
func (k *knob) turned(line *pattern.Line, steps int) *pattern.Line {
	line = line.Clone()
	k.Turn(line, steps)
	return k.Repeat(line, steps)
}

func (t turn) fix(s *measure.Strand) *Fix {
	line, change := s.Row.Line, ChangeCounts{}
	for i := range t.knobs {
		k := &t.knobs[i]
		after := k.turned(line, t.steps[i])
		if after == nil {
			return nil
		}
		for _, n := range slices.Concat(k.Counts, k.Gaps) {
			change.Counts = append(change.Counts, CountChange{line.Nodes[n.ID].String(), after.Nodes[n.ID].String()})
		}
		if k.Stretch != nil {
			write := func(times int) string { return fmt.Sprintf("%d(%s)", times, k.Written(s.Row.Line)) }
			change.Counts = append(change.Counts, CountChange{write(k.Stretch.Times), write(k.Stretch.Times + t.steps[i])})
		}
		line = after
	}
	made := fix(change, edit.SetLine{At: s.Row.At(), Line: line.String()})
	made.tiers = t.tiers
	return &made
}

// ChangeCounts changes the counts of runs or groups.
type ChangeCounts struct{ Counts []CountChange }

// CountChange is one of them, as it is written in the line before and after.
type CountChange struct{ From, To string }

func (ChangeCounts) effect() {}
