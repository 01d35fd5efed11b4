package server

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"net/http"
	"reflect"
	"slices"
	"time"

	"github.com/danielgtaylor/huma/v2"

	"mala/format"
	"mala/store"
)

// CataloguePreview is what taking a CSV file in would do, before it is done.
type CataloguePreview struct {
	New     RowNotes `json:"new"`
	Changed RowNotes `json:"changed"`
	Since   RowNotes `json:"since" doc:"Rows that were changed here since the file was exported: left as they are, unless asked for."`
	Same    int      `json:"same"`
	Refused RowNotes `json:"refused"`
}

// RowNotes are rows of the file, the first of them named.
type RowNotes struct {
	Count int       `json:"count"`
	Rows  []RowNote `json:"rows"`
}

// mostNotes is how many rows of a kind are named.
const mostNotes = 500

func (n *RowNotes) add(note RowNote) {
	if n.Count++; n.Count <= mostNotes {
		n.Rows = append(n.Rows, note)
	}
}

// RowNote is one row of the file.
type RowNote struct {
	Line int    `json:"line"`
	ID   string `json:"id,omitempty"`
	Name string `json:"name,omitempty"`
	Says string `json:"says,omitempty" doc:"What changes, or why it is rejected."`
}

type csvInput struct {
	Since   bool   `query:"since" doc:"Import rows too that were changed here since the file was exported."`
	Name    string `query:"name" maxLength:"200" doc:"Of the file."`
	RawBody []byte `contentType:"text/csv"`
}

// maxCSVBody is the most a catalogue file may carry.
const maxCSVBody = format.MaxCatalogueBytes + 64<<10

func (s *server) registerCSV(api huma.API) {
	call(api, huma.Operation{OperationID: "catalogueCSV", Method: http.MethodGet, Path: "/api/catalogue.csv", Summary: "The catalogue as CSV"}, s.catalogueCSV)
	limited(api, maxCSVBody, huma.Operation{OperationID: "previewCatalogue", Method: http.MethodPost, Path: "/api/catalogue/preview", Summary: "What importing a CSV file would change"},
		func(ctx context.Context, in *csvInput) (*answer[CataloguePreview], error) {
			leave, err := s.turns.forSearch(ctx)
			if err != nil {
				return nil, err
			}
			defer leave()
			var known []store.Material
			if err := s.store.EachMaterial(ctx, true, func(m store.Material) error {
				known = append(known, m)
				return nil
			}); err != nil {
				return nil, err
			}
			preview, _, err := sorted(in, known)
			return &answer[CataloguePreview]{preview}, err
		})
	limited(api, maxCSVBody, huma.Operation{OperationID: "takeCatalogue", Method: http.MethodPost, Path: "/api/catalogue", Summary: "Import a CSV file, all of it or nothing; progress is a line of JSON at a time"}, s.takeCatalogue)
	call(api, huma.Operation{OperationID: "listImports", Method: http.MethodGet, Path: "/api/imports", Summary: "The imports of the catalogue, the latest first"},
		func(ctx context.Context, _ *struct{}) (*answer[[]ImportNote], error) {
			rows, err := s.store.Imports(ctx)
			notes := make([]ImportNote, len(rows))
			for i, r := range rows {
				notes[i] = ImportNote{r.ID, r.Name, r.Added, r.Changed, r.At, r.UndoneAt}
			}
			return &answer[[]ImportNote]{notes}, err
		})
	call(api, huma.Operation{OperationID: "undoImport", Method: http.MethodPost, Path: "/api/imports/{id}/undo", Summary: "Undo an import"},
		func(ctx context.Context, in *struct {
			ID int64 `path:"id"`
		}) (*answer[UndoneImport], error) {
			undone, since, err := s.store.UndoImport(ctx, in.ID)
			s.shelf.moved()
			return &answer[UndoneImport]{UndoneImport{undone, since}}, err
		})
}

// ImportNote is an import that can be undone as long as what it overwrote is kept.
type ImportNote struct {
	ID       int64      `json:"id"`
	Name     string     `json:"name"`
	Added    int        `json:"added"`
	Changed  int        `json:"changed"`
	At       time.Time  `json:"at"`
	UndoneAt *time.Time `json:"undoneAt,omitempty"`
}

// UndoneImport is what undoing one did.
type UndoneImport struct {
	Undone int `json:"undone" doc:"Materials that are as they were."`
	Since  int `json:"since" doc:"Materials that were changed since, and stay as they are."`
}

// catalogueCSV sends the catalogue as it comes from the database. What goes wrong on the way ends the
// connection, so that no file looks whole that is not.
func (s *server) catalogueCSV(ctx context.Context, _ *struct{}) (*huma.StreamResponse, error) {
	if err := s.store.Ping(ctx); err != nil {
		return nil, err
	}
	return &huma.StreamResponse{Body: func(c huma.Context) {
		c.SetHeader("Content-Type", "text/csv; charset=utf-8")
		c.SetHeader("Content-Disposition", `attachment; filename="catalogue.csv"`)
		out, err := format.NewCSV(c.BodyWriter())
		if err == nil {
			sent := 0
			err = s.store.EachMaterial(ctx, false, func(m store.Material) error {
				if sent++; sent%1000 == 1 { // the first too: it may have waited for a connection
					longer(c)
				}
				return out.Write(format.CatalogueRow{Material: m.Document, OnHand: m.OnHand, Archived: m.Archived, Revision: m.Revision})
			})
		}
		if err == nil {
			err = out.Flush()
		}
		if err != nil {
			s.log.Warn("a catalogue was not sent to its end", "cause", err)
			panic(http.ErrAbortHandler)
		}
	}}, nil
}

// sorted reads the file and sorts its rows by what importing them would do; the ones to import are
// given as materials.
func sorted(in *csvInput, known []store.Material) (CataloguePreview, []store.Material, error) {
	p := CataloguePreview{New: RowNotes{Rows: []RowNote{}}, Changed: RowNotes{Rows: []RowNote{}}, Since: RowNotes{Rows: []RowNote{}}, Refused: RowNotes{Rows: []RowNote{}}}
	byID := make(map[string]*store.Material, len(known))
	for i := range known {
		byID[known[i].Document.ID] = &known[i]
	}
	held := func(id string) (format.CatalogueRow, bool) {
		m := byID[id]
		if m == nil {
			return format.CatalogueRow{}, false
		}
		return format.CatalogueRow{Material: m.Document, OnHand: m.OnHand, Archived: m.Archived}, true
	}
	rows, refused, err := format.ReadCSV(in.RawBody, held)
	if err != nil {
		return p, nil, err
	}
	for _, r := range refused {
		p.Refused.add(RowNote{Line: r.Line, Says: r.Says})
	}
	rows, faulty := wellMade(rows, known)
	for _, note := range faulty {
		p.Refused.add(note)
	}
	var list []store.Material
	for _, row := range rows {
		note := RowNote{Line: row.Line, ID: row.Material.ID, Name: row.Material.Name}
		old := byID[row.Material.ID]
		switch {
		case old == nil || old.DeletedAt.Valid:
			p.New.add(note)
		case reflect.DeepEqual(old.Document, row.Material) && old.OnHand == row.OnHand && old.Archived == row.Archived:
			p.Same++
			continue
		default:
			if before, _ := held(row.Material.ID); max(p.Changed.Count, p.Since.Count) < mostNotes {
				note.Says = changes(before, row)
			}
			if row.Revision != 0 && row.Revision != old.Revision {
				p.Since.add(note)
				if !in.Since {
					continue
				}
			} else {
				p.Changed.add(note)
			}
		}
		list = append(list, store.Material{Document: row.Material, OnHand: row.OnHand, Archived: row.Archived})
	}
	return p, list, nil
}

// wellMade keeps the rows whose components can be made, of other rows or of the
// catalogue's materials, and gives the others as refused.
func wellMade(rows []format.CatalogueRow, known []store.Material) (kept []format.CatalogueRow, refused []RowNote) {
	if !slices.ContainsFunc(rows, func(r format.CatalogueRow) bool { return r.Material.Component != nil }) {
		return rows, nil
	}
	own := make([]format.Material, len(rows))
	for i := range rows {
		own[i] = rows[i].Material
	}
	stock := format.Listed(own, documents(known))
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
func changes(before, after format.CatalogueRow) string {
	says := ""
	add := func(name string, one, other any) {
		if one == other {
			return
		}
		if says != "" {
			says += ", "
		}
		says += fmt.Sprintf("%s %v → %v", name, one, other)
	}
	for _, name := range format.ColumnNames() {
		add(name, blank(before.Material.Field(name)), blank(after.Material.Field(name)))
	}
	add("onHand", before.OnHand, after.OnHand)
	add("archived", before.Archived, after.Archived)
	return says
}

func blank(s string) string {
	if s == "" {
		return "nothing"
	}
	return s
}

// Progress is one line of the answer to what takes long.
type Progress struct {
	Done  int    `json:"done"`
	Total int    `json:"total"`
	Ended string `json:"ended,omitempty" enum:"kept,undone"`
	Says  string `json:"says,omitempty"`
}

// lines answers with a line of JSON for each step of what takes long.
func lines(do func(ctx context.Context, tell func(line any))) *huma.StreamResponse {
	return &huma.StreamResponse{Body: func(c huma.Context) {
		c.SetHeader("Content-Type", "application/x-ndjson")
		out := json.NewEncoder(c.BodyWriter())
		do(c.Context(), func(line any) {
			longer(c)
			_ = out.Encode(line)
			if f, ok := c.BodyWriter().(http.Flusher); ok {
				f.Flush()
			}
		})
	}}
}

// longer gives what is being sent another while: the server ends an answer that takes too long.
func longer(c huma.Context) {
	if w, ok := c.BodyWriter().(http.ResponseWriter); ok {
		_ = http.NewResponseController(w).SetWriteDeadline(time.Now().Add(lineWithin))
	}
}

// takeCatalogue keeps every row that stands, in one transaction. If the page
// goes away meanwhile nothing of it is kept.
func (s *server) takeCatalogue(ctx context.Context, in *csvInput) (*huma.StreamResponse, error) {
	// What is wrong with the file as a whole is said before an answer has begun.
	if err := format.CheckCSV(in.RawBody); err != nil {
		return nil, err
	}
	leave, err := s.turns.forSearch(ctx)
	if err != nil {
		return nil, err
	}
	return lines(func(ctx context.Context, tell func(line any)) {
		defer leave()
		total := 0
		_, err := s.store.ImportMaterials(ctx, in.Name, func(known []store.Material) ([]store.Material, error) {
			_, list, err := sorted(in, known)
			total = len(list)
			return list, err
		}, func(done, of int) { tell(Progress{Done: done, Total: of}) })
		s.shelf.moved()
		last := Progress{Done: total, Total: total, Ended: "kept"}
		var faults format.Faults
		switch {
		case errors.As(err, &faults):
			last = Progress{Total: total, Ended: "undone", Says: faults[0].Says + " Nothing was changed."}
		case err != nil:
			s.log.Warn("a catalogue was not imported", "cause", err)
			last = Progress{Total: total, Ended: "undone", Says: "The import failed, and nothing was changed. Try again."}
		}
		tell(last)
	}), nil
}
