package chain

import (
	"math"
	"math/rand/v2"
	"testing"
)

// The geometry's slopes and curvatures, held against small differences.
func TestTheSlopesOfABarAreThoseOfItsValues(t *testing.T) {
	const h = 1e-4
	r := rand.New(rand.NewPCG(1, 7))
	at := func(x, y float64, s Segment) bar {
		var b bar
		if !b.at(x, y, 1/math.Sqrt(x), 1/math.Sqrt(y), s, 0) {
			t.Fatalf("no bar at %v, %v", x, y)
		}
		return b
	}
	near := func(name string, got, want, within float64) {
		t.Helper()
		if math.Abs(got-want) > within {
			t.Errorf("%s = %v, by differences %v", name, got, want)
		}
	}
	for range 200 {
		s := Segment{2 + 6*r.Float64(), 1}
		u := 20 + 20*r.Float64()
		v := u + (r.Float64()-0.5)*s.Length
		x, y := u*u, v*v
		b, right, left, up, down := at(x, y, s), at(x+h, y, s), at(x-h, y, s), at(x, y+h, s), at(x, y-h, s)
		near("sweep by x", b.sx, (right.sweep-left.sweep)/(2*h), 1e-6)
		near("sweep by y", b.sy, (up.sweep-down.sweep)/(2*h), 1e-6)
		near("clearance by x", b.cx, (right.clear-left.clear)/(2*h), 1e-6)
		near("clearance by y", b.cy, (up.clear-down.clear)/(2*h), 1e-6)
		near("sweep by xx", b.sxx, (right.sx-left.sx)/(2*h), 1e-5)
		near("sweep by xy", b.sxy, (up.sx-down.sx)/(2*h), 1e-5)
		near("sweep by yy", b.syy, (up.sy-down.sy)/(2*h), 1e-5)
	}
}

func TestOnlyWhatCurvesDownIsKept(t *testing.T) {
	for _, tt := range []struct{ in, want [3]float64 }{
		{[3]float64{-2, 0, -1}, [3]float64{-2, 0, -1}},
		{[3]float64{2, 0, 1}, [3]float64{0, 0, 0}},
		{[3]float64{2, 0, -1}, [3]float64{0, 0, -1}},
		{[3]float64{0, 1, 0}, [3]float64{-0.5, 0.5, -0.5}},
	} {
		a, b, d := concave(tt.in[0], tt.in[1], tt.in[2])
		for i, got := range []float64{a, b, d} {
			if math.Abs(got-tt.want[i]) > 1e-12 {
				t.Errorf("of %v is kept %v %v %v, want %v", tt.in, a, b, d, tt.want)
				break
			}
		}
	}
}

func TestTheRingSolverSolvesItsRing(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 3))
	for _, n := range []int{3, 4, 7, 50} {
		var m ringSolver
		m.make(n)
		full := make([][]float64, n)
		for i := range full {
			full[i] = make([]float64, n)
		}
		for i := range n {
			j, b := (i+1)%n, r.Float64()-0.5
			ii, jj := -1-r.Float64(), -1-r.Float64()
			m.add(i, j, ii, b, jj)
			full[i][i] += ii
			full[j][j] += jj
			full[i][j] += b
			full[j][i] += b
			for k := range m.rows[i].right {
				m.rows[i].right[k] = r.Float64()
			}
		}
		rows := append([]ringRow{}, m.rows...)
		if !m.solve() {
			t.Fatalf("a ring of %d was not solved", n)
		}
		for i := range n {
			for k, want := range rows[i].right {
				got := 0.0
				for j := range n {
					got += full[i][j] * m.rows[j].right[k]
				}
				if math.Abs(got-want) > 1e-9 {
					t.Errorf("ring of %d, row %d comes to %v, want %v", n, i, got, want)
				}
			}
		}
	}
	var m ringSolver
	m.make(3)
	m.add(0, 1, 1, 0, 1)
	if m.solve() {
		t.Error("a ring that curves up was solved as if it did not")
	}
}

func TestAChainIsAsTightWhereverItBegins(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 2))
	for range 20 {
		segments := random(r, 30)
		whole, err := Tightest(segments)
		if err != nil {
			t.Fatal(err)
		}
		cut := r.IntN(30)
		turned, err := Tightest(append(append([]Segment{}, segments[cut:]...), segments[:cut]...))
		if err != nil || math.Abs(turned.Girth()-whole.Girth()) > 1e-3 {
			t.Errorf("begun at %d it goes round %v, else %v", cut, turned.Girth(), whole.Girth())
		}
	}
}

func TestALongerOrThinnerChainGoesRoundMore(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 8))
	for range 20 {
		segments := random(r, 40)
		plain, err := Tightest(segments)
		if err != nil {
			t.Fatal(err)
		}
		more := append(append([]Segment{}, segments...), Segment{3, 1})
		longer, err := Tightest(more)
		if err != nil || longer.Girth() <= plain.Girth() {
			t.Errorf("a segment more: %v round %v", longer, plain.Girth())
		}
		thin := append([]Segment{}, segments...)
		for i := range thin {
			thin[i].Reach--
		}
		thinner, err := Tightest(thin)
		if want := plain.Girth() + 2*math.Pi; err != nil || math.Abs(thinner.Girth()-want) > 1e-3 {
			t.Errorf("a millimetre thinner it goes round %v, want %v", thinner.Girth(), want)
		}
	}
}

// The slopes and curvatures of a bar are those of its sweep and its clearance.
func TestABarsSlopesAreThoseOfWhatItIs(t *testing.T) {
	const step = 1e-3
	seg := Segment{Length: 6, Reach: 2}
	at := func(x, y, rounded float64) bar {
		var b bar
		if !b.at(x, y, 1/math.Sqrt(x), 1/math.Sqrt(y), seg, rounded) {
			t.Fatalf("no bar between %v and %v", x, y)
		}
		return b
	}
	for _, tt := range []struct{ x, y, rounded float64 }{
		{900, 910, 0}, {900, 890, 0}, {2500, 2500, 0}, {90, 90, 0}, {900, 1000, 0}, {1000, 900, 0}, {900, 910, 0.01},
	} {
		x, y, r := tt.x, tt.y, tt.rounded
		b := at(x, y, r)
		right, left, up, down := at(x+step, y, r), at(x-step, y, r), at(x, y+step, r), at(x, y-step, r)
		slope := func(more, less float64) float64 { return (more - less) / (2 * step) }
		for name, pair := range map[string][2]float64{
			"sx": {b.sx, slope(right.sweep, left.sweep)}, "sy": {b.sy, slope(up.sweep, down.sweep)},
			"cx": {b.cx, slope(right.clear, left.clear)}, "cy": {b.cy, slope(up.clear, down.clear)},
			"sxx": {b.sxx, slope(right.sx, left.sx)}, "sxy": {b.sxy, slope(up.sx, down.sx)}, "syx": {b.sxy, slope(right.sy, left.sy)}, "syy": {b.syy, slope(up.sy, down.sy)},
			"cxx": {b.cxx, slope(right.cx, left.cx)}, "cxy": {b.cxy, slope(up.cx, down.cx)}, "cyx": {b.cxy, slope(right.cy, left.cy)}, "cyy": {b.cyy, slope(up.cy, down.cy)},
		} {
			if math.Abs(pair[0]-pair[1]) > 1e-5*max(1e-3, math.Abs(pair[1])) {
				t.Errorf("at %v, %v rounded %v: %s is %v, its difference quotient %v", x, y, r, name, pair[0], pair[1])
			}
		}
	}
}

func TestASmallAngleIsThatOfItsCosine(t *testing.T) {
	for _, angle := range []float64{1e-4, 0.01, 0.1, 0.201, 0.3, 0.39, 0.4, 0.4027, 0.403, 1, 3} {
		if got := angleOf(math.Cos(angle)); math.Abs(got-angle) > 1e-11 {
			t.Errorf("the angle of the cosine of %v is %v", angle, got)
		}
	}
}
