package check

import (
	"fmt"
	"strings"
	"testing"

	"mala/core/drape"
	"mala/core/edit"
	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/core/testparts"
)

// rowsOf is a necklace of a row for each line between a lobster's ring and a ring, each
// row crimped on.
func rowsOf(t testing.TB, lines []string, change ...change) *piece.Piece {
	t.Helper()
	p := necklace(t, lines[0], closed(lobster, bigRing), func(p *piece.Piece, _ *piece.Row) { p.Closure.Right = fittings("cr", bigRing) })
	for i, text := range lines[1:] {
		line := testparts.Line(t, text)
		id := piece.ID(fmt.Sprint("r", i+2))
		p.Sections[0].Rows = append(p.Sections[0].Rows, &piece.Row{ID: id, Cord: wire(0.38), Line: line, Passes: 1,
			Left: fittings("l"+string(id), crimp18), Right: fittings("q"+string(id), crimp18)})
	}
	for _, c := range change {
		c(p, p.Leading())
	}
	return p
}

var bigRing = finding("big ring", "", material.Finding{Type: material.JumpRing, Inside: 6, Wire: 1})

// inHoles closes a piece by a clasp of k holes.
func inHoles(k int, right ...int) change {
	return func(p *piece.Piece, _ *piece.Row) {
		p.Closure = piece.Closure{Type: piece.Clasp, Left: fittings("cl", finding("slide", "", material.Finding{Type: material.Slide, Closed: 9, Holes: k, Spacing: 6}))}
		for i, hole := range right {
			p.Rows()[i].RightPort.Hole = hole
		}
	}
}

func twisted(p *piece.Piece, _ *piece.Row) { p.Sections[0].Twisted = true }

// asking lets rows hang so far apart.
func asking(gap length.MM) change {
	return func(p *piece.Piece, _ *piece.Row) { p.Sections[0].Gap = &gap }
}

// follows makes each row follow the one before by a rule.
func follows(rule piece.Rule, step length.MM) change {
	return func(p *piece.Piece, _ *piece.Row) {
		for _, r := range p.Rows()[1:] {
			r.Follow = piece.Follow{Rule: rule, Step: step}
		}
	}
}

func TestEveryCheckOfRowsFiresAndItsNearMissDoesNot(t *testing.T) {
	wide := func(lines ...string) *piece.Piece { return rowsOf(t, lines) }
	for _, tt := range []struct {
		code         string
		severity     Severity
		says         string
		fires, quiet *piece.Piece
	}{
		{"rows-cross", Warn, "row 2 crosses row 1", wide("56R", "53R"), rowsOf(t, []string{"56R", "53R"}, twisted)},
		{"rows-cross", Warn, "of rows 1 and 2 come within", wide("54R", "57R"), wide("54R", "59R")},
		{"rows-gape", Advise, "rows 1 and 2 hang", wide("54R", "66R"), wide("54R", "60R")},
		{"rows-gape", Advise, "more than the 8 mm that are wanted", rowsOf(t, []string{"54R", "60R"}, asking(8)), rowsOf(t, []string{"54R", "66R"}, asking(60))},
		{"rows-cross", Warn, "row 3 crosses row 2", wide("47R", "53R", "53R"), wide("47R", "53R", "58R")},
		{"rows-cross", Warn, "row 3 crosses row 2", wide("47R", "53R", "46R"), wide("47R", "53R", "58R")},
		{"rows-cross", Warn, "the middle of boulder in row 1 comes within", rowsOf(t, []string{"14R B 22R B 14R", "61R"}, boulder(t, 14)), rowsOf(t, []string{"14R B 22R B 14R", "61R"}, boulder(t, 9))},
		{"rows-cross", Warn, "the middle of boulder in row 2 comes within", rowsOf(t, []string{"55R", "15R B 24R B 15R"}, boulder(t, 20)), rowsOf(t, []string{"55R", "16R B 24R B 16R"}, boulder(t, 20))},
		{"rows-cross", Advise, "bell of row 1 hangs down 45 mm; row 2 lies", rowsOf(t, []string{"<27R | L>", "<31R | R>"}, bell(t, 45)), rowsOf(t, []string{"<27R | L>", "<31R | R>"}, bell(t, 8))},
		{"rows-gape", Advise, "rows 1 and 2 hang", rowsOf(t, []string{"<27R | L>", "<33R | R>"}, bell(t, 6)), rowsOf(t, []string{"<27R | L>", "<33R | R>"}, bell(t, 35))},
		{"row-order", Warn, "Rows 1 and 2 are in holes 1 and 2 at the left and 2 and 1 at the right", rowsOf(t, []string{"20R", "20R"}, inHoles(2, 2, 1)), rowsOf(t, []string{"20R", "20R"}, inHoles(2))},
		{"hole-empty", Advise, "slide at the left has 4 holes; no row is in holes 3 and 4, so it hangs askew.", rowsOf(t, []string{"20R", "20R"}, inHoles(4)), rowsOf(t, []string{"20R", "20R"}, inHoles(2))},
		{"hole-empty", Advise, "slide at the left has 3 holes; no row is in hole 2.", rowsOf(t, []string{"20R", "20R"}, inHoles(3, 1, 3), func(p *piece.Piece, _ *piece.Row) { p.Rows()[1].LeftPort.Hole = 3 }), rowsOf(t, []string{"20R", "20R", "20R"}, inHoles(3))},
		{"steps-uneven", Warn, "Row 3 is 49.2 mm longer than row 2, but row 2 only 31.2 mm longer than row 1", wide("100P", "108P", "120P 2T"), wide("100P", "108P", "119P")},
		{"centres-differ", Warn, "Row 1 has a bead at its centre, row 2 two beads that meet there", wide("<9P T | G>", "<9P T R |>"), wide("<9P T | G>", "<9P T | R>")},
		{"centres-differ", Warn, "Row 2 has a bead at its centre, row 1 two beads", wide("<9P T |>", "<9P T | R>"), rowsOf(t, []string{"<9P T |>", "<9P T | R>"}, twisted)},
		{"centres-differ", Warn, "Row 1 has a bead", wide("<9P T | G>", "<9P T R |>"), wide("<9P T | G>", "20P")},
		{"ring-too-small", Stop, "8 rows go on it, and with what lies beyond they are", rowsOf(t, lines("20P", 8), thickCord(1.2)), rowsOf(t, lines("20P", 5), thickCord(1.2))},
		{"weak-link", Advise, "big ring at the left end", rowsOf(t, lines("20P", 3), heavyPearls), rowsOf(t, lines("20P", 2), heavyPearls)},
	} {
		found := all(t, tt.fires)
		f := of(found, tt.code)
		if f == nil || f.Severity != tt.severity || !strings.Contains(spoken(f), tt.says) {
			t.Errorf("%s: %+v, want %s saying %q", tt.code, f, tt.severity, tt.says)
		}
		if f := of(all(t, tt.quiet), tt.code); f != nil {
			t.Errorf("%s fired on its near miss: %s", tt.code, spoken(f))
		}
	}
}

func lines(line string, n int) []string {
	var out []string
	for range n {
		out = append(out, line)
	}
	return out
}

func thickCord(d length.MM) change {
	return func(p *piece.Piece, _ *piece.Row) {
		for _, r := range p.Rows() {
			r.Cord = thread(material.Waxed, d)
			r.Left, r.Right = nil, nil
		}
	}
}

// boulder is a bead B so wide across.
func boulder(t *testing.T, across length.MM) change {
	return func(p *piece.Piece, _ *piece.Row) {
		p.Palette["B"] = bead(t, "boulder", material.Bead{Shape: material.Round, Across: across, Hole: 1})
	}
}

// bell is a charm L that hangs so far down.
func bell(t *testing.T, drop length.MM) change {
	return func(p *piece.Piece, _ *piece.Row) {
		p.Palette["L"] = bead(t, "bell", material.Bead{Shape: material.Charm, Across: 5, Along: 0.8, Hole: 3, Drop: drop})
	}
}

// What hangs on a ring between a row's own chain and its beads is held against the next row as well.
func TestWhatHangsAtARowsEndReachesTheNextRow(t *testing.T) {
	chain := finding("chain", "brass", material.Finding{Type: material.Chain, Inside: 3, Wire: 0.6, Joint: "open"})
	hung := func(drop length.MM, links int) *Problem {
		own := func(p *piece.Piece, r *piece.Row) {
			bell(t, drop)(p, r)
			r.Left = fittings("l", crimp18, jump, chain)
			r.Left[1].Hung, r.Left[2].Links = []*material.Material{p.Palette["L"]}, links
		}
		for _, f := range all(t, rowsOf(t, []string{"38R", "61R"}, own)) {
			if _, is := f.Fact.(HangsOntoRow); is {
				return &f
			}
		}
		return nil
	}
	f := hung(45, 45)
	if f == nil || f.Severity != Advise || f.At.Side != piece.Left || !strings.Contains(spoken(f), "bell of row 1 hangs down 45 mm; row 2 lies") {
		t.Errorf("%+v", f)
	}
	if f := hung(4, 45); f != nil {
		t.Errorf("a short one: %+v", f)
	}
	if f := hung(45, 5); f != nil {
		t.Errorf("behind the neck: %+v", f)
	}
}

// heavyPearls makes three rows of twenty heavier than what an open ring carries well.
func heavyPearls(p *piece.Piece, _ *piece.Row) { p.Palette["P"].MassG = 1.1 }

func TestWhatRowsShareIsJudgedOnce(t *testing.T) {
	count := map[string]int{}
	for _, f := range all(t, rowsOf(t, lines("20P", 8), thickCord(1.2), heavyPearls)) {
		count[f.Code]++
	}
	if count["ring-too-small"] != 2 || count["weak-link"] != 2 {
		t.Errorf("one finding for each ring: %v", count)
	}
}

// Each row is asked for its own length, and speaks of itself by its number.
func TestEachRowIsHeldAgainstItsOwnTarget(t *testing.T) {
	p := rowsOf(t, []string{"100P", "100P", "100P"}, follows(piece.Longer, 12))
	m := measuredPiece(t, p)
	p.Target = &piece.Target{Finished: m.Finished, Tolerance: 3}
	var says []string
	for _, f := range all(t, p) {
		if f.Code == "length-off" {
			says = append(says, string(f.At.Row)+" "+spoken(f))
		}
	}
	if len(says) != 2 || !strings.HasPrefix(says[0], "r2 Row 2 measures") || !strings.Contains(says[1], "24 mm under the target") {
		t.Errorf("%v", says)
	}
	fix, after := fixed(t, p, "length-off")
	if fix == nil || of(all(t, after), "length-off").At.Row != "r3" || after.Leading().Line.String() != "100P" {
		t.Errorf("the fix is for its row: %+v", fix)
	}
}

func TestCrossingRowsAreMadeLonger(t *testing.T) {
	for _, tt := range []struct {
		name string
		p    *piece.Piece
	}{
		{"counted out", rowsOf(t, []string{"54R", "57R"}, follows(piece.Free, 0))},
		{"filled", rowsOf(t, []string{"{R}", "{R}"}, target(430, 5), follows(piece.Longer, 20))},
		{"counted, following", rowsOf(t, []string{"54R", "56R"}, target(430, 12), follows(piece.Longer, 16))},
	} {
		fix, after := fixed(t, tt.p, "rows-cross")
		if fix == nil {
			t.Errorf("%s: nothing mends it", tt.name)
			continue
		}
		if near := drape.Beside(measuredPiece(t, after))[0].Near; near < 7.2 {
			t.Errorf("%s: %s leaves %v between them", tt.name, spoken(fix), near)
		}
		if after.Leading().Line.String() != tt.p.Leading().Line.String() {
			t.Errorf("%s: the first row is left alone", tt.name)
		}
	}
	if fix, _ := fixed(t, rowsOf(t, []string{"100P", "100P"}, func(p *piece.Piece, _ *piece.Row) { p.Target = &piece.Target{Finished: 600, Tolerance: 3} }, follows(piece.Longer, 12)), "length-off"); fix == nil || strings.Contains(spoken(fix), "+0.0 mm") {
		t.Errorf("the words say by how much the row moves: %+v", fix)
	}
	fix, after := fixed(t, rowsOf(t, []string{"20R", "20R"}, inHoles(2, 2, 1)), "row-order")
	if fix == nil || after.Hole(after.Rows()[0], piece.Right) != 1 {
		t.Errorf("%+v", fix)
	}
	if _, after = fixed(t, rowsOf(t, []string{"<9P T | G>", "<9P T R |>"}), "centres-differ"); after == nil || !strings.Contains(after.Rows()[1].Line.String(), "| R>") {
		t.Errorf("%v", after)
	}
	if _, after = fixed(t, rowsOf(t, lines("20P", 8), thickCord(1.2)), "ring-too-small", finding("huge ring", "", material.Finding{Type: material.JumpRing, Inside: 12, Wire: 1.2})); after == nil {
		t.Error("a larger ring takes them")
	}
	if after, _, err := edit.Apply(rowsOf(t, []string{"20R", "20R"}), nil, edit.SetTwist{Twist: piece.Yes}); err != nil || !after.Twisted() {
		t.Error(err)
	}
}

// throughBead splits rows by a bead of this hole that all their cords run through.
func throughBead(t testing.TB, hole float64) change {
	return func(p *piece.Piece, _ *piece.Row) {
		after, _, err := edit.Apply(p, nil, edit.AddSection{At: p.Leading().At(), Join: testparts.Bead(t, "focal", material.Bead{Shape: material.Round, Across: 14, Hole: length.MM(hole)}, 0)})
		if err != nil {
			t.Fatal(err)
		}
		*p = *after
	}
}

func TestASharedBeadTakesAllCords(t *testing.T) {
	need := float64(material.HoleFor(2, 0.38))
	for hole, want := range map[float64]Severity{need - 0.01: Stop, need + 0.001: Warn, 1.1*need - 0.001: Warn, 1.1*need + 0.001: ""} {
		p := rowsOf(t, []string{"20P", "20P"}, throughBead(t, hole))
		if faults := p.Check(); len(faults) > 0 {
			t.Fatal(faults)
		}
		var got Severity
		for _, f := range all(t, p) {
			if f.Code == "hole-too-small" && f.At.Fitting != "" {
				got = f.Severity
			}
			if f.Code == "end-unheld" || f.Code == "row-order" {
				t.Errorf("%s: %s", f.Code, spoken(f))
			}
		}
		if got != want {
			t.Errorf("a hole of %.3f: %q, want %q", hole, got, want)
		}
	}
}

// The rows of every section are judged, not of the one with the most alone.
func TestRowsOfAnotherSectionThatCrossAreTold(t *testing.T) {
	for lower, crosses := range map[string]bool{"33R": false, "24R": true} {
		p := rowsOf(t, []string{"28R", "33R"}, throughBead(t, 2))
		if len(p.Sections) != 2 {
			t.Fatalf("%d sections", len(p.Sections))
		}
		second := p.Sections[1].Rows
		for len(second) < 2 {
			row := *p.Sections[0].Rows[1]
			row.ID, row.Left, row.Right = "r4", fittings("l4", crimp18), fittings("q4", crimp18)
			second = append(second, &row)
		}
		second[0].Line, second[1].Line = testparts.Line(t, "28R"), testparts.Line(t, lower)
		p.Sections[1].Rows = second
		told := false
		for _, f := range all(t, p) {
			told = told || f.Code == "rows-cross" && strings.Contains(spoken(f), "row 4 crosses row 3")
		}
		if told != crosses {
			t.Errorf("beside 28 rounds %s: told %v", lower, told)
		}
	}
}

// Two rows in the first holes of four hang in the middle ones; three of four have no middle.
func TestRowsOfABarThatHangsAskewMoveToItsMiddle(t *testing.T) {
	fix, after := fixed(t, rowsOf(t, []string{"20R", "20R"}, inHoles(4)), "hole-empty")
	if fix == nil || spoken(fix) != "Hang the rows in holes 2 and 3" {
		t.Fatalf("%+v", fix)
	}
	for k, r := range after.Rows() {
		if after.Hole(r, piece.Left) != k+2 || after.Hole(r, piece.Right) != k+2 {
			t.Errorf("row %d: %d, %d", k+1, after.Hole(r, piece.Left), after.Hole(r, piece.Right))
		}
	}
	if f := of(all(t, after), "hole-empty"); f == nil || strings.Contains(spoken(f), "askew") {
		t.Errorf("in the middle: %v", f)
	}
	if fix, _ := fixed(t, rowsOf(t, []string{"20R", "20R", "20R"}, inHoles(4)), "hole-empty"); fix != nil {
		t.Errorf("three of four: %s", spoken(fix))
	}
}
