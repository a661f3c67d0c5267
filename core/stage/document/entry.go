package document

import (
	"bytes"
	"encoding/json"
	"fmt"
	"maps"
	"slices"

	"parvix/core/formula/problem"
)

// Entry is something that is shown on the stage or said beside it: how it looks, where it appears, and what it is.
type Entry struct {
	ID    string
	Look  Look
	Where Where
	Body  Body
}

// Kind says what an entry is.
type Kind string

// Body is what an entry of one kind holds, as plain data. Each kind has its own, in a folder of core/stage/kinds.
type Body interface {
	Kind() Kind
	// Refs lists all that is a formula, a name or an id in it, to be read or rewritten in its place: what is renamed,
	// deleted, checked and depended on follows from it.
	Refs() []Ref
	// Check holds the other fields against the format's rules.
	Check(c *Checker)
}

// Where is the place of an entry.
type Where struct {
	// Panels lists the ids of the panels it appears in; none means all, for a text beside the stage.
	Panels []string `json:"panels,omitempty"`
	// Corner is where a text stands on its panel.
	Corner Corner `json:"corner,omitempty"`
}

// IsOn tells whether an entry appears in a panel.
func (e *Entry) IsOn(panel string) bool {
	return len(e.Where.Panels) == 0 || slices.Contains(e.Where.Panels, panel)
}

// Kind is that of the body.
func (e *Entry) Kind() Kind {
	if e.Body == nil {
		return ""
	}
	return e.Body.Kind()
}

// Role is what a text of an entry is.
type Role int

// The roles.
const (
	// Formula is a formula; Statement one that may have a head, as f(x) = x²; Condition a relation, as y ≥ x².
	Formula Role = iota
	Statement
	Condition
	// Function and Parameter names what is stated.
	FunctionName
	ParameterName
	// EntryID is the id of another entry, DataID that of stated data, OwnName the entry's own name.
	EntryID
	DataID
	OwnName
)

// Without is what becomes of an entry without what it refers to.
type Without int

// Without what it refers to an entry goes too, goes on without it, or stays and says what it misses.
const (
	Goes Without = iota
	Emptied
	Stays
)

// Ref is a text of a body that is a formula or refers to something.
type Ref struct {
	Role Role
	// Field names it, as in a problem.
	Field string
	Text  *string
	// Variables are the letters that are variables in a formula.
	Variables []string
	// Optional tells that it may be empty.
	Optional bool
	Without  Without
}

// IsFormula tells whether it is a formula, with a head or without, or a relation of formulas.
func (r Ref) IsFormula() bool { return r.Role == Formula || r.Role == Statement || r.Role == Condition }

// Refs are those of an entry's body.
func (e *Entry) Refs() []Ref {
	if e.Body == nil {
		return nil
	}
	return e.Body.Refs()
}

// Field is the text of a field by its name, empty for none.
func (e *Entry) Field(name string) string {
	for _, r := range e.Refs() {
		if r.Field == name {
			return *r.Text
		}
	}
	return ""
}

// OwnName is the place of the entry's own name; nil for an entry that has none.
func (e *Entry) OwnName() *string {
	for _, r := range e.Refs() {
		if r.Role == OwnName {
			return r.Text
		}
	}
	return nil
}

// bodies make an empty body of each kind.
var bodies = map[Kind]func() Body{}

// Register makes a kind known; core/stage/kinds does.
func Register(make func() Body) { bodies[make().Kind()] = make }

// Kinds lists the kinds that are known.
func Kinds() []Kind { return slices.Sorted(maps.Keys(bodies)) }

// entryFile is an entry as it stands in a file.
type entryFile struct {
	ID    string          `json:"id"`
	Kind  Kind            `json:"kind"`
	Look  Look            `json:"look"`
	Where Where           `json:"where,omitzero"`
	Body  json.RawMessage `json:"body"`
}

// MarshalJSON writes {id, kind, look, where, body}.
func (e Entry) MarshalJSON() ([]byte, error) {
	body, err := json.Marshal(e.Body)
	if err != nil {
		return nil, err
	}
	return json.Marshal(entryFile{e.ID, e.Kind(), e.Look, e.Where, body})
}

// UnmarshalJSON reads an entry with the body of its kind; what it does not know is refused.
func (e *Entry) UnmarshalJSON(data []byte) error {
	var f entryFile
	if err := strictly(data, &f); err != nil {
		return err
	}
	make := bodies[f.Kind]
	if make == nil {
		return problem.New("document-kind", 0, 0, string(f.Kind)).In(f.ID, "kind")
	}
	body := make()
	if err := strictly(f.Body, body); err != nil {
		return err
	}
	*e = Entry{f.ID, f.Look, f.Where, body}
	return nil
}

func strictly(data []byte, into any) error {
	if len(data) == 0 {
		return fmt.Errorf("the body is missing")
	}
	d := json.NewDecoder(bytes.NewReader(data))
	d.DisallowUnknownFields()
	return d.Decode(into)
}

// Find gives the entry with an id, shown or said; nil when there is none.
func (d *Document) Find(id string) *Entry {
	for _, list := range [][]Entry{d.Shown, d.Said} {
		for i := range list {
			if list[i].ID == id {
				return &list[i]
			}
		}
	}
	return nil
}
