package store

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// MostKeepDays is the longest that anything deleted can be kept, in days.
const MostKeepDays = 3650

// UsualAsideDays is how long copies set aside are kept where the shop has not said.
const UsualAsideDays = 180

// Keeping is how long the shop keeps what is no longer needed, in days, 1 to MostKeepDays: deleted
// pieces and materials and what imports overwrote; and copies set aside because someone else had
// saved, without a name.
type Keeping struct {
	DeletedDays int `gorm:"column:keep_deleted_days"`
	AsideDays   int `gorm:"column:keep_aside_days"`
}

// Deleted lists the deleted pieces, kits and materials, the one deleted last first, pieces and kits
// without their documents.
func (s *Store) Deleted(ctx context.Context) (pieces []Piece, kits []Kit, materials []Material, err error) {
	gone := s.db.WithContext(ctx).Unscoped().Where("deleted_at IS NOT NULL").Order("deleted_at DESC, id").Session(&gorm.Session{})
	return pieces, kits, materials, errors.Join(gone.Omit("document").Find(&pieces).Error, gone.Omit("document").Find(&kits).Error, gone.Limit(mostCounted).Find(&materials).Error)
}

// DeletedPhoto is a deleted photograph and what that is called which it shows.
type DeletedPhoto struct {
	Photo
	Name string
}

// DeletedPhotos lists the deleted photographs of things that are not deleted themselves, the latest first,
// without the pictures.
func (s *Store) DeletedPhotos(ctx context.Context) ([]DeletedPhoto, error) {
	var out []DeletedPhoto
	return out, s.db.WithContext(ctx).Raw(`SELECT f.id, f.material_id, f.piece_id, f.version, f.kit_id, f.place, f.width, f.height, f.created_at, f.deleted_at,
			coalesce(m.name, p.name, k.name) AS name
		FROM photos AS f
			LEFT JOIN materials AS m ON m.id = f.material_id AND m.deleted_at IS NULL
			LEFT JOIN pieces AS p ON p.id = f.piece_id AND p.deleted_at IS NULL
			LEFT JOIN kits AS k ON k.id = f.kit_id AND k.deleted_at IS NULL
		WHERE f.deleted_at IS NOT NULL AND num_nonnulls(m.id, p.id, k.id) = 1
		ORDER BY f.deleted_at DESC, f.id LIMIT ?`, mostCounted).Scan(&out).Error
}

// Keeping gives how long the shop keeps what.
func (s *Store) Keeping(ctx context.Context) (Keeping, error) {
	return keepingIn(s.db.WithContext(ctx))
}

func keepingIn(db *gorm.DB) (Keeping, error) {
	var k Keeping
	return k, db.Model(&Shop{}).Where("id = ?", theShop).Take(&k).Error
}

// Keep sets how long.
func (s *Store) Keep(ctx context.Context, k Keeping) error {
	return s.db.WithContext(ctx).Model(&Shop{}).Where("id = ?", theShop).
		UpdateColumns(map[string]any{"keep_deleted_days": k.DeletedDays, "keep_aside_days": k.AsideDays}).Error
}

// Purge removes for good what was deleted, overwritten or set aside longer before now than the shop
// keeps it, pieces with their versions, and says how many pieces, kits and materials those were. The newest
// version of a piece stays, since the next one counts on from it.
func (s *Store) Purge(ctx context.Context, now time.Time) (int, error) {
	gone := 0
	err := s.long.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		keep, err := keepingIn(tx)
		if err != nil {
			return err
		}
		before := func(days int) time.Time { return now.Add(-time.Duration(days) * 24 * time.Hour) }
		deleted := before(keep.DeletedDays)
		old := tx.Unscoped().Model(&Piece{}).Select("id").Where("deleted_at < ?", deleted)
		if err := tx.Where("piece_id IN (?)", old).Delete(&Version{}).Error; err != nil {
			return err
		}
		if err := tx.Unscoped().Where("deleted_at < ?", deleted).Delete(&Photo{}).Error; err != nil {
			return err
		}
		for _, of := range []any{&Piece{}, &Kit{}, &Material{}} {
			done := tx.Unscoped().Where("deleted_at < ?", deleted).Delete(of)
			if done.Error != nil {
				return done.Error
			}
			gone += int(done.RowsAffected)
		}
		if err := tx.Where("at < ?", deleted).Delete(&Import{}).Error; err != nil {
			return err
		}
		if err := tx.Where("aside AND created_at < ? AND number < (SELECT max(number) FROM kit_versions AS v WHERE v.kit_id = kit_versions.kit_id)", before(keep.AsideDays)).Delete(&KitVersion{}).Error; err != nil {
			return err
		}
		return tx.Where("reason = ? AND label = '' AND created_at < ? AND number < (SELECT max(number) FROM versions AS v WHERE v.piece_id = versions.piece_id)",
			Conflict, before(keep.AsideDays)).Delete(&Version{}).Error
	})
	return gone, err
}

// Needed says that components of the catalogue are made of a material.
type Needed struct{ Material, By string }

func (e *Needed) Error() string {
	return fmt.Sprintf("%s is part of %s. Delete that first, or archive this one instead.", e.Material, e.By)
}

// DeleteMaterial deletes a material, of which pieces keep their own copies. RestoreMaterial undoes it.
// The error is a *StaleMaterial if it has moved on since base, and a *Needed if a component is made of it.
func (s *Store) DeleteMaterial(ctx context.Context, id string, base int64) error {
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var m Material
		if err := found(tx.Clauses(clause.Locking{Strength: "UPDATE"}).First(&m, "id = ?", id).Error); err != nil {
			return err
		}
		if m.Revision != base {
			return &StaleMaterial{m}
		}
		var components []Material
		quoted := `%"` + plainLike(id) + `"%`
		if err := tx.Where("class = 'component' AND id <> ? AND document::text LIKE ?", id, quoted).Order(byName).Find(&components).Error; err != nil {
			return err
		}
		for _, c := range components {
			if slices.Contains(c.Document.Refers(), id) {
				return &Needed{m.Name, c.Name}
			}
		}
		return tx.Model(&m).UpdateColumns(map[string]any{"deleted_at": s.now(), "revision": m.Revision + 1}).Error
	})
}

// RestoreMaterial brings a deleted material back.
func (s *Store) RestoreMaterial(ctx context.Context, id string) (Material, error) {
	var m Material
	back := s.db.WithContext(ctx).Unscoped().Model(&Material{}).Where("id = ? AND deleted_at IS NOT NULL", id).
		UpdateColumns(map[string]any{"deleted_at": nil, "revision": gorm.Expr("revision + 1")})
	if back.Error != nil {
		return m, back.Error
	}
	if back.RowsAffected == 0 {
		return m, ErrNotFound
	}
	return m, found(s.db.WithContext(ctx).First(&m, "id = ?", id).Error)
}
