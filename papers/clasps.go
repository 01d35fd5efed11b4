package papers

import (
	"math"

	"mala/format"
)

// clasp draws a clasp along x from where it hangs to its outer end, as the page does.
func clasp(k ink, role string, m *format.Material, from, to, y float64) {
	c, wire := metalOf(m), max(float64(m.WireMm), 0.7)
	out, half := 1.0, (to-from)/2
	if half < 0 {
		out, half = -1, -half
	}
	half = max(half, 1)
	mid := (from + to) / 2
	eye := func(across float64) float64 { // and where it ends
		r := max(across, 1) / 2
		k.draw(ellipse(from+out*r, y, r+wire*0.3, r+wire*0.3), stroke(c, wire*0.7))
		return from + out*(2*r+wire)
	}
	switch {
	case role == "toggle-bar":
		bar(k, m, eye(float64(m.BarEyeMm)), y)
	case m.Type == "toggle":
		ring := max(float64(m.RingInsideMm), 4) / 2
		centre := eye(float64(m.RingEyeMm)) + out*ring
		k.draw(ellipse(centre, y, ring+wire/2, ring+wire/2), stroke(c, wire))
		if role != "toggle-ring" {
			bar(k, m, centre+out*(ring-wire*0.2), y)
		}
	case m.Type == "button":
		x := to + out*buttonHalf(m)*0.55
		k.draw(line(from, y, x, y), stroke(c.to(black, 0.2), 0.7))
		button(k, m, x, y)
	case m.Type == "magnetic" || m.Type == "slide":
		k.draw(ellipse(from+out*half*0.15, y, half*0.2, half*0.2), stroke(c, wire*0.7))
		a, b := from+out*half*0.3, to-out*half*0.3
		up := max(half*0.5, acrossHoles(m)/2)
		k.draw(box(min(a, b), y-up, max(a, b), y+up), filled(c))
		k.draw(line(mid, y-up, mid, y+up), stroke(c.to(black, 0.5), 0.2))
	case m.Type == "hook" || m.Type == "s-hook":
		var p path
		p.move(from, y)
		p.curve(mid, y-half*0.5, to+out*half*0.2, y-half*0.9, to, y)
		p.curve(to-out*half*0.1, y+half*0.7, mid, y+half*0.7, mid, y+half*0.1)
		k.draw(p, stroke(c, wire*1.1))
	default:
		lobster(k, c, from, to, y, wire)
	}
}

// lobster draws a lobster or a spring ring: a body with its tongue, and the eye it hangs by.
func lobster(k ink, c colour, from, to, y, wire float64) {
	half := (to - from) / 2 // less than 0 to the left
	high := math.Abs(half)
	k.draw(ellipse(from+half*0.22, y, high*0.22+wire/2, high*0.22+wire/2), stroke(c, wire*0.8))
	var body, tongue path
	body.move(from+half*0.5, y)
	body.curve(from+half*0.7, y-high*0.85, to+half*0.15, y-high*0.8, to, y-wire*0.2)
	k.draw(body, stroke(c, wire*1.7))
	tongue.move(from+half*0.5, y)
	tongue.curve(from+half*0.8, y+high*0.6, to-half*0.3, y+high*0.62, to, y+wire*0.3)
	k.draw(tongue, stroke(c.to(black, 0.15), wire*1.2))
}

// acrossHoles is how wide a part with a hole for each row is across the rows; 0 of one without.
func acrossHoles(m *format.Material) float64 {
	if m.Holes < 2 {
		return 0
	}
	return float64(m.Holes-1)*float64(m.SpacingMm) + 3
}

func buttonHalf(m *format.Material) float64 { return max(float64(m.OutsideMm), 4) / 2 }

// button draws a button from its face.
func button(k ink, m *format.Material, x, y float64) {
	r := buttonHalf(m)
	k.draw(ellipse(x, y, r, r), filled(lookOf(m)))
	k.draw(ellipse(x, y, r*0.72, r*0.72), stroke(lookOf(m).to(black, 0.15), 0.2))
}

// bar draws the bar of a toggle across the cord.
func bar(k ink, m *format.Material, x, y float64) {
	half := max(float64(m.BarMm), 6) / 2
	k.draw(line(x, y-half, x, y+half), stroke(metalOf(m), max(float64(m.BarThicknessMm), 1)))
}
