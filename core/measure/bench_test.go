package measure

import (
	"fmt"
	"testing"

	"mala/core/length"
	"mala/core/pattern"
)

// mixed is a necklace of about this many beads of seven kinds.
func mixed(beads int) string {
	return fmt.Sprintf("<%d(40P R S T B G C 3R) 20P | G>", beads/100)
}

// The analysis of a strand, and a bare summing pass over the same beads through
// the same pointers, to hold it against.
func BenchmarkAnalysis(b *testing.B) {
	for _, beads := range []int{1000, 2000, 5000, 9900} {
		b.Run(fmt.Sprint(beads), func(b *testing.B) {
			p := strung(b, mixed(beads))
			b.ReportAllocs()
			for b.Loop() {
				if _, err := Measure(p); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

func BenchmarkBareSum(b *testing.B) {
	for _, beads := range []int{1000, 2000, 5000, 9900} {
		b.Run(fmt.Sprint(beads), func(b *testing.B) {
			m, err := Measure(strung(b, mixed(beads)))
			if err != nil {
				b.Fatal(err)
			}
			strand := m.Leading().Beads
			var sum length.MM
			for b.Loop() {
				for i := range strand {
					sum += strand[i].Material.Bead.Across
				}
			}
			if sum == 0 {
				b.Fatal("nothing summed")
			}
		})
	}
}

func BenchmarkParse(b *testing.B) {
	text := mixed(1000)
	for b.Loop() {
		if _, err := pattern.Parse(text); err != nil {
			b.Fatal(err)
		}
	}
}
