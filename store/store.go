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
	"time"

	"github.com/jackc/pgx/v5/pgxpool"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"
	"gorm.io/driver/postgres"
	"gorm.io/gorm"
	"gorm.io/gorm/logger"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Store is the shop's memory. It is safe for use by many at once.
type Store struct {
	db   *gorm.DB
	pool *pgxpool.Pool
	sql  *sql.DB
	now  func() time.Time
}

// ErrNotFound says that there is nothing under the id that was given.
var ErrNotFound = errors.New("not found")

// Open connects to the database at the URL and brings it up to the newest
// version of its tables.
func Open(ctx context.Context, url string) (*Store, error) {
	pool, err := pgxpool.New(ctx, url)
	if err != nil {
		return nil, err
	}
	db := stdlib.OpenDBFromPool(pool)
	if err := migrate(ctx, db); err != nil {
		return nil, errors.Join(err, db.Close())
	}
	orm, err := gorm.Open(postgres.New(postgres.Config{Conn: db}), &gorm.Config{
		TranslateError: true,
		Logger:         logger.Discard,
	})
	if err != nil {
		return nil, errors.Join(err, db.Close())
	}
	return &Store{db: orm, pool: pool, sql: db, now: now}, nil
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
	provider, err := goose.NewProvider(goose.DialectPostgres, db, files)
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
	err := s.sql.Close()
	s.pool.Close()
	return err
}

// found turns GORM's word for an absent row into the store's.
func found(err error) error {
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return ErrNotFound
	}
	return err
}
