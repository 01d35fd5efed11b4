// Package together sizes the rows of a piece together: all of one length, each a step
// longer than the one before, or so that they touch where they hang, by the fewest
// changes that keep what reads the same from both ends so.
package together

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"mala/core/check"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/solve"
)

// Goal is how the rows are to lie beside each other.
type Goal string

// The goals.
const (
	Equal    Goal = "equal"
	Step     Goal = "step"     // each longer than the one before by a step
	Touching Goal = "touching" // each longer by as much as lets it touch the one before
)

// Goals lists every goal.
func Goals() []Goal { return []Goal{Equal, Step, Touching} }

// Proposal is one way to bring the rows to a goal.
type Proposal struct {
	Rows     []RowChanges // that change
	Ops      []edit.Op
	Lengths  []length.MM // of each row, finished, as it would be
	Off      length.MM   // by how much the row furthest off misses its place beside the others
	Changes  int         // how many runs change, and beads at the ends
	Measured *measure.Measured
}

// Answer is what the search came to.
type Answer struct {
	Proposals []Proposal
	Comes     []check.Problem // where there is none: the stops and warnings that the best would bring
}

// RowChanges is what changes in a row, by its number.
type RowChanges struct {
	Row     int
	Changes []solve.Change
}

// most is how many proposals are given.
const most = 3

// Propose gives the ways that come to the goal, the most regular first, of those the ones of the fewest
// changes: every row within less than the smallest bead of where it should lie beside the others, and
// if it can be within the target's tolerance. None brings a stop or a warning that is not there. The
// step is that of the goal Step; stock is what there is of each material, nil where that is not asked.
// The search ends with the context.
func Propose(ctx context.Context, m *measure.Measured, goal Goal, step length.MM, stock check.Stock) Answer {
	if !m.Piece.Several() {
		return Answer{}
	}
	t := &task{measured: m, goal: goal, shift: offsets(m, goal, step), within: SmallestBead(m), stock: stock, before: check.All(m)}
	reach := t.reach()
	for k := range m.Main() {
		t.rows = append(t.rows, t.optionsOf(ctx, k, reach))
		if ctx.Err() != nil {
			return Answer{}
		}
	}
	if target := m.Piece.Target; target != nil {
		if near := t.near(target); near != nil {
			if found := near.proposals(ctx); len(found.Proposals) > 0 {
				return found
			}
		}
	}
	return t.proposals(ctx)
}

// reach is how far a row may have to go: as far as the lengths are apart, or to the target.
func (t *task) reach() length.MM {
	least, most := length.MM(math.Inf(1)), length.MM(math.Inf(-1))
	for k, s := range t.measured.Main() {
		is := s.Finished() - t.shift[k]
		least, most = min(least, is), max(most, is)
	}
	if target := t.measured.Piece.Target; target != nil {
		least, most = min(least, target.Finished), max(most, target.Finished)
	}
	return most - least + around
}

// SmallestBead is the length along its hole of the shortest bead that is strung.
func SmallestBead(m *measure.Measured) length.MM {
	least := length.MM(math.Inf(1))
	for _, s := range m.Main() {
		for i := range s.Beads {
			if b := s.Beads[i].Material.Bead; !b.Hangs() && !b.IsGap() {
				least = min(least, b.Length())
			}
		}
	}
	if math.IsInf(float64(least), 1) {
		for _, s := range m.Main() {
			if chain := s.Row.Chain(); chain != nil {
				least = min(least, chain.Of.Finding.Inside) // nothing but chain: a link
			}
		}
	}
	return least
}

// task is what is searched: for each row the ways it can be, with the length of each
// less what the goal wants it longer than the first.
type task struct {
	measured *measure.Measured
	goal     Goal
	shift    []length.MM
	within   length.MM
	stock    check.Stock
	before   []check.Problem
	rows     [][]option
}

// option is one way a row can be.
type option struct {
	length  length.MM   // finished, less the row's shift
	line    *solve.Line // nil as it is
	fitting piece.ID    // of a chain, and its links; 0 as it is
	links   int
	does    []solve.Change
	tiers   int // how much of the design it touches
	changes int
	moved   int  // beads that come or go
	exact   bool // the length is measured, not added up
}

// The lengths of options are added up until they are measured: by what part of what changes, and by
// how much at most, one may be wrong, in mm.
const (
	loosePart = 0.02
	mostLoose = length.MM(2)
)

// loose is by how much its length may be wrong.
func (o *option) loose() length.MM {
	if o.exact {
		return 0
	}
	return min(mostLoose, 0.2+loosePart*max(o.line.By, -o.line.By))
}

// cost orders options: how regular what comes out is, then how few changes bring it, then how few beads move.
type cost struct{ tiers, changes, moved int }

func (c cost) plus(d cost) cost {
	return cost{c.tiers + d.tiers, c.changes + d.changes, c.moved + d.moved}
}

func (c cost) compare(d cost) int {
	return cmp.Or(cmp.Compare(c.tiers, d.tiers), cmp.Compare(c.changes, d.changes), cmp.Compare(c.moved, d.moved))
}

func (o *option) cost() cost { return cost{o.tiers, o.changes, o.moved} }

// near leaves only what lies within the tolerance of the target; nil if a row has
// nothing there.
func (t *task) near(target *piece.Target) *task {
	out := *t
	out.rows = nil
	for _, row := range t.rows {
		kept := slices.DeleteFunc(slices.Clone(row), func(o option) bool {
			return o.length < target.Finished-target.Tolerance || o.length > target.Finished+target.Tolerance
		})
		if len(kept) == 0 {
			return nil
		}
		out.rows = append(out.rows, kept)
	}
	return &out
}

// choice is which option each row takes.
type choice struct {
	at   []int
	cost cost
	off  length.MM
}

// mostTried is how many choices are measured and judged.
const mostTried = 24

// proposals finds the cheapest choices, of equal cost the closest: for each option of each row as the
// shortest, every other row takes its cheapest that is longer by less than the smallest bead, of those
// the shortest. Each is measured and judged before it is proposed.
func (t *task) proposals(ctx context.Context) Answer {
	var out Answer
	tried := map[string]bool{}
	for _, c := range t.best() {
		if ctx.Err() != nil || len(out.Proposals) == most || len(tried) == mostTried {
			break
		}
		if key := fmt.Sprint(c.at); tried[key] {
			continue
		} else {
			tried[key] = true
		}
		p, comes := t.proposal(&c)
		switch {
		case p == nil:
		case len(comes) > 0 && out.Comes == nil:
			out.Comes = comes
		case len(comes) == 0 && !slices.ContainsFunc(out.Proposals, func(had Proposal) bool { return sameRows(had.Measured, p.Measured) }):
			out.Proposals = append(out.Proposals, *p)
		}
		if len(out.Proposals) == 1 && out.Proposals[0].Changes == 0 {
			break // they lie right as they are
		}
	}
	if len(out.Proposals) > 0 {
		out.Comes = nil
	}
	return out
}

// sameRows says whether two pieces have the same lines, from the left.
func sameRows(a, b *measure.Measured) bool {
	for i, s := range a.Strands {
		other := b.Strands[i]
		if !slices.EqualFunc(s.Beads, other.Beads, func(x, y measure.Bead) bool { return x.Key == y.Key && x.Turned == y.Turned }) || s.Finished() != other.Finished() {
			return false
		}
	}
	return true
}

// best lists the choices. Lengths that were only added up are measured before they decide.
func (t *task) best() []choice {
	for {
		for _, row := range t.rows {
			slices.SortStableFunc(row, func(a, b option) int { return cmp.Compare(a.length, b.length) })
		}
		found := t.search()
		guessed := false
		for _, c := range found[:min(len(found), mostTried)] {
			for k, i := range c.at {
				if o := &t.rows[k][i]; !o.exact {
					guessed = true
					if !t.measure(k, o) {
						o.length, o.exact = length.MM(math.Inf(1)), true // out of reach
					}
				}
			}
		}
		if !guessed {
			return found
		}
	}
}

func (t *task) search() []choice {
	var found []choice
	for k := range t.rows {
		for i := range t.rows[k] {
			if c, ok := t.from(k, i); ok {
				found = append(found, c)
			}
		}
	}
	slices.SortStableFunc(found, func(a, b choice) int { return cmp.Or(a.cost.compare(b.cost), cmp.Compare(a.off, b.off)) })
	return slices.CompactFunc(found, func(a, b choice) bool { return slices.Equal(a.at, b.at) })
}

// from takes the i-th option of row k as the shortest of all. The options of a row lie by their length.
func (t *task) from(k, i int) (choice, bool) {
	least := t.rows[k][i].length
	if math.IsInf(float64(least), 1) {
		return choice{}, false
	}
	c := choice{at: make([]int, len(t.rows))}
	for r, row := range t.rows {
		best := -1
		if r == k {
			best = i
		} else {
			loose := t.rows[k][i].loose()
			first, _ := slices.BinarySearchFunc(row, least-loose-mostLoose, func(o option, at length.MM) int { return cmp.Compare(o.length, at) })
			for j := first; j < len(row) && row[j].length < least+t.within+loose+mostLoose; j++ {
				o, may := &row[j], loose+row[j].loose()
				if o.length >= least-may && o.length < least+t.within+may && (best < 0 || o.cost().compare(row[best].cost()) < 0) {
					best = j
				}
			}
		}
		if best < 0 {
			return choice{}, false
		}
		c.at[r] = best
		c.cost = c.cost.plus(row[best].cost())
		c.off = max(c.off, row[best].length-least, least-row[best].length)
	}
	return c, true
}

// proposal writes a choice out, with the rule that keeps the rows there, and what would come with it
// that is not there now; nil where it cannot be.
func (t *task) proposal(c *choice) (*Proposal, []check.Problem) {
	p := Proposal{Off: c.off}
	for k, i := range c.at {
		o := &t.rows[k][i]
		p.Ops = append(p.Ops, t.opsOf(k, o)...)
		p.Changes += o.changes
		p.Lengths = append(p.Lengths, o.length+t.shift[k])
		if len(o.does) > 0 {
			p.Rows = append(p.Rows, RowChanges{k + 1, o.does})
		}
	}
	p.Ops = append(p.Ops, t.rules()...)
	m, err := edit.Try(t.measured.Piece, nil, p.Ops...)
	if err != nil {
		return nil, nil
	}
	if t.stock != nil && !t.stock.Enough(m, t.measured) {
		return nil, nil
	}
	p.Measured = m
	return &p, check.New(t.before, check.All(m))
}

// rules lets each row follow the one before it as the goal has it.
func (t *task) rules() []edit.Op {
	var out []edit.Op
	for k, s := range t.measured.Main()[1:] {
		op := edit.SetFollow{At: s.Row.At(), Rule: map[Goal]piece.Rule{Equal: piece.Equal, Step: piece.Longer, Touching: piece.Touching}[t.goal]}
		if t.goal != Equal {
			by := length.MM(math.Round(float64(t.shift[k+1]-t.shift[k])*100) / 100)
			op.Step = &by
		}
		out = append(out, op)
	}
	return out
}
