package measure

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"
)

// evenBelly is how deep an odd number of bars of one length and weight hangs below its two
// ends, by a plain search: the n-th bar from the middle falls by n loads over the pull.
func evenBelly(n int, p, width float64) float64 {
	across := func(pull float64) (x, y float64) {
		for k := 1; k <= n/2; k++ {
			x += 2 * p * math.Cos(math.Atan(float64(k)/pull))
			y += p * math.Sin(math.Atan(float64(k)/pull))
		}
		return x + p, y
	}
	low, high := 1e-9, 1e9
	for range 300 {
		mid := math.Sqrt(low * high)
		if x, _ := across(mid); x < width {
			low = mid
		} else {
			high = mid
		}
	}
	_, y := across(low)
	return y
}

func TestALoopMeasured(t *testing.T) {
	_, plain := fringe(t, "13B")
	m, s := fringe(t, "6B B[21S] 6B")
	cord := float64(s.Row.Cord.Cord.Diameter)
	d := s.Beads[6].Drop
	strung := 21 * 2.1
	through := math.Sqrt(36 - 1)
	if d == nil || math.Abs(float64(d.Strung)-strung) > 1e-9 || math.Abs(float64(d.Path)-strung-through) > 1e-9 || d.Short() {
		t.Fatalf("%+v", d)
	}
	if want := evenBelly(21, 2.1, through+cord) + 3.1/2; math.Abs(float64(d.Deep)-want) > 1e-4 {
		t.Errorf("%v deep, want %v", d.Deep, want)
	}
	// Cord leaves on both sides of its bead, and the strand grows by both.
	if got := float64(s.Strung - plain.Strung); math.Abs(got-2*cord) > 1e-9 {
		t.Errorf("the strand grows by %v, want %v", got, 2*cord)
	}
	if got := float64(s.CutLength()-plain.CutLength()) - float64(s.Slack-plain.Slack); math.Abs(got-float64(d.Path)-2*cord) > 1e-6 {
		t.Errorf("it takes %v of cord, its path is %v", got, d.Path)
	}
	found := map[string]int{}
	for _, c := range m.Tally {
		found[c.Material.ID] = c.Count
	}
	if found["S"] != 21 || found["B"] != 13 || s.Count() != 34 {
		t.Errorf("counted %v, %d beads", found, s.Count())
	}
	// Drop below it: a heavy bead in the middle pulls it to a V, and hangs lower.
	_, heavy := fringe(t, "6B B[10S T 10S] 6B")
	if heavy.Beads[6].Drop.Deep <= d.Deep {
		t.Errorf("with a tube in the middle only %v deep", heavy.Beads[6].Drop.Deep)
	}
}

// A loop that does not reach round its bead shows its cord: it is cut for, and never less
// deep than the bead.
func TestALoopTooShortTakesTheWayRound(t *testing.T) {
	_, s := fringe(t, "3B B[2S] 3B")
	d := s.Beads[3].Drop
	if !d.Short() || math.Abs(float64(d.Path-d.Round)-math.Sqrt(35)) > 1e-9 || d.Deep < 3 || d.Deep > 8 {
		t.Errorf("%+v", d)
	}
	if _, s = fringe(t, "3B B[5S] 3B"); s.Beads[3].Drop.Short() {
		t.Error("10.5 of beads reach round 8.42")
	}
}

// Loops in loops and drops in them: every bead counted, every path cut for, and the same
// from both ends.
func TestRandomLoopsBothWays(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 80))
	var loop func(level int) (text, back string, beads int)
	loop = func(level int) (string, string, int) {
		var items, turned []string
		count := 1
		for range 1 + r.IntN(9) {
			key := string("SBT"[r.IntN(3)])
			one, other, n := key, key, 1
			if level < 3 && r.IntN(8) == 0 {
				one, other, n = loop(level + 1)
			} else if level < 3 && r.IntN(8) == 0 {
				one, other, n = "[2S . B]", "[2S . B]", 3
			}
			items, turned, count = append(items, one), append([]string{other}, turned...), count+n
		}
		through := string("BT"[r.IntN(2)])
		text := through + "[" + strings.Join(items, " ") + "]"
		return text, through + "[" + strings.Join(turned, " ") + "]", count
	}
	for range 80 {
		text, back, beads := loop(1)
		p := fringed(t, "B S "+text+" T B")
		m := measured(t, p)
		s := m.Strands[0]
		if s.Count() != beads+4 {
			t.Fatalf("%s: %d beads, want %d", text, s.Count(), beads+4)
		}
		for name, line := range map[string]string{"written back": "B T " + back + " S B", "reversed": "~(B S " + text + " T B)"} {
			_, other := fringe(t, line)
			a, b := s.Beads[2].Drop, other.Beads[2].Drop
			if math.Abs(float64(s.Strung-other.Strung)) > 1e-9 || math.Abs(float64(a.Deep-b.Deep)) > 1e-3 || math.Abs(float64(a.Path-b.Path)) > 1e-9 {
				t.Fatalf("%s %s: %v and %v long, %v and %v deep, %v and %v of cord", text, name, s.Strung, other.Strung, a.Deep, b.Deep, a.Path, b.Path)
			}
		}
		if a := s.Beads[2].Drop; math.IsNaN(float64(a.Deep)) || a.Deep < a.Through.Material.Bead.Across/2-1e-9 || a.Path < a.Strung {
			t.Fatalf("%s: %+v", text, a)
		}
	}
}

func TestALoopOnARing(t *testing.T) {
	parts := []string{"B", "S", "B[6S]", "T", "T[3S B 3S]"}
	first := 0.0
	for turn := range parts {
		m := onElastic(t, fringed(t, strings.Join(append(append([]string{}, parts[turn:]...), parts[:turn]...), " ")), 0.5)
		if turn == 0 {
			first = float64(m.Strands[0].Strung)
		}
		if math.Abs(float64(m.Strands[0].Strung)-first) > 1e-9 {
			t.Errorf("turned by %d: %v, want %v", turn, m.Strands[0].Strung, first)
		}
	}
}

func TestNoMoreHangInLoopsThanAStrandMayHave(t *testing.T) {
	if _, err := Measure(fringed(t, fmt.Sprintf("%dB[400S]", 25))); err == nil || !strings.Contains(err.Error(), "More than 10000 beads hang") {
		t.Errorf("%v", err)
	}
	if _, s := fringe(t, "24B[400S]"); s.Count() != 24*401 {
		t.Errorf("%d beads", s.Count())
	}
}
