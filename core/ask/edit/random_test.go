package edit_test

import (
	"encoding/json"
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/finding"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/kinds/trace"
)

// anEdit is something that a teacher does; an error is a refusal, which changes nothing.
type anEdit struct {
	name string
	do   func(t *rapid.T, d *document.Document) (*document.Document, error)
}

var statements = []string{"f(x) = a x² + b", "g(x) = f(x − 1) + t", "h(t) = (t + a) sin t", "a = 2", "b = −1", "t = 1", "r = 2 cos(3θ)",
	"d(x, y) = x y", "k(x) = f'(x) + g(x)", "s(x) = sum(a k x for k from 1 to 4)"}

func stateSomething(t *rapid.T, d *document.Document) (*document.Document, error) {
	return edit.State(d, "", rapid.SampledFrom(statements).Draw(t, "statement"))
}

// anyID picks an entry; “none” where there is none.
func anyID(t *rapid.T, d *document.Document) string {
	ids := []string{"none"}
	for _, e := range d.Stated {
		ids = append(ids, e.ID)
	}
	for _, e := range d.Shown {
		ids = append(ids, e.ID)
	}
	for _, e := range d.Said {
		ids = append(ids, e.ID)
	}
	return rapid.SampledFrom(ids).Draw(t, "id")
}

var edits = []anEdit{
	{"state", stateSomething},
	{"state more", stateSomething},
	{"rename", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.Rename(d, anyID(t, d), rapid.SampledFrom([]string{"a", "c", "t", "x", "k", "x_1", "θ", "q", "f"}).Draw(t, "name"))
	}},
	{"delete", func(t *rapid.T, d *document.Document) (*document.Document, error) { return edit.Delete(d, anyID(t, d)) }},
	{"move", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.Move(d, anyID(t, d), rapid.IntRange(-3, 3).Draw(t, "by")), nil
	}},
	{"point", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.Put(d, document.Entry{Body: &point.Body{X: "a", Y: rapid.SampledFrom([]string{"f(a)", "b", "1"}).Draw(t, "y")}})
	}},
	{"trace", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.Put(d, document.Entry{Body: &trace.Body{Of: anyID(t, d)}})
	}},
	{"finding", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.Put(d, document.Entry{Body: &finding.Body{Function: "f", Finding: document.Zeros}})
	}},
	{"text", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.Put(d, document.Entry{Body: &text.Body{Pieces: []text.Piece{{Kind: text.Words, Text: "at"}, {Kind: text.Value, Text: "f(a)"}}}})
	}},
	{"circle", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.AddCircle(d, circle.Body{}, rapid.Bool().Draw(t, "own"))
	}},
	{"add scene", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.AddScene(d, rapid.IntRange(0, len(d.Scenes)-1).Draw(t, "scene"), "more", nil, nil)
	}},
	{"remove scene", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.RemoveScene(d, rapid.IntRange(0, len(d.Scenes)-1).Draw(t, "scene"))
	}},
	{"add panel", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.AddPanel(d, rapid.IntRange(0, len(d.Panels)-1).Draw(t, "panel"), rapid.Bool().Draw(t, "empty"))
	}},
	{"remove panel", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.RemovePanel(d, rapid.IntRange(0, len(d.Panels)-1).Draw(t, "panel"))
	}},
	{"hide", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		// As the page does it: plain fields on a copy.
		copied := decoded(t, encoded(t, d))
		if id := anyID(t, d); id != "none" && !slices.ContainsFunc(d.Stated, func(s document.Stated) bool { return s.ID == id }) {
			scene := &copied.Scenes[rapid.IntRange(0, len(d.Scenes)-1).Draw(t, "scene")]
			if !slices.Contains(scene.Hidden, id) {
				scene.Hidden = append(scene.Hidden, id)
			}
		}
		return copied, nil
	}},
	{"decimals", func(t *rapid.T, d *document.Document) (*document.Document, error) {
		return edit.Decimals(d, !d.DecimalComma)
	}},
}

func encoded(t rapid.TB, d *document.Document) string {
	data, err := json.Marshal(d)
	require.NoError(t, err)
	return string(data)
}

func decoded(t rapid.TB, text string) *document.Document {
	d := &document.Document{}
	require.NoError(t, json.Unmarshal([]byte(text), d))
	return d
}

// assertWhole holds that a document is valid and that no scene speaks of an entry that is not there.
func assertWhole(t *rapid.T, d *document.Document, what string) {
	require.NoError(t, d.Check(), what)
	there := map[string]bool{}
	for _, e := range d.Shown {
		there[e.ID] = true
	}
	for _, e := range d.Said {
		there[e.ID] = true
	}
	for _, s := range d.Scenes {
		for _, id := range s.Hidden {
			require.True(t, there[id], "%s: %s is hidden in %s and does not exist", what, id, s.ID)
		}
		for id := range s.Steps {
			require.True(t, there[id], "%s: steps of %s", what, id)
		}
		for name := range s.Values {
			require.NotNil(t, d.StatedNamed(name), "%s: a value of %s", what, name)
		}
	}
}

// ids are those of all entries, panels and scenes.
func idsOf(d *document.Document) map[string]bool {
	ids := map[string]bool{}
	for _, p := range d.Panels {
		ids["panel "+p.ID] = true
	}
	for _, e := range d.Stated {
		ids[e.ID] = true
	}
	for _, e := range d.Shown {
		ids[e.ID] = true
	}
	for _, e := range d.Said {
		ids[e.ID] = true
	}
	for _, s := range d.Scenes {
		ids["scene "+s.ID] = true
	}
	return ids
}

func TestWhateverIsDoneTheDocumentStaysWholeAndUndoBringsItBackToTheByte(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := document.New("random")
		var past []*document.Document
		var texts []string
		everUsed := idsOf(d)
		for k := range rapid.IntRange(1, 25).Draw(t, "edits") {
			one := rapid.SampledFrom(edits).Draw(t, fmt.Sprint("edit ", k))
			before, was := encoded(t, d), idsOf(d)
			after, err := one.do(t, d)
			require.Equal(t, before, encoded(t, d), "%s changes what it was given", one.name)
			if err != nil {
				continue
			}
			assertWhole(t, after, one.name)
			for id := range idsOf(after) {
				require.True(t, was[id] || !everUsed[id], "%s uses the id %s again", one.name, id)
				everUsed[id] = true
			}
			past, texts = append(past, d), append(texts, before)
			d = after
		}
		for k := len(past) - 1; k >= 0; k-- {
			require.Equal(t, texts[k], encoded(t, past[k]))
		}
	})
}
