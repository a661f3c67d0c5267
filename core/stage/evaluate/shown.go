package evaluate

import (
	"maps"
	"math"
	"math/big"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/document"
)

// Shown is an entry of the stage with its values.
type Shown struct {
	Entry *document.Shown
	// Curve is the function of a curve, nil when it cannot be drawn.
	Curve *Function
	// X and Y are a point's coordinates, NaN where undefined; At is a guide's place, for a slanted one Slope too.
	X, Y, At, Slope float64
	// Drags tells whether a hand may move the point: along a parameter, or freely when both coordinates are numbers.
	Drags bool

	// Family is set for a curve that is drawn for several values, Steps for a transformation in steps.
	Family *Family
	Steps  *Steps
	// Table is set for plotted points.
	Table *Table
	// Grips are the key points of a curve by which a hand moves it.
	Grips []Grip
	// Circle is set for a circle, Part for what is shown of one.
	Circle *Circle
	Part   *Part
	// Trajectory is set for a curve that is run through.
	Trajectory *Trajectory
	// Figure is set for a piece of geometry.
	Figure *Figure
	// Path is set for the way of a feature.
	Path *Path

	x, y, at *Expression
	closed   *closedForm // of a finding
	// dragX and dragY are the parameters that are the point's coordinates, −1 for none.
	dragX, dragY int
	fixed        bool
	ready        bool
}

// Ready tells whether the entry was understood and can be drawn.
func (s *Shown) Ready() bool { return s.ready }

func (d *Demonstration) loadShown() {
	for i := range d.Document.Shown {
		e := &d.Document.Shown[i]
		s := &Shown{Entry: e, dragX: -1, dragY: -1}
		d.Shown = append(d.Shown, s)
		switch e.Kind {
		case document.Curve:
			if d.loadCurve(s); s.ready && e.Family != nil {
				s.Family = d.loadFamily(e)
				s.ready = s.Family != nil
			} else if s.ready && e.Grips {
				d.loadGrips(s)
			}
		case document.Steps:
			if d.loadCurve(s); s.ready {
				s.Steps = d.loadSteps(s)
				s.ready = s.Steps != nil
			}
		case document.Table:
			s.Table = d.loadTable(e)
			s.ready = s.Table != nil
		case document.Path:
			if d.loadCurve(s); s.ready {
				s.Path = d.loadPath(s)
				s.ready = s.Path != nil
			}
		case document.Point:
			s.x = d.expression(e.X, e.ID, "x")
			s.y = d.expression(e.Y, e.ID, "y")
			s.ready = s.x != nil && s.y != nil
			if s.ready {
				d.loadDrag(s)
			}
		case document.Guide:
			if e.Direction == document.Slanted {
				s.at = d.expression(e.At, e.ID, "at", "x")
			} else {
				s.at = d.expression(e.At, e.ID, "at")
			}
			s.ready = s.at != nil
		case document.Moving:
			s.Trajectory = d.loadTrajectory(s)
			if s.ready = s.Trajectory != nil; s.ready && e.Family != nil {
				s.Family = d.loadFamily(e)
				s.ready = s.Family != nil
			}
		case document.CircleEntry:
			s.Circle = d.loadCircle(s)
			s.ready = s.Circle != nil
		case document.Trace:
			s.ready = true
		case document.Found:
			if d.loadCurve(s); s.ready {
				s.closed = d.loadClosed(s.Curve, e.Finding)
			}
		}
	}
}

func (d *Demonstration) loadCurve(s *Shown) {
	f := d.functions[s.Entry.Function]
	switch {
	case f == nil:
		d.report(problem.New("not-a-function", 0, len(s.Entry.Function), s.Entry.Function), s.Entry.ID, "function")
	case len(f.Stated.Variables) != 1:
		d.report(problem.New("variables", 0, len(s.Entry.Function), s.Entry.Function, "another number of them"), s.Entry.ID, "function")
	default:
		s.Curve = f
		s.ready = f.Curve != nil
	}
}

// loadDrag finds what a hand on the point would move.
func (d *Demonstration) loadDrag(s *Shown) {
	parameter := func(x *Expression) int {
		if name, ok := x.Formula.(*expr.Name); ok {
			return d.Find(name.Name)
		}
		return -1
	}
	s.dragX, s.dragY = parameter(s.x), parameter(s.y)
	_, xFixed := symbolic.Fraction(s.x.Formula)
	_, yFixed := symbolic.Fraction(s.y.Formula)
	s.fixed = (xFixed || isDecimal(s.x.Formula)) && (yFixed || isDecimal(s.y.Formula))
	s.Drags = s.dragX >= 0 || s.dragY >= 0 || s.fixed
}

func isDecimal(n expr.Node) bool {
	if neg, ok := n.(*expr.Neg); ok {
		n = neg.X
	}
	_, ok := n.(*expr.Number)
	return ok
}

// Update computes again what depends on parameters that moved, and records the traced points.
func (d *Demonstration) Update() {
	for _, s := range d.Shown {
		if s.ready && !d.freshShown(s) {
			d.CountRun(s.Entry.ID)
			d.updateShown(s)
		}
	}
	for _, s := range d.Said {
		for _, p := range s.Pieces {
			if p.value != nil && !d.fresh(&p.value.depends) {
				d.CountRun(s.Entry.ID)
				p.update(d)
			}
			if p.told != nil {
				if at := [2]uint64{d.Stamp(p.told), d.foundTick + 1}; at != p.toldAt {
					p.toldAt = at
					p.tell(d)
				}
			}
		}
	}
	d.record()
}

func (d *Demonstration) freshShown(s *Shown) bool {
	fresh := true
	for _, x := range []*Expression{s.x, s.y, s.at} {
		if x != nil && !d.fresh(&x.depends) {
			fresh = false
		}
	}
	if s.Trajectory != nil && !d.fresh(&s.Trajectory.run) {
		fresh = false
	}
	for _, x := range s.Circle.expressions() {
		if !d.fresh(&x.depends) {
			fresh = false
		}
	}
	return fresh
}

func (d *Demonstration) updateShown(s *Shown) {
	switch s.Entry.Kind {
	case document.Point:
		s.X, s.Y = d.at(s.x), d.at(s.y)
	case document.Moving:
		d.updateTrajectory(s.Trajectory)
	case document.CircleEntry:
		d.updateCircle(s.Circle, s.Entry.Circle)
	case document.Guide:
		d.in[0] = 0
		s.At = d.at(s.at)
		if s.Entry.Direction == document.Slanted {
			d.in[0] = 1
			s.Slope = d.at(s.at) - s.At
		}
	}
}

// MaxTrace bounds the positions of one trace; the oldest give way.
const MaxTrace = 4000

// record adds the places of traced points that moved.
func (d *Demonstration) record() {
	if d.passing {
		return
	}
	for _, s := range d.Shown {
		if s.Entry.Kind != document.Trace || d.scene().IsHidden(s.Entry.ID) {
			continue
		}
		p := d.shownWithID(s.Entry.Of)
		if p == nil || !p.ready || math.IsNaN(p.X) || math.IsNaN(p.Y) {
			continue
		}
		t := d.traces[s.Entry.ID]
		if n := len(t); n >= 2 && t[n-2] == p.X && t[n-1] == p.Y {
			continue
		}
		if len(t) >= 2*MaxTrace {
			t = append(t[:0], t[2*MaxTrace/4:]...)
		}
		d.traces[s.Entry.ID] = append(t, p.X, p.Y)
	}
}

func (d *Demonstration) shownWithID(id string) *Shown {
	for _, s := range d.Shown {
		if s.Entry.ID == id {
			return s
		}
	}
	return nil
}

// Trace gives the recorded positions x, y, x, y … of a trace, the kept ones first.
func (d *Demonstration) Trace(s *Shown) (kept, recorded []float64) {
	return s.Entry.Kept, d.traces[s.Entry.ID]
}

// ClearTraces forgets the recorded positions and starts again at the present ones.
func (d *Demonstration) ClearTraces() {
	d.traces = map[string][]float64{}
	d.record()
}

// GripStride parts the index of a handle: the entry's place, and this many times its grip's place from 1 on.
const GripStride = 1000

// Drag moves what the hand on a point moves: its parameters go to the nearest step; a point that is given by numbers
// goes to x and y rounded to the grain, in play only, until FreePlaces is written into the document.
func (d *Demonstration) Drag(s *Shown, x, y, grain float64) {
	if s.dragX >= 0 {
		d.Set(s.dragX, d.Parameters[s.dragX].OnStep(x))
	}
	if s.dragY >= 0 {
		d.Set(s.dragY, d.Parameters[s.dragY].OnStep(y))
	}
	if s.fixed {
		s.X, s.Y = onGrain(x, grain), onGrain(y, grain)
	}
}

// onGrain rounds to a decimal step, without the last bits of a product.
func onGrain(v, grain float64) float64 {
	return number.Round(math.Round(v/grain)*grain, number.Decimals(grain, 9))
}

// Nudge moves a point as Drag does, by steps.
func (d *Demonstration) Nudge(s *Shown, dx, dy, grain float64) {
	if s.dragX >= 0 {
		d.Set(s.dragX, d.Parameters[s.dragX].Stepped(dx))
	}
	if s.dragY >= 0 {
		d.Set(s.dragY, d.Parameters[s.dragY].Stepped(dy))
	}
	if m := s.Trajectory; m != nil && m.Driver >= 0 {
		d.Set(m.Driver, d.Parameters[m.Driver].Stepped(dx+dy))
	}
	if s.Circle != nil {
		d.Set(s.Circle.Driver, d.Parameters[s.Circle.Driver].Stepped(dx+dy))
	}
	if s.fixed {
		d.Drag(s, s.X+dx*grain, s.Y+dy*grain, grain)
	}
}

// Place is where a free point stands in play, as numbers to be typed; false for a point that is no free one.
func (s *Shown) Place() (x, y string, free bool) {
	return number.Format(s.X, 9), number.Format(s.Y, 9), s.fixed
}

// numbersNow are the parameters' values as they are written on the dials.
func (d *Demonstration) numbersNow() map[string]*big.Rat {
	if d.numbersAt == d.tick && !d.held {
		return d.numbers
	}
	values := map[string]*big.Rat{}
	for _, p := range d.Parameters {
		decimals := number.Decimals(p.Value, 6)
		if r := new(big.Rat).SetFloat64(number.Round(p.Value, decimals)); r != nil {
			if short, ok := new(big.Rat).SetString(r.FloatString(decimals)); ok {
				r = short
			}
			values[p.Stated.Name] = r
		}
	}
	if !d.held {
		d.numbers, d.numbersAt = values, d.tick
	}
	return values
}

// numbersBut are the parameters' values, those left out that a variable of the same letter hides.
func (d *Demonstration) numbersBut(variables ...string) map[string]*big.Rat {
	all := d.numbersNow()
	for _, v := range variables {
		if _, hides := all[v]; hides {
			all = maps.Clone(all)
			delete(all, v)
		}
	}
	return all
}

// Now is the function's formula with the present values put in, as LaTeX.
func (d *Demonstration) Now(f *Function) string {
	if f.Formula == nil {
		return ""
	}
	if d.held {
		return d.LaTeX(symbolic.PutNumbers(f.Formula, d.numbersBut(f.Stated.Variables...)), nil)
	}
	if stamp := d.Stamp(f); f.nowAt != stamp {
		f.now, f.nowAt = d.LaTeX(symbolic.PutNumbers(f.Formula, d.numbersBut(f.Stated.Variables...)), nil), stamp
	}
	return f.now
}

// Class is the style class of a parameter's letter, the same wherever it is typeset.
func (d *Demonstration) Class(name string) string {
	if i, ok := d.index[name]; ok {
		return ColourClass(d.Parameters[i].Stated.Colour)
	}
	return ""
}

// Colours is the number of colours that parameters and curves share out.
const Colours = 8

// ColourClass is the style class of a colour's number.
func ColourClass(colour int) string {
	return "hue-" + string(rune('0'+((colour%Colours)+Colours)%Colours))
}
