package store_test

import (
	"slices"
	"testing"

	"mala/format"
)

// What is needed comes with the mixed sets that hold some of it; what is archived does not.
func TestSuppliesComeWithTheSetsThatHoldThem(t *testing.T) {
	s := open(t)
	list := map[string]string{"red": "", "blue": "", "set": "blue", "other-set": "green", "old-set": "blue"}
	for id, with := range list {
		m := bead(id, "round", "#b23a2e", 4)
		m.Document.Packs = []format.Pack{{Sold: "bag", Holds: format.PackHolds{Count: 10}, Price: "1"}}
		if with != "" {
			m.Document.Packs[0].With = []format.PackWith{{Of: with, Count: 10}}
		}
		m.Archived = id == "old-set"
		if _, err := s.SaveMaterial(t.Context(), m); err != nil {
			t.Fatal(err)
		}
	}
	for _, tt := range []struct{ ids, want []string }{{[]string{"blue"}, []string{"blue", "set"}}, {[]string{"red", "green"}, []string{"other-set", "red"}}, {[]string{"none"}, nil}, {nil, nil}} {
		found, err := s.Supplies(t.Context(), tt.ids)
		var got []string
		for _, m := range found {
			got = append(got, m.ID)
		}
		if err != nil || !slices.Equal(got, tt.want) {
			t.Errorf("%v: %v, want %v, %v", tt.ids, got, tt.want, err)
		}
	}
}
