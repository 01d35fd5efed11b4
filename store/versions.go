package store

import (
	"context"
	"math"
	"reflect"
	"time"

	"github.com/google/uuid"
	"gorm.io/gorm"

	"mala/format"
)

// Reason says why a version was made.
type Reason string

// The reasons.
const (
	Named     Reason = "named"
	Printed   Reason = "printed"
	Exported  Reason = "exported"
	Restored  Reason = "restored"
	Autosaved Reason = "quiet"
	Kitted    Reason = "put in a kit"
	Conflict  Reason = "set aside"
)

// Version is a state of a piece that never changes. It holds its own copy of
// every material.
type Version struct {
	PieceID   string `gorm:"primaryKey;type:uuid"`
	Number    int    `gorm:"primaryKey;autoIncrement:false"`
	Reason    Reason
	Label     string
	Document  format.Document `gorm:"serializer:json"`
	House     format.House    `gorm:"serializer:json"` // the shop's, when it was made
	CreatedAt time.Time       `gorm:"autoCreateTime:false"`
}

// AfterFind brings documents of older versions to the one written now.
func (v *Version) AfterFind(*gorm.DB) error {
	if v.Document.Format != "" {
		v.Document.Upgrade()
	}
	return nil
}

// Versions lists a piece's versions, the newest first, without their documents.
func (s *Store) Versions(ctx context.Context, id string) ([]Version, error) {
	if err := s.has(ctx, id); err != nil {
		return nil, err
	}
	var out []Version
	err := s.db.WithContext(ctx).Omit("document", "house").Order("number DESC").Find(&out, "piece_id = ?", id).Error
	return out, err
}

// has says by its error whether there is a piece of that id.
func (s *Store) has(ctx context.Context, id string) error {
	if _, err := uuid.Parse(id); err != nil {
		return ErrNotFound
	}
	var p Piece
	return found(s.db.WithContext(ctx).Select("id").First(&p, "id = ?", id).Error)
}

// Version gives one version of a piece.
func (s *Store) Version(ctx context.Context, id string, number int) (Version, error) {
	if number < 1 || number > math.MaxInt32 {
		return Version{}, ErrNotFound // no column holds such a number
	}
	if err := s.has(ctx, id); err != nil {
		return Version{}, err
	}
	var v Version
	return v, found(s.db.WithContext(ctx).First(&v, "piece_id = ? AND number = ?", id, number).Error)
}

// MakeVersion keeps the piece's draft as a version. If the newest version is
// already the same it is given instead, unless a name is to be put on it.
func (s *Store) MakeVersion(ctx context.Context, id string, reason Reason, label string) (Version, error) {
	var v Version
	err := s.onPiece(ctx, id, func(tx *gorm.DB, current *Piece) error {
		var err error
		v, err = s.addVersion(tx, id, current.Document, reason, label)
		return err
	})
	return v, err
}

// addVersion keeps the document as the next version, within the transaction
// that holds the piece.
func (s *Store) addVersion(tx *gorm.DB, id string, doc format.Document, reason Reason, label string) (Version, error) {
	var last Version
	err := found(tx.Order("number DESC").First(&last, "piece_id = ?", id).Error)
	if err != nil && err != ErrNotFound {
		return Version{}, err
	}
	house, houseErr := houseIn(tx)
	if houseErr != nil {
		return Version{}, houseErr
	}
	if err == nil && reason != Named && reflect.DeepEqual(normal(last.Document), normal(doc)) && reflect.DeepEqual(last.House, house) {
		return last, nil
	}
	v := Version{PieceID: id, Number: last.Number + 1, Reason: reason, Label: label, Document: doc, House: house, CreatedAt: s.now()}
	return v, tx.Create(&v).Error
}

// NameVersion puts a name on a version. What it holds never changes.
func (s *Store) NameVersion(ctx context.Context, id string, number int, label string) (Version, error) {
	v, err := s.Version(ctx, id, number)
	if err != nil {
		return v, err
	}
	v.Label = label
	return v, s.db.WithContext(ctx).Model(&v).UpdateColumn("label", label).Error
}

// RestoreVersion makes an old version the draft again. What the draft was is
// saved as a version first.
func (s *Store) RestoreVersion(ctx context.Context, id string, number int, figures func(format.Document) (Figures, error)) (Piece, error) {
	old, err := s.Version(ctx, id, number)
	if err != nil {
		return Piece{}, err
	}
	shown, err := figures(old.Document)
	if err != nil {
		return Piece{}, err
	}
	var p Piece
	err = s.onPiece(ctx, id, func(tx *gorm.DB, current *Piece) error {
		if _, err := s.addVersion(tx, id, current.Document, Restored, ""); err != nil {
			return err
		}
		p = *current
		p.take(old.Document, shown)
		p.Revision, p.UpdatedAt = current.Revision+1, s.now()
		return tx.Save(&p).Error
	})
	return p, err
}

// Autosave makes a version of every draft unchanged since the given
// time, and says how many it made.
func (s *Store) Autosave(ctx context.Context, since time.Time) (int, error) {
	var ids []string
	err := s.db.WithContext(ctx).Model(&Piece{}).
		Where("updated_at <= ? AND NOT EXISTS (SELECT 1 FROM versions v WHERE v.piece_id = pieces.id AND v.created_at >= pieces.updated_at)", since).
		Pluck("id", &ids).Error
	made := 0
	for _, id := range ids {
		if _, err := s.MakeVersion(ctx, id, Autosaved, ""); err != nil {
			return made, err
		}
		made++
	}
	return made, err
}
