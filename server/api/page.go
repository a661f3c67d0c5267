package api

import (
	"bytes"
	"compress/gzip"
	"crypto/sha256"
	"encoding/base64"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strconv"
	"strings"
	"sync"
	"time"
)

// asset is a file of the front end, with its gzip form made once: the core is 10 MB, and compressing it for every visitor, as
// chi's middleware would, takes a quarter of a second each.
type asset struct {
	data, zipped []byte
	kind         string
	tag          string // of what it holds
}

// page serves the front end: its files, and index.html for every address of the application.
func page(files fs.FS) http.HandlerFunc {
	var cache sync.Map
	load := func(name string) *asset {
		if a, ok := cache.Load(name); ok {
			return a.(*asset)
		}
		data, err := fs.ReadFile(files, name)
		if err != nil {
			return nil
		}
		sum := sha256.Sum256(data)
		a := &asset{data: data, kind: mime.TypeByExtension(path.Ext(name)), tag: base64.RawURLEncoding.EncodeToString(sum[:12])}
		// Not every machine knows these.
		if kind := map[string]string{".wasm": "application/wasm", ".webmanifest": "application/manifest+json"}[path.Ext(name)]; kind != "" {
			a.kind = kind
		}
		if !strings.HasSuffix(name, ".woff2") && !strings.HasSuffix(name, ".png") {
			var b bytes.Buffer
			z := gzip.NewWriter(&b)
			_, _ = z.Write(data)
			_ = z.Close()
			a.zipped = b.Bytes()
		}
		cache.Store(name, a)
		return a
	}
	// Compressing the core takes a moment; the first visitor is not to wait for it.
	go func() {
		_ = fs.WalkDir(files, ".", func(name string, entry fs.DirEntry, err error) error {
			if err == nil && !entry.IsDir() {
				load(name)
			}
			return nil
		})
	}()
	return func(w http.ResponseWriter, r *http.Request) {
		name := strings.TrimPrefix(path.Clean(r.URL.Path), "/")
		a := load(name)
		if a == nil {
			if path.Ext(name) != "" {
				fail(w, r, http.StatusNotFound, "not-found", "There is no such file.")
				return
			}
			if a = load("index.html"); a == nil {
				a = load("placeholder.html")
			}
			w.Header().Set("Cache-Control", "no-cache")
		} else if strings.HasPrefix(name, "assets/") {
			w.Header().Set("Cache-Control", "public, max-age=31536000, immutable")
		} else {
			w.Header().Set("Cache-Control", "no-cache")
		}
		a.serve(w, r)
	}
}

// serve sends what the visitor does not have already, compressed where that is understood.
func (a *asset) serve(w http.ResponseWriter, r *http.Request) {
	data, tag := a.data, a.tag+"-plain"
	w.Header().Set("Content-Type", a.kind)
	w.Header().Set("Vary", "Accept-Encoding")
	if a.zipped != nil && takesGzip(r) {
		w.Header().Set("Content-Encoding", "gzip")
		data, tag = a.zipped, a.tag
	}
	w.Header().Set("Parvix-Length", strconv.Itoa(len(a.data))) // for a page that tells how much has come, uncompressed
	w.Header().Set("ETag", `"`+tag+`"`)
	http.ServeContent(w, r, "", time.Time{}, bytes.NewReader(data))
}

func takesGzip(r *http.Request) bool {
	return strings.Contains(r.Header.Get("Accept-Encoding"), "gzip")
}
