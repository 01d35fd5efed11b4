package format_test

import (
	"bytes"
	"encoding/json"
	"errors"
	"io"
	"reflect"
	"slices"
	"strings"
	"testing"

	"mala/format"
)

// writeCSV writes a catalogue of these rows.
func writeCSV(w io.Writer, rows []format.CatalogueRow) error {
	out, err := format.NewCSV(w)
	for _, row := range rows {
		if err == nil {
			err = out.Write(row)
		}
	}
	return errors.Join(err, out.Flush())
}

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
	for i, name := range []string{"=1+1", "-4 mm", "@pearl", "'=quoted", "''+twice", "+", "'plain"} {
		rows[i+1].Material.Name = name
	}
	var out bytes.Buffer
	if err := writeCSV(&out, rows); err != nil {
		t.Fatal(err)
	}
	back, refused, err := format.ReadCSV(out.Bytes(), nil)
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

// What a spreadsheet would work out is written so that it stays text.
func TestFormulasAreWrittenAsText(t *testing.T) {
	rows := catalogueRows(t)[:1]
	rows[0].Material.Name = "=HYPERLINK(1)"
	var out bytes.Buffer
	if err := writeCSV(&out, rows); err != nil || !strings.Contains(out.String(), ",'=HYPERLINK(1),") {
		t.Errorf("%v: %s", err, out.String())
	}
}

// A file with a few columns changes only those: an empty cell clears its field, a column that is
// not there leaves it.
func TestAFileChangesOnlyItsColumns(t *testing.T) {
	held := catalogueRows(t)
	known := func(id string) (format.CatalogueRow, bool) {
		i := slices.IndexFunc(held, func(row format.CatalogueRow) bool { return row.Material.ID == id })
		return held[max(0, i)], i >= 0
	}
	old, _ := known("sea-pearl-4")
	rows, refused, err := format.ReadCSV([]byte("id,name,run.count,run.measuredMm\nsea-pearl-4,Sea pearl,,\nnew-one,New,,\n"), known)
	if err != nil || len(rows) != 1 || len(refused) != 1 || refused[0].Line != 3 {
		t.Fatalf("%v, %+v, %+v", err, rows, refused)
	}
	want := old
	want.Line, want.Material.Name, want.Material.Run = 2, "Sea pearl", nil
	if old.Material.Run == nil || !reflect.DeepEqual(rows[0], want) {
		t.Errorf("%+v, want %+v", rows[0], want)
	}
	if rows, _, err = format.ReadCSV([]byte("id,onHand\nsea-pearl-4,7\n"), known); err != nil || rows[0].OnHand != 7 || !reflect.DeepEqual(rows[0].Material, old.Material) {
		t.Errorf("%v, %+v", err, rows)
	}
	if rows, _, err = format.ReadCSV([]byte("id,name\nsea-pearl-4,Pearl\n"), known); err != nil || len(old.Material.Packs) == 0 || !reflect.DeepEqual(rows[0].Material.Packs, old.Material.Packs) {
		t.Errorf("without a column for packs: %+v, %v", rows[0].Material.Packs, err)
	}
	if rows, _, err = format.ReadCSV([]byte("id,packs\nsea-pearl-4,\n"), known); err != nil || rows[0].Material.Packs != nil {
		t.Errorf("with an empty one: %+v, %v", rows[0].Material.Packs, err)
	}
	for _, cell := range []string{"bag of 50", `[{""sold"": ""crate""}]`, `[{""sold"": ""bag"", ""price"": 4}]`} {
		if _, refused, err := format.ReadCSV([]byte("id,packs\nsea-pearl-4,\""+cell+"\"\n"), known); err != nil || len(refused) != 1 {
			t.Errorf("%s: %+v, %v", cell, refused, err)
		}
	}
	if rows, _, err = format.ReadCSV([]byte("id,onHand\nsea-pearl-4,\n"), known); err != nil || rows[0].OnHand != 0 {
		t.Errorf("%v, %+v", err, rows)
	}
}

// A row of endless cells would take many times its size.
func TestARowIsOfALimitedLength(t *testing.T) {
	head := "id,class,name\n"
	for name, tt := range map[string]struct {
		file, says string
	}{
		"commas":            {head + "a,bead,A\n" + strings.Repeat(",", 300<<10), "begins at line 3 is longer than 256 kB"},
		"a quote left open": {head + "a,bead,\"A\n" + strings.Repeat("b,bead,B\n", 40_000), "begins at line 2 is longer"},
		"quoted lines":      {head + strings.Repeat("\"\n\",", 80_000), "begins at line 2 is longer"},
		"many rows":         {head + strings.Repeat("b,bead,B\n", 40_000), ""},
		"quoted commas":     {head + strings.Repeat("b,bead,\"B,\n\"\"B\"\n", 20_000), ""},
	} {
		if err := format.CheckCSV([]byte(tt.file)); (err == nil) != (tt.says == "") || err != nil && !strings.Contains(err.Error(), tt.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func TestInvalidRowsAreReportedAndTheOthersKept(t *testing.T) {
	head := "id,class,name,shape,acrossMm,holeMm,run.count,run.measuredMm,look.colour,onHand\n"
	good := "pearl-4,bead,Pearl,round,4,0.8,,,#efe6da,12\n"
	for _, tt := range []struct{ name, row, says string }{
		{"a negative size", "a,bead,A,round,-4,0.8,,,,\n", "The diameter is -4 mm"},
		{"a number in words", "a,bead,A,round,four,0.8,,,,\n", `acrossMm: "four" is not a number`},
		{"not a number", "a,bead,A,round,NaN,0.8,,,,\n", "is not a number"},
		{"half a bead on hand", "a,bead,A,round,4,0.8,,,,1.5\n", "onHand"},
		{"a shape there is not", "a,bead,A,blob,4,0.8,,,,\n", "not a known shape"},
		{"the same id again", good, "already in row 2"},
		{"too many cells", "a,bead,A,round,4,0.8,,,,1,2,3\n", "12 cells for 10 columns"},
		{"half a run", "a,bead,A,round,4,0.8,10,,,\n", "The length of the measured run is missing"},
		{"no name", "a,bead,,round,4,0.8,,,,\n", "name"},
		{"another encoding", "a,bead,Perle gr\xfcn,round,4,0.8,,,,\n", "name: the text is not in UTF-8"},
	} {
		rows, refused, err := format.ReadCSV([]byte(head+good+tt.row), nil)
		if err != nil || len(rows) != 1 || rows[0].OnHand != 12 || len(refused) != 1 {
			t.Errorf("%s: %v rows, %v, %v", tt.name, rows, refused, err)
			continue
		}
		if refused[0].Line != 3 || !strings.Contains(refused[0].Says, tt.says) {
			t.Errorf("%s: row %d says %q, want %q", tt.name, refused[0].Line, refused[0].Says, tt.says)
		}
	}
	for name, file := range map[string]string{"nothing": "", "an unknown column": "id,weight\n", "a column twice": "id,id\n", "a stray quote": head + "a\"b,c\n"} {
		if rows, _, err := format.ReadCSV([]byte(file), nil); err == nil {
			t.Errorf("%s was read as %v", name, rows)
		}
	}
	if rows, _, err := format.ReadCSV([]byte("\ufeff"+head+strings.Replace(good, "4,0.8", "\"4,2\",0.8", 1)), nil); err != nil || rows[0].Material.AcrossMm != 4.2 {
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
