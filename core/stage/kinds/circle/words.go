package circle

import (
	"fmt"
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	trig "parvix/core/maths/circle"
	"parvix/core/stage/evaluate"
)

// LaTeX is the angle's formula as it stands behind sin, in brackets where it is more than a letter.
func (c *Live) LaTeX(d evaluate.Moment) string {
	text := d.LaTeX(c.angle.Formula, d.Class)
	if _, letter := c.angle.Formula.(*expr.Name); letter {
		return text
	}
	return `\left(` + text + `\right)`
}

// DegreesLaTeX writes an angle in degrees.
func DegreesLaTeX(a trig.Angle) string { return "{" + number.Format(a.Degrees(), 1) + `}^{\circ}` }

// ProportionLaTeX writes the proportion of the similar triangles that a ratio comes from, with its numbers.
func ProportionLaTeX(c *Live, f trig.Function, angle string) string {
	value := func(g trig.Function) string { return number.Format(c.Lengths[g].Value, 2) }
	write := func(g, over, under trig.Function) string {
		numbers := fmt.Sprintf(`\dfrac{{%s}}{1}=\dfrac{{%s}}{{%s}}`, value(g), valueOr1(c, over), value(under))
		return fmt.Sprintf(`\begin{array}{c}\dfrac{\%s %s}{1}=\dfrac{%s}{\%s %s}\\[0.7em] %s\end{array}`, g, angle, ratioOr1(over, angle), under, angle, numbers)
	}
	switch f {
	case trig.Tangent:
		return write(f, trig.Sine, trig.Cosine)
	case trig.Cotangent:
		return write(f, trig.Cosine, trig.Sine)
	case trig.Secant:
		return write(f, "", trig.Cosine)
	case trig.Cosecant:
		return write(f, "", trig.Sine)
	}
	return ""
}

func ratioOr1(f trig.Function, angle string) string {
	if f == "" {
		return "1"
	}
	return `\` + string(f) + " " + angle
}

func valueOr1(c *Live, f trig.Function) string {
	if f == "" {
		return "1"
	}
	return number.Format(c.Lengths[f].Value, 2)
}

// BothLaTeX writes an angle in radians, exactly where it can be, and in degrees.
func BothLaTeX(a trig.Angle) string {
	if a.OfPi != nil {
		return evaluate.PiLaTeX(a.OfPi) + "=" + DegreesLaTeX(a)
	}
	return number.Format(a.Radians, 3) + `\approx ` + DegreesLaTeX(a)
}

// AngleLaTeX says what the angle is: t = 7π/6 = 210° ≈ 3.67.
func (c *Live) AngleLaTeX(d evaluate.Moment) string {
	text := d.LaTeX(c.angle.Formula, d.Class) + "=" + BothLaTeX(c.Angle)
	if c.Angle.OfPi != nil && c.Angle.Radians != 0 {
		text += `\approx ` + number.Format(c.Angle.Radians, 2)
	}
	return text + TurnsLaTeX(c.Angle, d.IsInDegrees())
}

// TurnsLaTeX counts the whole turns of an angle with what is left: 2 turns + π/3; empty for less than one.
func TurnsLaTeX(a trig.Angle, degrees bool) string {
	turns := math.Trunc(a.Radians/(2*math.Pi) + math.Copysign(1e-9, a.Radians))
	if turns == 0 {
		return ""
	}
	words := number.Format(turns, 0) + `\text{ turns}`
	if math.Abs(turns) == 1 {
		words = number.Format(turns, 0) + `\text{ turn}`
	}
	left := a.Radians - turns*2*math.Pi
	if math.Abs(left) < 1e-9 {
		return `,\;` + words
	}
	rest := evaluate.CoordinateLaTeX(math.Abs(left), 2)
	if degrees {
		rest = "{" + number.Format(math.Abs(left)*180/math.Pi, 1) + `}^{\circ}`
	}
	sign := "+"
	if left < 0 {
		sign = "-"
	}
	return `,\;` + words + sign + rest
}

// RatioLaTeX says what a function is at the angle, exactly at special angles, else as a decimal; decimal is what stands behind an exact
// value that is no decimal. reason is why it has no value.
func (c *Live) RatioLaTeX(d evaluate.Moment, f trig.Function) (latex, decimal, reason string) {
	head := `\` + string(f) + " "
	switch {
	case c.plain:
		head += c.LaTeX(d)
	case c.Angle.OfPi != nil:
		head += evaluate.PiLaTeX(c.Angle.OfPi)
	default:
		head += number.Format(c.Angle.Radians, 2)
	}
	l := c.Lengths[f]
	if l.Undefined != "" {
		return head + `\text{ is undefined}`, "", l.Undefined
	}
	if l.Exact == nil {
		return head + `\approx ` + number.FormatFixed(l.Value, 2), "", ""
	}
	if plain := number.Format(l.Value, 2); number.Round(l.Value, 2) != l.Value {
		decimal = `\approx ` + plain
	}
	return head + "=" + expr.LaTeX(l.Exact, nil), decimal, ""
}

// ArcLaTeX works the angle as arc over radius with the live numbers.
func (c *Live) ArcLaTeX() string {
	arc := c.Angle.Radians * c.Given
	return fmt.Sprintf(`\frac{{%s}}{{%s}}=%s`, number.Format(arc, 2), number.Format(c.Given, 2), number.Format(c.Angle.Radians, 2))
}

// GraphLaTeX is what a graph's label says: sin t, or with radius and centre a sin(b(t − h)) + k.
func (c *Live) GraphLaTeX(d evaluate.Moment, f trig.Function) string {
	if !c.Scaled {
		return `\` + string(f) + " " + c.LaTeX(d)
	}
	height := timesRadius(c, f)
	if n, is := c.centre.Formula.(*expr.Number); !is || n.Value.Sign() != 0 {
		height = expr.Plus(height, c.centre.Formula)
	}
	return d.LaTeX(height, d.Class)
}

// LengthLaTeX is a length with its value where the radius is a length too: a sin(b t) = 1.3.
func (c *Live) LengthLaTeX(d evaluate.Moment, f trig.Function) string {
	if !c.Scaled {
		return `\` + string(f) + " " + c.LaTeX(d)
	}
	return d.LaTeX(timesRadius(c, f), d.Class) + "=" + d.Typeset(number.Format(c.Radius*c.Lengths[f].Value, 2))
}

// timesRadius is the radius times a function of the angle, without a factor 1.
func timesRadius(c *Live, f trig.Function) expr.Node {
	ratio := expr.Node(&expr.Call{Name: string(f), Args: []expr.Node{c.angle.Formula}})
	if n, is := c.radius.Formula.(*expr.Number); is && n.Value.Cmp(one) == 0 {
		return ratio
	}
	return expr.Times(c.radius.Formula, ratio)
}

var one = big.NewRat(1, 1)
