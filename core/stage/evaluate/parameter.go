package evaluate

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/stage/document"
)

// Parameter is a stated parameter with its ends worked out and its value in play.
type Parameter struct {
	Stated   *document.Stated
	From, To float64
	Step     float64
	Value    float64
	decimals int
	stops    []float64
	paces    []stretch
	rested   rested
	// passing tells that the value is one on the way to another, which is written no finer than the steps.
	passing bool
	// Degrees tells that it is an angle and counts degrees.
	Degrees bool
}

// NoVariable fills the variable's place where a formula has none; it cannot be typed.
const NoVariable = "\x00"

// Ends of a new parameter (and of one whose ends could not be understood).
const (
	DefaultFrom, DefaultTo, DefaultStep, DefaultValue = -5.0, 5.0, 0.1, 1.0
)

func (d *Demonstration) loadParameters(before *Demonstration) {
	d.inputs = []string{NoVariable}
	starting := d.scene().Values
	for i, s := range d.Document.Parameters() {
		p := &Parameter{Stated: s}
		p.From = d.Constant(s.From, DefaultFrom, s.ID, "from")
		p.To = d.Constant(s.To, DefaultTo, s.ID, "to")
		p.Step = d.Constant(s.Step, DefaultStep, s.ID, "step")
		if p.From >= p.To {
			d.Report(problem.New("ends", 0, len(s.To)), s.ID, "to")
			p.From, p.To = math.Min(p.From, p.To), math.Max(p.From, p.To)+1
		}
		if p.Step <= 0 {
			d.Report(problem.New("step", 0, len(s.Step)), s.ID, "step")
			p.Step = DefaultStep
		}
		if s.Whole {
			p.Step = math.Max(1, math.Round(p.Step))
		}
		p.stops, p.paces = stopsOf(d, p), pacesOf(d, p)
		p.decimals = max(number.Decimals(p.Step, 3), number.Decimals(p.From, 3))
		p.Value = math.Max(p.From, math.Min(p.To, DefaultValue))
		if v, ok := starting[s.Name]; ok {
			p.Value = v
		}
		if before != nil {
			if old, ok := before.index[s.Name]; ok {
				p.Value = goOn(d.Document.AngleUnit, before.Document.AngleUnit, p, before.Parameters[old])
			}
		}
		d.Parameters = append(d.Parameters, p)
		d.index[s.Name] = i
		d.inputs = append(d.inputs, s.Name)
	}
	d.in = make([]float64, len(d.inputs))
	d.moved = make([]uint64, len(d.Parameters))
	for i, p := range d.Parameters {
		d.in[i+1] = p.Value
		d.moved[i] = d.tick
	}
}

// goOn is the value in play of a dial that was there before. One whose ends have gone into another unit of angles with the demonstration is
// where it was.
func goOn(unit, unitBefore document.AngleUnit, now, was *Parameter) float64 {
	switch {
	case unit == unitBefore || now.Stated.From == was.Stated.From && now.Stated.To == was.Stated.To:
		return was.Value
	case unit == document.Degree:
		return number.InDegrees(was.Value)
	}
	return number.InRadians(was.Value)
}

// OnStep is the value on the parameter's steps, counted from its lower end, nearest to v and within its ends.
func (p *Parameter) OnStep(v float64) float64 {
	v = math.Max(p.From, math.Min(p.To, v))
	stepped := p.From + math.Round((v-p.From)/p.Step)*p.Step
	if stepped > p.To {
		stepped = p.To
	}
	if p.Stated.Whole {
		return math.Round(stepped)
	}
	if number.Decimals(p.Step, 12) < 12 {
		stepped = number.Round(stepped, 12)
	}
	return stepped
}

// AtFraction is the stepped value at a share of the way from the lower to the upper end.
func (p *Parameter) AtFraction(f float64) float64 { return p.OnStep(p.From + f*(p.To-p.From)) }

// Fraction is the share of the way at which the value lies, held between 0 and 1.
func (p *Parameter) Fraction(v float64) float64 {
	return math.Max(0, math.Min(1, (v-p.From)/(p.To-p.From)))
}

// Stepped is the value some steps on, held within the ends.
func (p *Parameter) Stepped(steps float64) float64 { return p.OnStep(p.Value + steps*p.Step) }

// digits are those of a value that lies off a dial's steps, as many as texts write.
const digits = 6

// Text writes the value with the step's decimals; one that rests off the steps shows as much as it needs, up to six digits.
func (p *Parameter) Text() string {
	v := p.Value
	off := number.Decimals(v, 6)
	steps := (v - p.From) / p.Step
	switch {
	case off <= p.decimals, off == 6 && (p.passing || math.Abs(steps-math.Round(steps)) < stopSlack):
		return number.FormatFixed(v, p.decimals)
	case off < 6:
		return number.FormatFixed(v, off)
	}
	return number.Significant(v, digits)
}
