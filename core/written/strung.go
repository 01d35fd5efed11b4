package written

import (
	"cmp"
	"fmt"
	"slices"
	"strconv"

	"mala/core/material"
	"mala/core/measure"
)

// holdStrung holds what the steps string against the sequence: run by run where they give
// the same materials in the same order, else by what they come to of each material.
func (a *auditor) holdStrung() {
	var scopes []string
	for _, s := range a.Statements {
		if scope := s.scope(); s.Kind == OfStrung && !slices.Contains(scopes, scope) {
			scopes = append(scopes, scope)
			if a.open || s.each || s.rows != nil || !a.holdRuns(s.row) {
				a.holdSums(scope)
			}
		}
	}
	a.holdRepeats()
}

// scope tells the rows that a statement speaks of from those of others.
func (s *Statement) scope() string { return fmt.Sprint(s.row, s.rows, s.each) }

// runWritten is alike beads in a row as the steps string them.
type runWritten struct {
	of    *material.Material
	count int
	by    []*Statement
	first int // of the sequence's own runs: the first bead
}

// items are what the steps of a row string, in their order, one after the other.
func (a *auditor) items(row int) []runWritten {
	var out []runWritten
	var steps []*Statement
	for _, s := range a.Statements {
		if s.Kind == OfStrung && s.scope() == fmt.Sprint(row, []int(nil), false) && s.Of != nil {
			steps = append(steps, s)
		}
	}
	for i := 0; i < len(steps); {
		end := i + 1
		for steps[i].by != nil && end < len(steps) && steps[end].by == steps[i].by {
			end++
		}
		for range max(1, steps[i].times) {
			for _, s := range steps[i:end] {
				out = append(out, runWritten{of: s.Of, count: s.count() / max(1, s.times), by: []*Statement{s}})
			}
			if len(out) > 20000 {
				return nil
			}
		}
		i = end
	}
	return out
}

// holdRuns holds the steps of a row against its runs, read from either end; false if they
// are not the same materials in the same order.
func (a *auditor) holdRuns(row int) bool {
	strand := a.strand(row)
	if row == whole && len(a.m.Strands) == 1 {
		strand = a.m.Strands[0]
	}
	if strand == nil {
		return false
	}
	// Caps and the like may lie either way round: only which material it is counts here.
	var have []runWritten
	for _, r := range strand.Runs() {
		if last := len(have) - 1; last >= 0 && have[last].of.ID == r.Material.ID {
			have[last].count += r.Count
			continue
		}
		have = append(have, runWritten{of: r.Material, count: r.Count, first: r.First})
	}
	said, have := a.likeliest(a.items(row), have)
	if said == nil {
		return false
	}
	for i, r := range said {
		for _, s := range r.by {
			if s.State != Differs {
				s.State, s.Derived = Agrees, strconv.Itoa(have[i].count)
			}
		}
		if last := r.by[len(r.by)-1]; r.count != have[i].count && last.State != Differs {
			last.Derived = strconv.Itoa(have[i].count)
			last.differ(fmt.Sprintf("The steps string %d here; the sequence has %d.", r.count, have[i].count))
			if right := have[i].count - r.count + int(last.figure.value); len(r.by) == 1 && right > 0 && last.figure.to > last.figure.from {
				last.Edits = []Edit{{last.figure.from, last.figure.end, last.figure.number(right)}}
			}
			last.Take = a.takeRun(strand, have[i], r.count)
		}
	}
	return true
}

// likeliest is how the steps and the runs of the sequence are meant: read from the left or
// from the right, and coming back with or without what is in the middle, where the text
// says that they come back. Nil where none of them has the same materials in one order.
func (a *auditor) likeliest(steps, runs []runWritten) (said, have []runWritten) {
	ways := [][]runWritten{merged(steps)}
	if a.mirror {
		ways = nil
		back := slices.Clone(steps)
		slices.Reverse(back)
		for middle := range min(4, len(steps)) {
			ways = append(ways, merged(slices.Concat(steps, back[middle:])))
		}
	}
	fewest := -1
	reversed := slices.Clone(runs)
	slices.Reverse(reversed)
	for _, way := range ways {
		for _, to := range [][]runWritten{runs, reversed} {
			if off := unlike(way, to); off >= 0 && (fewest < 0 || off < fewest) {
				fewest, said, have = off, way, to
			}
		}
	}
	return said, have
}

// merged are items with alike ones in a row as one.
func merged(items []runWritten) []runWritten {
	var out []runWritten
	for _, one := range items {
		if last := len(out) - 1; last >= 0 && out[last].of == one.of {
			out[last] = runWritten{of: one.of, count: out[last].count + one.count, by: append(out[last].by, one.by...)}
			continue
		}
		one.by = slices.Clip(one.by) // what is added goes into a list of its own
		out = append(out, one)
	}
	return out
}

// unlike counts the runs that differ in their number of beads; -1 if the materials do.
func unlike(said, have []runWritten) int {
	if len(said) == 0 || len(said) != len(have) {
		return -1
	}
	n := 0
	for i := range said {
		if said[i].of.ID != have[i].of.ID {
			return -1
		}
		if said[i].count != have[i].count {
			n++
		}
	}
	return n
}

// takeRun gives the run of the line that the step speaks of the step's count, where the
// line has that run once.
func (a *auditor) takeRun(strand *measure.Strand, r runWritten, want int) Take {
	node := strand.Beads[r.first].Node
	n := 0
	for _, b := range strand.Beads {
		if b.Node == node {
			n++
		}
	}
	// In a mirror the run stands twice, and both are written as one.
	if count := strand.Row.Line.Nodes[node].Count; n == r.count && n == count || a.mirror && r.count == count && n == 2*count {
		return Take{Row: string(strand.Row.ID), Node: node, Count: want}
	}
	return Take{}
}

// holdSums adds up what the steps string of each material.
func (a *auditor) holdSums(scope string) {
	groups := map[*material.Material][]*Statement{}
	sums := map[*material.Material]int{}
	var order []*material.Material
	for _, s := range a.Statements {
		if s.Kind == OfStrung && s.Of != nil && s.scope() == scope {
			if groups[s.Of] == nil {
				order = append(order, s.Of)
			}
			groups[s.Of] = append(groups[s.Of], s)
			sums[s.Of] += s.count()
		}
	}
	for _, m := range order {
		a.holdSum(groups[m], sums[m])
	}
}

func (a *auditor) holdSum(group []*Statement, sum int) {
	if a.open || a.mirror {
		for _, s := range group {
			s.State, s.Why = NoFigure, "Not all steps were understood, so they are not added up."
		}
		return
	}
	first, last := group[0], group[len(group)-1]
	var have []int
	for _, row := range a.rowsOf(first) {
		have = append(have, a.counts(first.Of, row, true)[0])
	}
	for _, s := range group {
		s.State, s.Derived, s.have, s.sum = Agrees, fmt.Sprintf("%d in all", have[0]), have[0], sum
	}
	switch {
	case len(group) == 1:
		first.derive(sum, have, "the sequence has")
	case !slices.ContainsFunc(have, func(n int) bool { return n != sum }):
		return
	case have[0] == 0:
		last.differ(fmt.Sprintf("%s has no %s.", rowOrPiece(last.row), material.InSentence(last.Of.Name)))
		return
	default:
		last.differ(fmt.Sprintf("The steps string %d in all; the sequence has %d.", sum, have[0]))
		for _, s := range group[:len(group)-1] {
			s.State, s.Why = NoFigure, fmt.Sprintf("Added up with line %d.", last.Line)
			last.Also = append(last.Also, [2]int{s.From, s.To})
		}
	}
	if last.State == Differs && len(have) == 1 {
		last.Take = a.takeCount(last, sum)
	}
}

// holdRepeats finds where not what is strung differs but how often: everything under one
// figure would be right with the same other figure.
func (a *auditor) holdRepeats() {
	under := map[*token][]*Statement{}
	var order []*token
	for _, s := range a.Statements {
		if s.Kind == OfStrung && s.by != nil {
			if under[s.by] == nil {
				order = append(order, s.by)
			}
			under[s.by] = append(under[s.by], s)
		}
	}
	for _, by := range order {
		group := under[by]
		repeat := &Statement{Kind: OfRepeat, Line: group[0].Line, From: by.from, To: by.to, State: NoFigure, figure: *by}
		if n := rightTimes(group, int(by.value)); n > 0 {
			repeat.State, repeat.Derived = Agrees, strconv.Itoa(n)
			if n != int(by.value) {
				repeat.differ(fmt.Sprintf("The text repeats it %s; the sequence has it %s.", times(int(by.value)), times(n)), repeat.recount(n)...)
				a.settled(group)
			}
		}
		a.Statements = append(a.Statements, repeat)
	}
	slices.SortStableFunc(a.Statements, func(x, y *Statement) int { return cmp.Compare(x.From, y.From) })
}

// settled takes what was said of the sums back that another figure makes right.
func (a *auditor) settled(group []*Statement) {
	for _, s := range a.Statements {
		if s.Kind == OfStrung && slices.ContainsFunc(group, func(o *Statement) bool { return o.Of == s.Of && o.scope() == s.scope() }) {
			s.State, s.Why, s.Edits, s.Take, s.Also = Agrees, "", nil, Take{}, nil
		}
	}
}

// rightTimes is how often all of these would have to be strung to be right; 0 if there is
// no one such number.
func rightTimes(group []*Statement, said int) int {
	right := 0
	for _, s := range group {
		if s.State == Asks || s.State == NoFigure && s.sum == 0 {
			return 0
		}
		own := 0
		for _, o := range group {
			if o.Of == s.Of {
				own += o.count()
			}
		}
		n, once := said, own/max(1, said)
		if s.sum != s.have {
			rest := s.have - (s.sum - own)
			if once == 0 || rest <= 0 || rest%once != 0 {
				return 0
			}
			n = rest / once
		}
		if right != 0 && n != right {
			return 0
		}
		right = n
	}
	return right
}

func times(n int) string {
	if n == 1 {
		return "once"
	}
	return fmt.Sprintf("%d times", n)
}
