package desk_test

import (
	"encoding/json"
	"maps"
	"math"
	"os"
	"reflect"
	"slices"
	"strings"
	"testing"

	"mala/core/check"
	"mala/core/length"
	"mala/desk"
	"mala/desk/kits"
	"mala/desk/testdesk"
	"mala/format"
)

// example is the document of the format's own description.
var example = func() string {
	text, err := os.ReadFile("../format/testdata/example.json")
	if err != nil {
		panic(err)
	}
	return string(text)
}()

func TestTheExampleComesToItsFigures(t *testing.T) {
	a := testdesk.Analysed(t, testdesk.Read(t, example), desk.Options{})
	// Worked by hand: 100 pearls of 3.919 beside three lanterns whose holes they
	// enter at radius 1.25.
	pearl, joint := math.Sqrt(16-0.64), math.Sqrt(4-1.5625)+math.Sqrt(25-1.5625)
	strung := 2*35*pearl + 2*13*pearl + 6*joint + pearl
	finished := strung + 3 + 2*(2+2) + 2*3.6 + 8.6
	for name, pair := range map[string][2]float64{
		"strung":   {float64(a.Strand("r1").StrungMm), strung},
		"finished": {float64(a.FinishedMm), finished},
		"mass":     {a.MassG, 3.9},
		"cut":      {float64(a.Strand("r1").CutMm), strung + 3 + 2*(2*(2+2)+25+60)},
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

func TestNamesInAnyScriptAreTaken(t *testing.T) {
	for _, name := range []string{"Ночь", "夜の港", "ليل", "Fête 🌙", "<b>bold</b> & \"quoted\""} {
		doc := testdesk.Read(t, example)
		doc.Name = name
		if _, err := desk.Analyse(t.Context(), doc, desk.Options{}); err != nil {
			t.Errorf("%q: %v", name, err)
		}
	}
}

func TestTheHouseCanBeOverridden(t *testing.T) {
	doc := testdesk.Read(t, example)
	zero := length.MM(0)
	doc.House = format.House{Tail: "trimmed", Allowance: "spool", LoopMm: &zero, TargetCounts: "beads"}
	a := testdesk.Analysed(t, doc, desk.Options{})
	s := a.Strand("r1")
	if want := s.StrungMm + 3 + 2*2*2 + 25; math.Abs(float64(s.CutMm-want)) > 0.001 {
		t.Errorf("cut = %v, want %v", float64(s.CutMm), float64(want))
	}
	if a.Target.Counts != "beads" || a.Target.Mm != s.StrungMm {
		t.Errorf("target %+v, want the beads alone held against it", a.Target)
	}
}

func TestSchemasAreThoseInTheDocs(t *testing.T) {
	for name, schema := range map[string][]byte{"piece": format.PieceSchema(), "kit": format.KitSchema(), "analysis": desk.AnalysisSchema()} {
		kept, err := os.ReadFile("../docs/format/" + name + ".schema.json")
		if err != nil {
			t.Fatal(err)
		}
		if string(kept) != string(schema) {
			t.Errorf("docs/format/%s.schema.json is not what the types give; run make generate", name)
		}
	}
}

func TestDriftGivesTheLengthBeforeAndAfter(t *testing.T) {
	doc := testdesk.Read(t, example)
	now := doc.Materials[0]
	now.AcrossMm = 4.2
	catalogue := map[string]format.Material{"pearl-4": now, "lantern-10": doc.Materials[1]}
	d := kits.DriftOf(t.Context(), doc, catalogue, nil, format.House{})
	if d == nil || len(d.Materials) != 1 || d.Materials[0] != "pearl-4" || d.AfterMm <= d.BeforeMm+15 {
		t.Fatalf("drift = %+v", d)
	}
	if doc.Materials[0].AcrossMm != 4 {
		t.Error("looking for drift changed the piece")
	}
	if kits.DriftOf(t.Context(), &d.Document, catalogue, nil, format.House{}) != nil {
		t.Error("a piece with the catalogue's measures still drifts")
	}
}

func TestStartersComeToTheirLength(t *testing.T) {
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	for _, tt := range []struct {
		kind, closure string
		target        length.MM
	}{{"necklace", "clasp", 450}, {"bracelet", "knot", 190}, {"anklet", "clasp", 240}, {"bracelet", "none", 200}} {
		doc, err := desk.Starter(t.Context(), desk.Answers{Name: "x", Kind: tt.kind, Closure: tt.closure, Target: tt.target, Rows: 1}, shelf, format.House{})
		if err != nil {
			t.Fatal(err)
		}
		a, err := desk.Analyse(t.Context(), &doc, desk.Options{})
		if err != nil || !a.Target.Within || len(a.Checks) > 0 {
			t.Errorf("%s by %s: %+v %v, %v", tt.kind, tt.closure, a.Target, a.Checks, err)
		}
	}
	if _, err := desk.Starter(t.Context(), desk.Answers{Name: "x", Kind: "necklace", Closure: "clasp", Target: 450, Rows: 1}, nil, format.House{}); err == nil {
		t.Error("a starter was made from an empty catalogue")
	}
}

// A new piece for a wearer suits that wearer, whichever bead it opens with, and its target is what it comes to.
func TestStartersComeToTheirWearer(t *testing.T) {
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	for _, tt := range []struct {
		kind, closure, part, bead string
		measure                   length.MM
	}{
		{"bracelet", "clasp", "wrist", "", 165}, {"bracelet", "knot", "wrist", "", 150}, {"bracelet", "clasp", "wrist", "lantern-8", 165}, {"bracelet", "clasp", "wrist", "lantern-10", 172},
		{"anklet", "clasp", "ankle", "", 230}, {"necklace", "clasp", "neck", "", 360}, {"bracelet", "knot", "wrist", "granite-10", 180},
	} {
		doc, err := desk.Starter(t.Context(), desk.Answers{Name: "x", Kind: tt.kind, Closure: tt.closure, Body: &format.Body{Part: tt.part, MeasureMm: tt.measure}, Bead: tt.bead}, shelf, format.House{})
		if err != nil {
			t.Fatal(tt, err)
		}
		a, err := desk.Analyse(t.Context(), &doc, desk.Options{})
		if err != nil || a.Fit == nil || !a.Fit.Suits || !a.Target.Within {
			t.Errorf("%+v: %+v, %+v, %v", tt, a.Fit, a.Target, err)
		}
		for _, c := range a.Checks {
			if c.Severity == "stop" {
				t.Errorf("%+v: %s %s", tt, c.Title, c.Says)
			}
		}
		if tt.bead != "" && !slices.Contains(slices.Collect(maps.Values(doc.Palette)), tt.bead) {
			t.Errorf("%+v opens with %v", tt, doc.Palette)
		}
	}
	for says, start := range map[string]desk.Answers{
		"not worn":         {Kind: "ornament", Closure: "hung", Body: &format.Body{Part: "wrist", MeasureMm: 165}},
		"too small":        {Kind: "bracelet", Closure: "clasp", Body: &format.Body{Part: "wrist", MeasureMm: 5}},
		"has no bead with": {Kind: "bracelet", Closure: "clasp", Target: 190, Bead: "no-such-bead"},
	} {
		if _, err := desk.Starter(t.Context(), start, shelf, format.House{}); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v", says, err)
		}
	}
}

func TestAPieceFollowsItsShopAndTheShopTheDefaults(t *testing.T) {
	doc := testdesk.Read(t, example)
	plain := testdesk.Analysed(t, doc, desk.Options{})
	shop := desk.Options{House: format.House{Slack: "easy", Allowance: "generous"}}
	followed := testdesk.Analysed(t, doc, shop)
	if by := followed.Strand("r1").CutMm - plain.Strand("r1").CutMm; by < 119.9 || by > 120.1 {
		t.Errorf("in a generous house it is cut %v longer", by)
	}
	doc.House = format.House{Allowance: "standard"}
	if own := testdesk.Analysed(t, doc, shop); own.Strand("r1").CutMm != plain.Strand("r1").CutMm {
		t.Errorf("with a way of its own it is cut to %v, want %v", own.Strand("r1").CutMm, plain.Strand("r1").CutMm)
	}
}

func TestDoubledThreadPassesTwice(t *testing.T) {
	doc := testdesk.Read(t, example)
	doc.Row("r1").Cord = "thread"
	doc.Materials = append(doc.Materials, format.Material{ID: "thread", Class: "cord", Name: "Thread", Type: "thread", DiameterMm: 0.2})
	passes := func(h format.House) int {
		a := testdesk.Analysed(t, doc, desk.Options{House: h})
		return a.Strand("r1").Placed[len(a.Strand("r1").Placed)/2].Passes
	}
	if single, doubled := passes(format.House{}), passes(format.House{Thread: "doubled"}); single != 1 || doubled != 2 {
		t.Errorf("single thread passes %d times, doubled %d", single, doubled)
	}
	doc.Row("r1").Passes = 3
	if own := passes(format.House{Thread: "doubled"}); own != 3 {
		t.Errorf("a row of its own passes %d times", own)
	}
}

func TestTheEffectsOfAnotherHouseMethod(t *testing.T) {
	doc := testdesk.Read(t, example)
	house := func(h format.House) desk.Options { return desk.Options{House: h, Unit: length.InMillimetres} }
	if effect := desk.EffectOf(t.Context(), doc, house(format.House{}), house(format.House{Knot: "triple"})); effect != nil {
		t.Errorf("a knot moves a crimped strand: %+v", effect)
	}
	effect := desk.EffectOf(t.Context(), doc, house(format.House{}), house(format.House{Stopper: "spool"}))
	if effect == nil || effect.After.CutMm >= effect.Before.CutMm || effect.After.Steps == effect.Before.Steps {
		t.Errorf("from the spool: %+v", effect)
	}
	doc.Row("r1").Line = "9("
	if effect := desk.EffectOf(t.Context(), doc, house(format.House{}), house(format.House{Allowance: "spool"})); effect != nil {
		t.Error("a line with an error has figures")
	}
}

func TestThreadAndStepsFollowThePiece(t *testing.T) {
	states := func(doc *format.Document) map[string]string {
		out := map[string]string{}
		for _, s := range testdesk.Analysed(t, doc, desk.Options{}).Thread {
			out[s.Step] = s.State
		}
		return out
	}
	doc := testdesk.Read(t, example)
	doc.House.Tail = "trimmed" // its pearls only just take two passes
	doc.Body, doc.Target.FinishedMm = nil, testdesk.Analysed(t, doc, desk.Options{}).FinishedMm
	if got, want := states(doc), map[string]string{"decide": "settled", "lay-out": "settled", "fit": "untouched", "ends": "settled"}; !reflect.DeepEqual(got, want) {
		t.Errorf("settled but for its wearer: %v", got)
	}
	doc.Target = nil
	doc.Closure.Left, doc.Row("r1").Left, doc.Row("r1").Right = nil, nil, nil
	doc.Closure.Right = nil
	if got := states(doc); got["decide"] != "untouched" || got["ends"] != "wrong" {
		t.Errorf("nothing decided and no ends: %v", got)
	}
	doc = testdesk.Read(t, example)
	doc.House.Tail = "trimmed"
	cut := length.MM(100)
	doc.Row("r1").CutMm = &cut
	if got := states(doc); got["ends"] != "wrong" {
		t.Errorf("cut too short: %v", got)
	}
	doc.Waived = []format.Waiver{{Code: "leg-short", Note: "joined"}}
	if got := states(doc); got["ends"] != "settled" {
		t.Errorf("cut too short, and may be: %v", got)
	}
}

func TestTheCardShowsWhatIsOpenAndNotWhatIsWaived(t *testing.T) {
	doc := testdesk.Read(t, strings.Replace(example, "<36P L 14P | L>", "30P", 1))
	doc.House.Tail = "trimmed"
	c := func(doc *format.Document) *desk.Card {
		card := desk.CardOf(doc, format.House{})
		return &card
	}
	if c := desk.CardOf(doc, format.House{}); c.Worst != "warn" || c.Beads != 30 || c.FinishedMm == nil {
		t.Errorf("a strand far too short: %+v", c)
	}
	doc.Waived = []format.Waiver{{Code: "length-off", Note: "a sample"}, {Code: "ease-off", Note: "a sample"}}
	if c := desk.CardOf(doc, format.House{}); c.Worst != "" {
		t.Errorf("waived: %+v", c)
	}
	if worst, n := c(doc).InStock(check.Stock{"none": 3}); n != c(doc).Problems || worst != "" {
		t.Errorf("a stock that counts nothing of it: %d, %s", n, worst)
	}
	used := c(doc).Takes[0]
	if worst, n := c(doc).InStock(check.Stock{used.ID: used.Count - 1}); n != c(doc).Problems+1 || worst != "warn" {
		t.Errorf("one bead short: %d, %s", n, worst)
	}
	doc.Waived = append(doc.Waived, format.Waiver{Code: "shelf-short", Of: used.ID, Note: "on its way"})
	if worst, n := c(doc).InStock(check.Stock{used.ID: used.Count - 1}); n != c(doc).Problems || worst != "" {
		t.Errorf("one bead short, and on its way: %d, %s", n, worst)
	}
	doc.Row("r1").Line = "9("
	if c := desk.CardOf(doc, format.House{}); c.Worst != "line" || c.FinishedMm != nil {
		t.Errorf("with a line that has errors: %+v", c)
	}
}

func TestOperationsChangeTheDocumentAndNothingElse(t *testing.T) {
	doc := testdesk.Read(t, example)
	before, _ := json.Marshal(doc)
	after := testdesk.Apply(t, doc, desk.Operation{Do: "insert", From: 0, To: 0, Text: "2L"}, desk.Operation{Do: "set-house", Field: "tail", Text: "trimmed"},
		desk.Operation{Do: "set-details", Details: &desk.Details{Name: "Harbour Dusk", Tags: []string{"sea"}}},
		desk.Operation{Do: "drop-fitting", At: &format.Place{Fitting: doc.Closure.Right[0].ID}})
	if row := after.Row("r1"); row.Line != "<2L 36P L 14P | L>" || after.House.Tail != "trimmed" || after.Name != "Harbour Dusk" || len(after.Closure.Right) != 0 {
		t.Errorf("%+v %+v", row, after)
	}
	if now, _ := json.Marshal(doc); string(now) != string(before) {
		t.Error("the document that was given changed too")
	}
	// Half a line keeps nothing else from being changed, and stays as it is typed.
	half := testdesk.Apply(t, doc, desk.Operation{Do: "set-line", Text: "<36P  L"}, desk.Operation{Do: "set-target", Mm: testdesk.MM(500)})
	if half.Row("r1").Line != "<36P  L" || half.Target.FinishedMm != 500 {
		t.Errorf("%+v %+v", half.Row("r1"), half.Target)
	}
	for name, op := range map[string]desk.Operation{
		"a line that has errors":  {Do: "reverse", From: 0, To: 2},
		"an unknown material":     {Do: "set-cord", Material: "moon"},
		"no details":              {Do: "set-details"},
		"a row that is not there": {Do: "set-line", At: &format.Place{Strand: "r7"}, Text: "P"},
		"a kind there is not":     {Do: "set-kind", Text: "boat"},
	} {
		if _, err := desk.Apply(half, []desk.Operation{op}, desk.Options{}); err == nil {
			t.Errorf("%s was carried out", name)
		} else if _, ok := err.(format.Faults); !ok {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func TestEveryFixIsCarriedOutOnTheDocument(t *testing.T) {
	doc := testdesk.Read(t, strings.Replace(example, "<36P L 14P | L>", "L 20P L", 1))
	doc.Target.FinishedMm = 150
	doc.House.Tail = "trimmed"
	a := testdesk.Analysed(t, doc, desk.Options{Fixes: true})
	fixed := 0
	for _, c := range a.Checks {
		if c.Fix == nil {
			continue
		}
		fixed++
		after, err := desk.Apply(doc, c.Fix.Operations, desk.Options{})
		if err != nil {
			t.Fatalf("%s: %v", c.Fix.Says, err)
		}
		b := testdesk.Analysed(t, &after.Document, desk.Options{})
		for _, left := range b.Checks {
			if left.Code == c.Code && left.End == c.End && left.Severity == c.Severity {
				t.Errorf("%s leaves %s", c.Fix.Says, left.Says)
			}
		}
	}
	if fixed < 2 {
		t.Errorf("%d of %+v have a fix", fixed, a.Checks)
	}
	fixes, err := desk.Fixes(t.Context(), doc, desk.Options{})
	if err != nil || len(fixes) != len(a.Checks) {
		t.Fatalf("%d fixes, %v", len(fixes), err)
	}
	for i := range fixes {
		if (fixes[i] == nil) != (a.Checks[i].Fix == nil) {
			t.Errorf("check %d: %+v here, %+v there", i, fixes[i], a.Checks[i].Fix)
		}
	}
}

func TestEqualMeasuresAreNoNewMeasures(t *testing.T) {
	doc := testdesk.Read(t, example)
	catalogue := map[string]format.Material{}
	for _, m := range doc.Materials {
		if m.Class == "bead" {
			m.ThickMm, m.Facing, m.Sized, m.Name, m.Look = m.AcrossMm, "none", "nominal", "By another name", &format.Look{Colour: "#ffffff"}
		}
		if m.Type == "jump-ring" {
			m.Joint, m.Form, m.Price = "open", "round", &format.Price{Amount: 3, Per: 100}
		}
		catalogue[m.ID] = m
	}
	if d := kits.DriftOf(t.Context(), doc, catalogue, nil, format.House{}); d != nil {
		t.Errorf("drift %+v", d.Materials)
	}
}
