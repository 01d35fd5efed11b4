package server_test

import (
	"net/http"
	"strings"
	"testing"

	"mala/server"
)

func TestAPieceIsStartedFromThreeAnswers(t *testing.T) {
	b := start(t)
	for _, answers := range []server.NewPiece{
		{Name: "Told", Kind: "necklace", Closure: "clasp", TargetMm: 450},
		{Name: "Ring", Kind: "bracelet", Closure: "knot", TargetMm: 190},
	} {
		var made server.PieceState
		if resp := b.call("POST", "/api/pieces/new", answers, &made); resp.StatusCode != 200 {
			t.Fatal(resp.Status)
		}
		if made.Document.Name != answers.Name || made.Document.Target.FinishedMm != answers.TargetMm || made.Revision != 1 {
			t.Errorf("started %+v", made)
		}
	}
	var open server.PieceState
	// A preview is what would be started, and saves nothing.
	before, first := server.PieceList{}, server.PieceState{}
	b.call("GET", "/api/pieces", nil, &before)
	answers := map[string]any{"name": "New", "kind": "bracelet", "closure": "clasp", "pattern": "accents", "targetMm": 190}
	var seen server.Thumbnail
	if resp := b.call("POST", "/api/pieces/preview", answers, &seen); resp.StatusCode != 200 || seen.Picture.Whole == nil || seen.Analysis.Beads == 0 {
		t.Fatal(resp.Status)
	}
	after := server.PieceList{}
	b.call("GET", "/api/pieces", nil, &after)
	b.call("POST", "/api/pieces/new", answers, &first)
	if after.Total != before.Total || seen.Document.Row("r1").Line != first.Document.Row("r1").Line {
		t.Errorf("%d pieces before, %d after; %s and %s", before.Total, after.Total, seen.Document.Row("r1").Line, first.Document.Row("r1").Line)
	}
	var wrong server.Problem
	if resp := b.call("POST", "/api/pieces/preview", map[string]any{"name": "New", "kind": "bracelet", "closure": "clasp", "targetMm": 5}, &wrong); resp.StatusCode != 422 {
		t.Errorf("5 mm: %s", resp.Status)
	}
	b.call("POST", "/api/pieces/new", server.NewPiece{Name: "Open", Kind: "bracelet", Closure: "clasp"}, &open)
	if rows := open.Document.Sections[0].Rows; open.Document.Target != nil || !strings.HasPrefix(rows[0].Line, "20") {
		t.Errorf("started %+v", open.Document)
	}
	for name, bad := range map[string]server.NewPiece{
		"no name":        {Kind: "necklace", Closure: "clasp", TargetMm: 450},
		"a kind unknown": {Name: "x", Kind: "boat", Closure: "clasp", TargetMm: 450},
		"below 0":        {Name: "x", Kind: "necklace", Closure: "clasp", TargetMm: -5},
		"no such close":  {Name: "x", Kind: "necklace", Closure: "glue", TargetMm: 450},
	} {
		var p server.Problem
		if resp := b.call("POST", "/api/pieces/new", bad, &p); resp.StatusCode != 422 || p.Detail == "" {
			t.Errorf("%s: %s %+v", name, resp.Status, p)
		}
	}
}

func TestVersionsAreListedNamedAndMadeTheDraftAgain(t *testing.T) {
	b := start(t)
	var p server.PieceState // a copy: the piece itself has the version that a kit took
	b.call("POST", "/api/pieces/"+b.piece("Ferry Bell").ID+"/duplicate", nil, &p)
	at := "/api/pieces/" + p.ID
	var first server.VersionNote
	b.call("POST", at+"/versions", map[string]string{"reason": "named", "label": "as shown"}, &first)
	b.call("PUT", at, draft{p.Revision, withLine(p.Document, "5T")}, nil)
	var renamed server.VersionNote
	b.call("PUT", at+"/versions/1/label", map[string]string{"label": "as sold"}, &renamed)
	if first.Number != 1 || renamed.Label != "as sold" || !renamed.CreatedAt.Equal(first.CreatedAt) {
		t.Errorf("%+v renamed %+v", first, renamed)
	}
	var restored server.PieceState
	b.call("POST", at+"/versions/1/restore", nil, &restored)
	if line := restored.Document.Row("r1").Line; line != "11(2T S F)" {
		t.Errorf("restored %q", line)
	}
	var notes []server.VersionNote
	b.call("GET", at+"/versions", nil, &notes)
	if len(notes) != 2 || notes[0].Reason != "restored" || notes[1].Label != "as sold" {
		t.Errorf("versions: %+v", notes)
	}
	for path, want := range map[string]int{"/versions/9": 404, "/versions/9/restore": 404, "/versions/9/label": 404} {
		method, body := "GET", any(nil)
		if strings.HasSuffix(path, "restore") {
			method = "POST"
		} else if strings.HasSuffix(path, "label") {
			method, body = "PUT", map[string]string{"label": "x"}
		}
		if resp := b.call(method, at+path, body, nil); resp.StatusCode != want {
			t.Errorf("%s: %s, want %d", path, resp.Status, want)
		}
	}
}

func TestPiecesAreCopiedDeletedAndRestored(t *testing.T) {
	b := start(t)
	p := b.piece("Slack Tide")
	var copied server.PieceState
	b.call("POST", "/api/pieces/"+p.ID+"/duplicate", nil, &copied)
	stacked := b.piece("Ferry Bell")
	var alone server.PieceState
	b.call("POST", "/api/pieces/"+stacked.ID+"/duplicate", nil, &alone)
	if stacked.Document.Stack == "" || alone.Document.Stack != "" {
		t.Errorf("a copy is not worn beside its piece: %q, %q", stacked.Document.Stack, alone.Document.Stack)
	}
	if copied.ID == p.ID || copied.Document.Name != "Slack Tide, copy" || len(copied.Document.Materials) != len(p.Document.Materials) {
		t.Errorf("copied %+v", copied)
	}
	if resp := b.call("DELETE", "/api/pieces/"+p.ID, nil, nil); resp.StatusCode != http.StatusNoContent {
		t.Errorf("deleting answered %s", resp.Status)
	}
	if resp := b.call("PUT", "/api/pieces/"+p.ID, draft{p.Revision, p.Document}, nil); resp.StatusCode != 404 {
		t.Errorf("saving a deleted piece answered %s", resp.Status)
	}
	var back server.PieceState
	if resp := b.call("POST", "/api/pieces/"+p.ID+"/undelete", nil, &back); resp.StatusCode != 200 || back.Document.Name != "Slack Tide" {
		t.Errorf("fetched back %s %+v", resp.Status, back)
	}
}

func TestWithoutADatabaseFiguresComeAndSavesSaySo(t *testing.T) {
	b := start(t)
	p := b.piece("Slack Tide")
	if err := b.store.Close(); err != nil {
		t.Fatal(err)
	}
	var a struct {
		FinishedMm float64
	}
	if resp := b.call("POST", "/api/analyse", p.Document, &a); resp.StatusCode != 200 || a.FinishedMm < 100 {
		t.Errorf("figures: %s %v", resp.Status, a.FinishedMm)
	}
	for path, want := range map[string]int{"/api/live": 200, "/api/health": 503} {
		if resp := b.call("GET", path, nil, nil); resp.StatusCode != want {
			t.Errorf("%s: %s", path, resp.Status)
		}
	}
	for method, path := range map[string]string{"GET": "/api/pieces", "PUT": "/api/pieces/" + p.ID} {
		var problem server.Problem
		body := any(nil)
		if method == "PUT" {
			body = draft{p.Revision, withLine(p.Document, "5P")}
		}
		if resp := b.call(method, path, body, &problem); resp.StatusCode < 500 || strings.Contains(problem.Detail, "pool") || strings.Contains(problem.Detail, "sql") {
			t.Errorf("%s: %s %+v", path, resp.Status, problem)
		}
	}
}
