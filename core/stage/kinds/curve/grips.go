package curve

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/transform"
	"parvix/core/numeric/program"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
)

// Grip is a key point of a curve by which a hand moves or stretches it: what it moves are the parameters that stand as
// h, k, A or B in y = A·p(B(x − h)) + k.
type Grip struct {
	// X and Y are where it is in play.
	X, Y float64
	// Stretches tells that it changes A and B; else it moves h and k.
	Stretches bool

	keyX, keyY float64
	form       *gripForm
}

// gripForm is the form of a curve, compiled: its four numbers, and where one is a parameter, which with which sign.
type gripForm struct {
	numbers [4]program.Point // A, B, H, K
	letters [4]signedDial
}

type signedDial struct {
	dial int // −1 for none
	sign float64
}

const atA, atB, atH, atK = 0, 1, 2, 3

// gripsOf finds the key points of a curve that a hand can move; none where its form has no parameters in its places.
func gripsOf(d evaluate.Loading, function *evaluate.Function) (grips []Grip) {
	n, err := symbolic.Inline(function.Formula, d.Lookup)
	if err != nil {
		return nil
	}
	found, reason := transform.Recognise(n, function.Stated.Variables[0], d.IsInDegrees())
	if reason != "" || found.Written.Parent.Base != nil && len(expr.Names(found.Written.Parent.Base)) > 0 {
		return nil
	}
	f := &gripForm{}
	inputs := d.InputNames(function.Stated.Variables[0])
	moves, stretches := false, false
	for i, n := range []expr.Node{found.Written.A, found.Written.B, found.Written.H, found.Written.K} {
		if f.numbers[i], err = program.CompilePoint(n, inputs); err != nil {
			return nil
		}
		f.letters[i] = signedDialOf(d, n)
		if f.letters[i].dial >= 0 {
			moves = moves || i == atH || i == atK
			stretches = stretches || i == atA || i == atB
		}
	}
	keys := found.Written.Parent.KeyPoints()
	origin := 0
	for i, k := range keys {
		if x, _ := symbolic.Fraction(k.X); x != nil && x.Sign() == 0 {
			origin = i
		}
	}
	if moves {
		grips = append(grips, Grip{keyX: keyNumber(keys[origin].X), keyY: keyNumber(keys[origin].Y), form: f})
	}
	// A point beside and above the other, so that both stretches are seen.
	for _, k := range keys[origin:] {
		x, y := keyNumber(k.X), keyNumber(k.Y)
		if stretches && x != 0 && y != 0 {
			grips = append(grips, Grip{keyX: x, keyY: y, Stretches: true, form: f})
			break
		}
	}
	d.CountCompile()
	return grips
}

func keyNumber(n expr.Node) float64 {
	p, err := program.CompilePoint(n, []string{evaluate.NoVariable})
	if err != nil {
		return 0
	}
	return p([]float64{0})
}

// signedDialOf reads a or −a.
func signedDialOf(d evaluate.Loading, n expr.Node) signedDial {
	sign := 1.0
	if neg, ok := n.(*expr.Neg); ok {
		n, sign = neg.X, -1
	}
	if name, ok := n.(*expr.Name); ok {
		return signedDial{d.Find(name.Name), sign}
	}
	return signedDial{-1, 1}
}

// Hangs lists the parameters of the curve.
func (l *Live) Hangs() []int { return l.Function.Hangs() }

// Update puts the grips where the curve is.
func (l *Live) Update(m evaluate.Moment) {
	for i := range l.Grips {
		g := &l.Grips[i]
		a, b, h, k := g.numbers(m)
		g.X, g.Y = g.keyX/b+h, a*g.keyY+k
	}
}

// composeGrips draws the key points by which the curve can be moved.
func (l *Live) composeGrips(on *compose.On) {
	for i, g := range l.Grips {
		if !on.View.Sees(g.X, g.Y) {
			continue
		}
		on.Pen.Handle(on.Index+evaluate.GripStride*(i+1), on.View.X(g.X), on.View.Y(g.Y))
		on.Mark(l.colour(on.Entry), picture.Grip, g.X, g.Y, compose.PointRadius-1)
	}
}

func (g *Grip) numbers(d evaluate.Moment) (a, b, h, k float64) {
	n, in := g.form.numbers, d.Inputs()
	return n[atA](in), n[atB](in), n[atH](in), n[atK](in)
}

// Drag moves what is behind a grip so that it comes near to the hand: parameters, on their steps.
func (l *Live) Drag(d evaluate.Play, hand evaluate.Hand) {
	if hand.Grip < 0 || hand.Grip >= len(l.Grips) {
		return
	}
	g := &l.Grips[hand.Grip]
	a, b, h, k := g.numbers(d)
	set := func(at int, v float64) {
		if to := g.form.letters[at]; to.dial >= 0 && v == v {
			d.Set(to.dial, d.Dial(to.dial).OnStep(to.sign*v))
		}
	}
	if !g.Stretches {
		set(atH, hand.X-g.keyX/b)
		set(atK, hand.Y-a*g.keyY)
		return
	}
	set(atA, (hand.Y-k)/g.keyY)
	if hand.X != h {
		set(atB, g.keyX/(hand.X-h))
	}
}

// Nudge moves a grip by steps of the grain.
func (l *Live) Nudge(d evaluate.Play, hand evaluate.Hand) {
	if hand.Grip < 0 || hand.Grip >= len(l.Grips) {
		return
	}
	g := l.Grips[hand.Grip]
	hand.X, hand.Y = g.X+hand.DX*hand.Grain, g.Y+hand.DY*hand.Grain
	l.Drag(d, hand)
}
