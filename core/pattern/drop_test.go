package pattern

import (
	"strings"
	"testing"
)

func TestADropIsOnePlaceOfTheStrand(t *testing.T) {
	line, err := Parse("<3P 2[10S 2(T S) . R] | [S . P]> ~[~C S . R]")
	if err != nil {
		t.Fatal(err)
	}
	if got := line.String(); got != "<3P 2[10S 2(T S) . R] | [S . P]> ~[~C S . R]" {
		t.Errorf("printed as %s", got)
	}
	placed, err := line.Expand(nil)
	if err != nil {
		t.Fatal(err)
	}
	var kinds []string
	for _, p := range placed {
		kinds = append(kinds, string(p.Node.Unit.Kind()))
	}
	if got := strings.Join(kinds, " "); got != "bead bead bead drop drop drop drop drop bead bead bead drop" {
		t.Errorf("laid out as %s", got)
	}
	hung, err := placed[3].Node.Hanging()
	if err != nil || len(hung) != 15 || hung[14].Node.Key() != "R" || hung[0].Node.Key() != "S" {
		t.Errorf("%d hang, %v", len(hung), err)
	}
	for _, n := range line.Nodes {
		if n.Key() == "T" && !n.InDrop || n.Unit.Kind() == KindDrop && n.InDrop || n.Key() == "P" && n.Count == 3 && n.InDrop {
			t.Errorf("%s hangs: %v", n, n.InDrop)
		}
	}
}

// refusal is the fault of a line that cannot be, and its column unless that is 0; one that
// says nothing is a line that can.
type refusal struct {
	says string
	col  int
}

func allRefused(t *testing.T, lines map[string]refusal) {
	t.Helper()
	for text, want := range lines {
		_, err := Parse(text)
		if want.says == "" {
			if err != nil {
				t.Errorf("%s: %v", text, err)
			}
			continue
		}
		f, ok := err.(*Fault)
		if !ok || !strings.Contains(f.Says, want.says) {
			t.Errorf("%s: %v, want %q", text, err, want.says)
		} else if want.col > 0 && f.Col != want.col {
			t.Errorf("%s: at column %d, want %d", text, f.Col, want.col)
		}
	}
}

func TestDropsThatCannotBe(t *testing.T) {
	allRefused(t, map[string]refusal{
		"P [10S":             {"This drop is not closed", 3},
		"P [10S . R":         {"This drop is not closed", 3},
		"P [10S R]":          {"needs a . and the bead", 3},
		"P [ . R]":           {"This drop is empty", 3},
		"P []":               {"This drop is empty", 3},
		"P [S . ]":           {"needs a . and the bead", 3},
		"P [S . 2R]":         {"turns round one bead", 8},
		"P [S . R S]":        {"turns round one bead", 8},
		"P [S . (R)]":        {"turns round one bead", 8},
		"P [S [S . R] . R]":  {"Nothing can hang in a drop", 6},
		"P [3([S . R]) . R]": {"Nothing can hang in a drop", 6},
		"P [{S} . R]":        {"no length to fill", 4},
		"P [S _3mm . R]":     {"no gaps in a drop", 6},
		"P [400S . R]":       {"at most 400 beads", 3},
		"P . R":              {". stands only inside a drop", 3},
		"P ] R":              {"closes nothing", 3},
	})
	if _, err := Parse("[399S . R]"); err != nil {
		t.Error(err)
	}
}

// A drop is moved, deleted, repeated and copied as one, and goes when its beads do.
func TestDropsAreEditedAsOne(t *testing.T) {
	line := mustParse(t, "2(P [S T . R])")
	if text, err := line.Copy(1, 2, nil, nil); err != nil || text != "[S T . R]" {
		t.Errorf("copied %q, %v", text, err)
	}
	if text, err := line.Copy(1, 3, nil, func(string) bool { return false }); err != nil || text != "[S T . R] P" {
		t.Errorf("copied %q, %v", text, err)
	}
	if err := mustParse(t, "P [S . R] P").Ungroup(1, 2, nil); err == nil {
		t.Error("a drop is no group")
	}
	many := mustParse(t, "3[S . R]")
	if _, err := many.InsertBetween(1, mustParse(t, "P").Items, nil, nil); err != nil || many.String() != "[S . R] P 2[S . R]" {
		t.Errorf("parted as %s, %v", many, err)
	}
	if _, err := many.Delete(2, 3, nil); err != nil || many.String() != "[S . R] P [S . R]" {
		t.Errorf("with one fewer: %s, %v", many, err)
	}
	for key, want := range map[string]string{"T": "2(P [S . R])", "R": "2P", "S": "2(P [T . R])"} {
		one := line.Clone()
		for _, n := range one.Nodes {
			if n.Key() == key {
				if err := one.SetCount(n.ID, 0); err != nil {
					t.Fatal(err)
				}
				break
			}
		}
		if got := one.String(); got != want {
			t.Errorf("without %s: %s, want %s", key, got, want)
		}
		if _, err := Parse(one.String()); err != nil {
			t.Errorf("without %s: %v", key, err)
		}
	}
}
