// Package number writes numbers for people and reads the steps they move in.
package number

import (
	"fmt"
	"math"
	"strconv"
	"strings"
)

// Minus is the true minus sign.
const Minus = "−"

// Format writes v with at most the given decimals, without zeros at the end, with a true minus sign. NaN is “undefined”.
func Format(v float64, decimals int) string {
	return fix(trim(plain(v, decimals)))
}

// FormatFixed writes v with exactly the given decimals.
func FormatFixed(v float64, decimals int) string { return fix(plain(v, decimals)) }

func plain(v float64, decimals int) string {
	switch {
	case math.IsNaN(v):
		return "undefined"
	case math.IsInf(v, 1):
		return "∞"
	case math.IsInf(v, -1):
		return "-∞"
	case math.Abs(v) >= 1e15:
		return powerOfTen(v, 5)
	}
	// Half a unit beyond the last decimal hides the rounding of 0.1 + 0.2, and never shows −0.
	s := strconv.FormatFloat(v, 'f', decimals, 64)
	if strings.Trim(s, "-0.") == "" {
		s = strings.TrimPrefix(s, "-")
	}
	return s
}

// superscripts are the digits of an exponent, with its sign.
var superscripts = strings.NewReplacer("-", "⁻", "0", "⁰", "1", "¹", "2", "²", "3", "³", "4", "⁴", "5", "⁵", "6", "⁶", "7", "⁷", "8", "⁸", "9", "⁹")

// powerOfTen writes v as 4.5036·10¹⁵, with so many decimals at most: “4.5036e+15” is a sum with the number e.
func powerOfTen(v float64, decimals int) string {
	digits, exponent, _ := strings.Cut(strconv.FormatFloat(v, 'e', decimals, 64), "e")
	power, err := strconv.Atoi(exponent)
	if err != nil {
		return digits // no number has another exponent
	}
	exponent = superscripts.Replace(strconv.Itoa(power))
	switch digits = trim(digits); digits {
	case "1", "-1":
		return strings.TrimSuffix(digits, "1") + "10" + exponent
	}
	return digits + "·10" + exponent
}

// InTens writes v as 1.6·10⁻¹⁹, with so many decimals at most.
func InTens(v float64, decimals int) string { return fix(powerOfTen(v, decimals)) }

func trim(s string) string {
	if !strings.Contains(s, ".") || strings.Contains(s, "·") {
		return s
	}
	return strings.TrimRight(strings.TrimRight(s, "0"), ".")
}

func fix(s string) string { return strings.Replace(s, "-", Minus, 1) }

// Significant writes v with about so many significant digits, at most 12 decimals, without zeros at the end.
func Significant(v float64, digits int) string {
	if v == 0 || math.IsNaN(v) || math.IsInf(v, 0) {
		return Format(v, 0)
	}
	decimals := digits - 1 - int(math.Floor(math.Log10(math.Abs(v))))
	return Format(v, max(0, min(12, decimals)))
}

// noise is below what a number that was worked out may be 0 but for rounding.
const noise = 1e-9

// Rounded writes v with at most the given decimals, and with more where these would leave fewer than two digits of it: 0.00012
// is not 0.0001, and not 0.
func Rounded(v float64, decimals int) string {
	size := math.Abs(v)
	switch {
	case !(size >= noise) || size >= math.Pow(10, float64(1-decimals)):
		return Format(v, decimals)
	case size < 1e-6:
		return fix(powerOfTen(v, 1))
	}
	return Significant(v, 2)
}

// Decimals is how many decimals are needed to write v exactly, at most most.
func Decimals(v float64, most int) int {
	for d := range most {
		scaled := v * math.Pow(10, float64(d))
		if math.Abs(scaled-math.Round(scaled)) <= 1e-9*math.Max(1, math.Abs(scaled)) {
			return d
		}
	}
	return most
}

// Round rounds v to so many decimals, to the float nearest to that decimal.
func Round(v float64, decimals int) float64 {
	s := strconv.FormatFloat(v, 'f', decimals, 64)
	r, err := strconv.ParseFloat(s, 64)
	if err != nil {
		return v
	}
	return r + 0 // −0 becomes 0
}

// OfPi writes pπ/q in lowest terms, q above 0: 5π/12, −π, 0.
func OfPi(p, q int) string {
	if p == 0 {
		return "0"
	}
	a, b := p, q
	if a < 0 {
		a = -a
	}
	for b != 0 {
		a, b = b, a%b
	}
	p, q = p/a, q/a
	text := "π"
	switch {
	case p == -1:
		text = Minus + "π"
	case p < 0:
		text = fmt.Sprintf("%s%dπ", Minus, -p)
	case p > 1:
		text = fmt.Sprintf("%dπ", p)
	}
	if q > 1 {
		text += fmt.Sprintf("/%d", q)
	}
	return text
}

// Grouped writes a count with its thousands apart, as 41,000.
func Grouped(n int) string {
	text := strconv.Itoa(n)
	for at := len(text) - 3; at > 0; at -= 3 {
		text = text[:at] + "," + text[at:]
	}
	return text
}
