package drape

import (
	"math"
	"slices"

	"mala/core/length"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/statics"
)

// For is how the loop lies that a strand is in.
func For(m *measure.Measured, rows []*Necklace, s *measure.Strand) *Necklace {
	return rows[slices.IndexFunc(m.Strands, func(o *measure.Strand) bool { return o.Row == s.Row })]
}

// Main lists how the rows of the section with the most lie.
func Main(m *measure.Measured, rows []*Necklace) []*Necklace {
	var out []*Necklace
	for _, s := range m.Main() {
		out = append(out, For(m, rows, s))
	}
	return out
}

// Rows works out how every row of a necklace lies, in the order of its strands, each in
// the whole loop it lies in; nil if it is none, if no row hangs in front, or if one does
// not reach. Rows lie beside one another at the neck's sides. Where rows meet what they
// share in front, a chain, a bar or a bead, all hang together.
func Rows(m *measure.Measured) []*Necklace {
	type lie struct{}
	return m.Kept(lie{}, func() any { return rowsOf(m) }).([]*Necklace)
}

func rowsOf(m *measure.Measured) []*Necklace {
	if m.Piece.Kind != piece.Necklace || m.Piece.Times() > 1 {
		return nil
	}
	rows, hang := make([]*Necklace, len(m.Strands)), false
	for k, s := range m.Strands {
		if len(s.Beads) == 0 && s.Row.Corded() {
			return nil
		}
		rows[k] = lie(m, s, outside(m, s))
		hang = hang || rows[k].whole >= math.Pi*rows[k].Width+float64(hangsFrom)
	}
	if !hang {
		return nil
	}
	if len(rows) > 1 {
		if f := stagesOf(m, rows); f != nil {
			if !f.hang() {
				return nil
			}
			return rows
		}
	}
	for _, n := range rows {
		parts, _ := n.front()
		hanging, err := statics.Hang(parts, n.Width)
		if err != nil {
			return nil
		}
		n.fromJoin = false
		n.hangs(parts, hanging)
	}
	return rows
}

// outside is how far outside the first row of its section a row lies at the neck's
// sides, in mm from the middle of one to that of the other.
func outside(m *measure.Measured, s *measure.Strand) float64 {
	sum := 0.0
	rows := m.Piece.SectionOf(s.Row).Rows
	for k := 1; k < len(rows) && rows[k-1] != s.Row; k++ {
		sum += apart(m, m.Strand(rows[k-1].ID), m.Strand(rows[k].ID))
	}
	return sum
}

// apart is how far apart the middles of two rows are where they lie side by side: by
// the holes of what they go on, or touching.
func apart(m *measure.Measured, a, b *measure.Strand) float64 {
	for _, side := range piece.Sides() {
		if on := m.Piece.Joined(a.Row, side); m.Piece.Hole(a.Row, side) > 0 && m.Piece.Hole(b.Row, side) > 0 {
			return float64(on.Of.Finding.Spacing) * math.Abs(float64(m.Piece.Hole(b.Row, side)-m.Piece.Hole(a.Row, side)))
		}
	}
	return float64(a.Width()+b.Width()) / 2
}

// Gap is how far row k and the next one are apart at the front: the difference of
// their lowest places less half of each row's width.
func Gap(rows []*Necklace, k int) float64 {
	a, b := rows[k], rows[k+1]
	return b.Depth - a.Depth - float64(a.strand.Width()+b.strand.Width())/2
}

// Least is where two rows that hang come nearest.
type Least struct {
	Distance float64          // between the middles of their cords
	Between  [2]statics.Point // the places
	At       length.MM        // of the first, along its strand
}

// Nearest finds where the fronts of two rows come nearest, what they share apart. Rows
// that hang from one place lie on each other there whatever they are: of them the
// middle half counts.
func Nearest(a, b *Necklace) Least {
	if a.nextTo != b {
		a.nextTo, a.nearest = b, nearestOf(a, b)
	}
	return a.nearest
}

func nearestOf(a, b *Necklace) Least {
	out := Least{Distance: math.Inf(1)}
	pa, pb := inBlocks(a.clear()), inBlocks(b.clear())
	for _, p := range pa.joints {
		pb.near(p.Point, out.Distance, func(k int) {
			q := nearestOn(p.Point, pb.joints[k-1].Point, pb.joints[k].Point)
			if d := math.Hypot(p.X-q.X, p.Y-q.Y); d < out.Distance {
				out = Least{d, [2]statics.Point{p.Point, q}, length.MM(p.along)}
			}
		})
	}
	for _, q := range pb.joints {
		pa.near(q.Point, out.Distance, func(i int) {
			p := nearestOn(q.Point, pa.joints[i-1].Point, pa.joints[i].Point)
			if d := math.Hypot(p.X-q.X, p.Y-q.Y); d < out.Distance {
				out = Least{d, [2]statics.Point{p, q.Point}, length.MM(pa.joints[i].along)}
			}
		})
	}
	if crosses(a.own(), inBlocks(b.own())) {
		out.Distance = 0
	}
	return out
}

// blocks is the joints of a front with the boxes round each few parts that follow one
// another, so that those far away are passed over together.
type blocks struct {
	joints []joint
	boxes  []box
}

type box struct{ left, right, top, bottom float64 }

// inBlock is how many parts lie in one box.
const inBlock = 12

func inBlocks(joints []joint) blocks {
	out := blocks{joints: joints}
	for from := 0; from < len(joints)-1; from += inBlock {
		b := box{math.Inf(1), math.Inf(-1), math.Inf(1), math.Inf(-1)}
		for _, j := range joints[from:min(from+inBlock+1, len(joints))] {
			b = box{min(b.left, j.X), max(b.right, j.X), min(b.top, j.Y), max(b.bottom, j.Y)}
		}
		out.boxes = append(out.boxes, b)
	}
	return out
}

// near calls do for every part that may come so near to a point, by the joint it ends at.
func (l blocks) near(p statics.Point, most float64, do func(k int)) {
	for i, b := range l.boxes {
		if p.X < b.left-most || p.X > b.right+most || p.Y < b.top-most || p.Y > b.bottom+most {
			continue
		}
		for k := i*inBlock + 1; k <= min((i+1)*inBlock, len(l.joints)-1); k++ {
			do(k)
		}
	}
}

// joint is a joint of a row's front with its place along the strand.
type joint struct {
	statics.Point
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

// clear is where the row can lie apart from the next.
func (n *Necklace) clear() []joint {
	own := n.own()
	if !n.fromJoin {
		return own
	}
	return own[len(own)/4 : len(own)-len(own)/4]
}

// longestOf is the longest of the parts between the joints.
func longestOf(joints []joint) float64 {
	longest := 0.0
	for i := 1; i < len(joints); i++ {
		longest = max(longest, math.Hypot(joints[i].X-joints[i-1].X, joints[i].Y-joints[i-1].Y))
	}
	return longest
}

// nearestOn is the place of the line from a to b that is nearest to p.
func nearestOn(p, a, b statics.Point) statics.Point {
	dx, dy := b.X-a.X, b.Y-a.Y
	whole := dx*dx + dy*dy
	if whole == 0 {
		return a
	}
	t := min(1, max(0, ((p.X-a.X)*dx+(p.Y-a.Y)*dy)/whole))
	return statics.Point{X: a.X + t*dx, Y: a.Y + t*dy}
}

// touching is how far, in mm, a joint lies beside a part that it still lies on: where rows run
// through one bead they come to the same places, each by its own sums.
const touching = 1e-6

// crosses says whether two fronts cut each other anywhere but at their ends and where they touch.
func crosses(a []joint, b blocks) bool {
	side := func(p, q, r statics.Point) float64 { // of the part from p to q that r lies on
		away := (q.X-p.X)*(r.Y-p.Y) - (q.Y-p.Y)*(r.X-p.X)
		if math.Abs(away) <= touching*math.Hypot(q.X-p.X, q.Y-p.Y) {
			return 0
		}
		return away
	}
	longest, found := longestOf(a), false
	for i := 1; i < len(a) && !found; i++ {
		p, q := a[i-1].Point, a[i].Point
		b.near(q, longest, func(k int) {
			r, s := b.joints[k-1].Point, b.joints[k].Point
			found = found || side(p, q, r)*side(p, q, s) < 0 && side(r, s, p)*side(r, s, q) < 0
		})
	}
	return found
}
