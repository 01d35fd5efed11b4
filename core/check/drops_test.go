package check

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

// ofFilaments strings a piece on wire of so many strands.
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
	for name, tt := range map[string]struct {
		code, says   string
		fires, quiet *piece.Piece
	}{
		"down and back up":       {"hole-too-small", "2 passes of 0.38 mm cord need a hole of 0.76 mm; seed in the drop has 0.75 mm", necklace(t, "9P [5X . P] 9P", fineHoled(t, 2*cord-0.01)), necklace(t, "9P [5X . P] 9P", fineHoled(t, 2*cord))},
		"once through the foot":  {"hole-too-small", "1 pass of 0.38 mm cord", necklace(t, "9P [5P . X] 9P", fineHoled(t, cord-0.01)), necklace(t, "9P [5P . X] 9P", fineHoled(t, cord))},
		"wire of seven strands":  {"drop-stands-off", "Wire of 7 strands is stiff", necklace(t, "9P [5P . P] 9P", ofFilaments(7)), necklace(t, "9P [5P . P] 9P", ofFilaments(19))},
		"no drop, no standing":   {"drop-stands-off", "", necklace(t, "9P [5P . P] 9P", ofFilaments(7)), necklace(t, "19P", ofFilaments(7))},
		"strands nobody counted": {"drop-stands-off", "", necklace(t, "9P [5P . P] 9P", ofFilaments(3)), necklace(t, "9P [5P . P] 9P", ofFilaments(0))},
	} {
		if f := of(all(t, tt.fires), tt.code); f == nil || !strings.Contains(f.Says, tt.says) {
			t.Errorf("%s: %+v, want %q", name, f, tt.says)
		}
		if f := of(all(t, tt.quiet), tt.code); f != nil {
			t.Errorf("%s fired on its near miss: %s", name, f.Says)
		}
	}
	for _, f := range all(t, necklace(t, "9P 3[5X . P] 9P", fineHoled(t, 0.5))) {
		if f.Code == "hole-too-small" && f.places() != 1 {
			t.Errorf("alike drops are %d findings", f.places())
		}
	}
}
