package drape

import (
	"math"
	"math/rand/v2"
	"testing"

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
	for range 400 {
		a, b := front(statics.Point{}), front(statics.Point{X: 4, Y: r.NormFloat64() * 30})
		least, cross := math.Inf(1), false
		for i := 1; i < len(a); i++ {
			for k := 1; k < len(b); k++ {
				for _, end := range [][3]statics.Point{{a[i-1], b[k-1], b[k]}, {a[i], b[k-1], b[k]}, {b[k-1], a[i-1], a[i]}, {b[k], a[i-1], a[i]}} {
					q := nearestOn(end[0], end[1], end[2])
					least = min(least, math.Hypot(q.X-end[0].X, q.Y-end[0].Y))
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
	if crossed < 40 || crossed > 360 {
		t.Errorf("%d of 400 cross", crossed)
	}
}

// cut says whether two parts cut each other, by where their lines meet.
func cut(p, q, r, s statics.Point) bool {
	dx, dy, ex, ey := q.X-p.X, q.Y-p.Y, s.X-r.X, s.Y-r.Y
	det := dx*ey - dy*ex
	t, u := ((r.X-p.X)*ey-(r.Y-p.Y)*ex)/det, ((r.X-p.X)*dy-(r.Y-p.Y)*dx)/det
	return t > 0 && t < 1 && u > 0 && u < 1
}
