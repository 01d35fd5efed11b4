package server

import (
	"context"
	"net/http"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/desk/kits"
	"mala/format"
)

// SellingState is how the shop packs and prices, and the revision that a save states.
type SellingState struct {
	Revision int64          `json:"revision"`
	Selling  format.Selling `json:"selling"`
}

type kitMatrixInput struct {
	UnitParam
	Body struct {
		Kit    format.Kit `json:"kit"`
		Copies int        `json:"copies" doc:"How many are packed at a time: packs cost less by the dozen."`
	}
}

type kitBillInput struct {
	UnitParam
	Body struct {
		Kit    format.Kit  `json:"kit"`
		Cell   kits.CellOf `json:"cell"`
		Copies int         `json:"copies"`
	}
}

func (s *server) registerSelling(api huma.API) {
	call(api, huma.Operation{OperationID: "getSelling", Method: http.MethodGet, Path: "/api/selling", Summary: "How the shop packs and prices"},
		func(ctx context.Context, _ *struct{}) (*answer[SellingState], error) {
			got, err := s.store.Selling(ctx)
			if err != nil {
				return nil, err
			}
			return &answer[SellingState]{SellingState{got.Revision, *got.Document}}, nil
		})
	call(api, huma.Operation{OperationID: "saveSelling", Method: http.MethodPut, Path: "/api/selling", Summary: "Save how the shop packs and prices"},
		func(ctx context.Context, in *struct {
			Body struct {
				Base    int64          `json:"base" doc:"The revision it was made from."`
				Selling format.Selling `json:"selling"`
			}
		}) (*answer[SellingState], error) {
			if err := in.Body.Selling.Check(); err != nil {
				return nil, err
			}
			got, err := s.store.SaveSelling(ctx, in.Body.Base, in.Body.Selling)
			if err != nil {
				return nil, err
			}
			return &answer[SellingState]{SellingState{got.Revision, *got.Document}}, nil
		})
	call(api, huma.Operation{OperationID: "kitMatrix", Method: http.MethodPost, Path: "/api/kit-matrix", Summary: "A kit in all that it is sold in"},
		func(ctx context.Context, in *kitMatrixInput) (*answer[*kits.KitMatrix], error) {
			from, leave, err := s.packing(ctx, &in.Body.Kit)
			if err != nil {
				return nil, err
			}
			defer leave()
			out, err := kits.KitMatrixOf(ctx, &in.Body.Kit, in.Body.Copies, from, s.options(ctx, in.Unit))
			return &answer[*kits.KitMatrix]{out}, err
		})
	call(api, huma.Operation{OperationID: "kitBill", Method: http.MethodPost, Path: "/api/kit-bill", Summary: "All that goes into one thing of a kit, what to buy for a number of it, and the price"},
		func(ctx context.Context, in *kitBillInput) (*answer[*kits.KitBill], error) {
			from, leave, err := s.packing(ctx, &in.Body.Kit)
			if err != nil {
				return nil, err
			}
			defer leave()
			out, err := kits.KitBillOf(ctx, &in.Body.Kit, in.Body.Cell, in.Body.Copies, from, s.options(ctx, in.Unit))
			return &answer[*kits.KitBill]{out}, err
		})
}

// packing waits for a turn, and reads what a kit is packed from.
func (s *server) packing(ctx context.Context, kit *format.Kit) (from kits.Packing, leave func(), err error) {
	if leave, err = s.turns.forSearch(ctx); err != nil {
		return from, nil, err
	}
	from, err = s.packingOf(ctx, kit)
	if err != nil {
		leave()
	}
	return from, leave, err
}

func (s *server) packingOf(ctx context.Context, kit *format.Kit) (kits.Packing, error) {
	var all format.Document
	for i := range kit.Pieces {
		all.Materials = append(all.Materials, kit.Pieces[i].Document.Materials...)
	}
	supplies, err := s.supplies(ctx, &all)
	if err != nil {
		return kits.Packing{}, err
	}
	supplies.Day = time.Now()
	selling, err := s.store.Selling(ctx)
	if err != nil {
		return kits.Packing{}, err
	}
	return kits.Packing{Supplies: supplies, Selling: *selling.Document}, nil
}
