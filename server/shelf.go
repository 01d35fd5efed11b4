package server

import (
	"context"
	"slices"
	"sync"
	"time"

	"mala/core/check"
	"mala/core/length"
	"mala/core/material"
	"mala/desk"
	"mala/format"
	"mala/store"
)

// shelf is the catalogue as fixes, searches and new pieces fetch from it, and the house method. It is
// read at most every few seconds, and whenever either has changed; it stays as it was when the database
// is away.
type shelf struct {
	store  *store.Store
	counts *onHand // what there is of each material, which changes with it
	mu     sync.Mutex
	read   time.Time
	items  *desk.Shelf // findings, cords, and small beads that can go between others
	house  store.Shop
	all    *stocked // the whole catalogue, where it is small enough and was asked for
	large  bool
	busy   bool // being read
	moves  int  // how often it has changed
}

// stocked is a shelf with how many there are of each material.
type stocked struct {
	shelf *desk.Shelf
	stock check.Stock
}

// The shelf's limits: how long it is taken to be right, how long a database that hangs is waited for, up
// to how many materials all of the catalogue is kept, and what goes between.
const (
	shelfFresh    = 5 * time.Second
	shelfPatience = time.Second
	wholeShelf    = 2000
	smallBead     = 6.0 // mm across
	fineHole      = length.MM(1.3)
	shelfBeads    = 60
)

// at gives what lies on the shelf, and the shop's house method.
func (s *shelf) at(ctx context.Context) (*desk.Shelf, store.Shop) {
	s.fresh(ctx)
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.items, s.house
}

// fresh reads the shelf where it may have changed. No one waits while another call reads it, unless
// there is nothing on it yet.
func (s *shelf) fresh(ctx context.Context) {
	s.mu.Lock()
	if time.Since(s.read) < shelfFresh || s.store == nil || s.busy && s.items != nil {
		s.mu.Unlock()
		return
	}
	s.busy, s.read = true, time.Now()
	s.mu.Unlock()
	ctx, cancel := context.WithTimeout(ctx, shelfPatience)
	defer cancel()
	shop, items, large, err := s.look(ctx)
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.busy = false; err == nil {
		s.house, s.items, s.large, s.all = shop, items, large, nil
	}
}

func (s *shelf) look(ctx context.Context) (shop store.Shop, items *desk.Shelf, large bool, err error) {
	if shop, err = s.store.House(ctx); err != nil {
		return
	}
	rows, err := s.small(ctx)
	if err != nil {
		return
	}
	rows = slices.DeleteFunc(rows, func(m store.Material) bool {
		return m.Class == string(material.ClassBead) && (m.Document.HoleMm > fineHole || m.Document.Facing != "")
	})
	fetched := stockedOf(documents(rows), rows)
	items, fetched.shelf.Stock = fetched.shelf, fetched.stock
	n, err := s.store.Count(ctx, wholeShelf+1)
	return shop, items, n > wholeShelf, err
}

// small reads the cords, the findings, and some of the small beads.
func (s *shelf) small(ctx context.Context) ([]store.Material, error) {
	var out []store.Material
	for _, of := range []store.Filter{
		{Class: string(material.ClassCord), Limit: shelfFindings},
		{Class: string(material.ClassFinding), Limit: shelfFindings},
		{Class: string(material.ClassBead), Most: smallBead, Limit: shelfBeads},
	} {
		rows, _, err := s.store.Materials(ctx, of)
		if err != nil {
			return nil, err
		}
		out = append(out, rows...)
	}
	return out, nil
}

// shelfFindings is more than a shop has of findings, or of cords.
const shelfFindings = 500

// moved says that the catalogue or the house method has changed.
func (s *shelf) moved() {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.read, s.moves = time.Time{}, s.moves+1
	s.counts.moved()
}

// whole is all that the catalogue offers a piece of these materials, for what may fetch any of it,
// with the ones of the ids: of a large catalogue, what is within reach.
func (s *shelf) whole(ctx context.Context, like []format.Material, ids []string) (*stocked, error) {
	s.fresh(ctx)
	s.mu.Lock()
	all, large, moves := s.all, s.large, s.moves
	s.mu.Unlock()
	if all != nil {
		return all, nil
	}
	if large {
		rows, err := s.store.Reach(ctx, like, ids)
		if err != nil {
			return nil, err
		}
		docs, err := withParts(ctx, s.store, documents(rows))
		return stockedOf(docs, rows), err
	}
	rows, _, err := s.store.Materials(ctx, store.Filter{})
	if err != nil {
		return nil, err
	}
	all = stockedOf(documents(rows), rows)
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.moves == moves {
		s.all = all
	}
	return all, nil
}

func stockedOf(docs []format.Material, rows []store.Material) *stocked {
	out := &stocked{desk.NewShelf(docs), make(check.Stock, len(rows))}
	for i := range rows {
		out.stock[rows[i].ID] = rows[i].OnHand
	}
	return out
}

// catalogue gives the catalogue's materials by id.
func catalogue(rows []store.Material) map[string]format.Material {
	out := make(map[string]format.Material, len(rows))
	for _, m := range rows {
		out[m.ID] = m.Document
	}
	return out
}
