package server_test

import (
	"encoding/json"
	"fmt"
	"testing"

	"mala/core/length"
	"mala/format"
	"mala/server"
	"mala/store"
)

func TestPiecesAreListedPageByPage(t *testing.T) {
	b := start(t)
	var all, page server.PieceList
	b.call("GET", "/api/pieces?limit=200", nil, &all)
	if all.Total != len(all.Pieces) || all.Total < 40 {
		t.Fatalf("%d of %d", len(all.Pieces), all.Total)
	}
	for offset := 0; offset < all.Total; offset += 7 {
		b.call("GET", fmt.Sprintf("/api/pieces?limit=7&offset=%d", offset), nil, &page)
		if page.Total != all.Total {
			t.Errorf("%d in all", page.Total)
		}
		for i, p := range page.Pieces {
			if p.ID != all.Pieces[offset+i].ID {
				t.Errorf("piece %d is %s", offset+i, p.Name)
			}
		}
	}
	if resp := b.call("GET", "/api/pieces?limit=201", nil, nil); resp.StatusCode != 422 {
		t.Errorf("201 at once: %s", resp.Status)
	}
}

// What a picture is painted from is kept with the piece, and made again when the piece or the house
// method has changed.
func TestThumbnailsAreKeptAndRenewed(t *testing.T) {
	b := start(t)
	p := b.piece("Harbour Lights")
	look := func() (*server.Thumbnail, string) {
		t.Helper()
		var out server.Thumbnail
		if resp := b.call("GET", fmt.Sprintf("/api/pieces/%s/thumbnail?of=%d", p.ID, p.Revision), nil, &out); resp.StatusCode != 200 {
			t.Fatal(resp.Status)
		}
		_, of, err := b.store.Thumbnail(t.Context(), p.ID)
		if err != nil {
			t.Fatal(err)
		}
		return &out, of
	}
	first, of := look()
	if of != "1/1" || first.Picture.Whole == nil || len(first.Picture.Whole.Rows[0].Beads) != first.Analysis.Beads || first.Document.Name != p.Document.Name {
		t.Errorf("%s: %+v", of, first)
	}
	if err := b.store.KeepThumbnail(t.Context(), p.ID, json.RawMessage(`{"document":{"name":"as kept"}}`), "1/1"); err != nil {
		t.Fatal(err)
	}
	if kept, _ := look(); kept.Document.Name != "as kept" {
		t.Error("what is kept is not used")
	}
	b.call("PUT", "/api/pieces/"+p.ID, draft{p.Revision, withLine(p.Document, "5P")}, &p)
	if changed, of := look(); of != "2/1" || changed.Analysis.Beads != 5 {
		t.Errorf("%s: %d beads", of, changed.Analysis.Beads)
	}
	b.call("PUT", "/api/house", houseSave{1, format.House{Slack: "easy"}}, nil)
	if _, of := look(); of != "2/2" {
		t.Error(of)
	}
	if resp := b.call("GET", "/api/pieces/none/thumbnail?of=1", nil, nil); resp.StatusCode != 404 {
		t.Error(resp.Status)
	}
	if resp := b.call("PUT", "/api/pieces/"+p.ID, draft{p.Revision, withLine(p.Document, "5P ]")}, &p); resp.StatusCode != 200 {
		t.Fatal(resp.Status)
	}
	if resp := b.call("GET", fmt.Sprintf("/api/pieces/%s/thumbnail?of=%d", p.ID, p.Revision), nil, nil); resp.StatusCode != 422 {
		t.Errorf("of a line with an error: %s", resp.Status)
	}
}

// In a catalogue of thousands a new piece, an edit and a search fetch what is near.
func TestALargeCatalogueIsWithinReach(t *testing.T) {
	b := start(t)
	var list []store.Material
	for i := range 2100 {
		list = append(list, store.Material{OnHand: 3, Document: format.Material{ID: fmt.Sprintf("many-%d", i), Class: "bead", Name: fmt.Sprintf("Many %d", i), Shape: "round", AcrossMm: 4 + 0.001*length.MM(i), HoleMm: 1, Look: &format.Look{Colour: "#b23a2e", Finish: "glass"}}})
	}
	if err := b.store.AddMaterials(t.Context(), list); err != nil {
		t.Fatal(err)
	}
	var made server.PieceState
	if resp := b.call("POST", "/api/pieces/new", map[string]any{"name": "New", "kind": "necklace", "closure": "clasp", "targetMm": 450}, &made); resp.StatusCode != 200 || len(made.Document.Palette) == 0 {
		t.Fatalf("%s: %+v", resp.Status, made)
	}
	var edited server.EditedPiece
	op := map[string]any{"do": "set-dish", "text": "Z", "material": "many-1777"}
	if resp := b.call("POST", "/api/edit", map[string]any{"document": made.Document, "operations": []any{op}}, &edited); resp.StatusCode != 200 || edited.Edited.Document.Palette["Z"] != "many-1777" {
		t.Errorf("%s: %+v", resp.Status, edited.Edited.Document.Palette)
	}
}
