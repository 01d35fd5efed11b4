package sizing_test

import (
	"encoding/json"
	"math"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/sizing"
	"mala/desk/testdesk"
	"mala/format"
)

// What a proposal says of the piece is what it becomes when its operations are carried out, and
// what comes and goes is the difference of both parts lists.
func TestAProposalIsWhatThePieceBecomes(t *testing.T) {
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json"))
	before := testdesk.Analysed(t, doc, desk.Options{})
	for _, in := range []sizing.Aim{{ToMm: 420}, {ToMm: 470, InStock: true}, {Wearer: true}} {
		in.Document = *doc
		if in.Wearer {
			in.Document.Body = &format.Body{Part: "neck", MeasureMm: 400, Fit: "choker"}
		}
		ways, err := sizing.Solve(t.Context(), &in, desk.Options{Shelf: shelf, Unit: length.InMillimetres, Stock: map[string]int{"sea-pearl-4": 96, "brass-spacer-3": 8}})
		if err != nil || len(ways.Items) == 0 {
			t.Fatalf("%+v: %v, %+v", in.ToMm, err, ways)
		}
		for _, way := range ways.Items {
			edited, err := desk.Apply(&in.Document, way.Operations, desk.Options{Shelf: shelf})
			if err != nil {
				t.Fatal(err)
			}
			after := testdesk.Analysed(t, &edited.Document, desk.Options{})
			if math.Abs(float64(after.FinishedMm-way.FinishedMm)) > 1e-6 || math.Abs(float64(*after.InsideMm-*way.InsideMm)) > 1e-6 || !slices.ContainsFunc(after.Strands, func(s desk.Strand) bool { return s.Line == way.Line }) {
				t.Errorf("%v: %v long and %v inside, proposed as %v and %v", way.Changes, after.FinishedMm, after.InsideMm, way.FinishedMm, way.InsideMm)
			}
			if after.Target != nil && !after.Target.Within {
				t.Errorf("%v leaves the target %v off", way.Changes, after.Target.OffMm)
			}
			if way.EaseMm != nil && (math.Abs(float64(after.Fit.EaseMm-*way.EaseMm)) > 1e-6 || after.Fit.Word != way.EaseWord) {
				t.Errorf("%v: %+v", way.Changes, after.Fit)
			}
			price := map[string]int{}
			for _, p := range way.Price {
				price[p.Material] = p.Count
			}
			for _, c := range after.Tally {
				was := 0
				for _, b := range before.Tally {
					if b.Material == c.Material {
						was = b.Count
					}
				}
				if c.CutMm == nil && c.Count-was != price[c.Material] {
					t.Errorf("%v: %s %+d, told %+d", way.Changes, c.Material, c.Count-was, price[c.Material])
				}
				if in.InStock && c.Material == "sea-pearl-4" && c.Count > 96 {
					t.Errorf("%d pearls of 96", c.Count)
				}
			}
		}
	}
}

func TestWhatCannotBeSolvedIsSaid(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json"))
	zero := length.MM(0)
	for says, change := range map[string]func(in *sizing.Aim){
		"There is no target to come to":   func(in *sizing.Aim) { in.Document.Target = nil },
		"leaves nothing for beads":        func(in *sizing.Aim) { in.ToMm = 10 },
		"The wearer's measure is not set": func(in *sizing.Aim) { in.Document.Body, in.Wearer = nil, true },
		"a tolerance of ± ":               func(in *sizing.Aim) { in.ToMm, in.ToleranceMm = 451.3, &zero },
		"With more in stock":              func(in *sizing.Aim) { in.ToMm, in.InStock = 700, true },
		"Ornaments are not worn": func(in *sizing.Aim) {
			in.Document, in.Wearer = *testdesk.Read(t, testdesk.DemoFile(t, "pieces/boathouse.json")), true
		},
		"The whole row is pinned": func(in *sizing.Aim) { in.ToMm, in.Document.Pinned = 430, []format.Pin{{Strand: "r1"}} },
	} {
		in := sizing.Aim{Document: *doc}
		change(&in)
		ways, err := sizing.Solve(t.Context(), &in, desk.Options{Unit: length.InMillimetres})
		if err != nil || len(ways.Items) > 0 || !strings.Contains(ways.Why, says) {
			t.Errorf("%v, %+v, want %q", err, ways, says)
		}
	}
	for _, mm := range []length.MM{-1, length.Longest + 1, length.MM(math.Inf(1))} {
		if _, err := sizing.Solve(t.Context(), &sizing.Aim{Document: *doc, ToMm: mm}, desk.Options{}); err == nil || !strings.Contains(err.Error(), "up to 100 m") {
			t.Errorf("%v mm: %v", mm, err)
		}
	}
	if _, err := sizing.Solve(t.Context(), &sizing.Aim{Document: *doc, Row: "nobody", ToMm: 430}, desk.Options{}); err == nil {
		t.Error("no such row")
	}
}

// Pins are kept in the file, marked in the line's tree, and let go by the same operation.
func TestPinsAreKeptAndShown(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json"))
	apply := func(op desk.Operation) *format.Document {
		t.Helper()
		edited, err := desk.Apply(doc, []desk.Operation{op}, desk.Options{})
		if err != nil {
			t.Fatal(err)
		}
		return &edited.Document
	}
	at := &format.Place{Strand: "r1"}
	pinned := func(a *desk.Analysis) (keys []string) {
		var walk func(nodes []desk.Node)
		walk = func(nodes []desk.Node) {
			for _, n := range nodes {
				if n.Pinned {
					keys = append(keys, n.Key)
				}
				walk(n.Items)
				walk(n.Centre)
			}
		}
		walk(a.Drawing.Lines[0].Nodes)
		return keys
	}
	doc = apply(desk.Operation{Do: "set-pinned", At: at, Field: "run", Node: 2})
	kept, err := json.Marshal(doc)
	if err != nil {
		t.Fatal(err)
	}
	a := testdesk.Analysed(t, testdesk.Read(t, string(kept)), desk.Options{Drawing: true})
	if got := pinned(a); len(doc.Pinned) != 1 || !slices.Equal(got, []string{"P"}) {
		t.Fatalf("%+v, %v", doc.Pinned, got)
	}
	doc = apply(desk.Operation{Do: "set-pinned", Text: "S"})
	if doc = apply(desk.Operation{Do: "set-pinned", At: at, Field: "run", Node: 2}); len(doc.Pinned) != 1 || doc.Pinned[0].Letter != "S" {
		t.Errorf("%+v", doc.Pinned)
	}
	for _, op := range []desk.Operation{{Do: "set-pinned", Text: "Zz"}, {Do: "set-pinned", At: at, Field: "run", Node: 99}} {
		if _, err := desk.Apply(doc, []desk.Operation{op}, desk.Options{}); err == nil {
			t.Errorf("%+v was taken", op)
		}
	}
}

// A wearer can be suited by another link of the extender, at which nothing is strung again.
func TestAnExtenderSuitsByAnotherLink(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/tide-table.json"))
	a := testdesk.Analysed(t, doc, desk.Options{})
	at := a.Positions[4]
	doc.Body.MeasureMm = at.InsideMm - 15.5 // the middle of 6 to 25
	ways, err := sizing.Solve(t.Context(), &sizing.Aim{Document: *doc, Wearer: true}, desk.Options{Unit: length.InMillimetres})
	if err != nil || len(ways.Items) != 2 || !strings.HasPrefix(ways.Items[0].Changes[0], "fill up to a target of ") {
		t.Fatalf("%v, %+v", err, ways)
	}
	filled, err := desk.Apply(doc, ways.Items[0].Operations, desk.Options{})
	if is := testdesk.Analysed(t, &filled.Document, desk.Options{}); err != nil || is.FinishedMm != ways.Items[0].FinishedMm || math.Abs(float64(*is.InsideMm-*ways.Items[0].InsideMm)) > 1e-6 {
		t.Errorf("filled up it measures %v, told %v", is.FinishedMm, ways.Items[0].FinishedMm)
	}
	way := ways.Items[1]
	if way.Changes[0] != "close it at link 5 of the extender" || len(way.Operations) > 0 || len(way.Price) > 0 || math.Abs(float64(way.FinishedMm-at.FinishedMm)) > 1e-6 || math.Abs(float64(*way.InsideMm-at.InsideMm)) > 1e-6 || math.Abs(float64(*way.EaseMm-15.5)) > 1e-4 || way.EaseWord != "close" {
		t.Errorf("%+v, want %+v", way, at)
	}
	doc.Sections[0].Rows[0].Line = a.Strands[0].Line
	doc.Sections[0].Rows[0].Line = strings.NewReplacer("{", "9(", "}", ")").Replace(doc.Sections[0].Rows[0].Line)
	if ways, err = sizing.Solve(t.Context(), &sizing.Aim{Document: *doc, ToMm: at.FinishedMm}, desk.Options{}); err != nil || strings.Contains(ways.Items[0].Changes[0], "link") {
		t.Errorf("a target is that of the shortest place: %v, %+v", err, ways.Items[0].Changes)
	}
}
