package main_test

import (
	"math/rand/v2"
	"os"
	"os/exec"
	"testing"
	"time"
)

// A first start that is killed at any moment leaves nothing that keeps the next one from starting.
func TestAFirstStartThatIsKilledStartsClean(t *testing.T) {
	if testing.Short() {
		t.Skip("takes a while")
	}
	bin := build(t)
	for range 4 {
		dir, err := os.MkdirTemp("", "mala-first-")
		if err != nil {
			t.Fatal(err)
		}
		t.Cleanup(func() { os.RemoveAll(dir) })
		if err := os.Chmod(dir, 0o755); err != nil {
			t.Fatal(err)
		}
		for range 3 { // in the cluster's making, in its start, in the shop's
			cmd := exec.Command(bin, "demo", "--listen", "127.0.0.1:0", "--data", dir)
			if err := cmd.Start(); err != nil {
				t.Fatal(err)
			}
			time.Sleep(time.Duration(20+rand.IntN(1500)) * time.Millisecond)
			_ = cmd.Process.Kill()
			_ = cmd.Wait()
		}
		r := startMalaIn(t, dir)
		if p := r.piece(); p.Document.Name != "Ferry Bell" {
			t.Errorf("after the kills the shop has %q", p.Document.Name)
		}
		_ = r.cmd.Process.Signal(os.Interrupt)
		_ = r.cmd.Wait()
	}
}
