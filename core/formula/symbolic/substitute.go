// Package symbolic turns formulas into formulas: it puts one into another, differentiates and simplifies.
//
// Every function here goes tree → tree and knows no values but the exact numbers that stand in the trees. Undefined
// inside stays undefined outside: what simplifying would hide is reported as a Condition.
package symbolic

import (
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
)

// MaxNodes bounds every tree that is built here; a larger one is refused with the problem “too-large”, before it is built.
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
	if total, ok := n.(*expr.Sum); ok {
		return substituteSum(total, with)
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

// substituteSum keeps the running letter apart from the running letters of what is put in.
func substituteSum(n *expr.Sum, with map[string]expr.Node) expr.Node {
	running := n.Var
	for holds(with, running) {
		running = "#" + running
	}
	inner := map[string]expr.Node{}
	for name, other := range with {
		inner[name] = other
	}
	delete(inner, n.Var)
	if running != n.Var {
		inner[n.Var] = &expr.Name{Name: running}
	}
	return &expr.Sum{Span: n.Span, Var: running, From: Substitute(n.From, with), To: Substitute(n.To, with), Body: Substitute(n.Body, inner)}
}

// holds tells whether one of the trees holds a name.
func holds(with map[string]expr.Node, name string) bool {
	for _, n := range with {
		if depends(n, name) {
			return true
		}
	}
	return false
}

// maxUnrolled bounds the terms of a sum that is written out.
const maxUnrolled = 40

// Unrolled writes sums with known whole ends term by term; longer ones stay.
func Unrolled(n expr.Node) expr.Node {
	return unrolled(n, func(*expr.Sum, int64) bool { return true })
}

func unrolled(n expr.Node, wanted func(total *expr.Sum, terms int64) bool) expr.Node {
	further := func(n expr.Node) expr.Node { return unrolled(n, wanted) }
	total, ok := n.(*expr.Sum)
	if !ok {
		return expr.Map(n, further)
	}
	from, okFrom := wholeNumber(total.From)
	to, okTo := wholeNumber(total.To)
	if !okFrom || !okTo || to-from >= maxUnrolled || !wanted(total, to-from+1) {
		return expr.Map(n, further)
	}
	var out expr.Node
	for k := from; k <= to; k++ {
		term := further(Substitute(total.Body, map[string]expr.Node{total.Var: expr.Num(k)}))
		if out == nil {
			out = term
		} else {
			out = expr.Plus(out, term)
		}
	}
	if out == nil {
		return expr.Num(0)
	}
	return out
}

func wholeNumber(n expr.Node) (int64, bool) {
	if len(expr.Names(n)) > 0 || hasBound(n) {
		return 0, false
	}
	if _, isNumber := n.(*expr.Number); !isNumber {
		n = Simplify(n).Node
	}
	r, ok := Fraction(n)
	if !ok || !r.IsInt() || !r.Num().IsInt64() {
		return 0, false
	}
	return r.Num().Int64(), true
}

// hasBound tells whether n holds the running letter of a sum around it.
func hasBound(n expr.Node) bool {
	return expr.Any(n, func(n expr.Node) bool {
		name, ok := n.(*expr.Name)
		return ok && expr.IsBound(name.Name)
	})
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
	in := inliner{lookup: lookup, bodies: map[string]expr.Node{}}
	return in.inline(n, 0), nil
}

type inliner struct {
	lookup func(string) (Definition, bool)
	nodes  int
	// bodies are the stated functions with everything put in, by name and primes, since one may be used often.
	bodies map[string]expr.Node
}

func (in *inliner) inline(n expr.Node, depth int) expr.Node {
	if in.nodes++; in.nodes > MaxNodes || depth > expr.MaxDepth {
		panic(tooLarge(n, "this formula", in.nodes))
	}
	typed := n
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
	body := in.body(c, def, depth)
	with := map[string]expr.Node{}
	for i, v := range def.Variables {
		with[v] = c.Args[i]
	}
	if size := sizeWith(body, with); size > MaxNodes {
		panic(tooLarge(c, expr.Text(typed), size))
	}
	return Substitute(body, with)
}

// body is what a call stands for, with everything put in and its derivatives worked out.
func (in *inliner) body(c *expr.Call, def Definition, depth int) expr.Node {
	key := c.Name + strings.Repeat("'", c.Primes)
	if body, ok := in.bodies[key]; ok {
		return body
	}
	body := in.inline(def.Body, depth+1)
	for primes := range c.Primes {
		body = Derivative(body, def.Variables[0])
		if size := sizeUpTo(body, countedNodes); size > MaxNodes {
			panic(tooLarge(c, c.Name+strings.Repeat("′", primes+1), size))
		}
	}
	in.bodies[key] = body
	return body
}

// countedNodes is how far the size of a tree that is too large is counted, to be told.
const countedNodes = 10 * MaxNodes

func tooLarge(n expr.Node, what string, size int) *problem.Problem {
	words := number.Grouped(size)
	if size >= countedNodes {
		words = "more than " + number.Grouped(countedNodes)
	}
	return problem.New("too-large", n.Pos(), n.End(), what, words, number.Grouped(MaxNodes))
}

// sizeUpTo counts the nodes of n, but no further than most: parts that stand in n several times are walked each time.
func sizeUpTo(n expr.Node, most int) int {
	size := 0
	expr.Walk(n, func(expr.Node) bool {
		size++
		return size < most
	})
	return size
}

// sizeWith is the size of n once trees are put in the place of names.
func sizeWith(n expr.Node, with map[string]expr.Node) int {
	sizes := map[string]int{}
	for name, other := range with {
		sizes[name] = sizeUpTo(other, countedNodes)
	}
	size := 0
	expr.Walk(n, func(n expr.Node) bool {
		size++
		if name, ok := n.(*expr.Name); ok {
			size += sizes[name.Name]
		}
		return size < countedNodes
	})
	return min(size, countedNodes)
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
