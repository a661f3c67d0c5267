package expr

import (
	"math/big"
	"strings"
)

// LaTeX writes n for typesetting. class gives the style class of a name (a parameter's colour), or "" for none; it may
// be nil.
func LaTeX(n Node, class func(name string) string) string {
	w := latexWriter{class}
	s, _ := w.write(n)
	return s
}

// LaTeXName writes one name: Greek letters, indices.
func LaTeXName(name string) string {
	name = ShownName(name)
	base, index, indexed := strings.Cut(name, "_")
	if command, ok := greekLaTeX[base]; ok {
		base = command
	} else if len([]rune(base)) > 1 {
		base = `\mathit{` + base + `}`
	}
	if !indexed {
		return base
	}
	if len(index) > 1 && (index[0] < '0' || index[0] > '9') {
		index = `\mathrm{` + index + `}`
	}
	return base + "_{" + index + "}"
}

type latexWriter struct{ class func(string) string }

func (w latexWriter) write(n Node) (string, int) {
	switch n := n.(type) {
	case *Number:
		return w.number(n.Value)
	case *Constant:
		return map[string]string{"pi": `\pi`, "e": `\mathrm{e}`, "inf": `\infty`}[n.Name], bindAtom
	case *Name:
		return w.name(n.Name), bindAtom
	case *Neg:
		return "-" + w.atLeast(n.X, bindProduct), bindSum
	case *Binary:
		return w.binary(n)
	case *Call:
		return w.call(n, ""), bindAtom
	case *Degree:
		return w.atLeast(n.X, bindAtom) + `^{\circ}`, bindPower
	case *Pieces:
		return w.pieces(n), 0
	case *Sum:
		from, _ := w.write(n.From)
		to, _ := w.write(n.To)
		return `\sum_{` + w.name(n.Var) + "=" + from + "}^{" + to + "}" + w.atLeast(n.Body, bindProduct), bindSum
	}
	return "", bindAtom
}

func (w latexWriter) name(name string) string {
	name = strings.TrimPrefix(name, bound)
	s := LaTeXName(name)
	if w.class != nil {
		if class := w.class(name); class != "" {
			return `\htmlClass{` + class + `}{` + s + `}`
		}
	}
	return s
}

func (w latexWriter) number(r *big.Rat) (string, int) {
	abs := new(big.Rat).Abs(r)
	text, bind := Decimal(abs), bindAtom
	if strings.Contains(text, "/") {
		text, bind = `\frac{`+abs.Num().String()+`}{`+abs.Denom().String()+`}`, bindProduct
	}
	if r.Sign() < 0 {
		return "-" + text, bindSum
	}
	return text, bind
}

func (w latexWriter) atLeast(n Node, bind int) string {
	s, has := w.write(n)
	if has < bind {
		return brackets(s)
	}
	return s
}

// brackets grow only around what is tall.
func brackets(s string) string {
	if strings.Contains(s, `\frac`) {
		return `\left(` + s + `\right)`
	}
	return "(" + s + ")"
}

func (w latexWriter) binary(n *Binary) (string, int) {
	switch n.Op {
	case Add:
		return w.atLeast(n.L, bindSum) + "+" + w.atLeast(n.R, bindProduct), bindSum
	case Sub:
		return w.atLeast(n.L, bindSum) + "-" + w.atLeast(n.R, bindProduct), bindSum
	case Mul:
		l, r := w.atLeast(n.L, bindProduct), w.atLeast(n.R, bindPower)
		if _, isFraction := n.R.(*Binary); isFraction && n.R.(*Binary).Op == Div {
			r, _ = w.write(n.R)
		}
		return l + w.between(n.R, l, r) + r, bindProduct
	case Div:
		l, _ := w.write(n.L)
		r, _ := w.write(n.R)
		return `\frac{` + l + `}{` + r + `}`, bindProduct
	}
	exponent, _ := w.write(n.R)
	if c, ok := n.L.(*Call); ok && c.Primes == 0 && builtins[c.Name].LaTeX != "" && len(c.Args) == 1 {
		return w.call(c, exponent), bindAtom
	}
	base := w.atLeast(n.L, bindAtom)
	if _, isNumber := n.L.(*Number); isNumber && len(base) > 1 && base[0] != '(' && base[0] != '\\' {
		base = "{" + base + "}" // 1.5 as a whole carries the exponent, not its last digit
	}
	return base + "^{" + exponent + "}", bindPower
}

// between: a dot where two factors would run together.
func (w latexWriter) between(right Node, l, r string) string {
	leftmost := right
	for {
		if angle, is := leftmost.(*Degree); is {
			leftmost = angle.X
		}
		b, ok := leftmost.(*Binary)
		if !ok || b.Op == Div && strings.HasPrefix(r, `\frac`) {
			break
		}
		leftmost = b.L
	}
	if _, isNumber := leftmost.(*Number); isNumber && !strings.HasPrefix(r, "(") {
		return `\cdot `
	}
	if strings.HasPrefix(r, `\frac`) {
		return `\cdot `
	}
	if c, ok := leftmost.(*Call); ok && builtins[c.Name].LaTeX != "" {
		return `\,`
	}
	return " "
}

func (w latexWriter) call(c *Call, power string) string {
	var parts []string
	args := c.Args
	raised := ""
	if power != "" {
		raised = "^{" + power + "}"
	}
	indexed := (c.Name == "log" || c.Name == "root") && len(args) == 2
	if indexed {
		args = args[:1]
	}
	for _, a := range args {
		part, _ := w.write(a)
		parts = append(parts, part)
	}
	inner := strings.Join(parts, ", ")
	switch c.Name {
	case "sqrt":
		return `\sqrt{` + inner + `}`
	case "cbrt":
		return `\sqrt[3]{` + inner + `}`
	case "root":
		degree, _ := w.write(c.Args[1])
		return `\sqrt[` + degree + `]{` + inner + `}`
	case "abs":
		return `\left|` + inner + `\right|`
	case "floor":
		return `\left\lfloor ` + inner + `\right\rfloor `
	case "ceil":
		return `\left\lceil ` + inner + `\right\rceil `
	}
	head := builtins[c.Name].LaTeX
	if head == "" {
		head = w.name(c.Name) + strings.Repeat("'", c.Primes)
	}
	if indexed {
		base, _ := w.write(c.Args[1])
		head += "_{" + base + "}"
	}
	return head + raised + brackets(inner)
}

func (w latexWriter) pieces(n *Pieces) string {
	var rows []string
	for _, p := range n.List {
		body, _ := w.write(p.Body)
		rows = append(rows, body+` & \text{for } `+w.condition(p.When))
	}
	if len(rows) == 1 {
		return strings.Replace(rows[0], " & ", `\quad `, 1)
	}
	return `\begin{cases}` + strings.Join(rows, `\\`) + `\end{cases}`
}

func (w latexWriter) condition(c Condition) string {
	sign := map[bool]string{true: `\le `, false: "<"}
	s, _ := w.write(c.Subject())
	if c.Lo != nil {
		lo, _ := w.write(c.Lo)
		s = lo + sign[c.LoClosed] + s
	}
	if c.Hi != nil {
		hi, _ := w.write(c.Hi)
		s += sign[c.HiClosed] + hi
	}
	return s
}
