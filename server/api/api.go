// Package api is the server's HTTP face: routes, sessions, limits, problem+json. It knows the domain, not the database.
package api

import (
	"context"
	"crypto/rand"
	_ "embed"
	"encoding/base32"
	"encoding/json"
	"errors"
	"io"
	"io/fs"
	"log/slog"
	"net/http"
	"strings"
	"time"

	"github.com/alexedwards/scs/v2"
	"github.com/go-chi/chi/v5"
	"github.com/go-chi/chi/v5/middleware"
	"github.com/go-chi/httprate"

	"parvix/core/stage/document"
	"parvix/server/domain"
)

//go:embed openapi.json
var openAPI []byte

// Config is what the server is started with.
type Config struct {
	Store    domain.Store
	Sessions *scs.SessionManager
	// Page is the built front end.
	Page fs.FS
	// Pictures draws shelf pictures after a save.
	Pictures Pictures
	// Ready tells whether the database answers; Room, how many bytes the disk of the data has left, −1 for unknown.
	Ready func() error
	Room  func() int64
	// DemoTeacher, when not empty, may sign in with one click.
	DemoTeacher string
	// OpenRegistration lets anybody make an account.
	OpenRegistration bool
	// SavesPerMinute limits one person; 0 means the usual 120.
	SavesPerMinute int
	// Proxies is the number of reverse proxies in front, whose X-Forwarded-For names the visitor; 0 for none.
	Proxies int
}

// Pictures draws the newest revision of a demonstration some time after Want; Await waits for it.
type Pictures interface {
	Want(id string, revision uint64, doc *document.Document)
	Await(ctx context.Context, id string)
}

type server struct{ Config }

// New builds the handler with all routes.
func New(c Config) *chi.Mux {
	if c.SavesPerMinute == 0 {
		c.SavesPerMinute = 120
	}
	s := &server{c}
	c.Sessions.ErrorFunc = failed
	r := chi.NewRouter()
	visitor := middleware.ClientIPFromRemoteAddr
	if c.Proxies > 0 {
		visitor = middleware.ClientIPFromXFFTrustedProxies(c.Proxies)
	}
	r.Use(middleware.RequestID, visitor, recovered, secured, sameOrigin().Handler)
	r.Route("/api", func(r chi.Router) {
		r.Use(middleware.Compress(gzipLevel, "application/json", "application/problem+json"), c.Sessions.LoadAndSave)
		r.Get("/health", s.health)
		r.Get("/health/live", s.live)
		r.Get("/openapi.json", s.openAPI)
		r.Get("/session", s.session)
		r.Delete("/session", s.signOut)
		r.With(tries(30, time.Minute)).Post("/session", s.signIn)
		r.With(tries(60, time.Minute)).Post("/session/demo", s.demoSignIn)
		r.With(tries(5, time.Hour)).Post("/accounts", s.register)
		r.Route("/demonstrations", func(r chi.Router) {
			r.Use(s.signedIn)
			writes := httprate.LimitBy(c.SavesPerMinute, time.Minute, s.whoseRate,
				tooMany("too-many-saves", "Too many saves in one minute. Your work is kept; it will be sent again."))
			r.Get("/", s.list)
			r.With(writes).Post("/", s.add)
			r.With(writes).Post("/import", s.importFile)
			r.Get("/{id}", s.read)
			r.With(writes).Put("/{id}", s.save)
			r.With(writes).Delete("/{id}", s.remove)
			r.With(writes).Post("/{id}/restore", s.restore)
			r.With(writes).Post("/{id}/copy", s.copy)
			r.Get("/{id}/file", s.file)
			r.Get("/{id}/picture.svg", s.picture)
		})
		r.NotFound(func(w http.ResponseWriter, r *http.Request) {
			fail(w, r, http.StatusNotFound, "not-found", "There is nothing at this address.")
		})
	})
	r.Get("/*", page(c.Page))
	return r
}

// gzipLevel is that of answers in JSON.
const gzipLevel = 5

// sameOrigin refuses requests that another site's page makes a browser send.
func sameOrigin() *http.CrossOriginProtection {
	p := http.NewCrossOriginProtection()
	p.SetDenyHandler(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		fail(w, r, http.StatusForbidden, "cross-origin", "This request came from another site's page.")
	}))
	return p
}

// tries limits what a machine may try without being signed in.
func tries(most int, in time.Duration) func(http.Handler) http.Handler {
	whose := func(r *http.Request) (string, error) {
		return httprate.CanonicalizeIP(middleware.GetClientIP(r.Context())), nil
	}
	return httprate.LimitBy(most, in, whose,
		tooMany("too-many-tries", "Too many tries from this machine. Wait a little and try again."))
}

func tooMany(code, title string) httprate.Option {
	return httprate.WithLimitHandler(func(w http.ResponseWriter, r *http.Request) {
		fail(w, r, http.StatusTooManyRequests, code, title)
	})
}

// recovered answers a programmer's mistake without saying more than that.
func recovered(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		defer func() {
			if mistake := recover(); mistake != nil {
				slog.Error("panic", "path", r.URL.Path, "request", middleware.GetReqID(r.Context()), "mistake", mistake)
				fail(w, r, http.StatusInternalServerError, "mistake", "Parvix made a mistake. Nothing was changed.")
			}
		}()
		next.ServeHTTP(w, r)
	})
}

const contentSecurity = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; " +
	"img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; worker-src 'self'; object-src 'none'; " +
	"base-uri 'none'; form-action 'self'; frame-ancestors 'none'"

func secured(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		h := w.Header()
		h.Set("Content-Security-Policy", contentSecurity)
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("Referrer-Policy", "no-referrer")
		h.Set("Cross-Origin-Opener-Policy", "same-origin")
		next.ServeHTTP(w, r)
	})
}

// Problem is RFC 9457's problem+json, with Parvix's own code.
type Problem struct {
	Type   string `json:"type"`
	Title  string `json:"title"`
	Status int    `json:"status"`
	Code   string `json:"code"`
	// Current is what is stored, on a conflict.
	Current *Stored `json:"current,omitempty"`
}

func fail(w http.ResponseWriter, r *http.Request, status int, code, title string) {
	answerProblem(w, Problem{Type: "about:blank", Title: title, Status: status, Code: code})
}

func answerProblem(w http.ResponseWriter, p Problem) {
	w.Header().Set("Content-Type", "application/problem+json")
	w.WriteHeader(p.Status)
	_ = json.NewEncoder(w).Encode(p)
}

// failed maps the domain's errors to a status, in one place.
func failed(w http.ResponseWriter, r *http.Request, err error) {
	var conflict *domain.Conflict
	var tooLarge *http.MaxBytesError
	switch {
	case errors.As(err, &conflict):
		current := stored(conflict.Current)
		answerProblem(w, Problem{Type: "about:blank", Title: "This demonstration was saved elsewhere in the meantime.",
			Status: http.StatusConflict, Code: "conflict", Current: &current})
	case errors.Is(err, domain.ErrNotFound):
		fail(w, r, http.StatusNotFound, "not-found", "This demonstration does not exist, or it is not yours.")
	case errors.Is(err, domain.ErrTaken):
		fail(w, r, http.StatusConflict, "taken", "That name is taken.")
	case errors.Is(err, domain.ErrSignIn):
		fail(w, r, http.StatusUnauthorized, "sign-in", "Name and password do not fit together.")
	case errors.As(err, &tooLarge):
		fail(w, r, http.StatusRequestEntityTooLarge, "too-large", "This is larger than a demonstration may be (1 MB).")
	default:
		slog.Error("request failed", "path", r.URL.Path, "request", middleware.GetReqID(r.Context()), "error", err)
		fail(w, r, http.StatusInternalServerError, "storage", "The server could not do this now. Nothing was changed.")
	}
}

func answer(w http.ResponseWriter, status int, body any) {
	w.Header().Set("Content-Type", "application/json")
	w.Header().Set("Cache-Control", "no-store")
	w.WriteHeader(status)
	_ = json.NewEncoder(w).Encode(body)
}

// maxBody leaves room for the revision around a document.
const maxBody = document.MaxBytes + 1024

// read decodes a JSON body; false when it was refused, which has then been answered.
func readBody(w http.ResponseWriter, r *http.Request, into any) bool {
	if !strings.HasPrefix(r.Header.Get("Content-Type"), "application/json") {
		fail(w, r, http.StatusUnsupportedMediaType, "media-type", "The body must be application/json.")
		return false
	}
	decoder := json.NewDecoder(http.MaxBytesReader(w, r.Body, maxBody))
	if err := decoder.Decode(into); err != nil {
		var tooLarge *http.MaxBytesError
		if errors.As(err, &tooLarge) {
			failed(w, r, err)
			return false
		}
		fail(w, r, http.StatusBadRequest, "json", "The body cannot be read: "+err.Error())
		return false
	}
	return true
}

// leastRoom is how many bytes a disk must have left for saves to be safe.
const leastRoom = 64 << 20

// health tells whether the server is ready: its database answers, and there is room for saves.
func (s *server) health(w http.ResponseWriter, r *http.Request) {
	if err := s.Ready(); err != nil {
		fail(w, r, http.StatusServiceUnavailable, "database", "The database does not answer.")
		return
	}
	if s.Room != nil {
		if room := s.Room(); room >= 0 && room < leastRoom {
			fail(w, r, http.StatusServiceUnavailable, "disk-full", "The disk of the data is full.")
			return
		}
	}
	answer(w, http.StatusOK, map[string]string{"state": "well"})
}

// live tells that the process answers, whatever its database does.
func (s *server) live(w http.ResponseWriter, r *http.Request) {
	answer(w, http.StatusOK, map[string]string{"state": "live"})
}

func (s *server) openAPI(w http.ResponseWriter, _ *http.Request) {
	w.Header().Set("Content-Type", "application/json")
	_, _ = w.Write(openAPI)
}

// NewID is 26 characters that nobody guesses.
func NewID() string {
	b := make([]byte, 16)
	if _, err := rand.Read(b); err != nil {
		panic("api: " + err.Error())
	}
	return strings.ToLower(base32.StdEncoding.WithPadding(base32.NoPadding).EncodeToString(b))
}

// decoded reads a document from a body of its own.
func decoded(w http.ResponseWriter, r *http.Request) (doc *document.Document, mended []string, ok bool) {
	data, err := io.ReadAll(http.MaxBytesReader(w, r.Body, maxBody))
	if err != nil {
		failed(w, r, err)
		return nil, nil, false
	}
	doc, mended, err = document.DecodeFile(data)
	if err != nil {
		fail(w, r, http.StatusUnprocessableEntity, "document", err.Error())
		return nil, nil, false
	}
	return doc, mended, true
}
