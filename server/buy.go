package server

import (
	"context"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/desk/buying"
	"mala/desk/kits"
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
	call(api, huma.Operation{OperationID: "buy", Method: http.MethodPost, Path: "/api/buy", Summary: "What to buy for a number of a piece, and what it costs"}, s.buy)
	call(api, huma.Operation{OperationID: "matrix", Method: http.MethodPost, Path: "/api/matrix", Summary: "A piece in all its sizes and colourways"}, s.matrix)
}

func (s *server) matrix(ctx context.Context, in *struct {
	UnitParam
	Body format.Document
}) (*answer[*kits.Matrix], error) {
	leave, err := s.turns.forSearch(ctx)
	if err != nil {
		return nil, err
	}
	defer leave()
	from, err := s.supplies(ctx, &in.Body)
	if err != nil {
		return nil, err
	}
	out, err := kits.MatrixOf(ctx, &in.Body, from, s.options(ctx, in.Unit))
	return &answer[*kits.Matrix]{out}, err
}

// supplies reads what the document's materials are bought in, and what there is of them.
func (s *server) supplies(ctx context.Context, doc *format.Document) (buying.Supplies, error) {
	from := buying.Supplies{Stock: map[string]int{}, Day: time.Now()}
	var ids []string
	for _, m := range doc.Materials {
		ids = append(ids, m.ID)
	}
	rows, err := s.store.Supplies(ctx, ids)
	for _, row := range rows {
		from.Materials = append(from.Materials, row.Document)
		from.Stock[row.ID] = row.OnHand
	}
	return from, err
}

func (s *server) buy(ctx context.Context, in *buyInput) (*answer[*buying.Buying], error) {
	leave, err := s.turns.forPiece(ctx, &in.Body.Document)
	if err != nil {
		return nil, err
	}
	defer leave()
	from, err := s.supplies(ctx, &in.Body.Document)
	if err != nil {
		return nil, err
	}
	out, err := buying.Buy(&in.Body.Document, in.Body.Copies, in.Body.FromStock, from, s.options(ctx, "mm").House)
	return &answer[*buying.Buying]{out}, err
}
