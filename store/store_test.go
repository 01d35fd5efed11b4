package store_test

import (
	"context"
	"encoding/json"
	"errors"
	"os"
	"path/filepath"
	"reflect"
	"sync"
	"testing"
	"time"

	"mala/format"
	"mala/localpg/pgtest"
	"mala/store"
)

// figures stand for those that the caller works out.
var (
	long    = 450.5
	figures = store.Figures{FinishedMM: &long, Beads: 3, Worst: "advise"}
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

func document(t *testing.T) format.Document {
	t.Helper()
	data, err := os.ReadFile(filepath.Join("..", "demo", "pieces", "harbour-lights.json"))
	if err != nil {
		t.Fatal(err)
	}
	doc, err := format.Read(data)
	if err != nil {
		t.Fatal(err)
	}
	return *doc
}

func with(doc format.Document, line string) format.Document {
	row := *doc.Row("r1")
	row.Line = line
	doc.Sections = []format.Section{{Rows: []format.Row{row}}}
	return doc
}

func text(t *testing.T, v any) string {
	t.Helper()
	b, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	return string(b)
}

func TestAPieceComesBackAsItWasKept(t *testing.T) {
	s, doc := open(t), document(t)
	doc.Name, doc.Notes = "Ночь 夜 🌙 <b>x</b>", "line one\nline two"
	p, err := s.CreatePiece(t.Context(), doc, figures)
	if err != nil {
		t.Fatal(err)
	}
	back, err := s.Piece(t.Context(), p.ID)
	if err != nil || text(t, back.Document) != text(t, doc) {
		t.Errorf("kept %s, came back %s, %v", text(t, doc), text(t, back.Document), err)
	}
	if back.FinishedMM == nil || back.Beads == 0 {
		t.Errorf("the list's figures are missing: %+v", back)
	}
	again, err := s.SaveDraft(t.Context(), p.ID, p.Revision, back.Document, figures)
	if err != nil || again.Revision != p.Revision {
		t.Errorf("saving the same changed the revision to %d, %v", again.Revision, err)
	}
}

func TestAStaleSaveIsRefusedAndBothAreKept(t *testing.T) {
	s, doc := open(t), document(t)
	p, _ := s.CreatePiece(t.Context(), doc, figures)
	theirs, mine := with(doc, "9P"), with(doc, "8P")
	if _, err := s.SaveDraft(t.Context(), p.ID, p.Revision, theirs, figures); err != nil {
		t.Fatal(err)
	}
	_, err := s.SaveDraft(t.Context(), p.ID, p.Revision, mine, figures)
	var stale *store.Stale
	if !errors.As(err, &stale) || stale.Current.Document.Row("r1").Line != "9P" {
		t.Fatalf("got %v, want the stale save refused with the current one at hand", err)
	}
	v, err := s.Version(t.Context(), p.ID, stale.KeptAs)
	if err != nil || v.Document.Row("r1").Line != "8P" || v.Reason != store.Conflict {
		t.Errorf("the refused draft is not kept: %+v, %v", v, err)
	}
	if _, err = s.SaveDraft(t.Context(), p.ID, p.Revision, theirs, figures); err != nil {
		t.Errorf("sending an acknowledged save again: %v", err)
	}
}

func TestManyAtOnceNeverOverwriteEachOther(t *testing.T) {
	s, doc := open(t), document(t)
	p, _ := s.CreatePiece(t.Context(), doc, figures)
	var wg sync.WaitGroup
	results := make([]error, 8)
	for i := range results {
		wg.Go(func() {
			_, results[i] = s.SaveDraft(context.Background(), p.ID, p.Revision, with(doc, string(rune('2'+i))+"P"), figures)
		})
	}
	wg.Wait()
	saved, stale := 0, 0
	for _, err := range results {
		var st *store.Stale
		switch {
		case err == nil:
			saved++
		case errors.As(err, &st):
			stale++
		default:
			t.Error(err)
		}
	}
	versions, _ := s.Versions(t.Context(), p.ID)
	if saved != 1 || stale != 7 || len(versions) != 7 {
		t.Errorf("%d saved, %d stale, %d kept as versions; want 1, 7, 7", saved, stale, len(versions))
	}
}

func TestVersionsAreMadeOnlyWhereSomethingChanged(t *testing.T) {
	s, doc := open(t), document(t)
	p, _ := s.CreatePiece(t.Context(), doc, figures)
	one, err := s.MakeVersion(t.Context(), p.ID, store.Printed, "")
	if err != nil || one.Number != 1 {
		t.Fatal(one, err)
	}
	if same, _ := s.MakeVersion(t.Context(), p.ID, store.Exported, ""); same.Number != 1 {
		t.Errorf("an unchanged draft became version %d", same.Number)
	}
	if named, _ := s.MakeVersion(t.Context(), p.ID, store.Named, "for the fair"); named.Number != 2 || named.Label != "for the fair" {
		t.Errorf("naming gave %+v", named)
	}
	if renamed, err := s.NameVersion(t.Context(), p.ID, 1, "first"); err != nil || renamed.Label != "first" || text(t, renamed.Document) != text(t, one.Document) {
		t.Errorf("naming version 1 gave %+v, %v", renamed, err)
	}
	p, _ = s.SaveDraft(t.Context(), p.ID, p.Revision, with(doc, "9P"), figures)
	restored, err := s.RestoreVersion(t.Context(), p.ID, 1, func(format.Document) (store.Figures, error) { return figures, nil })
	if err != nil || text(t, restored.Document) != text(t, one.Document) || restored.Revision != p.Revision+1 {
		t.Errorf("restored %+v, %v", restored, err)
	}
	if list, err := s.Versions(t.Context(), p.ID); err != nil || len(list) != 3 || list[0].Number != 3 || list[0].Document.Format != "" {
		t.Errorf("%v, %+v", err, list)
	}
	if kept, err := s.Version(t.Context(), p.ID, 3); err != nil || kept.Document.Row("r1").Line != "9P" {
		t.Errorf("the draft before restoring is not kept: %v", err)
	}
}

func TestDraftsAreAutosavedAsVersionsOnce(t *testing.T) {
	s, doc := open(t), document(t)
	p, _ := s.CreatePiece(t.Context(), doc, figures)
	if n, err := s.Autosave(t.Context(), time.Now().Add(-time.Minute)); n != 0 || err != nil {
		t.Errorf("a draft just saved is not quiet: %d, %v", n, err)
	}
	for i, want := range []int{1, 0} {
		if n, err := s.Autosave(t.Context(), time.Now().Add(time.Minute)); n != want || err != nil {
			t.Errorf("round %d made %d, %v, want %d", i, n, err, want)
		}
	}
	if versions, _ := s.Versions(t.Context(), p.ID); len(versions) != 1 || versions[0].Reason != store.Autosaved {
		t.Errorf("versions: %+v", versions)
	}
}

func TestDeletingCanBeUndone(t *testing.T) {
	s, doc := open(t), document(t)
	p, _ := s.CreatePiece(t.Context(), doc, figures)
	if err := s.DeletePiece(t.Context(), p.ID); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Piece(t.Context(), p.ID); err != store.ErrNotFound {
		t.Errorf("a deleted piece is found: %v", err)
	}
	if _, total, _ := s.Pieces(t.Context(), "", 0, 0); total != 0 {
		t.Error("a deleted piece is listed")
	}
	back, err := s.RestorePiece(t.Context(), p.ID)
	if err != nil || text(t, back.Document) != text(t, doc) {
		t.Errorf("restored: %v", err)
	}
}

func TestSearchFindsWordsAndTakesWildcardsAsTheyAre(t *testing.T) {
	s, doc := open(t), document(t)
	for _, name := range []string{"Harbour Lights", "Ferry Bell", "50% Salt"} {
		doc.Name, doc.Tags = name, []string{"for " + name}
		if _, err := s.CreatePiece(t.Context(), doc, figures); err != nil {
			t.Fatal(err)
		}
	}
	for search, want := range map[string]int{"": 3, "bell": 1, "lights harbour": 1, "for ferry": 1, "fe": 1, "rr": 0, "ights": 1, "%": 1, "_": 0, "necklace": 3, "' OR 1=1": 0} {
		if list, total, err := s.Pieces(t.Context(), search, 0, 0); err != nil || len(list) != want || total != want {
			t.Errorf("%q finds %d of %d, %v, want %d", search, len(list), total, err, want)
		}
	}
	for offset, want := range map[int]string{0: "50% Salt", 1: "Ferry Bell", 2: "Harbour Lights", 3: ""} {
		name := ""
		list, total, err := s.Pieces(t.Context(), "", 1, offset)
		if len(list) == 1 {
			name = list[0].Name
		}
		if err != nil || total != 3 || name != want {
			t.Errorf("from %d on: %q of %d, %v, want %q", offset, name, total, err, want)
		}
	}
}

func TestRemeasuringABeadLeavesOldPlansAlone(t *testing.T) {
	s, doc := open(t), document(t)
	p, _ := s.CreatePiece(t.Context(), doc, figures)
	pearl := doc.Materials[0]
	m, err := s.SaveMaterial(t.Context(), store.Material{Document: pearl, OnHand: 240})
	if err != nil || m.Revision != 1 {
		t.Fatal(m, err)
	}
	pearl.AcrossMm, pearl.Run = 4.3, nil
	if m, err = s.SaveMaterial(t.Context(), store.Material{Document: pearl, OnHand: 240, Revision: 1}); err != nil || m.Revision != 2 {
		t.Fatal(m, err)
	}
	var stale *store.StaleMaterial
	if _, err = s.SaveMaterial(t.Context(), store.Material{Document: pearl, OnHand: 1, Revision: 1}); !errors.As(err, &stale) {
		t.Errorf("a stale material was saved: %v", err)
	}
	back, _ := s.Piece(t.Context(), p.ID)
	if !reflect.DeepEqual(back.Document.Materials[0], doc.Materials[0]) {
		t.Error("the piece's own copy changed with the catalogue")
	}
}
