package server_test

import (
	"net/http"
	"strings"
	"sync"
	"testing"

	"mala/format"
	"mala/server"
)

// What the database cannot keep or find is the asker's to change, and never an error of the
// server's own: nothing is kept of it.
func TestWhatCannotBeKeptIsRefusedInWords(t *testing.T) {
	b := start(t)
	p := b.piece("Harbour Lights")
	with := func(change func(d *format.Document)) format.Document {
		d := p.Document
		d.Sections = append([]format.Section{}, d.Sections...)
		d.Sections[0].Rows = append([]format.Row{}, d.Sections[0].Rows...)
		change(&d)
		return d
	}
	type draft struct {
		Base     int64           `json:"base"`
		Document format.Document `json:"document"`
	}
	notes := with(func(d *format.Document) { d.Notes = "x\x00" })
	line := with(func(d *format.Document) { d.Sections[0].Rows[0].Line = "9P\x00" })
	newer := with(func(d *format.Document) { d.Format = "mala-piece/9" })
	for name, tt := range map[string]struct {
		method, path string
		body         any
		want         int
		says         string
	}{
		"search of pieces":       {"GET", "/api/pieces?search=%00", nil, 422, "character that cannot be saved"},
		"search of materials":    {"GET", "/api/materials?search=%00", nil, 422, "character that cannot be saved"},
		"a version beyond count": {"GET", "/api/pieces/" + p.ID + "/versions/2147483648", nil, 404, "Not found"},
		"an id of odd form":      {"GET", "/api/pieces/%00", nil, 404, "Not found"},
		"notes saved":            {"PUT", "/api/pieces/" + p.ID, draft{p.Revision, notes}, 422, "character that cannot be saved"},
		"notes imported":         {"POST", "/api/pieces", notes, 422, "character that cannot be saved"},
		"a line saved":           {"PUT", "/api/pieces/" + p.ID, draft{p.Revision, line}, 422, "character that cannot be saved"},
		"a newer file saved":     {"PUT", "/api/pieces/" + p.ID, draft{p.Revision, newer}, 422, "Open it with a newer Mala"},
	} {
		var problem server.Problem
		if res := b.call(tt.method, tt.path, tt.body, &problem); res.StatusCode != tt.want || !strings.Contains(problem.Detail, tt.says) {
			t.Errorf("%s: %d, %q; want %d, %q", name, res.StatusCode, problem.Detail, tt.want, tt.says)
		}
	}
	if again := b.piece("Harbour Lights"); again.Revision != p.Revision || again.Document.Notes != p.Document.Notes {
		t.Errorf("something was kept: revision %d, %q", again.Revision, again.Document.Notes)
	}
}

// Two that make a material of one id at once: one does, the other is refused, and no one gets
// an error of the server's.
func TestTwoOfOneIDAtOnce(t *testing.T) {
	b := start(t)
	const made = `{"base":0,"onHand":0,"material":{"id":"gull-4","class":"bead","name":"Gull","shape":"round","acrossMm":4,"holeMm":1}}`
	var all sync.WaitGroup
	var lock sync.Mutex
	got := map[int]int{}
	for range 8 {
		all.Go(func() {
			req, err := http.NewRequest("PUT", b.url+"/api/materials/gull-4", strings.NewReader(made))
			if err != nil {
				return
			}
			req.Header.Set("Content-Type", "application/json")
			res, err := http.DefaultClient.Do(req)
			if err != nil {
				return
			}
			_ = res.Body.Close()
			lock.Lock()
			defer lock.Unlock()
			got[res.StatusCode]++
		})
	}
	all.Wait()
	for status, n := range got {
		if status >= 500 {
			t.Errorf("%d answers of %d: %v", n, status, got)
		}
	}
	if got[200]+got[201] == 0 {
		t.Errorf("none was made: %v", got)
	}
}

func TestNobodyKeepsACopyOfTheShopsData(t *testing.T) {
	b := start(t)
	for path, want := range map[string]string{"/api/pieces": "no-store", "/api/none": "no-store", "/": "no-store", "/assets/page.js": "public, max-age=31536000, immutable"} {
		if res := b.call("GET", path, nil, nil); res.Header.Get("Cache-Control") != want {
			t.Errorf("%s: %q, want %q", path, res.Header.Get("Cache-Control"), want)
		}
	}
}
