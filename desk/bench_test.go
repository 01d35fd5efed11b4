package desk_test

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"testing"

	"mala/desk"
	"mala/desk/testdesk"
	"mala/format"
)

// A piece file read, analysed and written, apart from each other.
func BenchmarkPiece(b *testing.B) {
	doc := testdesk.Read(b, testdesk.DemoFile(b, "pieces/harbour-lights.json"))
	doc.Row("r1").Line = "<10(40P B L S A P C E ~C 2S) 35P | E>" // 1,001 beads
	data, err := json.Marshal(doc)
	if err != nil {
		b.Fatal(err)
	}
	b.Run("read", func(b *testing.B) {
		for b.Loop() {
			if _, err := format.Read(data); err != nil {
				b.Fatal(err)
			}
		}
	})
	var a *desk.Analysis
	for name, opt := range map[string]desk.Options{"analyse with checks": {}, "analyse with checks, and draw": {Drawing: true}} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if a, err = desk.Analyse(context.Background(), doc, opt); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
	b.Run("write", func(b *testing.B) {
		for b.Loop() {
			if _, err := json.Marshal(a); err != nil {
				b.Fatal(err)
			}
		}
	})
}

// A strand of 1,000 with 200 components, over one of as many plain beads in the same order:
// long runs of one bead would be folded.
func BenchmarkComponents(b *testing.B) {
	data := testdesk.DemoFile(b, "pieces/barnacle-row.json")
	for name, line := range map[string]string{"200 components in 1,000": "<100(4S P) | 4S>", "1,000 plain beads": "<100(4S T) | 4S>"} {
		doc := testdesk.Read(b, data)
		doc.Palette["T"], doc.Row("r1").Line = "sea-pearl-6", line
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if _, err := desk.Analyse(context.Background(), doc, desk.Options{Drawing: true}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

// Three rows of 200, over one of 600.
func BenchmarkRows(b *testing.B) {
	data := testdesk.DemoFile(b, "pieces/harbour-lights.json")
	for name, lines := range map[string][]string{"3 rows of 200": {"<100P | B>", "<103P | B>", "<106P | B>"}, "1 row of 600": {"<309P | B>"}} {
		doc := testdesk.Read(b, data)
		first := doc.Sections[0].Rows[0]
		doc.Sections[0].Rows = nil
		for i, line := range lines {
			row := first
			row.ID, row.Line = fmt.Sprint("r", i), line
			row.Left, row.Right = slices.Clone(first.Left), slices.Clone(first.Right)
			for k := range row.Left {
				row.Left[k].ID += row.ID
			}
			for k := range row.Right {
				row.Right[k].ID += row.ID
			}
			if i > 0 {
				row.Follow, row.FollowMm = "longer", 24
			}
			doc.Sections[0].Rows = append(doc.Sections[0].Rows, row)
		}
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if _, err := desk.Analyse(context.Background(), doc, desk.Options{Drawing: true, Picture: true}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
