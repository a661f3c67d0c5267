package edit

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/family"
)

// FamilyOf draws the first function that hangs on a parameter for several of its values, spread over its bar; beside puts them in a
// panel of their own. The panel is titled by the parameter.
func FamilyOf(before *document.Document, parameter string, panel int, beside bool) (*document.Document, error) {
	e := evaluate.Load(before, nil)
	place := e.Find(parameter)
	at := slices.IndexFunc(e.Functions, func(f *evaluate.Function) bool {
		return f.Curve != nil && len(f.Stated.Variables) == 1 && place >= 0 && e.DependsOn(f, parameter)
	})
	if at < 0 {
		return nil, problem.New("field", 0, 0, "text", "no function hangs on it")
	}
	d := before
	if beside {
		var err error
		if d, err = AddPanel(d, panel, true); err != nil {
			return nil, err
		}
		panel++
	}
	if panel < 0 || panel >= len(d.Panels) {
		return nil, problem.New("field", 0, 0, "panel", "there is no such panel")
	}
	name := e.Functions[at].Stated.Name
	entry := document.Entry{Body: &curve.Body{Function: name, Family: &family.Given{Parameter: parameter, Values: spread(d, e.Parameters[place])}}}
	if len(d.Panels) > 1 {
		entry.Where.Panels = []string{d.Panels[panel].ID}
	}
	d, err := Put(d, entry)
	if err != nil {
		return nil, err
	}
	if d.Panels[panel].Title == "" {
		d.Panels[panel].Title = fmt.Sprintf("%s for several values of %s", name, parameter)
	}
	return d, d.Check()
}

// members is how many values a family begins with; along a bar that ends at a multiple of π they are multiples of its parts.
const members, piParts = 5, 4

// spread are round values along a bar, from π's parts where its ends are; a value that is no number of the bar is left out.
func spread(d *document.Document, p *evaluate.Parameter) (values []string) {
	unit, inPi := 1.0, false
	if f, err := expr.Parse(p.Stated.To, &expr.Scope{}); err == nil && expr.Any(f.Node, func(n expr.Node) bool {
		c, is := n.(*expr.Constant)
		return is && c.Name == "pi"
	}) {
		unit, inPi = math.Pi/piParts, true
	}
	size := (p.To - p.From) / unit / members
	power := math.Pow(10, math.Floor(math.Log10(size)))
	step := power
	for _, m := range [2]float64{2, 5} {
		if m*power <= size*(1+1e-9) {
			step = m * power
		}
	}
	if p.Stated.Whole || inPi {
		step = math.Max(1, math.Round(step))
	}
	middle := math.Round((p.From+p.To)/2/unit/step) * step
	for k := -members / 2; k <= members/2; k++ {
		v := number.Round(middle+float64(k)*step, 9)
		if v*unit < p.From-1e-9 || v*unit > p.To+1e-9 {
			continue
		}
		text := number.Format(v, 9)
		if inPi {
			text = number.OfPi(int(v), piParts)
		}
		if d.DecimalComma {
			text = strings.ReplaceAll(text, ".", ",")
		}
		values = append(values, text)
	}
	return values
}
