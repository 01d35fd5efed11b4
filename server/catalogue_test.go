package server_test

import (
	"context"
	"fmt"
	"io"
	"maps"
	"net/http"
	"strings"
	"testing"

	"mala/desk"
	"mala/format"
	"mala/server"
	"mala/store"
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
	if len(preview.New) != 0 || len(preview.Refused) != 1 || len(preview.Changed) != 1 || !strings.Contains(preview.Changed[0].Says, "acrossMm 10 → 10.2") || preview.Same < 70 {
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

func TestACatalogueStoppedHalfWayIsNotKept(t *testing.T) {
	b := start(t)
	ctx, stop := context.WithCancel(t.Context())
	list := make([]store.Material, 1000)
	for i := range list {
		list[i].Document = format.Material{ID: fmt.Sprintf("halted-%d", i), Class: "cord", Name: "x", Type: "wire", DiameterMm: 0.3}
	}
	err := b.store.SaveMaterials(ctx, list, func(done int) {
		if done >= 500 {
			stop()
		}
	})
	if err == nil {
		t.Fatal("it was imported all the same")
	}
	if _, total, _ := b.store.Materials(t.Context(), store.Filter{Search: "halted-"}); total != 0 {
		t.Errorf("%d rows of a stopped file were kept", total)
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
