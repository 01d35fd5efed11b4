package measure

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"mala/core/length"
)

// The shortest and the longest order are those of all orders, each measured by itself.
func TestAnyOrderAgainstAllOrders(t *testing.T) {
	random := rand.New(rand.NewPCG(2, 13))
	letters := []string{"R", "P", "B"}
	freePiece := func(line string, ring bool) *Measured {
		p := strung(t, line)
		if ring {
			p = stretch(t, line)
		}
		m, err := Measure(p)
		if err != nil {
			t.Fatal(err)
		}
		return m
	}
	for round := range 80 {
		var loose []string
		for range 2 + random.IntN(4) {
			loose = append(loose, letters[random.IntN(3)])
		}
		before, behind := strings.Repeat("P ", random.IntN(2)), strings.Repeat(" T", random.IntN(2))
		m := freePiece(before+"?("+strings.Join(loose, " ")+")"+behind, round%2 == 0)
		got, err := m.Free(m.Leading())
		if err != nil || len(got) != 1 || got[0].Count != len(loose) || got[0].About {
			t.Fatalf("%v: %+v, %v", loose, got, err)
		}
		least, most := length.MM(math.Inf(1)), length.MM(math.Inf(-1))
		orders(loose, func(order []string) {
			l := freePiece(before+strings.Join(order, " ")+behind, round%2 == 0).Leading().Strung
			least, most = min(least, l), max(most, l)
		})
		if math.Abs(float64(got[0].Least-least)) > 1e-6 || math.Abs(float64(got[0].Most-most)) > 1e-6 {
			t.Errorf("%s?(%v)%s: %v to %v, all orders give %v to %v", before, loose, behind, got[0].Least, got[0].Most, least, most)
		}
	}
}

func orders(of []string, do func([]string)) {
	var walk func(n int)
	walk = func(n int) {
		if n == len(of) {
			do(of)
			return
		}
		for i := n; i < len(of); i++ {
			of[n], of[i] = of[i], of[n]
			walk(n + 1)
			of[n], of[i] = of[i], of[n]
		}
	}
	walk(0)
}
