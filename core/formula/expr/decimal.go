package expr

import "strings"

// WithDecimalComma rewrites a typed formula from the decimal point to the decimal comma: 1.5 to 1,5, the commas between
// arguments to semicolons and the semicolons between pieces to new lines. What cannot be read stays as it is.
func WithDecimalComma(text string) string {
	return retyped(text, &Scope{}, map[string]string{",": ";", ";": "\n"}, ".", ",")
}

// WithDecimalPoint rewrites the other way.
func WithDecimalPoint(text string) string {
	return retyped(text, &Scope{Comma: true}, map[string]string{",": ",", ";": ";"}, ",", ".")
}

func retyped(text string, scope *Scope, separators map[string]string, from, to string) string {
	tokens, p := lex(text, scope)
	if p != nil {
		return text
	}
	var out strings.Builder
	at := 0
	for _, t := range tokens {
		out.WriteString(text[at:t.From])
		typed := text[t.From:t.To]
		switch other, isSeparator := separators[t.text]; {
		case t.kind == tokNumber:
			typed = strings.ReplaceAll(typed, from, to)
		case t.kind == tokOp && isSeparator:
			typed = other
		}
		out.WriteString(typed)
		at = t.To
	}
	return out.String()
}

// LaTeXWithComma writes the numbers and lists of a LaTeX formula of this package with the decimal comma.
func LaTeXWithComma(latex string) string { return commaLaTeX.Replace(latex) }

// The space “\\,” stays; a comma between arguments becomes a semicolon, a point in a number a comma without space after it.
var commaLaTeX = strings.NewReplacer(`\,`, `\,`, `\;`, `\;`, ",", ";", ".", "{,}")

// TextWithComma does the same for the text that Text and Pretty write.
func TextWithComma(text string) string { return commaText.Replace(text) }

var commaText = strings.NewReplacer(",", ";", ".", ",", "; ", "; ")
