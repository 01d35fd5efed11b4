package main

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"time"

	"mala/demo"
	"mala/format"
	"mala/localpg"
	"mala/server"
	"mala/store"
)

// shop is a Mala that serves the demo shop, and its database at first hand.
type shop struct {
	url   string
	cmd   *exec.Cmd
	store *store.Store
	http  *http.Client
}

var ready = regexp.MustCompile(`http://127\.0\.0\.1:\d+`)

func serveShop(dir string) (*shop, error) {
	s := &shop{http: &http.Client{Transport: &http.Transport{MaxIdleConnsPerHost: 400}}}
	s.cmd = exec.Command("bin/mala", "demo", "--listen", "127.0.0.1:0", "--data", dir)
	s.cmd.Stderr = os.Stderr
	out, err := s.cmd.StdoutPipe()
	if err != nil {
		return nil, err
	}
	if err := s.cmd.Start(); err != nil {
		return nil, fmt.Errorf("run make build first: %w", err)
	}
	lines := bufio.NewScanner(out)
	for s.url == "" && lines.Scan() {
		s.url = ready.FindString(lines.Text())
	}
	if s.url == "" {
		return nil, fmt.Errorf("mala did not start")
	}
	go io.Copy(io.Discard, out)
	database, err := localpg.Running(filepath.Join(dir, "pg"))
	if err != nil {
		return nil, err
	}
	s.store, err = store.Open(context.Background(), database)
	return s, err
}

func (s *shop) stop() {
	_ = s.store.Close()
	_ = s.cmd.Process.Signal(os.Interrupt)
	_ = s.cmd.Wait()
}

// ask makes a call and gives the body of its answer, and how long it took to the last byte.
func (s *shop) ask(method, path string, body any) ([]byte, time.Duration, error) {
	var data []byte
	if raw, ok := body.([]byte); ok {
		data = raw
	} else if body != nil {
		data, _ = json.Marshal(body)
	}
	began := time.Now()
	req, err := http.NewRequest(method, s.url+path, bytes.NewReader(data))
	if err != nil {
		return nil, 0, err
	}
	req.Header.Set("Content-Type", typeOf(path))
	resp, err := s.http.Do(req)
	if err != nil {
		return nil, 0, err
	}
	defer resp.Body.Close()
	got, err := io.ReadAll(resp.Body)
	if err == nil && resp.StatusCode >= 300 {
		err = fmt.Errorf("%s %s: %s %.200s", method, path, resp.Status, got)
	}
	return got, time.Since(began), err
}

// timed makes a call this many times.
func (s *shop) timed(times int, method, path string, body any) (spread, error) {
	var all spread
	for range times {
		_, took, err := s.ask(method, path, body)
		if err != nil {
			return nil, err
		}
		all = append(all, took)
	}
	return all, nil
}

// spread is how long calls took.
type spread []time.Duration

// p95 is what 95 of 100 stay within, in ms.
func (s spread) p95() float64 {
	if len(s) == 0 {
		return 0
	}
	sorted := slices.Sorted(slices.Values(s))
	return float64(sorted[min(len(sorted)-1, len(sorted)*95/100)].Microseconds()) / 1000
}

func ms(v float64) string {
	if v < 10 {
		return fmt.Sprintf("%.1f ms", v)
	}
	return fmt.Sprintf("%.0f ms", v)
}

// memory is the most memory in MB that the server has held since it was last asked.
func (s *shop) memory() int {
	status, _ := os.ReadFile(fmt.Sprintf("/proc/%d/status", s.cmd.Process.Pid))
	_ = os.WriteFile(fmt.Sprintf("/proc/%d/clear_refs", s.cmd.Process.Pid), []byte("5"), 0)
	for line := range strings.Lines(string(status)) {
		if name, value, _ := strings.Cut(line, ":"); name == "VmHWM" {
			kb, _ := strconv.Atoi(strings.Fields(value)[0])
			return kb / 1024
		}
	}
	return 0
}

// strung is a demo piece with a line of this many beads, none like another's.
func strung(beads, which int) (*format.Document, error) {
	doc, err := demo.Piece("harbour-lights.json")
	if err != nil {
		return nil, err
	}
	doc.Name = fmt.Sprintf("Harbour lights %d", which)
	var keys []string
	for key, id := range doc.Palette {
		if i := slices.IndexFunc(doc.Materials, func(m format.Material) bool { return m.ID == id }); i >= 0 && doc.Materials[i].Class == "bead" {
			keys = append(keys, key)
		}
	}
	slices.Sort(keys)
	line := make([]string, beads)
	for i := range line {
		line[i] = keys[(i*i/7+i*which)%len(keys)]
	}
	doc.Row("r1").Line = strings.Join(line, " ")
	return doc, nil
}

// create saves a piece and gives its state.
func (s *shop) create(doc *format.Document) (server.PieceState, error) {
	var p server.PieceState
	data, _, err := s.ask(http.MethodPost, "/api/pieces", doc)
	if err == nil {
		err = json.Unmarshal(data, &p)
	}
	return p, err
}

func typeOf(path string) string {
	if strings.HasPrefix(path, "/api/catalogue") {
		return "text/csv"
	}
	return "application/json"
}
