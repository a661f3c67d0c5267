// Package domain holds what the server knows: teachers and their demonstrations, and the errors of that knowledge.
package domain

import (
	"errors"
	"time"

	"parvix/core/document"
)

// Teacher is a person who makes demonstrations.
type Teacher struct {
	ID           uint64
	Name         string
	PasswordHash string
}

// Demonstration is a stored document. Revision grows by one with every save.
type Demonstration struct {
	ID       string
	OwnerID  uint64
	Title    string
	Revision uint64
	Document *document.Document
	// Picture is a small SVG, drawn at the save.
	Picture   string
	ChangedAt time.Time
	DeletedAt *time.Time
}

// Entry is a demonstration as the shelf lists it.
type Entry struct {
	ID        string    `json:"id"`
	Title     string    `json:"title"`
	Revision  uint64    `json:"revision"`
	ChangedAt time.Time `json:"changedAt"`
}

// KeptDeleted is how long a deleted demonstration can be brought back.
const KeptDeleted = 30 * 24 * time.Hour

// What can go wrong, whoever stores it.
var (
	ErrNotFound = errors.New("it does not exist or belongs to somebody else")
	ErrTaken    = errors.New("that name is taken")
	ErrSignIn   = errors.New("name and password do not fit together")
)

// Conflict tells that somebody saved in between: Current is what is stored now.
type Conflict struct{ Current *Demonstration }

func (*Conflict) Error() string { return "it was saved elsewhere in the meantime" }

// Store keeps teachers and demonstrations. Every method that names an owner sees only that owner's demonstrations.
type Store interface {
	AddTeacher(name, passwordHash string) (*Teacher, error)
	TeacherNamed(name string) (*Teacher, error)
	Teacher(id uint64) (*Teacher, error)
	// List gives the owner's demonstrations whose title holds the words, newest first.
	List(owner uint64, words string) ([]Entry, error)
	Demonstration(owner uint64, id string) (*Demonstration, error)
	Add(d *Demonstration) error
	// Save replaces the document if revision is still the stored one, else the error is a *Conflict.
	Save(owner uint64, id string, revision uint64, doc *document.Document, picture string) (*Demonstration, error)
	// Delete takes a demonstration off the shelf, Restore brings it back within KeptDeleted.
	Delete(owner uint64, id string) error
	Restore(owner uint64, id string) error
}
