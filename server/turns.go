package server

import (
	"context"
	"runtime"

	"golang.org/x/sync/semaphore"

	"mala/desk"
	"mala/format"
)

// turns shares the processors out. What takes long, a large piece or a search, waits for one of as
// many turns as there are processors; what is small never waits behind it.
type turns struct {
	long   *semaphore.Weighted
	photos *semaphore.Weighted // a large photograph takes hundreds of MB while it is read: one at a time
}

func newTurns() *turns {
	return &turns{semaphore.NewWeighted(int64(runtime.GOMAXPROCS(0))), semaphore.NewWeighted(1)}
}

// largeBeads is from how many beads on a piece waits for its turn: about 10 ms of work.
const largeBeads = 2000

// forPiece waits for a turn if the piece is large. The error is the context's.
func (t *turns) forPiece(ctx context.Context, doc *format.Document) (leave func(), err error) {
	if desk.BeadsIn(doc) < largeBeads {
		return func() {}, ctx.Err()
	}
	return t.forSearch(ctx)
}

// forSearch waits for a turn. The error is the context's.
func (t *turns) forSearch(ctx context.Context) (leave func(), err error) {
	if err := t.long.Acquire(ctx, 1); err != nil {
		return nil, context.Cause(ctx)
	}
	return func() { t.long.Release(1) }, nil
}

// forPhoto waits until no other photograph is being read. The error is the context's.
func (t *turns) forPhoto(ctx context.Context) (leave func(), err error) {
	if err := t.photos.Acquire(ctx, 1); err != nil {
		return nil, context.Cause(ctx)
	}
	return func() { t.photos.Release(1) }, nil
}
