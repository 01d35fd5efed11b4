package server_test

import (
	"net/http"
	"strings"
	"sync"
	"testing"

	"mala/demo"
	"mala/desk"
	"mala/server"
)

// shortOf lists what an analysis finds short of stock.
func shortOf(a *desk.Analysis) []string {
	var out []string
	for _, c := range a.Checks {
		if c.Code == "shelf-short" {
			out = append(out, c.Says)
		}
	}
	return out
}

// What is in stock comes with every analysis, also with several at once, and follows the
// catalogue at once.
func TestStockIsToldWithTheAnalysisAndFollowsTheCatalogue(t *testing.T) {
	b := start(t)
	doc, err := demo.Piece("tidewrack.json")
	if err != nil {
		t.Fatal(err)
	}
	var wait sync.WaitGroup
	told := make([][]string, 8)
	for i := range told {
		wait.Go(func() {
			var a desk.Analysis
			b.call("POST", "/api/analyse", doc, &a)
			told[i] = shortOf(&a)
		})
	}
	wait.Wait()
	for _, says := range told {
		if !strings.Contains(strings.Join(says, " "), "75 needed, 58 in stock, 17 short") {
			t.Fatalf("%v", told)
		}
	}
	var found struct{ Items []server.CatalogueItem }
	b.call("GET", "/api/materials?ids=tide-stone-6", nil, &found)
	item := found.Items[0]
	if resp := b.call("PUT", "/api/materials/tide-stone-6", map[string]any{"base": item.Revision, "onHand": 75, "material": item.Material}, nil); resp.StatusCode != http.StatusOK {
		t.Fatal(resp.Status)
	}
	var a desk.Analysis
	b.call("POST", "/api/analyse", doc, &a)
	if says := strings.Join(shortOf(&a), " "); strings.Contains(says, "Tide stone") {
		t.Errorf("counted again: %s", says)
	}
	var fixes server.Fixes
	if b.call("POST", "/api/fixes", doc, &fixes); len(fixes.Fixes) != len(a.Checks) {
		t.Errorf("%d fixes of %d checks", len(fixes.Fixes), len(a.Checks))
	}
}
