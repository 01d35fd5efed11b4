package solve

import (
	"cmp"
	"fmt"
	"slices"

	"mala/core/check"
	"mala/core/edit"
	"mala/core/material"
	"mala/core/pattern"
)

// The bounds of what comes at the ends: how many beads, and of how many dishes.
const (
	mostAdded = 4
	mostEnds  = 6
)

// atEnds is beads that come at the ends of a strand.
type atEnds struct {
	key   string
	beads int
	at    pattern.Ends
}

// ends puts beads at the ends of a strand that they come to.
func ends(t *task) []knob {
	row := t.strand.Row
	if !row.Corded() || row.Line.OpenFill() != nil || t.strand.Ring || t.rowPinned() || len(row.Line.Items) == 0 {
		return nil // a ring has no ends
	}
	at := check.EndsOf(t.measured.Piece, t.strand)
	var out []knob
	for _, key := range t.endDishes() {
		if slices.ContainsFunc(row.Line.Outermost(at), func(n *pattern.Node) bool { return n.IsBead() && n.Key() == key && t.pinned(n) }) {
			continue // it would become a part of a pinned run
		}
		var k knob
		for n := 1; n <= mostAdded; n++ {
			end := &atEnds{key, n, at}
			line := end.on(row.Line)
			if line == nil {
				break
			}
			by, s := t.step(edit.SetLine{At: row.At(), Line: line.String()})
			if s == nil || by > t.reach() {
				break
			}
			adds := t.addedBy(s)
			k.settings = append(k.settings, setting{does: AddBeads{n, t.measured.Piece.Palette[key], at}, by: by, moved: adds[key], end: end, adds: adds})
		}
		out = append(out, k)
	}
	return out
}

// endDishes lists the beads that may come at an end, the shortest first.
func (t *task) endDishes() []string {
	p, row := t.measured.Piece, t.strand.Row
	var keys []string
	for key, m := range p.Palette {
		fits := m.Class == material.ClassBead && !m.Bead.Hangs() && !m.Bead.Turns() && m.Bead.Shape != material.Letter && (row.Lacing == nil || m.Bead.Laces())
		if fits && m.Bead.Hole >= material.HoleFor(row.Passes, row.Cord.Cord.Diameter) && !t.letterPinned(key) {
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

// on is the line with the beads at its ends; nil where that cannot be written.
func (e *atEnds) on(line *pattern.Line) *pattern.Line {
	return line.WithEnds(fmt.Sprint(e.beads, e.key), e.at)
}
