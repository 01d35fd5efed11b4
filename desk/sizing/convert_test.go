package sizing_test

import (
	"math"
	"os"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/sizing"
	"mala/desk/testdesk"
	"mala/format"
)

// Every demo piece of one row is converted to a ring and to a clasp, and to another kind; what a
// way says is what the piece becomes, and its pattern is the same but for its counts.
func TestAPieceIsConvertedWithItsPattern(t *testing.T) {
	shelf, ways := desk.NewShelf(testdesk.Catalogue(t)), 0
	files, err := os.ReadDir("../../demo/pieces")
	if err != nil {
		t.Fatal(err)
	}
	for _, file := range files {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+file.Name()))
		if len(doc.Sections) > 1 || len(doc.Sections[0].Rows) > 1 || doc.Kind == "ornament" {
			continue
		}
		for _, in := range []sizing.Conversion{{Kind: doc.Kind, Closure: "knot"}, {Kind: doc.Kind, Closure: "clasp"}, {Kind: "anklet", Closure: "clasp", ToMm: 240}} {
			in.Document = *doc
			out, err := sizing.Convert(t.Context(), &in, desk.Options{Unit: length.InMillimetres, Shelf: shelf})
			if err != nil {
				if !strings.Contains(err.Error(), ".") {
					t.Errorf("%s: %v", doc.Name, err)
				}
				continue
			}
			for _, way := range out.Items {
				ways++
				edited, err := desk.Apply(doc, way.Operations, desk.Options{Shelf: shelf})
				if err != nil {
					t.Fatalf("%s, %v: %v", doc.Name, way.Changes, err)
				}
				after := testdesk.Analysed(t, &edited.Document, desk.Options{})
				is, want := after.FinishedMm, in.ToMm
				if in.ToMm == 0 {
					is, want = *after.InsideMm, out.WantMm
				} else if after.Target != nil {
					is = after.Target.Mm
				}
				if edited.Document.Kind != in.Kind || edited.Document.Closure.Type != in.Closure || after.Strands[0].Line != way.Line || math.Abs(float64(is-want)) > float64(out.ToleranceMm)+1e-6 {
					t.Errorf("%s to %s, %s: %v, wanted %v ± %v; %s", doc.Name, in.Kind, in.Closure, is, want, out.ToleranceMm, way.Changes)
				}
				if after.Target != nil && !after.Target.Within {
					t.Errorf("%s: target off by %v", doc.Name, after.Target.OffMm)
				}
			}
		}
	}
	if ways < 60 {
		t.Errorf("only %d ways", ways)
	}
}

// What comes along with a conversion is said, and what cannot be converted.
func TestAConversionSaysWhatComesWithIt(t *testing.T) {
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	convert := func(file string, in sizing.Conversion) *sizing.Converted {
		in.Document = *testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+file))
		out, err := sizing.Convert(t.Context(), &in, desk.Options{Unit: length.InMillimetres, Shelf: shelf})
		if err != nil {
			t.Fatal(err)
		}
		return out
	}
	out := convert("first-tide.json", sizing.Conversion{Kind: "necklace", Closure: "clasp", ToMm: 400})
	if len(out.Checks) != 2 || !strings.Contains(out.Checks[0], "slips into the 1.1 mm hole") {
		t.Errorf("%q", out.Checks)
	}
	changes := strings.Join(out.Items[0].Changes, "; ")
	if changes != "bracelet to necklace; without a wearer; closed by a clasp; 14B to 45B; target to 400 mm" || out.Items[0].Line != "45B A L T" {
		t.Errorf("%s: %s", changes, out.Items[0].Line)
	}
	if out = convert("ferry-bell.json", sizing.Conversion{Kind: "necklace", Closure: "clasp", ToMm: 450}); !strings.Contains(strings.Join(out.Items[0].Changes, "; "), "without the sizes that are saved") {
		t.Errorf("%v", out.Items[0].Changes)
	}
	if out = convert("boathouse.json", sizing.Conversion{Kind: "necklace", Closure: "clasp"}); !strings.Contains(out.Why, "no inside length to keep") {
		t.Errorf("%+v", out)
	}
	if out = convert("tidewrack.json", sizing.Conversion{Kind: "anklet", Closure: "clasp", ToMm: 300}); !strings.Contains(out.Why, "sized together") || out.Nearest == nil {
		t.Errorf("%+v", out)
	}
	in := sizing.Conversion{Document: *testdesk.Read(t, testdesk.DemoFile(t, "pieces/tidewrack.json")), Kind: "necklace", Closure: "knot", ToMm: 300}
	if _, err := sizing.Convert(t.Context(), &in, desk.Options{Shelf: shelf}); err == nil || !strings.Contains(err.Error(), "Remove rows first") {
		t.Errorf("%v", err)
	}
	in.ToMm = 1e308
	if _, err := sizing.Convert(t.Context(), &in, desk.Options{}); err == nil {
		t.Error("1e308 mm")
	}
	in = sizing.Conversion{Document: *testdesk.Read(t, testdesk.DemoFile(t, "pieces/ferry-bell.json")), Kind: "bracelet", Closure: "clasp", InStock: true}
	few, err := sizing.Convert(t.Context(), &in, desk.Options{Unit: length.InMillimetres, Shelf: desk.NewShelf(nil)})
	if err == nil || !strings.Contains(err.Error(), "The catalogue has no wire") {
		t.Errorf("%v, %+v", err, few)
	}
	in.Document.Pinned = []format.Pin{{Strand: in.Document.Sections[0].Rows[0].ID}}
	in.ToMm = 300
	if pinned, err := sizing.Convert(t.Context(), &in, desk.Options{Unit: length.InMillimetres, Shelf: shelf}); err != nil || len(pinned.Items) > 0 || !strings.Contains(pinned.Why, "pinned") {
		t.Errorf("%v, %+v", err, pinned)
	}
}
