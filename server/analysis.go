package server

import (
	"context"
	"errors"
	"fmt"
	"maps"
	"net/http"
	"slices"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/core/edit"
	"mala/core/length"
	"mala/desk"
	"mala/desk/sizing"
	"mala/format"
)

// UnitParam is how lengths are written in sentences, and what a bare number means.
type UnitParam struct {
	Unit string `query:"unit" enum:"mm,cm,in" default:"mm"`
}

type analyseInput struct {
	UnitParam
	Brief bool `query:"brief" doc:"Give the beads of a strand in few words."`
	Body  format.Document
}

type editInput struct {
	UnitParam
	Brief bool `query:"brief" doc:"Give the beads of a strand in few words."`
	Body  struct {
		Document   format.Document  `json:"document"`
		Operations []desk.Operation `json:"operations"`
	}
}

// EditedPiece is a piece after operations: the document, what to select, and its
// analysis, or what keeps it from being analysed.
type EditedPiece struct {
	Edited   desk.Edited    `json:"edited"`
	Analysis *desk.Analysis `json:"analysis,omitempty"`
	Faults   []ProblemFault `json:"faults,omitempty" doc:"What is wrong with its bead lines."`
}

// Fixes are the fixes of a piece's checks, in the order of the checks.
type Fixes struct {
	Fixes []*desk.Fix `json:"fixes"`
	Whole bool        `json:"whole" doc:"All were searched for; else the time was up."`
}

// TypedLength is a length as typed.
type TypedLength struct {
	Text   string `json:"text"`
	Unit   string `json:"unit" enum:"mm,cm,in" doc:"What a bare number means."`
	Signed bool   `json:"signed,omitempty" doc:"It may be negative, as an ease may."`
}

// ReadLength is what it comes to.
type ReadLength struct {
	Mm length.MM `json:"mm"`
}

// The limits of what one call may ask: how many operations it carries out, and how
// long fixes are searched for, those of all checks together.
const (
	mostOperations = 100
	fixTime        = time.Second
	fixAllTime     = 5 * time.Second
)

func (s *server) registerAnalysis(api huma.API) {
	call(api, huma.Operation{OperationID: "analyse", Method: http.MethodPost, Path: "/api/analyse", Summary: "Everything that follows from a piece"},
		func(ctx context.Context, in *analyseInput) (*answer[*desk.Analysis], error) {
			a, err := s.analyse(ctx, &in.Body, in.Unit, in.Brief)
			return &answer[*desk.Analysis]{a}, err
		})
	call(api, huma.Operation{OperationID: "edit", Method: http.MethodPost, Path: "/api/edit", Summary: "Carry operations out on a piece, and analyse it"}, s.edit)
	call(api, huma.Operation{OperationID: "picture", Method: http.MethodPost, Path: "/api/picture", Summary: "Where everything of a piece lies in its pictures"},
		func(ctx context.Context, in *analyseInput) (*answer[*desk.Picture], error) {
			leave, err := s.turns.forPiece(ctx, &in.Body)
			if err != nil {
				return nil, err
			}
			defer leave()
			p, err := desk.PictureOf(&in.Body, s.options(ctx, in.Unit).House)
			return &answer[*desk.Picture]{p}, err
		})
	searched(s, api, huma.Operation{OperationID: "together", Method: http.MethodPost, Path: "/api/together", Summary: "Ways to size the rows of a piece together"}, sizing.SizeTogether)
	searched(s, api, huma.Operation{OperationID: "solve", Method: http.MethodPost, Path: "/api/solve", Summary: "The few best ways to bring a piece to a length or to its wearer"}, sizing.Solve)
	searched(s, api, huma.Operation{OperationID: "sizes", Method: http.MethodPost, Path: "/api/sizes", Summary: "A piece in several sizes"}, sizing.RunSizes)
	call(api, huma.Operation{OperationID: "audit", Method: http.MethodPost, Path: "/api/audit", Summary: "The written pattern of a piece held against it"}, s.audit)
	call(api, huma.Operation{OperationID: "fixes", Method: http.MethodPost, Path: "/api/fixes", Summary: "The fix of every check of a piece"}, s.fixes)
	call(api, huma.Operation{OperationID: "fixAll", Method: http.MethodPost, Path: "/api/fix-all", Summary: "The fixes of all stops and warnings of a piece, one after the other"}, s.fixAll)
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

func (s *server) edit(ctx context.Context, in *editInput) (*answer[EditedPiece], error) {
	if len(in.Body.Operations) > mostOperations {
		return nil, format.Faults{{Where: "operations", Says: fmt.Sprintf("At most %d operations at once.", mostOperations)}}
	}
	leave, err := s.turns.forPiece(ctx, &in.Body.Document)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := s.options(ctx, in.Unit)
	if fetches(in.Body.Operations) {
		whole, err := s.shelf.whole(ctx, nil, fetched(in.Body.Operations))
		if err != nil {
			return nil, err
		}
		opt.Shelf = whole.shelf
	}
	edited, err := desk.Apply(&in.Body.Document, in.Body.Operations, opt)
	if err != nil {
		return nil, err
	}
	out := EditedPiece{Edited: edited}
	var faults format.Faults
	opt.Drawing, opt.Brief, opt.Stock = true, in.Brief, s.onHand.at(ctx, &edited.Document)
	switch out.Analysis, err = edited.Analyse(ctx, opt); {
	case errors.As(err, &faults):
		out.Faults = problemFaults(faults)
	case err != nil:
		return nil, err
	}
	return &answer[EditedPiece]{out}, nil
}

// fetches says whether an operation may need any material of the catalogue.
func fetches(ops []desk.Operation) bool {
	return slices.ContainsFunc(ops, func(o desk.Operation) bool {
		return o.Material != "" || o.Colourways != nil || o.Do == string((edit.SetClosure{}).Do())
	})
}

// fetched are the ids that operations name.
func fetched(ops []desk.Operation) []string {
	var ids []string
	for _, o := range ops {
		if o.Material != "" {
			ids = append(ids, o.Material)
		}
		for _, c := range o.Colourways {
			ids = slices.AppendSeq(ids, maps.Values(c.Swaps))
		}
	}
	return ids
}

func (s *server) audit(ctx context.Context, in *struct{ Body format.Document }) (*answer[*desk.Audit], error) {
	leave, err := s.turns.forPiece(ctx, &in.Body)
	if err != nil {
		return nil, err
	}
	defer leave()
	w := in.Body.Written
	if w == nil {
		w = &format.Written{}
	}
	out, err := desk.AuditText(&in.Body, w.Text, w.Names, s.options(ctx, "mm").House)
	return &answer[*desk.Audit]{out}, err
}

func (s *server) fixes(ctx context.Context, in *analyseInput) (*answer[Fixes], error) {
	leave, err := s.turns.forSearch(ctx)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := s.options(ctx, in.Unit)
	opt.Stock = s.onHand.at(ctx, &in.Body)
	ctx, cancel := context.WithTimeout(ctx, fixTime)
	defer cancel()
	fixes, err := desk.Fixes(ctx, &in.Body, opt)
	if err != nil && !errors.Is(err, context.DeadlineExceeded) {
		return nil, err
	}
	return &answer[Fixes]{Fixes{fixes, err == nil}}, nil
}

func (s *server) fixAll(ctx context.Context, in *analyseInput) (*answer[*desk.AllFixes], error) {
	leave, err := s.turns.forSearch(ctx)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := s.options(ctx, in.Unit)
	opt.Stock = s.onHand.at(ctx, &in.Body)
	ctx, cancel := context.WithTimeout(ctx, fixAllTime)
	defer cancel()
	all, err := desk.FixAll(ctx, &in.Body, opt)
	return &answer[*desk.AllFixes]{all}, err
}

// searched registers a call that searches with all of the catalogue and its stock at hand, for as
// long as a fix is searched for, and answers with what was found by then.
func searched[B, O any, P interface {
	*B
	Of() *format.Document
}](s *server, api huma.API, op huma.Operation, search func(ctx context.Context, in P, opt desk.Options) (O, error)) {
	call(api, op, func(ctx context.Context, in *struct {
		UnitParam
		Body B
	}) (*answer[O], error) {
		opt, err := s.stocked(ctx, in.Unit, P(&in.Body).Of())
		if err != nil {
			return nil, err
		}
		leave, err := s.turns.forSearch(ctx)
		if err != nil {
			return nil, err
		}
		defer leave()
		ctx, cancel := context.WithTimeout(ctx, fixTime)
		defer cancel()
		out, err := search(ctx, P(&in.Body), opt)
		return &answer[O]{out}, inTime(err)
	})
}

// inTime gives what was found where the time was up.
func inTime(err error) error {
	if errors.Is(err, context.DeadlineExceeded) {
		return nil
	}
	return err
}

// stocked are the options with all that the catalogue offers a piece, and what there is of it.
func (s *server) stocked(ctx context.Context, unit string, doc *format.Document) (desk.Options, error) {
	opt := s.options(ctx, unit)
	var ids []string
	for _, m := range doc.Materials {
		ids = append(ids, m.ID)
	}
	whole, err := s.shelf.whole(ctx, doc.Materials, ids)
	if err == nil {
		opt.Shelf, opt.Stock = whole.shelf, whole.stock
	}
	return opt, err
}

func (s *server) analyse(ctx context.Context, doc *format.Document, unit string, brief bool) (*desk.Analysis, error) {
	leave, err := s.turns.forPiece(ctx, doc)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := s.options(ctx, unit)
	opt.Stock = s.onHand.at(ctx, doc)
	return drawn(ctx, doc, opt, brief)
}

func drawn(ctx context.Context, doc *format.Document, opt desk.Options, brief bool) (*desk.Analysis, error) {
	opt.Drawing, opt.Brief = true, brief
	return desk.Analyse(ctx, doc, opt)
}

// options are how the shop has its pieces worked out.
func (s *server) options(ctx context.Context, unit string) desk.Options {
	shelf, shop := s.shelf.at(ctx)
	return desk.Options{Unit: length.Unit(unit), Shelf: shelf, House: shop.House}
}
