// Package localpg runs a private PostgreSQL on loopback from a folder of its
// own, for the demo and the tests. It never touches another cluster of the
// machine.
package localpg

import (
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"net/url"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
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
	URL string // of its database, with user and password
	Dir string // where its data lies

	child *child
	lock  *os.File
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
	s := &Server{Dir: dir}
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
	if _, err := os.Stat(filepath.Join(data, "PG_VERSION")); err != nil {
		if err := initialise(ctx, programs, s.Dir, data, owner, throwaway); err != nil {
			return err
		}
	}
	password, err := os.ReadFile(filepath.Join(s.Dir, "password"))
	if err != nil {
		return err
	}
	logTo, err := os.OpenFile(filepath.Join(s.Dir, "postgres.log"), os.O_CREATE|os.O_TRUNC|os.O_WRONLY, 0o600)
	if err != nil {
		return err
	}
	defer logTo.Close()
	for deadline := time.Now().Add(patience); ; {
		if err := endLeftover(ctx, data); err != nil {
			return err
		}
		err := s.launch(ctx, programs, data, string(password), owner, throwaway, logTo)
		if err == nil {
			return nil
		}
		// Just after a kill the old one's memory can still be held for a moment.
		if !errors.Is(err, errEnded) || time.Now().After(deadline) {
			return fmt.Errorf("PostgreSQL did not start; see %s: %w", logTo.Name(), err)
		}
		time.Sleep(100 * time.Millisecond)
	}
}

// errEnded says that the cluster's process ended before it answered.
var errEnded = errors.New("it ended by itself")

// launch starts the cluster's process and waits until it answers.
func (s *Server) launch(ctx context.Context, programs, data, password string, owner *owner, throwaway bool, logTo *os.File) error {
	port, err := freePort()
	if err != nil {
		return err
	}
	args := []string{"-D", data, "-p", strconv.Itoa(port), "-c", "listen_addresses=127.0.0.1", "-c", "unix_socket_directories="}
	if throwaway {
		args = append(args, "-c", "fsync=off", "-c", "synchronous_commit=off", "-c", "full_page_writes=off")
	}
	if s.child, err = startChild(filepath.Join(programs, "postgres"), args, owner, logTo); err != nil {
		return err
	}
	s.URL = (&url.URL{Scheme: "postgres", User: url.UserPassword("app", password), Host: fmt.Sprintf("127.0.0.1:%d", port), Path: "/postgres", RawQuery: "sslmode=disable"}).String()
	if err := s.waitUntilReady(ctx); err != nil {
		return errors.Join(err, s.child.stop())
	}
	return nil
}

// Stop shuts the cluster down cleanly.
func (s *Server) Stop() error {
	defer s.lock.Close()
	return s.child.stop()
}

// Pid is the process of the cluster.
func (s *Server) Pid() int { return s.child.cmd.Process.Pid }

func (s *Server) waitUntilReady(ctx context.Context) error {
	ctx, cancel := context.WithTimeout(ctx, patience)
	defer cancel()
	for {
		conn, err := pgx.Connect(ctx, s.URL)
		if err == nil {
			return conn.Close(ctx)
		}
		select {
		case <-s.child.done:
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

// initialise makes the cluster beside its place and moves it there whole, so
// that a start cut short leaves nothing half made.
func initialise(ctx context.Context, programs, dir, data string, owner *owner, throwaway bool) error {
	fresh := data + ".new"
	if err := os.RemoveAll(fresh); err != nil {
		return err
	}
	password := rand.Text()
	file := filepath.Join(dir, "password")
	if err := os.WriteFile(file, []byte(password), 0o600); err != nil {
		return err
	}
	if err := owner.give(file); err != nil {
		return err
	}
	args := []string{"-D", fresh, "-U", "app", "-A", "scram-sha-256", "--pwfile=" + file, "-E", "UTF8", "--locale=C.UTF-8"}
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
