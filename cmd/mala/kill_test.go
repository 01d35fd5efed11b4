package main_test

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"mala/server"
)

// kills is how often each test kills.
const kills = 50

// running is a Mala serving from a folder of its own.
type running struct {
	t    *testing.T
	bin  string
	dir  string
	port string
	cmd  *exec.Cmd
}

func startMala(t *testing.T) *running {
	t.Helper()
	dir, err := os.MkdirTemp("", "mala-kill-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(dir) })
	return startMalaIn(t, dir)
}

func startMalaIn(t *testing.T, dir string) *running {
	t.Helper()
	if err := os.Chmod(dir, 0o755); err != nil {
		t.Fatal(err)
	}
	r := &running{t: t, bin: build(t), dir: dir, port: strconv.Itoa(20_000 + rand.IntN(12_000))} // below those that connections take
	t.Cleanup(func() {
		_ = r.cmd.Process.Signal(os.Interrupt)
		_ = r.cmd.Wait()
	})
	r.start()
	return r
}

// start starts the binary and waits until it says that it is ready.
func (r *running) start() {
	r.t.Helper()
	r.cmd = exec.Command(r.bin, "demo", "--listen", "127.0.0.1:"+r.port, "--data", r.dir)
	r.cmd.Stderr = os.Stderr
	out, err := r.cmd.StdoutPipe()
	if err != nil {
		r.t.Fatal(err)
	}
	if err := r.cmd.Start(); err != nil {
		r.t.Fatal(err)
	}
	lines := bufio.NewScanner(out)
	for lines.Scan() {
		if strings.Contains(lines.Text(), "127.0.0.1:"+r.port) {
			return
		}
	}
	r.t.Fatal("mala did not become ready on its port")
}

func (r *running) url(path string) string { return "http://127.0.0.1:" + r.port + path }

func (r *running) piece() server.PieceState {
	r.t.Helper()
	var list server.PieceList
	var p server.PieceState
	for deadline := time.Now().Add(20 * time.Second); time.Now().Before(deadline); time.Sleep(20 * time.Millisecond) {
		if fetch(r.url("/api/pieces?search=ferry"), &list) == nil && len(list.Pieces) > 0 && fetch(r.url("/api/pieces/"+list.Pieces[0].ID), &p) == nil {
			return p
		}
	}
	r.t.Fatal("the piece did not come back")
	return p
}

func fetch(url string, into any) error {
	resp, err := http.Get(url)
	if err != nil {
		return err
	}
	defer resp.Body.Close()
	if resp.StatusCode != http.StatusOK {
		return fmt.Errorf("%s", resp.Status)
	}
	return json.NewDecoder(resp.Body).Decode(into)
}

// save saves the piece's document, and gives the sentence of the answer if that is a refusal.
func (r *running) save(base int64, p server.PieceState) (saved server.PieceState, says string, err error) {
	body, _ := json.Marshal(map[string]any{"base": base, "document": p.Document})
	req, _ := http.NewRequest(http.MethodPut, r.url("/api/pieces/"+p.ID), bytes.NewReader(body))
	req.Header.Set("Content-Type", "application/json")
	resp, err := http.DefaultClient.Do(req)
	if err != nil {
		return saved, "", err
	}
	defer resp.Body.Close()
	if resp.StatusCode != http.StatusOK {
		var refusal server.Problem
		_ = json.NewDecoder(resp.Body).Decode(&refusal)
		return saved, refusal.Detail, fmt.Errorf("%s", resp.Status)
	}
	return saved, "", json.NewDecoder(resp.Body).Decode(&saved)
}

// killPostgres kills the process of the private PostgreSQL, if it has one now.
func (r *running) killPostgres() {
	text, err := os.ReadFile(filepath.Join(r.dir, "pg", "data", "postmaster.pid"))
	if err != nil {
		return // between two lives
	}
	first, _, _ := strings.Cut(string(text), "\n")
	if pid, err := strconv.Atoi(first); err == nil {
		_ = syscall.Kill(pid, syscall.SIGKILL)
	}
}

// writer saves count after count into the piece's line, remembering the last one
// sent and the last one acknowledged.
type writer struct {
	mu          sync.Mutex
	sent, acked int
}

func (w *writer) write(r *running, p server.PieceState, stop <-chan struct{}) {
	base := p.Revision
	for {
		select {
		case <-stop:
			return
		default:
		}
		w.mu.Lock()
		w.sent++
		n := w.sent
		w.mu.Unlock()
		p.Document.Row("r1").Line = fmt.Sprintf("%dT", n)
		saved, _, err := r.save(base, p)
		if err != nil {
			return
		}
		base = saved.Revision
		w.mu.Lock()
		w.acked = n
		w.mu.Unlock()
	}
}

// killWhileSaving saves all the while, kills at a random moment, and holds what
// comes back to what was acknowledged.
func killWhileSaving(t *testing.T, kill func(r *running)) {
	if testing.Short() {
		t.Skip("takes a minute")
	}
	r := startMala(t)
	w := &writer{}
	for i := range kills {
		stop := make(chan struct{})
		var done sync.WaitGroup
		p := r.piece()
		done.Go(func() { w.write(r, p, stop) })
		time.Sleep(time.Duration(3+rand.IntN(25)) * time.Millisecond)
		kill(r)
		close(stop)
		done.Wait()
		kept := r.piece()
		back := kept.Document.Row("r1").Line
		n, err := strconv.Atoi(strings.TrimSuffix(back, "T"))
		if err != nil && w.acked == 0 {
			continue // nothing was acknowledged yet, and the demo's own line is still there
		}
		if err != nil || n < w.acked || n > w.sent {
			t.Fatalf("kill %d: acknowledged %d, sent %d, came back %q", i, w.acked, w.sent, back)
		}
		w.acked = n
	}
	if w.acked < kills/2 {
		t.Errorf("only %d saves were acknowledged; the kills came too early to mean anything", w.acked)
	}
}

func TestFiftyKillsOfTheServerLoseNothingAcknowledged(t *testing.T) {
	killWhileSaving(t, func(r *running) {
		_ = r.cmd.Process.Kill()
		_ = r.cmd.Wait()
		r.start()
	})
}

func TestFiftyKillsOfPostgreSQLLoseNothingAcknowledged(t *testing.T) {
	killWhileSaving(t, (*running).killPostgres)
}
