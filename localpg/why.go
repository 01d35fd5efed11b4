package localpg

import (
	"fmt"
	"io"
	"os"
	"strings"
	"syscall"
)

// leastRoom is how many bytes PostgreSQL needs to do anything at all.
const leastRoom = 1 << 20

// isFull says whether the file system of the folder has no room left.
func isFull(dir string) bool {
	var fs syscall.Statfs_t
	return syscall.Statfs(dir, &fs) == nil && fs.Bavail*uint64(fs.Bsize) < leastRoom
}

// lastFatal is the last thing that the log, from the given byte on, says kept PostgreSQL from
// running; empty if it says nothing.
func lastFatal(log string, from int64) string {
	f, err := os.Open(log)
	if err != nil {
		return ""
	}
	defer f.Close()
	if _, err := f.Seek(from, io.SeekStart); err != nil {
		return ""
	}
	text, _ := io.ReadAll(io.LimitReader(f, 1<<20))
	why := ""
	for line := range strings.Lines(string(text)) {
		for _, level := range []string{"FATAL:  ", "PANIC:  "} {
			if _, says, ok := strings.Cut(line, level); ok && !strings.Contains(says, "starting up") && !strings.Contains(says, "authentication failed") {
				why = strings.TrimSpace(says)
			}
		}
	}
	return why
}

// heldStill says whether an earlier PostgreSQL, just killed, still holds what the next needs.
func heldStill(why string) bool {
	return strings.Contains(why, "still in use") || strings.Contains(why, "already exists")
}

// notStarted says why PostgreSQL did not start, by its own word where it left one.
func notStarted(err error, why, log string) error {
	if why == "" {
		return fmt.Errorf("PostgreSQL did not start; see %s: %w", log, err)
	}
	return fmt.Errorf("PostgreSQL did not start: %s (more in %s)", why, log)
}
