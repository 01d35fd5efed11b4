package solve

import (
	"math"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// The bounds of what is looked at: how many knobs of a line, and by how many steps one is set.
const (
	mostKnobs = 16
	mostBy    = 400
)

// leastStep is by how much one more must move the piece to count as a change, in mm.
const leastStep = length.MM(0.01)

// counts changes how often runs come, and repeats, and how long bare cord is: all that is alike alike.
func counts(t *task) []knob {
	if !t.strand.Row.Corded() || t.strand.Row.Line == nil {
		return nil
	}
	var out []knob
	knobs := t.design.Knobs(t.pinned)
	for i := range knobs[:min(len(knobs), mostKnobs)] {
		k := t.turnable(&knobs[i])
		if k == nil {
			continue
		}
		if settings := k.settings(); len(settings) > 0 {
			out = append(out, knob{settings})
		}
	}
	return out
}

// turnable is a knob of the line whose step is known.
type turnable struct {
	*design.Knob
	task    *task
	step    length.MM      // by how much one step moves the goal
	adds    map[string]int // the beads of each letter that come with one
	touches []*pattern.Node
}

// turnable measures one step of a knob; nil where it moves nothing.
func (t *task) turnable(k *design.Knob) *turnable {
	out := &turnable{Knob: k, task: t, touches: k.Touches(t.strand.Row.Line)}
	least, most := k.Range()
	one := 1
	if most < 1 {
		if one = -1; least > -1 {
			return nil
		}
	}
	line := t.turned(k, one)
	if line == nil {
		return nil
	}
	by, more := t.step(edit.SetLine{At: t.strand.Row.At(), Line: line.String()})
	if more == nil || by*length.MM(one) < leastStep {
		return nil
	}
	out.step, out.adds = by*length.MM(one), t.addedBy(more)
	for key := range out.adds {
		out.adds[key] *= one
	}
	return out
}

// turned is the line with a knob set; nil where that cannot be written.
func (t *task) turned(k *design.Knob, steps int) *pattern.Line {
	line := t.strand.Row.Line.Clone()
	k.Turn(line, steps)
	return k.Repeat(line, steps)
}

// settings lists those to the goal and some way past it.
func (k *turnable) settings() []setting {
	least, most := k.Range()
	reach := min(mostBy, int(math.Ceil(float64(k.task.reach()/k.step))))
	var out []setting
	for by := max(least, -reach); by <= min(most, reach); by++ {
		if by != 0 && k.task.keepsTurns(k.adds, by) {
			out = append(out, k.setting(by))
		}
	}
	return out
}

// keepsTurns says whether a dish that gives several things in turn still ends with a whole turn, if
// it does so now.
func (t *task) keepsTurns(adds map[string]int, by int) bool {
	for key, n := range adds {
		of := t.measured.Piece.Palette[key]
		if of.Component == nil || of.Component.Kind != material.InTurn {
			continue
		}
		turn := len(of.Component.Turn)
		if t.used(key)%turn == 0 && n*by%turn != 0 {
			return false
		}
	}
	return true
}

// used counts the places of a dish in the strand.
func (t *task) used(key string) int {
	n := 0
	for i := range t.strand.Beads {
		if t.strand.Beads[i].Key == key {
			n++
		}
	}
	return n
}

func (k *turnable) setting(by int) setting {
	s := setting{does: k.does(by), tier: k.Tier, unusual: k.Unusual(by), steps: by, by: k.step * length.MM(by), adds: map[string]int{}, nodes: k.touches}
	for key, n := range k.adds {
		s.adds[key] = n * by
		s.moved += max(n*by, -n*by)
	}
	if k.Stretch != nil {
		s.rewrite = func(line *pattern.Line) *pattern.Line { return k.Repeat(line, by) }
		return s
	}
	s.line = func(line *pattern.Line) { k.Turn(line, by) }
	places := k.task.places(k.Counts)
	all := 0
	for _, n := range places {
		all += n
	}
	for i, n := range k.Counts {
		s.parts = append(s.parts, part{n, by * k.Step, s.by * length.MM(places[i]) / length.MM(max(1, all))})
	}
	return s
}

// places counts how often each of some runs or groups comes.
func (t *task) places(nodes []*pattern.Node) []int {
	out := make([]int, len(nodes))
	for i, n := range nodes {
		for k := range t.strand.Beads {
			if at := t.strand.Row.Line.Nodes[t.strand.Beads[k].Node]; at == n || n.Contains(at) {
				out[i]++
			}
		}
	}
	return out
}

// does says what a setting does.
func (k *turnable) does(by int) Change {
	line := k.task.strand.Row.Line
	switch {
	case k.Stretch != nil:
		return AddRepeats{k.Written(line), by, k.Stretch.Also != nil}
	case len(k.Gaps) > 0:
		return k.regap(by)
	case len(k.Counts) == 1:
		return recount(line, k.Counts[0], by*k.Step)
	}
	each := RecountAll{All: alikeIn(line, k.Counts[0]) == len(k.Counts)}
	for _, n := range k.Counts {
		each.Runs = append(each.Runs, recount(line, n, by*k.Step))
	}
	return each
}

func recount(line *pattern.Line, n *pattern.Node, by int) Recount {
	after := *n
	after.Count += by
	return Recount{nthAlike(line, n), n.String(), after.String()}
}

func (k *turnable) regap(by int) Change {
	line := k.task.strand.Row.Line
	after := line.Clone()
	k.Turn(after, by)
	out := Regap{}
	for _, n := range k.Gaps {
		was, is := n.Unit.(pattern.Gap), after.Nodes[n.ID].Unit.(pattern.Gap)
		out.Gaps = append(out.Gaps, GapChange{was.Typed(), is.Typed()})
		out.By = is.Length - was.Length
	}
	return out
}

// alikeIn counts the runs that are written like one.
func alikeIn(line *pattern.Line, n *pattern.Node) int {
	alike := 0
	for _, other := range line.Nodes {
		if other.Unit.Kind() == n.Unit.Kind() && other.String() == n.String() {
			alike++
		}
	}
	return alike
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
