package store

import (
	"context"
	"encoding/json"
	"fmt"
	"math"
	"time"

	"github.com/google/uuid"
	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"mala/format"
)

// Kit is a kit as it stands. Revision is the number of the version that this is.
type Kit struct {
	ID        string `gorm:"primaryKey;type:uuid"`
	Name      string
	Document  format.Kit `gorm:"serializer:json"`
	Revision  int
	CreatedAt time.Time `gorm:"autoCreateTime:false"`
	UpdatedAt time.Time `gorm:"autoUpdateTime:false"`
	DeletedAt gorm.DeletedAt
}

// KitVersion is a state of a kit that never changes. One that was set aside was refused,
// because someone else had saved.
type KitVersion struct {
	KitID     string `gorm:"primaryKey;type:uuid"`
	Number    int    `gorm:"primaryKey;autoIncrement:false"`
	Aside     bool
	Document  format.Kit `gorm:"serializer:json"`
	CreatedAt time.Time  `gorm:"autoCreateTime:false"`
}

// StaleKit says that a kit was saved by someone else since the one who saves it read it.
// The refused state is kept as a version.
type StaleKit struct {
	Current Kit
	KeptAs  int
}

func (e *StaleKit) Error() string {
	return fmt.Sprintf("%s was changed elsewhere since it was opened here. Your state is saved as version %d.", e.Current.Name, e.KeptAs)
}

// AfterFind brings the pieces to the format written now.
func (k *Kit) AfterFind(*gorm.DB) error {
	k.Document.Upgrade()
	return nil
}

// AfterFind brings the pieces to the format written now.
func (v *KitVersion) AfterFind(*gorm.DB) error {
	v.Document.Upgrade()
	return nil
}

// Kits lists the kits whose name or notes hold the words searched for, the one changed last
// first: this many from an offset on, all without a limit. It says how many there are in all.
func (s *Store) Kits(ctx context.Context, search string, limit, offset int) ([]Kit, int, error) {
	var total int64
	q := searched(s.db.WithContext(ctx).Model(&Kit{}), search)
	if err := q.Session(&gorm.Session{}).Count(&total).Error; err != nil {
		return nil, 0, err
	}
	if limit > 0 {
		q = q.Limit(limit)
	}
	var out []Kit
	return out, int(total), q.Order("updated_at DESC, id").Offset(offset).Find(&out).Error
}

// Kit gives one kit.
func (s *Store) Kit(ctx context.Context, id string) (Kit, error) {
	var k Kit
	if _, err := uuid.Parse(id); err != nil {
		return k, ErrNotFound
	}
	return k, found(s.db.WithContext(ctx).First(&k, "id = ?", id).Error)
}

// CreateKit saves a new kit.
func (s *Store) CreateKit(ctx context.Context, doc format.Kit) (Kit, error) {
	k := Kit{ID: uuid.NewString(), Name: doc.Name, Document: doc, Revision: 1, CreatedAt: s.now(), UpdatedAt: s.now()}
	return k, s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Create(&k).Error; err != nil {
			return err
		}
		return tx.Create(&KitVersion{k.ID, 1, false, doc, k.CreatedAt}).Error
	})
}

// SaveKit saves a kit as its next version. If it has moved on since base the error is a
// *StaleKit, and what was to be saved is set aside as a version all the same. Saving what is
// already there changes nothing.
func (s *Store) SaveKit(ctx context.Context, id string, base int, doc format.Kit) (Kit, error) {
	var k Kit
	var stale *StaleKit
	err := s.onKit(ctx, id, func(tx *gorm.DB, current *Kit) error {
		if k = *current; sameKit(&current.Document, &doc) {
			return nil
		}
		next, err := nextOf(tx, id)
		if err != nil {
			return err
		}
		aside := current.Revision != base
		if err := tx.Create(&KitVersion{id, next, aside, doc, s.now()}).Error; err != nil {
			return err
		}
		if aside {
			stale = &StaleKit{Current: *current, KeptAs: next}
			return nil
		}
		k.Name, k.Document, k.Revision, k.UpdatedAt = doc.Name, doc, next, s.now()
		return tx.Save(&k).Error
	})
	if err == nil && stale != nil {
		return k, stale
	}
	return k, err
}

func nextOf(tx *gorm.DB, id string) (int, error) {
	var last int
	err := tx.Model(&KitVersion{}).Where("kit_id = ?", id).Select("coalesce(max(number), 0)").Scan(&last).Error
	return last + 1, err
}

func sameKit(a, b *format.Kit) bool {
	one, err := json.Marshal(a)
	other, otherErr := json.Marshal(b)
	return err == nil && otherErr == nil && string(one) == string(other)
}

// onKit runs do in a transaction that holds the kit.
func (s *Store) onKit(ctx context.Context, id string, do func(tx *gorm.DB, current *Kit) error) error {
	if _, err := uuid.Parse(id); err != nil {
		return ErrNotFound
	}
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var current Kit
		if err := found(tx.Clauses(clause.Locking{Strength: "UPDATE"}).First(&current, "id = ?", id).Error); err != nil {
			return err
		}
		return do(tx, &current)
	})
}

// KitVersions lists a kit's versions, the newest first, without their documents.
func (s *Store) KitVersions(ctx context.Context, id string) ([]KitVersion, error) {
	if _, err := s.Kit(ctx, id); err != nil {
		return nil, err
	}
	var out []KitVersion
	return out, s.db.WithContext(ctx).Omit("document").Order("number DESC").Find(&out, "kit_id = ?", id).Error
}

// KitVersion gives one version of a kit.
func (s *Store) KitVersion(ctx context.Context, id string, number int) (KitVersion, error) {
	var v KitVersion
	if _, err := uuid.Parse(id); err != nil || number < 1 || number > math.MaxInt32 {
		return v, ErrNotFound
	}
	return v, found(s.db.WithContext(ctx).First(&v, "kit_id = ? AND number = ?", id, number).Error)
}

// DeleteKit deletes a kit. RestoreKit undoes it.
func (s *Store) DeleteKit(ctx context.Context, id string) error {
	return s.onKit(ctx, id, func(tx *gorm.DB, current *Kit) error {
		return tx.Model(current).UpdateColumn("deleted_at", s.now()).Error
	})
}

// RestoreKit brings a deleted kit back.
func (s *Store) RestoreKit(ctx context.Context, id string) (Kit, error) {
	if _, err := uuid.Parse(id); err != nil {
		return Kit{}, ErrNotFound
	}
	if err := s.db.WithContext(ctx).Unscoped().Model(&Kit{}).Where("id = ?", id).UpdateColumn("deleted_at", nil).Error; err != nil {
		return Kit{}, err
	}
	return s.Kit(ctx, id)
}
