package pattern

import (
	"math"
	"strings"
	"testing"

	"mala/core/length"
)

func TestGapsStandInTheSequenceLikeBeads(t *testing.T) {
	line, err := Parse("<2(S _10mm) T @25mm | L> 3_1/2in")
	if err != nil {
		t.Fatal(err)
	}
	if got := line.String(); got != "<2(S _10mm) T @25mm | L> 3_1/2in" {
		t.Errorf("printed as %s", got)
	}
	placed, err := line.Expand(nil)
	if err != nil {
		t.Fatal(err)
	}
	var keys []string
	for _, p := range placed {
		keys = append(keys, p.Node.Key())
	}
	if got := strings.Join(keys, " "); got != "S _10mm S _10mm T @25mm L @25mm T _10mm S _10mm S _1/2in _1/2in _1/2in" {
		t.Errorf("laid out as %s", got)
	}
	gap, pitch := placed[1].Node, placed[5].Node
	if !gap.IsGap() || gap.IsPitch() || gap.Unit.(Gap).Length != 10 || !pitch.IsPitch() || pitch.Unit.(Gap).Length != 25 || placed[0].Node.IsGap() {
		t.Errorf("%+v %+v", gap, pitch)
	}
	if half := placed[len(placed)-1].Node.Unit.(Gap).Length; half < 12.69 || half > 12.71 {
		t.Errorf("half an inch is %v", half)
	}
}

// Whole inches with a fraction behind them are one length, however they are typed; a number behind a gap is
// a count.
func TestMixedInchesAreOneGap(t *testing.T) {
	for text, want := range map[string]struct {
		line string
		mm   length.MM
	}{
		"P _1 1/2in P":     {"P _1-1/2in P", 38.1},
		"P _1½in P":        {"P _1½in P", 38.1},
		"P @2  3/8\" 3P":   {"P @2-3/8\" 3P", 60.325},
		"P _1 1/2 (P)":     {"P _1-1/2 (P)", 38.1},
		"P _10 2P":         {"P _10 2P", 10},
		"2p _5mm <3b | l>": {"2P _5mm <3B | L>", 5},
	} {
		line, err := Parse(text)
		if err != nil {
			t.Errorf("%s: %v", text, err)
			continue
		}
		for _, n := range line.Nodes {
			if gap, is := n.Unit.(Gap); is && math.Abs(float64(gap.Length-want.mm)) > 1e-9 {
				t.Errorf("%s: %v", text, gap.Length)
			}
		}
		if got := line.String(); got != want.line {
			t.Errorf("%s is written %s", text, got)
		}
		if again, err := Parse(line.String()); err != nil || again.String() != line.String() {
			t.Errorf("%s: read back %v", line, err)
		}
	}
	if got := WriteGap("1 1/2 in", false); got != "_1-1/2in" {
		t.Error(got)
	}
}

func TestGapsThatCannotBe(t *testing.T) {
	for text, want := range map[string]string{
		"S _ S":         "_ needs a length behind it",
		"S @ S":         "@ needs a length",
		"S _0mm S":      "0.1 mm to 1 m",
		"S _-5mm S":     "cannot be negative",
		"S _10m S":      "",
		"S _1001mm S":   "0.1 mm to 1 m",
		"S _0.09mm S":   "0.1 mm to 1 m",
		"S _5mm_5mm S":  "Leave a blank between",
		"S _many S":     "",
		"S ~":           "~ needs a bead",
		"S _1e9mm S":    "",
		"S _999999mm S": "too long",
	} {
		_, err := Parse(text)
		f, ok := err.(*Fault)
		if !ok || !strings.Contains(f.Says, want) || strings.Contains(text, "_") && !strings.HasSuffix(text, "~") && f.Col != 3 {
			t.Errorf("%s: %v, want %q at column 3", text, err, want)
		}
	}
	for _, text := range []string{"S _0.1mm S", "S _1000mm S", "_5mm S", "S @100cm S"} {
		if _, err := Parse(text); err != nil {
			t.Errorf("%s: %v", text, err)
		}
	}
}

// A gap is deleted, copied and mirrored like a bead.
func TestGapsAreEditedLikeBeads(t *testing.T) {
	line, err := Parse("3(S _10mm)")
	if err != nil {
		t.Fatal(err)
	}
	if text, err := line.Copy(0, 2, nil, nil); err != nil || text != "(S _10mm)" {
		t.Errorf("copied %q, %v", text, err)
	}
	if _, err := line.Delete(5, 6, nil); err != nil || line.String() != "3S" && line.String() != "2(S _10mm) S" {
		t.Errorf("without its last gap: %s, %v", line, err)
	}
	one, _ := Parse("S T")
	put, _ := Parse("_10mm")
	if _, err := one.Insert(1, put.Items, nil, nil); err != nil || one.String() != "S _10mm T" {
		t.Errorf("put in: %s, %v", one, err)
	}
}
