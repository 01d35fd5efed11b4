package check

import (
	"fmt"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// toggleBlocked fires when beads beside a toggle's bar are too thick to go
// through its ring beside the bar: the bar lies along the strand as it passes,
// so all within half a bar of it must go through with it.
var toggleBlocked = judgement{
	code:  "toggle-blocked",
	stops: may,
	find: func(m *measure.Measured, _ length.Unit) []Finding {
		t := toggleOf(m)
		if t == nil {
			return nil
		}
		i, room := t.blocking(m.Strands[0])
		if i < 0 {
			return nil
		}
		s := m.Strands[0]
		b := s.Beads[i].Material
		return []Finding{{
			Code: "toggle-blocked", Severity: Stop, Strand: s.ID, End: t.barSide, Element: i, Column: columnOf(s, i),
			Title: "The bar will not go through",
			Says: fmt.Sprintf("Beside the %s bar the %s ring leaves %s; %s, %s across, lies within half a bar of it.",
				mm(t.finding.BarThickness), mm(t.finding.RingInside), mm(room), b.Name, mm(b.Bead.Across)),
		}}
	},
	mend: func(m *measure.Measured, f Finding, bench Bench) []Fix {
		t := toggleOf(m)
		s := m.Strands[0]
		gap := 0
		if t.barSide == "right" {
			gap = len(s.Beads)
		}
		_, room := t.blocking(s)
		fixes := longerBarEnd(m, t.barSide, bench.Shelf)
		return append(fixes, putBetween(m, gap, func(b *material.Bead) bool {
			return b.Across <= room && b.Thick <= room
		}, bench.Shelf)...)
	},
}

// toggle is a toggle clasp with the side its bar is on: the one it is not listed
// at.
type toggle struct {
	finding *material.Finding
	barSide string
}

func toggleOf(m *measure.Measured) *toggle {
	for side, fittings := range map[string][]*material.Material{"right": m.Piece.Closure.Left, "left": m.Piece.Closure.Right} {
		for _, c := range fittings {
			if f := c.Finding; f.Type == material.Toggle && f.Bar > 0 && f.RingInside > 0 {
				return &toggle{f, side}
			}
		}
	}
	return nil
}

// blocking gives the first bead that keeps the bar from going through, -1 for
// none, and the room the ring leaves beside the bar.
func (t *toggle) blocking(s *measure.Strand) (bead int, room length.MM) {
	room = t.finding.RingInside - t.finding.BarThickness
	end := s.Left
	if t.barSide == "right" {
		end = s.Right
	}
	reached := end.Length + t.finding.BarEye
	for k := range s.Beads {
		i, away := k, length.MM(0)
		if t.barSide == "right" {
			i = len(s.Beads) - 1 - k
			away = s.Strung - s.Beads[i].To
		} else {
			away = s.Beads[i].From
		}
		if reached+away >= t.finding.Bar/2 {
			break
		}
		if b := s.Beads[i].Material.Bead; max(b.Across, b.Thick) > room {
			return i, room
		}
	}
	return -1, room
}

// longerBarEnd offers one to three rings more at the bar, which move the beads
// out of its way.
func longerBarEnd(m *measure.Measured, side string, shelf []*material.Material) []Fix {
	var fixes []Fix
	for _, ring := range ringsFor(m, shelf) {
		for n := 1; n <= 3; n++ {
			ends := EndsOf(m.Piece)
			_, closure := ends.Side(side)
			for range n {
				*closure = append([]*material.Material{ring}, *closure...)
			}
			says := "Add " + ring.Name + " at the bar"
			if n > 1 {
				says = fmt.Sprintf("Add %d %s at the bar", n, ring.Name)
			}
			fixes = append(fixes, Fix{Says: says, Edit: Edit{Ends: &ends}})
		}
	}
	return fixes
}

// ringsFor are the rings to add to a piece: its own first, then two of the shelf
// that can be opened.
func ringsFor(m *measure.Measured, shelf []*material.Material) []*material.Material {
	var rings []*material.Material
	for _, c := range append(usedFittings(m), shelf...) {
		if c.Finding != nil && c.Finding.IsRing() && c.Finding.IsOpen() && len(rings) < 2 {
			rings = append(rings, c)
		}
	}
	return rings
}

func usedFittings(m *measure.Measured) []*material.Material {
	var out []*material.Material
	for _, c := range m.Tally {
		if c.Material.Finding != nil {
			out = append(out, c.Material)
		}
	}
	return out
}
