package sizing_test

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/sizing"
	"mala/desk/testdesk"
	"mala/format"
)

// The demo's graduated strand is the smoothest there is, and what a way says is what it becomes.
func TestAGraduatedStrandIsWhatItSays(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/lamplighter.json"))
	in := sizing.Graduation{Document: *doc, Ladder: []string{"A", "B", "C", "D", "E"}, Centre: "L", InStock: true}
	stock := map[string]int{"lamp-pearl-3": 300, "lamp-pearl-4": 240, "lamp-pearl-5": 150, "lamp-pearl-6": 180, "lamp-pearl-7": 84, doc.Palette["L"]: 1}
	ways, err := sizing.Graduate(t.Context(), &in, desk.Options{Unit: length.InMillimetres, Stock: stock})
	if err != nil || len(ways.Items) != 3 || ways.Items[0].Line != doc.Sections[0].Rows[0].Line || ways.WantMm != 450 {
		t.Fatalf("%v, %+v", err, ways)
	}
	for _, way := range ways.Items {
		after := testdesk.Analysed(t, testdesk.Apply(t, doc, way.Operations...), desk.Options{})
		if math.Abs(float64(after.FinishedMm-way.FinishedMm)) > 1e-6 || math.Abs(float64(way.OffMm-(way.FinishedMm-450))) > 1e-3 || !after.Target.Within {
			t.Errorf("%s: %v, told %v", way.Line, after.FinishedMm, way.FinishedMm)
		}
	}
	if price := ways.Items[1].Price; len(price) == 0 || price[0].Key != "A" {
		t.Errorf("%+v", price)
	}
	stock["lamp-pearl-7"] = 8
	if ways, err = sizing.Graduate(t.Context(), &in, desk.Options{Stock: stock}); err != nil || !strings.Contains(ways.Items[0].Line, " 4E |") {
		t.Errorf("%v, %+v", err, ways.Items)
	}
	in.Document.Target = &format.Target{FinishedMm: 450, ToleranceMm: 0}
	if ways, err = sizing.Graduate(t.Context(), &in, desk.Options{Stock: stock}); err != nil || ways.Nearest == nil || len(ways.Items) > 0 || !strings.Contains(ways.Why, "comes near") || math.Abs(float64(ways.Nearest.OffMm)) > 3 {
		t.Errorf("%v, %+v", err, ways)
	}
	stock[doc.Palette["L"]] = 0
	if ways, err = sizing.Graduate(t.Context(), &in, desk.Options{Stock: stock}); err != nil || len(ways.Items) > 0 || !strings.Contains(ways.Why, "for the centre: 0") {
		t.Errorf("%v, %+v", err, ways)
	}
	in.Row = "r9"
	if _, err := sizing.Graduate(t.Context(), &in, desk.Options{}); err == nil || !strings.Contains(err.Error(), "no row r9") {
		t.Error(err)
	}
}

// Rows are graduated together, each named by its number.
func TestRowsAreGraduatedAtOnce(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/tidewrack.json"))
	ways, err := sizing.Graduate(t.Context(), &sizing.Graduation{Document: *doc, All: true, Ladder: []string{"L", "B", "P", "T"}, Centre: "L"}, desk.Options{Unit: length.InMillimetres})
	if err != nil || len(ways.Items) != 1 || len(ways.Items[0].Changes) != 4 {
		t.Fatalf("%v, %+v", err, ways)
	}
	after := testdesk.Analysed(t, testdesk.Apply(t, doc, ways.Items[0].Operations...), desk.Options{})
	for i, s := range after.Strands {
		if !s.Target.Within || ways.Items[0].Changes[i] != fmt.Sprintf("row %d: %s", i+1, s.Line) {
			t.Errorf("row %d, %s: %+v, %s", i+1, s.Line, s.Target, ways.Items[0].Changes[i])
		}
	}
}
