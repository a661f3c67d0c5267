package analyse_test

import (
	"math"
	"testing"

	"parvix/core/formula/expr"
	"parvix/core/formula/expr/exprtest"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/analyse"
	"parvix/core/numeric/breaks"
	"parvix/core/numeric/interval"
	"parvix/core/numeric/program"
)

// No finding is invented: a zero is one, an extremum tops its neighbours, values exist where the domain says so and lie
// in the range, and the function repeats with its period.
func FuzzFindings(f *testing.F) {
	for _, seed := range []string{"", "abcdefgh", "\x09\x00\x0a\x03\x02\x0b\x01\x00", "\x0f\x00\x06\x0f\x01\x00", "\x0c\x05\x00\x03\x02\x04"} {
		f.Add([]byte(seed))
	}
	f.Fuzz(func(t *testing.T, data []byte) {
		n := exprtest.Formula(data, 3)
		findings, err := analyse.Function(n, "x", analyse.Bounds{})
		if err != nil {
			return // refused by name
		}
		value, err := program.CompilePoint(n, []string{"x"})
		if err != nil {
			t.Fatal(err)
		}
		c := claims{t, n, expr.Text(n), value, findings, breaks.Enclose(n, "x")}
		c.domainAndRange()
		c.zeros()
		c.extrema()
		c.period()
		c.runs()
	})
}

type claims struct {
	t     *testing.T
	n     expr.Node
	text  string
	value program.Point
	f     *analyse.Findings
	// enclose bounds the values, with what is rounded.
	enclose breaks.Enclosure
}

func (c *claims) at(x float64) float64 { return c.value([]float64{x}) }

// simply is the value of the simplified formula, in which less is rounded.
func (c *claims) simply(x float64) float64 {
	f, err := program.CompilePoint(symbolic.Simplify(c.n).Node, []string{"x"})
	if err != nil {
		c.t.Fatal(err)
	}
	return f([]float64{x})
}

// rough is how much the value changes with the last digits of x: what cannot be compared closer.
func (c *claims) rough(x float64) float64 {
	h := 1e-12 * (1 + math.Abs(x))
	v := c.at(x)
	rough := 1e-9 * (1 + math.Abs(v))
	// A constant may be rounded too: cos(sinh 30) is the cosine of 5·10¹².
	if e, _ := c.enclose(interval.Point(x)); !e.IsEmpty() && e.Hi-e.Lo < math.Inf(1) {
		rough += e.Hi - e.Lo
	}
	for _, beside := range []float64{c.at(x + h), c.at(x - h)} {
		if beside == beside { // at an end of the domain one side has no value
			rough += math.Abs(beside - v)
		}
	}
	return rough
}

func (c *claims) domainAndRange() {
	for k := range 120 {
		x := (float64(k) - 59.37) * 0.1617
		y := c.at(x)
		if y != y && program.Exists(program.Why(c.n, []string{"x"}, []float64{x})) {
			continue // it exists, but no float64 holds it
		}
		steady := math.IsNaN(c.at(x*(1+1e-9))) == math.IsNaN(y) && math.IsNaN(c.at(x*(1-1e-9))) == math.IsNaN(y)
		if c.f.DomainKnown && steady && !math.IsInf(y, 0) && c.isSure(x, y) && c.has(x) == math.IsNaN(y) {
			c.t.Fatalf("%s has at %v the value %v; domain %s", c.text, x, y, analyse.Intervals(c.f.Domain))
		}
		// ⌊6 + x − x⌋ is 5 where the sum is rounded; written simply it is not.
		if c.f.RangeKnown && y == y && math.Abs(y) < 1e8 && !c.onStep(x) && !c.takes(y, 1e3*c.rough(x)) && !c.takes(c.simply(x), 1e3*c.rough(x)) {
			c.t.Fatalf("%s has at %v the value %v; range %s", c.text, x, y, analyse.Intervals(c.f.Range))
		}
	}
}

// isSure tells that rounding did not decide whether there is a value: −e^(−92) − 1 is −1 when computed, and has an arc cosine.
func (c *claims) isSure(x, y float64) bool {
	v, slope := c.enclose(interval.Point(x))
	if y != y {
		return v.IsEmpty()
	}
	return slope != interval.All
}

// onStep tells that a step's number is whole at x, or so near that a float64 makes it whole: ⌊tanh 20⌋ is 0, and computed
// it is 1.
func (c *claims) onStep(x float64) bool {
	return expr.Any(c.n, func(n expr.Node) bool {
		call, ok := n.(*expr.Call)
		if !ok || call.Name != "floor" && call.Name != "ceil" && call.Name != "sgn" {
			return false
		}
		f, err := program.CompilePoint(call.Args[0], []string{"x"})
		if err != nil {
			c.t.Fatal(err)
		}
		v := f([]float64{x})
		return math.Abs(v-math.Round(v)) <= 1e-12*(1+math.Abs(v))
	})
}

// takes tells whether the range holds a value.
func (c *claims) takes(y, slack float64) bool {
	if every := c.f.RangeEvery; every != nil {
		one := c.f.Range[0].Lo.Value
		if way := float64(c.f.RangeWay); way*(y-one) < -slack {
			return false
		}
		return math.Abs(y-one-every.Value*math.Round((y-one)/every.Value)) <= slack
	}
	return inside(c.f.Range, y, slack)
}

// has tells whether x is in the domain.
func (c *claims) has(x float64) bool {
	switch again := c.f.DomainAgain; {
	case c.f.Period != nil:
		return insideAgain(c.f.Domain, x, c.f.Period.Value)
	case again != nil:
		return inside(c.f.Domain, x, 0) && insideAgain(again.Intervals, x, again.Period.Value)
	}
	return inside(c.f.Domain, x, 0)
}

// insideAgain tells whether x or a number whole periods away from it lies in one of the intervals of a period.
func insideAgain(list []analyse.Interval, x, p float64) bool {
	for x0 := x - p*math.Floor(x/p) - 2*p; x0 < 3*p; x0 += p {
		if inside(list, x0, 0) {
			return true
		}
	}
	return false
}

func inside(list []analyse.Interval, v, slack float64) bool {
	for _, i := range list {
		if v >= i.Lo.Value-slack && v <= i.Hi.Value+slack {
			return true
		}
	}
	return false
}

func (c *claims) zeros() {
	for _, z := range c.f.Zeros {
		y, x := c.at(z.X.Value), z.X.Value
		change := 0.0
		// Beside 0 the sine of 2/x swings within far less than a millionth.
		for _, h := range []float64{1e-6 * (1 + math.Abs(x)), 1e-10 * math.Abs(x)} {
			for _, beside := range []float64{c.at(x + h), c.at(x - h)} {
				if beside == beside { // at an end of the domain one side has no value
					change += math.Abs(beside - y)
				}
			}
		}
		if math.Abs(y) > 1e-6 && math.Abs(y) > change && !c.onStep(x) {
			c.t.Fatalf("%s has at the zero %s the value %v", c.text, z.X.Text(), y)
		}
	}
}

func (c *claims) extrema() {
	for sign, list := range map[float64][]analyse.Point{1: c.f.Maxima, -1: c.f.Minima} {
		for _, p := range list {
			x := p.X.Value
			for _, h := range []float64{-1e-3, 1e-3, -1e-4, 1e-4} {
				if math.Abs(h) > 0.2*c.room(x) || c.leavesJump(x, h) {
					continue
				}
				if y := c.at(x + h); y == y && !c.onStep(x+h) && sign*(y-p.Y.Value) > 10*c.rough(x)+10*c.rough(x+h) {
					c.t.Fatalf("%s: the extremum (%s, %s) is passed by %v at %v", c.text, p.X.Text(), p.Y.Text(), y, x+h)
				}
			}
		}
	}
}

// leavesJump tells that a steep function passes the height of a jump at x within h: what tops its neighbours there does so
// nearer by only.
func (c *claims) leavesJump(x, h float64) bool {
	for _, j := range c.f.Jumps {
		gap := math.Max(math.Abs(j.Left.Value-j.Value.Value), math.Abs(j.Right.Value-j.Value.Value))
		if math.Abs(j.X.Value-x) < 1e-9 && math.Abs(c.at(x+h)-c.at(x+h/8)) > gap/2 {
			return true
		}
	}
	// A step at which the domain ends is no jump between two sides: √(6 − x) + tanh⌊x⌋ is higher at 6 than close by.
	for _, i := range c.f.Domain {
		if c.onStep(x) && (math.Abs(i.Lo.Value-x) < 1e-9 || math.Abs(i.Hi.Value-x) < 1e-9) {
			return true
		}
	}
	// A single value of its own, above or below those around it.
	for _, p := range c.f.Holes {
		if math.Abs(p.X.Value-x) < 1e-9 && math.Abs(c.at(x+h)-c.at(x+h/8)) > math.Abs(c.at(x)-p.Y.Value)/2 {
			return true
		}
	}
	return false
}

// room is the distance from x to the nearest other place that was found.
func (c *claims) room(x float64) float64 {
	least := 1.0
	near := func(v float64) {
		if d := math.Abs(v - x); d > 1e-9 {
			least = math.Min(least, d)
		}
	}
	for _, list := range [][]analyse.Point{c.f.Maxima, c.f.Minima, c.f.Holes, c.f.Zeros} {
		for _, p := range list {
			near(p.X.Value)
		}
	}
	for _, j := range c.f.Jumps {
		near(j.X.Value)
	}
	for _, l := range c.f.Vertical {
		near(l.X.Value)
	}
	for _, i := range c.f.Domain {
		near(i.Lo.Value)
		near(i.Hi.Value)
	}
	if again := c.f.DomainAgain; again != nil {
		for _, i := range again.Intervals {
			p := again.Period.Value
			near(i.Lo.Value + p*math.Round((x-i.Lo.Value)/p))
			near(i.Hi.Value + p*math.Round((x-i.Hi.Value)/p))
		}
	}
	return least
}

// runs checks the intervals of rising and bending by differences.
func (c *claims) runs() {
	for _, run := range []struct {
		name string
		list []analyse.Interval
		sign float64
		bend bool
	}{{"increasing", c.f.Rising, 1, false}, {"decreasing", c.f.Falling, -1, false}, {"concave up", c.f.ConcaveUp, 1, true}, {"concave down", c.f.ConcaveDown, -1, true}} {
		for _, i := range run.list {
			lo, hi := math.Max(i.Lo.Value, -9), math.Min(i.Hi.Value, 9)
			if run.bend {
				// Bends far out are lost in rounding; a slope is not.
			} else if math.IsInf(i.Lo.Value, -1) {
				lo = math.Min(hi-1, -37)
			} else if math.IsInf(i.Hi.Value, 1) {
				hi = math.Max(lo+1, 37)
			}
			for _, share := range []float64{0.13, 0.37, 0.61, 0.88} {
				x, h := lo+(hi-lo)*share, (hi-lo)*0.02
				if !(h > 1e-5) {
					continue
				}
				left, middle, right := c.at(x-h), c.at(x), c.at(x+h)
				d := right - left
				if run.bend {
					d = left + right - 2*middle
				}
				if slack := 10 * (c.rough(x-h) + c.rough(x) + c.rough(x+h)); run.sign*d < -slack {
					c.t.Fatalf("%s is not %s on %s: %v, %v, %v about %v", c.text, run.name, i.Text(), left, middle, right, x)
				}
			}
		}
	}
}

func (c *claims) period() {
	if c.f.Period == nil {
		return
	}
	for _, x := range []float64{0.337, 1.913, -2.771} {
		a, b := c.at(x), c.at(x+c.f.Period.Value)
		if a == a && b == b && math.Abs(a-b) > 1e-7*(1+math.Abs(a))+1e3*c.rough(x) {
			c.t.Fatalf("%s does not repeat with %s: %v and %v", c.text, c.f.Period.Text(), a, b)
		}
	}
}
