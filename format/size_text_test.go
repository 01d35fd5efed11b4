package format_test

import (
	"testing"

	"mala/format"
)

// Two materials of one name are distinguished by their sizes in every sentence; others keep their names.
func TestMaterialsOfOneNameAreToldApart(t *testing.T) {
	doc := read(t, example)
	doc.Materials = append(doc.Materials,
		format.Material{ID: "a", Class: "bead", Name: "Glass", Shape: "round", AcrossMm: 8, HoleMm: 1},
		format.Material{ID: "b", Class: "bead", Name: "Glass", Shape: "oval", AcrossMm: 8.5, AlongMm: 12, HoleMm: 1},
		format.Material{ID: "c", Class: "bead", Name: "Clay", Shape: "round", AcrossMm: 8, HoleMm: 1})
	doc.Palette["X"], doc.Palette["Y"], doc.Palette["Z"] = "a", "b", "c"
	p, err := doc.Piece(format.House{})
	if err != nil {
		t.Fatal(err)
	}
	for key, want := range map[string]string{"X": "Glass 8 mm", "Y": "Glass 8.5 × 12 mm", "Z": "Clay"} {
		if got := p.Palette[key].Name; got != want {
			t.Errorf("%s is called %q, want %q", key, got, want)
		}
	}
	if doc.Materials[len(doc.Materials)-3].Name != "Glass" {
		t.Error("the file's own name has changed")
	}
}

func TestSizesAreWrittenInTheTradesWay(t *testing.T) {
	for want, m := range map[string]format.Material{
		"0.5 mm":          {Class: "cord", DiameterMm: 0.5},
		"of 12 mm":        {Class: "finding", Type: "toggle", RingInsideMm: 12, LengthMm: 20},
		"0.6 × 50 mm":     {Class: "finding", Type: "head-pin", WireMm: 0.6, LengthMm: 50, OutsideMm: 2},
		"4 mm inside":     {Class: "finding", Type: "jump-ring", InsideMm: 4, WireMm: 0.8},
		"2 × 3 mm":        {Class: "finding", Type: "crimp-tube", OutsideMm: 2, LengthMm: 3, InsideMm: 1},
		"9 mm":            {Class: "finding", LengthMm: 9},
		"hanging 16.5 mm": {Class: "bead", Shape: "charm", DropMm: 16.5},
		"6 mm":            {Class: "bead", Shape: "cap", AcrossMm: 6, AlongMm: 3},
		"":                {Class: "bead", AcrossMm: 6, Component: &format.Component{}},
	} {
		if got := m.SizeText(); got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
}
