package localpg

import (
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
)

// The roles of a cluster. The keeper is the one that initdb makes: it may do anything, and only
// lets the worker in. Mala works as the worker, who owns its tables and is no superuser.
const (
	keeper = "app"
	worker = "mala"

	keeperPassword = "password"
	workerPassword = "role"
)

// adopt makes the worker the owner of what an earlier Mala made as the keeper. Sequences of a table
// go with it.
const adopt = `
DO $$
DECLARE name text;
BEGIN
	FOR name IN SELECT format('TABLE %s', oid::regclass) FROM pg_class
			WHERE relnamespace = 'public'::regnamespace AND relkind IN ('r', 'p') AND relowner = 'app'::regrole
		UNION ALL SELECT format('FUNCTION %s', oid::regprocedure) FROM pg_proc
			WHERE pronamespace = 'public'::regnamespace AND proowner = 'app'::regrole
	LOOP
		EXECUTE format('ALTER %s OWNER TO mala', name);
	END LOOP;
END
$$`

// passwords reads the password of each role; that of the worker is made if there is none yet.
func (s *Server) passwords(owner *owner) error {
	kept, err := os.ReadFile(filepath.Join(s.Dir, keeperPassword))
	if err != nil {
		return err
	}
	own, err := os.ReadFile(filepath.Join(s.Dir, workerPassword))
	if errors.Is(err, os.ErrNotExist) {
		if err := writeSecret(filepath.Join(s.Dir, workerPassword), owner); err != nil {
			return err
		}
		own, err = os.ReadFile(filepath.Join(s.Dir, workerPassword))
	}
	s.keeperPassword, s.workerPassword = string(kept), string(own)
	return err
}

// writeSecret writes a new password into a file that only its owner reads.
func writeSecret(path string, owner *owner) error {
	if err := os.WriteFile(path, []byte(rand.Text()), 0o600); err != nil {
		return err
	}
	return owner.give(path)
}

// letIn gives the worker its password and its tables, for which the keeper is asked. It is done
// where the worker was refused: the first time, and where its file was changed.
func (s *Server) letIn(ctx context.Context) error {
	conn, err := pgx.Connect(ctx, s.KeeperURL)
	if refused(err) {
		return fmt.Errorf("the password in %s is not that of the PostgreSQL it lies beside. Put the file back as it was, or restore a backup into another folder", filepath.Join(s.Dir, keeperPassword))
	}
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	return pgx.BeginFunc(ctx, conn, func(tx pgx.Tx) error {
		for _, sql := range []string{
			"DO $$ BEGIN IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'mala') THEN CREATE ROLE mala LOGIN; END IF; END $$",
			"ALTER ROLE mala LOGIN NOSUPERUSER NOCREATEROLE NOCREATEDB PASSWORD '" + strings.ReplaceAll(s.workerPassword, "'", "''") + "'",
			"ALTER DATABASE postgres OWNER TO mala",
			adopt,
		} {
			if _, err := tx.Exec(ctx, sql); err != nil {
				return err
			}
		}
		return nil
	})
}

// refused says whether the cluster answered that who asks may not come in.
func refused(err error) bool {
	var pg *pgconn.PgError
	return errors.As(err, &pg) && strings.HasPrefix(pg.Code, "28")
}
