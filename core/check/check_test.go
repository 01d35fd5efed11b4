package check

import (
	"context"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

func mmOf(v float64) length.MM { return length.MM(v) }

func TestFixesAreTheSmallestChange(t *testing.T) {
	for _, tt := range []struct {
		name, code, says string
		piece            *piece.Piece
		line             string // after the fix; empty where the line stays
	}{
		{"between crimp and large hole", "crimp-swallowed", "Put spacer between (+1 bead", necklace(t, "4P G"), "4P G T"},
		{"outside of the group at the end of a mirror", "crimp-swallowed", "+2 beads", necklace(t, "<12(G T) | G>"), "<T 12(G T) | G>"},
		{"at both ends of what reads the same from both", "crimp-swallowed", "+2 beads", necklace(t, "G 8P G"), "T G 8P G T"},
		{"between seed and large hole", "bead-swallowed", "+1 bead", necklace(t, "3P G 2S P"), "3P G T 2S P"},
		{"in every repeat", "bead-swallowed", "+6 beads", necklace(t, "P 3(G S) P"), "P 3(G T S T) P"},
		{"a target that its wearer disagrees with", "length-off", "et the target to", necklace(t, "43P", wrist(165, ""), target(215, 3)), "43P"},
		{"a longer run", "length-off", "Change 20P to 22P", necklace(t, "20P", target(106, 3)), "22P"},
		{"a run that is not pinned", "length-off", "Change 9P to 11P", necklace(t, "20P T 9P", target(140, 2), func(p *piece.Piece, _ *piece.Row) { p.Pins = []piece.Pin{{Row: "r1", Run: "20P"}, {Letter: "T"}} }), "20P T 11P"},
		{"an open fill gets the target that suits", "ease-off", "Set the target to", stretch(t, "{R}", wrist(165, ""), target(150, 3)), "{R}"},
		{"finish the repeat", "loop-break", "Finish the repeat (+2 beads", stretch(t, "5(P 2T 2F) P 2T"), "5(P 2T 2F) P 2T 2F"},
		{"a ring with a bead too few", "pattern-break", "(+1 bead", stretch(t, "5(P 2T) P T"), "5(P 2T) P 2T"},
		{"a ring with a bead too many", "pattern-break", "(−1 bead", stretch(t, "5(P 2T) P"), "5(P 2T)"},
		{"a second centre", "loop-break", "Put bead F at the join (+1 bead", stretch(t, "<A B P D I | F>"), "<A B P D I | F> F"},
		{"finish as it begins", "centre-parity", "Finish it as it begins (+2 beads", necklace(t, "15(2P S)"), "15(2P S) 2P"},
		{"a missed bead", "pattern-break", "Put pearl there (+1 bead", necklace(t, "5P T 3P T 4P G 4P T 3P T 4P"), "5P T 3P T 4P G 4P T 3P T 5P"},
		{"the last bead", "pattern-break", "Put spacer there (+1 bead", necklace(t, "T 9P G 9P"), "T 9P G 9P T"},
		{"the other cap", "pattern-break", "Put cap there (+1 bead", necklace(t, "9P C R 9P"), "9P C R ~C 9P"},
		{"the centre", "pattern-break", "Put pearl there (+1 bead", necklace(t, "9P G 10P"), "10P G 10P"},
		{"another bead", "pattern-break", "Replace it with bead F", necklace(t, "A B F A B F A B B 4(A B F)"), "A B F A B F A B F 4(A B F)"},
		{"one too many", "pattern-break", "Remove bead 13", necklace(t, "3(P P T) P P T T 4(P P T)"), "3(P P T) 2P T 4(P P T)"},
		{"a cap the wrong way", "cap-misfit", "Reverse the cap", necklace(t, "3P ~C H 3P"), "3P C H 3P"},
		{"trimmed tails", "hole-too-small", "Trim the tails short", necklace(t, "20Z"), ""},
		{"a crimp that grips", "crimp-misfit", "Use crimp instead", necklace(t, "20P", leftEnd(tinyCrimp)), ""},
		{"a cover that closes", "cover-misfit", "Use cover 3 instead", necklace(t, "20P", leftEnd(crimp18, bigCover)), ""},
		{"the house's slack", "slack-short", "Use the house's", necklace(t, "20P", slack(0)), ""},
		{"no more than is needed", "slack-short", "Plan 2.3 mm of slack", necklace(t, "20P", slack(0), func(p *piece.Piece, _ *piece.Row) { p.House.Slack = piece.SlackEasy }), ""},
		{"and where there is too much", "slack-long", "Use the house's", necklace(t, "20P", slack(12)), ""},
		{"rings at the bar", "toggle-blocked", "at the bar", necklace(t, "20P R", closed(toggle10)), ""},
		{"a wider ring", "ring-too-small", "Use jump ring instead", necklace(t, "20P", closed(lobster, fine)), ""},
		{"a ring between", "clasp-closed-eye", "Put jump ring between", necklace(t, "20P", closed(lobster, soldered)), ""},
		{"a ring at the chain", "chain-soldered", "Put jump ring between", necklace(t, "20P", closed(lobster), func(p *piece.Piece, _ *piece.Row) { p.Closure.Right = fittings("cr", chainShut, soldered) }), ""},
		{"a stronger ring", "weak-link", "Use split ring instead", necklace(t, "20P", weighing(4.2)), ""},
		{"one metal", "metals-differ", "Use jump ring instead", necklace(t, "20P", closed(lobster, jump, silver)), ""},
		{"a stouter elastic", "elastic-misfit", "String it on elastic, 0.8 mm", stretch(t, "20H", cordOf(elastic(0.4))), ""},
		{"a knot that may show", "knot-shows", "Leave the knot visible", stretch(t, "20P"), ""},
		{"another cut", "leg-short", "Cut a new one of", necklace(t, "20P", cutTo(40)), ""},
		{"a crimp", "end-unheld", "Crimp it with", necklace(t, "20P", leftEnd()), ""},
		{"a clasp", "no-clasp", "Close it with lobster", necklace(t, "20P", closed()), ""},
	} {
		fix, after := fixed(t, tt.piece, tt.code, shelf(t)...)
		if fix == nil || !strings.Contains(spoken(fix), tt.says) {
			t.Errorf("%s: %+v, want one saying %q", tt.name, fix, tt.says)
			continue
		}
		if got := after.Leading().Line.String(); tt.line != "" && got != tt.line {
			t.Errorf("%s: the line became %q, want %q", tt.name, got, tt.line)
		}
		if f := of(all(t, after), tt.code); f != nil && f.Severity != Advise {
			t.Errorf("%s: %q leaves %s", tt.name, spoken(fix), spoken(f))
		}
	}
}

func TestAFixThatBringsAnotherWarningIsNotOffered(t *testing.T) {
	// Any change of the counts that suits the wrist leaves the target; only both together do.
	fix, after := fixed(t, stretch(t, "20R", wrist(165, ""), target(158.7, 3)), "ease-off")
	if fix == nil || !strings.Contains(spoken(fix), "and set the target to") || of(all(t, after), "length-off") != nil {
		t.Errorf("fix %+v", fix)
	}
	if fix, _ := fixed(t, necklace(t, "3P G", func(p *piece.Piece, _ *piece.Row) {
		p.Palette = map[string]*material.Material{"P": p.Palette["P"], "G": p.Palette["G"]}
		p.Palette["P"] = bead(t, "wide", material.Bead{Shape: material.Round, Across: 4, Hole: 2})
	}), "crimp-swallowed"); fix != nil {
		t.Errorf("with nothing that keeps them apart: %q", spoken(fix))
	}
}

func TestAFixFetchesFromTheShelf(t *testing.T) {
	p := necklace(t, "3P G", func(p *piece.Piece, _ *piece.Row) {
		p.Palette = map[string]*material.Material{"P": bead(t, "wide", material.Bead{Shape: material.Round, Across: 4, Hole: 2}), "G": p.Palette["G"]}
	})
	fix, after := fixed(t, p, "crimp-swallowed", shelf(t)...)
	if fix == nil || after.Palette["A"] == nil || after.Palette["A"].ID != "shelf spacer" {
		t.Errorf("fix %+v, dishes %v", fix, after)
	}
}

func TestACapIsPutInTheRightWayRound(t *testing.T) {
	p := necklace(t, "H", func(p *piece.Piece, _ *piece.Row) {
		p.Palette = map[string]*material.Material{"H": p.Palette["H"], "C": p.Palette["C"]}
		p.House.Tail = piece.TailTrimmed
	})
	if fix, after := fixed(t, p, "crimp-swallowed"); fix == nil || after.Leading().Line.String() != "C H ~C" {
		t.Errorf("%+v gives %v", fix, after)
	}
}

func TestTheSearchForAFixEndsWithItsContext(t *testing.T) {
	p := necklace(t, "3P G")
	m := measuredPiece(t, p)
	found := All(m)
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	if fix := FixOf(ctx, m, found, of(found, "crimp-swallowed"), Shelf{}); fix != nil {
		t.Errorf("found %q", spoken(fix))
	}
}

func TestTheGravestComesFirstAndWaivedOnesLast(t *testing.T) {
	p := necklace(t, "2G", target(400, 3))
	found := all(t, p)
	if len(found) < 2 || found[0].Severity != Stop || found[len(found)-1].Severity == Stop {
		t.Errorf("found %+v", found)
	}
	p = necklace(t, "3P G", target(400, 3))
	at := p.Leading().AtEnd(piece.Right)
	p.Waived = []piece.Waiver{{Code: "crimp-swallowed", At: at, Note: "glued, as asked"}}
	found = all(t, p)
	last := found[len(found)-1]
	if last.Code != "crimp-swallowed" || last.Waived != "glued, as asked" {
		t.Errorf("last is %+v", last)
	}
	p.Waived[0].At.Side = piece.Left
	if f := of(all(t, p), "crimp-swallowed"); f.Waived != "" {
		t.Error("a waiver for the other end waives nothing here")
	}
	p.Waived[0] = piece.Waiver{Code: "length-off", At: piece.Whole(), Note: "as asked"}
	if f := of(all(t, p), "length-off"); f.Waived != "as asked" {
		t.Error("a waiver for the whole piece covers its strand")
	}
}

func TestAlikeFindingsAreOneWithAllTheirPlaces(t *testing.T) {
	f := of(all(t, necklace(t, "P G S P G S P G S P")), "bead-swallowed")
	if f == nil || f.places() != 3 || f.At.Element != 2 || f.More[1].Element != 8 {
		t.Errorf("found %+v", f)
	}
	n := 0
	for _, f := range all(t, necklace(t, "20P 9Z 3V 9Z 20P H V H V H")) {
		if f.Code == "charm-hidden" {
			n++
		}
	}
	if n != 1 {
		t.Errorf("%d findings of hidden charms, want 1 beside wood", n)
	}
}

func TestEveryFindingHasAPlaceAndASentence(t *testing.T) {
	for _, f := range all(t, necklace(t, "G 3(G S) 20Z G", target(900, 2), closed())) {
		if titled(f) == "" || !strings.HasSuffix(spoken(f), ".") || f.Step == "" || f.Code != "no-clasp" && f.At.Row != "r1" {
			t.Errorf("%+v says too little", f)
		}
		if f.At.Element >= 0 && f.Column < 1 {
			t.Errorf("%s is at bead %d but at no column", f.Code, f.At.Element)
		}
	}
}

func TestAShopWithoutWordsOfEaseStillSeesWhatWillNotPass(t *testing.T) {
	bare := house(func(h *piece.House) { h.Ease = nil })
	if f := of(all(t, stretch(t, "20P", wrist(165, ""), bare)), "ease-off"); f == nil || f.Severity != Stop {
		t.Errorf("found %+v", f)
	}
	if f := of(all(t, stretch(t, "60P", wrist(165, ""), bare)), "ease-off"); f != nil {
		t.Errorf("with nothing to hold it to: %s", spoken(f))
	}
}
