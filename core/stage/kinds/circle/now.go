package circle

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	trig "parvix/core/maths/circle"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
)

// Now is what is told of a circle at the values in play.
type Now struct {
	ID    string `json:"id"`
	Angle string `json:"angle"`
	// Hue is the number of the colour of the dial that turns it.
	Hue    int         `json:"hue"`
	Ratios []RatioNow  `json:"ratios"`
	Lines  []kind.Line `json:"lines"`
}

// RatioNow is a trigonometric function at the angle; Reason says why it has no value, Shown that something of it is seen.
type RatioNow struct {
	Ratio string `json:"ratio"`
	Hue   int    `json:"hue"`
	LaTeX string `json:"latex"`
	// Decimal stands behind an exact value where it has room.
	Decimal string `json:"decimal"`
	Reason  string `json:"reason"`
	Shown   bool   `json:"shown"`
}

// Now is what is told of a circle at the values in play.
func (c *Live) Now(d evaluate.Moment, id string) Now {
	n := Now{ID: id, Angle: d.Typeset(c.AngleLaTeX(d)), Hue: d.Dial(c.Driver).Stated.Colour, Ratios: []RatioNow{}, Lines: []kind.Line{}}
	shown := map[trig.Function]bool{}
	onPoint, onAxis := false, false
	for _, s := range d.Visible() {
		if p, ok := s.Live.(*Part); ok && p.Of == c && p.body.Piece.HasRatio() {
			shown[p.Ratio] = true
			onPoint = onPoint || p.Ratio.HasPoles() && !p.body.OnAxis
			onAxis = onAxis || p.body.OnAxis
		}
	}
	for _, f := range trig.Functions() {
		latex, decimal, reason := c.RatioLaTeX(d, f)
		if reason != "" && onAxis {
			reason = "the ray is parallel to the line x = 1"
			if f == trig.Cotangent || f == trig.Cosecant {
				reason = "the ray is parallel to the line y = 1"
			}
		}
		n.Ratios = append(n.Ratios, RatioNow{string(f), int(RatioHue(f)), d.Typeset(latex), d.Typeset(decimal), reason, shown[f]})
	}
	line := func(name, latex string) { n.Lines = append(n.Lines, kind.Line{Name: name, LaTeX: d.Typeset(latex)}) }
	if quadrant, axis := c.Angle.Quadrant(); quadrant > 0 {
		line("quadrant", `\text{`+[]string{"I", "II", "III", "IV"}[quadrant-1]+`}`)
	} else {
		line("the point lies on the", `\text{`+axis+`}`)
	}
	line("reference angle", BothLaTeX(c.Angle.Reference()))
	line("coterminal angles", BothLaTeX(c.Angle.Coterminal(-1))+`,\;`+BothLaTeX(c.Angle.Coterminal(1)))
	if turns := math.Abs(c.Angle.Radians) / (2 * math.Pi); turns > 1 {
		line("turns", number.Format(turns, 2))
	}
	line("arc over radius", c.ArcLaTeX())
	if c.Scaled {
		c.scaledLines(d, shown[trig.Tangent] || shown[trig.Cotangent], line)
	}
	if onPoint {
		line("counts as positive", `\text{tangent: clockwise from the point; cotangent: anticlockwise}`)
	}
	if d.IsInDegrees() {
		line("scales", `\text{the axis counts degrees, so a unit across is no radius}`)
	}
	return n
}

// scaledLines tell the sinusoid that a scaled circle draws: frequency = natural period / period (common practice).
// The tangent's natural period is half a turn, and a quarter period from its centre it lies its factor above the centre
// line (common practice).
func (c *Live) scaledLines(d evaluate.Moment, tangent bool, line func(name, latex string)) {
	natural, unit := 2*math.Pi, 1.0
	if tangent {
		natural = math.Pi
		line("factor", number.Format(c.Radius, 3))
	} else {
		line("amplitude", number.Format(math.Abs(c.Radius), 3))
	}
	line("centre line", "y="+number.Format(c.Centre, 3))
	slope := c.Slope(d)
	if slope == 0 || slope != slope {
		return
	}
	if d.IsInDegrees() {
		unit = 180 / math.Pi
	}
	frequency := math.Abs(slope) * unit
	period := natural * unit / frequency
	write := func(v float64) string {
		if unit != 1 {
			return "{" + number.Format(v, 2) + `}^{\circ}`
		}
		if r := trig.At(v).OfPi; r != nil {
			return evaluate.PiLaTeX(r)
		}
		return number.Format(v, 3)
	}
	line("period", write(period))
	line("frequency", fmt.Sprintf(`\frac{\text{natural period}}{\text{period}}=\frac{%s}{%s}=%s`, write(natural*unit), write(period), number.Format(frequency, 3)))
	start := c.At - c.Angle.Radians/slope
	line("phase, the start", write(start))
	if tangent {
		line("a quarter period on", fmt.Sprintf(`%s+%s=%s`, number.Format(c.Centre, 3), number.Format(c.Radius, 3), number.Format(c.Centre+c.Radius, 3)))
	}
}
