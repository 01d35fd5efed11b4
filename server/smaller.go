package server

import (
	"net/http"
	"net/netip"
	"strings"

	"github.com/klauspost/compress/gzhttp"
	"golang.org/x/sync/semaphore"
)

// compressFrom is how many bytes an answer has at least to be worth compressing.
const compressFrom = 64 << 10

var compressed = mustCompress()

func mustCompress() func(http.Handler) http.HandlerFunc {
	// What tells its progress line by line, and what is compressed already, goes as it is.
	wrap, err := gzhttp.NewWrapper(gzhttp.MinSize(compressFrom), gzhttp.CompressionLevel(1), gzhttp.ZstdCompressionLevel(1),
		gzhttp.ContentTypes([]string{"application/json", "application/problem+json", "text/csv"}))
	if err != nil {
		panic(err) // only a setting that is none
	}
	return wrap
}

// uploads is how many catalogue files, and how many photographs, are read at once: each may be large, and is
// held until it is worked on.
const (
	uploads      = 2
	photoUploads = 4
)

// fewUploads has further ones wait before they are read.
func fewUploads(next http.Handler) http.Handler {
	turnsOf := map[string]*semaphore.Weighted{"/api/catalogue": semaphore.NewWeighted(uploads), "/api/photos/": semaphore.NewWeighted(photoUploads)}
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		for begins, turns := range turnsOf {
			if r.Method != http.MethodPost || !strings.HasPrefix(r.URL.Path, begins) {
				continue
			}
			if turns.Acquire(r.Context(), 1) != nil {
				http.Error(w, "Too many files are being read. Try again in a moment.", http.StatusServiceUnavailable)
				return
			}
			defer turns.Release(1)
		}
		next.ServeHTTP(w, r)
	})
}

// smaller compresses the answers of calls that go over a network: to a page on this machine that takes
// longer than sending them whole. The page's own files are compressed where they are served.
func smaller(next http.Handler) http.Handler {
	calls := compressed(next)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if strings.HasPrefix(r.URL.Path, "/api/") && !fromHere(r) {
			calls.ServeHTTP(w, r)
			return
		}
		next.ServeHTTP(w, r)
	})
}

// fromHere says whether a request comes from this machine.
func fromHere(r *http.Request) bool {
	from, err := netip.ParseAddrPort(r.RemoteAddr)
	return err == nil && from.Addr().Unmap().IsLoopback()
}
