package desk_test

import (
	"os"
	"slices"
	"strings"
	"testing"

	"mala/core/piece"
	"mala/desk"
	"mala/format"
)

// Whatever the steps speak of is among the tools, and nothing that no step needs, in every
// demo piece and every house.
func TestTheStepsNeedTheToolsAndTheToolsTheSteps(t *testing.T) {
	files, err := os.ReadDir("../demo/pieces")
	if err != nil {
		t.Fatal(err)
	}
	words := map[string][]string{
		"glue": {"Jeweller's glue"}, "with wire cutters": {"Wire cutters"}, "with scissors": {"Scissors"}, "a bead stopper": {"Bead stopper"}, "a fold of tape": {"Tape"}, "with a clip": {"Clip"},
		"round a rod of": {"Round-nose pliers", "Rod of"}, "draw each up to its bead with a needle": {"Beading needle"},
	}
	seen := map[string]bool{}
	for _, f := range files {
		doc := read(t, demoFile(t, "pieces/"+f.Name()))
		for _, house := range []format.House{{}, {Glue: piece.Yes, Stopper: piece.StopTape}, {Glue: piece.No, Stopper: piece.StopClip}} {
			a, err := desk.Analyse(t.Context(), doc, desk.Options{House: house})
			if err != nil {
				t.Fatal(err)
			}
			var steps strings.Builder
			for _, s := range a.Steps {
				steps.WriteString(s.Says + " " + strings.Join(s.Must, " ") + "\n")
			}
			for word, tools := range words {
				has := slices.ContainsFunc(a.Tools, func(tool desk.Tool) bool {
					return slices.ContainsFunc(tools, func(name string) bool { return strings.HasPrefix(tool.Name, name) })
				})
				says := strings.Contains(steps.String(), word)
				seen[word] = seen[word] || says
				if says && !has {
					t.Errorf("%s: the steps say %q, and the tools are %+v", f.Name(), word, a.Tools)
				}
				if word == "glue" && has && !says {
					t.Errorf("%s: glue, and no step uses it", f.Name())
				}
			}
		}
	}
	for word := range words {
		if !seen[word] {
			t.Errorf("no step says %q", word)
		}
	}
}
