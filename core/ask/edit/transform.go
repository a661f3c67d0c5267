package edit

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/transform"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
)

// Moving is what is done to a curve, each field a formula, empty for nothing: shifts to the right and up, factors by
// which x and y are stretched, and reflections.
type Moving struct {
	Right    string `json:"right"`
	Up       string `json:"up"`
	StretchX string `json:"stretchX"`
	StretchY string `json:"stretchY"`
	// InX and InY reflect in the x-axis and in the y-axis.
	InX bool `json:"inX"`
	InY bool `json:"inY"`
}

// MoveCurve rewrites a function so that its curve is stretched, reflected and shifted, in this order, and simplifies
// what comes out. A function with a parent keeps the form A·p(B(x − h)) + k.
func MoveCurve(before *document.Document, id string, m Moving) (*document.Document, error) {
	d := clone(before)
	entry, f, err := functionOfOne(d, id)
	if err != nil {
		return nil, err
	}
	amounts := map[string]expr.Node{}
	for field, c := range map[string]struct{ text, usual string }{"right": {m.Right, "0"}, "up": {m.Up, "0"},
		"stretchX": {m.StretchX, "1"}, "stretchY": {m.StretchY, "1"}} {
		text := c.text
		if text == "" {
			text = c.usual
		}
		parsed, err := expr.Parse(text, scope(d))
		if err != nil {
			p, _ := problem.Of(err)
			return nil, p.In(id, field)
		}
		if r, ok := symbolic.Fraction(parsed.Node); ok && r.Sign() == 0 && c.usual == "1" {
			return nil, problem.New("field", 0, len(text), field, "a factor must not be 0").In(id, field)
		}
		amounts[field] = parsed.Node
	}
	x := entry.Variables[0]
	if m.InX {
		amounts["stretchY"] = expr.Opposite(amounts["stretchY"])
	}
	if m.InY {
		amounts["stretchX"] = expr.Opposite(amounts["stretchX"])
	}
	degrees := d.AngleUnit == document.Degree
	entry.Formula = written(d, transform.Moved(f, x, degrees, amounts["stretchX"], amounts["right"], amounts["stretchY"], amounts["up"]))
	return d, d.Check()
}

// wordsOf are the forms as a teacher says them.
var wordsOf = map[symbolic.Form]string{symbolic.ExpandedForm: "multiplied out", symbolic.FactoredForm: "as a product of factors",
	symbolic.SquaredForm: "with the square completed"}

// WriteAs writes a function's formula in another form.
func WriteAs(before *document.Document, id string, form symbolic.Form) (*document.Document, error) {
	d := clone(before)
	entry, f, err := functionOfOne(d, id)
	if err != nil {
		return nil, err
	}
	n, ok := symbolic.WriteAs(f, entry.Variables[0], form)
	if !ok {
		return nil, problem.New("no-form", 0, 0, entry.Name, wordsOf[form]).In(id, "formula")
	}
	entry.Formula = written(d, n)
	return d, d.Check()
}

// FromParent states a parent function with the dials of its transformation, and shows its curve.
func FromParent(before *document.Document, kind transform.Kind) (*document.Document, error) {
	text, ok := transform.Beginning(kind)
	if !ok {
		return nil, problem.New("field", 0, 0, "text", "there is no such parent")
	}
	d, err := State(before, "", text)
	if err != nil {
		return nil, err
	}
	e := evaluate.Load(d, nil)
	d, err = AddParameters(d, e.Missing)
	if err != nil {
		return nil, err
	}
	d.Shown[len(d.Shown)-1].Body.(*curve.Body).Grips = true
	// Dials that add something start at 0, those that multiply at 1.
	for i := range d.Scenes {
		for _, name := range e.Missing {
			if name == "h" || name == "k" {
				d.Scenes[i].Values[name] = 0
			}
			if name == "q" {
				d.Scenes[i].Values[name] = 2
			}
		}
	}
	return d, d.Check()
}

// giveDials writes a function whose form has plain numbers with dials in their places, so that a hand can move its
// curve: 2(x − 3)² + 1 becomes a(x − h)² + k with a = 2, h = 3, k = 1. A function with a dial in its form stays.
func giveDials(before *document.Document, function string) (*document.Document, error) {
	d := clone(before)
	stated := d.StatedNamed(function)
	if stated == nil {
		return nil, problem.New("not-a-function", 0, len(function), function)
	}
	entry, f, err := functionOfOne(d, stated.ID)
	if err != nil {
		return nil, err
	}
	x := entry.Variables[0]
	found, reason := transform.Recognise(f, x, d.AngleUnit == document.Degree)
	if reason != "" {
		return nil, problem.New("no-grips", 0, 0, function, reason)
	}
	form := &found.Written
	places := []struct {
		letter string
		node   *expr.Node
	}{{"a", &form.A}, {"b", &form.B}, {"h", &form.H}, {"k", &form.K}}
	for _, p := range places {
		if len(expr.Names(*p.node)) > 0 {
			return d, nil
		}
	}
	values := map[string]float64{}
	var names []string
	for _, p := range places {
		at, err := program.CompilePoint(symbolic.Radians(*p.node, d.AngleUnit == document.Degree), []string{x})
		if err != nil {
			return nil, err
		}
		value := at([]float64{0})
		if p.letter == "b" && value == 1 {
			continue
		}
		name := freeLetter(d, p.letter)
		names, values[name] = append(names, name), number.Round(value, 6)
		*p.node = &expr.Name{Name: name}
	}
	stated.Formula = written(d, form.Node(x))
	if d, err = AddParameters(d, names); err != nil {
		return nil, err
	}
	for _, name := range names {
		dial := d.StatedNamed(name)
		if reach := math.Abs(values[name]); reach > 5 {
			end := number.Format(5*math.Ceil(reach/5), 0)
			dial.From, dial.To = "-"+end, end
		}
		for i := range d.Scenes {
			d.Scenes[i].Values[name] = values[name]
		}
	}
	return d, d.Check()
}

// freeLetter is a name for a new parameter: the first of the letters that is free, or the first one with a number.
func freeLetter(d *document.Document, letters ...string) string {
	for _, name := range letters {
		if d.StatedNamed(name) == nil {
			return name
		}
	}
	for n := 1; ; n++ {
		if name := fmt.Sprintf("%s_%d", letters[0], n); d.StatedNamed(name) == nil {
			return name
		}
	}
}

// functionOfOne finds a stated function of one variable that can be read.
func functionOfOne(d *document.Document, id string) (*document.Stated, expr.Node, error) {
	e := evaluate.Load(d, nil)
	for _, f := range e.Functions {
		if f.Stated.ID != id {
			continue
		}
		if f.Formula == nil || len(f.Stated.Variables) != 1 {
			break
		}
		return f.Stated, f.Formula, nil
	}
	return nil, nil, problem.New("not-a-function", 0, 0, id)
}

// written is a formula as it is typed in this demonstration.
func written(d *document.Document, n expr.Node) string {
	if d.DecimalComma {
		return expr.TextWithComma(expr.Pretty(n))
	}
	return expr.Pretty(n)
}
