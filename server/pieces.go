package server

import (
	"context"
	"fmt"
	"net/http"
	"slices"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/core/length"
	"mala/desk"
	"mala/desk/kits"
	"mala/format"
	"mala/store"
)

// PieceCard is a piece as lists show it.
type PieceCard struct {
	ID         string    `json:"id"`
	Revision   int64     `json:"revision"`
	Name       string    `json:"name"`
	Kind       string    `json:"kind"`
	Tags       []string  `json:"tags"`
	FinishedMm *float64  `json:"finishedMm,omitempty"`
	Beads      int       `json:"beads"`
	Worst      string    `json:"worst" enum:",advise,warn,stop,line" doc:"Severity of its worst problem; line if its bead line has errors."`
	Problems   int       `json:"problems" doc:"How many it has that are not ignored."`
	UpdatedAt  time.Time `json:"updatedAt"`
}

// PieceState is a piece with its draft and the revision that a save states.
type PieceState struct {
	ID        string          `json:"id"`
	Revision  int64           `json:"revision"`
	UpdatedAt time.Time       `json:"updatedAt"`
	Document  format.Document `json:"document"`
	Drift     *kits.Drift     `json:"drift,omitempty" doc:"What the catalogue has changed since."`
}

func stateOf(p store.Piece, drift *kits.Drift) PieceState {
	return PieceState{ID: p.ID, Revision: p.Revision, UpdatedAt: p.UpdatedAt, Document: p.Document, Drift: drift}
}

// PieceID is the piece an address names.
type PieceID struct {
	ID string `path:"id"`
}

// NewPiece is the three answers a piece starts from.
type NewPiece struct {
	Name     string       `json:"name"`
	Kind     string       `json:"kind" enum:"necklace,bracelet,anklet,ornament"`
	Closure  string       `json:"closure" enum:"clasp,knot,none,tied,bar,hung"`
	TargetMm length.MM    `json:"targetMm,omitempty" doc:"Left open if absent, unless a wearer is given."`
	Body     *format.Body `json:"body,omitempty" doc:"Whom it is for: with a measure and no target it is brought to what suits."`
	Bead     string       `json:"bead,omitempty" maxLength:"80" doc:"The bead that it opens with; the one that goes best if absent."`
	Pattern  string       `json:"pattern,omitempty" enum:"plain,spaced,turn,accents,focal,pendant" doc:"How beads follow one another: one throughout if absent."`
	Rows     int          `json:"rows,omitempty" minimum:"0" maximum:"20" doc:"One if absent."`
	Join     string       `json:"join,omitempty" enum:"ring,rings,holes" doc:"What several rows go on: one ring, each a ring of its own, each a hole of the clasp."`
}

type saveDraftInput struct {
	PieceID
	Body struct {
		Base     int64           `json:"base" doc:"The revision the draft was made from."`
		Document format.Document `json:"document"`
	}
}

type pieceAnswer = answer[PieceState]

func (s *server) registerPieces(api huma.API) {
	call(api, huma.Operation{OperationID: "listPieces", Method: http.MethodGet, Path: "/api/pieces", Summary: "The pieces, latest change first"}, s.listPieces)
	call(api, huma.Operation{OperationID: "thumbnail", Method: http.MethodGet, Path: "/api/pieces/{id}/thumbnail", Summary: "What a piece's picture in a list is painted from"}, s.thumbnail)
	call(api, huma.Operation{OperationID: "startPiece", Method: http.MethodPost, Path: "/api/pieces/new", Summary: "Start a piece from what a person knows"}, s.startPiece)
	call(api, huma.Operation{OperationID: "previewPiece", Method: http.MethodPost, Path: "/api/pieces/preview", Summary: "What a piece would be that is started so; nothing is saved"}, s.previewPiece)
	call(api, huma.Operation{OperationID: "importPiece", Method: http.MethodPost, Path: "/api/pieces", Summary: "Import a piece file as a new piece"},
		func(ctx context.Context, in *struct{ Body format.Document }) (*pieceAnswer, error) {
			// What a file brings along of the house's own way follows the house here.
			doc := in.Body
			doc.House = doc.House.Diff(s.options(ctx, "").House.Merge(format.DefaultHouse()))
			return s.importPiece(ctx, doc)
		})
	call(api, huma.Operation{OperationID: "getPiece", Method: http.MethodGet, Path: "/api/pieces/{id}", Summary: "One piece with its draft"}, s.getPiece)
	call(api, huma.Operation{OperationID: "saveDraft", Method: http.MethodPut, Path: "/api/pieces/{id}", Summary: "Save a draft"},
		func(ctx context.Context, in *saveDraftInput) (*pieceAnswer, error) {
			in.Body.Document.Photos = nil
			if err := readable(&in.Body.Document); err != nil {
				return nil, err
			}
			figures, err := s.figures(ctx, &in.Body.Document)
			if err != nil {
				return nil, err
			}
			p, err := s.store.SaveDraft(ctx, in.ID, in.Body.Base, in.Body.Document, figures)
			return &pieceAnswer{stateOf(p, nil)}, err
		})
	call(api, huma.Operation{OperationID: "deletePiece", Method: http.MethodDelete, Path: "/api/pieces/{id}", Summary: "Delete a piece"},
		func(ctx context.Context, in *PieceID) (*struct{}, error) {
			return nil, s.store.DeletePiece(ctx, in.ID)
		})
	call(api, huma.Operation{OperationID: "undeletePiece", Method: http.MethodPost, Path: "/api/pieces/{id}/undelete", Summary: "Restore a deleted piece"},
		func(ctx context.Context, in *PieceID) (*pieceAnswer, error) {
			p, err := s.store.RestorePiece(ctx, in.ID)
			return &pieceAnswer{stateOf(p, nil)}, err
		})
	call(api, huma.Operation{OperationID: "duplicatePiece", Method: http.MethodPost, Path: "/api/pieces/{id}/duplicate", Summary: "Start a piece from a copy"},
		func(ctx context.Context, in *PieceID) (*pieceAnswer, error) {
			p, err := s.store.Piece(ctx, in.ID)
			if err != nil {
				return nil, err
			}
			p.Document.Name = copyName(p.Document.Name)
			p.Document.Stack = "" // a copy is another way of it, not worn beside it
			return s.create(ctx, p.Document)
		})
	call(api, huma.Operation{OperationID: "pieceAnalysis", Method: http.MethodGet, Path: "/api/pieces/{id}/analysis", Summary: "The analysis of a piece's draft"},
		func(ctx context.Context, in *struct {
			PieceID
			UnitParam
		}) (*answer[*desk.Analysis], error) {
			p, err := s.store.Piece(ctx, in.ID)
			if err != nil {
				return nil, err
			}
			a, err := s.analyse(ctx, &p.Document, in.Unit, false)
			return &answer[*desk.Analysis]{a}, err
		})
}

// PieceList is part of the list of pieces, and how many there are in all that fit what was asked for.
type PieceList struct {
	Pieces []PieceCard `json:"pieces"`
	Total  int         `json:"total"`
}

func (s *server) listPieces(ctx context.Context, in *struct {
	Search string `query:"search" maxLength:"200"`
	Limit  int    `query:"limit" default:"60" minimum:"1" maximum:"200"`
	Offset int    `query:"offset" minimum:"0"`
}) (*answer[PieceList], error) {
	rows, total, err := s.store.Pieces(ctx, in.Search, in.Limit, in.Offset)
	out := PieceList{make([]PieceCard, len(rows)), total}
	stock := s.onHand.of(ctx, takenBy(rows))
	for i, p := range rows {
		card := desk.Card{Worst: p.Worst, Problems: p.Problems, Takes: p.Takes}
		worst, problems := card.InStock(stock)
		out.Pieces[i] = PieceCard{p.ID, p.Revision, p.Name, p.Kind, p.Tags, p.FinishedMM, p.Beads, worst, problems, p.UpdatedAt}
	}
	return &answer[PieceList]{out}, err
}

// takenBy lists the materials that pieces take.
func takenBy(rows []store.Piece) []string {
	var out []string
	for i := range rows {
		for k := range rows[i].Takes {
			out = append(out, rows[i].Takes[k].IDs()...)
		}
	}
	slices.Sort(out)
	return slices.Compact(out)
}

func (s *server) startPiece(ctx context.Context, in *struct{ Body NewPiece }) (*pieceAnswer, error) {
	doc, err := s.started(ctx, in.Body)
	if err != nil {
		return nil, err
	}
	return s.create(ctx, doc)
}

// previewPiece is what startPiece would make, to be looked at.
func (s *server) previewPiece(ctx context.Context, in *struct{ Body NewPiece }) (*answer[*Thumbnail], error) {
	doc, err := s.started(ctx, in.Body)
	if err != nil {
		return nil, err
	}
	shown, err := s.shown(ctx, &doc)
	return &answer[*Thumbnail]{shown}, err
}

func (s *server) started(ctx context.Context, b NewPiece) (format.Document, error) {
	whole, err := s.shelf.whole(ctx, nil, nil)
	if err != nil {
		return format.Document{}, err
	}
	return desk.Starter(ctx, desk.Answers{Name: b.Name, Kind: b.Kind, Closure: b.Closure, Target: b.TargetMm, Body: b.Body, Rows: b.Rows, Join: b.Join, Bead: b.Bead, Pattern: b.Pattern}, whole.shelf, s.options(ctx, "").House)
}

// readable refuses a document of another format or a newer version of it, and one that is
// not well formed.
func readable(doc *format.Document) error {
	if doc.Format != format.PieceFormat {
		if err := format.CheckFormat(doc.Format); err != nil {
			return err
		}
	}
	return doc.Check()
}

func (s *server) create(ctx context.Context, doc format.Document) (*pieceAnswer, error) {
	if err := readable(&doc); err != nil {
		return nil, err
	}
	figures, err := s.figures(ctx, &doc)
	if err != nil {
		return nil, err
	}
	p, err := s.store.CreatePiece(ctx, doc, figures)
	return &pieceAnswer{stateOf(p, nil)}, err
}

func (s *server) getPiece(ctx context.Context, in *PieceID) (*pieceAnswer, error) {
	p, err := s.store.Piece(ctx, in.ID)
	if err != nil {
		return nil, err
	}
	rows, _, err := s.store.Materials(ctx, store.Filter{IDs: p.Document.Used()})
	if err != nil {
		return nil, err
	}
	parts, err := withParts(ctx, s.store, documents(rows))
	if err != nil {
		return nil, err
	}
	return &pieceAnswer{stateOf(p, kits.DriftOf(ctx, &p.Document, catalogue(rows), parts, s.options(ctx, "").House))}, nil
}

// figures are what lists show of a piece. The error is the context's.
func (s *server) figures(ctx context.Context, doc *format.Document) (store.Figures, error) {
	leave, err := s.turns.forPiece(ctx, doc)
	if err != nil {
		return store.Figures{}, err
	}
	defer leave()
	_, shop := s.shelf.at(ctx)
	return Figures(doc, shop), nil
}

// copyName names a copy, keeping within the length of a name.
func copyName(name string) string {
	r := []rune(name)
	return fmt.Sprintf("%s, copy", string(r[:min(len(r), 110)]))
}
