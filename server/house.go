package server

import (
	"context"
	"errors"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"mala/desk"
	"mala/format"
	"mala/store"
)

// HouseState is the shop's house method: what it has chosen, and all of it with
// the defaults filled in.
type HouseState struct {
	Revision int64        `json:"revision"`
	House    format.House `json:"house" doc:"The shop's own choices."`
	Whole    format.House `json:"whole" doc:"The same with every default filled in."`
}

func houseState(s store.Shop) HouseState {
	return HouseState{s.Revision, s.House, s.House.Merge(format.DefaultHouse())}
}

type saveHouseInput struct {
	Body struct {
		Base  int64        `json:"base" doc:"The revision it was made from."`
		House format.House `json:"house"`
	}
}

// PieceByHouse is what another house method does to one piece.
type PieceByHouse struct {
	ID     string           `json:"id"`
	Name   string           `json:"name"`
	Effect desk.HouseEffect `json:"effect"`
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
	call(api, huma.Operation{OperationID: "saveHouse", Method: http.MethodPut, Path: "/api/house", Summary: "Save the house method"},
		func(ctx context.Context, in *saveHouseInput) (*answer[HouseState], error) {
			if err := in.Body.House.Check(); err != nil {
				return nil, err
			}
			shop, err := s.store.SaveHouse(ctx, in.Body.Base, in.Body.House.Diff(format.DefaultHouse()))
			if err != nil {
				return nil, err
			}
			s.shelf.moved()
			return &answer[HouseState]{houseState(shop)}, s.refigure(ctx, shop.House)
		})
	call(api, huma.Operation{OperationID: "tryHouse", Method: http.MethodPost, Path: "/api/house/try", Summary: "What another house method would change"}, s.tryHouse)
	call(api, huma.Operation{OperationID: "suggest", Method: http.MethodPost, Path: "/api/suggest", Summary: "Fittings for the ends of a piece, each with its reason"},
		func(ctx context.Context, in *suggestInput) (*answer[*desk.Suggestions], error) {
			leave, err := s.turns.forPiece(ctx, &in.Body)
			if err != nil {
				return nil, err
			}
			defer leave()
			out, err := desk.Suggest(&in.Body, in.Row, s.options(ctx, in.Unit))
			return &answer[*desk.Suggestions]{out}, err
		})
}

type suggestInput struct {
	UnitParam
	Row  string `query:"row" doc:"The row whose ends they are for; the first if absent."`
	Body format.Document
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
		if effect := desk.EffectOf(ctx, &p.Document, before, after); effect != nil {
			out.Changed = append(out.Changed, PieceByHouse{p.ID, p.Name, *effect})
		}
	}
	return &answer[HouseEffects]{out}, nil
}

// refigure works out anew what lists show of every piece.
func (s *server) refigure(ctx context.Context, house format.House) error {
	rows, err := s.store.Pieces(ctx, "")
	if err != nil {
		return err
	}
	for _, row := range rows {
		p, err := s.store.Piece(ctx, row.ID)
		if errors.Is(err, store.ErrNotFound) {
			continue // deleted meanwhile
		}
		if err != nil {
			return err
		}
		if err := s.store.Refigure(ctx, p, Figures(ctx, &p.Document, house)); err != nil {
			return err
		}
	}
	return nil
}

// Figures works out what lists show of a piece.
func Figures(ctx context.Context, doc *format.Document, house format.House) store.Figures {
	f := desk.CardOf(ctx, doc, house)
	return store.Figures{FinishedMM: f.FinishedMm, Beads: f.Beads, Worst: f.Worst}
}
