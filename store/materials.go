package store

import (
	"context"
	"fmt"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"mala/format"
)

// Material is one thing of the catalogue.
type Material struct {
	ID        string `gorm:"primaryKey"`
	Class     string
	Name      string
	Document  format.Material `gorm:"serializer:json"`
	OnHand    int
	Revision  int64
	UpdatedAt time.Time `gorm:"autoUpdateTime:false"`
}

// StaleMaterial says that a material was changed since the one who saves it
// read it. Current is how it stands.
type StaleMaterial struct{ Current Material }

func (e *StaleMaterial) Error() string {
	return fmt.Sprintf("%s was changed since it was opened here.", e.Current.Name)
}

// Materials lists the catalogue by class and name.
func (s *Store) Materials(ctx context.Context) ([]Material, error) {
	var out []Material
	err := s.db.WithContext(ctx).Order("class, name, id").Find(&out).Error
	return out, err
}

// SaveMaterial keeps a material. Base is the revision it was made from, 0 for a
// new one; if the catalogue has moved on the error is a *StaleMaterial.
func (s *Store) SaveMaterial(ctx context.Context, doc format.Material, onHand int, base int64) (Material, error) {
	m := Material{ID: doc.ID, Class: doc.Class, Name: doc.Name, Document: doc, OnHand: onHand, Revision: base + 1, UpdatedAt: s.now()}
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var current Material
		err := found(tx.Clauses(clause.Locking{Strength: "UPDATE"}).First(&current, "id = ?", doc.ID).Error)
		switch {
		case err == ErrNotFound && base == 0:
			return tx.Create(&m).Error
		case err != nil:
			return err
		case current.Revision != base:
			return &StaleMaterial{current}
		}
		return tx.Save(&m).Error
	})
	return m, err
}
