package evaluate

import (
	"math/big"
	"slices"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
)

// inverseTrigonometric are the functions whose value is an angle.
var inverseTrigonometric = map[string]bool{"arcsin": true, "arccos": true, "arctan": true, "arccot": true, "arcsec": true, "arccsc": true}

// IsAngle tells that a formula is an angle for certain: a dial that is one, a value of an inverse trigonometric function, a multiple or a part of
// an angle by a plain number, and sums of these with numbers. A radius times an angle is none: it may be an arc; nor is θ/360, a share of a turn.
func (x *Expression) IsAngle(m Moment) bool { return x.isAngle(x.Formula, m) }

// WithDegrees is the formula with the angles in play in the places of their dials, as 2 · 60°.
func (x *Expression) WithDegrees(m Moment) expr.Node {
	numbers, with := m.Numbers(), map[string]expr.Node{}
	for _, i := range x.on {
		p := m.Dial(i)
		v := numbers[p.Stated.Name]
		if !p.Degrees || v == nil {
			continue
		}
		angle := expr.Node(&expr.Degree{X: expr.Rat(new(big.Rat).Abs(v))})
		if v.Sign() < 0 {
			angle = expr.Opposite(angle)
		}
		with[p.Stated.Name] = angle
	}
	return symbolic.Substitute(x.Formula, with)
}

func (x *Expression) isAngle(n expr.Node, m Moment) bool {
	switch n := n.(type) {
	case *expr.Name:
		return slices.ContainsFunc(x.on, func(i int) bool { p := m.Dial(i); return p.Degrees && p.Stated.Name == n.Name })
	case *expr.Degree:
		return true
	case *expr.Neg:
		return x.isAngle(n.X, m)
	case *expr.Call:
		return inverseTrigonometric[n.Name]
	case *expr.Binary:
		left, right := x.isAngle(n.L, m), x.isAngle(n.R, m)
		switch n.Op {
		case expr.Add, expr.Sub:
			return (left || plain(n.L) != nil) && (right || plain(n.R) != nil) && (left || right)
		case expr.Mul:
			return left && isFactor(plain(n.R)) || isFactor(plain(n.L)) && right
		case expr.Div:
			by := plain(n.R)
			return left && by != nil && by.Sign() != 0 && isFactor(new(big.Rat).Inv(by))
		}
	}
	return false
}

// leastFactor is the least by which an angle is multiplied to be one still: a sixth is taken for the minutes of a clock, a 360th for turns.
var leastFactor = big.NewRat(1, 5)

func isFactor(v *big.Rat) bool { return v != nil && new(big.Rat).Abs(v).Cmp(leastFactor) >= 0 }

// plain is a number as it is typed, like −3/4; nil for another formula.
func plain(n expr.Node) *big.Rat {
	switch n := n.(type) {
	case *expr.Number:
		return n.Value
	case *expr.Neg:
		if v := plain(n.X); v != nil {
			return new(big.Rat).Neg(v)
		}
	case *expr.Binary:
		if l, r := plain(n.L), plain(n.R); n.Op == expr.Div && l != nil && r != nil && r.Sign() != 0 {
			return new(big.Rat).Quo(l, r)
		}
	}
	return nil
}
