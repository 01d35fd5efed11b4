// Package demo is the made-up shop that Mala is shown with: Lantern Row Bead
// Room, in the app's own open files.
package demo

import (
	"context"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"slices"
	"time"

	"github.com/google/uuid"

	"mala/format"
	"mala/server"
	"mala/store"
)

//go:embed catalogue.json kits.json pieces/*.json
var files embed.FS

// order is the order the pieces are put in, so that the first one named ends at
// the top of the list.
var order = []string{
	"beachcomber.json", "harbourmaster.json", "anchor-light.json", "long-mooring.json", "cinder-walk.json", "moored-twice.json", "first-tide.json", "tide-table.json", "gulls-breakfast.json", "lamplighters-round.json", "lamplighter.json", "lamp-word.json",
	"crossed-lines.json", "fringe-of-foam.json", "halyard-loops.json", "mooring-coil.json", "dawn-bar.json", "twin-halyards.json", "cleat-hitch.json", "peacoat-row.json", "boathouse.json", "deckhand-loop.json", "sliding-buoys.json", "wind-paddles.json", "parted-moorings.json", "nine-buoys.json", "three-moorings.json", "net-loft.json", "strait-lamp.json", "capped-light.json", "slipway.json", "two-currents.json", "tidewrack.json", "breakwater.json", "lookout.json", "low-water.json", "boathook.json", "rope-locker.json", "net-mender.json", "crab-pot.json", "flag-down.json", "last-ferry.json", "barnacle-row.json", "bell-buoy.json",
	"quay-lanterns.json", "slack-tide.json", "ferry-bell.json", "harbour-lights.json",
}

// catalogueFile is the catalogue as the demo keeps it.
type catalogueFile struct {
	Format    string `json:"format"`
	Materials []struct {
		format.Material
		OnHand int `json:"onHand"`
	} `json:"materials"`
}

// Load puts the whole shop into a store that holds nothing yet, or nothing of it, and says whether it did.
func Load(ctx context.Context, s *store.Store) (bool, error) {
	shop, err := s.House(ctx)
	if err != nil {
		return false, err
	}
	specs, err := kitSpecs()
	if err != nil {
		return false, err
	}
	inKit := map[string]bool{}
	for _, spec := range specs {
		for _, piece := range spec.Pieces {
			inKit[piece.File] = true
		}
	}
	err = s.Fill(ctx, func(into store.Snapshot) error {
		now := time.Now().UTC().Truncate(time.Microsecond)
		if err := loadCatalogue(into, now); err != nil {
			return err
		}
		pieces := map[string]store.Piece{}
		for i, name := range order {
			doc, err := Piece(name)
			if err != nil {
				return err
			}
			f := server.Figures(ctx, doc, shop)
			at := now.Add(time.Duration(i) * time.Microsecond)
			p := store.Piece{ID: uuid.NewString(), Revision: 1, CreatedAt: at, UpdatedAt: at, Document: *doc, FinishedMM: f.FinishedMM, Beads: f.Beads, Worst: f.Worst, Figured: f.By}
			pieces[name] = p
			versions := []store.Version{}
			if inKit[name] {
				versions = append(versions, store.Version{PieceID: p.ID, Number: 1, Reason: store.Kitted, Document: *doc, House: shop.House, CreatedAt: at})
			}
			if err := into.Piece(p, versions); err != nil {
				return err
			}
		}
		return loadKits(into, pieces, shop.House, now)
	})
	if errors.Is(err, store.ErrNotEmpty) {
		return false, nil
	}
	return err == nil, err
}

func loadCatalogue(into store.Snapshot, now time.Time) error {
	data, err := files.ReadFile("catalogue.json")
	if err != nil {
		return err
	}
	var c catalogueFile
	if err := format.Unmarshal(data, &c); err != nil {
		return fmt.Errorf("catalogue.json: %w", err)
	}
	docs := make([]format.Material, len(c.Materials))
	for i := range c.Materials {
		docs[i] = c.Materials[i].Material
	}
	stock := format.Listed(docs)
	for i, m := range c.Materials {
		if _, faults := stock.Make(&docs[i], fmt.Sprintf("materials[%d]", i)); faults != nil {
			return fmt.Errorf("catalogue.json: %w", faults)
		}
		if err := into.Material(store.Material{Document: m.Material, OnHand: m.OnHand, Revision: 1, UpdatedAt: now}); err != nil {
			return err
		}
	}
	return nil
}

// Piece reads one piece of the shop.
func Piece(name string) (*format.Document, error) {
	data, err := files.ReadFile("pieces/" + name)
	if err != nil {
		return nil, err
	}
	doc, err := format.Read(data)
	if err != nil {
		return nil, fmt.Errorf("%s: %w", name, err)
	}
	return doc, nil
}

// Pieces names the pieces of the shop.
func Pieces() []string {
	found, _ := fs.Glob(files, "pieces/*.json")
	for i := range found {
		found[i] = found[i][len("pieces/"):]
	}
	slices.Sort(found)
	return found
}
