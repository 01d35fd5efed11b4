package store

import (
	"cmp"
	"context"
	"fmt"
	"slices"
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
}

// StaleMaterial says that a material was changed since the one who saves it
// read it. Current is how it stands.
type StaleMaterial struct{ Current Material }

func (e *StaleMaterial) Error() string {
	return fmt.Sprintf("%s was changed since it was opened here.", e.Current.Name)
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

// aboutMaterial is the text that a search looks through.
const aboutMaterial = `concat_ws(' ', name, id, document->>'shape', document->>'type', document->>'metal', document->'look'->>'finish', colour,
	document->>'acrossMm' || ' mm', document->>'acrossMm' || ' × ' || (document->>'alongMm') || ' mm')`

// Materials lists the catalogue by class and name, and says how many there are
// beyond the limit.
func (s *Store) Materials(ctx context.Context, w Filter) ([]Material, int, error) {
	q := s.db.WithContext(ctx).Model(&Material{})
	if !w.Archived && w.IDs == nil {
		q = q.Where("NOT retired")
	}
	if w.IDs != nil {
		q = q.Where("id IN ?", w.IDs)
	}
	for _, word := range strings.Fields(w.Search) {
		q = q.Where(aboutMaterial+" ILIKE ?", "%"+plainLike(word)+"%")
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
		q = q.Where("(document->>'acrossMm')::float8 >= ?", w.Least)
	}
	if w.Most > 0 {
		q = q.Where("(document->>'acrossMm')::float8 <= ?", w.Most)
	}
	var total int64
	if err := q.Count(&total).Error; err != nil {
		return nil, 0, err
	}
	q = q.Order("class, name, (document->>'acrossMm')::float8, id").Offset(w.Offset)
	if w.Limit > 0 {
		q = q.Limit(w.Limit)
	}
	var out []Material
	return out, int(total), q.Find(&out).Error
}

// Metals lists every metal that the catalogue names.
func (s *Store) Metals(ctx context.Context) ([]string, error) {
	metals := []string{}
	return metals, s.db.WithContext(ctx).Model(&Material{}).Where("document->>'metal' <> ''").
		Order("1").Distinct().Pluck("document->>'metal'", &metals).Error
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
		err := found(tx.Clauses(clause.Locking{Strength: "UPDATE"}).First(&current, "id = ?", m.Document.ID).Error)
		switch {
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

// batch is how many materials are written at once.
const batch = 250

// SaveMaterials keeps all of the materials or none, whatever revision they were
// made from, telling now and then how many are done. It stops when the context
// ends.
func (s *Store) SaveMaterials(ctx context.Context, list []Material, progress func(done int)) error {
	list = slices.Clone(list)
	// In one order, so that of two imports at once neither waits for what the other holds.
	slices.SortFunc(list, func(a, b Material) int { return cmp.Compare(a.Document.ID, b.Document.ID) })
	return s.long.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		for from := 0; from < len(list); from += batch {
			part := list[from:min(from+batch, len(list))]
			for i := range part {
				s.prepare(&part[i])
			}
			err := tx.Clauses(clause.OnConflict{
				Columns: []clause.Column{{Name: "id"}},
				DoUpdates: append(clause.AssignmentColumns([]string{"class", "name", "document", "colour", "on_hand", "updated_at"}),
					clause.Assignment{Column: clause.Column{Name: "revision"}, Value: gorm.Expr("materials.revision + 1")}),
			}).Create(&part).Error
			if err != nil {
				return err
			}
			progress(from + len(part))
		}
		return ctx.Err()
	})
}

// Using lists the pieces whose draft holds a material, with their documents.
func (s *Store) Using(ctx context.Context, materialID string) ([]Piece, error) {
	var out []Piece
	err := s.long.WithContext(ctx).Order("name, id").
		Where("document->'materials' @> jsonb_build_array(jsonb_build_object('id', ?::text))", materialID).Find(&out).Error
	return out, err
}
