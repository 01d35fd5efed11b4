package server

import (
	"context"
	"sync"
	"time"

	"mala/core/check"
	"mala/format"
	"mala/store"
)

// onHand keeps what there is of materials as it was last read: a piece is looked at with every
// keystroke. It stays as it was when the database is away.
type onHand struct {
	store   *store.Store
	reading sync.Mutex // held while the database is asked
	mu      sync.Mutex
	known   map[string]int // -1 of what the catalogue does not have
	read    map[string]time.Time
}

// How long a figure is taken to be right, how long a database that hangs is waited for, and of how
// many materials they are kept.
const (
	stockFresh    = 5 * time.Second
	stockPatience = 200 * time.Millisecond
	mostOnHandOf  = 10_000
)

// at gives what there is of the materials of a piece; nothing of what could not be read.
func (h *onHand) at(ctx context.Context, doc *format.Document) check.Stock {
	ids := make([]string, len(doc.Materials))
	for i := range doc.Materials {
		ids[i] = doc.Materials[i].ID
	}
	return h.of(ctx, ids)
}

// of gives what there is of materials; nothing of what could not be read.
func (h *onHand) of(ctx context.Context, ids []string) check.Stock {
	h.look(ctx, ids)
	h.mu.Lock()
	defer h.mu.Unlock()
	out := check.Stock{}
	for _, id := range ids {
		if n, known := h.known[id]; known && n >= 0 {
			out[id] = n
		}
	}
	return out
}

// look reads what may have changed, one call at a time. It is not tried again at once where it fails.
func (h *onHand) look(ctx context.Context, of []string) {
	if h.store == nil {
		return
	}
	h.reading.Lock()
	defer h.reading.Unlock()
	ids := h.stale(of)
	if len(ids) == 0 {
		return
	}
	ctx, cancel := context.WithTimeout(ctx, stockPatience)
	defer cancel()
	found, err := h.store.OnHand(ctx, ids)
	h.mu.Lock()
	defer h.mu.Unlock()
	for _, id := range ids {
		h.read[id] = time.Now()
		if err != nil {
			continue
		}
		h.known[id] = -1
		if n, known := found[id]; known {
			h.known[id] = n
		}
	}
}

// stale lists the materials of which no figure is fresh.
func (h *onHand) stale(of []string) []string {
	h.mu.Lock()
	defer h.mu.Unlock()
	if h.known == nil || len(h.known) > mostOnHandOf {
		h.known, h.read = map[string]int{}, map[string]time.Time{}
	}
	var ids []string
	for _, id := range of {
		if time.Since(h.read[id]) > stockFresh {
			ids = append(ids, id)
		}
	}
	return ids
}

// moved says that the catalogue has changed.
func (h *onHand) moved() {
	h.mu.Lock()
	defer h.mu.Unlock()
	h.read = map[string]time.Time{}
}
