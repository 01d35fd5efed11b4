// Package together sizes the rows of a piece together: all of one length, each a step
// longer than the one before, or so that they touch where they hang, by the fewest
// changes that keep what reads the same from both ends so.
package together

import (
	"cmp"
	"context"
	"math"
	"slices"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/pattern"
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
	Rows    []RowChanges // that change
	Ops     []edit.Op
	Lengths []length.MM // of each row, finished, as it would be
	Off     length.MM   // by how much the row furthest off misses its place beside the others
	Changes int         // how many runs change, and beads at the ends
}

// RowChanges is what changes in a row, by its number.
type RowChanges struct {
	Row     int
	Changes []solve.Change
}

// most is how many proposals are given.
const most = 3

// Propose gives the ways that come to the goal with the fewest changes, the one with
// the fewest beads moved first: every row within less than the smallest bead of where
// it should lie beside the others, and if it can be within the target's tolerance. The
// step is that of the goal Step. It is empty where no such way was found. The search
// ends with the context.
func Propose(ctx context.Context, m *measure.Measured, goal Goal, step length.MM) []Proposal {
	if !m.Piece.Several() {
		return nil
	}
	t := &task{measured: m, goal: goal, shift: offsets(m, goal, step), within: SmallestBead(m)}
	for k := range m.Main() {
		row := t.optionsOf(ctx, k)
		if ctx.Err() != nil {
			return nil
		}
		t.rows = append(t.rows, row)
	}
	if target := m.Piece.Target; target != nil {
		if near := t.near(target); near != nil {
			if found := near.best(); len(found) > 0 {
				return near.proposals(found)
			}
		}
	}
	return t.proposals(t.best())
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
	rows     [][]option
}

// option is one way a row can be.
type option struct {
	length  length.MM     // finished, less the row's shift
	line    *pattern.Line // nil as it is
	fitting piece.ID      // of a chain, and its links; 0 as it is
	links   int
	key     string // of beads that come at its ends, and how many
	beads   int
	does    []solve.Change
	changes int
	moved   int  // beads that come or go
	exact   bool // the length is measured, not added up
}

func (o *option) cost() int { return 1000*o.changes + o.moved }

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
	cost int
	off  length.MM
}

// best finds the cheapest choices, of equal cost the closest: for each option of each
// row as the shortest, every other row takes its cheapest that is longer by less than
// the smallest bead, of those the shortest. Lengths that were only added up are
// measured before they decide.
func (t *task) best() []choice {
	for {
		found := t.search()
		guessed := false
		for _, c := range found[:min(len(found), most)] {
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
	slices.SortStableFunc(found, func(a, b choice) int { return cmp.Or(cmp.Compare(a.cost, b.cost), cmp.Compare(a.off, b.off)) })
	return slices.CompactFunc(found, func(a, b choice) bool { return slices.Equal(a.at, b.at) })
}

// from takes the i-th option of row k as the shortest of all.
func (t *task) from(k, i int) (choice, bool) {
	least := t.rows[k][i].length
	if math.IsInf(float64(least), 1) {
		return choice{}, false
	}
	c := choice{at: make([]int, len(t.rows))}
	for r, row := range t.rows {
		best := -1
		for j := range row {
			o := &row[j]
			if r == k && j != i || o.length < least || o.length >= least+t.within {
				continue
			}
			if best < 0 || o.cost() < row[best].cost() || o.cost() == row[best].cost() && o.length < row[best].length {
				best = j
			}
		}
		if best < 0 {
			return choice{}, false
		}
		c.at[r] = best
		c.cost += row[best].cost()
		c.off = max(c.off, row[best].length-least)
	}
	return c, true
}

// proposals writes choices out, each with the rule that keeps the rows there.
func (t *task) proposals(found []choice) []Proposal {
	var out []Proposal
	for _, c := range found[:min(len(found), most)] {
		p := Proposal{Off: c.off}
		for k, i := range c.at {
			o := &t.rows[k][i]
			if o.links > 0 {
				p.Ops = append(p.Ops, edit.SetLinks{At: piece.Place{Fitting: o.fitting, Element: piece.NoElement}, Links: o.links})
			}
			if o.line != nil {
				p.Ops = append(p.Ops, edit.SetLine{At: t.measured.Main()[k].Row.At(), Line: o.line.String()})
			}
			p.Changes += o.changes
			p.Lengths = append(p.Lengths, o.length+t.shift[k])
			if len(o.does) > 0 {
				p.Rows = append(p.Rows, RowChanges{k + 1, o.does})
			}
		}
		p.Ops = append(p.Ops, t.rules()...)
		out = append(out, p)
	}
	return out
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
