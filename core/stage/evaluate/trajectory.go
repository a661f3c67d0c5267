package evaluate

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/trajectory"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/sample"
)

// Trajectory is a polar or parametric curve in play.
type Trajectory struct {
	Polar bool
	// Curve is the curve in the plane over its parameter, in the demonstration's unit of angles for a polar one.
	Curve *sample.Plane
	// From, To and At are the interval and how far the curve has been run through; At is To without a driver.
	From, To, At float64
	// Driver is the place of the parameter that runs, −1 for none.
	Driver int
	// Graphs are the coordinates as functions of the parameter: r, x, y.
	Graphs map[string]*sample.Function

	velocity, acceleration *sample.Plane
	radius                 program.Point
	x, y, r                expr.Node // inlined, in radians
	variable               string
	function               string // the name of a polar curve's r
	from, to               *Expression
	on                     []int     // what the curve depends on, the driver apart
	run                    depends   // with the driver
	in                     []float64 // the inputs with the curve's parameter in front
}

// loadTrajectory understands a trajectory; nil when there is a problem, which is then reported.
func (d *Demonstration) loadTrajectory(s *Shown) *Trajectory {
	e, given := s.Entry, s.Entry.Trajectory
	m := &Trajectory{Polar: given.Function != "", Driver: -1, Graphs: map[string]*sample.Function{}}
	if given.Driver != "" {
		if m.Driver = d.Find(given.Driver); m.Driver < 0 {
			d.report(problem.New("not-a-parameter", 0, len(given.Driver), given.Driver), e.ID, "trajectory.driver")
			return nil
		}
	}
	if m.Polar {
		f := d.functions[given.Function]
		if f == nil || f.Inlined == nil || len(f.Stated.Variables) != 1 {
			if f == nil || d.problemFree(f.Stated.ID) {
				d.report(problem.New("not-a-function", 0, len(given.Function), given.Function), e.ID, "trajectory.function")
			}
			return nil
		}
		m.variable, m.function, m.r = f.Stated.Variables[0], given.Function, f.Inlined
		angle := expr.Node(&expr.Name{Name: m.variable})
		if d.Document.AngleUnit == document.Degree {
			angle = &expr.Degree{X: angle}
		}
		turned := func(name string) expr.Node {
			return &expr.Binary{Op: expr.Mul, L: m.r, R: &expr.Call{Name: name, Args: []expr.Node{symbolic.Radians(angle, false)}}}
		}
		m.x, m.y = turned("cos"), turned("sin")
	} else {
		m.variable = given.Variable
		if m.variable == "" {
			m.variable = "t"
		}
		x := d.expression(given.X, e.ID, "trajectory.x", m.variable)
		y := d.expression(given.Y, e.ID, "trajectory.y", m.variable)
		if x == nil || y == nil {
			return nil
		}
		m.x, m.y = x.inlined, y.inlined
	}
	m.from, m.to = d.expression(given.From, e.ID, "trajectory.from"), d.expression(given.To, e.ID, "trajectory.to")
	if m.from == nil || m.to == nil || !d.compileTrajectory(m, e) {
		return nil
	}
	return m
}

func (d *Demonstration) compileTrajectory(m *Trajectory, e *document.Shown) bool {
	inputs := append([]string{m.variable}, d.inputs[1:]...)
	var waits []string
	both := &expr.Binary{Op: expr.Add, L: m.x, R: m.y}
	if m.on, waits = d.dependencies(both, []string{m.variable}); len(waits) > 0 {
		d.wait(waits, both, e.ID, "trajectory.function")
		return false
	}
	for _, x := range []*Expression{m.from, m.to} {
		m.on = append(m.on, x.on...)
	}
	for _, n := range []expr.Node{m.x, m.y} {
		if err := affordable(n, inputs, n, "a coordinate", mostMoved); err != nil {
			d.report(err, e.ID, "trajectory.function")
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
		d.report(err, e.ID, "trajectory.function")
		return false
	}
	m.run.on = append([]int{}, m.on...)
	if m.Driver >= 0 {
		m.run.on = append(m.run.on, m.Driver)
	}
	d.Counters.Compiles++
	return true
}

func (d *Demonstration) updateTrajectory(m *Trajectory) {
	m.From, m.To = d.at(m.from), d.at(m.to)
	m.At = m.To
	if m.Driver >= 0 {
		m.At = math.Max(m.From, math.Min(m.To, d.in[m.Driver+1]))
	}
	m.in = append(m.in[:0], d.in...)
}

// Exists tells whether the interval can be run through.
func (m *Trajectory) Exists() bool {
	return m.From < m.To && !math.IsInf(m.To-m.From, 0)
}

// TrajectoryStamp grows whenever something moves that the curve depends on; its driver is not among it.
func (d *Demonstration) TrajectoryStamp(m *Trajectory) uint64 {
	latest := uint64(1)
	for _, i := range m.on {
		latest = max(latest, d.moved[i])
	}
	return latest
}

// Inputs are those in play, with the place of the curve's parameter in front; valid until the next update.
func (m *Trajectory) Inputs() []float64 { return m.in }

// Place is where the point is at a value of the parameter, Velocity and Acceleration its derivatives by the parameter,
// Radius r there.
func (m *Trajectory) Place(t float64) sample.Point { return m.Curve.At(t, m.in) }

// Velocity is the first derivative of the place.
func (m *Trajectory) Velocity(t float64) sample.Point { return m.velocity.At(t, m.in) }

// Acceleration is the second.
func (m *Trajectory) Acceleration(t float64) sample.Point { return m.acceleration.At(t, m.in) }

// Outline is how far a polar curve reaches from the pole by the direction in radians.
func (d *Demonstration) Outline(m *Trajectory) trajectory.Outline {
	unit := d.Direction(1)
	return trajectory.Encloses(func(angle float64) float64 { return m.Radius(angle / unit) }, m.From*unit, m.To*unit)
}

// mostTurns bounds the turns of a curve that are looked through for what it encloses.
const mostTurns = 500

// HasOutline tells that a polar curve runs through so few turns that what it encloses can be told.
func (d *Demonstration) HasOutline(m *Trajectory) bool {
	return m.Exists() && math.Abs(m.To-m.From)*d.Direction(1) <= mostTurns*2*math.Pi
}

// Radius is r of a polar curve.
func (m *Trajectory) Radius(t float64) float64 {
	if m.radius == nil {
		return math.NaN()
	}
	m.in[0] = t
	return m.radius(m.in)
}

// Direction is the angle of a polar curve's ray in radians.
func (d *Demonstration) Direction(t float64) float64 { return t * d.perUnit() }

// Studied is the curve for findings: with the numbers in play, its angle in radians.
func (d *Demonstration) Studied(m *Trajectory) (*trajectory.Curve, error) {
	numbers := func(n expr.Node) expr.Node {
		return symbolic.PutNumbers(n, d.numbersBut(m.variable))
	}
	if !m.Polar {
		return trajectory.Parametric(numbers(m.x), numbers(m.y), nil, m.variable)
	}
	r := numbers(m.r)
	if d.Document.AngleUnit == document.Degree {
		turned := &expr.Binary{Op: expr.Div, L: &expr.Binary{Op: expr.Mul, L: expr.Num(180), R: &expr.Name{Name: m.variable}}, R: &expr.Constant{Name: "pi"}}
		r = symbolic.Simplify(symbolic.Substitute(r, map[string]expr.Node{m.variable: turned})).Node
	}
	return trajectory.Polar(r, m.variable)
}

// DragRunner moves the driver of a trajectory to where the curve comes nearest to a place, near to where it is now, so that
// a hand does not jump at a crossing.
func (d *Demonstration) DragRunner(s *Shown, x, y float64) {
	m := s.Trajectory
	if m == nil || m.Driver < 0 {
		return
	}
	reach := (m.To - m.From) / 12
	best, least := m.At, math.Inf(1)
	const looks = 240
	for k := -looks; k <= looks; k++ {
		t := math.Max(m.From, math.Min(m.To, m.At+reach*float64(k)/looks))
		p := m.Place(t)
		if away := math.Hypot(p.X-x, p.Y-y); away < least {
			best, least = t, away
		}
	}
	d.Set(m.Driver, d.Parameters[m.Driver].OnStep(best))
}
