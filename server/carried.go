package server

import (
	"context"
	"encoding/json"
	"fmt"

	"mala/format"
	"mala/photo"
	"mala/store"
)

// carriedPhoto is a photograph of a file that has been read.
type carriedPhoto struct {
	of    string // the id of a material; nothing for the piece or kit itself
	sizes photo.Photo
}

// carried reads the photographs of a file as strictly as those that are sent.
func (s *server) carried(ctx context.Context, photos []format.FilePhoto) ([]carriedPhoto, error) {
	var out []carriedPhoto
	for i, p := range photos {
		leave, err := s.turns.forPhoto(ctx)
		if err != nil {
			return nil, err
		}
		sizes, err := photo.Read(p.JPEG)
		leave()
		if err != nil {
			return nil, format.Faults{{Where: fmt.Sprintf("photos[%d].jpeg", i), Says: err.Error()}}
		}
		out = append(out, carriedPhoto{p.Of, sizes})
	}
	return out, nil
}

// keepCarried keeps the photographs of a file with what they show. Those of a material are taken only where
// the shop has that material and no photograph of it.
func (s *server) keepCarried(ctx context.Context, photos []carriedPhoto, owner store.Pictured) error {
	if len(photos) == 0 {
		return nil
	}
	ids := []string{owner.ID} // never an empty list, which would ask for every material
	for _, p := range photos {
		if p.of != "" {
			ids = append(ids, p.of)
		}
	}
	have, err := s.store.Covers(ctx, store.OfMaterial, ids)
	if err != nil {
		return err
	}
	rows, _, err := s.store.Materials(ctx, store.Filter{IDs: ids})
	if err != nil {
		return err
	}
	known := catalogue(rows)
	for _, p := range photos {
		of := owner
		if p.of != "" {
			if _, is := known[p.of]; !is || have[p.of] != "" {
				continue
			}
			of = store.Pictured{Kind: store.OfMaterial, ID: p.of}
		}
		if _, err := s.store.AddPhoto(ctx, of, p.sizes); err != nil {
			return err
		}
	}
	return nil
}

func (s *server) importPiece(ctx context.Context, doc format.Document) (*pieceAnswer, error) {
	if err := readable(&doc); err != nil {
		return nil, err
	}
	photos, err := s.carried(ctx, doc.Photos)
	if err != nil {
		return nil, err
	}
	doc.Photos = nil
	made, err := s.create(ctx, doc)
	if err != nil {
		return nil, err
	}
	return made, s.keepCarried(ctx, photos, store.Pictured{Kind: store.OfPiece, ID: made.Body.ID})
}

func (s *server) importKit(ctx context.Context, kit format.Kit) (store.Kit, error) {
	if err := kit.Check(); err != nil {
		return store.Kit{}, err
	}
	photos, err := s.carried(ctx, kit.Photos)
	if err != nil {
		return store.Kit{}, err
	}
	kit.LeavePhotos()
	made, err := s.store.CreateKit(ctx, kit)
	if err != nil {
		return made, err
	}
	return made, s.keepCarried(ctx, photos, store.Pictured{Kind: store.OfKit, ID: made.ID})
}

// withPhotos writes a file with the photographs of what it is of, and the covers of its materials, as many
// as find room in it.
func (s *server) withPhotos(ctx context.Context, file any, photos *[]format.FilePhoto, owner store.Pictured, materials []string) ([]byte, error) {
	bare, err := json.MarshalIndent(file, "", "  ")
	if err != nil {
		return nil, err
	}
	own, err := s.store.Photos(ctx, owner)
	if err != nil {
		return nil, err
	}
	covers, err := s.store.Covers(ctx, store.OfMaterial, materials)
	if err != nil {
		return nil, err
	}
	add := func(of, id string) error {
		data, err := s.store.PhotoFile(ctx, id, "medium")
		*photos = append(*photos, format.FilePhoto{Of: of, JPEG: data})
		return err
	}
	for _, p := range own {
		if err := add("", p.ID); err != nil {
			return nil, err
		}
	}
	for _, m := range materials {
		if id := covers[m]; id != "" {
			if err := add(m, id); err != nil {
				return nil, err
			}
		}
	}
	if *photos = format.Carry(*photos, len(bare)); len(*photos) > 0 {
		bare, err = json.MarshalIndent(file, "", "  ")
	}
	return append(bare, '\n'), err
}
