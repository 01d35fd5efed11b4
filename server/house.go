package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"mala/format"
	"mala/store"
)

// HouseState is the shop's house method: what it has chosen, and all of it with
// the defaults filled in.
type HouseState struct {
	Revision int64        `json:"revision"`
	House    format.House `json:"house" doc:"What the shop has chosen otherwise than it comes."`
	Whole    format.House `json:"whole" doc:"The same with everything filled in."`
}

func houseState(s store.Shop) HouseState {
	return HouseState{s.Revision, s.House, s.House.Over(format.DefaultHouse())}
}

type saveHouseInput struct {
	Body struct {
		Base  int64        `json:"base" doc:"The revision it was made from."`
		House format.House `json:"house"`
	}
}

// PieceByHouse is what another house method does to one piece.
type PieceByHouse struct {
	ID     string             `json:"id"`
	Name   string             `json:"name"`
	Effect format.HouseEffect `json:"effect"`
}

// HouseEffects are what it does to all.
type HouseEffects struct {
	Pieces  int            `json:"pieces" doc:"How many pieces there are."`
	Changed []PieceByHouse `json:"changed"`
}

func (s *server) registerHouse(api huma.API) {
	call(api, huma.Operation{OperationID: "getHouse", Method: http.MethodGet, Path: "/api/house", Summary: "The shop's house method"},
		func(ctx context.Context, _ *struct{}) (*answer[HouseState], error) {
			shop, err := s.store.House(ctx)
			return &answer[HouseState]{houseState(shop)}, err
		})
	call(api, huma.Operation{OperationID: "saveHouse", Method: http.MethodPut, Path: "/api/house", Summary: "Keep the house method"},
		func(ctx context.Context, in *saveHouseInput) (*answer[HouseState], error) {
			if err := in.Body.House.Check(); err != nil {
				return nil, err
			}
			shop, err := s.store.SaveHouse(ctx, in.Body.Base, in.Body.House.Beside(format.DefaultHouse()))
			s.shelf.moved()
			return &answer[HouseState]{houseState(shop)}, err
		})
	call(api, huma.Operation{OperationID: "tryHouse", Method: http.MethodPost, Path: "/api/house/try", Summary: "What another house method would change, before it is kept"}, s.tryHouse)
	call(api, huma.Operation{OperationID: "suggest", Method: http.MethodPost, Path: "/api/suggest", Summary: "Fittings for the ends of a piece, each with its reason"},
		func(ctx context.Context, in *analyseInput) (*answer[*format.Suggestions], error) {
			out, err := format.Suggest(&in.Body, s.options(ctx, in.Unit))
			return &answer[*format.Suggestions]{out}, err
		})
}

func (s *server) tryHouse(ctx context.Context, in *struct {
	UnitParam
	Body format.House
}) (*answer[HouseEffects], error) {
	if err := in.Body.Check(); err != nil {
		return nil, err
	}
	ids, err := s.store.Pieces(ctx, "")
	if err != nil {
		return nil, err
	}
	before := s.options(ctx, in.Unit)
	after := before
	after.House = in.Body
	out := HouseEffects{Pieces: len(ids), Changed: []PieceByHouse{}}
	for _, row := range ids {
		p, err := s.store.Piece(ctx, row.ID)
		if err != nil {
			return nil, err
		}
		if effect := format.EffectOf(&p.Document, before, after); effect != nil {
			out.Changed = append(out.Changed, PieceByHouse{p.ID, p.Name, *effect})
		}
	}
	return &answer[HouseEffects]{out}, nil
}
