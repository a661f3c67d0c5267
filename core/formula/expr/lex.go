package expr

import (
	"fmt"
	"regexp"
	"strings"
	"sync"
	"unicode"
	"unicode/utf8"

	"parvix/core/formula/problem"
)

type kind byte

const (
	tokEnd    kind = iota
	tokNumber      // digits, perhaps with a decimal point
	tokName        // a variable or parameter
	tokConst       // pi, e
	tokFunc        // a built-in or stated function
	tokWord        // for, from, to, sum
	tokSup         // raised characters, text in plain characters
	tokSub         // the index after log or root, text in plain characters
	tokOp          // everything else, one character; relations as <, ≤, >, ≥
)

type token struct {
	kind kind
	text string
	Span
	// short marks asin for arcsin and the like, which deserve a notice.
	short bool
}

// operators: every way to type an operator → the one the parser knows.
var operators = map[rune]string{
	'+': "+", '-': "-", '−': "-", '–': "-", '*': "*", '·': "*", '×': "*", '⋅': "*", '/': "/", '÷': "/", ':': "/", '^': "^",
	'(': "(", ')': ")", '[': "(", ']': ")", '{': "(", '}': ")", '|': "|", ',': ",", ';': ";", '=': "=", '_': "_",
	'<': "<", '>': ">", '≤': "≤", '≥': "≥", '°': "°", '\'': "'", '’': "'", '′': "'", '√': "√", '∛': "∛", '∞': "∞",
	'⌊': "⌊", '⌋': "⌋", '⌈': "⌈", '⌉': "⌉", '∑': "∑",
}

const superDigits, subDigits = "⁰¹²³⁴⁵⁶⁷⁸⁹", "₀₁₂₃₄₅₆₇₈₉"

// raised and lowered: character → plain character.
var raised, lowered = scripts(superDigits+"⁻⁺ⁿˣ", "0123456789-+nx"), scripts(subDigits, "0123456789")

func scripts(from, to string) map[rune]byte {
	m, i := map[rune]byte{}, 0
	for _, r := range from {
		m[r] = to[i]
		i++
	}
	return m
}

type lexer struct {
	text   string
	scope  *Scope
	at     int
	tokens []token
}

// lex splits text into tokens; letters that are not a known name become single letters, which multiply.
func lex(text string, scope *Scope) ([]token, *problem.Problem) {
	if !utf8.ValidString(text) {
		at := invalidAt(text)
		return nil, problem.New("character", at, at+1, "�")
	}
	l := &lexer{text: text, scope: scope}
	for l.at < len(text) {
		r, size := utf8.DecodeRuneInString(text[l.at:])
		switch {
		case r == '\n' && scope.Comma:
			l.at += size
			l.emit(tokOp, ";", l.at-size)
		case unicode.IsSpace(r) || r == '\u2061' || r == '\u200b':
			l.at += size
		case r >= '0' && r <= '9' || r == '.' || r == '½':
			if p := l.number(r, size); p != nil {
				return nil, p
			}
		case raised[r] != 0:
			l.script(tokSup, raised)
		case lowered[r] != 0:
			l.script(tokSub, lowered)
		case isLetter(r):
			l.letters()
		case r == '∂':
			if p := l.partial(); p != nil {
				return nil, p
			}
		case operators[r] != "":
			l.operator(r, size)
		default:
			return nil, problem.New("character", l.at, l.at+size, string(r))
		}
	}
	l.emit(tokEnd, "", l.at)
	return l.tokens, nil
}

// invalidAt is the place of the first byte that is no part of a character.
func invalidAt(text string) int {
	for i, r := range text {
		if _, size := utf8.DecodeRuneInString(text[i:]); r == utf8.RuneError && size == 1 {
			return i
		}
	}
	return 0
}

func isLetter(r rune) bool {
	return r >= 'a' && r <= 'z' || r >= 'A' && r <= 'Z' || r >= 'α' && r <= 'ω' || r >= 'Α' && r <= 'Ω' || r == 'ϕ' || r == 'ϑ'
}

func (l *lexer) emit(k kind, text string, from int) {
	l.tokens = append(l.tokens, token{kind: k, text: text, Span: Span{from, l.at}})
}

func (l *lexer) number(r rune, size int) *problem.Problem {
	from := l.at
	if r == '½' {
		l.at += size
		l.emit(tokNumber, "0.5", from)
		return nil
	}
	decimal := byte('.')
	if l.scope.Comma {
		decimal = ','
	}
	points := 0
	for l.at < len(l.text) {
		c := l.text[l.at]
		isSign := c == '.' || c == decimal && l.at+1 < len(l.text) && isDigit(rune(l.text[l.at+1]))
		if !isDigit(rune(c)) && !isSign {
			break
		}
		if isSign {
			points++
		}
		l.at++
	}
	text := l.text[from:l.at]
	if l.scope.Comma && strings.Contains(text, ".") {
		return problem.New("decimal-comma", from, l.at, strings.ReplaceAll(text, ".", ","))
	}
	if len(strings.TrimLeft(text, "0"))-points > MaxDigits {
		return problem.New("number-long", from, l.at, fmt.Sprint(MaxDigits))
	}
	if points > 1 || text == "." {
		return problem.New("number", from, l.at, text)
	}
	l.emit(tokNumber, strings.ReplaceAll(text, ",", "."), from)
	return nil
}

func (l *lexer) script(k kind, table map[rune]byte) {
	from := l.at
	var plain strings.Builder
	for l.at < len(l.text) {
		r, size := utf8.DecodeRuneInString(l.text[l.at:])
		if table[r] == 0 {
			break
		}
		plain.WriteByte(table[r])
		l.at += size
	}
	l.emit(k, plain.String(), from)
}

func (l *lexer) operator(r rune, size int) {
	from := l.at
	l.at += size
	op := operators[r]
	if l.scope.Comma && op == ";" {
		op = ","
	}
	if l.at < len(l.text) && l.text[l.at] == '=' && (op == "<" || op == ">") {
		l.at++
		op = map[string]string{"<": "≤", ">": "≥"}[op]
	}
	if op == "*" && l.at < len(l.text) && l.text[l.at] == '*' {
		l.at++
		op = "^"
	}
	l.emit(tokOp, op, from)
}

// letters splits a run of letters: the longest known name wins at each place, else one letter is a name.
func (l *lexer) letters() {
	end := l.at
	for end < len(l.text) {
		r, size := utf8.DecodeRuneInString(l.text[end:])
		if !isLetter(r) {
			break
		}
		end += size
	}
	run := l.text[l.at:end]
	isSum := run == "sum" && strings.HasPrefix(strings.TrimLeft(l.text[end:], " "), "(")
	if (run == "for" || run == "from" || run == "to" || isSum) && !l.scope.Names[run] {
		from := l.at
		l.at = end
		l.emit(tokWord, run, from)
		return
	}
	for l.at < end {
		l.name(end)
	}
}

// partials is how a partial derivative is written as a quotient (common practice): ∂f/∂x, ∂²f/∂x², ∂²f/∂x∂y. It is
// compiled when it is first asked for: all letters of all scripts take longer than the rest of the core's start.
var partials = sync.OnceValue(func() *regexp.Regexp {
	return regexp.MustCompile(`^∂(²|\^2)?\s*(\pL+)\s*/\s*∂\s*(\pL)(²|\^2)?(?:\s*∂\s*(\pL))?`)
})

// partial reads ∂f/∂x as the name f_x; ∂²f/∂x∂y is taken by y first, then by x, as f_yx is.
func (l *lexer) partial() *problem.Problem {
	from := l.at
	m := partials().FindStringSubmatch(l.text[from:])
	if m == nil {
		return problem.New("partial", from, from+len("∂"))
	}
	l.at += len(m[0])
	second, by, twice, other := m[1] != "", letterOf(m[3]), m[4] != "", letterOf(m[5])
	letters := other + by
	if twice {
		letters = by + by
	}
	if second != (twice || other != "") || twice && other != "" {
		return problem.New("partial", from, l.at)
	}
	k, name, _ := l.scope.classify(letterOf(m[2]) + "_" + letters)
	if k != tokFunc {
		return problem.New("partial", from, l.at)
	}
	l.emit(tokFunc, name, from)
	return nil
}

// longestName bounds, in bytes, what is looked up as one name.
const longestName = 40

// name reads one name from a run of letters that ends at end, with its index if it has one.
func (l *lexer) name(end int) {
	from := l.at
	for stop := min(end, from+longestName); stop > from; stop-- {
		if !utf8.RuneStart(byteAt(l.text, stop)) {
			continue
		}
		word := l.text[from:stop]
		full, indexEnd := l.index(word, stop, end)
		k, canonical, short := l.scope.classify(full)
		if k == tokEnd && full != word {
			k, canonical, short = l.scope.classify(word)
			// log_3 and root_5 keep the index for the parser; any other known name with an index is a new name.
			if k == tokFunc && (canonical == "log" || canonical == "root") {
				indexEnd = stop
			} else if k != tokEnd {
				k, canonical = tokName, letterOf(word)+full[len(word):]
			}
		}
		if k == tokEnd && utf8.RuneCountInString(word) == 1 {
			k, canonical = tokName, letterOf(word)+full[len(word):]
		}
		if k != tokEnd {
			l.at = indexEnd
			l.tokens = append(l.tokens, token{k, canonical, Span{from, l.at}, short})
			return
		}
	}
}

func byteAt(s string, i int) byte {
	if i < len(s) {
		return s[i]
	}
	return 0
}

// index extends word, which ends at stop, by an index such as _1, _max or ₁; only the end of a run can carry one.
func (l *lexer) index(word string, stop, end int) (full string, indexEnd int) {
	if stop != end {
		return word, stop
	}
	rest := l.text[end:]
	if strings.HasPrefix(rest, "_") {
		i := 1
		isWord := i < len(rest) && !(rest[i] >= '0' && rest[i] <= '9')
		for i < len(rest) && (rest[i] >= '0' && rest[i] <= '9' || isWord && (rest[i]|0x20 >= 'a' && rest[i]|0x20 <= 'z')) {
			i++
		}
		if i > 1 {
			return word + rest[:i], end + i
		}
		return word, stop
	}
	if digits := leadingDigits(rest); digits != "" && l.scope.states(letterOf(word)+"_"+digits) {
		return word + "_" + digits, end + len(digits)
	}
	plain, i := "", 0
	for _, r := range rest {
		if lowered[r] == 0 {
			break
		}
		plain += string(lowered[r])
		i += utf8.RuneLen(r)
	}
	if plain != "" {
		return word + "_" + plain, end + i
	}
	return word, stop
}

// leadingDigits are the digits of a whole number at the beginning of a text.
func leadingDigits(text string) string {
	i := 0
	for i < len(text) && text[i] >= '0' && text[i] <= '9' {
		i++
	}
	if i < len(text) && (text[i] == '.' || text[i] == ',') {
		return ""
	}
	return text[:i]
}

// states tells that a name of this spelling was stated; only such a one is read from a letter with digits, since b2 may be b·2.
func (s *Scope) states(name string) bool {
	_, isFunction := s.Functions[name]
	return s.Names[name] || isFunction
}

func letterOf(word string) string {
	if letter, ok := greek[word]; ok {
		return letter
	}
	switch word {
	case "ϕ":
		return "φ"
	case "ϑ":
		return "θ"
	}
	return word
}

// classify tells what a word means in this scope: the stated names first, then what every formula knows.
func (s *Scope) classify(word string) (k kind, canonical string, short bool) {
	name := letterOf(word)
	if _, ok := s.Functions[name]; ok {
		return tokFunc, name, false
	}
	if s.Names[name] {
		return tokName, name, false
	}
	if other, ok := aliases[word]; ok {
		word = other
	}
	if IsBuiltin(word) {
		return tokFunc, word, false
	}
	if long, ok := shortInverses[word]; ok && !s.Names["a"] {
		return tokFunc, long, true
	}
	switch word {
	case "pi", "π":
		return tokConst, "pi", false
	case "e", "inf":
		return tokConst, word, false
	}
	if name != word {
		return tokName, name, false
	}
	return tokEnd, "", false
}
