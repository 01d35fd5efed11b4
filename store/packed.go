package store

import (
	"context"
	"fmt"
	"time"

	"github.com/google/uuid"
	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Packed is one thing that lies in its bag already.
type Packed struct {
	KitID string `gorm:"primaryKey;type:uuid"`
	Cell  string `gorm:"primaryKey"` // which size and colourway of the kit
	Thing string `gorm:"primaryKey"`
	At    time.Time
}

// TableName is that of the migrations.
func (Packed) TableName() string { return "packed" }

// MostPacked is how many things of one bag may be ticked.
const MostPacked = 500

// TooManyPacked says that more is ticked than a bag holds.
type TooManyPacked struct{}

func (TooManyPacked) Error() string {
	return fmt.Sprintf("More than %d things are ticked here. Start the bag over.", MostPacked)
}

// Packed lists what is packed of one thing that a kit is sold as.
func (s *Store) Packed(ctx context.Context, kit, cell string) ([]string, error) {
	if _, err := uuid.Parse(kit); err != nil {
		return nil, ErrNotFound
	}
	out := []string{}
	return out, s.db.WithContext(ctx).Model(&Packed{}).Where("kit_id = ? AND cell = ?", kit, cell).Order("at, thing").Pluck("thing", &out).Error
}

// Pack ticks a thing, or takes its tick back. Done twice it is the same: two devices may pack one bag.
func (s *Store) Pack(ctx context.Context, kit, cell, thing string, packed bool) error {
	if _, err := s.Kit(ctx, kit); err != nil {
		return err
	}
	db := s.db.WithContext(ctx)
	if !packed {
		return db.Where("kit_id = ? AND cell = ? AND thing = ?", kit, cell, thing).Delete(&Packed{}).Error
	}
	return db.Transaction(func(tx *gorm.DB) error {
		var n int64
		if err := tx.Model(&Packed{}).Where("kit_id = ? AND cell = ?", kit, cell).Count(&n).Error; err != nil {
			return err
		}
		if n >= MostPacked {
			return TooManyPacked{}
		}
		return tx.Clauses(clause.OnConflict{DoNothing: true}).Create(&Packed{kit, cell, thing, s.now()}).Error
	})
}

// Unpack takes all ticks of a bag back, for the next one.
func (s *Store) Unpack(ctx context.Context, kit, cell string) error {
	if _, err := s.Kit(ctx, kit); err != nil {
		return err
	}
	return s.db.WithContext(ctx).Where("kit_id = ? AND cell = ?", kit, cell).Delete(&Packed{}).Error
}
