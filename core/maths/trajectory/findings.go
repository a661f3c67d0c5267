package trajectory

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// mostTangents bounds the tangents that are listed.
const mostTangents = 40

// Tangents are the places of the parameter at which the tangent is level (the second coordinate rests) and upright (the
// first does), where the point does not stand still.
func (c *Curve) Tangents(from, to float64) (level, upright []float64) {
	return c.resting(1, 0, from, to), c.resting(0, 1, from, to)
}

// resting are the places where one coordinate rests and the other moves.
func (c *Curve) resting(k, other int, from, to float64) (places []float64) {
	steps := int(math.Min(60000, math.Max(1200, boxSteps*(to-from)/(2*math.Pi))))
	speed := func(t float64) float64 { return c.speed[k]([]float64{t}) }
	add := func(t float64) {
		if moves := math.Abs(c.speed[other]([]float64{t})); moves > 1e-7 && len(places) < mostTangents {
			places = append(places, t)
		}
	}
	was := speed(from)
	for i := 1; i <= steps; i++ {
		t := from + (to-from)*float64(i)/float64(steps)
		now := speed(t)
		before := from + (to-from)*float64(i-1)/float64(steps)
		if was == 0 {
			add(before)
		} else if was*now < 0 {
			add(c.turning(k, before, t))
		}
		was = now
	}
	return places
}

// Symmetry of a polar curve.
type Symmetry struct {
	// InX and InY tell that the curve is its own mirror image in the axes, AtPole that it is after half a turn.
	InX, InY, AtPole bool
}

// Symmetries of a closed polar curve: each holds when one of the two ways in which a place can be written gives the same r
// at every angle that is tried.
func (c *Curve) Symmetries() (s Symmetry) {
	if c.radius == nil {
		return s
	}
	agrees := func(image func(angle float64) float64, sign float64) bool {
		defined := 0
		for _, at := range tried {
			v, w := c.Radius(at), sign*c.Radius(image(at))
			if math.IsNaN(v) != math.IsNaN(w) {
				return false
			}
			if v == v {
				defined++
				if math.Abs(v-w) > 1e-9*math.Max(1, math.Abs(v)) {
					return false
				}
			}
		}
		return defined > 0
	}
	either := func(image func(angle float64) float64) bool {
		return agrees(image, 1) || agrees(func(a float64) float64 { return image(a) + math.Pi }, -1)
	}
	s.InX = either(func(a float64) float64 { return -a })
	s.InY = either(func(a float64) float64 { return math.Pi - a })
	s.AtPole = either(func(a float64) float64 { return a + math.Pi })
	return s
}

// Form is a curve without its parameter.
type Form struct {
	// Left = Right is its equation in x and y; nil where only its name is known.
	Left, Right expr.Node
	// Kind is what it is: a line, a parabola, a circle, an ellipse; empty for another curve.
	Kind string
}

// WithoutParameter eliminates the parameter where that is elementary: a coordinate that is linear in it is solved for it and
// put into the other; cosine and sine of the same angle are joined by cos² + sin² = 1, those of multiples by Chebyshev's polynomials. Curves that
// have a name are known by it. One in space
// gives false.
func (c *Curve) WithoutParameter() (f Form, ok bool) {
	switch {
	case c.Z != nil:
		return f, false
	case c.R != nil:
		return c.byName()
	}
	for _, way := range []func() (Form, bool){c.byLinear, c.bySquares, c.byPowers, c.byWaves, c.byRolling} {
		if f, ok = way(); ok {
			return f, true
		}
	}
	return f, false
}

func simple(n expr.Node) expr.Node { return symbolic.Simplify(n).Node }

func binary(op expr.Op, a, b expr.Node) expr.Node { return &expr.Binary{Op: op, L: a, R: b} }

// linear reads n = m·t + b; false where it is not linear in t.
func (c *Curve) linear(n expr.Node) (m, b expr.Node, ok bool) {
	m = simple(symbolic.Derivative(n, c.variable))
	if depends(m, c.variable) || isZero(m) {
		return nil, nil, false
	}
	return m, simple(symbolic.Substitute(n, map[string]expr.Node{c.variable: expr.Num(0)})), true
}

func depends(n expr.Node, variable string) bool {
	for _, used := range expr.Names(n) {
		if used == variable {
			return true
		}
	}
	return false
}

func isZero(n expr.Node) bool {
	number, ok := n.(*expr.Number)
	return ok && number.Value.Sign() == 0
}

func (c *Curve) byLinear() (f Form, ok bool) {
	for _, way := range []struct {
		solved, other expr.Node
		left, in      string
	}{{c.X, c.Y, "y", "x"}, {c.Y, c.X, "x", "y"}} {
		m, b, linear := c.linear(way.solved)
		if !linear {
			continue
		}
		t := binary(expr.Div, binary(expr.Sub, expr.Named(way.in), b), m)
		right := simple(symbolic.Substitute(way.other, map[string]expr.Node{c.variable: t}))
		f = Form{Left: expr.Named(way.left), Right: right}
		if second := simple(symbolic.Derivative(symbolic.Derivative(right, way.in), way.in)); !depends(second, way.in) {
			f.Kind = "a parabola"
			if isZero(second) {
				f.Kind = "a line"
			}
		}
		return f, true
	}
	return f, false
}

// wave reads n = b + a·cos u or b + a·sin u.
func (c *Curve) wave(n expr.Node) (function string, angle, a, b expr.Node, ok bool) {
	expr.Walk(n, func(part expr.Node) bool {
		if call, is := part.(*expr.Call); is && (call.Name == "cos" || call.Name == "sin") && angle == nil && depends(call, c.variable) {
			function, angle = call.Name, call.Args[0]
			return false
		}
		return true
	})
	if angle == nil {
		return
	}
	stand := "\x01"
	var put func(part expr.Node) expr.Node
	put = func(part expr.Node) expr.Node {
		if call, is := part.(*expr.Call); is && call.Name == function && expr.Equal(call.Args[0], angle) {
			return expr.Named(stand)
		}
		return expr.Map(part, put)
	}
	replaced := put(n)
	if depends(replaced, c.variable) {
		return "", nil, nil, nil, false
	}
	a = simple(symbolic.Derivative(replaced, stand))
	if depends(a, stand) || isZero(a) {
		return "", nil, nil, nil, false
	}
	return function, angle, a, simple(symbolic.Substitute(replaced, map[string]expr.Node{stand: expr.Num(0)})), true
}

func (c *Curve) bySquares() (f Form, ok bool) {
	fx, ux, ax, bx, okX := c.wave(simple(c.X))
	fy, uy, ay, by, okY := c.wave(simple(c.Y))
	if !okX || !okY || fx == fy || !expr.Equal(simple(ux), simple(uy)) {
		return f, false
	}
	square := func(n expr.Node) expr.Node { return binary(expr.Pow, n, expr.Num(2)) }
	shifted := func(letter string, b expr.Node) expr.Node {
		if isZero(b) {
			return expr.Named(letter)
		}
		return simple(binary(expr.Sub, expr.Named(letter), b))
	}
	x, y := square(shifted("x", bx)), square(shifted("y", by))
	if expr.Equal(simple(square(ax)), simple(square(ay))) {
		return Form{binary(expr.Add, x, y), simple(square(ax)), "a circle"}, true
	}
	return Form{binary(expr.Add, binary(expr.Div, x, simple(square(ax))), binary(expr.Div, y, simple(square(ay)))), expr.Num(1), "an ellipse"}, true
}
