package written

import (
	"fmt"
	"slices"
	"strings"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
)

// wanted is a count that a text would have a piece take over.
type wanted struct {
	of         string
	row, count int
}

// takeCount finds the one run whose count makes the material come as often as the text
// says, and nothing else come more or less often: the longest such run.
func (a *auditor) takeCount(s *Statement, want int) Take {
	key := wanted{s.Of.ID, s.row, want}
	take, known := a.takes[key]
	if !known {
		take = a.findRun(s, want)
		a.takes[key] = take
	}
	return take
}

func (a *auditor) findRun(s *Statement, want int) Take {
	best := Take{}
	for i, strand := range a.m.Strands {
		if s.row != whole && s.row != i+1 || strand.Row.Line == nil {
			continue
		}
		placed := map[int]int{}
		for _, b := range strand.Beads {
			if b.Material.ID == s.Of.ID {
				placed[b.Node]++
			}
		}
		off := want - a.counts(s.Of, s.row, true)[0]
		for node, n := range placed {
			now := strand.Row.Line.Nodes[node].Count
			each := n / max(1, now)
			if each == 0 || off%each != 0 {
				continue
			}
			to := now + off/each
			longer := best.None() || now > strandNode(a.m, best).Count || now == strandNode(a.m, best).Count && node < best.Node
			if to < 1 || !longer || !a.gives(strand, node, to, s, want) {
				continue
			}
			best = Take{Row: string(strand.Row.ID), Node: node, Count: to}
		}
	}
	return best
}

func strandNode(m *measure.Measured, t Take) struct{ Count int } {
	return struct{ Count int }{m.Strand(piece.ID(t.Row)).Row.Line.Nodes[t.Node].Count}
}

// gives says whether another count of an item of the line brings the material to what is
// wanted: an open fill may give back what it takes.
func (a *auditor) gives(strand *measure.Strand, node, to int, s *Statement, want int) bool {
	changed, _, err := edit.Apply(a.m.Piece, nil, edit.Count{At: strand.Row.At(), Node: node, To: to})
	if err != nil {
		return false
	}
	m, err := measure.Measure(changed)
	if err != nil {
		return false
	}
	after := factsOf(m)
	return slices.Contains(after.counts(s.Of, s.row, true), want)
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

// several writes so many of a thing: 2 garnets on a coil.
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
