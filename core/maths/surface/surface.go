// Package surface knows functions of two variables: their partial derivatives, where they are stationary and of which kind, and between
// which values they lie over a rectangle.
package surface

import (
	"math"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// Surface is a function of two variables, in radians and without other letters.
type Surface struct {
	// X and Y are the names of its variables.
	X, Y string
	// Value is the formula; Partials are its derivatives: by x, by y, and by x and x, x and y, y and y.
	Value    expr.Node
	Partials [5]expr.Node

	value    program.Point
	partials [5]program.Point
	over     [6]func(x, y interval.I, in []float64) interval.I // the value, and the partial derivatives
}

// Names are those of the partial derivatives, in their order.
var Names = [5]string{"fx", "fy", "fxx", "fxy", "fyy"}

// New differentiates and compiles a formula.
func New(n expr.Node, x, y string) (*Surface, error) {
	s := &Surface{X: x, Y: y, Value: symbolic.Simplify(n).Node}
	inputs := []string{x, y}
	by := func(n expr.Node, variable string) expr.Node {
		return symbolic.Simplify(symbolic.Derivative(n, variable)).Node
	}
	fx, fy := by(n, x), by(n, y)
	s.Partials = [5]expr.Node{fx, fy, by(fx, x), by(fx, y), by(fy, y)}
	var err error
	if s.value, err = program.CompilePoint(n, inputs); err != nil {
		return nil, err
	}
	for k, d := range s.Partials {
		if s.partials[k], err = program.CompilePoint(d, inputs); err != nil {
			return nil, err
		}
	}
	s.over[0] = breaks.EncloseBox(s.Value, inputs)
	for k, d := range s.Partials {
		s.over[k+1] = breaks.EncloseBox(d, inputs)
	}
	return s, nil
}

// At is the value at a place, NaN where there is none.
func (s *Surface) At(x, y float64) float64 { return s.value([]float64{x, y}) }

// slope is a partial derivative at a place.
func (s *Surface) slope(k int, x, y float64) float64 { return s.partials[k]([]float64{x, y}) }

// Kind is what a stationary point is.
type Kind string

// The kinds; undecided is one at which the second derivatives do not tell (the test of the Hessian's determinant; DLMF 1.5(iii)).
const (
	Minimum   Kind = "minimum"
	Maximum   Kind = "maximum"
	Saddle    Kind = "saddle"
	Undecided Kind = "undecided"
)

// Stationary is a place at which both partial derivatives are 0. Exact are its coordinates and its value where they are known exactly.
type Stationary struct {
	X, Y, Z float64
	Exact   [3]expr.Node
	Kind    Kind
}

// Rectangle is a part of the floor.
type Rectangle struct{ X0, X1, Y0, Y1 float64 }

// Bounds of the search: boxes that are looked at, the smallest as a share of the rectangle, and how many points are listed.
const (
	mostBoxes  = 40000
	smallest   = 1.0 / 4096
	begins     = 1.0 / 8
	mostListed = 60
)

// Stationary are the stationary points of a rectangle, in the order of their x and y. complete tells that there are no others: every
// box in which both slopes may be 0 holds one of them.
func (s *Surface) Stationary(r Rectangle) (list []Stationary, complete bool) {
	if expr.Equal(s.Partials[0], expr.Num(0)) || expr.Equal(s.Partials[1], expr.Num(0)) {
		return nil, false // what is stationary along one letter is so on whole lines
	}
	complete = true
	w, h := r.X1-r.X0, r.Y1-r.Y0
	queue := []Rectangle{r}
	for looked := 0; len(queue) > 0; looked++ {
		box := queue[len(queue)-1]
		queue = queue[:len(queue)-1]
		if looked > mostBoxes || len(list) > mostListed {
			return nil, false // they lie on a line, or are too many to be read
		}
		share := math.Max((box.X1-box.X0)/w, (box.Y1-box.Y0)/h)
		if !s.mayBeStationary(box) || share <= begins && !s.bendsToStationary(box) || share <= smallest && s.isPole(box, r) {
			continue
		}
		if share <= begins {
			if p, found := s.newton(box); found && inside(p, r) {
				if !known(list, p, w, h) {
					list = append(list, p)
				}
				if share <= smallest {
					continue
				}
			} else if share <= smallest {
				// What is left is next to a point that is known, or was not decided.
				if !beside(list, box, w, h) {
					complete = false
				}
				continue
			}
			if share <= 16*smallest && beside(list, box, w, h) {
				continue
			}
		}
		queue = append(queue, halves(box, w, h)...)
	}
	for i := range list {
		s.settle(&list[i])
	}
	return tidy(list), complete
}

// halves parts a box across its longer side.
func halves(b Rectangle, w, h float64) []Rectangle {
	if (b.X1-b.X0)/w >= (b.Y1-b.Y0)/h {
		m := (b.X0 + b.X1) / 2
		return []Rectangle{{b.X0, m, b.Y0, b.Y1}, {m, b.X1, b.Y0, b.Y1}}
	}
	m := (b.Y0 + b.Y1) / 2
	return []Rectangle{{b.X0, b.X1, b.Y0, m}, {b.X0, b.X1, m, b.Y1}}
}

// newton looks for a stationary point from the middle of a box, by Newton's method with the least step where the Hessian is singular; it
// may lie a little outside of the box.
func (s *Surface) newton(b Rectangle) (p Stationary, found bool) {
	x, y := (b.X0+b.X1)/2, (b.Y0+b.Y1)/2
	reach := 2 * math.Max(b.X1-b.X0, b.Y1-b.Y0)
	startX, startY := x, y
	const steps = 80
	for range steps {
		gx, gy := s.slope(0, x, y), s.slope(1, x, y)
		a, c, d := s.slope(2, x, y), s.slope(3, x, y), s.slope(4, x, y)
		dx, dy, ok := least(a, c, d, gx, gy)
		if !ok {
			return p, false
		}
		x, y = x-dx, y-dy
		if math.Abs(x-startX) > reach || math.Abs(y-startY) > reach || math.IsNaN(x+y) {
			return p, false
		}
		if math.Hypot(dx, dy) <= 1e-15*(1+math.Hypot(x, y)) {
			break
		}
	}
	gx, gy, z := s.slope(0, x, y), s.slope(1, x, y), s.At(x, y)
	scale := 1 + math.Abs(s.slope(2, x, y)) + math.Abs(s.slope(3, x, y)) + math.Abs(s.slope(4, x, y)) + math.Abs(z)
	if !(math.Hypot(gx, gy) <= 1e-9*scale) || math.IsNaN(z) || math.IsInf(z, 0) {
		return p, false
	}
	return Stationary{X: x, Y: y, Z: z}, true
}

// least solves [a c; c d]·(dx, dy) = (gx, gy), with the least step where the matrix is all but singular.
func least(a, c, d, gx, gy float64) (dx, dy float64, ok bool) {
	det, size := a*d-c*c, a*a+2*c*c+d*d
	if math.IsNaN(det) || math.IsInf(det, 0) {
		return 0, 0, false
	}
	if math.Abs(det) > 1e-9*size {
		return (gx*d - gy*c) / det, (a*gy - c*gx) / det, true
	}
	if size == 0 {
		return 0, 0, gx == 0 && gy == 0
	}
	// The pseudo-inverse of a matrix of rank one is its transpose over the sum of its squares.
	return (a*gx + c*gy) / size, (c*gx + d*gy) / size, true
}

func inside(p Stationary, r Rectangle) bool {
	slackX, slackY := 1e-9*(r.X1-r.X0), 1e-9*(r.Y1-r.Y0)
	return p.X >= r.X0-slackX && p.X <= r.X1+slackX && p.Y >= r.Y0-slackY && p.Y <= r.Y1+slackY
}

// sameBy is how near two places are one, as a share of the rectangle; degenerate points are found to fewer digits.
const sameBy = 2e-5

func known(list []Stationary, p Stationary, w, h float64) bool {
	for _, q := range list {
		if math.Abs(p.X-q.X) <= sameBy*w && math.Abs(p.Y-q.Y) <= sameBy*h {
			return true
		}
	}
	return false
}

// beside tells that a box holds or touches a point that is known.
func beside(list []Stationary, b Rectangle, w, h float64) bool {
	wide, high := 8*smallest*w+(b.X1-b.X0), 8*smallest*h+(b.Y1-b.Y0)
	for _, p := range list {
		if p.X >= b.X0-wide && p.X <= b.X1+wide && p.Y >= b.Y0-high && p.Y <= b.Y1+high {
			return true
		}
	}
	return false
}

// settle finds out the exact coordinates, and the kind.
func (s *Surface) settle(p *Stationary) {
	s.recognise(p)
	a, c, d := s.slope(2, p.X, p.Y), s.slope(3, p.X, p.Y), s.slope(4, p.X, p.Y)
	det, size := a*d-c*c, a*a+2*c*c+d*d
	p.Kind = Undecided
	switch {
	case !(math.Abs(det) > 1e-8*size):
	case det < 0:
		p.Kind = Saddle
	case a > 0:
		p.Kind = Minimum
	default:
		p.Kind = Maximum
	}
}

// triedPairs bounds the exact places that are put to the test.
const triedPairs = 40

// recognise puts the readable numbers next to the coordinates into both derivatives, and keeps those at which they are exactly 0.
func (s *Surface) recognise(p *Stationary) {
	tried := 0
	for x := range exact.Near(clean(p.X)) {
		for y := range exact.Near(clean(p.Y)) {
			if tried++; tried > triedPairs {
				return
			}
			at := map[string]expr.Node{s.X: x, s.Y: y}
			if !isZeroAt(s.Partials[0], at) || !isZeroAt(s.Partials[1], at) {
				continue
			}
			p.Exact[0], p.Exact[1] = x, y
			p.X, p.Y = exact.Float(x), exact.Float(y)
			p.Z = s.At(p.X, p.Y)
			if z := exact.Of(symbolic.Substitute(s.Value, at)); !math.IsNaN(z.Float()) {
				p.Exact[2], p.Z = z.Node(), z.Float()
			}
			return
		}
	}
}

// clean is 0 for what a degenerate zero leaves of it.
func clean(v float64) float64 {
	if math.Abs(v) < 1e-7 {
		return 0
	}
	return v
}

func isZeroAt(n expr.Node, at map[string]expr.Node) bool {
	return exact.Of(symbolic.Substitute(n, at)).IsZero()
}

func tidy(list []Stationary) []Stationary {
	sort.Slice(list, func(i, j int) bool {
		if math.Abs(list[i].X-list[j].X) > 1e-9*(1+math.Abs(list[i].X)) {
			return list[i].X < list[j].X
		}
		return list[i].Y < list[j].Y
	})
	return list
}
