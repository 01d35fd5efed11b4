package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"mala/desk"
)

// registerStarts are the calls behind the ways to start a piece.
func (s *server) registerStarts(api huma.API) {
	call(api, huma.Operation{OperationID: "inHand", Method: http.MethodPost, Path: "/api/in-hand", Summary: "What a piece can become of the beads and cord in hand"},
		func(ctx context.Context, in *struct {
			UnitParam
			Body desk.InHand
		}) (*answer[*desk.MadeInHand], error) {
			ctx, cancel := context.WithTimeout(ctx, fixTime)
			defer cancel()
			out, err := desk.MakeOf(ctx, &in.Body, s.options(ctx, in.Unit))
			return &answer[*desk.MadeInHand]{out}, err
		})
	call(api, huma.Operation{OperationID: "afterMade", Method: http.MethodPost, Path: "/api/after-made", Summary: "What follows for a piece from one that is already made"},
		func(ctx context.Context, in *struct {
			UnitParam
			Body desk.FromMade
		}) (*answer[*desk.MadeBefore], error) {
			if in.Body.Piece == "" {
				out, err := desk.Tried(&in.Body, s.options(ctx, in.Unit))
				return &answer[*desk.MadeBefore]{out}, err
			}
			made, err := s.store.Piece(ctx, in.Body.Piece)
			if err != nil {
				return nil, err
			}
			out, err := desk.After(&in.Body, &made.Document, s.options(ctx, in.Unit))
			return &answer[*desk.MadeBefore]{out}, err
		})
}
