package format_test

import (
	"encoding/json"
	"os"
	"testing"

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
	doc.Sections[0].Rows[0].Line = "<10(40P B L S A P C E ~C 2S) | E>"
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
	var a *format.Analysis
	b.Run("analyse with checks", func(b *testing.B) {
		for b.Loop() {
			if a, err = format.Analyse(doc, format.Options{Drawing: true}); err != nil {
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
