package server_test

import (
	"bytes"
	"context"
	"encoding/json"
	"log/slog"
	"math"
	"net/http"
	"strings"
	"testing"
	"time"

	"mala/core/length"
	"mala/desk"
	"mala/format"
	"mala/server"
)

// trial tries a house method and gives every line of the answer.
func (b *bench) trial(house format.House) []server.HouseTrial {
	b.t.Helper()
	var text bytes.Buffer
	data, _ := json.Marshal(house)
	resp, err := http.Post(b.url+"/api/house/try", "application/json", bytes.NewReader(data))
	if err != nil {
		b.t.Fatal(err)
	}
	defer resp.Body.Close()
	_, _ = text.ReadFrom(resp.Body)
	var out []server.HouseTrial
	for line := range strings.Lines(text.String()) {
		var one server.HouseTrial
		if err := json.Unmarshal([]byte(line), &one); err != nil {
			b.t.Fatal(err)
		}
		out = append(out, one)
	}
	return out
}

// What lists show follows a new house method one piece after another, and says how many are behind.
func TestListsFollowTheHouseMethod(t *testing.T) {
	b := start(t)
	finished := func() float64 {
		var list server.PieceList
		b.call("GET", "/api/pieces?search=harbour+lights", nil, &list)
		return *list.Pieces[0].FinishedMm
	}
	before := finished()
	var house server.HouseState
	b.call("PUT", "/api/house", houseSave{1, format.House{Slack: "easy"}}, &house)
	if house.Behind < 20 {
		t.Errorf("%d are behind", house.Behind)
	}
	ctx, stop := context.WithCancel(t.Context())
	go server.KeepFigured(ctx, b.store, time.Millisecond, slog.New(slog.DiscardHandler))
	for deadline := time.Now().Add(30 * time.Second); house.Behind > 0 && time.Now().Before(deadline); time.Sleep(10 * time.Millisecond) {
		b.call("GET", "/api/house", nil, &house)
	}
	stop()
	if after := finished(); house.Behind != 0 || after <= before {
		t.Errorf("%d are still behind; %v became %v", house.Behind, before, after)
	}
	if b.call("PUT", "/api/house", houseSave{2, format.House{}}, &house); house.Behind < 20 {
		t.Errorf("of the next one %d are behind", house.Behind)
	}
}

type houseSave struct {
	Base  int64        `json:"base"`
	House format.House `json:"house"`
}

func TestAHouseMethodIsTriedKeptAndFollowed(t *testing.T) {
	b := start(t)
	var house server.HouseState
	b.call("GET", "/api/house", nil, &house)
	if house.Whole.Tail != "tucked" || house.House.Tail != "" || len(house.Whole.Sizes) == 0 {
		t.Fatalf("a new shop: %+v", house)
	}
	other := house.Whole
	other.Allowance = "generous"
	effects := b.trial(other)
	last := effects[len(effects)-1]
	if !last.Ended || last.Says != "" || last.Pieces < 10 || last.Done != last.Pieces || len(effects) < 10 {
		t.Fatalf("effects: %+v", last)
	}
	for _, line := range effects {
		e := line.Changed
		if e == nil {
			continue
		}
		rows := float64(map[string]int{"Tidewrack": 4, "Two Currents": 2, "Slipway": 5, "Crossed Lines": 2, "Net Loft": 3, "Strait Lamp": 2, "Parted Moorings": 2, "Peacoat Row": 2}[e.Name])
		if by := float64(e.Effect.After.CutMm - e.Effect.Before.CutMm); math.Abs(by-120*max(1, rows)) > 0.1 {
			t.Errorf("%s is cut %v longer, want 120 for each cord", e.Name, by)
		}
	}
	p := b.piece("Harbour Lights")
	var before, after desk.Analysis
	b.call("POST", "/api/analyse", p.Document, &before)
	b.call("PUT", "/api/house", houseSave{house.Revision, other}, &house)
	b.call("POST", "/api/analyse", p.Document, &after)
	if by := after.Strand("r1").CutMm - before.Strand("r1").CutMm; by < 119.9 || by > 120.1 {
		t.Errorf("kept, it is cut %v longer", by)
	}
	if house.House.Allowance != "generous" || house.House.Tail != "" {
		t.Errorf("kept %+v: only what differs from the defaults is a choice", house.House)
	}
	if resp := b.call("PUT", "/api/house", houseSave{1, other}, nil); resp.StatusCode != 409 {
		t.Errorf("a stale house: %s", resp.Status)
	}
	other.Allowance = "both"
	other.Sizes[0].Name = ""
	var problem server.Problem
	if resp := b.call("PUT", "/api/house", houseSave{2, other}, &problem); resp.StatusCode != 422 || len(problem.Faults) != 2 || problem.Faults[0].Where != "house.allowance" {
		t.Errorf("a house that cannot be: %s %+v", resp.Status, problem)
	}
}

func TestAFileCarriesTheHouseMethodItWasMadeBy(t *testing.T) {
	b := start(t)
	var house server.HouseState
	b.call("PUT", "/api/house", houseSave{1, format.House{Slack: "easy"}}, &house)
	p := b.piece("Harbour Lights")
	at := "/api/pieces/" + p.ID
	b.call("POST", at+"/versions", map[string]string{"reason": "exported"}, nil)
	b.call("PUT", "/api/house", houseSave{2, format.House{}}, &house)
	var file json.RawMessage
	b.call("GET", at+"/versions/1/file", nil, &file)
	doc, err := format.Read(file)
	if err != nil {
		t.Fatal(err)
	}
	alone, err := desk.Analyse(t.Context(), doc, desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	var shown server.VersionState
	b.call("GET", at+"/versions/1", nil, &shown)
	if alone.FinishedMm != shown.Analysis.FinishedMm || doc.House.Slack != "easy" {
		t.Errorf("the file comes to %v, the version to %v", alone.FinishedMm, shown.Analysis.FinishedMm)
	}
	// Taken in again, it follows the house here but for what differs.
	var taken server.PieceState
	b.call("POST", "/api/pieces", doc, &taken)
	if taken.Document.House.Slack != "easy" || taken.Document.House.Tail != "" {
		t.Errorf("imported with %+v", taken.Document.House)
	}
}

func TestSuggestionsAreEditsOfThePiece(t *testing.T) {
	b := start(t)
	p := b.piece("Harbour Lights")
	p.Document.Row("r1").Left = nil
	var out desk.Suggestions
	b.call("POST", "/api/suggest", p.Document, &out)
	found := false
	for _, s := range out.Items {
		if s.Role == "crimp" && s.End == "left" {
			found = s.Fix != nil && len(s.Fix.Operations) == 1 && s.Fix.Operations[0].Do == "add-fitting" && strings.Contains(s.Reason, "2 passes of 0.36 mm")
		}
	}
	if !found || out.ByHouse == nil {
		t.Errorf("suggested %+v", out)
	}
}

func TestAnEaseIsReadWithItsSign(t *testing.T) {
	b := start(t)
	var read server.ReadLength
	b.call("POST", "/api/length", server.TypedLength{Text: "-6", Unit: "mm", Signed: true}, &read)
	if read.Mm != length.MM(-6) {
		t.Errorf("read %v", read.Mm)
	}
	if resp := b.call("POST", "/api/length", server.TypedLength{Text: "-6", Unit: "mm"}, nil); resp.StatusCode != 422 {
		t.Errorf("a negative length: %s", resp.Status)
	}
}
