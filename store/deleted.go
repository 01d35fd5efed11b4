package store

import (
	"context"
	"time"

	"gorm.io/gorm"
)

// MostKeepDays is the longest that deleted pieces can be kept, in days.
const MostKeepDays = 3650

// Deleted lists the deleted pieces, the one deleted last first, without their documents, and how
// many days the shop keeps them.
func (s *Store) Deleted(ctx context.Context) (pieces []Piece, keepDays int, err error) {
	db := s.db.WithContext(ctx)
	if err := db.Unscoped().Omit("document").Where("deleted_at IS NOT NULL").Order("deleted_at DESC, id").Find(&pieces).Error; err != nil {
		return nil, 0, err
	}
	keepDays, err = s.keepDays(db)
	return pieces, keepDays, err
}

func (s *Store) keepDays(db *gorm.DB) (int, error) {
	var days int
	err := db.Model(&Shop{}).Where("id = ?", theShop).Pluck("keep_deleted_days", &days).Error
	return days, err
}

// KeepDeleted sets how many days deleted pieces are kept, 1 to MostKeepDays.
func (s *Store) KeepDeleted(ctx context.Context, days int) error {
	return s.db.WithContext(ctx).Model(&Shop{}).Where("id = ?", theShop).UpdateColumn("keep_deleted_days", days).Error
}

// PurgeDeleted removes for good what was deleted longer before now than the shop keeps it, with
// its versions, and says how many pieces those were.
func (s *Store) PurgeDeleted(ctx context.Context, now time.Time) (int, error) {
	gone := 0
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		days, err := s.keepDays(tx)
		if err != nil {
			return err
		}
		old := tx.Unscoped().Model(&Piece{}).Select("id").Where("deleted_at < ?", now.Add(-time.Duration(days)*24*time.Hour))
		if err := tx.Where("piece_id IN (?)", old).Delete(&Version{}).Error; err != nil {
			return err
		}
		done := tx.Unscoped().Where("id IN (?)", old).Delete(&Piece{})
		gone = int(done.RowsAffected)
		return done.Error
	})
	return gone, err
}
