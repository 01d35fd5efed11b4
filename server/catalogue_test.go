package server_test

import (
	"fmt"
	"io"
	"maps"
	"net/http"
	"strings"
	"testing"

	"mala/desk"
	"mala/format"
	"mala/server"
)

func TestTheCatalogueIsSearchedAndNarrowedDown(t *testing.T) {
	b := start(t)
	for query, want := range map[string]string{
		"search=lantern+glass+8":                  "lantern-8",
		"class=bead&shape=cap&most=6&metal=brass": "brass-cap-6",
		"types=toggle":                            "toggle-anchor",
		"class=bead&colour=red&shape=focal":       "enamel-sail",
		"ids=elastic-07":                          "elastic-07",
		"search=%25":                              "",
	} {
		var found server.Catalogue
		b.call("GET", "/api/materials?"+query, nil, &found)
		ids := ""
		for _, item := range found.Items {
			ids += item.Material.ID
		}
		if ids != want || found.Total != len(found.Items) {
			t.Errorf("%s finds %q of %d, want %q", query, ids, found.Total, want)
		}
	}
	var page server.Catalogue
	b.call("GET", "/api/materials?limit=5&offset=2", nil, &page)
	if len(page.Items) != 5 || page.Total < 70 {
		t.Errorf("%d of %d", len(page.Items), page.Total)
	}
}

func TestWhatIsOfferedForASpotCanGoThere(t *testing.T) {
	b := start(t)
	for spot, want := range map[string]struct{ in, out string }{"row": {"crimp-18", "toggle-anchor"}, "closure": {"toggle-anchor", "crimp-18"}, "holder": {"crimp-18", "ring-5"}, "ring": {"ring-5", "lobster-10"}, "chain": {"chain", "ring-5"}} {
		var found server.Catalogue
		b.call("GET", "/api/materials?limit=500&spot="+spot, nil, &found)
		ids := " "
		for _, item := range found.Items {
			if ids += item.Material.ID + " "; item.Material.Class != "finding" {
				t.Errorf("%s offers %s", spot, item.Material.ID)
			}
		}
		if !strings.Contains(ids, want.in) || strings.Contains(ids, want.out+" ") {
			t.Errorf("%s offers%s", spot, ids)
		}
	}
}

func TestAnArchivedMaterialIsNotOfferedButStaysKnown(t *testing.T) {
	b := start(t)
	var found server.Catalogue
	b.call("GET", "/api/materials?ids=sea-pearl-4", nil, &found)
	item := found.Items[0]
	b.call("PUT", "/api/materials/sea-pearl-4", map[string]any{"base": item.Revision, "onHand": 1, "archived": true, "material": item.Material}, nil)
	for query, want := range map[string]int{"search=sea-pearl+4": 0, "search=sea-pearl+4&archived=true": 1, "ids=sea-pearl-4": 1} {
		b.call("GET", "/api/materials?"+query, nil, &found)
		if len(found.Items) != want {
			t.Errorf("%s finds %d, want %d", query, len(found.Items), want)
		}
	}
}

func TestTheEffectsOfAMaterialAreShownBeforeItIsSaved(t *testing.T) {
	b := start(t)
	doc := b.piece("Harbour Lights").Document
	pearl := doc.Materials[0]
	pearl.Run = &format.Run{Count: 10, MeasuredMm: 41}
	var facts server.MaterialFacts
	b.call("POST", "/api/materials/try", pearl, &facts)
	passes := map[string]int{}
	for _, f := range facts.Fits {
		passes[f.Cord] = f.Passes
	}
	if facts.TenMm < 40.999 || facts.TenMm > 41.001 || facts.SizedBy != "measured run" || passes["wire-036-19"] != 3 && passes["wire-036-19"] != 2 || passes["leather-15"] != 0 {
		t.Errorf("facts: %+v", facts)
	}
	var effects []server.PieceEffect
	b.call("POST", "/api/materials/effect", pearl, &effects)
	longer := map[string]bool{}
	for _, e := range effects {
		longer[e.Name] = e.AfterMm > e.BeforeMm+10
	}
	// In a component on a pin it leaves the length alone.
	if want := map[string]bool{"Flag Down": false, "Harbour Lights": true, "Last Ferry": true, "Net Loft": false, "Strait Lamp": true, "Three Moorings": false, "Tidewrack": true, "Two Currents": false}; !maps.Equal(longer, want) {
		t.Errorf("effects: %+v", effects)
	}
	var p server.Problem
	pearl.HoleMm = 9
	if resp := b.call("POST", "/api/materials/try", pearl, &p); resp.StatusCode != 422 || !strings.Contains(p.Detail, "narrower than its bead") {
		t.Errorf("%s %+v", resp.Status, p)
	}
}

func TestACatalogueFileIsPreviewedAndTakenInWhole(t *testing.T) {
	b := start(t)
	resp, err := http.Get(b.url + "/api/catalogue.csv")
	if err != nil {
		t.Fatal(err)
	}
	csv, _ := io.ReadAll(resp.Body)
	resp.Body.Close()
	changed := strings.Replace(string(csv), "bead,Lantern glass,round,10,", "bead,Lantern glass,round,10.2,", 1) +
		"new-1,bead,New one,round,5" + strings.Repeat(",", 4) + "\n"
	var preview server.CataloguePreview
	b.call("POST", "/api/catalogue/preview", changed, &preview)
	if preview.New.Count != 0 || preview.Refused.Count != 1 || preview.Changed.Count != 1 || !strings.Contains(preview.Changed.Rows[0].Says, "acrossMm 10 → 10.2") || preview.Same < 70 {
		t.Errorf("preview: %+v", preview)
	}
	var shop server.Catalogue
	b.call("GET", "/api/materials?ids=lantern-10", nil, &shop)
	if shop.Items[0].Material.AcrossMm != 10 {
		t.Error("a preview changed the catalogue")
	}
	if resp := b.call("POST", "/api/catalogue", changed, nil); resp.StatusCode != 200 {
		t.Fatal(resp.Status)
	}
	b.call("GET", "/api/materials?ids=lantern-10", nil, &shop)
	if shop.Items[0].Material.AcrossMm != 10.2 || shop.Items[0].Revision != 2 {
		t.Errorf("imported: %+v", shop.Items[0])
	}
	var p server.Problem
	if resp := b.call("POST", "/api/catalogue", "id,weight\n", &p); resp.StatusCode != 422 || !strings.Contains(p.Detail, "weight") {
		t.Errorf("%s %+v", resp.Status, p)
	}
}

// A row that was changed here since its file was exported is left as it is, unless that is asked for;
// and the import can be undone.
func TestAnImportRespectsWhatWasChangedSince(t *testing.T) {
	b := start(t)
	held := func() server.CatalogueItem {
		var found server.Catalogue
		b.call("GET", "/api/materials?ids=lantern-10", nil, &found)
		return found.Items[0]
	}
	item := held()
	item.Material.Name = "Glass of the lantern"
	b.call("PUT", "/api/materials/lantern-10", map[string]any{"base": 1, "onHand": 3, "material": item.Material}, nil)
	file := "id,class,name,shape,acrossMm,onHand,archived,revision\nlantern-10,bead,Lantern glass,round,10,9,true,1\nsea-pearl-4,bead,Sea pearl,round,4,1,true,1\nnew-1,cord,New cord,,,,,\n"
	var preview server.CataloguePreview
	b.call("POST", "/api/catalogue/preview", file, &preview)
	if preview.Since.Count != 1 || preview.Since.Rows[0].ID != "lantern-10" || !strings.Contains(preview.Since.Rows[0].Says, "onHand 3 → 9") || preview.Changed.Count != 1 || !strings.Contains(preview.Changed.Rows[0].Says, "archived false → true") || preview.Refused.Count != 1 {
		t.Errorf("%+v", preview)
	}
	b.call("POST", "/api/catalogue?name=spring.csv", file, nil)
	if now := held(); now.Material.Name != "Glass of the lantern" || now.OnHand != 3 || now.Revision != 2 {
		t.Errorf("left: %+v", now)
	}
	b.call("POST", "/api/catalogue?since=true&name=spring.csv", file, nil)
	if now := held(); now.Material.Name != "Lantern glass" || now.OnHand != 9 || !now.Archived || now.Revision != 3 {
		t.Errorf("asked for: %+v", now)
	}
	var imports []server.ImportNote
	b.call("GET", "/api/imports", nil, &imports)
	if len(imports) != 2 || imports[0].Name != "spring.csv" || imports[0].Changed != 1 || imports[0].UndoneAt != nil {
		t.Fatalf("%+v", imports)
	}
	var undone server.UndoneImport
	if resp := b.call("POST", fmt.Sprintf("/api/imports/%d/undo", imports[0].ID), nil, &undone); resp.StatusCode != 200 || undone.Undone != 1 || undone.Since != 0 {
		t.Errorf("%s: %+v", resp.Status, undone)
	}
	if now := held(); now.Material.Name != "Glass of the lantern" || now.OnHand != 3 || now.Archived || now.Revision != 4 {
		t.Errorf("undone: %+v", now)
	}
	if resp := b.call("POST", fmt.Sprintf("/api/imports/%d/undo", imports[0].ID), nil, nil); resp.StatusCode != 404 {
		t.Errorf("undone twice: %s", resp.Status)
	}
}

// A file that says nothing of revisions is imported as it stands; a row of a deleted material brings it
// back, though it is as it was; of very many rows the first are named.
func TestRowsOfAFileAreSorted(t *testing.T) {
	b := start(t)
	b.call("DELETE", "/api/materials/lantern-10?base=1", nil, nil)
	file := "id,onHand\nlantern-8,9\nlantern-10,18\n"
	for i := range 600 {
		file += fmt.Sprintf("none-%d,1\n", i)
	}
	var preview server.CataloguePreview
	b.call("POST", "/api/catalogue/preview", file, &preview)
	if preview.Changed.Count != 1 || preview.Since.Count != 0 || preview.Refused.Count != 600 || preview.New.Count != 1 || len(preview.Refused.Rows) != 500 {
		t.Errorf("%d changed, %d since, %d of %d rejected", preview.Changed.Count, preview.Since.Count, len(preview.Refused.Rows), preview.Refused.Count)
	}
	b.call("POST", "/api/catalogue", file, nil)
	var found server.Catalogue
	if b.call("GET", "/api/materials?ids=lantern-10", nil, &found); len(found.Items) != 1 || found.Items[0].OnHand != 18 || found.Items[0].Revision != 3 {
		t.Errorf("%+v", found.Items)
	}
}

func TestADeletedMaterialIsListedAndRestored(t *testing.T) {
	b := start(t)
	var p server.Problem
	if resp := b.call("DELETE", "/api/materials/head-pin-50?base=1", nil, &p); resp.StatusCode != 409 || !strings.Contains(p.Detail, "is part of") {
		t.Errorf("%s: %+v", resp.Status, p)
	}
	if resp := b.call("DELETE", "/api/materials/lantern-10?base=1", nil, nil); resp.StatusCode != 204 {
		t.Fatal(resp.Status)
	}
	var gone server.Deleted
	b.call("GET", "/api/deleted", nil, &gone)
	if len(gone.Materials) != 1 || gone.Materials[0].ID != "lantern-10" || gone.Materials[0].Kind != "bead" || gone.KeepDays != 90 || gone.AsideDays != 180 {
		t.Errorf("%+v", gone)
	}
	if days := gone.Materials[0].KeptUntil.Sub(gone.Materials[0].DeletedAt).Hours() / 24; days != 90 {
		t.Errorf("kept for %v days", days)
	}
	for body, want := range map[string]int{`{"keepDays":0,"asideDays":9}`: 422, `{"keepDays":9,"asideDays":3651}`: 422, `{"keepDays":9,"asideDays":8}`: 200} {
		if resp := b.call("PUT", "/api/deleted", body, nil); resp.StatusCode != want {
			t.Errorf("%s: %s", body, resp.Status)
		}
	}
	var item server.CatalogueItem
	if resp := b.call("POST", "/api/materials/lantern-10/undelete", nil, &item); resp.StatusCode != 200 || item.Material.ID != "lantern-10" || item.Revision != 3 || item.Outline == nil {
		t.Errorf("%s: %+v", resp.Status, item)
	}
}

func TestAComponentIsTriedAndSavedWithItsPartsOfTheCatalogue(t *testing.T) {
	b := start(t)
	drop := format.Material{ID: "gull-drop", Class: "component", Name: "Gull drop",
		Component: &format.Component{Kind: "drop", Rings: format.IDs{"ring-5"}, Pin: "head-pin-50", Loop: "simple", LoopMm: 2, Line: "P", Palette: format.Letters{"P": "sea-pearl-4"}}}
	var facts desk.ComponentFacts
	if resp := b.call("POST", "/api/components/try", drop, &facts); resp.StatusCode != 200 || facts.Pin == nil || len(facts.Bought) != 3 {
		t.Fatalf("%s: %+v", resp.Status, facts)
	}
	var item server.CatalogueItem
	if resp := b.call("PUT", "/api/materials/gull-drop", map[string]any{"base": 0, "onHand": 2, "material": drop}, &item); resp.StatusCode != 200 || item.Outline == nil || len(item.Outline.Seats) != 5 {
		t.Fatalf("%s: %+v", resp.Status, item)
	}
	var listed server.Catalogue
	b.call("GET", "/api/materials?hangs=true&search=gull", nil, &listed)
	if len(listed.Items) != 1 || listed.Items[0].Outline == nil || listed.Items[0].Outline.DropMm == 0 {
		t.Errorf("listed %+v", listed.Items)
	}
	looped := format.Material{ID: "gull-tube", Class: "bead", Name: "Gull tube", Shape: "tube", AcrossMm: 4, AlongMm: 6, HoleMm: 1.6, LoopMm: 1.8, LoopWireMm: 0.8}
	carrier := format.Material{ID: "gull-carrier", Class: "component", Name: "Gull carrier", Component: &format.Component{Kind: "carrier", Bead: "gull-tube", Below: format.IDs{"gull-drop"}}}
	for _, m := range []format.Material{looped, carrier} {
		if resp := b.call("PUT", "/api/materials/"+m.ID, map[string]any{"base": 0, "onHand": 2, "material": m}, &item); resp.StatusCode != 200 {
			t.Fatalf("%s: %s", m.ID, resp.Status)
		}
	}
	b.call("GET", "/api/materials?hangs=true&search=gull", nil, &listed)
	if len(listed.Items) != 1 {
		t.Errorf("a carrier is strung: %+v", listed.Items)
	}
	b.call("GET", "/api/materials?looped=true&search=gull", nil, &listed)
	if len(listed.Items) != 1 || listed.Items[0].Material.ID != "gull-tube" {
		t.Errorf("with a loop of their own: %+v", listed.Items)
	}
	var p server.Problem
	drop.Component.Pin = "no-such-pin"
	if resp := b.call("PUT", "/api/materials/gull-drop", map[string]any{"base": 1, "onHand": 2, "material": drop}, &p); resp.StatusCode != 422 || p.Faults[0].Where != "material.component.pin" {
		t.Errorf("%s: %+v", resp.Status, p)
	}
	if resp := b.call("POST", "/api/components/try", format.Material{ID: "x", Class: "bead", Name: "X", Shape: "round", AcrossMm: 4, HoleMm: 1}, &p); resp.StatusCode != 422 {
		t.Errorf("a bead was tried as a component: %s", resp.Status)
	}
}
