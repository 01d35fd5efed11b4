package solve

import (
	"math"
	"slices"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/pattern"
)

// way is one setting of each of a few knobs, and about how long it makes the piece.
type way struct {
	at   []*setting
	cost cost
	off  float64 // about how far off the goal, in mm

	uneven float64 // how far the proportions of its long runs change
}

// mostTrim is by how much one setting may take back what another gives, in mm.
const mostTrim = length.MM(20)

// toAndFro says whether one setting takes back what another gives: beads of the same letter, slack for
// beads, or by more than the one step that trims a length.
func (w *way) toAndFro() bool {
	for i, a := range w.at {
		for _, b := range w.at[:i] {
			back := min(max(a.by, -a.by), max(b.by, -b.by))
			if a.by*b.by < 0 && (a.trades(b) || a.tier == design.Slack || b.tier == design.Slack || !a.trims() && !b.trims() || back > mostTrim) {
				return true
			}
		}
	}
	return false
}

// trades says whether beads of one letter come in some runs and go in others, as many a step: of runs
// in repeats more come at a time, and others make up for what is too much.
func (s *setting) trades(other *setting) bool {
	runs := func(s *setting) bool {
		return s.parts != nil && !slices.ContainsFunc(s.nodes, func(n *pattern.Node) bool { return !n.IsBead() })
	}
	if !runs(s) || !runs(other) {
		return false
	}
	for key, n := range s.adds {
		if n*other.adds[key] < 0 && n*other.steps == other.adds[key]*s.steps {
			return true
		}
	}
	return false
}

// uneven is how far the proportions of the long runs change: the logarithm of how much more one grows
// than another.
func (t *task) uneven(at []*setting) float64 {
	least, most, changed := math.Inf(1), math.Inf(-1), 0
	for _, s := range at {
		for _, p := range s.parts {
			if t.long[p.node] {
				grows := math.Log(float64(p.node.Count+p.more) / float64(p.node.Count))
				least, most, changed = min(least, grows), max(most, grows), changed+1
			}
		}
	}
	switch {
	case changed == 0:
		return 0
	case changed < len(t.long):
		least, most = min(least, 0), max(most, 0)
	}
	return most - least
}

// unusual says whether it is only for where nothing else does.
func (w *way) unusual() bool {
	return slices.ContainsFunc(w.at, func(s *setting) bool { return s.unusual })
}

func (s *setting) trims() bool { return s.steps >= -1 && s.steps <= 1 }

// moves is by how much its settings move the piece in all, whichever way.
func (w *way) moves() float64 {
	sum := 0.0
	for _, s := range w.at {
		sum += math.Abs(float64(s.by))
	}
	return sum
}

// meets says whether it changes what one of the others changes as well.
func (s *setting) meets(others []*setting) bool {
	for _, other := range others {
		for _, n := range s.nodes {
			if slices.Contains(other.nodes, n) {
				return true
			}
		}
		if s.rewrite != nil && other.rewrite != nil {
			return true
		}
	}
	return false
}

// crossed is how much longer settings make one another at most: beads of another size of
// which some come or go, and runs in a group that comes more often. It grows evenly with a
// count, so the outermost tell.
func crossed(settings []setting, chosen []*setting) float64 {
	most := 0.0
	for _, a := range chosen {
		for i := range settings {
			if i > 0 && i+1 < len(settings) && settings[i].parts != nil {
				continue
			}
			most = max(most, math.Abs(cross(a, &settings[i])))
		}
	}
	return most
}

// cross is how much longer two settings make the piece together than one by one.
func cross(a, b *setting) float64 {
	sum := 0.0
	if a.letter != "" {
		sum += float64(a.each) * float64(b.adds[a.letter])
	}
	if b.letter != "" {
		sum += float64(b.each) * float64(a.adds[b.letter])
	}
	return sum + nested(a, b) + nested(b, a)
}

// nested is what runs that change give in the repeats that come to groups round them.
func nested(groups, runs *setting) float64 {
	sum := 0.0
	for _, group := range groups.parts {
		for _, run := range runs.parts {
			if group.node.Contains(run.node) {
				sum += float64(run.by) * float64(group.more) / float64(group.node.Count)
			}
		}
	}
	return sum
}

func (t *task) wayOf(at []*setting) way {
	w := way{at: at, off: -float64(t.wanted())}
	w.cost.changes = len(at)
	for i, s := range at {
		w.off += float64(s.by)
		w.cost.tiers += int(s.tier)
		for _, other := range at[:i] {
			w.off += cross(s, other)
		}
	}
	return w
}

// opsOf are the operations of a way: the counts first, then what comes in whole, in one line.
func (t *task) opsOf(w *way) []edit.Op {
	var ops []edit.Op
	for _, s := range w.at {
		ops = append(ops, s.ops...)
	}
	line, changed := t.lineOf(w)
	switch {
	case line == nil:
		return nil
	case changed:
		ops = append(ops, edit.SetLine{At: t.strand.Row.At(), Line: line.String()})
	}
	return ops
}

// lineOf is the bead line of a way, and whether it is another than now; nil where it cannot be written.
func (t *task) lineOf(w *way) (line *pattern.Line, changed bool) {
	if line = t.strand.Row.Line; line == nil {
		return &pattern.Line{}, false
	}
	line = line.Clone()
	for _, s := range w.at {
		if s.line != nil {
			s.line(line)
			changed = true
		}
	}
	for _, s := range w.at {
		if s.rewrite != nil {
			if line = s.rewrite(line); line == nil {
				return nil, false
			}
			changed = true
		}
	}
	return line, changed
}
