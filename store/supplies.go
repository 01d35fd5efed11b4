package store

import (
	"context"

	"gorm.io/gorm"
)

// Supplies gives the materials of these ids, and those whose mixed sets hold one of them.
func (s *Store) Supplies(ctx context.Context, ids []string) ([]Material, error) {
	var out []Material
	if len(ids) == 0 {
		return out, nil
	}
	set := gorm.Expr(`EXISTS (SELECT 1 FROM jsonb_array_elements(CASE jsonb_typeof(document->'packs') WHEN 'array' THEN document->'packs' ELSE '[]' END) AS pack,
		jsonb_array_elements(CASE jsonb_typeof(pack->'with') WHEN 'array' THEN pack->'with' ELSE '[]' END) AS other WHERE other->>'of' IN ?)`, ids)
	return out, s.db.WithContext(ctx).Where("NOT retired").Where(s.db.Where("id IN ?", ids).Or(set)).Order("id").Find(&out).Error
}
