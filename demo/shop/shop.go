// Package shop fills a store with the made-up shop.
package shop

import (
	"context"
	"errors"
	"time"

	"github.com/google/uuid"

	"mala/demo"
	"mala/format"
	"mala/server"
	"mala/store"
)

// Load puts the whole shop into a store that holds nothing yet, or nothing of it, and says whether it did.
func Load(ctx context.Context, s *store.Store) (bool, error) {
	house, err := s.House(ctx)
	if err != nil {
		return false, err
	}
	specs, err := demo.KitSpecs()
	if err != nil {
		return false, err
	}
	err = s.Fill(ctx, func(into store.Snapshot) error {
		now := time.Now().UTC().Truncate(time.Microsecond)
		if err := loadCatalogue(into, now); err != nil {
			return err
		}
		ids, err := loadPieces(ctx, into, house, filesIn(specs), now)
		if err != nil {
			return err
		}
		return loadKits(into, specs, ids, house.House, now)
	})
	if errors.Is(err, store.ErrNotEmpty) {
		return false, nil
	}
	return err == nil, err
}

// filesIn are the files of pieces that kits hold.
func filesIn(specs []demo.KitSpec) map[string]bool {
	out := map[string]bool{}
	for _, spec := range specs {
		for _, piece := range spec.Pieces {
			out[piece.File] = true
		}
	}
	return out
}

// loadPieces puts the pieces in, and gives their ids by their files.
func loadPieces(ctx context.Context, into store.Snapshot, house store.Shop, inKit map[string]bool, now time.Time) (map[string]string, error) {
	ids := map[string]string{}
	for i, name := range demo.Order() {
		doc, err := demo.Piece(name)
		if err != nil {
			return nil, err
		}
		f := server.Figures(doc, house)
		at := now.Add(time.Duration(i) * time.Microsecond)
		p := store.Piece{ID: uuid.NewString(), Revision: 1, CreatedAt: at, UpdatedAt: at, Document: *doc, FinishedMM: f.FinishedMM, Beads: f.Beads, Worst: f.Worst, Figured: f.By}
		ids[name] = p.ID
		versions := []store.Version{}
		if inKit[name] {
			versions = append(versions, store.Version{PieceID: p.ID, Number: 1, Reason: store.Kitted, Document: *doc, House: house.House, CreatedAt: at})
		}
		if err := into.Piece(p, versions); err != nil {
			return nil, err
		}
	}
	return ids, nil
}

func loadCatalogue(into store.Snapshot, now time.Time) error {
	catalogue, err := demo.Catalogue()
	if err != nil {
		return err
	}
	for _, m := range catalogue {
		if err := into.Material(store.Material{Document: m.Material, OnHand: m.OnHand, Revision: 1, UpdatedAt: now}); err != nil {
			return err
		}
	}
	return nil
}

// loadKits puts the kits in, each of version 1 of its pieces.
func loadKits(into store.Snapshot, specs []demo.KitSpec, ids map[string]string, house format.House, now time.Time) error {
	for i := range specs {
		kit, err := specs[i].With(ids, house)
		if err != nil {
			return err
		}
		at := now.Add(time.Duration(i) * time.Microsecond)
		k := store.Kit{ID: uuid.NewString(), Document: *kit, Revision: 1, CreatedAt: at, UpdatedAt: at}
		if err := into.Kit(k, []store.KitVersion{{KitID: k.ID, Number: 1, Document: *kit, CreatedAt: at}}); err != nil {
			return err
		}
	}
	return nil
}
