package evaluate

import (
	"math"
	"slices"

	"parvix/core/stage/document"
)

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

// rested is the sweep that has come to rest last: its start, and the seconds that it took.
type rested struct{ start, elapsed float64 }

// Rest keeps that a sweep has come to rest; HasRested tells of a moment of it that comes after that. Such a moment may have been asked for
// before whoever asks has heard of the rest.
func (p *Parameter) Rest(start, elapsed float64) { p.rested = rested{start, elapsed} }

// HasRested tells that a sweep from a start has come to rest before so many seconds were over.
func (p *Parameter) HasRested(start, elapsed float64) bool {
	return p.rested.elapsed > 0 && p.rested.start == start && elapsed >= p.rested.elapsed
}

// stretch is a part of a dial's bar, as shares of it, whose values take times as long as the usual ones.
type stretch struct{ from, to, times float64 }

// pacesOf parts the bar of a dial by the paces of its sweep; nil where all of it is run through alike. Where several paces hold, all do.
func pacesOf(d *Demonstration, p *Parameter) (parts []stretch) {
	s := p.Stated.Sweep
	if s == nil || len(s.Paces) == 0 {
		return nil
	}
	var given []stretch
	ends := []float64{0, 1}
	for _, pace := range s.Paces {
		from, to := d.Constant(pace.From, math.NaN(), p.Stated.ID, "sweep"), d.Constant(pace.To, math.NaN(), p.Stated.ID, "sweep")
		if math.IsNaN(from + to) {
			continue
		}
		one := stretch{p.Fraction(math.Min(from, to)), p.Fraction(math.Max(from, to)), pace.Times}
		given, ends = append(given, one), append(ends, one.from, one.to)
	}
	slices.Sort(ends)
	for k := 1; k < len(ends); k++ {
		if ends[k] <= ends[k-1] {
			continue
		}
		part := stretch{ends[k-1], ends[k], 1}
		for _, one := range given {
			if middle := (part.from + part.to) / 2; one.from < middle && middle < one.to {
				part.times *= one.times
			}
		}
		parts = append(parts, part)
	}
	return parts
}

// timeTo is how long a run takes up to a share of the bar, the usual pace of the whole bar being 1; shareAt is the share reached by then.
func (p *Parameter) timeTo(share float64) (time float64) {
	if p.paces == nil {
		return share
	}
	for _, part := range p.paces {
		time += math.Max(0, math.Min(share, part.to)-part.from) * part.times
	}
	return time
}

func (p *Parameter) shareAt(time float64) float64 {
	if p.paces == nil {
		return time
	}
	for _, part := range p.paces {
		long := (part.to - part.from) * part.times
		if time <= long {
			return part.from + time/part.times
		}
		time -= long
	}
	return 1
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
	whole := p.timeTo(1)
	run := p.timeTo(math.Min(start, 1)) + elapsed/math.Max(seconds, 0.01)
	if start > 1 {
		run += whole - p.timeTo(2-start)
	}
	switch way {
	case document.Once:
		ended = run >= whole
		run = math.Min(run, whole)
	case document.Round:
		run = math.Mod(run, whole)
	case document.BackAndForth:
		run = math.Mod(run, 2*whole)
		if run > whole {
			run = 2*whole - run
		}
	}
	value = p.From + p.shareAt(run)*(p.To-p.From)
	if p.Stated.Whole || ended {
		value = p.OnStep(value)
	}
	return value, ended
}
