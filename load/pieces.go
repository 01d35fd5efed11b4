package main

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"time"

	"mala/demo"
	"mala/server"
)

// manyOf is how many pieces a large shop has.
const manyOf = 5000

// manyPieces fills the shop with pieces and looks at the list of them, in a browser too.
func manyPieces(ctx context.Context, s *shop) ([]figure, error) {
	if err := s.fillPieces(ctx); err != nil {
		return nil, err
	}
	list, err := s.timed(100, http.MethodGet, "/api/pieces?limit=60", nil)
	if err != nil {
		return nil, err
	}
	var found spread
	for _, search := range []string{"harbour", "number 4321", "fe", "necklace bell", "no such piece", "#charms", "2"} {
		some, err := s.timed(20, http.MethodGet, "/api/pieces?limit=60&search="+escape(search), nil)
		if err != nil {
			return nil, err
		}
		found = append(found, some...)
	}
	fresh, kept, err := s.thumbnails()
	if err != nil {
		return nil, err
	}
	trial, err := s.tryHouse()
	if err != nil {
		return nil, err
	}
	figures := []figure{
		{"5,000 pieces: p95 of the first page of the list; of a search", "100 ms for a search", ms(list.p95()) + "; " + ms(found.p95())},
		{"p95 of a thumbnail made; kept", "", ms(fresh.p95()) + "; " + ms(kept.p95())},
		{"trying a house method on all of them, told of from the first second on", "in the background", trial},
	}
	seen, err := browse(s.url, "a shop of 5,000 pieces")
	return append(figures, seen...), err
}

// fillPieces adds copies of the demo's pieces under names of their own.
func (s *shop) fillPieces(ctx context.Context) error {
	names := demo.Pieces()
	house, err := s.store.House(ctx)
	if err != nil {
		return err
	}
	for i := range manyOf {
		doc, err := demo.Piece(names[i%len(names)])
		if err != nil {
			return err
		}
		doc.Name = fmt.Sprintf("%s, number %d", doc.Name, i)
		if _, err := s.store.CreatePiece(ctx, *doc, server.Figures(doc, house)); err != nil {
			return err
		}
	}
	return nil
}

func (s *shop) thumbnails() (fresh, kept spread, err error) {
	var list server.PieceList
	data, _, err := s.ask(http.MethodGet, "/api/pieces?limit=200&offset=1000", nil)
	if err != nil || json.Unmarshal(data, &list) != nil {
		return nil, nil, err
	}
	for _, into := range []*spread{&fresh, &kept} {
		for _, p := range list.Pieces {
			_, took, err := s.ask(http.MethodGet, fmt.Sprintf("/api/pieces/%s/thumbnail?of=%d", p.ID, p.Revision), nil)
			if err != nil {
				return nil, nil, err
			}
			*into = append(*into, took)
		}
	}
	return fresh, kept, nil
}

// tryHouse tries another house method on all pieces, while health is asked for.
func (s *shop) tryHouse() (string, error) {
	stop := make(chan bool)
	var health spread
	go func() {
		for {
			select {
			case <-stop:
				stop <- true
				return
			case <-time.After(50 * time.Millisecond):
				if _, took, err := s.ask(http.MethodGet, "/api/health", nil); err == nil {
					health = append(health, took)
				}
			}
		}
	}()
	_, took, err := s.ask(http.MethodPost, "/api/house/try", map[string]any{"slack": "easy"})
	stop <- true
	<-stop
	return fmt.Sprintf("%.0f s; meanwhile the health call %s at p95", took.Seconds(), ms(health.p95())), err
}
