package store_test

import (
	"errors"
	"reflect"
	"slices"
	"testing"
	"time"

	"mala/format"
	"mala/store"
)

func aKit(t *testing.T, name string) format.Kit {
	return format.Kit{Format: format.KitFormat, Name: name, Pieces: []format.KitPiece{{Quantity: 1, Document: document(t)}}}
}

func TestKitsAreKeptVersionByVersion(t *testing.T) {
	s := open(t)
	k, err := s.CreateKit(t.Context(), aKit(t, "Spring"))
	if err != nil || k.Revision != 1 {
		t.Fatal(k, err)
	}
	doc := k.Document
	doc.Notes = "with a card"
	saved, err := s.SaveKit(t.Context(), k.ID, 1, doc)
	if err != nil || saved.Revision != 2 {
		t.Fatal(saved.Revision, err)
	}
	if again, err := s.SaveKit(t.Context(), k.ID, 1, doc); err != nil || again.Revision != 2 {
		t.Errorf("a save whose answer was lost: %d, %v", again.Revision, err)
	}
	other := k.Document
	other.Name = "Summer"
	var stale *store.StaleKit
	if _, err := s.SaveKit(t.Context(), k.ID, 1, other); !errors.As(err, &stale) || stale.KeptAs != 3 || stale.Current.Document.Notes != "with a card" {
		t.Fatalf("%v", err)
	}
	aside, err := s.KitVersion(t.Context(), k.ID, 3)
	if err != nil || !aside.Aside || aside.Document.Name != "Summer" || aside.Document.Pieces[0].Document.Name == "" {
		t.Errorf("%+v, %v", aside, err)
	}
	if next, err := s.SaveKit(t.Context(), k.ID, 2, other); err != nil || next.Revision != 4 || next.Name != "Summer" {
		t.Errorf("%d, %v", next.Revision, err)
	}
	versions, err := s.KitVersions(t.Context(), k.ID)
	if err != nil || len(versions) != 4 || versions[0].Number != 4 || !versions[1].Aside || versions[0].Document.Format != "" {
		t.Errorf("%+v, %v", versions, err)
	}
	if list, n, err := s.Kits(t.Context(), "summ", 0, 0); err != nil || n != 1 || list[0].ID != k.ID {
		t.Errorf("%d, %v", n, err)
	}
	if _, n, _ := s.Kits(t.Context(), "spring", 0, 0); n != 0 {
		t.Error("it is found by its old name")
	}
	for _, id := range []string{"", "x", "6f1c3b1e-0000-4000-8000-000000000000"} {
		if _, err := s.Kit(t.Context(), id); !errors.Is(err, store.ErrNotFound) {
			t.Errorf("%q: %v", id, err)
		}
		if _, err := s.SaveKit(t.Context(), id, 1, doc); !errors.Is(err, store.ErrNotFound) {
			t.Errorf("%q: %v", id, err)
		}
	}
}

func TestDeletedKitsComeBackAndGoInTheEnd(t *testing.T) {
	s := open(t)
	k, err := s.CreateKit(t.Context(), aKit(t, "Spring"))
	if err != nil || s.DeleteKit(t.Context(), k.ID) != nil {
		t.Fatal(err)
	}
	if _, kits, _, err := s.Deleted(t.Context()); err != nil || len(kits) != 1 || kits[0].Name != "Spring" {
		t.Fatalf("%+v, %v", kits, err)
	}
	if _, err := s.Kit(t.Context(), k.ID); !errors.Is(err, store.ErrNotFound) {
		t.Error(err)
	}
	if back, err := s.RestoreKit(t.Context(), k.ID); err != nil || back.Document.Name != "Spring" {
		t.Error(back, err)
	}
	if n, err := s.Purge(t.Context(), time.Now().AddDate(1, 0, 0)); err != nil || n != 0 {
		t.Error(n, err)
	}
	if err := s.DeleteKit(t.Context(), k.ID); err != nil {
		t.Fatal(err)
	}
	if n, err := s.Purge(t.Context(), time.Now().AddDate(1, 0, 0)); err != nil || n != 1 {
		t.Error(n, err)
	}
	if _, err := s.RestoreKit(t.Context(), k.ID); !errors.Is(err, store.ErrNotFound) {
		t.Error(err)
	}
}

func TestSellingIsKeptAndAStaleSaveRefused(t *testing.T) {
	s := open(t)
	got, err := s.Selling(t.Context())
	if err != nil || got.Document.Way != "margin" || got.Revision != 1 {
		t.Fatalf("%+v, %v", got, err)
	}
	doc := *got.Document
	doc.Currency = "crowns"
	if saved, err := s.SaveSelling(t.Context(), 1, doc); err != nil || saved.Revision != 2 {
		t.Fatal(err)
	}
	var stale *store.StaleSelling
	if _, err := s.SaveSelling(t.Context(), 1, format.DefaultSelling()); !errors.As(err, &stale) || stale.Current.Document.Currency != "crowns" {
		t.Errorf("%v", err)
	}
	older := doc // as it was saved before extenders had spares
	older.Spares = slices.DeleteFunc(slices.Clone(doc.Spares), func(r format.SpareRule) bool { return r.Class == "extender" })
	if _, err := s.SaveSelling(t.Context(), 2, older); err != nil {
		t.Fatal(err)
	}
	if got, err := s.Selling(t.Context()); err != nil || !reflect.DeepEqual(got.Document.Spares, format.DefaultSelling().Spares) {
		t.Errorf("%v, %+v", err, got.Document.Spares)
	}
	if got, err := s.Selling(t.Context()); err != nil || got.Document.Currency != "crowns" {
		t.Errorf("%+v, %v", got, err)
	}
}
