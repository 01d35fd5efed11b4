package store

import (
	"context"
	"database/sql"
	"errors"

	"gorm.io/gorm"
)

// Snapshot takes the whole shop, one thing after another.
type Snapshot struct {
	Shop     func(house Shop, keep Keeping) error
	Material func(m Material) error                   // deleted ones too
	Piece    func(p Piece, versions []Version) error  // deleted ones too
	Kit      func(k Kit, versions []KitVersion) error // deleted ones too
	Selling  func(s Selling) error
	Photo    func(p Photo) error // after what it shows; deleted ones too
}

// Read goes through the shop as it is at one moment, whatever is saved meanwhile.
func (s *Store) Read(ctx context.Context, to Snapshot) error {
	return s.long.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var shop Shop
		if err := tx.First(&shop, theShop).Error; err != nil {
			return err
		}
		keep, err := keepingIn(tx)
		if err != nil {
			return err
		}
		if err := to.Shop(shop, keep); err != nil {
			return err
		}
		var materials []Material
		if err := tx.Unscoped().Order("id").Find(&materials).Error; err != nil {
			return err
		}
		for _, m := range materials {
			if err := to.Material(m); err != nil {
				return err
			}
		}
		var ids []string
		if err := tx.Unscoped().Model(&Piece{}).Order("created_at, id").Pluck("id", &ids).Error; err != nil {
			return err
		}
		for _, id := range ids {
			var p Piece
			var versions []Version
			if err := errors.Join(tx.Unscoped().First(&p, "id = ?", id).Error, tx.Order("number").Find(&versions, "piece_id = ?", id).Error); err != nil {
				return err
			}
			if err := to.Piece(p, versions); err != nil {
				return err
			}
		}
		if err := readKits(tx, to); err != nil {
			return err
		}
		return readPhotos(tx, to)
	}, &sql.TxOptions{Isolation: sql.LevelRepeatableRead, ReadOnly: true})
}

func readKits(tx *gorm.DB, to Snapshot) error {
	var selling Selling
	var ids []string
	if err := errors.Join(tx.First(&selling, theShop).Error, tx.Unscoped().Model(&Kit{}).Order("created_at, id").Pluck("id", &ids).Error); err != nil {
		return err
	}
	if err := to.Selling(selling); err != nil {
		return err
	}
	for _, id := range ids {
		var k Kit
		var versions []KitVersion
		if err := errors.Join(tx.Unscoped().First(&k, "id = ?", id).Error, tx.Order("number").Find(&versions, "kit_id = ?", id).Error); err != nil {
			return err
		}
		if err := to.Kit(k, versions); err != nil {
			return err
		}
	}
	return nil
}

func readPhotos(tx *gorm.DB, to Snapshot) error {
	var ids []string
	if err := tx.Unscoped().Model(&Photo{}).Order("created_at, id").Pluck("id", &ids).Error; err != nil {
		return err
	}
	for _, id := range ids {
		var p Photo
		if err := tx.Unscoped().First(&p, "id = ?", id).Error; err != nil {
			return err
		}
		if err := to.Photo(p); err != nil {
			return err
		}
	}
	return nil
}

// ErrNotEmpty says that a shop is there already.
var ErrNotEmpty = errors.New("there are pieces, kits or materials here already")

// Fill puts a whole shop into an empty store: all of what do gives it, or nothing. The error is
// ErrNotEmpty where there is a shop already.
func (s *Store) Fill(ctx context.Context, do func(into Snapshot) error) error {
	return s.long.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var pieces, materials, kits int64
		if err := errors.Join(tx.Unscoped().Model(&Piece{}).Count(&pieces).Error, tx.Unscoped().Model(&Material{}).Count(&materials).Error, tx.Unscoped().Model(&Kit{}).Count(&kits).Error); err != nil {
			return err
		}
		if pieces+materials+kits > 0 {
			return ErrNotEmpty
		}
		return do(Snapshot{
			Shop: func(shop Shop, keep Keeping) error {
				shop.ID = theShop
				return errors.Join(tx.Save(&shop).Error, tx.Model(&shop).UpdateColumns(map[string]any{"keep_deleted_days": keep.DeletedDays, "keep_aside_days": keep.AsideDays}).Error)
			},
			Material: func(m Material) error {
				changed, revision := m.UpdatedAt, m.Revision
				s.prepare(&m)
				m.UpdatedAt, m.Revision = changed, revision
				return tx.Create(&m).Error
			},
			Piece: func(p Piece, versions []Version) error {
				p.take(p.Document, Figures{p.FinishedMM, p.Beads, p.Worst, p.Problems, p.Takes, p.Figured})
				if err := tx.Create(&p).Error; err != nil || len(versions) == 0 {
					return err
				}
				return tx.CreateInBatches(&versions, batch).Error
			},
			Kit: func(k Kit, versions []KitVersion) error {
				k.Name = k.Document.Name
				if err := tx.Create(&k).Error; err != nil || len(versions) == 0 {
					return err
				}
				return tx.CreateInBatches(&versions, batch).Error
			},
			Selling: func(selling Selling) error {
				selling.ID = theShop
				return tx.Save(&selling).Error
			},
			Photo: func(p Photo) error { return tx.Create(&p).Error },
		})
	})
}
