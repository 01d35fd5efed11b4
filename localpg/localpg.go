// Package localpg runs a private PostgreSQL on loopback from a folder of its
// own, for the demo and the tests. It never touches another cluster of the
// machine.
package localpg

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5"
)

// Options say where the cluster lives and how careful it is.
type Options struct {
	// Dir is the folder of the cluster; it is made if need be.
	Dir string
	// Throwaway trades safety for speed: nothing is written through to disk. For
	// tests only.
	Throwaway bool
}

// Server is a running cluster.
type Server struct {
	URL       string // of its database, with the user Mala works as and the password
	KeeperURL string // the same for the one user who may do anything
	Dir       string // where its data lies

	keeperPassword, workerPassword string

	mu       sync.Mutex
	child    *child
	stopping bool
	stop     chan struct{} // closed when stopping
	trouble  error         // why it does not run, while it is tried again
	launch   func(context.Context) (*child, error)
	lock     *os.File
}

// ErrNoPostgres says that the server's programs are not installed.
var ErrNoPostgres = errors.New("PostgreSQL is not installed: its programs are not in /usr/lib/postgresql/*/bin. On Debian: apt-get install -y --no-install-recommends postgresql")

// patience is how long a start or stop may take.
const patience = 20 * time.Second

// Start makes the cluster if there is none, starts it, and waits until it
// answers. What an earlier run left behind is put right first.
func Start(ctx context.Context, opt Options) (*Server, error) {
	programs, err := findPrograms()
	if err != nil {
		return nil, err
	}
	dir, owner, err := prepareFolder(opt.Dir)
	if err != nil {
		return nil, err
	}
	s := &Server{Dir: dir, stop: make(chan struct{})}
	if s.lock, err = lockFolder(ctx, dir); err != nil {
		return nil, err
	}
	if err := s.start(ctx, programs, owner, opt.Throwaway); err != nil {
		s.lock.Close()
		return nil, err
	}
	return s, nil
}

func (s *Server) start(ctx context.Context, programs string, owner *owner, throwaway bool) error {
	data := filepath.Join(s.Dir, "data")
	if made, err := os.ReadFile(filepath.Join(data, "PG_VERSION")); err == nil {
		if programs, err = programsFor(strings.TrimSpace(string(made)), programs, s.Dir); err != nil {
			return err
		}
	} else {
		if err := initialise(ctx, programs, s.Dir, data, owner, throwaway); err != nil {
			return err
		}
	}
	if err := s.passwords(owner); err != nil {
		return err
	}
	port, err := freePort()
	if err != nil {
		return err
	}
	args := []string{"-D", data, "-p", strconv.Itoa(port), "-c", "listen_addresses=127.0.0.1", "-c", "unix_socket_directories="}
	if throwaway {
		args = append(args, "-c", "fsync=off", "-c", "synchronous_commit=off", "-c", "full_page_writes=off")
	}
	s.URL = address(worker, s.workerPassword, strconv.Itoa(port))
	s.KeeperURL = address(keeper, s.keeperPassword, strconv.Itoa(port))
	s.launch = func(ctx context.Context) (*child, error) {
		return s.launchChild(ctx, filepath.Join(programs, "postgres"), args, data, owner)
	}
	if s.child, err = s.launch(ctx); err != nil {
		return err
	}
	go s.keepRunning()
	return nil
}

// keepRunning starts the cluster again, on the port it had, if it ends without
// having been asked to: killed, it recovers what it acknowledged.
func (s *Server) keepRunning() {
	for {
		select {
		case <-s.stop:
			return
		case <-s.running().done:
		}
		next := s.revive()
		if next == nil {
			return
		}
		s.mu.Lock()
		s.child = next
		stopping := s.stopping
		s.mu.Unlock()
		if stopping {
			_ = next.stop()
			return
		}
	}
}

// The pauses between two tries to start the cluster again.
const (
	firstPause = 100 * time.Millisecond
	mostPause  = 10 * time.Second
)

// revive starts the cluster again, with longer and longer pauses until it
// answers; nil if the server was stopped meanwhile.
func (s *Server) revive() *child {
	for pause := firstPause; ; pause = min(2*pause, mostPause) {
		select {
		case <-s.stop:
			return nil
		default:
		}
		next, err := s.launch(context.Background())
		s.mu.Lock()
		s.trouble = err
		s.mu.Unlock()
		if err == nil {
			return next
		}
		select {
		case <-s.stop:
			return nil
		case <-time.After(pause):
		}
	}
}

// Trouble is why the cluster could not be started again so far, or cannot work; nil while it
// runs.
func (s *Server) Trouble() error {
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.trouble == nil && isFull(s.Dir) {
		return fmt.Errorf("no space left on the device of %s", s.Dir)
	}
	return s.trouble
}

func (s *Server) running() *child {
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.child
}

// errEnded says that the cluster's process ended before it answered.
var errEnded = errors.New("it ended by itself")

// launchChild starts the cluster's process and waits until it answers. Just
// after a kill the old one's memory can still be held for a moment, so it tries
// again for a while.
func (s *Server) launchChild(ctx context.Context, program string, args []string, data string, owner *owner) (*child, error) {
	logTo, err := os.OpenFile(filepath.Join(s.Dir, "postgres.log"), os.O_CREATE|os.O_APPEND|os.O_WRONLY, 0o600)
	if err != nil {
		return nil, err
	}
	defer logTo.Close()
	for deadline := time.Now().Add(patience); ; {
		if err := endLeftover(ctx, data); err != nil {
			return nil, err
		}
		before, _ := logTo.Seek(0, io.SeekEnd)
		c, err := startChild(program, args, owner, logTo)
		if err != nil {
			return nil, err
		}
		if err = s.waitUntilReady(ctx, c); err == nil {
			return c, nil
		}
		ended := errors.Is(err, errEnded)
		err = errors.Join(err, c.stop())
		why := lastFatal(logTo.Name(), before)
		if !ended || !heldStill(why) || time.Now().After(deadline) {
			return nil, notStarted(err, why, logTo.Name())
		}
		time.Sleep(100 * time.Millisecond)
	}
}

// Stop shuts the cluster down cleanly.
func (s *Server) Stop() error {
	defer s.lock.Close()
	s.mu.Lock()
	if !s.stopping {
		s.stopping = true
		close(s.stop)
	}
	c := s.child
	s.mu.Unlock()
	return c.stop()
}

// Pid is the process of the cluster.
func (s *Server) Pid() int { return s.running().cmd.Process.Pid }

func (s *Server) waitUntilReady(ctx context.Context, c *child) error {
	ctx, cancel := context.WithTimeout(ctx, patience)
	defer cancel()
	for {
		conn, err := pgx.Connect(ctx, s.URL)
		if err == nil {
			return conn.Close(ctx)
		}
		if refused(err) {
			return s.letIn(ctx)
		}
		select {
		case <-c.done:
			return errEnded
		case <-ctx.Done():
			return err
		case <-time.After(20 * time.Millisecond):
		}
	}
}

// findPrograms gives the folder of the newest server's programs.
func findPrograms() (string, error) {
	found, _ := filepath.Glob("/usr/lib/postgresql/*/bin/postgres")
	best, newest := "", -1
	for _, p := range found {
		version, err := strconv.Atoi(filepath.Base(filepath.Dir(filepath.Dir(p))))
		if err == nil && version > newest {
			best, newest = filepath.Dir(p), version
		}
	}
	if best != "" {
		return best, nil
	}
	if p, err := exec.LookPath("initdb"); err == nil {
		return filepath.Dir(p), nil
	}
	return "", ErrNoPostgres
}

// programsFor gives the programs of the version that the data were made by, which no other can read:
// these where they are of that version, or else others that are installed.
func programsFor(version, programs, dir string) (string, error) {
	here := filepath.Base(filepath.Dir(programs))
	if _, err := strconv.Atoi(here); err != nil || here == version {
		return programs, nil // of a place that does not tell its version
	}
	other := filepath.Join("/usr/lib/postgresql", version, "bin")
	if _, err := os.Stat(filepath.Join(other, "postgres")); err == nil {
		return other, nil
	}
	return "", fmt.Errorf("the data in %s were made by PostgreSQL %s, and %s is installed. Install postgresql-%s, make a backup with it, and restore that into another folder", dir, version, here, version)
}

// initialise makes the cluster beside its place and moves it there whole, so
// that a start cut short leaves nothing half made.
func initialise(ctx context.Context, programs, dir, data string, owner *owner, throwaway bool) error {
	fresh := data + ".new"
	if err := os.RemoveAll(fresh); err != nil {
		return err
	}
	file := filepath.Join(dir, keeperPassword)
	if err := writeSecret(file, owner); err != nil {
		return err
	}
	args := []string{"-D", fresh, "-U", keeper, "-A", "scram-sha-256", "--pwfile=" + file, "-E", "UTF8", "--locale=C.UTF-8", "--data-checksums"}
	if throwaway {
		args = append(args, "--no-sync")
	}
	cmd := exec.CommandContext(ctx, filepath.Join(programs, "initdb"), args...)
	cmd.Dir = dir
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: owner.credential()}
	if out, err := cmd.CombinedOutput(); err != nil {
		return fmt.Errorf("initdb: %w: %s", err, strings.TrimSpace(string(out)))
	}
	if err := os.RemoveAll(data); err != nil {
		return err
	}
	return os.Rename(fresh, data)
}
