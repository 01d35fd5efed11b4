package store

import (
	"context"
	"errors"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"mala/format"
)

// Shop is the shop's own way of working.
type Shop struct {
	ID        int          `gorm:"primaryKey"`
	House     format.House `gorm:"serializer:json"`
	Revision  int64
	UpdatedAt time.Time `gorm:"autoUpdateTime:false"`
}

const theShop = 1

// StaleHouse says that the house method was changed elsewhere since it was read.
type StaleHouse struct{ Current Shop }

func (e *StaleHouse) Error() string {
	return "The house method was changed elsewhere since it was opened here. Reload it and change it again."
}

// House gives the shop's house method.
func (s *Store) House(ctx context.Context) (Shop, error) {
	var shop Shop
	return shop, s.db.WithContext(ctx).First(&shop, theShop).Error
}

// SaveHouse saves the house method. If it has moved on since base the error is a
// *StaleHouse.
func (s *Store) SaveHouse(ctx context.Context, base int64, house format.House) (Shop, error) {
	var shop Shop
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Clauses(clause.Locking{Strength: "UPDATE"}).First(&shop, theShop).Error; err != nil {
			return err
		}
		if shop.Revision != base {
			return &StaleHouse{Current: shop}
		}
		shop.House, shop.Revision, shop.UpdatedAt = house, base+1, s.now()
		return tx.Save(&shop).Error
	})
	return shop, err
}

// Refigure saves what lists show of a piece, as worked out again, if the piece is
// still at the revision it was worked out from.
func (s *Store) Refigure(ctx context.Context, p Piece, f Figures) error {
	p.FinishedMM, p.Beads, p.Worst, p.Problems, p.Takes, p.Figured = f.FinishedMM, f.Beads, f.Worst, f.Problems, append([]Taken{}, f.Takes...), f.By
	return s.db.WithContext(ctx).Model(&Piece{}).Where("id = ? AND revision = ?", p.ID, p.Revision).
		Select("finished_mm", "beads", "worst", "problems", "takes", "figured").UpdateColumns(&p).Error
}

// Behind counts the pieces whose figures in lists were worked out by an older house method.
func (s *Store) Behind(ctx context.Context) (int, error) {
	var n int64
	return int(n), s.behind(s.db.WithContext(ctx)).Count(&n).Error
}

// NextBehind gives some of them, with their documents.
func (s *Store) NextBehind(ctx context.Context, most int) ([]Piece, error) {
	var out []Piece
	return out, s.behind(s.long.WithContext(ctx)).Order("figured").Limit(most).Find(&out).Error
}

func (s *Store) behind(db *gorm.DB) *gorm.DB {
	return db.Model(&Piece{}).Where("figured < (SELECT revision FROM shops WHERE id = ?)", theShop)
}

// Each goes through the pieces with their documents, the one changed last first, and tells of how
// many there are.
func (s *Store) Each(ctx context.Context, do func(p Piece, at, of int) error) error {
	var ids []string
	if err := s.long.WithContext(ctx).Model(&Piece{}).Order("updated_at DESC, id").Pluck("id", &ids).Error; err != nil {
		return err
	}
	for i, id := range ids {
		p, err := s.Piece(ctx, id)
		if errors.Is(err, ErrNotFound) {
			continue // deleted meanwhile
		}
		if err != nil {
			return err
		}
		if err := do(p, i+1, len(ids)); err != nil {
			return err
		}
	}
	return nil
}

// houseIn reads the house method within a transaction.
func houseIn(tx *gorm.DB) (format.House, error) {
	var shop Shop
	err := tx.First(&shop, theShop).Error
	return shop.House, err
}
