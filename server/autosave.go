package server

import (
	"context"
	"log/slog"
	"time"

	"mala/store"
)

// Rest is how long a draft rests before it becomes a version.
const Rest = 10 * time.Minute

// AutosaveDrafts makes versions of drafts that have come to rest, and removes for good what was
// deleted longer ago than the shop keeps it, looking every so often until the context ends.
func AutosaveDrafts(ctx context.Context, s *store.Store, every time.Duration, log *slog.Logger) {
	tick := time.NewTicker(every)
	defer tick.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case <-tick.C:
			if _, err := s.Autosave(ctx, time.Now().Add(-Rest)); err != nil && ctx.Err() == nil {
				log.Warn("drafts at rest were not kept as versions; trying again", "cause", err)
			}
			if gone, err := s.Purge(ctx, time.Now()); err != nil && ctx.Err() == nil {
				log.Warn("what was deleted long ago was not removed; trying again", "cause", err)
			} else if gone > 0 {
				log.Info("deleted pieces and materials were removed for good", "number", gone)
			}
		}
	}
}
