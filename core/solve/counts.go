package solve

import (
	"math"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// The bounds of what is looked at: how many runs and groups of a line, and by how much a count
// may change.
const (
	mostCounts = 16
	mostBy     = 400
)

// counts changes how often runs come, and groups.
func counts(t *task) []knob {
	var out []knob
	for _, n := range t.countable() {
		step, more := t.step(edit.Count{At: t.strand.Row.At(), Node: n.ID, To: n.Count + 1})
		if more == nil || step < leastStep {
			continue
		}
		out = append(out, t.countsOf(n, step, t.addedBy(more)))
		if len(out) == mostCounts {
			break
		}
	}
	return out
}

// countable lists the runs and groups of the line whose count may change.
func (t *task) countable() []*pattern.Node {
	row := t.strand.Row
	if !row.Corded() || row.Line == nil || row.Line.OpenFill() != nil {
		return nil // a fill takes up whatever changes
	}
	var out []*pattern.Node
	for _, n := range row.Line.Nodes {
		if n.InDrop || !n.Counts() || n.Count >= pattern.MaxCount || t.pinned(n) || central(row.Line, n) {
			continue
		}
		out = append(out, n)
	}
	return out
}

// leastStep is by how much one more must move the piece to count as a change, in mm.
const leastStep = length.MM(0.01)

// countsOf lists the other counts of a run or group, one more of which makes so much and adds
// these beads.
func (t *task) countsOf(n *pattern.Node, step length.MM, adds map[string]int) knob {
	most := min(mostBy, int(math.Ceil(float64(t.reach()/step))))
	by := t.oneCount(n, step, adds)
	var k knob
	for more := max(1-n.Count, -most); more <= min(pattern.MaxCount-n.Count, most); more++ {
		if more != 0 {
			k.settings = append(k.settings, by(more))
		}
	}
	return k
}

// oneCount makes the setting of so many more of a run or group.
func (t *task) oneCount(n *pattern.Node, step length.MM, adds map[string]int) func(by int) setting {
	beads := 0
	for _, more := range adds {
		beads += more
	}
	nth := nthAlike(t.strand.Row.Line, n)
	return func(by int) setting {
		after := *n
		after.Count += by
		all := map[string]int{}
		for key, more := range adds {
			all[key] = more * by
		}
		id := n.ID
		return setting{does: Recount{nth, n.String(), after.String()}, by: step * length.MM(by), moved: max(by, -by) * beads, adds: all, node: n, more: by,
			line: func(line *pattern.Line) { line.Nodes[id].Count += by }}
	}
}

// nthAlike counts a run among those that are written alike; 0 where it is the only one.
func nthAlike(line *pattern.Line, n *pattern.Node) int {
	alike, nth := 0, 0
	for _, other := range line.Nodes {
		if other.Unit.Kind() == n.Unit.Kind() && other.String() == n.String() {
			alike++
		}
		if other == n {
			nth = alike
		}
	}
	if alike < 2 {
		return 0
	}
	return nth
}

// central says whether a node lies in the centre of a mirror, which stays.
func central(line *pattern.Line, n *pattern.Node) bool {
	for _, m := range line.Nodes {
		for _, c := range m.Centre() {
			if c == n || c.Contains(n) {
				return true
			}
		}
	}
	return false
}

// addedBy counts the beads of each letter that came, those that hang in drops and loops among them.
func (t *task) addedBy(after *measure.Strand) map[string]int {
	letters := map[*material.Material]string{}
	for key, of := range t.measured.Piece.Palette {
		letters[of] = key
	}
	out := map[string]int{}
	count := func(s *measure.Strand, by int) {
		for i := range s.Beads {
			switch b := &s.Beads[i]; {
			case b.Drop != nil:
				b.Drop.Each(func(one *measure.HungBead) { out[letters[one.Material]] += by })
			case !b.IsGap():
				out[b.Key] += by
			}
		}
	}
	count(t.strand, -1)
	count(after, 1)
	for key, n := range out {
		if n == 0 || t.measured.Piece.Palette[key] == nil {
			delete(out, key)
		}
	}
	return out
}

// pinned says whether a run or group may not change.
func (t *task) pinned(n *pattern.Node) bool { return piece.Pinned(t.rules.Pins, t.strand.Row, n) }

// rowPinned says whether nothing of the row may change.
func (t *task) rowPinned() bool { return piece.RowPinned(t.rules.Pins, t.strand.Row) }
