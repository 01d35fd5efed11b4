package store

import (
	"context"
	"errors"
)

// Facts are what is known of the database itself.
type Facts struct {
	Server    string // its version
	Checksums bool   // its pages carry checksums
	Failures  int    // pages that were found damaged by them
	Tables    int64  // the version of the tables
	Megabytes int    // that the shop takes
}

// Facts asks the database about itself.
func (s *Store) Facts(ctx context.Context) (Facts, error) {
	var f Facts
	checksums := ""
	err := errors.Join(
		s.pool.QueryRow(ctx, "SHOW server_version").Scan(&f.Server),
		s.pool.QueryRow(ctx, "SHOW data_checksums").Scan(&checksums),
		s.pool.QueryRow(ctx, "SELECT coalesce(sum(checksum_failures), 0), pg_database_size(current_database()) / 1048576 FROM pg_stat_database").Scan(&f.Failures, &f.Megabytes),
		s.pool.QueryRow(ctx, "SELECT max(version_id) FROM goose_db_version WHERE is_applied").Scan(&f.Tables),
	)
	f.Checksums = checksums == "on"
	return f, err
}
