package backup

import (
	"context"
	"errors"
	"log/slog"
	"os"
	"path/filepath"
	"slices"
	"time"

	"mala/store"
)

// Keeping is where nightly copies go, and which of them are kept.
type Keeping struct {
	Dir  string
	Most int           // how many at most
	Age  time.Duration // how old at most; the newest is kept whatever its age
}

// How the copies are called, and how often one is made.
const (
	copyBefore = "mala-"
	copyDay    = "2006-01-02"
	copyAfter  = ".zip"
	aDay       = 24 * time.Hour
)

// Nightly writes a copy a day until the context ends, and removes those that are not kept.
func Nightly(ctx context.Context, s *store.Store, keep Keeping, log *slog.Logger) {
	tick := time.NewTicker(time.Hour)
	defer tick.Stop()
	for {
		select {
		case <-ctx.Done():
			return
		case at := <-tick.C:
			if err := keep.Copy(ctx, s, at); err != nil && ctx.Err() == nil {
				log.Warn("the daily copy was not written; trying again in an hour", "folder", keep.Dir, "cause", err)
			}
		}
	}
}

// Copy writes the copy of the day if there is none, and removes those that are not kept.
func (k Keeping) Copy(ctx context.Context, s *store.Store, at time.Time) error {
	if err := os.MkdirAll(k.Dir, 0o700); err != nil {
		return err
	}
	path := filepath.Join(k.Dir, copyBefore+at.UTC().Format(copyDay)+copyAfter)
	if _, err := os.Stat(path); errors.Is(err, os.ErrNotExist) {
		if _, err := WriteFile(ctx, s, path); err != nil {
			return err
		}
	}
	return k.thin(at)
}

// thin removes copies beyond the number and the age; files called otherwise are left alone.
func (k Keeping) thin(at time.Time) error {
	entries, err := os.ReadDir(k.Dir)
	if err != nil {
		return err
	}
	var days []time.Time
	for _, e := range entries {
		if day, ok := dayOf(e.Name()); ok {
			days = append(days, day)
		}
	}
	slices.SortFunc(days, func(a, b time.Time) int { return b.Compare(a) })
	for i, day := range days {
		if i > 0 && (i >= k.Most || at.Sub(day) > k.Age+aDay) {
			err = errors.Join(err, os.Remove(filepath.Join(k.Dir, copyBefore+day.Format(copyDay)+copyAfter)))
		}
	}
	return err
}
