package size

import (
	"math"
	"slices"
	"testing"

	"mala/core/length"
	"mala/core/piece"
)

// A piece that sat comfortably has its wearer's measure and the middle of that ease inside; one
// that was too tight has no more ease than the tightest range begins with.
func TestTriedOn(t *testing.T) {
	ring := ring(t, piece.Body{Part: "wrist"}).Piece
	clasped := of(t, "22R", piece.Closure{Type: piece.Clasp}, ring.Leading().Cord.Cord, piece.Bracelet, piece.Body{}).Piece
	clasped.Body = nil
	necklace := *clasped
	necklace.Kind = piece.Necklace
	if got := SatWords(clasped); !slices.Equal(got, []string{TooTight, "snug", "comfortable", "loose", TooLoose}) {
		t.Errorf("%q", got)
	}
	if got := SatWords(&necklace); !slices.Equal(got, []string{TooTight, "close", "free"}) {
		t.Errorf("%q", got)
	}
	for _, tt := range []struct {
		p             *piece.Piece
		inside        length.MM
		sat           string
		measure, ease length.MM
		ok            bool
	}{
		{clasped, 170, TooTight, 170, 0, true}, {clasped, 170, "snug", 167, 3, true}, {clasped, 170, "comfortable", 159.5, 10.5, true},
		{clasped, 170, "loose", 150, 20, true}, {clasped, 170, TooLoose, 145, 25, true}, {clasped, 170, "fine", 0, 0, false}, {clasped, 3, "comfortable", 0, 0, false},
		{ring, 151.4, TooTight, 157.4, -6, true}, {ring, 151.4, "comfortable", 151.4, 0, true},
		{&necklace, 400, "free", 375, 25, true}, {&necklace, 400, TooLoose, 0, 0, false},
	} {
		measure, ease, ok := TriedOn(tt.p, tt.inside, tt.sat)
		if ok != tt.ok || ok && (math.Abs(float64(measure-tt.measure)) > 1e-9 || ease != tt.ease) {
			t.Errorf("%v inside, %s: %v, %v, %v; want %v, %v, %v", tt.inside, tt.sat, measure, ease, ok, tt.measure, tt.ease, tt.ok)
		}
	}
}

func TestCoversAndTheLengthForAnInside(t *testing.T) {
	m := ring(t, piece.Body{Part: "wrist"})
	if got := Covers(m.Piece, 151.44); !slices.Equal(got, []string{"age 8-10", "age 11-13", "adult small"}) {
		t.Errorf("%q", got)
	}
	if got := Covers(m.Piece, 300); len(got) > 0 {
		t.Errorf("%q", got)
	}
	// 22 rounds of 8 are 174.62 long and 151.44 inside; 10 more inside are 10 more round it.
	if got, ok := ForInside(m, 161.44); !ok || got != 185 {
		t.Errorf("%v, %v", got, ok)
	}
}
