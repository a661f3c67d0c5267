package expr

import (
	"fmt"
	"math/big"
	"strings"
	"unicode/utf8"

	"parvix/core/formula/problem"
)

// Limits of one formula, refused by name.
const (
	MaxCharacters = 2000
	MaxDepth      = 200
	MaxDigits     = 60 // of one number
)

// Scope is what a formula may refer to: the stated names. Letters that are not in it are single-letter names.
type Scope struct {
	// Functions: name → number of arguments.
	Functions map[string]int
	// Names are parameters and variables; only those of several letters need to be known.
	Names map[string]bool
	// Comma tells that decimals are written with a comma: then semicolons separate arguments, and new lines pieces.
	Comma bool
}

// Gone is the number of arguments of a function that was deleted: a formula that uses it says so.
const Gone = -1

// With returns a scope that knows more names.
func (s *Scope) With(names ...string) *Scope {
	all := map[string]bool{}
	for n := range s.Names {
		all[n] = true
	}
	for _, n := range names {
		all[n] = true
	}
	return &Scope{s.Functions, all, s.Comma}
}

// Formula is what was understood of a text.
type Formula struct {
	Node Node
	// Notices are readings that deserve a second look (1/2x), as problems with a place.
	Notices []*problem.Problem
}

// Parse reads a formula. The error is a *problem.Problem.
func Parse(text string, scope *Scope) (Formula, error) {
	p, err := newParser(text, scope, 0)
	if err != nil {
		return Formula{}, err
	}
	var n Node
	if err := p.run(func() { n = p.pieces(); p.atEnd() }); err != nil {
		return Formula{}, err
	}
	return Formula{n, p.notices}, nil
}

// Statement is a formula with what stands before its “=”.
type Statement struct {
	// Name is empty for a bare formula and for y = …, which take the next free function name.
	Name string
	// Variables are those in the head; nil when there was none.
	Variables []string
	// Body is the text after “=”, and BodyAt its offset.
	Body   string
	BodyAt int
	Formula
}

// ParseStatement reads f(x) = …, y = …, a = … or a bare formula. Places count from the start of text.
func ParseStatement(text string, scope *Scope) (Statement, error) {
	head, body, found := strings.Cut(text, "=")
	// The “=” of ≤ typed as <= is no head.
	if !found || strings.HasSuffix(head, "<") || strings.HasSuffix(head, ">") {
		f, err := Parse(text, scope)
		return Statement{Body: text, Formula: f}, err
	}
	s := Statement{Body: body, BodyAt: len(head) + 1}
	var err error
	if s.Name, s.Variables, err = parseHead(head, scope != nil && scope.Comma); err != nil {
		return s, err
	}
	// A letter that names a variable here is no function, whatever else is stated.
	inner := scope.With(s.Variables...)
	inner.Functions = map[string]int{}
	for name, n := range scope.Functions {
		inner.Functions[name] = n
	}
	for _, v := range s.Variables {
		delete(inner.Functions, v)
	}
	p, err := newParser(text, inner, s.BodyAt)
	if err != nil {
		return s, err
	}
	err = p.run(func() { s.Node = p.pieces(); p.atEnd() })
	s.Notices = p.notices
	if s.Name == "y" && s.Variables == nil {
		s.Name = ""
	}
	return s, err
}

// parseHead reads f, f(x), d(x, y); what it names need not be known yet.
func parseHead(head string, comma bool) (name string, variables []string, err error) {
	tokens, p := lex(head, &Scope{Comma: comma})
	if p != nil {
		return "", nil, p
	}
	// Names of several letters are read as one word here, so the letters are taken from the text.
	open := strings.IndexByte(head, '(')
	word := head
	if open >= 0 {
		word = head[:open]
	}
	start := len(word) - len(strings.TrimLeft(word, " "))
	name, ok := NameOf(word)
	if !ok {
		if len(tokens) > 1 && tokens[0].kind != tokName {
			return "", nil, problem.New("head-reserved", start, start+len(strings.TrimSpace(word)), strings.TrimSpace(word))
		}
		return "", nil, problem.New("head", 0, len(head))
	}
	if open < 0 {
		return name, nil, nil
	}
	rest := strings.TrimRight(head[open+1:], " ")
	if !strings.HasSuffix(rest, ")") {
		return "", nil, problem.New("bracket-open", open, open+1)
	}
	at := open + 1
	separator := ","
	if comma {
		separator = ";"
	}
	for _, part := range strings.Split(strings.TrimSuffix(rest, ")"), separator) {
		v, ok := NameOf(part)
		if !ok {
			return "", nil, problem.New("head-variable", at, at+len(part), strings.TrimSpace(part))
		}
		variables = append(variables, v)
		at += len(part) + 1
	}
	return name, variables, nil
}

// NameOf gives the canonical form of a typed name (alpha → α, x₁ and x1 → x_1); ok is false when it cannot be a name.
func NameOf(text string) (name string, ok bool) {
	text = strings.TrimSpace(text)
	base := text
	if i := strings.IndexAny(text, "_"+subDigits); i >= 0 {
		base = text[:i]
	} else if i := strings.IndexAny(text, "0123456789"); i > 0 && leadingDigits(text[i:]) == text[i:] {
		return NameOf(text[:i] + "_" + text[i:])
	}
	for _, r := range base {
		if !isLetter(r) {
			return "", false
		}
	}
	if base == "" || len(text) > 40 {
		return "", false
	}
	l := &lexer{text: text, scope: &Scope{Names: map[string]bool{base: true}}, at: 0}
	full, end := l.index(base, len(base), len(base))
	if end != len(text) || full == base && len(text) > len(base) {
		return "", false
	}
	if k, _, short := (&Scope{}).classify(full); (k == tokFunc || k == tokConst) && !short {
		return "", false
	}
	if base == "for" || base == "from" || base == "to" || base == "sum" {
		return "", false
	}
	return letterOf(base) + full[len(base):], true
}

type parser struct {
	tokens  []token
	i       int
	scope   *Scope
	depth   int
	bars    int // open bars since the last bracket
	notices []*problem.Problem
}

func newParser(text string, scope *Scope, from int) (*parser, error) {
	if scope == nil {
		scope = &Scope{}
	}
	if utf8.RuneCountInString(text) > MaxCharacters {
		return nil, problem.New("too-long", 0, len(text), fmt.Sprint(MaxCharacters))
	}
	// Blanks keep the offsets of what follows the head.
	tokens, p := lex(strings.Repeat(" ", from)+text[from:], scope)
	if p != nil {
		return nil, p
	}
	if len(tokens) == 1 {
		return nil, problem.New("empty", from, len(text))
	}
	return &parser{tokens: tokens, scope: scope}, nil
}

// run turns the parser's own panics into the problem they carry.
func (p *parser) run(parse func()) (err error) {
	defer func() {
		if r := recover(); r != nil {
			found, ok := r.(*problem.Problem)
			if !ok {
				panic(r)
			}
			err = found
		}
	}()
	parse()
	return nil
}

func (p *parser) fail(code string, at Span, args ...string) {
	panic(problem.New(code, at.From, at.To, args...))
}

func (p *parser) peek() token { return p.tokens[p.i] }

func (p *parser) next() token {
	t := p.tokens[p.i]
	if t.kind != tokEnd {
		p.i++
	}
	return t
}

func (p *parser) isOp(ops ...string) bool {
	t := p.peek()
	if t.kind != tokOp {
		return false
	}
	for _, op := range ops {
		if t.text == op {
			return true
		}
	}
	return false
}

func (p *parser) accept(op string) bool {
	if p.isOp(op) {
		p.i++
		return true
	}
	return false
}

// last is the token before the current one.
func (p *parser) last() token {
	if p.i == 0 {
		return token{}
	}
	return p.tokens[p.i-1]
}

func (p *parser) atEnd() {
	t := p.peek()
	switch {
	case t.kind == tokEnd:
		return
	case t.kind == tokOp && t.text == ")":
		p.fail("bracket-close", t.Span)
	case t.kind == tokOp && t.text == "|":
		p.fail("bars", t.Span)
	case t.kind == tokOp && t.text == "=":
		p.fail("equals", t.Span)
	}
	p.fail("extra", t.Span, t.text)
}

// deeper bounds the recursion; call it with defer p.shallower().
func (p *parser) deeper() {
	if p.depth++; p.depth > MaxDepth {
		p.fail("too-deep", p.peek().Span, fmt.Sprint(MaxDepth))
	}
}

func (p *parser) shallower() { p.depth-- }

// nested goes some levels deeper; what it gives comes back.
func (p *parser) nested(levels int) (back func()) {
	for range levels {
		p.deeper()
	}
	return func() { p.depth -= levels }
}

// sign goes as deep as a sign that was read is printed: −−x as −(−x).
func (p *parser) sign() (back func()) {
	if p.isOp("-", "+") {
		return p.nested(3)
	}
	return p.nested(1)
}

// pieces = sum [ "for" condition { ";" sum "for" condition } ].
func (p *parser) pieces() Node {
	from := p.peek().From
	body := p.sum()
	if !p.isWord("for") {
		return body
	}
	list := []Piece{{body, p.condition()}}
	for p.accept(";") || p.scope.Comma && p.accept(",") {
		if p.peek().kind == tokEnd {
			break
		}
		body := p.sum()
		if !p.isWord("for") {
			p.fail("condition", p.peek().Span)
		}
		list = append(list, Piece{body, p.condition()})
	}
	return &Pieces{Span{from, p.last().To}, list}
}

func (p *parser) isWord(word string) bool { return p.peek().kind == tokWord && p.peek().text == word }

// condition = "for" ( name "from" sum "to" sum | sum relation sum [ relation sum ] ).
func (p *parser) condition() Condition {
	start := p.next().Span
	if p.peek().kind == tokName && p.i+1 < len(p.tokens) && p.tokens[p.i+1].kind == tokWord && p.tokens[p.i+1].text == "from" {
		c := Condition{Var: p.next().text, LoClosed: true, HiClosed: true}
		p.next()
		c.Lo = p.sum()
		if !p.isWord("to") {
			p.fail("condition", Span{start.From, p.peek().To})
		}
		p.next()
		c.Hi = p.sum()
		c.Span = Span{start.From, p.last().To}
		return infiniteEnds(c)
	}
	sides := []Node{p.sum()}
	var signs []string
	for len(signs) < 2 && p.isOp("<", ">", "≤", "≥") {
		signs = append(signs, p.next().text)
		sides = append(sides, p.sum())
	}
	at := Span{start.From, p.last().To}
	if len(signs) == 0 {
		p.fail("condition", at)
	}
	upward := signs[0] == "<" || signs[0] == "≤"
	if len(signs) == 2 && upward != (signs[1] == "<" || signs[1] == "≤") {
		p.fail("condition-direction", at)
	}
	if !upward {
		for i, j := 0, len(sides)-1; i < j; i, j = i+1, j-1 {
			sides[i], sides[j] = sides[j], sides[i]
		}
		if len(signs) == 2 {
			signs[0], signs[1] = signs[1], signs[0]
		}
	}
	closed := func(sign string) bool { return sign == "≤" || sign == "≥" }
	c := Condition{Span: at}
	middle, ok := sides[0].(*Name)
	switch {
	case len(signs) == 2:
		middle, ok = sides[1].(*Name)
		c.Lo, c.LoClosed, c.Hi, c.HiClosed = sides[0], closed(signs[0]), sides[2], closed(signs[1])
	case ok:
		c.Hi, c.HiClosed = sides[1], closed(signs[0])
	default:
		middle, ok = sides[1].(*Name)
		c.Lo, c.LoClosed = sides[0], closed(signs[0])
	}
	if !ok {
		p.fail("condition", at)
	}
	c.Var = middle.Name
	return infiniteEnds(c)
}

// infiniteEnds drops ends that are written as −∞ or ∞.
func infiniteEnds(c Condition) Condition {
	infinite := func(n Node) bool {
		if neg, ok := n.(*Neg); ok {
			n = neg.X
		}
		constant, ok := n.(*Constant)
		return ok && constant.Name == "inf"
	}
	if c.Lo != nil && infinite(c.Lo) {
		c.Lo, c.LoClosed = nil, false
	}
	if c.Hi != nil && infinite(c.Hi) {
		c.Hi, c.HiClosed = nil, false
	}
	return c
}

// sum = term { ("+" | "−") term }.
func (p *parser) sum() Node {
	p.deeper()
	defer p.shallower()
	n := p.term()
	for p.isOp("+", "-") {
		op := Op(p.next().text[0])
		r := p.term()
		n = &Binary{Span{n.Pos(), r.End()}, op, n, r}
	}
	return n
}

// term = { "+" | "−" } signed { ("*" | "/" | nothing) signed }: implicit and explicit products bind alike, left to right;
// a sign in front belongs to the whole product.
func (p *parser) term() Node {
	if p.isOp("-", "+") {
		t := p.next()
		defer p.sign()()
		x := p.term()
		if t.text == "+" {
			return x
		}
		return &Neg{Span{t.From, x.End()}, x}
	}
	n := p.power()
	divided := false
	for {
		switch {
		case p.isOp("*", "/"):
			op := Op(p.next().text[0])
			r := p.signed()
			n = &Binary{Span{n.Pos(), r.End()}, op, n, r}
			divided = op == Div
		case p.startsFactor():
			r := p.power()
			if divided {
				p.notices = append(p.notices, problem.New("reading-product", n.Pos(), r.End()))
			}
			n = &Binary{Span{n.Pos(), r.End()}, Mul, n, r}
			divided = false
		default:
			return n
		}
	}
}

// signed = { "+" | "−" } power: a sign inside a product, as in 2·(−3) typed without brackets.
func (p *parser) signed() Node {
	if p.isOp("-", "+") {
		t := p.next()
		defer p.sign()()
		x := p.signed()
		if t.text == "+" {
			return x
		}
		return &Neg{Span{t.From, x.End()}, x}
	}
	return p.power()
}

// startsFactor tells whether the next token begins a factor of an implicit product.
func (p *parser) startsFactor() bool {
	t := p.peek()
	switch t.kind {
	case tokName, tokConst, tokFunc:
		return true
	case tokWord:
		return t.text == "sum"
	case tokNumber:
		return p.last().kind != tokNumber
	case tokOp:
		switch t.text {
		case "(", "√", "∛", "⌊", "⌈", "∑":
			return true
		case "|":
			return p.bars == 0
		}
	}
	return false
}

// power = primary { "°" } [ "^" exponent ]; powers bind to the right.
func (p *parser) power() Node {
	return p.powerOf(p.postfix(p.primary()))
}

func (p *parser) postfix(n Node) Node {
	for p.isOp("°") {
		n = &Degree{Span{n.Pos(), p.next().To}, n}
	}
	return n
}

func (p *parser) powerOf(base Node) Node {
	if e := p.exponent(); e != nil {
		return &Binary{Span{base.Pos(), p.last().To}, Pow, base, e}
	}
	return base
}

// exponent reads “^…” or raised characters; nil when there is none.
func (p *parser) exponent() Node {
	p.deeper()
	defer p.shallower()
	if p.peek().kind == tokSup {
		t := p.next()
		return p.raisedExponent(t)
	}
	if !p.isOp("^") {
		return nil
	}
	hat := p.next()
	if p.peek().kind == tokEnd || p.isOp(")", ",", ";") {
		p.fail("exponent-missing", hat.Span)
	}
	if !p.isOp("(") {
		// 2^3^4 is printed 2^(3^4), where the brackets are two levels more; what is read must be readable again.
		defer p.nested(2)()
	}
	if p.isOp("-", "+") {
		t := p.next()
		defer p.sign()()
		x := p.power()
		if t.text == "+" {
			return x
		}
		return &Neg{Span{t.From, x.End()}, x}
	}
	return p.power()
}

func (p *parser) raisedExponent(t token) Node {
	negative := strings.HasPrefix(t.text, "-")
	body := strings.TrimLeft(t.text, "+-")
	var n Node
	switch {
	case body == "n" || body == "x":
		n = &Name{t.Span, body}
	default:
		value, ok := new(big.Rat).SetString(body)
		if !ok || strings.ContainsAny(body, "+-") {
			p.fail("number", t.Span, t.text)
		}
		n = &Number{t.Span, value}
	}
	if negative {
		n = &Neg{t.Span, n}
	}
	return n
}

func (p *parser) primary() Node {
	p.deeper()
	defer p.shallower()
	t := p.next()
	switch t.kind {
	case tokNumber:
		value, ok := new(big.Rat).SetString(t.text)
		if !ok {
			p.fail("number", t.Span, t.text)
		}
		return &Number{t.Span, value}
	case tokConst:
		return &Constant{t.Span, t.text}
	case tokName:
		if p.isOp("'") {
			p.fail("prime-not-function", t.Span, t.text)
		}
		return &Name{t.Span, t.text}
	case tokFunc:
		return p.call(t)
	case tokWord:
		if t.text == "sum" {
			return p.total(t)
		}
	case tokOp:
		switch t.text {
		case "(":
			return p.bracket(t, ")", "")
		case "|":
			return p.absolute(t)
		case "⌊":
			return &Call{Span{t.From, p.peek().To}, "floor", 0, []Node{p.bracket(t, "⌋", "")}}
		case "⌈":
			return &Call{Span{t.From, p.peek().To}, "ceil", 0, []Node{p.bracket(t, "⌉", "")}}
		case "√", "∛":
			return p.radical(t)
		case "∑":
			return p.total(t)
		case "∞":
			return &Constant{t.Span, "inf"}
		}
	}
	p.missing(t)
	return nil
}

// missing reports that a value was expected where t stands.
func (p *parser) missing(t token) {
	if t.kind == tokEnd {
		if p.i == 0 {
			p.fail("empty", t.Span)
		}
		p.fail("unfinished", Span{t.From, t.To}, p.last().text)
	}
	if t.kind == tokOp && t.text == ")" && p.i > 1 && p.tokens[p.i-2].text == "(" {
		p.fail("value-missing", t.Span, ")")
	}
	p.fail("value-missing", t.Span, t.text)
}

// bracket reads up to the closing sign; after is the function's name for a better message.
func (p *parser) bracket(open token, closing, after string) Node {
	outer := p.bars
	p.bars = 0
	n := p.sum()
	p.close(open, closing, after)
	p.bars = outer
	return n
}

func (p *parser) close(open token, closing, after string) {
	if p.accept(closing) {
		return
	}
	if t := p.peek(); t.kind != tokEnd && !p.isOp(",", ";", "=", "|") {
		p.fail("extra", t.Span, t.text)
	} else if p.isOp("|") {
		p.fail("bars", t.Span)
	}
	if after != "" {
		p.fail("bracket-open-after", open.Span, after)
	}
	p.fail("bracket-open", open.Span)
}

func (p *parser) absolute(open token) Node {
	p.bars++
	n := p.sum()
	if !p.isOp("|") {
		p.fail("bars", open.Span)
	}
	p.bars--
	return &Call{Span{open.From, p.next().To}, "abs", 0, []Node{n}}
}

// total = "sum" "(" sum "for" name "from" sum "to" sum ")".
func (p *parser) total(t token) Node {
	form := func(at Span) { p.fail("sum-form", Span{t.From, at.To}) }
	if !p.isOp("(") {
		form(t.Span)
	}
	open := p.next()
	outer := p.bars
	p.bars = 0
	body := p.sum()
	word := func(text string) {
		if !p.isWord(text) {
			form(p.peek().Span)
		}
		p.next()
	}
	word("for")
	letter := p.next()
	if letter.kind != tokName {
		form(letter.Span)
	}
	word("from")
	from := p.sum()
	word("to")
	to := p.sum()
	p.close(open, ")", "sum")
	p.bars = outer
	running := bound + letter.text
	return &Sum{Span{t.From, p.last().To}, running, from, to, renamed(body, letter.text, running)}
}

func renamed(n Node, from, to string) Node {
	if name, ok := n.(*Name); ok && name.Name == from {
		return &Name{name.Span, to}
	}
	n = Map(n, func(child Node) Node { return renamed(child, from, to) })
	if pieces, ok := n.(*Pieces); ok {
		for i := range pieces.List {
			if when := &pieces.List[i].When; when.Var == from && when.Of == nil {
				when.Var = to
			}
		}
	}
	return n
}

// radical: √ takes the next factor without its power, so √x² is (√x)².
func (p *parser) radical(t token) Node {
	x := p.postfix(p.primary())
	name := map[string]string{"√": "sqrt", "∛": "cbrt"}[t.text]
	return &Call{Span{t.From, x.End()}, name, 0, []Node{x}}
}

// call reads what follows a function's name: index, primes or power, then arguments with or without brackets.
func (p *parser) call(f token) Node {
	c := &Call{Span: f.Span, Name: f.text}
	if f.short {
		p.notices = append(p.notices, problem.New("reading-short-inverse", f.From, f.To, f.text))
	}
	var extra Node
	if f.text == "log" || f.text == "root" {
		extra = p.callIndex(f)
	}
	for p.isOp("'") {
		if IsBuiltin(f.text) {
			p.fail("extra", p.peek().Span, "'")
		}
		p.next()
		c.Primes++
	}
	var power Node
	if IsBuiltin(f.text) && (p.isOp("^") || p.peek().kind == tokSup) {
		power = p.functionPower(c, f)
	}
	p.arguments(c, f)
	if extra != nil {
		c.Args = append(c.Args, extra)
	}
	if f.text == "root" && extra == nil {
		c.Name = "sqrt"
	}
	c.To = p.last().To
	if power != nil {
		return &Binary{c.Span, Pow, c, power}
	}
	return c
}

// callIndex reads the base in log_3 or the degree in root_5.
func (p *parser) callIndex(f token) Node {
	if p.peek().kind == tokSub {
		t := p.next()
		value, _ := new(big.Rat).SetString(t.text)
		return &Number{t.Span, value}
	}
	if !p.accept("_") {
		return nil
	}
	t := p.peek()
	if t.kind != tokNumber && t.kind != tokName && t.kind != tokConst && !p.isOp("(") {
		p.fail("base-missing", Span{f.From, t.From}, f.text)
	}
	return p.primary()
}

// functionPower reads sin²x and sin^-1 x; the latter changes c into the inverse and has no power.
func (p *parser) functionPower(c *Call, f token) Node {
	e := p.functionExponent()
	if neg, ok := e.(*Neg); ok {
		if one, ok := neg.X.(*Number); ok && one.Value.Cmp(big.NewRat(1, 1)) == 0 {
			if inverse, ok := inverses[f.text]; ok {
				p.notices = append(p.notices, problem.New("reading-inverse", f.From, p.last().To, f.text, inverse))
				c.Name = inverse
				return nil
			}
		}
	}
	return e
}

// functionExponent is an exponent that ends before the argument: sin^2 x, sin^n(x), sin^(n+1) x.
func (p *parser) functionExponent() Node {
	if p.peek().kind == tokSup {
		return p.raisedExponent(p.next())
	}
	hat := p.next()
	negative := p.accept("-")
	t := p.peek()
	if t.kind != tokNumber && t.kind != tokName && !p.isOp("(") {
		p.fail("exponent-missing", hat.Span)
	}
	e := p.primary()
	if negative {
		return &Neg{e.(interface{ span() Span }).span(), e}
	}
	return e
}

func (s Span) span() Span { return s }

// arguments reads (a, b) or, for functions that may stand bare, the implicit product that follows.
func (p *parser) arguments(c *Call, f token) {
	least, most, bare := 1, 1, false
	if b, ok := builtins[c.Name]; ok {
		least, most, bare = b.Min, b.Max, b.Bare
	} else {
		least = p.scope.Functions[c.Name]
		most = least
	}
	if least == Gone {
		p.fail("gone", f.Span, c.Name)
	}
	if !p.isOp("(") {
		if !bare {
			p.fail("function-bare", f.Span, f.text)
		}
		c.Args = []Node{p.bareArgument(f)}
		return
	}
	open := p.next()
	outer := p.bars
	p.bars = 0
	if p.isOp(")") {
		p.fail("argument-missing", Span{f.From, p.peek().To}, f.text)
	}
	for {
		c.Args = append(c.Args, p.sum())
		if !p.accept(",") {
			break
		}
	}
	p.close(open, ")", f.text)
	p.bars = outer
	// log(x, 3) and root(x, 5) are not textbook notation; the index says the base.
	if n := len(c.Args); n < least || n > most {
		p.fail("argument-count", Span{f.From, p.last().To}, f.text, plural(least, most), fmt.Sprint(n))
	}
}

func plural(least, most int) string {
	switch {
	case least == most && least == 1:
		return "one value"
	case least == most:
		return fmt.Sprintf("%d values", least)
	}
	return fmt.Sprintf("at least %d values", least)
}

// bareArgument = [ "−" ] power { power } up to + − , ; ) or the next function.
func (p *parser) bareArgument(f token) Node {
	if p.isOp("-") {
		t := p.next()
		x := p.bareArgument(f)
		return &Neg{Span{t.From, x.End()}, x}
	}
	// After an index or a power, as in log_3 81, a number is no second factor but the argument.
	if !p.startsFactor() && p.peek().kind != tokNumber {
		p.fail("argument-missing", f.Span, f.text)
	}
	n := p.power()
	for p.startsFactor() && p.peek().kind != tokFunc {
		r := p.power()
		n = &Binary{Span{n.Pos(), r.End()}, Mul, n, r}
	}
	return n
}
