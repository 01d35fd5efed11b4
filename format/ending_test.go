package format_test

import (
	"strings"
	"testing"

	"mala/core/edit"
	"mala/core/length"
	"mala/core/piece"
	"mala/desk"
	"mala/format"
)

// buttoned is a demo piece closed by a button and a loop of beads.
func buttoned(t *testing.T) *format.Document {
	t.Helper()
	return read(t, contents(t, []string{"../demo/pieces/boathook.json"})[0])
}

func TestAnEndChangedIsWrittenAndReadAgain(t *testing.T) {
	doc := buttoned(t)
	before, err := doc.Piece(format.House{})
	if err != nil {
		t.Fatal(err)
	}
	at := piece.Place{Side: piece.Left, Element: piece.NoElement}
	ten := length.MM(10)
	after, _, err := edit.Apply(before, nil,
		edit.SetEndTail{At: at, Length: &ten},
		edit.SetEndStop{At: at, By: piece.StopClip},
		edit.SetEndLoop{At: piece.Place{Side: piece.Right, Element: piece.NoElement}, Beads: "20R"})
	if err != nil {
		t.Fatal(err)
	}
	doc.Take(before, after, func(string) (format.Material, bool) { return format.Material{}, false })
	row := doc.Row("r1")
	if row.LeftEnd == nil || *row.LeftEnd.TailMm != 10 || row.LeftEnd.Stop != "clip" || row.RightEnd.Loop != "20R" || row.RightEnd.Way != "loop" {
		t.Errorf("%+v %+v", row.LeftEnd, row.RightEnd)
	}
	text := written(t, doc)
	again, err := read(t, text).Piece(format.House{})
	if err != nil || again.Leading().RightEnding.Loop.String() != "20R" || *again.Leading().LeftEnding.Tail.Length != 10 {
		t.Errorf("%v: %+v", err, again)
	}
	plain, _, err := edit.Apply(after, nil, edit.SetEndTail{At: at}, edit.SetEndWay{At: at, Way: "fold"})
	if err != nil {
		t.Fatal(err)
	}
	doc.Take(after, plain, func(string) (format.Material, bool) { return format.Material{}, false })
	row = doc.Row("r1")
	if row.Passes != 2 || row.LeftEnd.Way != "fold" || row.LeftEnd.TailMm != nil {
		t.Errorf("folded: %d passes, %+v", row.Passes, row.LeftEnd)
	}
	bare, _, err := edit.Apply(plain, nil, edit.SetEndWay{At: at}, edit.SetEndStop{At: at})
	if err != nil {
		t.Fatal(err)
	}
	doc.Take(plain, bare, func(string) (format.Material, bool) { return format.Material{}, false })
	if row = doc.Row("r1"); row.LeftEnd != nil || row.Passes != 1 {
		t.Errorf("as its fittings have it there is nothing to write: %+v, %d", row.LeftEnd, row.Passes)
	}
}

func TestABeadOnALegIsFetchedAndLeftOutAgain(t *testing.T) {
	doc := read(t, contents(t, []string{"../demo/pieces/low-water.json"})[0])
	before, err := doc.Piece(format.House{})
	if err != nil {
		t.Fatal(err)
	}
	names := func(d *format.Document) string { return strings.Join(d.Used(), " ") }
	if !strings.Contains(names(doc), "driftwood-8") {
		t.Fatalf("it uses %s", names(doc))
	}
	after := before.Clone()
	after.Leading().LeftEnding.Bead, after.Leading().RightEnding.Bead = nil, nil
	n := len(doc.Materials)
	doc.Take(before, after, func(string) (format.Material, bool) { return format.Material{}, false })
	if strings.Contains(names(doc), "driftwood-8") || len(doc.Materials) != n-1 || doc.Row("r1").LeftEnd.Bead != "" {
		t.Errorf("without its bead it uses %s", names(doc))
	}
	fetched := false
	doc.Take(after, before, func(id string) (format.Material, bool) {
		fetched = id == "driftwood-8"
		m := format.Material{ID: id, Class: "bead", Name: "Driftwood round", Shape: "round", AcrossMm: 8, HoleMm: 1.8}
		return m, true
	})
	if !fetched || len(doc.Materials) != n {
		t.Errorf("it is not fetched again: %d materials", len(doc.Materials))
	}
}

func TestEndsThatAreWrongAreAnsweredAtTheirPlace(t *testing.T) {
	for _, tt := range []struct{ name, old, new, where, says string }{
		{"a way there is not", `"way": "loop"`, `"way": "bow"`, "sections[0].rows[0].rightEnd.way", "no way"},
		{"a loop that cannot be read", `"18R"`, `"18(R"`, "sections[0].rows[0].rightEnd.loop", "not closed"},
		{"a loop without a dish", `"18R"`, `"18Q"`, "sections[0].rows[0].rightEnd.loop", "letter Q"},
		{"a huge loop", `"18R"`, `"999(9999R)"`, "sections[0].rows[0].rightEnd.loop", "at most 400"},
		{"what hangs and is not listed", `"loop": "18R"`, `"loop": "18R", "hung": ["moon"]`, "sections[0].rows[0].rightEnd.hung[0]", `"moon"`},
		{"a bead that is not listed", `"loop": "18R"`, `"loop": "18R", "bead": "moon"`, "sections[0].rows[0].rightEnd.bead", `"moon"`},
		{"a field of another", `"loop": "18R"`, `"loop": "18R", "bow": 1`, "sections[0].rows[0].rightEnd.bow", "no such field"},
		{"a button without a shank", `"insideMm": 2,`, ``, "materials[", "The inside is missing"},
	} {
		text := contents(t, []string{"../demo/pieces/boathook.json"})[0]
		if !strings.Contains(text, tt.old) {
			t.Fatalf("the piece has no %s", tt.old)
		}
		doc, err := format.Read([]byte(strings.Replace(text, tt.old, tt.new, 1)))
		if err == nil {
			_, err = desk.Analyse(t.Context(), doc, desk.Options{})
		}
		faults, ok := err.(format.Faults)
		if !ok || !strings.HasPrefix(faults[0].Where, tt.where) || !strings.Contains(faults[0].Says, tt.says) {
			t.Errorf("%s: %v, want %s saying %q", tt.name, err, tt.where, tt.says)
		}
	}
}
