package server

import (
	"net/http"
	"strings"

	"github.com/klauspost/compress/gzhttp"
)

// compressFrom is how many bytes an answer has at least to be worth compressing.
const compressFrom = 4 << 10

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

// smaller compresses the answers of calls. The page's own files are compressed where they are served.
func smaller(next http.Handler) http.Handler {
	calls := compressed(next)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if strings.HasPrefix(r.URL.Path, "/api/") {
			calls.ServeHTTP(w, r)
			return
		}
		next.ServeHTTP(w, r)
	})
}
