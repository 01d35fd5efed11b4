package edit

import (
	"errors"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/testparts"
)

func bench(t *testing.T, line string) *piece.Piece {
	t.Helper()
	make := func(b material.Bead) *material.Material {
		made, err := material.NewBead(b)
		if err != nil {
			t.Fatal(err)
		}
		return &material.Material{ID: string(b.Shape), Class: material.ClassBead, Bead: made}
	}
	parsed := testparts.Line(t, line)
	return &piece.Piece{
		Kind: piece.Bracelet, House: piece.DefaultHouse(), Closure: piece.Closure{Type: piece.Knot},
		Target: &piece.Target{Finished: 120, Tolerance: 3},
		Palette: map[string]*material.Material{
			"P": make(material.Bead{Shape: material.Round, Across: 4, Hole: 0.8}),
			"L": make(material.Bead{Shape: material.Round, Across: 10, Hole: 1}),
			"C": make(material.Bead{Shape: material.Cap, Across: 8, Depth: 2, Wall: 0.4, Hole: 1}),
		},
		Sections: []piece.Section{{Rows: []*piece.Row{{ID: "r1", Line: parsed, Passes: 1,
			Cord: &material.Material{Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: length.MM(0.7)}}}}}},
	}
}

func TestEditsGiveTheLineAndWhatToSelect(t *testing.T) {
	for _, tt := range []struct {
		name, line string
		edit       Op
		after      string
		want       Result
	}{
		{"typing a run", "3P", Insert{From: 3, To: 3, Beads: "9L"}, "3P 9L", Result{From: 12, To: 12}},
		{"typing over a selection", "3P L 3P", Insert{From: 3, To: 4, Beads: "C"}, "3P C 3P", Result{From: 4, To: 4}},
		{"a cap after a wider bead opens to it", "P L", Insert{From: 2, To: 2, Beads: "C"}, "P L ~C", Result{From: 3, To: 3}},
		{"a cap after a narrower bead does not", "L P", Insert{From: 2, To: 2, Beads: "C"}, "L P C", Result{From: 3, To: 3}},
		{"a cap after a cap does not", "L ~C", Insert{From: 2, To: 2, Beads: "C"}, "L ~C C", Result{From: 3, To: 3}},
		{"grouping", "3P L", Enclose{By: pattern.InGroup, From: 2, To: 4}, "2P (P L)", Result{From: 2, To: 4}},
		{"mirroring selects both halves", "3P L", Enclose{By: pattern.InMirror, From: 0, To: 4}, "<3P L |>", Result{From: 0, To: 8}},
		{"a fill grows and the caret stays behind its bead", "L {P} L", Delete{From: 0, To: 1}, "{P} L", Result{From: 0, To: 0}},
		{"copying changes nothing", "3P L", Copy{From: 1, To: 4}, "3P L", Result{From: 1, To: 4, Text: "2P L"}},
		{"a count", "3P L", Count{Node: 0, To: 5}, "5P L", stays},
		{"one more", "3P 2L", Step{Node: 0, By: 1}, "4P 2L", stays},
		{"one fewer of a group", "3(P L)", Step{Node: 0, By: -1}, "2(P L)", stays},
		{"never fewer than one", "2P L", Step{Node: 1, By: -1}, "2P L", stays},
		{"never more than can be written", "9999P", Step{Node: 0, By: 1}, "9999P", stays},
		{"one more of a loop, by its bead", "P L[2P] P", Step{Node: 2, By: 1}, "P 2L[2P] P", stays},
		{"moving to the right", "3P L 2P", Move{From: 3, To: 4, Gap: 6}, "5P L", Result{From: 5, To: 6}},
		{"moving to the left", "3P L 2P", Move{From: 3, To: 4, Gap: 1}, "P L 4P", Result{From: 1, To: 2}},
		{"moving a group whole", "2(P L) 3P", Move{From: 0, To: 4, Gap: 7}, "3P 2(P L)", Result{From: 3, To: 7}},
		{"moving to the very start", "3P L", Move{From: 3, To: 4, Gap: 0}, "L 3P", Result{From: 0, To: 1}},
		{"moving to the very end", "L 3P", Move{From: 0, To: 1, Gap: 4}, "3P L", Result{From: 3, To: 4}},
		{"moving behind a bead of the same run", "P L 3P", Move{From: 1, To: 2, Gap: 3}, "2P L 2P", Result{From: 2, To: 3}},
		{"moving onto its own start", "3P L", Move{From: 1, To: 3, Gap: 1}, "3P L", Result{From: 1, To: 3}},
		{"moving onto its own end", "3P L", Move{From: 1, To: 3, Gap: 3}, "3P L", Result{From: 1, To: 3}},
		{"a cap as wide as the bead before it opens to it", "C L", Insert{From: 0, To: 0, Beads: "C"}, "2C L", Result{From: 1, To: 1}},
		{"two caps dropped together stay as typed", "P L", Insert{From: 2, To: 2, Beads: "2C P"}, "P L 2C P", Result{From: 5, To: 5}},
		{"a turned cap stays turned", "L P", Insert{From: 2, To: 2, Beads: "~C"}, "L P ~C", Result{From: 3, To: 3}},
		{"ten thousand beads are the most", "P", Insert{From: 1, To: 1, Beads: "9999P"}, "P 9999P", Result{From: 10000, To: 10000}},
		{"an open fill refills before the caret", "{P} L", Insert{From: 29, To: 29, Beads: "L"}, "{P} 2L", Result{From: 28, To: 28}},
		{"at a fill's start a bead goes before it", "{P}", Insert{From: 0, To: 0, Beads: "L"}, "L {P}", Result{From: 1, To: 1}},
		{"in a fill it goes beside the nearer end", "{P}", Insert{From: 4, To: 4, Beads: "L"}, "L {P}", Result{From: 1, To: 1}},
		{"and behind the farther half", "2L {P}", Insert{From: 26, To: 26, Beads: "L"}, "2L {P} L", Result{From: 26, To: 26}},
		{"in a mirror's fill it stays in the half", "<{P} | L>", Insert{From: 2, To: 2, Beads: "L"}, "<L {P} | L>", Result{From: 1, To: 1}},
		{"a bead selected in a fill is replaced in it", "{2P}", Insert{From: 1, To: 2, Beads: "L"}, "{P L}", Result{From: 2, To: 2}},
		{"moving to the right in its own run", "9P", Move{From: 2, To: 3, Gap: 6}, "9P", Result{From: 5, To: 6}},
		{"moving two in a run between others", "2L 9P 2L", Move{From: 4, To: 6, Gap: 8}, "2L 9P 2L", Result{From: 6, To: 8}},
		{"turning an item", "3P C", Turn{Node: 1}, "3P ~C", stays},
		{"moving onto itself", "3P L", Move{From: 1, To: 3, Gap: 2}, "3P L", Result{From: 1, To: 3}},
		{"moving in the mirrored half moves in the half", "<2P L | C>", Move{From: 4, To: 5, Gap: 7}, "<L 2P | C>", Result{From: 6, To: 7}},
		{"another letter", "3P L P", Letter{Letters: "P Q"}, "3Q L Q", stays},
		{"a letter in use changes places", "3P L P", Letter{Letters: "P L"}, "3L P L", stays},
		{"writing out", "2(P L)", Ungroup{From: 0, To: 1}, "P L P L", Result{From: 0, To: 1}},
	} {
		p, got, err := Apply(bench(t, tt.line), nil, tt.edit)
		if err != nil || got != tt.want || p.Leading().Line.String() != tt.after {
			t.Errorf("%s: %v %+v, %v, want %q %+v", tt.name, p, got, err, tt.after, tt.want)
		}
	}
}

func TestEditsThatCannotBeAreRefused(t *testing.T) {
	for name, e := range map[string]Op{
		"beads that are not there": Delete{From: 2, To: 99},
		"a backwards selection":    Enclose{By: pattern.InGroup, From: 3, To: 1},
		"nothing selected":         Enclose{By: pattern.InMirror, From: 1, To: 1},
		"a line that is none":      Insert{From: 1, To: 1, Beads: "(("},
		"too many beads":           Insert{From: 1, To: 1, Beads: "9999(9P)"},
		"a letter that is none":    Letter{Letters: "P 3"},
		"a move to nowhere":        Move{From: 0, To: 1, Gap: 99},
		"a move just past the end": Move{From: 0, To: 1, Gap: 5},
		"a move before the start":  Move{From: 1, To: 2, Gap: -1},
		"a move of what is not":    Move{From: 3, To: 5, Gap: 0},
		"a move from before":       Move{From: -1, To: 1, Gap: 3},
		"a move of nothing":        Move{From: 2, To: 2, Gap: 0},
		"a shuffle of too much":    Shuffle{From: 0, To: 5},
		"a shuffle from before":    Shuffle{From: -1, To: 2},
		"a turn of no item":        Turn{Node: 2},
		"a turn before the first":  Turn{Node: -1},
		"a step of no item":        Step{Node: 2, By: 1},
		"a step before the first":  Step{Node: -1, By: 1},
		"ten thousand and one":     Insert{From: 1, To: 1, Beads: "9997P"},
		"a shuffle of nothing":     Shuffle{From: 1, To: 1},
		"a node that is not there": Count{Node: 7, To: 1},
		"a gap that is not there":  Insert{From: -1, To: -1, Beads: "P"},
	} {
		_, got, err := Apply(bench(t, "3P L"), nil, e)
		var refused *Refused
		if err == nil || !errors.As(err, &refused) && pattern.Faults(err) == nil {
			t.Errorf("%s gave %+v, %v", name, got, err)
		}
	}
}

func TestShufflingKeepsTheCountsAndPartsTheAlike(t *testing.T) {
	for seed := range 60 {
		p, got, err := Apply(bench(t, "6P 5L 4C"), nil, Shuffle{From: 0, To: 15, Seed: seed})
		if err != nil {
			t.Fatal(err)
		}
		line := p.Leading().Line
		beads, _ := line.Expand(nil)
		counts := map[string]int{}
		for i, b := range beads {
			counts[b.Node.Key()]++
			if i > 0 && beads[i-1].Node.Key() == b.Node.Key() {
				t.Fatalf("seed %d: two alike touch in %q", seed, line)
			}
		}
		if counts["P"] != 6 || counts["L"] != 5 || counts["C"] != 4 || got.From != 0 || got.To != 15 {
			t.Fatalf("seed %d: %v selected %d to %d", seed, counts, got.From, got.To)
		}
	}
	if _, got, err := Apply(bench(t, "9P L"), nil, Shuffle{From: 0, To: 10, Seed: 1}); err != nil || got.To != 10 {
		t.Errorf("nine of ten alike: %+v, %v", got, err)
	}
}

func TestFiveHundredEditsByAnyMeansKeepTheMirror(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 5))
	text := "<2P L 9P 3(P L) C | L>"
	for step := range 500 {
		p := bench(t, text)
		line := p.Leading().Line
		beads, err := line.Expand(nil)
		if err != nil {
			t.Fatal(err)
		}
		n := len(beads)
		from := rng.IntN(n)
		to := min(n, from+1+rng.IntN(3))
		var e Op
		switch rng.IntN(9) {
		case 0, 1:
			e = Insert{From: from, To: from, Beads: []string{"P", "2L", "C", "~C"}[rng.IntN(4)]}
		case 2:
			e = Delete{From: from, To: to}
		case 3:
			e = Enclose{By: pattern.InGroup, From: from, To: to}
		case 4:
			e = Enclose{By: pattern.InReverse, From: from, To: to}
		case 5:
			e = Move{From: from, To: to, Gap: rng.IntN(n + 1)}
		case 6:
			e = Shuffle{From: from, To: to, Seed: step}
		case 7:
			e = Count{Node: rng.IntN(len(line.Nodes)), To: 1 + rng.IntN(3)}
		case 8:
			e = Letter{Letters: "P L"}
		}
		_, deletes := e.(Delete)
		_, moves := e.(Move)
		if n < 24 && deletes || n > 160 && !deletes {
			continue
		}
		changed, _, err := Apply(p, nil, e)
		if err != nil {
			if f := pattern.Faults(err); len(f) != 1 || f[0].Code != pattern.BadEdit {
				t.Fatalf("step %d: %+v on %q: %v", step, e, text, err)
			}
			continue
		}
		after := changed.Leading().Line
		read, err := pattern.Parse(after.String())
		if err != nil || read.String() != after.String() {
			t.Fatalf("step %d: %+v on %q gave %q: %v", step, e, text, after, err)
		}
		if p.Leading().Line.String() != text {
			t.Fatalf("step %d: %+v changed the piece it was given", step, e)
		}
		if !mirrored(after) {
			// Taking out or carrying away the centre, or the whole half, may end a mirror; nothing else does.
			if !deletes && !moves {
				t.Fatalf("step %d: %+v on %q broke the mirror: %q", step, e, text, after)
			}
			continue
		}
		text = after.String()
	}
}

// mirrored says whether some mirror of the line still stands, and reads the same
// from both ends but for its centre.
func mirrored(line *pattern.Line) bool {
	for _, n := range line.Nodes {
		if n.Unit.Kind() == pattern.KindMirror && len(n.Items()) > 0 {
			return true
		}
	}
	return false
}

func TestBetweenPutsOutsideOfGroupsAndInsideOfTheWholeMirror(t *testing.T) {
	for _, tt := range []struct {
		line  string
		gap   int
		after string
	}{
		{"P 3(P L) C", 1, "P C 3(P L) C"},
		{"P 3(P L) C", 7, "P 3(P L) 2C"},
		{"P 3(P L) C", 2, "P 3(P C L) C"},
		{"P 3(P L) C", 3, "P 3(P L C) C"},
		{"<3(P L) | P>", 0, "<C 3(P L) | P>"},
		{"<3(P L) | P>", 6, "<3(P L) C | P>"},
		{"<3(P L) | P>", 7, "<3(P L) ~C | P>"},
		{"<3P |>", 3, "<3P | C>"},
		{"P <2P | L> P", 1, "P C <2P | L> P"},
		{"P <2P | L> P", 6, "P <2P | L> C P"},
		{"6P", 2, "2P C 4P"},
		{"P ~(2P L) P", 1, "P C ~(2P L) P"},
		{"P ~(2P L) P", 2, "P ~(2P ~C L) P"},
		{"L {P L} P", 0, "C L {P L} P"},
		{"", 0, "C"},
	} {
		p, got, err := Apply(bench(t, tt.line), nil, Between{Gap: tt.gap, Beads: "C"})
		if err != nil || p.Leading().Line.String() != tt.after {
			t.Errorf("into gap %d of %q: %v, want %q", tt.gap, tt.line, err, tt.after)
		}
		if grown := p.Leading().Line; err == nil && (got.To <= tt.gap || beadAt(t, grown, got.To-1) != "C") {
			t.Errorf("into gap %d of %q: the caret is at %d", tt.gap, tt.line, got.To)
		}
	}
	if _, _, err := Apply(bench(t, "3P"), nil, Between{Gap: 9, Beads: "C"}); err == nil {
		t.Error("there is no gap 9 in three pearls")
	}
}

// applied is a piece after operations that must be carried out.
func applied(t *testing.T, p *piece.Piece, shelf []*material.Material, ops ...Op) *piece.Piece {
	t.Helper()
	after, _, err := Apply(p, shelf, ops...)
	if err != nil {
		t.Fatal(err)
	}
	return after
}

// refuses fails unless an operation is refused in words that hold these.
func refuses(t *testing.T, p *piece.Piece, says string, ops ...Op) {
	t.Helper()
	if _, _, err := Apply(p, nil, ops...); err == nil || !strings.Contains(err.Error(), says) {
		t.Errorf("%s: %v, want %q", ops[0].Do(), err, says)
	}
}

// beadAt is the letter of a bead of the line.
func beadAt(t *testing.T, line *pattern.Line, i int) string {
	t.Helper()
	beads, err := line.Expand(pattern.Fills{line.OpenFill(): 3})
	if err != nil {
		t.Fatal(err)
	}
	return beads[i].Node.Key()
}

func fittingOf(typ material.FindingType) *material.Material {
	return &material.Material{ID: string(typ), Name: string(typ), Class: material.ClassFinding, Finding: &material.Finding{Type: typ, Inside: 4, Wire: 0.8, Length: 2, Joint: "open"}}
}

func cordOf(typ material.CordType) *material.Material {
	return &material.Material{ID: string(typ), Name: string(typ), Class: material.ClassCord, Cord: &material.Cord{Type: typ, Diameter: 0.4}}
}

func TestEndsAreBuiltByOperations(t *testing.T) {
	shelf := []*material.Material{fittingOf(material.Lobster), fittingOf(material.JumpRing), fittingOf(material.CrimpTube), cordOf(material.Wire), cordOf(material.Elastic)}
	shelf[0].Finding.Joint = ""
	shelf[2].Finding.Inside = 1.2
	p := applied(t, bench(t, "9P"), shelf, SetClosure{Closure: "clasp"})
	row := p.Leading()
	if row.Cord.Cord.Type != material.Wire || len(row.Left) != 1 || len(row.Right) != 1 || len(p.Closure.Left) != 2 || len(p.Closure.Right) != 1 {
		t.Fatalf("closed by a clasp: %+v %+v", row, p.Closure)
	}
	ids := map[piece.ID]bool{row.ID: true}
	for _, list := range p.Fittings() {
		for _, f := range *list {
			if ids[f.ID] {
				t.Errorf("%q is given twice", f.ID)
			}
			ids[f.ID] = true
		}
	}
	cover, guard := fittingOf(material.CrimpCover), fittingOf(material.WireGuard)
	left := row.AtEnd(piece.Left)
	p = applied(t, p, shelf, AddFitting{At: left, Of: guard}, AddFitting{At: left, Of: cover})
	if len(p.Leading().Left) != 3 || p.Leading().Left[1].Of != cover || p.Leading().Left[2].Of != guard {
		t.Fatalf("threaded %+v", p.Leading().Left)
	}
	ring := piece.Place{Fitting: p.Closure.Left[1].ID, Element: piece.NoElement}
	p = applied(t, p, shelf, AddFitting{At: ring, Of: guard}, SetFitting{At: ring, Of: fittingOf(material.SplitRing)})
	if p.Closure.Left[1].Of.Finding.Type != material.SplitRing || p.Closure.Left[2].Of != guard {
		t.Fatalf("beside the ring: %+v", p.Closure.Left)
	}
	p = applied(t, p, shelf, DropFitting{At: ring}, AddFitting{At: left, Closure: true, Of: shelf[1]})
	if p.Closure.Left[0].Of != shelf[1] || p.Closure.Left[1].Of.Finding.Type != material.Lobster || len(p.Closure.Left) != 3 {
		t.Fatalf("outermost: %+v", p.Closure.Left)
	}
	outer := piece.Place{Fitting: p.Closure.Left[0].ID, Element: piece.NoElement}
	moved := applied(t, p, shelf, MoveFitting{At: outer, N: 2})
	if moved.Closure.Left[2].ID != outer.Fitting || moved.Closure.Left[0].Of.Finding.Type != material.Lobster || p.Closure.Left[0].ID != outer.Fitting {
		t.Fatalf("moved inwards: %+v", moved.Closure.Left)
	}
	if back := applied(t, moved, shelf, MoveFitting{At: outer, N: -2}); !slices.EqualFunc(back.Closure.Left, p.Closure.Left, func(a, b piece.Fitting) bool { return a.ID == b.ID }) {
		t.Errorf("and back: %+v", back.Closure.Left)
	}
	for _, n := range []int{-1, 3, 1 << 40} {
		if _, _, err := Apply(p, shelf, MoveFitting{At: outer, N: n}); err == nil {
			t.Errorf("moved by %d beyond its list", n)
		}
	}
	p = applied(t, p, shelf, SetClosure{Closure: "knot"})
	if len(p.Leading().Left)+len(p.Closure.Left) != 0 || p.Leading().Cord.Cord.Type != material.Elastic {
		t.Errorf("knotted: %+v", p.Leading())
	}
	if _, _, err := Apply(p, nil, SetClosure{Closure: "clasp"}); err == nil {
		t.Error("without wire there is nothing to string it on")
	}
}

func TestTheRestOfAPieceIsSetByOperations(t *testing.T) {
	mm := func(v length.MM) *length.MM { return &v }
	p, _, err := Apply(bench(t, "9P"), nil,
		SetTarget{Length: mm(200)}, SetTarget{Tolerance: mm(5)}, SetSlack{Slack: mm(2)}, SetCut{Cut: mm(300)},
		SetKind{Kind: "anklet"}, SetBody{Body: &piece.Body{Part: "ankle", Measure: 220}}, SetHouse{Field: "tail", Choice: "trimmed"},
		SetCord{Cord: cordOf(material.Waxed)}, SetDish{Letter: "N", Of: &material.Material{ID: "n", Bead: &material.Bead{}}},
		Waive{Code: "length-off", At: piece.Whole(), Reason: "as asked"}, Turn{Node: 0})
	if err != nil {
		t.Fatal(err)
	}
	row := p.Leading()
	if p.Target.Finished != 200 || p.Target.Tolerance != 5 || *row.Slack != 2 || *row.Cut != 300 || p.Kind != piece.Anklet || p.Body.Measure != 220 ||
		p.House.Tail != piece.TailTrimmed || row.Cord.Cord.Type != material.Waxed || p.Palette["N"] == nil || len(p.Waived) != 1 || row.Line.String() != "9~P" {
		t.Errorf("%+v %+v", p, row)
	}
	p = applied(t, p, nil, SetTarget{}, SetSlack{}, SetCut{}, RemoveDish{Letter: "N"}, Unwaive{Code: "length-off", At: row.At()}, Unwaive{Code: "length-off", At: piece.Whole()})
	if p.Target != nil || p.Leading().Slack != nil || p.Leading().Cut != nil || p.Palette["N"] != nil || len(p.Waived) != 0 {
		t.Errorf("%+v", p)
	}
	for name, op := range map[string]Op{
		"a dish in use":               RemoveDish{Letter: "P"},
		"a dish of nothing":           SetDish{Letter: "N"},
		"a cord that is none":         SetCord{Cord: fittingOf(material.Hook)},
		"an end of a cord":            AddFitting{At: row.AtEnd(piece.Left), Of: cordOf(material.Wire)},
		"a fitting nowhere":           AddFitting{Of: fittingOf(material.Hook)},
		"a fitting of no end":         AddFitting{At: row.At(), Of: fittingOf(material.Hook)},
		"a fitting that is not there": DropFitting{At: piece.Place{Fitting: "f99"}},
		"no fitting named":            SetFitting{At: row.AtEnd(piece.Left), Of: fittingOf(material.Hook)},
		"a row that is not there":     SetSlack{At: piece.Place{Row: "r9"}},
		"a choice that is none":       SetHouse{Field: "tail", Choice: "plaited"},
		"a field that is none":        SetHouse{Field: "mood", Choice: "good"},
		"a node to turn":              Turn{Node: 44},
	} {
		if _, _, err := Apply(bench(t, "9P"), nil, op); err == nil {
			t.Errorf("%s was carried out", name)
		}
	}
}
