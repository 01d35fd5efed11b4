package main

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"net/http"
	"net/url"
	"os"
	"sync"
	"time"

	"mala/core/length"
	"mala/format"
	"mala/server"
	"mala/store"
)

// manyThings is how many materials a large catalogue has.
const manyThings = 100_000

func escape(text string) string { return url.QueryEscape(text) }

// manyMaterials fills the catalogue and searches it, exports it and imports it again.
func manyMaterials(ctx context.Context, s *shop) ([]figure, error) {
	began := time.Now()
	if err := s.fillMaterials(ctx); err != nil {
		return nil, err
	}
	fmt.Fprintf(os.Stderr, "filled in %.0f s\n", time.Since(began).Seconds())
	var found spread
	for _, search := range []string{"pearl", "glass 8", "red", "4.2 mm", "number 77777", "ro", "no such thing", "bead", "7", "oval matte"} {
		some, err := s.timed(20, http.MethodGet, "/api/materials?search="+escape(search), nil)
		if err != nil {
			return nil, err
		}
		found = append(found, some...)
	}
	narrowed, err := s.timed(50, http.MethodGet, "/api/materials?class=bead&shape=oval&colour=red&least=5&most=6&limit=200", nil)
	if err != nil {
		return nil, err
	}
	started, err := s.timed(60, http.MethodPost, "/api/pieces/new", map[string]any{"name": "New", "kind": "necklace", "closure": "clasp", "targetMm": 450})
	if err != nil {
		return nil, err
	}
	solved, err := s.solved()
	if err != nil {
		return nil, err
	}
	moved, err := s.moved()
	return append([]figure{
		{"100,000 materials: p95 of a search; of a narrowed list", "100 ms", ms(found.p95()) + "; " + ms(narrowed.p95())},
		{"p95 of a new piece", "100 ms", ms(started.p95())},
		{"bringing a piece of 109 beads to a length with what is in stock, p95", "", ms(solved.p95())},
	}, moved...), err
}

func (s *shop) fillMaterials(ctx context.Context) error {
	shapes := []format.Shape{"round", "oval", "bicone", "rondelle", "tube"}
	colours := []string{"#b23a2e", "#2b3a67", "#3f7d46", "#e0b040", "#f2ede0", "#202020", "#7a5a9a", "#c06a80"}
	finishes := []format.Finish{"glass", "matte", "pearl", "metal"}
	list := make([]store.Material, 0, manyThings)
	for i := range manyThings {
		across := length.MM(2 + float64(i%131)/10)
		list = append(list, store.Material{OnHand: i % 300, Document: format.Material{ID: fmt.Sprintf("many-%d", i), Class: "bead", Name: fmt.Sprintf("Bead of the large shop, number %d", i),
			Shape: shapes[i%len(shapes)], AcrossMm: across, AlongMm: across, HoleMm: 0.8, Look: &format.Look{Colour: colours[i%len(colours)], Finish: finishes[i/7%len(finishes)]}}})
	}
	return s.store.AddMaterials(ctx, list)
}

func (s *shop) solved() (spread, error) {
	doc, err := strung(109, 3)
	if err != nil {
		return nil, err
	}
	return s.timed(30, http.MethodPost, "/api/solve?unit=mm", map[string]any{"document": doc, "toMm": 470, "inStock": true})
}

// moved exports the catalogue, ten times at once too, and imports it with a change in every row.
func (s *shop) moved() ([]figure, error) {
	s.memory()
	before := s.memory()
	file, took, err := s.ask(http.MethodGet, "/api/catalogue.csv", nil)
	if err != nil {
		return nil, err
	}
	one := s.memory()
	var all sync.WaitGroup
	var mu sync.Mutex
	var slowest spread
	for range 10 {
		all.Go(func() {
			same, took, failed := s.ask(http.MethodGet, "/api/catalogue.csv", nil)
			mu.Lock()
			defer mu.Unlock()
			if failed == nil && len(same) != len(file) {
				failed = errors.New("an export was cut short")
			}
			err, slowest = errors.Join(err, failed), append(slowest, took)
		})
	}
	all.Wait()
	if err != nil {
		return nil, err
	}
	ten := s.memory()
	changed := bytes.ReplaceAll(file, []byte("of the large shop"), []byte("of the shop"))
	_, previewed, err := s.ask(http.MethodPost, "/api/catalogue/preview", changed)
	if err != nil {
		return nil, err
	}
	answer, imported, err := s.ask(http.MethodPost, "/api/catalogue?name=all.csv", changed)
	var last server.Progress
	lines := bytes.Split(bytes.TrimSpace(answer), []byte("\n"))
	if err == nil {
		err = json.Unmarshal(lines[len(lines)-1], &last)
	}
	if err == nil && (last.Ended != "kept" || last.Total < manyThings) {
		err = fmt.Errorf("the import ended %+v", last)
	}
	return []figure{
		{"export of them: time, and memory it takes of the server; ten at once", "50 MB", fmt.Sprintf("%.1f s, %d MB; %.0f s, %d MB", took.Seconds(), one-before, slowest.p95()/1000, ten-before)},
		{fmt.Sprintf("import of one file of %d MB that changes every row: looked at; imported, with progress; memory", len(file)>>20), "", fmt.Sprintf("%.0f s; %.0f s in %d steps; %d MB", previewed.Seconds(), imported.Seconds(), len(lines), s.memory()-before)},
	}, err
}
