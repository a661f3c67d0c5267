// Package problem holds the one catalogue of everything that can be wrong with what a person typed.
//
// A problem is a value: a code, the place and the arguments. Its sentence for people is made here and nowhere else, so
// that the bench, the command line and the server say the same words.
package problem

import (
	"errors"
	"fmt"
	"strings"
)

// Problem says what is wrong, where, and (through its code) what would be right. It is an error.
type Problem struct {
	// Code is the key of the catalogue.
	Code string `json:"code"`
	// Object is the id of the document's entry that holds the text, empty for a bare formula.
	Object string `json:"object,omitempty"`
	// Field names the entry's field that holds the text, empty for its formula.
	Field string `json:"field,omitempty"`
	// Start and End are byte offsets in that text; End is Start when the place is a gap.
	Start int `json:"start"`
	End   int `json:"end"`
	// Line is that of a file, 0 for what stands in none.
	Line int `json:"line,omitempty"`
	// Args fill the catalogue's sentence.
	Args []string `json:"args,omitempty"`
}

// New makes a problem at the place [start, end) of a text.
func New(code string, start, end int, args ...string) *Problem {
	if _, known := catalogue[code]; !known {
		panic("problem: no code " + code)
	}
	return &Problem{Code: code, Start: start, End: end, Args: args}
}

// In returns a copy of p that belongs to the field of an entry.
func (p *Problem) In(object, field string) *Problem {
	q := *p
	q.Object, q.Field = object, field
	return &q
}

// Error is the sentence for people.
func (p *Problem) Error() string {
	sentence := catalogue[p.Code]
	for i, arg := range p.Args {
		sentence = strings.ReplaceAll(sentence, fmt.Sprintf("{%d}", i), arg)
	}
	if p.Line > 0 {
		return fmt.Sprintf("Line %d: %s", p.Line, sentence)
	}
	return sentence
}

// Of finds the problem inside err; ok is false when err is something else.
func Of(err error) (p *Problem, ok bool) {
	ok = errors.As(err, &p)
	return p, ok
}

// Codes lists every code of the catalogue.
func Codes() []string {
	var codes []string
	for code := range catalogue {
		codes = append(codes, code)
	}
	return codes
}
