package store_test

import (
	"testing"
	"time"

	"mala/store"
)

// What was deleted is listed and can be restored, until the days are over that the shop keeps it.
func TestDeletedPiecesAreListedKeptAndRemoved(t *testing.T) {
	s, doc := open(t), document(t)
	kept, _ := s.CreatePiece(t.Context(), doc, figures)
	gone, _ := s.CreatePiece(t.Context(), doc, figures)
	old, _ := s.CreatePiece(t.Context(), doc, figures)
	if _, err := s.MakeVersion(t.Context(), old.ID, store.Named, "old"); err != nil {
		t.Fatal(err)
	}
	for _, id := range []string{old.ID, gone.ID} {
		if err := s.DeletePiece(t.Context(), id); err != nil {
			t.Fatal(err)
		}
	}
	list, days, err := s.Deleted(t.Context())
	if err != nil || days != 90 || len(list) != 2 || list[0].ID != gone.ID || list[0].Name != doc.Name || !list[0].DeletedAt.Valid || list[0].Document.Format != "" {
		t.Fatalf("%v, %d days, %+v", err, days, list)
	}
	if _, err := s.RestorePiece(t.Context(), gone.ID); err != nil {
		t.Error(err)
	}
	if err := s.KeepDeleted(t.Context(), 30); err != nil {
		t.Fatal(err)
	}
	for _, tt := range []struct{ days, gone int }{{29, 0}, {31, 1}, {32, 0}} {
		if n, err := s.PurgeDeleted(t.Context(), time.Now().Add(time.Duration(tt.days)*24*time.Hour)); n != tt.gone || err != nil {
			t.Errorf("after %d days %d are removed, %v", tt.days, n, err)
		}
	}
	if _, err := s.RestorePiece(t.Context(), old.ID); err == nil {
		t.Error("what is removed for good comes back")
	}
	if list, days, err = s.Deleted(t.Context()); err != nil || days != 30 || len(list) != 0 {
		t.Errorf("%v, %d days, %+v", err, days, list)
	}
	if _, err := s.Piece(t.Context(), kept.ID); err != nil {
		t.Error(err)
	}
	if err := s.KeepDeleted(t.Context(), 0); err == nil {
		t.Error("kept for no day")
	}
}
