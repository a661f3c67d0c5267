package evaluate

import (
	"fmt"
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
)

// Family is a curve for several values of one parameter.
type Family struct {
	Parameter int
	Members   []Member
}

// Member is one value, with the label beside its curve.
type Member struct {
	Value float64
	LaTeX string
}

// mostMembers bounds the members of all families together.
const mostMembers = 240

// loadFamily works out a family's values; nil when there is a problem, which is then reported.
func (d *Demonstration) loadFamily(e *document.Shown) *Family {
	f := d.family(e)
	if f == nil {
		return nil
	}
	if d.members += len(f.Members); d.members > mostMembers {
		d.report(problem.New("too-many-curves", 0, 0, fmt.Sprint(d.members), fmt.Sprint(mostMembers)), e.ID, "family.step")
		return nil
	}
	return f
}

func (d *Demonstration) family(e *document.Shown) *Family {
	f := &Family{Parameter: d.Find(e.Family.Parameter)}
	if f.Parameter < 0 {
		d.report(problem.New("not-a-parameter", 0, len(e.Family.Parameter), e.Family.Parameter), e.ID, "family.parameter")
		return nil
	}
	head := expr.LaTeXName(e.Family.Parameter) + "="
	add := func(v float64, latex string) { f.Members = append(f.Members, Member{v, d.Typeset(head + latex)}) }
	if len(e.Family.Values) > 0 {
		for _, text := range e.Family.Values {
			v := d.constant(text, math.NaN(), e.ID, "family.values")
			if v != v {
				return nil
			}
			latex := number.Format(v, 3)
			if n, err := expr.Parse(text, d.scope); err == nil {
				latex = d.LaTeX(n.Node, nil)
			}
			add(v, latex)
		}
		return f
	}
	from := d.constant(e.Family.From, math.NaN(), e.ID, "family.from")
	to := d.constant(e.Family.To, math.NaN(), e.ID, "family.to")
	step := d.constant(e.Family.Step, math.NaN(), e.ID, "family.step")
	switch {
	case math.IsNaN(from + to + step):
		d.report(problem.New("field", 0, 0, "family", "a list of values, or both ends and a step, are needed"), e.ID, "family.from")
		return nil
	case step <= 0 || from > to:
		d.report(problem.New("step", 0, len(e.Family.Step)), e.ID, "family.step")
		return nil
	}
	count := math.Floor((to-from)/step + 1e-9)
	if count >= document.MaxMembers {
		d.report(problem.New("limit", 0, 0, fmt.Sprintf("%d curves", int(count)+1), fmt.Sprint(document.MaxMembers)), e.ID, "family.step")
		return nil
	}
	for k := 0.0; k <= count; k++ {
		v := number.Round(from+k*step, 9)
		add(v, number.Format(v, 4))
	}
	return f
}

// FamilyStamp grows whenever a parameter moves that the family's curves depend on, its own apart.
func (d *Demonstration) FamilyStamp(s *Shown) uint64 {
	latest := uint64(1)
	var on []int
	if s.Trajectory != nil {
		on = s.Trajectory.on
	} else {
		on = s.Curve.on
	}
	for _, i := range on {
		if i != s.Family.Parameter {
			latest = max(latest, d.moved[i])
		}
	}
	return latest
}

// InputsFor are the inputs with the family's parameter at a member's value; valid until the next call.
func (d *Demonstration) InputsFor(f *Family, m Member) []float64 {
	d.memberIn = append(d.memberIn[:0], d.in...)
	d.memberIn[f.Parameter+1] = m.Value
	return d.memberIn
}
