package store

import (
	"context"
	"fmt"
	"regexp"
	"strings"
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
	Colour    string          // the family its colour belongs to
	OnHand    int
	Archived  bool `gorm:"column:retired"` // kept for what uses it, offered no more
	Revision  int64
	UpdatedAt time.Time `gorm:"autoUpdateTime:false"`
	DeletedAt gorm.DeletedAt
}

// StaleMaterial says that a material was changed since the one who saves it
// read it. Current is how it stands.
type StaleMaterial struct{ Current Material }

func (e *StaleMaterial) Error() string {
	return fmt.Sprintf("%s was changed since it was opened here.", e.Current.Name)
}

// DeletedMaterial says that a material of that id was deleted, and can be restored.
type DeletedMaterial struct{ Deleted Material }

func (e *DeletedMaterial) Error() string {
	return fmt.Sprintf("%s of the id %s was deleted. Restore it under Deleted, or choose another id.", e.Deleted.Name, e.Deleted.ID)
}

// Filter narrows a list of materials down; what is left empty does not.
type Filter struct {
	IDs      []string
	Search   string // words, each in the name, shape, type, finish, metal or size
	Kind     string // of a component
	Hangs    bool   // only what hangs: charms, and components that hang
	Looped   bool   // only beads with a loop of their own
	Class    string
	Types    []string // of findings and cords
	Shape    string
	Metal    string
	Colour   string  // a colour family
	Least    float64 // across, in mm
	Most     float64
	Archived bool // those too
	Limit    int  // 0 for all
	Offset   int
}

// mostCounted is how many materials are counted at most: how many there are beyond is no one's
// question, and would be the longest part of a search.
const mostCounted = 10_000

// Materials lists the catalogue by class and name, and says how many there are
// beyond the limit, as far as they are counted.
func (s *Store) Materials(ctx context.Context, w Filter) ([]Material, int, error) {
	q := searched(s.db.WithContext(ctx).Model(&Material{}), w.Search)
	if !w.Archived && w.IDs == nil {
		q = q.Where("NOT retired")
	}
	if w.IDs != nil {
		q = q.Where("id IN ?", w.IDs)
	}
	for column, value := range map[string]string{"document->>'shape'": w.Shape, "document->>'metal'": w.Metal, "colour": w.Colour} {
		if value != "" {
			q = q.Where(column+" = ?", value)
		}
	}
	if w.Class != "" {
		q = q.Where("class IN ?", strings.Split(w.Class, ","))
	}
	if w.Hangs {
		q = q.Where("document->>'shape' = 'charm' OR class = 'component' AND document->'component'->>'kind' NOT IN ('coil', 'beaded', 'carrier', 'turn')")
	}
	if w.Kind != "" {
		q = q.Where("document->'component'->>'kind' = ?", w.Kind)
	}
	if w.Looped {
		q = q.Where("(document->>'loopMm')::float8 > 0")
	}
	if len(w.Types) > 0 {
		q = q.Where("document->>'type' IN ?", w.Types)
	}
	if w.Least > 0 {
		q = q.Where("across_mm >= ?", w.Least)
	}
	if w.Most > 0 {
		q = q.Where("across_mm <= ?", w.Most)
	}
	return s.page(ctx, q.Session(&gorm.Session{}), w.Limit, w.Offset)
}

// page gives part of what was narrowed down, in the order of the catalogue, and how many there are. Few
// are looked up once and put in order; of many their order finds the first ones at once.
func (s *Store) page(ctx context.Context, narrowed *gorm.DB, limit, offset int) ([]Material, int, error) {
	q := narrowed.Order(byName).Offset(offset)
	var out []Material
	if limit == 0 {
		err := q.Find(&out).Error
		return out, len(out) + offset, err
	}
	var hits []struct {
		ID    string
		Total int
	}
	err := s.db.WithContext(ctx).Raw("WITH hit AS MATERIALIZED (?) SELECT id, (SELECT count(*) FROM hit) AS total FROM hit ORDER BY "+byName+" LIMIT ? OFFSET ?",
		narrowed.Select("id", "class", "name", "across_mm").Limit(mostCounted), limit, offset).Scan(&hits).Error
	switch {
	case err != nil:
		return nil, 0, err
	case len(hits) == 0:
		var total int64
		return nil, int(total), s.db.WithContext(ctx).Table("(?) AS counted", narrowed.Select("1").Limit(mostCounted)).Count(&total).Error
	case hits[0].Total == mostCounted:
		return out, mostCounted, q.Limit(limit).Find(&out).Error
	}
	ids := make([]string, len(hits))
	for i, h := range hits {
		ids[i] = h.ID
	}
	return out, hits[0].Total, s.db.WithContext(ctx).Order(byName).Find(&out, "id IN ?", ids).Error
}

// byName is the order of the catalogue.
const byName = "class, name, across_mm, id"

// shortWord has fewer characters than an index looks up.
var shortWord = regexp.MustCompile(`^[\pL\pN]{1,2}$`)

// mostWords is how many words of a search are looked for.
const mostWords = 20

// searched narrows the rows to those that hold every word: a long one anywhere, a short one, of
// which an index knows nothing in the middle, at the beginning of a word.
func searched(q *gorm.DB, search string) *gorm.DB {
	words := strings.Fields(search)
	for _, word := range words[:min(len(words), mostWords)] {
		before := "%"
		if shortWord.MatchString(word) {
			before = "% "
		}
		q = q.Where("about LIKE lower(?)", before+plainLike(word)+"%")
	}
	return q
}

// Metals lists every metal that the catalogue names, going from one to the next by their index.
func (s *Store) Metals(ctx context.Context) ([]string, error) {
	metals := []string{}
	return metals, s.db.WithContext(ctx).Raw(`WITH RECURSIVE next AS (
		(SELECT document->>'metal' AS metal FROM materials WHERE deleted_at IS NULL AND document->>'metal' <> '' ORDER BY 1 LIMIT 1)
		UNION ALL
		SELECT (SELECT document->>'metal' FROM materials WHERE deleted_at IS NULL AND document->>'metal' <> '' AND document->>'metal' > next.metal ORDER BY 1 LIMIT 1)
			FROM next WHERE next.metal IS NOT NULL
	) SELECT metal FROM next WHERE metal IS NOT NULL`).Scan(&metals).Error
}

// plainLike takes the meaning from the wildcards of LIKE.
func plainLike(word string) string {
	return strings.NewReplacer(`\`, `\\`, "%", `\%`, "_", `\_`).Replace(word)
}

// SaveMaterial keeps a material. Its Revision is the one it was made from, 0 for
// a new one; if the catalogue has moved on the error is a *StaleMaterial.
func (s *Store) SaveMaterial(ctx context.Context, m Material) (Material, error) {
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var current Material
		err := found(tx.Unscoped().Clauses(clause.Locking{Strength: "UPDATE"}).First(&current, "id = ?", m.Document.ID).Error)
		switch {
		case err == nil && current.DeletedAt.Valid:
			return &DeletedMaterial{current}
		case err == ErrNotFound && m.Revision == 0:
		case err != nil:
			return err
		case current.Revision != m.Revision:
			return &StaleMaterial{current}
		}
		s.prepare(&m)
		if m.Revision == 1 {
			return tx.Create(&m).Error
		}
		return tx.Save(&m).Error
	})
	return m, err
}

// prepare fills in what follows from the document, for the next revision.
func (s *Store) prepare(m *Material) {
	m.ID, m.Class, m.Name = m.Document.ID, m.Document.Class, m.Document.Name
	m.Colour = m.Document.ColourFamily()
	m.Revision++
	m.UpdatedAt = s.now()
}

// Using lists the pieces whose draft holds a material, with their documents.
func (s *Store) Using(ctx context.Context, materialID string) ([]Piece, error) {
	var out []Piece
	err := s.long.WithContext(ctx).Order("name, id").
		Where("document->'materials' @> jsonb_build_array(jsonb_build_object('id', ?::text))", materialID).Find(&out).Error
	return out, err
}
