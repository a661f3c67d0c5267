// Package expr reads a formula as a textbook writes it, and writes it again as text or LaTeX.
//
// Text → tree → text: Parse, Text, LaTeX. Every node knows its place in the text it came from (byte offsets), so that a
// problem found at any later stage can be shown where it was typed. The package computes nothing.
package expr

import (
	"math/big"
	"strings"
)

// Node is a part of a formula. The kinds are closed: Number, Constant, Name, Neg, Binary, Call, Degree, Pieces, Sum.
type Node interface {
	// Pos and End are the byte offsets of the node's text; both are 0 in a node that was computed.
	Pos() int
	End() int
	node()
}

// Span is a place in the text.
type Span struct{ From, To int }

// Pos is the offset of the first byte.
func (s Span) Pos() int { return s.From }

// End is the offset after the last byte.
func (s Span) End() int { return s.To }

func (Span) node() {}

// Number is an exact decimal or whole number; decimal literals are exact fractions.
type Number struct {
	Span
	Value *big.Rat
}

// Constant is pi, e, or one of the two ends inf and -inf that only intervals may hold.
type Constant struct {
	Span
	Name string
}

// Name is a variable or parameter.
type Name struct {
	Span
	Name string
}

// Neg is −X.
type Neg struct {
	Span
	X Node
}

// Op is a binary operation.
type Op byte

// The binary operations.
const (
	Add Op = '+'
	Sub Op = '-'
	Mul Op = '*'
	Div Op = '/'
	Pow Op = '^'
)

// Binary is L Op R.
type Binary struct {
	Span
	Op   Op
	L, R Node
}

// Call is a function applied to its arguments: a built-in one (see Builtins) or a stated one, with Primes derivatives.
// log and root carry the base and the degree as second argument.
type Call struct {
	Span
	Name   string
	Primes int
	Args   []Node
}

// Degree is X°, always degrees whatever the demonstration's angle unit.
type Degree struct {
	Span
	X Node
}

// Pieces is a function in pieces, or on an interval only when there is one piece.
type Pieces struct {
	Span
	List []Piece
}

// Piece holds Body where When is true.
type Piece struct {
	Body Node
	When Condition
}

// Sum adds Body for every whole number Var from From to To. Var starts with “#”, which cannot be typed: a bound name is
// never taken for one of the demonstration's.
type Sum struct {
	Span
	Var            string
	From, To, Body Node
}

// IsBound tells whether a name is the running letter of a sum.
func IsBound(name string) bool { return strings.HasPrefix(name, bound) }

const bound = "#"

// DerivedMark parts the letter of a derived value, such as a model's coefficient, from what it belongs to; it cannot be typed.
const DerivedMark = "\x02"

// ShownName is a name as it is read.
func ShownName(name string) string {
	name, _, _ = strings.Cut(name, DerivedMark)
	return name
}

// Condition bounds one variable, or Of when that is set: the argument that was put in the variable's place.
// Lo or Hi is nil where the interval has no end on that side.
type Condition struct {
	Span
	Var                string
	Of                 Node
	Lo, Hi             Node
	LoClosed, HiClosed bool
}

// Subject is what the condition bounds.
func (c Condition) Subject() Node {
	if c.Of != nil {
		return c.Of
	}
	return &Name{c.Span, c.Var}
}

// Num makes a whole number.
func Num(n int64) *Number { return &Number{Value: big.NewRat(n, 1)} }

// Rat makes a number from a fraction.
func Rat(r *big.Rat) *Number { return &Number{Value: r} }

// Walk calls visit for n and everything in it, parents first, until visit returns false for a branch.
func Walk(n Node, visit func(Node) bool) {
	if n == nil || !visit(n) {
		return
	}
	for _, child := range Children(n) {
		Walk(child, visit)
	}
}

// Any tells whether the test holds for n or anything in it.
func Any(n Node, test func(Node) bool) bool {
	found := false
	Walk(n, func(n Node) bool {
		found = found || test(n)
		return !found
	})
	return found
}

// Children lists the parts of n in the order of the text.
func Children(n Node) []Node {
	switch n := n.(type) {
	case *Neg:
		return []Node{n.X}
	case *Binary:
		return []Node{n.L, n.R}
	case *Call:
		return n.Args
	case *Degree:
		return []Node{n.X}
	case *Pieces:
		var parts []Node
		for _, p := range n.List {
			parts = append(parts, p.Body)
			for _, part := range []Node{p.When.Of, p.When.Lo, p.When.Hi} {
				if part != nil {
					parts = append(parts, part)
				}
			}
		}
		return parts
	case *Sum:
		return []Node{n.Body, n.From, n.To}
	}
	return nil
}

// Map rebuilds n with f applied to each child; a node without children is returned as it is.
func Map(n Node, f func(Node) Node) Node {
	switch n := n.(type) {
	case *Neg:
		return &Neg{n.Span, f(n.X)}
	case *Binary:
		return &Binary{n.Span, n.Op, f(n.L), f(n.R)}
	case *Call:
		args := make([]Node, len(n.Args))
		for i, a := range n.Args {
			args[i] = f(a)
		}
		return &Call{n.Span, n.Name, n.Primes, args}
	case *Degree:
		return &Degree{n.Span, f(n.X)}
	case *Pieces:
		list := make([]Piece, len(n.List))
		for i, p := range n.List {
			list[i] = Piece{f(p.Body), p.When}
			when := &list[i].When
			for _, part := range []*Node{&when.Of, &when.Lo, &when.Hi} {
				if *part != nil {
					*part = f(*part)
				}
			}
		}
		return &Pieces{n.Span, list}
	case *Sum:
		return &Sum{n.Span, n.Var, f(n.From), f(n.To), f(n.Body)}
	}
	return n
}

// Names collects the variables and parameters of n, no running letters, and Calls its stated functions, each once in order of appearance.
func Names(n Node) []string {
	var names []string
	seen := map[string]bool{}
	note := func(name string) {
		if !seen[name] && !IsBound(name) {
			seen[name] = true
			names = append(names, name)
		}
	}
	Walk(n, func(n Node) bool {
		switch n := n.(type) {
		case *Name:
			note(n.Name)
		case *Pieces:
			for _, p := range n.List {
				if p.When.Of == nil {
					note(p.When.Var)
				}
			}
		}
		return true
	})
	return names
}

// Calls collects the names of the stated functions that n uses.
func Calls(n Node) []string {
	var calls []string
	seen := map[string]bool{}
	Walk(n, func(n Node) bool {
		if c, ok := n.(*Call); ok && !IsBuiltin(c.Name) && !seen[c.Name] {
			seen[c.Name] = true
			calls = append(calls, c.Name)
		}
		return true
	})
	return calls
}

// Equal tells whether a and b are the same tree, wherever they were typed.
func Equal(a, b Node) bool {
	switch a := a.(type) {
	case *Number:
		b, ok := b.(*Number)
		return ok && a.Value.Cmp(b.Value) == 0
	case *Constant:
		b, ok := b.(*Constant)
		return ok && a.Name == b.Name
	case *Name:
		b, ok := b.(*Name)
		return ok && a.Name == b.Name
	case *Binary:
		b, ok := b.(*Binary)
		return ok && a.Op == b.Op && Equal(a.L, b.L) && Equal(a.R, b.R)
	case *Call:
		b, ok := b.(*Call)
		return ok && a.Name == b.Name && a.Primes == b.Primes && equalAll(a.Args, b.Args)
	case *Neg:
		b, ok := b.(*Neg)
		return ok && Equal(a.X, b.X)
	case *Degree:
		b, ok := b.(*Degree)
		return ok && Equal(a.X, b.X)
	case *Pieces:
		b, ok := b.(*Pieces)
		if !ok || len(a.List) != len(b.List) {
			return false
		}
		for i, p := range a.List {
			if !Equal(p.Body, b.List[i].Body) || !equalCondition(p.When, b.List[i].When) {
				return false
			}
		}
		return true
	case *Sum:
		b, ok := b.(*Sum)
		return ok && a.Var == b.Var && Equal(a.Body, b.Body) && Equal(a.From, b.From) && Equal(a.To, b.To)
	}
	return a == nil && b == nil
}

func equalAll(a, b []Node) bool {
	if len(a) != len(b) {
		return false
	}
	for i := range a {
		if !Equal(a[i], b[i]) {
			return false
		}
	}
	return true
}

func equalCondition(a, b Condition) bool {
	return a.Var == b.Var && equalEnd(a.Of, b.Of) && equalEnd(a.Lo, b.Lo) && equalEnd(a.Hi, b.Hi) &&
		(a.Lo == nil || a.LoClosed == b.LoClosed) && (a.Hi == nil || a.HiClosed == b.HiClosed)
}

func equalEnd(a, b Node) bool {
	if a == nil || b == nil {
		return a == nil && b == nil
	}
	return Equal(a, b)
}
