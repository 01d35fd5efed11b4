package main_test

import (
	"bytes"
	"errors"
	"fmt"
	"math/rand/v2"
	"os"
	"path/filepath"
	"strings"
	"syscall"
	"testing"
	"time"

	"mala/server"
)

// smallDisk is a file system of its own of this many bytes. Only root may mount one.
func smallDisk(t *testing.T, size string) string {
	t.Helper()
	dir, err := os.MkdirTemp("", "mala-small-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(dir) })
	if err := syscall.Mount("tmpfs", dir, "tmpfs", 0, "size="+size); err != nil {
		t.Skipf("a small file system can only be mounted as root: %v", err)
	}
	t.Cleanup(func() {
		for range 100 { // its PostgreSQL ends a moment after the program
			if syscall.Unmount(dir, 0) == nil {
				return
			}
			time.Sleep(50 * time.Millisecond)
		}
		t.Errorf("%s is still mounted", dir)
	})
	return dir
}

// fill takes all the room that is left, and gives the file that takes it.
func fill(t *testing.T, dir string) string {
	t.Helper()
	path := filepath.Join(dir, "filler")
	f, err := os.Create(path)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	for part := bytes.Repeat([]byte{1}, 4096); err == nil; {
		_, err = f.Write(part)
	}
	if !errors.Is(err, syscall.ENOSPC) {
		t.Fatal(err)
	}
	return path
}

// A full disk is said to be one, PostgreSQL killed on it comes back as soon as there is room, and
// nothing that was acknowledged is lost.
func TestAFullDiskIsSaidAndHealsByItself(t *testing.T) {
	if testing.Short() {
		t.Skip("takes a while")
	}
	dir := smallDisk(t, "160m")
	r := startMalaIn(t, dir)
	p := r.piece()
	saved := p
	change := func(n int) server.PieceState {
		p.Document.Row("r1").Line = fmt.Sprintf("%dT", n)
		p.Document.Notes = ""
		for range 60 { // of a length that is not packed away
			p.Document.Notes += fmt.Sprintf("%016x", rand.Uint64())
		}
		return p
	}
	for round := range 2 {
		filler := fill(t, dir)
		said, last := "", saved
		for n := 1; said == "" && n < 20_000; n++ {
			next, says, err := r.save(saved.Revision, change(n))
			if err == nil {
				saved, last = next, next
			}
			said = says
			noFault(t, err)
		}
		if !strings.Contains(said, "is full") && !strings.Contains(strings.ToLower(said), "no space left") {
			t.Fatalf("round %d: %q does not say that the disk is full", round, said)
		}
		r.killPostgres()
		if round == 1 {
			// Where its recovery makes a little room, it starts once more and fills up again.
			waitFor(t, "the reason, by the database's own log", func() bool {
				next, says, err := r.save(saved.Revision, change(20_000))
				noFault(t, err)
				switch {
				case err == nil:
					saved, last = next, next
				case strings.Contains(says, "is full"):
					r.killPostgres()
				}
				return strings.Contains(says, "No space left on device")
			})
		}
		if err := os.Remove(filler); err != nil {
			t.Fatal(err)
		}
		waitFor(t, "saving again", func() bool {
			// The last save may have been kept though its answer was lost; then it is the same.
			back := r.piece()
			if back.Revision < last.Revision || back.Revision > last.Revision+1 {
				t.Fatalf("round %d: revision %d was acknowledged, %d came back", round, last.Revision, back.Revision)
			}
			next, _, err := r.save(back.Revision, change(30_000+round))
			saved = next
			return err == nil
		})
	}
}

// noFault holds that no answer is one of an unknown fault.
func noFault(t *testing.T, err error) {
	t.Helper()
	if err != nil && strings.HasPrefix(err.Error(), "500") {
		t.Fatal(err)
	}
}

func waitFor(t *testing.T, what string, done func() bool) {
	t.Helper()
	for deadline := time.Now().Add(2 * time.Minute); !done(); time.Sleep(100 * time.Millisecond) {
		if time.Now().After(deadline) {
			t.Fatalf("in vain: %s", what)
		}
	}
}
