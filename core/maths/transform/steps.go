package transform

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/exact"
)

// StepKind says what a step does to the curve.
type StepKind string

// The steps.
const (
	ShiftAcross   StepKind = "horizontal shift"
	ShiftUp       StepKind = "vertical shift"
	StretchAcross StepKind = "horizontal stretch"
	ShrinkAcross  StepKind = "horizontal shrink"
	StretchUp     StepKind = "vertical stretch"
	ShrinkUp      StepKind = "vertical shrink"
	ReflectInX    StepKind = "reflection in the x-axis"
	ReflectInY    StepKind = "reflection in the y-axis"
)

// Affine maps a number v to Factor·v + Add.
type Affine struct{ Factor, Add expr.Node }

var same = Affine{num(1), num(0)}

// Of is where a place goes.
func (a Affine) Of(v expr.Node) expr.Node { return simple(expr.Plus(expr.Times(a.Factor, v), a.Add)) }

// Step is one transformation. Every point (x, y) of the curve goes to (X of x, Y of y).
type Step struct {
	// Amount is the distance of a shift, positive to the right and up, or the factor of a stretch; nil for a reflection.
	// With letters in it a factor may be below 0 and holds a reflection too.
	Amount expr.Node
	X, Y   Affine
	// Formula is the function after the step.
	Formula expr.Node
	across  bool
	move    move
}

type move int

const (
	shift move = iota
	stretch
	reflect
)

// Value of the amount where it holds no letters, 1 for one that does: letters are taken to be above 0 and large.
func (s Step) value() float64 {
	if s.Amount == nil || len(expr.Names(s.Amount)) > 0 {
		if s.across && s.move == stretch {
			return 0.5
		}
		return 2
	}
	return exact.Float(s.Amount)
}

// HasLetters tells whether the amount depends on letters.
func (s Step) HasLetters() bool { return s.Amount != nil && len(expr.Names(s.Amount)) > 0 }

// Kind is that of the step for amounts without letters; a letter counts as a number above 1.
func (s Step) Kind() StepKind { return s.KindAt(s.value()) }

// KindAt is the step's kind when its amount is v.
func (s Step) KindAt(v float64) StepKind {
	switch {
	case s.move == reflect && s.across:
		return ReflectInY
	case s.move == reflect:
		return ReflectInX
	case s.move == shift && s.across:
		return ShiftAcross
	case s.move == shift:
		return ShiftUp
	case s.across && math.Abs(v) < 1:
		return ShrinkAcross
	case s.across:
		return StretchAcross
	case math.Abs(v) < 1:
		return ShrinkUp
	}
	return StretchUp
}

// Text says the step in a sentence, with letters as letters.
func (s Step) Text() string {
	if s.Amount == nil {
		return s.say(0, "")
	}
	size, v := s.Amount, s.value()
	if isBelowZero(size) && s.move == shift {
		size, v = simple(expr.Opposite(size)), -math.Abs(v)
	}
	return s.say(v, pretty(size))
}

// TextAt says it for the amount v, which the letters in it have come to.
func (s Step) TextAt(v float64) string {
	if !s.HasLetters() {
		return s.Text()
	}
	size := number.Format(math.Abs(v), 3)
	return s.say(v, size) + " (" + expr.Pretty(s.Amount) + " = " + number.Format(v, 3) + ")"
}

// say writes the sentence for an amount of value v whose size is written in words.
func (s Step) say(v float64, size string) string {
	switch s.move {
	case reflect:
		if s.across {
			return "Reflect in the y-axis: every x changes its sign."
		}
		return "Reflect in the x-axis: every y changes its sign."
	case shift:
		side := map[bool]map[bool]string{true: {true: "to the left", false: "to the right"}, false: {true: "down", false: "up"}}[s.across][v < 0]
		return fmt.Sprintf("Shift %s %s.", size, side)
	}
	way, axis, letter := "vertically", "x-axis", "y"
	if s.across {
		way, axis, letter = "horizontally", "y-axis", "x"
	}
	word := "Stretch"
	if math.Abs(v) < 1 {
		word = "Shrink"
	}
	switch {
	case v == 0:
		return fmt.Sprintf("Every %s is multiplied by 0: the curve lies flat on the %s.", letter, axis)
	case v == 1:
		return fmt.Sprintf("Stretch %s by the factor 1: nothing changes.", way)
	case v == -1:
		return fmt.Sprintf("Reflect in the %s: every %s changes its sign.", axis, letter)
	case v < 0:
		return fmt.Sprintf("%s %s by the factor %s and reflect in the %s: every %s is multiplied by −%s.", word, way, size, axis, letter, size)
	}
	return fmt.Sprintf("%s %s by the factor %s: every %s is multiplied by %s.", word, way, size, letter, size)
}

// Order says in which of the right orders the steps are taken.
type Order struct {
	// ShiftFirst takes the shift inside the brackets before stretch and reflection, as Bx + c shows it; LiftFirst the
	// one outside before stretch and reflection, as A(p + c).
	ShiftFirst, LiftFirst bool
}

// Steps leads from the parent to the form. A factor with letters is one step, whatever its sign; a number below 0 is a
// stretch and a reflection.
func (f Form) Steps(x string, o Order) []Step {
	b := builder{f: f, x: x, now: Form{f.Parent, num(1), num(1), num(0), num(0)}}
	if o.ShiftFirst {
		// p(Bx + c): the shift by −c comes first.
		b.shift(true, simple(expr.Times(f.B, f.H)))
	}
	b.scale(true, simple(expr.Over(num(1), f.B)))
	if !o.ShiftFirst {
		b.shift(true, f.H)
	}
	if o.LiftFirst {
		b.shift(false, simple(expr.Over(f.K, f.A)))
	}
	b.scale(false, f.A)
	if !o.LiftFirst {
		b.shift(false, f.K)
	}
	return b.steps
}

// scale multiplies by a factor: its size, then its sign.
func (b *builder) scale(across bool, factor expr.Node) {
	if isZero(factor) {
		b.stretch(across, factor)
		return
	}
	size := factor
	if isBelowZero(factor) {
		size = simple(expr.Opposite(factor))
	}
	b.stretch(across, size)
	if isBelowZero(factor) {
		b.reflect(across)
	}
}

func isNegated(n expr.Node) bool { _, ok := n.(*expr.Neg); return ok }

// builder carries the function as it stands after each step: outside y ↦ now.A·y + now.K around p of the inner line.
type builder struct {
	f     Form
	x     string
	now   Form
	inner expr.Node // what stands in the parent's brackets
	steps []Step
}

func (b *builder) put(across bool, m move, amount expr.Node, a Affine) {
	s := Step{Amount: amount, X: same, Y: same, across: across, move: m}
	if b.inner == nil {
		b.inner = &expr.Name{Name: b.x}
	}
	if across {
		s.X = a
		b.inner = back(b.inner, b.x, a)
	} else {
		s.Y = a
		b.now.A, b.now.K = simple(expr.Times(a.Factor, b.now.A)), simple(expr.Plus(expr.Times(a.Factor, b.now.K), a.Add))
	}
	s.Formula = b.now.outside(b.f.Parent.Of(b.inner))
	b.steps = append(b.steps, s)
}

// back puts (x − Add)/Factor in the place of x in the line inner.
func back(inner expr.Node, x string, a Affine) expr.Node {
	c, ok := symbolic.Coefficients(inner, x)
	if !ok || len(c) != 2 {
		return inner
	}
	slope := simple(expr.Over(c[1], a.Factor))
	h := a.Of(simple(expr.Opposite(expr.Over(c[0], c[1]))))
	if isZero(simple(a.Add)) {
		// Bx + c keeps its c when x is stretched.
		return shifted(scaled(slope, &expr.Name{Name: x}), c[0])
	}
	return scaled(slope, shifted(&expr.Name{Name: x}, expr.Opposite(h)))
}

func (b *builder) shift(across bool, by expr.Node) {
	if !isZero(by) {
		b.put(across, shift, by, Affine{num(1), by})
	}
}

func (b *builder) stretch(across bool, factor expr.Node) {
	if !isOne(factor) {
		b.put(across, stretch, factor, Affine{factor, num(0)})
	}
}

func (b *builder) reflect(across bool) { b.put(across, reflect, nil, Affine{num(-1), num(0)}) }

// isBelowZero tells a negative number, or letters with a minus in front.
func isBelowZero(n expr.Node) bool { return sign(n) < 0 || isNegated(n) }

// pretty writes a number or a letter for a sentence; a sum wears brackets.
func pretty(n expr.Node) string {
	text := expr.Pretty(n)
	if s, ok := n.(*expr.Binary); ok && (s.Op == expr.Add || s.Op == expr.Sub) {
		return "(" + text + ")"
	}
	return text
}
