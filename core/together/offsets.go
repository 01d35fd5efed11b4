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

// TouchingStep is how much longer than row k the next one must be to lie beside it and nowhere on it,
// in mm, row k being longer than the first by so much: both as evenly weighed strands between the
// neck's sides. At that step the check of rows that cross is quiet. Of a piece that lies flat it is
// nothing.
func TouchingStep(m *measure.Measured, k int, longer length.MM) length.MM {
	rows := drape.Rows(m)
	if rows == nil {
		return 0
	}
	front := float64(m.Leading().Finished()+longer) - math.Pi*rows[0].Width/2
	rows = drape.Main(m, rows)
	upper := hung(front, rows[k].Width)
	if upper == nil {
		return 0
	}
	need, atFront := float64(m.Main()[k].Width()+m.Main()[k+1].Width())/2, drape.AtFront(rows[k], rows[k+1])
	depth, _ := upper.Lowest()
	low, high := 0.0, mostStep
	for high-low > found {
		mid := (low + high) / 2
		lower := hung(front+mid, rows[k+1].Width)
		if lower != nil && beside(upper, lower, depth+atFront, need) {
			high = mid
		} else {
			low = mid
		}
	}
	return length.MM(math.Ceil(high*100) / 100)
}

// beside says whether a row hangs so deep at the front, and comes nowhere so near to another that it lies on it.
func beside(upper, lower *statics.Hanging, depth, need float64) bool {
	if deep, _ := lower.Lowest(); deep < depth {
		return false
	}
	least := drape.LiesOn * need
	for _, p := range lower.Joints {
		for _, q := range upper.Joints {
			if math.Hypot(p.X-q.X, p.Y-q.Y) < least {
				return false
			}
		}
	}
	return true
}

// hung is an even strand between the neck's sides; nil where it does not reach across.
func hung(front, width float64) *statics.Hanging {
	parts := make([]statics.Part, fineParts)
	for i := range parts {
		parts[i] = statics.Part{Length: front / fineParts, Weight: 1, At: front / fineParts / 2}
	}
	hanging, err := statics.Hang(parts, width)
	if err != nil {
		return nil
	}
	return hanging
}
