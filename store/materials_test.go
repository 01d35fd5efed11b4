package store_test

import (
	"testing"

	"mala/core/length"
	"mala/format"
	"mala/store"
)

func bead(id string, shape format.Shape, colour string, across length.MM) store.Material {
	return store.Material{OnHand: 5, Document: format.Material{ID: id, Class: "bead", Name: "Bead " + id, Shape: shape,
		AcrossMm: across, HoleMm: 0.8, AlongMm: 3, Look: &format.Look{Colour: colour, Finish: "glass"}}}
}

func TestTheCatalogueIsNarrowedDownEachWay(t *testing.T) {
	s := open(t)
	list := []store.Material{
		bead("red-4", "round", "#b23a2e", 4), bead("red-8", "oval", "#b23a2e", 8), bead("blue-4", "oval", "#2b3a67", 4),
		{Document: format.Material{ID: "ring", Class: "finding", Name: "Ring", Type: "jump-ring", InsideMm: 3, WireMm: 0.7, Metal: "brass"}},
		{Document: format.Material{ID: "old", Class: "cord", Name: "Old wire", Type: "wire", DiameterMm: 0.3}, Archived: true},
	}
	for _, m := range list {
		if _, err := s.SaveMaterial(t.Context(), m); err != nil {
			t.Fatal(err)
		}
	}
	for name, tt := range map[string]struct {
		wanted store.Filter
		want   int
	}{
		"all that is offered": {store.Filter{}, 4},
		"the archived too":    {store.Filter{Archived: true}, 5},
		"by id, archived":     {store.Filter{IDs: []string{"old"}}, 1},
		"by no id":            {store.Filter{IDs: []string{}}, 0},
		"by class":            {store.Filter{Class: "bead"}, 3},
		"by shape":            {store.Filter{Shape: "oval"}, 2},
		"by colour":           {store.Filter{Colour: "red"}, 2},
		"by colour and shape": {store.Filter{Colour: "red", Shape: "oval"}, 1},
		"by size":             {store.Filter{Least: 5}, 1},
		"by metal":            {store.Filter{Metal: "brass"}, 1},
		"by type":             {store.Filter{Types: []string{"jump-ring", "toggle"}}, 1},
		"by words":            {store.Filter{Search: "oval 8"}, 1},
		"by part of a word":   {store.Filter{Search: "ead-4"}, 0},
		"within a word":       {store.Filter{Search: "lue-4"}, 1},
		"a word's beginning":  {store.Filter{Search: "bl"}, 1},
		"behind a hyphen":     {store.Filter{Search: "blue 4"}, 1},
		"no short middle":     {store.Filter{Search: "ue"}, 0},
		"by a wildcard":       {store.Filter{Search: "%"}, 0},
	} {
		got, total, err := s.Materials(t.Context(), tt.wanted)
		if err != nil || len(got) != tt.want || total != tt.want {
			t.Errorf("%s: %d of %d, %v, want %d", name, len(got), total, err, tt.want)
		}
	}
	page, total, _ := s.Materials(t.Context(), store.Filter{Limit: 2, Offset: 1})
	if len(page) != 2 || total != 4 {
		t.Errorf("a page of %d of %d", len(page), total)
	}
}

func TestThePiecesThatUseAMaterialAreFound(t *testing.T) {
	s, doc := open(t), document(t)
	if _, err := s.CreatePiece(t.Context(), doc, figures); err != nil {
		t.Fatal(err)
	}
	for id, want := range map[string]int{doc.Materials[0].ID: 1, "none-such": 0, `"]}`: 0} {
		if pieces, err := s.Using(t.Context(), id); err != nil || len(pieces) != want {
			t.Errorf("%q is used in %d, %v, want %d", id, len(pieces), err, want)
		}
	}
}
