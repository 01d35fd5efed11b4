package kits_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"mala/desk"
	"mala/desk/kits"
	"mala/desk/testdesk"
	"mala/format"
)

func matrix(t *testing.T, doc *format.Document) *kits.Matrix {
	t.Helper()
	out, err := kits.MatrixOf(t.Context(), doc, testdesk.Supplies(t), desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// A bead of the same size moves nothing, a larger one the length by as much as there are of
// it, and what it makes wrong is said.
// Two sizes that came out the same say so; the first of them does not.
func TestSizesThatAreAlikeSaySo(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/ferry-bell.json"))
	doc.Sizes[1].Line = doc.Sizes[0].Line
	m, err := kits.MatrixOf(t.Context(), doc, testdesk.Supplies(t), desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range m.Cells {
		says := strings.Contains(strings.Join(c.Wrong, " "), "comes out the same as "+doc.Sizes[0].Name)
		if says != (m.Sizes[c.Size] == doc.Sizes[1].Name) {
			t.Errorf("%s: %v", m.Sizes[c.Size], c.Wrong)
		}
	}
}

func TestColourwaysAreMeasured(t *testing.T) {
	doc := testdesk.Coloured(t, "harbour-lights", testdesk.Swap("dusk", "sea-pearl-4", "dusk-pearl-4", "lobster-10", "lobster-14"), testdesk.Swap("large", "sea-pearl-4", "bottle-6"), testdesk.Swap("as it is"))
	m := matrix(t, doc)
	if strings.Join(m.Colourways, ",") != ",dusk,large,as it is" || len(m.Sizes) != 1 || len(m.Cells) != 4 {
		t.Fatalf("%v %v, %d cells", m.Colourways, m.Sizes, len(m.Cells))
	}
	own, dusk, large, same := m.Cells[0], m.Cells[1], m.Cells[2], m.Cells[3]
	if own.Beads != 109 || math.Abs(float64(own.FinishedMm)-450.6) > 0.05 || own.Wrong != nil || own.MovedMm != 0 {
		t.Errorf("its own: %+v", own)
	}
	if same.FinishedMm != own.FinishedMm || same.Used != own.Used || same.Makeable != own.Makeable {
		t.Errorf("without a swap: %+v", same)
	}
	// 90 pearls of 3.904 mm are nominal rounds of 4 then, and the clasp is longer.
	for _, c := range m.Cells {
		single := *doc
		single.Colourways = nil
		a := testdesk.Analysed(t, single.InColours(&append([]format.Colourway{{}}, doc.Colourways...)[c.Colourway]), desk.Options{})
		if a.FinishedMm != c.FinishedMm || a.Beads != c.Beads || math.Abs(float64(c.MovedMm-(a.FinishedMm-own.FinishedMm))) > 1e-6 {
			t.Errorf("colourway %d: %v, by itself %v", c.Colourway, c.FinishedMm, a.FinishedMm)
		}
	}
	if large.MovedMm < 150 || len(large.Wrong) == 0 || !strings.Contains(large.Wrong[0], "mm") {
		t.Errorf("pearls of 6 mm move it by %v, and nothing is wrong: %v", large.MovedMm, large.Wrong)
	}
	if dusk.Beads != 109 || slices.ContainsFunc(dusk.Document.Materials, func(m format.Material) bool { return m.ID == "sea-pearl-4" }) {
		t.Errorf("dusk: %+v", dusk)
	}
	if doc.Palette["P"] != "sea-pearl-4" || doc.Closure.Left[0].Of != "lobster-10" {
		t.Error("the piece itself has changed its colours")
	}
}

// 240 pearls are enough for two of 90, 9 sails for nine: the pearls run out first.
func TestWhatStockIsEnoughFor(t *testing.T) {
	m := matrix(t, testdesk.Coloured(t, "harbour-lights"))
	if c := m.Cells[0]; c.Makeable != 2 || c.Used == "" || c.Unpriced != 0 || c.RunsOut != "Sea-pearl round" && c.RunsOut != "Beading wire, 19 strands" {
		t.Errorf("%+v", c)
	}
	from := testdesk.Supplies(t)
	from.Stock["sea-pearl-4"] = 0
	out, err := kits.MatrixOf(t.Context(), testdesk.Coloured(t, "harbour-lights"), from, desk.Options{})
	if err != nil || out.Cells[0].Makeable != 0 || out.Cells[0].RunsOut != "Sea-pearl round" {
		t.Errorf("%+v, %v", out, err)
	}
}

func TestEverySizeInEveryColourway(t *testing.T) {
	doc := testdesk.Coloured(t, "ferry-bell", testdesk.Swap("grey", "tide-stone-6", "bottle-6"))
	doc.Sizes = []format.Size{{Name: "small", MeasureMm: 150, Line: "10(2T S F)"}, {Name: "long", FinishedMm: 230, Line: "12(2T S F)"}}
	m := matrix(t, doc)
	if strings.Join(m.Sizes, ",") != ",small,long" || len(m.Cells) != 6 {
		t.Fatalf("%v, %d cells", m.Sizes, len(m.Cells))
	}
	for i, c := range m.Cells {
		if c.Size != i%3 || c.Colourway != i/3 || c.Beads != []int{44, 40, 48}[c.Size] {
			t.Errorf("cell %d: %+v", i, c)
		}
		if c.Colourway == 0 && c.MovedMm != 0 {
			t.Errorf("its own colours move it by %v", c.MovedMm)
		}
	}
	if got := m.Cells[2].Document.Target; got == nil || got.FinishedMm != 230 {
		t.Errorf("the long one is asked for %+v", got)
	}
	if got := m.Cells[1].Document; got.Target != nil || got.Body.MeasureMm != 150 {
		t.Errorf("the small one is for %+v, target %+v", got.Body, got.Target)
	}
}

func TestColourwaysThatCannotBe(t *testing.T) {
	for name, ways := range map[string][]format.Colourway{
		"of no name":             {testdesk.Swap("")},
		"of one name":            {testdesk.Swap("dusk"), testdesk.Swap("dusk")},
		"a bead for a clasp":     {testdesk.Swap("dusk", "lobster-10", "dusk-pearl-4")},
		"a toggle for a lobster": {testdesk.Swap("dusk", "lobster-10", "toggle-anchor")},
		"a wire for a bead":      {testdesk.Swap("dusk", "sea-pearl-4", "wire-025-7")},
		"an unknown material":    {testdesk.Swap("dusk", "sea-pearl-4", "moon-dust")},
		"thirteen of them":       make([]format.Colourway, 13),
		"a name of two lines":    {testdesk.Swap("a\nb")},
	} {
		_, err := desk.Apply(testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json")), []desk.Operation{{Do: "set-colourways", Colourways: ways}}, desk.Options{Shelf: desk.NewShelf(testdesk.Supplies(t).Materials)})
		if err == nil || !strings.HasSuffix(err.Error(), ".") {
			t.Errorf("%s: %v", name, err)
		}
	}
	wrong := testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json"))
	wrong.Colourways = []format.Colourway{testdesk.Swap("dusk", "sea-pearl-4", "moon-dust")}
	if _, err := kits.MatrixOf(t.Context(), wrong, testdesk.Supplies(t), desk.Options{}); err == nil {
		t.Error("a matrix with an unknown material")
	}
	doc := testdesk.Coloured(t, "harbour-lights", testdesk.Swap("dusk", "sea-pearl-4", "dusk-pearl-4"))
	changed := testdesk.Apply(t, doc, desk.Operation{Do: "set-slack"})
	if !slices.ContainsFunc(changed.Materials, func(m format.Material) bool { return m.ID == "dusk-pearl-4" }) {
		t.Error("a change of the piece drops what a colourway needs")
	}
	if none := testdesk.Apply(t, changed, desk.Operation{Do: "set-colourways"}); slices.ContainsFunc(none.Materials, func(m format.Material) bool { return m.ID == "dusk-pearl-4" }) || none.Colourways != nil {
		t.Error("without colourways their materials stay")
	}
}

// Twelve cells of 200 beads, over one.
func BenchmarkMatrix(b *testing.B) {
	doc := testdesk.Read(b, testdesk.DemoFile(b, "pieces/harbour-lights.json"))
	doc.Sections[0].Rows[0].Line, doc.Target = "<100P | B>", nil
	from := testdesk.Supplies(b)
	for name, n := range map[string][2]int{"12 cells": {3, 2}, "1 cell": {0, 0}} {
		own := *doc
		for i := range n[0] {
			own.Colourways = append(own.Colourways, format.Colourway{Name: string(rune('a' + i)), Swaps: map[string]string{"sea-pearl-4": "tide-stone-6"}})
		}
		for i := range n[1] {
			own.Sizes = append(own.Sizes, format.Size{Name: string(rune('a' + i)), FinishedMm: 700, Line: "<90P | B>"})
		}
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if _, err := kits.MatrixOf(b.Context(), &own, from, desk.Options{}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
