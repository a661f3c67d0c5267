package typeset

import (
	"slices"
	"strconv"
	"strings"
	"unicode"
)

// class is the class of an atom, which decides the space beside it.
type class int

const (
	ord class = iota
	op
	bin
	rel
	open
	closing
	punct
	inner
)

// node is a part of a formula.
type node interface{}

type (
	// sign is one character.
	sign struct {
		letter rune
		face   Face
		class  class
	}
	// word is set without spaces between its letters.
	word struct {
		text  string
		face  Face
		class class
	}
	// space is a space in mu, eighteenths of the em.
	space struct{ mu float64 }
	// fraction is set as in a displayed formula, or as in running text.
	fraction struct {
		above, below []node
		displayed    bool
	}
	root     struct{ index, body []node }
	scripted struct {
		base     []node
		sup, sub []node
	}
	fence struct {
		left, right rune // 0 for none
		body        []node
	}
	group struct{ list []node }
	// styled wears a style class; it does not part its atoms from those beside it.
	styled struct {
		class string
		list  []node
	}
	large struct{ letter rune }
	// table has rows of cells, each row with room below it in em: cases behind a brace, or an array.
	table struct {
		cases bool
		rows  [][][]node
		below []float64
	}
)

// signs are the commands that stand for one sign.
var signs = map[string]sign{
	"cdot": {'⋅', Roman, bin}, "times": {'×', Roman, bin}, "pm": {'±', Roman, bin}, "cup": {'∪', Roman, bin}, "cap": {'∩', Roman, bin},
	"circ": {'∘', Roman, bin}, "setminus": {'∖', Roman, bin},
	"le": {'≤', Roman, rel}, "ge": {'≥', Roman, rel}, "approx": {'≈', Roman, rel}, "to": {'→', Roman, rel}, "in": {'∈', Roman, rel},
	"infty": {'∞', Roman, ord}, "varnothing": {'∅', Symbols, ord}, "emptyset": {'∅', Roman, ord}, "prime": {'′', Roman, ord},
	"ldots": {'…', Roman, inner}, "dots": {'…', Roman, inner}, "colon": {':', Roman, punct}, "degree": {'°', Roman, ord},
	"{": {'{', Roman, open}, "}": {'}', Roman, closing}, "%": {'%', Roman, ord}, "lfloor": {'⌊', Roman, open}, "rfloor": {'⌋', Roman, closing},
	"lceil": {'⌈', Roman, open}, "rceil": {'⌉', Roman, closing}, "_": {'_', Roman, ord}, "&": {'&', Roman, ord}, "#": {'#', Roman, ord}, "$": {'$', Roman, ord},
}

// greek are the letters by their commands; capitals stand upright.
var greek = map[string]rune{
	"alpha": 'α', "beta": 'β', "gamma": 'γ', "delta": 'δ', "epsilon": 'ϵ', "varepsilon": 'ε', "zeta": 'ζ', "eta": 'η', "theta": 'θ', "iota": 'ι',
	"kappa": 'κ', "lambda": 'λ', "mu": 'μ', "nu": 'ν', "xi": 'ξ', "omicron": 'ο', "pi": 'π', "rho": 'ρ', "sigma": 'σ', "tau": 'τ', "upsilon": 'υ', "phi": 'ϕ',
	"varphi": 'φ', "chi": 'χ', "psi": 'ψ', "omega": 'ω',
	"Gamma": 'Γ', "Delta": 'Δ', "Theta": 'Θ', "Lambda": 'Λ', "Xi": 'Ξ', "Pi": 'Π', "Sigma": 'Σ', "Upsilon": 'Υ', "Phi": 'Φ', "Psi": 'Ψ', "Omega": 'Ω',
}

// spaces are the commands that leave room, in mu.
var spaces = map[string]float64{",": 3, ":": 4, ";": 5, "!": -3, "quad": 18, " ": 4.5, "allowbreak": 0}

// functions are the names that are set upright with a thin space behind them.
var functions = map[string]bool{}

func init() {
	for _, name := range strings.Fields("sin cos tan cot sec csc arcsin arccos arctan sinh cosh tanh coth ln log exp max min") {
		functions[name] = true
	}
}

// classes are those of plain characters that are no letters and no digits.
var classes = map[rune]class{'+': bin, '−': bin, '*': bin, '·': bin, '×': bin, '±': bin, '=': rel, '<': rel, '>': rel, ':': rel, '≤': rel, '≥': rel, '≈': rel, '→': rel,
	'(': open, '[': open, ')': closing, ']': closing, '!': closing, '?': closing, ',': punct, ';': punct}

type parser struct {
	text []rune
	at   int
}

func parse(latex string) []node {
	p := &parser{text: []rune(latex)}
	var list []node
	for p.at < len(p.text) {
		list = append(list, p.until("")...)
		p.at++ // a brace too many, or what belongs to a table, is passed over
	}
	return list
}

// until reads atoms up to a closing brace, a command that ends what was begun, or the end.
func (p *parser) until(end string) (list []node) {
	for p.at < len(p.text) {
		switch c := p.text[p.at]; {
		case c == '}' || c == '&' || end == "]" && c == ']':
			return list
		case p.isAt(`\right`) || p.isAt(`\end`) || p.isAt(`\\`):
			return list
		case c == '^' || c == '_' || c == '\'':
			list = p.scripts(list)
		case unicode.IsSpace(c):
			p.at++
		default:
			list = append(list, p.atom()...)
		}
	}
	return list
}

// isAt tells whether a command stands here, and not one that begins like it.
func (p *parser) isAt(command string) bool {
	end := p.at + len(command)
	if end > len(p.text) || string(p.text[p.at:end]) != command {
		return false
	}
	return command == `\\` || end == len(p.text) || !isLetter(p.text[end])
}

func isLetter(c rune) bool { return c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' }

// scripts hangs exponents, indices and primes on the last atom.
func (p *parser) scripts(list []node) []node {
	s := scripted{}
	if n := len(list) - 1; n >= 0 {
		if _, is := list[n].(space); !is {
			s.base, list = []node{list[n]}, list[:n]
		}
	}
	for p.at < len(p.text) {
		switch p.text[p.at] {
		case '\'':
			p.at++
			s.sup = append(s.sup, sign{'′', Roman, ord})
		case '^':
			p.at++
			s.sup = append(s.sup, p.argument()...)
		case '_':
			p.at++
			s.sub = append(s.sub, p.argument()...)
		default:
			return append(list, s)
		}
	}
	return append(list, s)
}

// argument reads what stands in braces, or one atom.
func (p *parser) argument() []node {
	for p.at < len(p.text) && unicode.IsSpace(p.text[p.at]) {
		p.at++
	}
	if p.at >= len(p.text) {
		return nil
	}
	if p.text[p.at] != '{' {
		return p.atom()
	}
	return p.braced()
}

// braced reads what stands in braces.
func (p *parser) braced() []node {
	p.at++
	var list []node
	for {
		list = append(list, p.until("")...)
		if p.at >= len(p.text) || p.text[p.at] == '}' {
			p.at++
			return list
		}
		p.at++
	}
}

// raw reads words in braces as they stand.
func (p *parser) raw() string {
	if p.at >= len(p.text) || p.text[p.at] != '{' {
		return ""
	}
	depth, from := 0, p.at+1
	for ; p.at < len(p.text); p.at++ {
		switch p.text[p.at] {
		case '{':
			depth++
		case '}':
			if depth--; depth == 0 {
				p.at++
				return strings.ReplaceAll(string(p.text[from:p.at-1]), `\`, "")
			}
		}
	}
	return string(p.text[min(from, len(p.text)):])
}

// atom reads the next atom.
func (p *parser) atom() []node {
	c := p.text[p.at]
	switch {
	case c == '\\':
		return p.command()
	case c == '{':
		return []node{group{p.braced()}}
	}
	p.at++
	switch {
	case c == '-':
		c = '−'
	case c == '*':
		return []node{sign{'∗', Roman, bin}}
	case c == '·':
		return []node{sign{'⋅', Roman, bin}}
	case c == '~':
		return []node{space{4.5}}
	}
	face := Roman
	if unicode.IsLetter(c) && has(Italic, c) {
		face = Italic
	}
	return []node{sign{c, face, classes[c]}}
}

// command reads one that begins with a backslash.
func (p *parser) command() []node {
	p.at++
	from := p.at
	for p.at < len(p.text) && isLetter(p.text[p.at]) {
		p.at++
	}
	if p.at == from && p.at < len(p.text) {
		p.at++
	}
	name := string(p.text[from:p.at])
	if mu, is := spaces[name]; is {
		return []node{space{mu}}
	}
	if s, is := signs[name]; is {
		return []node{s}
	}
	if letter, is := greek[name]; is {
		face := Italic
		if unicode.IsUpper(letter) {
			face = Roman
		}
		return []node{sign{letter, face, ord}}
	}
	if functions[name] {
		return []node{word{name, Roman, op}}
	}
	return p.structure(name)
}

// structure reads a command that takes arguments; an unknown one is set as a word.
func (p *parser) structure(name string) []node {
	switch name {
	case "frac", "dfrac", "tfrac":
		above := p.argument()
		return []node{fraction{above, p.argument(), name == "dfrac"}}
	case "sqrt":
		var index []node
		if p.at < len(p.text) && p.text[p.at] == '[' {
			p.at++
			index = p.until("]")
			p.at++
		}
		return []node{root{index, p.argument()}}
	case "text":
		return []node{word{p.raw(), Roman, ord}}
	case "mathrm":
		return []node{word{p.raw(), Roman, ord}}
	case "mathbf":
		return []node{word{p.raw(), Bold, ord}}
	case "mathit":
		return []node{word{p.raw(), Slanted, ord}}
	case "operatorname":
		return []node{word{p.raw(), Roman, op}}
	case "htmlClass":
		class := p.raw()
		return []node{styled{class, p.argument()}}
	case "sum":
		return []node{large{'∑'}}
	case "left":
		return []node{p.fenced()}
	case "begin":
		cases := p.raw() == "cases"
		if !cases {
			p.raw() // how the columns are set: in the middle
		}
		return []node{p.rows(cases)}
	}
	return []node{word{name, Roman, ord}}
}

// fenced reads what stands between fences that grow with it.
func (p *parser) fenced() node {
	f := fence{left: p.fenceSign()}
	f.body = p.until("")
	for p.at < len(p.text) && !p.isAt(`\right`) {
		p.at++
		f.body = append(f.body, p.until("")...)
	}
	if p.at < len(p.text) {
		p.at += len(`\right`)
		f.right = p.fenceSign()
	}
	return f
}

func (p *parser) fenceSign() rune {
	for p.at < len(p.text) && p.text[p.at] == ' ' {
		p.at++
	}
	if p.at >= len(p.text) {
		return 0
	}
	if p.text[p.at] != '\\' {
		p.at++
		if c := p.text[p.at-1]; c != '.' {
			return c
		}
		return 0
	}
	if s, is := p.command()[0].(sign); is {
		return s.letter
	}
	return 0
}

// rows reads the rows of a table.
func (p *parser) rows(cases bool) node {
	c := table{cases: cases, rows: [][][]node{nil}}
	for p.at < len(p.text) && !p.isAt(`\end`) {
		last := len(c.rows) - 1
		c.rows[last] = append(c.rows[last], p.until(""))
		switch {
		case p.isAt(`\\`):
			p.at += 2
			c.rows, c.below = append(c.rows, nil), append(c.below, p.length())
		case p.at < len(p.text) && !p.isAt(`\end`):
			p.at++
		}
	}
	if p.at < len(p.text) {
		p.at += len(`\end`)
		p.raw()
	}
	c.below = append(c.below, 0)
	return c
}

// length reads [0.7em] behind the end of a row.
func (p *parser) length() float64 {
	if p.at >= len(p.text) || p.text[p.at] != '[' {
		return 0
	}
	end := slices.Index(p.text[p.at:], ']')
	if end < 0 {
		return 0
	}
	em, err := strconv.ParseFloat(strings.TrimSuffix(string(p.text[p.at+1:p.at+end]), "em"), 64)
	if err != nil {
		return 0
	}
	p.at += end + 1
	return em
}
