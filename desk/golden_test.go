package desk_test

import (
	"flag"
	"fmt"
	"os"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/testdesk"
)

var update = flag.Bool("update", false, "write the steps of today into testdata/steps")

// The instructions of twelve pieces, one of every structure, word for word. They are read by eye
// when they change: go test ./desk -run Golden -update, and look at the difference.
func TestGoldenSteps(t *testing.T) {
	for _, name := range []string{"harbour-lights", "quay-lanterns", "moored-twice", "last-ferry", "tidewrack", "three-moorings",
		"strait-lamp", "cleat-hitch", "deckhand-loop", "dawn-bar", "peacoat-row", "fringe-of-foam"} {
		for _, unit := range []length.Unit{length.InMillimetres, length.InInches} {
			a := testdesk.Analysed(t, testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+name+".json")), desk.Options{Unit: unit})
			var got strings.Builder
			for i, s := range a.Steps {
				fmt.Fprintf(&got, "%d. %s\n", i+1, s.Says)
				for _, must := range s.Must {
					fmt.Fprintf(&got, "   [ ] %s\n", must)
				}
			}
			file := fmt.Sprintf("testdata/steps/%s-%s.txt", name, unit)
			if *update {
				if err := os.WriteFile(file, []byte(got.String()), 0o644); err != nil {
					t.Fatal(err)
				}
				continue
			}
			want, err := os.ReadFile(file)
			if err != nil {
				t.Fatal(err)
			}
			if got.String() != string(want) {
				t.Errorf("%s in %s differs:\n%s", name, unit, firstDifference(string(want), got.String()))
			}
		}
	}
}

func firstDifference(want, got string) string {
	a, b := strings.Split(want, "\n"), strings.Split(got, "\n")
	for i := range a {
		if i >= len(b) || a[i] != b[i] {
			now := ""
			if i < len(b) {
				now = b[i]
			}
			return fmt.Sprintf("was %q\nnow %q", a[i], now)
		}
	}
	return "more steps at the end"
}
