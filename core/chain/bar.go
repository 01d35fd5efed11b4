package chain

import "math"

// bar is one segment's geometry to the second order in the squared distances of
// its two hinges.
type bar struct {
	sweep, clear  float64
	sx, sy        float64 // of the sweep
	sxx, sxy, syy float64
	cx, cy        float64 // of the clearance
	cxx, cxy, cyy float64
}

// at works the bar out between hinges at these squared distances, whose reciprocals
// are given as well; false if there is no such bar.
func (b *bar) at(x, y, iu, iv float64, seg Segment, rounded float64) bool {
	square := seg.Length * seg.Length
	ix, iy, iroot := iu*iu, iv*iv, iu*iv
	c := (x + y - square) * iroot / 2
	if c >= 1 || c <= -1 {
		return false
	}
	var near, t, curve float64
	switch across := x - y; {
	case rounded > 0:
		near, t, curve = nearestRounded(x, y, seg.Length, rounded*(square+roundLeast))
	case across <= -square:
		near = x
	case across >= square:
		near, t = y, 1
	default:
		curve = 0.5 / square
		t = 0.5 + across*curve
		near = x - t*t*square
	}
	if near <= 0 {
		return false
	}
	h := math.Sqrt(near)
	b.clear = h - seg.Reach
	ih := 0.5 / h
	mx, my := 1-t, t
	b.cx, b.cy = mx*ih, my*ih
	bend, ih3 := curve*ih, 2*ih*ih*ih
	b.cxx, b.cxy, b.cyy = -bend-mx*mx*ih3, bend-mx*my*ih3, -bend-my*my*ih3

	half := 0.5 * iroot
	dx, dy := half-c*ix/2, half-c*iy/2
	dxx := (-half - dx + c*ix) * ix / 2
	dyy := (-half - dy + c*iy) * iy / 2
	dxy := -(half*iy + dy*ix) / 2
	isine := 1 / math.Sqrt(1-c*c)
	cube := c * isine * isine * isine
	b.sweep = angleOf(c)
	b.sx, b.sy = -dx*isine, -dy*isine
	b.sxx, b.sxy, b.syy = -dxx*isine-cube*dx*dx, -dxy*isine-cube*dx*dy, -dyy*isine-cube*dy*dy
	return true
}

// angleOf is the angle of this cosine. Most segments take a small one, whose half
// angle is a short series in its sine: to 1e-14 below a sine of 0.2.
func angleOf(c float64) float64 {
	square := (1 - c) / 2
	if square > 0.04 {
		return math.Acos(c)
	}
	const a, b, d, e, f, g, h = 1.0 / 6, 3.0 / 40, 15.0 / 336, 105.0 / 3456, 945.0 / 42240, 10395.0 / 599040, 135135.0 / 9676800
	return 2 * math.Sqrt(square) * (1 + square*(a+square*(b+square*(d+square*(e+square*(f+square*(g+square*h)))))))
}

// nearestRounded is nearest with its corners rounded off, where the nearest point
// runs onto a hinge: the least of (1-t)x + ty - t(1-t)p² - σ(log t + log(1-t)), and
// its curvature. It tends to nearest as σ, in mm², tends to 0.
func nearestRounded(x, y, p, sigma float64) (square, at, curve float64) {
	slope := func(t float64) float64 { return y - x - (1-2*t)*p*p - sigma/t + sigma/(1-t) }
	lo, hi := 0.0, 1.0
	t := min(0.999, max(0.001, (x-y+p*p)/(2*p*p)))
	for range 100 {
		f := slope(t)
		if f > 0 {
			hi = t
		} else {
			lo = t
		}
		next := t - f/(2*p*p+sigma/(t*t)+sigma/((1-t)*(1-t)))
		if !(next > lo && next < hi) {
			next = (lo + hi) / 2
		}
		if math.Abs(next-t) < 1e-15 {
			break
		}
		t = next
	}
	square = (1-t)*x + t*y - t*(1-t)*p*p - sigma*(math.Log(t)+math.Log1p(-t))
	return square, t, 1 / (2*p*p + sigma/(t*t) + sigma/((1-t)*(1-t)))
}

// concave drops the part of a symmetric 2 by 2 matrix that curves upwards.
func concave(a, b, d float64) (float64, float64, float64) {
	if a <= 0 && d <= 0 && a*d >= b*b {
		return a, b, d
	}
	mean, half := (a+d)/2, (a-d)/2
	r := math.Sqrt(half*half + b*b)
	high, low := mean+r, mean-r
	if high <= 0 {
		return a, b, d
	}
	if low >= 0 {
		return 0, 0, 0
	}
	// What is left is low times the projection on its eigenvector.
	if r == 0 {
		return 0, 0, 0
	}
	c2, s2 := -half/r, -b/r // cosine and sine of twice its angle
	return low * (1 + c2) / 2, low * s2 / 2, low * (1 - c2) / 2
}
