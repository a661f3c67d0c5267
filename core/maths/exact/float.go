package exact

import (
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
)

// Float evaluates a formula without letters; NaN where it has no value. Where digits cancel, as in √2500000003 − 50000, it
// is worked out with more of them.
func Float(n expr.Node) float64 {
	v := rounded(n)
	if size := cancelling(n); v == v && size > 0 {
		if long := precise(n); long != nil {
			v, _ = long.Float64()
		}
		if math.Abs(v) < noDigits*size {
			return 0
		}
	}
	return v
}

// noDigits is what is left of longDigits when all of them cancel.
const noDigits = 1e-60

func rounded(n expr.Node) float64 {
	p, err := program.CompilePoint(n, nil)
	if err != nil {
		return math.NaN()
	}
	return p(nil)
}

// cancelling is the size of the parts of a sum in n that is less than a thousandth of them; 0 for none.
func cancelling(n expr.Node) (size float64) {
	expr.Walk(n, func(n expr.Node) bool {
		b, is := n.(*expr.Binary)
		if !is || b.Op != expr.Add && b.Op != expr.Sub {
			return true
		}
		l, r := rounded(b.L), rounded(b.R)
		if b.Op == expr.Sub {
			r = -r
		}
		if parts := math.Max(math.Abs(l), math.Abs(r)); math.Abs(l+r) < 1e-3*parts {
			size = math.Max(size, parts)
		}
		return true
	})
	return size
}

// longDigits are the binary digits that precise keeps.
const longDigits = 256

// long holds π and e to 80 places (OEIS A000796 and A001113).
var long = map[string]*big.Float{
	"pi": digits("3.14159265358979323846264338327950288419716939937510582097494459230781640628620899"),
	"e":  digits("2.71828182845904523536028747135266249775724709369995957496696762772407663035354759"),
}

func digits(text string) *big.Float {
	v, _, err := big.ParseFloat(text, 10, longDigits, big.ToNearestEven)
	if err != nil {
		panic(err)
	}
	return v
}

// precise works out sums, products, quotients, whole powers and square roots; nil for anything else, or without a value.
func precise(n expr.Node) *big.Float {
	out := new(big.Float).SetPrec(longDigits)
	switch n := n.(type) {
	case *expr.Number:
		return out.SetRat(n.Value)
	case *expr.Constant:
		return long[n.Name]
	case *expr.Neg:
		if x := precise(n.X); x != nil {
			return out.Neg(x)
		}
	case *expr.Call:
		if n.Name == "sqrt" {
			return root(precise(n.Args[0]))
		}
	case *expr.Binary:
		if n.Op == expr.Pow {
			return power(n)
		}
		l, r := precise(n.L), precise(n.R)
		switch {
		case l == nil || r == nil:
		case n.Op == expr.Add:
			return out.Add(l, r)
		case n.Op == expr.Sub:
			return out.Sub(l, r)
		case n.Op == expr.Mul:
			return out.Mul(l, r)
		case n.Op == expr.Div && r.Sign() != 0:
			return out.Quo(l, r)
		}
	}
	return nil
}

func root(x *big.Float) *big.Float {
	if x == nil || x.Sign() < 0 {
		return nil
	}
	return new(big.Float).SetPrec(longDigits).Sqrt(x)
}

// mostPower bounds a whole power that is multiplied out.
const mostPower = 64

func power(n *expr.Binary) *big.Float {
	base := precise(n.L)
	e, ok := symbolic.Fraction(n.R)
	if base == nil || !ok {
		return nil
	}
	if e.Cmp(big.NewRat(1, 2)) == 0 {
		return root(base)
	}
	if !e.IsInt() || !e.Num().IsInt64() {
		return nil
	}
	k := e.Num().Int64()
	if k < -mostPower || k > mostPower || base.Sign() == 0 {
		return nil
	}
	out := new(big.Float).SetPrec(longDigits).SetInt64(1)
	for range max(k, -k) {
		out.Mul(out, base)
	}
	if k < 0 {
		out.Quo(new(big.Float).SetPrec(longDigits).SetInt64(1), out)
	}
	return out
}
