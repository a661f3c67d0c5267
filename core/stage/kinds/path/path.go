// Package path is the whole way of a feature of a function while a parameter varies.
package path

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/locus"
	"parvix/core/numeric/program"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Letter begins the ids of paths.
func (*Body) Letter() string { return "l" }

// Live is the way of a feature while a parameter varies: a curve y = …, an upright line, or, where it has no equation, the
// places for each value of the parameter.
type Live struct {
	Curve *sample.Function
	// LaTeX is the path's equation, or the place x for a value of the parameter; empty where neither has a closed form.
	LaTeX string
	// Colour is the parameter's.
	Colour  int
	upright program.Point
	// Ways run through the places as the parameter, in their first input, goes over its bar.
	Ways []*sample.Plane
	// value and condition follow the feature value by value where its places have no closed form.
	value, condition program.Point
	parameter        int
	// on are the parameters that the way hangs on, its own apart.
	on []int
	in []float64
}

// passing stands for the parameter that varies, in formulas whose other letters keep their values.
const passing = "τ"

// Load finds the equation of a path, or how to follow it.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	f := d.Graph(b.Function, e.ID)
	if f == nil {
		return nil
	}
	i := d.Find(b.As)
	if i < 0 {
		d.Report(problem.New("not-a-parameter", 0, len(b.As), b.As), e.ID, "as")
		return nil
	}
	p := &Live{Colour: d.Dial(i).Stated.Colour, parameter: i}
	for _, k := range f.Hangs() {
		if k != i {
			p.on = append(p.on, k)
		}
	}
	path := locus.Path{}
	if b.Feature == locus.Intersections {
		with := d.Named(b.With)
		if with == nil || len(with.Stated.Variables) != 1 || with.Inlined == nil {
			d.Report(problem.New("not-a-function", 0, len(b.With), b.With), e.ID, "with")
			return nil
		}
		path = evaluate.CrossingOf(f, with, b.As)
		for _, k := range with.Hangs() {
			if k != i {
				p.on = append(p.on, k)
			}
		}
	} else {
		path = evaluate.PathOf(f, b.As, b.Feature)
	}
	d.CountCompile()
	if err := p.compile(d, path, f, b.As); err != nil {
		d.Report(err, e.ID, "feature")
		return nil
	}
	if p.Curve == nil && p.upright == nil && p.Ways == nil && p.condition == nil {
		d.Report(problem.New("no-path", 0, 0, string(b.Feature), b.As), e.ID, "feature")
		return nil
	}
	return p
}

func (p *Live) compile(d evaluate.Loading, path locus.Path, f *evaluate.Function, as string) (err error) {
	x := f.Stated.Variables[0]
	inputs := d.InputNames(x)
	switch {
	case path.Equation != nil:
		p.LaTeX = "y=" + d.LaTeX(path.Equation, d.Class)
		p.Curve, err = sample.Compile(path.Equation, inputs)
	case path.Upright != nil:
		p.LaTeX = "x=" + d.LaTeX(path.Upright, d.Class)
		p.upright, err = program.CompilePoint(path.Upright, inputs)
	case len(path.Places) > 0:
		if len(path.Places) == 1 {
			p.LaTeX = "x=" + d.LaTeX(path.Places[0], d.Class)
		}
		inputs[0] = passing
		for _, place := range path.Places {
			along := map[string]expr.Node{as: &expr.Name{Name: passing}}
			place = symbolic.Substitute(place, along)
			along[x] = place
			way, err := sample.CompilePlane(place, symbolic.Substitute(f.Inlined, along), inputs)
			if err != nil {
				return err
			}
			p.Ways = append(p.Ways, way)
		}
	case path.Condition != nil:
		if p.value, err = program.CompilePoint(f.Inlined, inputs); err == nil {
			p.condition, err = program.CompilePoint(path.Condition, inputs)
		}
	}
	return err
}

// Sentence says “the path of the vertex of f as a varies”, with its equation where there is one.
func (b *Body) Sentence(d evaluate.Moment, s *evaluate.Shown) []evaluate.Word {
	sentence := []evaluate.Word{evaluate.Says("the path of the " + b.Feature.Name() + " of "), evaluate.NameWord(b.Function)}
	if b.With != "" {
		sentence = append(sentence, evaluate.Says(" with "), evaluate.NameWord(b.With))
	}
	sentence = append(sentence, evaluate.Says(" as "), d.LetterWord(b.As), evaluate.Says(" varies"))
	if l, ok := s.Live.(*Live); ok && l.LaTeX != "" {
		sentence = append(sentence, evaluate.Says(": "), evaluate.Word{LaTeX: l.LaTeX})
	}
	return sentence
}

// Hue is the colour of the parameter that moves the feature.
func (p *Live) Hue(evaluate.Moment) picture.Colour {
	return picture.Colour(p.Colour % document.Colours)
}

// Compose draws the way of the feature, dashed in the colour of the parameter that moves it.
func (p *Live) Compose(on *compose.On) []compose.Anchor {
	pen := compose.Stroke(p.Hue(on.Now), on.Scaled(compose.ParentWidth), compose.PatternOf(on.Entry, picture.Dashed), 1)
	a, ok := p.composeLine(on, pen)
	if !ok {
		return nil
	}
	return on.Labelled(a, p.LaTeX, pen.Colour)
}

func (p *Live) composeLine(on *compose.On, pen compose.Strokes) (compose.Anchor, bool) {
	id, v := on.Entry.ID, on.View
	if p.Curve != nil {
		from := compose.Source{Function: p.Curve, Stamp: p.Stamp(on.Now)}
		return on.Stroked(on.Sampled(id, id, from, p.Inputs(on.Now)), pen)
	}
	if p.upright == nil {
		return p.composeWay(on, pen)
	}
	x := v.X(on.Seen.(*sight).at)
	if !(x >= 0 && x <= v.Width) {
		return compose.Anchor{}, false
	}
	begun := len(on.Pen.Data)
	on.Pen.Segment(pen.Colour, pen.Width, pen.Pattern, x, 0, x, v.Height)
	a, _ := on.OnLines(begun)
	return a.Rather(x, v.Height*0.2), true
}

// composeWay draws a path without an equation: a line through the places where they have a closed form, else a dot for each
// value of the parameter.
func (p *Live) composeWay(on *compose.On, pen compose.Strokes) (compose.Anchor, bool) {
	begun, v := len(on.Pen.Data), on.View
	seen := on.Seen.(*sight)
	for k, curve := range p.Ways {
		run := compose.Run{Curve: curve, Stamp: seen.stamp, From: seen.from, To: seen.to, Pixel: on.Pixel()}
		on.Broken(on.TrailOf(on.Entry.ID, k, run, p.Inputs(on.Now)).Points, pen)
	}
	if p.Ways == nil {
		for _, place := range seen.points {
			if v.Sees(place.X, place.Y) {
				on.Pen.Marker(pen.Colour, picture.Disc, v.X(place.X), v.Y(place.Y), on.Scaled(pathDot))
			}
		}
	}
	return on.OnLines(begun)
}

// pathDot is the size of the dots of a path.
const pathDot = 2

// sight is what is seen of a path at a stamp, over a bar and a stretch of the window.
type sight struct {
	at                    float64 // of an upright line
	stamp                 uint64
	from, to, left, right float64
	points                []locus.Point // of a path that is followed
}

// See works out where an upright path stands, and follows one without closed forms, again only when what it hangs on has
// changed.
func (p *Live) See(m evaluate.Moment, v view.View, before any) any {
	now := &sight{stamp: p.Stamp(m), left: v.Left, right: v.Right}
	now.from, now.to = p.Bar(m)
	now.at, _ = p.Upright(m)
	if p.condition == nil {
		return now
	}
	was, _ := before.(*sight)
	if was != nil && was.stamp == now.stamp && was.from == now.from && was.to == now.to && was.left == now.left && was.right == now.right {
		return was
	}
	now.points = p.Follow(m, now.left, now.right)
	return now
}

// Describe says nothing: the sentence of the entry says what it is.
func (p *Live) Describe(evaluate.Moment, *document.Entry) []string { return nil }

// Box asks for nothing: a path goes where its feature goes.
func (p *Live) Box(evaluate.Moment, *evaluate.Shown, *document.Panel, kind.Box) {}

// Upright is the place of a path that is an upright line; false for another.
func (p *Live) Upright(m evaluate.Moment) (x float64, is bool) {
	if p.upright == nil {
		return 0, false
	}
	return p.upright(m.Inputs()), true
}

// Stamp grows whenever a parameter moves that the path hangs on, its own apart.
func (p *Live) Stamp(d evaluate.Moment) uint64 { return d.StampOf(p.on, -1) }

// Inputs are those in play, valid until the next call; the first is free.
func (p *Live) Inputs(d evaluate.Moment) []float64 {
	p.in = append(p.in[:0], d.Inputs()...)
	return p.in
}

// pathValues is for how many values of the parameter a path without closed forms is followed, triedValues for how many it is
// tried whether there is anything to follow.
const pathValues, triedValues = 81, 17

// Follow gives the points of a path without closed forms between two places, for values over the parameter's bar.
func (p *Live) Follow(d evaluate.Moment, left, right float64) []locus.Point {
	return p.follow(d, left, right, pathValues)
}

func (p *Live) follow(d evaluate.Moment, left, right float64, count int) []locus.Point {
	from, to := p.Bar(d)
	values := make([]float64, count)
	for k := range values {
		values[k] = from + (to-from)*float64(k)/float64(count-1)
	}
	return locus.Follow(p.value, p.condition, p.Inputs(d), p.parameter+1, values, left, right)
}

// Occurs tells whether what a path follows is anywhere between two places for any value over the bar; a feature whose path
// has an equation does.
func Occurs(d evaluate.Loading, path locus.Path, f *evaluate.Function, as string, left, right float64) bool {
	if path.Condition == nil {
		return path.HasEquation()
	}
	p, path := &Live{parameter: d.Find(as)}, locus.Path{Condition: path.Condition}
	return p.compile(d, path, f, as) == nil && p.condition != nil && len(p.follow(d, left, right, triedValues)) > 0
}

// Bar is the interval over which the parameter of a path varies.
func (p *Live) Bar(d evaluate.Moment) (from, to float64) {
	q := d.Dial(p.parameter)
	return q.From, q.To
}
