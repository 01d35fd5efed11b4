package format_test

import (
	"bytes"
	"encoding/json"
	"reflect"
	"strings"
	"testing"

	"mala/format"
)

func catalogueRows(t *testing.T) []format.CatalogueRow {
	t.Helper()
	data := fileText(t, "../demo/catalogue.json")
	var c struct {
		Materials []struct {
			format.Material
			OnHand int `json:"onHand"`
		}
	}
	if err := json.Unmarshal([]byte(data), &c); err != nil {
		t.Fatal(err)
	}
	var rows []format.CatalogueRow
	for i, m := range c.Materials {
		rows = append(rows, format.CatalogueRow{Line: i + 2, Material: m.Material, OnHand: m.OnHand})
	}
	return rows
}

func TestACatalogueToCSVAndBackLosesNothing(t *testing.T) {
	rows := catalogueRows(t)
	rows[0].Material.Name = "Pearl, \"round\" <b> 夜"
	var out bytes.Buffer
	if err := format.WriteCSV(&out, rows); err != nil {
		t.Fatal(err)
	}
	back, refused, err := format.ReadCSV(out.Bytes())
	if err != nil || len(refused) > 0 {
		t.Fatal(err, refused)
	}
	if !reflect.DeepEqual(back, rows) {
		for i := range rows {
			if !reflect.DeepEqual(back[i], rows[i]) {
				t.Errorf("row %d came back as %+v, was %+v", i, back[i], rows[i])
			}
		}
	}
}

func TestInvalidRowsAreReportedAndTheOthersKept(t *testing.T) {
	head := "id,class,name,shape,acrossMm,holeMm,run.count,run.measuredMm,look.colour,onHand\n"
	good := "pearl-4,bead,Pearl,round,4,0.8,,,#efe6da,12\n"
	for _, tt := range []struct{ name, row, says string }{
		{"a negative size", "a,bead,A,round,-4,0.8,,,,\n", "acrossMm is -4 mm"},
		{"a number in words", "a,bead,A,round,four,0.8,,,,\n", `acrossMm: "four" is not a number`},
		{"not a number", "a,bead,A,round,NaN,0.8,,,,\n", "is not a number"},
		{"half a bead on hand", "a,bead,A,round,4,0.8,,,,1.5\n", "onHand"},
		{"a shape there is not", "a,bead,A,blob,4,0.8,,,,\n", "not a known shape"},
		{"the same id again", good, "already in row 2"},
		{"too many cells", "a,bead,A,round,4,0.8,,,,1,2,3\n", "12 cells for 10 columns"},
		{"half a run", "a,bead,A,round,4,0.8,10,,,\n", "run.measuredMm"},
		{"no name", "a,bead,,round,4,0.8,,,,\n", "name"},
	} {
		rows, refused, err := format.ReadCSV([]byte(head + good + tt.row))
		if err != nil || len(rows) != 1 || rows[0].OnHand != 12 || len(refused) != 1 {
			t.Errorf("%s: %v rows, %v, %v", tt.name, rows, refused, err)
			continue
		}
		if refused[0].Line != 3 || !strings.Contains(refused[0].Says, tt.says) {
			t.Errorf("%s: row %d says %q, want %q", tt.name, refused[0].Line, refused[0].Says, tt.says)
		}
	}
	for name, file := range map[string]string{"nothing": "", "an unknown column": "id,weight\n", "a column twice": "id,id\n", "a stray quote": head + "a\"b,c\n"} {
		if rows, _, err := format.ReadCSV([]byte(file)); err == nil {
			t.Errorf("%s was read as %v", name, rows)
		}
	}
	if rows, _, err := format.ReadCSV([]byte("\ufeff" + head + strings.Replace(good, "4,0.8", "\"4,2\",0.8", 1))); err != nil || rows[0].Material.AcrossMm != 4.2 {
		t.Errorf("a spreadsheet's mark and decimal comma: %v, %v", rows, err)
	}
}

func TestColourFamilies(t *testing.T) {
	for colour, want := range map[string]string{"#a83427": "red", "#d98a1f": "orange", "#2f6b4f": "green", "#2b3a67": "blue", "#9c7650": "brown", "#f3ede4": "white", "#2c2a2e": "black", "#8d9096": "grey", "#c9a24a": "yellow", "": ""} {
		m := format.Material{Look: &format.Look{Colour: colour}}
		if got := m.ColourFamily(); got != want {
			t.Errorf("%s is %s, want %s", colour, got, want)
		}
	}
}
