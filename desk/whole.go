package desk

import (
	"math"
	"slices"

	"mala/core/drape"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// cordPoints is how many points the line of the cord is drawn with.
const cordPoints = 180

// draw draws the whole piece: a ring as it lies by itself, a necklace as it hangs and
// laid flat, rows straight side by side, any other piece on the circle of its finished
// length.
func (p *Picture) draw(m *measure.Measured) {
	p.Whole = &Whole{Shape: "circle"}
	if m.Piece.Hangs() {
		p.Whole.asHung(m)
		p.Whole.frame(m)
		p.Laid = &Whole{}
		p.Laid.straight(m)
		p.Laid.frame(m)
		return
	}
	hangs := drape.Rows(m)
	lead := m.Leading()
	switch {
	case lead.Ring && len(p.Wraps) > 0 && len(p.Wraps[0].Beads) == len(lead.Beads):
		p.Whole.asWrapped(&p.Wraps[0])
	case hangs != nil:
		p.Laid = &Whole{Shape: "circle"}
		p.Laid.layFlat(m)
		p.Laid.frame(m)
		p.Whole.hanging(m, hangs)
	default:
		p.Whole.layFlat(m)
	}
	p.Whole.frame(m)
}

// layFlat lays one row on the circle of its length, several straight side by side.
func (w *Whole) layFlat(m *measure.Measured) {
	if m.Piece.Several() {
		w.sideBySide(m)
		return
	}
	w.onCircle(m)
}

// hanging lays the cords round the back of a neck and lets the front hang.
func (w *Whole) hanging(m *measure.Measured, rows []*drape.Necklace) {
	w.Shape = "hanging"
	first := drape.For(m, rows, m.Leading())
	w.Neck = &Neck{GirthMm: first.Girth, OfBody: first.OfBody, WidthMm: fine(first.Width)}
	seat := func(at drape.Seat) Seat { return Seat{fine(at.X), fine(at.Y), fine(at.Angle)} }
	seen := map[piece.ID]bool{}
	for _, n := range rows {
		w.Neck.DepthMm = max(w.Neck.DepthMm, fine(n.Depth))
		for _, id := range n.Assumed {
			if !slices.Contains(w.Neck.Assumed, id) {
				w.Neck.Assumed = append(w.Neck.Assumed, id)
			}
		}
	}
	for _, s := range m.Strands {
		n := drape.For(m, rows, s)
		w.place(s, seen, func(mm length.MM) Seat { return seat(n.AlongBeads(s, mm)) }, func(mm length.MM) Seat { return seat(n.AlongCord(s, mm)) })
	}
}

// asWrapped takes the seats of a ring over from its wrap.
func (w *Whole) asWrapped(wrap *Wrap) {
	n := len(wrap.Beads)
	w.Shape, w.Flat = "wrap", true
	row := WholeRow{Strand: wrap.Strand, Beads: make([]Seat, n), Gaps: make([]Seat, n+1), Parts: []SeatOfPart{}}
	for _, b := range wrap.Beads {
		row.Beads[b.Element] = b.Seat
	}
	for i := range n + 1 {
		row.Gaps[i] = between(row.Beads[(i+n-1)%n], row.Beads[i%n])
		row.Cord = append(row.Cord, [2]float64{row.Beads[i%n].X, row.Beads[i%n].Y})
	}
	w.Rows = []WholeRow{row}
}

// between is midway between two seats.
func between(a, b Seat) Seat {
	return Seat{X: fine((a.X + b.X) / 2), Y: fine((a.Y + b.Y) / 2), Angle: fine(math.Atan2(b.Y-a.Y, b.X-a.X))}
}

// onCircle lays the cord on the circle of the finished length, the middle of its
// closure at the top, running down on the left.
func (w *Whole) onCircle(m *measure.Measured) {
	s := m.Leading()
	whole := max(float64(m.Finished), 1)
	radius, top := whole/(2*math.Pi), float64(s.ClosureMiddle())
	at := func(mm length.MM) Seat {
		phi := (float64(mm) - top) / whole * 2 * math.Pi
		return Seat{X: fine(-radius * math.Sin(phi)), Y: fine(-radius * math.Cos(phi)), Angle: fine(math.Atan2(math.Sin(phi), -math.Cos(phi)))}
	}
	w.place(s, map[piece.ID]bool{}, at, at)
}

// place seats beads, gaps, parts and cord of a row: by where they lie among the beads,
// and by where they lie along the cord with its slack. What has been seen with another
// row is left out.
func (w *Whole) place(s *measure.Strand, seen map[piece.ID]bool, amongBeads, at func(mm length.MM) Seat) {
	row := WholeRow{Strand: string(s.Row.ID), Beads: []Seat{}, Parts: []SeatOfPart{}}
	for i := range s.Beads {
		row.Beads = append(row.Beads, amongBeads(s.Beads[i].At))
	}
	if s.Riders != nil {
		for i := range s.Riders.Beads {
			row.Riders = append(row.Riders, amongBeads(s.Riders.Beads[i].At))
		}
	}
	for _, h := range s.Holders() {
		half := s.HolderLong() / 2
		if h.Side == piece.Left {
			half = -half
		}
		row.Holders = append(row.Holders, amongBeads(h.At+half))
	}
	for i := range len(s.Beads) + 1 {
		row.Gaps = append(row.Gaps, amongBeads(gapAt(s, i)))
	}
	for _, e := range s.Ends() {
		for i, span := range spansOf(s, e) {
			part := &e.Parts[i]
			if part.Role == measure.RoleRow {
				break // another section begins
			}
			if part.Shared && seen[part.Fitting] {
				continue
			}
			if part.Shared {
				seen[part.Fitting] = true
			}
			from, out := span[0], math.Copysign(1, span[1]-span[0])
			for k, one := range part.Pieces() {
				row.Parts = append(row.Parts, SeatOfPart{Seat: at(length.MM(from + out*float64(one.Length)/2)), End: string(e.Side), Index: i, Link: k, LengthMm: fine(float64(one.Length)), Of: otherOf(part, one)})
				from += out * float64(one.Length)
			}
		}
	}
	for i := range cordPoints + 1 {
		p := at((s.Strung + s.Slack) * length.MM(i) / cordPoints)
		row.Cord = append(row.Cord, [2]float64{p.X, p.Y})
	}
	w.Rows = append(w.Rows, row)
}

// placeOwn seats a row with its own ends, without what it shares with others.
func (w *Whole) placeOwn(s *measure.Strand, at func(mm length.MM) Seat) {
	shared := map[piece.ID]bool{}
	for _, e := range s.Ends() {
		for i := range e.Parts {
			if e.Parts[i].Shared {
				shared[e.Parts[i].Fitting] = true
			}
		}
	}
	w.place(s, shared, at, at)
}

// gapAt is where the gap before bead i lies along the cord.
func gapAt(s *measure.Strand, i int) length.MM {
	switch n := len(s.Beads); {
	case n == 0:
		return 0
	case i == 0:
		return s.Beads[0].From
	case i == n:
		return s.Beads[n-1].To
	}
	return (s.Beads[i-1].To + s.Beads[i].From) / 2
}

// spansOf gives where each part of an end lies along the straight cord, in mm from
// the start of the strand: the left end runs back from 0, the right one on from
// behind the slack.
func spansOf(s *measure.Strand, e *measure.End) [][2]float64 {
	at, out := 0.0, -1.0
	if e.Side == piece.Right {
		at, out = float64(s.Strung+s.Slack), 1
	}
	var spans [][2]float64
	for _, p := range e.Parts {
		to := at + out*float64(p.Length)
		spans = append(spans, [2]float64{at, to})
		at = to
	}
	return spans
}

// frame works out the box round all that is drawn. What hangs and a toggle's bar
// stand out from the cord.
func (w *Whole) frame(m *measure.Measured) {
	w.Box = [4]float64{math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)}
	grow := func(x, y, by float64) {
		w.Box = [4]float64{min(w.Box[0], x-by), min(w.Box[1], y-by), max(w.Box[2], x+by), max(w.Box[3], y+by)}
	}
	for i := range w.Rows {
		w.growRow(m.Strands[i], &w.Rows[i], grow)
	}
	for _, b := range w.Bars {
		grow(b.X, b.Y-b.LengthMm/2, b.WidthMm/2)
		grow(b.X, b.Y+b.LengthMm/2, b.WidthMm/2)
	}
	if w.Neck != nil {
		grow(0, -w.Neck.WidthMm*neckAbove, 0)
	}
	for i := range w.Box {
		w.Box[i] = fine(w.Box[i])
	}
}

func (w *Whole) growRow(s *measure.Strand, row *WholeRow, grow func(x, y, by float64)) {
	for _, p := range row.Cord {
		grow(p[0], p[1], 1)
	}
	for i, seat := range row.Beads {
		b := s.Beads[i].Material.Bead
		half := math.Hypot(float64(b.Across), float64(b.Length())) / 2
		switch {
		case b.Hangs() && w.Flat:
			grow(seat.X, seat.Y, float64(b.Drop))
		case b.Hangs():
			grow(seat.X, seat.Y, float64(b.Across)/2)
			grow(seat.X, seat.Y+float64(b.Drop), 0)
		default:
			grow(seat.X, seat.Y, max(half, float64(b.StandsOff)))
		}
	}
	for _, p := range row.Parts {
		part := s.End(piece.Side(p.End)).Parts[p.Index]
		grow(p.X, p.Y, standsOut(&part))
		if part.Role == measure.RoleLeg || part.Role == measure.RoleTailBead {
			grow(p.X, p.Y+float64(s.Row.Ending(piece.Side(p.End)).Leg)+legEnd(&part), leastPart)
		}
		for _, hung := range part.Hung {
			grow(p.X, p.Y+standsOut(&part)+float64(hung.Bead.Drop), float64(hung.Bead.Across)/2)
		}
	}
}

// neckAbove is how much of the neck is shown above its sides, in parts of its width.
const neckAbove = 0.24

// leastPart is how far a fitting without measures stands out from the cord, in mm.
const leastPart = 3

func standsOut(p *measure.Part) float64 {
	if p.Loop != nil {
		return max(leastPart, float64(p.Loop.Thick)*1.5)
	}
	if p.Role == measure.RoleCordLoop {
		return max(leastPart, float64(p.Girth)/4+leastPart)
	}
	if p.Role == measure.RoleFoldBead || p.Role == measure.RoleFootBead {
		return max(leastPart, float64(p.Length)/2+float64(p.Material.Bead.Across))
	}
	if p.Material == nil || p.Material.Finding == nil {
		return leastPart
	}
	f := p.Material.Finding
	return max(leastPart, 0.6*float64(f.Bar), 0.6*float64(f.Length), float64(f.RingInside+2*f.Wire), float64(f.Outside)/2, float64(f.Inside)/2+float64(f.Wire))
}

// legEnd is how long what ends a leg is, in mm.
func legEnd(p *measure.Part) float64 {
	if p.Material == nil {
		return 0
	}
	return float64(p.Material.Bead.Length())
}

// pictureOf draws the piece.
func pictureOf(m *measure.Measured) *Picture {
	p := &Picture{Wraps: []Wrap{}}
	for _, s := range m.Strands {
		if m.Piece.Hangs() {
			break // it is worn on no body
		}
		if w, err := s.Wrap(); err == nil {
			p.Wraps = append(p.Wraps, *wrapOf(s, w))
		}
	}
	p.draw(m)
	return p
}
