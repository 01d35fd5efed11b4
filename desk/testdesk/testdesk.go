// Package testdesk is what the tests of the desk's rooms begin from: the demo shop's files, read and
// worked out.
package testdesk

import (
	"encoding/json"
	"os"
	"path/filepath"
	"runtime"
	"testing"
	"time"

	"mala/core/length"
	"mala/desk"
	"mala/desk/buying"
	"mala/format"
)

// root is the folder of the project, wherever a test runs.
var root = func() string {
	_, here, _, _ := runtime.Caller(0)
	return filepath.Join(filepath.Dir(here), "..", "..")
}()

// File is the text of a file of the project.
func File(t testing.TB, path string) string {
	t.Helper()
	text, err := os.ReadFile(filepath.Join(root, path))
	if err != nil {
		t.Fatal(err)
	}
	return string(text)
}

// DemoFile is the text of a file of the demo shop.
func DemoFile(t testing.TB, name string) string {
	t.Helper()
	return File(t, "demo/"+name)
}

// Read reads a document.
func Read(t testing.TB, text string) *format.Document {
	t.Helper()
	doc, err := format.Read([]byte(text))
	if err != nil {
		t.Fatal(err)
	}
	return doc
}

// Analysed works a document out.
func Analysed(t testing.TB, doc *format.Document, opt desk.Options) *desk.Analysis {
	t.Helper()
	a, err := desk.Analyse(t.Context(), doc, opt)
	if err != nil {
		t.Fatal(err)
	}
	return a
}

// Apply carries operations out.
func Apply(t testing.TB, doc *format.Document, ops ...desk.Operation) *format.Document {
	t.Helper()
	out, err := desk.Apply(doc, ops, desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	return &out.Document
}

// MM gives a length where one may be absent.
func MM(v length.MM) *length.MM { return &v }

// Catalogue is the demo shop's.
func Catalogue(t testing.TB) []format.Material {
	t.Helper()
	return Supplies(t).Materials
}

// Supplies is what the demo shop has, on a day of its own.
func Supplies(t testing.TB) buying.Supplies {
	t.Helper()
	var file struct {
		Materials []struct {
			format.Material
			OnHand int `json:"onHand"`
		} `json:"materials"`
	}
	if err := json.Unmarshal([]byte(DemoFile(t, "catalogue.json")), &file); err != nil {
		t.Fatal(err)
	}
	out := buying.Supplies{Stock: map[string]int{}, Day: time.Date(2026, 11, 27, 12, 0, 0, 0, time.UTC)}
	for _, m := range file.Materials {
		out.Materials = append(out.Materials, m.Material)
		out.Stock[m.ID] = m.OnHand
	}
	return out
}

// Coloured is a demo piece with colourways, whose materials come from the catalogue.
func Coloured(t testing.TB, piece string, ways ...format.Colourway) *format.Document {
	t.Helper()
	edited, err := desk.Apply(Read(t, DemoFile(t, "pieces/"+piece+".json")), []desk.Operation{{Do: "set-colourways", Colourways: ways}}, desk.Options{Shelf: desk.NewShelf(Catalogue(t))})
	if err != nil {
		t.Fatal(err)
	}
	return &edited.Document
}

// Swap is a colourway with other materials in the place of some.
func Swap(name string, pairs ...string) format.Colourway {
	c := format.Colourway{Name: name, Swaps: map[string]string{}}
	for i := 0; i < len(pairs); i += 2 {
		c.Swaps[pairs[i]] = pairs[i+1]
	}
	return c
}

// Example is the document of the format's own description.
func Example(t testing.TB) string {
	t.Helper()
	return File(t, "format/testdata/example.json")
}
