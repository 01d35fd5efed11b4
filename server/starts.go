package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"mala/desk"
	"mala/desk/sizing"
)

// registerStarts are the calls behind the ways to start a piece, to string it in sizes, and to wear
// it with others.
func (s *server) registerStarts(api huma.API) {
	searched(s, api, huma.Operation{OperationID: "inHand", Method: http.MethodPost, Path: "/api/in-hand", Summary: "What a piece can become of the beads and cord in hand"}, sizing.MakeOf)
	searched(s, api, huma.Operation{OperationID: "graduate", Method: http.MethodPost, Path: "/api/graduate", Summary: "How many of each size make a graduated strand"}, sizing.Graduate)
	searched(s, api, huma.Operation{OperationID: "convert", Method: http.MethodPost, Path: "/api/convert", Summary: "How a piece becomes another kind or closes another way, keeping its pattern"}, sizing.Convert)
	searched(s, api, huma.Operation{OperationID: "stack", Method: http.MethodPost, Path: "/api/stacks", Summary: "How the pieces of a stack are brought to one length"},
		func(ctx context.Context, in *sizing.StackWanted, opt desk.Options) (*sizing.Stack, error) {
			others, err := s.stackedWith(ctx, in)
			if err != nil {
				return nil, err
			}
			return sizing.BringTogether(ctx, in, others, opt)
		})
	call(api, huma.Operation{OperationID: "stacks", Method: http.MethodGet, Path: "/api/stacks", Summary: "The names of the stacks: pieces that are worn together"},
		func(ctx context.Context, _ *struct{}) (*answer[[]string], error) {
			names, err := s.store.Stacks(ctx)
			return &answer[[]string]{names}, err
		})
	call(api, huma.Operation{OperationID: "afterMade", Method: http.MethodPost, Path: "/api/after-made", Summary: "What follows for a piece from one that is already made"}, s.afterMade)
}

func (s *server) afterMade(ctx context.Context, in *struct {
	UnitParam
	Body sizing.FromMade
}) (*answer[*sizing.MadeBefore], error) {
	if in.Body.Piece == "" {
		out, err := sizing.Tried(&in.Body, s.options(ctx, in.Unit))
		return &answer[*sizing.MadeBefore]{out}, err
	}
	made, err := s.store.Piece(ctx, in.Body.Piece)
	if err != nil {
		return nil, err
	}
	out, err := sizing.After(&in.Body, &made.Document, s.options(ctx, in.Unit))
	return &answer[*sizing.MadeBefore]{out}, err
}

// stackedWith are the other pieces of the stack that a piece belongs to.
func (s *server) stackedWith(ctx context.Context, in *sizing.StackWanted) ([]sizing.Stacked, error) {
	if in.Document.Stack == "" {
		return nil, nil
	}
	rows, err := s.store.Stack(ctx, in.Document.Stack, sizing.MostStacked+1)
	var out []sizing.Stacked
	for _, p := range rows {
		if p.ID != in.ID {
			out = append(out, sizing.Stacked{ID: p.ID, Revision: p.Revision, Document: p.Document})
		}
	}
	return out, err
}
