package backup

import (
	"archive/zip"
	"context"
	"encoding/json"
	"io"
	"os"
	"path/filepath"
	"time"

	"gorm.io/gorm"

	"mala/store"
)

// Write writes the shop as it is at one moment, while it may be worked on.
func Write(ctx context.Context, s *store.Store, w io.Writer) (Counts, error) {
	out := zip.NewWriter(w)
	put := func(name string, what any) error {
		file, err := out.Create(name)
		if err != nil {
			return err
		}
		return json.NewEncoder(file).Encode(what)
	}
	var counts Counts
	catalogue := catalogueFile{Materials: []materialFile{}}
	err := s.Read(ctx, store.Snapshot{
		Shop: func(shop store.Shop, keep store.Keeping) error {
			return put(shopName, shopFile{shop.House, shop.Revision, keep.DeletedDays, keep.AsideDays})
		},
		Material: func(m store.Material) error {
			counts.Materials++
			catalogue.Materials = append(catalogue.Materials, materialFile{m.Document, m.OnHand, m.Archived, m.Revision, m.UpdatedAt, when(m.DeletedAt)})
			return nil
		},
		Piece: func(p store.Piece, versions []store.Version) error {
			counts.Pieces++
			counts.Versions += len(versions)
			return put(pieceFolder+p.ID+".json", pieceOf(p, versions))
		},
		Selling: func(selling store.Selling) error {
			return put(sellingName, sellingFile{selling.Document, selling.Revision})
		},
		Kit: func(k store.Kit, versions []store.KitVersion) error {
			counts.Kits++
			return put(kitFolder+k.ID+".json", kitOf(k, versions))
		},
		Photo: func(p store.Photo) error {
			counts.Photos++
			return putPhoto(out, p, put)
		},
	})
	if err == nil {
		err = put(catalogueName, catalogue)
	}
	if err == nil {
		err = put(aboutName, about{Format, time.Now().UTC(), counts})
	}
	if err != nil {
		return counts, err
	}
	return counts, out.Close()
}

// when something was deleted; nil if it was not.
func when(at gorm.DeletedAt) *time.Time {
	if !at.Valid {
		return nil
	}
	return &at.Time
}

func pieceOf(p store.Piece, versions []store.Version) pieceFile {
	out := pieceFile{ID: p.ID, Revision: p.Revision, CreatedAt: p.CreatedAt, UpdatedAt: p.UpdatedAt, DeletedAt: when(p.DeletedAt), Document: p.Document, Versions: []versionFile{}}
	for _, v := range versions {
		out.Versions = append(out.Versions, versionFile{v.Number, v.Reason, v.Label, v.CreatedAt, v.House, v.Document})
	}
	return out
}

func kitOf(k store.Kit, versions []store.KitVersion) kitFile {
	out := kitFile{ID: k.ID, Revision: k.Revision, CreatedAt: k.CreatedAt, UpdatedAt: k.UpdatedAt, DeletedAt: when(k.DeletedAt), Document: k.Document, Versions: []kitVersionFile{}}
	for _, v := range versions {
		out.Versions = append(out.Versions, kitVersionFile{v.Number, v.Aside, v.CreatedAt, v.Document})
	}
	return out
}

// WriteFile writes the shop into a file, which is there whole or not at all.
func WriteFile(ctx context.Context, s *store.Store, path string) (counts Counts, err error) {
	file, err := os.CreateTemp(filepath.Dir(path), ".mala-backup-*")
	if err != nil {
		return counts, err
	}
	defer os.Remove(file.Name()) // gone already where all went well
	if counts, err = Write(ctx, s, file); err == nil {
		err = file.Sync()
	}
	if closed := file.Close(); err == nil {
		err = closed
	}
	if err != nil {
		return counts, err
	}
	return counts, os.Rename(file.Name(), path)
}
