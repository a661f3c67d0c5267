package transform

import (
	"fmt"

	"parvix/core/exact"
	"parvix/core/expr"
	"parvix/core/symbolic"
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
func (a Affine) Of(v expr.Node) expr.Node { return simple(plus(times(a.Factor, v), a.Add)) }

// Step is one transformation. Every point (x, y) of the curve goes to (X of x, Y of y).
type Step struct {
	Kind StepKind
	// Amount is the distance of a shift, positive to the right and up, or the factor of a stretch; nil for a reflection.
	Amount expr.Node
	X, Y   Affine
	// Text says it in a sentence, Formula is the function after it.
	Text    string
	Formula expr.Node
}

// Order says in which of the right orders the steps are taken.
type Order struct {
	// ShiftFirst takes the shift inside the brackets before stretch and reflection, as Bx + c shows it; LiftFirst the
	// one outside before stretch and reflection, as A(p + c).
	ShiftFirst, LiftFirst bool
}

// Steps leads from the parent to the form. Letters are allowed: what a letter's sign decides is said for positive ones.
func (f Form) Steps(x string, o Order) []Step {
	b := builder{f: f, x: x, now: Form{f.Parent, num(1), num(1), num(0), num(0)}}
	size := simple(call("abs", f.B))
	if len(expr.Names(f.B)) > 0 {
		size = f.B
	}
	if o.ShiftFirst {
		// p(Bx + c): the shift by −c comes first.
		b.shiftAcross(simple(times(f.B, f.H)))
	}
	b.stretchAcross(size)
	if sign(f.B) < 0 {
		b.reflectInY()
	}
	if !o.ShiftFirst {
		b.shiftAcross(f.H)
	}
	lift, rise := f.K, simple(call("abs", f.A))
	if len(expr.Names(f.A)) > 0 {
		rise = f.A
		if inner, ok := f.A.(*expr.Neg); ok {
			rise = inner.X
		}
	}
	if o.LiftFirst {
		b.shiftUp(simple(over(f.K, f.A)))
	}
	b.stretchUp(rise)
	if sign(f.A) < 0 || isNegated(f.A) {
		b.reflectInX()
	}
	if !o.LiftFirst {
		b.shiftUp(lift)
	}
	return b.steps
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

func (b *builder) put(kind StepKind, amount expr.Node, x, y Affine, text string) {
	if b.inner == nil {
		b.inner = &expr.Name{Name: b.x}
	}
	if x != same {
		// The new curve at x is the old one at (x − Add)/Factor.
		b.inner = back(b.inner, b.x, x)
	}
	b.now.A, b.now.K = simple(times(y.Factor, b.now.A)), simple(plus(times(y.Factor, b.now.K), y.Add))
	b.steps = append(b.steps, Step{kind, amount, x, y, text, b.now.outside(b.f.Parent.Of(b.inner))})
}

// back puts (x − Add)/Factor in the place of x in the line inner.
func back(inner expr.Node, x string, a Affine) expr.Node {
	c, ok := symbolic.Coefficients(inner, x)
	if !ok || len(c) != 2 {
		return inner
	}
	slope := simple(over(c[1], a.Factor))
	h := a.Of(simple(neg(over(c[0], c[1]))))
	if isZero(simple(a.Add)) {
		// Bx + c keeps its c when x is stretched.
		return shifted(scaled(slope, &expr.Name{Name: x}), c[0])
	}
	return scaled(slope, shifted(&expr.Name{Name: x}, neg(h)))
}

func (b *builder) shiftAcross(h expr.Node) {
	if isZero(h) {
		return
	}
	side, distance := "right", h
	if isBelowZero(h) {
		side, distance = "left", simple(neg(h))
	}
	b.put(ShiftAcross, h, Affine{num(1), h}, same, fmt.Sprintf("Shift %s to the %s.", pretty(distance), side))
}

func (b *builder) shiftUp(k expr.Node) {
	if isZero(k) {
		return
	}
	side, distance := "up", k
	if isBelowZero(k) {
		side, distance = "down", simple(neg(k))
	}
	b.put(ShiftUp, k, same, Affine{num(1), k}, fmt.Sprintf("Shift %s %s.", pretty(distance), side))
}

// isBelowZero tells a negative number, or letters with a minus in front.
func isBelowZero(n expr.Node) bool { return sign(n) < 0 || isNegated(n) }

func (b *builder) stretchAcross(size expr.Node) {
	if isOne(size) {
		return
	}
	factor := simple(over(num(1), size))
	kind, word := StretchAcross, "Stretch"
	if isAboveOne(size) {
		kind, word = ShrinkAcross, "Shrink"
	}
	text := fmt.Sprintf("%s horizontally by the factor %s: every x is divided by %s.", word, pretty(factor), pretty(size))
	if kind == StretchAcross {
		text = fmt.Sprintf("%s horizontally by the factor %s: every x is multiplied by %s.", word, pretty(factor), pretty(factor))
	}
	b.put(kind, factor, Affine{factor, num(0)}, same, text)
}

func (b *builder) stretchUp(factor expr.Node) {
	if isOne(factor) {
		return
	}
	kind, word := ShrinkUp, "Shrink"
	if isAboveOne(factor) || len(expr.Names(factor)) > 0 {
		kind, word = StretchUp, "Stretch"
	}
	text := fmt.Sprintf("%s vertically by the factor %s: every y is multiplied by %s.", word, pretty(factor), pretty(factor))
	if isZero(factor) {
		text = "Every y is multiplied by 0: the curve lies flat on the x-axis."
	}
	b.put(kind, factor, same, Affine{factor, num(0)}, text)
}

// isAboveOne tells whether a number is above 1; a letter counts as such.
func isAboveOne(n expr.Node) bool { return len(expr.Names(n)) > 0 || exact.Float(n) > 1 }

func (b *builder) reflectInX() {
	b.put(ReflectInX, nil, same, Affine{num(-1), num(0)}, "Reflect in the x-axis: every y changes its sign.")
}

func (b *builder) reflectInY() {
	b.put(ReflectInY, nil, Affine{num(-1), num(0)}, same, "Reflect in the y-axis: every x changes its sign.")
}

// pretty writes a number or a letter for a sentence; a sum wears brackets.
func pretty(n expr.Node) string {
	text := expr.Pretty(n)
	if s, ok := n.(*expr.Binary); ok && (s.Op == expr.Add || s.Op == expr.Sub) {
		return "(" + text + ")"
	}
	return text
}
