package check

import (
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
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
	for name, tt := range map[string]struct {
		code, says   string
		fires, quiet *piece.Piece
	}{
		"a hole too fine": {"riders-blocked", "A hole of 4 mm passes over nothing here: pearl", necklace(t, "Z 60P Z", rode(t, "5G", 4)), necklace(t, "Z 60P Z", rode(t, "5G", 4.01))},
		"too many":        {"riders-blocked", "riders take", necklace(t, "Z 20P Z", rode(t, "16G", 4.2)), necklace(t, "Z 20P Z", rode(t, "15G", 4.2))},
		"nothing stops":   {"rider-slips", "At the left and the right nothing is wider than the riders' hole of 8.9 mm", necklace(t, "60P", rode(t, "5G", 8.9), unclasped), necklace(t, "Z 60P Z", rode(t, "5G", 5.9), unclasped)},
	} {
		if f := of(all(t, tt.fires), tt.code); f == nil || !strings.Contains(f.Says, tt.says) {
			t.Errorf("%s: %+v, want %q", name, f, tt.says)
		}
		if f := of(all(t, tt.quiet), tt.code); f != nil {
			t.Errorf("%s fired on its near miss: %s", name, f.Says)
		}
	}
}

// unclasped leaves the ends with nothing but their crimps.
func unclasped(p *piece.Piece, _ *piece.Row) { p.Closure.Left = nil }

func TestTooManyRidersAreMended(t *testing.T) {
	m := measuredPiece(t, necklace(t, "Z 20P Z", rode(t, "18G", 4.2)))
	found := All(m, length.InMillimetres)
	fix := FixOf(t.Context(), m, found, of(found, "riders-blocked"), Bench{})
	if fix == nil || !strings.HasPrefix(fix.Says, "Leave 15 riders") {
		t.Fatalf("%+v", fix)
	}
	after, _, err := edit.Apply(m.Piece, nil, fix.Ops...)
	if err != nil || after.Leading().Riders.String() != "15G" {
		t.Errorf("%v, %v", after, err)
	}
}

func TestRidersThatSlipAreStopped(t *testing.T) {
	m := measuredPiece(t, necklace(t, "<30P | P>", rode(t, "5G", 5.5), func(p *piece.Piece, r *piece.Row) { p.Closure.Left = nil }))
	found := All(m, length.InMillimetres)
	fix := FixOf(t.Context(), m, found, of(found, "rider-slips"), Bench{})
	if fix == nil {
		t.Fatal("there is no fix")
	}
	after, _, err := edit.Apply(m.Piece, nil, fix.Ops...)
	if err != nil {
		t.Fatal(err)
	}
	if f := of(all(t, after), "rider-slips"); f != nil {
		t.Errorf("%s: %s", after.Leading().Line, f.Says)
	}
}
