package papers

import (
	"strings"

	"mala/words/en"
)

// The sizes of a label, a price card and a shelf label, in millimetres.
const (
	labelWide, labelHigh = 88.0, 50.0
	cardWide, cardHigh   = 105.0, 74.0
	shelfWide, shelfHigh = 100.0, 32.0
)

// labels are for the bags that are sold: as many as kits.
func (p *paper) labels() {
	const across = 2
	down := max(1, int((p.left())/(labelHigh+2)))
	for i := range p.order.Copies {
		at := i % (across * down)
		if i > 0 && at == 0 {
			p.pdf.AddPage()
		}
		p.label(p.margin+float64(at%across)*(labelWide+4), margin+float64(at/across)*(labelHigh+2))
	}
}

func (p *paper) label(x, y float64) {
	pdfInk{p.pdf, x, y}.draw(box(0, 0, labelWide, labelHigh), stroke(pale, 0.2))
	p.squares(p.squaresText(), x+labelWide-24, y+4, 20)
	p.pdf.SetXY(x+labelWide-26, y+24.5)
	p.font("bold", 8)
	p.pdf.CellFormat(24, 4, p.bill.Code, "", 0, "C", false, 0, "")
	p.version(x+labelWide-26, y+28, 24)
	p.within(x+4, y+4, labelWide-32, "title", 14, 6.5, p.kit.Name, 3)
	p.within(x+4, p.pdf.GetY()+1, labelWide-32, "bold", 10, 5, p.cell, 2)
	p.within(x+4, p.pdf.GetY()+0.5, labelWide-32, "", 9, 4.4, p.lengths(), 3)
	beads := 0
	for _, one := range p.each {
		beads += one.analysis.Beads * one.quantity
	}
	p.within(x+4, y+labelHigh-13, labelWide-8, "", 8.5, 4, en.YouNeed(beads, p.notInKit()), 3)
}

// version stands below a code, since a label is cut from its paper.
func (p *paper) version(x, y, wide float64) {
	p.pdf.SetXY(x, y)
	p.font("", 7)
	p.pdf.CellFormat(wide, 3.5, en.Version(p.order.Version), "", 0, "C", false, 0, "")
}

// notInKit are the things that the buyer needs.
func (p *paper) notInKit() []string {
	var out []string
	for _, t := range p.bill.Tools {
		if !t.InKit && !t.Optional {
			out = append(out, t.Name)
		}
	}
	for i := range p.bill.Lines {
		if p.bill.Lines[i].Own {
			out = append(out, p.bill.Lines[i].Name)
		}
	}
	return out
}

// within sets text between two edges in this many lines at most; what is more ends in dots.
func (p *paper) within(x, y, wide float64, family string, size, each float64, text string, most int) {
	p.font(family, size)
	lines := p.pdf.SplitText(plain(text), wide)
	if len(lines) > most {
		lines = lines[:most]
		last := []rune(lines[most-1])
		for len(last) > 0 && p.pdf.GetStringWidth(string(last)+" …") > wide {
			last = last[:len(last)-1]
		}
		lines[most-1] = strings.TrimSpace(string(last)) + " …"
	}
	for i, l := range lines {
		p.pdf.SetXY(x, y+float64(i)*each)
		p.pdf.CellFormat(wide, each, l, "", 0, "L", false, 0, "")
	}
	p.pdf.SetXY(x, y+float64(len(lines))*each)
}

// cards are the price card and the shelf label.
func (p *paper) cards() {
	x, y := p.margin, p.pdf.GetY()
	pdfInk{p.pdf, x, y}.draw(box(0, 0, cardWide, cardHigh), stroke(grey, 0.2))
	p.within(x+6, y+6, cardWide-38, "title", 19, 8.5, p.kit.Name, 2)
	p.within(x+6, p.pdf.GetY()+1, cardWide-38, "bold", 12, 6, p.cell, 2)
	p.within(x+6, p.pdf.GetY()+1, cardWide-38, "", 10, 5, p.lengths(), 3)
	p.squares(p.squaresText(), x+cardWide-28, y+6, 22)
	p.pdf.SetXY(x+cardWide-30, y+28.5)
	p.font("bold", 8)
	p.pdf.CellFormat(26, 4, p.bill.Code, "", 0, "C", false, 0, "")
	p.version(x+cardWide-30, y+32, 26)
	p.within(x+6, y+cardHigh-24, cardWide-12, "title", 30, 13, p.money(p.bill.Price.Gross), 1)
	if p.bill.Price.Tax != "" {
		p.within(x+6, y+cardHigh-10, cardWide-12, "", 9, 4.5, en.WithTax(p.money(p.bill.Price.Tax)), 1)
	}
	y += cardHigh + 8
	pdfInk{p.pdf, x, y}.draw(box(0, 0, shelfWide, shelfHigh), stroke(grey, 0.2))
	p.within(x+5, y+4, shelfWide-36, "title", 15, 7, p.kit.Name, 1)
	p.within(x+5, p.pdf.GetY(), shelfWide-36, "bold", 11, 5.5, p.cell, 1)
	p.within(x+5, y+shelfHigh-9, shelfWide-36, "", 9, 4.5, p.bill.Code+" · "+en.Version(p.order.Version), 1)
	p.squares(p.squaresText(), x+shelfWide-27, y+5, 22)
}

func (p *paper) money(amount string) string {
	return strings.TrimSpace(amount + " " + p.order.Selling.Currency)
}
