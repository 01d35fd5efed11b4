package desk_test

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"os"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

// Pieces of the shop under random changes of their structure: whatever is refused says so,
// whatever is taken is analysed, drawn, written and read back the same, reversed it is as
// long, and every fix that is offered is carried out.
func TestAnyStructureIsAnalysedAndReadBack(t *testing.T) {
	if testing.Short() {
		t.Skip("long")
	}
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	r := rand.New(rand.NewPCG(20, 26))
	entries, err := os.ReadDir("../demo/pieces")
	if err != nil {
		t.Fatal(err)
	}
	taken := map[string]int{}
	for range 160 {
		file := entries[r.IntN(len(entries))].Name()
		doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/"+file))
		var last *desk.Edited
		for range 1 + r.IntN(3) {
			op := anyStructure(r, doc)
			applied, err := desk.Apply(doc, []desk.Operation{op}, desk.Options{Shelf: shelf})
			if err != nil {
				if !strings.ContainsAny(err.Error(), ".:") || strings.Contains(err.Error(), "runtime") {
					t.Fatalf("%s, %+v: %v", file, op, err)
				}
				continue
			}
			doc, last = &applied.Document, &applied
			taken[op.Do]++
		}
		opt := desk.Options{Drawing: true, Picture: true, Fixes: true, Shelf: shelf}
		a, err := desk.Analyse(t.Context(), doc, opt)
		if last != nil {
			own, ownErr := last.Analyse(t.Context(), opt)
			if one, other := spelled(t, a, err), spelled(t, own, ownErr); one != other {
				t.Fatalf("%s: worked out as it was changed it is another piece:\n%s\n%s", file, one, other)
			}
		}
		if _, fault := err.(format.Faults); fault {
			continue
		}
		if err != nil {
			t.Fatalf("%s: %v", file, err)
		}
		if _, err := json.Marshal(a); err != nil { // no number that is none
			t.Fatalf("%s: %v", file, err)
		}
		written, err := json.Marshal(doc)
		if err != nil {
			t.Fatal(err)
		}
		again := testdesk.Analysed(t, testdesk.Read(t, string(written)), desk.Options{})
		if again.FinishedMm != a.FinishedMm || again.MassG != a.MassG || again.Beads != a.Beads {
			t.Fatalf("%s: read back it measures %v with %d beads, before %v with %d", file, again.FinishedMm, again.Beads, a.FinishedMm, a.Beads)
		}
		for _, c := range a.Checks {
			if c.Fix == nil {
				continue
			}
			if _, err := desk.Apply(doc, c.Fix.Operations, desk.Options{Shelf: shelf}); err != nil {
				t.Errorf("%s: the fix of %s, %s: %v", file, c.Code, c.Fix.Says, err)
			}
		}
		backwards(t, file, doc, a)
	}
	for _, do := range []string{"set-riders", "set-passes", "set-one-cord", "set-body", "set-closure", "set-end", "set-line", "hang-loop", "set-fold", "set-lacing", "set-kind"} {
		if taken[do] == 0 {
			t.Errorf("%s was never taken", do)
		}
	}
}

// spelled writes an answer, or the error in its place.
func spelled(t *testing.T, a *desk.Analysis, err error) string {
	t.Helper()
	if err != nil {
		return err.Error()
	}
	text, err := json.Marshal(a)
	if err != nil {
		t.Fatal(err)
	}
	return string(text)
}

// backwards reads a piece of one row from its other end: as long, as heavy, as much inside.
func backwards(t *testing.T, file string, doc *format.Document, a *desk.Analysis) {
	t.Helper()
	if len(a.Strands) != 1 || strings.Contains(a.Strands[0].Line, "{") || doc.Closure.Type != "knot" {
		return // a fill takes what is left, and ends are their own
	}
	turned := *doc
	turned.Sections = slices.Clone(doc.Sections)
	turned.Sections[0].Rows = slices.Clone(doc.Sections[0].Rows)
	turned.Sections[0].Rows[0].Line = "~(" + a.Strands[0].Line + ")"
	b, err := desk.Analyse(t.Context(), &turned, desk.Options{})
	if err != nil {
		return // letters that show which way round they are
	}
	if math.Abs(float64(b.FinishedMm-a.FinishedMm)) > 1e-5 || a.InsideMm != nil && (b.InsideMm == nil || math.Abs(float64(*b.InsideMm-*a.InsideMm)) > 0.01) {
		t.Errorf("%s, %s: %v long, reversed %v; inside %v and %v", file, a.Strands[0].Line, a.FinishedMm, b.FinishedMm, a.InsideMm, b.InsideMm)
	}
}

// anyStructure is one random operation on how a piece is made.
func anyStructure(r *rand.Rand, doc *format.Document) desk.Operation {
	pick := func(of ...string) string { return of[r.IntN(len(of))] }
	key := func() string { return pick(slices.Sorted(slices.Values(keysOf(doc)))...) }
	row := doc.Sections[0].Rows[r.IntN(len(doc.Sections[0].Rows))]
	at := desk.Operation{At: &format.Place{Strand: row.ID}}
	mm := func(v float64) *length.MM { l := length.MM(v); return &l }
	switch op := at; r.IntN(14) {
	case 13:
		return desk.Operation{Do: pick("set-kind", "set-kind", "set-hanging"), Text: pick("ornament", "necklace"), Hanging: &format.Hanging{At: pick("", "mirror", "key"), Over: pick("", "support", "itself"), GirthMm: length.MM(r.IntN(200))}}
	case 10, 11:
		op.Do, op.Field, op.Text = "set-lacing", pick("way", "way", "pitch", "overlap", "lie", "top"), pick("straight", "diagonal", "crossed", "tilted", "layers", "", key()+" "+key())
		if op.Field == "pitch" || op.Field == "overlap" {
			op.Mm = mm(float64(r.IntN(40)))
		}
		return op
	case 12:
		return desk.Operation{Do: "set-dish", Text: key(), Material: pick("coat-button-15", "oyster-disc-12", "wreck-button-11")}
	case 8:
		op.Do, op.Field = "set-fold", pick("", "r1", "r2", doc.Sections[0].Rows[0].ID)
		return op
	case 0:
		op.Do, op.Text = "set-riders", fmt.Sprintf("%d%s %s", 1+r.IntN(30), key(), pick("", key(), "3("+key()+")", "{"+key()+"}", "_4mm", "["+key()+" . "+key()+"]"))
		return op
	case 1:
		op.Do, op.N = "set-passes", r.IntN(9)
		return op
	case 2:
		op.Do, op.Text, op.N = "set-one-cord", pick(key(), key(), "Zz"), r.IntN(2)
		return op
	case 3:
		return desk.Operation{Do: "set-body", Body: &format.Body{Part: pick("wrist", "neck", "ankle"), MeasureMm: length.MM(100 + r.IntN(300)), Times: r.IntN(14)}}
	case 4:
		return desk.Operation{Do: "set-closure", Text: pick("bar", "knot", "none", "tied", "clasp")}
	case 5:
		op.Do, op.At.End, op.Field, op.Text = "set-end", pick("left", "right"), "way", pick("cord-loop", "fold", "fold-bead", "foot-bead", "stopped", "loop", "leg", "hidden-knot", "")
		return op
	case 6:
		op.Do, op.At.End, op.Field, op.Mm = "set-end", pick("left", "right"), "girth", mm(float64(r.IntN(700)))
		return op
	case 7:
		op.Do, op.From, op.To = pick("hang-loop", "hang-drop"), r.IntN(12), r.IntN(24)
		return op
	}
	op := at
	op.Do = "set-line"
	op.Text = fmt.Sprintf("%d%s %s[%d%s %s %d%s] %s %s[[%d%s . %s] %s]", 1+r.IntN(40), key(), key(), 1+r.IntN(14), key(), key(), 1+r.IntN(14), key(), key(), key(), 1+r.IntN(5), key(), key(), key())
	return op
}

func keysOf(doc *format.Document) []string {
	var keys []string
	for key := range doc.Palette {
		keys = append(keys, key)
	}
	return keys
}
