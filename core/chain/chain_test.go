package chain

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"
)

func times(n int, segments ...Segment) []Segment {
	var out []Segment
	for range n {
		out = append(out, segments...)
	}
	return out
}

func given() map[float64][]Segment {
	odd := []Segment{}
	for i, p := range []float64{14, 6, 10, 3, 18, 8, 8, 5, 22, 12, 6, 16} {
		odd = append(odd, Segment{p, []float64{7, 3, 5, 1.5, 6, 4, 4, 2.5, 5, 6, 3, 8}[i]})
	}
	return map[float64][]Segment{
		149.67:  times(22, Segment{8, 4}),
		144.54:  times(18, Segment{8, 4}, Segment{1.5, 1}),
		92.775:  times(3, append(times(1, Segment{12, 6}), times(10, Segment{3, 1.5})...)...),
		156.868: append(times(1, Segment{24, 9}), times(40, Segment{4, 2})...),
		154.102: append(times(1, Segment{30, 3}), times(36, Segment{4, 2})...),
		133.172: append(times(1, Segment{50, 3}), times(40, Segment{3, 1.5})...),
		80.302:  odd,
	}
}

func TestTheGivenChainsGoRoundWhatTheyShould(t *testing.T) {
	for want, segments := range given() {
		t.Run(fmt.Sprint(want), func(t *testing.T) {
			l, err := Tightest(segments)
			if err != nil {
				t.Fatal(err)
			}
			if got := l.Girth(); math.Abs(got-want) > 0.005 {
				t.Errorf("goes round %.4f mm, want %.3f", got, want)
			}
		})
	}
}

// trials is how often a property is tried; less often with -short, as mutation
// tests run.
func trials(all, short int) int {
	if testing.Short() {
		return short
	}
	return all
}

func TestAnIndependentSearchAgreesOnRandomRings(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 20))
	for compared := 0; compared < trials(16, 3); {
		segments := random(r, 9+r.IntN(6))
		if compared%4 == 0 {
			segments[0].Length = 10 + 15*r.Float64()
		}
		fast, err := Tightest(segments)
		if err != nil || fast.Girth() < 25 {
			continue // no ring that is worn
		}
		slow, err := narrowing(segments)
		if err != nil {
			t.Fatalf("ring %d: %v", compared, err)
		}
		// The search may stop a little short where two segments block each other.
		if by := fast.Girth() - slow.Girth(); by < -0.001 || by > 0.05 {
			t.Errorf("ring %d: goes round %.4f, by the search %.4f", compared, fast.Girth(), slow.Girth())
		}
		compared++
	}
}

func random(r *rand.Rand, n int) []Segment {
	segments := make([]Segment, n)
	for i := range segments {
		p := 1 + 14*r.Float64()*r.Float64()
		segments[i] = Segment{p, p * (0.1 + 0.4*r.Float64())}
	}
	return segments
}

func TestAWrapIsAChainThatKeepsClear(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 7))
	for range 200 {
		segments := random(r, 20+r.IntN(200))
		l, err := Tightest(segments)
		if err != nil {
			t.Fatal(err)
		}
		// Laid out in the plane, hinge by hinge.
		angle := 0.0
		for i, s := range segments {
			u, v := l.Joints[i], l.Joints[(i+1)%len(segments)]
			x, y := u*math.Cos(angle), u*math.Sin(angle)
			angle += l.Sweeps[i]
			dx, dy := v*math.Cos(angle)-x, v*math.Sin(angle)-y
			if d := math.Hypot(dx, dy); math.Abs(d-s.Length) > 1e-6 {
				t.Fatalf("segment %d is %v long, want %v", i, d, s.Length)
			}
			at := min(1, max(0, -(x*dx+y*dy)/(dx*dx+dy*dy)))
			if clear := math.Hypot(x+at*dx, y+at*dy); clear < l.Radius+s.Reach-1e-4 {
				t.Fatalf("segment %d reaches %v into the circle", i, l.Radius+s.Reach-clear)
			}
		}
		if math.Abs(angle-2*math.Pi) > 1e-5 {
			t.Fatalf("it goes %v times round", angle/(2*math.Pi))
		}
	}
}

func TestAChainThatLeavesNoRoom(t *testing.T) {
	for name, c := range map[string]struct {
		segments []Segment
		want     error
	}{
		"two segments":     {times(2, Segment{4, 2}), ErrOpen},
		"one too long":     {append(times(3, Segment{4, 2}), Segment{12, 2}), ErrOpen},
		"no length":        {append(times(5, Segment{4, 2}), Segment{0, 2}), ErrOpen},
		"three in contact": {times(3, Segment{8, 4}), ErrNothing},
		"thick among thin": {append(times(8, Segment{1, 0.4}), Segment{7.4, 4.5}), ErrNothing},
	} {
		if _, err := Tightest(c.segments); err != c.want {
			t.Errorf("%s: %v, want %v", name, err, c.want)
		}
	}
}

func BenchmarkTightest(b *testing.B) {
	for _, n := range []int{40, 400, 1000} {
		segments := make([]Segment, n)
		r := rand.New(rand.NewPCG(1, 2))
		for i := range segments {
			p := []float64{8, 4, 1.5, 6, 3, 12}[r.IntN(6)]
			segments[i] = Segment{p, p / 2}
		}
		b.Run(fmt.Sprint(n), func(b *testing.B) {
			for b.Loop() {
				if _, err := Tightest(segments); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
