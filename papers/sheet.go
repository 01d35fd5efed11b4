package papers

import (
	_ "embed"
	"slices"
	"strings"
	"time"

	"codeberg.org/go-pdf/fpdf"
	"github.com/boombuler/barcode/qr"

	"mala/core/length"
	"mala/words/en"
)

//go:embed fonts/text.ttf
var textFont []byte

//go:embed fonts/bold.ttf
var boldFont []byte

//go:embed fonts/title.ttf
var titleFont []byte

// sheet is a paper that is being printed.
type sheet struct {
	pdf    *sealed
	unit   length.Unit
	margin float64
	foot   string
}

// Sheets lists the sizes of paper.
func Sheets() []string { return []string{"A4", "Letter"} }

const margin = 14.0

func newSheet(size string, unit length.Unit, title, foot string, day time.Time) *sheet {
	pdf := &sealed{Fpdf: fpdf.New("P", "mm", size, "")}
	pdf.SetCatalogSort(true)
	pdf.SetCreationDate(day)
	pdf.SetModificationDate(day)
	pdf.SetProducer("Mala", true)
	pdf.SetCreator("Mala", true)
	pdf.SetTitle(plain(title), true)
	pdf.AddUTF8FontFromBytes("text", "", textFont)
	pdf.AddUTF8FontFromBytes("bold", "", boldFont)
	pdf.AddUTF8FontFromBytes("title", "", titleFont)
	pdf.SetMargins(margin, margin, margin)
	pdf.SetCellMargin(0)
	pdf.SetAutoPageBreak(false, margin)
	pdf.SetLineCapStyle("round")
	pdf.SetLineJoinStyle("round")
	pdf.AliasNbPages(pagesAlias)
	s := &sheet{pdf: pdf, unit: unit, margin: margin, foot: foot}
	pdf.SetFooterFunc(func() {
		_, high := pdf.GetPageSize()
		pdf.SetXY(margin, high-margin+2)
		s.font("", 8)
		s.ink(grey)
		pdf.CellFormat(s.width()/2, 4, plain(s.foot), "", 0, "L", false, 0, "")
		pdf.CellFormat(s.width()/2, 4, s.pageOf(), "", 0, "R", false, 0, "")
		s.ink(black)
	})
	pdf.AddPage()
	s.ink(black)
	return s
}

// pageOf numbers the page in hand.
func (s *sheet) pageOf() string { return en.Page(s.pdf.PageNo(), pagesAlias) }

// plain leaves out what the fonts cannot hold: characters beyond the first plane and
// those that only steer.
func plain(text string) string {
	return strings.Map(func(r rune) rune {
		switch {
		case r > 0xFFFF || r >= 0xD800 && r < 0xE000:
			return '?'
		case r < ' ' && r != '\n':
			return ' '
		}
		return r
	}, text)
}

func (s *sheet) font(family string, size float64) {
	if family == "" {
		family = "text"
	}
	s.pdf.SetFont(family, "", size)
}

func (s *sheet) ink(c colour) { s.pdf.SetTextColor(c[0], c[1], c[2]) }

// width is what there is between the margins.
func (s *sheet) width() float64 {
	wide, _ := s.pdf.GetPageSize()
	return wide - 2*s.margin
}

// left is what there is above the lower margin.
func (s *sheet) left() float64 {
	_, high := s.pdf.GetPageSize()
	return high - margin - 2 - s.pdf.GetY()
}

// room begins a new page where less than that is left.
func (s *sheet) room(mm float64) {
	if s.left() < mm {
		s.pdf.AddPage()
	}
}

// heading begins a part, on the same page as the first of what stands below it.
func (s *sheet) heading(text string) { s.headingOver(text, 20) }

// headingOver begins a part whose first thing is so high, in mm.
func (s *sheet) headingOver(text string, below float64) {
	s.room(11 + below)
	s.pdf.Ln(3)
	s.font("title", 13)
	s.pdf.CellFormat(s.width(), 7, plain(text), "", 1, "L", false, 0, "")
	s.pdf.Ln(1)
}

func (s *sheet) text(text string) {
	s.font("", 10)
	lines := s.pdf.SplitText(plain(text), s.width())
	for _, l := range lines {
		s.room(5)
		s.pdf.CellFormat(s.width(), 4.9, l, "", 1, "L", false, 0, "")
	}
}

func (s *sheet) small(text string) {
	s.font("", 8)
	s.ink(grey)
	s.pdf.CellFormat(s.width(), 4, plain(text), "", 1, "L", false, 0, "")
	s.ink(black)
}

// top names the kit, and what of it this paper is for, with the code in writing and as squares.
func (s *sheet) top(what, name, about, code, squares string) {
	const side = 22.0
	x, y := s.pdf.GetX(), s.pdf.GetY()
	s.font("", 9)
	s.ink(grey)
	s.pdf.CellFormat(s.width()-side-4, 5, plain(what), "", 1, "L", false, 0, "")
	s.ink(black)
	s.font("title", 20)
	for _, l := range s.pdf.SplitText(plain(name), s.width()-side-4) {
		s.pdf.CellFormat(s.width()-side-4, 9, l, "", 1, "L", false, 0, "")
	}
	s.font("", 11)
	for _, l := range s.pdf.SplitText(plain(about), s.width()-side-4) {
		s.pdf.CellFormat(s.width()-side-4, 5.5, l, "", 1, "L", false, 0, "")
	}
	below := s.pdf.GetY()
	s.squares(squares, x+s.width()-side, y, side)
	s.pdf.SetXY(x+s.width()-side-4, y+side+0.5)
	s.font("bold", 8)
	s.pdf.CellFormat(side+4, 4, plain(code), "", 1, "C", false, 0, "")
	s.pdf.SetXY(x, max(below, y+side+5)+1)
}

// squares draws a QR code, each of its squares by itself: it prints sharp at any size.
func (s *sheet) squares(text string, x, y, side float64) {
	code, err := qr.Encode(text, qr.M, qr.Auto)
	if err != nil {
		return
	}
	n := code.Bounds().Dx()
	each := side / float64(n)
	s.pdf.SetFillColor(0, 0, 0)
	for row := range n {
		for col := 0; col < n; {
			if r, _, _, _ := code.At(col, row).RGBA(); r > 0 {
				col++
				continue
			}
			from := col
			for col < n {
				if r, _, _, _ := code.At(col, row).RGBA(); r > 0 {
					break
				}
				col++
			}
			s.pdf.Rect(x+float64(from)*each, y+float64(row)*each, float64(col-from)*each, each+0.01, "F")
		}
	}
}

// column of a table: its heading, how wide it is in shares of the rest (0) or millimetres, and
// how it is set.
type column struct {
	title string
	mm    float64
	right bool
	bold  bool
	big   bool
}

// cell is text, or something drawn that is so high.
type cell struct {
	text string
	low  bool // not set big in a column that is
	high float64
	draw func(x, y, wide, high float64)
}

func says(text string) cell { return cell{text: text} }

// table sets rows below headings, which come again on every page.
func (s *sheet) table(columns []column, rows [][]cell) {
	if len(rows) == 0 {
		return
	}
	wide := make([]float64, len(columns))
	rest, open := s.width(), 0
	for i, c := range columns {
		wide[i] = c.mm
		rest -= c.mm
		if c.mm == 0 {
			open++
		}
	}
	for i := range wide {
		if wide[i] == 0 {
			wide[i] = rest / float64(open)
		}
	}
	head := func() {
		if !slices.ContainsFunc(columns, func(c column) bool { return c.title != "" }) {
			s.rule()
			return
		}
		x := s.pdf.GetX()
		s.font("", 8)
		s.ink(grey)
		for i, c := range columns {
			s.pdf.SetX(s.pdf.GetX() + inset)
			s.pdf.CellFormat(wide[i]-inset, 5, c.title+insetAfter(c), "", 0, alignOf(c), false, 0, "")
		}
		s.ink(black)
		s.pdf.SetXY(x, s.pdf.GetY()+5)
		s.rule()
	}
	s.room(20)
	head()
	for _, cells := range rows {
		high, lines := s.rowHigh(columns, wide, cells)
		if s.left() < high {
			s.pdf.AddPage()
			head()
		}
		s.tableRow(columns, wide, cells, lines, high)
	}
	s.pdf.Ln(2)
}

// inset is what a table's cells keep free at both sides.
const inset = 1.0

// insetAfter keeps a heading that is set at the right over its column.
func insetAfter(c column) string {
	if c.right && c.title != "" {
		return " "
	}
	return ""
}

func alignOf(c column) string {
	if c.right {
		return "RM"
	}
	return "LM"
}

func (s *sheet) cellFont(c column, low bool) float64 {
	family, size := "", 10.0
	if c.bold {
		family = "bold"
	}
	if c.big && !low {
		size = 14
	}
	s.font(family, size)
	return size * 0.49
}

func (s *sheet) rowHigh(columns []column, wide []float64, cells []cell) (high float64, lines [][]string) {
	high = 6.5
	lines = make([][]string, len(cells))
	for i, c := range cells {
		each := s.cellFont(columns[i], c.low)
		if c.text != "" {
			lines[i] = s.pdf.SplitText(plain(c.text), wide[i]-2*inset-0.1)
		}
		high = max(high, c.high+1.5, float64(len(lines[i]))*each+1.6)
	}
	return high, lines
}

func (s *sheet) tableRow(columns []column, wide []float64, cells []cell, lines [][]string, high float64) {
	x, y := s.pdf.GetX(), s.pdf.GetY()
	left := x
	for i, c := range cells {
		each := s.cellFont(columns[i], c.low)
		top := y + (high-float64(len(lines[i]))*each)/2
		for k, l := range lines[i] {
			s.pdf.SetXY(left+inset, top+float64(k)*each)
			s.pdf.CellFormat(wide[i]-2*inset, each, l, "", 0, alignOf(columns[i]), false, 0, "")
		}
		if c.draw != nil {
			c.draw(left, y, wide[i], high)
		}
		left += wide[i]
	}
	s.pdf.SetXY(x, y+high)
	s.rule()
}

func (s *sheet) rule() {
	k := pdfInk{s.pdf, 0, 0}
	y := s.pdf.GetY()
	k.draw(line(s.margin, y, s.margin+s.width(), y), stroke(pale, 0.15))
}

// tick is a square to tick.
func (s *sheet) tick() cell { return s.tickAt(0) }

// tickAt is one so far from the left of its column.
func (s *sheet) tickAt(in float64) cell {
	return cell{draw: func(x, y, _, high float64) {
		pdfInk{s.pdf, x + in, y + high/2 - 2}.draw(box(0, 0, 4, 4), stroke(grey, 0.25))
	}}
}
