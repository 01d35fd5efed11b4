package together

import (
	"math"

	"mala/core/drape"
	"mala/core/length"
	"mala/core/measure"
	"mala/core/statics"
)

// offsets is how much longer than the first row each is to be.
func offsets(m *measure.Measured, goal Goal, step length.MM) []length.MM {
	out := make([]length.MM, len(m.Main()))
	for k := range out[1:] {
		switch goal {
		case Step:
			out[k+1] = out[k] + step
		case Touching:
			out[k+1] = out[k] + TouchingStep(m, k, out[k])
		}
	}
	return out
}

// The search for the step at which rows touch: how finely a row is cut up, and within
// what it is found, in mm.
const (
	fineParts = 400
	found     = 0.01
	mostStep  = 400.0
)

// TouchingStep is how much longer than row k the next one must be to touch it at the
// front, in mm, row k being longer than the first by so much: both as evenly weighed
// strands between the neck's sides. Of a piece that lies flat it is nothing.
func TouchingStep(m *measure.Measured, k int, longer length.MM) length.MM {
	rows := drape.Rows(m)
	if rows == nil {
		return 0
	}
	front := float64(m.Leading().Finished()+longer) - math.Pi*rows[0].Width/2
	rows = drape.Main(m, rows)
	upper, ok := sag(front, rows[k].Width)
	if !ok {
		return 0
	}
	need := upper + float64(m.Main()[k].Width()+m.Main()[k+1].Width())/2
	low, high := 0.0, mostStep
	for high-low > found {
		mid := (low + high) / 2
		if depth, ok := sag(front+mid, rows[k+1].Width); ok && depth >= need {
			high = mid
		} else {
			low = mid
		}
	}
	return length.MM(math.Round(high*100) / 100)
}

// sag is how deep an even strand hangs between the neck's sides.
func sag(front, width float64) (float64, bool) {
	parts := make([]statics.Part, fineParts)
	for i := range parts {
		parts[i] = statics.Part{Length: front / fineParts, Weight: 1, At: front / fineParts / 2}
	}
	hanging, err := statics.Hang(parts, width)
	if err != nil {
		return 0, false
	}
	depth, _ := hanging.Lowest()
	return depth, true
}
