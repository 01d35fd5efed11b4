package desk_test

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

// ops are operations on ends that a stranger might send, one after another.
func endOps(r *rand.Rand) desk.Operation {
	pick := func(of ...string) string { return of[r.IntN(len(of))] }
	mm := length.MM(math.Round(r.Float64()*400) / 10)
	op := desk.Operation{Do: "set-end", At: &format.Place{End: pick("left", "right")}}
	switch r.IntN(9) {
	case 0, 1, 2:
		op.Field, op.Text = "way", pick("", "loop", "leg", "fold", "hidden-knot", "under-bead")
	case 3:
		op.Field, op.Text = "loop", pick("18R", "3R 2D 3R", "R", "999(9999R)", "40(3R W)", "{R}", "(", "")
	case 4:
		op.Field, op.Mm = "leg", &mm
	case 5:
		op.Field, op.Material = "bead", pick("driftwood-8", "seed-6-rust", "button-driftwood", "")
	case 6:
		op.Field, op.Mm = "tail", &mm
	case 7:
		op.Do, op.Text = "set-closure", pick("clasp", "knot", "none", "tied")
	default:
		op.Do, op.Material, op.Closure = "add-fitting", pick("crimp-18", "ring-5", "cone-silver-9", "button-driftwood", "guard-brass", "fold-over-2"), r.IntN(2) == 0
	}
	return op
}

// Whatever is done to its ends, a piece is either refused with a sentence or comes to
// figures that are finite, that say the same forwards and backwards, and that survive
// the file.
func TestEndsSurviveWhateverIsDoneToThem(t *testing.T) {
	text := testdesk.DemoFile(t, "pieces/boathook.json")
	opt := desk.Options{Unit: length.InMillimetres, Shelf: desk.NewShelf(testdesk.Catalogue(t)), Fixes: false, Drawing: true, Picture: true}
	r := rand.New(rand.NewPCG(2, 71))
	done, refused := 0, 0
	for range 60 {
		doc := testdesk.Read(t, text)
		doc.Row("r1").Line = "R 8(D R W R)"
		for range 12 {
			op := endOps(r)
			after, err := desk.Apply(doc, []desk.Operation{op}, opt)
			if err != nil {
				if !strings.Contains(err.Error(), ".") {
					t.Errorf("%+v: %v is no sentence", op, err)
				}
				refused++
				continue
			}
			done++
			*doc = after.Document
			a, err := desk.Analyse(t.Context(), doc, opt)
			if err != nil {
				t.Fatalf("%+v was taken, and then: %v", op, err)
			}
			sound(t, fmt.Sprintf("%+v", op), a)
			file, err := json.Marshal(doc)
			if err != nil {
				t.Fatal(err)
			}
			back, err := format.Read(file)
			if err != nil {
				t.Fatalf("%+v cannot be read again: %v", op, err)
			}
			b, err := desk.Analyse(t.Context(), back, opt)
			if err != nil || b.FinishedMm != a.FinishedMm || b.Strands[0].CutMm != a.Strands[0].CutMm || b.Beads != a.Beads {
				t.Errorf("%+v: %v, read again %+v", op, err, b)
			}
		}
	}
	if done < 100 || refused < 20 {
		t.Errorf("only %d done and %d refused", done, refused)
	}
}

func sound(t *testing.T, name string, a *desk.Analysis) {
	t.Helper()
	s := a.Strands[0]
	sum := length.MM(0)
	for _, c := range s.Cut {
		if c.Mm < 0 {
			t.Errorf("%s: %s is %v", name, c.Part, c.Mm)
		}
		sum += c.Mm
	}
	if math.Abs(float64(sum-s.CutMm)) > 1e-3 || s.PathMm > s.CutMm+1e-6 || math.IsNaN(float64(a.FinishedMm)) || a.FinishedMm < s.StrungMm-1e-6 {
		t.Errorf("%s: cut %v of %v, path %v, finished %v of %v strung", name, s.CutMm, sum, s.PathMm, a.FinishedMm, s.StrungMm)
	}
	counted := 0
	for _, c := range a.Tally {
		if strings.HasPrefix(c.Material, "seed") || strings.HasPrefix(c.Material, "driftwood") {
			counted += c.Count
		}
	}
	if counted != a.Beads {
		t.Errorf("%s: %d beads, the tally has %d", name, a.Beads, counted)
	}
	if a.Drawing.Picture == nil || a.Drawing.Picture.Whole == nil {
		t.Errorf("%s: no picture", name)
	}
	for _, v := range a.Drawing.Picture.Whole.Box {
		if math.IsNaN(v) || math.IsInf(v, 0) {
			t.Errorf("%s: a box of %v", name, a.Drawing.Picture.Whole.Box)
		}
	}
}
