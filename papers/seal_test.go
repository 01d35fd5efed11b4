package papers_test

import (
	"strings"
	"testing"

	"mala/papers"
)

// A paper that was printed by older rules is distinguished from one that was changed: its words are still
// those it was printed with. Here another line stands for what other rules would have given.
func TestAPaperByOlderRulesIsToldFromAChangedOne(t *testing.T) {
	was, is := kitNamed(t, "Last Ferry"), kitNamed(t, "Last Ferry")
	is.Pieces[0].Document.Sections[0].Rows[0].Line = "<42P S 2T S 5P S T S 3P | L>"
	is.Sizes, was.Sizes = nil, nil
	for _, paper := range []string{"packing", "instructions"} {
		data := printed(t, was, order(paper))
		seal, err := papers.SealOf(data)
		if err != nil {
			t.Fatal(err)
		}
		for _, tt := range []struct {
			name                   string
			rules                  int
			seal                   string
			older, changed, unsure bool
		}{
			{"by the rules before", papers.Rules - 1, seal, true, true, false},
			{"changed by hand since", papers.Rules - 1, strings.Repeat("A", len(seal)), true, false, false},
			{"from before there were seals", 0, "", true, false, true},
			{"by the rules of today", papers.Rules, seal, false, false, false},
		} {
			o := order(paper)
			o.Rules, o.Seal = tt.rules, tt.seal
			v, err := papers.Verify(t.Context(), swapped(t, data, is, o))
			if err != nil {
				t.Fatal(err)
			}
			if v.Older != tt.older || len(v.Changed) > 0 != tt.changed || v.Unsure != tt.unsure || len(v.Wrong) == 0 != tt.changed {
				t.Errorf("%s, %s: older %v, unsure %v, %d changed, %d wrong", paper, tt.name, v.Older, v.Unsure, len(v.Changed), len(v.Wrong))
			}
		}
	}
}

// Every paper carries the seal of its words, however many pages it has.
func TestEveryPaperIsSealed(t *testing.T) {
	for _, name := range []string{"Last Ferry", "Three Moorings kit"} {
		k := kitNamed(t, name)
		for _, paper := range papers.Kinds() {
			o := order(paper)
			data := printed(t, k, o)
			seal, err := papers.SealOf(data)
			if err != nil {
				t.Fatal(err)
			}
			if o.Seal != "" || o.Rules != 0 {
				t.Errorf("what was asked for was changed: %+v", o)
			}
			carried, err := papers.Carried(data)
			if err != nil || carried.Seal != seal || carried.Rules != papers.Rules || len(seal) < 16 {
				t.Errorf("%s, %s: %v, carries %+v, its words have %s", name, paper, err, carried, seal)
			}
		}
	}
}
