package expr

import (
	"html"
	"math/big"
	"strings"
)

// MathML writes n as presentation MathML (W3C MathML Core), for pages and word processors.
func MathML(n Node) string {
	s, _ := mathml{}.write(n)
	return `<math xmlns="http://www.w3.org/1998/Math/MathML"><mrow>` + s + "</mrow></math>"
}

type mathml struct{}

func element(name string, inner ...string) string {
	return "<" + name + ">" + strings.Join(inner, "") + "</" + name + ">"
}

func row(inner ...string) string { return element("mrow", inner...) }

func sign(text string) string { return element("mo", html.EscapeString(text)) }

// invisible joins two factors, applied a function to its argument.
const (
	invisible = "<mo>&#x2062;</mo>"
	applied   = "<mo>&#x2061;</mo>"
)

// write returns the elements and how strongly the outermost operation binds.
func (w mathml) write(n Node) (string, int) {
	switch n := n.(type) {
	case *Number:
		return w.number(n.Value)
	case *Constant:
		return element("mi", map[string]string{"pi": "π", "e": "e", "inf": "∞"}[n.Name]), bindAtom
	case *Name:
		return w.name(n.Name), bindAtom
	case *Neg:
		return sign("−") + w.atLeast(n.X, bindProduct), bindSum
	case *Binary:
		return w.binary(n)
	case *Call:
		return w.call(n, ""), bindAtom
	case *Degree:
		return w.atLeast(n.X, bindAtom) + sign("°"), bindPower
	case *Pieces:
		return w.pieces(n), 0
	case *Sum:
		return w.sum(n), bindSum
	}
	return "", bindAtom
}

func (w mathml) alone(n Node) string {
	s, _ := w.write(n)
	return row(s)
}

func (w mathml) atLeast(n Node, bind int) string {
	s, has := w.write(n)
	if has < bind {
		return row(sign("(") + s + sign(")"))
	}
	return s
}

func (w mathml) name(name string) string {
	base, index, indexed := strings.Cut(strings.TrimPrefix(name, bound), "_")
	if !indexed {
		return element("mi", html.EscapeString(base))
	}
	tag := "mi"
	if index[0] >= '0' && index[0] <= '9' {
		tag = "mn"
	}
	return element("msub", element("mi", html.EscapeString(base)), element(tag, html.EscapeString(index)))
}

func (w mathml) number(r *big.Rat) (string, int) {
	abs := new(big.Rat).Abs(r)
	text, bind := Decimal(abs), bindAtom
	s := element("mn", text)
	if strings.Contains(text, "/") {
		s, bind = element("mfrac", element("mn", abs.Num().String()), element("mn", abs.Denom().String())), bindProduct
	}
	if r.Sign() < 0 {
		return sign("−") + s, bindSum
	}
	return s, bind
}

func (w mathml) binary(n *Binary) (string, int) {
	switch n.Op {
	case Add:
		return w.atLeast(n.L, bindSum) + sign("+") + w.atLeast(n.R, bindProduct), bindSum
	case Sub:
		return w.atLeast(n.L, bindSum) + sign("−") + w.atLeast(n.R, bindProduct), bindSum
	case Mul:
		between := invisible
		if _, isNumber := leftmost(n.R).(*Number); isNumber {
			between = sign("⋅")
		}
		return w.atLeast(n.L, bindProduct) + between + w.atLeast(n.R, bindPower), bindProduct
	case Div:
		return element("mfrac", w.alone(n.L), w.alone(n.R)), bindProduct
	}
	if c, ok := n.L.(*Call); ok && c.Primes == 0 && builtins[c.Name].LaTeX != "" && len(c.Args) == 1 {
		return w.call(c, w.alone(n.R)), bindAtom
	}
	return element("msup", row(w.atLeast(n.L, bindAtom)), w.alone(n.R)), bindPower
}

// leftmost is the part of n that is written first.
func leftmost(n Node) Node {
	for {
		b, ok := n.(*Binary)
		if !ok || b.Op == Div {
			return n
		}
		n = b.L
	}
}

func (w mathml) call(c *Call, power string) string {
	x := w.alone(c.Args[0])
	switch c.Name {
	case "sqrt":
		return element("msqrt", x)
	case "cbrt":
		return element("mroot", x, element("mn", "3"))
	case "root":
		return element("mroot", x, w.alone(c.Args[1]))
	case "abs":
		return row(sign("|"), x, sign("|"))
	case "floor":
		return row(sign("⌊"), x, sign("⌋"))
	case "ceil":
		return row(sign("⌈"), x, sign("⌉"))
	}
	args := c.Args
	head := w.name(c.Name)
	if c.Name == "log" && len(args) == 2 {
		head, args = element("msub", head, w.alone(args[1])), args[:1]
	}
	if c.Primes > 0 {
		head = element("msup", head, sign(strings.Repeat("′", c.Primes)))
	}
	if power != "" {
		head = element("msup", row(head), power)
	}
	parts := make([]string, 0, len(args))
	for _, a := range args {
		parts = append(parts, w.alone(a))
	}
	return row(head, applied, row(sign("("), strings.Join(parts, sign(",")), sign(")")))
}

func (w mathml) sum(n *Sum) string {
	below := row(w.name(n.Var), sign("="), w.alone(n.From))
	return element("munderover", sign("∑"), below, w.alone(n.To)) + w.atLeast(n.Body, bindProduct)
}

func (w mathml) pieces(n *Pieces) string {
	var rows []string
	for _, p := range n.List {
		body := element("mtd", w.alone(p.Body))
		rows = append(rows, element("mtr", body, element("mtd", element("mtext", "for "), w.condition(p.When))))
	}
	return row(sign("{"), element("mtable", rows...))
}

func (w mathml) condition(c Condition) string {
	relation := map[bool]string{true: "≤", false: "<"}
	s := w.alone(c.Subject())
	if c.Lo != nil {
		s = w.alone(c.Lo) + sign(relation[c.LoClosed]) + s
	}
	if c.Hi != nil {
		s += sign(relation[c.HiClosed]) + w.alone(c.Hi)
	}
	return row(s)
}
