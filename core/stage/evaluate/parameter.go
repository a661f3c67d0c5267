package evaluate

import (
	"math"
	"slices"

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
	// passing tells that the value is one on the way to another, which is written no finer than the steps.
	passing bool
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
		p.stops = stopsOf(d, p)
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

// stopsOf are the values within the ends of a dial at which its sweep rests, in rising order.
func stopsOf(d *Demonstration, p *Parameter) (stops []float64) {
	s := p.Stated.Sweep
	if s == nil {
		return nil
	}
	if every := d.Constant(s.Every, 0, p.Stated.ID, "sweep"); every > 0 && (p.To-p.From)/every <= document.MaxStops {
		for k := math.Ceil(p.From/every - stopSlack); k*every <= p.To+stopSlack*every; k++ {
			stops = append(stops, k*every)
		}
	}
	for _, text := range s.At {
		if v := d.Constant(text, math.NaN(), p.Stated.ID, "sweep"); v >= p.From && v <= p.To {
			stops = append(stops, v)
		}
	}
	slices.Sort(stops)
	return slices.CompactFunc(stops, func(a, b float64) bool { return math.Abs(b-a) < stopSlack*(p.To-p.From) })
}

// stopSlack is how near two values are that are taken for one, as a share of the distance of stops, or of the bar.
const stopSlack = 1e-9

// NextStop is the next value at which the dial rests, up or down from where it is; false where there is none.
func (p *Parameter) NextStop(up bool) (stop float64, is bool) {
	slack := stopSlack * (p.To - p.From)
	for k := range p.stops {
		if at := p.stops[k]; up && at > p.Value+slack {
			return at, true
		}
		if at := p.stops[len(p.stops)-1-k]; !up && at < p.Value-slack {
			return at, true
		}
	}
	return 0, false
}

// RestsOn is the value at which a sweep rests on its way to another one; false where it goes on. One that goes round comes to its end first.
func (p *Parameter) RestsOn(to float64, round bool) (stop float64, is bool) {
	up := to > p.Value
	if round && !up {
		up, to = true, p.To
	}
	stop, is = p.NextStop(up)
	return stop, is && (up && stop <= to || !up && stop >= to)
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

// SweepAt is where a sweep that started at fraction start stands after so many seconds, and whether it has ended.
// A start above 1 is one on the way back, as far as it is from 2. A sweep that runs once ends at the upper end; one that starts there begins
// again at the lower.
func (p *Parameter) SweepAt(way document.SweepWay, seconds, start, elapsed float64) (value float64, ended bool) {
	if way != document.BackAndForth && start > 1 {
		start = 2 - start
	}
	if way == document.Once && start >= 1 {
		start = 0
	}
	run := start + elapsed/math.Max(seconds, 0.01)
	switch way {
	case document.Once:
		ended = run >= 1
		run = math.Min(run, 1)
	case document.Round:
		run -= math.Floor(run)
	case document.BackAndForth:
		run = math.Mod(run, 2)
		if run > 1 {
			run = 2 - run
		}
	}
	value = p.From + run*(p.To-p.From)
	if p.Stated.Whole || ended {
		value = p.OnStep(value)
	}
	return value, ended
}
