package papers

import (
	"fmt"
	"html"
	"strings"

	"mala/core/length"
	"mala/desk"
	"mala/format"
)

// turnedInk draws turned round a place.
type turnedInk struct {
	ink
	angle, x, y float64
}

func (k turnedInk) draw(p path, s style) { k.ink.draw(p.turned(k.angle, k.x, k.y), s) }

// The views of a piece for a listing.
const (
	ViewWhole = "whole"
	ViewLaid  = "laid"
)

// felt is what the page lays pieces on.
var felt = colour{218, 212, 197}

// PictureSVG draws a finished piece as an SVG: as it hangs or lies, or laid flat; on the
// cloth or on nothing; with the lines that say how wide and high it lies where there is a unit for them.
// The analysis has its drawing and picture. The error is format.Faults.
func PictureSVG(doc *format.Document, a *desk.Analysis, view string, cloth bool, lines length.Unit) (string, error) {
	whole := a.Drawing.Picture.Whole
	if view == ViewLaid && a.Drawing.Picture.Laid != nil {
		whole = a.Drawing.Picture.Laid
	}
	if whole == nil {
		return "", format.Faults{{Says: "There is no picture of this piece: too few beads lie in it."}}
	}
	large := max(whole.Box[2]-whole.Box[0], whole.Box[3]-whole.Box[1])
	edge := 0.05 * large
	if lines != "" {
		edge = 0.14 * large
	}
	left, top := whole.Box[0]-edge, whole.Box[1]-edge
	wide, high := whole.Box[2]+edge-left, whole.Box[3]+edge-top
	var b strings.Builder
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" width="%.3fmm" height="%.3fmm" viewBox="%.3f %.3f %.3f %.3f" role="img"><title>%s</title>`+"\n", wide, high, left, top, wide, high, html.EscapeString(plain(doc.Name)))
	k := svgInk{&b, 0, 0}
	if cloth {
		k.draw(box(left, top, left+wide, top+high), style{fill: &felt})
	}
	for i := range whole.Rows {
		drawRow(k, doc, a, whole, &whole.Rows[i])
	}
	if lines != "" {
		lengthLines(k, whole.Box, large, lines)
	}
	b.WriteString("</svg>\n")
	return b.String(), nil
}

// lengthLines draw below and at the right how wide and how high a piece lies. The page draws them alike
// (web/src/draw/lengthLines.ts).
func lengthLines(k svgInk, in [4]float64, large float64, unit length.Unit) {
	off, tick, size := 0.05*large, 0.015*large, 0.032*large
	line := stroke(grey, 0.003*large)
	from := func(x, y, toX, toY float64) {
		var p path
		at(&p, x, y)
		at(&p, toX, toY)
		k.draw(p, line)
	}
	text := func(x, y, turn, mm float64) {
		fmt.Fprintf(k.out, `<text x="%.3f" y="%.3f" transform="rotate(%.0f %.3f %.3f)" font-family="sans-serif" font-size="%.3f" text-anchor="middle" fill="%s">%s</text>`+"\n",
			x, y, turn, x, y, size, grey.hex(), html.EscapeString(length.MM(mm).In(unit)))
	}
	left, top, right, bottom := in[0], in[1], in[2], in[3]
	y, x := bottom+off, right+off
	from(left, y, right, y)
	from(left, y-tick, left, y+tick)
	from(right, y-tick, right, y+tick)
	from(x, top, x, bottom)
	from(x-tick, top, x+tick, top)
	from(x-tick, bottom, x+tick, bottom)
	text((left+right)/2, y+1.4*size, 0, right-left)
	text(x+0.6*size, (top+bottom)/2, 90, bottom-top)
}

func drawRow(k ink, doc *format.Document, a *desk.Analysis, whole *desk.Whole, row *desk.WholeRow) {
	s := strandIn(a, row.Strand)
	if s == nil {
		return
	}
	r := &rowDrawn{k, doc, a, whole.Flat}
	var cord path
	for _, p := range row.Cord {
		at(&cord, p[0], p[1])
	}
	k.draw(cord, stroke(grey, 0.35))
	for _, seat := range row.Parts {
		r.part(s, seat)
	}
	for i, p := range s.Placed {
		if i < len(row.Beads) {
			r.bead(p, row.Beads[i])
		}
	}
	if s.Riders != nil {
		for i, p := range s.Riders.Placed {
			if i < len(row.Riders) {
				r.bead(p, row.Riders[i])
			}
		}
	}
}

func strandIn(a *desk.Analysis, id string) *desk.Strand {
	for i := range a.Strands {
		if a.Strands[i].ID == id {
			return &a.Strands[i]
		}
	}
	return nil
}

type rowDrawn struct {
	ink
	doc  *format.Document
	a    *desk.Analysis
	flat bool
}

func (r *rowDrawn) bead(p desk.Placed, at desk.Seat) {
	of := &row{doc: r.doc, analysis: r.a}
	o, ok := of.outline(p)
	if !ok {
		return
	}
	m := materialIn(r.doc, p.Material)
	angle := at.Angle
	if len(o.Seats) > 0 || m.Shape == "charm" {
		angle = 0 // it hangs straight down
		if r.flat {
			angle = at.Angle + 3.14159265
		}
	}
	k := turnedInk{r.ink, angle, at.X, at.Y}
	if m.Holes > 1 && m.Class == "bead" { // a flat is seen from its front
		k.draw(ellipse(0, 0, float64(m.AcrossMm)/2, float64(m.AcrossMm)/2), filled(lookOf(m)))
		return
	}
	bead(k, m, &o, 0, 0, p.Turned)
}

func (r *rowDrawn) part(s *desk.Strand, seat desk.SeatOfPart) {
	parts, out := s.Left, -1.0
	if seat.End == "right" {
		parts, out = s.Right, 1
	}
	if seat.Index >= len(parts) || parts[seat.Index].With {
		return
	}
	p := parts[seat.Index]
	id := p.Material
	if seat.Of != "" {
		id = seat.Of
	}
	m := materialIn(r.doc, id)
	half := seat.LengthMm / 2
	k := turnedInk{r.ink, seat.Angle, seat.X, seat.Y}
	switch o, ok := r.a.Drawing.Outlines[id]; {
	case ok && len(o.Seats) > 0:
		bead(turnedInk{r.ink, seat.Angle - 3.14159265/2, seat.X, seat.Y}, m, &o, 0, 0, false)
	case ok:
		bead(k, m, &o, 0, 0, false)
	case p.Loop != nil || id == "":
		k.draw(ellipse(0, 0, half, max(half*0.6, 0.5)), stroke(grey, 0.4))
	default:
		finding(k, p.Role, m, -out*half, out*half, 0)
	}
	for _, hung := range p.Hung {
		if o, ok := r.a.Drawing.Outlines[hung]; ok && seat.Link == 0 {
			bead(turnedInk{r.ink, 0, seat.X, seat.Y}, materialIn(r.doc, hung), &o, 0, 0, false)
		}
	}
}
