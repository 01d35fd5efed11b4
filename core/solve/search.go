package solve

import (
	"cmp"
	"math"
	"slices"

	"mala/core/design"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
)

// The bounds of the search: how many things change at once, how many ways of two there may be
// that a third is looked for, and how many ways are measured.
const (
	mostChanges  = 3
	mostPairs    = 30_000
	mostMeasured = 150
	mostLooked   = 40 // of the nearest, where none lies within the tolerance
)

// mostUneven is how far the proportions of long runs usually change at most: one grows twice as much as
// another.
const mostUneven = math.Ln2

// cost is what orders proposals: how regular what comes out is, then how few changes bring it.
type cost struct{ tiers, changes int }

func (c cost) less(d cost) int {
	return cmp.Or(cmp.Compare(c.tiers, d.tiers), cmp.Compare(c.changes, d.changes))
}

// around is by how much a length that is only added up may be wrong, in mm, after changes of so
// much in all: slack does not grow quite evenly, and the inside length still less so.
func (t *task) around(moved float64) float64 {
	if t.goal.Inside {
		return 2 + 0.1*moved
	}
	return 0.5 + 0.04*moved
}

// best gives the ways within the tolerance: the most regular first, of those the ones of the fewest
// changes, of those the nearest, and of as near ones those that keep the proportions of the runs. Three
// things change at once only where one or two do not do it.
func (t *task) best() []Proposal {
	reach := float64(t.goal.Tolerance)
	if t.within(t.now) { // what is right already is to come nearer
		reach = min(reach, math.Abs(float64(t.now-t.goal.Want)))
	}
	near := func(w *way) bool { return math.Abs(w.off) <= reach+t.around(w.moves()) && t.mayTake(w) }
	usual := func(w *way) bool { return !w.unusual() && t.uneven(w.at) <= mostUneven && near(w) }
	found := t.firstOf(append(t.ways(1, usual), t.ways(2, usual)...))
	if len(found) == 0 && t.pairs() <= mostPairs {
		found = t.firstOf(t.ways(mostChanges, usual))
	}
	if len(found) == 0 {
		found = t.firstOf(append(t.ways(1, near), t.ways(2, near)...))
	}
	return found
}

// firstOf measures ways, the best first, until there are enough proposals.
func (t *task) firstOf(ways []way) []Proposal {
	for i := range ways {
		ways[i].uneven = t.uneven(ways[i].at)
	}
	slices.SortStableFunc(ways, func(a, b way) int {
		return cmp.Or(a.cost.less(b.cost), nearer(a.off, b.off), cmp.Compare(a.uneven, b.uneven), cmp.Compare(math.Abs(a.off), math.Abs(b.off)))
	})
	var found []Proposal
	for i, p := range t.inTurn(ways) {
		if len(found) >= t.rules.Most && found[len(found)-1].cost.less(ways[i].cost) < 0 || int(t.tried.Load()) > mostMeasured || t.ctx.Err() != nil {
			break
		}
		if p != nil && t.does(p.Value) && !slices.ContainsFunc(found, func(had Proposal) bool { return p.same(had) || p.beyond(had) || p.finer(had) }) {
			found = append(found, *p)
		}
	}
	slices.SortStableFunc(found, func(a, b Proposal) int {
		return cmp.Or(a.cost.less(b.cost), nearer(float64(a.Off), float64(b.Off)), cmp.Compare(a.uneven, b.uneven), cmp.Compare(a.Moved, b.Moved))
	})
	return found[:min(len(found), t.rules.Most)]
}

// asNear is by how much two ways may differ in what they come to and be as near, in mm: of those the
// more even one is first.
const asNear = 0.05

// nearer orders two ways by how far off they are.
func nearer(a, b float64) int {
	return cmp.Compare(math.Round(math.Abs(a)/asNear), math.Round(math.Abs(b)/asNear))
}

// beyond says whether a proposal does all that another does, and more to no purpose: the other lies
// within the tolerance as well.
func (p *Proposal) beyond(had Proposal) bool {
	for _, s := range had.at {
		if !slices.Contains(p.at, s) {
			return false
		}
	}
	return true
}

// finer says whether a proposal does what another does and only sets bare cord or slack otherwise: of
// those one is enough.
func (p *Proposal) finer(had Proposal) bool {
	return len(p.at) == len(had.at) && !slices.ContainsFunc(p.at, func(s *setting) bool {
		return !slices.ContainsFunc(had.at, func(h *setting) bool { return s == h || s.isFine() && h.isFine() && slices.Equal(s.nodes, h.nodes) })
	})
}

// isFine says whether it sets slack, or nothing but bare cord.
func (s *setting) isFine() bool {
	return s.tier == design.Slack || len(s.nodes) > 0 && !slices.ContainsFunc(s.nodes, func(n *pattern.Node) bool { return !n.IsGap() })
}

// ways lists the settings of n knobs that may do. The last of them is not tried one by one: only
// those settings are looked at that make up for the others.
func (t *task) ways(n int, may func(w *way) bool) []way {
	var out []way
	var chosen []*setting
	var add func(from int)
	add = func(from int) {
		for i := from; i < len(t.knobs); i++ {
			settings := t.knobs[i].settings
			if len(chosen) == n-1 {
				for k := range t.fitting(settings, chosen) {
					if k.meets(chosen) {
						continue
					}
					w := t.wayOf(append(chosen, k))
					if !w.toAndFro() && may(&w) {
						w.at = slices.Clone(w.at)
						out = append(out, w)
					}
				}
				if t.ctx.Err() != nil {
					return
				}
				continue
			}
			for k := range settings {
				if t.ctx.Err() != nil {
					return
				}
				chosen = append(chosen, &settings[k])
				add(i + 1)
				chosen = chosen[:len(chosen)-1]
			}
		}
	}
	add(0)
	return out
}

// fitting yields the settings of a knob that bring the others about to the goal, with some on
// either side.
func (t *task) fitting(settings []setting, chosen []*setting) func(yield func(*setting) bool) {
	want, moved := float64(t.wanted()), 0.0
	for _, s := range chosen {
		want -= float64(s.by)
		moved += math.Abs(float64(s.by))
	}
	wide := float64(t.goal.Tolerance) + t.around(moved+math.Abs(want)) + crossed(settings, chosen)
	first, _ := slices.BinarySearchFunc(settings, want-wide, func(s setting, at float64) int { return cmp.Compare(float64(s.by), at) })
	return func(yield func(*setting) bool) {
		// One before and one behind, for the nearest where none fits.
		for i := max(0, first-1); i < len(settings); i++ {
			if !yield(&settings[i]) || float64(settings[i].by) > want+wide {
				return
			}
		}
	}
}

// pairs is how many ways there are to set two knobs.
func (t *task) pairs() int {
	sum, before := 0, 0
	for _, k := range t.knobs {
		sum += before * len(k.settings)
		before += len(k.settings)
	}
	return sum
}

// mayTake says whether there may be enough for a way. Runs in a group that changes as well are
// counted when it is measured.
func (t *task) mayTake(w *way) bool {
	if t.rules.Stock == nil && t.rules.Hand == nil {
		return true
	}
	more, made := map[string]int{}, map[string]bool{} // components can be made of parts
	for i, s := range w.at {
		for _, other := range w.at[:i] {
			if s.letter != "" || other.letter != "" || nested(s, other)+nested(other, s) != 0 {
				return true
			}
		}
		for key, n := range s.adds {
			of := t.measured.Piece.Palette[key]
			more[of.ID] += n
			made[of.ID] = of.Component != nil
		}
	}
	if t.rules.Stock != nil {
		for id, n := range more {
			if n > 0 && !made[id] && t.had[id]+n > t.rules.Stock[id] {
				return false
			}
		}
	}
	if t.rules.Hand != nil {
		for id, have := range t.rules.Hand.Beads {
			if t.had[id]+more[id] > have {
				return false
			}
		}
	}
	return true
}

// Budget is what a length is made up of: what ends, clasp and slack take of it, and what is
// left for the beads.
type Budget struct {
	Want, Ends, Slack, Beads length.MM
}

// BudgetOf works it out for a row and a length.
func BudgetOf(m *measure.Measured, s *measure.Strand, want length.MM) Budget {
	b := Budget{Want: want, Ends: s.Left.Length + s.Right.Length, Slack: s.Slack}
	if s.ForTarget(m.Piece) == s.Strung {
		b.Ends, b.Slack = 0, 0 // the house counts the beads alone
	}
	b.Beads = want - b.Ends - b.Slack
	return b
}
