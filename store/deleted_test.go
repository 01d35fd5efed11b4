package store_test

import (
	"errors"
	"strings"
	"testing"
	"time"

	"mala/format"
	"mala/store"
)

func days(n int) time.Time { return time.Now().Add(time.Duration(n) * 24 * time.Hour) }

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
	list, _, _, err := s.Deleted(t.Context())
	if err != nil || len(list) != 2 || list[0].ID != gone.ID || list[0].Name != doc.Name || !list[0].DeletedAt.Valid || list[0].Document.Format != "" {
		t.Fatalf("%v, %+v", err, list)
	}
	if keep, err := s.Keeping(t.Context()); err != nil || keep != (store.Keeping{DeletedDays: 90, AsideDays: 180}) {
		t.Errorf("%+v, %v", keep, err)
	}
	if _, err := s.RestorePiece(t.Context(), gone.ID); err != nil {
		t.Error(err)
	}
	if err := s.Keep(t.Context(), store.Keeping{DeletedDays: 30, AsideDays: 7}); err != nil {
		t.Fatal(err)
	}
	for _, tt := range []struct{ days, gone int }{{29, 0}, {31, 1}, {32, 0}} {
		if n, err := s.Purge(t.Context(), days(tt.days)); n != tt.gone || err != nil {
			t.Errorf("after %d days %d are removed, %v", tt.days, n, err)
		}
	}
	if _, err := s.RestorePiece(t.Context(), old.ID); err == nil {
		t.Error("what is removed for good comes back")
	}
	if list, _, _, err = s.Deleted(t.Context()); err != nil || len(list) != 0 {
		t.Errorf("%v, %+v", err, list)
	}
	if _, err := s.Piece(t.Context(), kept.ID); err != nil {
		t.Error(err)
	}
	for _, keep := range []store.Keeping{{DeletedDays: 0, AsideDays: 1}, {DeletedDays: 1, AsideDays: 0}} {
		if err := s.Keep(t.Context(), keep); err == nil {
			t.Errorf("%+v is kept", keep)
		}
	}
}

func TestDeletedMaterialsAreListedRestoredAndRemoved(t *testing.T) {
	s := open(t)
	pin := store.Material{Document: format.Material{ID: "pin", Class: "finding", Name: "Pin", Type: "head-pin", LengthMm: 50, WireMm: 0.6}}
	drop := store.Material{Document: format.Material{ID: "drop", Class: "component", Name: "Drop", Component: &format.Component{Kind: "drop", Pin: "pin", Line: "P", Palette: format.Letters{"P": "red"}}}}
	if err := s.AddMaterials(t.Context(), []store.Material{pin, drop, bead("red", "round", "#b23a2e", 4), bead("re", "round", "#b23a2e", 4)}); err != nil {
		t.Fatal(err)
	}
	var needed *store.Needed
	if err := s.DeleteMaterial(t.Context(), "pin", 1); !errors.As(err, &needed) || !strings.Contains(err.Error(), "Pin is part of Drop.") {
		t.Errorf("%v", err)
	}
	var stale *store.StaleMaterial
	if err := s.DeleteMaterial(t.Context(), "drop", 2); !errors.As(err, &stale) {
		t.Errorf("%v", err)
	}
	if err := s.DeleteMaterial(t.Context(), "none", 1); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("%v", err)
	}
	for _, id := range []string{"re", "drop", "pin"} { // "re" is only like the id of a part
		if err := s.DeleteMaterial(t.Context(), id, 1); err != nil {
			t.Fatal(err)
		}
	}
	_, _, list, err := s.Deleted(t.Context())
	if err != nil || len(list) != 3 || list[0].ID != "pin" || held(t, s, "pin").ID != "" {
		t.Fatalf("%v, %+v", err, list)
	}
	var deleted *store.DeletedMaterial
	if _, err := s.SaveMaterial(t.Context(), pin); !errors.As(err, &deleted) || !strings.Contains(err.Error(), "Restore it") {
		t.Errorf("made again: %v", err)
	}
	if back, err := s.RestoreMaterial(t.Context(), "pin"); err != nil || back.Name != "Pin" || back.Revision != 3 {
		t.Errorf("%v, %+v", err, back)
	}
	if _, err := s.RestoreMaterial(t.Context(), "pin"); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("restored twice: %v", err)
	}
	for _, tt := range []struct{ days, gone int }{{89, 0}, {91, 2}} {
		if n, err := s.Purge(t.Context(), days(tt.days)); n != tt.gone || err != nil {
			t.Errorf("after %d days %d are removed, %v", tt.days, n, err)
		}
	}
	if held(t, s, "pin").Name != "Pin" || held(t, s, "red").Name == "" {
		t.Error("too much was removed")
	}
}

// A copy set aside is kept as long as the shop says, a named one and the newest version for ever.
func TestCopiesSetAsideAreKeptByARule(t *testing.T) {
	s, doc := open(t), document(t)
	p, _ := s.CreatePiece(t.Context(), doc, figures)
	for _, line := range []string{"1P", "2P", "3P", "4P"} { // each refused, since it was made of no revision
		if _, err := s.SaveDraft(t.Context(), p.ID, 99, with(doc, line), figures); err == nil {
			t.Fatal("it was saved")
		}
	}
	if _, err := s.NameVersion(t.Context(), p.ID, 2, "keep this"); err != nil {
		t.Fatal(err)
	}
	for _, tt := range []struct{ days, left int }{{179, 4}, {181, 2}} {
		if _, err := s.Purge(t.Context(), days(tt.days)); err != nil {
			t.Fatal(err)
		}
		if list, err := s.Versions(t.Context(), p.ID); err != nil || len(list) != tt.left || list[0].Number != 4 {
			t.Errorf("after %d days: %v, %+v", tt.days, err, list)
		}
	}
	if list, _ := s.Versions(t.Context(), p.ID); len(list) != 2 || list[1].Label != "keep this" {
		t.Errorf("%+v", list)
	}
}
