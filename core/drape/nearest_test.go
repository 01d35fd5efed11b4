package drape

import (
	"math"
	"math/rand/v2"
	"testing"

	"mala/core/material"
	"mala/core/piece"
	"mala/core/statics"
)

// Boxes pass over no part that lies near enough, whatever the fronts look like.
func TestBoxesFindWhatAllPartsOneByOneGive(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 11))
	crossed := 0
	front := func(at statics.Point) []statics.Point {
		out := make([]statics.Point, 2+r.IntN(60))
		for i := range out {
			at = statics.Point{X: at.X + r.Float64()*8, Y: at.Y + r.NormFloat64()*2}
			out[i] = at
		}
		return out
	}
	for range 150 {
		a, b := front(statics.Point{}), front(statics.Point{X: 4, Y: r.NormFloat64() * 30})
		least, cross := math.Inf(1), false
		for i := 1; i < len(a); i++ {
			for k := 1; k < len(b); k++ {
				for _, end := range [][3]statics.Point{{a[i-1], b[k-1], b[k]}, {a[i], b[k-1], b[k]}, {b[k-1], a[i-1], a[i]}, {b[k], a[i-1], a[i]}} {
					least = min(least, awayFrom(end[0], end[1], end[2]))
				}
				cross = cross || cut(a[i-1], a[i], b[k-1], b[k])
			}
		}
		if cross {
			least = 0
			crossed++
		}
		if got := nearest(&Necklace{places: a}, &Necklace{places: b}); math.Abs(got-least) > 1e-9 {
			t.Fatalf("%v and %v come to %v, looked at one by one to %v", a, b, got, least)
		}
	}
	if crossed < 15 || crossed > 135 {
		t.Errorf("%d of 150 cross", crossed)
	}
}

// awayFrom is how far a place is from the part between two others, by closing in on the
// nearest of its places.
func awayFrom(p, a, b statics.Point) float64 {
	to := func(t float64) float64 { return math.Hypot(a.X+t*(b.X-a.X)-p.X, a.Y+t*(b.Y-a.Y)-p.Y) }
	lo, hi := 0.0, 1.0
	for range 60 {
		if one, other := lo+(hi-lo)/3, hi-(hi-lo)/3; to(one) < to(other) {
			hi = other
		} else {
			lo = one
		}
	}
	return to((lo + hi) / 2)
}

func TestTheLongestPartIsFoundWhereverItLies(t *testing.T) {
	joints := []statics.Point{{X: -1, Y: -2}, {X: 2, Y: 2}, {X: 2, Y: 1}, {X: -10, Y: -4}, {X: -10, Y: -4}}
	for _, tt := range []struct {
		upTo int
		want float64
	}{{0, 0}, {1, 0}, {2, 5}, {3, 5}, {4, 13}, {5, 13}} {
		if got := longestOf(joints[:tt.upTo]); got != tt.want {
			t.Errorf("of %d joints %v, want %v", tt.upTo, got, tt.want)
		}
	}
}

func TestTheNearestPlaceOfAPart(t *testing.T) {
	a, b := statics.Point{X: 2, Y: 1}, statics.Point{X: 10, Y: 7}
	for _, tt := range []struct{ p, want statics.Point }{
		{statics.Point{X: 3, Y: 8}, statics.Point{X: 6, Y: 4}}, // 5 mm across its middle
		{statics.Point{X: 0, Y: 0}, a},
		{statics.Point{X: 20, Y: 9}, b},
		{statics.Point{X: 2.8, Y: 1.6}, statics.Point{X: 2.8, Y: 1.6}},
	} {
		if got := nearestOn(tt.p, a, b); math.Hypot(got.X-tt.want.X, got.Y-tt.want.Y) > 1e-12 {
			t.Errorf("to %v it is %v, want %v", tt.p, got, tt.want)
		}
	}
	if got := nearestOn(statics.Point{X: 5, Y: 5}, a, a); got != a {
		t.Errorf("of a part without length it is %v", got)
	}
}

// Rows that touch, or end on one another, do not cross; a millionth of a millimetre is nothing.
func TestRowsThatTouchDoNotCross(t *testing.T) {
	level := []statics.Point{{X: 0}, {X: 10}, {X: 20}}
	for _, tt := range []struct {
		name  string
		other []statics.Point
		cross bool
	}{
		{"across a joint", []statics.Point{{X: 10, Y: -5}, {X: 10, Y: 5}}, false},
		{"through a part", []statics.Point{{X: 14, Y: -5}, {X: 15, Y: 5}}, true},
		{"ends on it", []statics.Point{{X: 4, Y: -5}, {X: 4, Y: 0}}, false},
		{"ends a hair beyond", []statics.Point{{X: 4, Y: -5}, {X: 4, Y: 0.9e-6}}, false},
		{"ends beyond", []statics.Point{{X: 4, Y: -5}, {X: 4, Y: 2e-6}}, true},
		{"along it", []statics.Point{{X: 2}, {X: 8}}, false},
	} {
		a, b := inBlocks(level), inBlocks(tt.other)
		if crosses(&a, &b) != tt.cross || crosses(&b, &a) != tt.cross {
			t.Errorf("%s: crosses %v", tt.name, !tt.cross)
		}
	}
}

// What rows share in front is no row's own: it begins where the shared chain ends. Of rows that
// hang from one place the middle half counts.
func TestARowsOwnFrontLiesBetweenItsJoins(t *testing.T) {
	link := material.Finding{Type: material.Chain, Inside: 2, Wire: 0.6, Joint: "open"}
	m := several(t, 360, func(p *piece.Piece) {
		chain := &material.Material{ID: "chain", Class: material.ClassFinding, Finding: &link, MassG: 0.02}
		p.Closure.Left = append(p.Closure.Left, piece.Fitting{ID: "x1", Of: chain, Links: 75})
		p.Closure.Right = append(p.Closure.Right, piece.Fitting{ID: "x2", Of: chain, Links: 75})
	}, "60P", "70P")
	rows := Rows(m)
	if len(rows) != 2 {
		t.Fatal("they do not hang")
	}
	for k, n := range rows {
		s, own := m.Strands[k], n.own()
		if !n.fromJoin {
			t.Errorf("row %d hangs from its chain", k+1)
		}
		// Its crimps are its own: 2 mm and the wire's loop of 2 mm at each end.
		first, last := n.At(-4), n.At(float64(s.Strung+s.Slack)+4)
		near(t, "begins across", own[0].X, first.X, 1e-6)
		near(t, "begins down", own[0].Y, first.Y, 1e-6)
		near(t, "ends across", own[len(own)-1].X, last.X, 1e-6)
		near(t, "ends down", own[len(own)-1].Y, last.Y, 1e-6)
		quarter := len(own) / 4
		middle := n.clear(inBlocks(own)).joints
		if len(middle) != len(own)-2*quarter || middle[0] != own[quarter] || middle[len(middle)-1] != own[len(own)-1-quarter] {
			t.Errorf("of %d joints %d lie apart", len(own), len(middle))
		}
	}
}

// cut says whether two parts cut each other, by where their lines meet.
func cut(p, q, r, s statics.Point) bool {
	dx, dy, ex, ey := q.X-p.X, q.Y-p.Y, s.X-r.X, s.Y-r.Y
	det := dx*ey - dy*ex
	t, u := ((r.X-p.X)*ey-(r.Y-p.Y)*ex)/det, ((r.X-p.X)*dy-(r.Y-p.Y)*dx)/det
	return t > 0 && t < 1 && u > 0 && u < 1
}
