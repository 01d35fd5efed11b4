package papers

import (
	"slices"
	"strings"

	"mala/desk"
	"mala/words"
	"mala/words/en"
)

// The picture of a shop card, in millimetres, and how large its title and its price are, in points.
const (
	showHigh  = 118.0
	showTitle = 34.0
	showPrice = 30.0

	squareSide = 22.0 // of the code in squares, in millimetres
)

// shopCard is one page for a market stall or a listing: how it looks, what it is called, how long it is,
// what it is made of, how it is kept, and what it costs where that is known.
func (p *paper) shopCard() {
	p.show()
	y := p.margin + showHigh + 8
	beside := p.width() - squareSide - 6
	p.squares(p.squaresText(), p.margin+p.width()-squareSide, y, squareSide)
	p.pdf.SetXY(p.margin+p.width()-squareSide-2, y+squareSide+1)
	p.font("bold", 8)
	p.pdf.CellFormat(squareSide+4, 4, p.bill.Code, "", 0, "C", false, 0, "")
	p.within(p.margin, y, beside, "title", showTitle, 14, p.kit.Name, 2)
	about := strings.Trim(p.cell+" · "+p.lengths(), " ·")
	p.within(p.margin, p.pdf.GetY()+1, beside, "", 14, 7, about, 3)
	if price := p.bill.Price; price.Gross != "" && (price.Set || len(price.Unpriced) == 0) {
		p.within(p.margin, p.pdf.GetY()+4, p.width(), "title", showPrice, 13, p.money(price.Gross), 1)
		if price.Tax != "" {
			p.within(p.margin, p.pdf.GetY(), p.width(), "", 10, 5, en.WithTax(p.money(price.Tax)), 1)
		}
	}
	p.pdf.SetXY(p.margin, p.pdf.GetY()+4)
	p.heading(en.Says(words.MadeOf))
	p.shown(en.Sentence(p.madeOf()))
	p.heading(en.Says(words.Care))
	for _, says := range p.care() {
		p.shown("– " + says)
	}
}

// shown sets text to be read from a step away.
func (p *paper) shown(text string) { p.within(p.margin, p.pdf.GetY(), p.width(), "", 12, 6, text, 6) }

// show draws the pieces beside each other on the cloth, each as large as its share of it lets it be.
func (p *paper) show() {
	var wholes []*desk.Whole
	var shown []*piece
	for i := range p.each {
		if d := p.each[i].analysis.Drawing; d != nil && d.Picture != nil && d.Picture.Whole != nil {
			wholes, shown = append(wholes, d.Picture.Whole), append(shown, &p.each[i])
		}
	}
	top := p.margin
	pdfInk{p.pdf, 0, 0}.draw(box(p.margin, top, p.margin+p.width(), top+showHigh), style{fill: &felt})
	for i, w := range wholes {
		share := p.width() / float64(len(wholes))
		wide, high := w.Box[2]-w.Box[0], w.Box[3]-w.Box[1]
		by := 0.9 * min(share/wide, showHigh/high)
		k := scaledInk{pdfInk{p.pdf, p.margin + share*(float64(i)+0.5) - by*(w.Box[0]+wide/2), top + showHigh/2 - by*(w.Box[1]+high/2)}, by}
		for r := range w.Rows {
			drawRow(k, shown[i].doc, shown[i].analysis, w, &w.Rows[r])
		}
	}
}

// madeOf names what a buyer asks about: the beads, then the metals, then the cord. Crimps, rings and pins
// are the maker's.
func (p *paper) madeOf() []string {
	var beads, metals, cords []string
	add := func(to *[]string, name string) {
		if name = strings.ToLower(name); name != "" && !slices.Contains(*to, name) {
			*to = append(*to, name)
		}
	}
	for i := range p.bill.Lines {
		line := &p.bill.Lines[i]
		switch m := p.materialOf(line.Material); {
		case line.Class == "cord":
			add(&cords, line.Name)
		case slices.Contains([]string{"focal", "bead", "seed"}, line.Class):
			add(&beads, line.Name)
		case m != nil:
			add(&metals, m.Metal)
		}
	}
	return slices.Concat(beads, metals, cords)
}

func (p *paper) care() []string {
	var out []string
	for _, one := range p.each {
		for _, says := range one.analysis.Care {
			if !slices.Contains(out, says) {
				out = append(out, says)
			}
		}
	}
	return out
}

// scaledInk draws larger or smaller by a factor.
type scaledInk struct {
	ink
	by float64
}

func (k scaledInk) draw(p path, s style) {
	s.width *= min(1, k.by)
	k.ink.draw(p.scaled(k.by), s)
}
