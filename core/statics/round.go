package statics

import "math"

// Round lays parts end to end on a circle that passes through both supports, hanging below
// them: how a loop is shown that no lie was found for. Parts that do not reach across lie
// straight.
func Round(parts []Part, width float64) []Point {
	whole, longest := 0.0, width
	for _, p := range parts {
		whole, longest = whole+p.Length, max(longest, p.Length)
	}
	points := []Point{{X: -width / 2}}
	if whole <= width || whole+width <= 2*longest {
		for i, p := range parts {
			points = append(points, Point{X: points[i].X + width*p.Length/whole})
		}
		return points
	}
	half := func(chord, radius float64) float64 { return math.Asin(min(1, chord/(2*radius))) }
	turn := func(radius float64) float64 {
		sum := 0.0
		for _, p := range parts {
			sum += half(p.Length, radius)
		}
		return sum
	}
	// Below the supports lies more than half of the circle, or less.
	low, high := longest/2, longest/2+whole*whole/width
	wide := turn(low)+half(width, low) >= math.Pi
	for range 100 {
		mid := (low + high) / 2
		more := turn(mid) > half(width, mid)
		if wide {
			more = turn(mid)+half(width, mid) > math.Pi
		}
		if more {
			low = mid
		} else {
			high = mid
		}
	}
	middle := math.Sqrt(max(0, low*low-width*width/4))
	at := half(width, low)
	if wide {
		at = math.Pi - at
	} else {
		middle = -middle
	}
	for _, p := range parts {
		at -= 2 * half(p.Length, low)
		points = append(points, Point{X: -low * math.Sin(at), Y: middle + low*math.Cos(at)})
	}
	return points
}
