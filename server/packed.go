package server

import (
	"context"
	"fmt"
	"net/http"
	"unicode/utf8"

	"github.com/danielgtaylor/huma/v2"
)

// PackedList is what of a bag is packed already.
type PackedList struct {
	Things []string `json:"things"`
}

// BagOf names what is packed: a kit, and in which size and colourway.
type BagOf struct {
	KitID
	Cell string `path:"cell" pattern:"^\\d{1,3}-\\d{1,3}-\\d{1,3}$" doc:"Which of its pieces, its sizes and its colourways, by their numbers."`
}

// mostSigns is how long the name of what is packed may be.
const mostSigns = 400

func (s *server) registerPacked(api huma.API) {
	all := func(ctx context.Context, in *BagOf, err error) (*answer[PackedList], error) {
		if err != nil {
			return nil, err
		}
		things, err := s.store.Packed(ctx, in.ID, in.Cell)
		return &answer[PackedList]{PackedList{things}}, err
	}
	call(api, huma.Operation{OperationID: "packed", Method: http.MethodGet, Path: "/api/kits/{id}/packed/{cell}", Summary: "What of a bag is packed already"},
		func(ctx context.Context, in *BagOf) (*answer[PackedList], error) {
			_, err := s.store.Kit(ctx, in.ID)
			return all(ctx, in, err)
		})
	call(api, huma.Operation{OperationID: "pack", Method: http.MethodPut, Path: "/api/kits/{id}/packed/{cell}", Summary: "Tick one thing of a bag, or take its tick back; gives all that is packed"},
		func(ctx context.Context, in *struct {
			BagOf
			Body struct {
				Thing  string `json:"thing" minLength:"1" maxLength:"400" doc:"What it is and how much of it."`
				Packed bool   `json:"packed"`
			}
		}) (*answer[PackedList], error) {
			if n := utf8.RuneCountInString(in.Body.Thing); n == 0 || n > mostSigns {
				return nil, &Problem{Title: "Invalid input", Status: http.StatusUnprocessableEntity, Detail: fmt.Sprintf("What is packed has %d signs; 1 to %d are right.", n, mostSigns)}
			}
			return all(ctx, &in.BagOf, s.store.Pack(ctx, in.ID, in.Cell, in.Body.Thing, in.Body.Packed))
		})
	call(api, huma.Operation{OperationID: "unpack", Method: http.MethodDelete, Path: "/api/kits/{id}/packed/{cell}", Summary: "Take all ticks of a bag back, for the next one"},
		func(ctx context.Context, in *BagOf) (*struct{}, error) {
			return nil, s.store.Unpack(ctx, in.ID, in.Cell)
		})
}
