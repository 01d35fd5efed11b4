package drape

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
)

// For is how the loop lies that a strand is in.
func For(m *measure.Measured, rows []*Necklace, s *measure.Strand) *Necklace {
	main := m.Piece.Main()
	return rows[slices.Index(main.Rows, m.Piece.In(s.Row, main))]
}

// Rows works out how every row of a necklace lies, in the order of those of its section
// with the most rows, and with each what else is in its loop; nil if
// it is none, if no row hangs in front, or if one does not reach. Rows lie beside one
// another at the neck's sides. Where what they share hangs in front, as the links of a
// chain that all rows go on, they hang from its ends: all from one place, or side by
// side in the holes of a bar, which is taken to lie level.
func Rows(m *measure.Measured) []*Necklace {
	if m.Piece.Kind != piece.Necklace {
		return nil
	}
	rows, hang := make([]*Necklace, len(m.Main())), false
	for k, s := range m.Main() {
		if len(s.Beads) == 0 && s.Row.Corded() {
			return nil
		}
		rows[k] = lie(m, s, Outside(m, k))
		hang = hang || rows[k].whole >= math.Pi*rows[k].Width+float64(hangsFrom)
	}
	if !hang || !hangAll(rows, float64(m.Piece.Spacing(piece.Left))) {
		return nil
	}
	return rows
}

// hangAll lets the fronts hang; false if one does not reach.
func hangAll(rows []*Necklace, spacing float64) bool {
	if len(rows) > 1 {
		if shared := sharedInFront(rows, spacing); shared != nil {
			return shared.hang(rows)
		}
	}
	for _, n := range rows {
		parts, _ := n.front()
		hanging, err := Hang(parts, n.Width)
		if err != nil {
			return false
		}
		n.hangs(parts, hanging)
	}
	return true
}

// Outside is how far outside the first row the k-th one lies at the neck's sides, in mm
// from the middle of one to that of the other.
func Outside(m *measure.Measured, k int) float64 {
	sum := 0.0
	for i := range k {
		sum += float64(Pitch(m, i))
	}
	return sum
}

// Pitch is how far apart the middles of row k and the next are where they lie side by
// side: by the holes of what they go on, or touching.
func Pitch(m *measure.Measured, k int) length.MM {
	if spacing := max(m.Piece.Spacing(piece.Left), m.Piece.Spacing(piece.Right)); spacing > 0 {
		return spacing
	}
	main := m.Main()
	return (main[k].Width() + main[k+1].Width()) / 2
}

// Gap is how far row k and the next one are apart at the front: the difference of
// their lowest places less half of each row's width.
func Gap(rows []*Necklace, k int) float64 {
	a, b := rows[k], rows[k+1]
	return b.Depth - a.Depth - float64(a.strand.Width()+b.strand.Width())/2
}

// Least is where two rows that hang come nearest.
type Least struct {
	Distance float64   // between the middles of their cords
	Between  [2]Point  // the places
	At       length.MM // of the first, along its strand
}

// Nearest finds where the fronts of two rows come nearest, what they share apart. Rows
// that hang from one place lie on each other there whatever they are: of them the
// middle half counts.
func Nearest(a, b *Necklace) Least {
	out := Least{Distance: math.Inf(1)}
	pa, pb := a.apart(), b.apart()
	for i, p := range pa {
		for k := 1; k < len(pb); k++ {
			q := nearestOn(p.Point, pb[k-1].Point, pb[k].Point)
			if d := math.Hypot(p.X-q.X, p.Y-q.Y); d < out.Distance {
				out = Least{d, [2]Point{p.Point, q}, length.MM(pa[i].along)}
			}
		}
	}
	for i := 1; i < len(pa); i++ {
		for _, q := range pb {
			p := nearestOn(q.Point, pa[i-1].Point, pa[i].Point)
			if d := math.Hypot(p.X-q.X, p.Y-q.Y); d < out.Distance {
				out = Least{d, [2]Point{p, q.Point}, length.MM(pa[i].along)}
			}
		}
	}
	if crosses(a.own(), b.own()) {
		out.Distance = 0
	}
	return out
}

// joint is a joint of a row's front with its place along the strand.
type joint struct {
	Point
	along float64
}

// own gives the joints of the front between the row's joins.
func (n *Necklace) own() []joint {
	joins := n.joins()
	quarter := n.around() / 2
	var out []joint
	for i, p := range n.hanging.Joints {
		u := quarter + n.reached[i]
		if u >= joins[0]-1e-9 && u <= joins[1]+1e-9 {
			out = append(out, joint{p, math.Mod(u+n.middle+n.whole, n.whole)})
		}
	}
	return out
}

// apart is where the row can lie apart from the next.
func (n *Necklace) apart() []joint {
	own := n.own()
	if !n.fromJoin {
		return own
	}
	return own[len(own)/4 : len(own)-len(own)/4]
}

// nearestOn is the place of the line from a to b that is nearest to p.
func nearestOn(p, a, b Point) Point {
	dx, dy := b.X-a.X, b.Y-a.Y
	whole := dx*dx + dy*dy
	if whole == 0 {
		return a
	}
	t := min(1, max(0, ((p.X-a.X)*dx+(p.Y-a.Y)*dy)/whole))
	return Point{a.X + t*dx, a.Y + t*dy}
}

// crosses says whether two fronts cut each other anywhere but at their ends.
func crosses(a, b []joint) bool {
	side := func(p, q, r Point) float64 { return (q.X-p.X)*(r.Y-p.Y) - (q.Y-p.Y)*(r.X-p.X) }
	for i := 1; i < len(a); i++ {
		for k := 1; k < len(b); k++ {
			p, q, r, s := a[i-1].Point, a[i].Point, b[k-1].Point, b[k].Point
			if side(p, q, r)*side(p, q, s) < 0 && side(r, s, p)*side(r, s, q) < 0 {
				return true
			}
		}
	}
	return false
}
