package papers

import (
	"math"
	"strings"

	"mala/desk"
	"mala/format"
)

var metals = map[string]colour{"brass": {184, 146, 58}, "copper": {180, 103, 62}, "silver": {170, 173, 180}, "steel": {141, 144, 150}, "gold": {201, 162, 74}}

func metalOf(m *format.Material) colour {
	for name, c := range metals {
		if strings.Contains(strings.ToLower(m.Metal), name) {
			return c
		}
	}
	return colour{150, 147, 143}
}

func lookOf(m *format.Material) colour {
	if m.Look != nil && m.Look.Colour != "" {
		return colourOf(m.Look.Colour)
	}
	if m.Metal != "" {
		return metalOf(m)
	}
	return colour{178, 170, 158}
}

// silhouette is a bead from the side, its hole along x: at each height the farthest point of
// a face at that radius or beyond, since a hollow is hidden by its own rim.
func silhouette(o *desk.Outline, turned bool) path {
	left, right := seen(o.Left), seen(o.Right)
	if turned {
		left, right = right, left
	}
	var p path
	for i := len(left) - 1; i >= 0; i-- {
		at(&p, -left[i][1], -left[i][0])
	}
	for _, q := range left {
		at(&p, -q[1], q[0])
	}
	for i := len(right) - 1; i >= 0; i-- {
		at(&p, right[i][1], right[i][0])
	}
	for _, q := range right {
		at(&p, q[1], -q[0])
	}
	p.close()
	return p
}

func at(p *path, x, y float64) {
	if len(*p) == 0 {
		p.move(x, y)
		return
	}
	p.line(x, y)
}

func seen(face [][2]float64) [][2]float64 {
	out := make([][2]float64, len(face))
	farthest := math.Inf(-1)
	for i := len(face) - 1; i >= 0; i-- {
		farthest = max(farthest, face[i][1])
		out[i] = [2]float64{face[i][0], farthest}
	}
	return out
}

// bead draws a bead, a charm or a component round the middle of its cord, which runs along x.
func bead(k ink, m *format.Material, o *desk.Outline, x, y float64, turned bool) {
	switch {
	case o == nil:
		return
	case len(o.Seats) > 0:
		for _, s := range o.Seats {
			seat(k, m, o, s, x, y)
		}
	case m.Shape == "charm":
		charm(k, m, x, y)
	default:
		if off := float64(m.HoleOffMm); off != 0 && (m.HoleTo == "" || m.HoleTo == "top") {
			y += off // the heavier side hangs down
		}
		body(k, m, silhouette(o, turned).turned(0, x, y), o, x, y)
	}
}

// body fills an outline and lets light fall on it.
func body(k ink, m *format.Material, p path, o *desk.Outline, x, y float64) {
	c := lookOf(m)
	k.draw(p, filled(c))
	up, wide := o.Left[len(o.Left)-1][0], 0.0
	for _, q := range o.Right {
		wide = max(wide, q[1])
	}
	light := c.to(white, 0.55)
	if up > 0.7 && wide > 0.5 {
		k.draw(ellipse(x-wide*0.3, y-up*0.42, wide*0.26, up*0.17), style{fill: &light})
	}
}

func charm(k ink, m *format.Material, x, y float64) {
	drop, half := float64(m.DropMm), max(float64(m.AcrossMm)/2, 1.5)
	if drop <= 0 {
		drop = 2 * half
	}
	ring := min(1.5, drop/5)
	k.draw(ellipse(x, y+ring, ring, ring), stroke(metalOf(m), 0.5))
	k.draw(ellipse(x, y+ring*2+(drop-ring*2)/2, min(half, drop/2.4), (drop-ring*2)/2), filled(lookOf(m)))
}

func seat(k ink, own *format.Material, o *desk.Outline, s desk.SeatDrawn, x, y float64) {
	m, outline := own, (*desk.Outline)(nil)
	if s.Of >= 0 && s.Of < len(o.Looks) {
		m, outline = &o.Looks[s.Of].Material, o.Looks[s.Of].Outline
	}
	x, y = x+s.X, y+s.Y
	long, wide, wire := float64(s.LongMm), float64(s.WideMm), max(float64(s.WireMm), 0.3)
	put := func(p path, st style) { k.draw(p.turned(s.Angle, x, y), st) }
	switch s.Role {
	case "ring", "loop":
		across := wide/2 + wire/2
		if s.EdgeOn {
			across = wire * 0.6
		}
		put(ellipse(0, 0, across, long/2+wire/2), stroke(metalOf(m), wire))
	case "stem":
		put(line(0, -long/2, 0, long/2), stroke(metalOf(m), max(wide, 0.3)))
	case "bead":
		if outline != nil {
			turn := math.Pi / 2
			k.draw(silhouette(outline, s.Turned).turned(s.Angle+turn, x, y), filled(lookOf(m)))
			light := lookOf(m).to(white, 0.55)
			up := outline.Left[len(outline.Left)-1][0]
			k.draw(ellipse(x-up*0.35, y-long*0.15, up*0.2, long*0.13), style{fill: &light})
		}
	case "head":
		put(ellipse(0, 0, max(wide/2, 0.4), max(long/2, 0.4)), filled(metalOf(m)))
	case "charm":
		put(ellipse(0, 0, min(long/2.4, max(wide/2, float64(m.AcrossMm)/2, 1)), long/2), filled(lookOf(m)))
	case "coil":
		for i := range 5 {
			put(line(-long/2+long*float64(i)/4, -wide/2, -long/2+long*float64(i)/4, wide/2), stroke(metalOf(m), wire))
		}
	case "tassel":
		for i := range 9 {
			off := (float64(i) - 4) / 4
			put(line(off*0.6, -long/2, off*wide/2, long/2), stroke(lookOf(m), 0.35))
		}
	}
}

// findingSize is how long the stretch is that finding draws a thing along, by itself, and how
// high it then is. Of a ring it is its inside, of an extender all its links.
func findingSize(m *format.Material) (long, tall float64) {
	wire := max(float64(m.WireMm), 0.5)
	switch roles[string(m.Type)] {
	case "ring":
		return float64(m.InsideMm), float64(m.InsideMm) + 2*wire
	case "extender", "chain":
		inside := max(float64(m.InsideMm), 1.5)
		return inside * float64(max(m.Links, 5)), inside*0.72 + wire
	case "connector":
		return float64(max(m.LengthMm, 2)), max(float64(m.OutsideMm), acrossHoles(m))
	case "guard":
		long = float64(max(m.LengthMm, m.InsideMm+2*m.WireMm, 2))
		return long, max(long*0.6, 1.2) + 0.35
	case "":
		long = float64(max(m.LengthMm, m.ClosedMm, m.InsideMm+2*m.WireMm, 2))
		if m.Type == "toggle" {
			long = max(float64(m.RingEyeMm), 1) + 2*wire + max(float64(m.RingInsideMm), 4)
		}
		return long, max(long*0.75+wire, acrossHoles(m), float64(m.OutsideMm), float64(m.BarMm+m.BarThicknessMm), float64(m.RingInsideMm)+2*wire)
	}
	return float64(max(m.LengthMm, m.ClosedMm, m.InsideMm+2*m.WireMm, 2)), max(float64(m.OutsideMm), float64(m.InsideMm+2*m.WireMm))
}

// finding draws a finding along x, from one point to another; out is the side it points to.
func finding(k ink, role string, m *format.Material, from, to, y float64) {
	c := metalOf(m)
	lo, hi := min(from, to), max(from, to)
	mid, half := (lo+hi)/2, (hi-lo)/2
	wire := max(float64(m.WireMm), 0.5)
	tall := float64(m.OutsideMm) / 2
	if tall <= 0 {
		tall = 1.2
	}
	switch role {
	case "crimp", "cover", "cord-end", "fold-over", "cone-end":
		k.draw(box(lo, y-tall, hi, y+tall), filled(c))
	case "pin":
		k.draw(line(lo, y, hi, y), stroke(c, wire))
		if inside := float64(m.InsideMm); inside > 0 {
			k.draw(ellipse(lo-inside/2, y, inside/2+wire/2, inside/2+wire/2), stroke(c, wire))
		} else {
			k.draw(line(lo, y-max(tall, wire), lo, y+max(tall, wire)), stroke(c, wire))
		}
	case "ring":
		k.draw(ellipse(mid, y, half+wire/2, half+wire/2), stroke(c, wire))
	case "guard", "loop":
		k.draw(ellipse(mid, y, half, max(half*0.6, 0.6)), stroke(c, 0.35))
	case "chain", "extender":
		inside := max(float64(m.InsideMm), 1.5)
		n := max(1, int(math.Round((hi-lo)/inside)))
		for i := range n {
			each := (hi - lo) / float64(n)
			flat := each * 0.36
			if i%2 == 1 {
				flat = wire * 0.5
			}
			k.draw(ellipse(lo+each*(float64(i)+0.5), y, each/2+wire/3, flat), stroke(c, wire*0.7))
		}
	case "connector":
		tall = max(tall, acrossHoles(m)/2)
		k.draw(box(mid-max(half, 1), y-tall, mid+max(half, 1), y+tall), filled(c))
	case "bar":
		k.draw(box(lo-1, y-tall, hi+1, y+tall), filled(c))
		for _, x := range []float64{lo, hi} {
			k.draw(ellipse(x, y, max(float64(m.InsideMm), 1)/2, max(float64(m.InsideMm), 1)/2), style{fill: &white, line: c, width: 0.12})
		}
	default:
		clasp(k, role, m, from, to, y)
	}
}
