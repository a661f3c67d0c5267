package expr

import (
	"math/big"
	"strings"
)

// Binding strengths, weakest first.
const (
	bindSum = iota + 1
	bindProduct
	bindPower
	bindAtom
)

// Text writes n so that Parse reads the same tree again, in characters that every keyboard has.
func Text(n Node) string {
	s, _ := plainText.write(n)
	return s
}

// Pretty writes n as Text does, with textbook characters: −, ², π, √, ≤.
func Pretty(n Node) string {
	s, _ := prettyText.write(n)
	return s
}

type textStyle struct {
	minus, times, pi, inf string
	pretty                bool
}

var (
	plainText  = textStyle{"-", "*", "pi", "inf", false}
	prettyText = textStyle{"−", "·", "π", "∞", true}
)

// write returns the text and how strongly its outermost operation binds.
func (s textStyle) write(n Node) (string, int) {
	switch n := n.(type) {
	case *Number:
		return s.number(n.Value)
	case *Constant:
		return map[string]string{"pi": s.pi, "inf": s.inf}[n.Name] + map[string]string{"e": "e"}[n.Name], bindAtom
	case *Name:
		return strings.TrimPrefix(n.Name, bound), bindAtom
	case *Neg:
		return s.minus + s.atLeast(n.X, bindProduct), bindSum
	case *Binary:
		return s.binary(n)
	case *Call:
		return s.call(n), bindAtom
	case *Degree:
		return s.atLeast(n.X, bindAtom) + "°", bindAtom
	case *Pieces:
		var parts []string
		for _, p := range n.List {
			body, _ := s.write(p.Body)
			parts = append(parts, body+" for "+s.condition(p.When))
		}
		return strings.Join(parts, "; "), 0
	case *Sum:
		return s.sum(n), bindAtom
	}
	return "", bindAtom
}

func (s textStyle) sum(n *Sum) string {
	body, _ := s.write(n.Body)
	from, _ := s.write(n.From)
	to, _ := s.write(n.To)
	return "sum(" + body + " for " + strings.TrimPrefix(n.Var, bound) + " from " + from + " to " + to + ")"
}

func (s textStyle) atLeast(n Node, bind int) string {
	text, has := s.write(n)
	if has < bind {
		return "(" + text + ")"
	}
	return text
}

func (s textStyle) number(r *big.Rat) (string, int) {
	text := Decimal(new(big.Rat).Abs(r))
	bind := bindAtom
	if strings.Contains(text, "/") {
		bind = bindProduct
	}
	if r.Sign() < 0 {
		return s.minus + text, bindSum
	}
	return text, bind
}

// Decimal writes a fraction as a terminating decimal where it has one of at most MaxDigits places, else as p/q.
func Decimal(r *big.Rat) string {
	if r.IsInt() {
		return r.Num().String()
	}
	if places, exact := r.FloatPrec(); exact && places <= MaxDigits {
		return r.FloatString(places)
	}
	return r.String()
}

func (s textStyle) binary(n *Binary) (string, int) {
	switch n.Op {
	case Add, Sub:
		sign := " + "
		if n.Op == Sub {
			sign = " " + s.minus + " "
		}
		// A second sum on the right keeps its brackets, so that the tree is read again as it was.
		return s.atLeast(n.L, bindSum) + sign + s.atLeast(n.R, bindProduct), bindSum
	case Mul:
		l, r := s.atLeast(n.L, bindProduct), s.atLeast(n.R, bindPower)
		return l + s.between(l, r) + r, bindProduct
	case Div:
		return s.atLeast(n.L, bindProduct) + "/" + s.atLeast(n.R, bindPower), bindProduct
	}
	base := s.atLeast(n.L, bindAtom)
	if number, ok := n.R.(*Number); ok && s.pretty && number.Value.IsInt() && number.Value.Sign() >= 0 {
		return base + superscript(number.Value.Num().String()), bindPower
	}
	return base + "^" + s.atLeast(n.R, bindAtom), bindPower
}

// between chooses nothing, a blank or a sign between two factors.
func (s textStyle) between(l, r string) string {
	first := []rune(r)[0]
	runes := []rune(l)
	last := runes[len(runes)-1]
	switch {
	case first >= '0' && first <= '9' || first == '.':
		return s.times
	case first == '(':
		return ""
	case first == '|':
		return s.times
	case isLetter(last) || isDigit(last) && strings.ContainsAny(l, "_^/"):
		return " "
	case len([]rune(r)) > 1 && isLetter([]rune(r)[1]):
		return " "
	}
	return ""
}

func isDigit(r rune) bool { return r >= '0' && r <= '9' }

func superscript(digits string) string {
	var raised strings.Builder
	for _, d := range digits {
		raised.WriteRune([]rune(superDigits)[d-'0'])
	}
	return raised.String()
}

func (s textStyle) call(c *Call) string {
	args := c.Args
	name := c.Name + strings.Repeat("'", c.Primes)
	if (c.Name == "log" || c.Name == "root") && len(args) == 2 {
		index, bind := s.write(args[1])
		if _, isNumber := args[1].(*Number); !isNumber && len([]rune(index)) > 1 || bind < bindAtom || strings.Contains(index, ".") {
			index = "(" + index + ")"
		}
		name += "_" + index
		args = args[:1]
	}
	var parts []string
	for _, a := range args {
		part, _ := s.write(a)
		parts = append(parts, part)
	}
	inner := strings.Join(parts, ", ")
	if s.pretty {
		switch c.Name {
		case "abs":
			if !strings.Contains(inner, "|") {
				return "|" + inner + "|"
			}
		case "sqrt":
			if number, ok := args[0].(*Number); ok && number.Value.IsInt() && number.Value.Sign() >= 0 {
				return "√" + inner
			}
			return "√(" + inner + ")"
		case "floor":
			return "⌊" + inner + "⌋"
		case "ceil":
			return "⌈" + inner + "⌉"
		}
	}
	return name + "(" + inner + ")"
}

func (s textStyle) condition(c Condition) string {
	sign := func(closed bool) string {
		switch {
		case closed && s.pretty:
			return " ≤ "
		case closed:
			return " <= "
		}
		return " < "
	}
	text, _ := s.write(c.Subject())
	if c.Lo != nil {
		lo, _ := s.write(c.Lo)
		text = lo + sign(c.LoClosed) + text
	}
	if c.Hi != nil {
		hi, _ := s.write(c.Hi)
		text += sign(c.HiClosed) + hi
	}
	return text
}
