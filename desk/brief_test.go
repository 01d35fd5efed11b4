package desk_test

import (
	"encoding/json"
	"math"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"mala/core/length"
	"mala/desk"
	"mala/desk/testdesk"
)

// An answer to a key holds what is looked at: neither how it is made, nor how far each
// run reaches, nor more items of lines than anybody looks through.
func TestFewWordsAreFew(t *testing.T) {
	for n, shown := range map[int]bool{1000: true, 1001: false, 4900: false} {
		doc := testdesk.Read(t, example)
		doc.Row("r1").Line = strings.Repeat("P L ", n)
		whole, brief := testdesk.Analysed(t, doc, desk.Options{Drawing: true}), testdesk.Analysed(t, doc, desk.Options{Drawing: true, Brief: true})
		if len(whole.Drawing.Lines) != 1 || (brief.Drawing.Lines != nil) != shown {
			t.Errorf("%d items: %d lines in whole, %d in few words", 2*n, len(whole.Drawing.Lines), len(brief.Drawing.Lines))
		}
		long, short := whole.Strands[0], brief.Strands[0]
		if short.Placed != nil || short.Runs != nil || short.Outwards != nil || len(short.Brief.Runs) != len(long.Runs) {
			t.Errorf("%d items: %d runs, in few words %d", 2*n, len(long.Runs), len(short.Brief.Runs))
		}
		for i, count := range short.Brief.Runs {
			if count != long.Runs[i].Count {
				t.Fatalf("run %d of %d beads, in few words %d", i, long.Runs[i].Count, count)
			}
		}
		if brief.Steps != nil || brief.Tools != nil || brief.Techniques != nil || len(whole.Steps) == 0 || len(whole.Tools) == 0 {
			t.Errorf("%d items: %d steps in few words, %d in whole", 2*n, len(brief.Steps), len(whole.Steps))
		}
		if data, err := json.Marshal(brief); err != nil || !shown && len(data) > 30*2*n {
			t.Errorf("%d items take %d bytes in few words, %v", 2*n, len(data), err)
		}
	}
}

// placedIn reads a strand's beads from their few words.
func placedIn(row *desk.BeadRow) []desk.Placed {
	var out []desk.Placed
	at := length.MM(0)
	for i, count := range row.Count {
		k := row.Kinds[row.Kind[i]]
		for range count {
			at += k.StepMm
			out = append(out, desk.Placed{Key: k.Key, Material: k.Material, Node: row.Node[i], AtMm: at, FromMm: at + k.FromMm, ToMm: at + k.ToMm,
				AlongMm: k.ToMm - k.FromMm, AcrossMm: k.AcrossMm, Turned: k.Turned, Passes: k.Passes})
		}
	}
	return out
}

func TestFewWordsHoldEveryBeadWhereItLies(t *testing.T) {
	files, err := filepath.Glob("../demo/pieces/*.json")
	if err != nil || len(files) < 30 {
		t.Fatalf("%d demo pieces, %v", len(files), err)
	}
	lines := map[string]string{
		"long":  "<3000P | L>",
		"mixed": "40(P L 2P L) L 17P",
	}
	for _, file := range files {
		data, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		lines[file] = string(data)
	}
	for name, text := range lines {
		doc := testdesk.Read(t, example)
		if strings.HasPrefix(text, "{") {
			doc = testdesk.Read(t, text)
		} else {
			doc.Row("r1").Line = text
		}
		whole, brief := testdesk.Analysed(t, doc, desk.Options{}), testdesk.Analysed(t, doc, desk.Options{Brief: true})
		for i, s := range whole.Strands {
			sameBeads(t, name+" "+s.ID, s.Placed, placedIn(brief.Strands[i].Brief))
		}
	}
}

// sameBeads holds beads from few words against those given one by one.
func sameBeads(t *testing.T, name string, want, got []desk.Placed) {
	t.Helper()
	if len(got) != len(want) {
		t.Fatalf("%s: %d beads, in few words %d", name, len(want), len(got))
	}
	for i, w := range want {
		g := got[i]
		for _, off := range []length.MM{g.AtMm - w.AtMm, g.FromMm - w.FromMm, g.ToMm - w.ToMm, g.AlongMm - w.AlongMm} {
			if math.Abs(float64(off)) > 1e-5 {
				t.Fatalf("%s: bead %d is %+v, in few words %+v", name, i, w, g)
			}
		}
		w.AtMm, w.FromMm, w.ToMm, w.AlongMm = g.AtMm, g.FromMm, g.ToMm, g.AlongMm
		if g != w {
			t.Fatalf("%s: bead %d is %+v, in few words %+v", name, i, w, g)
		}
	}
}

// A stretch of alike beads is one item of the answer however long it is.
func TestAlikeBeadsAreOneStretch(t *testing.T) {
	for line, most := range map[string]int{"4000P": 4, "<2000P | L>": 7, "5(P L)": 12} {
		doc := testdesk.Read(t, example)
		doc.Row("r1").Line = line
		row := testdesk.Analysed(t, doc, desk.Options{Brief: true}).Strands[0].Brief
		if len(row.Count) > most || len(row.Kind) != len(row.Count) || len(row.Node) != len(row.Count) || len(row.Kinds) > 7 {
			t.Errorf("%s: %d stretches of %d kinds", line, len(row.Count), len(row.Kinds))
		}
	}
}

// faceOf reads a face from its whole numbers.
func faceOf(numbers []int) [][2]float64 {
	out := [][2]float64{}
	for i := 0; i+1 < len(numbers); i += 2 {
		out = append(out, [2]float64{float64(numbers[i]) / 1e4, float64(numbers[i+1]) / 1e4})
	}
	return out
}

func sameFace(a, b [][2]float64) bool {
	return slices.EqualFunc(a, b, func(p, q [2]float64) bool { return math.Abs(p[0]-q[0]) < 1e-9 && math.Abs(p[1]-q[1]) < 1e-9 })
}

func TestFewWordsHoldBothFaces(t *testing.T) {
	doc := testdesk.Read(t, testdesk.DemoFile(t, "pieces/harbour-lights.json"))
	whole, brief := testdesk.Analysed(t, doc, desk.Options{Drawing: true}), testdesk.Analysed(t, doc, desk.Options{Drawing: true, Brief: true})
	one, two := 0, 0
	for id, o := range whole.Drawing.Outlines {
		few := brief.Drawing.Outlines[id]
		switch {
		case o.Brief != nil || few.Brief == nil || len(o.Right) == 0 || len(few.Left)+len(few.Right) > 0 || few.HoleMm != o.HoleMm || !sameFace(o.Left, faceOf(few.Brief.Left)):
			t.Errorf("%s: %+v, in few words %+v", id, o, few)
		case few.Brief.Right == nil && sameFace(o.Left, o.Right):
			one++
		case few.Brief.Right != nil && !sameFace(o.Left, o.Right) && sameFace(o.Right, faceOf(few.Brief.Right)):
			two++
		default:
			t.Errorf("%s: on the right %v, in few words %v", id, o.Right, few.Brief.Right)
		}
	}
	if one == 0 || two == 0 {
		t.Errorf("%d alike on both faces, %d not", one, two)
	}
}
