package study

import (
	"math"
	"math/big"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/maths/analyse"
	"parvix/core/maths/exact"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/sample"
)

// Reading is a point read off a curve: f(π/2) = 1.
type Reading struct {
	Function string
	X, Y     float64 // Y is NaN where there is none
	// XText is x as it may be typed, LaTeX the whole reading: exact where it is known, with decimals beside.
	XText, LaTeX string
	// Special is the finding that the point is a member of, empty for none; Reason says why there is no value.
	Special document.Finding
	Reason  string
	// KeepX and KeepY are the coordinates of a point of a polar or parametric curve, as they may be typed; empty for a function's.
	KeepX, KeepY string
}

// snapping is how near, in pixels, a touched place must be to a special point to mean it.
const snapping = 14.0

// ReadTyped reads a curve at a typed x such as π/2.
func ReadTyped(d *evaluate.Demonstration, f *evaluate.Function, text string) (*Reading, error) {
	typed, err := expr.Parse(text, d.Scope())
	if err != nil {
		return nil, err
	}
	n, err := d.Resolve(typed.Node)
	if err != nil {
		return nil, err
	}
	with := map[string]expr.Node{}
	for _, p := range d.Parameters {
		if r := new(big.Rat).SetFloat64(p.Value); r != nil {
			with[p.Stated.Name] = symbolic.Ratio(r)
		}
	}
	if n = symbolic.Substitute(n, with); len(expr.Names(n)) > 0 {
		return nil, problem.New("no-value", typed.Node.Pos(), typed.Node.End(), expr.Names(n)[0])
	}
	return read(d, f, n, text)
}

// ReadAt reads the curve that is nearest to a touched place of the plane, at the place's x or at a special point near
// by; nil when no curve is near.
func ReadAt(d *evaluate.Demonstration, p *document.Panel, v sample.View, x, y float64) (*Reading, error) {
	sx, sy := v.Width/(v.Right-v.Left), v.Height/(v.Top-v.Bottom)
	var nearest *evaluate.Function
	least := math.Inf(1)
	in := append([]float64{}, d.Inputs()...)
	for _, s := range d.Shown {
		drawing, ok := s.Live.(evaluate.Graphed)
		if !ok || !d.Appears(s, p) {
			continue
		}
		f := drawing.Graph()
		// The distance to the curve about the place, so that a steep branch is met as well as a level one.
		for k := -reach; k <= reach; k++ {
			at := x + float64(k)/sx
			distance := math.Hypot(float64(k), (f.Curve.At(at, in)-y)*sy)
			if distance < least {
				least, nearest = distance, f
			}
		}
	}
	if curve := nearestCurve(d, p, v, x, y, least); curve != nil {
		return curve, nil
	}
	if nearest == nil || least > reach {
		return nil, nil
	}
	findings, err := Of(d, nearest, v.Left, v.Right)
	if err == nil {
		if r := special(d, nearest, findings, x, y, sx, sy); r != nil {
			return r, nil
		}
	}
	grain := math.Pow(10, math.Ceil(math.Log10(1.5/sx)))
	decimals := int(math.Max(0, -math.Round(math.Log10(grain))))
	text := number.Format(number.Round(x, decimals), decimals)
	value, _ := new(big.Rat).SetString(asciiMinus(text))
	return read(d, nearest, symbolic.Ratio(value), d.Numeral(text))
}

// reach is how far from a curve a touch may be, in pixels.
const reach = 40

func asciiMinus(text string) string {
	if len(text) > len(number.Minus) && text[:len(number.Minus)] == number.Minus {
		return "-" + text[len(number.Minus):]
	}
	return text
}

// special finds a special point near a touched place.
func special(d *evaluate.Demonstration, f *evaluate.Function, findings *analyse.Findings, x, y, sx, sy float64) *Reading {
	var best *Reading
	least := snapping
	consider := func(finding document.Finding, p analyse.Point, shift float64) {
		if distance := math.Hypot((p.X.Value+shift-x)*sx, (p.Y.Value-y)*sy); distance < least {
			least = distance
			at := p.X
			if shift != 0 && at.Exact != nil && findings.Period.Exact != nil {
				k := math.Round(shift / findings.Period.Value)
				at.Exact = exact.Of(at.Exact).Plus(exact.Of(findings.Period.Exact).Times(exact.Int(int64(k)))).Node()
			}
			at.Value += shift
			best = pointReading(d, f, finding, at, p.Y)
		}
	}
	for _, finding := range []document.Finding{document.Maxima, document.Minima, document.Zeros, document.YIntercept, document.Inflections, document.Holes} {
		for _, p := range pointsOf(findings)[finding] {
			if findings.Period == nil {
				consider(finding, p, 0)
				continue
			}
			period := findings.Period.Value
			consider(finding, p, period*math.Round((x-p.X.Value)/period))
		}
	}
	if quarter := quarterPoint(d, f, findings, x, y, sx, sy, least); quarter != nil {
		return quarter
	}
	return best
}

// quarterPoint is the point of a tangent's curve a quarter period beside one of its centres, where it lies its factor above
// or below the centre line: what its equation is read off by. nil when none is nearer than least.
func quarterPoint(d *evaluate.Demonstration, f *evaluate.Function, findings *analyse.Findings, x, y, sx, sy, least float64) (best *Reading) {
	p := findings.Period
	if p == nil || p.Exact == nil || len(findings.Vertical) == 0 {
		return nil
	}
	in := append([]float64{}, d.Inputs()...)
	for _, centre := range findings.Inflections {
		if centre.X.Exact == nil {
			continue
		}
		for _, quarter := range []int64{-1, 1} {
			at := exact.Of(centre.X.Exact).Plus(exact.Of(p.Exact).Times(exact.Fractional(big.NewRat(quarter, 4))))
			k := math.Round((x - at.Float()) / p.Value)
			at = at.Plus(exact.Of(p.Exact).Times(exact.Int(int64(k))))
			distance := math.Hypot((at.Float()-x)*sx, (f.Curve.At(at.Float(), in)-y)*sy)
			if !(distance < least) {
				continue
			}
			if r, err := read(d, f, at.Node(), expr.Text(at.Node())); err == nil && r.Y == r.Y {
				least, best = distance, r
				best.Special = document.QuarterPoints
			}
		}
	}
	return best
}

func pointReading(d *evaluate.Demonstration, f *evaluate.Function, finding document.Finding, x, y analyse.Number) *Reading {
	r := &Reading{Function: f.Stated.Name, X: x.Value, Y: y.Value, Special: finding}
	if finding == document.Holes {
		r.Y = math.NaN()
	}
	if x.Exact != nil {
		r.XText = expr.Text(x.Exact)
		if d.Document.DecimalComma {
			r.XText = expr.WithDecimalComma(r.XText)
		}
	} else {
		r.XText = d.Numeral(asciiMinus(number.Format(x.Value, 9)))
	}
	w := newWriter(d, f)
	if finding == document.Holes {
		r.Reason = why(d, f, x)
		r.LaTeX = d.Typeset(expr.LaTeXName(f.Stated.Name) + "(" + w.number(x) + `)\;\text{is undefined; the curve has a hole at height }` + w.number(y))
		return r
	}
	r.LaTeX = d.Typeset(expr.LaTeXName(f.Stated.Name) + "(" + w.number(x) + ")" + equals(w.both(y)))
	return r
}

func equals(text string) string {
	if len(text) > 7 && text[:7] == `\approx` {
		return text
	}
	return "=" + text
}

// read evaluates a function at an exact place.
func read(d *evaluate.Demonstration, f *evaluate.Function, x expr.Node, typed string) (*Reading, error) {
	place := exact.Of(x)
	r := &Reading{Function: f.Stated.Name, X: place.Float(), XText: typed}
	if !finite(r.X) {
		return nil, problem.New("undefined-field", 0, len(typed), "the place has no value")
	}
	at := place.Node()
	if value, ok := place.Rat(); ok && ends(value) && strings.ContainsAny(typed, ".,") {
		at = expr.Rat(value)
	}
	head := expr.LaTeXName(f.Stated.Name) + "(" + expr.LaTeX(at, nil) + ")"
	formula := exact.Settled(symbolic.Substitute(d.WithNumbers(f), map[string]expr.Node{f.Stated.Variables[0]: place.Node()}))
	value, err := program.CompilePoint(formula, []string{"\x00"})
	if err != nil {
		return nil, err
	}
	r.Y = value([]float64{0})
	y := exact.Of(formula)
	known := finite(y.Float()) && math.Abs(y.Float()-r.Y) <= 1e-9*(1+math.Abs(r.Y))
	if symbolic.IsUndefined(y.Node()) {
		r.Y = math.NaN() // a pole that rounding steps over, as tan(π/2)
	}
	if math.IsNaN(r.Y) || math.IsInf(r.Y, 0) {
		r.Y = math.NaN()
		if r.Reason = program.Why(formula, []string{"\x00"}, []float64{0}); r.Reason == "" {
			r.Reason = why(d, f, analyse.Number{Exact: place.Node(), Value: r.X})
		}
		r.LaTeX = d.Typeset(head) + `\;\text{is undefined}`
		return r, nil
	}
	number := analyse.Number{Value: r.Y}
	if known && symbolic.Size(y.Node()) <= 16 {
		number.Exact = y.Node()
		r.Y = y.Float()
	}
	r.LaTeX = d.Typeset(head + equals(newWriter(d, f).both(number)))
	return r, nil
}

// why says in words why a function has no value at x.
func why(d *evaluate.Demonstration, f *evaluate.Function, x analyse.Number) string {
	variable := f.Stated.Variables[0]
	formula := d.WithNumbers(f)
	if reason := program.Why(formula, []string{variable}, []float64{x.Value}); reason != "" {
		return reason
	}
	return "the denominator is 0, or the function has a pole here"
}
