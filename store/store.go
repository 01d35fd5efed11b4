// Package store keeps the shop's catalogue and its pieces in PostgreSQL. It is
// the only place that knows SQL.
package store

import (
	"context"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"strings"
	"time"

	"github.com/jackc/pgx/v5/pgxpool"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"
	"github.com/pressly/goose/v3/lock"
	"gorm.io/driver/postgres"
	"gorm.io/gorm"
	"gorm.io/gorm/logger"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Store is the shop's memory. It is safe for use by many at once.
type Store struct {
	db   *gorm.DB
	long *gorm.DB // for what goes through much: it never takes the connections of what is short
	pool *pgxpool.Pool
	let  []func() error // lets go of the database
	now  func() time.Time
}

// How many connections are open at most, where the address does not say: for what is short, and for
// what goes through much.
const (
	connections     = 12
	longConnections = 3
)

// ErrNotFound says that there is nothing under the id that was given.
var ErrNotFound = errors.New("not found")

// Open connects to the database at the URL and brings it up to the newest
// version of its tables.
func Open(ctx context.Context, url string) (*Store, error) {
	s := &Store{now: now}
	sqlDB, err := s.connect(ctx, url, connections, &s.db)
	if err == nil {
		err = migrate(ctx, sqlDB)
	}
	if err == nil {
		_, err = s.connect(ctx, url, longConnections, &s.long)
	}
	if err != nil {
		return nil, errors.Join(err, s.Close())
	}
	return s, nil
}

// connect opens a pool of connections. The first one is the store's own.
func (s *Store) connect(ctx context.Context, url string, most int32, into **gorm.DB) (*sql.DB, error) {
	cfg, err := pgxpool.ParseConfig(url)
	if err != nil {
		return nil, err
	}
	if !strings.Contains(url, "pool_max_conns") {
		cfg.MaxConns = most
	}
	pool, err := pgxpool.NewWithConfig(ctx, cfg)
	if err != nil {
		return nil, err
	}
	if s.pool == nil {
		s.pool = pool
	}
	db := stdlib.OpenDBFromPool(pool)
	s.let = append(s.let, func() error {
		err := db.Close()
		pool.Close()
		return err
	})
	*into, err = gorm.Open(postgres.New(postgres.Config{Conn: db}), &gorm.Config{
		TranslateError: true, Logger: logger.Discard,
		QueryFields: true, // not the columns beside them, which only searches and lists need
	})
	return db, err
}

// Migrate brings the database at the URL up to the newest version of its tables.
func Migrate(ctx context.Context, url string) error {
	s, err := Open(ctx, url)
	if err != nil {
		return err
	}
	return s.Close()
}

func migrate(ctx context.Context, db *sql.DB) error {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	one, err := lock.NewPostgresSessionLocker() // of several servers that start at once
	if err != nil {
		return err
	}
	provider, err := goose.NewProvider(goose.DialectPostgres, db, files, goose.WithSessionLocker(one))
	if err != nil {
		return err
	}
	current, target, err := provider.GetVersions(ctx)
	if err != nil {
		return err
	}
	if current > target {
		return fmt.Errorf("this database is of a newer Mala (its tables are version %d, this program knows up to %d). Use the newer program", current, target)
	}
	_, err = provider.Up(ctx)
	return err
}

// now is the time to the microsecond that PostgreSQL keeps.
func now() time.Time { return time.Now().UTC().Truncate(time.Microsecond) }

// Ping says whether the database answers.
func (s *Store) Ping(ctx context.Context) error { return s.pool.Ping(ctx) }

// Close lets go of the database.
func (s *Store) Close() error {
	var err error
	for _, let := range s.let {
		err = errors.Join(err, let())
	}
	return err
}

// found turns GORM's word for an absent row into the store's.
func found(err error) error {
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return ErrNotFound
	}
	return err
}
