package surface

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
)

// Range is between which values a function lies over a rectangle. Closed tells that an end is reached; Exact are the ends where they are
// known exactly.
type Range struct {
	Lo, Hi             float64
	LoClosed, HiClosed bool
	Exact              [2]expr.Node
}

// Range of the function over a rectangle, its border with it: the least and the greatest of its values at stationary points inside, at
// those of its four sides, and at the corners (the theorem of extreme values), or infinite where it runs off. false where a part of the
// rectangle has no values, or the search for stationary points is not complete.
func (s *Surface) Range(r Rectangle) (out Range, ok bool) {
	inner, complete := s.Stationary(r)
	// A function of one letter takes all its values on the sides.
	if !complete && !expr.Equal(s.Partials[0], expr.Num(0)) && !expr.Equal(s.Partials[1], expr.Num(0)) {
		return out, false
	}
	out = Range{Lo: math.Inf(1), Hi: math.Inf(-1), LoClosed: true, HiClosed: true}
	take := func(z float64, n expr.Node) {
		if z < out.Lo {
			out.Lo, out.Exact[0] = z, n
		}
		if z > out.Hi {
			out.Hi, out.Exact[1] = z, n
		}
	}
	for _, p := range inner {
		take(p.Z, p.Exact[2])
	}
	up, down, whole := s.runsOff(r)
	if !whole {
		return out, false
	}
	if up && down {
		return Range{Lo: math.Inf(-1), Hi: math.Inf(1)}, true
	}
	for _, side := range s.sides(r) {
		if !side.walk(take) {
			return out, false
		}
	}
	if up {
		out.Hi, out.HiClosed, out.Exact[1] = math.Inf(1), false, nil
	}
	if down {
		out.Lo, out.LoClosed, out.Exact[0] = math.Inf(-1), false, nil
	}
	return out, true
}

// mostUnbounded bounds the boxes that are looked at where the function may run off.
const mostUnbounded = 20000

// runsOff tells whether the function grows or falls without bound in a rectangle; whole tells that it has a value wherever it does not.
func (s *Surface) runsOff(r Rectangle) (up, down, whole bool) {
	const looks = 64
	for i := range looks + 1 {
		for j := range looks + 1 {
			// Off the round places and off the middle, at which a function may have a hole.
			x := r.X0 + (r.X1-r.X0)*(float64(i)+0.0137)/(looks+0.0401)
			y := r.Y0 + (r.Y1-r.Y0)*(float64(j)+0.0171)/(looks+0.0497)
			z := s.At(x, y)
			if math.IsNaN(z) {
				return false, false, false
			}
		}
	}
	queue, looked := []Rectangle{r}, 0
	share := func(box Rectangle) float64 { return (box.X1 - box.X0) / (r.X1 - r.X0) }
	for len(queue) > 0 && !(up && down) {
		if looked++; looked > mostUnbounded {
			return up, down, false
		}
		box := queue[len(queue)-1]
		queue = queue[:len(queue)-1]
		v := s.within(0, box)
		if v.IsEmpty() || !math.IsInf(v.Lo, 0) && !math.IsInf(v.Hi, 0) {
			continue
		}
		if share(box) > 1e-9 {
			queue = append(queue, halves(box, r.X1-r.X0, r.Y1-r.Y0)...)
			continue
		}
		grows, falls := s.leaves(box, r)
		up, down = up || grows, down || falls
		// Along a line of poles one of them tells for its surroundings.
		for (grows || falls) && len(queue) > 0 && share(queue[len(queue)-1]) < poleSurroundings {
			queue = queue[:len(queue)-1]
		}
	}
	return up, down, true
}

// poleSurroundings is how large a part of a rectangle's side a pole tells for.
const poleSurroundings = 1.0 / 64

// leaves tells whether the function grows or falls without bound towards a small box, on some way within the rectangle: its last steps are as
// large as the ones before, as those of a logarithm are, where those towards a limit shrink.
func (s *Surface) leaves(b, r Rectangle) (grows, falls bool) {
	x, y := (b.X0+b.X1)/2, (b.Y0+b.Y1)/2
	for _, way := range [8][2]float64{{1, 0.37}, {0.37, 1}, {-1, 0.37}, {-0.37, 1}, {1, -0.37}, {0.37, -1}, {-1, -0.37}, {-0.37, -1}} {
		var v [3]float64
		isIn := true
		for k, h := range [3]float64{1e-3, 1e-5, 1e-7} {
			px, py := x+way[0]*h*(r.X1-r.X0), y+way[1]*h*(r.Y1-r.Y0)
			isIn = isIn && px >= r.X0 && px <= r.X1 && py >= r.Y0 && py <= r.Y1
			v[k] = s.At(px, py)
		}
		first, last := v[1]-v[0], v[2]-v[1]
		if isIn && last/first > 0.9 && math.Abs(last) > 1e-6*(1+math.Abs(v[2])) {
			grows, falls = grows || last > 0, falls || last < 0
		}
	}
	return grows, falls
}

// side is the function along one side of a rectangle.
type side struct {
	n        expr.Node // of one variable
	variable string
	from, to float64
	ends     [2]expr.Node
}

func (s *Surface) sides(r Rectangle) (list []side) {
	xs, ys := [2]float64{r.X0, r.X1}, [2]float64{r.Y0, r.Y1}
	number := func(v float64) expr.Node {
		for n := range exact.Near(v) {
			if exact.Float(n) == v {
				return n
			}
		}
		return symbolic.Ratio(ratOf(v))
	}
	for k := range 2 {
		list = append(list,
			side{symbolic.Simplify(symbolic.Substitute(s.Value, map[string]expr.Node{s.X: number(xs[k])})).Node, s.Y, r.Y0, r.Y1, [2]expr.Node{number(r.Y0), number(r.Y1)}},
			side{symbolic.Simplify(symbolic.Substitute(s.Value, map[string]expr.Node{s.Y: number(ys[k])})).Node, s.X, r.X0, r.X1, [2]expr.Node{number(r.X0), number(r.X1)}})
	}
	return list
}

// walk takes the values at the ends of a side and at its stationary points; false where they are not all found.
func (d side) walk(take func(z float64, n expr.Node)) bool {
	put := func(at expr.Node) {
		z := exact.Of(symbolic.Substitute(d.n, map[string]expr.Node{d.variable: at}))
		if v := z.Float(); !math.IsNaN(v) && !math.IsInf(v, 0) {
			take(v, z.Node())
		}
	}
	put(d.ends[0])
	put(d.ends[1])
	slope := symbolic.Simplify(symbolic.Derivative(d.n, d.variable)).Node
	if len(expr.Names(slope)) == 0 {
		return true
	}
	zeros, complete := breaks.Zeros(slope, d.variable, d.from, d.to, &breaks.Budget{Left: 200000, Over: 100000})
	value := breaks.Enclose(d.n, d.variable)
	for _, t := range zeros {
		found := false
		for at := range exact.Near(clean(t)) {
			if isZeroAt(slope, map[string]expr.Node{d.variable: at}) {
				put(at)
				found = true
				break
			}
		}
		if !found {
			v, _ := value(interval.Point(t))
			take((v.Lo+v.Hi)/2, nil)
		}
	}
	return complete
}

// ratOf is a float64 as the fraction that it is.
func ratOf(v float64) *big.Rat { return new(big.Rat).SetFloat64(v) }
