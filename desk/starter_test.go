package desk_test

import (
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

// A pattern is laid with what goes beside the first bead, comes to its length, and leaves nothing to
// mend.
func TestAPieceStartsWithAPattern(t *testing.T) {
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	for _, how := range []struct {
		kind, closure string
		target        float64
	}{{"necklace", "clasp", 450}, {"bracelet", "knot", 180}, {"bracelet", "clasp", 190}, {"anklet", "clasp", 240}} {
		for pattern, dishes := range map[string]int{"plain": 1, "spaced": 2, "turn": 2, "accents": 2, "focal": 2, "pendant": 2} {
			for _, bead := range []string{"", "sea-pearl-4", "bottle-8"} {
				name := strings.Join([]string{how.kind, how.closure, pattern, bead}, " ")
				doc, err := desk.Starter(t.Context(), desk.Answers{Name: "x", Kind: how.kind, Closure: how.closure, Target: length.MM(how.target), Bead: bead, Pattern: pattern}, shelf, format.House{})
				if err != nil {
					t.Errorf("%s: %v", name, err)
					continue
				}
				a := testdesk.Analysed(t, &doc, desk.Options{Shelf: shelf})
				line := doc.Sections[0].Rows[0].Line
				if off := float64(a.FinishedMm) - how.target; off > 10 || off < -10 {
					t.Errorf("%s: %s is %.1f off", name, line, off)
				}
				if how.closure == "clasp" && len(doc.Palette) < dishes {
					t.Errorf("%s: %s of %v", name, line, doc.Palette)
				}
				for _, f := range a.Checks {
					if f.Severity != "advise" {
						t.Errorf("%s: %s of %v: %s: %s", name, line, doc.Palette, f.Title, f.Says)
					}
				}
			}
		}
	}
}

// Without a length a pattern has a few of each; what the catalogue lacks is said, and a name that is
// none is refused.
func TestAPatternSaysWhatItLacks(t *testing.T) {
	whole := testdesk.Catalogue(t)
	shelf := desk.NewShelf(whole)
	for pattern, line := range map[string]string{"spaced": "5(", "turn": "5(", "accents": "<2(", "focal": "<10", "pendant": "<10"} {
		doc, err := desk.Starter(t.Context(), desk.Answers{Name: "x", Kind: "necklace", Closure: "clasp", Pattern: pattern}, shelf, format.House{})
		if err != nil || !strings.HasPrefix(doc.Sections[0].Rows[0].Line, line) {
			t.Errorf("%s: %v, %v", pattern, doc.Sections, err)
		}
	}
	var few []format.Material
	for _, m := range whole {
		if m.Class != "bead" && m.Class != "component" || m.ID == "sea-pearl-4" {
			few = append(few, m)
		}
	}
	for pattern, lacks := range map[string]string{"spaced": "no spacer", "turn": "no second bead", "accents": "no larger bead", "focal": "no larger bead", "pendant": "no charm", "braided": "no such pattern"} {
		_, err := desk.Starter(t.Context(), desk.Answers{Name: "x", Kind: "necklace", Closure: "clasp", Target: 450, Pattern: pattern}, desk.NewShelf(few), format.House{})
		if err == nil || !strings.Contains(err.Error(), lacks) {
			t.Errorf("%s: %v", pattern, err)
		}
	}
}

// Rows are alike, each in the pattern, also for a wearer.
func TestAPatternComesInRowsAndForAWearer(t *testing.T) {
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	doc, err := desk.Starter(t.Context(), desk.Answers{Name: "x", Kind: "bracelet", Closure: "clasp", Rows: 3, Join: "ring", Pattern: "spaced", Body: &format.Body{Part: "wrist", MeasureMm: 165}}, shelf, format.House{})
	if err != nil || len(doc.Sections[0].Rows) != 3 {
		t.Fatalf("%v, %+v", err, doc.Sections)
	}
	a := testdesk.Analysed(t, &doc, desk.Options{Shelf: shelf})
	if a.Fit == nil || !a.Fit.Suits {
		t.Errorf("%+v", a.Fit)
	}
}
