package papers

import (
	"fmt"
	"math"
	"strings"

	"mala/core/length"
	"mala/desk"
	"mala/format"
	"mala/words"
	"mala/words/en"
)

// row is a strand of a piece as it lies stretched out, all of it.
type row struct {
	doc      *format.Document
	analysis *desk.Analysis
	strand   *desk.Strand
	number   int // from 1, 0 of one row alone
}

func rowsOf(doc *format.Document, a *desk.Analysis) []row {
	out := make([]row, len(a.Strands))
	for i := range a.Strands {
		out[i] = row{doc, a, &a.Strands[i], 0}
		if len(a.Strands) > 1 {
			out[i].number = i + 1
		}
	}
	return out
}

func materialIn(doc *format.Document, id string) *format.Material {
	for i := range doc.Materials {
		if doc.Materials[i].ID == id {
			return &doc.Materials[i]
		}
	}
	return &format.Material{}
}

// span is how far the row reaches, from what ends it at the left to what ends it at the
// right, in millimetres from the start of the strand.
func (r *row) span() (from, to float64) {
	to = float64(r.strand.StrungMm)
	for _, parts := range [][]desk.EndPart{r.strand.Left, r.strand.Right} {
		for _, p := range parts {
			if p.Role == "row" || p.Mm <= 0 {
				continue
			}
			from, to = min(from, float64(p.FromMm), float64(p.ToMm)), max(to, float64(p.FromMm), float64(p.ToMm))
		}
	}
	return from, to
}

// beyondCord are the roles of what the cord is made fast to, and of what hangs there.
var beyondCord = map[string]bool{"ring": true, "clasp": true, "extender": true, "chain": true, "connector": true, "bar": true, "row": true}

// corded is how far the row's cord reaches: from what it is made fast to at the left to that
// at the right.
func (r *row) corded() (from, to float64) {
	to = float64(r.strand.StrungMm)
	for _, parts := range [][]desk.EndPart{r.strand.Left, r.strand.Right} {
		for _, p := range parts {
			from, to = min(from, float64(p.FromMm)), max(to, float64(p.FromMm))
			if beyondCord[p.Role] {
				break
			}
			from, to = min(from, float64(p.ToMm)), max(to, float64(p.ToMm))
		}
	}
	return from, to
}

// reach is how far what lies between two places of the row reaches above and below its cord.
func (r *row) reach(from, to float64) (up, down float64) {
	up, down = 2, 2
	for _, parts := range [][]desk.EndPart{r.strand.Left, r.strand.Right} {
		for _, p := range parts {
			if p.Mm > 0 && max(p.FromMm, p.ToMm) > length.MM(from) && min(p.FromMm, p.ToMm) < length.MM(to) {
				half := 6.0
				if o, ok := r.analysis.Drawing.Outlines[p.Material]; p.Links > 0 && (!ok || len(o.Seats) == 0) {
					half = 3 // of plain chain
				}
				up, down = max(up, half), max(down, half)
			}
		}
	}
	for _, p := range r.strand.Placed {
		if float64(p.ToMm) < from-12 || float64(p.FromMm) > to+12 {
			continue
		}
		half := float64(p.AcrossMm) / 2
		up, down = max(up, half), max(down, half)
		m := materialIn(r.doc, p.Material)
		down = max(down, float64(m.DropMm))
		if o, ok := r.outline(p); ok {
			down = max(down, float64(o.DropMm))
			for _, s := range o.Seats {
				down = max(down, s.Y+float64(s.LongMm)/2+float64(s.WireMm))
				up = max(up, float64(s.LongMm)/2-s.Y)
			}
		}
	}
	return up, down
}

func (r *row) outline(p desk.Placed) (desk.Outline, bool) {
	if o, ok := r.analysis.Drawing.Outlines[p.Material]; ok {
		return o, true
	}
	o, ok := r.analysis.Drawing.Outlines[p.Key]
	return o, ok
}

// draw draws what of the row lies between two places along it, with the first at x 0 and its
// cord at y 0.
func (r *row) draw(k ink, from, to float64) {
	if low, high := r.corded(); low < high && low < to && high > from {
		k.draw(line(max(from, low)-from, 0, min(to, high)-from, 0), stroke(grey, 0.25))
	}
	for _, parts := range [][]desk.EndPart{r.strand.Left, r.strand.Right} {
		for _, p := range parts {
			a, b := float64(p.FromMm), float64(p.ToMm)
			if p.Role == "row" || p.Mm <= 0 || max(a, b) < from || min(a, b) > to {
				continue
			}
			if p.Loop != nil || p.Material == "" {
				k.draw(ellipse((a+b)/2-from, 0, math.Abs(b-a)/2, math.Abs(b-a)/3), stroke(grey, 0.35))
				continue
			}
			if o, ok := r.analysis.Drawing.Outlines[p.Material]; ok && len(o.Seats) > 0 && p.Links > 0 {
				r.beadLinks(k, p, &o, from, to)
				continue
			}
			finding(k, p.Role, materialIn(r.doc, p.Material), a-from, b-from, 0)
		}
	}
	for _, p := range r.strand.Placed {
		if float64(p.ToMm) < from-12 || float64(p.FromMm) > to+12 {
			continue
		}
		if o, ok := r.outline(p); ok {
			bead(k, materialIn(r.doc, p.Material), &o, float64(p.AtMm)-from, 0, p.Turned)
		}
	}
}

// beadLinks draws bead links one behind the other, with the chain between them.
func (r *row) beadLinks(k ink, p desk.EndPart, o *desk.Outline, from, to float64) {
	low, all := min(float64(p.FromMm), float64(p.ToMm)), math.Abs(float64(p.ToMm-p.FromMm))
	between, chain := 0.0, (*format.Material)(nil)
	if p.Between != nil {
		chain = materialIn(r.doc, p.Between.Of)
		between = float64(chain.InsideMm) * float64(p.Between.Links)
	}
	each := (all - between*float64(p.Links-1)) / float64(p.Links)
	m := materialIn(r.doc, p.Material)
	for i := range p.Links {
		x := low + float64(i)*(each+between)
		if x > to || x+each+between < from {
			continue
		}
		bead(turnedInk{k, -math.Pi / 2, x - from, 0}, m, o, 0, 0, false)
		if chain != nil && i+1 < p.Links {
			finding(k, "chain", chain, x+each-from, x+each+between-from, 0)
		}
	}
}

// svg is the row as an SVG of its true size.
func (r *row) svg() string {
	from, to := r.span()
	up, down := r.reach(from, to)
	wide, high := to-from+4, up+down+4
	var b strings.Builder
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" width="%.3fmm" height="%.3fmm" viewBox="0 0 %.3f %.3f">`+"\n", wide, high, wide, high)
	r.draw(svgInk{&b, 2, up + 2}, from, to)
	b.WriteString("</svg>\n")
	return b.String()
}

// DiagramOf draws a strand of a piece as an SVG of its true size. The error is format.Faults.
func DiagramOf(doc *format.Document, a *desk.Analysis, strand int) (string, error) {
	rows := rowsOf(doc, a)
	if strand < 0 || strand >= len(rows) {
		return "", format.Faults{{Where: "row", Says: "The piece has no such row."}}
	}
	return rows[strand].svg(), nil
}

// folded draws the row 1 : 1 in lengths that fit the paper, each labelled with what of the
// row it is.
func (s *sheet) folded(r *row) {
	from, to := r.span()
	each := s.foldedAt(r)
	for start := from; start < to-0.01; start += each {
		end := min(start+each, to)
		up, down := r.reach(start, end)
		s.room(up + down + 8)
		x, y := s.pdf.GetX(), s.pdf.GetY()
		s.small(fmt.Sprintf("%s to %s", length.MM(start-from).In(s.unit), length.MM(end-from).In(s.unit)))
		before, behind := atFold, atFold
		if start == from {
			before = atEnd
		}
		if end > to-0.01 {
			behind = atEnd
		}
		s.pdf.ClipRect(x-before, y+4, before+end-start+behind, up+down+3, false)
		r.draw(pdfInk{s.pdf, x, y + 5 + up}, start, end)
		s.pdf.ClipEnd()
		s.pdf.SetXY(x, y+up+down+8)
	}
}

// How far beyond its place a length is drawn, in mm: the wire of a clasp stands out at an end of
// the row, where it is folded nothing does.
const atFold, atEnd = 0.2, 2.0

// foldedAt is how long each of its lengths is: as many as the paper's width takes, all alike.
func (s *sheet) foldedAt(r *row) float64 {
	from, to := r.span()
	return (to - from) / max(math.Ceil((to-from)/s.width()), 1)
}

// bar is a length that the printer is checked by.
func (s *sheet) bar() {
	s.room(12)
	mm, says := 100.0, en.Says(words.BarMm)
	if s.unit == length.InInches {
		mm, says = 101.6, en.Says(words.BarInches)
	}
	x, y := s.pdf.GetX(), s.pdf.GetY()+3
	k := pdfInk{s.pdf, x, y}
	k.draw(line(0, 0, mm, 0), stroke(black, 0.3))
	for i := range 11 {
		tall := 1.2
		if i%5 == 0 {
			tall = 2
		}
		k.draw(line(mm*float64(i)/10, -tall, mm*float64(i)/10, 0), stroke(black, 0.2))
	}
	s.pdf.SetXY(x, y+1.5)
	s.small(says)
	s.pdf.Ln(2)
}
