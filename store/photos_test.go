package store_test

import (
	"errors"
	"fmt"
	"testing"
	"time"

	"mala/photo"
	"mala/store"
)

func sizes(name string) photo.Photo {
	return photo.Photo{Large: []byte(name + " large"), Medium: []byte(name + " medium"), Small: []byte(name + " small"), Width: 40, Height: 30}
}

func made(t *testing.T, s *store.Store) store.Piece {
	t.Helper()
	p, err := s.CreatePiece(t.Context(), document(t), store.Figures{})
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// order is the photographs of a thing by what their small files hold.
func order(t *testing.T, s *store.Store, of store.Pictured) string {
	t.Helper()
	list, err := s.Photos(t.Context(), of)
	if err != nil {
		t.Fatal(err)
	}
	out := ""
	for _, p := range list {
		file, err := s.PhotoFile(t.Context(), p.ID, "small")
		if err != nil || p.Large != nil || p.Of() != of {
			t.Fatalf("%v, %d bytes in a list, %v", err, len(p.Large), p.Of())
		}
		out += string(file[:1])
	}
	return out
}

func TestPhotographsOfEverything(t *testing.T) {
	s := open(t)
	p := made(t, s)
	if _, err := s.MakeVersion(t.Context(), p.ID, store.Named, "first"); err != nil {
		t.Fatal(err)
	}
	k, err := s.CreateKit(t.Context(), aKit(t, "Spring"))
	if err != nil {
		t.Fatal(err)
	}
	m, err := s.SaveMaterial(t.Context(), store.Material{Document: p.Document.Materials[0]})
	if err != nil {
		t.Fatal(err)
	}
	things := []store.Pictured{{Kind: store.OfMaterial, ID: m.ID}, {Kind: store.OfPiece, ID: p.ID}, {Kind: store.OfVersion, ID: p.ID + ".1"}, {Kind: store.OfKit, ID: k.ID}}
	for _, of := range things {
		var ids []string
		for _, name := range []string{"a", "b", "c"} {
			added, err := s.AddPhoto(t.Context(), of, sizes(name))
			if err != nil {
				t.Fatal(of, err)
			}
			ids = append(ids, added.ID)
		}
		if got := order(t, s, of); got != "abc" {
			t.Errorf("%v: %s", of, got)
		}
		if _, err := s.OrderPhotos(t.Context(), of, []string{ids[2], "no id"}); err != nil || order(t, s, of) != "cab" {
			t.Errorf("%v: %v, %s", of, err, order(t, s, of))
		}
		if err := s.DeletePhoto(t.Context(), ids[0]); err != nil || order(t, s, of) != "cb" {
			t.Errorf("%v: %v, %s", of, err, order(t, s, of))
		}
		if err := s.DeletePhoto(t.Context(), ids[0]); !errors.Is(err, store.ErrNotFound) {
			t.Errorf("deleted twice: %v", err)
		}
		gone, err := s.DeletedPhotos(t.Context())
		if err != nil || len(gone) != 1 || gone[0].ID != ids[0] || gone[0].Of() != of || gone[0].Name == "" {
			t.Errorf("%v: %v, %+v", of, err, gone)
		}
		if err := s.RestorePhoto(t.Context(), ids[0]); err != nil || order(t, s, of) != "cab" {
			t.Errorf("%v: %v, %s", of, err, order(t, s, of))
		}
		if file, err := s.PhotoFile(t.Context(), ids[2], "large"); err != nil || string(file) != "c large" {
			t.Errorf("%s, %v", file, err)
		}
		covers, err := s.Covers(t.Context(), of.Kind, []string{of.ID, "nothing", ""})
		if want := map[bool]string{true: "", false: ids[2]}[of.Kind == store.OfVersion]; err != nil || covers[of.ID] != want {
			t.Errorf("%v: %v, %v", of, covers, err)
		}
	}
	// Those of a version are not those of the piece.
	if got := order(t, s, things[1]) + order(t, s, things[2]); got != "cabcab" {
		t.Error(got)
	}
	for of, want := range map[store.Pictured]error{
		{Kind: store.OfMaterial, ID: "none"}: store.ErrNotFound, {Kind: store.OfPiece, ID: "x"}: store.ErrNotFound, {Kind: store.OfVersion, ID: p.ID + ".7"}: store.ErrNotFound,
		{Kind: store.OfVersion, ID: p.ID}: store.ErrNotFound, {Kind: store.OfKit, ID: "6f1c3b1e-0000-4000-8000-000000000000"}: store.ErrNotFound,
	} {
		if _, err := s.AddPhoto(t.Context(), of, sizes("a")); !errors.Is(err, want) {
			t.Errorf("%v: %v", of, err)
		}
	}
	for _, id := range []string{"x", "6f1c3b1e-0000-4000-8000-000000000000"} {
		if _, err := s.PhotoFile(t.Context(), id, "small"); !errors.Is(err, store.ErrNotFound) {
			t.Errorf("%s: %v", id, err)
		}
	}
	list, _ := s.Photos(t.Context(), things[0])
	if _, err := s.PhotoFile(t.Context(), list[0].ID, "id"); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a size that there is not: %v", err)
	}
}

func TestAThingHasAtMost24Photographs(t *testing.T) {
	s := open(t)
	of := store.Pictured{Kind: store.OfPiece, ID: made(t, s).ID}
	for i := range store.MaxPhotos {
		if _, err := s.AddPhoto(t.Context(), of, sizes(fmt.Sprint(i))); err != nil {
			t.Fatal(err)
		}
	}
	if _, err := s.AddPhoto(t.Context(), of, sizes("x")); !errors.Is(err, store.TooManyPhotos{}) {
		t.Errorf("%v", err)
	}
}

// A photograph goes for good when it was deleted long enough ago, or with what it shows.
func TestPhotographsArePurged(t *testing.T) {
	s := open(t)
	kept, gone := made(t, s), made(t, s)
	var ids []string
	for _, id := range []string{kept.ID, kept.ID, gone.ID} {
		p, err := s.AddPhoto(t.Context(), store.Pictured{Kind: store.OfPiece, ID: id}, sizes("a"))
		if err != nil {
			t.Fatal(err)
		}
		ids = append(ids, p.ID)
	}
	if err := errors.Join(s.DeletePhoto(t.Context(), ids[0]), s.DeletePiece(t.Context(), gone.ID)); err != nil {
		t.Fatal(err)
	}
	for _, tt := range []struct {
		after time.Duration
		left  string
	}{{89 * 24 * time.Hour, "+++"}, {91 * 24 * time.Hour, "-+-"}} {
		if _, err := s.Purge(t.Context(), time.Now().Add(tt.after)); err != nil {
			t.Fatal(err)
		}
		got := ""
		for _, id := range ids {
			if _, err := s.PhotoFile(t.Context(), id, "small"); err == nil {
				got += "+"
			} else {
				got += "-"
			}
		}
		if got != tt.left {
			t.Errorf("after %v: %s", tt.after, got)
		}
	}
}
