package api

import (
	"context"
	"errors"
	"net/http"
	"strings"

	"parvix/server/domain"
)

// Person says who is signed in and what the sign-in page offers.
type Person struct {
	Name             string `json:"name"`
	SignedIn         bool   `json:"signedIn"`
	DemoSignIn       bool   `json:"demoSignIn"`
	OpenRegistration bool   `json:"openRegistration"`
}

// Credentials are a name and a password.
type Credentials struct {
	Name     string `json:"name"`
	Password string `json:"password"`
}

const sessionTeacher = "teacher"

type contextKey struct{}

// teacher is the signed-in teacher of a request behind signedIn.
func teacher(r *http.Request) *domain.Teacher {
	return r.Context().Value(contextKey{}).(*domain.Teacher)
}

// signedIn lets only signed-in teachers pass.
func (s *server) signedIn(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		t, err := s.current(r)
		if err != nil {
			failed(w, r, err)
			return
		}
		if t == nil {
			fail(w, r, http.StatusUnauthorized, "signed-out", "Please sign in.")
			return
		}
		next.ServeHTTP(w, r.WithContext(context.WithValue(r.Context(), contextKey{}, t)))
	})
}

// current is the signed-in teacher, nil for none; a database that does not answer signs nobody out.
func (s *server) current(r *http.Request) (*domain.Teacher, error) {
	id, ok := s.Sessions.Get(r.Context(), sessionTeacher).(int64)
	if !ok {
		return nil, nil
	}
	t, err := s.Store.Teacher(r.Context(), uint64(id))
	if errors.Is(err, domain.ErrNotFound) {
		return nil, nil
	}
	return t, err
}

// whoseRate counts saves by person.
func (s *server) whoseRate(r *http.Request) (string, error) { return teacher(r).Name, nil }

func (s *server) session(w http.ResponseWriter, r *http.Request) {
	p := Person{DemoSignIn: s.DemoTeacher != "", OpenRegistration: s.OpenRegistration}
	t, err := s.current(r)
	if err != nil {
		failed(w, r, err)
		return
	}
	if t != nil {
		p.Name, p.SignedIn = t.Name, true
	}
	answer(w, http.StatusOK, p)
}

func (s *server) signIn(w http.ResponseWriter, r *http.Request) {
	var c Credentials
	if !readBody(w, r, &c) {
		return
	}
	t, err := s.Store.TeacherNamed(r.Context(), strings.TrimSpace(c.Name))
	if err != nil && !errors.Is(err, domain.ErrNotFound) {
		failed(w, r, err)
		return
	}
	hash := ""
	if t != nil {
		hash = t.PasswordHash
	}
	if !domain.PasswordFits(c.Password, hash) {
		failed(w, r, domain.ErrSignIn)
		return
	}
	s.enter(w, r, t)
}

// enter starts a fresh session, so that a token from before the sign-in is worth nothing.
func (s *server) enter(w http.ResponseWriter, r *http.Request, t *domain.Teacher) {
	if err := s.Sessions.RenewToken(r.Context()); err != nil {
		failed(w, r, err)
		return
	}
	s.Sessions.Put(r.Context(), sessionTeacher, int64(t.ID))
	answer(w, http.StatusOK, Person{Name: t.Name, SignedIn: true, DemoSignIn: s.DemoTeacher != "",
		OpenRegistration: s.OpenRegistration})
}

func (s *server) demoSignIn(w http.ResponseWriter, r *http.Request) {
	if s.DemoTeacher == "" {
		fail(w, r, http.StatusNotFound, "no-demo", "This server has no demo sign-in.")
		return
	}
	t, err := s.Store.TeacherNamed(r.Context(), s.DemoTeacher)
	if err != nil {
		failed(w, r, err)
		return
	}
	s.enter(w, r, t)
}

func (s *server) signOut(w http.ResponseWriter, r *http.Request) {
	if err := s.Sessions.Destroy(r.Context()); err != nil {
		failed(w, r, err)
		return
	}
	w.WriteHeader(http.StatusNoContent)
}

func (s *server) register(w http.ResponseWriter, r *http.Request) {
	if !s.OpenRegistration {
		fail(w, r, http.StatusForbidden, "registration", "Accounts are made by the person who runs this server.")
		return
	}
	var c Credentials
	if !readBody(w, r, &c) {
		return
	}
	name, err := domain.CheckName(c.Name)
	if err != nil {
		fail(w, r, http.StatusUnprocessableEntity, "name", err.Error())
		return
	}
	hash, err := domain.HashPassword(c.Password)
	if err != nil {
		fail(w, r, http.StatusUnprocessableEntity, "password", err.Error())
		return
	}
	t, err := s.Store.AddTeacher(r.Context(), name, hash)
	if err != nil {
		failed(w, r, err)
		return
	}
	s.enter(w, r, t)
}
