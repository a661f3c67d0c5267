package edit

import (
	"slices"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/parametric"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/region"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/kinds/trajectory"
)

// Typed takes what a person types as it stands in a book: a function, a value, x = 3 for an upright guide, (p, f(p)) for a point,
// (cos t, sin t) for a curve, an equation or a condition in x and y, x + y + z = 1 for a plane; one in each line. Letters that have no value yet get their dials
// in the same step.
func Typed(before *document.Document, id, text string) (*document.Document, error) {
	lines := statements(text)
	if id != "" || len(lines) < 2 {
		return typedOne(before, id, text)
	}
	d := before
	for i, line := range lines {
		next, err := typedOne(d, "", line)
		if p, is := problem.Of(err); is {
			q := *p
			q.Line = i + 1
			return nil, &q
		}
		if err != nil {
			return nil, err
		}
		d = next
	}
	return d, nil
}

// statements are the lines of a text that say something.
func statements(text string) (lines []string) {
	for line := range strings.Lines(text) {
		if line = strings.TrimSpace(line); line != "" {
			lines = append(lines, line)
		}
	}
	return lines
}

func typedOne(before *document.Document, id, text string) (*document.Document, error) {
	if id == "" {
		text = heightMeant(before, text)
		if d, is, err := squaredRadius(before, text); is {
			if err != nil {
				return nil, err
			}
			return WithDials(d, before)
		}
		if body := meant(before, text); body != nil {
			d, err := show(before, body)
			if err != nil {
				return nil, err
			}
			return WithDials(d, before)
		}
	}
	d, err := State(before, id, text)
	if err != nil {
		return nil, err
	}
	return WithDials(d, before)
}

// show puts what was typed on the stage; a curve on its closing interval, where it has one.
func show(before *document.Document, body document.Body) (*document.Document, error) {
	d, err := Put(before, document.Entry{Body: body, Look: document.Look{Label: labelOf(body)}})
	if err != nil {
		// The fields of the entry are parts of one text here.
		if p, is := problem.Of(err); is {
			return nil, p.In("", "")
		}
		return nil, err
	}
	switch b := body.(type) {
	case *trajectory.Body:
		return closed(d, d.Shown[len(d.Shown)-1].ID), nil
	case *spacecurve.Body:
		aroundHole(d, b)
	case *figure.Body:
		// An equation that is that of no plane is told at the text.
		for _, p := range evaluate.Load(d, nil).Problems {
			if p.Object == d.Shown[len(d.Shown)-1].ID && p.Code == "field" {
				return nil, p.In("", "")
			}
		}
	}
	return d, nil
}

// labelOf is what the label of a new entry tells: a point its name and place.
func labelOf(body document.Body) document.LabelKind {
	if _, is := body.(*point.Body); is {
		return document.LabelCoordinates
	}
	return document.LabelFormula
}

// meant is what a text means that states neither a function nor a value; nil for what does, or for what cannot be read.
func meant(d *document.Document, text string) document.Body {
	if body := pairMeant(d, text); body != nil {
		return body
	}
	s := scope(d)
	if body := planeMeant(d, s, text); body != nil {
		return body
	}
	relation, err := expr.ParseRelation(text, s.With("x", "y"))
	if err != nil || !relation.Mentions("x") && !relation.Mentions("y") {
		return nil
	}
	curve := &region.Body{Conditions: []string{strings.TrimSpace(text)}}
	if !relation.IsEquation() {
		return curve
	}
	right := relation.Sides[1]
	hangsOn := func(letter string) bool { return slices.Contains(expr.Names(right), letter) }
	switch name, isName := relation.Sides[0].(*expr.Name); {
	case isName && name.Name == "x" && !s.Names["x"] && !hangsOn("x") && !hangsOn("y"):
		return &guide.Body{Direction: guide.Upright, At: behindEquals(text)}
	case isName && !hangsOn("y"):
		return nil
	case isName:
		return curve
	}
	if _, err := expr.ParseStatement(text, s); err == nil {
		return nil // f(x) = … may be read as a product too
	}
	return curve
}

// planeMeant is the plane whose equation in x, y and z stands there; nil for another text.
//
// Where everything is shown in space, x + y = 1 is one too.
func planeMeant(d *document.Document, s *expr.Scope, text string) document.Body {
	relation, err := expr.ParseRelation(text, s.With("x", "y", "z"))
	if err != nil || s.Names["z"] || !relation.IsEquation() {
		return nil
	}
	if st, err := expr.ParseStatement(text, s); err == nil && st.Variables != nil {
		return nil // z(x) = … is a function
	}
	isFlat := slices.ContainsFunc(d.Panels, func(p document.Panel) bool { return p.Kind != document.InSpace })
	upright := !isFlat && figure.IsLinear(expr.Minus(relation.Sides[0], relation.Sides[1])) && (relation.Mentions("x") || relation.Mentions("y"))
	if !relation.Mentions("z") && !upright {
		return nil
	}
	return &figure.Body{Shape: figure.Plane, Equation: strings.TrimSpace(text)}
}

// behindEquals is the right side of an equation as it was typed, its brackets with it.
func behindEquals(text string) string {
	_, right, _ := strings.Cut(text, "=")
	return strings.TrimSpace(right)
}

// runningLetters are those that run along a curve when they have no value: (cos t, sin t).
var runningLetters = []string{"t", "θ", "φ", "s", "u"}

// pairMeant is the point or the curve that a pair of formulas gives, with a name before it or without: P = (p, f(p)), P(2, 3).
func pairMeant(d *document.Document, text string) document.Body {
	name, parts, is := tupleIn(text, d.DecimalComma)
	if !is || name != "" && d.StatedNamed(name) != nil {
		return nil
	}
	s := scope(d)
	var letters []string
	for _, part := range parts {
		f, err := expr.Parse(part, s)
		if err != nil {
			return nil
		}
		for _, letter := range expr.Names(f.Node) {
			if !s.Names[letter] && !slices.Contains(letters, letter) {
				letters = append(letters, letter)
			}
		}
	}
	if slices.Contains(letters, "x") || slices.Contains(letters, "y") {
		return nil
	}
	if len(parts) == 3 && name == "" {
		if body := surfaceMeant(d, parts, letters); body != nil {
			return body
		}
	}
	for _, letter := range runningLetters {
		if name == "" && slices.Contains(letters, letter) {
			turn := wholeTurn(d)
			if d.AngleUnit == document.Degree && !turning(d, parts)[letter] {
				turn = usualTime
			}
			if len(parts) == 3 {
				return &spacecurve.Body{X: parts[0], Y: parts[1], Z: parts[2], Variable: letter, From: "0", To: turn}
			}
			return &trajectory.Body{X: parts[0], Y: parts[1], Variable: letter, From: "0", To: turn}
		}
	}
	body := &point.Body{Name: name, X: parts[0], Y: parts[1]}
	if len(parts) == 3 {
		body.Z = parts[2]
	}
	return body
}

// wholeTurn is a turn in the unit of the demonstration.
func wholeTurn(d *document.Document) string {
	if d.AngleUnit == document.Degree {
		return "360"
	}
	return "2π"
}

// usualTime is how long a point runs whose parameter is no angle, where a turn counts 360.
const usualTime = "5"

// turning are the letters that stand in a sine or a cosine: they are angles, or a time that is one.
func turning(d *document.Document, parts []string) map[string]bool {
	turns := map[string]bool{}
	for _, part := range parts {
		f, _ := expr.Parse(part, scope(d))
		expr.Walk(f.Node, func(n expr.Node) bool {
			if call, is := n.(*expr.Call); is && (call.Name == "sin" || call.Name == "cos") {
				for _, letter := range expr.Names(call) {
					turns[letter] = true
				}
			}
			return true
		})
	}
	return turns
}

// surfaceMeant is the parametric surface that a triple in two running letters gives: (2cos u, 2 sin u, v). A letter that stands in a
// function of angles turns once, another runs from −1 to 1.
func surfaceMeant(d *document.Document, parts, letters []string) document.Body {
	var running []string
	for _, pair := range [][2]string{{"u", "v"}, {"s", "t"}, {"θ", "φ"}, {"t", "v"}, {"r", "t"}, {"r", "θ"}, {"r", "φ"}} {
		if slices.Contains(letters, pair[0]) && slices.Contains(letters, pair[1]) {
			running = pair[:]
			break
		}
	}
	if running == nil {
		return nil
	}
	turns := turning(d, parts)
	ends := func(letter string) (from, to string) {
		if turns[letter] {
			return "0", wholeTurn(d)
		}
		return "−1", "1"
	}
	b := &parametric.Body{X: parts[0], Y: parts[1], Z: parts[2], U: running[0], V: running[1]}
	b.FromU, b.ToU = ends(b.U)
	b.FromV, b.ToV = ends(b.V)
	return b
}

// heightMeant writes z = x² − y² as a function of x and y; another text stays.
func heightMeant(d *document.Document, text string) string {
	s := scope(d)
	relation, err := expr.ParseRelation(text, s.With("x", "y", "z"))
	if err != nil || !relation.IsEquation() || s.Names["z"] {
		return text
	}
	head, isName := relation.Sides[0].(*expr.Name)
	right := relation.Sides[1]
	letters := expr.Names(right)
	if !isName || head.Name != "z" || slices.Contains(letters, "z") || !slices.Contains(letters, "x") && !slices.Contains(letters, "y") {
		return text
	}
	separator := ", "
	if d.DecimalComma {
		separator = "; "
	}
	return freeFunctionName(d) + "(x" + separator + "y) = " + behindEquals(text)
}

// tupleIn takes a pair or a triple apart; a name before it begins with a capital, since f(2, 3) is a value.
func tupleIn(text string, comma bool) (name string, parts []string, is bool) {
	text = strings.TrimSpace(text)
	open := strings.IndexByte(text, '(')
	if open < 0 || !strings.HasSuffix(text, ")") {
		return "", nil, false
	}
	head := strings.TrimSpace(strings.TrimSuffix(strings.TrimSpace(text[:open]), "="))
	if head != "" {
		capital, ok := expr.NameOf(head)
		if !ok || capital[0] < 'A' || capital[0] > 'Z' {
			return "", nil, false
		}
		name = capital
	}
	separators := ",;|"
	if comma {
		separators = ";|"
	}
	depth, from := 0, 0
	inner := text[open+1 : len(text)-1]
	for i, r := range inner {
		switch {
		case r == '(':
			depth++
		case r == ')':
			if depth--; depth < 0 {
				return "", nil, false
			}
		case depth == 0 && strings.ContainsRune(separators, r):
			parts, from = append(parts, strings.TrimSpace(inner[from:i])), i+1
		}
	}
	parts = append(parts, strings.TrimSpace(inner[from:]))
	if depth != 0 || len(parts) < 2 || len(parts) > 3 || slices.Contains(parts, "") {
		return "", nil, false
	}
	return name, parts, true
}

// WithDials makes dials of the letters without a value that an edit has brought, each with the range of its role. x and y are those of the plane.
func WithDials(d, before *document.Document) (*document.Document, error) {
	letters := evaluate.Load(d, nil).Missing
	if len(letters) == 0 {
		return d, nil
	}
	had := evaluate.Load(before, nil).Missing
	letters = slices.DeleteFunc(letters, func(letter string) bool {
		return letter == "x" || letter == "y" || slices.Contains(had, letter) || slices.Contains(d.Gone, letter)
	})
	return AddParameters(d, letters)
}

// Reading is what a text was understood as, for the line below a field: LaTeX.
func Reading(d *document.Document, text string, latex func(expr.Node) string) (reading string, is bool) {
	s := scope(d)
	if height := heightMeant(d, text); height != text {
		relation, err := expr.ParseRelation(text, s.With("x", "y", "z"))
		return relation.LaTeX(nil), err == nil
	}
	if _, is := radiusSquaredIn(d, text); is {
		relation, err := expr.ParseRelation(text, s)
		return relation.LaTeX(nil), err == nil
	}
	body := meant(d, text)
	if body == nil {
		return "", false
	}
	write := func(part string) string {
		f, err := expr.Parse(part, s)
		if err != nil {
			return part
		}
		return latex(f.Node)
	}
	switch b := body.(type) {
	case *guide.Body:
		return "x=" + write(b.At), true
	case *point.Body:
		third := ""
		if b.Z != "" {
			third = `,\;` + write(b.Z)
		}
		return evaluate.HeadLaTeX(b.Name, nil) + `\left(` + write(b.X) + `,\;` + write(b.Y) + third + `\right)`, true
	case *figure.Body:
		relation, err := expr.ParseRelation(b.Equation, s.With("x", "y", "z"))
		return relation.LaTeX(nil), err == nil
	case *parametric.Body:
		return `\left(` + write(b.X) + `,\;` + write(b.Y) + `,\;` + write(b.Z) + `\right)`, true
	case *spacecurve.Body:
		return `\left(` + write(b.X) + `,\;` + write(b.Y) + `,\;` + write(b.Z) + `\right)`, true
	case *trajectory.Body:
		return `\left(` + write(b.X) + `,\;` + write(b.Y) + `\right)`, true
	}
	relation, err := expr.ParseRelation(text, s.With("x", "y"))
	if err != nil {
		return "", false
	}
	return relation.LaTeX(nil), true
}
