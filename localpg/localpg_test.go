package localpg

import (
	"context"
	"errors"
	"os"
	"path/filepath"
	"strings"
	"syscall"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"
)

func start(t *testing.T, dir string) *Server {
	t.Helper()
	s, err := Start(context.Background(), Options{Dir: dir})
	if err != nil {
		t.Fatal(err)
	}
	return s
}

// folder is a place for a cluster that its user can reach.
func folder(t *testing.T) string {
	t.Helper()
	parent, err := os.MkdirTemp("", "mala-localpg-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(parent) })
	if err := os.Chmod(parent, 0o755); err != nil {
		t.Fatal(err)
	}
	return filepath.Join(parent, "pg")
}

func run(t *testing.T, s *Server, sql string) {
	t.Helper()
	ctx := context.Background()
	conn, err := pgx.Connect(ctx, s.URL)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(ctx)
	if _, err := conn.Exec(ctx, sql); err != nil {
		t.Fatal(err)
	}
}

func TestAClusterThatFailsToComeBackIsTriedUntilItDoes(t *testing.T) {
	s := &Server{stop: make(chan struct{}), lock: os.Stdin}
	dead := func() *child {
		c := &child{done: make(chan struct{})}
		close(c.done)
		return c
	}
	s.child = dead()
	back := &child{done: make(chan struct{})}
	tries := 0
	seen := make(chan error, 10)
	s.launch = func(context.Context) (*child, error) {
		seen <- s.Trouble()
		if tries++; tries < 4 {
			return nil, errors.New("the disk is full")
		}
		return back, nil
	}
	start := time.Now()
	go s.keepRunning()
	for i := range 4 {
		if why := <-seen; (why != nil) != (i > 0) {
			t.Errorf("before try %d it says %v", i+1, why)
		}
	}
	for s.running() != back {
		time.Sleep(time.Millisecond)
	}
	if s.Trouble() != nil {
		t.Error("running, it still speaks of trouble")
	}
	if took := time.Since(start); took < firstPause*(1+2+4) {
		t.Errorf("four tries within %v are not ever farther apart", took)
	}
	// Stopped in the middle of a pause, it gives up.
	s.launch = func(context.Context) (*child, error) { return nil, errors.New("still full") }
	s.stopping = true
	close(s.stop)
	if s.revive() != nil {
		t.Error("revived after the stop")
	}
}

func TestDataOutlivesCleanStopsAndKills(t *testing.T) {
	dir := folder(t)
	s := start(t, dir)
	run(t, s, "CREATE TABLE kept (n int)")
	run(t, s, "DO $$ BEGIN IF current_setting('data_checksums') <> 'on' THEN RAISE EXCEPTION 'no page checksums'; END IF; END $$")
	if _, err := Start(context.Background(), Options{Dir: dir}); err == nil {
		t.Fatal("a second start on a running cluster was let through")
	}
	if err := s.Stop(); err != nil {
		t.Fatal(err)
	}
	s = start(t, dir)
	run(t, s, "INSERT INTO kept VALUES (1)")
	// Killed, it comes back by itself on the same address.
	killed := s.Pid()
	if err := syscall.Kill(killed, syscall.SIGKILL); err != nil {
		t.Fatal(err)
	}
	for deadline := time.Now().Add(20 * time.Second); s.Pid() == killed; time.Sleep(20 * time.Millisecond) {
		if time.Now().After(deadline) {
			t.Fatal("the cluster did not come back")
		}
	}
	run(t, s, "INSERT INTO kept SELECT 1 FROM kept WHERE n = 1")
	if err := s.Stop(); err != nil {
		t.Fatal(err)
	}
}

// Data of another version of PostgreSQL are left alone, and said to be so.
func TestDataOfAnotherVersionAreLeftAlone(t *testing.T) {
	programs, err := findPrograms()
	if err != nil {
		t.Fatal(err)
	}
	here := filepath.Base(filepath.Dir(programs))
	if got, err := programsFor(here, programs, "x"); got != programs || err != nil {
		t.Errorf("%s, %v", got, err)
	}
	dir := folder(t)
	note := filepath.Join(dir, "data", "PG_VERSION")
	if err := errors.Join(os.MkdirAll(filepath.Dir(note), 0o700), os.WriteFile(note, []byte("9\n"), 0o600)); err != nil {
		t.Fatal(err)
	}
	if _, err := Start(context.Background(), Options{Dir: dir}); err == nil || !strings.Contains(err.Error(), "made by PostgreSQL 9, and "+here+" is installed") {
		t.Errorf("%v", err)
	}
	if left, err := os.ReadFile(note); err != nil || string(left) != "9\n" {
		t.Errorf("%s, %v", left, err)
	}
}
