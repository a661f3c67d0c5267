package study

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/maths/analyse"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/sample"
)

// Advice points out a window in which a curve cannot be seen, and offers a mend.
type Advice struct {
	// Code is “empty” or “unit”.
	Code    string
	Message string
	Mends   []Mend
}

// Mend is one action: its words, and the panel or the angle unit that it gives.
type Mend struct {
	Words     string
	Panel     *document.Panel
	AngleUnit document.AngleUnit
}

// Widths of a window, in periods, between which a wave can be read.
const fewestPeriods, mostPeriods = 0.12, 60.0

// Advise looks at a panel's window.
func Advise(d *evaluate.Demonstration, p *document.Panel, seen sample.View) *Advice {
	drawn, visible := 0, 0
	var unseen *evaluate.Function
	for _, s := range d.Shown {
		drawing, ok := s.Live.(evaluate.Graphed)
		if !ok || !d.Appears(s, p) {
			continue
		}
		f := drawing.Graph()
		if a := adviseUnit(d, p, f, seen); a != nil {
			return a
		}
		drawn++
		if isSeen(d, f, seen) {
			visible++
		} else {
			unseen = f
		}
	}
	if drawn == 0 || visible > 0 {
		return nil
	}
	fitted := Fit(d, p, seen.Width, seen.Height)
	a := &Advice{Code: "empty", Message: fmt.Sprintf("This window shows nothing of %s.", unseen.Stated.Name)}
	if drawn > 1 {
		a.Message = "This window shows none of the curves."
	}
	a.Mends = []Mend{{Words: "fit the window", Panel: &fitted}}
	return a
}

// isSeen tells whether a part of the curve runs through the window, other than along an edge.
func isSeen(d *evaluate.Demonstration, f *evaluate.Function, v sample.View) bool {
	in := append([]float64{}, d.Inputs()...)
	const steps = 400
	for k := range steps {
		x := v.Left + (v.Right-v.Left)*(float64(k)+0.5)/steps
		if y := f.Curve.At(x, in); y > v.Bottom && y < v.Top {
			return true
		}
	}
	return false
}

// adviseUnit compares the period of a wave with the window.
func adviseUnit(d *evaluate.Demonstration, p *document.Panel, f *evaluate.Function, v sample.View) *Advice {
	period, ok := Period(d, f)
	if !ok {
		return nil
	}
	degrees := d.Document.AngleUnit == document.Degree
	periods := (v.Right - v.Left) / period
	name := f.Stated.Name
	a := &Advice{Code: "unit"}
	var other Mend
	switch {
	case degrees && periods < fewestPeriods:
		a.Message = fmt.Sprintf("Angles are in degrees: a period of %s is %s wide, so that it looks flat here.", name, number.Significant(period, 4))
		other = Mend{Words: "angles in radians", AngleUnit: document.Radian}
	case !degrees && periods > mostPeriods:
		a.Message = fmt.Sprintf("Angles are in radians: %s has %s periods in this window.", name, number.Format(math.Round(periods), 0))
		other = Mend{Words: "angles in degrees", AngleUnit: document.Degree}
	default:
		return nil
	}
	fitted := Fit(d, p, v.Width, v.Height)
	a.Mends = []Mend{{Words: "show two periods", Panel: &fitted}, other}
	return a
}

// Period is the period of a function in play, without its other findings.
func Period(d *evaluate.Demonstration, f *evaluate.Function) (float64, bool) {
	period, ok := analyse.PeriodOf(d.WithNumbers(f), f.Stated.Variables[0])
	return period.Float(), ok
}
