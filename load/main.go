// Command load measures Mala with as much in it as a large shop has, and keeps what it finds in
// docs/figures.md. It serves a shop of its own from a folder that it deletes again.
package main

import (
	"context"
	"flag"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"time"
)

func main() {
	only := flag.String("only", "", "measure only what has this in its name, and keep nothing")
	flag.Parse()
	if err := measureAll(context.Background(), *only); err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}

// figure is one line of the table.
type figure struct{ what, asked, found string }

func measureAll(ctx context.Context, only string) error {
	dir, err := os.MkdirTemp("", "mala-load-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(dir)
	if err := os.Chmod(dir, 0o755); err != nil {
		return err
	}
	s, err := serveShop(dir)
	if err != nil {
		return err
	}
	defer s.stop()
	var figures []figure
	for _, part := range []struct {
		name string
		run  func(context.Context, *shop) ([]figure, error)
	}{
		{"designers", designers},
		{"huge", hugePieces},
		{"pieces", manyPieces},
		{"materials", manyMaterials},
	} {
		if !strings.Contains(part.name, only) {
			continue
		}
		began := time.Now()
		found, err := part.run(ctx, s)
		for _, f := range found {
			fmt.Printf("| %s | %s | %s |\n", f.what, f.asked, f.found)
		}
		if err != nil {
			return fmt.Errorf("%s: %w", part.name, err)
		}
		fmt.Fprintf(os.Stderr, "%s took %.0f s\n", part.name, time.Since(began).Seconds())
		figures = append(figures, found...)
	}
	if only != "" {
		return nil
	}
	return keep(filepath.Join("docs", "figures.md"), figures)
}

// The marks between which the table stands.
const (
	begins = "<!-- begin: make load -->\n"
	ends   = "<!-- end: make load -->\n"
)

// keep puts the table into the document.
func keep(path string, figures []figure) error {
	text, err := os.ReadFile(path)
	if err != nil {
		return err
	}
	before, rest, found := strings.Cut(string(text), begins)
	_, after, ended := strings.Cut(rest, ends)
	if !found || !ended {
		return fmt.Errorf("%s has no place for the table, between %q and %q", path, begins, ends)
	}
	var table strings.Builder
	table.WriteString("| what | asked | found |\n|---|---|---|\n")
	for _, f := range figures {
		fmt.Fprintf(&table, "| %s | %s | %s |\n", f.what, f.asked, f.found)
	}
	return os.WriteFile(path, []byte(before+begins+table.String()+ends+after), 0o644)
}

// browse measures the page in a browser: the test of that name prints its figures.
func browse(url, name string) ([]figure, error) {
	cmd := exec.Command("npx", "playwright", "test", "--config", "e2e/load.config.ts", "-g", name)
	cmd.Env = append(os.Environ(), "MALA_LOAD_URL="+url)
	out, err := cmd.CombinedOutput()
	if err != nil {
		return nil, fmt.Errorf("%w\n%s", err, out)
	}
	var figures []figure
	for line := range strings.Lines(string(out)) {
		if cells := strings.Split(strings.TrimSpace(line), " | "); len(cells) == 4 && cells[0] == "figure" {
			figures = append(figures, figure{cells[1], cells[2], cells[3]})
		}
	}
	return figures, nil
}
