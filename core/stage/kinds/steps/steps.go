// Package steps takes a function apart into its parent and the transformations that lead there.
package steps

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
	"parvix/core/maths/transform"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/sample"
)

// Letter begins the ids of transformations.
func (*Body) Letter() string { return "k" }

// Sentence says “f from its parent, step by step”.
func (b *Body) Sentence(evaluate.Moment, *evaluate.Shown) []evaluate.Word {
	return []evaluate.Word{evaluate.NameWord(b.Function), evaluate.Says(" from its parent, step by step")}
}

// Live is a function taken apart into its parent and the transformations that lead there. Position is where it stands:
// 0 is the parent, 1 the curve after the first step, and between whole numbers a step is on its way.
type Live struct {
	Function *evaluate.Function
	Position float64
	Readings []transform.Reading
	// Chosen is the reading that is shown, States what the curve is after each of its steps, letters as letters.
	Chosen transform.Reading
	Steps  []transform.Step
	States []transform.State

	// Parent is the parent's curve, moved: its inputs are the variable, the parameters and the four numbers of a Place.
	Parent *sample.Function
	moves  []stepMove
	keys   [][2]program.Point
	in     []float64
}

// Place is what the steps have made of the plane: (x, y) has gone to (Across·x + Right, Up·y + Lift).
type Place struct{ Across, Right, Up, Lift float64 }

// stepMove is one step's map of one coordinate, and its amount, compiled.
type stepMove struct {
	across              bool
	factor, add, amount program.Point
}

// Names of the inputs of a moved parent; they cannot be typed.
var placeNames = []string{"#across", "#right", "#up", "#lift"}

// Load takes the function apart; one without a single parent is a problem.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	f := d.Graph(b.Function, e.ID)
	if f == nil {
		return nil
	}
	x := f.Stated.Variables[0]
	degrees := d.IsInDegrees()
	n, err := symbolic.Inline(f.Formula, d.Lookup)
	if err != nil {
		d.Report(err, e.ID, "function")
		return nil
	}
	found, reason := transform.Recognise(n, x, degrees)
	if reason != "" {
		d.Report(problem.New("no-parent", 0, 0, f.Stated.Name, reason), e.ID, "function")
		return nil
	}
	t := &Live{Function: f, Readings: found.Readings(x)}
	t.Chosen = t.Readings[min(b.Reading, len(t.Readings)-1)]
	t.Steps, t.States = t.Chosen.Steps(x), t.Chosen.States(x)
	t.Position = d.PositionOf(e.ID, len(t.Steps))
	if err := t.compile(d.InputNames(x), x, degrees); err != nil {
		d.Report(err, e.ID, "function")
		return nil
	}
	d.CountCompile()
	return t
}

func (t *Live) compile(inputs []string, x string, degrees bool) (err error) {
	number := func(n expr.Node) program.Point {
		if err != nil || n == nil {
			return nil
		}
		var p program.Point
		p, err = program.CompilePoint(n, inputs)
		return p
	}
	one := expr.Num(1)
	for _, s := range t.Steps {
		a, across := s.Y, false
		if !expr.Equal(s.X.Factor, one) || !isZeroNode(s.X.Add) {
			a, across = s.X, true
		}
		t.moves = append(t.moves, stepMove{across, number(a.Factor), number(a.Add), number(s.Amount)})
	}
	for _, k := range t.States[0].Keys {
		t.keys = append(t.keys, [2]program.Point{number(k.X), number(k.Y)})
	}
	if err != nil {
		return err
	}
	name := func(i int) expr.Node { return &expr.Name{Name: placeNames[i]} }
	binary := func(op expr.Op, l, r expr.Node) expr.Node { return &expr.Binary{Op: op, L: l, R: r} }
	inner := binary(expr.Div, binary(expr.Sub, &expr.Name{Name: x}, name(1)), name(0))
	moved := binary(expr.Add, binary(expr.Mul, name(2), t.Chosen.Form.Parent.Of(inner)), name(3))
	t.Parent, err = sample.Compile(symbolic.Radians(moved, degrees), append(inputs, placeNames...))
	return err
}

func isZeroNode(n expr.Node) bool {
	r, ok := symbolic.Fraction(n)
	return ok && r.Sign() == 0
}

// Go puts a transformation between the parent, 0, and its last step.
func (t *Live) Go(position float64) {
	if position == position {
		t.Position = math.Max(0, math.Min(float64(len(t.Steps)), position))
	}
}

// StandsAt is its position, Count how many steps there are.
func (t *Live) StandsAt() float64 { return t.Position }

// Count is how many steps there are.
func (t *Live) Count() int { return len(t.Steps) }

// flattest is the least factor at which a curve on its way through a reflection is still drawn as a curve.
const flattest = 1e-3

// PlaceAt is what the first steps, the last of them in part, have made of the plane with the values in play.
func (t *Live) PlaceAt(d evaluate.Moment, position float64) Place {
	p := Place{1, 0, 1, 0}
	for i, m := range t.moves {
		share := math.Min(1, position-float64(i))
		if share <= 0 {
			break
		}
		factor, add := 1+share*(m.factor(d.Inputs())-1), share*m.add(d.Inputs())
		if share < 1 && math.Abs(factor) < flattest {
			factor = flattest
		}
		if m.across {
			p.Across, p.Right = factor*p.Across, factor*p.Right+add
		} else {
			p.Up, p.Lift = factor*p.Up, factor*p.Lift+add
		}
	}
	return p
}

// Of is where a point of the parent's graph has gone.
func (p Place) Of(x, y float64) (float64, float64) { return p.Across*x + p.Right, p.Up*y + p.Lift }

// Inputs are those of Parent at a place; valid until the next call.
func (t *Live) Inputs(d evaluate.Moment, p Place) []float64 {
	t.in = append(append(t.in[:0], d.Inputs()...), p.Across, p.Right, p.Up, p.Lift)
	return t.in
}

// Keys are the parent's key points x, y, x, y … with the values in play.
func (t *Live) Keys(d evaluate.Moment) (keys []float64) {
	for _, k := range t.keys {
		keys = append(keys, k[0](d.Inputs()), k[1](d.Inputs()))
	}
	return keys
}

// Sentences say the steps with the values in play.
func (t *Live) Sentences(d evaluate.Moment) []string {
	list := make([]string, 0, len(t.Steps))
	for i, s := range t.Steps {
		v := 0.0
		if t.moves[i].amount != nil {
			v = t.moves[i].amount(d.Inputs())
		}
		list = append(list, d.Numeral(s.TextAt(v)))
	}
	return list
}

// Asymptotes are the parent's, moved to a place, between left and right and all level ones.
func (t *Live) Asymptotes(p Place, left, right float64) (upright, level []float64) {
	a := t.States[0].Asymptotes
	for _, n := range a.Upright {
		x := p.Across*exact.Float(n) + p.Right
		if a.Every == nil {
			upright = append(upright, x)
			continue
		}
		every := math.Abs(p.Across * exact.Float(a.Every))
		if !(every > (right-left)/evaluate.MaxRepeats) {
			continue
		}
		for k := math.Ceil((left - x) / every); x+k*every <= right; k++ {
			upright = append(upright, x+k*every)
		}
	}
	for _, n := range a.Level {
		level = append(level, p.Up*exact.Float(n)+p.Lift)
	}
	return upright, level
}

// ExtentsText writes domain and range of the curve at a place.
func (t *Live) ExtentsText(d evaluate.Moment, p Place) (domain, reach string) {
	write := func(list []transform.Extent, words string, factor, add float64) string {
		if list == nil {
			return words
		}
		if factor == 0 {
			return interval(d, add, add, true, true)
		}
		text := ""
		for i, e := range list {
			lo, hi := math.Inf(-1), math.Inf(1)
			if e.Lo != nil {
				lo = exact.Float(e.Lo)
			}
			if e.Hi != nil {
				hi = exact.Float(e.Hi)
			}
			lo, hi = factor*lo+add, factor*hi+add
			loClosed, hiClosed := e.LoClosed, e.HiClosed
			if factor < 0 {
				lo, hi, loClosed, hiClosed = hi, lo, hiClosed, loClosed
			}
			part := interval(d, lo, hi, loClosed, hiClosed)
			switch {
			case i == 0:
				text = part
			case factor < 0:
				text = part + " ∪ " + text
			default:
				text += " ∪ " + part
			}
		}
		return text
	}
	s := t.States[0]
	return write(s.Domain, s.DomainWords, p.Across, p.Right), write(s.Range, s.RangeWords, p.Up, p.Lift)
}

// interval writes (lo, hi] with the demonstration's numerals.
func interval(d evaluate.Moment, lo, hi float64, loClosed, hiClosed bool) string {
	end := func(v float64) string {
		switch {
		case math.IsInf(v, 1):
			return "∞"
		case math.IsInf(v, -1):
			return number.Minus + "∞"
		}
		return d.Numeral(number.Format(v, 3))
	}
	if lo == hi || lo != lo {
		return "{" + end(hi) + "}"
	}
	left, right, separator := "(", ")", ", "
	if loClosed {
		left = "["
	}
	if hiClosed {
		right = "]"
	}
	if d.HasDecimalComma() {
		separator = "; "
	}
	return left + end(lo) + separator + end(hi) + right
}
