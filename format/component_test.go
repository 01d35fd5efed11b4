package format_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/format"
)

// pendantPiece is a piece of the demo shop with components in components.
func pendantPiece(t testing.TB) string {
	t.Helper()
	return fileText(t, "../demo/pieces/last-ferry.json")
}

func TestAPieceWithComponentsComesBackTheSame(t *testing.T) {
	doc := read(t, pendantPiece(t))
	file := written(t, doc)
	before := analysed(t, doc, desk.Options{Drawing: true})
	after := analysed(t, read(t, file), desk.Options{Drawing: true})
	if written(t, before) != written(t, after) {
		t.Error("it is analysed differently")
	}
	// Each of its parts is listed, and left out once nothing needs it.
	doc.Row("r1").Line, doc.Palette = "9P", map[string]string{"P": doc.Palette["P"]}
	for _, m := range doc.Tidied().Materials {
		if m.Component != nil || m.Type == "head-pin" || m.Shape == "drop" {
			t.Errorf("%s is kept though nothing needs it", m.ID)
		}
	}
}

func TestComponentsThatCannotBeAreSaidAtTheirPlace(t *testing.T) {
	base := pendantPiece(t)
	var doc format.Document
	if err := json.Unmarshal([]byte(base), &doc); err != nil {
		t.Fatal(err)
	}
	index := func(id string) int {
		for i := range doc.Materials {
			if doc.Materials[i].ID == id {
				return i
			}
		}
		t.Fatalf("no %s", id)
		return 0
	}
	sail, pendant := index("sail-drop"), index("lantern-pendant")
	for _, tt := range []struct {
		name   string
		change func(d *format.Document)
		where  string
		says   string
	}{
		{"in itself", func(d *format.Document) { d.Materials[pendant].Component.Below = format.IDs{"lantern-pendant"} }, fmt.Sprintf("materials[%d].component.below[0]", pendant), "cannot contain itself: lantern-pendant contains lantern-pendant"},
		{"in itself through another", func(d *format.Document) {
			c := *d.Materials[sail].Component
			c.Kind, c.Pin, c.Line, c.Below = "pendant", "", "", format.IDs{"lantern-pendant"}
			d.Materials[sail].Component = &c
		}, fmt.Sprintf("materials[%d].component.below", pendant), "cannot contain itself"},
		{"a part listed nowhere", func(d *format.Document) { d.Materials[pendant].Component.Rings = format.IDs{"moon-ring"} }, fmt.Sprintf("materials[%d].component.rings[0]", pendant), `id "moon-ring"`},
		{"a pin shorter than its loop", func(d *format.Document) { d.Materials[index("head-pin-50")].LengthMm = 5 }, fmt.Sprintf("materials[%d].component.pin", sail), "its loop alone takes"},
		{"a line with an error", func(d *format.Document) { d.Materials[sail].Component.Line = "P (C" }, fmt.Sprintf("materials[%d].component.line", sail), ""},
		{"a letter without a dish", func(d *format.Document) { d.Materials[sail].Component.Line = "P Q" }, fmt.Sprintf("materials[%d].component.line", sail), "letter Q"},
		{"a bad letter", func(d *format.Document) { d.Materials[sail].Component.Palette = format.Letters{"pp": "sea-pearl-4"} }, fmt.Sprintf("materials[%d].component.palette.pp", sail), "A to Z"},
		{"no such kind", func(d *format.Document) { d.Materials[sail].Component.Kind = "brooch" }, fmt.Sprintf("materials[%d].component.kind", sail), "not a kind of component"},
		{"no such loop", func(d *format.Document) { d.Materials[sail].Component.Loop = "knitted" }, fmt.Sprintf("materials[%d].component.loop", sail), "not one of the choices"},
		{"made of nothing", func(d *format.Document) { d.Materials[sail].Component = nil }, fmt.Sprintf("materials[%d].component", sail), "Say what this component is made of"},
		{"200,000 beads on a pin", func(d *format.Document) { d.Materials[sail].Component.Line = "9999(9999P)" }, fmt.Sprintf("materials[%d].component.line", sail), ""},
		{"a coil in the place of a ring", func(d *format.Document) {
			d.Closure.Right[0].Hung = format.IDs{"sea-pearl-4"}
		}, "closure.right[0].hung", "does not hang"},
		{"a bench note of 501 letters", func(d *format.Document) { d.Materials[sail].Note = strings.Repeat("a", 501) }, fmt.Sprintf("materials[%d].note", sail), "500"},
	} {
		var d format.Document
		if err := json.Unmarshal([]byte(base), &d); err != nil {
			t.Fatal(err)
		}
		tt.change(&d)
		_, err := d.Piece(format.House{})
		faults, ok := err.(format.Faults)
		if !ok {
			t.Errorf("%s: %v", tt.name, err)
			continue
		}
		found := false
		for _, f := range faults {
			found = found || strings.HasPrefix(f.Where, tt.where) && strings.Contains(f.Says, tt.says) && strings.HasSuffix(f.Says, ".")
		}
		if !found {
			t.Errorf("%s: %v, want %s saying %q", tt.name, faults, tt.where, tt.says)
		}
	}
}

// Components in components are read to eight levels, and the ninth is refused
// without going round for ever.
func TestComponentsGoEightLevelsDeep(t *testing.T) {
	docs := []format.Material{
		{ID: "ring", Class: "finding", Name: "Ring", Type: "jump-ring", InsideMm: 4, WireMm: 0.8},
		{ID: "c0", Class: "bead", Name: "Charm", Shape: "charm", AcrossMm: 6, HoleMm: 1.5, AlongMm: 0.8, DropMm: 8},
	}
	for level := 1; level <= 40; level++ {
		docs = append(docs, format.Material{ID: fmt.Sprint("c", level), Class: "component", Name: fmt.Sprint("Level ", level),
			Component: &format.Component{Kind: "pendant", Rings: format.IDs{"ring"}, Below: format.IDs{fmt.Sprint("c", level-1)}}})
	}
	for level := 1; level <= 40; level++ {
		made, faults := format.Listed(docs).Make(&docs[level+1], "")
		if (faults == nil) != (level <= 8) {
			t.Errorf("level %d: %v", level, faults)
		}
		if made != nil && made.Bead.Drop < length.MM(8+4*level-1) {
			t.Errorf("level %d hangs %v", level, made.Bead.Drop)
		}
	}
}
