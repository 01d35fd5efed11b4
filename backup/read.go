package backup

import (
	"archive/zip"
	"cmp"
	"context"
	"errors"
	"fmt"
	"io"
	"slices"
	"strings"
	"time"

	"gorm.io/gorm"

	"mala/desk"
	"mala/format"
	"mala/store"
)

// mostEntry is how large one thing in a file may be, in bytes: a piece with all its versions.
const mostEntry = 256 << 20

// Restore reads a file into an empty store: all of it, or nothing. The error says which part of the
// file is wrong.
func Restore(ctx context.Context, s *store.Store, file io.ReaderAt, size int64) (Counts, error) {
	in, err := zip.NewReader(file, size)
	if err != nil {
		return Counts{}, errors.New("this is not a backup, or it is cut short: it is not a zip file")
	}
	var said about
	if err := read(in, aboutName, &said); err != nil {
		return Counts{}, err
	}
	if !slices.Contains([]string{first, second, third, Format}, said.Format) {
		return Counts{}, fmt.Errorf("this is a %q, made by a newer program; this one reads %s", said.Format, Format)
	}
	var found Counts
	err = s.Fill(ctx, func(into store.Snapshot) error {
		var err error
		found, err = fill(ctx, in, into)
		if err == nil && said.Format != first && said.Format != second {
			err = fillKits(in, into, &found)
		}
		if err == nil && said.Format == Format {
			err = fillPhotos(in, into, &found)
		}
		if err == nil && found != said.Counts {
			return fmt.Errorf("the file holds %+v and should hold %+v: it is cut short", found, said.Counts)
		}
		return err
	})
	return found, err
}

func fill(ctx context.Context, in *zip.Reader, into store.Snapshot) (Counts, error) {
	var counts Counts
	var shop shopFile
	if err := read(in, shopName, &shop); err != nil {
		return counts, err
	}
	if err := into.Shop(store.Shop{House: shop.House, Revision: shop.Revision}, store.Keeping{DeletedDays: shop.KeepDeletedDays, AsideDays: cmp.Or(shop.KeepAsideDays, store.UsualAsideDays)}); err != nil {
		return counts, err
	}
	var catalogue catalogueFile
	if err := read(in, catalogueName, &catalogue); err != nil {
		return counts, err
	}
	for _, m := range catalogue.Materials {
		counts.Materials++
		if err := into.Material(store.Material{Document: m.Material, OnHand: m.OnHand, Archived: m.Archived, Revision: m.Revision, UpdatedAt: m.UpdatedAt, DeletedAt: deleted(m.DeletedAt)}); err != nil {
			return counts, err
		}
	}
	for _, file := range in.File {
		if !strings.HasPrefix(file.Name, pieceFolder) {
			continue
		}
		var p pieceFile
		if err := read(in, file.Name, &p); err != nil {
			return counts, err
		}
		piece, versions := p.kept()
		card := desk.CardOf(&p.Document, shop.House)
		piece.FinishedMM, piece.Beads, piece.Worst, piece.Figured = card.FinishedMm, card.Beads, card.Worst, shop.Revision
		piece.Problems, piece.Takes = card.Problems, card.Takes
		counts.Pieces++
		counts.Versions += len(versions)
		if err := into.Piece(piece, versions); err != nil {
			return counts, fmt.Errorf("%s: %w", file.Name, err)
		}
	}
	return counts, ctx.Err()
}

// fillKits reads what the shop sells.
func fillKits(in *zip.Reader, into store.Snapshot, counts *Counts) error {
	var selling sellingFile
	if err := read(in, sellingName, &selling); err != nil {
		return err
	}
	if err := into.Selling(store.Selling{Document: selling.Selling, Revision: selling.Revision, UpdatedAt: time.Now().UTC()}); err != nil {
		return err
	}
	for _, file := range in.File {
		if !strings.HasPrefix(file.Name, kitFolder) {
			continue
		}
		var k kitFile
		if err := read(in, file.Name, &k); err != nil {
			return err
		}
		counts.Kits++
		if err := into.Kit(k.kept()); err != nil {
			return fmt.Errorf("%s: %w", file.Name, err)
		}
	}
	return nil
}

// kept is the kit with its versions as the store has them.
func (k *kitFile) kept() (store.Kit, []store.KitVersion) {
	kit := store.Kit{ID: k.ID, Revision: k.Revision, CreatedAt: k.CreatedAt, UpdatedAt: k.UpdatedAt, DeletedAt: deleted(k.DeletedAt), Document: k.Document}
	var versions []store.KitVersion
	for _, v := range k.Versions {
		versions = append(versions, store.KitVersion{KitID: k.ID, Number: v.Number, Aside: v.Aside, CreatedAt: v.CreatedAt, Document: v.Document})
	}
	return kit, versions
}

func deleted(at *time.Time) gorm.DeletedAt {
	if at == nil {
		return gorm.DeletedAt{}
	}
	return gorm.DeletedAt{Time: *at, Valid: true}
}

// kept is the piece with its versions as the store has them.
func (p *pieceFile) kept() (store.Piece, []store.Version) {
	piece := store.Piece{ID: p.ID, Revision: p.Revision, CreatedAt: p.CreatedAt, UpdatedAt: p.UpdatedAt, DeletedAt: deleted(p.DeletedAt), Document: p.Document}
	var versions []store.Version
	for _, v := range p.Versions {
		versions = append(versions, store.Version{PieceID: p.ID, Number: v.Number, Reason: v.Reason, Label: v.Label, CreatedAt: v.CreatedAt, House: v.House, Document: v.Document})
	}
	return piece, versions
}

// read reads one thing of a file strictly.
func read(in *zip.Reader, name string, into any) error {
	data, err := readBytes(in, name, mostEntry)
	if err != nil {
		return err
	}
	if err := format.Unmarshal(data, into); err != nil {
		return fmt.Errorf("%s: %w", name, err)
	}
	return nil
}

func readBytes(in *zip.Reader, name string, most int64) ([]byte, error) {
	file, err := in.Open(name)
	if err != nil {
		return nil, fmt.Errorf("%s is missing: the file is not a backup, or it is cut short", name)
	}
	defer file.Close()
	data, err := io.ReadAll(io.LimitReader(file, most+1))
	switch {
	case err != nil:
		return nil, fmt.Errorf("%s is damaged: %w", name, err)
	case int64(len(data)) > most:
		return nil, fmt.Errorf("%s is larger than %d MB", name, most>>20)
	}
	return data, nil
}
