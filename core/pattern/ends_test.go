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
