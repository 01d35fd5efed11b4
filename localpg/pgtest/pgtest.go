// Package pgtest gives each test a migrated database of its own in a throwaway
// PostgreSQL of the test run.
package pgtest

import (
	"context"
	"fmt"
	"net/url"
	"os"
	"sync/atomic"
	"testing"

	"github.com/jackc/pgx/v5"

	"mala/localpg"
)

var (
	server *localpg.Server
	count  atomic.Int64
)

// Main runs a package's tests beside a throwaway PostgreSQL, whose template
// database is migrated once.
func Main(m *testing.M, migrate func(url string) error) {
	os.Exit(run(m, migrate))
}

func run(m *testing.M, migrate func(url string) error) int {
	parent := "/dev/shm"
	if _, err := os.Stat(parent); err != nil {
		parent = os.TempDir()
	}
	dir, err := os.MkdirTemp(parent, "mala-test-")
	if err != nil {
		return fail(err)
	}
	defer os.RemoveAll(dir)
	if err := os.Chmod(dir, 0o755); err != nil {
		return fail(err)
	}
	if server, err = localpg.Start(context.Background(), localpg.Options{Dir: dir + "/pg", Throwaway: true}); err != nil {
		return fail(err)
	}
	defer server.Stop()
	if err := create("template_mala", "template1"); err != nil {
		return fail(err)
	}
	if err := migrate(urlOf("template_mala")); err != nil {
		return fail(err)
	}
	return m.Run()
}

func fail(err error) int {
	fmt.Fprintln(os.Stderr, err)
	return 1
}

// Database makes a migrated, empty database and gives its URL.
func Database(t testing.TB) string {
	t.Helper()
	name := fmt.Sprintf("t%d", count.Add(1))
	if err := create(name, "template_mala"); err != nil {
		t.Fatal(err)
	}
	return urlOf(name)
}

func create(name, template string) error {
	ctx := context.Background()
	conn, err := pgx.Connect(ctx, server.KeeperURL)
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	_, err = conn.Exec(ctx, fmt.Sprintf("CREATE DATABASE %s TEMPLATE %s OWNER mala", name, template))
	return err
}

func urlOf(name string) string {
	u, err := url.Parse(server.URL)
	if err != nil {
		panic(err)
	}
	u.Path = "/" + name
	return u.String()
}
