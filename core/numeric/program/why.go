package program

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
)

// TooLarge and TooSmall are the reasons of values that exist though no float64 holds them, or what they are made of.
const (
	TooLarge = "the value is too large to be written"
	TooSmall = "a number in it is too small to be written"
)

// Exists tells of a reason that the value exists nevertheless.
func Exists(reason string) bool { return reason == TooLarge || reason == TooSmall }

// Why says in words why n has no value for these inputs, innermost cause first; empty when it has one. It is slow and
// meant for the one value that a person asks about.
func Why(n expr.Node, inputs []string, in []float64) string {
	value := func(n expr.Node) float64 {
		p, err := Compile(n, inputs)
		if err != nil {
			return math.NaN()
		}
		return p.At(in)
	}
	if v := value(n); v == v {
		if math.IsInf(v, 0) {
			return TooLarge
		}
		return ""
	}
	if pieces, ok := n.(*expr.Pieces); ok {
		for _, p := range pieces.List {
			if value(&expr.Pieces{List: []expr.Piece{{Body: expr.Num(1), When: p.When}}}) == 1 {
				return Why(p.Body, inputs, in)
			}
		}
		return "it lies outside the interval on which the function is stated"
	}
	if sum, ok := n.(*expr.Sum); ok {
		return whySum(sum, inputs, in, value)
	}
	for _, child := range expr.Children(n) {
		if reason := Why(child, inputs, in); reason != "" {
			return reason
		}
	}
	if hidden := argumentOf(n); hidden != nil && vanished(hidden, value) {
		return TooSmall
	}
	switch n := n.(type) {
	case *expr.Binary:
		if n.Op == expr.Pow && value(n.L) == 0 {
			return "0 has no power with an exponent below 0"
		}
	case *expr.Call:
		if base := value(n.Args[len(n.Args)-1]); n.Name == "log" && len(n.Args) == 2 && (base <= 0 || base == 1) {
			return "the base of a logarithm is a number above 0 other than 1"
		}
	}
	return cause(n)
}

// argumentOf is what must not be 0 in an operation: a denominator, the base of a negative power, the argument of a
// logarithm or of a function with a pole at 0.
func argumentOf(n expr.Node) expr.Node {
	switch n := n.(type) {
	case *expr.Binary:
		switch n.Op {
		case expr.Div:
			return n.R
		case expr.Pow:
			return n.L
		}
	case *expr.Call:
		switch n.Name {
		case "ln", "log", "cot", "csc", "coth":
			return n.Args[0]
		}
	}
	return nil
}

// vanished tells that a formula is 0 for a float64 only, as e^(−1000): nothing that it is made of could make it 0.
func vanished(n expr.Node, value func(expr.Node) float64) bool {
	if value(n) != 0 {
		return false
	}
	isOrVanished := func(n expr.Node) bool { return value(n) != 0 || vanished(n, value) }
	switch n := n.(type) {
	case *expr.Neg:
		return vanished(n.X, value)
	case *expr.Binary:
		switch n.Op {
		case expr.Mul:
			return isOrVanished(n.L) && isOrVanished(n.R)
		case expr.Div, expr.Pow:
			return isOrVanished(n.L)
		}
	case *expr.Call:
		switch n.Name {
		case "exp":
			return true
		case "sqrt", "cbrt", "root", "abs":
			return vanished(n.Args[0], value)
		}
	}
	return false
}

func whySum(n *expr.Sum, inputs []string, in []float64, value func(expr.Node) float64) string {
	first, last, ok := WholeEnds(value(n.From), value(n.To))
	if !ok {
		return fmt.Sprintf("the ends of a sum are whole numbers, with at most %d terms", MaxTerms)
	}
	inner := append(append([]string{}, inputs...), n.Var)
	for k := first; k <= last; k++ {
		if reason := Why(n.Body, inner, append(append([]float64{}, in...), float64(k))); reason != "" {
			return reason
		}
	}
	return "a value is missing"
}

// cause is the reason of the operation itself, whose arguments all have values.
func cause(n expr.Node) string {
	if b, ok := n.(*expr.Binary); ok {
		switch b.Op {
		case expr.Div:
			return "the denominator is 0"
		case expr.Pow:
			return "this power is not a real number"
		}
		return TooLarge
	}
	c, ok := n.(*expr.Call)
	if !ok {
		return "a value is missing"
	}
	switch c.Name {
	case "sqrt", "root":
		return "the number under an even root is negative"
	case "ln", "log":
		return "a logarithm needs a number above 0"
	case "arcsin", "arccos":
		return c.Name + " needs a number from −1 to 1"
	case "arcsec", "arccsc":
		return c.Name + " needs a number of size 1 or more"
	case "arcosh":
		return "arcosh needs a number of 1 or more"
	case "artanh":
		return "artanh needs a number between −1 and 1"
	case "tan", "sec":
		return c.Name + " has a pole here: the cosine is 0"
	case "cot", "csc":
		return c.Name + " has a pole here: the sine is 0"
	}
	return "the value does not exist"
}
