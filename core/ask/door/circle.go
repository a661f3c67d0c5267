package door

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/maths/circle"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// circleNow is what is told of a circle at the values in play.
func circleNow(d *evaluate.Demonstration, s *evaluate.Shown) CircleNow {
	c := s.Circle
	n := CircleNow{ID: s.Entry.ID, Angle: d.Typeset(d.AngleLaTeX(c)), Hue: d.Parameters[c.Driver].Stated.Colour, Ratios: []RatioNow{}, Lines: []CircleLine{}}
	shown := map[circle.Function]bool{}
	onPoint, onAxis := false, false
	for _, part := range d.Shown {
		if part.Part != nil && part.Part.Of == s && part.Entry.Part.Piece.HasRatio() && d.InScene(part) {
			shown[part.Part.Ratio] = true
			onPoint = onPoint || part.Part.Ratio.HasPoles() && !part.Entry.Part.OnAxis
			onAxis = onAxis || part.Entry.Part.OnAxis
		}
	}
	for _, f := range circle.Functions() {
		latex, reason := d.RatioLaTeX(c, f)
		if reason != "" && onAxis {
			reason = "the ray is parallel to the line x = 1"
			if f == circle.Cotangent || f == circle.Cosecant {
				reason = "the ray is parallel to the line y = 1"
			}
		}
		n.Ratios = append(n.Ratios, RatioNow{string(f), int(compose.RatioHue(f)), d.Typeset(latex), reason, shown[f]})
	}
	line := func(name, latex string) { n.Lines = append(n.Lines, CircleLine{name, d.Typeset(latex)}) }
	if quadrant, axis := c.Angle.Quadrant(); quadrant > 0 {
		line("quadrant", `\text{`+[]string{"I", "II", "III", "IV"}[quadrant-1]+`}`)
	} else {
		line("the point lies on the", `\text{`+axis+`}`)
	}
	line("reference angle", evaluate.BothLaTeX(c.Angle.Reference()))
	line("coterminal angles", evaluate.BothLaTeX(c.Angle.Coterminal(-1))+`,\;`+evaluate.BothLaTeX(c.Angle.Coterminal(1)))
	if turns := math.Abs(c.Angle.Radians) / (2 * math.Pi); turns > 1 {
		line("turns", number.Format(turns, 2))
	}
	line("arc over radius", d.ArcLaTeX(c))
	if s.Entry.Circle.Scaled {
		scaledLines(d, s, shown[circle.Tangent] || shown[circle.Cotangent], line)
	}
	if onPoint {
		line("counts as positive", `\text{tangent: clockwise from the point; cotangent: anticlockwise}`)
	}
	if d.Document.AngleUnit == document.Degree {
		line("scales", `\text{the axis counts degrees, so a unit across is no radius}`)
	}
	return n
}

// scaledLines tell the sinusoid that a scaled circle draws: frequency = natural period / period (common practice).
// The tangent's natural period is half a turn, and a quarter period from its centre it lies its factor above the centre
// line (common practice).
func scaledLines(d *evaluate.Demonstration, s *evaluate.Shown, tangent bool, line func(name, latex string)) {
	c := s.Circle
	natural, unit := 2*math.Pi, 1.0
	if tangent {
		natural = math.Pi
		line("factor", number.Format(c.Radius, 3))
	} else {
		line("amplitude", number.Format(math.Abs(c.Radius), 3))
	}
	line("centre line", "y="+number.Format(c.Centre, 3))
	slope := d.Slope(c)
	if slope == 0 || slope != slope {
		return
	}
	if d.Document.AngleUnit == document.Degree {
		unit = 180 / math.Pi
	}
	frequency := math.Abs(slope) * unit
	period := natural * unit / frequency
	write := func(v float64) string {
		if unit != 1 {
			return "{" + number.Format(v, 2) + `}^{\circ}`
		}
		if r := circle.At(v).OfPi; r != nil {
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

// circleSentence says what a circle or a part of it is.
func circleSentence(d *evaluate.Demonstration, s *evaluate.Shown) []PieceView {
	words := func(text string) PieceView { return PieceView{Text: text} }
	if s.Circle != nil {
		sentence := []PieceView{words("the circle with the angle "), {LaTeX: d.LaTeXOf(s.Circle)}}
		if r := s.Entry.Circle.Radius; r != "" && r != "1" {
			sentence = append(sentence, words(" and the radius "), PieceView{LaTeX: d.RadiusLaTeX(s.Circle)})
		}
		return sentence
	}
	if s.Part == nil || s.Part.Of.Circle == nil {
		return []PieceView{words("a part of a circle")}
	}
	angle := d.LaTeXOf(s.Part.Of.Circle)
	ratio := PieceView{LaTeX: fmt.Sprintf(`\htmlClass{hue-%d}{\%s} %s`, int(compose.RatioHue(s.Part.Ratio)), s.Part.Ratio, angle)}
	turned := PieceView{LaTeX: angle}
	switch s.Entry.Part.Piece {
	case document.Arc:
		return []PieceView{words("the arc of "), turned}
	case document.AngleMark:
		return []PieceView{words("the angle "), turned, words(" at the centre")}
	case document.Coordinates:
		return []PieceView{words("the coordinates of the point on the circle")}
	case document.Unrolled:
		return []PieceView{words("the arc unrolled on the axis")}
	case document.Length:
		return []PieceView{ratio, words(" as a directed length")}
	case document.Carried:
		if s.Part.Ratio == circle.Cosine {
			return []PieceView{ratio, words(" turned by the complementary angle and carried over")}
		}
		return []PieceView{ratio, words(" carried over to the graph")}
	case document.Triangles:
		return []PieceView{words("the similar triangles for "), ratio}
	}
	return []PieceView{words("the graph of "), ratio}
}
