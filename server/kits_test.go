package server_test

import (
	"fmt"
	"net/http"
	"slices"
	"strings"
	"testing"

	"mala/desk"
	"mala/desk/kits"
	"mala/format"
	"mala/server"
	"mala/store"
)

// kitNamed is a kit of the demo shop.
func (b *bench) kitNamed(name string) server.KitState {
	b.t.Helper()
	var list server.KitList
	b.call("GET", "/api/kits?search="+strings.ReplaceAll(name, " ", "+"), nil, &list)
	if len(list.Kits) != 1 {
		b.t.Fatalf("%d kits %q", len(list.Kits), name)
	}
	var k server.KitState
	b.call("GET", "/api/kits/"+list.Kits[0].ID, nil, &k)
	return k
}

func TestAKitTakesPiecesAsTheyAreAndSaysHowTheyGoOn(t *testing.T) {
	b := start(t)
	k := b.kitNamed("Last Ferry")
	if k.Revision != 1 || k.Kit.Pieces[0].Version != 1 || len(k.Origins) != 1 || k.Origins[0].Gone || k.Origins[0].Differs != nil || len(k.Materials) < 20 {
		t.Fatalf("%+v", k.Origins)
	}
	piece := k.Kit.Pieces[0].Piece
	var p server.PieceState
	b.call("GET", "/api/pieces/"+piece, nil, &p)
	p.Document.Sections[0].Rows[0].Line = "<40P S T S 5P S T S 3P | L>"
	if res := b.call("PUT", "/api/pieces/"+piece, map[string]any{"base": p.Revision, "document": p.Document}, nil); res.StatusCode != http.StatusOK {
		t.Fatal(res.Status)
	}
	b.call("GET", "/api/kits/"+k.ID, nil, &k)
	if len(k.Origins[0].Differs) != 2 || !strings.Contains(k.Origins[0].Differs[0], "2 runs changed") || !strings.Contains(k.Origins[0].Differs[1], " mm long, not ") {
		t.Errorf("%+v", k.Origins)
	}
	if b.call("GET", "/api/kits/"+k.ID+"?unit=in", nil, &k); !strings.Contains(k.Origins[0].Differs[1], " in long, not ") {
		t.Errorf("in inches %+v", k.Origins)
	}
	var fresh format.KitPiece
	b.call("POST", "/api/kit-pieces/"+piece, nil, &fresh)
	if fresh.Version != 2 || fresh.Document.Sections[0].Rows[0].Line != p.Document.Sections[0].Rows[0].Line || fresh.Document.House.Crimp == "" {
		t.Errorf("%d %s", fresh.Version, fresh.Document.Sections[0].Rows[0].Line)
	}
	k.Kit.Pieces[0] = fresh
	var saved server.KitState
	if res := b.call("PUT", "/api/kits/"+k.ID, map[string]any{"base": 1, "kit": k.Kit}, &saved); res.StatusCode != http.StatusOK || saved.Revision != 2 || saved.Origins[0].Differs != nil {
		t.Errorf("%s %+v", res.Status, saved.Origins)
	}
	var problem server.Problem
	k.Kit.Name = "Another"
	if res := b.call("PUT", "/api/kits/"+k.ID, map[string]any{"base": 1, "kit": k.Kit}, &problem); res.StatusCode != http.StatusConflict || problem.KeptAs != 3 {
		t.Errorf("%s %+v", res.Status, problem)
	}
	var kept format.Kit
	if b.call("GET", "/api/kits/"+k.ID+"/versions/3", nil, &kept); kept.Name != "Another" {
		t.Error(kept.Name)
	}
	b.call("DELETE", "/api/pieces/"+piece, nil, nil)
	if b.call("GET", "/api/kits/"+k.ID, nil, &k); !k.Origins[0].Gone {
		t.Errorf("%+v", k.Origins)
	}
	// The piece is gone; the kit is packed all the same.
	var m kits.KitMatrix
	if res := b.call("POST", "/api/kit-matrix?unit=mm", map[string]any{"kit": k.Kit, "copies": 10}, &m); res.StatusCode != http.StatusOK || len(m.Cells) != 12 {
		t.Errorf("%s, %d cells", res.Status, len(m.Cells))
	}
	b.call("DELETE", "/api/kits/"+k.ID, nil, nil)
	var gone server.Deleted
	if b.call("GET", "/api/deleted", nil, &gone); len(gone.Kits) != 1 || gone.Kits[0].Kind != "kit" {
		t.Errorf("%+v", gone.Kits)
	}
	if res := b.call("POST", "/api/kits/"+k.ID+"/undelete", nil, nil); res.StatusCode != http.StatusOK {
		t.Error(res.Status)
	}
}

func TestKitsAndSellingAreHeldToWhatCanBe(t *testing.T) {
	b := start(t)
	k := b.kitNamed("Last Ferry")
	for name, tt := range map[string]struct {
		method, path string
		body         any
		status       int
		says         string
	}{
		"no kit at all":    {"POST", "/api/kits", `{"format":"mala-piece/2","name":"x","pieces":[]}`, 422, "not a kit file"},
		"an unknown field": {"POST", "/api/kits", `{"format":"mala-kit/1","name":"x","pieces":[],"colour":1}`, 422, "no such field"},
		"broken off":       {"POST", "/api/kits", `{"format":"mala-kit/1",`, 422, "not valid JSON"},
		"none at a time":   {"POST", "/api/kit-bill?unit=mm", map[string]any{"kit": k.Kit, "cell": kits.CellOf{}, "copies": 0}, 422, "1 to 10000 kits"},
		"no such cell":     {"POST", "/api/kit-bill?unit=mm", map[string]any{"kit": k.Kit, "cell": kits.CellOf{Size: 9}, "copies": 1}, 422, "not sold in that size"},
		"a version gone":   {"GET", "/api/kits/" + k.ID + "/versions/99", nil, 404, "Not found"},
		"a huge version":   {"GET", "/api/kits/" + k.ID + "/versions/99999999999", nil, 404, "Not found"},
		"no such piece":    {"POST", "/api/kit-pieces/6f1c3b1e-0000-4000-8000-000000000000", nil, 404, "Not found"},
		"no such kit":      {"PUT", "/api/kits/x", map[string]any{"base": 1, "kit": k.Kit}, 404, "Not found"},
		"all stays":        {"PUT", "/api/selling", map[string]any{"base": 1, "selling": with(func(s *format.Selling) { s.Keeps = 100 })}, 422, "less than 100 %"},
		"a price in words": {"PUT", "/api/selling", map[string]any{"base": 1, "selling": with(func(s *format.Selling) { s.Step = "half" })}, 422, "no amount"},
		"a spare too many": {"PUT", "/api/selling", map[string]any{"base": 1, "selling": with(func(s *format.Selling) { s.Spares[0].Least = 1001 })}, 422, "0 to 1000"},
		"a class twice":    {"PUT", "/api/selling", map[string]any{"base": 1, "selling": with(func(s *format.Selling) { s.Spares[1].Class = "seed" })}, 422, "there twice"},
		"an extra unnamed": {"PUT", "/api/selling", map[string]any{"base": 1, "selling": with(func(s *format.Selling) { s.Extras[0].Name = "" })}, 422, "has a name"},
		"too long at work": {"PUT", "/api/selling", map[string]any{"base": 1, "selling": with(func(s *format.Selling) { s.Seconds["knot"] = 36_001 })}, 422, "36000 seconds"},
		"an older state":   {"PUT", "/api/selling", map[string]any{"base": 7, "selling": format.DefaultSelling()}, 409, "changed elsewhere"},
	} {
		var p server.Problem
		if res := b.call(tt.method, tt.path, tt.body, &p); res.StatusCode != tt.status || !strings.Contains(p.Detail, tt.says) {
			t.Errorf("%s: %s, %s", name, res.Status, p.Detail)
		}
	}
	plain := k.Kit
	plain.Pieces = slices.Clone(plain.Pieces)
	plain.Pieces[0].Document.House = format.House{Crimp: "flat"}
	var stands server.KitState
	if b.call("POST", "/api/kits", plain, &stands); stands.Kit.Pieces[0].Document.House.Crimp != "flat" || stands.Kit.Pieces[0].Document.House.TailMm == nil {
		t.Errorf("its house method is not whole: %+v", stands.Kit.Pieces[0].Document.House)
	}
	var bare server.KitState
	if res := b.call("POST", "/api/kits", `{"format":"mala-kit/1","name":"x","bags":[{"name":"a"}]}`, &bare); res.StatusCode != http.StatusOK || bare.Kit.Pieces == nil || bare.Kit.Bags[0].Of == nil {
		t.Errorf("%s: a list that is not there: %+v", res.Status, bare.Kit)
	}
	comma := with(func(s *format.Selling) { s.PerHour, s.Currency = "17,50", "crowns" })
	var saved server.SellingState
	if res := b.call("PUT", "/api/selling", map[string]any{"base": 1, "selling": comma}, &saved); res.StatusCode != http.StatusOK || saved.Selling.PerHour != "17,50" || saved.Revision != 2 {
		t.Errorf("%s %+v", res.Status, saved)
	}
}

func with(change func(s *format.Selling)) format.Selling {
	s := format.DefaultSelling()
	change(&s)
	return s
}

// Ticks of a bag lie with the kit: another device sees them, and each device adds its own.
func TestTicksOfABagAreKept(t *testing.T) {
	b := start(t)
	k := b.kitNamed("Last Ferry")
	at := "/api/kits/" + k.ID + "/packed/0-1-0"
	var list server.PackedList
	tick := func(thing string, packed bool) int {
		return b.call("PUT", at, map[string]any{"thing": thing, "packed": packed}, &list).StatusCode
	}
	for _, thing := range []string{"Beads, pearls 80", "Findings, crimps 2", "Beads, pearls 80"} {
		if got := tick(thing, true); got != http.StatusOK {
			t.Fatal(got)
		}
	}
	if b.call("GET", at, nil, &list); !slices.Equal(list.Things, []string{"Beads, pearls 80", "Findings, crimps 2"}) {
		t.Errorf("%q", list.Things)
	}
	if tick("Beads, pearls 80", false); !slices.Equal(list.Things, []string{"Findings, crimps 2"}) {
		t.Errorf("%q", list.Things)
	}
	if b.call("GET", "/api/kits/"+k.ID+"/packed/0-0-0", nil, &list); len(list.Things) != 0 {
		t.Errorf("another size: %q", list.Things)
	}
	if res := b.call("DELETE", at, nil, nil); res.StatusCode >= 300 {
		t.Error(res.Status)
	}
	if b.call("GET", at, nil, &list); len(list.Things) != 0 {
		t.Errorf("for the next: %q", list.Things)
	}
	for _, tt := range []struct {
		method, path, thing string
		want                int
	}{
		{"PUT", "/api/kits/" + k.ID + "/packed/first", "a", 422}, {"PUT", at, "", 422}, {"PUT", at, strings.Repeat("a", 401), 422},
		{"PUT", "/api/kits/11111111-2222-4333-8444-000000000000/packed/0-0-0", "a", 404}, {"GET", "/api/kits/none/packed/0-0-0", "", 404},
	} {
		var body any
		if tt.method == "PUT" {
			body = map[string]any{"thing": tt.thing, "packed": true}
		}
		if res := b.call(tt.method, tt.path, body, nil); res.StatusCode != tt.want {
			t.Errorf("%s %s %.5q: %s, want %d", tt.method, tt.path, tt.thing, res.Status, tt.want)
		}
	}
	for i := range store.MostPacked {
		if got := tick(fmt.Sprint(i), true); got != http.StatusOK {
			t.Fatal(i, got)
		}
	}
	if got := tick("one more", true); got != http.StatusUnprocessableEntity {
		t.Error("beyond the most:", got)
	}
}

// A kit says how many problems its pieces have as it holds them, the same as a card of such a piece.
func TestAKitCountsTheProblemsOfItsPieces(t *testing.T) {
	b := start(t)
	k := b.kitNamed("Last Ferry")
	if k.Origins[0].Problems != 0 || k.Origins[0].Worst != "" {
		t.Fatalf("%+v", k.Origins)
	}
	k.Kit.Pieces[0].Document.Sections[0].Rows[0].Line = "<40P S T S 5P S T S 3P | L>"
	k.Kit.Pieces[0].Document.Target = &format.Target{FinishedMm: 300, ToleranceMm: 2}
	card := desk.CardOf(&k.Kit.Pieces[0].Document, format.House{})
	var saved server.KitState
	b.call("PUT", "/api/kits/"+k.ID, map[string]any{"base": k.Revision, "kit": k.Kit}, &saved)
	if got := saved.Origins[0]; card.Problems == 0 || got.Problems != card.Problems || got.Worst != card.Worst {
		t.Errorf("%+v, a card says %d, %s", got, card.Problems, card.Worst)
	}
}
