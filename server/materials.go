package server

import (
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"mala/core/length"
	"mala/core/material"
	"mala/core/piece"
	"mala/desk"
	"mala/desk/kits"
	"mala/format"
	"mala/store"
)

// CatalogueItem is one material of the shop, with how many lie on the shelf.
type CatalogueItem struct {
	Material format.Material `json:"material"`
	OnHand   int             `json:"onHand"`
	Archived bool            `json:"archived"`
	Revision int64           `json:"revision"`
	Outline  *desk.Outline   `json:"outline,omitempty" doc:"Of a bead."`
	Colour   format.Colour   `json:"colour,omitempty" doc:"The family its colour belongs to."`
}

// Catalogue is part of the catalogue, and how many materials there are in all
// that fit what was asked for.
type Catalogue struct {
	Items  []CatalogueItem `json:"items"`
	Total  int             `json:"total"`
	Metals []string        `json:"metals" doc:"Every metal that the catalogue names."`
}

// itemOf gives a material as the catalogue shows it; its parts, if it is a
// component, are in the stock.
func itemOf(m store.Material, stock *format.Materials) CatalogueItem {
	made, _ := stock.Make(&m.Document, "")
	return CatalogueItem{Colour: format.Colour(m.Colour), Material: m.Document, OnHand: m.OnHand, Archived: m.Archived, Revision: m.Revision, Outline: desk.OutlineOf(made)}
}

type listMaterialsInput struct {
	Search   string  `query:"search" maxLength:"200"`
	IDs      string  `query:"ids" doc:"Ids to return, separated by commas." maxLength:"20000"`
	Class    string  `query:"class" doc:"Classes, separated by commas."`
	Types    string  `query:"types" doc:"Types of findings and cords, separated by commas."`
	Spot     string  `query:"spot" enum:"row,closure,join,holder,ring,chain" doc:"Only findings that can go there: to the end of a row, in the closure, between sections, beside a gap, as the ring of a component, as a chain."`
	Kind     string  `query:"kind" doc:"The kind of a component."`
	Hangs    bool    `query:"hangs" doc:"Only what hangs: charms, and components that hang."`
	Looped   bool    `query:"looped" doc:"Only beads with a loop of their own."`
	Shape    string  `query:"shape"`
	Metal    string  `query:"metal"`
	Colour   string  `query:"colour" doc:"A colour family."`
	Least    float64 `query:"least" doc:"Least width across, in mm."`
	Most     float64 `query:"most" doc:"Greatest width across, in mm."`
	Archived bool    `query:"archived" doc:"Archived ones too."`
	Limit    int     `query:"limit" default:"200" minimum:"1" maximum:"500"`
	Offset   int     `query:"offset" minimum:"0"`
}

func (in *listMaterialsInput) filter() store.Filter {
	w := store.Filter{Search: in.Search, Class: in.Class, Kind: in.Kind, Hangs: in.Hangs, Looped: in.Looped, Shape: in.Shape, Metal: in.Metal, Colour: in.Colour,
		Least: in.Least, Most: in.Most, Archived: in.Archived, Limit: in.Limit, Offset: in.Offset}
	if in.IDs != "" {
		w.IDs = strings.Split(in.IDs, ",")
	}
	if in.Types != "" {
		w.Types = strings.Split(in.Types, ",")
	}
	if in.Spot != "" {
		w.Class = string(material.ClassFinding)
		for _, t := range piece.FindingsFor(piece.Spot(in.Spot)) {
			w.Types = append(w.Types, string(t))
		}
	}
	return w
}

type saveMaterialInput struct {
	ID   string `path:"id"`
	Body struct {
		Base     int64           `json:"base" doc:"The revision it was made from; 0 for a new material."`
		OnHand   int             `json:"onHand"`
		Archived bool            `json:"archived,omitempty"`
		Material format.Material `json:"material"`
	}
}

// MaterialFacts is what follows from a material's measures.
type MaterialFacts struct {
	Outline *desk.Outline `json:"outline,omitempty"`
	SizedBy string        `json:"sizedBy,omitempty"`
	AloneMm length.MM     `json:"aloneMm,omitempty" doc:"One bead, rim to rim along the hole."`
	TenMm   length.MM     `json:"tenMm,omitempty" doc:"Ten of them strung tight."`
	MassG   float64       `json:"massG,omitempty"`
	Fits    []CordFit     `json:"fits" doc:"How often each cord of the catalogue passes the hole."`
}

// CordFit is how often a cord passes a hole.
type CordFit struct {
	Cord   string          `json:"cord"`
	Type   format.CordType `json:"type"`
	Passes int             `json:"passes"`
}

// PieceEffect is what changing a material would do to a piece that uses it.
type PieceEffect struct {
	ID       string    `json:"id"`
	Name     string    `json:"name"`
	BeforeMm length.MM `json:"beforeMm"`
	AfterMm  length.MM `json:"afterMm"`
}

type materialBody struct{ Body format.Material }

// mostOnHand is the most of one material that a shelf holds.
const mostOnHand = 10_000_000

func (s *server) registerMaterials(api huma.API) {
	call(api, huma.Operation{OperationID: "listMaterials", Method: http.MethodGet, Path: "/api/materials", Summary: "The shop's catalogue"},
		func(ctx context.Context, in *listMaterialsInput) (*answer[Catalogue], error) {
			rows, total, err := s.store.Materials(ctx, in.filter())
			if err != nil {
				return nil, err
			}
			stock, err := s.stock(ctx, documents(rows))
			if err != nil {
				return nil, err
			}
			metals, err := s.store.Metals(ctx)
			out := Catalogue{Items: make([]CatalogueItem, len(rows)), Total: total, Metals: metals}
			for i := range rows {
				out.Items[i] = itemOf(rows[i], stock)
			}
			return &answer[Catalogue]{out}, err
		})
	call(api, huma.Operation{OperationID: "saveMaterial", Method: http.MethodPut, Path: "/api/materials/{id}", Summary: "Keep a material"}, s.saveMaterial)
	call(api, huma.Operation{OperationID: "tryMaterial", Method: http.MethodPost, Path: "/api/materials/try", Summary: "What follows from a material's measures"}, s.tryMaterial)
	call(api, huma.Operation{OperationID: "tryComponent", Method: http.MethodPost, Path: "/api/components/try", Summary: "What follows from how a component is made"}, s.tryComponent)
	call(api, huma.Operation{OperationID: "materialEffect", Method: http.MethodPost, Path: "/api/materials/effect", Summary: "The pieces that use a material, before and after a change of it"}, s.materialEffect)
}

func (s *server) saveMaterial(ctx context.Context, in *saveMaterialInput) (*answer[CatalogueItem], error) {
	doc := in.Body.Material
	if doc.ID != in.ID {
		return nil, format.Faults{{Where: "material.id", Says: "The id differs from the one in the address. Make them the same."}}
	}
	if in.Body.OnHand < 0 || in.Body.OnHand > mostOnHand {
		return nil, format.Faults{{Where: "onHand", Says: "The number in stock is 0 to 10,000,000."}}
	}
	_, stock, err := s.made(ctx, doc, "material")
	if err != nil {
		return nil, err
	}
	m, err := s.store.SaveMaterial(ctx, store.Material{Document: doc, OnHand: in.Body.OnHand, Archived: in.Body.Archived, Revision: in.Body.Base})
	s.shelf.moved()
	return &answer[CatalogueItem]{itemOf(m, stock)}, err
}

func (s *server) tryMaterial(ctx context.Context, in *materialBody) (*answer[MaterialFacts], error) {
	m, _, err := s.made(ctx, in.Body, "")
	if err != nil {
		return nil, err
	}
	facts := MaterialFacts{MassG: m.MassG, Fits: []CordFit{}}
	if m.Bead != nil {
		facts.Outline, facts.SizedBy = desk.OutlineOf(m), string(m.Bead.SizedBy())
		facts.AloneMm, facts.TenMm = m.Bead.Length(), m.Bead.Length()+9*m.Bead.Pitch()
		shelf, _ := s.shelf.at(ctx)
		for _, c := range shelf.Cords() {
			facts.Fits = append(facts.Fits, CordFit{c.ID, format.CordType(c.Cord.Type), material.PassesThrough(m.Bead.Hole, c.Cord.Diameter)})
		}
	}
	return &answer[MaterialFacts]{facts}, nil
}

func (s *server) tryComponent(ctx context.Context, in *materialBody) (*answer[desk.ComponentFacts], error) {
	m, _, err := s.made(ctx, in.Body, "")
	if err != nil {
		return nil, err
	}
	if m.Component == nil {
		return nil, format.Faults{{Where: "class", Says: "This material is not a component."}}
	}
	return &answer[desk.ComponentFacts]{desk.FactsOf(m, s.options(ctx, "").House)}, nil
}

func (s *server) materialEffect(ctx context.Context, in *materialBody) (*answer[[]PieceEffect], error) {
	if _, _, err := s.made(ctx, in.Body, ""); err != nil {
		return nil, err
	}
	pieces, err := s.store.Using(ctx, in.Body.ID)
	if err != nil {
		return nil, err
	}
	known, err := withParts(ctx, s.store, []format.Material{in.Body})
	if err != nil {
		return nil, err
	}
	changed := map[string]format.Material{in.Body.ID: in.Body}
	house := s.options(ctx, "").House
	out := []PieceEffect{}
	for _, p := range pieces {
		effect := PieceEffect{ID: p.ID, Name: p.Name}
		if p.FinishedMM != nil {
			effect.BeforeMm, effect.AfterMm = length.MM(*p.FinishedMM), length.MM(*p.FinishedMM)
		}
		if d := kits.DriftOf(ctx, &p.Document, changed, known, house); d != nil {
			effect.BeforeMm, effect.AfterMm = d.BeforeMm, d.AfterMm
		}
		out = append(out, effect)
	}
	return &answer[[]PieceEffect]{out}, nil
}

func documents(rows []store.Material) []format.Material {
	out := make([]format.Material, len(rows))
	for i := range rows {
		out[i] = rows[i].Document
	}
	return out
}

// withParts adds the catalogue's materials that the given ones are made of, all the
// way down.
func withParts(ctx context.Context, st *store.Store, docs []format.Material) ([]format.Material, error) {
	have := map[string]bool{}
	for i := range docs {
		have[docs[i].ID] = true
	}
	for from := 0; from < len(docs); {
		var missing []string
		for ; from < len(docs); from++ {
			for _, id := range docs[from].Refers() {
				if !have[id] {
					have[id] = true
					missing = append(missing, id)
				}
			}
		}
		if len(missing) == 0 {
			break
		}
		rows, _, err := st.Materials(ctx, store.Filter{IDs: missing})
		if err != nil {
			return nil, err
		}
		docs = append(docs, documents(rows)...)
	}
	return docs, nil
}

// stock makes the materials, and what they are made of of the catalogue's.
func (s *server) stock(ctx context.Context, docs []format.Material) (*format.Materials, error) {
	all, err := withParts(ctx, s.store, docs)
	return format.Listed(all), err
}

// made makes one material, of the catalogue's if it is a component. The error is
// format.Faults if it cannot be made.
func (s *server) made(ctx context.Context, doc format.Material, where string) (*material.Material, *format.Materials, error) {
	stock, err := s.stock(ctx, []format.Material{doc})
	if err != nil {
		return nil, nil, err
	}
	m, faults := stock.Make(&doc, where)
	if faults != nil {
		return nil, nil, faults
	}
	return m, stock, nil
}
