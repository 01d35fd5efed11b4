package server

import (
	"bytes"
	"io/fs"
	"net/http"
	"path"
	"strings"

	"github.com/go-chi/chi/v5/middleware"
	"github.com/unrolled/secure"
)

// missingPage is served when the binary was built without the page.
const missingPage = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Mala</title>
<p>This Mala was built without its page. Run <b>make build</b> and start it again.</p></html>`

// nonceMark stands in the built page where the nonce of each showing goes.
var nonceMark = []byte("__NONCE__")

// pageHandler serves the built page: its parts as they are, and the page itself
// for every other address, since the page finds its own way from there.
func pageHandler(page fs.FS) http.Handler {
	var index []byte
	if page != nil {
		index, _ = fs.ReadFile(page, "index.html")
	}
	if index == nil {
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			w.Header().Set("Content-Type", "text/html; charset=utf-8")
			_, _ = w.Write([]byte(missingPage))
		})
	}
	files := http.FileServerFS(page)
	return middleware.Compress(5)(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		name := strings.TrimPrefix(path.Clean(r.URL.Path), "/")
		if info, err := fs.Stat(page, name); err == nil && !info.IsDir() && name != "index.html" {
			if strings.HasPrefix(name, "assets/") {
				// Their names change with their contents.
				w.Header().Set("Cache-Control", "public, max-age=31536000, immutable")
			}
			files.ServeHTTP(w, r)
			return
		}
		if strings.HasPrefix(name, "assets/") {
			http.NotFound(w, r)
			return
		}
		w.Header().Set("Content-Type", "text/html; charset=utf-8")
		w.Header().Set("Cache-Control", "no-store")
		_, _ = w.Write(bytes.ReplaceAll(index, nonceMark, []byte(secure.CSPNonce(r.Context()))))
	}))
}
