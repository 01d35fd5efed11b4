package server

import (
	"context"
	"log/slog"
	"time"

	"mala/store"
)

// behindAtOnce is how many pieces are worked out again at a stretch.
const behindAtOnce = 20

// mostPause is the longest pause between two tries while the database is away.
const mostPause = time.Minute

// KeepFigured works out again what lists show of the pieces whenever the house method has changed,
// looking every so often until the context ends. A call for something meanwhile is not kept
// waiting: it takes one piece after another.
func KeepFigured(ctx context.Context, s *store.Store, every time.Duration, log *slog.Logger) {
	pause := every
	for ctx.Err() == nil {
		done, err := figureBehind(ctx, s)
		if err == nil {
			pause = every
		} else if ctx.Err() == nil {
			log.Warn("lists do not follow the house method yet; trying again", "cause", err)
			pause = min(2*pause, mostPause)
		}
		if done < behindAtOnce {
			select {
			case <-ctx.Done():
			case <-time.After(pause):
			}
		}
	}
}

// figureBehind does so for some pieces, and says for how many.
func figureBehind(ctx context.Context, s *store.Store) (int, error) {
	behind, err := s.NextBehind(ctx, behindAtOnce)
	if err != nil || len(behind) == 0 {
		return 0, err
	}
	shop, err := s.House(ctx)
	if err != nil {
		return 0, err
	}
	for _, p := range behind {
		if err := s.Refigure(ctx, p, Figures(&p.Document, shop)); err != nil {
			return 0, err
		}
	}
	return len(behind), ctx.Err()
}
