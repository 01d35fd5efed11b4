package check

import (
	"cmp"
	"math"
	"slices"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
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
func changedCounts(m *measure.Measured, want, tolerance float64) []Fix {
	knobs := knobsOf(m)
	var turns []turn
	for i, k := range knobs {
		for _, n := range wholeSteps(want, k) {
			left := want - float64(n)*float64(k.step)
			t := turn{by: map[*pattern.Node]int{k.node: n}, off: math.Abs(left), share: share(k, n)}
			turns = append(turns, t)
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
	slices.SortFunc(turns, func(a, b turn) int {
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
		fixes = append(fixes, t.fix(m))
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
func knobsOf(m *measure.Measured) []knob {
	line := m.Strands[0].Row.Line
	nodes := slices.Clone(line.Nodes)
	slices.SortStableFunc(nodes, func(a, b *pattern.Node) int { return cmp.Compare(b.Count, a.Count) })
	var knobs []knob
	for _, n := range nodes {
		if n.Kind != pattern.Bead && n.Kind != pattern.Group || len(knobs) == mostKnobs {
			continue
		}
		text := withCounts(line, map[*pattern.Node]int{n: 1})
		after, err := Edit{Line: &text}.on(m.Piece)
		if err != nil {
			continue
		}
		longer, err := measure.ForTarget(after)
		if err != nil {
			continue
		}
		if step := longer - m.ForTarget; step > 0.01 {
			knobs = append(knobs, knob{n, step})
		}
	}
	return knobs
}

// withCounts prints the line with some counts changed.
func withCounts(line *pattern.Line, by map[*pattern.Node]int) string {
	for n, d := range by {
		n.Count += d
	}
	text := line.String()
	for n, d := range by {
		n.Count -= d
	}
	return text
}

func (t turn) fix(m *measure.Measured) Fix {
	line := m.Strands[0].Row.Line
	text := withCounts(line, t.by)
	says := ""
	for _, n := range line.Nodes {
		d, ok := t.by[n]
		if !ok {
			continue
		}
		if says != "" {
			says += " and "
		} else {
			says = "Make "
		}
		before := *n
		n.Count += d
		says += shorten(before.String()) + " into " + shorten(n.String())
		n.Count -= d
	}
	return Fix{Says: says, Edit: Edit{Line: &text}}
}

// shorten keeps a long group from filling the button.
func shorten(text string) string {
	const most = 18
	if r := []rune(text); len(r) > most {
		return string(r[:most]) + "…"
	}
	return text
}
