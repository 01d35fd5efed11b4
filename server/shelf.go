package server

import (
	"context"
	"sync"
	"time"

	"mala/core/length"
	"mala/core/material"
	"mala/desk"
	"mala/format"
	"mala/store"
)

// shelf is the catalogue as fixes fetch from it: findings, cords, and small beads
// that can go between others; and the house method. It is read at most every few
// seconds, and stays as it was when the database is away.
type shelf struct {
	store *store.Store
	mu    sync.Mutex
	read  time.Time
	items *desk.Shelf
	house format.House
}

// The shelf's limits: how long it is taken to be right, and what goes between.
const (
	shelfFresh = 5 * time.Second
	smallBead  = 6.0 // mm across
	fineHole   = length.MM(1.3)
	shelfBeads = 60
	// shelfFindings is more than a shop has of them.
	shelfFindings = 500
)

// at gives what lies on the shelf, and the shop's house method.
func (s *shelf) at(ctx context.Context) (*desk.Shelf, format.House) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if time.Since(s.read) < shelfFresh || s.store == nil {
		return s.items, s.house
	}
	s.read = time.Now()
	rows, err := s.small(ctx)
	if err != nil {
		return s.items, s.house
	}
	if shop, err := s.store.House(ctx); err == nil {
		s.house = shop.House
	}
	var fit []format.Material
	for i := range rows {
		if m := rows[i].Document; m.Class != string(material.ClassBead) || m.HoleMm <= fineHole && m.Facing == "" {
			fit = append(fit, m)
		}
	}
	s.items = desk.NewShelf(fit)
	return s.items, s.house
}

// small reads the cords, the findings, and some of the small beads.
func (s *shelf) small(ctx context.Context) ([]store.Material, error) {
	rows, _, err := s.store.Materials(ctx, store.Filter{Class: string(material.ClassCord)})
	if err != nil {
		return nil, err
	}
	findings, _, err := s.store.Materials(ctx, store.Filter{Class: string(material.ClassFinding), Limit: shelfFindings})
	if err != nil {
		return nil, err
	}
	rows = append(rows, findings...)
	beads, _, err := s.store.Materials(ctx, store.Filter{Class: string(material.ClassBead), Most: smallBead, Limit: shelfBeads})
	return append(rows, beads...), err
}

// moved says that the catalogue or the house method has changed.
func (s *shelf) moved() {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.read = time.Time{}
}

// catalogue gives the catalogue's materials by id.
func catalogue(rows []store.Material) map[string]format.Material {
	out := make(map[string]format.Material, len(rows))
	for _, m := range rows {
		out[m.ID] = m.Document
	}
	return out
}

// whole is all that the catalogue offers, for what may fetch any of it.
func (s *shelf) whole(ctx context.Context) (*desk.Shelf, error) {
	rows, _, err := s.store.Materials(ctx, store.Filter{})
	if err != nil {
		return nil, err
	}
	all := make([]format.Material, len(rows))
	for i := range rows {
		all[i] = rows[i].Document
	}
	return desk.NewShelf(all), nil
}
