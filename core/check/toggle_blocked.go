package check

import (
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
)

// toggleBlocked fires when beads beside a toggle's bar are too thick to go
// through its ring beside the bar: the bar lies along the strand as it passes,
// so all within half a bar of it must go through with it. The bar hangs at the
// end the toggle is not listed at.
var toggleBlocked = Check{
	Code: "toggle-blocked", Step: StepLayOut,
	End: func(v *View, s *measure.Strand, e *measure.End) []Problem {
		t := toggleBarAt(v, e)
		if t == nil {
			return nil
		}
		i, room := blocking(t, s, e)
		if i < 0 {
			return nil
		}
		b := s.Beads[i].Material
		at := s.Row.AtEnd(e.Side)
		at.Element = i
		return []Problem{{Severity: Stop, At: at, Fact: BarBlocked{t.BarThickness, t.RingInside, room, b}}}
	},
	Fix: func(v *View, f *Problem, shelf Shelf) []Fix {
		s := v.Strand(f.At.Row)
		e := s.End(f.At.Side)
		t := toggleBarAt(v, e)
		gap := 0
		if s.Beside(e.Side) > 0 {
			gap = len(s.Beads)
		}
		_, room := blocking(t, s, e)
		return append(longerBarEnd(v, s, e, shelf.Materials), putInto(v, s, []int{gap}, BesideBar, func(b *material.Bead) bool {
			return b.Across <= room && b.Thick <= room
		}, shelf.Materials)...)
	},
}

// toggleBarAt gives the toggle whose bar hangs at the end, nil for none.
func toggleBarAt(v *View, e *measure.End) *material.Finding {
	clasp, side := v.Piece.Clasp()
	if clasp == nil || side == e.Side || clasp.Type != material.Toggle || clasp.Bar <= 0 || clasp.RingInside <= 0 {
		return nil
	}
	return clasp
}

// blocking gives the first bead that keeps the bar from going through, -1 for
// none, and the room the ring leaves beside the bar.
func blocking(t *material.Finding, s *measure.Strand, e *measure.End) (bead int, room length.MM) {
	room = t.RingInside - t.BarThickness
	reached := e.Length + t.BarEye
	first := s.Beside(e.Side)
	for k := range s.Beads {
		i, away := k, s.Beads[k].From
		if first > 0 {
			i = first - k
			away = s.Strung - s.Beads[i].To
		}
		if reached+away >= t.Bar/2 {
			break
		}
		if b := s.Beads[i].Material.Bead; !b.Hangs() && max(b.Across, b.Thick) > room {
			return i, room
		}
	}
	return -1, room
}

// longerBarEnd offers one to three rings more at the bar, which move the beads
// out of its way.
func longerBarEnd(v *View, s *measure.Strand, e *measure.End, shelf []*material.Material) []Fix {
	var fixes []Fix
	for _, ring := range ringsFor(v, shelf) {
		for n := 1; n <= 3; n++ {
			more := fix(RingsAtBar{n, ring})
			for range n {
				more.Ops = append(more.Ops, edit.AddFitting{At: s.Row.AtEnd(e.Side), Closure: true, Of: ring})
			}
			fixes = append(fixes, more)
		}
	}
	return fixes
}

// BarBlocked says that a bead beside the bar of a toggle does not go through its ring with it.
type BarBlocked struct {
	Bar, Ring, Room length.MM // how thick the bar is, the ring's inside, and what it leaves
	Bead            *material.Material
}

// RingsAtBar adds rings at the bar.
type RingsAtBar struct {
	Rings int
	Ring  *material.Material
}

func (BarBlocked) fact() {}

func (RingsAtBar) effect() {}
