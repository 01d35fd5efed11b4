package check

import (
	"cmp"
	"math"
	"slices"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// knob is a count of the line and how far the piece moves when it is one more.
type knob struct {
	node *pattern.Node
	step length.MM
}

// turn is a change of one or two counts and where it should bring the piece.
type turn struct {
	by  map[*pattern.Node]int
	off float64 // how far off the target it should end, by the steps
	// share is how much of what is there it changes; little is better.
	share float64
}

// mostKnobs bounds the counts that are looked at, the largest first.
const mostKnobs = 16

// changedCounts proposes other counts for one or two runs or groups that make
// the piece longer by so many mm: within the tolerance with the smallest change
// first, then the nearest.
func changedCounts(v *View, s *measure.Strand, want, tolerance float64) []Fix {
	knobs := knobsOf(v, s)
	var turns []turn
	for i, k := range knobs {
		for _, n := range wholeSteps(want, k) {
			left := want - float64(n)*float64(k.step)
			turns = append(turns, turn{by: map[*pattern.Node]int{k.node: n}, off: math.Abs(left), share: share(k, n)})
			for _, other := range knobs[i+1:] {
				for _, n2 := range wholeSteps(left, other) {
					turns = append(turns, turn{
						by:  map[*pattern.Node]int{k.node: n, other.node: n2},
						off: math.Abs(left - float64(n2)*float64(other.step)), share: 0.05 + share(k, n) + share(other, n2),
					})
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
			return cmp.Compare(a.share, b.share)
		}
		return cmp.Compare(a.off, b.off)
	})
	var fixes []Fix
	for _, t := range turns[:min(len(turns), mostTried)] {
		fixes = append(fixes, t.fix(s))
	}
	return fixes
}

func share(k knob, n int) float64 {
	return math.Abs(float64(n)) / float64(k.node.Count)
}

// wholeSteps are the whole changes on either side of the wanted one that leave
// at least one bead standing.
func wholeSteps(want float64, k knob) []int {
	exact := want / float64(k.step)
	var steps []int
	for _, n := range []int{int(math.Floor(exact)), int(math.Ceil(exact))} {
		if n != 0 && k.node.Count+n >= 1 && k.node.Count+n <= pattern.MaxCount && !slices.Contains(steps, n) {
			steps = append(steps, n)
		}
	}
	return steps
}

// knobsOf measures what one more of each count does.
func knobsOf(v *View, s *measure.Strand) []knob {
	nodes := slices.Clone(s.Row.Line.Nodes)
	slices.SortStableFunc(nodes, func(a, b *pattern.Node) int { return cmp.Compare(b.Count, a.Count) })
	var knobs []knob
	for _, n := range nodes {
		if n.InDrop || !n.Counts() || len(knobs) == mostKnobs || n.Count >= pattern.MaxCount || piece.Pinned(v.Piece.Pins, s.Row, n) {
			continue
		}
		after, _, err := edit.Apply(v.Piece, nil, recount(s, n, 1))
		if err != nil {
			continue
		}
		longer, err := measure.ForTarget(after, after.Row(s.Row.ID))
		if err != nil {
			continue
		}
		if step := longer - s.ForTarget(v.Piece); step > 0.01 {
			knobs = append(knobs, knob{n, step})
		}
	}
	return knobs
}

// recount is the operation that makes a node come so many times more.
func recount(s *measure.Strand, n *pattern.Node, by int) edit.Op {
	return edit.Count{At: s.Row.At(), Node: n.ID, To: n.Count + by}
}

func (t turn) fix(s *measure.Strand) Fix {
	var change ChangeCounts
	var ops []edit.Op
	for _, n := range s.Row.Line.Nodes {
		d, ok := t.by[n]
		if !ok {
			continue
		}
		after := *n
		after.Count += d
		change.Counts = append(change.Counts, CountChange{n.String(), after.String()})
		ops = append(ops, recount(s, n, d))
	}
	return fix(change, ops...)
}

// ChangeCounts changes the counts of runs or groups.
type ChangeCounts struct{ Counts []CountChange }

// CountChange is one of them, as it is written in the line before and after.
type CountChange struct{ From, To string }

func (ChangeCounts) effect() {}
