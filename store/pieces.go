package store

import (
	"context"
	"fmt"
	"reflect"
	"time"

	"github.com/google/uuid"
	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"mala/core/check"
	"mala/format"
)

// Piece is a piece with its draft.
type Piece struct {
	ID         string `gorm:"primaryKey;type:uuid"`
	Name       string
	Kind       string
	Tags       []string        `gorm:"serializer:json"`
	Document   format.Document `gorm:"serializer:json"`
	Revision   int64
	FinishedMM *float64 `gorm:"column:finished_mm"`
	Beads      int
	Worst      string    // severity of its worst problem, apart from what is short of stock
	Problems   int       // how many it has, apart from that
	Takes      []Taken   `gorm:"serializer:json"` // what is held against the stock
	Figured    int64     // the revision of the house method that these were worked out by
	CreatedAt  time.Time `gorm:"autoCreateTime:false"`
	UpdatedAt  time.Time `gorm:"autoUpdateTime:false"`
	DeletedAt  gorm.DeletedAt
}

// Stale says that a piece was saved by someone else since the one who saves it
// read it. Both are at hand: how it stands, and the number of the version under
// which the refused draft was kept.
type Stale struct {
	Current Piece
	KeptAs  int
}

func (e *Stale) Error() string {
	return fmt.Sprintf("%s was changed elsewhere since it was opened here. Your state is saved as version %d.", e.Current.Name, e.KeptAs)
}

// Pieces lists the pieces whose name, kind, tags or notes hold the words searched for, the one
// changed last first, without their documents: this many from an offset on, all without a limit. It
// says how many there are in all.
func (s *Store) Pieces(ctx context.Context, search string, limit, offset int) ([]Piece, int, error) {
	var total int64
	q := searched(s.db.WithContext(ctx).Model(&Piece{}), search)
	if err := q.Session(&gorm.Session{}).Count(&total).Error; err != nil {
		return nil, 0, err
	}
	if limit > 0 {
		q = q.Limit(limit)
	}
	var out []Piece
	return out, int(total), q.Omit("document").Order("updated_at DESC, id").Offset(offset).Find(&out).Error
}

// Piece gives one piece.
func (s *Store) Piece(ctx context.Context, id string) (Piece, error) {
	var p Piece
	if _, err := uuid.Parse(id); err != nil {
		return p, ErrNotFound
	}
	return p, found(s.db.WithContext(ctx).First(&p, "id = ?", id).Error)
}

// Stack lists the pieces of a stack by their names, at most this many.
func (s *Store) Stack(ctx context.Context, name string, most int) ([]Piece, error) {
	var out []Piece
	err := s.db.WithContext(ctx).Where("document->>'stack' = ?", name).Order("name, id").Limit(most).Find(&out).Error
	return out, err
}

// Stacks lists the names of stacks.
func (s *Store) Stacks(ctx context.Context) ([]string, error) {
	out := []string{}
	err := s.db.WithContext(ctx).Model(&Piece{}).Where("document->>'stack' IS NOT NULL").Distinct().Order("1").Limit(mostStacks).Pluck("document->>'stack'", &out).Error
	return out, err
}

// mostStacks is how many names are listed.
const mostStacks = 1000

// Figures are what lists show of a piece. They are worked out by the caller, never
// here.
type Figures struct {
	FinishedMM *float64 // nil if its bead line has errors
	Beads      int
	Worst      string // severity of its worst problem, apart from what is short of stock
	Problems   int    // how many it has, apart from that
	Takes      []Taken
	By         int64 // the revision of the house method they were worked out by
}

// Taken is what a piece takes of a material, as check.Taken has it.
type Taken = check.Taken

// AfterFind brings documents of older versions to the one written now.
func (p *Piece) AfterFind(*gorm.DB) error {
	if p.Document.Format != "" {
		p.Document.Upgrade()
	}
	return nil
}

// CreatePiece saves a new piece.
func (s *Store) CreatePiece(ctx context.Context, doc format.Document, figures Figures) (Piece, error) {
	p := Piece{ID: uuid.NewString(), Revision: 1, CreatedAt: s.now(), UpdatedAt: s.now()}
	p.take(doc, figures)
	return p, s.db.WithContext(ctx).Create(&p).Error
}

// take takes the document over, with the figures that lists show.
func (p *Piece) take(doc format.Document, f Figures) {
	p.Name, p.Kind, p.Document = doc.Name, doc.Kind, doc
	p.Tags = append([]string{}, doc.Tags...)
	p.FinishedMM, p.Beads, p.Worst, p.Problems, p.Figured = f.FinishedMM, f.Beads, f.Worst, f.Problems, f.By
	p.Takes = append([]Taken{}, f.Takes...)
}

// SaveDraft saves the document as the piece's draft. Base is the revision it was
// made from; if the piece has moved on the error is a *Stale, and the document
// is kept as a version all the same. Saving what is already there changes
// nothing, so a save whose answer was lost can be sent again.
func (s *Store) SaveDraft(ctx context.Context, id string, base int64, doc format.Document, figures Figures) (Piece, error) {
	var p Piece
	var stale *Stale
	err := s.onPiece(ctx, id, func(tx *gorm.DB, current *Piece) error {
		p = *current
		switch {
		case reflect.DeepEqual(normal(current.Document), normal(doc)):
			return nil
		case current.Revision != base:
			kept, err := s.addVersion(tx, id, doc, Conflict, "")
			stale = &Stale{Current: *current, KeptAs: kept.Number}
			return err
		}
		p.take(doc, figures)
		p.Revision, p.UpdatedAt = current.Revision+1, s.now()
		return tx.Save(&p).Error
	})
	if err == nil && stale != nil {
		return p, stale
	}
	return p, err
}

// onPiece runs do in a transaction that holds the piece.
func (s *Store) onPiece(ctx context.Context, id string, do func(tx *gorm.DB, current *Piece) error) error {
	if _, err := uuid.Parse(id); err != nil {
		return ErrNotFound
	}
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var current Piece
		if err := found(tx.Clauses(clause.Locking{Strength: "UPDATE"}).First(&current, "id = ?", id).Error); err != nil {
			return err
		}
		return do(tx, &current)
	})
}

// normal leaves out the difference between an empty list and none.
func normal(doc format.Document) format.Document {
	if len(doc.Palette) == 0 {
		doc.Palette = nil
	}
	if len(doc.Materials) == 0 {
		doc.Materials = nil
	}
	return doc
}

// DeletePiece deletes a piece. RestorePiece undoes it.
func (s *Store) DeletePiece(ctx context.Context, id string) error {
	return s.onPiece(ctx, id, func(tx *gorm.DB, current *Piece) error {
		return tx.Model(current).UpdateColumn("deleted_at", s.now()).Error
	})
}

// RestorePiece brings a deleted piece back.
func (s *Store) RestorePiece(ctx context.Context, id string) (Piece, error) {
	if _, err := uuid.Parse(id); err != nil {
		return Piece{}, ErrNotFound
	}
	err := s.db.WithContext(ctx).Unscoped().Model(&Piece{}).Where("id = ?", id).UpdateColumn("deleted_at", nil).Error
	if err != nil {
		return Piece{}, err
	}
	return s.Piece(ctx, id)
}
