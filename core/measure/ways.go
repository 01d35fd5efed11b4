package measure

import (
	"mala/core/length"
	"mala/core/piece"
	"mala/core/way"
)

// leastHand is the cord, in mm, that an end needs at least beyond its path to be made: a
// tail that is tucked later serves as well. An elastic has it at both of the ends that are
// tied together.
const leastHand = length.MM(25)

// layCords follows every cord of the piece from tip to tip, and works out where the first
// end of each row is stopped. A row whose cord runs on, or is the other half of a fold, has
// none of its own.
func (m *Measured) layCords() {
	for _, s := range m.Strands {
		s.half = nil
	}
	for _, second := range m.Strands {
		if first := m.Strand(second.Row.FoldOf); second.Row.FoldOf != "" && first != nil {
			first.half = second
		}
	}
	for _, s := range m.Strands {
		s.Start = m.start(s)
		s.Cords = m.cordsOf(s)
	}
}

// begins says whether a cord begins in the row: it has one, that does not come from the row
// before or from the other half of a fold.
func (s *Strand) begins() bool {
	return s.Row.Corded() && s.Left.Hold != HeldByRunning && s.Row.FoldOf == ""
}

// cordsOf lays the cords that begin in a row.
func (m *Measured) cordsOf(s *Strand) []way.Cord {
	if !s.begins() {
		return nil
	}
	w := &walk{m: m, p: m.Piece, s: s}
	if s.half != nil {
		return []way.Cord{w.ofTwoRows()}
	}
	n := s.Row.Passes
	if s.Folded() {
		n /= 2
	}
	cords := make([]way.Cord, n)
	for k := range cords {
		cords[k] = w.cord(k)
	}
	return cords
}

// walk follows cords through a piece.
type walk struct {
	m *Measured
	p *piece.Piece
	s *Strand // whose cords they are
}

// cord is the n-th cord of a row. Folded, it goes along twice, from one tip to its middle and
// back.
func (w *walk) cord(n int) way.Cord {
	s := w.s
	out := way.Cord{Row: s.Row.ID, Folded: s.Folded()}
	if out.Folded {
		fold := s.End(s.FoldSide())
		open := s.End(fold.Side.Other())
		one := append(w.along(s, 2*n), w.end(s, open, 2*n)...)
		other := append(w.along(s, 2*n+1), w.end(s, open, 2*n+1)...)
		out.Legs = append(way.Backwards(other), w.middle(s, fold)...)
		out.Behind = len(out.Legs)
		out.Legs = append(out.Legs, one...)
		return out
	}
	out.Legs = append(out.Legs, w.stopping(s)...)
	out.Legs = append(out.Legs, way.Backwards(w.end(s, &s.Left, n))...)
	out.Legs = append(out.Legs, w.along(s, n)...)
	last, legs := w.onwards(s, n)
	out.Legs = append(append(out.Legs, legs...), w.end(last, &last.Right, n)...)
	return out
}

// ofTwoRows is a cord folded into two rows: both legs as long as the longer asks for.
func (w *walk) ofTwoRows() way.Cord {
	first, second := w.s, w.s.half
	legs := append(w.along(first, 0), w.end(first, &first.Right, 0)...)
	back := append(w.along(second, 0), w.end(second, &second.Right, 0)...)
	path := func(legs []way.Leg) length.MM { return (&way.Cord{Legs: legs}).Path() }
	uneven := path(legs) - path(back)
	for i := range back {
		item := way.OtherLeg
		if back[i].Spare {
			item = way.WorkingEnd
		}
		back[i].Item = way.Item{What: item, Row: w.p.Number(second.Row.ID)}
	}
	even := way.Leg{Does: way.Even, At: first.Row.At(), Uses: max(uneven, -uneven), Item: way.Item{What: way.EvenLegs}}
	out := way.Cord{Row: first.Row.ID, Folded: true, Legs: way.Backwards(back)}
	if even.Uses > closeEnough {
		out.Legs = append(out.Legs, even)
	}
	out.Legs = append(out.Legs, w.middle(first, &first.Left)...)
	out.Behind = len(out.Legs)
	out.Legs = append(out.Legs, legs...)
	return out
}

// along is a cord once along the beads of a row, with its slack, what hangs on it there, and
// the knots that hold beads apart. What rides on one of several cords is on the first.
func (w *walk) along(s *Strand, n int) []way.Leg {
	at := s.Row.At()
	var legs []way.Leg
	add := func(does way.Does, uses, advances length.MM, item way.What) *way.Leg {
		legs = append(legs, way.Leg{Does: does, At: at, Uses: uses, Advances: advances, Item: way.Item{What: item}})
		return &legs[len(legs)-1]
	}
	if s.Lace != nil {
		each := s.Lace.Each[n%len(s.Lace.Each)]
		add(way.Front, each.Front, s.Strung, way.Fronts)
		add(way.Holes, each.Through, 0, way.FlatHoles)
		add(way.Behind, each.Back, 0, way.Backs)
		add(way.ToEnds, each.Edges, 0, way.RowEnds)
	} else {
		l := add(way.Along, s.Strung, s.Strung, way.Beads)
		l.All, l.Skips = true, s.skippedBy(n)
	}
	if s.Slack > 0 {
		add(way.Slack, s.Slack, s.Slack, way.SlackLeft)
	}
	for _, i := range s.dropped {
		if d := s.Beads[i].Drop; d != nil {
			add(way.Hang, d.Path, 0, way.Drops).At.Element = i
		}
	}
	if s.Row.Holder.Way == piece.HeldByKnots {
		// A knot lies inside its gap, and uses what is more than its own length there.
		across := s.OverhandAcross()
		for _, held := range s.Holders() {
			l := add(way.Knot, s.overhand()-across, 0, way.Between)
			l.At.Element, l.At.Side = held.Gap, ""
		}
	}
	return legs
}

// skippedBy lists the beads that the n-th of a row's cords runs beside: those that ride on the first
// alone.
func (s *Strand) skippedBy(n int) []int {
	if n == 0 {
		return nil
	}
	var out []int
	for i := range s.Beads {
		if s.Beads[i].OneCord {
			out = append(out, i)
		}
	}
	return out
}

// onwards follows a cord through shared beads into the rows that it runs on in, and gives the
// last of them.
func (w *walk) onwards(s *Strand, n int) (*Strand, []way.Leg) {
	var legs []way.Leg
	last := s
	for last.Right.Hold == HeldByRunning {
		next := w.p.RunsOn(last.Row)
		if next == nil {
			break
		}
		if e := last.Right.Find(RoleShared); e != nil {
			at := last.Row.At()
			at.Fitting = e.Fitting
			legs = append(legs, way.Leg{Does: way.Through, At: at, Of: e.Material, Uses: e.Length, Advances: e.Length, Item: way.Item{What: way.SharedBead, Of: e.Material}})
		}
		last = w.m.Strand(next.ID)
		own := w.along(last, n)
		for i := range own {
			own[i].Item.Row = w.p.Number(last.Row.ID)
		}
		legs = append(legs, own...)
	}
	return last, legs
}

// stopping is the cord that stopping the first end uses beyond what the end has: a spare
// crimp is cut off, anything else is undone and its cord used.
func (w *walk) stopping(s *Strand) []way.Leg {
	if s.stopping <= 0 {
		return nil
	}
	return []way.Leg{{Does: way.Stopping, At: s.Row.AtEnd(s.Start.Side), Uses: s.stopping, Spare: true, Item: way.Item{What: way.Start, Side: s.Start.Side}}}
}

// Folded says whether an end of the row is the middle of its cords.
func (s *Strand) Folded() bool { return s.Left.Hold == HeldByMiddle || s.Right.Hold == HeldByMiddle }

// FoldSide is the side that the fold lies at.
func (s *Strand) FoldSide() piece.Side {
	if s.Right.Hold == HeldByMiddle {
		return piece.Right
	}
	return piece.Left
}

// overhand is the cord that an overhand knot takes of each of the row's cords, tied together.
func (s *Strand) overhand() length.MM { return piece.OverhandCord * s.joint() }

// joint is how thick the row's cords are tied together, as knots count them.
func (s *Strand) joint() length.MM { return s.Row.Cord.Cord.Diameter * length.MM(s.Row.Passes) }
