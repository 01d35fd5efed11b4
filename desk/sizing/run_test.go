package sizing_test

import (
	"context"
	"encoding/json"
	"math"
	"reflect"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/sizing"
	"mala/desk/testdesk"
	"mala/format"
)

// Every way of a size, laid out and analysed by itself, has the length, ease, cord and counts that
// the run tells, and lies within what was asked.
func TestASizeIsWhatThePieceBecomes(t *testing.T) {
	in := sizing.SizesWanted{Document: *testdesk.Read(t, testdesk.DemoFile(t, "pieces/ferry-bell.json")), Sizes: []sizing.SizeWanted{
		{Name: "small", MeasureMm: 150}, {Name: "asked", FinishedMm: 187}, {Name: "large", MeasureMm: 180}}}
	in.Document.House.KnotPlace = "shown"
	run, err := sizing.RunSizes(t.Context(), &in, desk.Options{Unit: length.InMillimetres})
	if err != nil || len(run.Sizes) != 3 {
		t.Fatalf("%v, %+v", err, run)
	}
	if asItIs := run.Sizes[1].Items[0]; len(asItIs.Changes) > 0 || asItIs.Line != "11(2T S F)" {
		t.Errorf("the pattern suits 187 mm as it is: %+v", asItIs)
	}
	for _, size := range run.Sizes {
		if len(size.Items) == 0 || len(size.Items) > 3 {
			t.Fatalf("%s: %+v", size.Name, size)
		}
		for _, way := range size.Items {
			ops := []desk.Operation{{Do: "set-line", Text: way.Line}}
			if size.MeasureMm > 0 {
				ops = append(ops, desk.Operation{Do: "set-body", Body: &format.Body{Part: "wrist", MeasureMm: size.MeasureMm}})
			}
			edited, err := desk.Apply(&in.Document, ops, desk.Options{})
			if err != nil {
				t.Fatal(err)
			}
			a := testdesk.Analysed(t, &edited.Document, desk.Options{})
			near := func(a, b length.MM) bool { return math.Abs(float64(a-b)) < 1e-6 }
			if !near(a.FinishedMm, way.FinishedMm) || !near(*a.InsideMm, *way.InsideMm) || !near(a.Strands[0].CutMm, way.CutMm) {
				t.Errorf("%s, %s: %v, %v, %v, told %+v", size.Name, way.Line, a.FinishedMm, *a.InsideMm, a.Strands[0].CutMm, way)
			}
			if size.MeasureMm > 0 && (!near(a.Fit.EaseMm, *way.EaseMm) || a.Fit.EaseMm < -6 || a.Fit.EaseMm > 6) {
				t.Errorf("%s: ease %v, told %v", size.Name, a.Fit.EaseMm, *way.EaseMm)
			}
			if size.FinishedMm > 0 && math.Abs(float64(way.FinishedMm-size.FinishedMm)) > 4 {
				t.Errorf("%v is not within 4 mm of %v", way.FinishedMm, size.FinishedMm)
			}
			beads := 0
			for _, c := range a.Tally {
				for _, told := range way.Counts {
					if told.Material == c.Material {
						beads += c.Count
						if told.Count != c.Count {
							t.Errorf("%s: %d of %s, told %d", size.Name, c.Count, c.Material, told.Count)
						}
					}
				}
			}
			if beads != way.Beads || len(way.Counts) != 3 {
				t.Errorf("%s: %d beads, told %d in %+v", size.Name, beads, way.Beads, way.Counts)
			}
		}
	}
}

// Sizes change the bead line alone: the clasp that would help another piece stays.
func TestASizeChangesTheBeadLineAlone(t *testing.T) {
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	in := sizing.SizesWanted{Document: *testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json")), Sizes: []sizing.SizeWanted{{Name: "longer", FinishedMm: 462}}}
	run, err := sizing.RunSizes(t.Context(), &in, desk.Options{Shelf: shelf, Unit: length.InMillimetres})
	if err != nil || len(run.Sizes[0].Items) == 0 {
		t.Fatalf("%v, %+v", err, run)
	}
	for _, way := range run.Sizes[0].Items {
		for _, op := range way.Operations {
			if op.Do != "set-line" && op.Do != "count" && op.Do != "insert" && op.Do != "delete" {
				t.Errorf("%v does %s", way.Changes, op.Do)
			}
		}
	}
}

func TestWhatHasNoSizeIsSaid(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/ferry-bell.json"))
	run := func(doc *format.Document, inStock bool, sizes ...sizing.SizeWanted) (*sizing.SizeRun, error) {
		return sizing.RunSizes(t.Context(), &sizing.SizesWanted{Document: *doc, Sizes: sizes, InStock: inStock}, desk.Options{Unit: length.InMillimetres})
	}
	wrong := func(says string, got error) {
		t.Helper()
		if got == nil || !strings.Contains(got.Error(), says) {
			t.Errorf("%v, want %q", got, says)
		}
	}
	_, err := run(doc, false, sizing.SizeWanted{Name: "nothing"})
	wrong("sizes[0]", err)
	_, err = run(doc, false, sizing.SizeWanted{Name: "both", MeasureMm: 160, FinishedMm: 160})
	wrong("or of a finished length", err)
	_, err = run(doc, false, make([]sizing.SizeWanted, 13)...)
	wrong("at most 12 sizes", err)
	_, err = run(doc, false, sizing.SizeWanted{Name: "far", FinishedMm: 1e308})
	wrong("out of range", err)
	_, err = run(doc, false, sizing.SizeWanted{Name: "one", MeasureMm: 160}, sizing.SizeWanted{Name: "one", MeasureMm: 170})
	wrong("Two sizes are called one", err)
	pinned := *doc
	pinned.Pinned = []format.Pin{{Strand: "r1"}}
	if got, err := run(&pinned, false, sizing.SizeWanted{Name: "large", MeasureMm: 190}); err != nil || len(got.Sizes[0].Items) > 0 || !strings.Contains(got.Sizes[0].Why, "pinned") {
		t.Errorf("%v, %+v", err, got)
	}
	if got, err := run(doc, true, sizing.SizeWanted{Name: "large", MeasureMm: 190}); err != nil || len(got.Sizes[0].Items) > 0 || !strings.Contains(got.Sizes[0].Why, "stock") {
		t.Errorf("%v, %+v", err, got)
	}
	ended, cancel := context.WithCancel(t.Context())
	cancel()
	got, err := sizing.RunSizes(ended, &sizing.SizesWanted{Document: *doc, Sizes: []sizing.SizeWanted{{Name: "large", MeasureMm: 190}}}, desk.Options{})
	if err != nil || !strings.Contains(got.Sizes[0].Why, "no time") {
		t.Errorf("%v, %+v", err, got)
	}
}

// A size takes no more of a bead than there is, the ones that the pattern has already among them: also
// where it fills up, and as it is.
func TestASizeIsMadeOfWhatIsInStock(t *testing.T) {
	for _, name := range []string{"ferry-bell", "tide-table"} {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+name+".json"))
		own := testdesk.Analysed(t, doc, desk.Options{})
		stock := map[string]int{}
		for _, c := range own.Tally {
			stock[c.Material] = c.Count
		}
		wanted := []sizing.SizeWanted{{Name: "as it is", FinishedMm: own.FinishedMm}, {Name: "shorter", FinishedMm: own.FinishedMm - 20}}
		for scarce := range 2 {
			run, err := sizing.RunSizes(t.Context(), &sizing.SizesWanted{Document: *doc, Sizes: wanted, InStock: true}, desk.Options{Stock: stock})
			if err != nil {
				t.Fatal(err)
			}
			for _, found := range run.Sizes {
				if scarce == 0 && len(found.Items) == 0 {
					t.Errorf("%s, %s: %s", name, found.Name, found.Why)
				}
				for _, way := range found.Items {
					for _, c := range way.Counts {
						if c.Count > stock[c.Material] {
							t.Errorf("%s, %s: %d of %s, of which there are %d", name, found.Name, c.Count, c.Material, stock[c.Material])
						}
					}
				}
				if scarce == 1 && len(found.Items) > 0 {
					t.Errorf("%s, %s is offered with 4 beads in stock: %s", name, found.Name, found.Items[0].Line)
				}
			}
			for id := range stock {
				stock[id] = min(stock[id], 4)
			}
		}
	}
}

// Sizes are kept in the file, and a wrong line of one is pointed at.
func TestSizesAreKept(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/ferry-bell.json"))
	kept := []format.Size{{Name: "small", MeasureMm: 150, Line: "10(2T S F)"}, {Name: "long", FinishedMm: 200, Line: "12(2T S F)"}}
	edited, err := desk.Apply(doc, []desk.Operation{{Do: "set-sizes", Sizes: kept}}, desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	file, err := json.Marshal(edited.Document)
	if err != nil {
		t.Fatal(err)
	}
	if again := testdesk.Read(t, string(file)); len(again.Sizes) != 2 || !reflect.DeepEqual(again.Sizes, kept) {
		t.Errorf("%+v", again.Sizes)
	}
	kept[1].Line = "12(2T S"
	_, err = desk.Apply(doc, []desk.Operation{{Do: "set-sizes", Sizes: kept}}, desk.Options{})
	if err == nil || !strings.Contains(err.Error(), "sizes[1].line") {
		t.Errorf("%v", err)
	}
	edited.Document.Sizes[0].Line = "3Zz"
	if _, err := desk.Analyse(t.Context(), &edited.Document, desk.Options{}); err == nil || !strings.Contains(err.Error(), "sizes[0].line") {
		t.Errorf("%v", err)
	}
}
