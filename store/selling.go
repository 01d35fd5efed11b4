package store

import (
	"context"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"mala/format"
)

// Selling is how the shop packs and prices; nil until someone has said.
type Selling struct {
	ID        int             `gorm:"primaryKey"`
	Document  *format.Selling `gorm:"serializer:json"`
	Revision  int64
	UpdatedAt time.Time `gorm:"autoUpdateTime:false"`
}

// StaleSelling says that packing and pricing were changed elsewhere since they were read.
type StaleSelling struct{ Current Selling }

func (e *StaleSelling) Error() string {
	return "Packing and prices were changed elsewhere since they were opened here. Reload them and change them again."
}

// AfterFind takes the empty document for none, and completes one of an earlier version.
func (s *Selling) AfterFind(*gorm.DB) error {
	if s.Document == nil || s.Document.Way == "" {
		usual := format.DefaultSelling()
		s.Document = &usual
	}
	s.Document.Complete()
	return nil
}

// Selling gives how the shop packs and prices.
func (s *Store) Selling(ctx context.Context) (Selling, error) {
	var out Selling
	return out, s.db.WithContext(ctx).First(&out, theShop).Error
}

// SaveSelling saves it. If it has moved on since base the error is a *StaleSelling.
func (s *Store) SaveSelling(ctx context.Context, base int64, doc format.Selling) (Selling, error) {
	var out Selling
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Clauses(clause.Locking{Strength: "UPDATE"}).First(&out, theShop).Error; err != nil {
			return err
		}
		if out.Revision != base {
			return &StaleSelling{Current: out}
		}
		out.Document, out.Revision, out.UpdatedAt = &doc, base+1, s.now()
		return tx.Save(&out).Error
	})
	return out, err
}
