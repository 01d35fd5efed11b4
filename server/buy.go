package server

import (
	"context"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/desk"
	"mala/format"
)

type buyInput struct {
	Body struct {
		Document  format.Document `json:"document"`
		Copies    int             `json:"copies" doc:"How many of the piece."`
		FromStock bool            `json:"fromStock,omitempty" doc:"Use what is in stock first."`
	}
}

func (s *server) registerBuy(api huma.API) {
	call(api, huma.Operation{OperationID: "buy", Method: http.MethodPost, Path: "/api/buy", Summary: "What to buy for so many of a piece, and what it costs"}, s.buy)
}

func (s *server) buy(ctx context.Context, in *buyInput) (*answer[*desk.Buying], error) {
	leave, err := s.turns.forPiece(ctx, &in.Body.Document)
	if err != nil {
		return nil, err
	}
	defer leave()
	var ids []string
	for _, m := range in.Body.Document.Materials {
		ids = append(ids, m.ID)
	}
	rows, err := s.store.Supplies(ctx, ids)
	if err != nil {
		return nil, err
	}
	from := desk.Supplies{Stock: map[string]int{}, Day: time.Now()}
	for _, row := range rows {
		from.Materials = append(from.Materials, row.Document)
		from.Stock[row.ID] = row.OnHand
	}
	out, err := desk.Buy(&in.Body.Document, in.Body.Copies, in.Body.FromStock, from, s.options(ctx, "mm").House)
	return &answer[*desk.Buying]{out}, err
}
