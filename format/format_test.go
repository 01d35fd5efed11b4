package format_test

import (
	"encoding/json"
	"math"
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"testing"

	"mala/core/length"
	"mala/format"
)

// example is the document of the format's own description.
const example = `{
  "format": "mala-piece/1",
  "name": "Harbour Lights", "kind": "necklace", "notes": "",
  "target": {"finishedMm": 445, "toleranceMm": 3},
  "body": {"part": "neck", "measureMm": 368},
  "palette": {"P": "pearl-4", "L": "lantern-10"},
  "closure": {"type": "clasp", "left": ["lobster-10", "ring-5"], "right": ["ring-5"]},
  "sections": [
    {"rows": [
      {"cord": "wire-038-19", "line": "<36P L 14P | L>", "slackMm": 3,
       "left": ["crimp-2x2"], "right": ["crimp-2x2"]}
    ]}
  ],
  "house": {},
  "materials": [
    {"id": "pearl-4", "class": "bead", "name": "Pearl round", "shape": "round", "acrossMm": 4, "holeMm": 0.8},
    {"id": "lantern-10", "class": "bead", "name": "Lantern glass", "shape": "round", "acrossMm": 10, "holeMm": 2.5, "massG": 1.3},
    {"id": "wire-038-19", "class": "cord", "name": "Wire 0.38", "type": "wire", "diameterMm": 0.38, "filaments": 19},
    {"id": "crimp-2x2", "class": "finding", "name": "Crimp 2 x 2", "type": "crimp-tube", "insideMm": 1.3, "outsideMm": 1.8, "lengthMm": 2},
    {"id": "ring-5", "class": "finding", "name": "Ring 5", "type": "jump-ring", "insideMm": 3.6, "wireMm": 0.7},
    {"id": "lobster-10", "class": "finding", "name": "Lobster 10", "type": "lobster", "lengthMm": 10, "closedMm": 8.6}
  ]
}`

func read(t *testing.T, text string) *format.Document {
	t.Helper()
	doc, err := format.Read([]byte(text))
	if err != nil {
		t.Fatal(err)
	}
	return doc
}

func TestTheExampleComesToItsFigures(t *testing.T) {
	a, err := format.Analyse(read(t, example), format.Options{})
	if err != nil {
		t.Fatal(err)
	}
	// Worked by hand: 100 pearls of 3.919 beside three lanterns whose holes they
	// enter at radius 1.25.
	pearl, joint := math.Sqrt(16-0.64), math.Sqrt(4-1.5625)+math.Sqrt(25-1.5625)
	strung := 2*35*pearl + 2*13*pearl + 6*joint + pearl
	finished := strung + 3 + 2*(2+2) + 2*3.6 + 8.6
	for name, pair := range map[string][2]float64{
		"strung":   {float64(a.Strands[0].StrungMm), strung},
		"finished": {float64(a.FinishedMm), finished},
		"mass":     {a.MassG, 3.9},
		"cut":      {float64(a.Strands[0].CutMm), strung + 3 + 2*(2*(2+2)+25+60)},
		"off":      {float64(a.Target.OffMm), finished - 445},
	} {
		if math.Abs(pair[0]-pair[1]) > 0.001 {
			t.Errorf("%s = %.4f, want %.4f", name, pair[0], pair[1])
		}
	}
	if got := strings.Join(a.Unweighed, " "); got != "pearl-4 crimp-2x2 lobster-10 ring-5" && got != "pearl-4 crimp-2x2 ring-5 lobster-10" {
		t.Errorf("unweighed: %s", got)
	}
	counts := map[string]int{}
	for _, c := range a.Tally {
		counts[c.Material] = c.Count
	}
	if want := map[string]int{"pearl-4": 100, "lantern-10": 3, "crimp-2x2": 2, "ring-5": 2, "lobster-10": 1, "wire-038-19": 1}; !reflect.DeepEqual(counts, want) {
		t.Errorf("tally %v, want %v", counts, want)
	}
	if a.InsideMm == nil || math.Abs(float64(*a.InsideMm-a.InsideRule.Mm)) > 8 {
		t.Errorf("inside %v is far from the rule of thumb, %v", a.InsideMm, a.InsideRule.Mm)
	}
}

func TestAPieceToFileAndBackLosesNothing(t *testing.T) {
	files, _ := filepath.Glob("../demo/pieces/*.json")
	for _, text := range append([]string{example}, contents(t, files)...) {
		doc := read(t, text)
		out, err := json.Marshal(doc)
		if err != nil {
			t.Fatal(err)
		}
		if back := read(t, string(out)); !reflect.DeepEqual(back, doc) {
			t.Errorf("%s came back different", doc.Name)
		}
	}
}

func contents(t *testing.T, files []string) []string {
	t.Helper()
	var out []string
	for _, f := range files {
		data, err := os.ReadFile(f)
		if err != nil {
			t.Fatal(err)
		}
		out = append(out, string(data))
	}
	return out
}

func TestBadFilesAreAnsweredWithPlaceAndSentence(t *testing.T) {
	swap := func(old, new string) string {
		if !strings.Contains(example, old) {
			t.Fatalf("the example has no %s", old)
		}
		return strings.Replace(example, old, new, 1)
	}
	for _, tt := range []struct{ name, in, where, says string }{
		{"no JSON", "beads", "", "Line 1"},
		{"nothing", "", "", "JSON"},
		{"another format", `{"format": "shopping/1"}`, "format", "not a piece file"},
		{"a newer version", swap("mala-piece/1", "mala-piece/2"), "format", "newer Mala"},
		{"trailing text", example + "x", "", "JSON"},
		{"an unknown field", swap(`"notes": ""`, `"colour": "red"`), "colour", "no such field"},
		{"a field in other letters", swap(`"notes": ""`, `"Notes": ""`), "Notes", "no such field"},
		{"a repeated field", swap(`"notes": ""`, `"name": "x"`), "name", "twice"},
		{"text for a number", swap(`"holeMm": 0.8`, `"holeMm": "wide"`), "materials[0].holeMm", "a number"},
		{"not a number", swap(`"holeMm": 0.8`, `"holeMm": NaN`), "", "JSON"},
		{"a number beyond all bounds", swap(`"holeMm": 0.8`, `"holeMm": 1e999`), "materials[0].holeMm", "a number"},
		{"no name", swap(`"Harbour Lights"`, `"  "`), "name", "needed"},
		{"a name of two lines", swap(`"Harbour Lights"`, `"a\nb"`), "name", "plain text"},
		{"a tag of nothing", swap(`"notes": ""`, `"tags": ["sea", " "]`), "tags[1]", "A tag is a word"},
		{"a bead of no size", swap(`"acrossMm": 4,`, ""), "materials[0]", "acrossMm is 0 mm"},
		{"a negative bead", swap(`"acrossMm": 4`, `"acrossMm": -4`), "materials[0]", "acrossMm is -4 mm"},
		{"an absurd bead", swap(`"acrossMm": 4`, `"acrossMm": 4e9`), "materials[0]", "between 0.1 and 200"},
		{"a hole wider than its bead", swap(`"holeMm": 0.8`, `"holeMm": 5`), "materials[0]", "narrower than its bead"},
		{"a negative ring wire", swap(`"wireMm": 0.7`, `"wireMm": -1`), "materials[4].wireMm", "cannot be"},
		{"an unknown shape", swap(`"shape": "round"`, `"shape": "blob"`), "materials[0].shape", "no shape"},
		{"an unknown id", swap(`"L": "lantern-10"`, `"L": "moon"`), "palette.L", `"moon"`},
		{"a bad letter", swap(`"L": "lantern-10"`, `"ll": "lantern-10"`), "palette.ll", "A to Z"},
		{"a crimp in a dish", swap(`"L": "lantern-10"`, `"L": "crimp-2x2"`), "palette.L", "no bead"},
		{"the same id twice", swap(`"id": "lantern-10"`, `"id": "pearl-4"`), "materials[1].id", "twice"},
		{"a cord that is a bead", swap(`"cord": "wire-038-19"`, `"cord": "pearl-4"`), "sections[0].rows[0].cord", "cord"},
		{"a bead as a clasp", swap(`["lobster-10", "ring-5"]`, `["pearl-4"]`), "closure.left[0]", "no clasp, ring"},
		{"a hanger", swap(`"necklace"`, `"hanger"`), "kind", "not made here yet"},
		{"two rows", swap(`{"rows": [`, `{"rows": [{"cord": "wire-038-19", "line": "P"},`), "sections", "2 rows"},
		{"a chain", swap(`{"rows": [`, `{"chain": "links", "rows": [`), "sections[0].chain", "not built"},
		{"no section", swap(`"sections": [`, `"sections": [], "notes": "`+strings.Repeat("x", 3)+`", "house": {}, "materials": [`), "", ""},
		{"a target below nothing", swap(`"finishedMm": 445`, `"finishedMm": -1`), "target.finishedMm", "cannot be"},
		{"a house choice there is not", swap(`"house": {}`, `"house": {"tail": "braided"}`), "house.tail", "not one of the choices"},
		{"a line that does not read", swap(`<36P L 14P | L>`, `<36P L 14P L>`), "sections[0].rows[0].line", "needs a |"},
		{"a letter without a dish", swap(`<36P L 14P | L>`, `36P Q`), "sections[0].rows[0].line", "letter Q"},
		{"too many beads", swap(`<36P L 14P | L>`, `9999(36P)`), "sections[0].rows[0].line", "10000 beads"},
		{"a colour that is script", swap(`"massG": 1.3`, `"look": {"colour": "url(x)"}`), "materials[1].look.colour", "no colour"},
	} {
		doc, err := format.Read([]byte(tt.in))
		if err == nil {
			_, err = format.Analyse(doc, format.Options{})
		}
		faults, ok := err.(format.Faults)
		if !ok {
			t.Errorf("%s: %v, want faults", tt.name, err)
			continue
		}
		if f := faults[0]; f.Where != tt.where && tt.where != "" || !strings.Contains(f.Says, tt.says) {
			t.Errorf("%s: %q %q, want %q saying %q", tt.name, f.Where, f.Says, tt.where, tt.says)
		}
		for _, f := range faults {
			if !strings.HasSuffix(f.Says, ".") {
				t.Errorf("%s: %q is no sentence", tt.name, f.Says)
			}
		}
	}
	if _, err := format.Read(make([]byte, format.MaxBytes+1)); err == nil {
		t.Error("a file above the limit was read")
	}
}

func TestALineHalfTypedCanBeKept(t *testing.T) {
	doc := read(t, strings.Replace(example, "<36P L 14P | L>", "<36P L", 1))
	if err := doc.Check(); err != nil {
		t.Errorf("a draft with a line half typed was refused: %v", err)
	}
	doc.Kind = "boat"
	if doc.Check() == nil {
		t.Error("a draft of no known kind was taken")
	}
}

func TestNamesInAnyScriptAreTaken(t *testing.T) {
	for _, name := range []string{"Ночь", "夜の港", "ليل", "Fête 🌙", "<b>bold</b> & \"quoted\""} {
		doc := read(t, example)
		doc.Name = name
		if _, err := format.Analyse(doc, format.Options{}); err != nil {
			t.Errorf("%q: %v", name, err)
		}
	}
}

func TestTheHouseCanBeOverridden(t *testing.T) {
	doc := read(t, example)
	zero := length.MM(0)
	doc.House = format.House{Tail: "trimmed", Hand: "spool", LoopMm: &zero, TargetCounts: "beads"}
	a, err := format.Analyse(doc, format.Options{})
	if err != nil {
		t.Fatal(err)
	}
	s := a.Strands[0]
	if want := s.StrungMm + 3 + 2*2*2 + 25; math.Abs(float64(s.CutMm-want)) > 0.001 {
		t.Errorf("cut = %v, want %v", float64(s.CutMm), float64(want))
	}
	if a.Target.Counts != "beads" || a.Target.Mm != s.StrungMm {
		t.Errorf("target %+v, want the beads alone held against it", a.Target)
	}
}

func TestSchemasAreThoseInTheDocs(t *testing.T) {
	for _, name := range []string{"piece", "analysis"} {
		kept, err := os.ReadFile("../docs/format/" + name + ".schema.json")
		if err != nil {
			t.Fatal(err)
		}
		if string(kept) != string(format.Schema(name)) {
			t.Errorf("docs/format/%s.schema.json is not what the types give; run make generate", name)
		}
	}
}

func TestDriftTellsTheLengthBeforeAndAfter(t *testing.T) {
	doc := read(t, example)
	now := doc.Materials[0]
	now.AcrossMm = 4.2
	catalogue := map[string]format.Material{"pearl-4": now, "lantern-10": doc.Materials[1]}
	d := format.DriftOf(doc, catalogue, format.House{})
	if d == nil || len(d.Materials) != 1 || d.Materials[0] != "pearl-4" || d.AfterMm <= d.BeforeMm+15 {
		t.Fatalf("drift = %+v", d)
	}
	if doc.Materials[0].AcrossMm != 4 {
		t.Error("looking for drift changed the piece")
	}
	if format.DriftOf(&d.Document, catalogue, format.House{}) != nil {
		t.Error("a piece with the catalogue's measures still drifts")
	}
}

func TestStartersComeToTheirLength(t *testing.T) {
	var catalogue struct {
		Materials []format.Material
	}
	data, _ := os.ReadFile("../demo/catalogue.json")
	if err := json.Unmarshal(data, &catalogue); err != nil {
		t.Fatal(err)
	}
	for _, tt := range []struct {
		kind, closure string
		target        length.MM
	}{{"necklace", "clasp", 450}, {"bracelet", "knot", 190}, {"anklet", "clasp", 240}, {"bracelet", "none", 200}} {
		doc, err := format.Starter("x", tt.kind, tt.closure, tt.target, catalogue.Materials)
		if err != nil {
			t.Fatal(err)
		}
		a, err := format.Analyse(&doc, format.Options{})
		if err != nil || !a.Target.Within || len(a.Checks) > 0 {
			t.Errorf("%s by %s: %+v %v, %v", tt.kind, tt.closure, a.Target, a.Checks, err)
		}
	}
	if _, err := format.Starter("x", "necklace", "clasp", 450, nil); err == nil {
		t.Error("a starter was made from an empty catalogue")
	}
}
