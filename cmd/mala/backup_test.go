package main_test

import (
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
)

// A backup is written while the shop is served, and read into another place, once.
func TestBackupWhileServedAndRestoreElsewhere(t *testing.T) {
	r := startMala(t)
	file := filepath.Join(t.TempDir(), "shop.zip")
	other, err := os.MkdirTemp("", "mala-other-") // PostgreSQL's user reaches it
	if err != nil {
		t.Fatal(err)
	}
	defer os.RemoveAll(other)
	if err := os.Chmod(other, 0o755); err != nil {
		t.Fatal(err)
	}
	mala := func(args ...string) (string, error) {
		out, err := exec.Command(r.bin, args...).CombinedOutput()
		return string(out), err
	}
	wrote, err := mala("backup", "--data", r.dir, file)
	if err != nil || !strings.Contains(wrote, "versions, 6 kits, ") {
		t.Fatalf("%v: %s", err, wrote)
	}
	counts := strings.TrimPrefix(strings.TrimSuffix(strings.TrimSpace(wrote), "."), file+" holds ")
	read, err := mala("restore", "--data", other, file)
	if err != nil || !strings.Contains(read, counts+" are here again.") {
		t.Fatalf("%v: %s; wrote %s", err, read, wrote)
	}
	if again, err := mala("restore", "--data", other, file); err == nil || !strings.Contains(again, "there is a shop here already, and nothing was changed") {
		t.Errorf("%v: %s", err, again)
	}
	if copied, err := mala("backup", "--data", other, file); err != nil || !strings.Contains(copied, counts) {
		t.Errorf("of a shop that is not served: %v: %s", err, copied)
	}
	for says, args := range map[string][]string{"name the one file": {"backup"}, "name the backup": {"restore", "--data", other, filepath.Join(other, "none.zip")}, "was not written": {"backup", "--data", r.dir, filepath.Join(other, "none", "shop.zip")}} {
		if out, err := mala(args...); err == nil || !strings.Contains(out, says) {
			t.Errorf("%v: %v: %s", args, err, out)
		}
	}
	r.piece() // it is served all the while
	if out, err := mala("doctor", "--data", r.dir); err != nil || !strings.Contains(out, "✓ PostgreSQL") || !strings.Contains(out, "MB are free in "+r.dir) || strings.Contains(out, "✕") {
		t.Errorf("%v: %s", err, out)
	}
	if out, err := mala("reset", "--data", other); err == nil || !strings.Contains(out, "nothing was deleted") {
		t.Errorf("asked, and no one answered: %v: %s", err, out)
	}
	notes := filepath.Join(other, "pg", "notes.txt")
	if err := os.WriteFile(notes, []byte("mine"), 0o600); err != nil {
		t.Fatal(err)
	}
	if out, err := mala("reset", "--yes", "--data", other); err == nil || !strings.Contains(out, `holds "notes.txt", which Mala did not make`) {
		t.Errorf("%v: %s", err, out)
	}
	if err := os.Remove(notes); err != nil {
		t.Fatal(err)
	}
	yes := exec.Command(r.bin, "reset", "--data", other)
	yes.Stdin = strings.NewReader("yes\n")
	if out, err := yes.CombinedOutput(); err != nil || !strings.Contains(string(out), "is gone") {
		t.Errorf("%v: %s", err, out)
	}
}
