// Package trajectory is a polar or parametric curve that a point runs through, with what is shown of it.
package trajectory

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	curves "parvix/core/maths/trajectory"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/sample"
)

// Letter begins the ids of trajectories.
func (*Body) Letter() string { return "q" }

// mostMoved bounds a coordinate, in parts: its second derivative is worked out too.
const mostMoved = 400

// Live is a polar or parametric curve in play.
type Live struct {
	// Family is nil for a single curve.
	Family *family.Family
	Polar  bool
	// Curve is the curve in the plane over its parameter, in the demonstration's unit of angles for a polar one.
	Curve *sample.Plane
	// From, To and At are the interval and how far the curve has been run through; At is To without a driver.
	From, To, At float64
	// Driver is the place of the parameter that runs, −1 for none.
	Driver int
	// Graphs are the coordinates as functions of the parameter: r, x, y.
	Graphs map[string]*sample.Function

	body                   *Body
	velocity, acceleration *sample.Plane
	radius                 program.Point
	x, y, r                expr.Node // inlined, in radians
	variable               string
	function               string // the name of a polar curve's r
	from, to               *evaluate.Expression
	line                   []sample.Point // of the last picture, to be used again
	on                     []int          // what the curve depends on, the driver apart
	in                     []float64      // the inputs with the curve's parameter in front
}

// Load compiles the curve with its derivatives, and works the family's values out.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	m := &Live{body: b, Polar: b.Function != "", Driver: -1, Graphs: map[string]*sample.Function{}}
	if b.Driver != "" {
		if m.Driver = d.Find(b.Driver); m.Driver < 0 {
			d.Report(problem.New("not-a-parameter", 0, len(b.Driver), b.Driver), e.ID, "driver")
			return nil
		}
	}
	if m.Polar && !understandPolar(d, m, e) || !m.Polar && !understandParametric(d, m, e) {
		return nil
	}
	m.from, m.to = d.Expression(b.From, e.ID, "from"), d.Expression(b.To, e.ID, "to")
	if m.from == nil || m.to == nil || !compile(d, m, e) {
		return nil
	}
	if b.Family != nil {
		if m.Family = family.Of(d, b.Family, e.ID); m.Family == nil {
			return nil
		}
	}
	return m
}

// understandPolar puts r(θ)·(cos θ, sin θ) for the coordinates.
func understandPolar(d evaluate.Loading, m *Live, e *document.Entry) bool {
	given := m.body
	f := d.Named(given.Function)
	if f == nil || f.Inlined == nil || len(f.Stated.Variables) != 1 {
		if f == nil || f.Formula != nil && len(f.Waits) == 0 {
			d.Report(problem.New("not-a-function", 0, len(given.Function), given.Function), e.ID, "function")
		}
		return false
	}
	m.variable, m.function, m.r = f.Stated.Variables[0], given.Function, f.Inlined
	angle := expr.Node(&expr.Name{Name: m.variable})
	if d.IsInDegrees() {
		angle = &expr.Degree{X: angle}
	}
	turned := func(name string) expr.Node {
		return expr.Times(m.r, &expr.Call{Name: name, Args: []expr.Node{symbolic.Radians(angle, false)}})
	}
	m.x, m.y = turned("cos"), turned("sin")
	return true
}

// understandParametric reads both coordinates.
func understandParametric(d evaluate.Loading, m *Live, e *document.Entry) bool {
	given := m.body
	m.variable = given.Letters()
	x := d.Expression(given.X, e.ID, "x", m.variable)
	y := d.Expression(given.Y, e.ID, "y", m.variable)
	if x == nil || y == nil {
		return false
	}
	m.x, m.y = x.Inlined(), y.Inlined()
	return true
}

func compile(d evaluate.Loading, m *Live, e *document.Entry) bool {
	inputs := d.InputNames(m.variable)
	var waits []string
	both := expr.Plus(m.x, m.y)
	if m.on, waits = d.Dependencies(both, []string{m.variable}); len(waits) > 0 {
		d.Wait(waits, both, e.ID, "function")
		return false
	}
	for _, x := range []*evaluate.Expression{m.from, m.to} {
		m.on = append(m.on, x.Hangs()...)
	}
	for _, n := range []expr.Node{m.x, m.y} {
		if err := evaluate.Affordable(n, inputs, n, "a coordinate", mostMoved); err != nil {
			d.Report(err, e.ID, "function")
			return false
		}
	}
	derivative := func(n expr.Node) expr.Node { return symbolic.Simplify(symbolic.Derivative(n, m.variable)).Node }
	dx, dy := derivative(m.x), derivative(m.y)
	var err error
	compile := func(x, y expr.Node) (p *sample.Plane) {
		if err == nil {
			p, err = sample.CompilePlane(x, y, inputs)
		}
		return p
	}
	m.Curve, m.velocity, m.acceleration = compile(m.x, m.y), compile(dx, dy), compile(derivative(dx), derivative(dy))
	for name, n := range map[string]expr.Node{"x": m.x, "y": m.y, "r": m.r} {
		if n != nil && err == nil {
			m.Graphs[name], err = sample.Compile(n, inputs)
		}
	}
	if m.r != nil && err == nil {
		m.radius, err = program.CompilePoint(m.r, inputs)
	}
	if err != nil {
		d.Report(err, e.ID, "function")
		return false
	}
	d.CountCompile()
	return true
}

// Hangs lists the parameters of the curve, and its driver.
func (m *Live) Hangs() []int {
	on := append([]int{}, m.on...)
	if m.Driver >= 0 {
		on = append(on, m.Driver)
	}
	return on
}

// Update works out the interval and how far the curve has been run through.
func (m *Live) Update(d evaluate.Moment) {
	m.From, m.To = m.from.At(d.Inputs()), m.to.At(d.Inputs())
	m.At = m.To
	if m.Driver >= 0 {
		m.At = math.Max(m.From, math.Min(m.To, d.Inputs()[m.Driver+1]))
	}
	m.in = append(m.in[:0], d.Inputs()...)
}

// Exists tells whether the interval can be run through.
func (m *Live) Exists() bool {
	return m.From < m.To && !math.IsInf(m.To-m.From, 0)
}

// Inputs are those in play, with the place of the curve's parameter in front; valid until the next update.
func (m *Live) Inputs() []float64 { return m.in }

// Place is where the point is at a value of the parameter, Velocity and Acceleration its derivatives by the parameter,
// Radius r there.
func (m *Live) Place(t float64) sample.Point { return m.Curve.At(t, m.in) }

// Velocity is the first derivative of the place.
func (m *Live) Velocity(t float64) sample.Point { return m.velocity.At(t, m.in) }

// Acceleration is the second.
func (m *Live) Acceleration(t float64) sample.Point { return m.acceleration.At(t, m.in) }

// Outline is how far a polar curve reaches from the pole by the direction in radians.
func (m *Live) Outline(d evaluate.Moment) curves.Outline {
	unit := Direction(d, 1)
	return curves.Encloses(func(angle float64) float64 { return m.Radius(angle / unit) }, m.From*unit, m.To*unit)
}

// mostTurns bounds the turns of a curve that are looked through for what it encloses.
const mostTurns = 500

// HasOutline tells that a polar curve runs through so few turns that what it encloses can be told.
func (m *Live) HasOutline(d evaluate.Moment) bool {
	return m.Exists() && math.Abs(m.To-m.From)*Direction(d, 1) <= mostTurns*2*math.Pi
}

// Radius is r of a polar curve.
func (m *Live) Radius(t float64) float64 {
	if m.radius == nil {
		return math.NaN()
	}
	m.in[0] = t
	return m.radius(m.in)
}

// Direction is the angle of a polar curve's ray in radians.
func Direction(d evaluate.Moment, t float64) float64 { return t * d.RadiansPerUnit() }

// Studied is the curve for findings: with the numbers in play, its angle in radians.
func (m *Live) Studied(d evaluate.Moment) (*curves.Curve, error) {
	numbers := func(n expr.Node) expr.Node {
		return symbolic.PutNumbers(n, d.NumbersBut(m.variable))
	}
	if !m.Polar {
		return curves.Parametric(numbers(m.x), numbers(m.y), nil, m.variable)
	}
	r := numbers(m.r)
	if d.IsInDegrees() {
		turned := expr.Over(expr.Times(expr.Num(180), &expr.Name{Name: m.variable}), &expr.Constant{Name: "pi"})
		r = symbolic.Simplify(symbolic.Substitute(r, map[string]expr.Node{m.variable: turned})).Node
	}
	return curves.Polar(r, m.variable)
}

// Drag moves the driver to where the curve comes nearest to a place, near to where it is now, so that
// a hand does not jump at a crossing.
func (m *Live) Drag(d evaluate.Play, h evaluate.Hand) {
	if m.Driver < 0 {
		return
	}
	reach := (m.To - m.From) / 12
	best, least := m.At, math.Inf(1)
	const looks = 240
	for k := -looks; k <= looks; k++ {
		t := math.Max(m.From, math.Min(m.To, m.At+reach*float64(k)/looks))
		p := m.Place(t)
		if away := math.Hypot(p.X-h.X, p.Y-h.Y); away < least {
			best, least = t, away
		}
	}
	d.Set(m.Driver, d.Dial(m.Driver).OnStep(best))
}

// Nudge moves the driver by steps.
func (m *Live) Nudge(d evaluate.Play, h evaluate.Hand) {
	if m.Driver >= 0 {
		d.Set(m.Driver, d.Dial(m.Driver).Stepped(h.DX+h.DY))
	}
}
