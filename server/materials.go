package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"mala/format"
	"mala/store"
)

// CatalogueItem is one material of the shop, with how many lie on the shelf.
type CatalogueItem struct {
	Material format.Material `json:"material"`
	OnHand   int             `json:"onHand"`
	Revision int64           `json:"revision"`
	Outline  *format.Outline `json:"outline,omitempty" doc:"Of a bead."`
}

func itemOf(m store.Material) CatalogueItem {
	item := CatalogueItem{Material: m.Document, OnHand: m.OnHand, Revision: m.Revision}
	if made, _ := m.Document.Material(""); made != nil && made.Bead != nil {
		outline := format.OutlineOf(made.Bead)
		item.Outline = &outline
	}
	return item
}

type saveMaterialInput struct {
	ID   string `path:"id"`
	Body struct {
		Base     int64           `json:"base" doc:"The revision it was made from; 0 for a new material."`
		OnHand   int             `json:"onHand"`
		Material format.Material `json:"material"`
	}
}

// mostOnHand is the most of one material that a shelf holds.
const mostOnHand = 10_000_000

func (s *server) registerMaterials(api huma.API) {
	call(api, huma.Operation{OperationID: "listMaterials", Method: http.MethodGet, Path: "/api/materials", Summary: "The shop's catalogue"},
		func(ctx context.Context, _ *struct{}) (*answer[[]CatalogueItem], error) {
			rows, err := s.store.Materials(ctx)
			items := make([]CatalogueItem, len(rows))
			for i := range rows {
				items[i] = itemOf(rows[i])
			}
			return &answer[[]CatalogueItem]{items}, err
		})
	call(api, huma.Operation{OperationID: "saveMaterial", Method: http.MethodPut, Path: "/api/materials/{id}", Summary: "Keep a material"},
		func(ctx context.Context, in *saveMaterialInput) (*answer[CatalogueItem], error) {
			doc := in.Body.Material
			if doc.ID != in.ID {
				return nil, format.Faults{{Where: "material.id", Says: "The id is not the one of the address. Give both the same."}}
			}
			if in.Body.OnHand < 0 || in.Body.OnHand > mostOnHand {
				return nil, format.Faults{{Where: "onHand", Says: "A shelf holds 0 to 10,000,000 of one material."}}
			}
			if _, faults := doc.Material("material"); faults != nil {
				return nil, faults
			}
			m, err := s.store.SaveMaterial(ctx, doc, in.Body.OnHand, in.Body.Base)
			s.shelf.moved()
			return &answer[CatalogueItem]{itemOf(m)}, err
		})
}
