package desk_test

import (
	"context"
	"fmt"
	"math/rand/v2"
	"runtime"
	"strings"
	"testing"
	"time"

	"mala/core/length"
	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

// taken runs the work and gives what it allocated, in MB, and its time.
func taken(work func()) (megabytes float64, took time.Duration) {
	var before, after runtime.MemStats
	runtime.ReadMemStats(&before)
	start := time.Now()
	work()
	runtime.ReadMemStats(&after)
	return float64(after.TotalAlloc-before.TotalAlloc) / (1 << 20), time.Since(start)
}

func TestAHugeLineIsRefusedAtEveryDoorBeforeItIsLaidOut(t *testing.T) {
	op := func(op desk.Operation) func(doc *format.Document) error {
		return func(doc *format.Document) error {
			_, err := desk.Apply(doc, []desk.Operation{op}, desk.Options{})
			return err
		}
	}
	analyse := func(doc *format.Document) error {
		_, err := desk.Analyse(t.Context(), doc, desk.Options{Drawing: true})
		return err
	}
	doors := []struct {
		name, line string
		door       func(doc *format.Document) error
	}{
		{"pasted at the caret", "5P", op(desk.Operation{Do: "insert", Text: "999(9999P)", From: 1, To: 1})},
		{"pasted into a repeat", "9999(P)", op(desk.Operation{Do: "insert", Text: "9999P", From: 1, To: 1})},
		{"a count of a repeat", "9999(9P L)", op(desk.Operation{Do: "count", Node: 1, N: 9999})},
		{"ungrouped", "9999(9P L)", op(desk.Operation{Do: "ungroup", From: 0, To: 1})},
		{"filled", "9999(9P L)", op(desk.Operation{Do: "fill", From: 0, To: 1})},
		{"moved", "9999(9P L)", op(desk.Operation{Do: "move", From: 0, To: 1, N: 90000})},
		{"copied", "9999(9P L)", op(desk.Operation{Do: "copy", From: 0, To: 90000})},
		{"analysed", "999(9999P)", analyse},
		{"repeats in repeats", "9999(9999(9999(9999(9999(P)))))", analyse},
		{"a mirror of them", "<9999(9999P) | L>", analyse},
		{"a card", "999(9999P)", func(doc *format.Document) error {
			if card := desk.CardOf(doc, format.House{}); card.Worst != "line" {
				return nil
			}
			return fmt.Errorf("refused")
		}},
		{"suggestions", "999(9999P)", func(doc *format.Document) error { _, err := desk.Suggest(doc, "", desk.Options{}); return err }},
		{"a picture", "999(9999P)", func(doc *format.Document) error { _, err := desk.PictureOf(doc, format.House{}); return err }},
	}
	for _, tt := range doors {
		doc := testdesk.Read(t, example)
		doc.Row("r1").Line = tt.line
		var err error
		mb, took := taken(func() { err = tt.door(doc) })
		if err == nil {
			t.Errorf("%s: %s is let in", tt.name, tt.line)
		}
		if mb > 40 || took > 2*time.Second {
			t.Errorf("%s: it takes %.0f MB and %v", tt.name, mb, took)
		}
	}
}

func TestRepeatsOfNothingCostNothing(t *testing.T) {
	doc := testdesk.Read(t, example)
	doc.Row("r1").Line = "P 9999(9999(9999(9999({4mm: L}))))"
	mb, _ := taken(func() {
		if a, err := desk.Analyse(t.Context(), doc, desk.Options{}); err != nil || a.Strand("r1").Beads != 1 {
			t.Errorf("%v %v", a, err)
		}
	})
	if mb > 10 {
		t.Errorf("they take %.0f MB", mb)
	}
}

func TestAFileWithAHugeLineIsRefused(t *testing.T) {
	for _, line := range []string{"999(9999P)", strings.Repeat("(", 5000) + "P" + strings.Repeat(")", 5000), strings.Repeat("P ", 40_000)} {
		mb, _ := taken(func() {
			doc, err := format.Read([]byte(strings.Replace(example, "<36P L 14P | L>", line, 1)))
			if err == nil {
				_, err = desk.Analyse(t.Context(), doc, desk.Options{})
			}
			if err == nil {
				t.Errorf("%.20s is let in", line)
			}
		})
		if mb > 40 {
			t.Errorf("%.20s takes %.0f MB", line, mb)
		}
	}
}

// crowded is a piece of many kinds of rounds, 2 to 14 mm with holes from 0.5 to
// 6 mm, strung at random.
func crowded(t testing.TB, kinds, beads int) *format.Document {
	t.Helper()
	rng := rand.New(rand.NewPCG(3, 9))
	doc := testdesk.Read(t, example)
	var keys []string
	for i := range kinds {
		key := string(rune('A' + i%26))
		if i >= 26 {
			key += string(rune('a' + i/26 - 1))
		}
		across := length.MM(2 + 12*rng.Float64())
		id := fmt.Sprintf("round-%d", i)
		m := format.Material{ID: id, Class: "bead", Name: id, Shape: "round", AcrossMm: across, HoleMm: 0.5 + length.MM(rng.Float64())*min(5.5, across-1)}
		doc.Materials = append(doc.Materials, m)
		doc.Palette[key] = id
		keys = append(keys, key)
	}
	line := make([]string, beads)
	for i := range line {
		line[i] = keys[rng.IntN(len(keys))]
	}
	doc.Row("r1").Line = strings.Join(line, " ")
	return doc
}

func TestManyKindsOfBeadsAreAnalysedWithinTheirMemory(t *testing.T) {
	doc := crowded(t, 300, 9_900)
	mb, took := taken(func() {
		if _, err := desk.Analyse(t.Context(), doc, desk.Options{Drawing: true}); err != nil {
			t.Fatal(err)
		}
	})
	t.Logf("%.0f MB, %v", mb, took)
	if mb > 200 {
		t.Errorf("300 kinds and 9,900 beads take %.0f MB", mb)
	}
}

func TestWorkStopsWhenNobodyWaitsForIt(t *testing.T) {
	doc := crowded(t, 100, 1_000)
	ctx, cancel := context.WithCancel(t.Context())
	cancel()
	if _, err := desk.Analyse(ctx, doc, desk.Options{}); err == nil {
		t.Error("analysed although the call had ended")
	}
}

func BenchmarkCrowdedPiece(b *testing.B) {
	for _, size := range []struct{ kinds, beads int }{{100, 1_000}, {300, 9_900}} {
		doc := crowded(b, size.kinds, size.beads)
		b.Run(fmt.Sprintf("%d kinds, %d beads", size.kinds, size.beads), func(b *testing.B) {
			b.ReportAllocs()
			for b.Loop() {
				if _, err := desk.Analyse(context.Background(), doc, desk.Options{Drawing: true}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
