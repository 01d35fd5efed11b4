package sizing_test

import (
	"context"
	"maps"
	"math"
	"os"
	"slices"
	"strings"
	"testing"
	"time"

	"mala/core/length"
	"mala/desk"
	"mala/desk/sizing"
	"mala/desk/testdesk"
	"mala/format"
)

// What a pattern becomes of the beads in hand, laid out by itself, takes no more than there is,
// and suits whom it says.
func TestWhatIsInHandMakesWhatItSays(t *testing.T) {
	in := sizing.InHand{Document: *testdesk.Read(t, testdesk.DemoFile(t, "pieces/ferry-bell.json")), Beads: map[string]int{"F": 9}, CordMm: 520}
	out, err := sizing.MakeOf(t.Context(), &in, desk.Options{Unit: length.InMillimetres})
	if err != nil || len(out.Longest) != 1 || len(out.Sizes) != 8 || out.Why != "" {
		t.Fatalf("%v, %+v", err, out)
	}
	way := out.Longest[0]
	after := testdesk.Analysed(t, testdesk.Apply(t, &in.Document, desk.Operation{Do: "set-line", Text: way.Line}), desk.Options{})
	if way.Line != "9(2T S F)" || way.Limit != "foam-rondelle" || len(way.Spare) > 0 || !slices.Equal(way.Covers, after.Suits) || len(way.Covers) == 0 {
		t.Errorf("%+v, suits %v", way, after.Suits)
	}
	if cut := after.Strands[0].CutMm; math.Abs(float64(way.CordMm-(520-cut))) > 1e-6 || math.Abs(float64(way.FinishedMm-after.FinishedMm)) > 1e-6 {
		t.Errorf("%v of cord left of 520, cut %v", way.CordMm, cut)
	}
	short := 0
	for _, size := range out.Sizes {
		for _, way := range size.Items {
			for _, c := range way.Counts {
				if c.Material == "foam-rondelle" && c.Count > 9 {
					t.Errorf("%s takes %d rondelles", size.Name, c.Count)
				}
			}
		}
		if len(size.Items) == 0 && size.Why == "There is not enough in hand." {
			short++
		}
	}
	if short == 0 {
		t.Error("9 rondelles make every size")
	}
	in.Beads = map[string]int{"F": 0}
	if out, err := sizing.MakeOf(t.Context(), &in, desk.Options{}); err != nil || !strings.Contains(out.Why, "not even with one") {
		t.Errorf("%v, %+v", err, out)
	}
	in.Beads, in.CordMm = nil, 0
	if out, err := sizing.MakeOf(t.Context(), &in, desk.Options{}); err != nil || !strings.Contains(out.Why, "Enter how many") {
		t.Errorf("%v, %+v", err, out)
	}
	for _, beads := range []map[string]int{{"Q": 4}, {"F": -1}} {
		in.Beads = beads
		if _, err := sizing.MakeOf(t.Context(), &in, desk.Options{}); err == nil || !strings.Contains(err.Error(), "Give a count") {
			t.Errorf("%v: %v", beads, err)
		}
	}
	rows := sizing.InHand{Document: *testdesk.Read(t, testdesk.DemoFile(t, "pieces/three-moorings.json")), CordMm: 400}
	if out, err := sizing.MakeOf(t.Context(), &rows, desk.Options{}); err != nil || !strings.Contains(out.Why, "one row") {
		t.Errorf("%v, %+v", err, out)
	}
}

// A fill is counted, so that it can become as much as is in hand; a necklace has the lengths that
// the trade names.
func TestAFillBecomesWhatIsInHand(t *testing.T) {
	doc := *testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json"))
	doc.Sections[0].Rows[0].Line, doc.Palette = "{P}", map[string]string{"P": "sea-pearl-4"}
	out, err := sizing.MakeOf(t.Context(), &sizing.InHand{Document: doc, Beads: map[string]int{"P": 90}}, desk.Options{Unit: length.InMillimetres})
	if err != nil || len(out.Longest) != 1 || out.Longest[0].Line != "90P" {
		t.Fatalf("%v, %+v", err, out)
	}
	for _, size := range out.Sizes {
		made, want := len(size.Items) > 0, size.Name == "collar"
		if made != want {
			t.Errorf("%s of 90 pearls: %+v", size.Name, size)
		}
		if want && (size.Items[0].FinishedMm < size.FinishedMm-30 || size.Items[0].FinishedMm > size.FinishedMm+30) {
			t.Errorf("%s of %v: %v", size.Name, size.FinishedMm, size.Items[0].FinishedMm)
		}
	}
}

// What follows from a piece that is made: as long, as roomy, and the wearer it sat on.
func TestWhatFollowsFromAPieceThatIsMade(t *testing.T) {
	made, doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/ferry-bell.json")), *testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json"))
	was := testdesk.Analysed(t, made, desk.Options{})
	out, err := sizing.After(&sizing.FromMade{Document: *made, MeasuredMm: 181, LongerMm: 9, Sat: "too tight"}, made, desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	inside := *was.InsideMm + 181 - was.FinishedMm
	near := func(a, b length.MM) bool { return math.Abs(float64(a-b)) < 1e-4 }
	if out.AsLongMm != 190 || !near(*out.InsideMm, inside) || !near(out.PlannedMm, was.FinishedMm) || *out.SitsMm != 190 {
		t.Errorf("%+v", out)
	}
	if w := out.Wearer; w == nil || w.Part != "wrist" || w.EaseMm != -6 || !near(w.MeasureMm, inside+6) || *w.SuitedMm != 187 {
		t.Errorf("%+v of %v inside", out.Wearer, inside)
	}
	for says, in := range map[string]sizing.FromMade{
		"another word": {Document: *made, Sat: "fine"},
	} {
		if out, err := sizing.After(&in, made, desk.Options{}); err != nil || out.Wearer != nil || !strings.Contains(out.Why, says) {
			t.Errorf("%v, %+v", err, out)
		}
	}
	if _, err := sizing.After(&sizing.FromMade{Document: doc, LongerMm: -500}, made, desk.Options{}); err == nil {
		t.Error("500 shorter than 187 leaves nothing")
	}
	hung := testdesk.Read(t, testdesk.DemoFile(t, "pieces/boathouse.json"))
	if out, err := sizing.After(&sizing.FromMade{Document: doc}, hung, desk.Options{}); err != nil || out.InsideMm != nil || !strings.Contains(out.Why, "no inside length") {
		t.Errorf("%v, %+v", err, out)
	}
	broken := *made
	broken.Sections = []format.Section{{Rows: []format.Row{made.Sections[0].Rows[0]}}}
	broken.Sections[0].Rows[0].Line = "3("
	if _, err := sizing.After(&sizing.FromMade{Document: doc}, &broken, desk.Options{}); err == nil || !strings.Contains(err.Error(), "Ferry Bell has an error") {
		t.Errorf("%v", err)
	}
	tried, err := sizing.Tried(&sizing.FromMade{Document: *made, InsideMm: 170, Sat: "comfortable"}, desk.Options{})
	if err != nil || tried.Wearer.MeasureMm != 170 || *tried.Wearer.SuitedMm != 186 {
		t.Errorf("%v, %+v", err, tried.Wearer)
	}
	if _, err := sizing.Tried(&sizing.FromMade{Document: *made}, desk.Options{}); err == nil {
		t.Error("nothing was tried on")
	}
}

// Every demo piece, however it is strung, is brought to a length with what is in stock, made of
// what is in hand and graduated; what each takes is no more than there is.
func TestEveryPieceIsMadeOfWhatThereIs(t *testing.T) {
	files, err := os.ReadDir("../../demo/pieces")
	if err != nil {
		t.Fatal(err)
	}
	ways := 0
	for _, file := range files {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+file.Name()))
		before := testdesk.Analysed(t, doc, desk.Options{})
		opt := desk.Options{Unit: length.InMillimetres, Stock: map[string]int{}}
		had, hand := map[string]int{}, map[string]int{}
		for _, c := range before.Tally {
			had[c.Material], opt.Stock[c.Material] = c.Count, c.Count+6
		}
		var ladder []string
		for key, id := range doc.Palette {
			hand[key] = had[id] + 6
			ladder = append(ladder, key)
		}
		palette := slices.Collect(maps.Values(doc.Palette))
		takes := func(way sizing.Way) {
			ways++
			for _, c := range way.Price {
				if slices.Contains(palette, c.Material) && c.Count > 6 {
					t.Errorf("%s, %v: %d more of %s", doc.Name, way.Changes, c.Count, c.Material)
				}
			}
		}
		solved, err := sizing.Solve(t.Context(), &sizing.Aim{Document: *doc, ToMm: before.FinishedMm + 12, InStock: true}, opt)
		if err != nil {
			t.Fatalf("%s: %v", doc.Name, err)
		}
		for _, way := range solved.Items {
			takes(way)
		}
		ctx, cancel := context.WithTimeout(t.Context(), 300*time.Millisecond) // as long as a page waits: what was found by then
		made, err := sizing.MakeOf(ctx, &sizing.InHand{Document: *doc, Beads: hand}, opt)
		cancel()
		if err != nil {
			t.Fatalf("%s: %v", doc.Name, err)
		}
		for _, way := range made.Longest {
			takes(way.Way)
		}
		slices.Sort(ladder)
		graded, err := sizing.Graduate(t.Context(), &sizing.Graduation{Document: *doc, Ladder: ladder[:min(12, len(ladder))], InStock: true}, opt)
		if err != nil {
			t.Fatalf("%s: %v", doc.Name, err)
		}
		for _, way := range graded.Items {
			takes(way)
		}
	}
	if ways < 100 {
		t.Errorf("only %d ways", ways)
	}
}
