package piece

import (
	"strings"
	"testing"

	"mala/core/pattern"
)

// Which runs and groups of "9P 3(2T 9P) <S | T>" a pin keeps as they are.
func TestWhatAPinKeeps(t *testing.T) {
	line, err := pattern.Parse("9P 3(2T 9P) <S | T>")
	if err != nil {
		t.Fatal(err)
	}
	row := &Row{ID: "r1", Line: line}
	for _, tt := range []struct {
		pin  Pin
		want string
	}{
		{Pin{Row: "r1", Run: "9P"}, "9P"},
		{Pin{Run: "9P"}, "9P"},
		{Pin{Row: "r1", Run: "9P", Nth: 1}, "9P in the group"},
		{Pin{Row: "r1", Run: "9P", Nth: 2}, ""},
		{Pin{Row: "r1", Run: "8P"}, ""},
		{Pin{Row: "r2", Run: "9P"}, ""},
		{Pin{Row: "r1", Run: "3(2T 9P)"}, "3(2T 9P), 2T, 9P in the group"},
		{Pin{Letter: "P"}, "9P, 3(2T 9P), 9P in the group"},
		{Pin{Letter: "T"}, "3(2T 9P), 2T, <S | T>, T"},
		{Pin{Row: "r1"}, "9P, 3(2T 9P), 2T, 9P in the group, <S | T>, S, T"},
		{Pin{Row: "r2"}, ""},
	} {
		var kept []string
		for _, n := range line.Nodes {
			if !Pinned([]Pin{{Row: "r3"}, tt.pin}, row, n) {
				continue
			}
			says := n.String()
			if n.IsBead() && n.Key() == "P" && n != line.Items[0] {
				says += " in the group"
			}
			kept = append(kept, says)
		}
		if got := strings.Join(kept, ", "); got != tt.want {
			t.Errorf("%+v keeps %q, want %q", tt.pin, got, tt.want)
		}
	}
}
