package surface

import (
	"fmt"
	"math"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/numeric/program"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/sample"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// mostParts bounds a function of two variables, in parts of its formula: it is worked out at thousands of places for a picture.
const mostParts = 300

// Live is a surface in play.
type Live struct {
	Function *evaluate.Function
	// Shape is the function, compiled.
	Shape *sample.Surface

	body       *Body
	ends       [4]*evaluate.Expression // from x, to x, from y, to y; nil for the panel's
	conditions []program.Point
	on         []int
	in         []float64
	sheets     map[string]*kept
}

// kept is a surface's sheet on a panel, valid for one stamp, box and lattice.
type kept struct {
	sheet   *solid.Sheet
	stamp   uint64
	box     [3][2]float64
	units   view.Place
	lattice solid.Lattice
	colour  int
}

// Load finds the function and compiles what it needs.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	f := d.Named(b.Function)
	switch {
	case f == nil || len(f.Stated.Variables) != 2:
		d.Report(problem.New("two-variables", 0, len(b.Function), b.Function), e.ID, "function")
		return nil
	case f.Inlined == nil:
		return nil
	}
	l := &Live{body: b, Function: f, sheets: map[string]*kept{}, on: slices.Clone(f.Hangs())}
	others, variables := d.InputNames("")[1:], f.Stated.Variables
	inputs := append(slices.Clone(variables), others...)
	if err := evaluate.Affordable(f.Inlined, inputs, f.Formula, b.Function, mostParts); err != nil {
		d.Report(err, e.ID, "function")
		return nil
	}
	var err error
	if l.Shape, err = sample.CompileSurface(f.Inlined, variables[0], variables[1], others); err != nil {
		d.Report(err, e.ID, "function")
		return nil
	}
	d.CountCompile()
	for k, text := range [4]string{b.FromX, b.ToX, b.FromY, b.ToY} {
		if text == "" {
			continue
		}
		if l.ends[k] = d.Expression(text, e.ID, [4]string{"fromX", "toX", "fromY", "toY"}[k]); l.ends[k] == nil {
			return nil
		}
		l.on = append(l.on, l.ends[k].Hangs()...)
	}
	if !l.loadConditions(d, e.ID, append([]string{"x", "y"}, others...)) {
		return nil
	}
	return l
}

// loadConditions compiles each condition as a difference that is not negative where it holds.
func (l *Live) loadConditions(d evaluate.Loading, id string, inputs []string) bool {
	for _, text := range l.body.Conditions {
		r, err := expr.ParseRelation(text, d.Scope().With("x", "y"))
		if err != nil {
			d.Report(err, id, "conditions")
			return false
		}
		for i, sign := range r.Signs {
			left, right := r.Sides[i], r.Sides[i+1]
			if sign == "<" || sign == "≤" {
				left, right = right, left
			}
			typed := expr.Minus(left, right)
			n, err := d.Resolve(typed)
			if err != nil {
				d.Report(err, id, "conditions")
				return false
			}
			on, waits := d.Dependencies(n, []string{"x", "y"})
			if len(waits) > 0 {
				d.Wait(waits, typed, id, "conditions")
				return false
			}
			l.on = append(l.on, on...)
			holds, err := program.CompilePoint(n, inputs)
			if err != nil {
				d.Report(err, id, "conditions")
				return false
			}
			l.conditions = append(l.conditions, holds)
		}
	}
	return true
}

// AppearsIn tells that it stands in space.
func (l *Live) AppearsIn(kind document.PanelKind) bool { return kind == document.InSpace }

// inputs are those in play with room for both variables in front.
func (l *Live) inputs(d evaluate.Moment) []float64 {
	l.in = append(append(l.in[:0], 0, 0), d.Inputs()[1:]...)
	return l.in
}

// Work is how many operations one place takes.
func (l *Live) Work(m evaluate.Moment) float64 { return l.Shape.Work(l.inputs(m)) }

// isTooLong tells that it takes too long to be drawn even of the fewest cells.
func (l *Live) isTooLong(on *compose.On) bool { return compose.GraphCells(on, 1, l.Work(on.Now)) == 0 }

// Rectangle is the part of the floor over which it stands, within that of a box.
func (l *Live) Rectangle(d evaluate.Moment, box [3][2]float64) (ends [4]float64) {
	ends = [4]float64{box[0][0], box[0][1], box[1][0], box[1][1]}
	for k, x := range l.ends {
		if x == nil {
			continue
		}
		if v := x.At(d.Inputs()); v == v {
			ends[k] = v
		}
	}
	return ends
}

// Lattice asks for the ends of the rectangle.
func (l *Live) Lattice(on *compose.On) (x, y []float64) {
	ends := l.Rectangle(on.Now, on.View.Projection.Box)
	return []float64{ends[0], ends[1]}, []float64{ends[2], ends[3]}
}

// At is the height over a place: NaN where there is none, outside of the rectangle, and where a condition does not hold.
func (l *Live) At(d evaluate.Moment, box [3][2]float64) func(x, y float64) float64 {
	in, ends := l.inputs(d), l.Rectangle(d, box)
	return func(x, y float64) float64 {
		if !l.isThere(x, y, ends, in) {
			return math.NaN()
		}
		return l.Shape.At(x, y, in)
	}
}

func (l *Live) isThere(x, y float64, ends [4]float64, in []float64) bool {
	slackX, slackY := 1e-9*(ends[1]-ends[0]), 1e-9*(ends[3]-ends[2])
	if x < ends[0]-slackX || x > ends[1]+slackX || y < ends[2]-slackY || y > ends[3]+slackY {
		return false
	}
	for _, holds := range l.conditions {
		in[0], in[1] = x, y
		if !(holds(in) >= 0) {
			return false
		}
	}
	return true
}

// Sheet is the surface on a panel, cut anew only where the function, the box or the lattice has changed.
func (l *Live) Sheet(on *compose.On, e *document.Entry) *solid.Sheet {
	q, lattice, stamp := &on.View.Projection, on.Space.Lattice, on.Now.StampOf(l.on, -1)
	k := l.sheets[on.Panel.ID]
	if k != nil && k.stamp == stamp && k.box == q.Box && k.units == q.Units && k.colour == e.Look.Colour &&
		slices.Equal(k.lattice.X, lattice.X) && slices.Equal(k.lattice.Y, lattice.Y) {
		return k.sheet
	}
	k = &kept{stamp: stamp, box: q.Box, units: q.Units, lattice: lattice, colour: e.Look.Colour}
	in, at := l.inputs(on.Now), l.At(on.Now, q.Box)
	heights := make([]float64, len(lattice.X)*len(lattice.Y))
	if l.isTooLong(on) {
		for i := range heights {
			heights[i] = math.NaN()
		}
	} else {
		heights = l.Shape.Heights(lattice.X, lattice.Y, in)
	}
	ends := l.Rectangle(on.Now, q.Box)
	isWhole := len(l.conditions) == 0 && ends == [4]float64{q.Box[0][0], q.Box[0][1], q.Box[1][0], q.Box[1][1]}
	if !isWhole {
		for i, x := range lattice.X {
			for j, y := range lattice.Y {
				if !l.isThere(x, y, ends, in) {
					heights[i*len(lattice.Y)+j] = math.NaN()
				}
			}
		}
	}
	k.sheet = solid.NewSheet(&k.lattice, solid.Relief{Heights: heights, At: at, Units: q.Units, Low: q.Box[2][0], High: q.Box[2][1], Jumps: l.Shape.Jumps,
		IsBounded: func(x0, x1, y0, y1 float64) bool { return l.Shape.IsBounded(x0, x1, y0, y1, in) }})
	k.sheet.Hue = compose.ColourOf(e)
	k.sheet.MeshX, k.sheet.MeshY = on.MeshX, on.MeshY
	l.sheets[on.Panel.ID] = k
	on.CountRun(e.ID)
	return k.sheet
}

// Compose puts the surface into space.
func (l *Live) Compose(on *compose.On) []compose.Anchor {
	if l.isTooLong(on) {
		return nil
	}
	on.Space.AddSheet(l.Sheet(on, on.Entry))
	q := &on.View.Projection
	at, ends := l.At(on.Now, q.Box), l.Rectangle(on.Now, q.Box)
	// Its name stands at its border: at a corner that is seen, the highest on the panel first.
	var places [][2]float64
	for _, corner := range [8][2]float64{{ends[0], ends[2]}, {ends[1], ends[2]}, {ends[1], ends[3]}, {ends[0], ends[3]}, {(ends[0] + ends[1]) / 2, ends[2]},
		{(ends[0] + ends[1]) / 2, ends[3]}, {ends[0], (ends[2] + ends[3]) / 2}, {ends[1], (ends[2] + ends[3]) / 2}} {
		if p := (view.Place{corner[0], corner[1], at(corner[0], corner[1])}); q.Holds(p) {
			places = append(places, q.Pixel(p))
		}
	}
	if len(places) == 0 {
		return nil
	}
	slices.SortStableFunc(places, func(a, b [2]float64) int { return int(math.Copysign(1, a[1]-b[1])) })
	return on.Labelled(compose.Anchor{X: places[0][0], Y: places[0][1], Others: places[1:]}, l.label(on.Now, on.Entry), compose.ColourOf(on.Entry))
}

// Measure is its formula with the values in play, for a text.
func (l *Live) Measure(d evaluate.Moment) string {
	stated := l.Function.Stated
	return d.HeadLaTeX(stated.Name, stated.Variables) + "=" + d.Now(l.Function)
}

func (l *Live) label(d evaluate.Moment, e *document.Entry) string {
	if e.Look.Label == document.LabelFormula {
		return l.Measure(d)
	}
	return evaluate.HeadLaTeX(l.Function.Stated.Name, nil)
}

// Sentence says “the surface of f”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	words := []evaluate.Word{evaluate.Says("the surface of "), evaluate.NameWord(b.Function)}
	for i, side := range [2][2]string{{b.FromX, b.ToX}, {b.FromY, b.ToY}} {
		if side[0] != "" && side[1] != "" {
			words = append(words, evaluate.Says(", "), d.LetterWord([2]string{"x", "y"}[i]), evaluate.Says(" from "), d.FormulaWord(side[0]), evaluate.Says(" to "), d.FormulaWord(side[1]))
		}
	}
	for _, text := range b.Conditions {
		words = append(words, evaluate.Says(", where "), evaluate.Word{LaTeX: evaluate.RelationLaTeX(d, text)})
	}
	return words
}

// Describe says the function.
func (l *Live) Describe(d evaluate.Moment, _ *document.Entry) []string {
	return []string{fmt.Sprintf("The surface of %s: %s.", l.body.Function, d.Spoken(l.Function))}
}

// Box is the rectangle with the heights over it.
func (l *Live) Box(d evaluate.Moment, _ *evaluate.Shown, p *document.Panel, box kind.Box) {
	w := p.Window
	ends := l.Rectangle(d, [3][2]float64{{w.Left, w.Right}, {w.Bottom, w.Top}, {w.Space.Low, w.Space.High}})
	in := l.inputs(d)
	const looks = 24
	for i := range looks + 1 {
		for j := range looks + 1 {
			x, y := ends[0]+(ends[1]-ends[0])*float64(i)/looks, ends[2]+(ends[3]-ends[2])*float64(j)/looks
			if l.isThere(x, y, ends, in) {
				box.AddPlace(view.Place{x, y, l.Shape.At(x, y, in)})
			}
		}
	}
}
