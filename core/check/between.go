package check

import (
	"cmp"
	"fmt"
	"slices"

	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
)

// putBetween offers, for a gap of the sequence, beads that keep the two sides
// apart: those of the dishes first, then some from the shelf, the shortest
// first.
func putBetween(m *measure.Measured, gap int, keeps func(b *material.Bead) bool, shelf []*material.Material) []Fix {
	return putInto(m, []int{gap}, "between", keeps, shelf)
}

// putInto offers beads that go into each of the gaps, the last gap named first.
func putInto(m *measure.Measured, gaps []int, where string, keeps func(b *material.Bead) bool, shelf []*material.Material) []Fix {
	var fixes []Fix
	for _, d := range candidates(m, shelf) {
		if d.Material.Bead.Shape == material.Charm || !keeps(d.Material.Bead) {
			continue
		}
		text, ok := editLine(m, func(line *pattern.Line, fills pattern.Fills) error {
			for _, gap := range gaps {
				if err := putIn(m, line, fills, gap, d.Key); err != nil {
					return err
				}
			}
			return nil
		})
		if !ok {
			continue
		}
		edit := Edit{Line: &text}
		if m.Piece.Palette[d.Key] == nil {
			edit.Dish = &d
		}
		fixes = append(fixes, Fix{Says: fmt.Sprintf("Put a %s %s", d.Material.Name, where), Edit: edit})
	}
	return fixes
}

// editLine edits a copy of the line and gives it as text.
func editLine(m *measure.Measured, do func(line *pattern.Line, fills pattern.Fills) error) (string, bool) {
	s := m.Strands[0]
	line, err := pattern.Parse(s.Row.Line.String())
	if err != nil {
		return "", false
	}
	fills := pattern.Fills{}
	for n, count := range s.Fills {
		fills[line.Nodes[n.ID]] = count
	}
	if err := do(line, fills); err != nil {
		return "", false
	}
	return line.String(), true
}

// putIn puts one bead of a dish into a gap of the sequence.
func putIn(m *measure.Measured, line *pattern.Line, fills pattern.Fills, gap int, key string) error {
	turns := func(key string) bool { return m.Piece.Palette[key] != nil && m.Piece.Palette[key].Bead.Turns() }
	_, err := line.Insert(gap, []*pattern.Node{{Kind: pattern.Bead, Count: 1, Key: key}}, fills, turns)
	return err
}

// lineFix is a fix that only edits the line.
func lineFix(m *measure.Measured, says string, do func(line *pattern.Line, fills pattern.Fills) error) []Fix {
	text, ok := editLine(m, do)
	if !ok {
		return nil
	}
	return []Fix{{Says: says, Edit: Edit{Line: &text}}}
}

// takeOut deletes beads of the sequence.
func takeOut(m *measure.Measured, says string, from, to int) []Fix {
	return lineFix(m, says, func(line *pattern.Line, fills pattern.Fills) error {
		_, err := line.Delete(from, to, fills)
		return err
	})
}

// putAt puts one bead of a dish into a gap.
func putAt(m *measure.Measured, says string, gap int, key string) []Fix {
	return lineFix(m, says, func(line *pattern.Line, fills pattern.Fills) error {
		return putIn(m, line, fills, gap, key)
	})
}

// appended puts text behind the whole line.
func appended(m *measure.Measured, says, text string) Fix {
	line := m.Strands[0].Row.Line.String() + " " + text
	return Fix{Says: says, Edit: Edit{Line: &line}}
}

// candidates are the beads that could go between, each with the letter of its
// dish or a free one.
func candidates(m *measure.Measured, shelf []*material.Material) []Dish {
	var own, others []Dish
	on := map[string]bool{}
	for key, mat := range m.Piece.Palette {
		own = append(own, Dish{key, mat})
		on[mat.ID] = true
	}
	free := freeKey(m)
	for _, mat := range shelf {
		if mat.Bead != nil && !on[mat.ID] && free != "" {
			others = append(others, Dish{free, mat})
		}
	}
	for _, list := range [][]Dish{own, others} {
		slices.SortFunc(list, func(a, b Dish) int {
			return cmp.Or(cmp.Compare(a.Material.Bead.Length(), b.Material.Bead.Length()), cmp.Compare(a.Material.ID, b.Material.ID))
		})
	}
	return append(own, others...)
}

// freeKey is the first letter that no dish has.
func freeKey(m *measure.Measured) string {
	for c := 'A'; c <= 'Z'; c++ {
		if m.Piece.Palette[string(c)] == nil {
			return string(c)
		}
	}
	return ""
}
