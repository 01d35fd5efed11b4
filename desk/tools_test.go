package desk_test

import (
	"os"
	"slices"
	"strings"
	"testing"

	"mala/core/piece"
	"mala/desk"
	"mala/desk/testdesk"
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
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+f.Name()))
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

// A picture is shown of whatever way of the hand the steps speak of, and of no other.
func TestTheStepsUseTheTechniquesThatAreShown(t *testing.T) {
	words := map[string]string{
		"surgeon's knot": "surgeons-knot", "square knot": "square-knot", "overhand knot": "overhand-knot", "raw the knot into": "hide-knot",
		"in the trough of": "fold-over-end", "then turn it and fold it": "fold-crimp", "from three sides": "three-sided-crimp", "ress the crimp flat": "flat-crimp",
	}
	seen := map[string]bool{}
	files, err := os.ReadDir("../demo/pieces")
	if err != nil {
		t.Fatal(err)
	}
	for _, f := range files {
		for _, house := range []format.House{{}, {Crimp: piece.CrimpFlat, Knot: "square"}, {Crimp: piece.CrimpThreeSided}} {
			a := testdesk.Analysed(t, testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+f.Name())), desk.Options{House: house})
			var steps strings.Builder
			for _, s := range a.Steps {
				steps.WriteString(strings.Replace(s.Says, "triple square knot", "square knot", 1) + "\n")
			}
			for word, name := range words {
				says, has := strings.Contains(steps.String(), word), slices.Contains(a.Techniques, name)
				seen[word] = seen[word] || says
				if says != has {
					t.Errorf("%s, %s: the steps say %q: %v; shown: %v", f.Name(), house.Crimp, word, says, a.Techniques)
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
