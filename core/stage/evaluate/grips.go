package evaluate

import (
	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/transform"
	"parvix/core/numeric/program"
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

// loadGrips finds the key points of a curve that a hand can move; none where its form has no parameters in its places.
func (d *Demonstration) loadGrips(s *Shown) {
	n, err := symbolic.Inline(s.Curve.Formula, d.lookup)
	if err != nil {
		return
	}
	found, reason := transform.Recognise(n, s.Curve.Stated.Variables[0], d.Document.AngleUnit == "degree")
	if reason != "" || found.Written.Parent.Base != nil && len(expr.Names(found.Written.Parent.Base)) > 0 {
		return
	}
	f := &gripForm{}
	inputs := append([]string{s.Curve.Stated.Variables[0]}, d.inputs[1:]...)
	moves, stretches := false, false
	for i, n := range []expr.Node{found.Written.A, found.Written.B, found.Written.H, found.Written.K} {
		if f.numbers[i], err = program.CompilePoint(n, inputs); err != nil {
			return
		}
		f.letters[i] = d.signedDial(n)
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
		s.Grips = append(s.Grips, Grip{keyX: keyNumber(keys[origin].X), keyY: keyNumber(keys[origin].Y), form: f})
	}
	// A point beside and above the other, so that both stretches are seen.
	for _, k := range keys[origin:] {
		x, y := keyNumber(k.X), keyNumber(k.Y)
		if stretches && x != 0 && y != 0 {
			s.Grips = append(s.Grips, Grip{keyX: x, keyY: y, Stretches: true, form: f})
			break
		}
	}
	d.Counters.Compiles++
}

func keyNumber(n expr.Node) float64 {
	p, err := program.CompilePoint(n, []string{noVariable})
	if err != nil {
		return 0
	}
	return p([]float64{0})
}

// signedDial reads a or −a.
func (d *Demonstration) signedDial(n expr.Node) signedDial {
	sign := 1.0
	if neg, ok := n.(*expr.Neg); ok {
		n, sign = neg.X, -1
	}
	if name, ok := n.(*expr.Name); ok {
		return signedDial{d.Find(name.Name), sign}
	}
	return signedDial{-1, 1}
}

// PlaceGrips computes where the grips of a curve are.
func (d *Demonstration) PlaceGrips(s *Shown) {
	for i := range s.Grips {
		g := &s.Grips[i]
		a, b, h, k := g.numbers(d)
		g.X, g.Y = g.keyX/b+h, a*g.keyY+k
	}
}

func (g *Grip) numbers(d *Demonstration) (a, b, h, k float64) {
	n := g.form.numbers
	return n[atA](d.in), n[atB](d.in), n[atH](d.in), n[atK](d.in)
}

// GripAt is where a grip of an entry is in play; false when it has no such grip.
func (s *Shown) GripAt(i int) (x, y float64, ok bool) {
	switch {
	case s.Table != nil && s.Table.Movable() && i >= 0 && i < len(s.Table.Points):
		return s.Table.Points[i][0], s.Table.Points[i][1], true
	case i >= 0 && i < len(s.Grips):
		return s.Grips[i].X, s.Grips[i].Y, true
	}
	return 0, 0, false
}

// DragGrip moves what is behind a grip so that it comes near (x, y): parameters on their steps, a plotted point on the
// grain, in play only until it settles.
func (d *Demonstration) DragGrip(s *Shown, i int, x, y, grain float64) {
	if _, _, ok := s.GripAt(i); !ok {
		return
	}
	if s.Table != nil {
		s.Table.drag(i, x, y, grain)
		return
	}
	g := &s.Grips[i]
	a, b, h, k := g.numbers(d)
	set := func(at int, v float64) {
		if to := g.form.letters[at]; to.dial >= 0 && v == v {
			p := d.Parameters[to.dial]
			d.Set(to.dial, p.OnStep(to.sign*v))
		}
	}
	if !g.Stretches {
		set(atH, x-g.keyX/b)
		set(atK, y-a*g.keyY)
		return
	}
	set(atA, (y-k)/g.keyY)
	if x != h {
		set(atB, g.keyX/(x-h))
	}
}
