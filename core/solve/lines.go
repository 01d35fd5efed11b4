package solve

import (
	"cmp"
	"context"
	"math"
	"slices"

	"mala/core/design"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// Line is one other bead line of a row that leaves it the same design.
type Line struct {
	Changes []Change
	By      length.MM // about how much longer it makes the row
	Tiers   int       // how much of the design it touches
	Moved   int       // beads that come or go

	of *task
	at []*setting
}

// Written is the line itself; nil where it cannot be written.
func (l *Line) Written() *pattern.Line {
	w := l.of.wayOf(l.at)
	if ops := l.of.opsOf(&w); len(ops) == 0 {
		return nil
	}
	line, _ := l.of.lineOf(&w)
	return line
}

// The bounds of the lines of one row: how far the second of two knobs is turned, how much of a design
// two may touch together, and how many lines there are.
const (
	mostSecond = 4
	mostTiers  = int(design.Repeats + design.Spacers)
	mostLines  = 3000
)

// Lines lists other lines of a row, within a reach of longer or shorter, the most regular first: those of
// one knob and those of two. What is pinned stays.
func Lines(ctx context.Context, m *measure.Measured, row piece.ID, rules Rules, reach length.MM) []Line {
	rules.LineOnly = true
	t := newTask(ctx, m, Goal{Row: row}, rules)
	t.goal.Want = t.now + max(0, reach)
	t.gather()
	var out []Line
	add := func(at ...*setting) {
		w := t.wayOf(at)
		by := length.MM(w.off) + t.wanted()
		if w.cost.tiers > mostTiers || w.unusual() || w.toAndFro() || t.uneven(at) > mostUneven || math.Abs(float64(by)) > float64(reach)+float64(aroundGoal) || !t.mayTake(&w) {
			return
		}
		l := Line{By: by, Tiers: w.cost.tiers, of: t, at: at}
		for _, s := range at {
			l.Changes, l.Moved = append(l.Changes, s.does), l.Moved+s.moved
		}
		out = append(out, l)
	}
	for i := range t.knobs {
		for a := range t.knobs[i].settings {
			first := &t.knobs[i].settings[a]
			add(first)
			for k := range t.knobs {
				if k == i || t.knobs[k].settings[0].tier < first.tier || t.knobs[k].settings[0].tier == first.tier && k < i {
					continue
				}
				for b := range t.knobs[k].settings {
					second := &t.knobs[k].settings[b]
					if second.steps <= mostSecond && second.steps >= -mostSecond && !second.meets([]*setting{first}) {
						add(first, second)
					}
				}
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Line) int {
		return cmp.Or(cmp.Compare(a.Tiers, b.Tiers), cmp.Compare(len(a.at), len(b.at)), cmp.Compare(a.Moved, b.Moved))
	})
	return out[:min(len(out), mostLines)]
}
