package server_test

import (
	"bytes"
	"fmt"
	"image"
	"image/jpeg"
	"io"
	"net/http"
	"strings"
	"testing"

	"mala/format"
	"mala/server"
)

func picture(t *testing.T, w, h int) []byte {
	t.Helper()
	var out bytes.Buffer
	if err := jpeg.Encode(&out, image.NewGray(image.Rect(0, 0, w, h)), nil); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// send posts a file as it is.
func (b *bench) send(path string, data []byte, out any) *http.Response {
	b.t.Helper()
	req, err := http.NewRequestWithContext(b.t.Context(), "POST", b.url+path, bytes.NewReader(data))
	if err != nil {
		b.t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/octet-stream")
	return b.do(req, out)
}

func TestAPhotographIsSentOrderedDeletedAndRestored(t *testing.T) {
	b := start(t)
	at := "/api/photos/piece/" + b.piece("Harbour Lights").ID
	var first, second server.Photo
	if res := b.send(at, picture(t, 300, 200), &first); res.StatusCode != http.StatusOK || first.Width != 300 || first.Height != 200 {
		t.Fatal(res.Status, first)
	}
	b.send(at, picture(t, 50, 60), &second)
	var list server.PhotoList
	if b.call("PUT", at, map[string]any{"ids": []string{second.ID}}, &list); len(list.Photos) != 2 || list.Photos[0].ID != second.ID {
		t.Errorf("%+v", list)
	}
	var covers server.Covers
	id := strings.TrimPrefix(at, "/api/photos/piece/")
	if b.call("POST", "/api/covers", map[string]any{"of": "piece", "ids": []string{id, "none"}}, &covers); len(covers.Covers) != 1 || covers.Covers[id] != second.ID {
		t.Errorf("%+v", covers)
	}
	for size, side := range map[string]int{"large": 300, "medium": 300, "small": 256} {
		res, err := http.Get(b.url + "/api/photo/" + first.ID + "/" + size)
		if err != nil {
			t.Fatal(err)
		}
		data, _ := io.ReadAll(res.Body)
		res.Body.Close()
		cfg, err := jpeg.DecodeConfig(bytes.NewReader(data))
		if err != nil || cfg.Width != side || res.Header.Get("Content-Type") != "image/jpeg" || !strings.Contains(res.Header.Get("Cache-Control"), "immutable") || res.Header.Get("X-Content-Type-Options") != "nosniff" {
			t.Errorf("%s: %v, %+v, %v", size, err, cfg, res.Header)
		}
	}
	b.call("DELETE", "/api/photo/"+second.ID, nil, nil)
	var gone server.Deleted
	if b.call("GET", "/api/deleted", nil, &gone); len(gone.Photos) != 1 || gone.Photos[0].Name != "Harbour Lights" || gone.Photos[0].Kind != "piece" {
		t.Errorf("%+v", gone.Photos)
	}
	b.call("POST", "/api/photo/"+second.ID+"/undelete", nil, nil)
	if b.call("GET", at, nil, &list); len(list.Photos) != 2 || list.Photos[0].ID != second.ID {
		t.Errorf("%+v", list)
	}
}

func TestAPhotographThatCannotBeReadIsRefusedInASentence(t *testing.T) {
	b := start(t)
	at := "/api/photos/piece/" + b.piece("Harbour Lights").ID
	for _, tt := range []struct {
		path   string
		data   []byte
		status int
		says   string
	}{
		{at, []byte("<svg/>"), 422, "not a picture that can be read"},
		{at, []byte("\x00\x00\x00\x18ftypheic\x00\x00\x00\x00"), 422, "HEIC"},
		{at, nil, 400, ""},
		{at, make([]byte, 22<<20), 413, "a picture 20 MB"},
		{"/api/photos/piece/none", picture(t, 20, 20), 404, "Not found"},
		{"/api/photos/person/7", picture(t, 20, 20), 422, "material, piece, version, kit"},
	} {
		var problem server.Problem
		res := b.send(tt.path, tt.data, &problem)
		said := problem.Detail
		for _, f := range problem.Faults {
			said += " " + f.Where + ": " + f.Says
		}
		if res.StatusCode != tt.status || !strings.Contains(said, tt.says) {
			t.Errorf("%s of %d bytes: %s %q, want %d %q", tt.path, len(tt.data), res.Status, said, tt.status, tt.says)
		}
	}
	var problem server.Problem
	if res := b.call("POST", "/api/covers", map[string]any{"of": "piece", "ids": make([]string, 1001)}, &problem); res.StatusCode != 422 || !strings.Contains(problem.Detail, "1000") {
		t.Errorf("%s %+v", res.Status, problem)
	}
}

// A piece file and a kit file carry photographs along, and whoever imports one keeps them.
func TestOpenFilesCarryPhotographs(t *testing.T) {
	b := start(t)
	p := b.piece("Harbour Lights")
	var version server.VersionNote
	b.call("POST", "/api/pieces/"+p.ID+"/versions", map[string]any{"reason": "named", "label": "shown"}, &version)
	k := b.kitNamed("Last Ferry")
	pearl, kitBead := p.Document.Palette["P"], k.Kit.Pieces[0].Document.Palette["P"]
	for _, at := range []string{"piece/" + p.ID, "piece/" + p.ID, "material/" + pearl, "kit/" + k.ID} {
		if res := b.send("/api/photos/"+at, picture(t, 1200, 600), nil); res.StatusCode != http.StatusOK {
			t.Fatal(at, res.Status)
		}
	}
	var file format.Document
	b.call("GET", fmt.Sprintf("/api/pieces/%s/versions/%d/file", p.ID, version.Number), nil, &file)
	if len(file.Photos) != 3 || file.Photos[0].Of != "" || file.Photos[2].Of != pearl {
		t.Fatalf("%d photographs", len(file.Photos))
	}
	var made server.PieceState
	if res := b.call("POST", "/api/pieces", file, &made); res.StatusCode != http.StatusOK || made.Document.Photos != nil {
		t.Fatal(res.Status)
	}
	count := func(at string, want int) {
		t.Helper()
		var list server.PhotoList
		if b.call("GET", "/api/photos/"+at, nil, &list); len(list.Photos) != want {
			t.Errorf("%s has %d photographs, want %d", at, len(list.Photos), want)
		}
	}
	count("piece/"+made.ID, 2)
	count("material/"+pearl, 1) // it had one
	made.Document.Photos, made.Document.Notes = file.Photos, "a save keeps none in the piece"
	var saved server.PieceState
	if b.call("PUT", "/api/pieces/"+made.ID, map[string]any{"base": made.Revision, "document": made.Document}, &saved); saved.Document.Photos != nil {
		t.Error("a piece holds photographs itself")
	}
	var kit format.Kit
	if b.call("GET", "/api/kits/"+k.ID+"/file", nil, &kit); len(kit.Photos) != 2 && kitBead == pearl {
		t.Errorf("%d photographs of a kit", len(kit.Photos))
	}
	var again server.KitState
	if res := b.call("POST", "/api/kits", kit, &again); res.StatusCode != http.StatusOK || again.Kit.Photos != nil {
		t.Fatal(res.Status)
	}
	count("kit/"+again.ID, 1)

	var problem server.Problem
	file.Photos[1].JPEG = []byte("not one")
	if res := b.call("POST", "/api/pieces", file, &problem); res.StatusCode != 422 || problem.Faults[0].Where != "photos[1].jpeg" {
		t.Errorf("%s %+v", res.Status, problem)
	}
	file.Photos[1] = format.FilePhoto{Of: "no such bead", JPEG: file.Photos[0].JPEG}
	if res := b.call("POST", "/api/pieces", file, &problem); res.StatusCode != 422 || problem.Faults[0].Where != "photos[1].of" {
		t.Errorf("%s %+v", res.Status, problem)
	}
}
