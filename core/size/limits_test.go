package size

import (
	"testing"

	"mala/core/length"
	"mala/core/piece"
)

// An ease is rounded by a twentieth of a millimetre before it decides.
func TestRangesHoldWhatIsNearlyInThem(t *testing.T) {
	for _, tt := range []struct {
		e    piece.Ease
		ease length.MM
		want bool
	}{
		{piece.Ease{From: 6, To: 15}, 5.95, true}, {piece.Ease{From: 6, To: 15}, 5.94, false},
		{piece.Ease{From: 6, To: 15}, 15.05, true}, {piece.Ease{From: 6, To: 15}, 15.06, false},
		{piece.Ease{From: 25, To: 0}, 999, true}, {piece.Ease{From: 25, To: 0}, 24.9, false},
		{piece.Ease{From: 0, To: 0}, 999, true}, {piece.Ease{From: -6, To: 0}, 0.05, true}, {piece.Ease{From: -6, To: 0}, 0.1, false},
	} {
		if got := within(tt.e, tt.ease); got != tt.want {
			t.Errorf("%v in %v to %v: %v", tt.ease, tt.e.From, tt.e.To, got)
		}
	}
}

func TestTheWordOfAnEaseOutsideOfAllRanges(t *testing.T) {
	all := []piece.Ease{{Word: "snug", From: 2, To: 6}, {Word: "loose", From: 15, To: 25}}
	for ease, want := range map[length.MM]string{1.9: TooTight, 1.96: "snug", 2: "snug", 10: TooLoose, 26: TooLoose} {
		if got := (&Fit{Ease: ease}).word(all); got != want {
			t.Errorf("%v is %q", ease, got)
		}
	}
	if got := (&Fit{Ease: 1}).word(nil); got != "" {
		t.Errorf("without ranges it is %q", got)
	}
}

func TestTheMiddleIsAimedAt(t *testing.T) {
	for _, tt := range []struct {
		wanted []piece.Ease
		want   length.MM
	}{
		{nil, 0}, {[]piece.Ease{{From: 2, To: 6}}, 4}, {[]piece.Ease{{From: 0, To: 6}, {From: 6, To: 15}}, 3},
		{[]piece.Ease{{From: 0, To: 6}, {From: 6, To: 15}, {From: 15, To: 25}}, 10.5}, {[]piece.Ease{{From: 25}}, 25},
	} {
		if got := middle(tt.wanted); got != tt.want {
			t.Errorf("of %v it aims at %v, not %v", tt.wanted, got, tt.want)
		}
	}
}

func TestAsItIsNeedsRoomAboveAndAWayOver(t *testing.T) {
	open, shut := []piece.Ease{{From: 25}}, []piece.Ease{{From: 6, To: 25}}
	for name, tt := range map[string]struct {
		fit  Fit
		want bool
	}{
		"no range":        {Fit{Ease: 30}, false},
		"an upper end":    {Fit{Ease: 10, Wanted: shut}, false},
		"too tight":       {Fit{Ease: 10, Wanted: open}, false},
		"right":           {Fit{Ease: 30, Wanted: open}, true},
		"it passes":       {Fit{Ease: 30, Wanted: open, Passage: &Passage{Passes: true}}, true},
		"it does not":     {Fit{Ease: 30, Wanted: open, Passage: &Passage{}}, false},
		"the last counts": {Fit{Ease: 30, Wanted: append(shut, open...)}, true},
	} {
		if got := tt.fit.AsItIs(); got != tt.want {
			t.Errorf("%s: %v", name, got)
		}
	}
}

func TestLengthsAreNamedUpToTheirEnds(t *testing.T) {
	p := &piece.Piece{Kind: piece.Necklace}
	p.House.Lengths = []piece.NamedLength{{Kind: piece.Bracelet, Name: "wide", From: 0, To: 999}, {Kind: piece.Necklace, Name: "choker", From: 350, To: 400}, {Kind: piece.Necklace, Name: "rope", From: 900}}
	for finished, want := range map[length.MM]string{349.9: "", 349.95: "choker", 400.05: "choker", 400.1: "", 899: "", 900: "rope", 5000: "rope"} {
		if got := LengthName(p, finished); got != want {
			t.Errorf("%v is called %q", finished, got)
		}
	}
}
