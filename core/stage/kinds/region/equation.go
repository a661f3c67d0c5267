package region

import (
	"fmt"
	"math"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/conic"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
)

// Equation is the curve of an equation in x and y.
type Equation struct {
	of *Where
	// isConic tells that it is a line or a conic, whatever the dials say.
	isConic bool
	// place is that of its condition, text as it was typed.
	place int
	text  string
}

// equationOf notes an equation, whose condition comes next.
func (l *Where) equationOf(d evaluate.Loading, text string, difference expr.Node) *Equation {
	q := &Equation{of: l, place: len(l.conditions), text: text}
	if n, err := d.Resolve(difference); err == nil {
		q.isConic = conic.Degree(symbolic.Simplify(n).Node)
	}
	return q
}

// Conic is the line or conic at the values in play; of another curve its kind is none.
func (q *Equation) Conic(d evaluate.Moment) conic.Curve {
	if !q.isConic {
		return conic.Curve{}
	}
	in := append([]float64{}, q.of.inputs(d)...)
	return conic.Read(func(x, y float64) float64 {
		in[0], in[1] = x, y
		return q.of.conditions[q.place].value(in)
	}).Classify()
}

// sentence says “the circle x² + y² = 9, centre (0, 0), radius 3”; what a dial moves is not told, since the sentence stands still.
func (q *Equation) sentence(d evaluate.Moment, parts []string) []evaluate.Word {
	what, facts := "curve", []fact{}
	if len(q.of.on) == 0 {
		what, facts = known(q.Conic(d))
	}
	out := []evaluate.Word{evaluate.Says("the " + what + " "), {LaTeX: strings.Join(parts, `\;\text{where}\;\allowbreak `)}}
	for _, f := range facts {
		out = append(out, evaluate.Says(", "+f.name+" "), evaluate.Word{LaTeX: d.Typeset(f.latex)})
	}
	return out
}

// fact is something known of a line or a conic.
type fact struct{ name, latex, spoken string }

// known names a line or a conic and tells its facts.
func known(c conic.Curve) (what string, facts []fact) {
	one := func(name string, v float64) fact {
		return fact{name, evaluate.CoordinateLaTeX(v, 3), number.Format(v, 3)}
	}
	pairs := func(name string, list ...[2]float64) fact {
		var latex, spoken []string
		for _, p := range list {
			latex = append(latex, evaluate.PairLaTeX(p[0], p[1], 3))
			spoken = append(spoken, fmt.Sprintf("(%s, %s)", number.Format(p[0], 3), number.Format(p[1], 3)))
		}
		return fact{name, strings.Join(latex, `,\;`), strings.Join(spoken, ", ")}
	}
	switch c.Kind {
	case conic.Line:
		if !math.IsInf(c.Slope, 0) {
			facts = append(facts, one("slope", c.Slope))
		}
		return "line", append(facts, pairs("meets the axes at", c.OnAxes()...))
	case conic.Circle:
		return "circle", []fact{pairs("centre", c.Centre), one("radius", c.Long)}
	case conic.Ellipse:
		return "ellipse", []fact{pairs("centre", c.Centre), one("half-axes", c.Long), one("and", c.Short), pairs("foci", c.Foci...)}
	case conic.Hyperbola:
		return "hyperbola", []fact{pairs("centre", c.Centre), pairs("vertices", c.Vertices()...), pairs("foci", c.Foci...)}
	case conic.Parabola:
		return "parabola", []fact{pairs("vertex", c.Centre), pairs("focus", c.Foci...)}
	}
	return "curve", nil
}

// describe says it in plain words, at the values in play.
func (q *Equation) describe(d evaluate.Moment, equation string) string {
	what, facts := known(q.Conic(d))
	text := fmt.Sprintf("The %s %s", what, equation)
	for _, f := range facts {
		text += ", " + f.name + " " + f.spoken
	}
	return text + "."
}

// places are where a curve that runs off is worth looking at.
func (q *Equation) places(d evaluate.Moment) (list [][2]float64) {
	c := q.Conic(d)
	list = append(list, c.OnAxes()...)
	if c.Kind == conic.Parabola || c.Kind == conic.Hyperbola {
		list = append(append(list, c.Centre), c.Foci...)
	}
	return append(list, c.Vertices()...)
}

// labelled gives the curve its label: the equation.
func (l *Where) labelled(on *compose.On, begun int) []compose.Anchor {
	a, seen := on.OnLines(begun)
	if !seen {
		return nil
	}
	a.Pen = compose.Stroke(compose.ColourOf(on.Entry), on.Scaled(compose.CurveWidth), compose.PatternOf(on.Entry, 0), 1)
	return on.Labelled(a, evaluate.RelationLaTeX(on.Now, l.Equation.text), compose.ColourOf(on.Entry))
}

// changingSign is an expression that is 0 where another one is, and that changes its sign there where that one may only touch 0, as an even
// power or an absolute value does: the sign is what a curve is found by. A root stays, since what is beside it has a value only where it has.
func changingSign(n expr.Node) expr.Node {
	switch e := symbolic.Simplify(n).Node.(type) {
	case *expr.Neg:
		return changingSign(e.X)
	case *expr.Binary:
		power, isNumber := e.R.(*expr.Number)
		switch {
		case e.Op == expr.Pow && isNumber && power.Value.IsInt() && power.Value.Sign() > 0:
			return changingSign(e.L)
		case e.Op == expr.Mul:
			return &expr.Binary{Op: expr.Mul, L: changingSign(e.L), R: changingSign(e.R)}
		}
	case *expr.Call:
		if e.Name == "abs" {
			return changingSign(e.Args[0])
		}
	}
	return n
}
