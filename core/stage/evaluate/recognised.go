package evaluate

import (
	"math"
	"math/big"

	"parvix/core/formula/number"
)

// Numbers of which the exact form is told from their digits, as the areas and lengths of handbook curves are.

// WithExact writes a number, and in front of it what it is to ten digits where that is short: a fraction, a multiple of π,
// π², π³ or a root, or a multiple of π and one of 1, √2 or √3.
func WithExact(v float64) string {
	return approached(recognised(v), v)
}

func approached(exact string, v float64) string {
	if exact == "" {
		return number.Format(v, 4)
	}
	return exact + `\approx ` + number.Format(v, 4)
}

// AreaLaTeX writes A = π ≈ 3.1416, or A ≈ 3.14 where the number is not recognised.
func AreaLaTeX(v float64) string {
	if math.IsInf(v, 0) {
		return "A=" + approached("", v)
	}
	if exact := recognised(v); exact != "" {
		return "A=" + approached(exact, v)
	}
	return `A\approx ` + number.Format(v, 4)
}

// PiLaTeX writes r·π; it stands in every frame, where a formula would be too slow.
func PiLaTeX(r *big.Rat) string {
	if r.Sign() == 0 {
		return "0"
	}
	sign, text := "", `\pi`
	if r.Sign() < 0 {
		sign = "-"
	}
	if n := new(big.Int).Abs(r.Num()); !n.IsInt64() || n.Int64() != 1 {
		text = n.String() + ` \pi`
	}
	if !r.IsInt() {
		text = `\frac{` + text + "}{" + r.Denom().String() + "}"
	}
	return sign + text
}

// MultipleOfPi writes r·π with a small denominator; empty for another number.
func MultipleOfPi(v float64) string {
	if r, ok := ShareOfPi(v); ok {
		return PiLaTeX(r)
	}
	return ""
}

// ShareOfPi recognises r·π with a small denominator.
func ShareOfPi(v float64) (r *big.Rat, ok bool) {
	const mostBelow, most = 48, 1e6
	return share(v, math.Pi, mostBelow, most)
}

// share recognises v = r·unit by ten digits, for fractions r up to a size of their parts.
func share(v, unit float64, mostBelow int64, mostAbove float64) (r *big.Rat, ok bool) {
	for q := int64(1); q <= mostBelow; q++ {
		p := v / unit * float64(q)
		if k := math.Round(p); math.Abs(p-k) < 1e-10*math.Max(1, math.Abs(p)) && math.Abs(k) < mostAbove {
			return big.NewRat(int64(k), q), true
		}
	}
	return nil, false
}

// units are what a number may be a fraction of, besides π.
var units = []struct {
	size float64
	text string
}{
	{1, ""}, {math.Pi * math.Pi, `\pi^{2}`}, {math.Pi * math.Pi * math.Pi, `\pi^{3}`},
	{math.Sqrt2, `\sqrt{2}`}, {math.Sqrt(3), `\sqrt{3}`}, {math.Sqrt(5), `\sqrt{5}`},
	{math.Pi * math.Sqrt2, `\sqrt{2}\,\pi`}, {math.Pi * math.Sqrt(3), `\sqrt{3}\,\pi`}, {math.Pi * math.Sqrt(5), `\sqrt{5}\,\pi`},
}

// CoordinateLaTeX writes a coordinate: exactly where it is a fraction or a multiple of π or of a root with small parts, else
// with so many decimals.
func CoordinateLaTeX(v float64, decimals int) string {
	if exact := simple(v); exact != "" {
		return exact
	}
	return number.Format(v, decimals)
}

// PairLaTeX writes the coordinates of a place.
func PairLaTeX(x, y float64, decimals int) string {
	return "(" + CoordinateLaTeX(x, decimals) + `,\;` + CoordinateLaTeX(y, decimals) + ")"
}

// LineLaTeX writes slope·x + lift, exactly where both are known.
func LineLaTeX(slope, lift float64, decimals int) string {
	size := CoordinateLaTeX(math.Abs(lift), decimals)
	sign := "+"
	if lift < 0 {
		sign = number.Minus
	}
	if slope == 0 {
		return CoordinateLaTeX(lift, decimals)
	}
	text := CoordinateLaTeX(slope, decimals) + "x"
	switch {
	case slope == 1:
		text = "x"
	case slope == -1:
		text = number.Minus + "x"
	}
	if size == "0" {
		return text
	}
	return text + sign + size
}

// recognised is the exact form of a number; empty for one that four decimals write exactly, and for others.
func recognised(v float64) string {
	if exact := simple(v); exact != "" || isShort(v) {
		return exact
	}
	return piAndRoot(v)
}

// isShort tells whether four decimals write a number exactly.
func isShort(v float64) bool { return math.Abs(v-math.Round(v*1e4)/1e4) < 1e-12 }

// simple is the exact form of a number that is a multiple of one unit.
func simple(v float64) string {
	if isShort(v) {
		return ""
	}
	if text := MultipleOfPi(v); text != "" {
		return text
	}
	// So few of them that another number agrees to ten digits once in a hundred thousand.
	const mostBelow, mostAbove = 24, 400
	for _, unit := range units {
		if r, ok := share(v, unit.size, mostBelow, mostAbove); ok && r.Sign() != 0 {
			sign := ""
			if r.Sign() < 0 {
				sign = "-"
			}
			return sign + partLaTeX(r.Abs(r), unit.text)
		}
	}
	return ""
}

// piAndRoot recognises (p·π + r·s)/q with s = 1, √2 or √3 and small whole numbers; so few of them that another number
// agrees to ten digits once in ten thousand.
func piAndRoot(v float64) string {
	const mostBelow, mostPi, mostRoot = 12, 60, 60
	for q := 1.0; q <= mostBelow; q++ {
		for p := -float64(mostPi); p <= mostPi; p++ {
			rest := v*q - p*math.Pi
			for _, root := range []struct {
				size float64
				text string
			}{{1, ""}, {math.Sqrt2, `\sqrt{2}`}, {math.Sqrt(3), `\sqrt{3}`}} {
				r := math.Round(rest / root.size)
				if p == 0 || r == 0 || math.Abs(r) > mostRoot || math.Abs(rest-r*root.size) > 1e-10*math.Max(1, math.Abs(v)) {
					continue
				}
				sign := "+"
				if r < 0 {
					sign = "-"
				}
				return PiLaTeX(big.NewRat(int64(p), int64(q))) + sign + partLaTeX(big.NewRat(int64(math.Abs(r)), int64(q)), root.text)
			}
		}
	}
	return ""
}

// partLaTeX writes a positive fraction of a unit, which is empty for 1.
func partLaTeX(r *big.Rat, unit string) string {
	above := r.Num().String()
	if unit != "" && above == "1" {
		above = ""
	}
	if r.IsInt() {
		return above + unit
	}
	return `\frac{` + above + unit + "}{" + r.Denom().String() + "}"
}

// PlaceText writes a place as it is typed: a share of π as one, another with as many decimals as its exact form is recognised by.
func PlaceText(v float64) string {
	const short, precise = 6, 12
	r, is := ShareOfPi(v)
	if number.Decimals(v, short) < short || !is {
		return number.Format(v, precise)
	}
	text := "π"
	if n := r.Num().String(); n == "-1" {
		text = "-π"
	} else if n != "1" {
		text = n + "π"
	}
	if r.IsInt() {
		return text
	}
	return text + "/" + r.Denom().String()
}
