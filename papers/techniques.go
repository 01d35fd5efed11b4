package papers

import (
	"fmt"
	"strings"

	"mala/core/technique"
	"mala/words/en"
)

// picture is a line drawing of 56 by 34 mm in up to three stages. Wire
// and cord are drawn with a thick line, metal with a thin one.
type picture struct {
	cord, metal string
	arrows      [][4]float64
}

// The middle of each stage lies at 10, 28 and 46 mm.
var pictures = map[technique.Technique]picture{
	technique.FoldCrimp: {"M 1 15 L 19 15 M 1 19 L 19 19 M 20 15 C 24 15 24 14.4 27 14.4 L 36 14.4 M 20 19 C 24 19 24 19.6 27 19.6 L 36 19.6 M 38 16 L 55 16 M 38 18 L 55 18",
		"M 6 13 L 14 13 L 14 21 L 6 21 Z M 24 12.4 C 26 16.6 30 16.6 32 12.4 L 32 21.6 C 30 17.4 26 17.4 24 21.6 Z M 42.500 14.6 C 45 13.4 48 13.4 50.500 14.6 L 50.500 19.4 C 48 20.6 45 20.6 42.500 19.4 Z M 42.500 17 L 50.500 17",
		[][4]float64{{28, 6, 28, 11}, {28, 28, 28, 23}, {46.5, 6, 46.5, 12}, {46.5, 28, 46.5, 22}}},
	technique.FlatCrimp: {"M 1 15.5 L 19 15.5 M 1 18.5 L 19 18.5 M 30 16.2 L 52 16.2 M 30 17.8 L 52 17.8", "M 6 13 L 14 13 L 14 21 L 6 21 Z M 35 15 L 47 15 L 47 19 L 35 19 Z", [][4]float64{{41, 6, 41, 13}, {41, 28, 41, 21}}},
	technique.ThreeSided: {"M 1 15.5 L 19 15.5 M 1 18.5 L 19 18.5", "M 6 13 L 14 13 L 14 21 L 6 21 Z M 40 10 C 43 10 49 21 47 23 C 45 25 35 25 33 23 C 31 21 37 10 40 10 Z M 37.500 18.500 C 37.500 16 42.500 16 42.500 18.500 C 42.500 21 37.500 21 37.500 18.500 Z",
		[][4]float64{{40, 2, 40, 8}, {27, 28, 32, 24}, {53, 28, 48, 24}}},
	technique.Guard:       {"M 20 33 L 20 22 C 20 8 36 8 36 22 L 36 33", "M 18.500 20 L 18.500 29 L 21.500 29 L 21.500 20 C 22 10 34 10 34.500 20 L 34.500 29 L 37.500 29 L 37.500 20 C 37 5 19 5 18.500 20 Z M 23 7 C 23 1 33 1 33 7 C 33 12 23 12 23 7 Z", nil},
	technique.Cover:       {"M 1 17 L 24 17 M 32 17 L 55 17", "M 8 14.500 L 16 14.500 L 16 19.500 L 8 19.500 Z M 5 11 C 6 24 18 24 19 11 M 36 17 C 36 10.500 51 10.500 51 17 C 51 23.500 36 23.500 36 17 Z", [][4]float64{{43.5, 3, 43.5, 10}, {43.5, 31, 43.5, 24}}},
	technique.Overhand:    {"M 2 20 C 10 20 14 26 20 22 C 27 17 20 8 14 12 C 8 16 16 24 26 20", "", [][4]float64{{30, 20, 37, 20}}},
	technique.Square:      {"M 2 13 C 14 13 22 13 26 17 C 30 21 22 25 18 21 C 14 17 20 13 30 13 L 54 13 M 2 21 C 14 21 24 21 30 21 C 38 21 42 17 38 13 C 34 9 28 13 30 17 C 32 21 42 21 54 21", "", nil},
	technique.Surgeons:    {"M 2 10 C 12 10 16 14 20 18 C 24 22 28 14 32 18 C 36 22 44 24 54 24 M 2 24 C 12 24 16 22 20 18 C 24 14 28 22 32 18 C 36 14 44 10 54 10 M 20 14 C 24 10 28 10 32 14", "", nil},
	technique.HideKnot:    {"M 1 17 L 22 17 C 24 14 27 14 28 17 C 29 20 26 20 25 17 C 24 15 30 15 31 17 L 55 17", "M 38 9 C 48 9 52 13 52 17 C 52 21 48 25 38 25 C 34 22 34 12 38 9 Z", [][4]float64{{29, 11, 35, 14}}},
	technique.OpenRing:    {"", "M 14 8 C 22 8 24 14 24 17 C 24 22 20 26 14 26 C 8 26 4 22 4 17 C 4 14 6 8 13 8 M 42 10 C 50 9 52 15 52 18 C 52 23 48 27 42 27 C 36 27 32 23 32 18 C 32 13 34 7 40 5", [][4]float64{{40, 4, 36, 1}, {42.5, 11, 47, 14}}},
	technique.SimpleLoop:  {"", "M 10 33 L 10 16 L 20 16 M 28 33 L 28 16 L 36 16 C 38 12 32 8 30 12 M 46 33 L 46 20 C 40 19 40 8 46 8 C 52 8 52 19 46.500 20 M 5 28 C 5 21 15 21 15 28 M 23 28 C 23 21 33 21 33 28 M 41 28 C 41 21 51 21 51 28", nil},
	technique.WrappedLoop: {"", "M 14 33 L 14 18 C 7 17 7 5 14 5 C 21 5 21 17 14 18 L 24 18 M 42 33 L 42 16 C 35 15 35 3 42 3 C 49 3 49 15 42 16 M 38.500 17.500 L 45.500 18.500 M 38.500 19.500 L 45.500 20.500 M 38.500 21.500 L 45.500 22.500 M 9 30 C 9 24 19 24 19 30 M 37 30 C 37 24 47 24 47 30", nil},
	technique.Coil:        {"M 2 17 L 54 17", "M 14 25 L 16 9 M 18 25 L 20 9 M 22 25 L 24 9 M 26 25 L 28 9 M 30 25 L 32 9 M 34 25 L 36 9 M 16 9 L 18 25 M 20 9 L 22 25 M 24 9 L 26 25 M 28 9 L 30 25 M 32 9 L 34 25", [][4]float64{{42, 8, 48, 12}}},
	technique.CordEnd:     {"M 2 17 L 20 17 C 22 14 25 14 25 17 C 25 20 22 20 20 17", "M 18 17 C 18 10 30 8 32 15 M 18 17 C 18 24 30 26 32 19 M 32 15 L 40 15 C 46 15 46 21 40 19 L 32 19", nil},
	technique.Cone:        {"M 2 12 L 22 16 M 2 17 L 22 17 M 2 22 L 22 18", "M 14 9 L 14 25 L 36 19 L 36 15 Z M 36 17 L 42 17 C 42 13 50 13 50 17 C 50 21 42 21 42 17", nil},
	technique.FoldOver:    {"M 2 17 L 30 17", "M 12 11 L 32 11 L 32 23 L 12 23 Z M 12 11 L 12 5 L 32 5 L 32 11 M 12 23 L 12 29 L 32 29 L 32 23 M 32 17 L 36 17 C 36 13 43 13 43 17 C 43 21 36 21 36 17", [][4]float64{{22, 3, 22, 9}, {22, 31, 22, 25}}},
}

// The size of a picture, in millimetres.
const (
	pictureWide = 56.0
	pictureHigh = 34.0
)

func (p *picture) draw(k ink) {
	k.draw(drawn(p.cord), stroke(colour{86, 39, 68}, 0.9))
	k.draw(drawn(p.metal), stroke(black, 0.45))
	for _, a := range p.arrows {
		k.draw(arrow(a[0], a[1], a[2], a[3]), stroke(colour{201, 122, 16}, 0.5))
	}
}

func arrow(x0, y0, x1, y1 float64) path {
	out := line(x0, y0, x1, y1)
	dx, dy := (x0-x1)*0.3, (y0-y1)*0.3
	out.move(x1+dx-dy*0.6, y1+dy+dx*0.6)
	out.line(x1, y1)
	out.line(x1+dx+dy*0.6, y1+dy-dx*0.6)
	return out
}

// TechniqueSVG is the picture of a technique; empty of what is none.
func TechniqueSVG(name string) string {
	p, ok := pictures[technique.Technique(name)]
	if !ok {
		return ""
	}
	var b strings.Builder
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %v %v" role="img"><title>%s</title>`+"\n", pictureWide, pictureHigh, en.Technique(technique.Technique(name)))
	p.draw(svgInk{&b, 0, 0})
	b.WriteString("</svg>\n")
	return b.String()
}

// TechniqueOf is what a technique is called and how it is done.
func TechniqueOf(t technique.Technique) (title, says string) {
	return en.Technique(t), en.TechniqueSays(t)
}

// techniques shows pictures beside one another, each with its words below.
func (s *sheet) techniques(list []technique.Technique) {
	const gap = 5.0
	across := max(1, int((s.width()+gap)/(pictureWide+gap)))
	for i := 0; i < len(list); i += across {
		s.room(pictureHigh + 26)
		x, y, tall := s.pdf.GetX(), s.pdf.GetY(), 0.0
		for k, t := range list[i:min(i+across, len(list))] {
			p := pictures[t]
			left := x + float64(k)*(pictureWide+gap)
			k := pdfInk{s.pdf, left, y}
			k.draw(box(0, 0, pictureWide, pictureHigh), stroke(pale, 0.2))
			p.draw(k)
			s.pdf.SetXY(left, y+pictureHigh+1)
			s.font("bold", 9)
			s.pdf.MultiCell(pictureWide, 4, en.Technique(t), "", "L", false)
			s.pdf.SetX(left)
			s.font("", 8.5)
			s.pdf.MultiCell(pictureWide, 3.8, en.TechniqueSays(t), "", "L", false)
			tall = max(tall, s.pdf.GetY()-y)
		}
		s.pdf.SetXY(x, y+tall+4)
	}
}
