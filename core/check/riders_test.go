package check

import (
	"maps"
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

// rode puts riders G, tubes of that hole, on a row of pearls of 4 between spacers Z of 6.
func rode(t *testing.T, riders string, hole float64) change {
	t.Helper()
	tube := bead(t, "hoop", material.Bead{Shape: material.Tube, Across: 9, Along: 5, Hole: mmOf(hole)})
	wide := bead(t, "wide stone", material.Bead{Shape: material.Round, Across: 6, Hole: 1})
	return func(p *piece.Piece, r *piece.Row) {
		p.Palette["G"], p.Palette["Z"] = tube, wide
		r.Riders = necklace(t, riders).Leading().Line
	}
}

func TestRidersThatDoNotSlideOrStay(t *testing.T) {
	fireAndStayQuiet(t, map[string]fires{
		"a hole too fine": {"riders-blocked", "A hole of 4 mm passes over nothing here: pearl", necklace(t, "Z 60P Z", rode(t, "5G", 4)), necklace(t, "Z 60P Z", rode(t, "5G", 4.01))},
		"too many":        {"riders-blocked", "sliding beads take", necklace(t, "Z 18P Z", rode(t, "15G", 4.2)), necklace(t, "Z 18P Z", rode(t, "14G", 4.2))},
		"nothing stops":   {"rider-slips", "At the left and the right nothing is wider than the sliding beads' hole of 8.9 mm", necklace(t, "60P", rode(t, "5G", 8.9), unclasped), necklace(t, "Z 60P Z", rode(t, "5G", 6), unclasped)},
	})
}

// A rider too long for its run by itself cannot be left out of its own row.
func TestOneRiderTooLongHasNoFix(t *testing.T) {
	if fix, _ := fixed(t, necklace(t, "Z P Z", rode(t, "G", 4.2)), "riders-blocked"); fix != nil {
		t.Errorf("%+v", fix)
	}
}

// unclasped leaves the ends with nothing but their crimps.
func unclasped(p *piece.Piece, _ *piece.Row) { p.Closure.Left = nil }

func TestTooManyRidersAreMended(t *testing.T) {
	fix, after := fixed(t, necklace(t, "Z 20P Z", rode(t, "18G", 4.2)), "riders-blocked")
	if fix == nil || !strings.HasPrefix(spoken(fix), "Leave 15 sliding beads") || after.Leading().Riders.String() != "15G" {
		t.Errorf("%+v leaves %v", fix, after)
	}
}

func TestRidersThatSlipAreStopped(t *testing.T) {
	fix, after := fixed(t, necklace(t, "<30P | P>", rode(t, "5G", 5.5), unclasped), "rider-slips")
	if fix == nil {
		t.Fatal("there is no fix")
	}
	if f := of(all(t, after), "rider-slips"); f != nil {
		t.Errorf("%s: %s", after.Leading().Line, spoken(f))
	}
}

// A bead just as wide as the riders' hole stops them, as it is not passed.
func TestABeadAsWideAsTheHoleStopsRiders(t *testing.T) {
	fix, after := fixed(t, necklace(t, "<30P | P>", rode(t, "5G", 6), func(p *piece.Piece, r *piece.Row) {
		unclasped(p, r)
		maps.DeleteFunc(p.Palette, func(key string, _ *material.Material) bool { return key != "P" && key != "Z" && key != "G" })
	}), "rider-slips")
	if fix == nil || !strings.HasPrefix(spoken(fix), "End the run with wide stone") || after.Leading().Line.String() != "<Z 30P | P>" {
		t.Errorf("%+v leaves %v", fix, after)
	}
}
