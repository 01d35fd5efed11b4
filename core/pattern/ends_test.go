package pattern

import (
	"strings"
	"testing"
)

func TestBeadsComeAtTheEndsOfALine(t *testing.T) {
	for _, tt := range []struct{ line, right, both, left string }{
		{"3A B", "3A 3B", "2B 3A 3B", "2B 3A B"},
		{"<3A | C>", "<2B 3A | C>", "<2B 3A | C>", "<2B 3A | C>"},
		{"<2B A | C>", "<4B A | C>", "<4B A | C>", "<4B A | C>"},
		{"2<3A | C>", "2<3A | C> 2B", "2B 2<3A | C> 2B", "2B 2<3A | C>"},
		{"~<3A | C>", "~<3A | C> 2B", "2B ~<3A | C> 2B", "2B ~<3A | C>"},
		{"<3A | C> A", "<3A | C> A 2B", "2B <3A | C> A 2B", "2B <3A | C> A"},
	} {
		line, err := Parse(tt.line)
		if err != nil {
			t.Fatal(err)
		}
		if got := line.WithEnds("2B", RightEnd).String(); got != tt.right {
			t.Errorf("%s: %s", tt.line, got)
		}
		if got := line.WithEnds("2B", BothEnds).String(); got != tt.both {
			t.Errorf("%s at both: %s", tt.line, got)
		}
		if got := line.WithEnds("2B", LeftEnd).String(); got != tt.left {
			t.Errorf("%s at the left: %s", tt.line, got)
		}
		if line.String() != tt.line {
			t.Errorf("%s became %s", tt.line, line)
		}
		if line.WithEnds("2(", BothEnds) != nil {
			t.Error("what cannot be read came at the ends")
		}
	}
}

func TestWhatStandsAtTheEndsOfALine(t *testing.T) {
	for text, want := range map[string][3]string{"3A B": {"B", "3A B", "3A"}, "<3A B | C>": {"3A", "3A", "3A"}, "2<3A | C>": {"2<3A | C>", "2<3A | C> 2<3A | C>", "2<3A | C>"}, "": {"", "", ""}} {
		line, err := Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		for i, at := range []Ends{RightEnd, BothEnds, LeftEnd} {
			var got []string
			for _, n := range line.Outermost(at) {
				got = append(got, n.String())
			}
			if strings.Join(got, " ") != want[i] {
				t.Errorf("%s: %q, want %q", text, got, want[i])
			}
		}
	}
}

// Backwards the beads come in the other order, each lying as it lies; turned they are also turned
// round, and turned again they are the line that it was.
func TestALineBackwardsAndTurned(t *testing.T) {
	for text, want := range map[string][2]string{
		"3A B":           {"B 3A", "~(3A B)"},
		"2(A ~B) C":      {"C 2(~B A)", "~(2(A ~B) C)"},
		"<3A B | C> D":   {"D <3A B | C>", "~(<3A B | C> D)"},
		"A {10mm: B C}":  {"{10mm: C B} A", "~(A {10mm: B C})"},
		"2(3(A B) 2C) D": {"D 2(2C 3(B A))", "~(2(3(A B) 2C) D)"},
		"~(A B)":         {"~(B A)", "A B"},
	} {
		line, err := Parse(text)
		if err != nil {
			t.Fatal(err)
		}
		if got := line.Backwards().String(); got != want[0] {
			t.Errorf("%s backwards: %s, want %s", text, got, want[0])
		}
		turned, err := line.Turned()
		if err != nil || turned.String() != want[1] || line.String() != text {
			t.Errorf("%s turned: %v, %v, want %s", text, turned, err, want[1])
		}
		again, err := turned.Turned()
		if err != nil || again.String() != text {
			t.Errorf("%s turned twice: %v, %v", text, again, err)
		}
		if keys(line.Backwards()) != keys(turned) {
			t.Errorf("%s: %s and %s", text, keys(line.Backwards()), keys(turned))
		}
	}
	empty := &Line{}
	if turned, err := empty.Turned(); err != nil || turned.String() != "" || empty.Backwards().String() != "" {
		t.Errorf("%v, %v", turned, err)
	}
}

// keys are the beads of a line in their order.
func keys(l *Line) string {
	placed, err := l.Expand(Fills{})
	if err != nil {
		return err.Error()
	}
	var out []string
	for _, b := range placed {
		out = append(out, b.Node.Key())
	}
	return strings.Join(out, " ")
}
