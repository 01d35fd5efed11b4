package server

import (
	"bytes"
	"context"
	"fmt"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/backup"
	"mala/format"
	"mala/store"
)

// DeletedPieces are the pieces that can be restored.
type DeletedPieces struct {
	KeepDays int            `json:"keepDays" doc:"How many days they are kept."`
	Pieces   []DeletedPiece `json:"pieces" doc:"The one deleted last first."`
}

// DeletedPiece is one of them.
type DeletedPiece struct {
	ID        string    `json:"id"`
	Name      string    `json:"name"`
	Kind      string    `json:"kind"`
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
	call(api, huma.Operation{OperationID: "listDeleted", Method: http.MethodGet, Path: "/api/deleted", Summary: "The deleted pieces"},
		func(ctx context.Context, _ *struct{}) (*answer[DeletedPieces], error) { return s.deleted(ctx) })
	call(api, huma.Operation{OperationID: "keepDeleted", Method: http.MethodPut, Path: "/api/deleted", Summary: "Set how many days deleted pieces are kept"},
		func(ctx context.Context, in *struct {
			Body struct {
				KeepDays int `json:"keepDays"`
			}
		}) (*answer[DeletedPieces], error) {
			if days := in.Body.KeepDays; days < 1 || days > store.MostKeepDays {
				return nil, format.Faults{{Where: "keepDays", Says: fmt.Sprintf("Keep deleted pieces for 1 to %d days.", store.MostKeepDays)}}
			}
			if err := s.store.KeepDeleted(ctx, in.Body.KeepDays); err != nil {
				return nil, err
			}
			return s.deleted(ctx)
		})
}

func (s *server) deleted(ctx context.Context) (*answer[DeletedPieces], error) {
	rows, days, err := s.store.Deleted(ctx)
	out := DeletedPieces{KeepDays: days, Pieces: make([]DeletedPiece, len(rows))}
	for i, p := range rows {
		at := p.DeletedAt.Time
		out.Pieces[i] = DeletedPiece{p.ID, p.Name, p.Kind, at, at.Add(time.Duration(days) * 24 * time.Hour)}
	}
	return &answer[DeletedPieces]{out}, err
}
