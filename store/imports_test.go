package store_test

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"testing"

	"mala/format"
	"mala/store"
)

// importing imports a list whatever there is.
func importing(ctx context.Context, s *store.Store, list []store.Material, progress func(done, total int)) (store.Import, error) {
	return s.ImportMaterials(ctx, "spring.csv", func([]store.Material) ([]store.Material, error) { return slices.Clone(list), nil }, progress)
}

func quiet(int, int) {}

func beads(n, onHand int) []store.Material {
	var list []store.Material
	for i := range n {
		m := bead(fmt.Sprintf("bead-%03d", i), "round", "#b23a2e", 4)
		m.OnHand = onHand
		list = append(list, m)
	}
	return list
}

func held(t *testing.T, s *store.Store, id string) store.Material {
	t.Helper()
	one, _, err := s.Materials(t.Context(), store.Filter{IDs: []string{id}})
	if err != nil || len(one) > 1 {
		t.Fatal(one, err)
	}
	if len(one) == 0 {
		return store.Material{}
	}
	return one[0]
}

// Two imports of the same materials in opposite order both end well, many times over.
func TestCrossingImportsBothEndWell(t *testing.T) {
	s := open(t)
	one := beads(600, 5)
	other := slices.Clone(one)
	slices.Reverse(other)
	for range 5 {
		failed := make(chan error, 2)
		for _, list := range [][]store.Material{one, other} {
			go func() {
				_, err := importing(t.Context(), s, list, quiet)
				failed <- err
			}()
		}
		if err := errors.Join(<-failed, <-failed); err != nil {
			t.Fatal(err)
		}
	}
	if m := held(t, s, "bead-000"); m.Revision != 10 {
		t.Errorf("ten imports made revision %d", m.Revision)
	}
}

func TestAnImportIsAllOrNothing(t *testing.T) {
	s := open(t)
	told, of := 0, 0
	made, err := importing(t.Context(), s, beads(600, 5), func(done, total int) { told, of = done, total })
	if err != nil || told != 600 || of != 600 || made.Added != 600 || made.Changed != 0 {
		t.Fatal(told, of, err, made)
	}
	ctx, cancel := context.WithCancel(t.Context())
	if _, err := importing(ctx, s, beads(600, 9), func(int, int) { cancel() }); !errors.Is(err, context.Canceled) {
		t.Errorf("a stopped list gave %v", err)
	}
	if m := held(t, s, "bead-000"); m.OnHand != 5 || m.Revision != 1 {
		t.Errorf("half of it was kept: %+v", m)
	}
	if list, err := s.Imports(t.Context()); err != nil || len(list) != 1 {
		t.Errorf("%v, %+v", err, list)
	}
	refused := errors.New("the file is empty")
	if _, err := s.ImportMaterials(t.Context(), "x", func([]store.Material) ([]store.Material, error) { return nil, refused }, quiet); !errors.Is(err, refused) {
		t.Error(err)
	}
}

// Undone, what an import changed is as it was and what it added is gone; what was changed since stays.
func TestAnImportIsUndone(t *testing.T) {
	s := open(t)
	if _, err := importing(t.Context(), s, beads(3, 5), quiet); err != nil {
		t.Fatal(err)
	}
	old := held(t, s, "bead-001")
	old.Archived = true
	if _, err := s.SaveMaterial(t.Context(), old); err != nil {
		t.Fatal(err)
	}
	if err := s.DeleteMaterial(t.Context(), "bead-002", 1); err != nil {
		t.Fatal(err)
	}
	list := beads(5, 9)
	for i := range list {
		list[i].Document.Name = "Imported"
	}
	made, err := importing(t.Context(), s, list, quiet)
	if err != nil || made.Added != 2 || made.Changed != 3 || made.Name != "spring.csv" {
		t.Fatalf("%v, %+v", err, made)
	}
	if m := held(t, s, "bead-002"); m.Document.Name != "Imported" {
		t.Errorf("a deleted one is %+v", m)
	}
	since := held(t, s, "bead-003")
	since.OnHand = 77
	if _, err := s.SaveMaterial(t.Context(), since); err != nil {
		t.Fatal(err)
	}
	undone, changed, err := s.UndoImport(t.Context(), made.ID)
	if err != nil || undone != 4 || changed != 1 {
		t.Fatal(undone, changed, err)
	}
	for id, want := range map[string]store.Material{
		"bead-000": {Name: "Bead bead-000", OnHand: 5, Revision: 3},
		"bead-001": {Name: "Bead bead-001", OnHand: 5, Revision: 4, Archived: true},
		"bead-002": {}, "bead-003": {Name: "Imported", OnHand: 77, Revision: 2}, "bead-004": {},
	} {
		if m := held(t, s, id); m.Name != want.Name || m.Document.Name != want.Name || m.OnHand != want.OnHand || m.Revision != want.Revision || m.Archived != want.Archived {
			t.Errorf("%s is %+v", id, m)
		}
	}
	if _, _, err := s.UndoImport(t.Context(), made.ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("undone twice: %v", err)
	}
	if list, _ := s.Imports(t.Context()); len(list) != 2 || list[0].UndoneAt == nil || list[1].UndoneAt != nil {
		t.Errorf("%+v", list)
	}
}

// What an import overwrote is kept as long as deleted things are.
func TestImportsAreForgottenInTheEnd(t *testing.T) {
	s := open(t)
	if _, err := importing(t.Context(), s, beads(2, 5), quiet); err != nil {
		t.Fatal(err)
	}
	for _, tt := range []struct{ days, left int }{{89, 1}, {91, 0}} {
		if _, err := s.Purge(t.Context(), days(tt.days)); err != nil {
			t.Fatal(err)
		}
		if list, err := s.Imports(t.Context()); err != nil || len(list) != tt.left {
			t.Errorf("after %d days: %v, %+v", tt.days, err, list)
		}
	}
	if held(t, s, "bead-000").Name == "" {
		t.Error("what was imported is gone with it")
	}
}

// Where there are more than are counted, the first ones of all are shown all the same.
func TestManyMaterialsAreShownInTheirOrder(t *testing.T) {
	s := open(t)
	list := beads(10_100, 1)
	slices.Reverse(list)
	if err := s.AddMaterials(t.Context(), list); err != nil {
		t.Fatal(err)
	}
	for _, w := range []store.Filter{{Limit: 2}, {Limit: 2, Search: "bead"}, {Limit: 2, Search: "bead-000"}} {
		page, total, err := s.Materials(t.Context(), w)
		want := 10_000
		if w.Search == "bead-000" {
			want = 1
		}
		if err != nil || total != want || page[0].ID != "bead-000" || len(page) > 1 && page[1].ID != "bead-001" {
			t.Errorf("%+v: %v, %d in all, %+v", w, err, total, page)
		}
	}
	page, total, err := s.Materials(t.Context(), store.Filter{Limit: 2, Offset: 1, Search: "bead-000"})
	if err != nil || total != 1 || len(page) != 0 {
		t.Errorf("%v, %d, %+v", err, total, page)
	}
}

// Of a large catalogue what is near a piece is within reach, and no more than that.
func TestWhatIsNearIsWithinReach(t *testing.T) {
	s := open(t)
	list := beads(400, 1) // round, 4 mm, red
	for i := range list {
		list[i].Document.HoleMm = 0.5
	}
	wide := bead("wide", "focal", "#2b3a67", 30)
	wide.Document.HoleMm = 5
	like, far, archived := bead("like", "oval", "#2b3a67", 21), bead("far", "oval", "#3f7d46", 22), bead("archived", "oval", "#2b3a67", 23)
	archived.Archived = true
	cord := store.Material{}
	cord.Document.ID, cord.Document.Class, cord.Document.Name, cord.Document.Type, cord.Document.DiameterMm = "wire", "cord", "Wire", "wire", 0.3
	list = append(list, wide, like, far, archived, bead("nine", "round", "#2b3a67", 9), cord)
	if err := s.AddMaterials(t.Context(), list); err != nil {
		t.Fatal(err)
	}
	found := func(ids ...string) map[string]bool {
		near, err := s.Reach(t.Context(), []format.Material{like.Document}, ids)
		if err != nil {
			t.Fatal(err)
		}
		out := map[string]bool{}
		for _, m := range near {
			if out[m.ID] {
				t.Errorf("%s twice", m.ID)
			}
			out[m.ID] = true
		}
		return out
	}
	near := found()
	for id, want := range map[string]bool{"wide": true, "like": true, "far": false, "archived": false, "nine": true, "wire": true} {
		if near[id] != want {
			t.Errorf("%s: %v", id, near[id])
		}
	}
	if len(near) < 40 || len(near) > 200 {
		t.Errorf("%d are near", len(near))
	}
	if near = found("far", "archived"); !near["far"] || !near["archived"] {
		t.Error("what is named is not within reach")
	}
	for most, want := range map[int]int{3: 3, 1000: 405} {
		if n, err := s.Count(t.Context(), most); n != want || err != nil {
			t.Errorf("%d counted up to %d, %v", n, most, err)
		}
	}
}
