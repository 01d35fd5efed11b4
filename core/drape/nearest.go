package drape

import (
	"math"

	"mala/core/statics"
)

// LiesOn is how near the middles of two rows may come, in parts of half their widths together,
// before one lies on the other.
const LiesOn = 0.9

// nearest is how far the middles of two rows' cords are apart where their fronts come
// nearest, what they share apart; 0 where they cross. Rows that hang from one place lie on
// each other there whatever they are: of them the middle half counts.
func nearest(a, b *Necklace) float64 {
	least := math.Inf(1)
	wa, wb := inBlocks(a.own()), inBlocks(b.own())
	pa, pb := a.clear(wa), b.clear(wb)
	for i := range pa.boxes {
		for k := range pb.boxes {
			if pa.boxes[i].apart(&pb.boxes[k]) < least {
				least = pb.nearest(k, &pa, i, pa.nearest(i, &pb, k, least))
			}
		}
	}
	// Of two parts that cross, one ends no further from the other than half its length.
	whole := !a.fromJoin && !b.fromJoin
	if whole && least > max(longestOf(pa.joints), longestOf(pb.joints)) || !crosses(&wa, &wb) {
		return least
	}
	return 0
}

// longestOf is the longest of the parts between the joints.
func longestOf(joints []statics.Point) float64 {
	square := 0.0
	for i := 1; i < len(joints); i++ {
		dx, dy := joints[i].X-joints[i-1].X, joints[i].Y-joints[i-1].Y
		square = max(square, dx*dx+dy*dy)
	}
	return math.Sqrt(square)
}

// blocks is the joints of a front with the boxes round each few parts that follow one
// another, so that those far away are passed over together.
type blocks struct {
	joints []statics.Point
	boxes  []box
}

type box struct{ left, right, top, bottom float64 }

// inBlock is how many parts lie in one box.
const inBlock = 5

func inBlocks(joints []statics.Point) blocks {
	out := blocks{joints: joints, boxes: make([]box, 0, len(joints)/inBlock+1)}
	for from := 0; from < len(joints)-1; from += inBlock {
		b := box{math.Inf(1), math.Inf(-1), math.Inf(1), math.Inf(-1)}
		for _, j := range joints[from:min(from+inBlock+1, len(joints))] {
			b = box{min(b.left, j.X), max(b.right, j.X), min(b.top, j.Y), max(b.bottom, j.Y)}
		}
		out.boxes = append(out.boxes, b)
	}
	return out
}

// apart is how far two boxes are apart at least, across or down.
func (b *box) apart(o *box) float64 {
	return max(b.left-o.right, o.left-b.right, b.top-o.bottom, o.top-b.bottom)
}

// beyond says whether a point lies so far above, below, left or right of the box.
func (b *box) beyond(p statics.Point, far float64) bool {
	return p.X < b.left-far || p.X > b.right+far || p.Y < b.top-far || p.Y > b.bottom+far
}

// parts are the joints that the parts in box i end at: from the first to before the last.
func (l *blocks) parts(i int) (first, last int) {
	return i*inBlock + 1, min((i+1)*inBlock+1, len(l.joints))
}

// nearest is how far the parts of a box are from the joints in one of another front, or least if
// that is less.
func (l *blocks) nearest(i int, o *blocks, box int, least float64) float64 {
	first, last := l.parts(i)
	from, to := o.parts(box)
	for _, p := range o.joints[from-1 : to] {
		if l.boxes[i].beyond(p, least) {
			continue
		}
		square := least * least
		for k := first; k < last; k++ {
			q := nearestOn(p, l.joints[k-1], l.joints[k])
			square = min(square, (p.X-q.X)*(p.X-q.X)+(p.Y-q.Y)*(p.Y-q.Y))
		}
		least = math.Sqrt(square)
	}
	return least
}

// own gives the joints of the front between the row's joins.
func (n *Necklace) own() []statics.Point {
	if n.places != nil {
		return n.places
	}
	joins := n.joins()
	quarter := n.around() / 2
	n.places = make([]statics.Point, 0, len(n.hanging.Joints))
	for i, p := range n.hanging.Joints {
		if u := quarter + n.reached[i]; u >= joins[0]-1e-9 && u <= joins[1]+1e-9 {
			n.places = append(n.places, p)
		}
	}
	return n.places
}

// clear is where of its own front the row can lie apart from the next.
func (n *Necklace) clear(own blocks) blocks {
	if !n.fromJoin {
		return own
	}
	quarter := len(own.joints) / 4
	return inBlocks(own.joints[quarter : len(own.joints)-quarter])
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
func crosses(a, b *blocks) bool {
	for i := range a.boxes {
		for k := range b.boxes {
			if a.boxes[i].apart(&b.boxes[k]) <= 0 && a.cuts(i, b, k) {
				return true
			}
		}
	}
	return false
}

// cuts says whether a part in box i cuts one in a box of another front.
func (l *blocks) cuts(i int, o *blocks, box int) bool {
	first, last := l.parts(i)
	from, to := o.parts(box)
	for k := first; k < last; k++ {
		p, q := l.joints[k-1], l.joints[k]
		if !o.boxes[box].meets(p, q) {
			continue
		}
		for n := from; n < to; n++ {
			r, s := o.joints[n-1], o.joints[n]
			if sideOf(p, q, r)*sideOf(p, q, s) < 0 && sideOf(r, s, p)*sideOf(r, s, q) < 0 {
				return true
			}
		}
	}
	return false
}

// sideOf tells on which side of the part from p to q a place lies, 0 on it.
func sideOf(p, q, r statics.Point) float64 {
	away := (q.X-p.X)*(r.Y-p.Y) - (q.Y-p.Y)*(r.X-p.X)
	if math.Abs(away) <= touching*math.Hypot(q.X-p.X, q.Y-p.Y) {
		return 0
	}
	return away
}

// meets says whether the box round two points meets this one.
func (b *box) meets(p, q statics.Point) bool {
	return max(p.X, q.X) >= b.left && min(p.X, q.X) <= b.right && max(p.Y, q.Y) >= b.top && min(p.Y, q.Y) <= b.bottom
}

// away is how far a place is from the front; Inf where the front has no parts.
func (l *blocks) away(p statics.Point) float64 {
	least := math.Inf(1)
	for i := range l.boxes {
		if l.boxes[i].beyond(p, least) {
			continue
		}
		first, last := l.parts(i)
		for k := first; k < last; k++ {
			q := nearestOn(p, l.joints[k-1], l.joints[k])
			least = min(least, math.Hypot(p.X-q.X, p.Y-q.Y))
		}
	}
	return least
}

// meetsBody says whether what hangs from a seat, so far down and so wide to either side of its middle,
// comes nearer to the front than need.
func (l *blocks) meetsBody(at Seat, drop, half, need float64) bool {
	top, bottom := at.Y+min(drop/2, half), at.Y+max(drop/2, drop-half)
	body := [2]statics.Point{{X: at.X, Y: top}, {X: at.X, Y: bottom}}
	for i := range l.boxes {
		if b := &l.boxes[i]; at.X < b.left-need || at.X > b.right+need || bottom < b.top-need || top > b.bottom+need {
			continue
		}
		first, last := l.parts(i)
		for k := first; k < last; k++ {
			if between(body[0], body[1], l.joints[k-1], l.joints[k]) < need-tiny {
				return true
			}
		}
	}
	return false
}

// between is how far two parts are apart, 0 where they cross.
func between(p, q, r, s statics.Point) float64 {
	if sideOf(p, q, r)*sideOf(p, q, s) < 0 && sideOf(r, s, p)*sideOf(r, s, q) < 0 {
		return 0
	}
	least := math.Inf(1)
	for _, end := range [][3]statics.Point{{p, r, s}, {q, r, s}, {r, p, q}, {s, p, q}} {
		on := nearestOn(end[0], end[1], end[2])
		least = min(least, math.Hypot(on.X-end[0].X, on.Y-end[0].Y))
	}
	return least
}
