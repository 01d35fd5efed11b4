package server

import (
	"cmp"
	"context"
	"fmt"
	"mime"
	"net/http"
	"slices"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/core/length"
	"mala/desk"
	"mala/desk/kits"
	"mala/format"
	"mala/papers"
	"mala/store"
)

// PaperWanted is which paper, on what.
type PaperWanted struct {
	UnitParam
	Paper string `path:"paper" enum:"packing,materials,instructions,labels,cards,shop-card"`
	Sheet string `query:"sheet" default:"A4" enum:"A4,Letter"`
}

type paperInput struct {
	KitID
	PaperWanted
	Option    int `query:"option" minimum:"0"`
	Size      int `query:"size" minimum:"0"`
	Colourway int `query:"colourway" minimum:"0"`
	Copies    int `query:"copies" default:"1"`
	Version   int `query:"version" minimum:"0" doc:"Of the kit; as it stands if absent."`
}

func (s *server) registerPapers(api huma.API) {
	call(api, huma.Operation{OperationID: "kitPaper", Method: http.MethodGet, Path: "/api/kits/{id}/papers/{paper}", Summary: "A paper of a kit as PDF"}, s.paper)
	call(api, huma.Operation{OperationID: "piecePaper", Method: http.MethodGet, Path: "/api/pieces/{id}/versions/{number}/papers/{paper}", Summary: "A paper of one version of a piece, as a kit of it alone"},
		func(ctx context.Context, in *struct {
			VersionID
			PaperWanted
		}) (*file, error) {
			v, err := s.store.Version(ctx, in.ID, in.Number)
			if err != nil {
				return nil, err
			}
			piece, err := kitted(&v)
			if err != nil {
				return nil, err
			}
			kit := &format.Kit{Format: format.KitFormat, Name: v.Document.Name, Pieces: []format.KitPiece{*piece}, Sizes: []string{""}, Colourways: []string{""}}
			return s.print(ctx, kit, in.Number, kits.CellOf{}, 1, in.PaperWanted, false)
		})
	call(api, huma.Operation{OperationID: "technique", Method: http.MethodGet, Path: "/api/techniques/{name}", Summary: "The picture of a way of the hand as SVG"},
		func(_ context.Context, in *struct {
			Name string `path:"name"`
		}) (*file, error) {
			svg := papers.TechniqueSVG(strings.TrimSuffix(in.Name, ".svg"))
			if svg == "" {
				return nil, store.ErrNotFound
			}
			return &file{"image/svg+xml", "inline", []byte(svg)}, nil
		})
	call(api, huma.Operation{OperationID: "pieceSVG", Method: http.MethodPost, Path: "/api/picture.svg", Summary: "A finished piece as SVG, for a listing"},
		func(ctx context.Context, in *struct {
			View  string `query:"view" enum:"whole,laid" default:"whole"`
			Cloth bool   `query:"cloth"`
			Lines string `query:"lines" enum:",mm,cm,in" doc:"With lines that say how wide and high it lies, in this unit."`
			Body  format.Document
		}) (*file, error) {
			a, err := s.pictured(ctx, &in.Body)
			if err != nil {
				return nil, err
			}
			svg, err := papers.PictureSVG(&in.Body, a, in.View, in.Cloth, length.Unit(in.Lines))
			return &file{"image/svg+xml", "inline", []byte(svg)}, err
		})
	call(api, huma.Operation{OperationID: "diagram", Method: http.MethodPost, Path: "/api/diagram", Summary: "A row of a piece stretched out, as SVG of its true size"},
		func(ctx context.Context, in *struct {
			Row  int `query:"row" minimum:"0"`
			Body format.Document
		}) (*file, error) {
			a, err := s.pictured(ctx, &in.Body)
			if err != nil {
				return nil, err
			}
			svg, err := papers.DiagramOf(&in.Body, a, in.Row)
			return &file{"image/svg+xml", "inline", []byte(svg)}, err
		})
}

// pictured is a piece with all that a drawing needs.
func (s *server) pictured(ctx context.Context, doc *format.Document) (*desk.Analysis, error) {
	leave, err := s.turns.forPiece(ctx, doc)
	if err != nil {
		return nil, err
	}
	defer leave()
	opt := s.options(ctx, "mm")
	opt.Drawing, opt.Picture = true, true
	return desk.Analyse(ctx, doc, opt)
}

func (s *server) paper(ctx context.Context, in *paperInput) (*file, error) {
	kit, version, err := s.printed(ctx, in)
	if err != nil {
		return nil, err
	}
	return s.print(ctx, kit, version, kits.CellOf{Option: in.Option, Size: in.Size, Colourway: in.Colourway}, in.Copies, in.PaperWanted, in.Paper == "cards" || in.Paper == "shop-card")
}

func (s *server) print(ctx context.Context, kit *format.Kit, version int, cell kits.CellOf, copies int, in PaperWanted, priced bool) (*file, error) {
	from, leave, err := s.packing(ctx, kit)
	if err != nil {
		return nil, err
	}
	defer leave()
	order := &papers.Order{Format: papers.Format, Paper: in.Paper, Cell: cell, Copies: copies, Version: version,
		Unit: cmp.Or(in.Unit, "mm"), Sheet: in.Sheet, Day: time.Now().Format(time.DateOnly), Selling: from.Selling, Materials: carried(kit, from.Materials, priced)}
	data, err := papers.Print(ctx, kit, order)
	if err != nil {
		return nil, err
	}
	name := fmt.Sprintf("%s, %s.pdf", kit.Name, strings.ToLower(papers.Title(in.Paper)))
	return &file{"application/pdf", mime.FormatMediaType("inline", map[string]string{"filename": name}), data}, nil
}

// printed is the version of the kit that is asked for.
func (s *server) printed(ctx context.Context, in *paperInput) (*format.Kit, int, error) {
	if in.Version == 0 {
		k, err := s.store.Kit(ctx, in.ID)
		return &k.Document, k.Revision, err
	}
	v, err := s.store.KitVersion(ctx, in.ID, in.Version)
	return &v.Document, v.Number, err
}

// carried are the materials of the catalogue that a paper follows from: those with places, and
// on what shows a price those with packs.
func carried(kit *format.Kit, catalogue []format.Material, priced bool) []format.Material {
	var out []format.Material
	for _, m := range catalogue {
		if !priced {
			m.Packs = nil
		}
		inKit := slices.ContainsFunc(kit.Pieces, func(p format.KitPiece) bool {
			return slices.ContainsFunc(p.Document.Materials, func(own format.Material) bool { return own.ID == m.ID })
		})
		if m.Place != "" && inKit || len(m.Packs) > 0 {
			out = append(out, m)
		}
	}
	return out
}
