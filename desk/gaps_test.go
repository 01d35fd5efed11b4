package desk_test

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"mala/core/pattern"
	"mala/demo"
	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

// Any line with gaps and drops, of a strand, a ring or several rows, is analysed, drawn
// and written; every fix it is offered can be taken, and every reading of a gap tried.
func TestAnyLineWithGapsAndDropsIsAnalysedAndMended(t *testing.T) {
	r := rand.New(rand.NewPCG(10, 2))
	shelf := desk.NewShelf(testdesk.Catalogue(t))
	if testing.Short() {
		t.Skip("long")
	}
	held := []*format.Holder{nil, {Way: "knots"}, {Way: "friction"}, {Way: "crimps", Of: "crimp-18"}}
	for _, file := range []string{"harbour-lights.json", "lamplighters-round.json", "slack-tide.json", "tidewrack.json", "low-water.json", "flag-down.json"} {
		for range 12 {
			doc, err := demo.Piece(file)
			if err != nil {
				t.Fatal(err)
			}
			doc.Row(doc.Sections[0].Rows[0].ID).Line = anyGaps(r, doc)
			row := &doc.Sections[0].Rows[0]
			if row.Holder = held[r.IntN(len(held))]; row.Holder != nil && row.Holder.Of != "" {
				if i := slices.IndexFunc(shelf.Materials, func(m format.Material) bool { return m.ID == row.Holder.Of }); !slices.Contains(doc.Used(), "crimp-18") || !slices.ContainsFunc(doc.Materials, func(m format.Material) bool { return m.ID == "crimp-18" }) {
					doc.Materials = append(doc.Materials, shelf.Materials[i])
				}
			}
			a, err := desk.Analyse(t.Context(), doc, desk.Options{Drawing: true, Picture: true, Fixes: true, Shelf: shelf})
			if _, fault := err.(format.Faults); fault {
				continue
			}
			if err != nil {
				t.Fatalf("%s, %s: %v", file, row.Line, err)
			}
			if _, err := json.Marshal(a); err != nil {
				t.Fatalf("%s, %s: %v", file, row.Line, err)
			}
			s := a.Strand(row.ID)
			places := 0
			for _, p := range s.Placed {
				if strings.ContainsAny(p.Key, "_@[") {
					places++
				}
			}
			hung := 0
			for _, d := range s.Drops {
				m := beadsOfDrop(t, d.Key)
				hung += d.Count * m
			}
			if s.Beads-hung+places != len(s.Placed) {
				t.Fatalf("%s, %s: %d beads, %d of them hanging, and %d gaps and drops in %d places", file, row.Line, s.Beads, hung, places, len(s.Placed))
			}
			for _, c := range a.Checks {
				if c.Fix == nil {
					continue
				}
				if _, err := desk.Apply(doc, c.Fix.Operations, desk.Options{Shelf: shelf}); err != nil {
					t.Errorf("%s, %s: the fix of %s, %s: %v", file, row.Line, c.Code, c.Fix.Says, err)
				}
			}
		}
	}
}

// beadsOfDrop counts the beads of a drop or a loop by its line.
func beadsOfDrop(t *testing.T, key string) int {
	t.Helper()
	inner := strings.NewReplacer("[", " ", "]", " ", " . ", " ").Replace(key)
	line, err := pattern.Parse(inner)
	if err != nil {
		t.Fatal(err)
	}
	return line.Size(nil)
}

// anyGaps is a random line of the piece's letters, gaps, groups and mirrors.
func anyGaps(r *rand.Rand, doc *format.Document) string {
	letters := slices.Sorted(func(yield func(string) bool) {
		for key := range doc.Palette {
			if !yield(key) {
				return
			}
		}
	})
	var items func(depth int) string
	items = func(depth int) string {
		var out []string
		for range 1 + r.IntN(5) {
			switch r.IntN(9) {
			case 8:
				key := func() string { return letters[r.IntN(len(letters))] }
				out = append(out, fmt.Sprintf("%d%s[%d%s %s[%d%s] %s]", 1+r.IntN(2), key(), 1+r.IntN(9), key(), key(), 1+r.IntN(6), key(), key()))
			case 7:
				out = append(out, fmt.Sprintf("%d[%d%s %s . %s]", 1+r.IntN(2), 1+r.IntN(9), letters[r.IntN(len(letters))], letters[r.IntN(len(letters))], letters[r.IntN(len(letters))]))
			case 0, 1:
				out = append(out, fmt.Sprintf("%c%dmm", "_@"[r.IntN(2)], 1+r.IntN(30)))
			case 2:
				if depth > 0 {
					out = append(out, fmt.Sprintf("%d(%s)", 1+r.IntN(4), items(depth-1)))
				}
			case 3:
				if depth > 1 {
					out = append(out, fmt.Sprintf("<%s | %s>", items(depth-1), letters[r.IntN(len(letters))]))
				}
			default:
				out = append(out, fmt.Sprint(1+r.IntN(6), letters[r.IntN(len(letters))]))
			}
		}
		if len(out) == 0 {
			return letters[0]
		}
		return strings.Join(out, " ")
	}
	return items(2)
}

// A row with gaps comes out of its file as it went in, and keeps what holds it apart.
func TestGapsAreWrittenAndRead(t *testing.T) {
	data := testdesk.DemoFile(t, "pieces/nine-buoys.json")
	doc := testdesk.Read(t, data)
	change := desk.Operation{Do: "set-spacing", At: &format.Place{Strand: "r1"}, Node: nodeOf(t, doc, "_25mm"), Text: "pitch", Mm: testdesk.MM(40)}
	after, err := desk.Apply(doc, []desk.Operation{change, {Do: "set-holder", At: change.At, Text: "knots"}}, desk.Options{})
	if err != nil {
		t.Fatal(err)
	}
	row := after.Document.Row("r1")
	if !strings.Contains(row.Line, "@40mm") || row.Holder == nil || row.Holder.Way != "knots" || row.Holder.Of != "" {
		t.Errorf("%s, held by %+v", row.Line, row.Holder)
	}
	written, err := json.Marshal(after.Document)
	if err != nil {
		t.Fatal(err)
	}
	again, err := format.Read(written)
	if err != nil || again.Row("r1").Line != row.Line || *again.Row("r1").Holder != *row.Holder {
		t.Errorf("read again: %v", err)
	}
	for want, op := range map[string]desk.Operation{
		"There is no gap there":                            {Do: "set-spacing", At: change.At, Node: 0, Text: "pitch"},
		"by crimps, by knots, by friction, or by pressing": {Do: "set-holder", At: change.At, Text: "glue"},
		"Choose the crimp":                                 {Do: "set-holder", At: change.At, Text: "crimps"},
		"A gap is 0.1 mm to 1 m long.":                     {Do: "set-spacing", At: change.At, Node: change.Node, Text: "clear", Mm: testdesk.MM(2000)},
	} {
		if _, err := desk.Apply(doc, []desk.Operation{op}, desk.Options{}); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%v, want %q", err, want)
		}
	}
}

func nodeOf(t *testing.T, doc *format.Document, key string) int {
	t.Helper()
	a := testdesk.Analysed(t, doc, desk.Options{Drawing: true})
	var find func(nodes []desk.Node) int
	find = func(nodes []desk.Node) int {
		for _, n := range nodes {
			if n.Kind == "gap" && n.Key == key {
				return n.ID
			}
			if id := find(append(slices.Clone(n.Items), n.Centre...)); id >= 0 {
				return id
			}
		}
		return -1
	}
	return find(a.Drawing.Lines[0].Nodes)
}
