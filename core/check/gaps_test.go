package check

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

// heldBy holds the beads of a strand apart.
func heldBy(way piece.HolderWay, of *material.Material) change {
	return func(p *piece.Piece, r *piece.Row) { r.Holder = piece.Holder{Way: way, Of: of} }
}

func TestBeadsThatStandApart(t *testing.T) {
	crimps := heldBy(piece.HeldByCrimps, crimp18)
	fireAndStayQuiet(t, map[string]fires{
		"nothing holds them":       {"gap-unheld", "at 4 places", necklace(t, "9P _10mm P _10mm 9P"), necklace(t, "9P _10mm P _10mm 9P", heldBy(piece.HeldByFriction, nil))},
		"a gap at an end alone":    {"gap-unheld", "at one place", necklace(t, "_10mm 9P"), necklace(t, "9P")},
		"two crimps in the gap":    {"gap-short", "2 crimps to hold what lies beside it take 4 mm; this gap is 3.9 mm", necklace(t, "9P _3.9mm 9P", crimps), necklace(t, "9P _4mm 9P", crimps)},
		"one crimp at an end":      {"gap-short", "A crimp to hold what lies beside it takes 2 mm; this gap is 1.9 mm", necklace(t, "_1.9mm 9P", crimps), necklace(t, "_2mm 9P", crimps)},
		"a pitch with little left": {"gap-short", "2 crimps", necklace(t, "9P @7.8mm 9P", crimps), necklace(t, "9P @8mm 9P", crimps)},
		"a crimp slips in":         {"gap-slips", "A crimp is about 1.44 mm thick; lantern has a hole of 2.5 mm", necklace(t, "9P _10mm G _10mm 9P", crimps), necklace(t, "9P _10mm 2P G 2P _10mm 9P", crimps)},
		"knots in wire":            {"gap-unheld", "cannot be knotted", necklace(t, "9P _10mm 9P", heldBy(piece.HeldByKnots, nil)), necklace(t, "9P _10mm 9P", heldBy(piece.HeldByFriction, nil))},
		"a knot slips in":          {"gap-slips", "A knot is about", necklace(t, "9P _10mm G _10mm 9P", heldBy(piece.HeldByKnots, nil)), necklace(t, "9P _10mm G _10mm 9P", heldBy(piece.HeldByFriction, nil))},
	})
}

// Bare cord is no bead with a hole too small, no neighbour of a cap, no bead at a centre.
func TestBareCordIsNotJudgedAsABead(t *testing.T) {
	held := heldBy(piece.HeldByFriction, nil)
	for _, line := range []string{"<9P _10mm | P>", "9P _10mm 9P", "_10mm 9P _10mm", "3(P _10mm) P"} {
		for _, f := range all(t, necklace(t, line, held)) {
			if f.Severity == Stop || f.Code == "hole-too-small" || f.Code == "cap-misfit" || f.Code == "bead-swallowed" || f.Code == "charm-hidden" {
				t.Errorf("%s: %s: %s", line, f.Code, spoken(f))
			}
		}
	}
	if f := of(all(t, stretch(t, "12(R _4mm)", held)), "loop-break"); f != nil {
		t.Errorf("twelve alike round a ring: %s", spoken(f))
	}
	uneven := "3(P _10mm) P _9mm P 3(_10mm P)"
	if f := of(all(t, necklace(t, uneven, held)), "pattern-break"); f != nil && !strings.Contains(spoken(f), "gap") {
		t.Errorf("%s: %s", uneven, spoken(f))
	}
}

// What holds beads apart is chosen by the fix as the row's own crimp, or as knots.
func TestTheFixOfBeadsThatNothingHolds(t *testing.T) {
	for name, tt := range map[string]struct {
		piece *piece.Piece
		want  piece.Holder
	}{
		"on crimped wire": {necklace(t, "9P _10mm 9P"), piece.Holder{Way: piece.HeldByCrimps, Of: crimp18}},
		"on a ring":       {stretch(t, "12(R _6mm)"), piece.Holder{Way: piece.HeldByKnots}},
	} {
		if fix, after := fixed(t, tt.piece, "gap-unheld"); fix == nil || after.Leading().Holder != tt.want {
			t.Errorf("%s: %+v leaves %v", name, fix, after)
		}
	}
}

// A gap that is too short for its crimps is made so long that they go in, read as it was; a crimp that
// slips into a bead gives way to a wider one.
func TestTheFixesOfGapsAndWhatHoldsThem(t *testing.T) {
	crimps := heldBy(piece.HeldByCrimps, crimp18)
	for line, want := range map[string]string{"9P _3.9mm 9P": "9P _4mm 9P", "9P @7.8mm 9P": "9P @8mm 9P", "_1.2mm 9P": "_2mm 9P"} {
		if fix, after := fixed(t, necklace(t, line, crimps), "gap-short"); fix == nil || after.Leading().Line.String() != want {
			t.Errorf("%s: %+v", line, fix)
		}
	}
	wide := finding("crimp for large holes", "", material.Finding{Type: material.CrimpTube, Inside: 0.6, Outside: 3.4, Length: 2})
	fix, after := fixed(t, necklace(t, "9P _10mm G _10mm 9P", crimps), "gap-slips", crimp18, wide)
	if fix == nil || after.Leading().Holder.Of != wide {
		t.Errorf("%+v", fix)
	}
}
