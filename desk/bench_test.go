package desk_test

import (
	"context"
	"encoding/json"
	"os"
	"testing"

	"mala/desk"
	"mala/format"
)

// A piece file read, analysed and written, apart from each other.
func BenchmarkPiece(b *testing.B) {
	data, err := os.ReadFile("../demo/pieces/harbour-lights.json")
	if err != nil {
		b.Fatal(err)
	}
	doc, err := format.Read(data)
	if err != nil {
		b.Fatal(err)
	}
	doc.Row("r1").Line = "<10(40P B L S A P C E ~C 2S) | E>"
	if data, err = json.Marshal(doc); err != nil {
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
	b.Run("analyse with checks", func(b *testing.B) {
		for b.Loop() {
			if a, err = desk.Analyse(context.Background(), doc, desk.Options{Drawing: true}); err != nil {
				b.Fatal(err)
			}
		}
	})
	b.Run("write", func(b *testing.B) {
		for b.Loop() {
			if _, err := json.Marshal(a); err != nil {
				b.Fatal(err)
			}
		}
	})
}

// A strand of 1,000 with 200 components, over one of as many plain beads.
func BenchmarkComponents(b *testing.B) {
	data, err := os.ReadFile("../demo/pieces/barnacle-row.json")
	if err != nil {
		b.Fatal(err)
	}
	for name, line := range map[string]string{"200 components in 1,000": "<100(4S P) | 4S>", "1,000 plain beads": "<500S | 4S>"} {
		doc, err := format.Read(data)
		if err != nil {
			b.Fatal(err)
		}
		doc.Row("r1").Line = line
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if _, err := desk.Analyse(context.Background(), doc, desk.Options{Drawing: true}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
