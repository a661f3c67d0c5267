package study

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/trajectory"
	"parvix/core/stage/sample"
)

// Curve is a polar or parametric curve that can be read: its name is that of its function, or the id of its entry.
type Curve struct {
	*trajectory.Live
	name  string
	entry *document.Entry
}

// CurveOf finds a curve by its name; nil for a function that is seen as a graph, or what is none.
func CurveOf(d *evaluate.Demonstration, name string) *Curve {
	if f := d.Function(name); f != nil && !IsPolar(d, f) {
		return nil
	}
	for _, s := range d.Shown {
		if c := curveIn(s); c != nil && c.name == name {
			return c
		}
	}
	return nil
}

// curveIn is the curve that an entry shows, nil for another entry and for a family.
func curveIn(s *evaluate.Shown) *Curve {
	m, is := s.Live.(*trajectory.Live)
	if !is || m.Family != nil || !m.Exists() {
		return nil
	}
	name := s.Entry.ID
	if m.Polar {
		name = s.Entry.Field("function")
	}
	return &Curve{m, name, s.Entry}
}

// nearestCurve reads the polar or parametric curve that is nearest to a touched place, if it is nearer than something else: at a part of a
// turn near by, else where it is nearest; nil where none is.
func nearestCurve(d *evaluate.Demonstration, p *document.Panel, v sample.View, x, y, least float64) *Reading {
	sx, sy := v.Width/(v.Right-v.Left), v.Height/(v.Top-v.Bottom)
	var best *Curve
	at := 0.0
	for _, s := range d.Shown {
		c := curveIn(s)
		if c == nil || !d.Appears(s, p) {
			continue
		}
		away := func(t float64) float64 {
			q := c.Place(t)
			return math.Hypot((q.X-x)*sx, (q.Y-y)*sy)
		}
		if t, distance := c.nearest(away); distance < math.Min(least, reach) {
			best, at, least = c, t, distance
		}
	}
	if best == nil {
		return nil
	}
	return best.read(d, best.settled(d, at, sx, sy), "")
}

// nearest looks for the value of the parameter at which something is least, and closes it in by halves.
func (c *Curve) nearest(away func(t float64) float64) (at, least float64) {
	const looks, halvings = 2400, 40
	step := (c.To - c.From) / looks
	at, least = c.From, math.Inf(1)
	for k := range looks + 1 {
		if t := c.From + step*float64(k); away(t) < least {
			at, least = t, away(t)
		}
	}
	for range halvings {
		step /= 2
		for _, t := range [2]float64{math.Max(c.From, at-step), math.Min(c.To, at+step)} {
			if away(t) < least {
				at, least = t, away(t)
			}
		}
	}
	return at, least
}

// settled is a part of a turn that is hardly farther along the curve than a place, else a number of few digits.
func (c *Curve) settled(d *evaluate.Demonstration, t, sx, sy float64) float64 {
	here := c.Place(t)
	part := math.Pi / 12 / d.RadiansPerUnit()
	if !c.Polar && d.IsInDegrees() {
		part = 15
	}
	whole := math.Max(c.From, math.Min(c.To, math.Round(t/part)*part))
	if there := c.Place(whole); math.Hypot((there.X-here.X)*sx, (there.Y-here.Y)*sy) < snapping {
		return whole
	}
	speed := c.Velocity(t)
	pixels := math.Hypot(speed.X*sx, speed.Y*sy)
	if !(pixels > 0) || math.IsInf(pixels, 0) {
		return t
	}
	return number.Round(t, int(math.Max(0, math.Ceil(math.Log10(pixels/1.5)))))
}

// ReadCurveTyped reads a curve at a typed value of its parameter.
func ReadCurveTyped(d *evaluate.Demonstration, c *Curve, text string) (*Reading, error) {
	typed, err := expr.Parse(text, d.Scope())
	if err != nil {
		return nil, err
	}
	n, err := d.Resolve(typed.Node)
	if err != nil {
		return nil, err
	}
	n = symbolic.PutNumbers(n, d.Numbers())
	if names := expr.Names(n); len(names) > 0 {
		return nil, problem.New("no-value", typed.Node.Pos(), typed.Node.End(), names[0])
	}
	at, err := program.CompilePoint(n, []string{"\x00"})
	if err != nil {
		return nil, err
	}
	t := at([]float64{0})
	if !finite(t) {
		return nil, problem.New("undefined-field", 0, len(text), "the place has no value")
	}
	return c.read(d, t, text), nil
}

// read tells where a curve is at a value of its parameter, in both ways for a polar one, and how steep; text is how that was typed.
func (c *Curve) read(d *evaluate.Demonstration, t float64, text string) *Reading {
	if text == "" {
		text = c.typed(d, t)
	}
	p, v := c.Place(t), c.Velocity(t)
	r := &Reading{Function: c.name, X: p.X, Y: p.Y, XText: text}
	letter, at := expr.LaTeXName(c.Variable()), c.parameter(d, t)
	if !finite(p.X) || !finite(p.Y) {
		r.X, r.Y, r.Reason = 0, math.NaN(), "the curve has no place there"
		r.LaTeX = letter + "=" + at
		return r
	}
	if c.Polar {
		name := expr.LaTeXName(c.name)
		r.LaTeX = `(` + name + `,\,` + letter + `)=(` + evaluate.CoordinateLaTeX(c.Radius(t), 3) + `,\;` + at + `),\quad `
		r.KeepX, r.KeepY = c.name+"("+text+") cos("+text+")", c.name+"("+text+") sin("+text+")"
	} else {
		r.LaTeX = letter + "=" + at + `,\quad `
		put := map[string]expr.Node{c.Variable(): &expr.Number{Value: new(big.Rat).SetFloat64(t)}}
		if f, err := expr.Parse(text, d.Scope()); err == nil {
			put[c.Variable()] = f.Node
		}
		r.KeepX, r.KeepY = c.kept(d, "x", put), c.kept(d, "y", put)
	}
	r.LaTeX += `(x,\,y)=` + evaluate.PairLaTeX(p.X, p.Y, 3)
	if slope := v.Y / v.X; math.Abs(v.X) < 1e-9*math.Hypot(v.X, v.Y) {
		r.LaTeX += `,\quad \text{upright}`
	} else if finite(slope) {
		r.LaTeX += `,\quad m=` + evaluate.CoordinateLaTeX(slope, 3)
	}
	r.LaTeX = d.Typeset(r.LaTeX)
	return r
}

// kept is a coordinate of a parametric curve with a value put in, as it may be typed.
func (c *Curve) kept(d *evaluate.Demonstration, field string, put map[string]expr.Node) string {
	f, err := expr.Parse(c.entry.Field(field), d.Scope().With(c.Variable()))
	if err != nil {
		return ""
	}
	text := expr.Text(symbolic.Substitute(f.Node, put))
	if d.Document.DecimalComma {
		return expr.WithDecimalComma(text)
	}
	return text
}

// parameter writes a value of the parameter; an angle in its unit.
func (c *Curve) parameter(d *evaluate.Demonstration, t float64) string {
	if c.Polar && d.IsInDegrees() {
		return "{" + number.Format(t, 2) + `}^{\circ}`
	}
	if ofPi := evaluate.MultipleOfPi(t); ofPi != "" {
		return ofPi
	}
	return number.Format(t, 3)
}

// typed is a value of the parameter as it may be typed.
func (c *Curve) typed(d *evaluate.Demonstration, t float64) string {
	if r, ok := evaluate.ShareOfPi(t); ok && t != 0 {
		return number.OfPi(int(r.Num().Int64()), int(r.Denom().Int64()))
	}
	return d.Numeral(asciiMinus(number.Format(t, 9)))
}
