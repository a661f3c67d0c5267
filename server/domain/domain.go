// Package domain holds what the server knows: teachers and their demonstrations, and the errors of that knowledge.
package domain

import (
	"context"
	"errors"
	"fmt"
	"strings"
	"time"
	"unicode"
	"unicode/utf8"

	"parvix/core/stage/document"
	_ "parvix/core/stage/kinds" // whose entries it holds
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
	// Save is the id of the save that made this revision, as the page named it; it may be empty.
	Save      string
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

// Picture is a shelf picture: SVG, compressed by gzip. Data is empty until the first one is drawn.
type Picture struct {
	// Revision is that of the demonstration, Drawn the one that the picture shows.
	Revision, Drawn uint64
	Data            []byte
}

// Save is a document that replaces the one at a revision. Its id tells a repeated save from a conflict.
type Save struct {
	Revision uint64
	ID       string
	Document *document.Document
}

// KeptDeleted is how long a deleted demonstration can be brought back.
const KeptDeleted = 30 * 24 * time.Hour

// PageSize is how many entries one list has at most.
const PageSize = 200

// What can go wrong, whoever stores it.
var (
	ErrNotFound = errors.New("it does not exist or belongs to somebody else")
	ErrTaken    = errors.New("that name is taken")
	ErrName     = fmt.Errorf("a name has 1 to %d characters, and none that cannot be seen", mostName)
	ErrSignIn   = errors.New("name and password do not fit together")
)

// mostName bounds a teacher's name, in characters.
const mostName = 80

// CheckName gives a name as it is stored; the error says what is wrong with it.
func CheckName(name string) (string, error) {
	name = strings.TrimSpace(name)
	if n := utf8.RuneCountInString(name); n < 1 || n > mostName || strings.ContainsFunc(name, unicode.IsControl) {
		return "", ErrName
	}
	return name, nil
}

// Conflict tells that somebody saved in between: Current is what is stored now.
type Conflict struct{ Current *Demonstration }

func (*Conflict) Error() string { return "it was saved elsewhere in the meantime" }

// Store keeps teachers and demonstrations. Every method that names an owner sees only that owner's demonstrations.
type Store interface {
	AddTeacher(ctx context.Context, name, passwordHash string) (*Teacher, error)
	TeacherNamed(ctx context.Context, name string) (*Teacher, error)
	Teacher(ctx context.Context, id uint64) (*Teacher, error)
	// List gives the owner's demonstrations whose title holds the words, newest first, a page of PageSize after the
	// entry with the id after, which may be empty.
	List(ctx context.Context, owner uint64, words, after string) ([]Entry, error)
	Demonstration(ctx context.Context, owner uint64, id string) (*Demonstration, error)
	Add(ctx context.Context, d *Demonstration) error
	// Revision is the stored one with the id of the save that made it.
	Revision(ctx context.Context, owner uint64, id string) (revision uint64, save string, err error)
	// Save replaces the document if its revision is still the stored one. A save that is stored already, by its id or
	// because nothing differs, changes nothing and gives what is stored; else the error is a *Conflict.
	Save(ctx context.Context, owner uint64, id string, save Save) (*Demonstration, error)
	// Picture gives the picture that is there; PutPicture stores one unless a newer one is there.
	Picture(ctx context.Context, owner uint64, id string) (*Picture, error)
	PutPicture(ctx context.Context, id string, drawn uint64, data []byte) error
	// Delete takes a demonstration off the shelf, Restore brings it back within KeptDeleted.
	Delete(ctx context.Context, owner uint64, id string) error
	Restore(ctx context.Context, owner uint64, id string) error
}
