package server

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/backup"
	"mala/format"
	"mala/store"
)

// Deleted is what can be restored.
type Deleted struct {
	Keeping
	Pieces    []DeletedThing `json:"pieces" doc:"The one deleted last first."`
	Kits      []DeletedThing `json:"kits" doc:"The one deleted last first."`
	Materials []DeletedThing `json:"materials" doc:"The one deleted last first."`
	Photos    []DeletedThing `json:"photos" doc:"Photographs; the kind is what each shows, the name what that is called."`
}

// Keeping is how long the shop keeps what is no longer needed.
type Keeping struct {
	KeepDays  int `json:"keepDays" doc:"How many days what was deleted is kept, and what an import overwrote."`
	AsideDays int `json:"asideDays" doc:"How many days a copy is kept that was set aside because someone else had saved, unless it has a name."`
}

// DeletedThing is a piece, a kit or a material that was deleted.
type DeletedThing struct {
	ID        string    `json:"id"`
	Name      string    `json:"name"`
	Kind      string    `json:"kind" doc:"The kind of piece, the class of a material, or kit."`
	DeletedAt time.Time `json:"deletedAt"`
	KeptUntil time.Time `json:"keptUntil"`
}

func (s *server) registerKept(api huma.API) {
	call(api, huma.Operation{OperationID: "backup", Method: http.MethodGet, Path: "/api/backup.zip", Summary: "The whole shop in one file of open formats"},
		func(ctx context.Context, _ *struct{}) (*huma.StreamResponse, error) {
			var file bytes.Buffer // whole before it is sent: one that is cut short would look like a backup
			if _, err := backup.Write(ctx, s.store, &file); err != nil {
				return nil, err
			}
			return &huma.StreamResponse{Body: func(c huma.Context) {
				c.SetHeader("Content-Type", "application/zip")
				c.SetHeader("Content-Disposition", fmt.Sprintf(`attachment; filename="mala-%s.zip"`, time.Now().UTC().Format("2006-01-02")))
				_, _ = file.WriteTo(c.BodyWriter())
			}}, nil
		})
	call(api, huma.Operation{OperationID: "listDeleted", Method: http.MethodGet, Path: "/api/deleted", Summary: "The deleted pieces, kits and materials"},
		func(ctx context.Context, _ *struct{}) (*answer[Deleted], error) { return s.deleted(ctx) })
	call(api, huma.Operation{OperationID: "setKeeping", Method: http.MethodPut, Path: "/api/deleted", Summary: "Set how long deleted things and refused copies are kept"},
		func(ctx context.Context, in *struct{ Body Keeping }) (*answer[Deleted], error) {
			for where, days := range map[string]int{"keepDays": in.Body.KeepDays, "asideDays": in.Body.AsideDays} {
				if days < 1 || days > store.MostKeepDays {
					return nil, format.Faults{{Where: where, Says: fmt.Sprintf("Keep it for 1 to %d days.", store.MostKeepDays)}}
				}
			}
			if err := s.store.Keep(ctx, store.Keeping{DeletedDays: in.Body.KeepDays, AsideDays: in.Body.AsideDays}); err != nil {
				return nil, err
			}
			return s.deleted(ctx)
		})
	call(api, huma.Operation{OperationID: "deleteMaterial", Method: http.MethodDelete, Path: "/api/materials/{id}", Summary: "Delete a material; pieces keep their own copies of it"},
		func(ctx context.Context, in *struct {
			ID   string `path:"id"`
			Base int64  `query:"base" doc:"The revision that was looked at."`
		}) (*struct{}, error) {
			err := s.store.DeleteMaterial(ctx, in.ID, in.Base)
			s.shelf.moved()
			return nil, err
		})
	call(api, huma.Operation{OperationID: "undeleteMaterial", Method: http.MethodPost, Path: "/api/materials/{id}/undelete", Summary: "Restore a deleted material"},
		func(ctx context.Context, in *struct {
			ID string `path:"id"`
		}) (*answer[CatalogueItem], error) {
			m, err := s.store.RestoreMaterial(ctx, in.ID)
			if err != nil {
				return nil, err
			}
			s.shelf.moved()
			stock, err := s.stock(ctx, []format.Material{m.Document})
			return &answer[CatalogueItem]{itemOf(m, stock)}, err
		})
}

func (s *server) deleted(ctx context.Context) (*answer[Deleted], error) {
	pieces, kits, materials, err := s.store.Deleted(ctx)
	if err != nil {
		return nil, err
	}
	keep, err := s.store.Keeping(ctx)
	out := Deleted{Keeping{keep.DeletedDays, keep.AsideDays}, []DeletedThing{}, []DeletedThing{}, []DeletedThing{}, []DeletedThing{}}
	thing := func(id, name, kind string, at time.Time) DeletedThing {
		return DeletedThing{id, name, kind, at, at.Add(time.Duration(keep.DeletedDays) * 24 * time.Hour)}
	}
	for _, p := range pieces {
		out.Pieces = append(out.Pieces, thing(p.ID, p.Name, p.Kind, p.DeletedAt.Time))
	}
	for _, k := range kits {
		out.Kits = append(out.Kits, thing(k.ID, k.Name, "kit", k.DeletedAt.Time))
	}
	for _, m := range materials {
		out.Materials = append(out.Materials, thing(m.ID, m.Name, m.Class, m.DeletedAt.Time))
	}
	photos, photosErr := s.store.DeletedPhotos(ctx)
	for _, p := range photos {
		out.Photos = append(out.Photos, thing(p.ID, p.Name, string(p.Of().Kind), p.DeletedAt.Time))
	}
	return &answer[Deleted]{out}, errors.Join(err, photosErr)
}
