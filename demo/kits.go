package demo

import (
	"fmt"

	"mala/format"
)

// KitSpec is a kit as the demo keeps it: like a kit file, but for its pieces, which are
// named by their files.
type KitSpec struct {
	format.Kit
	Pieces []struct {
		File     string `json:"file"`
		Quantity int    `json:"quantity"`
	} `json:"pieces"`
}

// KitSpecs are the kits of the shop.
func KitSpecs() ([]KitSpec, error) {
	data, err := files.ReadFile("kits.json")
	if err != nil {
		return nil, err
	}
	var specs []KitSpec
	if err := format.Unmarshal(data, &specs); err != nil {
		return nil, fmt.Errorf("kits.json: %w", err)
	}
	return specs, nil
}

// Kits are the kits of the shop, as kit files.
func Kits() ([]*format.Kit, error) {
	specs, err := KitSpecs()
	if err != nil {
		return nil, err
	}
	var out []*format.Kit
	for i := range specs {
		kit, err := specs[i].With(nil, format.House{})
		if err != nil {
			return nil, err
		}
		out = append(out, kit)
	}
	return out, nil
}

// With is the kit with its pieces, each of version 1 of the piece that has that id, by its file.
func (s *KitSpec) With(ids map[string]string, house format.House) (*format.Kit, error) {
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
		if id, ok := ids[of.File]; ok {
			p.Piece, p.Version = id, 1
		}
		kit.Pieces = append(kit.Pieces, p)
	}
	if err := kit.Check(); err != nil {
		return nil, fmt.Errorf("kits.json: %s: %w", kit.Name, err)
	}
	return &kit, nil
}
