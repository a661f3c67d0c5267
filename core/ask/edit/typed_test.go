package edit_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/region"
	"parvix/core/stage/kinds/trajectory"
)

func typed(t *testing.T, text string) *document.Document {
	t.Helper()
	d, err := edit.Typed(document.New(""), "", text)
	require.NoError(t, err, text)
	e := evaluate.Load(d, nil)
	assert.Empty(t, e.Problems, text)
	assert.Empty(t, e.Missing, text)
	return d
}

// What is typed as in a book is shown as what it means, from one field.
func TestWhatStandsInABookIsUnderstoodAsItStands(t *testing.T) {
	for text, want := range map[string]document.Body{
		"x = 3":            &guide.Body{Direction: guide.Upright, At: "3"},
		"x = (1 + 2)/3":    &guide.Body{Direction: guide.Upright, At: "(1 + 2)/3"},
		"x = c":            &guide.Body{Direction: guide.Upright, At: "c"},
		"x = ln(9)/2":      &guide.Body{Direction: guide.Upright, At: "ln(9)/2"},
		"(2, 3)":           &point.Body{Name: "P", X: "2", Y: "3"},
		"(p, p²)":          &point.Body{Name: "P", X: "p", Y: "p²"},
		"Q = (1/2, −1)":    &point.Body{Name: "Q", X: "1/2", Y: "−1"},
		"A(2|3)":           &point.Body{Name: "A", X: "2", Y: "3"},
		"(cos t, sin t)":   &trajectory.Body{X: "cos t", Y: "sin t", Variable: "t", From: "0", To: "2π"},
		"(a cos t, sin t)": &trajectory.Body{X: "a cos t", Y: "sin t", Variable: "t", From: "0", To: "2π"},
		"3x + 2y = 6":      &region.Body{Conditions: []string{"3x + 2y = 6"}},
		"x² + y² = r²":     &region.Body{Conditions: []string{"x² + y² = r²"}},
		"x = y²":           &region.Body{Conditions: []string{"x = y²"}},
		"y ≥ x² − 1":       &region.Body{Conditions: []string{"y ≥ x² − 1"}},
	} {
		d := typed(t, text)
		require.Len(t, d.Shown, 1, text)
		assert.Equal(t, want, d.Shown[0].Body, text)
	}
	for text, name := range map[string]string{"f(x) = x²": "f", "y = 2x": "f", "x² + 1": "f", "r = 1 + cos θ": "r", "d(x, y) = x + y": "d"} {
		d := typed(t, text)
		require.Len(t, d.Functions(), 1, text)
		assert.Equal(t, name, d.Functions()[0].Name, text)
	}
	assert.Equal(t, 3.0, typed(t, "a = 3").Scenes[0].Values["a"])
}

// Letters without a value get dials whose ranges suit what they do (common practice).
func TestLettersGetDialsThatSuitTheirRole(t *testing.T) {
	type dial struct {
		from, to, step string
		value          float64
	}
	for text, want := range map[string]map[string]dial{
		"f(x) = a(x − h)² + k":         {"a": {"-5", "5", "0.1", 1}, "h": {"-5", "5", "0.1", 1}, "k": {"-5", "5", "0.1", 1}},
		"f(x) = a sin(b x + c)":        {"a": {"-5", "5", "0.1", 1}, "b": {"0", "5", "0.1", 1}, "c": {"-π", "π", "π/12", 0.5235987755982988}},
		"f(x) = x^n":                   {"n": {"-3", "6", "1", 2}},
		"f(x) = b^x":                   {"b": {"0.1", "5", "0.1", 2}},
		"f(x) = log_b(x)":              {"b": {"0.1", "5", "0.1", 2}},
		"f(x) = e^(k x)":               {"k": {"-3", "3", "0.1", 1}},
		"f(x) = L/(1 + e^(−k(x − m)))": {"L": {"-5", "5", "0.1", 1}, "k": {"-3", "3", "0.1", 1}, "m": {"-5", "5", "0.1", 1}},
		"(cos α, sin α)":               {"α": {"0", "2π", "π/12", 0.5235987755982988}},
	} {
		d := typed(t, text)
		require.Len(t, d.Parameters(), len(want), text)
		for _, p := range d.Parameters() {
			assert.Equal(t, want[p.Name], dial{p.From, p.To, p.Step, d.Scenes[0].Values[p.Name]}, "%s: %s", text, p.Name)
		}
	}
	inDegrees := document.New("")
	inDegrees.AngleUnit = document.Degree
	d, err := edit.Typed(inDegrees, "", "f(x) = sin(x − c)")
	require.NoError(t, err)
	assert.Equal(t, "180", d.Parameters()[0].To)
}

func TestSeveralLinesAreTakenAtOnceOrNotAtAll(t *testing.T) {
	d := typed(t, "f(x) = a x²\ng(x) = f(x − 2)\n\n  (1, f(1))\nx = 2")
	assert.Len(t, d.Functions(), 2)
	assert.Len(t, d.Parameters(), 1)
	assert.Len(t, d.Shown, 4)
	_, err := edit.Typed(document.New(""), "", "f(x) = x²\ng(x) = (x\nh(x) = 2")
	p, is := problem.Of(err)
	require.True(t, is)
	assert.Equal(t, 2, p.Line, "the line that cannot be read is told")
}

// Changing a formula brings dials for new letters too; those that a deleted function has left behind are no dials.
func TestALetterThatComesWithAChangeGetsItsDial(t *testing.T) {
	d := typed(t, "f(x) = x²")
	d, err := edit.Typed(d, d.Stated[0].ID, "f(x) = x² + m")
	require.NoError(t, err)
	require.Len(t, d.Parameters(), 1)
	assert.Equal(t, "m", d.Parameters()[0].Name)
}

// x and y are those of the plane: nothing makes dials of them, and a relation of neither is no curve.
func TestWhatMeansNothingIsRefusedAndMakesNoDial(t *testing.T) {
	for _, text := range []string{"(x, x²)", "b < 3", "x² + = 9", "(1, 2"} {
		_, err := edit.Typed(document.New(""), "", text)
		_, is := problem.Of(err)
		assert.True(t, is, "%s: %v", text, err)
	}
	d, err := edit.Typed(document.New(""), "", "f(x) = x + y")
	require.NoError(t, err)
	assert.Empty(t, d.Parameters())
}

// Who has a dial x means its value.
func TestADialNamedXIsGivenItsValue(t *testing.T) {
	d, err := edit.AddParameters(document.New(""), []string{"x"})
	require.NoError(t, err)
	d, err = edit.Typed(d, "", "x = 3")
	require.NoError(t, err)
	assert.Equal(t, 3.0, d.Scenes[0].Values["x"])
	assert.Empty(t, d.Shown)
}
