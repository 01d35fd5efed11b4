package papers

import (
	"math"
	"strconv"
	"strings"

	"mala/core/technique"
	"mala/format"
	"mala/words/en"
)

// LongestLines are the lengths of all straight lines of a paper, in millimetres.
func LongestLines(data []byte) ([]float64, error) {
	o, err := open(data)
	if err != nil {
		return nil, err
	}
	var out []float64
	for _, page := range o.pages {
		var at [2]float64
		for _, l := range strings.Split(string(page), "\n") {
			f := strings.Fields(l)
			if len(f) != 3 {
				continue
			}
			x, _ := strconv.ParseFloat(f[0], 64)
			y, _ := strconv.ParseFloat(f[1], 64)
			if f[2] == "l" {
				out = append(out, math.Hypot(x-at[0], y-at[1])*25.4/72)
			}
			at = [2]float64{x, y}
		}
	}
	return out, nil
}

// PicturesMissing are the techniques that have no picture, and pictures that cannot be read.
func PicturesMissing() (out []string) {
	for _, t := range technique.All() {
		p, ok := pictures[t]
		if !ok || en.Technique(t) == "" || en.TechniqueSays(t) == "" || p.cord != "" && drawn(p.cord) == nil || p.metal != "" && drawn(p.metal) == nil {
			out = append(out, string(t))
		}
	}
	return out
}

// reachInk keeps how far what is drawn reaches.
type reachInk struct{ left, right, up, down float64 }

func (k *reachInk) draw(p path, s style) {
	half := s.width / 2
	reach := func(x, y float64) {
		k.left, k.right = min(k.left, x-half), max(k.right, x+half)
		k.up, k.down = max(k.up, half-y), max(k.down, y+half)
	}
	at := [2]float64{}
	for _, one := range p {
		switch c := one.pts; one.do {
		case 'M', 'L':
			reach(c[0], c[1])
			at = [2]float64{c[0], c[1]}
		case 'C':
			for i := range 101 {
				u := float64(i) / 100
				v := 1 - u
				on := func(k int) float64 { return v*v*v*at[k] + 3*v*v*u*c[k] + 3*v*u*u*c[2+k] + u*u*u*c[4+k] }
				reach(on(0), on(1))
			}
			at = [2]float64{c[4], c[5]}
		}
	}
}

// DrawnFinding gives how wide and how high a finding is drawn by itself, and how high the row of
// a list is made for it; in mm.
func DrawnFinding(m *format.Material) (wide, high, row float64) {
	long, tall := findingSize(m)
	k := &reachInk{left: long}
	finding(k, roles[string(m.Type)], m, 0, long, 0)
	return k.right - k.left, 2 * max(k.up, k.down), tall
}

// TextsByPage reads the texts of a PDF page by page.
func TextsByPage(data []byte) ([][]string, error) {
	o, err := open(data)
	if err != nil {
		return nil, err
	}
	var out [][]string
	for _, page := range o.pages {
		out = append(out, textsOf(page))
	}
	return out, nil
}

// Carried is the order that a paper carries.
func Carried(data []byte) (*Order, error) {
	o, err := open(data)
	if err != nil {
		return nil, err
	}
	_, order, err := o.carries()
	return order, err
}

// SealOf is the seal that the words of a paper have.
func SealOf(data []byte) (string, error) {
	o, err := open(data)
	if err != nil {
		return "", err
	}
	return o.seal(), nil
}
