package design

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/material"
	"mala/core/measure"
	"mala/core/pattern"
	"mala/core/piece"
	"mala/core/testparts"
)

// strand reads a line of pearls of 4 (P), seeds of 2 (S), stones of 6 (T), a focal of 14 (F), caps (C),
// letters (L, M) and a charm (H), between crimps or as a ring.
func strand(t *testing.T, line string, ring bool) *Strand {
	t.Helper()
	bead := func(shape material.Shape, across length.MM) *material.Material {
		return testparts.Bead(t, fmt.Sprint(shape, float64(across)), material.Bead{Shape: shape, Across: across, Hole: 1}, 0.2)
	}
	letter := func(id string) *material.Material {
		return testparts.Bead(t, id, material.Bead{Shape: material.Letter, Across: 7, Along: 7, Thick: 3.6, Hole: 1}, 0.2)
	}
	p := &piece.Piece{Kind: piece.Necklace, House: piece.DefaultHouse(), Palette: map[string]*material.Material{
		"P": bead(material.Round, 4), "Q": bead(material.Round, 5), "R": bead(material.Round, 6), "S": bead(material.Round, 2), "T": bead(material.Round, 6), "F": bead(material.Round, 14),
		"C": testparts.Bead(t, "cap", material.Bead{Shape: material.Cap, Across: 5, Depth: 2, Wall: 0.4, Hole: 1, Facing: material.FacingForeAft}, 0.1),
		"L": letter("L"), "M": letter("M")}}
	row := &piece.Row{ID: "r1", Passes: 1, Line: testparts.Line(t, line), Cord: &material.Material{ID: "wire", Class: material.ClassCord, Cord: &material.Cord{Type: material.Wire, Diameter: 0.38}}}
	if ring {
		p.Kind, p.Closure = piece.Bracelet, piece.Closure{Type: piece.Knot}
		row.Cord = &material.Material{ID: "elastic", Class: material.ClassCord, Cord: &material.Cord{Type: material.Elastic, Diameter: 0.7}}
	} else {
		finding := func(id string, f material.Finding) *material.Material {
			return &material.Material{ID: id, Name: id, Class: material.ClassFinding, Finding: &f}
		}
		crimp := finding("crimp", material.Finding{Type: material.CrimpTube, Inside: 0.9, Outside: 1.4, Length: 2})
		jump := finding("ring", material.Finding{Type: material.JumpRing, Inside: 3.6, Wire: 0.7})
		row.Left, row.Right = []piece.Fitting{{ID: "a", Of: crimp}}, []piece.Fitting{{ID: "b", Of: crimp}}
		p.Closure = piece.Closure{Type: piece.Clasp, Left: []piece.Fitting{{ID: "c", Of: finding("lobster", material.Finding{Type: material.Lobster, Length: 10, Closed: 8.6})}}, Right: []piece.Fitting{{ID: "d", Of: jump}}}
	}
	p.Sections = []piece.Section{{Rows: []*piece.Row{row}}}
	m, err := measure.Measure(p)
	if err != nil {
		t.Fatalf("%s: %v", line, err)
	}
	return Of(m.Piece, m.Leading())
}

// rolesOf writes what each bead is: a letter for a role, and how many of them come after one another.
func rolesOf(d *Strand) string {
	letter := map[Role]string{Running: "run", Rung: "rung", Spacing: "space", Separator: "sep", Accent: "accent", Feature: "feature", Word: "word", Capped: "cap", Hanging: "hang", Ending: "end", Bare: "bare"}
	var out []string
	for i := 0; i < len(d.Roles); {
		k := i
		for k < len(d.Roles) && d.Roles[k] == d.Roles[i] && d.Beads[k].Key == d.Beads[i].Key {
			k++
		}
		out = append(out, fmt.Sprint(k-i, letter[d.Roles[i]]))
		i = k
	}
	return strings.Join(out, " ")
}

func TestWhatEachBeadIs(t *testing.T) {
	for line, want := range map[string]string{
		"40P":                 "40run",
		"20P F 20P":           "20run 1feature 20run",
		"10P T 10P T 10P":     "10run 1accent 10run 1accent 10run",
		"3S 20P F 20P 3S":     "3end 20run 1feature 20run 3end",
		"10P L M M L 10P":     "10run 1word 2word 1word 10run",
		"10P C F ~C 10P":      "10run 1cap 1cap 1cap 10run",
		"10P C 2S T 2S ~C 9P": "10run 1cap 2cap 1cap 2cap 1cap 9run",
		"<10P 8Q | 7R>":       "10run 8rung 7rung 8rung 10run",
		"7(3P S T S)":         strings.TrimSuffix(strings.Repeat("3run 1sep 1accent 1sep ", 7), " "),
		"10P _10mm 10P":       "10run 1bare 10run",
		"10P F[6S] 10P":       "10run 1hang 10run",
		"2P S 20P S 2P":       "2space 1sep 20run 1sep 2space",
	} {
		if got := rolesOf(strand(t, line, false)); got != want {
			t.Errorf("%s is\n%s, want\n%s", line, got, want)
		}
	}
	if d := strand(t, "<10P 8Q | 7R>", false); !d.Mirror {
		t.Error("it reads the same from both ends")
	}
	if got := rolesOf(strand(t, "<10P 8Q | 8P>", false)); strings.Contains(got, "rung") {
		t.Errorf("sizes that fall again do not rise to the centre: %s", got)
	}
	if d := strand(t, "4P F 12P", true); rolesOf(d) != "4run 1feature 12run" {
		t.Errorf("what goes round a ring is one run: %s", rolesOf(d))
	}
}

// knobsOf writes what a strand can change by: the tier, what, and by how many at a time.
func knobsOf(d *Strand, pinned func(n *pattern.Node) bool) []string {
	var out []string
	for _, k := range d.Knobs(pinned) {
		var what []string
		for _, n := range append(slices.Clone(k.Counts), k.Gaps...) {
			what = append(what, n.String())
		}
		if k.Stretch != nil {
			what = append(what, fmt.Sprintf("%d x [%s]", k.Stretch.Times, k.Written(d.Row.Line)))
		}
		out = append(out, fmt.Sprintf("%d %s by %d", k.Tier, strings.Join(what, " + "), k.Step))
	}
	return out
}

func free(*pattern.Node) bool { return false }

func TestWhatCanChange(t *testing.T) {
	for line, want := range map[string][]string{
		"40P":                       {"1 40P by 1"},
		"20P F 20P":                 {"1 20P + 20P by 1"},
		"20P F 10P":                 {"1 20P by 1", "1 10P by 1", "2 20P + 10P by 1"},
		"<20P | F>":                 {"1 20P by 1"},
		"<10P S 10P | F>":           {"1 10P + 10P by 1", "2 10P by 1", "3 S by 1"},
		"10P T 9P T 10P":            {"1 10P + 10P by 1", "1 9P by 2"},
		"3S 20P 3S":                 {"1 20P by 1", "5 3S + 3S by 1"},
		"S 20P S":                   {"1 20P by 1"},
		"10P L M L 10P":             {"1 10P + 10P by 1"},
		"11(C F ~C)":                {"2 11(C F ~C) by 1"},
		"C F ~C C F ~C C F ~C":      {"2 3 x [C F ~C] by 1"},
		"<10P 8Q | 7R>":             {"1 10P by 1"},
		"T _10mm T _10mm T _10mm T": {"1 _10mm + _10mm + _10mm by 1", "2 _10mm + _10mm by 1"},
		"7(4P S)":                   {"2 7(4P S) by 1", "3 4P by 1", "3 S by 1"},
	} {
		got := knobsOf(strand(t, line, false), free)
		if line == "T _10mm T _10mm T _10mm T" {
			got = slices.DeleteFunc(got, func(s string) bool { return strings.Contains(s, " x ") })
		}
		if !slices.Equal(got, want) {
			t.Errorf("%s has\n%s\nwant\n%s", line, strings.Join(got, "\n"), strings.Join(want, "\n"))
		}
	}
	if got := strand(t, "{50mm: P} 20S", false); len(knobsOf(got, free)) == 0 {
		t.Error("a fill of its own length leaves the rest to change")
	}
	of10 := func(n *pattern.Node) bool { return n.Count == 10 }
	if got := knobsOf(strand(t, "10P T 9P T 10P", false), of10); !slices.Equal(got, []string{"1 9P by 2"}) {
		t.Errorf("what is pinned stays: %q", got)
	}
}

func TestKnobsAreTurned(t *testing.T) {
	for _, tt := range []struct {
		line  string
		knob  int
		by    int
		want  string
		least int
	}{
		{"20P F 20P", 0, -3, "17P F 17P", -19},
		{"<20P | F>", 0, 2, "<22P | F>", -19},
		{"10P T 9P T 10P", 1, 1, "10P T 11P T 10P", -4},
		{"T _10mm T _10mm T", 0, 3, "T _11.5mm T _11.5mm T", -19},
		{"T _1in T", 0, -4, "T _0.75in T", -15},
		{"P S T P S T P S T F", 0, 1, "P S T P S T P S T P S T F", -2},
		{"P S T P S T P S T F", 0, -2, "P S T F", -2},
		{"<P S T P S T P S T | F>", 0, -1, "<P S T P S T | F>", -2},
		{"P S T P S T P S T F T S P T S P T S P", 0, -1, "P S T P S T F T S P T S P", -2},
	} {
		d := strand(t, tt.line, false)
		k := d.Knobs(free)[tt.knob]
		line := d.Row.Line.Clone()
		k.Turn(line, tt.by)
		if line = k.Repeat(line, tt.by); line == nil || line.String() != testparts.Line(t, tt.want).String() {
			t.Errorf("%s by %d: %v, want %s", tt.line, tt.by, line, tt.want)
		}
		if least, _ := k.Range(); least != tt.least {
			t.Errorf("%s goes down by %d, want %d", tt.line, least, tt.least)
		}
		if len(k.Touches(d.Row.Line)) == 0 {
			t.Errorf("%s touches nothing", tt.line)
		}
	}
}

func TestWhatOnlySeparates(t *testing.T) {
	d := strand(t, "9(3P S T S)", false)
	for key, want := range map[string]bool{"S": true, "P": false, "T": false, "F": false} {
		if got := d.Separates(key, d.piece.Palette[key]); got != want {
			t.Errorf("%s: %v", key, got)
		}
	}
	if !d.Separates("X", testparts.Bead(t, "wide", material.Bead{Shape: material.Spacer, Across: 9, Along: 5, Hole: 1}, 0.1)) {
		t.Error("a spacer is one whatever its size")
	}
}

// Two runs of a ring that meet where it is tied stay alike, but for the one bead that makes the count odd.
func TestRunsThatMeetInARingStayAlike(t *testing.T) {
	d := strand(t, "12P F 12P", true)
	if got := knobsOf(d, free); !slices.Equal(got, []string{"1 12P + 12P by 1", "2 12P by 1"}) {
		t.Fatalf("%q", got)
	}
	if got := knobsOf(strand(t, "6(4P T) 4P", true), free); slices.ContainsFunc(got, func(s string) bool { return s == "1 4P by 1" }) {
		t.Errorf("the rest of a repeat is no long run: %q", got)
	}
	if least, most := d.Knobs(free)[1].Range(); least != -1 || most != 1 {
		t.Errorf("one of them goes from %d to %d", least, most)
	}
}
