package main

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math/rand/v2"
	"net/http"
	"sync"
	"time"

	"mala/server"
)

// at is who works, on a piece of how many beads, and how they work.
type at struct {
	clients, beads int
	pause          time.Duration // between two edits, in the middle
	saveEvery      int           // edits
	edits          int           // each
}

// working is how long the calls of all took.
type working struct {
	mu           sync.Mutex
	edits, saves spread
	err          error
}

// work has all of them edit and save at once.
func (s *shop) work(a at) (*working, error) {
	w := &working{}
	var all sync.WaitGroup
	for i := range a.clients {
		doc, err := strung(a.beads, i+1)
		if err != nil {
			return nil, err
		}
		p, err := s.create(doc)
		if err != nil {
			return nil, err
		}
		all.Go(func() { w.note(s.edit(a, p, w)) })
	}
	all.Wait()
	return w, w.err
}

func (w *working) note(err error) {
	w.mu.Lock()
	defer w.mu.Unlock()
	w.err = errors.Join(w.err, err)
}

func (w *working) took(into *spread, d time.Duration) {
	w.mu.Lock()
	defer w.mu.Unlock()
	*into = append(*into, d)
}

// edit is one designer: a bead in, a bead out, and a save now and then.
func (s *shop) edit(a at, p server.PieceState, w *working) error {
	time.Sleep(time.Duration(rand.Float64() * float64(a.pause)))
	for i := range a.edits {
		op := map[string]any{"do": "insert", "from": 3, "to": 3, "text": "2" + firstKey(p)}
		if i%2 == 1 {
			op = map[string]any{"do": "delete", "from": 3, "to": 5}
		}
		data, took, err := s.ask(http.MethodPost, "/api/edit?unit=mm&brief=true", map[string]any{"document": p.Document, "operations": []any{op}})
		if err != nil {
			return err
		}
		w.took(&w.edits, took)
		var edited server.EditedPiece
		if err := json.Unmarshal(data, &struct {
			Edited any `json:"edited"`
		}{&edited.Edited}); err != nil {
			return err
		}
		p.Document = edited.Edited.Document
		if a.saveEvery > 0 && i%a.saveEvery == a.saveEvery-1 {
			data, took, err := s.ask(http.MethodPut, "/api/pieces/"+p.ID, map[string]any{"base": p.Revision, "document": p.Document})
			if err == nil {
				err = json.Unmarshal(data, &p)
			}
			if err != nil {
				return err
			}
			w.took(&w.saves, took)
		}
		time.Sleep(time.Duration((0.5 + rand.Float64()) * float64(a.pause)))
	}
	return nil
}

func firstKey(p server.PieceState) string {
	for key := range p.Document.Palette {
		return key
	}
	return ""
}

// designers are 200 at work at once, each with a key a second, against one alone.
func designers(_ context.Context, s *shop) ([]figure, error) {
	alone, err := s.work(at{clients: 1, beads: 100, pause: 20 * time.Millisecond, saveEvery: 3, edits: 150})
	if err != nil {
		return nil, err
	}
	all, err := s.work(at{clients: 200, beads: 100, pause: time.Second, saveEvery: 5, edits: 20})
	if err != nil {
		return nil, err
	}
	ratio := func(one, many spread) string {
		return fmt.Sprintf("%s over %s: %.1f times", ms(many.p95()), ms(one.p95()), many.p95()/one.p95())
	}
	return []figure{
		{"200 designers at once, 100 beads each, a change a second and a save every fifth: p95 of a change over that of one alone", "at most 5 times", ratio(alone.edits, all.edits)},
		{"p95 of a save over that of one alone", "at most 10 times", ratio(alone.saves, all.saves)},
	}, nil
}

// hugePieces are 20 at work on 10,000 beads each, without a pause, while others ask little.
func hugePieces(ctx context.Context, s *shop) ([]figure, error) {
	small, err := strung(100, 1)
	if err != nil {
		return nil, err
	}
	p, err := s.create(small)
	if err != nil {
		return nil, err
	}
	ctx, stop := context.WithCancel(ctx)
	var health, saves spread
	var failed error
	var beside sync.WaitGroup
	beside.Go(func() {
		for i := 0; ctx.Err() == nil; i++ {
			_, took, err := s.ask(http.MethodGet, "/api/health", nil)
			failed = errors.Join(failed, err)
			health = append(health, took)
			p.Document.Notes = fmt.Sprint(i)
			data, took, err := s.ask(http.MethodPut, "/api/pieces/"+p.ID, map[string]any{"base": p.Revision, "document": p.Document})
			failed = errors.Join(failed, err, json.Unmarshal(data, &p))
			saves = append(saves, took)
			time.Sleep(20 * time.Millisecond)
		}
	})
	all, err := s.work(at{clients: 20, beads: 9_900, saveEvery: 5, edits: 10})
	stop()
	beside.Wait()
	if err = errors.Join(err, failed); err != nil {
		return nil, err
	}
	return []figure{
		{"20 clients that change 9,900 beads each without a pause: p95 of a change; of a save", "3 s", ms(all.edits.p95()) + "; " + ms(all.saves.p95())},
		{"meanwhile, p95 of the health call; of a save of 100 beads", "not waiting for them", ms(health.p95()) + "; " + ms(saves.p95())},
	}, nil
}
