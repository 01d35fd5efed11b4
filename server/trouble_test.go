package server

import (
	"bytes"
	"context"
	"errors"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"

	"github.com/go-chi/chi/v5/middleware"
)

func TestAnAnswerSaysWhyTheDatabaseIsDown(t *testing.T) {
	answered := func(trouble func() error, err error) string {
		var said error
		h := knowing(trouble)(http.HandlerFunc(func(_ http.ResponseWriter, r *http.Request) { said = logged(r.Context(), "try", err) }))
		h.ServeHTTP(httptest.NewRecorder(), httptest.NewRequestWithContext(context.Background(), http.MethodGet, "/", nil))
		return said.Error()
	}
	full := func() error { return errors.New("the disk is full") }
	for _, tt := range []struct {
		name    string
		trouble func() error
		err     error
		says    string
		not     string
	}{
		{"away, and why", full, errAway, "The cause: the disk is full.", "in a moment"},
		{"away for an unknown reason", nil, errAway, "try again in a moment", "cause"},
		{"away for a moment", func() error { return nil }, errAway, "try again in a moment", "cause"},
		{"something else", full, errors.New("a nil map"), "Something went wrong", "disk"},
	} {
		if said := answered(tt.trouble, tt.err); !strings.Contains(said, tt.says) || strings.Contains(said, tt.not) {
			t.Errorf("%s: %s", tt.name, said)
		}
	}
}

func TestAnUnexpectedErrorIsLoggedUnderTheIDOnThePage(t *testing.T) {
	var log bytes.Buffer
	before := slog.Default()
	slog.SetDefault(slog.New(slog.NewTextHandler(&log, nil)))
	defer slog.SetDefault(before)
	var said error
	h := middleware.RequestID(http.HandlerFunc(func(_ http.ResponseWriter, r *http.Request) {
		said = logged(r.Context(), "savePiece", errors.New("a nil map"))
	}))
	h.ServeHTTP(httptest.NewRecorder(), httptest.NewRequestWithContext(context.Background(), http.MethodGet, "/", nil))
	var p *Problem
	if !errors.As(said, &p) || p.Status != http.StatusInternalServerError || p.Request == "" || strings.Contains(p.Detail, "nil map") {
		t.Fatalf("answered %+v", said)
	}
	for _, part := range []string{p.Request, "savePiece", "a nil map"} {
		if !strings.Contains(log.String(), part) {
			t.Errorf("the log has no %q: %s", part, log.String())
		}
	}
	log.Reset()
	gone, cancel := context.WithCancel(context.Background())
	cancel()
	if _ = logged(gone, "savePiece", context.Canceled); log.Len() > 0 {
		t.Errorf("a client that hung up is logged as an error: %s", log.String())
	}
}
