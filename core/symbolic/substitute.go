// Package symbolic turns formulas into formulas: it puts one into another, differentiates and simplifies.
//
// Every function here goes tree → tree and knows no values but the exact numbers that stand in the trees. Undefined
// inside stays undefined outside: what simplifying would hide is reported as a Condition.
package symbolic

import (
	"math/big"

	"parvix/core/expr"
	"parvix/core/problem"
)

// MaxNodes bounds every tree that is built here; a larger one is refused with the problem “work-limit”.
const MaxNodes = 20000

// Substitute puts trees in the place of names.
func Substitute(n expr.Node, with map[string]expr.Node) expr.Node {
	if len(with) == 0 {
		return n
	}
	if name, ok := n.(*expr.Name); ok {
		if other, found := with[name.Name]; found {
			return other
		}
		return n
	}
	n = expr.Map(n, func(child expr.Node) expr.Node { return Substitute(child, with) })
	if pieces, ok := n.(*expr.Pieces); ok {
		for i, p := range pieces.List {
			if other, found := with[p.When.Var]; found && p.When.Of == nil {
				pieces.List[i].When = bounded(p.When, other)
			}
		}
	}
	return n
}

// bounded is the condition c on subject in the place of its variable.
func bounded(c expr.Condition, subject expr.Node) expr.Condition {
	if name, ok := subject.(*expr.Name); ok {
		c.Var, c.Of = name.Name, nil
	} else {
		c.Of = subject
	}
	return c
}

// Definition is a stated function: its variables and what stands after “=”.
type Definition struct {
	Variables []string
	Body      expr.Node
}

// Inline puts the stated functions into n, so that only built-in functions, variables and parameters are left;
// derivatives are worked out. lookup gives a stated function, which must not lead back to itself.
func Inline(n expr.Node, lookup func(name string) (Definition, bool)) (out expr.Node, err error) {
	defer func() {
		if r := recover(); r != nil {
			p, ok := r.(*problem.Problem)
			if !ok {
				panic(r)
			}
			err = p
		}
	}()
	in := inliner{lookup: lookup}
	return in.inline(n, 0), nil
}

type inliner struct {
	lookup func(string) (Definition, bool)
	nodes  int
}

func (in *inliner) inline(n expr.Node, depth int) expr.Node {
	if in.nodes++; in.nodes > MaxNodes || depth > expr.MaxDepth {
		panic(problem.New("work-limit", n.Pos(), n.End()))
	}
	n = expr.Map(n, func(child expr.Node) expr.Node { return in.inline(child, depth+1) })
	c, ok := n.(*expr.Call)
	if !ok || expr.IsBuiltin(c.Name) {
		return n
	}
	def, ok := in.lookup(c.Name)
	if !ok {
		panic(problem.New("not-a-function", c.From, c.To, c.Name))
	}
	if len(def.Variables) != len(c.Args) {
		panic(problem.New("variables", c.From, c.To, c.Name, "another number of variables"))
	}
	body := in.inline(def.Body, depth+1)
	for range c.Primes {
		body = Derivative(body, def.Variables[0])
	}
	with := map[string]expr.Node{}
	for i, v := range def.Variables {
		with[v] = c.Args[i]
	}
	return Substitute(body, with)
}

// Radians rewrites angles: X° becomes X·π/180, and when the demonstration's unit is the degree, every angle that goes
// into or comes out of a trigonometric function is scaled; then every function is in radians.
func Radians(n expr.Node, degrees bool) expr.Node {
	rewrite := func(child expr.Node) expr.Node { return Radians(child, degrees) }
	switch n := n.(type) {
	case *expr.Degree:
		if degrees {
			return Radians(n.X, degrees)
		}
		return scaled(Radians(n.X, degrees))
	case *expr.Call:
		if !degrees {
			return expr.Map(n, rewrite)
		}
		switch n.Name {
		case "sin", "cos", "tan", "cot", "sec", "csc":
			return &expr.Call{Span: n.Span, Name: n.Name, Args: []expr.Node{scaled(Radians(n.Args[0], degrees))}}
		case "arcsin", "arccos", "arctan", "arccot", "arcsec", "arccsc":
			inner := expr.Map(n, rewrite)
			return &expr.Binary{Span: n.Span, Op: expr.Div,
				L: &expr.Binary{Span: n.Span, Op: expr.Mul, L: inner, R: expr.Num(180)}, R: pi()}
		}
		return expr.Map(n, rewrite)
	}
	return expr.Map(n, rewrite)
}

func pi() expr.Node { return &expr.Constant{Name: "pi"} }

// scaled is x·π/180.
func scaled(x expr.Node) expr.Node {
	at := expr.Span{From: x.Pos(), To: x.End()}
	return &expr.Binary{Span: at, Op: expr.Div,
		L: &expr.Binary{Span: at, Op: expr.Mul, L: x, R: pi()}, R: expr.Num(180)}
}

// Size counts the nodes of n.
func Size(n expr.Node) int {
	size := 0
	expr.Walk(n, func(expr.Node) bool { size++; return true })
	return size
}

func num(n int64) expr.Node        { return expr.Num(n) }
func rat(r *big.Rat) expr.Node     { return expr.Rat(r) }
func add(l, r expr.Node) expr.Node { return &expr.Binary{Op: expr.Add, L: l, R: r} }
func sub(l, r expr.Node) expr.Node { return &expr.Binary{Op: expr.Sub, L: l, R: r} }
func mul(l, r expr.Node) expr.Node { return &expr.Binary{Op: expr.Mul, L: l, R: r} }
func div(l, r expr.Node) expr.Node { return &expr.Binary{Op: expr.Div, L: l, R: r} }
func pow(l, r expr.Node) expr.Node { return &expr.Binary{Op: expr.Pow, L: l, R: r} }
func neg(x expr.Node) expr.Node    { return &expr.Neg{X: x} }
func call(name string, args ...expr.Node) expr.Node {
	return &expr.Call{Name: name, Args: args}
}
