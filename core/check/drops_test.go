package check

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

// ofFilaments strings a piece on wire of this many strands.
func ofFilaments(n int) change {
	return func(_ *piece.Piece, r *piece.Row) {
		c := *r.Cord
		cord := *c.Cord
		cord.Filaments = n
		c.Cord = &cord
		r.Cord = &c
	}
}

// fineHoled puts a bead X with that hole on the tray.
func fineHoled(t *testing.T, hole float64) change {
	t.Helper()
	made := bead(t, "seed", material.Bead{Shape: material.Seed, Across: 3, Along: 2, Hole: mmOf(hole)})
	return func(p *piece.Piece, _ *piece.Row) { p.Palette["X"] = made }
}

// The beads of a drop have two passes, the one at its foot one; the cord's own stiffness
// decides whether it hangs.
func TestDropsOfTheStrandsOwnCord(t *testing.T) {
	cord := 0.38
	fireAndStayQuiet(t, map[string]fires{
		"down and back up":       {"hole-too-small", "2 passes of 0.38 mm cord need a hole of 0.76 mm; seed in the drop has 0.75 mm", necklace(t, "9P [5X . P] 9P", fineHoled(t, 2*cord-0.01)), necklace(t, "9P [5X . P] 9P", fineHoled(t, 2.2*cord))},
		"once through the foot":  {"hole-too-small", "1 pass of 0.38 mm cord", necklace(t, "9P [5P . X] 9P", fineHoled(t, cord-0.01)), necklace(t, "9P [5P . X] 9P", fineHoled(t, 1.1*cord))},
		"only just":              {"hole-too-small", "2 passes of 0.38 mm cord fill a hole of 0.76 mm; seed in the drop", necklace(t, "9P [5X . P] 9P", fineHoled(t, 2*cord)), necklace(t, "9P [5X . P] 9P", fineHoled(t, 2.2*cord))},
		"elastic gives way":      {"hole-too-small", "need a hole of 1.4 mm", stretch(t, "9R [5X . R] 9R", fineHoled(t, 1.39)), stretch(t, "9R [5X . R] 9R", fineHoled(t, 1.4))},
		"twice through a loop's": {"hole-too-small", "2 passes of 0.38 mm cord need a hole of 0.76 mm; seed in the loop has 0.75 mm", necklace(t, "9P X[20P] 9P", fineHoled(t, 2*cord-0.01)), necklace(t, "9P X[20P] 9P", fineHoled(t, 2.2*cord))},
		"once in the loop":       {"hole-too-small", "1 pass of 0.38 mm cord", necklace(t, "9P P[20X] 9P", fineHoled(t, cord-0.01)), necklace(t, "9P P[20X] 9P", fineHoled(t, 1.1*cord))},
		"again in a loop of it":  {"hole-too-small", "2 passes", necklace(t, "9P P[5P X[9P] 5P] 9P", fineHoled(t, 2*cord-0.01)), necklace(t, "9P P[5P X[9P] 5P] 9P", fineHoled(t, 2.2*cord))},
		"the tail as well":       {"hole-too-small", "3 passes", necklace(t, "P X[20P] 19P", fineHoled(t, 2.1*cord)), necklace(t, "19P X[20P] 19P", fineHoled(t, 2.2*cord))},
		"loop of stiff wire":     {"drop-stands-off", "a loop of it keeps its own curve", necklace(t, "9P P[20P] 9P", ofFilaments(7)), necklace(t, "9P P[20P] 9P", ofFilaments(19))},
		"a loop too short":       {"loop-short", "the way round pearl", necklace(t, "9P P[P] 9P"), necklace(t, "9P P[2P] 9P")},
		"wire of seven strands":  {"drop-stands-off", "Wire of 7 strands is stiff", necklace(t, "9P [5P . P] 9P", ofFilaments(7)), necklace(t, "9P [5P . P] 9P", ofFilaments(19))},
		"no drop, no standing":   {"drop-stands-off", "", necklace(t, "9P [5P . P] 9P", ofFilaments(7)), necklace(t, "19P", ofFilaments(7))},
		"strands not counted":    {"drop-stands-off", "", necklace(t, "9P [5P . P] 9P", ofFilaments(3)), necklace(t, "9P [5P . P] 9P", ofFilaments(0))},
	})
	for _, f := range all(t, necklace(t, "9P 3[5X . P] 9P", fineHoled(t, 0.5))) {
		if f.Code == "hole-too-small" && f.places() != 1 {
			t.Errorf("alike drops are %d findings", f.places())
		}
	}
}

// The fix for a loop too short hangs just enough more in it.
func TestALoopTooShortIsMended(t *testing.T) {
	fix, after := fixed(t, necklace(t, "<9P P[X] | P>", fineHoled(t, 1)), "loop-short")
	if fix == nil {
		t.Fatal("there is no fix")
	}
	d := measuredPiece(t, after).Leading().Beads[9].Drop
	if f := of(all(t, after), "loop-short"); f != nil || d.Strung > d.Round+2 {
		t.Errorf("%s: %+v, its loop takes %v of %v", after.Leading().Line, f, d.Strung, d.Round)
	}
}

// The holes of a bar take the cord that is tied in them.
func TestABarsHolesTakeTheCord(t *testing.T) {
	onBar := func(hole float64) *piece.Piece {
		bar := finding("bar", "brass", material.Finding{Type: material.FocalBar, Length: 30, Outside: 7, Wire: 2, Inside: mmOf(hole)})
		return stretch(t, "20R", func(p *piece.Piece, _ *piece.Row) {
			p.Closure, p.House.Tail = piece.Closure{Type: piece.OnBar, Left: fittings("cl", bar)}, piece.TailTrimmed
		})
	}
	narrow := all(t, onBar(0.69))
	if f := of(narrow, "hole-too-small"); f == nil || f.Severity != Stop || !strings.Contains(spoken(f), "1 pass of 0.7 mm cord need a hole of 0.7 mm; bar has 0.69 mm at each end") {
		t.Errorf("%+v", f)
	}
	for _, code := range []string{"hole-too-small", "end-unheld", "no-clasp"} {
		if f := of(all(t, onBar(0.7)), code); f != nil {
			t.Errorf("%s: %s", code, spoken(f))
		}
	}
}
