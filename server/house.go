package server

import (
	"context"
	"errors"
	"net/http"
	"time"

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
	Behind   int          `json:"behind" doc:"How many pieces are shown in lists as an older house method had them; they are worked out one after another."`
}

func houseState(s store.Shop, behind int) HouseState {
	return HouseState{s.Revision, s.House, s.House.Merge(format.DefaultHouse()), behind}
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

// HouseTrial is one line of the answer to trying a house method: how far it is, with a piece that it
// changes, if this is one.
type HouseTrial struct {
	Done    int           `json:"done"`
	Pieces  int           `json:"pieces" doc:"How many pieces there are."`
	Changed *PieceByHouse `json:"changed,omitempty"`
	Ended   bool          `json:"ended,omitempty"`
	Says    string        `json:"says,omitempty" doc:"Why it was not tried to the end."`
}

func (s *server) registerHouse(api huma.API) {
	call(api, huma.Operation{OperationID: "getHouse", Method: http.MethodGet, Path: "/api/house", Summary: "The shop's house method"},
		func(ctx context.Context, _ *struct{}) (*answer[HouseState], error) {
			shop, err := s.store.House(ctx)
			if err != nil {
				return nil, err
			}
			behind, err := s.store.Behind(ctx)
			return &answer[HouseState]{houseState(shop, behind)}, err
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
			behind, err := s.store.Behind(ctx)
			return &answer[HouseState]{houseState(shop, behind)}, err
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

// tryHouse goes through all pieces, and tells of each that would change and of how far it is. It ends
// when no one waits for it any more.
func (s *server) tryHouse(ctx context.Context, in *struct {
	UnitParam
	Body format.House
}) (*huma.StreamResponse, error) {
	if err := in.Body.Check(); err != nil {
		return nil, err
	}
	before := s.options(ctx, in.Unit)
	after := before
	after.House = in.Body
	return lines(func(ctx context.Context, tell func(line any)) {
		last := HouseTrial{Ended: true}
		told := time.Now()
		err := s.store.Each(ctx, func(p store.Piece, at, of int) error {
			leave, err := s.turns.forSearch(ctx)
			if err != nil {
				return err
			}
			effect := desk.EffectOf(ctx, &p.Document, before, after)
			leave()
			last.Done, last.Pieces = at, of
			if effect != nil {
				tell(HouseTrial{Done: at, Pieces: of, Changed: &PieceByHouse{p.ID, p.Name, *effect}})
			} else if time.Since(told) > tellEvery {
				tell(HouseTrial{Done: at, Pieces: of})
				told = time.Now()
			}
			return ctx.Err()
		})
		if err != nil {
			var p *Problem
			_ = errors.As(logged(ctx, "tryHouse", err), &p)
			last.Says = p.Detail
		}
		tell(last)
	}), nil
}

// tellEvery is how often what takes long tells how far it is.
const tellEvery = 200 * time.Millisecond

// Figures works out what lists show of a piece in a shop.
func Figures(doc *format.Document, shop store.Shop) store.Figures {
	f := desk.CardOf(doc, shop.House)
	return store.Figures{FinishedMM: f.FinishedMm, Beads: f.Beads, Worst: f.Worst, Problems: f.Problems, Takes: f.Takes, By: shop.Revision}
}
