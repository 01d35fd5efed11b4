package solve

import (
	"cmp"
	"math"
	"slices"
	"sync"

	"mala/core/check"
	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// The bounds of the search: how many things change at once, how many ways of two there may be
// that a third is looked for, and how many ways are measured.
const (
	mostChanges  = 3
	mostPairs    = 30_000
	mostMeasured = 150
	mostLooked   = 40 // of the nearest, where none lies within the tolerance
)

// cost is what orders proposals: how regular what comes out is, then how few changes bring it.
type cost struct{ tiers, changes int }

func (c cost) less(d cost) int {
	return cmp.Or(cmp.Compare(c.tiers, d.tiers), cmp.Compare(c.changes, d.changes))
}

// way is one setting of each of a few knobs, and about how long it makes the piece.
type way struct {
	at   []*setting
	cost cost
	off  float64 // about how far off the goal, in mm
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
// changes, and of those the nearest. Three things change at once only where one or two do not do it.
func (t *task) best() []Proposal {
	near := func(w *way) bool {
		return math.Abs(w.off) <= float64(t.goal.Tolerance)+t.around(w.moves()) && t.mayTake(w)
	}
	usual := func(w *way) bool { return !w.unusual() && near(w) }
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
	slices.SortStableFunc(ways, func(a, b way) int { return cmp.Or(a.cost.less(b.cost), cmp.Compare(math.Abs(a.off), math.Abs(b.off))) })
	var found []Proposal
	for i, p := range t.inTurn(ways) {
		if len(found) >= t.rules.Most && found[len(found)-1].cost.less(ways[i].cost) < 0 || int(t.tried.Load()) > mostMeasured || t.ctx.Err() != nil {
			break
		}
		if p != nil && t.within(p.Value) && !slices.ContainsFunc(found, func(had Proposal) bool { return p.same(had) || p.beyond(had) }) {
			found = append(found, *p)
		}
	}
	slices.SortStableFunc(found, func(a, b Proposal) int {
		return cmp.Or(a.cost.less(b.cost), cmp.Compare(max(a.Off, -a.Off), max(b.Off, -b.Off)), cmp.Compare(a.Moved, b.Moved))
	})
	return found[:min(len(found), t.rules.Most)]
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

// mostTrim is by how much one setting may take back what another gives, in mm.
const mostTrim = length.MM(20)

// toAndFro says whether one setting takes back what another gives, by more than the one step that
// trims a length.
func (w *way) toAndFro() bool {
	for i, a := range w.at {
		for _, b := range w.at[:i] {
			back := min(max(a.by, -a.by), max(b.by, -b.by))
			if a.by*b.by < 0 && (!a.trims() && !b.trims() || back > mostTrim) {
				return true
			}
		}
	}
	return false
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
	more := map[string]int{}
	for i, s := range w.at {
		for _, other := range w.at[:i] {
			if s.letter != "" || other.letter != "" || nested(s, other)+nested(other, s) != 0 {
				return true
			}
		}
		for key, n := range s.adds {
			more[t.measured.Piece.Palette[key].ID] += n
		}
	}
	if t.rules.Stock != nil {
		for id, n := range more {
			if n > 0 && t.had[id]+n > t.rules.Stock[id] {
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

// measure works out a way; nil where it cannot be, breaks what read the same from both ends,
// takes more than there is, or brings a stop or a warning that was not there.
func (t *task) measure(w *way) *Proposal {
	ops := t.opsOf(w)
	if ops == nil {
		return nil
	}
	after, s, m := t.tryOnce(ops)
	if s == nil || design.Symmetric(t.strand) && !design.Symmetric(s) {
		return nil
	}
	value, ok := t.value(after, s)
	if !ok {
		return nil
	}
	p := &Proposal{Ops: ops, Value: value, Off: value - t.goal.Want, Line: s.Row.Line.String(), cost: w.cost, at: w.at}
	for _, one := range w.at {
		p.Changes, p.Moved = append(p.Changes, one.does), p.Moved+one.moved
	}
	if !t.within(value) {
		return p
	}
	if m == nil {
		var err error
		if m, err = measure.Measure(after); err != nil {
			return nil
		}
	}
	if t.short(m) || t.worsens(m, w.cost, w.off) {
		return nil
	}
	p.Measured = m
	return p
}

// tryOnce measures the piece of one row whole at once, so that its inside length is worked out
// once; of several rows it measures the one, and gives no whole.
func (t *task) tryOnce(ops []edit.Op) (*piece.Piece, *measure.Strand, *measure.Measured) {
	if t.measured.Piece.Several() {
		after, s := t.try(ops)
		return after, s, nil
	}
	t.tried.Add(1)
	m, err := edit.Try(t.measured.Piece, t.rules.Shelf, ops...)
	if err != nil {
		return nil, nil, nil
	}
	return m.Piece, m.Strand(t.strand.Row.ID), m
}

// short says whether the piece takes more than is in hand, or more of a bead than there is in
// stock: and more than before, unless all is still to be taken.
func (t *task) short(m *measure.Measured) bool {
	if t.rules.Hand != nil && t.rules.Hand.lacks(m, m.Strand(t.strand.Row.ID)) != "" {
		return true
	}
	if t.rules.Stock == nil {
		return false
	}
	for _, c := range m.Tally {
		if c.Material.Bead != nil && (t.rules.Fresh || c.Count > t.had[c.Material.ID]) && c.Count > t.rules.Stock[c.Material.ID] {
			return true
		}
	}
	return false
}

// nearest gives the way of one or two changes that comes nearest to the goal; nil for none.
func (t *task) nearest() *Proposal {
	ways := append(t.ways(1, t.mayTake), t.ways(2, t.mayTake)...)
	slices.SortStableFunc(ways, func(a, b way) int { return cmp.Or(cmp.Compare(math.Abs(a.off), math.Abs(b.off)), a.cost.less(b.cost)) })
	var best *Proposal
	for i := range ways[:min(len(ways), mostLooked)] {
		if t.ctx.Err() != nil {
			break
		}
		p := t.measure(&ways[i])
		if p == nil || best != nil && max(p.Off, -p.Off) >= max(best.Off, -best.Off)-tiny {
			continue
		}
		if p.Measured == nil {
			if p.Measured = t.whole(p.Ops); p.Measured == nil {
				continue
			}
		}
		best = p
	}
	return best
}

// whole measures the whole piece after operations; nil where it gets a stop or a warning that
// was not there, or takes more than there is.
func (t *task) whole(ops []edit.Op) *measure.Measured {
	m, err := edit.Try(t.measured.Piece, t.rules.Shelf, ops...)
	if err != nil || t.short(m) || t.worsens(m, cost{tiers: math.MaxInt}, math.Inf(1)) {
		return nil
	}
	return m
}

// refused is the best of the ways that lie within the tolerance and bring a stop or a warning.
type refused struct {
	sync.Mutex
	comes *check.Problem
	cost  cost
	off   float64
}

// worsens says whether a piece has a stop or a warning that was not there, and keeps what the best of
// them would bring.
func (t *task) worsens(m *measure.Measured, c cost, off float64) bool {
	all := check.All(m)
	comes := check.New(t.before, all)
	if t.goal.Inside && !t.rules.AnyWearer { // what cannot be put on is no way to a wearer, though it cannot be now
		for i := range all {
			if all[i].OfWearer() && all[i].Severity == check.Stop {
				comes = append(comes, all[i])
			}
		}
	}
	if t.rules.AnyWearer {
		comes = slices.DeleteFunc(comes, func(p check.Problem) bool { return p.OfWearer() })
	}
	if len(comes) == 0 {
		return false
	}
	t.refused.Lock()
	defer t.refused.Unlock()
	if off = math.Abs(off); t.refused.comes == nil || cmp.Or(c.less(t.refused.cost), cmp.Compare(off, t.refused.off)) < 0 {
		t.refused.comes, t.refused.cost, t.refused.off = &comes[0], c, off
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
