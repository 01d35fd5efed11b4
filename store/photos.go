package store

import (
	"context"
	"fmt"
	"slices"
	"strconv"
	"strings"
	"time"

	"github.com/google/uuid"
	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"mala/photo"
)

// Photo is a photograph of one thing: a material (which a component is as well), a piece, a version of a
// piece, or a kit.
type Photo struct {
	ID         string `gorm:"primaryKey;type:uuid"`
	MaterialID *string
	PieceID    *string
	Version    *int // of the piece, where it shows that
	KitID      *string
	Place      int // the lowest is the cover
	Width      int // of the large one, in pixels
	Height     int
	Large      []byte
	Medium     []byte
	Small      []byte
	CreatedAt  time.Time
	DeletedAt  gorm.DeletedAt
}

// Pictured names what a photograph shows. An ID of a version is that of the piece, a point and its number.
type Pictured struct {
	Kind PicturedKind
	ID   string
}

// PicturedKind is what can have photographs.
type PicturedKind string

// What can have photographs.
const (
	OfMaterial PicturedKind = "material"
	OfPiece    PicturedKind = "piece"
	OfVersion  PicturedKind = "version"
	OfKit      PicturedKind = "kit"
)

// MaxPhotos is how many photographs one thing can have.
const MaxPhotos = 24

// TooManyPhotos says that a thing has as many photographs as it can.
type TooManyPhotos struct{}

func (TooManyPhotos) Error() string {
	return fmt.Sprintf("There are %d photographs here already, which is the most. Remove one first.", MaxPhotos)
}

// parts takes the id apart; ok is false where it can be none of its kind.
func (p Pictured) parts() (id string, version *int, ok bool) {
	id = p.ID
	if p.Kind == OfVersion {
		piece, number, cut := strings.Cut(p.ID, ".")
		n, err := strconv.Atoi(number)
		if id, version = piece, &n; !cut || err != nil || n < 1 || n > 1<<30 {
			return "", nil, false
		}
	}
	if p.Kind == OfMaterial {
		return id, nil, id != ""
	}
	_, err := uuid.Parse(id)
	return id, version, err == nil
}

// in narrows a search for photographs to those of one thing.
func (p Pictured) in(db *gorm.DB) *gorm.DB {
	id, version, ok := p.parts()
	switch {
	case !ok:
		return db.Where("false")
	case p.Kind == OfMaterial:
		return db.Where("material_id = ?", id)
	case p.Kind == OfKit:
		return db.Where("kit_id = ?", id)
	case p.Kind == OfVersion:
		return db.Where("piece_id = ? AND version = ?", id, *version)
	}
	return db.Where("piece_id = ? AND version IS NULL", id)
}

// Of gives what a photograph shows.
func (p *Photo) Of() Pictured {
	switch {
	case p.MaterialID != nil:
		return Pictured{OfMaterial, *p.MaterialID}
	case p.KitID != nil:
		return Pictured{OfKit, *p.KitID}
	case p.Version != nil:
		return Pictured{OfVersion, fmt.Sprintf("%s.%d", *p.PieceID, *p.Version)}
	}
	return Pictured{OfPiece, *p.PieceID}
}

// PhotoOf is a photograph of a thing as it is restored.
func PhotoOf(what Pictured, sizes photo.Photo, id string, place int, made time.Time, gone gorm.DeletedAt) Photo {
	p := Photo{ID: id, Place: place, Width: sizes.Width, Height: sizes.Height, Large: sizes.Large, Medium: sizes.Medium, Small: sizes.Small, CreatedAt: made, DeletedAt: gone}
	p.shows(what)
	return p
}

// shows has the photograph be of a thing.
func (p *Photo) shows(what Pictured) {
	id, version, _ := what.parts()
	switch what.Kind {
	case OfMaterial:
		p.MaterialID = &id
	case OfKit:
		p.KitID = &id
	default:
		p.PieceID, p.Version = &id, version
	}
}

// is checks that there is such a thing, and holds it until the transaction ends.
func (p Pictured) is(tx *gorm.DB) error {
	id, version, ok := p.parts()
	if !ok {
		return ErrNotFound
	}
	lock := tx.Clauses(clause.Locking{Strength: "UPDATE"}).Select("id")
	switch p.Kind {
	case OfMaterial:
		return found(lock.First(&Material{}, "id = ?", id).Error)
	case OfKit:
		return found(lock.First(&Kit{}, "id = ?", id).Error)
	}
	if err := found(lock.First(&Piece{}, "id = ?", id).Error); err != nil || version == nil {
		return err
	}
	return found(tx.Select("number").First(&Version{}, "piece_id = ? AND number = ?", id, *version).Error)
}

// picturesApart leaves the pictures themselves out.
var picturesApart = []string{"large", "medium", "small"}

// Photos lists the photographs of a thing, the cover first, without the pictures.
func (s *Store) Photos(ctx context.Context, of Pictured) ([]Photo, error) {
	out := []Photo{}
	return out, of.in(s.db.WithContext(ctx)).Omit(picturesApart...).Order("place, id").Find(&out).Error
}

// AddPhoto adds a photograph behind the others of its thing. The error is ErrNotFound or TooManyPhotos.
func (s *Store) AddPhoto(ctx context.Context, of Pictured, sizes photo.Photo) (Photo, error) {
	out := PhotoOf(of, sizes, uuid.NewString(), 0, s.now(), gorm.DeletedAt{})
	return out, s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := of.is(tx); err != nil {
			return err
		}
		var there []int
		if err := of.in(tx.Model(&Photo{})).Order("place").Pluck("place", &there).Error; err != nil {
			return err
		}
		if len(there) >= MaxPhotos {
			return TooManyPhotos{}
		}
		if len(there) > 0 {
			out.Place = there[len(there)-1] + 1
		}
		return tx.Create(&out).Error
	})
}

// PhotoFile gives a photograph in one of its sizes, large, medium or small, as JPEG; a deleted one too,
// since that can be looked at before it is restored.
func (s *Store) PhotoFile(ctx context.Context, id, size string) ([]byte, error) {
	if _, err := uuid.Parse(id); err != nil || !slices.Contains(picturesApart, size) {
		return nil, ErrNotFound
	}
	var files [][]byte
	err := s.db.WithContext(ctx).Unscoped().Model(&Photo{}).Where("id = ?", id).Limit(1).Pluck(size, &files).Error
	if err == nil && len(files) == 0 {
		err = ErrNotFound
	}
	if err != nil {
		return nil, err
	}
	return files[0], nil
}

// OrderPhotos puts the photographs of a thing in order, the cover first. What the list leaves out stays
// behind those it names.
func (s *Store) OrderPhotos(ctx context.Context, of Pictured, ids []string) ([]Photo, error) {
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := of.is(tx); err != nil {
			return err
		}
		var there []string
		if err := of.in(tx.Model(&Photo{})).Order("place, id").Pluck("id", &there).Error; err != nil {
			return err
		}
		at := func(id string) int {
			if i := slices.Index(ids, id); i >= 0 {
				return i
			}
			return len(ids)
		}
		slices.SortStableFunc(there, func(a, b string) int { return at(a) - at(b) })
		for i, id := range there {
			if err := tx.Model(&Photo{}).Where("id = ?", id).UpdateColumn("place", i).Error; err != nil {
				return err
			}
		}
		return nil
	})
	if err != nil {
		return nil, err
	}
	return s.Photos(ctx, of)
}

// DeletePhoto deletes a photograph; RestorePhoto undoes it.
func (s *Store) DeletePhoto(ctx context.Context, id string) error {
	return s.photoGone(ctx, id, "deleted_at IS NULL", s.now())
}

// RestorePhoto brings a deleted photograph back to where it was.
func (s *Store) RestorePhoto(ctx context.Context, id string) error {
	return s.photoGone(ctx, id, "deleted_at IS NOT NULL", nil)
}

func (s *Store) photoGone(ctx context.Context, id, where string, at any) error {
	if _, err := uuid.Parse(id); err != nil {
		return ErrNotFound
	}
	done := s.db.WithContext(ctx).Unscoped().Model(&Photo{}).Where("id = ?", id).Where(where).UpdateColumn("deleted_at", at)
	if done.Error == nil && done.RowsAffected == 0 {
		return ErrNotFound
	}
	return done.Error
}

// Covers gives the cover of each of several things of one kind that has one, by its id.
func (s *Store) Covers(ctx context.Context, kind PicturedKind, ids []string) (map[string]string, error) {
	out := map[string]string{}
	ids = slices.DeleteFunc(slices.Clone(ids), func(id string) bool {
		_, _, ok := Pictured{kind, id}.parts()
		return !ok || kind == OfVersion
	})
	if len(ids) == 0 {
		return out, nil
	}
	of := map[PicturedKind]string{OfMaterial: "material_id", OfPiece: "piece_id", OfKit: "kit_id"}[kind]
	var rows []Photo
	err := s.db.WithContext(ctx).Select("DISTINCT ON ("+of+") id, "+of).Where(of+" IN ? AND version IS NULL", ids).Order(of + ", place, id").Find(&rows).Error
	for i := range rows {
		out[rows[i].Of().ID] = rows[i].ID
	}
	return out, err
}
