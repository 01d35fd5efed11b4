package store

import (
	"context"
	"fmt"
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
	return "The house method was changed elsewhere since it was opened here. Look at it as it is now, and change it again."
}

// House gives the shop's house method.
func (s *Store) House(ctx context.Context) (Shop, error) {
	var shop Shop
	return shop, s.db.WithContext(ctx).First(&shop, theShop).Error
}

// SaveHouse keeps the house method, and what follows from it in the list of
// pieces. If it has moved on since base the error is a *StaleHouse.
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
		if err := tx.Save(&shop).Error; err != nil {
			return err
		}
		return refigure(tx, house)
	})
	return shop, err
}

// refigure works out anew what lists show of every piece.
func refigure(tx *gorm.DB, house format.House) error {
	var pieces []Piece
	if err := tx.Find(&pieces).Error; err != nil {
		return err
	}
	for i := range pieces {
		p := &pieces[i]
		p.take(p.Document, house)
		err := tx.Model(p).Select("finished_mm", "worst").UpdateColumns(map[string]any{"finished_mm": p.FinishedMM, "worst": p.Worst}).Error
		if err != nil {
			return fmt.Errorf("%s: %w", p.Name, err)
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
