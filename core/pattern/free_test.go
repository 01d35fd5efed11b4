package pattern

import "testing"

func TestRunsInAnyOrder(t *testing.T) {
	for _, tt := range []struct{ in, out, fault string }{
		{"?(5P 3T)", "?(5P 3T)", ""},
		{"2P 3 ~ ? ( 5P ~T ) P", "2P 3~?(5P ~T) P", ""},
		{"<?(2A B) | C>", "<?(2A B) | C>", ""},
		{"?P", "", "column 2: ? needs a group"},
		{"?", "", "column 2: ? needs a group"},
		{"?(A (B C))", "", "column 1: What comes in any order is beads alone"},
		{"?(A _5mm)", "", "column 1: What comes in any order"},
		{"?()", "", "column 2: This group is empty"},
	} {
		line, err := Parse(tt.in)
		switch {
		case tt.fault == "" && (err != nil || line.String() != tt.out):
			t.Errorf("%s: %v, %v", tt.in, line, err)
		case tt.fault != "" && (err == nil || len(err.Error()) < len(tt.fault) || err.Error()[:len(tt.fault)] != tt.fault):
			t.Errorf("%s: %v, want %q", tt.in, err, tt.fault)
		}
	}
	for _, tt := range []struct {
		in       string
		from, to int
		out      string
	}{
		{"5P 3T S", 0, 8, "?(5P 3T) S"}, {"(5P 3T) S", 0, 8, "?(5P 3T) S"}, {"?(5P 3T) S", 0, 8, "(5P 3T) S"}, {"2(5P 3T)", 0, 8, "?(5P 3T) (5P 3T)"},
	} {
		line, _ := Parse(tt.in)
		if _, _, err := line.Enclose(InFree, tt.from, tt.to, nil); err != nil || line.String() != tt.out {
			t.Errorf("%s: %v, %v, want %s", tt.in, line, err, tt.out)
		}
	}
	line, _ := Parse("2P (A B) 3P")
	if _, _, err := line.Enclose(InFree, 0, 7, nil); err == nil {
		t.Errorf("a group in any order: %v", line)
	}
	line, _ = Parse("?(2A B) C")
	if _, err := line.Delete(0, 2, nil); err != nil || line.String() != "B C" {
		t.Errorf("what is left of a stretch: %v, %v", line, err)
	}
}
