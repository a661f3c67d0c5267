package api

import (
	"encoding/json"
	"net/http"
	"strconv"
	"time"

	"github.com/go-chi/chi/v5"

	"parvix/core/document"
	"parvix/server/domain"
)

// Stored is a demonstration with its place in time.
type Stored struct {
	ID        string             `json:"id"`
	Revision  uint64             `json:"revision"`
	ChangedAt time.Time          `json:"changedAt"`
	Document  *document.Document `json:"document,omitempty"`
}

// Save is what the page sends: the revision it started from and the whole document.
type Save struct {
	Revision uint64          `json:"revision"`
	Document json.RawMessage `json:"document"`
}

func stored(d *domain.Demonstration) Stored {
	return Stored{d.ID, d.Revision, d.ChangedAt, d.Document}
}

func (s *server) list(w http.ResponseWriter, r *http.Request) {
	entries, err := s.Store.List(teacher(r).ID, r.URL.Query().Get("words"))
	if err != nil {
		failed(w, r, err)
		return
	}
	answer(w, http.StatusOK, entries)
}

// store adds a document to the shelf of the signed-in teacher.
func (s *server) store(w http.ResponseWriter, r *http.Request, doc *document.Document) {
	d := &domain.Demonstration{ID: NewID(), OwnerID: teacher(r).ID, Title: doc.Title, Document: doc, Picture: Draw(doc)}
	if err := s.Store.Add(d); err != nil {
		failed(w, r, err)
		return
	}
	answer(w, http.StatusCreated, stored(d))
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
	if doc, ok := decoded(w, r); ok {
		s.store(w, r, doc)
	}
}

func (s *server) one(w http.ResponseWriter, r *http.Request) (*domain.Demonstration, bool) {
	d, err := s.Store.Demonstration(teacher(r).ID, chi.URLParam(r, "id"))
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

func (s *server) save(w http.ResponseWriter, r *http.Request) {
	var body Save
	if !readBody(w, r, &body) {
		return
	}
	doc, err := document.Decode(body.Document)
	if err != nil {
		fail(w, r, http.StatusUnprocessableEntity, "document", err.Error())
		return
	}
	d, err := s.Store.Save(teacher(r).ID, chi.URLParam(r, "id"), body.Revision, doc, Draw(doc))
	if err != nil {
		failed(w, r, err)
		return
	}
	answer(w, http.StatusOK, Stored{ID: d.ID, Revision: d.Revision, ChangedAt: d.ChangedAt})
}

func (s *server) remove(w http.ResponseWriter, r *http.Request) {
	if err := s.Store.Delete(teacher(r).ID, chi.URLParam(r, "id")); err != nil {
		failed(w, r, err)
		return
	}
	w.WriteHeader(http.StatusNoContent)
}

func (s *server) restore(w http.ResponseWriter, r *http.Request) {
	if err := s.Store.Restore(teacher(r).ID, chi.URLParam(r, "id")); err != nil {
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

func (s *server) picture(w http.ResponseWriter, r *http.Request) {
	if d, ok := s.one(w, r); ok {
		w.Header().Set("Content-Type", "image/svg+xml")
		w.Header().Set("Cache-Control", "private, max-age=60")
		w.Header().Set("ETag", `"`+strconv.FormatUint(d.Revision, 10)+`"`)
		_, _ = w.Write([]byte(d.Picture))
	}
}
