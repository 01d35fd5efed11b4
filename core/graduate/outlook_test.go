package graduate

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"mala/core/length"
	"mala/core/piece"
)

// The lower envelope gives what trying every place gives.
func TestNearestIsTheLeastOfAllPlaces(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	for range 300 {
		values := make([]int32, 1+r.IntN(12))
		for i := range values {
			if values[i] = int32(r.IntN(60)); r.IntN(4) == 0 {
				values[i] = never
			}
		}
		shift, places := r.IntN(9)-4, 1+r.IntN(14)
		got := make([]int32, places)
		nearest(values, shift, func(n int, value int32) { got[n] = value }, places)
		for n := range got {
			want := int32(never)
			for k, v := range values {
				if d := int32(n + shift - k); v < never {
					want = min(want, v+d*d)
				}
			}
			if got[n] != want {
				t.Fatalf("%v from %d: place %d is %d, want %d", values, shift, n, got[n], want)
			}
		}
	}
}

// What lies behind a count is never rougher than the outlook says, and no smoother than with a
// bin more for each rung: against every count there is.
func TestTheOutlookIsNeverTooRough(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 1))
	looked := 0
	for range 25 {
		m := strands(t, 0.5+2*r.Float64(), 90+80*r.Float64())
		asked := Asked{Rows: []piece.ID{"r1"}, Ladder: []string{"B", "D", "E"}, Stock: map[string]int{"round 4": 8 + r.IntN(10), "round 6": 6 + r.IntN(12), "round 8": 6 + r.IntN(9)}}
		ladder, why := ladderOf(m, &asked)
		if why != "" {
			t.Fatal(why)
		}
		rows, why := rowsOf(t.Context(), m, &asked, ladder)
		if why != "" {
			continue
		}
		one := rows[0]
		o := one.newOutlook()
		if o.wide != float64(one.target.Tolerance+around) || o.bin != finest {
			t.Fatalf("%v wide, bins of %v", o.wide, o.bin)
		}
		var best func(i, n int, sum length.MM, wide float64) int
		best = func(i, n int, sum length.MM, wide float64) int {
			if i == len(one.ladder)-1 {
				if math.Abs(float64(sum-one.target.Finished)) <= wide {
					return 0
				}
				return never
			}
			out := never
			for next := one.low[i+1]; next <= one.ladder[i+1].most; next++ {
				out = min(out, best(i+1, next, sum+one.step[i+1]*length.MM(next), wide)+(next-n)*(next-n))
			}
			return out
		}
		least := never
		for n := one.low[0]; n <= one.ladder[0].most; n++ {
			sum := one.base + one.step[0]*length.MM(n)
			got, most, fewest := o.ahead(0, n, sum), best(0, n, sum, o.wide), best(0, n, sum, o.wide+float64(len(one.ladder)+1)*o.bin)
			if got > most || got < fewest {
				t.Errorf("behind %d: %d, want %d to %d", n, got, fewest, most)
			}
			if most < never {
				looked++
			}
			least = min(least, got)
		}
		if o.least() != least {
			t.Errorf("least %d, want %d", o.least(), least)
		}
		near, truly := one.nearestLength(), math.Inf(1)
		for a := 1; a <= one.ladder[0].most; a++ {
			for b := 1; b <= one.ladder[1].most; b++ {
				for c := 1; c <= one.ladder[2].most; c++ {
					truly = min(truly, math.Abs(float64(one.about(Counts{a, b, c})-one.target.Finished)))
				}
			}
		}
		if near < truly || near > truly+2*float64(len(one.ladder))*finest {
			t.Errorf("the nearest is %v off, told %v", truly, near)
		}
	}
	if looked < 40 {
		t.Errorf("only %d looked at", looked)
	}
}

// What one more of a size adds is what it measures, about.
func TestARowKnowsWhatEachSizeAdds(t *testing.T) {
	m := strands(t, 1, 300)
	asked := Asked{Rows: []piece.ID{"r1"}, Ladder: []string{"A", "C", "E"}, Centre: "F"}
	ladder, _ := ladderOf(m, &asked)
	rows, _ := rowsOf(t.Context(), m, &asked, ladder)
	r := rand.New(rand.NewPCG(6, 6))
	for range 60 {
		c := Counts{1 + r.IntN(20), 1 + r.IntN(12), 1 + r.IntN(9)}
		is, err := rows[0].value(c)
		if err != nil {
			t.Fatal(err)
		}
		if about := rows[0].about(c); math.Abs(float64(about-is)) > 0.6 {
			t.Errorf("%v: %v, about %v", c, is, about)
		}
	}
	for i, s := range rows[0].ladder {
		alone := slices.Repeat([]int{1}, 3)
		alone[i] = s.most
		if rows[0].about(alone) < rows[0].target.Finished {
			t.Errorf("%d of %s are not all there may be", s.most, s.key)
		}
	}
}
