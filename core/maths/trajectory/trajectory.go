// Package trajectory knows curves that a point runs through: polar curves r(θ) and parametric curves (x(t), y(t)), in the
// plane or in space. It finds the smallest interval on which they close, areas, lengths and bounding boxes.
package trajectory

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/analyse"
	"parvix/core/maths/exact"
	"parvix/core/numeric/bisect"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/program"
	"parvix/core/numeric/quadrature"
)

// Curve is a curve over one parameter, its angles in radians.
type Curve struct {
	// R is the radius of a polar curve, nil for a parametric one; its parameter is the angle.
	R expr.Node
	// X, Y and Z are the coordinates as formulas; Z is nil in the plane.
	X, Y, Z expr.Node

	variable string
	place    []program.Point  // of x, y and z
	speed    []program.Point  // of their derivatives
	broken   []*breaks.Finder // of x, y and z
	radius   program.Point
}

// Polar is the curve r(θ), which is drawn at (r cos θ, r sin θ): a negative r lies on the ray that is turned back.
func Polar(r expr.Node, variable string) (*Curve, error) {
	turned := func(name string) expr.Node {
		return expr.Times(r, &expr.Call{Name: name, Args: []expr.Node{&expr.Name{Name: variable}}})
	}
	c := &Curve{R: r, X: turned("cos"), Y: turned("sin"), variable: variable}
	var err error
	if c.radius, err = program.CompilePoint(r, []string{variable}); err != nil {
		return nil, err
	}
	return c, c.compile()
}

// Parametric is the curve (x(t), y(t)) or, where z is not nil, (x(t), y(t), z(t)).
func Parametric(x, y, z expr.Node, variable string) (*Curve, error) {
	c := &Curve{X: x, Y: y, Z: z, variable: variable}
	return c, c.compile()
}

func (c *Curve) coordinates() []expr.Node {
	list := []expr.Node{c.X, c.Y}
	if c.Z != nil {
		list = append(list, c.Z)
	}
	return list
}

func (c *Curve) compile() error {
	for _, n := range c.coordinates() {
		p, err := program.CompilePoint(n, []string{c.variable})
		if err != nil {
			return err
		}
		v, err := program.CompilePoint(symbolic.Simplify(symbolic.Derivative(n, c.variable)).Node, []string{c.variable})
		if err != nil {
			return err
		}
		c.place, c.speed = append(c.place, p), append(c.speed, v)
		c.broken = append(c.broken, breaks.New(n, []string{c.variable}))
	}
	return nil
}

// At is the place at a value of the parameter; a coordinate without a value is NaN.
func (c *Curve) At(t float64) (x, y, z float64) {
	in := []float64{t}
	x, y = c.place[0](in), c.place[1](in)
	if c.Z != nil {
		z = c.place[2](in)
	}
	return x, y, z
}

// Velocity is the derivative of the place.
func (c *Curve) Velocity(t float64) (x, y, z float64) {
	in := []float64{t}
	x, y = c.speed[0](in), c.speed[1](in)
	if c.Z != nil {
		z = c.speed[2](in)
	}
	return x, y, z
}

// Radius is r at an angle, NaN for a parametric curve.
func (c *Curve) Radius(angle float64) float64 {
	if c.radius == nil {
		return math.NaN()
	}
	return c.radius([]float64{angle})
}

// mostHalfTurns bounds the half turns after which a polar curve is expected to close.
const mostHalfTurns = 1000

// Closing is the smallest interval after which the curve repeats itself; false for a curve that never does. A polar curve
// closes after k half turns when r(θ + kπ) = (−1)^k r(θ), since r < 0 lies on the ray that is turned back; a parametric one
// after the least common multiple of the coordinates' periods.
func (c *Curve) Closing() (exact.Value, bool) {
	if c.R == nil {
		return c.commonPeriod()
	}
	for k := 1; k <= mostHalfTurns; k++ {
		if c.closesAfter(k) {
			return exact.Of(pi()).Times(exact.Int(int64(k))), true
		}
	}
	return exact.Value{}, false
}

func pi() expr.Node { return &expr.Constant{Name: "pi"} }

// Places at which a repetition is tried: without any relation to the parts of a turn.
var tried = func() (list []float64) {
	for k := range 48 {
		list = append(list, 20*math.Mod(float64(k)*math.Sqrt2+0.137, 1)-7)
	}
	return list
}()

func (c *Curve) closesAfter(halfTurns int) bool {
	sign, turn := 1.0, float64(halfTurns)*math.Pi
	if halfTurns%2 == 1 {
		sign = -1
	}
	defined := 0
	for _, at := range tried {
		now, later := c.Radius(at), sign*c.Radius(at+turn)
		if math.IsNaN(now) != math.IsNaN(later) {
			return false
		}
		if now == now {
			defined++
			if math.Abs(now-later) > 1e-9*math.Max(1, math.Abs(now)) {
				return false
			}
		}
	}
	return defined > 0
}

// commonPeriod of the coordinates; one that stays where it is asks for nothing.
func (c *Curve) commonPeriod() (exact.Value, bool) {
	var first exact.Value
	var ratios []*big.Rat
	for _, n := range c.coordinates() {
		n = symbolic.Simplify(n).Node
		if len(expr.Names(n)) == 0 {
			continue
		}
		p, ok := analyse.PeriodOf(n, c.variable)
		if !ok {
			return first, false
		}
		if ratios == nil {
			first = p
		}
		r, ok := p.Over(first).Rat()
		if !ok {
			return first, false
		}
		ratios = append(ratios, r)
	}
	if ratios == nil {
		return first, false
	}
	return first.Times(exact.Fractional(analyse.LeastMultiple(ratios))), true
}

// Area is what the ray from the centre sweeps over, ½∫r² dθ, or what a parametric curve encloses, ½∮(x dy − y dx), without a
// sign (Green's theorem; DLMF 1.5.21 and common practice). Loops that are run through twice count twice. NaN in space.
func (c *Curve) Area(from, to float64) quadrature.Integral {
	if c.Z != nil {
		return quadrature.Integral{Value: math.NaN()}
	}
	f := func(t float64) float64 {
		x, y, _ := c.At(t)
		dx, dy, _ := c.Velocity(t)
		return (x*dy - y*dx) / 2
	}
	if c.radius != nil {
		f = func(angle float64) float64 { r := c.Radius(angle); return r * r / 2 }
	}
	a := c.integrate(f, from, to)
	a.Value = math.Abs(a.Value)
	return a
}

// integrate adds up the integrals between the places where the curve has gaps.
func (c *Curve) integrate(f func(t float64) float64, from, to float64) (sum quadrature.Integral) {
	for _, piece := range c.pieces(from, to) {
		part := quadrature.Piece(f, piece.from, piece.to)
		sum.Value, sum.Error = sum.Value+part.Value, sum.Error+part.Error
	}
	return sum
}

// Length is the length of the arc, ∫√(x′² + y′² + z′²) dt, for a polar curve ∫√(r² + r′²) dθ (common practice).
func (c *Curve) Length(from, to float64) quadrature.Integral {
	return c.integrate(func(t float64) float64 {
		x, y, z := c.Velocity(t)
		return math.Hypot(math.Hypot(x, y), z)
	}, from, to)
}

// Box holds the curve on an interval: the least and the greatest of each coordinate, infinite where it has none.
type Box struct {
	Low, High [3]float64
	// Spatial tells that the third coordinate counts.
	Spatial bool
}

// boxSteps is how finely a curve is looked through for its outermost places, for each turn.
const boxSteps = 720

// Box finds the outermost places: the ends, and where a coordinate turns between two looks, closed in by its derivative.
func (c *Curve) Box(from, to float64) Box {
	b := Box{Low: [3]float64{math.Inf(1), math.Inf(1), math.Inf(1)}, High: [3]float64{math.Inf(-1), math.Inf(-1), math.Inf(-1)}, Spatial: c.Z != nil}
	steps := int(math.Min(200000, math.Max(2000, boxSteps*(to-from)/(2*math.Pi))))
	take := func(t float64, k int) {
		if v := c.place[k]([]float64{t}); !math.IsNaN(v) && !math.IsInf(v, 0) {
			b.Low[k], b.High[k] = math.Min(b.Low[k], v), math.Max(b.High[k], v)
		}
	}
	for k := range c.place {
		was := math.NaN()
		for i := 0; i <= steps; i++ {
			t := from + (to-from)*float64(i)/float64(steps)
			take(t, k)
			now := c.speed[k]([]float64{t})
			if was*now < 0 {
				take(c.turning(k, t-(to-from)/float64(steps), t), k)
			}
			was = now
		}
	}
	for _, p := range c.pieces(from, to) {
		for k := range c.place {
			for _, way := range [2][2]float64{{p.from, p.to}, {p.to, p.from}} {
				switch c.leaves(k, way[0], way[1]) {
				case 1:
					b.High[k] = math.Inf(1)
				case -1:
					b.Low[k] = math.Inf(-1)
				}
			}
		}
	}
	return b
}

// turning closes in the place where a coordinate's derivative changes its sign.
func (c *Curve) turning(k int, low, high float64) float64 {
	sign := math.Signbit(c.speed[k]([]float64{low}))
	low, high = bisect.Change(func(t float64) bool { return math.Signbit(c.speed[k]([]float64{t})) == sign }, low, high, 60)
	return (low + high) / 2
}
