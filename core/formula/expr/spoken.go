package expr

import (
	"math/big"
	"strings"
)

// Spoken writes n in words, as a teacher reads it to a class: "a times the square of x minus h, plus k". What belongs together is said
// in one breath; a comma ends it. The phrases are those of the ClearSpeak rules (Educational Testing Service, 2016; from memory).
func Spoken(n Node) string { return speak(n).words }

// phrase is a part of a spoken formula.
type phrase struct {
	words string
	// bind is how tightly it holds together, as in a text.
	bind int
	// isOpen tells that what is said next would be taken to belong to it.
	isOpen bool
}

func speak(n Node) phrase {
	switch n := n.(type) {
	case *Number:
		return speakNumber(n.Value)
	case *Constant:
		return phrase{map[string]string{"pi": "pi", "e": "e", "inf": "infinity"}[n.Name], bindAtom, false}
	case *Name:
		return phrase{SpokenName(n.Name), bindAtom, false}
	case *Neg:
		x := quantity(n.X, bindProduct)
		return phrase{"minus " + x.words, bindSum, x.isOpen}
	case *Binary:
		return speakBinary(n)
	case *Call:
		return speakCall(n)
	case *Degree:
		return phrase{quantity(n.X, bindAtom).words + " degrees", bindPower, false}
	case *Pieces:
		var rows []string
		for _, p := range n.List {
			rows = append(rows, Spoken(p.Body)+", for "+speakCondition(p.When))
		}
		return phrase{strings.Join(rows, "; "), 0, true}
	case *Sum:
		return phrase{"the sum, for " + SpokenName(n.Var) + " from " + Spoken(n.From) + " to " + Spoken(n.To) + ", of " + Spoken(n.Body), bindSum, true}
	}
	return phrase{}
}

// SpokenName is a name in words: theta, x sub 1.
func SpokenName(name string) string {
	base, index, indexed := strings.Cut(strings.TrimPrefix(name, bound), "_")
	if command, isGreek := greekLaTeX[base]; isGreek {
		base = strings.TrimPrefix(command, `\`)
	}
	if indexed {
		return base + " sub " + index
	}
	return base
}

func speakNumber(r *big.Rat) phrase {
	abs := new(big.Rat).Abs(r)
	said := phrase{Decimal(abs), bindAtom, false}
	if strings.Contains(said.words, "/") {
		said = phrase{abs.Num().String() + " over " + abs.Denom().String(), bindProduct, false}
	}
	if r.Sign() < 0 {
		return phrase{"minus " + said.words, bindSum, false}
	}
	return said
}

// quantity says n as one thing where it holds together less tightly than wanted.
func quantity(n Node, bind int) phrase {
	x := speak(n)
	if x.bind >= bind {
		return x
	}
	return phrase{"the quantity " + x.words, bindAtom, true}
}

// then joins what comes after a phrase, with a comma where it would be taken to belong to it.
func then(before phrase, operation string, after phrase, bind int) phrase {
	comma := " "
	if before.isOpen {
		comma = ", "
	}
	return phrase{before.words + comma + operation + " " + after.words, bind, after.isOpen}
}

func speakBinary(n *Binary) phrase {
	switch n.Op {
	case Add:
		return then(quantity(n.L, bindSum), "plus", quantity(n.R, bindProduct), bindSum)
	case Sub:
		return then(quantity(n.L, bindSum), "minus", quantity(n.R, bindProduct), bindSum)
	case Mul:
		l, r := quantity(n.L, bindProduct), quantity(n.R, bindPower)
		_, isNumber := n.L.(*Number)
		if _, isName := n.R.(*Name); isNumber && isName && l.bind == bindAtom {
			return phrase{l.words + " " + r.words, bindProduct, false}
		}
		return then(l, "times", r, bindProduct)
	case Div:
		l, r := speak(n.L), speak(n.R)
		if l.bind >= bindPower && r.bind >= bindPower && !l.isOpen {
			return phrase{l.words + " over " + r.words, bindProduct, r.isOpen}
		}
		return phrase{"the fraction with numerator " + l.words + ", and denominator " + r.words, bindProduct, true}
	}
	return speakPower(n)
}

// powers that have words of their own: after what is simple, and before what is not.
var powers = map[string][2]string{"2": {"squared", "the square of "}, "3": {"cubed", "the cube of "}}

func speakPower(n *Binary) phrase {
	base, exponent := speak(n.L), speak(n.R)
	isSimple := base.bind >= bindAtom && !base.isOpen
	own, hasOwn := powers[exponent.words]
	switch {
	case hasOwn && isSimple:
		return phrase{base.words + " " + own[0], bindPower, false}
	case hasOwn:
		return phrase{own[1] + base.words, bindPower, true}
	case isSimple:
		return phrase{base.words + " to the power " + exponent.words, bindPower, exponent.bind < bindAtom || exponent.isOpen}
	}
	return phrase{"the quantity " + base.words + ", to the power " + exponent.words, bindPower, exponent.bind < bindAtom || exponent.isOpen}
}

// spokenCalls are the words of built-in functions before their argument.
var spokenCalls = map[string]string{"sin": "sine of ", "cos": "cosine of ", "tan": "tangent of ", "cot": "cotangent of ", "sec": "secant of ",
	"csc": "cosecant of ", "arcsin": "arc sine of ", "arccos": "arc cosine of ", "arctan": "arc tangent of ", "arccot": "arc cotangent of ",
	"arcsec": "arc secant of ", "arccsc": "arc cosecant of ", "sinh": "hyperbolic sine of ", "cosh": "hyperbolic cosine of ",
	"tanh": "hyperbolic tangent of ", "coth": "hyperbolic cotangent of ", "arsinh": "inverse hyperbolic sine of ",
	"arcosh": "inverse hyperbolic cosine of ", "artanh": "inverse hyperbolic tangent of ", "ln": "the natural logarithm of ",
	"log": "the logarithm of ", "exp": "e to the power ", "sqrt": "the square root of ", "cbrt": "the cube root of ",
	"abs": "the absolute value of ", "floor": "the greatest whole number not above ", "ceil": "the least whole number not below ",
	"sgn": "the sign of ", "min": "the least of ", "max": "the greatest of "}

func speakCall(c *Call) phrase {
	var parts []string
	for _, a := range c.Args {
		parts = append(parts, Spoken(a))
	}
	said := func(words string) phrase { return phrase{words, bindAtom, true} }
	switch {
	case c.Name == "log" && len(parts) == 2:
		return said("the logarithm to base " + parts[1] + " of " + parts[0])
	case c.Name == "root" && len(parts) == 2:
		return said("the root of order " + parts[1] + " of " + parts[0])
	case spokenCalls[c.Name] != "":
		return said(spokenCalls[c.Name] + strings.Join(parts, " and "))
	}
	primes := strings.Repeat(" prime", c.Primes)
	of := strings.Join(parts, " and ")
	// f of x is one thing; f of x plus 1 goes on.
	isOpen := len(c.Args) != 1
	for _, a := range c.Args {
		isOpen = isOpen || speak(a).bind < bindAtom || speak(a).isOpen
	}
	return phrase{SpokenName(c.Name) + primes + " of " + of, bindAtom, isOpen}
}

func speakCondition(c Condition) string {
	subject := Spoken(c.Subject())
	low, high := " greater than ", " less than "
	if c.LoClosed {
		low = " at least "
	}
	if c.HiClosed {
		high = " at most "
	}
	switch {
	case c.Lo != nil && c.Hi != nil:
		return subject + low + Spoken(c.Lo) + " and" + high + Spoken(c.Hi)
	case c.Lo != nil:
		return subject + low + Spoken(c.Lo)
	case c.Hi != nil:
		return subject + high + Spoken(c.Hi)
	}
	return "every " + subject
}
