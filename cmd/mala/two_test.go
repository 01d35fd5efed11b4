package main_test

import (
	"bufio"
	"bytes"
	"encoding/json"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"mala/format"
	"mala/localpg"
	"mala/server"
)

// Two servers on one PostgreSQL serve one shop: what one saves the other reads, and a house method
// or a material that one changes the other works by, sooner than it would look again by itself.
func TestTwoServersServeOneShop(t *testing.T) {
	one := startMala(t)
	url, err := localpg.Running(filepath.Join(one.dir, "pg"))
	if err != nil || url == "" {
		t.Fatalf("%q, %v", url, err)
	}
	cmd := exec.Command(one.bin, "serve", "--listen", "127.0.0.1:0", "--database-url", url)
	cmd.Stderr = os.Stderr
	out, err := cmd.StdoutPipe()
	if err != nil {
		t.Fatal(err)
	}
	if err := cmd.Start(); err != nil {
		t.Fatal(err)
	}
	defer func() {
		_ = cmd.Process.Signal(os.Interrupt)
		_ = cmd.Wait()
	}()
	lines := bufio.NewScanner(out)
	lines.Scan()
	other := strings.TrimPrefix(lines.Text(), "Mala is ready at ")

	send := func(method, address string, body, into any) {
		t.Helper()
		data, err := json.Marshal(body)
		if err != nil {
			t.Fatal(err)
		}
		req, _ := http.NewRequest(method, address, bytes.NewReader(data))
		req.Header.Set("Content-Type", "application/json")
		resp, err := http.DefaultClient.Do(req)
		if err != nil {
			t.Fatal(err)
		}
		defer resp.Body.Close()
		if resp.StatusCode != http.StatusOK {
			t.Fatalf("%s %s: %s", method, address, resp.Status)
		}
		if err := json.NewDecoder(resp.Body).Decode(into); err != nil {
			t.Fatal(err)
		}
	}
	p := one.piece()
	var saved, seen server.PieceState
	p.Document.Notes = "saved by the one"
	send("PUT", one.url("/api/pieces/"+p.ID), map[string]any{"base": p.Revision, "document": p.Document}, &saved)
	if err := fetch(other+"/api/pieces/"+p.ID, &seen); err != nil || seen.Document.Notes != "saved by the one" || seen.Revision != saved.Revision {
		t.Errorf("%v: %q", err, seen.Document.Notes)
	}
	var analysis struct {
		Strands []struct{ CutMm float64 }
	}
	cut := func() float64 {
		send("POST", other+"/api/analyse", p.Document, &analysis)
		return analysis.Strands[0].CutMm
	}
	before := cut() // the other has looked just now
	var house server.HouseState
	if err := fetch(one.url("/api/house"), &house); err != nil {
		t.Fatal(err)
	}
	tail := house.Whole.ElasticTailMm
	*tail += 20
	send("PUT", one.url("/api/house"), map[string]any{"base": house.Revision, "house": format.House{ElasticTailMm: tail}}, &house)
	for deadline := time.Now().Add(3 * time.Second); cut() != before+40; time.Sleep(20 * time.Millisecond) {
		if time.Now().After(deadline) {
			t.Fatalf("the other still cuts %v, by the house as it was", cut())
		}
	}
}
