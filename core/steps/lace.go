package steps

import (
	"math"
)

// laceRow tells how cords go through a row of flats, in place of stringing it.
func (w *writer) laceRow() {
	l, lace := w.s.Row.Lacing, w.s.Lace
	w.do("lay-flats", LayFlats{lace.Tilt * 180 / math.Pi, lace.Step, l.Pitch})
	if tops := w.tops(); len(tops) > 0 {
		w.do("lay-tops", LayTops{tops})
	}
	w.do("lace", Lace{l.Way, w.s.Row.Passes})
	w.gate("laced", BeforeNextEnd{}, LacedLong{w.s.Strung}, FrontsAlike{}, LiesClose{})
}

// tops names the smaller flats that are laced on others, in the order of the row.
func (w *writer) tops() []Top {
	var out []Top
	seen := map[string]bool{}
	for i := range w.s.Beads {
		b := &w.s.Beads[i]
		if f := b.Flat(); f != nil && f.Top != nil && !seen[b.Key] {
			seen[b.Key] = true
			out = append(out, Top{f.Top, f.Of})
		}
	}
	return out
}
