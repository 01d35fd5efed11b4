package pattern

import (
	"strings"
	"testing"
)

func TestTheOutermostLettersCountsAndLengths(t *testing.T) {
	for text, ok := range map[string]bool{
		"A": true, "Z": true, "Aa": true, "Az": true, "Za": true, "Zz": true, "AA": true,
		"a": true, "z": true, "@": false, "[": false, "`": false, "A`": false, "A{": false, "A@": false,
		"1A": true, "9999A": true, "10000A": false, "0A": false, "99999999999999999999A": false, "9": false, "A9": false,
		"{0.1mm: A}": true, "{A}": true, "{A} {B}": false, "{{A}}": false, "{25mm: A} {B}": true, "2{A}": true,
	} {
		if _, err := Parse(text); (err == nil) != ok {
			t.Errorf("%q: %v", text, err)
		}
	}
	if _, err := Parse(strings.Repeat("A", MaxBytes)); err != nil {
		t.Errorf("a line as long as a line can be: %v", err)
	}
	if _, err := Parse(strings.Repeat("A", MaxBytes+1)); err == nil {
		t.Error("a line of one character more was read")
	}
	deep := func(n int) string { return strings.Repeat("(", n) + "A" + strings.Repeat(")", n) }
	mirrors := func(n int) string { return strings.Repeat("<B | ", n) + "A" + strings.Repeat(">", n) }
	for name, nest := range map[string]func(int) string{"groups": deep, "centres": mirrors} {
		if _, err := Parse(nest(MaxDepth - 1)); err != nil {
			t.Errorf("%d %s: %v", MaxDepth-1, name, err)
		}
		if _, err := Parse(nest(MaxDepth)); err == nil {
			t.Errorf("%d %s were read", MaxDepth, name)
		}
	}
}

func TestWhatClosesNothingIsNamed(t *testing.T) {
	for text, says := range map[string]string{"A | B": "| stands only inside a mirror", "A ) B": "This ) closes nothing", "A > B": "This > closes nothing", "A } B": "This } closes nothing"} {
		_, err := Parse(text)
		if f, ok := err.(*Fault); !ok || !strings.Contains(f.Says, says) || f.Col != 3 {
			t.Errorf("%q: %+v", text, err)
		}
	}
}

func TestTheOpenFillIsTheOneWithoutALength(t *testing.T) {
	for text, want := range map[string]string{"A": "", "{25mm: A}": "", "{25mm: A} {B}": "{B}", "<{B} | A>": "{B}"} {
		got := ""
		if n := mustParse(t, text).OpenFill(); n != nil {
			got = (&Line{Items: []*Node{n}}).String()
		}
		if got != want {
			t.Errorf("%q: %q, want %q", text, got, want)
		}
	}
}

// A strand of as many beads as there can be is laid out, edited and copied; one more
// is refused.
func TestAStrandOfAsManyBeadsAsThereCanBe(t *testing.T) {
	line := mustParse(t, "9999A A")
	if beads, err := line.Expand(nil); err != nil || len(beads) != MaxBeads {
		t.Fatalf("%d beads: %v", len(beads), err)
	}
	if text, err := line.Copy(0, MaxBeads, nil, capsTurn); err != nil || text != "9999A A" {
		t.Errorf("copied %q: %v", text, err)
	}
	if _, err := mustParse(t, "9999A 2A").Expand(nil); err == nil {
		t.Error("one bead more was laid out")
	}
	if err := mustParse(t, "(9999A A)").Ungroup(0, 5, nil); err != nil {
		t.Errorf("ungrouping all there can be: %v", err)
	}
	last := mustParse(t, "9999A A")
	if anchor, err := last.Delete(MaxBeads-1, MaxBeads, nil); err != nil || last.String() != "9999A" || last.Find(anchor, nil) != 9999 {
		t.Errorf("without the last: %q at %d, %v", last, last.Find(anchor, nil), err)
	}
}
