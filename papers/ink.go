package papers

import (
	"fmt"
	"math"
	"strings"
)

// colour is red, green and blue from 0 to 255.
type colour [3]int

var (
	white = colour{255, 255, 255}
	black = colour{34, 26, 40}
	grey  = colour{120, 112, 116}
	pale  = colour{226, 220, 212}
)

// colourOf reads #a0522d; what is none is grey.
func colourOf(hex string) colour {
	var c colour
	if _, err := fmt.Sscanf(hex, "#%02x%02x%02x", &c[0], &c[1], &c[2]); err != nil {
		return colour{170, 166, 160}
	}
	return c
}

func (c colour) to(other colour, part float64) colour {
	for i := range c {
		c[i] = int(math.Round(float64(c[i]) + (float64(other[i])-float64(c[i]))*part))
	}
	return c
}

// segment is a piece of a path: M and L to a point, C by two control points to a third, Z back.
type segment struct {
	do  byte
	pts [6]float64
}

// path is an outline, in millimetres, y downwards.
type path []segment

func (p *path) move(x, y float64) {
	*p = append(*p, segment{'M', [6]float64{x, y}})
}

func (p *path) line(x, y float64) {
	*p = append(*p, segment{'L', [6]float64{x, y}})
}

func (p *path) curve(x0, y0, x1, y1, x, y float64) {
	*p = append(*p, segment{'C', [6]float64{x0, y0, x1, y1, x, y}})
}

func (p *path) close() { *p = append(*p, segment{do: 'Z'}) }

// round is how far control points lie to make a quarter of a circle.
const round = 0.5522847498

func ellipse(x, y, rx, ry float64) path {
	var p path
	p.move(x+rx, y)
	p.curve(x+rx, y+ry*round, x+rx*round, y+ry, x, y+ry)
	p.curve(x-rx*round, y+ry, x-rx, y+ry*round, x-rx, y)
	p.curve(x-rx, y-ry*round, x-rx*round, y-ry, x, y-ry)
	p.curve(x+rx*round, y-ry, x+rx, y-ry*round, x+rx, y)
	p.close()
	return p
}

func box(x0, y0, x1, y1 float64) path {
	var p path
	p.move(x0, y0)
	p.line(x1, y0)
	p.line(x1, y1)
	p.line(x0, y1)
	p.close()
	return p
}

func line(x0, y0, x1, y1 float64) path {
	var p path
	p.move(x0, y0)
	p.line(x1, y1)
	return p
}

// turned is the path turned clockwise round the origin and then moved.
func (p path) turned(angle, dx, dy float64) path {
	sin, cos := math.Sincos(angle)
	out := make(path, len(p))
	for i, s := range p {
		out[i].do = s.do
		for k := 0; k < 6; k += 2 {
			out[i].pts[k] = s.pts[k]*cos - s.pts[k+1]*sin + dx
			out[i].pts[k+1] = s.pts[k]*sin + s.pts[k+1]*cos + dy
		}
	}
	return out
}

// scaled is the path larger or smaller round the origin.
func (p path) scaled(by float64) path {
	out := make(path, len(p))
	for i, s := range p {
		out[i].do = s.do
		for k := range s.pts {
			out[i].pts[k] = s.pts[k] * by
		}
	}
	return out
}

// drawn reads a path as drawings have it: M 1 2 L 3 4 C 5 6 7 8 9 10 Z, all absolute.
func drawn(text string) path {
	var out path
	fields := strings.Fields(text)
	for i := 0; i < len(fields); {
		s := segment{do: fields[i][0]}
		n := map[byte]int{'M': 2, 'L': 2, 'C': 6}[s.do]
		for k := range n {
			if _, err := fmt.Sscan(fields[i+1+k], &s.pts[k]); err != nil {
				return nil
			}
		}
		out = append(out, s)
		i += 1 + n
	}
	return out
}

// style is how a path is drawn: filled where there is a fill, and with a line where it is
// wider than nothing.
type style struct {
	fill  *colour
	line  colour
	width float64
}

func filled(c colour) style { return style{fill: &c, line: c.to(black, 0.45), width: 0.12} }

func stroke(c colour, width float64) style { return style{line: c, width: width} }

// ink is what can be drawn with, moved and cut off at a frame.
type ink interface {
	draw(p path, s style)
}

// pdfInk draws into a PDF, round an origin.
type pdfInk struct {
	pdf  *sealed
	x, y float64
}

func (k pdfInk) draw(p path, s style) {
	mode := ""
	if s.width > 0 {
		k.pdf.SetDrawColor(s.line[0], s.line[1], s.line[2])
		k.pdf.SetLineWidth(s.width)
		mode = "D"
	}
	if s.fill != nil {
		k.pdf.SetFillColor(s.fill[0], s.fill[1], s.fill[2])
		mode = "F" + mode
	}
	if mode == "" || len(p) == 0 {
		return
	}
	x, y := k.pdf.GetXY() // a path would move them
	for _, g := range p {
		q := g.pts
		for i := 0; i < 6; i += 2 {
			q[i], q[i+1] = q[i]+k.x, q[i+1]+k.y
		}
		switch g.do {
		case 'M':
			k.pdf.MoveTo(q[0], q[1])
		case 'L':
			k.pdf.LineTo(q[0], q[1])
		case 'C':
			k.pdf.CurveBezierCubicTo(q[0], q[1], q[2], q[3], q[4], q[5])
		case 'Z':
			k.pdf.ClosePath()
		}
	}
	k.pdf.DrawPath(mode)
	k.pdf.SetXY(x, y)
}

// svgInk writes the paths of an SVG, round an origin.
type svgInk struct {
	out  *strings.Builder
	x, y float64
}

func (k svgInk) draw(p path, s style) {
	var d strings.Builder
	for _, g := range p {
		d.WriteByte(g.do)
		for i := range map[byte]int{'M': 2, 'L': 2, 'C': 6}[g.do] {
			v := g.pts[i] + k.x
			if i%2 == 1 {
				v = g.pts[i] + k.y
			}
			fmt.Fprintf(&d, " %.3f", v)
		}
		d.WriteByte(' ')
	}
	fill, line := "none", "none"
	if s.fill != nil {
		fill = s.fill.hex()
	}
	if s.width > 0 {
		line = s.line.hex()
	}
	fmt.Fprintf(k.out, `<path d="%s" fill="%s" stroke="%s" stroke-width="%.2f" stroke-linejoin="round" stroke-linecap="round"/>`+"\n", strings.TrimSpace(d.String()), fill, line, s.width)
}

func (c colour) hex() string { return fmt.Sprintf("#%02x%02x%02x", c[0], c[1], c[2]) }
