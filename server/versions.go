package server

import (
	"context"
	"fmt"
	"mime"
	"net/http"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/desk"
	"mala/format"
	"mala/store"
)

// VersionNote is one version as the list shows it.
type VersionNote struct {
	Number    int       `json:"number"`
	Reason    string    `json:"reason" enum:"named,printed,exported,restored,quiet,put in a kit,set aside"`
	Label     string    `json:"label"`
	CreatedAt time.Time `json:"createdAt"`

	KeptUntil *time.Time `json:"keptUntil,omitempty" doc:"Of a state set aside that has no name."`
}

// VersionState is one version with its document and analysis.
type VersionState struct {
	VersionNote
	Document format.Document `json:"document"`
	Analysis *desk.Analysis  `json:"analysis,omitempty" doc:"Absent if its bead line has errors."`
}

func noteOf(v store.Version) VersionNote {
	return VersionNote{Number: v.Number, Reason: string(v.Reason), Label: v.Label, CreatedAt: v.CreatedAt}
}

// VersionID is the version an address names.
type VersionID struct {
	PieceID
	Number int `path:"number"`
}

type makeVersionInput struct {
	PieceID
	Body struct {
		Reason string `json:"reason" enum:"named,printed,exported"`
		Label  string `json:"label,omitempty"`
	}
}

type nameVersionInput struct {
	VersionID
	Body struct {
		Label string `json:"label"`
	}
}

// mostLabel is how many bytes the name of a version may have.
const mostLabel = 200

var errLabel = format.Faults{{Where: "label", Says: "Give the version a name of up to 200 characters."}}

func (s *server) registerVersions(api huma.API) {
	call(api, huma.Operation{OperationID: "listVersions", Method: http.MethodGet, Path: "/api/pieces/{id}/versions", Summary: "A piece's versions, the newest first"},
		func(ctx context.Context, in *PieceID) (*answer[[]VersionNote], error) {
			rows, err := s.store.Versions(ctx, in.ID)
			if err != nil {
				return nil, err
			}
			keep, err := s.store.Keeping(ctx)
			notes := make([]VersionNote, len(rows))
			for i := range rows {
				notes[i] = noteOf(rows[i])
				if i > 0 && rows[i].Reason == store.Conflict && rows[i].Label == "" {
					until := rows[i].CreatedAt.AddDate(0, 0, keep.AsideDays)
					notes[i].KeptUntil = &until
				}
			}
			return &answer[[]VersionNote]{notes}, err
		})
	call(api, huma.Operation{OperationID: "makeVersion", Method: http.MethodPost, Path: "/api/pieces/{id}/versions", Summary: "Save the draft as a version"}, s.makeVersion)
	call(api, huma.Operation{OperationID: "getVersion", Method: http.MethodGet, Path: "/api/pieces/{id}/versions/{number}", Summary: "One version with its analysis"},
		func(ctx context.Context, in *struct {
			VersionID
			UnitParam
		}) (*answer[VersionState], error) {
			v, err := s.store.Version(ctx, in.ID, in.Number)
			if err != nil {
				return nil, err
			}
			out := VersionState{VersionNote: noteOf(v), Document: v.Document}
			opt := s.options(ctx, in.Unit)
			opt.Drawing, opt.House = true, v.House
			leave, err := s.turns.forPiece(ctx, &v.Document)
			if err != nil {
				return nil, err
			}
			defer leave()
			out.Analysis, _ = desk.Analyse(ctx, &v.Document, opt)
			return &answer[VersionState]{out}, nil
		})
	call(api, huma.Operation{OperationID: "restoreVersion", Method: http.MethodPost, Path: "/api/pieces/{id}/versions/{number}/restore", Summary: "Restore a version"},
		func(ctx context.Context, in *VersionID) (*pieceAnswer, error) {
			p, err := s.store.RestoreVersion(ctx, in.ID, in.Number, func(doc format.Document) (store.Figures, error) { return s.figures(ctx, &doc) })
			return &pieceAnswer{stateOf(p, nil)}, err
		})
	call(api, huma.Operation{OperationID: "nameVersion", Method: http.MethodPut, Path: "/api/pieces/{id}/versions/{number}/label", Summary: "Name a version"},
		func(ctx context.Context, in *nameVersionInput) (*answer[VersionNote], error) {
			if len(in.Body.Label) > mostLabel {
				return nil, errLabel
			}
			v, err := s.store.NameVersion(ctx, in.ID, in.Number, in.Body.Label)
			return &answer[VersionNote]{noteOf(v)}, err
		})
	call(api, huma.Operation{OperationID: "versionFile", Method: http.MethodGet, Path: "/api/pieces/{id}/versions/{number}/file", Summary: "A version as a piece file"}, s.versionFile)
}

func (s *server) makeVersion(ctx context.Context, in *makeVersionInput) (*answer[VersionNote], error) {
	reasons := map[string]store.Reason{"named": store.Named, "printed": store.Printed, "exported": store.Exported}
	reason, ok := reasons[in.Body.Reason]
	if !ok {
		return nil, format.Faults{{Where: "reason", Says: "A version is named, printed or exported."}}
	}
	if len(in.Body.Label) > mostLabel || reason == store.Named && strings.TrimSpace(in.Body.Label) == "" {
		return nil, errLabel
	}
	v, err := s.store.MakeVersion(ctx, in.ID, reason, in.Body.Label)
	return &answer[VersionNote]{noteOf(v)}, err
}

// file is a piece file to keep.
type file struct {
	ContentType        string `header:"Content-Type"`
	ContentDisposition string `header:"Content-Disposition"`
	Body               []byte
}

func (s *server) versionFile(ctx context.Context, in *VersionID) (*file, error) {
	v, err := s.store.Version(ctx, in.ID, in.Number)
	if err != nil {
		return nil, err
	}
	// The file stands by itself: it carries the house method it was made by.
	doc := v.Document.Tidied()
	doc.House = doc.House.Merge(v.House).Merge(format.DefaultHouse())
	data, err := s.withPhotos(ctx, doc, &doc.Photos, store.Pictured{Kind: store.OfPiece, ID: in.ID}, doc.Used())
	if err != nil {
		return nil, err
	}
	name := fmt.Sprintf("%s, version %d.json", v.Document.Name, v.Number)
	return &file{"application/json", mime.FormatMediaType("attachment", map[string]string{"filename": name}), data}, nil
}
