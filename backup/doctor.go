package backup

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"image/jpeg"
	"os"
	"strings"
	"syscall"
	"time"

	"mala/desk"
	"mala/format"
	"mala/store"
)

// Finding is one thing that was looked at.
type Finding struct {
	Bad  bool   // something is wrong; else it is right, or only could be better
	Says string // what is so, and what to do
}

// What is too little room, in MB: to be seen to soon, and to be seen to now.
const (
	littleRoom = 2048
	noRoom     = 200
)

// Examine looks at a shop: its database, every piece, version and material, the room where the data
// are, and the newest daily copy. The data folder and that of the copies may be empty.
func Examine(ctx context.Context, s *store.Store, data, copies string, now time.Time) ([]Finding, error) {
	facts, err := s.Facts(ctx)
	if err != nil {
		return nil, err
	}
	out := []Finding{{Says: fmt.Sprintf("PostgreSQL %s answers; the shop takes %d MB, its tables are version %d.", facts.Server, facts.Megabytes, facts.Tables)}}
	switch {
	case facts.Failures > 0:
		out = append(out, Finding{true, fmt.Sprintf("%d pages of the database are damaged. Stop Mala, check the disk, and restore the newest good copy into another folder.", facts.Failures)})
	case facts.Checksums:
		out = append(out, Finding{Says: "Its pages carry checksums, and none was found damaged."})
	default:
		out = append(out, Finding{Says: "Its pages carry no checksums, since it was made by an older Mala. A copy, restored into a new folder, has them."})
	}
	read, err := readable(ctx, s)
	if err != nil {
		return out, err
	}
	out = append(out, read...)
	if data != "" {
		out = append(out, room(data))
	}
	return append(out, newest(copies, now)), nil
}

// readable reads every piece, version and material, and works out every piece.
func readable(ctx context.Context, s *store.Store) ([]Finding, error) {
	var counts Counts
	var out []Finding
	var house format.House
	err := s.Read(ctx, store.Snapshot{
		Shop: func(shop store.Shop, _ store.Keeping) error {
			house = shop.House
			return nil
		},
		Material: func(m store.Material) error {
			counts.Materials++
			return nil
		},
		Piece: func(p store.Piece, versions []store.Version) error {
			counts.Pieces++
			counts.Versions += len(versions)
			var faults format.Faults
			if _, err := desk.Analyse(ctx, &p.Document, desk.Options{House: house}); errors.As(err, &faults) && !faults.OfLine() {
				out = append(out, Finding{true, fmt.Sprintf("%s cannot be worked out: %s Restore one of its versions.", p.Name, faults[0].Says)})
			} else if err != nil && !errors.As(err, &faults) {
				return err
			}
			return nil
		},
		Selling: func(store.Selling) error { return nil },
		Photo: func(p store.Photo) error {
			counts.Photos++
			if _, err := jpeg.DecodeConfig(bytes.NewReader(p.Large)); err != nil {
				out = append(out, Finding{true, fmt.Sprintf("A photograph of %s %s is damaged. Remove it there and add it again.", p.Of().Kind, p.Of().ID)})
			}
			return nil
		},
		Kit: func(k store.Kit, _ []store.KitVersion) error {
			counts.Kits++
			if err := k.Document.Check(); err != nil {
				out = append(out, Finding{true, fmt.Sprintf("%s cannot be packed: %v Restore one of its versions.", k.Name, err)})
			}
			return nil
		},
	})
	return append(out, Finding{Says: fmt.Sprintf("%s are read.", counts)}), err
}

// room says how much is left where the data are.
func room(data string) Finding {
	var disk syscall.Statfs_t
	if err := syscall.Statfs(data, &disk); err != nil {
		return Finding{true, fmt.Sprintf("%s cannot be looked at: %v.", data, err)}
	}
	return roomOf(data, int(disk.Bavail*uint64(disk.Bsize)>>20))
}

func roomOf(data string, free int) Finding {
	switch {
	case free < noRoom:
		return Finding{true, fmt.Sprintf("Only %d MB are free in %s: saves will fail soon. Make room now.", free, data)}
	case free < littleRoom:
		return Finding{Says: fmt.Sprintf("Only %d MB are free in %s. Make room soon.", free, data)}
	}
	return Finding{Says: fmt.Sprintf("%d MB are free in %s.", free, data)}
}

// newest says how old the newest daily copy is.
func newest(copies string, now time.Time) Finding {
	if copies == "" {
		return Finding{Says: "No daily copies are made. Name a folder for them by --backups."}
	}
	entries, err := os.ReadDir(copies)
	if err != nil {
		return Finding{true, fmt.Sprintf("The folder of the daily copies cannot be read: %v.", err)}
	}
	last := time.Time{}
	for _, e := range entries {
		if day, ok := dayOf(e.Name()); ok && day.After(last) {
			last = day
		}
	}
	switch {
	case last.IsZero():
		return Finding{true, fmt.Sprintf("There is no daily copy in %s. Is Mala served with --backups?", copies)}
	case now.Sub(last) > 2*aDay:
		return Finding{true, fmt.Sprintf("The newest daily copy in %s is of %s. Look into the log for the reason.", copies, last.Format(copyDay))}
	}
	return Finding{Says: fmt.Sprintf("The newest daily copy in %s is of %s.", copies, last.Format(copyDay))}
}

// dayOf is the day of a copy by its name; false of another file.
func dayOf(name string) (time.Time, bool) {
	name, ours := strings.CutPrefix(name, copyBefore)
	name, zipped := strings.CutSuffix(name, copyAfter)
	day, err := time.Parse(copyDay, name)
	return day, ours && zipped && err == nil
}
