package written

import (
	"fmt"
	"slices"
	"strings"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
)

// wanted is a count that a text would have a piece take over.
type wanted struct {
	of         string
	row, count int
}

// takeCount finds what makes the material come as often as the text says, and nothing else come more
// or less often: what the design lets change, all that is alike alike. Of a material that no part of the
// design is free to change it is the longest run, where the strand still reads the same from both ends
// if it did so.
func (a *auditor) takeCount(s *Statement, want int) Take {
	key := wanted{s.Of.ID, s.row, want}
	take, known := a.takes[key]
	if !known {
		free := false
		if take, free = a.findKnob(s, want); !free {
			take = a.findRun(s, want)
		}
		a.takes[key] = take
	}
	return take
}

// findKnob is the most regular change of the design, and whether the design is free to change this
// material at all.
func (a *auditor) findKnob(s *Statement, want int) (best Take, free bool) {
	off := want - a.counts(s.Of, s.row, true)[0]
	tier := design.Slack
	for i, strand := range a.m.Strands {
		if s.row != whole && s.row != i+1 || strand.Row.Line == nil {
			continue
		}
		each := eachOf(s.Of, strand)
		for _, k := range design.Of(a.m.Piece, strand).Knobs(func(*pattern.Node) bool { return false }) {
			add := 0
			for _, n := range k.Counts {
				add += each[n.ID] * k.Step
			}
			least, most := k.Range()
			free = free || add != 0 && beadsAlone(&k)
			if k.Tier >= tier || !beadsAlone(&k) || add == 0 || off%add != 0 || off/add < least || off/add > most {
				continue
			}
			if take, op := turned(&k, strand, off/add); a.gives(op, s, want) {
				best, tier = take, k.Tier
			}
		}
	}
	return best, free
}

// beadsAlone says whether a knob changes runs of beads and nothing besides.
func beadsAlone(k *design.Knob) bool {
	return len(k.Counts) > 0 && !slices.ContainsFunc(k.Counts, func(n *pattern.Node) bool { return !n.IsBead() })
}

// turned is a knob set by a number of steps.
func turned(k *design.Knob, strand *measure.Strand, steps int) (Take, edit.Op) {
	if len(k.Counts) == 1 {
		n := k.Counts[0]
		return takeNode(strand, n.ID, n.Count+steps*k.Step)
	}
	line := strand.Row.Line.Clone()
	k.Turn(line, steps)
	return Take{Row: string(strand.Row.ID), Line: line.String()}, edit.SetLine{At: strand.Row.At(), Line: line.String()}
}

func takeNode(strand *measure.Strand, node, to int) (Take, edit.Op) {
	return Take{Row: string(strand.Row.ID), Node: node, Count: to}, edit.Count{At: strand.Row.At(), Node: node, To: to}
}

// eachOf says how often a material comes with one more of each item of the line.
func eachOf(of *material.Material, strand *measure.Strand) map[int]int {
	each := map[int]int{}
	for _, b := range strand.Beads {
		if b.Material.ID == of.ID {
			each[b.Node]++
		}
	}
	for node := range each {
		each[node] /= max(1, strand.Row.Line.Nodes[node].Count)
	}
	return each
}

// findRun is the longest run that does.
func (a *auditor) findRun(s *Statement, want int) Take {
	best, longest := Take{}, 0
	off := want - a.counts(s.Of, s.row, true)[0]
	for i, strand := range a.m.Strands {
		if s.row != whole && s.row != i+1 || strand.Row.Line == nil {
			continue
		}
		for node, each := range eachOf(s.Of, strand) {
			if each == 0 || off%each != 0 {
				continue
			}
			now := strand.Row.Line.Nodes[node].Count
			take, op := takeNode(strand, node, now+off/each)
			longer := now > longest || now == longest && node < best.Node
			if take.Count > 0 && longer && a.gives(op, s, want) {
				best, longest = take, now
			}
		}
	}
	return best
}

// gives says whether a change of the line brings the material to what is wanted, and leaves a strand
// that reads the same from both ends so: an open fill may give back what it takes.
func (a *auditor) gives(op edit.Op, s *Statement, want int) bool {
	changed, _, err := edit.Apply(a.m.Piece, nil, op)
	if err != nil {
		return false
	}
	m, err := measure.Measure(changed)
	if err != nil {
		return false
	}
	for i, strand := range a.m.Strands {
		if design.Symmetric(strand) && !design.Symmetric(m.Strands[i]) {
			return false
		}
	}
	return slices.Contains(factsOf(m).counts(s.Of, s.row, true), want)
}

// leastList is how many materials, and half of the parts list, a text counts before it is
// read as a list of all of them.
const leastList = 3

// forgotten lists what the piece takes and a list of materials leaves out.
func (a *auditor) forgotten() {
	named := map[string]bool{}
	last := 0
	anyCord := false
	listed := 0
	for _, s := range a.Statements {
		anyCord = anyCord || s.Kind == OfCut || s.Kind == OfCord
		if s.Of == nil {
			continue
		}
		if s.Kind == OfCount || s.Kind == OfPacks {
			listed++
			if s.row == whole && s.rows == nil && !s.each {
				last = max(last, s.To)
			}
		}
		named[s.Of.ID] = true
		s.Of.Each(func(part *material.Material, _ int, _ length.MM) { named[part.ID] = true })
	}
	if listed < leastList || len(a.Questions) > 0 || 2*a.namedOf(named) < len(a.m.Tally) {
		return
	}
	for _, c := range a.m.Tally {
		if named[c.Material.ID] || c.Material.Cord != nil && anyCord || a.madeOfNamed(c.Material, named) {
			continue
		}
		at := last + max(0, strings.IndexByte(a.text[last:]+"\n", '\n'))
		what := several(c.Count, material.InSentence(c.Material.Name))
		if c.Material.Cord != nil {
			what = fmt.Sprintf("%s of %s", length.MM(c.Length).In(length.InMillimetres), material.InSentence(c.Material.Name))
		}
		a.Statements = append(a.Statements, &Statement{Kind: OfName, Line: 1 + strings.Count(a.text[:at], "\n"), From: at, To: at, State: LeftOut, Of: c.Material,
			Derived: what, Why: "The piece takes it, and the list does not name it.", Edits: []Edit{{at, at, "\n" + what}}})
	}
}

// several writes this many of a thing: 2 garnets on a coil.
func several(n int, name string) string {
	head := len(name)
	for _, joint := range []string{" on ", " with ", " in ", ","} {
		if i := strings.Index(name, joint); i > 0 {
			head = min(head, i)
		}
	}
	if n != 1 && !strings.HasSuffix(name[:head], "s") {
		name = name[:head] + "s" + name[head:]
	}
	return fmt.Sprintf("%d %s", n, name)
}

// namedOf counts the materials of the parts list that are named.
func (a *auditor) namedOf(named map[string]bool) int {
	n := 0
	for _, c := range a.m.Tally {
		if named[c.Material.ID] {
			n++
		}
	}
	return n
}

func (a *auditor) madeOfNamed(m *material.Material, named map[string]bool) bool {
	if m.Component == nil {
		return false
	}
	all := true
	m.Each(func(part *material.Material, _ int, _ length.MM) { all = all && (named[part.ID] || part == m) })
	return all
}

// Correct makes the edits in the text; two at one place are made in their order.
func Correct(text string, edits []Edit) string {
	sorted := slices.Clone(edits)
	slices.SortStableFunc(sorted, func(x, y Edit) int { return x.From - y.From })
	var out strings.Builder
	at := 0
	for _, e := range sorted {
		if e.From < at || e.To > len(text) {
			continue // an edit before it has already changed this place
		}
		out.WriteString(text[at:e.From])
		out.WriteString(e.Text)
		at = e.To
	}
	out.WriteString(text[at:])
	return out.String()
}
