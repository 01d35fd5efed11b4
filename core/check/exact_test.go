package check

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
)

// Sizes that are just equal suit: rounding decides nothing.
func TestWhatIsJustEqualSuits(t *testing.T) {
	crimpOf := func(inside length.MM) *material.Finding {
		return &material.Finding{Type: material.CrimpTube, Inside: inside, Outside: 3, Length: 2}
	}
	for _, tt := range []struct {
		name string
		got  bool
		want bool
	}{
		{"a crimp as wide as its cords", Grips(crimpOf(0.7), 0.7), true},
		{"one a little finer", Grips(crimpOf(0.699), 0.7), false},
		{"one twice as wide", Grips(crimpOf(1.4), 0.7), true},
		{"a little wider", Grips(crimpOf(1.401), 0.7), false},
		{"a ring is no crimp", Grips(jump.Finding, 2), false},
		{"two of 1 in half of a ring", RingTakes(length.MM(2/(math.Pi/2)+1), []length.MM{1, 1}, nil), true},
		{"in one a little smaller", RingTakes(length.MM(2/(math.Pi/2)+0.999), []length.MM{1, 1}, nil), false},
		{"one as thick as the ring is wide", RingTakes(2, []length.MM{2}, nil), true},
		{"two against each other", RingTakes(3, []length.MM{2}, []length.MM{1}), true},
		{"in one a little smaller", RingTakes(2.999, []length.MM{2}, []length.MM{1}), false},
		{"a cover at its least", Covers(&material.Finding{Outside: 4, Length: 2}, crimp18.Finding, 1.4), true},
		{"a cover at its most", Covers(&material.Finding{Outside: 2, Length: 2}, crimp18.Finding, 1.8), true},
		{"a cover shorter than its crimp", Covers(&material.Finding{Outside: 3, Length: 1.99}, crimp18.Finding, 1.8), false},
	} {
		if tt.got != tt.want {
			t.Errorf("%s: %v", tt.name, tt.got)
		}
	}
}

func twice(_ *piece.Piece, r *piece.Row) { r.Passes = 2 }

// A cord that runs twice through its beads runs four times through its crimp.
func TestDoubledCordsAskForTheirRoom(t *testing.T) {
	crimpOf := func(inside length.MM) *material.Material {
		return finding(fmt.Sprint("crimp ", float64(inside)), "", material.Finding{Type: material.CrimpTube, Inside: inside, Outside: 4, Length: 2})
	}
	four := length.MM(2.4142 * 0.38)
	for _, tt := range []struct {
		inside length.MM
		want   Severity
	}{{four - 0.001, Stop}, {four, ""}, {2 * four, ""}, {2*four + 0.001, Warn}} {
		f := of(all(t, necklace(t, "20H", ends(crimpOf(tt.inside)), twice)), "crimp-misfit")
		if f == nil && tt.want != "" || f != nil && f.Severity != tt.want {
			t.Errorf("a crimp of %v: %+v, want %q", tt.inside, f, tt.want)
		}
	}
	f := of(all(t, necklace(t, "20H", ends(crimpOf(0.8)), twice)), "crimp-misfit")
	if !strings.Contains(spoken(f), "4 passes of 0.38 mm cord need 0.92 mm") {
		t.Errorf("%s", spoken(f))
	}
	fix, after := fixed(t, necklace(t, "20H", leftEnd(crimpOf(0.8)), func(_ *piece.Piece, r *piece.Row) { r.Right = fittings("fr", crimpOf(1)) }, twice), "crimp-misfit", crimpOf(0.9), crimpOf(0.93), crimpOf(1.9))
	if fix == nil || after.Leading().Left[0].Of.ID != "crimp 0.93" {
		t.Errorf("%+v", fix)
	}
	guarded := func(inside length.MM) *piece.Piece {
		return necklace(t, "20H", ends(crimpOf(1.4), guardOf(inside)), twice)
	}
	if f := of(all(t, guarded(0.76)), "crimp-misfit"); f != nil {
		t.Errorf("two cords through a guard of 0.76: %s", spoken(f))
	}
	if f := of(all(t, guarded(0.759)), "crimp-misfit"); f == nil || !strings.Contains(spoken(f), "For 2 passes of 0.38 mm cord each leg of guard 0.759 at the left end must be 0.76 mm inside; it is 0.759 mm") {
		t.Errorf("%+v", f)
	}
	strong := wire(0.38)
	load := Load(measuredPiece(t, necklace(t, "20H", weighing(2.1), func(p *piece.Piece, _ *piece.Row) { p.Palette["H"].MassG = 2.1 })))
	for _, tt := range []struct {
		newtons float64
		fires   bool
	}{{load / 2, false}, {load/2 - 0.01, true}} {
		strong.Cord.Strength = tt.newtons
		p := necklace(t, "20H", closed(lobster, split), cordOf(strong), ends(crimpOf(1)), twice)
		p.Palette["H"].MassG = 2.1
		if f := of(all(t, p), "weak-link"); (f != nil) != tt.fires {
			t.Errorf("two cords of %v N for %v N: %+v", tt.newtons, load, f)
		}
	}
}

func TestTheBarGetsABeadThatGoesThroughItsRing(t *testing.T) {
	spacer := func(id string, across, thick, along float64) *material.Material {
		return bead(t, id, material.Bead{Shape: material.Disc, Across: mmOf(across), Thick: mmOf(thick), Along: mmOf(along), Hole: 1})
	}
	shelf := []*material.Material{spacer("thick", 5, 8, 9), spacer("wide", 8, 5, 9), spacer("right", 6, 6, 9)}
	alone := func(p *piece.Piece, _ *piece.Row) { p.Palette = map[string]*material.Material{"R": p.Palette["R"]} }
	atRight := necklace(t, "20R", closed(toggle10), alone)
	fix, after := fixed(t, atRight, "toggle-blocked", shelf...)
	if fix == nil || !strings.HasPrefix(spoken(fix), "Put right beside the bar (+2 beads, +") || after.Palette[lastKey(after)].ID != "right" {
		t.Errorf("%+v", fix)
	}
	atLeft := necklace(t, "20R", closed(), alone, func(p *piece.Piece, _ *piece.Row) { p.Closure.Right = fittings("cr", toggle10) })
	fix, after = fixed(t, atLeft, "toggle-blocked", shelf...)
	if fix == nil || !strings.Contains(spoken(fix), "Put right beside the bar") || measuredPiece(t, after).Leading().Beads[0].Material.ID != "right" {
		t.Errorf("at the left: %+v", fix)
	}
	ring := finding("small ring", "brass", material.Finding{Type: material.JumpRing, Inside: 2.6, Wire: 0.7, Joint: "open", Form: "round"})
	fix, _ = fixed(t, atRight, "toggle-blocked", ring)
	if fix == nil || spoken(fix) != "Add 2 x small ring at the bar" || len(fix.Ops) != 2 {
		t.Errorf("two rings: %+v", fix)
	}
	fix, _ = fixed(t, atRight, "toggle-blocked", finding("large ring", "brass", material.Finding{Type: material.JumpRing, Inside: 6, Wire: 0.9, Joint: "open", Form: "round"}))
	if fix == nil || spoken(fix) != "Add large ring at the bar" {
		t.Errorf("one ring: %+v", fix)
	}
}

func lastKey(p *piece.Piece) string {
	nodes := p.Leading().Line.Items
	return nodes[len(nodes)-1].Key()
}

func TestFixesSayHowManyBeadsAndHowMuchLength(t *testing.T) {
	fix, _ := fixed(t, necklace(t, "4P G"), "crimp-swallowed", shelf(t)...)
	if fix == nil || spoken(fix) != "Put spacer between (+1 bead, +4.1 mm)" {
		t.Errorf("one more: %+v", fix)
	}
	fix, _ = fixed(t, stretch(t, "5(P 2T) P"), "pattern-break")
	if fix == nil || !strings.HasSuffix(spoken(fix), "(−1 bead, −3.9 mm)") {
		t.Errorf("one fewer: %+v", fix)
	}
}

func TestSentencesGiveTheirNumbersWithoutASign(t *testing.T) {
	m := measuredPiece(t, necklace(t, "20P"))
	for _, tt := range []struct {
		code, says string
		piece      *piece.Piece
	}{
		{"length-off", ", 3.2 mm under the target", necklace(t, "20P", target(m.Finished+3.2, 3))},
		{"length-off", ", 3.2 mm over the target", necklace(t, "20P", target(m.Finished-3.2, 3))},
		{"slack-long", fmt.Sprintf("9 mm of slack is planned, %s more than bending needs", (9 - m.Leading().SlackNeeded).In(length.InMillimetres)), necklace(t, "20P", slack(9))},
		{"ring-too-small", "fine ring at the left end is 1.2 mm inside; the parts it holds are 1.38 mm thick together", necklace(t, "20P", closed(lobster, fine))},
	} {
		if f := of(all(t, tt.piece), tt.code); f == nil || !strings.Contains(spoken(f), tt.says) {
			t.Errorf("%s: %+v, want %q", tt.code, f, tt.says)
		}
	}
	hung := necklace(t, "20P", closed(lobster, jump), func(p *piece.Piece, _ *piece.Row) {
		charm := bead(t, "fat charm", material.Bead{Shape: material.Charm, Across: 8, Hole: 2, Along: 3, Drop: 12})
		p.Closure.Left[1].Hung = []*material.Material{charm}
	})
	if f := of(all(t, hung), "ring-too-small"); f == nil || !strings.Contains(spoken(f), "3.6 mm inside; the parts it holds are 4.38 mm thick together") {
		t.Errorf("with what hangs on it: %+v", f)
	}
}

func TestAFineHoleIsSaidToBeTooFineForTheNeedleWhereTheThreadPasses(t *testing.T) {
	holed := func(hole float64) *Problem {
		p := necklace(t, "20M", ends(guard), closed(lobster, jump), cordOf(thread(material.Thread, 0.3)))
		p.House.Tail = piece.TailTrimmed
		p.Palette["M"] = bead(t, "m", material.Bead{Shape: material.Round, Across: 4, Hole: mmOf(hole)})
		return of(all(t, p), "hole-too-small")
	}
	for _, tt := range []struct {
		hole  float64
		title string
	}{{0.299, "Hole too small for the cord"}, {0.3, "Hole too small for the needle"}, {0.599, "Hole too small for the needle"}} {
		if f := holed(tt.hole); f == nil || titled(f) != tt.title {
			t.Errorf("a hole of %v: %+v", tt.hole, f)
		}
	}
}

func TestAPieceThatDoesNotSuitIsMadeLongerOrShorter(t *testing.T) {
	for _, tt := range []struct {
		wrist length.MM
		title string
		more  bool
	}{{190, "Too tight on the wrist", true}, {140, "Too loose on the wrist", false}} {
		p := necklace(t, "43P", wrist(tt.wrist, ""))
		if f := of(all(t, p), "ease-off"); f == nil || titled(f) != tt.title {
			t.Fatalf("%+v", f)
		}
		fix, after := fixed(t, p, "ease-off")
		if fix == nil {
			t.Fatalf("%v: no fix", tt.wrist)
		}
		inside, _ := measuredPiece(t, after).Inside()
		// The middle of all that is right is comfortable, 6 to 15: aimed at 10.5.
		if ease := float64(inside - tt.wrist); math.Abs(ease-10.5) > 4 || (len(measuredPiece(t, after).Leading().Beads) > 43) != tt.more {
			t.Errorf("%v: %s gives an ease of %v", tt.wrist, spoken(fix), ease)
		}
	}
}

func TestAStrongerRingBearsTheLoad(t *testing.T) {
	oval := func(id string, newtons float64) *material.Material {
		return finding(id, "brass", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7, Joint: "open", Form: "oval", Strength: newtons})
	}
	fix, after := fixed(t, necklace(t, "20P", weighing(4.2)), "weak-link", oval("weak oval", 8), oval("strong oval", 9))
	if fix == nil || after.Closure.Left[1].Of.ID != "strong oval" {
		t.Errorf("%+v", fix)
	}
}

func TestElasticIsChosenByWhatPassesTheFinestHole(t *testing.T) {
	doubled := stretch(t, "20H", cordOf(elastic(0.4)), twice)
	// 2.5 mm take two cords of 2.5 / 2.2 = 1.136 mm with a tenth to spare.
	fix, after := fixed(t, doubled, "elastic-misfit", elastic(1.2), elastic(1.13), elastic(1))
	if fix == nil || after.Leading().Cord.Cord.Diameter != 1.13 {
		t.Errorf("%+v", fix)
	}
}

// Slips at the limits of what is looked at.
func TestSlipsOfShortAndLongRepeats(t *testing.T) {
	for _, tt := range []struct {
		name, line, says string // says is empty for no finding
		ring             bool
	}{
		{"15 beads", "T 6P 2G 6P", "1 more spacer at the end", false},
		{"14 beads", "T 6P G 6P", "", false},
		{"repeats of three short of one", "5(A B F) A B", "1 more bead F at the end", false},
		{"repeats of six, too few", "2(A B F D I T) A B F D I", "", false},
		{"that begin with a part", "B F 5(A B F)", "1 more bead A before bead 1", false},
		{"in a group", "(B F) 5(A B F)", "1 more bead A before bead 1", false},
		{"with a run", "2B F 4(A 2B F)", "1 more bead A before bead 1", false},
		{"that end with a part", "5(A B F) A B", "1 more bead F at the end", false},
		{"all in one group", "(A B F A B F A B F A B F A B F A B)", "1 more bead F at the end", false},
		{"another bead of three repeats", "A B F D I A B A D I A B F D I", "Bead 8 is bead A; with bead F in its place", false},
		{"of three in a ring", "A B F D I A B A D I A B F D I", "Bead 8 is bead A; with bead F in its place", true},
		{"caps round the start of a ring", "R ~C 5P C R ~C 5P C", "", true},
		{"one of them missing", "R ~C 5P C R ~C 5P C R ~C 5P", "1 more cap", true},
	} {
		p := necklace(t, tt.line)
		if tt.ring {
			p = stretch(t, tt.line)
		}
		f := of(all(t, p), "pattern-break")
		switch {
		case f == nil && tt.says != "":
			t.Errorf("%s, %s: nothing, want %q", tt.name, tt.line, tt.says)
		case f != nil && (tt.says == "" || !strings.Contains(spoken(f), tt.says)):
			t.Errorf("%s, %s: %q, want %q", tt.name, tt.line, spoken(f), tt.says)
		}
	}
}

// A ring of whole repeats and a part of one, from any start, is mended by taking
// the part away or by finishing it, whichever moves fewer beads.
func TestEveryBrokenRingIsMendedFromAnyStart(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 9))
	letters := []string{"A", "B", "D", "F", "I", "P", "R"}
	for range 60 {
		p := 3 + r.IntN(4)
		repeats := 3 + r.IntN(3)
		part := 1 + r.IntN(p-1)
		var beads []string
		for i := range p*repeats + part {
			beads = append(beads, letters[i%p])
		}
		if len(beads) < fewestRound {
			continue
		}
		at := r.IntN(len(beads))
		line := strings.Join(append(append([]string{}, beads[at:]...), beads[:at]...), " ")
		ring := stretch(t, line, func(p *piece.Piece, _ *piece.Row) { p.House.KnotPlace = piece.KnotShown })
		says := "loop-break"
		if (part == 1 || part == p-1) && len(beads) >= fewestPattern {
			says = "pattern-break" // one bead, whose place is known
		}
		if f := of(all(t, ring), says); f == nil {
			t.Errorf("%s: nothing", line)
			continue
		}
		fix, after := fixed(t, ring, says)
		if fix == nil {
			t.Errorf("%s: no fix", line)
			continue
		}
		n := len(measuredPiece(t, after).Leading().Beads)
		if f := of(all(t, after), "loop-break"); f != nil || n%p != 0 {
			t.Errorf("%s: %s leaves %s", line, spoken(fix), after.Leading().Line)
		}
		if moved, least := n-len(beads), min(part, p-part); moved != least && moved != -least {
			t.Errorf("%s: %s moves %d beads, %d would do", line, spoken(fix), moved, least)
		}
	}
}
