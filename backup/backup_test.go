package backup_test

import (
	"archive/zip"
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"image"
	"image/jpeg"
	"io"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
	"time"

	"mala/backup"
	filled "mala/demo/shop"
	"mala/desk"
	"mala/format"
	"mala/localpg/pgtest"
	"mala/photo"
	"mala/store"
)

func TestMain(m *testing.M) {
	pgtest.Main(m, func(url string) error { return store.Migrate(context.Background(), url) })
}

func open(t *testing.T) *store.Store {
	t.Helper()
	s, err := store.Open(t.Context(), pgtest.Database(t))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Close() })
	return s
}

// shop is the demo shop after some work: versions, a deletion, stock, an archived material, a
// house method of its own.
func shop(t *testing.T) *store.Store {
	t.Helper()
	s := open(t)
	if _, err := filled.Load(t.Context(), s); err != nil {
		t.Fatal(err)
	}
	pieces, _, err := s.Pieces(t.Context(), "", 0, 0)
	if err != nil {
		t.Fatal(err)
	}
	for i, p := range pieces {
		if i%5 == 0 {
			if _, err := s.MakeVersion(t.Context(), p.ID, store.Named, "before the fair"); err != nil {
				t.Fatal(err)
			}
		}
	}
	materials, _, _ := s.Materials(t.Context(), store.Filter{Limit: 1})
	materials[0].Archived, materials[0].OnHand = true, 4321
	_, saved := s.SaveMaterial(t.Context(), materials[0])
	gone, _ := s.SaveMaterial(t.Context(), store.Material{Document: format.Material{ID: "gone", Class: "cord", Name: "Gone", Type: "wire", DiameterMm: 0.3}})
	saved = errors.Join(saved, s.DeleteMaterial(t.Context(), "gone", gone.Revision))
	_, housed := s.SaveHouse(t.Context(), 1, format.House{Crimp: "flat"})
	if err := errors.Join(s.DeletePiece(t.Context(), pieces[0].ID), saved, housed, s.Keep(t.Context(), store.Keeping{DeletedDays: 12, AsideDays: 34})); err != nil {
		t.Fatal(err)
	}
	of := []store.Pictured{{Kind: store.OfPiece, ID: pieces[1].ID}, {Kind: store.OfVersion, ID: pieces[5].ID + ".1"}, {Kind: store.OfMaterial, ID: materials[0].ID}}
	for i, what := range of {
		var file bytes.Buffer
		err := jpeg.Encode(&file, image.NewGray(image.Rect(0, 0, 300+i, 200)), nil)
		sizes, readErr := photo.Read(file.Bytes())
		made, addErr := s.AddPhoto(t.Context(), what, sizes)
		if err := errors.Join(err, readErr, addErr); err != nil {
			t.Fatal(err)
		}
		if i == 0 {
			if err := s.DeletePhoto(t.Context(), made.ID); err != nil {
				t.Fatal(err)
			}
		}
	}
	return s
}

// everything is a shop as text: all that is kept, and every analysis.
func everything(t *testing.T, s *store.Store) []string {
	t.Helper()
	var out []string
	var house format.House
	put := func(what any) {
		data, err := json.Marshal(what)
		if err != nil {
			t.Fatal(err)
		}
		out = append(out, string(data))
	}
	err := s.Read(t.Context(), store.Snapshot{
		Shop: func(shop store.Shop, days store.Keeping) error {
			house = shop.House
			put([]any{shop.House, shop.Revision, days})
			return nil
		},
		Material: func(m store.Material) error { put(m); return nil },
		Photo:    func(p store.Photo) error { put(p); return nil },
		Selling:  func(s store.Selling) error { put([]any{s.Document, s.Revision}); return nil },
		Kit:      func(k store.Kit, versions []store.KitVersion) error { put([]any{k, versions}); return nil },
		Piece: func(p store.Piece, versions []store.Version) error {
			p.FinishedMM, p.Beads, p.Worst, p.Problems, p.Takes, p.Figured = nil, 0, "", 0, nil, 0 // worked out when it is read, by the house as it is now
			put([]any{p, versions})
			if a, err := desk.Analyse(t.Context(), &p.Document, desk.Options{House: house}); err == nil {
				put(a)
			}
			return nil
		},
	})
	if err != nil {
		t.Fatal(err)
	}
	return out
}

func TestAShopIsRestoredAsItWas(t *testing.T) {
	s := shop(t)
	path := filepath.Join(t.TempDir(), "shop.zip")
	wrote, err := backup.WriteFile(t.Context(), s, path)
	if err != nil || wrote.Pieces < 40 || wrote.Versions < 8 || wrote.Materials < 60 {
		t.Fatalf("%+v, %v", wrote, err)
	}
	file, err := os.Open(path)
	if err != nil {
		t.Fatal(err)
	}
	defer file.Close()
	info, _ := file.Stat()
	other := open(t)
	read, err := backup.Restore(t.Context(), other, file, info.Size())
	if err != nil || read != wrote {
		t.Fatalf("%+v, %v; wrote %+v", read, err, wrote)
	}
	was, is := everything(t, s), everything(t, other)
	for i := range was {
		if i >= len(is) || was[i] != is[i] {
			t.Fatalf("came back different:\n%.300s\n%.300s", was[i], is[min(i, len(is)-1)])
		}
	}
	if len(is) != len(was) {
		t.Errorf("%d things of %d", len(is), len(was))
	}
	if _, err := backup.Restore(t.Context(), other, file, info.Size()); !errors.Is(err, store.ErrNotEmpty) {
		t.Errorf("into a shop that is there: %v", err)
	}
	if left, _ := filepath.Glob(filepath.Join(filepath.Dir(path), ".mala-backup-*")); len(left) > 0 {
		t.Errorf("%v is left", left)
	}
}

// changed is a backup of a small shop with one part of it changed, or left out where that is nil.
func changed(t *testing.T, whole []byte, change func(name string, data []byte) []byte) []byte {
	t.Helper()
	in, err := zip.NewReader(bytes.NewReader(whole), int64(len(whole)))
	if err != nil {
		t.Fatal(err)
	}
	var out bytes.Buffer
	w := zip.NewWriter(&out)
	for _, f := range in.File {
		r, _ := f.Open()
		data, _ := io.ReadAll(r)
		if data = change(f.Name, data); data != nil {
			to, _ := w.Create(f.Name)
			_, _ = to.Write(data)
		}
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// A file of the first format says nothing of copies set aside, and none before the third has kits.
func TestAnOlderBackupIsRead(t *testing.T) {
	s := shop(t)
	var file bytes.Buffer
	if _, err := backup.Write(t.Context(), s, &file); err != nil {
		t.Fatal(err)
	}
	older := changed(t, file.Bytes(), func(name string, data []byte) []byte {
		if strings.HasPrefix(name, "kits/") || strings.HasPrefix(name, "photos/") || name == "selling.json" {
			return nil
		}
		return []byte(strings.NewReplacer("mala-backup/4", "mala-backup/1", `,"keepAsideDays":34`, "", `,"kits":6`, "", `,"photos":3`, "").Replace(string(data)))
	})
	other := open(t)
	if _, err := backup.Restore(t.Context(), other, bytes.NewReader(older), int64(len(older))); err != nil {
		t.Fatal(err)
	}
	if keep, err := other.Keeping(t.Context()); err != nil || keep != (store.Keeping{DeletedDays: 12, AsideDays: store.UsualAsideDays}) {
		t.Errorf("%+v, %v", keep, err)
	}
}

// Of a file that is damaged, cut short, or of a newer program nothing is restored.
func TestADamagedBackupRestoresNothing(t *testing.T) {
	s := shop(t)
	var file bytes.Buffer
	if _, err := backup.Write(t.Context(), s, &file); err != nil {
		t.Fatal(err)
	}
	whole, other := file.Bytes(), open(t)
	replace := func(name, old, now string) []byte {
		return changed(t, whole, func(n string, data []byte) []byte {
			if strings.HasPrefix(n, name) {
				return []byte(strings.Replace(string(data), old, now, 1))
			}
			return data
		})
	}
	without := func(name string, ends ...string) []byte {
		left := false
		return changed(t, whole, func(n string, data []byte) []byte {
			if strings.HasPrefix(n, name) && !left && strings.HasSuffix(n, strings.Join(ends, "")) {
				left = true
				return nil
			}
			return data
		})
	}
	for says, data := range map[string][]byte{
		"not a zip file":          whole[:len(whole)/2],
		"about.json is missing":   without("about"),
		"shop.json is missing":    without("shop"),
		"it is cut short":         without("pieces/"),
		"made by a newer program": replace("about", "mala-backup/4", "mala-backup/5"),
		"pieces/":                 replace("pieces/", `"document"`, `"dokument"`),
		"kits/":                   replace("kits/", `"pieces"`, `"peices"`),
		"selling.json":            without("selling"),
		".jpg is missing":         without("photos/", ".jpg"),
		".jpg: This is not a": changed(t, whole, func(name string, data []byte) []byte {
			if strings.HasSuffix(name, ".jpg") {
				return []byte("not one")
			}
			return data
		}),
		"catalogue.json": replace("catalogue", `"acrossMm":`, `"acrossMm":"x`),
		"unexpected EOF": append(slices.Clone(whole[:len(whole)-10]), 1),
	} {
		_, err := backup.Restore(t.Context(), other, bytes.NewReader(data), int64(len(data)))
		if says == "unexpected EOF" {
			says = "not a zip file"
		}
		if err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want %q", err, says)
		}
	}
	if left := everything(t, other); len(left) != 2 {
		t.Errorf("%d things are there", len(left))
	}
}

// A copy a day is made, and kept by number and age; what is called otherwise stays.
func TestDailyCopiesAreKeptByNumberAndAge(t *testing.T) {
	s, dir := open(t), filepath.Join(t.TempDir(), "copies")
	keep := backup.Keeping{Dir: dir, Most: 4, Age: 10 * 24 * time.Hour}
	day := func(n int) time.Time { return time.Date(2026, 11, n, 23, 30, 0, 0, time.UTC) }
	for _, n := range []int{1, 2, 2, 3, 4, 5, 6} {
		if err := keep.Copy(t.Context(), s, day(n)); err != nil {
			t.Fatal(err)
		}
	}
	if err := os.WriteFile(filepath.Join(dir, "mala-notes.zip"), nil, 0o600); err != nil {
		t.Fatal(err)
	}
	names := func() string {
		entries, _ := os.ReadDir(dir)
		var out []string
		for _, e := range entries {
			out = append(out, strings.TrimSuffix(strings.TrimPrefix(e.Name(), "mala-2026-11-"), ".zip"))
		}
		return strings.Join(out, " ")
	}
	if got := names(); got != "03 04 05 06 mala-notes" {
		t.Errorf("%s", got)
	}
	if err := keep.Copy(t.Context(), s, day(15)); err != nil || names() != "05 06 15 mala-notes" {
		t.Errorf("%v, %s", err, names())
	}
	if err := keep.Copy(t.Context(), s, day(30)); err != nil || names() != "30 mala-notes" {
		t.Errorf("%v, %s", err, names())
	}
}

// The doctor reads all of a shop, and says what is wrong with its copies and its room.
func TestTheDoctorLooksAtEverything(t *testing.T) {
	s, copies, now := shop(t), t.TempDir(), time.Date(2026, 11, 26, 12, 0, 0, 0, time.UTC)
	says := func(copies string, bad bool, wants ...string) {
		t.Helper()
		findings, err := backup.Examine(t.Context(), s, t.TempDir(), copies, now)
		if err != nil {
			t.Fatal(err)
		}
		all, any := "", false
		for _, f := range findings {
			all, any = all+f.Says+"\n", any || f.Bad
		}
		for _, want := range wants {
			if !strings.Contains(all, want) {
				t.Errorf("%q is not in %s", want, all)
			}
		}
		if any != bad {
			t.Errorf("bad %v: %s", any, all)
		}
	}
	says("", false, "PostgreSQL ", "checksums, and none was found damaged", "pieces with ", "MB are free", "No daily copies are made")
	says(copies, true, "There is no daily copy in")
	keep := backup.Keeping{Dir: copies, Most: 3, Age: 24 * time.Hour}
	if err := keep.Copy(t.Context(), s, now.Add(-72*time.Hour)); err != nil {
		t.Fatal(err)
	}
	says(copies, true, "is of 2026-11-23. Look into the log")
	if err := keep.Copy(t.Context(), s, now.Add(-24*time.Hour)); err != nil {
		t.Fatal(err)
	}
	says(copies, false, "is of 2026-11-25.")
	says(filepath.Join(copies, "none"), true, "cannot be read")
	pieces, _, _ := s.Pieces(t.Context(), "", 0, 0)
	p, err := s.Piece(t.Context(), pieces[0].ID)
	if err != nil {
		t.Fatal(err)
	}
	p.Document.Materials = nil
	if _, err := s.SaveDraft(t.Context(), p.ID, p.Revision, p.Document, store.Figures{}); err != nil {
		t.Fatal(err)
	}
	says("", true, p.Name+" cannot be worked out: ", "Restore one of its versions")
}
