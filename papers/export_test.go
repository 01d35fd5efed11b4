package papers

import (
	"math"
	"strconv"
	"strings"

	"mala/core/technique"
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
		if !ok || p.title == "" || p.says == "" || p.cord != "" && drawn(p.cord) == nil || p.metal != "" && drawn(p.metal) == nil {
			out = append(out, string(t))
		}
	}
	return out
}
