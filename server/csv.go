package server

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"reflect"

	"github.com/danielgtaylor/huma/v2"

	"mala/format"
	"mala/store"
)

// CataloguePreview is what taking a CSV file in would do, before it is done.
type CataloguePreview struct {
	New     []RowNote `json:"new"`
	Changed []RowNote `json:"changed"`
	Same    int       `json:"same"`
	Refused []RowNote `json:"refused"`
}

// RowNote is one row of the file.
type RowNote struct {
	Line int    `json:"line"`
	ID   string `json:"id,omitempty"`
	Name string `json:"name,omitempty"`
	Says string `json:"says,omitempty" doc:"What changes, or why it is rejected."`
}

type csvInput struct {
	RawBody []byte `contentType:"text/csv"`
}

// maxCSVBody is the most a catalogue file may carry.
const maxCSVBody = format.MaxCatalogueBytes + 64<<10

func (s *server) registerCSV(api huma.API) {
	call(api, huma.Operation{OperationID: "catalogueCSV", Method: http.MethodGet, Path: "/api/catalogue.csv", Summary: "The catalogue as CSV"},
		func(ctx context.Context, _ *struct{}) (*huma.StreamResponse, error) {
			rows, _, err := s.store.Materials(ctx, store.Filter{Archived: true})
			if err != nil {
				return nil, err
			}
			out := make([]format.CatalogueRow, len(rows))
			for i, m := range rows {
				out[i] = format.CatalogueRow{Material: m.Document, OnHand: m.OnHand}
			}
			return &huma.StreamResponse{Body: func(c huma.Context) {
				c.SetHeader("Content-Type", "text/csv; charset=utf-8")
				c.SetHeader("Content-Disposition", `attachment; filename="catalogue.csv"`)
				_ = format.WriteCSV(c.BodyWriter(), out)
			}}, nil
		})
	limited(api, maxCSVBody, huma.Operation{OperationID: "previewCatalogue", Method: http.MethodPost, Path: "/api/catalogue/preview", Summary: "What importing a CSV file would change"},
		func(ctx context.Context, in *csvInput) (*answer[CataloguePreview], error) {
			preview, err := s.preview(ctx, in.RawBody)
			return &answer[CataloguePreview]{preview}, err
		})
	limited(api, maxCSVBody, huma.Operation{OperationID: "takeCatalogue", Method: http.MethodPost, Path: "/api/catalogue", Summary: "Import a CSV file, all of it or nothing; progress is a line of JSON at a time"}, s.takeCatalogue)
}

func (s *server) preview(ctx context.Context, file []byte) (CataloguePreview, error) {
	p := CataloguePreview{New: []RowNote{}, Changed: []RowNote{}, Refused: []RowNote{}}
	known, _, err := s.store.Materials(ctx, store.Filter{Archived: true})
	if err != nil {
		return p, err
	}
	rows, refused, err := format.ReadCSV(file, heldRows(known))
	if err != nil {
		return p, err
	}
	for _, r := range refused {
		p.Refused = append(p.Refused, RowNote{Line: r.Line, Says: r.Says})
	}
	rows, faulty := wellMade(rows, documents(known))
	p.Refused = append(p.Refused, faulty...)
	byID := make(map[string]*store.Material, len(known))
	for i := range known {
		byID[known[i].ID] = &known[i]
	}
	for _, row := range rows {
		note := RowNote{Line: row.Line, ID: row.Material.ID, Name: row.Material.Name}
		old := byID[row.Material.ID]
		switch {
		case old == nil:
			p.New = append(p.New, note)
		case reflect.DeepEqual(old.Document, row.Material) && old.OnHand == row.OnHand:
			p.Same++
		default:
			note.Says = changes(old.Document, row.Material, old.OnHand, row.OnHand)
			p.Changed = append(p.Changed, note)
		}
	}
	return p, nil
}

// heldRows are the catalogue's materials by id, as rows of a file.
func heldRows(known []store.Material) map[string]format.CatalogueRow {
	out := make(map[string]format.CatalogueRow, len(known))
	for i := range known {
		out[known[i].ID] = format.CatalogueRow{Material: known[i].Document, OnHand: known[i].OnHand}
	}
	return out
}

// wellMade keeps the rows whose components can be made, of other rows or of the
// catalogue's materials, and gives the others as refused.
func wellMade(rows []format.CatalogueRow, known []format.Material) (kept []format.CatalogueRow, refused []RowNote) {
	own := make([]format.Material, len(rows))
	for i := range rows {
		own[i] = rows[i].Material
	}
	stock := format.StockOf(own, known)
	for i, row := range rows {
		if row.Material.Component == nil {
			kept = append(kept, row)
			continue
		}
		if _, faults := stock.Make(&own[i], ""); faults != nil {
			refused = append(refused, RowNote{Line: row.Line, ID: row.Material.ID, Name: row.Material.Name, Says: faults[0].Says})
			continue
		}
		kept = append(kept, row)
	}
	return kept, refused
}

// changes names the fields that differ, with what they were and what they become.
func changes(before, after format.Material, heldBefore, heldAfter int) string {
	says := ""
	add := func(name string, one, other any) {
		if says != "" {
			says += ", "
		}
		says += fmt.Sprintf("%s %v → %v", name, one, other)
	}
	a, b := fieldsOf(before), fieldsOf(after)
	for _, name := range format.ColumnNames() {
		if one, other := a[name], b[name]; one != other {
			add(name, blank(one), blank(other))
		}
	}
	if heldBefore != heldAfter {
		add("onHand", heldBefore, heldAfter)
	}
	return says
}

func fieldsOf(m format.Material) map[string]string {
	out := map[string]string{}
	for _, name := range format.ColumnNames() {
		out[name] = m.Field(name)
	}
	return out
}

func blank(s string) string {
	if s == "" {
		return "nothing"
	}
	return s
}

// Progress is one line of the answer to taking a catalogue in.
type Progress struct {
	Done  int    `json:"done"`
	Total int    `json:"total"`
	Ended string `json:"ended,omitempty" enum:"kept,undone"`
	Says  string `json:"says,omitempty"`
}

// takeCatalogue keeps every row that stands, in one transaction. If the page
// goes away meanwhile nothing of it is kept.
func (s *server) takeCatalogue(ctx context.Context, in *csvInput) (*huma.StreamResponse, error) {
	known, _, err := s.store.Materials(ctx, store.Filter{Archived: true})
	if err != nil {
		return nil, err
	}
	rows, _, err := format.ReadCSV(in.RawBody, heldRows(known))
	if err != nil {
		return nil, err
	}
	rows, _ = wellMade(rows, documents(known))
	list := make([]store.Material, len(rows))
	for i, row := range rows {
		list[i] = store.Material{Document: row.Material, OnHand: row.OnHand}
	}
	return &huma.StreamResponse{Body: func(c huma.Context) {
		c.SetHeader("Content-Type", "application/x-ndjson")
		out := json.NewEncoder(c.BodyWriter())
		flush := func() {
			if f, ok := c.BodyWriter().(http.Flusher); ok {
				f.Flush()
			}
		}
		total := len(list)
		err := s.store.SaveMaterials(c.Context(), list, func(done int) {
			_ = out.Encode(Progress{Done: done, Total: total})
			flush()
		})
		s.shelf.moved()
		last := Progress{Done: total, Total: total, Ended: "kept"}
		if err != nil {
			s.log.Warn("a catalogue was not imported", "cause", err)
			last = Progress{Total: total, Ended: "undone", Says: "The import failed, and nothing was changed. Try again."}
		}
		_ = out.Encode(last)
	}}, nil
}
