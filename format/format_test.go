package format_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"reflect"
	"regexp"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/format"
)

// example is the document of the format's own description.
var example = func() string {
	text, err := os.ReadFile("testdata/example.json")
	if err != nil {
		panic(err)
	}
	return string(text)
}()

func read(t *testing.T, text string) *format.Document {
	t.Helper()
	doc, err := format.Read([]byte(text))
	if err != nil {
		t.Fatal(err)
	}
	return doc
}

func written(t testing.TB, v any) string {
	t.Helper()
	out, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	return string(out)
}

func analysed(t *testing.T, doc *format.Document, opt desk.Options) *desk.Analysis {
	t.Helper()
	a, err := desk.Analyse(t.Context(), doc, opt)
	if err != nil {
		t.Fatal(err)
	}
	return a
}

func fileText(t testing.TB, path string) string {
	t.Helper()
	text, err := os.ReadFile(path)
	if err != nil {
		t.Fatal(err)
	}
	return string(text)
}

func TestAPieceToFileAndBackLosesNothing(t *testing.T) {
	files, _ := filepath.Glob("../demo/pieces/*.json")
	for _, text := range append([]string{example}, contents(t, files)...) {
		doc := read(t, text)
		if back := read(t, written(t, doc)); !reflect.DeepEqual(back, doc) {
			t.Errorf("%s came back different", doc.Name)
		}
	}
}

func contents(t *testing.T, files []string) []string {
	t.Helper()
	var out []string
	for _, f := range files {
		out = append(out, fileText(t, f))
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
		{"a newer version", swap("mala-piece/1", "mala-piece/3"), "format", "newer Mala"},
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
		{"a bead of no size", swap(`"acrossMm": 4,`, ""), "materials[0]", "The diameter is missing"},
		{"a negative bead", swap(`"acrossMm": 4`, `"acrossMm": -4`), "materials[0]", "The diameter is -4 mm"},
		{"an absurd bead", swap(`"acrossMm": 4`, `"acrossMm": 4e9`), "materials[0]", "between 0.1 and 200"},
		{"a hole wider than its bead", swap(`"holeMm": 0.8`, `"holeMm": 5`), "materials[0]", "narrower than its bead"},
		{"a negative ring wire", swap(`"wireMm": 0.7`, `"wireMm": -1`), "materials[4].wireMm", "Ring 5: -1 is out of range"},
		{"an unknown shape", swap(`"shape": "round"`, `"shape": "blob"`), "materials[0].shape", "not a known shape"},
		{"an unknown id", swap(`"L": "lantern-10"`, `"L": "moon"`), "palette.L", `"moon"`},
		{"a bad letter", swap(`"L": "lantern-10"`, `"ll": "lantern-10"`), "palette.ll", "A to Z"},
		{"a crimp in a dish", swap(`"L": "lantern-10"`, `"L": "crimp-2x2"`), "palette.L", "not a bead"},
		{"the same id twice", swap(`"id": "lantern-10"`, `"id": "pearl-4"`), "materials[1].id", "twice"},
		{"a cord that is a bead", swap(`"cord": "wire-038-19"`, `"cord": "pearl-4"`), "sections[0].rows[0].cord", "cord"},
		{"a bead as a clasp", swap(`["lobster-10", "ring-5"]`, `["pearl-4"]`), "closure.left[0]", "not a clasp, ring"},
		{"a hanger", swap(`"necklace"`, `"hanger"`), "kind", "not made here yet"},
		{"a row in a hole that is not there", swap(`{"rows": [`, `{"rows": [{"cord": "wire-038-19", "line": "P", "leftPort": {"hole": 3}},`), "sections[0].rows[0].leftPort.hole", "no hole 3"},
		{"a row on what is not there", swap(`{"rows": [`, `{"rows": [{"cord": "wire-038-19", "line": "P", "leftPort": {"on": "moon"}},`), "sections[0].rows[0].leftPort.on", `no fitting "moon"`},
		{"too many rows", swap(`{"rows": [`, `{"rows": [`+strings.Repeat(`{"cord": "wire-038-19", "line": "P"},`, 20)), "sections[0].rows", "at most 20"},
		{"an id used twice", swap(`{"rows": [`, `{"rows": [{"id": "x", "cord": "wire-038-19", "line": "P"}, {"id": "x", "cord": "wire-038-19", "line": "P"},`), "sections[0].rows[1].id", "twice"},
		{"a row of neither cord nor chain", swap(`{"rows": [`, `{"rows": [{"line": ""},`), "sections[0].rows[0].cord", "one of chain"},
		{"a section of chain", swap(`{"rows": [`, `{"chain": "links", "rows": [`), "sections[0].chain", "no such field"},
		{"no section", regexp.MustCompile(`(?s)"sections": \[.*?\],\s+"house"`).ReplaceAllString(example, `"sections": [], "house"`), "sections", "has 0"},
		{"a target below nothing", swap(`"finishedMm": 445`, `"finishedMm": -1`), "target.finishedMm", "out of range"},
		{"a house choice there is not", swap(`"house": {}`, `"house": {"tail": "braided"}`), "house.tail", "not one of the choices"},
		{"a line with an error", swap(`<36P L 14P | L>`, `<36P L 14P L>`), "sections[0].rows[0].line", "needs a |"},
		{"a letter without a dish", swap(`<36P L 14P | L>`, `36P Q`), "sections[0].rows[0].line", "letter Q"},
		{"too many beads", swap(`<36P L 14P | L>`, `9999(36P)`), "sections[0].rows[0].line", "10000 beads"},
		{"a colour that is script", swap(`"massG": 1.3`, `"look": {"colour": "url(x)"}`), "materials[1].look.colour", "not a colour"},
	} {
		doc, err := format.Read([]byte(tt.in))
		if err == nil {
			_, err = desk.Analyse(t.Context(), doc, desk.Options{})
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

func TestHouseMethodsMergeAndDiffer(t *testing.T) {
	tail := length.MM(40)
	below := format.House{Slack: "easy", Tail: "trimmed", TailMm: &tail}
	over := format.House{Slack: "snug"}.Merge(below)
	if over.Slack != "snug" || over.Tail != "trimmed" || *over.TailMm != 40 {
		t.Errorf("laid over: %+v", over)
	}
	if beside := over.Diff(below); !reflect.DeepEqual(beside, format.House{Slack: "snug"}) {
		t.Errorf("what differs: %+v", beside)
	}
	whole := format.DefaultHouse()
	if !reflect.DeepEqual(whole.Diff(format.DefaultHouse()), format.House{}) {
		t.Error("the defaults differ from themselves")
	}
	if err := whole.Check(); err != nil {
		t.Error(err)
	}
}

func TestAnInvalidHouseMethodIsReported(t *testing.T) {
	far := length.MM(9000)
	many := 99
	for where, h := range map[string]format.House{
		"house.tail":               {Tail: "curled"},
		"house.unit":               {Unit: "ell"},
		"house.tailMm":             {TailMm: &far},
		"house.tailBeads":          {TailBeads: &many},
		"house.ease[0].toMm":       {Ease: []format.Ease{{Part: "wrist", Word: "odd", FromMm: 10, ToMm: 5}}},
		"house.sizes[0].measureMm": {Sizes: []format.BodySize{{Part: "wrist", Name: "no one", MeasureMm: 0}}},
		"house.lengths[0].name":    {Lengths: []format.NamedLength{{Kind: "necklace", FromMm: 300, ToMm: 400}}},
	} {
		err := h.Check()
		if faults, ok := err.(format.Faults); !ok || faults[0].Where != where || !strings.HasSuffix(faults[0].Says, ".") {
			t.Errorf("%s: %v", where, err)
		}
	}
}

func TestAFileOfVersionOneGetsIdsAndReadsForEver(t *testing.T) {
	doc := read(t, example)
	row := doc.Row("r1")
	if doc.Format != format.PieceFormat || row.ID != "r1" || row.Left[0].ID != "f1" || row.Left[0].Of != "crimp-2x2" || doc.Closure.Left[1].Of != "ring-5" {
		t.Errorf("upgraded: %+v %+v", row, doc.Closure)
	}
	if again := read(t, example); !reflect.DeepEqual(again, doc) {
		t.Error("the same file got other ids")
	}
	ids := map[string]bool{}
	for _, list := range [][]format.Fitting{row.Left, row.Right, doc.Closure.Left, doc.Closure.Right} {
		for _, f := range list {
			if f.ID == "" || ids[f.ID] {
				t.Errorf("%q is no id of its own", f.ID)
			}
			ids[f.ID] = true
		}
	}
	// An id in use is not given a second time.
	mixed := read(t, strings.Replace(example, `"left": ["crimp-2x2"]`, `"left": ["crimp-2x2", {"id": "f1", "of": "ring-5"}]`, 1))
	if left := mixed.Row("r1").Left; left[0].ID == "f1" || left[1].ID != "f1" {
		t.Errorf("ids %+v", left)
	}
	if _, err := format.Read([]byte(strings.Replace(example, `["crimp-2x2"]`, `[{"id": "f1", "on": "crimp-2x2"}]`, 1))); err == nil {
		t.Error("an unknown field of a fitting was read")
	}
}

func TestEveryPieceOfVersionOneReadsAndComesBackTheSame(t *testing.T) {
	files, err := filepath.Glob("testdata/version1/*.json")
	if err != nil || len(files) < 14 {
		t.Fatalf("%d files: %v", len(files), err)
	}
	figures := func(doc *format.Document) string {
		return written(t, analysed(t, doc, desk.Options{}))
	}
	for _, file := range files {
		doc := read(t, fileText(t, file))
		if again := read(t, written(t, doc)); figures(again) != figures(doc) {
			t.Errorf("%s is analysed differently once it is written again", file)
		}
	}
}

func TestTheOldNameOfTheAllowanceIsRead(t *testing.T) {
	doc := read(t, strings.Replace(example, `"house": {}`, `"house": {"hand": "generous"}`, 1))
	written, err := json.Marshal(doc)
	if err != nil || doc.House.Allowance != "generous" || strings.Contains(string(written), `"hand"`) {
		t.Errorf("%+v, written %s: %v", doc.House, written, err)
	}
	_, err = format.Read([]byte(strings.Replace(example, `"house": {}`, `"house": {"hands": "generous"}`, 1)))
	if faults, ok := err.(format.Faults); !ok || faults[0].Where != "house.hands" {
		t.Errorf("an unknown field of the house method: %v", err)
	}
}

func TestALineWithSeveralFaultsShowsAllOfThem(t *testing.T) {
	_, err := read(t, strings.Replace(example, "<36P L 14P | L>", "3P Q 2P 4X Q", 1)).Piece(format.House{})
	faults, _ := err.(format.Faults)
	var at []int
	for _, f := range faults {
		at = append(at, f.Column)
	}
	if !reflect.DeepEqual(at, []int{4, 10, 12}) || faults[0].Place.Strand != "r1" {
		t.Errorf("faults %+v", faults)
	}
}

func TestFaultsComeInAFixedOrderAndNameTheirMaterial(t *testing.T) {
	bad := strings.Replace(strings.Replace(example, `"insideMm": 1.3, "outsideMm": 1.8, "lengthMm": 2`, `"insideMm": -1, "outsideMm": 900, "lengthMm": -3, "wireMm": -2`, 1), `"massG": 1.3`, `"massG": -1, "look": {"colour": "red", "second": "blue"}`, 1)
	var first string
	for range 20 {
		_, err := read(t, bad).Piece(format.House{})
		if first == "" {
			first = err.Error()
		}
		if err.Error() != first {
			t.Fatalf("once\n%s\nthen\n%s", first, err)
		}
	}
	for _, want := range []string{"materials[1].massG: Lantern glass: ", "materials[1].look.colour: Lantern glass: ", "materials[3].insideMm: Crimp 2 x 2: ", "materials[3].wireMm: Crimp 2 x 2: "} {
		if !strings.Contains(first, want) {
			t.Errorf("%q is not among\n%s", want, first)
		}
	}
}

func TestWhatAPieceIsChangedToIsWrittenAndTheRestStays(t *testing.T) {
	doc := read(t, example)
	before, err := doc.Piece(format.House{})
	if err != nil {
		t.Fatal(err)
	}
	after := before.Clone()
	after.House.Tail = "trimmed"
	after.Closure.Right = nil
	doc.Take(before, after, func(string) (format.Material, bool) { return format.Material{}, false })
	if !reflect.DeepEqual(doc.House, format.House{Tail: "trimmed"}) {
		t.Errorf("house %+v", doc.House)
	}
	if doc.Row("r1").Line != "<36P L 14P | L>" || doc.Name != "Harbour Lights" || len(doc.Closure.Right) != 0 || len(doc.Materials) != 6 {
		t.Errorf("%+v", doc)
	}
	after.Closure.Left = after.Closure.Left[:1]
	doc.Take(before, after, func(string) (format.Material, bool) { return format.Material{}, false })
	if len(doc.Materials) != 5 {
		t.Errorf("%d materials are listed, want the 5 it uses", len(doc.Materials))
	}
}

// Files and edits that a stranger sends.
func FuzzRead(f *testing.F) {
	f.Add([]byte(example))
	f.Add([]byte(pendantPiece(f)))
	f.Add([]byte(`{"format": "mala-piece/2", "sections": [{"rows": [{}]}]}`))
	f.Fuzz(func(t *testing.T, data []byte) {
		doc, err := format.Read(data)
		if err != nil {
			return
		}
		if _, err := doc.Piece(format.House{}); err != nil {
			return
		}
		if back, err := format.Read([]byte(written(t, doc))); err != nil || !reflect.DeepEqual(back, doc) {
			t.Fatalf("read back as %+v, %v", back, err)
		}
	})
}
