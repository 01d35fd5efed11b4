package server

import (
	"context"
	"io"
	"net/http"
	"net/http/httptest"
	"runtime"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/go-chi/chi/v5/middleware"

	"mala/format"
)

func ofLine(line string) *format.Document {
	return &format.Document{Sections: []format.Section{{Rows: []format.Row{{Line: line}}}}}
}

// While as much is being worked out as there are processors, the next large piece waits, and gives
// up when no one waits for it any more; a small one does not wait.
func TestWhatIsLargeWaitsAndWhatIsSmallDoesNot(t *testing.T) {
	turns := newTurns()
	var leave []func()
	for range runtime.GOMAXPROCS(0) {
		out, err := turns.forPiece(t.Context(), ofLine("1999A B"))
		if err != nil {
			t.Fatal(err)
		}
		leave = append(leave, out)
	}
	for _, line := range []string{"1999A", "not a ] line", "{12(900A)}"} {
		if out, err := turns.forPiece(t.Context(), ofLine(line)); err != nil {
			t.Errorf("%s waits: %v", line, err)
		} else {
			out()
		}
	}
	short, cancel := context.WithTimeoutCause(t.Context(), 20*time.Millisecond, errTooLong)
	defer cancel()
	if _, err := turns.forPiece(short, ofLine("2000A")); err != errTooLong {
		t.Errorf("the next large one: %v", err)
	}
	if _, err := turns.forSearch(short); err != errTooLong {
		t.Errorf("the next search: %v", err)
	}
	waited := make(chan error)
	go func() {
		out, err := turns.forPiece(t.Context(), ofLine("20(100A)"))
		if err == nil {
			out()
		}
		waited <- err
	}()
	select {
	case err := <-waited:
		t.Errorf("it did not wait: %v", err)
	case <-time.After(20 * time.Millisecond):
	}
	leave[0]()
	if err := <-waited; err != nil {
		t.Error(err)
	}
}

// What is broken off on the way does not look whole.
func TestABrokenAnswerIsNoWholeOne(t *testing.T) {
	broken := middleware.Recoverer(smaller(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		w.Header().Set("Content-Type", "text/csv")
		_, _ = w.Write([]byte(strings.Repeat("0123456789", compressFrom)))
		panic(http.ErrAbortHandler)
	})))
	srv := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		r.RemoteAddr = "192.0.2.1:1234" // as over a network
		broken.ServeHTTP(w, r)
	}))
	defer srv.Close()
	for _, plain := range []bool{false, true} {
		client := http.Client{Transport: &http.Transport{DisableCompression: plain}}
		resp, err := client.Get(srv.URL + "/api/catalogue.csv")
		if err != nil {
			continue // not even begun
		}
		if _, err := io.ReadAll(resp.Body); err == nil {
			t.Errorf("plain %v: it looks whole", plain)
		}
		resp.Body.Close()
	}
}

// Of many large files no more than a few are read at once.
func TestFewFilesAreReadAtOnce(t *testing.T) {
	var now, most atomic.Int32
	h := fewUploads(http.HandlerFunc(func(http.ResponseWriter, *http.Request) {
		if n := now.Add(1); n > most.Load() {
			most.Store(n)
		}
		time.Sleep(5 * time.Millisecond)
		now.Add(-1)
	}))
	var all sync.WaitGroup
	for range 12 {
		all.Go(func() {
			h.ServeHTTP(httptest.NewRecorder(), httptest.NewRequest(http.MethodPost, "/api/catalogue/preview", nil))
		})
	}
	all.Wait()
	if most.Load() != uploads {
		t.Errorf("%d at once", most.Load())
	}
	ctx, cancel := context.WithCancel(t.Context())
	cancel()
	h.ServeHTTP(httptest.NewRecorder(), httptest.NewRequest(http.MethodGet, "/api/catalogue.csv", nil).WithContext(ctx))
}

func TestAnswersAreCompressedWhereThatIsWorthIt(t *testing.T) {
	long := strings.Repeat("0123456789", compressFrom/10+1)
	const away = "192.0.2.1:1234"
	for _, tt := range []struct {
		path, kind, body, accepts, from, encoding string
	}{
		{"/api/x", "application/json", long, "gzip", away, "gzip"},
		{"/api/x", "application/json", long, "", away, ""},
		{"/api/x", "application/json", "short", "gzip", away, ""},
		{"/api/x", "application/problem+json", long, "gzip", away, "gzip"},
		{"/api/x", "text/csv; charset=utf-8", long, "gzip", away, "gzip"},
		{"/api/x", "application/x-ndjson", long, "gzip", away, ""},
		{"/api/x", "application/zip", long, "gzip", away, ""},
		{"/assets/x", "application/json", long, "gzip", away, ""},
		{"/api/x", "application/json", long, "gzip", "[2001:db8::7]:1234", "gzip"},
		{"/api/x", "application/json", long, "gzip", "127.0.0.1:1234", ""},
		{"/api/x", "application/json", long, "gzip", "[::1]:1234", ""},
		{"/api/x", "application/json", long, "gzip", "[::ffff:127.0.0.1]:1234", ""},
	} {
		w := httptest.NewRecorder()
		r := httptest.NewRequest(http.MethodGet, tt.path, nil)
		r.Header.Set("Accept-Encoding", tt.accepts)
		r.RemoteAddr = tt.from
		smaller(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
			w.Header().Set("Content-Type", tt.kind)
			_, _ = w.Write([]byte(tt.body))
		})).ServeHTTP(w, r)
		if got := w.Header().Get("Content-Encoding"); got != tt.encoding {
			t.Errorf("%s of %d bytes on %s for %q at %s: %q", tt.kind, len(tt.body), tt.path, tt.accepts, tt.from, got)
		}
	}
}
