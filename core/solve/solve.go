// Package solve finds the few best ways to bring a piece to a length, or to an inside length:
// those with the fewest and smallest changes, each measured before it is proposed. A mirror, a
// group and a strand that reads the same from both ends stay so; what is pinned stays as it is.
package solve

import (
	"cmp"
	"context"
	"math"
	"slices"
	"sync"
	"sync/atomic"

	"mala/core/check"
	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
)

// Goal is what a row of a piece is brought to.
type Goal struct {
	Row       piece.ID
	Inside    bool      // the inside length; else the length that the house holds against a target
	Strung    bool      // the strung length instead, from the outer face of the first bead to that of the last
	Want      length.MM // what is aimed at
	Tolerance length.MM // how far off is still right
	// Least and Most are what is right where that reaches further on one side than on the other; 0 where
	// it does not.
	Least, Most length.MM
}

// Takes says whether a length is right.
func (g Goal) Takes(value length.MM) bool {
	if g.Most > 0 {
		return value >= g.Least-tiny && value <= g.Most+tiny
	}
	return math.Abs(float64(value-g.Want)) <= float64(g.Tolerance)+tiny
}

// Rules are what the search keeps to.
type Rules struct {
	Pins      []piece.Pin
	Stock     check.Stock          // what there is of each material; nil where that is not asked
	Shelf     []*material.Material // what may be fetched: spacers of another size, clasps
	Hand      *Hand                // all that there is to string it of; nil where that is not asked
	Fresh     bool                 // all of it is still to be taken from stock; else what the piece has of a bead it may keep
	AnyWearer bool                 // it is not for the body that the piece names
	// LineOnly leaves ends, clasp, slack and the dishes as they are.
	LineOnly bool
	Most     int // how many proposals are given at most; 0 takes the usual number
}

// Proposal is one way.
type Proposal struct {
	Changes  []Change
	Ops      []edit.Op
	Measured *measure.Measured // the piece as it would be
	Value    length.MM         // what the goal is about, as it would be
	Off      length.MM         // of what is wanted
	Moved    int               // beads that come or go
	Longer   length.MM         // by how much another place to close it at makes it longer than it is measured
	Line     string

	cost   cost
	at     []*setting
	uneven float64
}

// Answer is what the search came to.
type Answer struct {
	Now       length.MM
	Proposals []Proposal // within the tolerance, the most regular first
	Nearest   *Proposal  // the nearest of those looked at, where none lies within it
	Why       Why        // the reason that there is none, and which change of rule would allow one; else nil
	Tried     int        // how many changes were measured
}

// same says whether two proposals come to one piece: the beads in the same order, or the other way
// round, with the same at the ends. A ring more at the left is that at the right.
func (p Proposal) same(other Proposal) bool {
	a, b := p.Measured, other.Measured
	if len(a.Strands) != len(b.Strands) || math.Abs(float64(p.Value-other.Value)) > tiny || len(a.Tally) != len(b.Tally) {
		return false
	}
	for i := range a.Tally {
		if a.Tally[i].Material.ID != b.Tally[i].Material.ID || a.Tally[i].Count != b.Tally[i].Count {
			return false
		}
	}
	for i := range a.Strands {
		if !alike(a.Strands[i], b.Strands[i]) {
			return false
		}
	}
	return true
}

// alike says whether two strands have the same beads in the same order, from either end; rings from
// anywhere.
func alike(a, b *measure.Strand) bool {
	n := len(a.Beads)
	if n != len(b.Beads) {
		return false
	}
	turns := 1
	if a.Ring {
		turns = n
	}
	for from := range turns {
		there, back := true, true
		for i := 0; i < n && (there || back); i++ {
			is := a.Beads[i].Key
			there = there && is == b.Beads[(from+i)%n].Key
			back = back && is == b.Beads[(from+2*n-1-i)%n].Key
		}
		if there || back {
			return true
		}
	}
	return n == 0
}

// usualMost is how many proposals are given.
const usualMost = 5

// Solve finds the proposals. It changes nothing. The search ends with the context.
func Solve(ctx context.Context, m *measure.Measured, goal Goal, rules Rules) Answer {
	if rules.Most == 0 {
		rules.Most = usualMost
	}
	t := newTask(ctx, m, goal, rules)
	out := Answer{Now: t.now, Why: t.impossible()}
	at := t.place()
	switch {
	case out.Why != nil:
	case t.fillsUp():
		t.fill(&out)
	default:
		t.gather()
		out.Proposals = t.best()
	}
	if at != nil {
		i, _ := slices.BinarySearchFunc(out.Proposals, at.cost, func(p Proposal, c cost) int { return p.cost.less(c) })
		out.Proposals = slices.Insert(out.Proposals, i, *at)
	}
	if out.Why != nil || t.fillsUp() {
		return out
	}
	out.Proposals = out.Proposals[:min(len(out.Proposals), rules.Most)]
	if len(out.Proposals) == 0 {
		if t.notInHand() {
			out.Why = NotInHand{}
			out.Tried = int(t.tried.Load())
			return out
		}
		if out.Nearest = t.nearest(); out.Nearest != nil && t.does(out.Nearest.Value) {
			out.Proposals, out.Nearest = []Proposal{*out.Nearest}, nil // past what may be measured one by one
		} else {
			out.Why = t.why(out.Nearest)
		}
	}
	out.Tried = int(t.tried.Load())
	return out
}

// task is one search.
type task struct {
	ctx      context.Context
	measured *measure.Measured
	strand   *measure.Strand
	design   *design.Strand
	goal     Goal
	rules    Rules
	now      length.MM
	knobs    []knob
	long     map[*pattern.Node]bool // the runs of running beads that may change, and what is repeated many times
	before   []check.Problem
	had      map[string]int // of each material
	refused  refused
	tried    atomic.Int64
}

func newTask(ctx context.Context, m *measure.Measured, goal Goal, rules Rules) *task {
	t := &task{ctx: ctx, measured: m, goal: goal, rules: rules, strand: m.Strand(goal.Row)}
	if t.strand == nil {
		t.strand = m.Leading()
	}
	t.design = design.Of(m.Piece, t.strand)
	t.had = map[string]int{}
	for _, c := range m.Tally {
		t.had[c.Material.ID] += c.Count
	}
	t.now, _ = t.value(m.Piece, t.strand)
	return t
}

// value is what the goal is about; false where there is none.
func (t *task) value(p *piece.Piece, s *measure.Strand) (length.MM, bool) {
	switch {
	case t.goal.Inside:
		return s.Inside()
	case t.goal.Strung:
		return s.Strung, true
	}
	return s.ForTarget(p), true
}

// setting is one way in which one thing is changed.
type setting struct {
	does    Change
	by      length.MM                              // about how much more the goal's length becomes
	moved   int                                    // beads that come or go, or change for others
	tier    design.Tier                            // how much of the design it touches
	line    func(line *pattern.Line)               // changes runs and gaps of the bead line where they are; nil
	unusual bool                                   // only where nothing else does
	steps   int                                    // by which its knob is turned
	parts   []part                                 // whose counts change
	nodes   []*pattern.Node                        // all that it changes
	rewrite func(line *pattern.Line) *pattern.Line // puts whole repeats or ends into the line, nil where it cannot; nil
	ops     []edit.Op                              // what else it does
	adds    map[string]int                         // beads of each letter that come or go
	letter  string                                 // of beads that change for others
	each    length.MM                              // by how much longer each of those is
}

// part is one of the runs or groups whose counts a setting changes, by how many, and how much of its
// length that gives.
type part struct {
	node *pattern.Node
	more int
	by   length.MM
}

// manyTimes is from how many times on what is repeated counts as long.
const manyTimes = 3

// knob is one thing that can be changed, with its settings from the shortest to the longest.
type knob struct {
	settings []setting
}

// moves lists every kind of move.
var moves = []func(t *task) []knob{counts, ends, sizes, links, rings, clasps, slack}

// lineMoves are those that change the bead line alone.
var lineMoves = []func(t *task) []knob{counts, ends}

// gather lists what can be changed.
func (t *task) gather() {
	t.before, t.long = check.All(t.measured), map[*pattern.Node]bool{}
	kinds := moves
	if t.rules.LineOnly {
		kinds = lineMoves
	}
	found := make([][]knob, len(kinds))
	var all sync.WaitGroup
	for i, move := range kinds {
		all.Go(func() { found[i] = move(t) })
	}
	all.Wait()
	for _, k := range slices.Concat(found...) {
		slices.SortStableFunc(k.settings, func(a, b setting) int { return cmp.Compare(a.by, b.by) })
		if len(k.settings) == 0 {
			continue
		}
		t.knobs = append(t.knobs, k)
		for _, p := range k.settings[0].parts {
			if k.settings[0].tier == design.LongRuns || p.node.IsGroup() && p.node.Count >= manyTimes {
				t.long[p.node] = true
			}
		}
	}
}

// try measures the row after operations; nil where it cannot be.
func (t *task) try(ops []edit.Op) (*piece.Piece, *measure.Strand) {
	t.tried.Add(1)
	after, _, err := edit.Apply(t.measured.Piece, t.rules.Shelf, ops...)
	if err != nil {
		return nil, nil
	}
	row := after.Row(t.strand.Row.ID)
	if row == nil {
		return nil, nil
	}
	s, err := measure.Row(after, row)
	if err != nil {
		return nil, nil
	}
	return after, s
}

// step is about how much longer a change makes the piece, by measuring it: the inside length
// grows by as much at every turn.
func (t *task) step(ops ...edit.Op) (by length.MM, s *measure.Strand) {
	after, s := t.try(ops)
	if s == nil {
		return 0, nil
	}
	by = s.ForTarget(after) - t.strand.ForTarget(t.measured.Piece)
	if t.goal.Inside {
		by /= length.MM(t.strand.Times())
	}
	return by, s
}

// wanted is how far it is to the goal.
func (t *task) wanted() length.MM { return t.goal.Want - t.now }

// reach is by how much any one change may move the piece, in mm: to the goal and some way past
// it, so that another can make up for it.
func (t *task) reach() length.MM { return max(t.wanted(), -t.wanted()) + t.goal.Tolerance + aroundGoal }

// aroundGoal is how far past the goal one change of several may go, in mm.
const aroundGoal = length.MM(15)

func (t *task) within(value length.MM) bool { return t.goal.Takes(value) }

// does says whether a length is what is asked for: right, and nearer than what is there where that is
// right already.
func (t *task) does(value length.MM) bool {
	off := func(mm length.MM) float64 { return math.Abs(float64(mm - t.goal.Want)) }
	return t.within(value) && (!t.within(t.now) || off(value) < off(t.now)-asNear)
}

// tiny keeps the rounding of sums from deciding, in mm.
const tiny = 1e-9
