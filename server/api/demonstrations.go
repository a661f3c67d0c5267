package api

import (
	"bytes"
	"compress/gzip"
	"context"
	"encoding/json"
	"io"
	"net/http"
	"strconv"
	"time"

	"github.com/go-chi/chi/v5"

	"parvix/core/stage/document"
	"parvix/server/domain"
)

// Stored is a demonstration with its place in time.
type Stored struct {
	ID        string    `json:"id"`
	Revision  uint64    `json:"revision"`
	ChangedAt time.Time `json:"changedAt"`
	// Save is the id of the save that made the revision, where there was one.
	Save     string             `json:"save,omitempty"`
	Document *document.Document `json:"document,omitempty"`
	// Mended tells what was put right in a file of an older version, in sentences.
	Mended []string `json:"mended,omitempty"`
}

// Save is what the page sends: the revision it started from and the whole document, with an id of its own making, so
// that the same save sent twice is one.
type Save struct {
	Revision uint64          `json:"revision"`
	Save     string          `json:"save,omitempty"`
	Document json.RawMessage `json:"document"`
}

// mostSaveID bounds the id of a save.
const mostSaveID = 64

func stored(d *domain.Demonstration) Stored {
	return Stored{ID: d.ID, Revision: d.Revision, ChangedAt: d.ChangedAt, Save: d.Save, Document: d.Document}
}

func (s *server) list(w http.ResponseWriter, r *http.Request) {
	entries, err := s.Store.List(r.Context(), teacher(r).ID, r.URL.Query().Get("words"), r.URL.Query().Get("after"))
	if err != nil {
		failed(w, r, err)
		return
	}
	answer(w, http.StatusOK, entries)
}

// store adds a document to the shelf of the signed-in teacher.
// store keeps a new demonstration; mended is what was put right in its file.
func (s *server) store(w http.ResponseWriter, r *http.Request, doc *document.Document, mended ...string) {
	d := &domain.Demonstration{ID: NewID(), OwnerID: teacher(r).ID, Title: doc.Title, Document: doc}
	if err := s.Store.Add(r.Context(), d); err != nil {
		failed(w, r, err)
		return
	}
	s.Pictures.Want(d.ID, d.Revision, doc)
	kept := stored(d)
	kept.Mended = mended
	answer(w, http.StatusCreated, kept)
}

func (s *server) add(w http.ResponseWriter, r *http.Request) {
	var body struct {
		Title string `json:"title"`
	}
	if !readBody(w, r, &body) {
		return
	}
	doc := document.New(body.Title)
	if err := doc.Check(); err != nil {
		fail(w, r, http.StatusUnprocessableEntity, "document", err.Error())
		return
	}
	s.store(w, r, doc)
}

func (s *server) importFile(w http.ResponseWriter, r *http.Request) {
	if doc, mended, ok := decoded(w, r); ok {
		s.store(w, r, doc, mended...)
	}
}

func (s *server) one(w http.ResponseWriter, r *http.Request) (*domain.Demonstration, bool) {
	d, err := s.Store.Demonstration(r.Context(), teacher(r).ID, chi.URLParam(r, "id"))
	if err != nil {
		failed(w, r, err)
		return nil, false
	}
	return d, true
}

func (s *server) read(w http.ResponseWriter, r *http.Request) {
	if d, ok := s.one(w, r); ok {
		answer(w, http.StatusOK, stored(d))
	}
}

// save checks id and owner before it reads what was sent, and the revision before it looks into the document.
func (s *server) save(w http.ResponseWriter, r *http.Request) {
	owner, id := teacher(r).ID, chi.URLParam(r, "id")
	revision, last, err := s.Store.Revision(r.Context(), owner, id)
	if err != nil {
		failed(w, r, err)
		return
	}
	var body Save
	if !readBody(w, r, &body) {
		return
	}
	if len(body.Save) > mostSaveID || !printable(body.Save) {
		fail(w, r, http.StatusUnprocessableEntity, "save", "The id of a save has at most 64 letters, digits and signs.")
		return
	}
	if body.Save != "" && body.Save == last {
		// It was stored before, and only the answer was lost.
		if d, ok := s.one(w, r); ok {
			answer(w, http.StatusOK, Stored{ID: id, Revision: revision, ChangedAt: d.ChangedAt, Save: last})
		}
		return
	}
	doc, err := document.Decode(body.Document)
	if err != nil {
		fail(w, r, http.StatusUnprocessableEntity, "document", err.Error())
		return
	}
	d, err := s.Store.Save(r.Context(), owner, id, domain.Save{Revision: body.Revision, ID: body.Save, Document: doc})
	if err != nil {
		failed(w, r, err)
		return
	}
	s.Pictures.Want(id, d.Revision, doc)
	answer(w, http.StatusOK, Stored{ID: d.ID, Revision: d.Revision, ChangedAt: d.ChangedAt, Save: d.Save})
}

// printable tells whether a text is of ASCII signs that can be seen.
func printable(text string) bool {
	for _, b := range []byte(text) {
		if b <= ' ' || b > '~' {
			return false
		}
	}
	return true
}

func (s *server) remove(w http.ResponseWriter, r *http.Request) {
	if err := s.Store.Delete(r.Context(), teacher(r).ID, chi.URLParam(r, "id")); err != nil {
		failed(w, r, err)
		return
	}
	w.WriteHeader(http.StatusNoContent)
}

func (s *server) restore(w http.ResponseWriter, r *http.Request) {
	if err := s.Store.Restore(r.Context(), teacher(r).ID, chi.URLParam(r, "id")); err != nil {
		failed(w, r, err)
		return
	}
	w.WriteHeader(http.StatusNoContent)
}

func (s *server) copy(w http.ResponseWriter, r *http.Request) {
	if d, ok := s.one(w, r); ok {
		title := []rune(d.Document.Title)
		d.Document.Title = string(title[:min(len(title), document.MaxTitle-8)]) + " (copy)"
		s.store(w, r, d.Document)
	}
}

func (s *server) file(w http.ResponseWriter, r *http.Request) {
	if d, ok := s.one(w, r); ok {
		w.Header().Set("Content-Type", "application/json")
		w.Header().Set("Content-Disposition", `attachment; filename="demonstration.parvix.json"`)
		_, _ = w.Write(document.Encode(d.Document))
	}
}

// patience is how long a picture that is being drawn is waited for.
const patience = 1500 * time.Millisecond

// picture gives the newest shelf picture that there is. One that is missing, as after a restart, is asked for.
func (s *server) picture(w http.ResponseWriter, r *http.Request) {
	owner, id := teacher(r).ID, chi.URLParam(r, "id")
	p, err := s.Store.Picture(r.Context(), owner, id)
	if err == nil && p.Drawn < p.Revision {
		if p, err = s.newest(r.Context(), owner, id); err == nil && len(p.Data) == 0 {
			fail(w, r, http.StatusServiceUnavailable, "picture", "The picture is not drawn yet.")
			return
		}
	}
	if err != nil {
		failed(w, r, err)
		return
	}
	a := asset{zipped: p.Data, kind: "image/svg+xml", tag: strconv.FormatUint(p.Drawn, 10)}
	if !takesGzip(r) {
		z, err := gzip.NewReader(bytes.NewReader(p.Data))
		if err == nil {
			a.data, err = io.ReadAll(z)
		}
		if err != nil {
			failed(w, r, err)
			return
		}
	}
	// An address names a revision; its picture is final once it is drawn.
	caching := "private, no-cache"
	if p.Drawn >= p.Revision {
		caching = "private, max-age=60"
	}
	w.Header().Set("Cache-Control", caching)
	a.serve(w, r)
}

// newest asks for a picture of the stored revision and waits a little for it.
func (s *server) newest(ctx context.Context, owner uint64, id string) (*domain.Picture, error) {
	d, err := s.Store.Demonstration(ctx, owner, id)
	if err != nil {
		return nil, err
	}
	s.Pictures.Want(id, d.Revision, d.Document)
	ctx, cancel := context.WithTimeout(ctx, patience)
	defer cancel()
	s.Pictures.Await(ctx, id)
	return s.Store.Picture(ctx, owner, id)
}
