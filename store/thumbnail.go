package store

import (
	"context"
	"encoding/json"

	"github.com/google/uuid"
)

// Thumbnail gives what was kept of a piece's picture, and what that was of; nothing if none was yet.
func (s *Store) Thumbnail(ctx context.Context, id string) (picture json.RawMessage, of string, err error) {
	if _, err := uuid.Parse(id); err != nil {
		return nil, "", ErrNotFound
	}
	var row struct {
		Thumbnail   []byte
		ThumbnailOf string
	}
	err = found(s.db.WithContext(ctx).Model(&Piece{}).Select("thumbnail", "thumbnail_of").Where("id = ?", id).Take(&row).Error)
	return row.Thumbnail, row.ThumbnailOf, err
}

// KeepThumbnail keeps a piece's picture.
func (s *Store) KeepThumbnail(ctx context.Context, id string, picture json.RawMessage, of string) error {
	return s.db.WithContext(ctx).Model(&Piece{}).Where("id = ?", id).UpdateColumns(map[string]any{"thumbnail": string(picture), "thumbnail_of": of}).Error
}
