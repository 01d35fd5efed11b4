package localpg

import (
	"context"
	"errors"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"
)

func keep(t *testing.T, s *Server, sql string) {
	t.Helper()
	conn, err := pgx.Connect(context.Background(), s.KeeperURL)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(context.Background())
	if _, err := conn.Exec(context.Background(), sql); err != nil {
		t.Fatal(err)
	}
}

// Mala works as a user who may do nothing beyond its own tables, also where an earlier one made
// them as the user who may do anything.
func TestMalaWorksAsNoSuperuser(t *testing.T) {
	dir := folder(t)
	s := start(t, dir)
	const bound = "DO $$ BEGIN IF (SELECT rolsuper OR rolcreaterole OR rolcreatedb FROM pg_roles WHERE rolname = current_user) THEN RAISE EXCEPTION 'it may do too much'; END IF; END $$"
	run(t, s, bound)
	keep(t, s, `ALTER DATABASE postgres OWNER TO app; DROP ROLE mala; CREATE TABLE earlier (id serial, n int); INSERT INTO earlier (n) VALUES (7);
		CREATE FUNCTION tell() RETURNS int LANGUAGE sql AS 'SELECT 1'`)
	if err := errors.Join(s.Stop(), os.Remove(filepath.Join(dir, "role"))); err != nil {
		t.Fatal(err)
	}
	s = start(t, dir)
	defer s.Stop()
	run(t, s, bound)
	run(t, s, `ALTER TABLE earlier ADD COLUMN more int; INSERT INTO earlier (n) VALUES (8); DROP FUNCTION tell(); CREATE TABLE later ()`)
}

// A note that PostgreSQL would not start beside is taken away, unless one runs.
func TestABrokenNoteOfTheProcessIsTakenAway(t *testing.T) {
	dir := folder(t)
	s := start(t, dir)
	note := filepath.Join(dir, "data", "postmaster.pid")
	for _, broken := range []string{"", "not a number\n", "-7\n", "1\n/elsewhere\n"} {
		if err := errors.Join(s.Stop(), os.WriteFile(note, []byte(broken), 0o600)); err != nil {
			t.Fatal(err)
		}
		began := time.Now()
		s = start(t, dir)
		if took := time.Since(began); took > 3*time.Second {
			t.Errorf("%q took %v", broken, took)
		}
	}
	// It runs: the process that holds the folder is found without the note.
	if err := os.WriteFile(note, []byte("no number"), 0o600); err != nil {
		t.Fatal(err)
	}
	if pid, alive := leftover(filepath.Join(dir, "data")); !alive || pid < 2 {
		t.Errorf("process %d, alive %v", pid, alive)
	}
	_ = s.Stop()
}

func TestAChangedPasswordIsMendedOrSaid(t *testing.T) {
	dir := folder(t)
	s := start(t, dir)
	change := func(name string) {
		t.Helper()
		if err := errors.Join(s.Stop(), os.WriteFile(filepath.Join(dir, name), []byte("it's another"), 0o600)); err != nil {
			t.Fatal(err)
		}
	}
	change("role")
	s = start(t, dir)
	run(t, s, "SELECT 1")
	change("role")
	if err := os.WriteFile(filepath.Join(dir, "role"), []byte("a third"), 0o600); err != nil {
		t.Fatal(err)
	}
	if err := os.WriteFile(filepath.Join(dir, "password"), []byte("another"), 0o600); err != nil {
		t.Fatal(err)
	}
	began := time.Now()
	_, err := Start(context.Background(), Options{Dir: dir})
	if err == nil || !strings.Contains(err.Error(), "Put the file back as it was") || time.Since(began) > 3*time.Second {
		t.Errorf("%v after %v", err, time.Since(began))
	}
}

// What PostgreSQL itself says is the reason given, at once.
func TestWhyItDoesNotStartIsSaid(t *testing.T) {
	dir := folder(t)
	s := start(t, dir)
	conf := filepath.Join(dir, "data", "postgresql.conf")
	if err := errors.Join(s.Stop(), os.WriteFile(conf, []byte("shared_buffers = 'very much'\n"), 0o600)); err != nil {
		t.Fatal(err)
	}
	began := time.Now()
	_, err := Start(context.Background(), Options{Dir: dir})
	if err == nil || !strings.Contains(err.Error(), "postgresql.conf") || time.Since(began) > 3*time.Second {
		t.Errorf("%v after %v", err, time.Since(began))
	}
}
