package check

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/piece"
	"mala/core/testparts"
)

var buttonFlat = finding("button", "", material.Finding{Type: material.ButtonEnd, Outside: 14, Length: 4, Inside: 2})

func loopAt(t testing.TB, side piece.Side, line string) change {
	t.Helper()
	parsed := testparts.Line(t, line)
	return func(_ *piece.Piece, r *piece.Row) { *r.Ending(side) = piece.Ending{Way: piece.WayLoop, Loop: parsed} }
}

// buttoned is a strand tied to a button at the left, with a loop of pearls at the right.
func buttoned(t testing.TB, loop string, change ...change) *piece.Piece {
	return necklace(t, "30P", append([]func(*piece.Piece, *piece.Row){ends(), closed(buttonFlat), cordOf(thread(material.Waxed, 0.4)), loopAt(t, piece.Right, loop)}, change...)...)
}

func TestALoopIsHeldAgainstItsButton(t *testing.T) {
	// 36 mm round a flat button of 14 by 4 just pass; 39 are easy to close, 45 the most.
	girth := func(g float64) change {
		return func(p *piece.Piece, r *piece.Row) {
			b := *buttonFlat.Finding
			l, err := measure.LoopOf(p, r, r.RightEnding.Loop)
			if err != nil {
				t.Fatal(err)
			}
			// Of a button as thick as it takes for the loop there is.
			b.Length += (l.Girth - length.MM(g)) / 2
			p.Closure.Left = fittings("cl", &material.Material{ID: "button", Name: "button", Class: material.ClassFinding, Finding: &b})
		}
	}
	for _, tt := range []struct {
		girth float64
		want  Severity
	}{{35.99, Stop}, {36, Warn}, {38.99, Warn}, {39, ""}, {45, ""}, {45.01, Warn}} {
		f := of(all(t, buttoned(t, "13P", girth(tt.girth))), "loop-misfit")
		switch {
		case f == nil && tt.want != "":
			t.Errorf("a girth of %v: nothing, want %s", tt.girth, tt.want)
		case f != nil && f.Severity != tt.want:
			t.Errorf("a girth of %v: %s %q", tt.girth, f.Severity, spoken(f))
		}
	}
	if f := of(all(t, buttoned(t, "6P")), "loop-misfit"); f == nil || !strings.Contains(spoken(f), "just passes at 36 mm and is easy to close at 39 mm") || f.At.Side != piece.Right {
		t.Errorf("%+v", f)
	}
	ballButton := finding("ball", "", material.Finding{Type: material.ButtonEnd, Outside: 12, Length: 12, Inside: 2, Form: "ball"})
	if f := of(all(t, buttoned(t, "6P", closed(ballButton))), "loop-misfit"); f == nil || !strings.Contains(spoken(f), "just passes at 37.7 mm and is easy to close at 40.7 mm") {
		t.Errorf("a ball: %+v", f)
	}
}

func TestALoopIsMadeOfAsManyBeadsAsItsButtonTakes(t *testing.T) {
	for _, tt := range []struct{ from, to string }{{"6P", "14P"}, {"30P", "14P"}, {"3P 2S", "13P 2S"}} {
		fix, after := fixed(t, buttoned(t, tt.from), "loop-misfit")
		if fix == nil || after.Leading().RightEnding.Loop.String() != tt.to {
			t.Errorf("%s: %+v, want %s", tt.from, fix, tt.to)
			continue
		}
		if f := of(all(t, after), "loop-misfit"); f != nil {
			t.Errorf("%s: still %s", tt.from, spoken(f))
		}
	}
}

func TestAButtonWithoutALoopIsNoClasp(t *testing.T) {
	p := necklace(t, "30P", ends(), closed(buttonFlat), cordOf(thread(material.Waxed, 0.4)))
	f := of(all(t, p), "no-clasp")
	if f == nil || f.Severity != Stop || f.At.Side != piece.Right || !strings.Contains(spoken(f), "loop of beads at the right end") {
		t.Fatalf("%+v", f)
	}
	fix, after := fixed(t, p, "no-clasp")
	if fix == nil || after.Leading().RightEnding.Way != piece.WayLoop {
		t.Fatalf("%+v", fix)
	}
	for _, f := range all(t, after) {
		if f.Severity != Advise {
			t.Errorf("after the fix: %s %s", f.Code, spoken(f))
		}
	}
	p.Closure.Left, p.Closure.Right = nil, fittings("cr", buttonFlat)
	if f := of(all(t, p), "no-clasp"); f == nil || f.At.Side != piece.Left {
		t.Errorf("the button at the right: %+v", f)
	}
	if f := of(all(t, buttoned(t, "14P")), "no-clasp"); f != nil {
		t.Errorf("with its loop: %s", spoken(f))
	}
}

func legs(bead *material.Material) change {
	return func(p *piece.Piece, r *piece.Row) {
		p.Closure = piece.Closure{Type: piece.Tied}
		r.Left, r.Right = nil, nil
		leg := piece.Ending{Way: piece.WayLeg, Leg: 60, Bead: bead}
		r.LeftEnding, r.RightEnding = leg, leg
	}
}

func TestAKnotOnALegHoldsItsBead(t *testing.T) {
	holed := func(hole length.MM) *material.Material {
		return bead(t, "foot", material.Bead{Shape: material.Round, Across: 8, Hole: hole})
	}
	tied := func(foot *material.Material, line string) *piece.Piece {
		return necklace(t, line, legs(foot), cordOf(thread(material.Waxed, 0.8)))
	}
	for _, tt := range []struct {
		name  string
		piece *piece.Piece
		fires bool
	}{
		{"a hole just finer than the knot of 2", tied(holed(1.999), "20R"), false},
		{"a hole as wide", tied(holed(2), "20R"), true},
		{"the knot alone", tied(nil, "20R"), false},
		{"a last bead that the knot slips into", tied(nil, "R 18R H"), true},
		{"a wide hole elsewhere", tied(nil, "R H 18R"), false},
	} {
		f := of(all(t, tt.piece), "end-unheld")
		if (f != nil) != tt.fires {
			t.Errorf("%s: fires %v: %+v", tt.name, f != nil, f)
		}
	}
	f := of(all(t, tied(holed(2.5), "20R")), "end-unheld")
	if f.Severity != Stop || !strings.Contains(spoken(f), "about 2 mm thick; foot on the left leg has a hole of 2.5 mm") {
		t.Errorf("%s: %s", f.Severity, spoken(f))
	}
	fix, after := fixed(t, tied(holed(2.5), "20R"), "end-unheld", bead(t, "tiny", material.Bead{Shape: material.Round, Across: 3.9, Hole: 1}),
		bead(t, "fine", material.Bead{Shape: material.Round, Across: 8, Hole: 0.7}), bead(t, "right", material.Bead{Shape: material.Round, Across: 8, Hole: 1}))
	if fix == nil || after.Leading().LeftEnding.Bead.ID != "right" {
		t.Errorf("fix %+v", fix)
	}
	thick, _ := fixed(t, tied(nil, "R 18R H"), "end-unheld", waxed(0.7), thread(material.Leather, 1), waxed(1))
	if thick != nil {
		t.Errorf("cord of 1 mm ties a knot of 2.5, no thicker than the hole: %+v", thick)
	}
}

func TestWhatIsTiedIsNoRingAndHasNoClasp(t *testing.T) {
	for _, f := range all(t, necklace(t, "40R", legs(nil), cordOf(thread(material.Waxed, 0.8)))) {
		if f.Severity != Advise {
			t.Errorf("%s: %s", f.Code, spoken(f))
		}
	}
	neck := func(measure length.MM) change {
		return func(p *piece.Piece, _ *piece.Row) { p.Body = &piece.Body{Part: "neck", Measure: measure} }
	}
	// Both legs of 60 less the knot's 25 diameters leave 100 mm to tie it longer.
	m := measuredPiece(t, necklace(t, "40R", legs(nil), cordOf(thread(material.Waxed, 0.8))))
	inside, _ := m.Inside()
	for _, tt := range []struct {
		measure length.MM
		fires   bool
	}{{inside + 94 - 0.1, false}, {inside + 94 + 0.1, true}, {inside - 10, false}} {
		if f := of(all(t, necklace(t, "40R", legs(nil), cordOf(thread(material.Waxed, 0.8)), neck(tt.measure))), "ease-off"); (f != nil) != tt.fires {
			t.Errorf("a neck of %v: %+v", tt.measure, f)
		}
	}
}

func TestBeadsOfLoopsAndLegsMustTakeTheCord(t *testing.T) {
	for _, tt := range []struct {
		hole  length.MM
		fires bool
	}{{0.4, false}, {0.399, true}} {
		p := buttoned(t, "20D")
		p.Palette["D"] = bead(t, "loop bead", material.Bead{Shape: material.Round, Across: 4, Hole: tt.hole})
		f := of(all(t, p), "hole-too-small")
		if (f != nil) != tt.fires {
			t.Errorf("a hole of %v: %+v", tt.hole, f)
		}
		if f != nil && (f.Severity != Stop || !strings.Contains(spoken(f), "loop bead in the loop at the right end has 0.399 mm") && !strings.Contains(spoken(f), "0.4 mm")) {
			t.Errorf("%s", spoken(f))
		}
	}
	narrow := bead(t, "foot", material.Bead{Shape: material.Round, Across: 8, Hole: 0.7})
	f := of(all(t, necklace(t, "40R", legs(narrow), cordOf(thread(material.Waxed, 0.8)))), "hole-too-small")
	if f == nil || !strings.Contains(spoken(f), "foot in the leg at the left end") {
		t.Errorf("%+v", f)
	}
	on, after := fixed(t, func() *piece.Piece {
		p := buttoned(t, "20D")
		p.Palette["D"] = bead(t, "loop bead", material.Bead{Shape: material.Round, Across: 4, Hole: 0.3})
		return p
	}(), "hole-too-small", waxed(0.25), waxed(0.35))
	if on == nil || after.Leading().Cord.Cord.Diameter != 0.25 {
		t.Errorf("%+v", on)
	}
}

func waxed(d length.MM) *material.Material {
	m := thread(material.Waxed, d)
	m.ID = fmt.Sprint("waxed ", d)
	return m
}

func TestAConeHasRoomForItsKnot(t *testing.T) {
	cone := func(mouth, along length.MM) *material.Material {
		return finding("cone", "", material.Finding{Type: material.ConeEnd, Outside: mouth, Inside: 1, Length: along, RingEye: 2})
	}
	coned := func(c *material.Material) *piece.Piece {
		return necklace(t, "30R", ends(c), closed(lobster, jump), cordOf(thread(material.Waxed, 0.8)))
	}
	// A round of 8 in a mouth of 8 touches the wall before its middle reaches the rim: of a cone
	// 4.626 long it leaves 2, as much as the knot is thick.
	for _, tt := range []struct {
		mouth, along length.MM
		fires        bool
	}{{8, 4.63, false}, {8, 4.62, true}, {2, 40, false}, {1.99, 40, true}} {
		f := of(all(t, coned(cone(tt.mouth, tt.along))), "crimp-misfit")
		if (f != nil) != tt.fires {
			t.Errorf("a cone %v x %v: %+v", tt.mouth, tt.along, f)
		}
	}
	fix, after := fixed(t, coned(cone(8, 4)), "crimp-misfit", finding("long", "", material.Finding{Type: material.ConeEnd, Outside: 8, Inside: 1, Length: 12, RingEye: 2}))
	if fix == nil || after.Leading().Left[0].Of.ID != "long" {
		t.Errorf("%+v", fix)
	}
}

func TestAKnotMeantToHideThatShows(t *testing.T) {
	hides := func(line string) *piece.Piece {
		return necklace(t, line, ends(), closed(lobster, jump), cordOf(thread(material.Waxed, 0.8)), func(p *piece.Piece, r *piece.Row) {
			r.LeftEnding = piece.Ending{Way: piece.WayHiddenKnot}
			p.Closure.Right = fittings("cr", jump)
		})
	}
	f := of(all(t, hides("30R")), "knot-shows")
	if f == nil || f.Severity != Advise || f.At.Side != piece.Left || !strings.Contains(spoken(f), "about 2.4 mm thick; round at the left end, that should hide it, has a hole of 1 mm") {
		t.Fatalf("%+v", f)
	}
	if f := of(all(t, hides("H 29R")), "knot-shows"); f != nil {
		t.Errorf("a hole of 2.5: %s", spoken(f))
	}
	fix, after := fixed(t, hides("30R"), "knot-shows")
	if fix == nil || after.Leading().LeftEnding.Way != piece.WayFittings {
		t.Errorf("%+v", fix)
	}
}

func TestASolderedChainNeedsARingThatOpens(t *testing.T) {
	chain := func(joint string) *material.Material {
		return finding(joint+" links", "brass", material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: joint})
	}
	sides := func(joint string, next *material.Material) *piece.Piece {
		return necklace(t, "20P", func(p *piece.Piece, _ *piece.Row) {
			p.Closure.Left = fittings("cl", lobster, next, chain(joint), jump)
			p.Closure.Left[2].Links = 20
		})
	}
	for _, tt := range []struct {
		name  string
		piece *piece.Piece
		fires bool
	}{{"on a soldered ring", sides("soldered", soldered), true}, {"on an open ring", sides("soldered", jump), false}, {"open links", sides("open", soldered), false}} {
		if f := of(all(t, tt.piece), "chain-soldered"); (f != nil) != tt.fires {
			t.Errorf("%s: %+v", tt.name, f)
		}
	}
	fix, after := fixed(t, sides("soldered", soldered), "chain-soldered", shelf(t)...)
	if fix == nil || len(after.Closure.Left) != 5 {
		t.Errorf("%+v", fix)
	}
}

func TestAChainIsMadeLongerOrShorterToTheTarget(t *testing.T) {
	chain := finding("chain", "brass", material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"})
	sides := func(left, right int, off length.MM) *piece.Piece {
		p := necklace(t, "40P", func(p *piece.Piece, _ *piece.Row) {
			p.Closure.Left, p.Closure.Right = fittings("cl", lobster, jump, chain, jump), fittings("cr", jump, chain, jump)
			p.Closure.Left[2].Links, p.Closure.Right[1].Links = left, right
		})
		p.Target = &piece.Target{Finished: measuredPiece(t, p).Finished + off, Tolerance: 1.5}
		return p
	}
	for _, tt := range []struct {
		name        string
		piece       *piece.Piece
		says        string
		left, right int
	}{
		{"both alike", sides(20, 20, 12.4), "Give both chains 22 links", 22, 22},
		{"both shorter", sides(20, 20, -17.5), "Give both chains 17 links", 17, 17},
		{"one of two that differ", sides(20, 24, 12.4), "Give the chain 24 links", 24, 24},
	} {
		fix, after := fixed(t, tt.piece, "length-off")
		if fix == nil || spoken(fix) != tt.says || after.Closure.Left[2].Links != tt.left || after.Closure.Right[1].Links != tt.right {
			t.Errorf("%s: %+v", tt.name, fix)
		}
	}
	if fix, _ := fixed(t, sides(20, 20, 3), "length-off"); fix == nil || strings.Contains(spoken(fix), "chain") {
		t.Errorf("where whole links come no nearer: %+v", fix)
	}
	if fix, _ := fixed(t, sides(2, 2, -20), "length-off"); fix == nil || strings.Contains(spoken(fix), "chain") {
		t.Errorf("a chain has at least one link: %+v", fix)
	}
}

func TestARingOnALoopTakesItsBeads(t *testing.T) {
	ring := func(inside length.MM) change {
		r := finding("ring", "brass", material.Finding{Type: material.JumpRing, Inside: inside, Wire: 0.7, Joint: "open", Form: "oval"})
		return func(p *piece.Piece, _ *piece.Row) {
			p.Closure = piece.Closure{Type: piece.Clasp, Left: fittings("cl", lobster, jump), Right: fittings("cr", r)}
		}
	}
	looped := func(inside length.MM) *piece.Piece {
		return necklace(t, "30P", ends(), cordOf(thread(material.Waxed, 0.4)), loopAt(t, piece.Right, "20P"), ring(inside))
	}
	if f := of(all(t, looped(4)), "ring-too-small"); f != nil {
		t.Errorf("as wide as the pearls: %s", spoken(f))
	}
	if f := of(all(t, looped(3.99)), "ring-too-small"); f == nil {
		t.Error("a ring narrower than the pearls it goes over is quiet")
	}
}

// What hangs at an end or on a loop is put right like what hangs on the cord.
func TestComponentsHungAtAnEndAreMended(t *testing.T) {
	two := charmOf(t, 1, 1.4, jump, jump)
	onRing := necklace(t, "43P", closed(lobster, jump), func(p *piece.Piece, _ *piece.Row) { p.Closure.Left[1].Hung = []*material.Material{two} })
	onLoop := buttoned(t, "14P", func(_ *piece.Piece, r *piece.Row) { r.RightEnding.Hung = []*material.Material{two} })
	for name, tt := range map[string]struct {
		piece *piece.Piece
		hung  func(p *piece.Piece) []*material.Material
	}{
		"on a ring": {onRing, func(p *piece.Piece) []*material.Material { return p.Closure.Left[1].Hung }},
		"on a loop": {onLoop, func(p *piece.Piece) []*material.Material { return p.Leading().RightEnding.Hung }},
	} {
		fix, after := fixed(t, tt.piece, "lies-sideways", shelf(t)...)
		if fix == nil || fix.Ops[0].Do() != (edit.SetRings{}).Do() {
			t.Errorf("%s: %+v", name, fix)
			continue
		}
		if n := len(tt.hung(after)[0].Component.Rings); n == 2 {
			t.Errorf("%s: still on %d rings", name, n)
		}
		if n := len(tt.hung(tt.piece)[0].Component.Rings); n != 2 {
			t.Errorf("%s: the piece it was made of has changed", name)
		}
	}
	short := necklace(t, "43P", closed(lobster, jump), func(p *piece.Piece, _ *piece.Row) {
		p.Closure.Left[1].Hung = []*material.Material{dropOf(t, "P 2R", on(shortPin))}
	})
	fix, after := fixed(t, short, "leg-short", headPin, finePin)
	if fix == nil || after.Closure.Left[1].Hung[0].Component.Pin.Of != headPin {
		t.Errorf("a longer pin: %+v", fix)
	}
}

func TestABeadOverACrimpOnPurposeIsItsCover(t *testing.T) {
	under := func(line string) *piece.Piece {
		return necklace(t, line, func(_ *piece.Piece, r *piece.Row) {
			r.LeftEnding.Way, r.RightEnding.Way = piece.WayUnderBead, piece.WayUnderBead
		})
	}
	codes := func(p *piece.Piece) string {
		out := ""
		for _, f := range all(t, p) {
			if f.Code == "crimp-swallowed" || f.Code == "cover-misfit" {
				out += f.Code + " " + string(f.At.Side) + ";"
			}
		}
		return out
	}
	for line, want := range map[string]string{
		"G 9P G":     "",
		"2G 8P G":    "crimp-swallowed left;",
		"G 9P":       "cover-misfit right;",
		"G":          "crimp-swallowed left;crimp-swallowed right;",
		"G 8P T 2G":  "crimp-swallowed right;",
		"P 8P P G P": "cover-misfit left;cover-misfit right;",
	} {
		if got := codes(under(line)); got != want {
			t.Errorf("%s: %s, want %s", line, got, want)
		}
	}
	fix, after := fixed(t, necklace(t, "4P G", func(p *piece.Piece, _ *piece.Row) {
		p.Palette = map[string]*material.Material{"P": p.Palette["P"], "G": p.Palette["G"]}
		p.Palette["P"].Bead.Hole = 1.43 // keeps the crimp of 1.44 out, and passes into no hole
	}), "crimp-swallowed")
	if fix == nil {
		t.Fatal("no fix")
	}
	if !strings.Contains(spoken(fix), "between") && after.Leading().RightEnding.Way != piece.WayUnderBead {
		t.Errorf("%+v", fix)
	}
	only := necklace(t, "4P G", func(p *piece.Piece, _ *piece.Row) {
		p.Palette = map[string]*material.Material{"P": bead(t, "small", material.Bead{Shape: material.Round, Across: 2.4, Hole: 0.9}), "G": p.Palette["G"]}
	})
	if fix, after := fixed(t, only, "crimp-swallowed"); fix == nil || spoken(fix) != "Let lantern cover the crimp" || after.Leading().RightEnding.Way != piece.WayUnderBead {
		t.Errorf("where nothing goes between: %+v", fix)
	}
	misfit, after := fixed(t, under("G 9P"), "cover-misfit")
	if misfit == nil || after.Leading().RightEnding.Way != piece.WayFittings {
		t.Errorf("%+v", misfit)
	}
}

// A row to a length of its own is judged by itself, and a wound strand at each turn.
func TestEaseOfRowsWornApartAndOfTurns(t *testing.T) {
	wound := necklace(t, "150P", func(p *piece.Piece, _ *piece.Row) {
		p.Kind, p.Body = piece.Bracelet, &piece.Body{Part: "wrist", Measure: 150, Times: 3}
	})
	if f := of(all(t, wound), "ease-off"); f == nil || !strings.Contains(spoken(f), "inside at each of its 3 turns") {
		t.Errorf("%+v", f)
	}
	apart := func(rule piece.Rule) *piece.Piece {
		return necklace(t, "40P", func(p *piece.Piece, r *piece.Row) {
			p.Kind, p.Body = piece.Bracelet, &piece.Body{Part: "wrist", Measure: 150}
			long := *r
			long.ID, long.Left, long.Right = "r2", fittings("gl", crimp18), fittings("gr", crimp18)
			long.Line, long.Follow = necklace(t, "60P").Leading().Line, piece.Follow{Rule: rule, Step: 240}
			p.Sections[0].Rows = append(p.Sections[0].Rows, &long)
		})
	}
	loose := func(p *piece.Piece) bool {
		return slices.ContainsFunc(all(t, p), func(f Problem) bool { return f.Code == "ease-off" && f.At.Row == "r2" })
	}
	if !loose(apart(piece.Own)) || loose(apart(piece.Longer)) {
		t.Errorf("worn alone too loose: %v, beside the other: %v", loose(apart(piece.Own)), loose(apart(piece.Longer)))
	}
}

// What lies outside of the clasp is moved to the strand's side of it, in its order.
func TestWhatLiesOutsideOfTheClaspIsMovedInwards(t *testing.T) {
	p := necklace(t, "20P", closed(jump, soldered, lobster, jump))
	fix, after := fixed(t, p, "no-clasp")
	if fix == nil || spoken(fix) != "Move jump ring and soldered ring inwards" {
		t.Fatalf("%+v", fix)
	}
	var order []string
	for _, f := range after.Closure.Left {
		order = append(order, f.Of.Name)
	}
	if got := strings.Join(order, ", "); got != "lobster, jump ring, soldered ring, jump ring" {
		t.Error(got)
	}
}
