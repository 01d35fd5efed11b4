package demo

import (
	"fmt"
	"time"

	"github.com/google/uuid"

	"mala/format"
	"mala/store"
)

// kitSpec is a kit as the demo keeps it: like a kit file, but for its pieces, which are
// named by their files.
type kitSpec struct {
	format.Kit
	Pieces []struct {
		File     string `json:"file"`
		Quantity int    `json:"quantity"`
	} `json:"pieces"`
}

// loadKits puts the kits in, each of version 1 of its pieces.
func loadKits(into store.Snapshot, pieces map[string]store.Piece, house format.House, now time.Time) error {
	specs, err := kitSpecs()
	if err != nil {
		return err
	}
	for i, spec := range specs {
		kit, err := spec.kit(pieces, house)
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

func kitSpecs() ([]kitSpec, error) {
	data, err := files.ReadFile("kits.json")
	if err != nil {
		return nil, err
	}
	var specs []kitSpec
	if err := format.Unmarshal(data, &specs); err != nil {
		return nil, fmt.Errorf("kits.json: %w", err)
	}
	return specs, nil
}

// Kits are the kits of the shop, as kit files.
func Kits() ([]*format.Kit, error) {
	specs, err := kitSpecs()
	if err != nil {
		return nil, err
	}
	var out []*format.Kit
	for _, spec := range specs {
		kit, err := spec.kit(nil, format.House{})
		if err != nil {
			return nil, err
		}
		out = append(out, kit)
	}
	return out, nil
}

func (s *kitSpec) kit(pieces map[string]store.Piece, house format.House) (*format.Kit, error) {
	kit := s.Kit
	kit.Format, kit.Pieces = format.KitFormat, nil
	for _, of := range s.Pieces {
		doc, err := Piece(of.File)
		if err != nil {
			return nil, err
		}
		doc = doc.Tidied()
		doc.House = doc.House.Merge(house).Merge(format.DefaultHouse())
		p := format.KitPiece{Quantity: max(1, of.Quantity), Document: *doc}
		if from, ok := pieces[of.File]; ok {
			p.Piece, p.Version = from.ID, 1
		}
		kit.Pieces = append(kit.Pieces, p)
	}
	if err := kit.Check(); err != nil {
		return nil, fmt.Errorf("kits.json: %s: %w", kit.Name, err)
	}
	return &kit, nil
}
