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
	var rows []int
	for _, s := range a.Statements {
		if s.Kind == OfStrung && !s.each && !slices.Contains(rows, s.row) {
			rows = append(rows, s.row)
		}
	}
	for _, row := range rows {
		if !a.open && a.holdRuns(row) {
			continue
		}
		a.holdSums(func(s *Statement) bool { return !s.each && s.row == row })
	}
	a.holdSums(func(s *Statement) bool { return s.each })
	a.holdRepeats()
}

// runWritten is alike beads in a row as the steps string them.
type runWritten struct {
	of    *material.Material
	count int
	by    []*Statement
}

// runs are what the steps of a row string, in their order.
func (a *auditor) runs(row int) []runWritten {
	var out []runWritten
	put := func(s *Statement) {
		n := s.count() / max(1, s.times)
		if last := len(out) - 1; last >= 0 && out[last].of == s.Of {
			out[last].count += n
			out[last].by = append(out[last].by, s)
			return
		}
		out = append(out, runWritten{s.Of, n, []*Statement{s}})
	}
	var steps []*Statement
	for _, s := range a.Statements {
		if s.Kind == OfStrung && !s.each && s.row == row && s.Of != nil {
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
				put(s)
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
	said := a.runs(row)
	// Caps and the like may lie either way round: only which material it is counts here.
	var have []runWritten
	for _, r := range strand.Runs() {
		if last := len(have) - 1; last >= 0 && have[last].of.ID == r.Material.ID {
			have[last].count += r.Count
			continue
		}
		have = append(have, runWritten{of: r.Material, count: r.Count})
	}
	off := func(have []runWritten) int {
		n := 0
		for i := range said {
			if said[i].of.ID != have[i].of.ID {
				return len(said) + 1
			}
			if said[i].count != have[i].count {
				n++
			}
		}
		return n
	}
	if len(said) == 0 || len(said) != len(have) {
		return false
	}
	back := slices.Clone(have)
	slices.Reverse(back)
	if off(back) < off(have) {
		have = back
	}
	if off(have) > len(said) {
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
			last.Take = a.takeRun(strand, have[i], i, have, r.count)
		}
	}
	return true
}

// takeRun gives the run of the line that the step speaks of the step's count, where the
// line has that run once.
func (a *auditor) takeRun(strand *measure.Strand, r runWritten, at int, have []runWritten, want int) Take {
	first := 0
	for _, before := range have[:at] {
		first += before.count
	}
	if first >= len(strand.Beads) || strand.Beads[first].Material.ID != r.of.ID {
		return Take{}
	}
	node := strand.Beads[first].Node
	n := 0
	for _, b := range strand.Beads {
		if b.Node == node {
			n++
		}
	}
	if count := strand.Row.Line.Nodes[node].Count; n == count && n == r.count {
		return Take{Row: string(strand.Row.ID), Node: node, Count: want}
	}
	return Take{}
}

// holdSums adds up what the steps string of each material.
func (a *auditor) holdSums(of func(s *Statement) bool) {
	var done []*Statement
	for _, s := range a.Statements {
		if s.Kind != OfStrung || s.Of == nil || !of(s) || slices.Contains(done, s) {
			continue
		}
		var group []*Statement
		sum := 0
		for _, o := range a.Statements {
			if o.Kind == OfStrung && of(o) && o.Of == s.Of {
				group = append(group, o)
				sum += o.count()
			}
		}
		done = append(done, group...)
		a.holdSum(group, sum)
	}
}

func (a *auditor) holdSum(group []*Statement, sum int) {
	if a.open {
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
		if s.Kind == OfStrung && slices.ContainsFunc(group, func(o *Statement) bool { return o.Of == s.Of && o.row == s.row && o.each == s.each }) {
			s.State, s.Why, s.Edits, s.Take, s.Also = Agrees, "", nil, Take{}, nil
		}
	}
}

// rightTimes is how often all of these would have to be strung to be right; 0 if there is
// no one such number.
func rightTimes(group []*Statement, said int) int {
	right := 0
	for _, s := range group {
		if s.State == NoFigure || s.State == Asks {
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
