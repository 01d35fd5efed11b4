package server

import (
	"context"
	"log/slog"
	"time"

	"mala/store"
)

// Quiet is how long a draft rests before it becomes a version.
const Quiet = 10 * time.Minute

// KeepQuietDrafts makes versions of drafts that have come to rest, looking every
// so often until the context ends.
func KeepQuietDrafts(ctx context.Context, s *store.Store, every time.Duration, log *slog.Logger) {
	tick := time.NewTicker(every)
	defer tick.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case <-tick.C:
			if _, err := s.KeepQuiet(ctx, time.Now().Add(-Quiet)); err != nil && ctx.Err() == nil {
				log.Warn("drafts at rest were not kept as versions; trying again", "cause", err)
			}
		}
	}
}
