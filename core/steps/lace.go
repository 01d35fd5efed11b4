package steps

import (
	"fmt"
	"math"
	"strings"

	"mala/core/piece"
)

// laceRow tells how cords go through a row of flats, in place of stringing it.
func (w *writer) laceRow() {
	l, lace := w.s.Row.Lacing, w.s.Lace
	lie := "side by side, edge to edge"
	switch {
	case lace.Tilt > 0:
		lie = fmt.Sprintf("each leaning on the one before it, by about %.0f degrees", lace.Tilt*180/math.Pi)
	case lace.Step > 0:
		lie = fmt.Sprintf("every other one in front of its neighbours, %s further forward", w.in(lace.Step))
	case l.Pitch > 0:
		lie = fmt.Sprintf("%s from middle to middle", w.in(l.Pitch))
	}
	w.do("Lay the flats out in order, fronts up, %s.", lie)
	if tops := w.tops(); tops != "" {
		w.do("Lay %s, hole over hole, and lace both together.", tops)
	}
	w.do("%s", lacingWays[l.Way](w.s.Row.Passes))
	w.gate("Before the next end is made", fmt.Sprintf("the row measures %s", w.in(w.s.Strung)), "every front looks the same way", "the cord lies close to fronts and backs, and nothing buckles")
}

// lacingWays tell how each way goes, by how many cords there are.
var lacingWays = map[piece.LacingWay]func(cords int) string{
	piece.LacedStraight: func(cords int) string {
		says := "From the back, come up through the left hole of a flat, go over its front, down through the right hole, and along the back to the next."
		if cords > 1 {
			says += " Through four holes one cord takes the upper two, the other the lower two."
		}
		return says
	},
	piece.LacedDiagonal: func(int) string {
		return "From the back, come up through the upper left hole of a flat, cross its front to the lower right hole, go down, and at the back run up to the upper left hole of the next."
	},
	piece.LacedCrossed: func(int) string {
		return "From the back, come up with one cord through the upper left hole of a flat and down through the lower right; with the other from the lower left to the upper right, over the first. At the back each runs straight on to the next flat. Keep the cord that comes from the lower left on top on every front."
	},
}

// tops names the smaller flats that are laced on others, in the order of the row.
func (w *writer) tops() string {
	var out []string
	seen := map[string]bool{}
	for i := range w.s.Beads {
		b := &w.s.Beads[i]
		if f := b.Flat(); f != nil && f.Top != nil && !seen[b.Key] {
			seen[b.Key] = true
			out = append(out, fmt.Sprintf("%s on every %s", lower(f.Top.Name), lower(f.Of.Name)))
		}
	}
	return strings.Join(out, " and ")
}
