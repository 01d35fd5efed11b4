// Package web carries the built page inside the binary.
package web

import (
	"embed"
	"io/fs"
)

//go:embed all:dist
var dist embed.FS

// Page is the built page, or nil if the binary was built without it.
func Page() fs.FS {
	page, err := fs.Sub(dist, "dist/page")
	if err != nil {
		return nil
	}
	if _, err := fs.Stat(page, "index.html"); err != nil {
		return nil
	}
	return page
}
