package kit_test

import (
	"testing"

	"mala/core/kit"
)

func TestSparesByClass(t *testing.T) {
	rules := kit.DefaultRules()
	for _, tt := range []struct {
		of          kit.Class
		count, want int
	}{
		{kit.ClassSeed, 1, 3}, {kit.ClassSeed, 60, 3}, {kit.ClassSeed, 61, 4}, {kit.ClassSeed, 80, 4}, {kit.ClassSeed, 81, 5}, {kit.ClassSeed, 0, 0},
		{kit.ClassBead, 50, 1}, {kit.ClassBead, 51, 2}, {kit.ClassFocal, 1, 0}, {kit.ClassCrimp, 2, 1}, {kit.ClassRing, 9, 1}, {kit.ClassExtender, 2, 1}, {kit.ClassFinding, 3, 0}, {kit.ClassCord, 3, 0},
	} {
		if got := kit.Spares(rules, tt.of, tt.count); got != tt.want {
			t.Errorf("%d of %s: %d spare, want %d", tt.count, tt.of, got, tt.want)
		}
	}
}
