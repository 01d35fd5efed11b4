package pattern

import (
	"strings"
	"testing"
)

func TestALoopHangsThroughItsBead(t *testing.T) {
	for text, want := range map[string]string{
		"3P B[5S D 5S] 2~B[ S ]":          "3P B[5S D 5S] 2~B[S]",
		"<2P Ba[3(S T)] | C[2S D[S] 2S]>": "<2P Ba[3(S T)] | C[2S D[S] 2S]>",
		"B[S [2S . R] S]":                 "B[S [2S . R] S]",
		"B[10S . R]":                      "B [10S . R]", // a drop behind a bead, as before
		"2B[10S . R] B":                   "2B [10S . R] B",
	} {
		line, err := Parse(text)
		if err != nil {
			t.Errorf("%s: %v", text, err)
			continue
		}
		if got := line.String(); got != want {
			t.Errorf("%s printed as %s", text, got)
		}
	}
	line := mustParse(t, "<P 2B[S 2T] | ~B[S 2T]>")
	placed, err := line.Expand(nil)
	if err != nil || len(placed) != 7 {
		t.Fatalf("%d places, %v", len(placed), err)
	}
	loop := placed[1]
	if loop.Node.Unit.Kind() != KindLoop || loop.Reversed || !placed[3].Reversed || !placed[5].Reversed || loop.Node.DropKey() != "B[S 2T]" || placed[3].Node.DropKey() != "B[S 2T]" {
		t.Errorf("%+v", loop)
	}
	hung, err := loop.Node.Hanging()
	if err != nil || len(hung) != 3 || hung[2].Node.Key() != "T" {
		t.Errorf("%d hang in it", len(hung))
	}
	for _, n := range line.Nodes {
		if hangs := n.Key() == "S" || n.Key() == "T" || n.Key() == "B"; n.InDrop != hangs {
			t.Errorf("%s hangs: %v", n, n.InDrop)
		}
	}
}

func TestLoopsThatCannotBe(t *testing.T) {
	allRefused(t, map[string]refusal{
		"P B[":                    {"This drop is not closed", 4},
		"P B[5S":                  {"This drop is not closed", 4},
		"P B[]":                   {"This drop is empty", 4},
		"P B [5S]":                {"a loop stands right behind the bead", 5},
		"(P B)[5S]":               {"a loop stands right behind the bead", 6},
		"[5S] P":                  {"a loop stands right behind the bead", 1},
		"B2[5S]":                  {"a loop stands right behind the bead", 2},
		"B~[5S]":                  {"a loop stands right behind the bead", 2},
		"_3mm[5S]":                {"a loop stands right behind the bead", 5},
		"P B[5S][S]":              {"a loop stands right behind the bead", 8},
		"B[{S}]":                  {"A loop has no length to fill", 3},
		"B[S _3mm]":               {"no gaps in a loop", 5},
		"B[401S]":                 {"A loop has at most 400 beads", 1},
		"B[20C[19S]]":             {"", 0},
		"B[20C[20S]]":             {"A loop has at most 400 beads", 1},
		"B[C[D[S]]]":              {"", 0},
		"P B[C[D[S[T]]]]":         {"at most 3 deep", 3},
		"B[C[2(D [S . T[R]])]]":   {"turns round one bead", 14},
		"B[C[[S . T]]]":           {"", 0},
		"B[C[D[[S . T]]]]":        {"at most 3 deep", 1},
		"[B[2S] . R]":             {"Nothing can hang in a drop", 2},
		strings.Repeat("B[", 300): {"nested at most 200 deep", 0},
	})
}

// A loop goes with its bead; without its beads the bead stays.
func TestLoopsAreEditedWithTheirBead(t *testing.T) {
	line := mustParse(t, "P 2~B[S T] P")
	for _, n := range line.Nodes {
		for key, want := range map[string]string{"S": "P 2~B[T] P", "T": "P 2~B[S] P", "B": "2P"} {
			if n.Key() != key {
				continue
			}
			one := line.Clone()
			if err := one.SetCount(n.ID, 0); err != nil || one.String() != want {
				t.Errorf("without %s: %s, want %s, %v", key, one, want, err)
			}
		}
	}
	bare := mustParse(t, "P 3~B[S] P")
	if err := bare.SetCount(3, 0); err != nil || bare.String() != "P 3~B P" {
		t.Errorf("without its beads: %s, %v", bare, err)
	}
	if err := line.SetCount(2, 5); err != nil || line.String() != "P 5~B[S T] P" {
		t.Errorf("with five: %s, %v", line, err)
	}
	mirrored := mustParse(t, "<P B[S T] | P>")
	if text, err := mirrored.Copy(2, 4, nil, func(string) bool { return false }); err != nil || text != "P ~B[S T]" {
		t.Errorf("copied %q, %v", text, err)
	}
	if err := mirrored.Ungroup(0, 5, nil); err != nil || mirrored.String() != "P B[S T] P ~B[S T] ~P" {
		t.Errorf("written out as %s, %v", mirrored, err)
	}
}
