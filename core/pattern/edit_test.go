package pattern

import (
	"math/rand/v2"
	"strings"
	"testing"
)

// capsTurn: of the test beads only C shows which way round it is.
func capsTurn(key string) bool { return key == "C" }

// fillsOf fills every fill of the line twice.
func fillsOf(line *Line) Fills {
	fills := Fills{}
	for _, n := range line.Nodes {
		if n.IsFill() {
			fills[n] = 2
		}
	}
	return fills
}

func TestInsertGoesToTheNodeTheBeadComesFrom(t *testing.T) {
	for _, tt := range []struct {
		name, line string
		at         int
		put        string
		want       string
		caret      int
	}{
		{"into nothing", "", 0, "9P", "9P", 9},
		{"before the first", "3P", 0, "L", "L 3P", 1},
		{"inside a run", "19P", 5, "L", "5P L 14P", 6},
		{"more of the same run", "19P", 5, "3P", "22P", 8},
		{"beside its own kind", "3P L", 4, "2L", "3P 3L", 6},
		{"into every repeat", "3(A 2B)", 5, "S", "3(A B S B)", 7},
		{"into the half, from the half", "<2P L | S>", 1, "B", "<P B P L | S>", 2},
		{"into the half, from the mirrored half", "<2P L | S>", 5, "B", "<2P B L | S>", 7},
		{"a cap in the mirrored half stays as typed", "<2P L | S>", 5, "C", "<2P ~C L | S>", 7},
		{"into the centre", "<2P L | S>", 4, "T", "<2P L | S T>", 5},
		{"at the end of the mirrored half", "<2P L | S>", 7, "T", "<T 2P L | S>", 9},
		{"into a fill", "A {P B}", 2, "S", "A {P S B}", 3},
	} {
		line := mustParse(t, tt.line)
		anchor, err := line.Insert(tt.at, mustParse(t, tt.put).Items, fillsOf(line), capsTurn)
		if err != nil {
			t.Errorf("%s: %v", tt.name, err)
			continue
		}
		if got := line.String(); got != tt.want {
			t.Errorf("%s: %q, want %q", tt.name, got, tt.want)
		}
		if caret := line.Find(anchor, fillsOf(line)); caret != tt.caret {
			t.Errorf("%s: the caret is at %d, want %d", tt.name, caret, tt.caret)
		}
	}
}

func TestDeleteTakesFromTheNodes(t *testing.T) {
	for _, tt := range []struct {
		name, line string
		from, to   int
		want       string
		caret      int
	}{
		{"one of a run", "19P", 4, 5, "18P", 4},
		{"a run between alike", "5P L 5P", 5, 6, "10P", 5},
		{"one bead of every repeat", "3(A 2B)", 2, 3, "3(A B)", 2},
		{"a group of one run becomes the run", "3(A 2B) C", 0, 1, "6B C", 0},
		{"a whole repeat", "3(A 2B)", 3, 6, "2(A 2B)", 3},
		{"all repeats but one", "3(A 2B)", 3, 9, "A 2B", 3},
		{"everything", "3(A 2B) P", 0, 10, "", 0},
		{"in the mirrored half", "<2P L | S>", 4, 5, "<2P | S>", 3},
		{"the centre", "<2P L | S>", 3, 4, "<2P L |>", 3},
		{"the half leaves the centre", "<P | S T>", 0, 1, "(S T)", 0},
		{"the half leaves a run in the centre", "<P | 3S>", 0, 1, "3S", 0},
		{"across two runs", "3P 3L", 2, 4, "2P 2L", 2},
	} {
		line := mustParse(t, tt.line)
		anchor, err := line.Delete(tt.from, tt.to, fillsOf(line))
		if err != nil || line.String() != tt.want {
			t.Errorf("%s: %q, %v, want %q", tt.name, line, err, tt.want)
		}
		if caret := line.Find(anchor, fillsOf(line)); caret != tt.caret {
			t.Errorf("%s: the caret is at %d, want %d", tt.name, caret, tt.caret)
		}
	}
}

func TestWrapAndUnwrap(t *testing.T) {
	for _, tt := range []struct {
		line     string
		how      Bracket
		from, to int
		want     string
	}{
		{"9P L", InGroup, 3, 5, "3P (2P) 4P L"},
		{"9P L", InGroup, 8, 10, "8P (P L)"},
		{"3P L", InMirror, 0, 4, "<3P L |>"},
		{"3P L", InReverse, 2, 4, "2P ~(P L)"},
		{"3P C", InReverse, 3, 4, "3P ~C"},
		{"3P L", InFill, 0, 3, "{3P} L"},
		{"4(A B)", InGroup, 2, 6, "(A B) (2(A B)) (A B)"},
		{"<A B C | S>", InGroup, 4, 6, "<A (B C) | S>"},
		{"<A 3B | S>", InGroup, 5, 7, "<A B (2B) | S>"},
	} {
		line := mustParse(t, tt.line)
		if _, _, err := line.Enclose(tt.how, tt.from, tt.to, fillsOf(line)); err != nil || line.String() != tt.want {
			t.Errorf("%s %d-%d of %q: %q, %v, want %q", tt.how, tt.from, tt.to, tt.line, line, err, tt.want)
		}
	}
	for in, want := range map[string]string{
		"A 2(B C) D": "A B C B C D", "A <B | C> D": "A B C ~B D", "A {B} D": "A 2B D", "A ~(B C) D": "A ~C ~B D",
	} {
		line := mustParse(t, in)
		if err := line.Ungroup(1, 2, fillsOf(line)); err != nil || line.String() != want {
			t.Errorf("%q written out is %q, %v, want %q", in, line, err, want)
		}
	}
	line := mustParse(t, "2(A B) C")
	if _, _, err := line.Enclose(InGroup, 1, 5, nil); err == nil {
		t.Error("a selection that cuts through a group was wrapped")
	}
	line = mustParse(t, "{A} B")
	if _, _, err := line.Enclose(InFill, 2, 3, fillsOf(line)); err == nil {
		t.Error("a second open fill was made")
	}
}

func TestCopySpellsWhatIsSelected(t *testing.T) {
	for _, tt := range []struct {
		line     string
		from, to int
		want     string
	}{
		{"9P L", 7, 10, "2P L"},
		{"3(A 2B) C", 3, 10, "2(A 2B) C"},
		{"3(A 2B) C", 2, 5, "B A B"},
		{"<2P C | S>", 2, 5, "C S ~C"},
	} {
		line := mustParse(t, tt.line)
		before := line.String()
		if got, err := line.Copy(tt.from, tt.to, nil, capsTurn); err != nil || got != tt.want {
			t.Errorf("beads %d to %d of %q copy as %q, %v, want %q", tt.from, tt.to, tt.line, got, err, tt.want)
		}
		if line.String() != before {
			t.Errorf("copying changed %q to %q", before, line)
		}
	}
}

func TestFiveHundredRandomEditsKeepMirrorsAndParse(t *testing.T) {
	rng := rand.New(rand.NewPCG(7, 11))
	line := mustParse(t, "<2S 19P B L B 11P 3(A S) | L>")
	for step := range 500 {
		beads, err := line.Expand(nil)
		if err != nil {
			t.Fatal(err)
		}
		n := len(beads)
		from := rng.IntN(n)
		to := min(n, from+1+rng.IntN(4))
		switch k := rng.IntN(6); {
		case k == 0 && n > 40:
			_, err = line.Delete(from, to, nil)
		case k == 1 && n < 400:
			if _, _, bad := line.Enclose(InGroup, from, to, nil); bad != nil && bad.(*Fault).Code != BadEdit {
				err = bad
			}
		case k == 2:
			_, _, _ = line.Enclose(InReverse, from, to, nil)
		case k == 3:
			err = line.SetCount(rng.IntN(len(line.Nodes)), 1+rng.IntN(3))
		case n < 400:
			put := mustParse(t, randomItems(rng, 0))
			want := spell(t, put, 0)
			var anchor Anchor
			anchor, err = line.Insert(from, put.Items, nil, nil)
			caret := line.Find(anchor, nil)
			got := spell(t, line, 0)
			if err == nil && got[caret-len(want):caret] != want {
				t.Fatalf("step %d: put in %q, reads %q in %q", step, want, got[caret-len(want):caret], got)
			}
		}
		if err != nil {
			t.Fatalf("step %d: %v in %q", step, err, line)
		}
		again := mustParse(t, line.String())
		if spell(t, again, 0) != spell(t, line, 0) || again.String() != line.String() {
			t.Fatalf("step %d: %q reads back as %q", step, line, again)
		}
		if root := line.Items; len(root) == 1 && root[0].isMirror() {
			half := spell(t, &Line{Items: root[0].Items()}, 0)
			all := spell(t, line, 0)
			if root[0].Count == 1 && !strings.HasPrefix(all, half) {
				t.Fatalf("step %d: the mirror fell: %q", step, line)
			}
		}
	}
}
