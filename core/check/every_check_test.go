package check

import (
	"strings"
	"testing"

	"mala/core/material"
	"mala/core/piece"
)

// Each check with a piece that fires it and a near miss that does not.
func TestEveryCheckFiresAndItsNearMissDoesNot(t *testing.T) {
	m := measuredPiece(t, necklace(t, "20P"))
	path, cut := m.Leading().PathLength(), m.Leading().CutLength()
	ring := measuredPiece(t, stretch(t, "22R")).Leading()
	ringed := func(p *piece.Piece, _ *piece.Row) { p.Closure.Right = fittings("cr", jump) }
	fits := house(func(h *piece.House) { h.KnotPlace = piece.KnotFits })
	shown := house(func(h *piece.House) { h.KnotPlace = piece.KnotShown })
	flat := house(func(h *piece.House) { h.Crimp = piece.CrimpFlat })
	strong := func(n float64) *material.Material {
		c := wire(0.38)
		c.Cord.Strength = n
		return c
	}
	for _, tt := range []struct {
		code         string
		severity     Severity
		says         string
		fires, quiet *piece.Piece
	}{
		{"hole-too-small", Stop, "2 passes of 0.38 mm cord need a hole of 0.76 mm; fine pearl, 14 beads here, has 0.6 mm", necklace(t, "20Z"), necklace(t, "8P 20Z 8P")},
		{"hole-too-small", Warn, "need a hole of 0.58 mm", necklace(t, "20Z", cordOf(wire(0.29))), necklace(t, "20Z", cordOf(wire(0.27)))},
		{"crimp-swallowed", Stop, "crimp is 1.44 mm wide once closed and slips into the 2.5 mm hole of lantern at the right end", necklace(t, "3P G"), necklace(t, "3P G P")},
		{"crimp-swallowed", Stop, "2.4 mm", necklace(t, "3P G", ends(finding("three", "", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 3, Length: 2}))),
			necklace(t, "3P G", ends(finding("three", "", material.Finding{Type: material.CrimpTube, Inside: 1.3, Outside: 3, Length: 2})), flat)},
		{"bead-swallowed", Warn, "2.2 mm across and slips into the 2.5 mm hole of lantern", necklace(t, "3P G 2S P"), necklace(t, "3P G T 2S P")},
		{"length-off", Warn, "3.2 mm under the target", necklace(t, "20P", target(m.Finished+3.2, 3)), necklace(t, "20P", target(m.Finished+2.9, 3))},
		{"length-off", Warn, "3.2 mm over the target", necklace(t, "20P", target(m.Finished-3.2, 3)), necklace(t, "20P", target(m.Finished-2.9, 3))},
		{"crimp-misfit", Stop, "2 passes of 0.38 mm cord need 0.76 mm; tiny crimp at the left end is 0.7 mm inside", necklace(t, "20P", leftEnd(tinyCrimp)), necklace(t, "20P")},
		{"crimp-misfit", Warn, "wide crimp at the left end is 1.8 mm inside", necklace(t, "20P", leftEnd(wideCrimp)), necklace(t, "20P")},
		{"cover-misfit", Advise, "cover 5 at the left end is 5 mm wide and 4 mm long; crimp under it is 1.44 mm wide once closed", necklace(t, "20P", leftEnd(crimp18, bigCover)), necklace(t, "20P", leftEnd(crimp18, cover))},
		{"cover-misfit", Advise, "no crimp to cover", necklace(t, "20P", leftEnd(cover)), necklace(t, "20P", leftEnd(crimp18, cover))},
		{"length-off", Warn, "and at the target it would not suit", necklace(t, "43P", wrist(165, ""), target(215, 3)), necklace(t, "43P", wrist(165, ""), target(194, 12))},
		{"slack-short", Warn, "Too stiff to curve", necklace(t, "20P", slack(0.2)), necklace(t, "20P", slack(2.5))},
		{"slack-long", Advise, "more than bending needs", necklace(t, "20P", slack(9)), necklace(t, "20P", slack(7))},
		{"ease-off", Stop, "the hand needs 206.2 mm, worked out from the wrist", stretch(t, "20R", wrist(165, "")), stretch(t, "24R", wrist(165, ""))},
		{"ease-off", Warn, "on 190 mm; 0 mm to 25 mm is right", necklace(t, "43P", wrist(190, "")), necklace(t, "43P", wrist(165, ""))},
		{"ease-off", Warn, "15 mm to 25 mm is right", necklace(t, "43P", wrist(168, "loose")), necklace(t, "43P", wrist(150, "loose"))},
		{"loop-break", Warn, "The repeat of 5 beads fits 5 times round the ring with 2 beads left over", stretch(t, "5(P 2T 2F) P T"), stretch(t, "5(P 2T 2F)")},
		{"loop-break", Warn, "Two beads of pearl touch at the join", stretch(t, "<P T P T H P T | H>"), stretch(t, "<T P T P | H> P")},
		{"loop-break", Warn, "fits 8 times round the ring with 2 beads left over", stretch(t, "8(3T S) 2T"), stretch(t, "8(3T S)")},
		{"loop-break", Warn, "fits 8 times round the ring with 2 beads left over", stretch(t, "8(3T S) 2T Q"), stretch(t, "8(3T S) Q")},
		{"pattern-break", Warn, "Without bead 35, ", stretch(t, "17(S T) T"), stretch(t, "17(S T)")},
		{"pattern-break", Advise, "With 1 more pearl before bead", necklace(t, "19P G 20P G 20P"), necklace(t, "20P G 20P G 20P")},
		{"pattern-break", Advise, "With 1 more pearl before bead", necklace(t, "9P G 10P G 10P G 10P"), necklace(t, "10P G 10P G 10P G 10P")},
		{"pattern-break", Advise, "With 1 more pearl before bead 43", necklace(t, "20P G 20P G 19P"), necklace(t, "19P G 20P G 19P")},
		{"pattern-break", Warn, "27 beads lie left of", necklace(t, "27P G 25P"), necklace(t, "27P G 20P")},
		{"pattern-break", Warn, "and 28 right of it", necklace(t, "P S 23P S G S 25P S P"), necklace(t, "P S 25P S G S 25P S P")},
		{"pattern-break", Warn, "With 1 more seed before bead 11 the", necklace(t, "S A S B S D S F S I H S R S P S G S"), necklace(t, "S A S B S D S F S I S H S R S P S G S")},
		{"pattern-break", Advise, "the other 40 are pearl", necklace(t, "30P S 10P"), necklace(t, "30P S 9P S P")},
		{"pattern-break", Advise, "the other 40 are pearl", necklace(t, "21P S 19P"), necklace(t, "20P S 20P")},
		{"pattern-break", Warn, "the repeat would be regular", stretch(t, "4(2T S) T S 4(2T S)"), stretch(t, "9(2T S)")},
		{"pattern-break", Warn, "the repeat would be regular", stretch(t, "8(2T S) S Q"), stretch(t, "8(2T S) Q")},
		{"centre-parity", Advise, "1 bead more at the end", necklace(t, "8(P T)"), necklace(t, "8(P T) P")},
		{"centre-parity", Advise, "2 beads more at the end", necklace(t, "15(2P S)"), necklace(t, "15(2P S) 2P")},
		{"centre-parity", Warn, "1 bead more at the end", necklace(t, "15(T P S P)"), necklace(t, "15(T P S P) T")},
		{"centre-parity", Warn, "is not symmetrical", necklace(t, "<9P | G T>"), necklace(t, "<9P | T G T>")},
		{"pattern-break", Warn, "With 1 more pearl before bead 25", necklace(t, "5P T 3P T 4P G 4P T 3P T 4P"), necklace(t, "5P T 3P T 4P G 4P T 3P T 5P")},
		{"pattern-break", Warn, "Bead 8 is spacer; with pearl in its place", necklace(t, "P P T P P T P T T 4(P P T)"), necklace(t, "P P T P P T P P T 4(P P T)")},
		{"pattern-break", Warn, "Without bead 13, spacer", necklace(t, "3(P P T) P P T T 4(P P T)"), necklace(t, "3(P P T) P P T 4(P P T)")},
		{"pattern-break", Warn, "1 more spacer at the end", necklace(t, "T 9P G 9P"), necklace(t, "T 9P G 9P T")},
		{"pattern-break", Warn, "1 more spacer before bead 1", necklace(t, "9P G 9P T"), necklace(t, "T 9P G 9P T")},
		{"pattern-break", Warn, "1 more bead D at the end", necklace(t, "4(A B F D) A B F"), necklace(t, "5(A B F D)")},
		{"pattern-break", Warn, "1 more cap before bead 12", necklace(t, "9P C R 9P"), necklace(t, "9P C R ~C 9P")},
		{"pattern-break", Warn, "1 more cap before bead 16", necklace(t, "4P C R ~C 5P D C R 4P"), necklace(t, "4P C R ~C 5P D C R ~C 4P")},
		{"pattern-break", Warn, "1 more pearl before bead 10", necklace(t, "9P G 10P"), necklace(t, "9P G 12P")},
		{"pattern-break", Warn, "Bead 8 is pearl; with spacer in its place", stretch(t, "P T P T P T P P P T P T P T P T P T"), stretch(t, "9(P T)")},
		{"cap-misfit", Warn, "cap opens away from wood", necklace(t, "3P ~C H C 3P"), necklace(t, "3P C H ~C 3P")},
		{"cap-misfit", Warn, "6 mm wide; pearl under it is only 4 mm", necklace(t, "3T C P ~C 3T"), necklace(t, "3T C H ~C 3T")},
		{"lies-sideways", Warn, "heart is drilled through its height; here the strand runs 0° from level", necklace(t, "<60P | E>"), necklace(t, "<30P E 30P | P>")},
		{"lies-sideways", Warn, "heart is drilled through its height; here the strand runs 0° from level", necklace(t, "<5P E 15P | P>"), necklace(t, "<30P E 30P | P>")},
		{"lies-sideways", Warn, "drilled through its width", necklace(t, "<30P W 30P | P>"), necklace(t, "<60P | W>")},
		{"lies-sideways", Warn, "drilled through its width", necklace(t, "<30P W 30P | P>"), necklace(t, "<5P W 55P | P>")},
		{"charm-hidden", Advise, "short charm hangs down to 4 mm below the cord, and wood beside it reaches 4 mm", necklace(t, "9P H V H 9P"), necklace(t, "9P H Q H 9P")},
		{"toggle-blocked", Stop, "The 9 mm ring leaves 7 mm beside the 2 mm bar, but round, 8 mm wide", necklace(t, "20P R", closed(toggle10)), necklace(t, "20P R P", closed(toggle10))},
		{"ring-too-small", Stop, "fine ring at the left end is 1.2 mm inside", necklace(t, "20P", closed(lobster, fine)), necklace(t, "20P", closed(lobster, jump))},
		{"clasp-closed-eye", Stop, "soldered ring and lobster at the left end are both closed", necklace(t, "20P", closed(lobster, soldered)), necklace(t, "20P", closed(lobster, jump, soldered))},
		{"chain-soldered", Stop, "soldered ring and chain", necklace(t, "20P", closed(chainShut, soldered)), necklace(t, "20P", closed(chainOpen, soldered))},
		{"weak-link", Advise, "weighs 60 g and hangs on jump ring", necklace(t, "20P", weighing(3)), necklace(t, "20P", weighing(2.4))},
		{"weak-link", Warn, "jump ring at the left end holds 8.0 N", necklace(t, "20P", weighing(4.2)), necklace(t, "20P", weighing(2.4))},
		{"weak-link", Warn, "wire holds 4.0 N", necklace(t, "20P", weighing(2.1), cordOf(strong(4))), necklace(t, "20P", weighing(2.1), cordOf(strong(5)))},
		{"metals-differ", Advise, "silver ring is silver, the other findings are brass", necklace(t, "20P", closed(lobster, jump, silver)), necklace(t, "20P", closed(lobster, jump, jump))},
		{"elastic-misfit", Warn, "2.5 mm of wood, takes elastic of up to 2.27 mm", stretch(t, "20H", cordOf(elastic(0.5))), stretch(t, "20H", cordOf(elastic(0.6)))},
		{"elastic-misfit", Advise, "this is 0.85 mm", stretch(t, "20P", cordOf(elastic(0.85))), stretch(t, "20P", cordOf(elastic(0.8)))},
		{"knot-shows", Advise, "about 2.1 mm thick; the widest hole, of pearl, is 0.9 mm", stretch(t, "20P"), stretch(t, "20P H")},
		{"knot-shows", Advise, "about 2.1 mm thick; the widest hole, of pearl", stretch(t, "20P Q"), stretch(t, "20P", shown)},
		{"knot-shows", Advise, "the widest hole, of pearl", stretch(t, "20P"), stretch(t, "20P", fits)},
		{"knot-shows", Advise, "it can be pulled into the 1 mm hole of round", stretch(t, "20R", cordOf(elastic(0.5))), stretch(t, "20R", cordOf(elastic(0.3)))},
		{"leg-short", Stop, "it needs at least", necklace(t, "20P", cutTo(path-1)), necklace(t, "20P", cutTo(cut))},
		{"leg-short", Warn, "with the house's allowance", necklace(t, "20P", cutTo(path+1)), necklace(t, "20P", cutTo(cut))},
		{"leg-short", Stop, "it needs at least", stretch(t, "22R", cutTo(ring.Strung+49)), stretch(t, "22R", cutTo(ring.Strung+150))},
		{"leg-short", Advise, "with the house's allowance", stretch(t, "22R", cutTo(300)), stretch(t, "22R", cutTo(330))},
		{"end-unheld", Stop, "wire at the left end has no crimp", necklace(t, "20P", leftEnd()), necklace(t, "20P")},
		{"end-unheld", Stop, "wire at the left end has no crimp", necklace(t, "20P", leftEnd(guard), closed(lobster, jump)), necklace(t, "20P", leftEnd(crimp18, guard))},
		{"end-unheld", Stop, "no ring, guard or cord end to tie it to", necklace(t, "20P", ends(), cordOf(thread(material.Waxed, 0.5))), necklace(t, "20P", ends(jump), cordOf(thread(material.Waxed, 0.5)))},
		{"no-clasp", Advise, "take hold of the cord's own loop", necklace(t, "20P"), necklace(t, "20P", ringed)},
		{"no-clasp", Stop, "lobster at the left has jump ring outside of it", necklace(t, "20P", closed(jump, lobster), ringed), necklace(t, "20P", closed(lobster, jump), ringed)},
		{"no-clasp", Stop, "has jump ring and soldered ring outside of it", necklace(t, "20P R P", closed(jump, soldered, toggle10)), necklace(t, "20P R P", closed(toggle10, jump))},
		{"no-clasp", Stop, "neither end has one", necklace(t, "20P", closed(jump)), necklace(t, "20P", closed(lobster, jump), ringed)},
	} {
		f := of(all(t, tt.fires), tt.code)
		if f == nil || f.Severity != tt.severity || !strings.Contains(spoken(f), tt.says) {
			t.Errorf("%s on %s: %+v, want %s saying %q", tt.code, tt.fires.Leading().Line, f, tt.severity, tt.says)
		}
		if f := of(all(t, tt.quiet), tt.code); f != nil {
			t.Errorf("%s fired on its near miss %s: %s", tt.code, tt.quiet.Leading().Line, spoken(f))
		}
	}
}

// Pieces that are right as they are: an ordinary stretch bracelet, cords that are
// tied, a strand of which no length is asked.
func TestWhatIsRightHasNoStopAndNoWarning(t *testing.T) {
	for name, p := range map[string]*piece.Piece{
		"a plain strand":                 necklace(t, "3P 2G 4P"),
		"a stretch bracelet":             stretch(t, "22R"),
		"of small holes":                 stretch(t, "36P", cordOf(elastic(0.5))),
		"of wood":                        stretch(t, "20H"),
		"leather in cord ends":           necklace(t, "9H", ends(cordEnd), closed(lobster, jump), cordOf(thread(material.Leather, 1.5))),
		"thread on guards":               necklace(t, "40P", ends(guard), closed(lobster, jump), cordOf(thread(material.Thread, 0.3))),
		"a charm between pearls":         necklace(t, "9P Q 9P"),
		"elastic with enough to tie":     stretch(t, "22R", cutTo(325)),
		"waxed cord that slips on":       stretch(t, "80P", cordOf(thread(material.Waxed, 0.5)), wrist(165, "")),
		"a word between two halves":      necklace(t, "9P W X X W W 9P"),
		"a word that is no mirror":       necklace(t, "9P W X 9P"),
		"accents at the right":           necklace(t, "5P A 5P A 5P A 5P B 5P"),
		"a pendant off the centre":       necklace(t, "7P G 30P"),
		"graduated":                      necklace(t, "3P T 4P T 5P T 6P T 7P"),
		"repeats that end as they began": necklace(t, "5(3P G) 3P"),
		"a knot in the end":              necklace(t, "4P 2T 5P G 3P 2T 9P T G P"),
	} {
		for _, f := range all(t, p) {
			if f.Severity != Advise {
				t.Errorf("%s, %s: %s: %s", name, p.Leading().Line, f.Code, spoken(f))
			}
		}
	}
}

func TestEveryCheckHasItsCase(t *testing.T) {
	source := map[string]bool{}
	for _, code := range strings.Fields(`hole-too-small crimp-swallowed bead-swallowed crimp-misfit cover-misfit length-off slack-short slack-long
		ease-off loop-break centre-parity pattern-break cap-misfit lies-sideways charm-hidden end-unheld no-clasp toggle-blocked ring-too-small
		clasp-closed-eye chain-soldered weak-link metals-differ elastic-misfit knot-shows leg-short pin-slips loop-misfit
		row-order rows-cross rows-gape steps-uneven centres-differ hole-empty
		tops-misfit holes-covered leans foot-light loop-too-small gap-unheld gap-short gap-slips drop-stands-off loop-short riders-blocked rider-slips shelf-short`) {
		source[code] = true
	}
	for _, code := range Codes() {
		if !source[code] {
			t.Errorf("%s is not in the list of what domain and tests know", code)
		}
	}
	if len(source) != len(Codes()) {
		t.Errorf("%d checks, want %d", len(Codes()), len(source))
	}
}

// The limits of each check, at, just under and just over.
func TestLimitsAreWhereTheyAre(t *testing.T) {
	crimp := func(inside float64) change {
		return ends(finding("crimp", "", material.Finding{Type: material.CrimpTube, Inside: mmOf(inside), Outside: 3, Length: 2}))
	}
	covered := func(outside, inside float64) change {
		return leftEnd(crimp18, finding("cover", "", material.Finding{Type: material.CrimpCover, Outside: mmOf(outside), Inside: mmOf(inside), Length: 3}))
	}
	capped := func(d float64) *piece.Piece {
		p := necklace(t, "9P C M ~C 9P")
		p.Palette["M"] = bead(t, "under", material.Bead{Shape: material.Round, Across: mmOf(d), Hole: 1})
		p.Palette["C"] = bead(t, "cap", material.Bead{Shape: material.Cap, Across: 6, Depth: 1.4, Wall: 0.35, Hole: 1})
		return p
	}
	drop := func(mm float64) *piece.Piece {
		p := necklace(t, "9P H V H 9P")
		p.Palette["V"] = bead(t, "charm", material.Bead{Shape: material.Charm, Across: 4.4, Hole: 3, Along: 0.7, Drop: mmOf(mm)})
		return p
	}
	holed := func(hole float64, cord *material.Material) *piece.Piece {
		p := stretch(t, "20M", cordOf(cord))
		p.Palette["M"] = bead(t, "m", material.Bead{Shape: material.Round, Across: 8, Hole: mmOf(hole)})
		return p
	}
	needed := measuredPiece(t, necklace(t, "20P")).Leading().SlackNeeded
	least := measuredPiece(t, necklace(t, "20P")).Leading().SlackLeast()
	for _, tt := range []struct {
		name, code string
		piece      *piece.Piece
		fires      bool
	}{
		{"a crimp as wide as its cords", "crimp-misfit", necklace(t, "20P", crimp(0.76)), false},
		{"one a hundredth finer", "crimp-misfit", necklace(t, "20P", crimp(0.75)), true},
		{"one twice as wide", "crimp-misfit", necklace(t, "20P", crimp(1.52)), false},
		{"one a hundredth wider", "crimp-misfit", necklace(t, "20P", crimp(1.53)), true},
		{"a crimp at 0.9 of its cover", "cover-misfit", necklace(t, "20P", covered(1.6, 0)), false},
		{"over 0.9 of it", "cover-misfit", necklace(t, "20P", covered(1.59, 0)), true},
		{"over 0.35 of it", "cover-misfit", necklace(t, "20P", covered(4.11, 0)), false},
		{"under 0.35 of it", "cover-misfit", necklace(t, "20P", covered(4.13, 0)), true},
		{"by the cover's inside, if known", "cover-misfit", necklace(t, "20P", covered(5, 4)), false},
		{"a cap on a round of 7.84", "cap-misfit", capped(7.84), false},
		{"on one of 7.82", "cap-misfit", capped(7.82), true},
		{"a charm just below its neighbours", "charm-hidden", drop(4.01), false},
		{"level with them", "charm-hidden", drop(4), true},
		{"slack 5 over what is needed", "slack-long", necklace(t, "20P", slack(needed+5)), false},
		{"a little more", "slack-long", necklace(t, "20P", slack(needed+5.01)), true},
		{"slack at its least", "slack-short", necklace(t, "20P", slack(least)), false},
		{"a tenth below", "slack-short", necklace(t, "20P", slack(least-0.1)), true},
		{"a hole of 1.1 of the wire", "hole-too-small", holed(0.44, wire(0.4)), false},
		{"a hundredth finer", "hole-too-small", holed(0.43, wire(0.4)), true},
		{"elastic as thick as its hole", "hole-too-small", holed(0.7, elastic(0.7)), false},
		{"and a hundredth thicker", "hole-too-small", holed(0.69, elastic(0.7)), true},
		{"elastic with a tenth to spare", "elastic-misfit", holed(0.77, elastic(0.7)), false},
		{"with less", "elastic-misfit", holed(0.76, elastic(0.7)), true},
		{"half of the thickest", "elastic-misfit", holed(1.1, elastic(0.5)), false},
		{"less than half", "elastic-misfit", holed(1.12, elastic(0.5)), true},
		{"a hole of twice the elastic takes the knot", "knot-shows", holed(1.4, elastic(0.7)), true},
		{"a hole of three times hides it", "knot-shows", holed(2.1, elastic(0.7)), false},
		{"50 g on an open ring", "weak-link", necklace(t, "20P", weighing(2.5)), false},
		{"a little more", "weak-link", necklace(t, "20P", weighing(2.51)), true},
	} {
		if f := of(all(t, tt.piece), tt.code); (f != nil) != tt.fires {
			t.Errorf("%s: %s fires %v, want %v (%+v)", tt.name, tt.code, f != nil, tt.fires, f)
		}
	}
}
