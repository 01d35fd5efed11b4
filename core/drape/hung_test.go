package drape

import (
	"math"
	"testing"

	"mala/core/statics"
)

func near(t *testing.T, name string, got, want, within float64) {
	t.Helper()
	if !(math.Abs(got-want) <= within) {
		t.Errorf("%s = %.4f, want %.4f", name, got, want)
	}
}

func hung(t *testing.T, parts []statics.Part, width float64) *statics.Hanging {
	t.Helper()
	h, err := statics.Hang(parts, width)
	if err != nil {
		t.Fatal(err)
	}
	return h
}

// sag is that of a fine chain between two supports, which statics holds to a catenary.
func sag(t *testing.T, length, width float64) float64 {
	t.Helper()
	depth, _ := hung(t, fine(length, 1, 3000), width).Lowest()
	return depth
}
