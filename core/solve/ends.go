package solve

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"mala/core/design"
	"mala/core/edit"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
)

// The bounds of what comes at the ends: how many beads, and of how many dishes.
const (
	mostAdded = 1
	mostEnds  = 6
)

// ends puts spacers at the ends of a strand that they come to. What lies beside a crimp for a reason
// stays there.
func ends(t *task) []knob {
	row := t.strand.Row
	if !row.Corded() || row.Line.OpenFill() != nil || t.strand.Ring || t.rowPinned() || len(row.Line.Items) == 0 {
		return nil // a ring has no ends
	}
	at := design.EndsOf(t.measured.Piece, t.strand)
	outer := row.Line.Outermost(at)
	var out []knob
	for _, key := range t.spacers() {
		if slices.ContainsFunc(outer, func(n *pattern.Node) bool { return n.IsBead() && n.Key() == key && t.pinned(n) }) || !t.mayEnd(key, at) {
			continue // it would become a part of a pinned run
		}
		var grows []*pattern.Node // runs that the bead becomes a part of
		for _, n := range outer {
			if n.IsBead() && n.Key() == key {
				grows = append(grows, n)
			}
		}
		var k knob
		for n := 1; n <= mostAdded; n++ {
			beads := fmt.Sprint(n, key)
			line := row.Line.WithEnds(beads, at)
			if line == nil {
				break
			}
			by, s := t.step(edit.SetLine{At: row.At(), Line: line.String()})
			if s == nil || by > t.reach() {
				break
			}
			adds := t.addedBy(s)
			k.settings = append(k.settings, setting{does: AddBeads{n, t.measured.Piece.Palette[key], at}, tier: design.Spacers, by: by, moved: adds[key], adds: adds, nodes: grows,
				rewrite: func(line *pattern.Line) *pattern.Line { return line.WithEnds(beads, at) }})
		}
		out = append(out, k)
	}
	if part := t.partRepeat(at); len(part.settings) > 0 {
		out = append(out, part)
	}
	return out
}

// mostOfRepeat is of how many beads a repeat may be that comes in part.
const mostOfRepeat = 12

// partRepeat lets the repeat that a strand begins with, or ends with, go on by a part of it.
func (t *task) partRepeat(at pattern.Ends) knob {
	line := t.strand.Row.Line
	outer := line.Outermost(at)
	repeat, ok := outer[0].Unit.(*pattern.Group)
	if !ok || outer[0].Count < 2 || at == pattern.BothEnds && !line.IsMirror() || at == pattern.LeftEnd {
		return knob{}
	}
	var one []string // its beads
	for _, n := range repeat.Items {
		if !n.IsBead() || len(one)+n.Count > mostOfRepeat || t.pinned(n) || t.design.Special(n) {
			return knob{}
		}
		for range n.Count {
			one = append(one, n.Key())
		}
	}
	var k knob
	for n := 1; n < len(one); n++ {
		part, ends := one[:n], one[n-1] == one[len(one)-1]
		if at == pattern.BothEnds {
			part, ends = one[len(one)-n:], one[len(one)-n] == one[0]
		}
		if !ends {
			continue // another bead would come beside the end
		}
		written, err := pattern.Parse(strings.Join(part, " "))
		if err != nil {
			break
		}
		beads := written.Merged().String()
		longer := line.WithEnds(beads, at)
		if longer == nil {
			break
		}
		by, s := t.step(edit.SetLine{At: t.strand.Row.At(), Line: longer.String()})
		if s == nil {
			continue
		}
		adds := t.addedBy(s)
		moved := 0
		for _, count := range adds {
			moved += count
		}
		k.settings = append(k.settings, setting{does: AddPart{beads, at}, tier: design.Spacers, by: by, moved: moved, adds: adds,
			rewrite: func(line *pattern.Line) *pattern.Line { return line.WithEnds(beads, at) }})
	}
	return k
}

// mayEnd says whether a bead may come at the ends: beside what is there for a reason only where that is
// a run already, of the same bead.
func (t *task) mayEnd(key string, at pattern.Ends) bool {
	for _, side := range piece.Sides() {
		i := t.strand.Beside(side)
		comes := at == pattern.BothEnds || (at == pattern.LeftEnd) == (side == piece.Left)
		if comes && (i < 0 || t.design.Roles[i] == design.Ending && !t.runsOn(key, i)) {
			return false
		}
	}
	return true
}

// runsOn says whether a bead at an end of the strand is of that kind, and the next one too.
func (t *task) runsOn(key string, at int) bool {
	next := at + 1
	if at > 0 {
		next = at - 1
	}
	return next < len(t.strand.Beads) && t.strand.Beads[at].Key == key && t.strand.Beads[next].Key == key
}

// spacers lists the dishes whose beads may come at an end, the shortest first.
func (t *task) spacers() []string {
	p, row := t.measured.Piece, t.strand.Row
	var keys []string
	for key, m := range p.Palette {
		plain := m.Class == material.ClassBead && !m.Bead.Hangs() && !m.Bead.Turns() && m.Bead.Shape != material.Letter && (row.Lacing == nil || m.Bead.Laces())
		if plain && t.design.Separates(key, m) && m.Bead.Hole >= material.HoleFor(row.Passes, row.Cord.Cord.Diameter) && !t.letterPinned(key) {
			keys = append(keys, key)
		}
	}
	slices.SortFunc(keys, func(a, b string) int {
		return cmp.Or(cmp.Compare(p.Palette[a].Bead.Length(), p.Palette[b].Bead.Length()), cmp.Compare(a, b))
	})
	return keys[:min(len(keys), mostEnds)]
}

func (t *task) letterPinned(key string) bool {
	for _, pin := range t.rules.Pins {
		if pin.Letter == key {
			return true
		}
	}
	return false
}
