package check

import (
	"mala/core/design"
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// across puts a round bead of that width into dish B, with a fine hole.
func across(t *testing.T, mm length.MM) change {
	return func(p *piece.Piece, _ *piece.Row) {
		p.Palette["B"] = bead(t, "under", material.Bead{Shape: material.Round, Across: mm, Hole: 0.9})
	}
}

// The cap C is 6 mm wide. Opening to the outside of the strand, it faces away from
// a bead at its back that is as wide to within 0.05 mm, unless what it opens to is
// at least 0.8 times its width.
func TestWhatACapFacesAwayFrom(t *testing.T) {
	for _, tt := range []struct {
		line  string
		under length.MM
		title string
	}{
		{"9P ~C B C 9P", 8, "Cap faces away from its bead"},
		{"9P ~C B C 9P", 5.951, "Cap faces away from its bead"},
		{"9P ~C B C 9P", 5.949, "Cap wider than its bead"},
		{"~C B C", 8, "Cap faces away from its bead"},
		{"R ~C B C R", 8, ""},
		{"9P C B ~C 9P", 8, ""},
		{"9P C B ~C 9P", 5.951, "Cap does not meet its bead"},
		{"9P C B ~C 9P", 5.9, "Cap wider than its bead"},
		{"P C ~C P", 8, ""},
	} {
		f := of(all(t, necklace(t, tt.line, across(t, tt.under))), "cap-misfit")
		if got := title(f); got != tt.title {
			t.Errorf("%s over %v: %q, want %q", tt.line, tt.under, got, tt.title)
		}
	}
	for beside, want := range map[length.MM]string{4.799: "Cap faces away from its bead", 4.801: "Cap wider than its bead"} {
		if got := title(of(all(t, necklace(t, "B ~C R C B", across(t, beside))), "cap-misfit")); got != want {
			t.Errorf("opening to %v: %q, want %q", beside, got, want)
		}
	}
}

func title(f *Problem) string {
	if f == nil {
		return ""
	}
	return titled(f)
}

func TestEveryCapThatFacesAwayIsTurnedRound(t *testing.T) {
	for line, want := range map[string]string{
		"9P ~C R C 9P": "9P C R ~C 9P", "9P C R C 9P": "9P C R ~C 9P", "<9P ~C | R>": "<9P C | R>", "4P 3(P ~C R C P) 4P": "4P 3(P C R ~C P) 4P",
	} {
		if fix, after := fixed(t, necklace(t, line), "cap-misfit"); fix == nil || after.Leading().Line.String() != want {
			t.Errorf("%s: %+v gives %v", line, fix, after)
		}
	}
}

// How many beads of its beginning a line of whole repeats lacks, by hand.
func TestWhatARepeatLacksToEndAsItBegins(t *testing.T) {
	for line, want := range map[string]int{
		"3(A B)": 1, "4(A B)": 1, "2(A B)": 0, "5(A)": 0,
		"3(A B D B)": 1, "4(A B D B)": 1, "3(B A B D)": 3, "4(B A B D)": 3,
		"3(A A B)": 2, "4(A A B)": 0, "3(A B B)": 0, "4(A B B)": 1, "5(A A B)": 2,
		"3(A B D)": 0, "3(A B A)": 0, "3(A B) A": 0, "3(A B) D": 0,
	} {
		s := measuredPiece(t, necklace(t, line)).Leading()
		if got := ending(design.Order(s)); got != want {
			t.Errorf("%s lacks %d, want %d", line, got, want)
		}
	}
}

func TestTheEndIsSpelledWithItsTurns(t *testing.T) {
	s := measuredPiece(t, necklace(t, "2P ~C A A B")).Leading()
	if got := spell(s, 1, 5); got != "P ~C 2A" {
		t.Errorf("spelled %q", got)
	}
	if op := edit.FieldsOf(appended(s, "B")); op.Text != "2P ~C 2A 2B" || op.At.Row != "r1" {
		t.Errorf("appended: %+v", op)
	}
}

// Six beads are judged, five are not, and a ring has no centre.
func TestFromSixBeadsOnALineHasACentre(t *testing.T) {
	for line, want := range map[string]bool{"3(A B)": true, "<A B | D P>": true, "<A B | D D>": false, "<A | B D P>": false, "<A B | D>": false} {
		if f := of(all(t, necklace(t, line)), "centre-parity"); (f != nil) != want {
			t.Errorf("%s: %+v", line, f)
		}
	}
	if f := of(all(t, stretch(t, "30(A B)")), "centre-parity"); f != nil {
		t.Errorf("a ring: %s", spoken(f))
	}
}

// A charm is hidden behind the wider of its neighbours, and shows again once it
// hangs lower than that reaches.
func TestACharmIsHiddenByTheWiderBeadBesideIt(t *testing.T) {
	for line, want := range map[string]string{
		"9P V H 9P": "wood beside it reaches 4 mm", "9P H V 9P": "wood beside it reaches 4 mm", "G V H": "lantern beside it reaches 5 mm", "H V G": "lantern beside it reaches 5 mm",
		"V H": "wood", "H V": "wood", "V": "", "9P V 9P": "", "9P H Q H 9P": "",
	} {
		f := of(all(t, necklace(t, line)), "charm-hidden")
		if want == "" && f != nil || want != "" && (f == nil || !strings.Contains(spoken(f), want)) {
			t.Errorf("%s: %+v, want %q", line, f, want)
		}
	}
}

// Only a bead the charm hangs lower than is put beside it.
func TestAHiddenCharmIsSetOffByAFinerBead(t *testing.T) {
	only := func(keys string) change {
		return func(p *piece.Piece, _ *piece.Row) {
			all := p.Palette
			p.Palette = map[string]*material.Material{}
			for _, key := range strings.Fields(keys) {
				p.Palette[key] = all[key]
			}
			p.House.Tail = piece.TailTrimmed
		}
	}
	fix, after := fixed(t, necklace(t, "4R V 4R", only("R V P")), "charm-hidden")
	if fix == nil || !strings.Contains(after.Leading().Line.String(), "P V P") {
		t.Errorf("%+v gives %v", fix, after)
	}
	justAsWide := func(p *piece.Piece, _ *piece.Row) {
		p.Palette["D"] = bead(t, "just as wide", material.Bead{Shape: material.Round, Across: 8, Hole: 0.9})
	}
	if fix, _ := fixed(t, necklace(t, "4R V 4R", only("R V"), justAsWide), "charm-hidden"); fix != nil {
		t.Errorf("with nothing finer: %s", spoken(fix))
	}
}
