package sizing_test

import (
	"fmt"
	"math"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/core/pattern"
	"mala/desk"
	"mala/desk/kits"
	"mala/desk/sizing"
	"mala/desk/testdesk"
	"mala/format"
)

// A piece of several rows or sections comes to a size row by row: the leading one to the length,
// every other to the length that follows from it. Saved, it is the same piece in the matrix and
// in a kit.
func TestRowsComeToASize(t *testing.T) {
	for name, tolerance := range map[string]float64{"tidewrack": 4, "slipway": 3, "two-currents": 3, "twin-halyards": 3, "three-moorings": 5, "net-loft": 5, "strait-lamp": 5} {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+name+".json"))
		finished := testdesk.Analysed(t, doc, desk.Options{}).FinishedMm
		for _, found := range sizes(t, doc, false, sizing.SizeWanted{Name: "short", FinishedMm: finished - 20}, sizing.SizeWanted{Name: "long", FinishedMm: finished + 30}, sizing.SizeWanted{Name: "wearer", MeasureMm: doc.Body.MeasureMm + 12}) {
			if len(found.Items) != 1 {
				t.Errorf("%s, %s: %s", name, found.Name, found.Why)
				continue
			}
			way := found.Items[0]
			sized := *doc
			sized.Sizes = []format.Size{*way.Keep}
			m, err := kits.MatrixOf(t.Context(), &sized, testdesk.Supplies(t), desk.Options{})
			if err != nil {
				t.Fatal(name, err)
			}
			a := testdesk.Analysed(t, &m.Cells[1].Document, desk.Options{})
			if a.Beads != way.Beads || a.FinishedMm != way.FinishedMm {
				t.Errorf("%s, %s: %d beads and %v in the matrix, %d and %v in the size", name, found.Name, a.Beads, a.FinishedMm, way.Beads, way.FinishedMm)
			}
			for k, s := range a.Strands {
				if s.Target == nil {
					continue
				}
				off := math.Abs(float64(s.Target.OffMm))
				said := slices.ContainsFunc(way.Changes, func(c string) bool {
					return strings.HasPrefix(c, fmt.Sprintf("row %d stays %s off", k+1, length.MM(off).In("")))
				})
				if off > max(tolerance, 3)+1e-6 && !said {
					t.Errorf("%s, %s: row %d is %v off: %v", name, found.Name, k+1, s.Target.OffMm, way.Changes)
				}
			}
			kit := &format.Kit{Format: format.KitFormat, Name: "Rows", Sizes: []string{found.Name}, Pieces: []format.KitPiece{{Quantity: 1, Document: sized}}}
			cells, err := kits.KitMatrixOf(t.Context(), kit, 1, kits.Packing{Supplies: testdesk.Supplies(t), Selling: format.DefaultSelling()}, desk.Options{})
			if err != nil || cells.Cells[0].Beads != way.Beads {
				t.Errorf("%s, %s in a kit: %v, %+v", name, found.Name, err, cells)
			}
		}
	}
	wrong := testdesk.Read(t, testdesk.DemoFile(t, "pieces/tidewrack.json"))
	for says, size := range map[string]format.Size{
		`no row "r9"`:         {Name: "a", FinishedMm: 400, Line: "5P", Rows: map[string]string{"r9": "5P"}},
		"No dish":             {Name: "a", FinishedMm: 400, Line: "5P", Rows: map[string]string{"r2": "5Zz"}},
		"not closed":          {Name: "a", FinishedMm: 400, Line: "5P", Rows: map[string]string{"r2": "5("}},
		"of its own":          {Name: "a", FinishedMm: 400, Line: "5P", Rows: map[string]string{"r2": "{D}"}},
		`no chain "f1"`:       {Name: "a", FinishedMm: 400, Line: "5P", Links: map[string]int{"f1": 4}},
		"has 1 to 2000 links": {Name: "a", FinishedMm: 400, Line: "5P", Links: map[string]int{"f14": 0}},
	} {
		doc := wrong
		if strings.Contains(says, "links") {
			doc = testdesk.Read(t, testdesk.DemoFile(t, "pieces/net-loft.json"))
		}
		if _, err := desk.Apply(doc, []desk.Operation{{Do: "set-sizes", Sizes: []format.Size{size}}}, desk.Options{}); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v", says, err)
		}
	}
}

// Rows step as evenly in every size as they do in the piece: each follows the row before as that
// came out; where the repeats of a row are too coarse for that, the size says so. A piece that is right
// as it is stays so.
func TestRowsStepEvenlyInEverySize(t *testing.T) {
	const mostCoarse = 1
	coarse := []string{}
	for _, name := range []string{"tidewrack", "slipway", "net-loft", "strait-lamp"} {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+name+".json"))
		was := testdesk.Analysed(t, doc, desk.Options{})
		var asked []sizing.SizeWanted
		for by := -50; by <= 50; by += 10 {
			asked = append(asked, sizing.SizeWanted{Name: fmt.Sprint(by), FinishedMm: was.FinishedMm + length.MM(by)})
		}
		doc.Sizes = nil
		for _, found := range sizes(t, doc, false, asked...) {
			if len(found.Items) == 0 {
				t.Errorf("%s, %s: %s", name, found.Name, found.Why)
				continue
			}
			doc.Sizes = append(doc.Sizes, *found.Items[0].Keep)
			if found.Name == "0" && len(found.Items[0].Changes) > 0 {
				t.Errorf("%s as it is: %v", name, found.Items[0].Changes)
			}
		}
		m, err := kits.MatrixOf(t.Context(), doc, testdesk.Supplies(t), desk.Options{})
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range m.Cells {
			if wrong := strings.Join(c.Wrong, " "); strings.Contains(wrong, "unevenly") || strings.Contains(wrong, "cross") {
				coarse = append(coarse, fmt.Sprintf("%s, %s: %s", name, m.Sizes[c.Size], wrong))
			}
		}
	}
	if len(coarse) > mostCoarse {
		t.Errorf("%d sizes are uneven:\n%s", len(coarse), strings.Join(coarse, "\n"))
	}
}

func sizes(t *testing.T, doc *format.Document, inStock bool, want ...sizing.SizeWanted) []sizing.SizeFound {
	t.Helper()
	run, err := sizing.RunSizes(t.Context(), &sizing.SizesWanted{Document: *doc, Sizes: want, InStock: inStock}, desk.Options{Stock: map[string]int{"sea-pearl-4": 118}})
	if err != nil {
		t.Fatal(err)
	}
	return run.Sizes
}

// Two sections that are strung alike stay so in every size, however the second is written; one
// that is pinned leaves the change to the others.
func TestSectionsThatAreAlikeStayAlike(t *testing.T) {
	plain := testdesk.Read(t, testdesk.DemoFile(t, "pieces/strait-lamp.json"))
	row := func(d *format.Document, section, k int) *format.Row { return &d.Sections[section].Rows[k] }
	turned := *testdesk.Read(t, testdesk.DemoFile(t, "pieces/strait-lamp.json"))
	row(&turned, 1, 0).Line, row(&turned, 1, 1).Line = "~(52P B)", "~(94K 5P B)"
	same := *testdesk.Read(t, testdesk.DemoFile(t, "pieces/strait-lamp.json"))
	row(&same, 1, 0).Line, row(&same, 1, 1).Line = "52P B", "94K 5P B"
	for name, doc := range map[string]*format.Document{"backwards": plain, "turned": &turned, "the same": &same} {
		was := testdesk.Analysed(t, doc, desk.Options{}).FinishedMm
		for by := -90.0; by <= 90; by += 15 {
			found := sizes(t, doc, false, sizing.SizeWanted{Name: "a", FinishedMm: was + length.MM(by)})[0]
			if len(found.Items) == 0 {
				t.Errorf("%s, %v more: %s", name, by, found.Why)
				continue
			}
			for _, pair := range [][2]string{{"r1", "r3"}, {"r2", "r4"}} {
				a, b := keys(t, found.Items[0].Keep.Rows[pair[0]]), keys(t, found.Items[0].Keep.Rows[pair[1]])
				if name != "the same" {
					slices.Reverse(b)
				}
				if !slices.Equal(a, b) {
					t.Errorf("%s, %v more: %s and %s", name, by, found.Items[0].Keep.Rows[pair[0]], found.Items[0].Keep.Rows[pair[1]])
				}
				if a[len(a)-1] != "B" {
					t.Errorf("%s, %v more: %v stands beside the bead that they share", name, by, a[len(a)-1])
				}
			}
		}
	}
	if found := sizes(t, plain, false, sizing.SizeWanted{Name: "a", FinishedMm: 20})[0]; found.Why != "What is not beads takes 37.9 mm, so 20 mm leaves nothing for them. Ask for a longer piece." {
		t.Errorf("20 mm: %q", found.Why)
	}
	pinned := *plain
	pinned.Pinned = []format.Pin{{Strand: "r1"}}
	found := sizes(t, &pinned, false, sizing.SizeWanted{Name: "a", FinishedMm: 480})[0]
	if len(found.Items) != 1 || found.Items[0].Keep.Rows["r1"] != "52P B" || found.Items[0].Keep.Rows["r3"] == "B 52P" {
		t.Errorf("pinned: %+v", found)
	}
}

// What is pinned in every section keeps a piece from its size, and says so.
func TestSectionsThatAreAllPinned(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/strait-lamp.json"))
	doc.Pinned = []format.Pin{{Strand: "r1"}, {Strand: "r3"}}
	for want, says := range map[length.MM]string{449.5: "", 480: "Row 1: All of it is pinned, in every section. Unpin a row."} {
		found := sizes(t, doc, false, sizing.SizeWanted{Name: "a", FinishedMm: want})[0]
		if found.Why != says || (says == "") != (len(found.Items) == 1) {
			t.Errorf("%v: %q, %+v", want, found.Why, found.Items)
		}
	}
}

func keys(t *testing.T, line string) []string {
	t.Helper()
	read, err := pattern.Parse(line)
	if err != nil {
		t.Fatal(err)
	}
	placed, err := read.Expand(nil)
	if err != nil {
		t.Fatal(err)
	}
	var out []string
	for _, b := range placed {
		out = append(out, b.Node.Key())
	}
	return out
}

// Of what is in stock a size takes no more, however many rows take of it at once: 118 pearls are
// four more than the piece has, two for either side.
func TestRowsTakeNoMoreThanThereIs(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/strait-lamp.json"))
	was := testdesk.Analysed(t, doc, desk.Options{}).FinishedMm
	for by := length.MM(0); by <= 60; by += 6 {
		found := sizes(t, doc, true, sizing.SizeWanted{Name: "a", FinishedMm: was + by})[0]
		if len(found.Items) == 0 {
			continue
		}
		pearls := 0
		for _, line := range found.Items[0].Keep.Rows {
			pearls += strings.Count(strings.Join(keys(t, line), ""), "P")
		}
		if pearls > 118 {
			t.Errorf("%v more: %d pearls of 118", by, pearls)
		}
	}
}

// Whatever lies in a series, a size that is found is of the length that was asked for, and leaves
// what joins and ends the sections as it is.
func TestAnySeriesComesToASize(t *testing.T) {
	random := rand.New(rand.NewPCG(9, 13))
	found := 0
	for range 60 {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/strait-lamp.json"))
		line := func() string {
			return []string{fmt.Sprintf("%dP B", 20+random.IntN(60)), fmt.Sprintf("<%dP B | K>", 10+random.IntN(25)), fmt.Sprintf("%d(3K P) B", 6+random.IntN(20)), fmt.Sprintf("%dK", 40+random.IntN(60))}[random.IntN(4)]
		}
		for i := range doc.Sections {
			for k := range doc.Sections[i].Rows {
				doc.Sections[i].Rows[k].Line = line()
			}
		}
		doc.Sections[0].Rows[1].Follow, doc.Sections[0].Rows[1].FollowMm = "", 0
		if random.IntN(2) == 0 {
			doc.Sections[0].Rows[1].Follow = "equal"
		}
		before := testdesk.Analysed(t, doc, desk.Options{})
		want := before.FinishedMm + length.MM(random.IntN(120)-60)
		one := sizes(t, doc, false, sizing.SizeWanted{Name: "a", FinishedMm: want})[0]
		if len(one.Items) == 0 {
			if one.Why == "" {
				t.Errorf("%+v: nothing, and no reason", doc.Sections)
			}
			continue
		}
		found++
		sized := *doc
		sized.Sizes = []format.Size{*one.Items[0].Keep}
		m, err := kits.MatrixOf(t.Context(), &sized, testdesk.Supplies(t), desk.Options{})
		if err != nil {
			t.Fatal(err)
		}
		cell := &m.Cells[1].Document
		if after := testdesk.Analysed(t, cell, desk.Options{}); math.Abs(float64(after.FinishedMm-want)) > 5+1e-6 {
			t.Errorf("%v asked for, %v found: %v", want, after.FinishedMm, one.Items[0].Changes)
		}
		if !reflect.DeepEqual(cell.Joins, doc.Joins) || !reflect.DeepEqual(cell.Closure, doc.Closure) {
			t.Errorf("%+v", cell.Joins)
		}
	}
	if found < 40 {
		t.Errorf("only %d of 60 came to a length", found)
	}
}

// A size says what has changed in any row since, follows a row that becomes the first, and
// forgets one that goes.
func TestASizeKeepsToItsRows(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/tidewrack.json"))
	found := sizes(t, doc, false, sizing.SizeWanted{Name: "M", FinishedMm: 400})[0]
	saved, err := desk.Apply(doc, []desk.Operation{{Do: "set-sizes", Sizes: []format.Size{*found.Items[0].Keep}}}, desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	at := func(row string) *format.Place { return &format.Place{Strand: row} }
	cell := func(ops ...desk.Operation) kits.Cell {
		t.Helper()
		doc := saved.Document
		if len(ops) > 0 {
			edited, err := desk.Apply(&doc, ops, desk.Options{})
			if err != nil {
				t.Fatal(err)
			}
			doc = edited.Document
		}
		m, err := kits.MatrixOf(t.Context(), &doc, testdesk.Supplies(t), desk.Options{})
		if err != nil {
			t.Fatal(err)
		}
		return m.Cells[1]
	}
	older := func(c kits.Cell) bool {
		return strings.Contains(strings.Join(c.Wrong, " "), "older pattern: 1 item of it changed")
	}
	if c := cell(); older(c) || c.Beads != found.Items[0].Beads {
		t.Errorf("as saved: %+v", c.Wrong)
	}
	if c := cell(desk.Operation{Do: "set-line", At: at("r3"), Text: "<18P 6(B T B 3P) B T B | L>"}); !older(c) {
		t.Errorf("the third row changed: %+v", c.Wrong)
	}
	if c := cell(desk.Operation{Do: "move-row", At: at("r2"), N: 1}); older(c) || c.Beads != found.Items[0].Beads || c.Document.Sections[0].Rows[0].Line != found.Items[0].Keep.Rows["r2"] {
		t.Errorf("the second row came first: %+v, %+v", c.Wrong, c.Document.Sections[0])
	}
	if c := cell(desk.Operation{Do: "remove-row", At: at("r2")}); older(c) || len(c.Document.Sections[0].Rows) != 3 {
		t.Errorf("a row went: %+v", c.Wrong)
	}
	if c := cell(desk.Operation{Do: "letter", At: at("r1"), Text: "P Q"}); older(c) || !strings.Contains(c.Document.Sections[0].Rows[2].Line, "Q") || strings.Contains(c.Document.Sections[0].Rows[2].Line, "P") {
		t.Errorf("another letter: %+v, %+v", c.Wrong, c.Document.Sections[0].Rows[2])
	}
}

// The wearer feels the tightest row, whichever is named first: a size is right by that, told by it, and
// the proposals change the row that binds.
func TestARowThatBindsDecides(t *testing.T) {
	q := question{name: "two rows on one ring", made: "clasp", dishes: "P=sea-pearl-4 B=granite-10", line: "39P / 14B"}
	doc := q.piece(t, desk.NewShelf(testdesk.Catalogue(t)), q.line)
	doc.Body = &format.Body{Part: "wrist", MeasureMm: 165}
	is := testdesk.Analysed(t, doc, desk.Options{})
	if is.Fit == nil || is.Fit.EaseMm > 0 {
		t.Fatalf("the second row binds: %+v", is.Fit)
	}
	for _, found := range sizes(t, doc, false, sizing.SizeWanted{Name: "own", MeasureMm: 165}, sizing.SizeWanted{Name: "large", MeasureMm: 180}) {
		for _, way := range found.Items {
			sized := *doc
			sized.Sizes = []format.Size{*way.Keep}
			m, err := kits.MatrixOf(t.Context(), &sized, testdesk.Supplies(t), desk.Options{})
			if err != nil {
				t.Fatal(err)
			}
			cell := m.Cells[1].Document
			cell.Body = &format.Body{Part: "wrist", MeasureMm: found.MeasureMm}
			worn := testdesk.Analysed(t, &cell, desk.Options{})
			if worn.Fit == nil || worn.Fit.EaseMm != *way.EaseMm || worn.Fit.EaseMm < -0.05 || worn.Fit.EaseMm > 25.05 {
				t.Errorf("%s: an ease of %v given as %v", found.Name, worn.Fit, *way.EaseMm)
			}
		}
		if len(found.Items) != 1 {
			t.Errorf("%s: %s", found.Name, found.Why)
		}
	}
	ways, err := sizing.Solve(t.Context(), &sizing.Aim{Document: *doc, Wearer: true}, desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	if len(ways.Items) == 0 {
		t.Errorf("nothing is proposed: %s", ways.Why)
	}
	for _, way := range ways.Items {
		after, err := desk.Apply(doc, way.Operations, desk.Options{})
		if err != nil {
			t.Fatal(err)
		}
		fit := testdesk.Analysed(t, &after.Document, desk.Options{}).Fit
		if fit.EaseMm != *way.EaseMm {
			t.Errorf("%v: an ease of %v given as %v", way.Changes, fit.EaseMm, *way.EaseMm)
		}
	}
}

// Brought to another length, the leading row takes the rows along that follow it.
func TestRowsThatFollowAreTakenAlong(t *testing.T) {
	for _, name := range []string{"tidewrack", "slipway", "net-loft"} {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+name+".json"))
		ways, err := sizing.Solve(t.Context(), &sizing.Aim{Document: *doc, ToMm: doc.Target.FinishedMm - 8}, desk.Options{})
		if err != nil || len(ways.Items) == 0 {
			t.Fatalf("%s: %v, %+v", name, err, ways)
		}
		for _, way := range ways.Items {
			after, err := desk.Apply(doc, way.Operations, desk.Options{})
			if err != nil {
				t.Fatal(err)
			}
			a := testdesk.Analysed(t, &after.Document, desk.Options{})
			said := strings.Contains(strings.Join(way.Changes, " "), "Row ")
			for k, s := range a.Strands {
				if s.Target != nil && !s.Target.Within && !said {
					t.Errorf("%s, %v: row %d is %v off", name, way.Changes, k+1, s.Target.OffMm)
				}
			}
			if way.EaseMm != nil && (a.Fit == nil || math.Abs(float64(a.Fit.EaseMm-*way.EaseMm)) > 1e-6) {
				t.Errorf("%s, %v: an ease of %v given as %v", name, way.Changes, a.Fit, *way.EaseMm)
			}
		}
	}
}
