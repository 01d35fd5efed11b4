package server

import (
	"context"
	"sync"
	"time"

	"mala/core/length"
	"mala/core/material"
	"mala/format"
	"mala/store"
)

// shelf is the catalogue as fixes fetch from it: the cords, and small beads that
// can go between others. It is read at most every few seconds, and does without
// when the database is away.
type shelf struct {
	store *store.Store
	mu    sync.Mutex
	read  time.Time
	items []*material.Material
}

// The shelf's limits: how long it is taken to be right, and what goes between.
const (
	shelfFresh = 5 * time.Second
	smallBead  = length.MM(6)
	fineHole   = length.MM(1.3)
	shelfBeads = 60
)

func (s *shelf) materials(ctx context.Context) []*material.Material {
	s.mu.Lock()
	defer s.mu.Unlock()
	if time.Since(s.read) < shelfFresh || s.store == nil {
		return s.items
	}
	s.read = time.Now()
	rows, err := s.store.Materials(ctx)
	if err != nil {
		return s.items
	}
	s.items = nil
	beads := 0
	for i := range rows {
		m, faults := rows[i].Document.Material("")
		if faults != nil {
			continue
		}
		small := m.Bead != nil && m.Bead.Across <= smallBead && m.Bead.Hole <= fineHole && m.Bead.Facing == material.FacingNone && beads < shelfBeads
		if small {
			beads++
		}
		if small || m.Cord != nil {
			s.items = append(s.items, m)
		}
	}
	return s.items
}

// moved says that the catalogue has changed.
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
