package store

import (
	"context"
	"encoding/json"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"mala/format"
)

// Import is an import of the catalogue that can be undone.
type Import struct {
	ID       int64
	Name     string // of the file
	Added    int
	Changed  int
	At       time.Time
	UndoneAt *time.Time
}

// importRow is what an import overwrote of one material, and the revision it made.
type importRow struct {
	ImportID   int64
	MaterialID string
	Before     *kept `gorm:"serializer:json"`
	Revision   int64
}

func (importRow) TableName() string { return "import_rows" }

// kept is a material as it was.
type kept struct {
	Document *format.Material `json:"document"`
	OnHand   int              `json:"onHand"`
	Archived bool             `json:"archived,omitempty"`
	Deleted  *time.Time       `json:"deleted,omitempty"`
}

// batch is how many rows are written at once.
const batch = 250

// ImportMaterials keeps all of the materials that the function makes of the catalogue as it stands,
// deleted ones too, or none of them, reporting now and then how many of how many are done. Whoever
// else would change the catalogue waits until then. It stops when the context ends.
func (s *Store) ImportMaterials(ctx context.Context, name string, of func(known []Material) ([]Material, error), progress func(done, total int)) (Import, error) {
	made := Import{Name: name, At: s.now()}
	err := s.long.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Exec("LOCK TABLE materials IN SHARE ROW EXCLUSIVE MODE").Error; err != nil {
			return err
		}
		var known []Material
		if err := tx.Unscoped().Find(&known).Error; err != nil {
			return err
		}
		before := make(map[string]*Material, len(known))
		for i := range known {
			before[known[i].ID] = &known[i]
		}
		list, err := of(known)
		if err != nil {
			return err
		}
		rows := make([]importRow, len(list))
		for i := range list {
			rows[i] = s.next(&list[i], before[list[i].Document.ID])
			if rows[i].Before == nil {
				made.Added++
			} else {
				made.Changed++
			}
		}
		if err := tx.Create(&made).Error; err != nil {
			return err
		}
		for i := range rows {
			rows[i].ImportID = made.ID
		}
		if err := inBatches(tx, list, rows, progress); err != nil {
			return err
		}
		return counted(tx, len(list))
	})
	return made, err
}

// next makes the material the one that follows what there is.
func (s *Store) next(m *Material, before *Material) importRow {
	row := importRow{MaterialID: m.Document.ID}
	m.Revision = 0
	if before != nil {
		m.Revision = before.Revision
		row.Before = &kept{Document: &before.Document, OnHand: before.OnHand, Archived: before.Archived}
		if before.DeletedAt.Valid {
			row.Before.Deleted = &before.DeletedAt.Time
		}
	}
	s.prepare(m)
	row.Revision = m.Revision
	return row
}

func inBatches(tx *gorm.DB, list []Material, rows []importRow, progress func(done, total int)) error {
	for from := 0; from < len(list); from += batch {
		to := min(from+batch, len(list))
		part, were := list[from:to], rows[from:to]
		if err := tx.Clauses(clause.OnConflict{Columns: []clause.Column{{Name: "id"}}, UpdateAll: true}).Create(&part).Error; err != nil {
			return err
		}
		if err := tx.Create(&were).Error; err != nil {
			return err
		}
		progress(to, len(list))
	}
	return nil // a context that has ended undoes all of it
}

// AddMaterials keeps new materials, all of them or none.
func (s *Store) AddMaterials(ctx context.Context, list []Material) error {
	for i := range list {
		s.prepare(&list[i])
	}
	return s.long.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.CreateInBatches(&list, batch).Error; err != nil {
			return err
		}
		return counted(tx, len(list))
	})
}

// counted has the database look at the materials again after many have changed, or it would go on
// searching as it did before.
func counted(tx *gorm.DB, changed int) error {
	if changed < 1000 {
		return nil
	}
	return tx.Exec("ANALYZE materials").Error
}

// Imports lists the imports, the latest first.
func (s *Store) Imports(ctx context.Context) ([]Import, error) {
	out := []Import{}
	return out, s.db.WithContext(ctx).Order("id DESC").Limit(100).Find(&out).Error
}

// UndoImport makes every material that an import changed what it was before, and deletes what it
// added, apart from those that were changed since: it says how many of either there are.
func (s *Store) UndoImport(ctx context.Context, id int64) (undone, changedSince int, err error) {
	err = s.long.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Exec("LOCK TABLE materials IN SHARE ROW EXCLUSIVE MODE").Error; err != nil {
			return err
		}
		var made Import
		if err := found(tx.First(&made, "id = ? AND undone_at IS NULL", id).Error); err != nil {
			return err
		}
		var rows []importRow
		if err := tx.Find(&rows, "import_id = ?", id).Error; err != nil {
			return err
		}
		var known []Material
		err := tx.Unscoped().Where("id IN (SELECT material_id FROM import_rows WHERE import_id = ?)", id).Find(&known).Error
		if err != nil {
			return err
		}
		now := map[string]*Material{}
		for i := range known {
			now[known[i].ID] = &known[i]
		}
		var back []Material
		for _, row := range rows {
			m := now[row.MaterialID]
			if m == nil || m.Revision != row.Revision {
				changedSince++
				continue
			}
			back = append(back, s.asBefore(*m, row.Before))
		}
		undone = len(back)
		for from := 0; from < len(back); from += batch {
			part := back[from:min(from+batch, len(back))]
			if err := tx.Clauses(clause.OnConflict{Columns: []clause.Column{{Name: "id"}}, UpdateAll: true}).Create(&part).Error; err != nil {
				return err
			}
		}
		return tx.Model(&made).UpdateColumn("undone_at", s.now()).Error
	})
	return undone, changedSince, err
}

// asBefore is the material as it was before an import; deleted if it was not there.
func (s *Store) asBefore(m Material, before *kept) Material {
	if before == nil {
		m.DeletedAt = gorm.DeletedAt{Time: s.now(), Valid: true}
	} else {
		m.Document, m.OnHand, m.Archived = *before.Document, before.OnHand, before.Archived
		if before.Deleted != nil {
			m.DeletedAt = gorm.DeletedAt{Time: *before.Deleted, Valid: true}
		}
	}
	s.prepare(&m)
	return m
}

// EachMaterial goes through the whole catalogue, archived materials too, and deleted ones if asked
// for, one at a time as they come from the database, so that none of it is held.
func (s *Store) EachMaterial(ctx context.Context, deleted bool, do func(m Material) error) error {
	rows, err := s.long.WithContext(ctx).Raw("SELECT document, on_hand, retired, revision, deleted_at FROM materials WHERE deleted_at IS NULL OR ? ORDER BY "+byName, deleted).Rows()
	if err != nil {
		return err
	}
	defer rows.Close()
	for rows.Next() {
		var m Material
		var document []byte
		if err := rows.Scan(&document, &m.OnHand, &m.Archived, &m.Revision, &m.DeletedAt); err != nil {
			return err
		}
		if err := json.Unmarshal(document, &m.Document); err != nil {
			return err
		}
		if err := do(m); err != nil {
			return err
		}
	}
	return rows.Err()
}
