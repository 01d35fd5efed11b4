package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"mala/core/edit"
	"mala/core/length"
	"mala/format"
)

// UnitParam is how lengths are told in sentences, and what a bare number means.
type UnitParam struct {
	Unit string `query:"unit" enum:"mm,cm,in" default:"mm"`
}

type analyseInput struct {
	UnitParam
	Round bool `query:"round" doc:"With the loop as it lies round a body."`
	Body  format.Document
}

type editInput struct {
	UnitParam
	Body struct {
		Document format.Document `json:"document"`
		Edit     format.Edit     `json:"edit"`
	}
}

// EditedPiece is the line after an edit, with the analysis of the piece.
type EditedPiece struct {
	Edited   format.Edited    `json:"edited"`
	Analysis *format.Analysis `json:"analysis,omitempty"`
}

// TypedLength is a length as typed.
type TypedLength struct {
	Text   string `json:"text"`
	Unit   string `json:"unit" enum:"mm,cm,in" doc:"What a bare number means."`
	Signed bool   `json:"signed,omitempty" doc:"It may be less than nothing, as an ease may."`
}

// ReadLength is what it comes to.
type ReadLength struct {
	Mm length.MM `json:"mm"`
}

func (s *server) registerAnalysis(api huma.API) {
	call(api, huma.Operation{OperationID: "analyse", Method: http.MethodPost, Path: "/api/analyse", Summary: "Everything that follows from a piece"},
		func(ctx context.Context, in *analyseInput) (*answer[*format.Analysis], error) {
			opt := s.options(ctx, in.Unit)
			opt.Drawing, opt.Round = true, in.Round
			a, err := format.Analyse(&in.Body, opt)
			return &answer[*format.Analysis]{a}, err
		})
	call(api, huma.Operation{OperationID: "edit", Method: http.MethodPost, Path: "/api/edit", Summary: "Edit a bead line at a place of the laid-out strand"},
		func(ctx context.Context, in *editInput) (*answer[EditedPiece], error) {
			doc := in.Body.Document
			edited, err := format.ApplyEdit(&doc, in.Body.Edit, s.options(ctx, in.Unit).House)
			if err != nil {
				return nil, err
			}
			out := EditedPiece{Edited: edited}
			if edited.Line != doc.Sections[0].Rows[0].Line && in.Body.Edit.Do != string(edit.Letter) {
				doc.Sections[0].Rows[0].Line = edited.Line
				if out.Analysis, err = s.analyse(ctx, &doc, in.Unit); err != nil {
					return nil, err
				}
			}
			return &answer[EditedPiece]{out}, nil
		})
	call(api, huma.Operation{OperationID: "length", Method: http.MethodPost, Path: "/api/length", Summary: "Read a length as people type it"},
		func(_ context.Context, in *struct{ Body TypedLength }) (*answer[ReadLength], error) {
			read := length.Parse
			if in.Body.Signed {
				read = length.ParseSigned
			}
			mm, err := read(in.Body.Text, length.Unit(in.Body.Unit))
			if err != nil {
				return nil, format.Faults{{Where: "text", Says: err.Error()}}
			}
			return &answer[ReadLength]{ReadLength{mm}}, nil
		})
}

func (s *server) analyse(ctx context.Context, doc *format.Document, unit string) (*format.Analysis, error) {
	opt := s.options(ctx, unit)
	opt.Drawing = true
	return format.Analyse(doc, opt)
}

// options are how the shop has its pieces worked out.
func (s *server) options(ctx context.Context, unit string) format.Options {
	shelf, house := s.shelf.at(ctx)
	return format.Options{Unit: length.Unit(unit), Shelf: shelf, House: house}
}
