package chain

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

// longRuns is a ring of one to four long runs of equal segments, with a few others between.
func longRuns(r *rand.Rand) []Segment {
	var out []Segment
	for range 1 + r.IntN(4) {
		p := []float64{0.8, 1.5, 2, 4, 6, 8, 10, 14}[r.IntN(8)]
		out = append(out, times(10+r.IntN(120), Segment{p, p * (0.1 + 0.5*r.Float64())})...)
		out = append(out, random(r, 1+r.IntN(4))...)
	}
	at := r.IntN(len(out))
	return slices.Concat(out[at:], out[:at])
}

func TestAFoldedRingIsAsTightAsTheWholeOfIt(t *testing.T) {
	r := rand.New(rand.NewPCG(31, 2))
	for folded := 0; folded < trials(400, 60); {
		segments := longRuns(r)
		short := foldedWrap(segments, 1)
		if short == nil {
			continue
		}
		folded++
		whole, err := wholeWrap(segments, 1)
		if err != nil {
			t.Fatal(err)
		}
		if math.Abs(short.Radius-whole.Radius) > 2*barrierEnd {
			t.Errorf("%v: a radius of %.7f, with each segment looked at %.7f", segments, short.Radius, whole.Radius)
		}
		turn := 0.0
		for i, s := range segments {
			x, y := short.Joints[i], short.Joints[(i+1)%len(segments)]
			near, _ := nearest(x*x, y*y, s.Length)
			if gap := math.Sqrt(near) - short.Radius - s.Reach; math.Abs(gap-short.Gaps[i]) > 1e-9 || gap < -keptClear {
				t.Fatalf("segment %d of %v stays %v off the circle, said %v", i, segments, gap, short.Gaps[i])
			}
			if off := short.Sweeps[i] - math.Acos(cosine(x*x, y*y, s.Length)); math.Abs(off) > 1e-9 {
				t.Fatalf("segment %d of %v sweeps %v more than between its hinges", i, segments, off)
			}
			turn += short.Sweeps[i]
		}
		if math.Abs(turn-2*math.Pi) > 1e-5 {
			t.Errorf("%v: it turns by %v", segments, turn)
		}
	}
}

// A side that takes much of the ring, and what stands up high: runs beside them are bridged,
// or lie beyond the centre.
func TestRingsThatAreNotRoundAreFoldedWhereTheyAre(t *testing.T) {
	r := rand.New(rand.NewPCG(77, 5))
	folded, whole := 0, 0
	for range trials(1500, 600) {
		segments := longRuns(r)
		if r.IntN(2) == 0 {
			sum := 0.0
			for _, s := range segments {
				sum += s.Length
			}
			segments[0].Length = sum * (0.1 + 0.85*r.Float64())
		} else {
			segments[r.IntN(len(segments))].Reach += 30 * r.Float64()
		}
		if foldsOf(segments) == nil || !closes(segments, 1) {
			continue
		}
		short := foldedWrap(segments, 1)
		if short == nil {
			whole++
			continue
		}
		folded++
		if l, err := wholeWrap(segments, 1); err == nil && math.Abs(short.Radius-l.Radius) > 2*accepted {
			t.Fatalf("%v: a radius of %.6f, with each segment looked at %.6f", segments, short.Radius, l.Radius)
		}
	}
	if folded < 50 || whole < 50 {
		t.Errorf("%d were folded, %d not", folded, whole)
	}
}

func TestARunIsFoldedInItsMidst(t *testing.T) {
	clasp := []Segment{{12, 2}, {3, 1}}
	c := foldsOf(slices.Concat(times(30, Segment{4, 2}), clasp, times(20, Segment{4, 2})))
	// The clasp, three beads, one for 43, four beads.
	if want := []float64{1, 1, 1, 1, 1, 43, 1, 1, 1, 1}; c.first != 30 || !slices.Equal(c.copies, want) {
		t.Errorf("it begins at %d, with %v", c.first, c.copies)
	}
	if c := foldsOf(append(times(15, Segment{4, 2}), clasp...)); c == nil || c.copies[3] != 9 {
		t.Errorf("fifteen alike are folded to %v", c)
	}
	// What stands 4 mm higher bridges √(4 × (4 + 262/π)) = 18.7 mm: five beads beside it, and
	// at the other end two beyond the clasp between.
	c = foldsOf(slices.Concat(times(60, Segment{4, 2}), []Segment{{10, 6}, {12, 1}}))
	if want := slices.Concat(slices.Repeat([]float64{1}, 5), []float64{47}, slices.Repeat([]float64{1}, 10)); !slices.Equal(c.copies, want) {
		t.Errorf("beside what is high at one end it is folded to %v", c.copies)
	}
	for name, segments := range map[string][]Segment{
		"fourteen alike":      append(times(14, Segment{4, 2}), clasp...),
		"never two alike":     times(60, Segment{4, 2}, Segment{4, 1}),
		"beside what is high": slices.Concat(times(24, Segment{4, 2}), []Segment{{30, 14}}),
	} {
		if c := foldsOf(segments); c != nil {
			t.Errorf("%s: folded to %v", name, c.copies)
		}
	}
}

// Small segments between large ones that stand up beyond both their ends lie nowhere on the
// circle; nor does a ring fold round a side that takes more than a quarter of it.
func TestWhatDoesNotLieOnTheCircleIsNotFolded(t *testing.T) {
	clear := slices.Concat(times(60, Segment{1, 0.1}), []Segment{{4, 2}}, times(60, Segment{1, 0.1}), []Segment{{4, 2}})
	if foldedWrap(clear, 1) == nil {
		t.Error("runs that lie on the circle are not folded")
	}
	for name, segments := range map[string][]Segment{
		"bridged":     slices.Concat(times(40, Segment{1, 0.1}), []Segment{{4, 12}}, times(40, Segment{1, 0.1}), []Segment{{4, 12}}),
		"a long side": append(times(60, Segment{2, 1}), Segment{60, 1}),
	} {
		if foldedWrap(segments, 1) != nil {
			t.Errorf("%s: folded", name)
		}
		if _, err := Tightest(segments); err != nil {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func TestAFoldedRingIsTheSameEitherWayAndWhereverItBegins(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 11))
	for range trials(100, 20) {
		segments := longRuns(r)
		one, err := Tightest(segments)
		if err != nil {
			t.Fatal(err)
		}
		cut := r.IntN(len(segments))
		turned := slices.Concat(segments[cut:], segments[:cut])
		back := slices.Clone(segments)
		slices.Reverse(back)
		for name, other := range map[string][]Segment{"turned": turned, "backwards": back} {
			if w, err := Tightest(other); err != nil || math.Abs(w.Radius-one.Radius) > 2*barrierEnd {
				t.Errorf("%s: %v against %.7f, %v", name, w, one.Radius, err)
			}
		}
	}
}
