package store_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/jackc/pgx/v5"

	"mala/localpg/pgtest"
	"mala/store"
)

// emptied is a database without a single table.
func emptied(t *testing.T, sql string) (url string) {
	t.Helper()
	url = pgtest.Database(t)
	conn, err := pgx.Connect(t.Context(), url)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(t.Context())
	if _, err := conn.Exec(t.Context(), sql); err != nil {
		t.Fatal(err)
	}
	return url
}

// A database of every version since November 2026 is brought to today's, and nothing in it is
// lost. testdata holds one of each; a new migration adds its own.
func TestEveryOlderDatabaseIsBroughtToToday(t *testing.T) {
	dumps, err := filepath.Glob("testdata/schema-*.sql")
	if err != nil {
		t.Fatal(err)
	}
	migrations, err := filepath.Glob("migrations/*.sql")
	if err != nil || len(dumps) != len(migrations)-1 { // the first is older than the dumps
		t.Errorf("%d dumps of %d versions, %v: dump the newest into testdata", len(dumps), len(migrations), err)
	}
	for _, dump := range dumps {
		sql, err := os.ReadFile(dump)
		if err != nil {
			t.Fatal(err)
		}
		s, err := store.Open(t.Context(), emptied(t, "DROP SCHEMA public CASCADE; CREATE SCHEMA public;"+string(sql)))
		if err != nil {
			t.Errorf("%s: %v", dump, err)
			continue
		}
		pieces, _, _ := s.Pieces(t.Context(), "ferry stack", 0, 0)
		if len(pieces) != 1 || pieces[0].Revision != 5 || *pieces[0].FinishedMM != 187.35 {
			t.Fatalf("%s: %+v", dump, pieces)
		}
		p, err := s.Piece(t.Context(), pieces[0].ID)
		v, versionErr := s.Version(t.Context(), pieces[0].ID, 1)
		if err != nil || versionErr != nil || p.Document.Row("r1").Line != "11(2T S F)" || v.Label != "for the fair" || v.House.Crimp != "flat" || text(t, v.Document) != text(t, p.Document) {
			t.Errorf("%s: %v, %v, %+v", dump, err, versionErr, v)
		}
		if photos, err := s.Photos(t.Context(), store.Pictured{Kind: store.OfPiece, ID: p.ID}); err != nil || len(photos) != map[bool]int{true: 1}[dump == "testdata/schema-10.sql"] {
			t.Errorf("%s: %v, %d photographs", dump, err, len(photos))
		}
		if dump > "testdata/schema-08.sql" {
			if kits, _, _ := s.Kits(t.Context(), "", 0, 0); len(kits) > 0 {
				if packed, err := s.Packed(t.Context(), kits[0].ID, "0-0-0"); err != nil || len(packed) != 1 {
					t.Errorf("%s: %v, %v", dump, err, packed)
				}
			}
		}
		materials, _, err := s.Materials(t.Context(), store.Filter{Archived: true})
		if err != nil || len(materials) != 1 || materials[0].OnHand != 7 || !materials[0].Archived {
			t.Errorf("%s: %v, %+v", dump, err, materials)
		}
		if shop, err := s.House(t.Context()); err != nil || shop.House.Crimp != "flat" || shop.Revision != 9 {
			t.Errorf("%s: %v, %+v", dump, err, shop)
		}
		if kits, n, err := s.Kits(t.Context(), "", 0, 0); err != nil || n > 0 && (kits[0].Revision != 2 || kits[0].Document.Notes != "two of them" || kits[0].Document.Pieces[0].Quantity != 2) || (n == 0) == (dump > "testdata/schema-06.sql") {
			t.Errorf("%s: %v, %d kits", dump, err, n)
		}
		if keep, err := s.Keeping(t.Context()); err != nil || keep != (store.Keeping{DeletedDays: 90, AsideDays: store.UsualAsideDays}) {
			t.Errorf("%s: %v, %+v", dump, err, keep)
		}
		s.Close()
	}
}

// Of servers that start at once on an empty database one makes the tables, and the others wait.
func TestServersThatStartAtOnceWaitForEachOther(t *testing.T) {
	url := emptied(t, "DROP SCHEMA public CASCADE; CREATE SCHEMA public")
	failed := make(chan error)
	for range 4 {
		go func() { failed <- store.Migrate(t.Context(), url) }()
	}
	for range 4 {
		if err := <-failed; err != nil {
			t.Error(err)
		}
	}
}

// A database of a newer program is left alone.
func TestANewerDatabaseIsRefused(t *testing.T) {
	url := emptied(t, "INSERT INTO goose_db_version (version_id, is_applied) VALUES (9999, true)")
	if _, err := store.Open(t.Context(), url); err == nil || !strings.Contains(err.Error(), "of a newer Mala (its tables are version 9999") {
		t.Errorf("%v", err)
	}
}
