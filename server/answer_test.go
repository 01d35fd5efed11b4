package server

import (
	"bytes"
	"encoding/json"
	"errors"
	"math"
	"os"
	"path/filepath"
	"testing"
	"time"

	"mala/core/length"
	"mala/desk"
	"mala/format"
)

// sameWritten holds an answer against what the standard encoder writes.
func sameWritten(t *testing.T, what string, answer any) {
	t.Helper()
	var want, got bytes.Buffer
	standard := json.NewEncoder(&want)
	standard.SetEscapeHTML(false)
	if err := standard.Encode(answer); err != nil {
		t.Fatal(err)
	}
	if err := writeAnswer(&got, answer); err != nil {
		t.Fatal(err)
	}
	if !bytes.Equal(want.Bytes(), got.Bytes()) {
		at := 0
		for at < min(want.Len(), got.Len()) && want.Bytes()[at] == got.Bytes()[at] {
			at++
		}
		t.Errorf("%s differs at byte %d of %d: …%s", what, at, want.Len(), got.Bytes()[max(0, at-60):min(got.Len(), at+60)])
	}
}

func TestAnswersAreWrittenAsTheStandardEncoderDoes(t *testing.T) {
	pieces, err := filepath.Glob("../demo/pieces/*.json")
	if err != nil || len(pieces) < 30 {
		t.Fatalf("%d demo pieces, %v", len(pieces), err)
	}
	for _, file := range pieces {
		data, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		doc, err := format.Read(data)
		if err != nil {
			t.Fatal(err)
		}
		sameWritten(t, file, doc)
		for what, opt := range map[string]desk.Options{
			"whole":  {Unit: length.InMillimetres, Drawing: true, Picture: true},
			"brief":  {Unit: length.InInches, Drawing: true, Brief: true},
			"figure": {},
		} {
			a, err := desk.Analyse(t.Context(), doc, opt)
			if err != nil {
				t.Fatal(err)
			}
			sameWritten(t, file+" "+what, a)
			sameWritten(t, file+" as an answer", &answer[*desk.Analysis]{a})
		}
	}
	kits, err := os.ReadFile("../demo/kits.json")
	if err != nil {
		t.Fatal(err)
	}
	sameWritten(t, "kits", json.RawMessage(kits))
	catalogue, err := os.ReadFile("../demo/catalogue.json")
	if err != nil {
		t.Fatal(err)
	}
	sameWritten(t, "catalogue", json.RawMessage(catalogue))
	sameWritten(t, "a problem", newProblem(422, "Of <one> & \"other\"\u2028é\x7f\x01", errors.New("at once")))
	sameWritten(t, "a time", map[string]any{"z": time.Date(2026, 11, 27, 8, 5, 3, 120, time.UTC), "a": nil, "m": []float64{1e21, 1e-7, 0.1, -0, 3}})
	if err := writeAnswer(&bytes.Buffer{}, math.NaN()); err == nil {
		t.Error("what is no number is written")
	}
}
