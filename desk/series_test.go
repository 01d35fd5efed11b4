package desk_test

import (
	"encoding/json"
	"math/rand/v2"
	"path/filepath"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

// Whatever rows and sections are added, moved, joined and removed, a piece that can be
// saved can be analysed, drawn and written.
func TestAnyRowsAreAnalysed(t *testing.T) {
	files, err := filepath.Glob("../demo/pieces/*.json")
	if err != nil || len(files) < 20 {
		t.Fatal(files, err)
	}
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	r := rand.New(rand.NewPCG(12, 26))
	done := map[string]int{}
	for _, file := range files {
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+filepath.Base(file)))
		for range 25 {
			op := anyRowOp(r, doc)
			edited, err := desk.Apply(doc, []desk.Operation{op}, desk.Options{Shelf: shelf})
			if err != nil {
				continue
			}
			a, err := desk.Analyse(t.Context(), &edited.Document, desk.Options{Drawing: true, Picture: true, Shelf: shelf})
			if _, fault := err.(format.Faults); fault {
				continue
			}
			if err != nil {
				t.Fatalf("%s, %+v: %v", file, op, err)
			}
			if _, err := json.Marshal(a); err != nil {
				t.Fatalf("%s, %+v: %v", file, op, err)
			}
			done[op.Do]++
			doc = &edited.Document
		}
	}
	for _, do := range []string{"add-row", "remove-row", "move-row", "mirror-row", "set-follow", "set-port", "add-section", "remove-section", "set-fill", "set-between"} {
		if done[do] == 0 {
			t.Errorf("%s was never done: %v", do, done)
		}
	}
}

func anyRowOp(r *rand.Rand, doc *format.Document) desk.Operation {
	var rows []format.Row
	for _, s := range doc.Sections {
		rows = append(rows, s.Rows...)
	}
	at := &format.Place{Strand: rows[r.IntN(len(rows))].ID, End: []string{"left", "right"}[r.IntN(2)]}
	pick := func(of ...string) string { return of[r.IntN(len(of))] }
	switch r.IntN(13) {
	case 0, 1:
		return desk.Operation{Do: "add-row", At: at, N: r.IntN(4)}
	case 2:
		return desk.Operation{Do: "add-row", At: at, N: r.IntN(4), Material: pick("chain-brass-3", "stone-link")}
	case 11:
		for _, row := range rows {
			if len(row.Left) > 0 && row.Left[0].Of == "stone-link" {
				return desk.Operation{Do: "set-between", Material: pick("chain-brass-3", ""), N: r.IntN(4), At: &format.Place{Fitting: row.Left[0].ID}}
			}
		}
	case 3:
		return desk.Operation{Do: "remove-row", At: at}
	case 4:
		return desk.Operation{Do: "move-row", At: at, N: r.IntN(4)}
	case 5:
		return desk.Operation{Do: "mirror-row", At: at}
	case 6:
		step := []length.MM{-20, 5, 25, 60}[r.IntN(4)]
		return desk.Operation{Do: "set-follow", At: at, Text: pick("equal", "longer", "touching", ""), Mm: testdesk.MM(step)}
	case 7:
		return desk.Operation{Do: "set-port", At: at, N: r.IntN(5)}
	case 8:
		return desk.Operation{Do: "set-twist", Text: pick("yes", "no")}
	case 9:
		return desk.Operation{Do: "remove-section", At: at}
	case 10:
		for _, list := range [][]format.Fitting{rows[0].Left, rows[len(rows)-1].Left, doc.Closure.Left, doc.Closure.Right} {
			for _, f := range list {
				if f.Links > 0 {
					return desk.Operation{Do: "set-fill", Text: "yes", At: &format.Place{Fitting: f.ID}}
				}
			}
		}
	}
	return desk.Operation{Do: "add-section", At: at, Material: pick("ring-5", "connector-4", "connector-3", "chain-brass-3", "buoy-large-hole")}
}
