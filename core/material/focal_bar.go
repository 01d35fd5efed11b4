package material

import (
	"math"

	"mala/core/length"
)

// RiseRound is how far the middle of a bar of that length lies outside the line between
// its ends where it follows a circle: the sagitta, R - sqrt(R² - (length/2)²). A bar longer
// than the circle is wide cannot follow it; it then rises by all of the radius.
func RiseRound(radius float64, long length.MM) float64 {
	half := float64(long) / 2
	if half >= radius {
		return radius
	}
	return radius - math.Sqrt(radius*radius-half*half)
}
