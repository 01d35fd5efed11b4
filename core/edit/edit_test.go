package edit

import (
	"math/rand/v2"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/pattern"
	"mala/core/piece"
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
	parsed, err := pattern.Parse(line)
	if err != nil {
		t.Fatal(err)
	}
	return &piece.Piece{
		Kind: piece.Bracelet, House: piece.DefaultHouse(), Closure: piece.Closure{Type: piece.Knot},
		Target: &piece.Target{Finished: 120, Tolerance: 3},
		Palette: map[string]*material.Material{
			"P": make(material.Bead{Shape: material.Round, Across: 4, Hole: 0.8}),
			"L": make(material.Bead{Shape: material.Round, Across: 10, Hole: 1}),
			"C": make(material.Bead{Shape: material.Cap, Across: 8, Depth: 2, Wall: 0.4, Hole: 1}),
		},
		Sections: []piece.Section{{Rows: []piece.Row{{Line: parsed, Passes: 1,
			Cord: &material.Material{Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: length.MM(0.7)}}}}}},
	}
}

func TestEditsGiveTheLineAndWhatToSelect(t *testing.T) {
	for _, tt := range []struct {
		name, line string
		edit       Edit
		want       Result
	}{
		{"typing a run", "3P", Edit{Do: Insert, From: 3, To: 3, Text: "9L"}, Result{Line: "3P 9L", From: 12, To: 12}},
		{"typing over a selection", "3P L 3P", Edit{Do: Insert, From: 3, To: 4, Text: "C"}, Result{Line: "3P C 3P", From: 4, To: 4}},
		{"a cap after a wider bead opens to it", "P L", Edit{Do: Insert, From: 2, To: 2, Text: "C"}, Result{Line: "P L ~C", From: 3, To: 3}},
		{"a cap after a narrower bead does not", "L P", Edit{Do: Insert, From: 2, To: 2, Text: "C"}, Result{Line: "L P C", From: 3, To: 3}},
		{"a cap after a cap does not", "L ~C", Edit{Do: Insert, From: 2, To: 2, Text: "C"}, Result{Line: "L ~C C", From: 3, To: 3}},
		{"grouping", "3P L", Edit{Do: Group, From: 2, To: 4}, Result{Line: "2P (P L)", From: 2, To: 4}},
		{"mirroring selects both halves", "3P L", Edit{Do: Mirror, From: 0, To: 4}, Result{Line: "<3P L |>", From: 0, To: 8}},
		{"a fill grows and the caret stays behind its bead", "L {P} L", Edit{Do: Delete, From: 0, To: 1}, Result{Line: "{P} L", From: 0, To: 0}},
		{"copying changes nothing", "3P L", Edit{Do: Copy, From: 1, To: 4}, Result{Line: "3P L", From: 1, To: 4, Text: "2P L"}},
		{"a count", "3P L", Edit{Do: Count, Node: 0, N: 5}, Result{Line: "5P L"}},
		{"moving to the right", "3P L 2P", Edit{Do: Move, From: 3, To: 4, N: 6}, Result{Line: "5P L", From: 5, To: 6}},
		{"moving to the left", "3P L 2P", Edit{Do: Move, From: 3, To: 4, N: 1}, Result{Line: "P L 4P", From: 1, To: 2}},
		{"moving a group whole", "2(P L) 3P", Edit{Do: Move, From: 0, To: 4, N: 7}, Result{Line: "3P 2(P L)", From: 3, To: 7}},
		{"moving onto itself", "3P L", Edit{Do: Move, From: 1, To: 3, N: 2}, Result{Line: "3P L", From: 1, To: 3}},
		{"moving in the mirrored half moves in the half", "<2P L | C>", Edit{Do: Move, From: 4, To: 5, N: 7}, Result{Line: "<L 2P | C>", From: 6, To: 7}},
		{"another letter", "3P L P", Edit{Do: Letter, Text: "P Q"}, Result{Line: "3Q L Q"}},
		{"a letter in use changes places", "3P L P", Edit{Do: Letter, Text: "P L"}, Result{Line: "3L P L"}},
		{"writing out", "2(P L)", Edit{Do: Unwrap, From: 0, To: 1}, Result{Line: "P L P L", From: 0, To: 1}},
	} {
		got, err := Apply(bench(t, tt.line), tt.edit)
		if err != nil || got != tt.want {
			t.Errorf("%s: %+v, %v, want %+v", tt.name, got, err, tt.want)
		}
	}
}

func TestEditsThatCannotBeAreRefused(t *testing.T) {
	for name, e := range map[string]Edit{
		"beads that are not there": {Do: Delete, From: 2, To: 99},
		"a backwards selection":    {Do: Group, From: 3, To: 1},
		"nothing selected":         {Do: Mirror, From: 1, To: 1},
		"a line that is none":      {Do: Insert, From: 1, To: 1, Text: "(("},
		"too many beads":           {Do: Insert, From: 1, To: 1, Text: "9999(9P)"},
		"a letter that is none":    {Do: Letter, Text: "P 3"},
		"a move to nowhere":        {Do: Move, From: 0, To: 1, N: 99},
		"a shuffle of nothing":     {Do: Shuffle, From: 1, To: 1},
		"an unknown edit":          {Do: "juggle"},
		"a node that is not there": {Do: Count, Node: 7, N: 1},
		"a gap that is not there":  {Do: Insert, From: -1, To: -1, Text: "P"},
	} {
		if got, err := Apply(bench(t, "3P L"), e); err == nil {
			t.Errorf("%s gave %+v", name, got)
		} else if _, ok := err.(*pattern.Fault); !ok {
			t.Errorf("%s: %v is no fault", name, err)
		}
	}
}

func TestShufflingKeepsTheCountsAndPartsTheAlike(t *testing.T) {
	for seed := range 60 {
		got, err := Apply(bench(t, "6P 5L 4C"), Edit{Do: Shuffle, From: 0, To: 15, N: seed})
		if err != nil {
			t.Fatal(err)
		}
		line, err := pattern.Parse(got.Line)
		if err != nil {
			t.Fatal(err)
		}
		beads, _ := line.Expand(nil)
		counts := map[string]int{}
		for i, b := range beads {
			counts[b.Node.Key]++
			if i > 0 && beads[i-1].Node.Key == b.Node.Key {
				t.Fatalf("seed %d: two alike touch in %q", seed, got.Line)
			}
		}
		if counts["P"] != 6 || counts["L"] != 5 || counts["C"] != 4 || got.From != 0 || got.To != 15 {
			t.Fatalf("seed %d: %v selected %d to %d", seed, counts, got.From, got.To)
		}
	}
	if got, err := Apply(bench(t, "9P L"), Edit{Do: Shuffle, From: 0, To: 10, N: 1}); err != nil || got.To != 10 {
		t.Errorf("nine of ten alike: %+v, %v", got, err)
	}
}

func TestFiveHundredEditsByAnyMeansKeepTheMirror(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 5))
	text := "<2P L 9P 3(P L) C | L>"
	for step := range 500 {
		p := bench(t, text)
		line := p.Sections[0].Rows[0].Line
		beads, err := line.Expand(nil)
		if err != nil {
			t.Fatal(err)
		}
		n := len(beads)
		from := rng.IntN(n)
		to := min(n, from+1+rng.IntN(3))
		e := Edit{From: from, To: to}
		switch rng.IntN(9) {
		case 0, 1:
			e.Do, e.To, e.Text = Insert, from, []string{"P", "2L", "C", "~C"}[rng.IntN(4)]
		case 2:
			e.Do = Delete
		case 3:
			e.Do = Group
		case 4:
			e.Do = Reverse
		case 5:
			e.Do, e.N = Move, rng.IntN(n+1)
		case 6:
			e.Do, e.N = Shuffle, step
		case 7:
			e.Do, e.Node, e.N = Count, rng.IntN(len(line.Nodes)), 1+rng.IntN(3)
		case 8:
			e.Do, e.Text = Letter, "P L"
		}
		if n < 24 && e.Do == Delete || n > 160 && e.Do != Delete {
			continue
		}
		got, err := Apply(p, e)
		if err != nil {
			if f, ok := err.(*pattern.Fault); !ok || f.Wrong != pattern.BadEdit {
				t.Fatalf("step %d: %+v on %q: %v", step, e, text, err)
			}
			continue
		}
		after, err := pattern.Parse(got.Line)
		if err != nil || after.String() != got.Line {
			t.Fatalf("step %d: %+v on %q gave %q: %v", step, e, text, got.Line, err)
		}
		if !mirrored(after) {
			// Taking out or carrying away the centre, or the whole half, may end a mirror; nothing else does.
			if e.Do != Delete && e.Do != Move {
				t.Fatalf("step %d: %+v on %q broke the mirror: %q", step, e, text, got.Line)
			}
			continue
		}
		text = got.Line
	}
}

// mirrored says whether some mirror of the line still stands, and reads the same
// from both ends but for its centre.
func mirrored(line *pattern.Line) bool {
	for _, n := range line.Nodes {
		if n.Kind == pattern.Mirror && len(n.Items) > 0 {
			return true
		}
	}
	return false
}
