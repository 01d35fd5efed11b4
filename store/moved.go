package store

import (
	"context"
	"time"
)

// listenAgain is how long it rests before it listens again after the connection was lost.
const listenAgain = time.Second

// Moved calls moved whenever the catalogue or the house method has changed, here or by another
// server, and whenever it may have without this being heard; until the context ends.
func (s *Store) Moved(ctx context.Context, moved func()) {
	for ctx.Err() == nil {
		s.listen(ctx, moved)
		moved()
		select {
		case <-ctx.Done():
		case <-time.After(listenAgain):
		}
	}
}

// listen hears of changes on a connection of its own until that is lost.
func (s *Store) listen(ctx context.Context, moved func()) {
	pooled, err := s.pool.Acquire(ctx)
	if err != nil {
		return
	}
	conn := pooled.Hijack()
	defer conn.Close(context.WithoutCancel(ctx))
	if _, err := conn.Exec(ctx, "LISTEN moved"); err != nil {
		return
	}
	moved() // what changed before it listened
	for {
		if _, err := conn.WaitForNotification(ctx); err != nil {
			return
		}
		moved()
	}
}
