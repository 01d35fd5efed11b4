package desk

import (
	"math"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// flat lays the rows of every section straight, one below another, their middles over
// one another, and the sections one after another, what rows share between them.
type flat struct {
	whole *Whole
	m     *measure.Measured
	seen  map[piece.ID]bool
	x     float64 // how far it has come
}

// sideBySide lays a piece of several rows flat, its middle at 0.
func (w *Whole) sideBySide(m *measure.Measured) {
	w.Shape = "rows"
	f := &flat{whole: w, m: m, seen: map[piece.ID]bool{}}
	lead := func(i int) *measure.Strand { return m.Strand(m.Piece.Sections[i].Rows[0].ID) }
	f.half(lead(0), piece.Left)
	f.shared(lead(0), piece.Left)
	for i := range m.Piece.Sections {
		f.section(&m.Piece.Sections[i])
		f.shared(lead(i), piece.Right)
	}
	f.half(lead(len(m.Piece.Sections)-1), piece.Right)
	w.moved(-f.x / 2)
}

// section lays the rows of a section.
func (f *flat) section(s *piece.Section) {
	var rows []*measure.Strand
	from, to := 0.0, 0.0 // of the longest, from its middle
	for _, r := range s.Rows {
		row := f.m.Strand(r.ID)
		rows = append(rows, row)
		left, right := extent(row)
		from, to = min(from, left), max(to, right)
	}
	middle, ys := f.x-from, yOf(f.m, rows)
	for k, row := range rows {
		left, right := extent(row)
		start := middle + left + ownEnd(&row.Left)
		at := func(mm length.MM) Seat { return Seat{X: start + float64(mm), Y: ys[k]} }
		f.whole.placeOwn(row, at)
		ends := map[piece.Side]float64{piece.Left: f.endsAt(row, piece.Left, ys[k]), piece.Right: f.endsAt(row, piece.Right, ys[k])}
		f.whole.Rows[len(f.whole.Rows)-1].Cord = [][2]float64{{middle + from, ends[piece.Left]}, {middle + left, ys[k]}, {middle + right, ys[k]}, {middle + to, ends[piece.Right]}}
	}
	f.x = middle + to
}

// endsAt is how high a row's end lies: rows on one ring run together, each in a hole of
// its own runs straight on.
func (f *flat) endsAt(row *measure.Strand, side piece.Side, y float64) float64 {
	if f.m.Piece.Hole(row.Row, side) > 0 {
		return y
	}
	return 0
}

// extent is how far a row reaches to both sides of the middle of its beads, or of all
// of it where it has none.
func extent(s *measure.Strand) (left, right float64) {
	half := float64(s.Strung+s.Slack) / 2
	left, right = -half-ownEnd(&s.Left), half+ownEnd(&s.Right)
	if len(s.Beads) == 0 {
		middle := (left + right) / 2
		left, right = left-middle, right-middle
	}
	return left, right
}

// yOf is how high the rows of a section lie, apart by their holes or touching.
func yOf(m *measure.Measured, rows []*measure.Strand) []float64 {
	y := make([]float64, len(rows))
	for k := 1; k < len(rows); k++ {
		apart := float64(rows[k-1].Width()+rows[k].Width()) / 2
		for _, side := range piece.Sides() {
			if on := m.Piece.Joined(rows[0].Row, side); on != nil && on.Of.Finding != nil && on.Of.Finding.Holes > 1 {
				apart = float64(on.Of.Finding.Spacing) * math.Abs(float64(m.Piece.Hole(rows[k].Row, side)-m.Piece.Hole(rows[k-1].Row, side)))
			}
		}
		y[k] = y[k-1] + apart
	}
	middle := y[len(y)-1] / 2
	for k := range y {
		y[k] -= middle
	}
	return y
}

// shared lays what rows share at a side of a row, up to the next section or the clasp.
func (f *flat) shared(s *measure.Strand, side piece.Side) {
	e := s.End(side)
	var seats []SeatOfPart
	x, out := f.x, 1.0
	if side == piece.Left {
		out = -1
	}
	for i := range e.Parts {
		p := &e.Parts[i]
		if p.Role == measure.RoleRow {
			break
		}
		if !p.Shared {
			continue
		}
		if wide := f.across(s, p, side, x, out); wide > 0 {
			x += out * wide
			continue
		}
		for k, one := range p.Pieces() {
			seats = append(seats, SeatOfPart{Seat: Seat{X: x + out*float64(one.Length)/2}, End: string(side), Index: i, Link: k, LengthMm: float64(one.Length), Of: otherOf(p, one)})
			x += out * float64(one.Length)
		}
	}
	if side == piece.Left {
		// The left end was laid back from where the row will begin.
		for i := range seats {
			seats[i].X += f.x - x
		}
		for i := range f.whole.Bars {
			f.whole.Bars[i].X += f.x - x
		}
		x = f.x + (f.x - x)
	}
	f.x = x
	f.parts(s, seats)
}

// parts keeps the seats of shared parts for their strand, which may be laid later.
func (f *flat) parts(s *measure.Strand, seats []SeatOfPart) {
	for i := range f.whole.Rows {
		if f.whole.Rows[i].Strand == string(s.Row.ID) {
			f.whole.Rows[i].Parts = append(f.whole.Rows[i].Parts, seats...)
			return
		}
	}
	f.whole.early = append(f.whole.early, seats...)
}

// half lays the second half of a clasp with holes, which is listed at the other side.
func (f *flat) half(s *measure.Strand, side piece.Side) {
	on := f.m.Piece.Joined(s.Row, side)
	if on == nil || on.Of.Finding == nil || on.Of.Finding.Holes < 2 || len(*f.m.Piece.End(nil, side, true)) > 0 || f.m.Piece.JoinAt(s.Row, side) != nil {
		return
	}
	wide := float64(on.Of.Finding.InSeries()) / 2
	f.bar(s, on.Of.ID, on.Of.Finding.Holes, float64(on.Of.Finding.Spacing), side, f.x+wide/2, wide)
	f.x += wide
}

// across lays a clasp or connector with holes across the rows, and gives how wide it
// is; 0 for another part.
func (f *flat) across(s *measure.Strand, p *measure.Part, side piece.Side, x, out float64) float64 {
	if p.Material == nil || p.Material.Finding == nil || p.Material.Finding.Holes < 2 {
		return 0
	}
	wide := float64(p.Length)
	if p.Material.Finding.IsClasp() {
		wide /= 2 // the other half lies at the other end
	}
	f.bar(s, p.Material.ID, p.Material.Finding.Holes, float64(p.Material.Finding.Spacing), side, x+out*wide/2, wide)
	return wide
}

func (f *flat) bar(s *measure.Strand, id string, holes int, spacing float64, side piece.Side, x, wide float64) {
	rows := []*measure.Strand{}
	for _, r := range f.m.Piece.SectionOf(s.Row).Rows {
		rows = append(rows, f.m.Strand(r.ID))
	}
	top := yOf(f.m, rows)[0] - spacing*float64(f.m.Piece.Hole(rows[0].Row, side)-1)
	bar := Bar{Material: id, X: x, LengthMm: fine(spacing*float64(holes-1) + wide), WidthMm: fine(wide)}
	for k := range holes {
		bar.Holes = append(bar.Holes, fine(top+spacing*float64(k)))
	}
	bar.Y = fine((bar.Holes[0] + bar.Holes[holes-1]) / 2)
	f.whole.Bars = append(f.whole.Bars, bar)
}

// moved moves all that is laid along x.
func (w *Whole) moved(by float64) {
	for i := range w.Rows {
		r := &w.Rows[i]
		if i == 0 {
			r.Parts = append(w.early, r.Parts...)
		}
		for _, seats := range [][]Seat{r.Beads, r.Gaps} {
			for k := range seats {
				seats[k].X, seats[k].Y = fine(seats[k].X+by), fine(seats[k].Y)
			}
		}
		for k := range r.Parts {
			r.Parts[k].X, r.Parts[k].Y, r.Parts[k].LengthMm = fine(r.Parts[k].X+by), fine(r.Parts[k].Y), fine(r.Parts[k].LengthMm)
		}
		for k := range r.Cord {
			r.Cord[k] = [2]float64{fine(r.Cord[k][0] + by), fine(r.Cord[k][1])}
		}
	}
	for i := range w.Bars {
		w.Bars[i].X = fine(w.Bars[i].X + by)
	}
	w.early = nil
}

// ownEnd is how long an end is without what rows share.
func ownEnd(e *measure.End) float64 {
	sum := 0.0
	for _, p := range e.Parts {
		if p.Shared || p.Role == measure.RoleRow {
			break
		}
		sum += float64(p.Length)
	}
	return sum
}
