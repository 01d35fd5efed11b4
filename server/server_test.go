package server_test

import (
	"bytes"
	"context"
	"encoding/json"
	"io"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"os"
	"strings"
	"testing"
	"testing/fstest"

	"mala/core/check"
	"mala/demo"
	"mala/demo/shop"
	"mala/desk"
	"mala/format"
	"mala/localpg/pgtest"
	"mala/server"
	"mala/store"
)

func TestMain(m *testing.M) {
	pgtest.Main(m, func(url string) error { return store.Migrate(context.Background(), url) })
}

// bench is a running server with the demo shop.
type bench struct {
	t     *testing.T
	url   string
	store *store.Store
}

func start(t *testing.T) *bench {
	t.Helper()
	s, err := store.Open(t.Context(), pgtest.Database(t))
	if err != nil {
		t.Fatal(err)
	}
	if loaded, err := shop.Load(t.Context(), s); err != nil || !loaded {
		t.Fatal(loaded, err)
	}
	page := fstest.MapFS{
		"index.html":     {Data: []byte(`<meta property="csp-nonce" content="__NONCE__">`)},
		"assets/page.js": {Data: []byte("1")},
	}
	srv := httptest.NewServer(server.New(server.Config{Store: s, Page: page, Log: slog.New(slog.DiscardHandler)}))
	t.Cleanup(func() {
		srv.Close()
		s.Close()
	})
	return &bench{t, srv.URL, s}
}

// call sends body as JSON and reads the answer into out.
func (b *bench) call(method, path string, body, out any) *http.Response {
	b.t.Helper()
	var in io.Reader
	switch v := body.(type) {
	case nil:
	case string:
		in = strings.NewReader(v)
	default:
		data, err := json.Marshal(v)
		if err != nil {
			b.t.Fatal(err)
		}
		in = bytes.NewReader(data)
	}
	req, err := http.NewRequest(method, b.url+path, in)
	if err != nil {
		b.t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	return b.do(req, out)
}

func (b *bench) do(req *http.Request, out any) *http.Response {
	b.t.Helper()
	resp, err := http.DefaultClient.Do(req)
	if err != nil {
		b.t.Fatal(err)
	}
	defer resp.Body.Close()
	data, err := io.ReadAll(resp.Body)
	if err != nil {
		b.t.Fatal(err)
	}
	if out != nil {
		if err := json.Unmarshal(data, out); err != nil {
			b.t.Fatalf("%s %s answered %s: %.300s", req.Method, req.URL.Path, resp.Status, data)
		}
	}
	return resp
}

// first gives the piece of that name.
func (b *bench) piece(name string) server.PieceState {
	b.t.Helper()
	var list server.PieceList
	b.call("GET", "/api/pieces?limit=200", nil, &list)
	cards := list.Pieces
	for _, c := range cards {
		if c.Name == name {
			var p server.PieceState
			b.call("GET", "/api/pieces/"+c.ID, nil, &p)
			return p
		}
	}
	b.t.Fatalf("no piece is called %s", name)
	return server.PieceState{}
}

func withLine(doc format.Document, line string) format.Document {
	row := *doc.Row("r1")
	row.Line = line
	doc.Sections = []format.Section{{Rows: []format.Row{row}}}
	return doc
}

type draft struct {
	Base     int64           `json:"base"`
	Document format.Document `json:"document"`
}

func TestThePageAndTheFileGetTheSameAnalysis(t *testing.T) {
	b := start(t)
	stock := check.Stock{}
	catalogue, err := demo.Catalogue()
	if err != nil {
		t.Fatal(err)
	}
	for _, m := range catalogue {
		stock[m.ID] = m.OnHand
	}
	for _, name := range demo.Pieces() {
		doc, err := demo.Piece(name)
		if err != nil {
			t.Fatal(err)
		}
		var served desk.Analysis
		b.call("POST", "/api/analyse", doc, &served)
		local, err := desk.Analyse(t.Context(), doc, desk.Options{Stock: stock})
		if err != nil {
			t.Fatal(err)
		}
		served.Drawing = nil
		one, _ := json.Marshal(served)
		two, _ := json.Marshal(local)
		if string(one) != string(two) {
			t.Errorf("%s: the page gets\n%.400s\nthe file\n%.400s", name, one, two)
		}
	}
}

func TestSentencesSpeakInTheAskedUnit(t *testing.T) {
	b := start(t)
	doc := b.piece("Harbour Lights").Document
	doc.Target.FinishedMm = 508
	var a desk.Analysis
	b.call("POST", "/api/analyse?unit=in", doc, &a)
	if len(a.Checks) == 0 || !strings.Contains(a.Checks[0].Says, "the target of 20 in") || !a.Checks[0].Fixable || a.Checks[0].Fix != nil {
		t.Errorf("checks: %+v", a.Checks)
	}
	var fixes server.Fixes
	b.call("POST", "/api/fixes?unit=in", doc, &fixes)
	if len(fixes.Fixes) != len(a.Checks) || fixes.Fixes[0] == nil || !fixes.Whole {
		t.Errorf("fixes: %+v of %d checks", fixes, len(a.Checks))
	}
}

func TestAnEditComesBackWithItsAnalysis(t *testing.T) {
	b := start(t)
	var out server.EditedPiece
	b.call("POST", "/api/edit", map[string]any{"document": withLine(b.piece("Quay Lanterns").Document, "9P"), "operations": []desk.Operation{{Do: "insert", From: 4, To: 4, Text: "2L"}}}, &out)
	if out.Edited.Document.Row("r1").Line != "4P 2L 5P" || out.Edited.From != 6 || out.Analysis == nil || out.Analysis.Strand("r1").Beads != 11 {
		t.Errorf("edited %+v", out.Edited)
	}
}

func TestBadRequestsAreAnsweredWithPlaces(t *testing.T) {
	b := start(t)
	doc, _ := json.Marshal(b.piece("Harbour Lights").Document)
	text := string(doc)
	for _, tt := range []struct {
		name, method, path, body string
		status                   int
		where, says              string
	}{
		{"an unknown field", "POST", "/api/analyse", strings.Replace(text, `"kind"`, `"sort"`, 1), 422, "sort", "no such field"},
		{"a repeated field", "POST", "/api/analyse", strings.Replace(text, `"kind":`, `"name":"x","kind":`, 1), 422, "name", "twice"},
		{"no JSON", "POST", "/api/analyse", "pearls", 422, "", "JSON"},
		{"a line with an error", "POST", "/api/analyse", strings.Replace(text, `19P`, `19é`, 1), 422, "sections[0].rows[0].line", "no meaning"},
		{"a negative bead", "POST", "/api/pieces", strings.Replace(text, `"acrossMm":4`, `"acrossMm":-4`, 1), 422, "", "The diameter is -4 mm"},
		{"a newer file", "POST", "/api/pieces", strings.Replace(text, "mala-piece/2", "mala-piece/9", 1), 422, "format", "newer Mala"},
		{"too much at once", "POST", "/api/pieces", strings.Repeat(" ", 10<<20), 413, "", "4 MB"},
		{"a length that is none", "POST", "/api/length", `{"text":"a hand","unit":"mm"}`, 422, "text", "number"},
		{"an edit there is not", "POST", "/api/edit", `{"document":` + text + `,"operations":[{"do":"juggle","from":0,"to":1}]}`, 422, "operation", "juggle"},
		{"a piece there is not", "GET", "/api/pieces/6f1c1d0a-8a3b-4a31-9d55-1f0a6a2a1b3c", "", 404, "", "Not found."},
		{"an id that is none", "GET", "/api/pieces/'; DROP TABLE pieces", "", 404, "", "Not found."},
		{"a call there is not", "GET", "/api/beads", "", 404, "", "Unknown address"},
		{"a version without a name", "POST", "/api/pieces/" + b.piece("Ferry Bell").ID + "/versions", `{"reason":"named","label":" "}`, 422, "label", "name"},
	} {
		var p server.Problem
		resp := b.call(tt.method, strings.ReplaceAll(tt.path, " ", "%20"), tt.body, &p)
		if resp.StatusCode != tt.status || !strings.HasPrefix(resp.Header.Get("Content-Type"), "application/problem+json") || !strings.Contains(p.Detail, tt.says) {
			t.Errorf("%s: %s %s %+v", tt.name, resp.Status, resp.Header.Get("Content-Type"), p)
		}
		if tt.where != "" && (len(p.Faults) == 0 || p.Faults[0].Where != tt.where) {
			t.Errorf("%s: faults %+v, want one at %s", tt.name, p.Faults, tt.where)
		}
	}
}

func TestAStaleDraftIsRefusedWithBothAtHand(t *testing.T) {
	b := start(t)
	p := b.piece("Harbour Lights")
	var saved server.PieceState
	if resp := b.call("PUT", "/api/pieces/"+p.ID, draft{p.Revision, withLine(p.Document, "9P")}, &saved); resp.StatusCode != 200 || saved.Revision != p.Revision+1 {
		t.Fatalf("%s, revision %d", resp.Status, saved.Revision)
	}
	var refused server.Problem
	resp := b.call("PUT", "/api/pieces/"+p.ID, draft{p.Revision, withLine(p.Document, "8P")}, &refused)
	if resp.StatusCode != http.StatusConflict || refused.Current == nil || refused.Current.Document.Row("r1").Line != "9P" {
		t.Fatalf("%s %+v", resp.Status, refused)
	}
	var kept server.VersionState
	b.call("GET", "/api/pieces/"+p.ID+"/versions/1", nil, &kept)
	if refused.KeptAs != 1 || kept.Document.Row("r1").Line != "8P" || kept.Analysis == nil {
		t.Errorf("kept as %d: %+v", refused.KeptAs, kept.VersionNote)
	}
}

func TestALineHalfTypedIsKeptAsADraft(t *testing.T) {
	b := start(t)
	p := b.piece("Harbour Lights")
	if resp := b.call("PUT", "/api/pieces/"+p.ID, draft{p.Revision, withLine(p.Document, "<9P")}, nil); resp.StatusCode != 200 {
		t.Fatal(resp.Status)
	}
	if back := b.piece("Harbour Lights"); back.Document.Row("r1").Line != "<9P" {
		t.Errorf("came back as %q", back.Document.Row("r1").Line)
	}
}

func TestRemeasuringABeadIsReportedAndChangesNothing(t *testing.T) {
	b := start(t)
	before := b.piece("Harbour Lights")
	var shop server.Catalogue
	b.call("GET", "/api/materials", nil, &shop)
	for _, item := range shop.Items {
		if item.Material.ID != "sea-pearl-4" {
			continue
		}
		item.Material.Run.MeasuredMm = 200
		resp := b.call("PUT", "/api/materials/sea-pearl-4", map[string]any{"base": item.Revision, "onHand": 3, "material": item.Material}, nil)
		if resp.StatusCode != 200 {
			t.Fatal(resp.Status)
		}
	}
	after := b.piece("Harbour Lights")
	if d := after.Drift; d == nil || d.Materials[0] != "sea-pearl-4" || d.AfterMm <= d.BeforeMm {
		t.Fatalf("drift: %+v", after.Drift)
	}
	one, _ := json.Marshal(before.Document)
	two, _ := json.Marshal(after.Document)
	if string(one) != string(two) {
		t.Error("the piece changed with the catalogue")
	}
}

func TestAnExportedVersionAnalysesTheSame(t *testing.T) {
	b := start(t)
	p := b.piece("Slack Tide")
	var note server.VersionNote
	b.call("POST", "/api/pieces/"+p.ID+"/versions", map[string]string{"reason": "exported"}, &note)
	resp, err := http.Get(b.url + "/api/pieces/" + p.ID + "/versions/1/file")
	if err != nil {
		t.Fatal(err)
	}
	defer resp.Body.Close()
	data, _ := io.ReadAll(resp.Body)
	doc, err := format.Read(data)
	if err != nil || note.Number != 1 || !strings.Contains(resp.Header.Get("Content-Disposition"), "Slack Tide") {
		t.Fatalf("%v, version %d, %s", err, note.Number, resp.Header.Get("Content-Disposition"))
	}
	one, _ := desk.Analyse(t.Context(), doc, desk.Options{})
	two, _ := desk.Analyse(t.Context(), &p.Document, desk.Options{})
	if one.FinishedMm != two.FinishedMm || len(one.Tally) != len(two.Tally) {
		t.Errorf("exported %v, kept %v", one.FinishedMm, two.FinishedMm)
	}
	if again := b.call("POST", "/api/pieces", string(data), nil); again.StatusCode != 200 {
		t.Errorf("the exported file was not imported again: %s", again.Status)
	}
}

func TestForeignHostsAndOriginsAreRefused(t *testing.T) {
	b := start(t)
	for name, change := range map[string]func(*http.Request){
		"host":   func(r *http.Request) { r.Host = "beads.example" },
		"origin": func(r *http.Request) { r.Header.Set("Origin", "http://beads.example") },
		"null":   func(r *http.Request) { r.Header.Set("Origin", "null") },
	} {
		req, _ := http.NewRequest("GET", b.url+"/api/pieces", nil)
		change(req)
		if resp := b.do(req, nil); resp.StatusCode < 400 {
			t.Errorf("a foreign %s was answered %s", name, resp.Status)
		}
	}
	req, _ := http.NewRequest("GET", b.url+"/api/pieces", nil)
	req.Header.Set("Origin", b.url)
	if resp := b.do(req, nil); resp.StatusCode != 200 {
		t.Errorf("the page itself was refused: %s", resp.Status)
	}
}

func TestThePageComesWithItsNonceAndPolicy(t *testing.T) {
	b := start(t)
	nonces := map[string]bool{}
	for range 2 {
		resp, err := http.Get(b.url + "/pieces/anything")
		if err != nil {
			t.Fatal(err)
		}
		body, _ := io.ReadAll(resp.Body)
		resp.Body.Close()
		nonce := strings.TrimSuffix(strings.SplitAfter(string(body), `content="`)[1], `">`)
		if policy := resp.Header.Get("Content-Security-Policy"); nonce == "" || !strings.Contains(policy, "'nonce-"+nonce+"'") || strings.Contains(policy, "unsafe") {
			t.Errorf("nonce %q, policy %s", nonce, policy)
		}
		nonces[nonce] = true
	}
	if len(nonces) != 2 {
		t.Error("the nonce is the same twice")
	}
	for path, want := range map[string]int{"/assets/page.js": 200, "/assets/none.js": 404} {
		if resp := b.call("GET", path, nil, nil); resp.StatusCode != want {
			t.Errorf("%s: %s, want %d", path, resp.Status, want)
		}
	}
}

func TestTheTypesOfThePageComeFromThisServer(t *testing.T) {
	kept, err := os.ReadFile("../web/src/api/openapi.json")
	if err != nil {
		t.Fatal(err)
	}
	data, err := server.Description()
	if err != nil {
		t.Fatal(err)
	}
	var one, two any
	if json.Unmarshal(kept, &one) != nil || json.Unmarshal(data, &two) != nil {
		t.Fatal("not JSON")
	}
	a, _ := json.Marshal(one)
	c, _ := json.Marshal(two)
	if string(a) != string(c) {
		t.Error("web/src/api/openapi.json is not what the server describes; run make generate")
	}
}
