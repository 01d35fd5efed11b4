package localpg

import (
	"fmt"
	"net/url"
	"os"
	"path/filepath"
	"strings"
)

// Running gives the address of the cluster of a folder that another process has started; empty
// where none seems to run.
func Running(dir string) (string, error) {
	dir, _, err := prepareFolder(dir)
	if err != nil {
		return "", err
	}
	// PostgreSQL's own note: process, folder, start, port, ...
	note, err := os.ReadFile(filepath.Join(dir, "data", "postmaster.pid"))
	if err != nil {
		return "", nil
	}
	lines := strings.Split(string(note), "\n")
	password, err := os.ReadFile(filepath.Join(dir, workerPassword))
	if err != nil || len(lines) < 4 {
		return "", err
	}
	return address(worker, string(password), strings.TrimSpace(lines[3])), nil
}

func address(user, password, port string) string {
	return (&url.URL{Scheme: "postgres", User: url.UserPassword(user, password), Host: fmt.Sprintf("127.0.0.1:%s", port), Path: "/postgres", RawQuery: "sslmode=disable"}).String()
}
