// Package door is how the page talks to the core: questions in JSON, frames in numbers.
//
// Ask is for everything that may take its time. The rest is the hot path of a drag: it takes and returns numbers, and
// Frame leaves the picture in arrays that are read in place.
package door

import (
	"encoding/json"
	"unicode/utf16"

	"parvix/core/formula/problem"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// Door holds one demonstration in play.
type Door struct {
	d         *evaluate.Demonstration
	composers map[string]*compose.Composer
	floats    []float32
	texts     []byte
	sent      []sent // by panel
	// moving tells that a hand moves something: surfaces are drawn of fewer cells, lines of fewer points until it rests.
	moving bool
	// untold counts the frames since the formulas with values put in were told.
	untold int
}

// New is a door with nothing behind it yet.
func New() *Door { return &Door{composers: map[string]*compose.Composer{}} }

// Ask answers a question in JSON with an Answer in JSON.
func (door *Door) Ask(question []byte) []byte {
	var ask Ask
	answer := Answer{}
	if err := json.Unmarshal(question, &ask); err != nil {
		answer.Problem = told(problem.New("question", 0, 0, err.Error()), "")
	} else if err := door.answer(&ask, &answer); err != nil {
		answer.Problem = viewError(err, askedText(&ask, err))
	}
	data, err := json.Marshal(answer)
	if err != nil {
		panic("door: " + err.Error())
	}
	return data
}

// answer edits the document of the question, or answers from what is in play.
func (door *Door) answer(ask *Ask, a *Answer) (err error) {
	if edits[ask.Kind] == nil && answers[ask.Kind] == nil {
		return problem.New("question", 0, 0, string(ask.Kind))
	}
	if needsDocument[ask.Kind] || edits[ask.Kind] != nil {
		if ask.Document == nil {
			return missing("document")
		}
	} else if door.d == nil && !needsNothing[ask.Kind] {
		return notLoaded()
	}
	if change := edits[ask.Kind]; change != nil {
		a.Document, err = change(ask)
		return err
	}
	return answers[ask.Kind](door, ask, a)
}

// missing is the problem of a question without a field that it needs.
func missing(field string) error { return problem.New("field", 0, 0, field, "it is missing") }

func notLoaded() error { return problem.New("question", 0, 0, "before a demonstration is loaded") }

// viewError turns an error of the core into its view; anything but a problem is a programmer's mistake.
func viewError(err error, text string) *Problem {
	p, ok := problem.Of(err)
	if !ok {
		panic(err)
	}
	return told(p, text)
}

func told(p *problem.Problem, text string) *Problem {
	return &Problem{p.Code, p.Object, p.Field, utf16Offset(text, p.Start), utf16Offset(text, p.End), p.Error()}
}

// utf16Offset turns an offset in bytes into one in UTF-16 units, as the page counts.
func utf16Offset(text string, bytes int) int {
	if bytes > len(text) {
		bytes = len(text)
	}
	return len(utf16.Encode([]rune(text[:bytes])))
}

// askedText is the text of a question that a problem's place counts in.
func askedText(ask *Ask, err error) string {
	p, ok := problem.Of(err)
	if !ok || ask.Entry == nil {
		return ask.Text
	}
	return ask.Entry.Field(p.Field)
}

// fieldText is the text that a problem's place counts in.
func fieldText(doc *document.Document, p *problem.Problem) string {
	for _, s := range doc.Stated {
		if s.ID == p.Object {
			return map[string]string{"formula": s.Formula, "from": s.From, "to": s.To, "step": s.Step}[p.Field]
		}
	}
	if e := doc.Find(p.Object); e != nil {
		return e.Field(p.Field)
	}
	return ""
}
