package edit

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	angles "parvix/core/maths/circle"
	"parvix/core/numeric/program"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/circle"
	"parvix/core/stage/kinds/curve"
	"parvix/core/stage/kinds/trajectory"
)

// SetAngleUnit changes the unit of every bare angle, so that the demonstration shows what it showed: the interval of a polar curve, dials
// that turn a circle, run along a polar curve or stand inside of a trigonometric function, multiples of π there, the angle of a polar
// curve's radius, and the axes that count angles. What has a unit of its own stays. It tells what was converted, and where it cannot know
// whether a number is an angle. There and back gives the same document.
func SetAngleUnit(before *document.Document, unit document.AngleUnit) (*document.Document, []string, error) {
	d := clone(before)
	if d.AngleUnit == unit {
		return d, nil, nil
	}
	d.AngleUnit = unit
	u := &unitChange{d: d, unit: unit, convert: number.InDegrees, ticks: document.TicksInDegrees, done: map[string]bool{}}
	if unit == document.Radian {
		u.convert, u.ticks = number.InRadians, document.TicksInPi
	}
	for _, s := range d.Shown {
		switch body := s.Body.(type) {
		case *circle.Body:
			u.circle(&s, body)
		case *trajectory.Body:
			if body.Function != "" {
				body.From, body.To = u.end(body.From), u.end(body.To)
				u.dial(body.Driver)
				u.partsOf(s.ID)
				u.radius(d.StatedNamed(body.Function))
			}
		}
	}
	u.places(u.functions())
	return d, u.told, d.Check()
}

// unitChange converts angles to another unit, each dial, each formula and each axis once.
type unitChange struct {
	d       *document.Document
	unit    document.AngleUnit
	convert func(angle float64) float64
	ticks   document.TickStyle
	done    map[string]bool
	told    []string
}

func (u *unitChange) once(id string) bool {
	first := !u.done[id]
	u.done[id] = true
	return first
}

func (u *unitChange) tell(format string, args ...any) {
	if words := fmt.Sprintf(format, args...); !slices.Contains(u.told, words) {
		u.told = append(u.told, words)
	}
}

// circle converts the dial that turns a circle and the axes of its graphs; an angle by a formula has its dials inside.
func (u *unitChange) circle(s *document.Entry, body *circle.Body) {
	if body.Angle != "" && body.Angle != body.Driver {
		u.tell("The angle of the circle, %s, stays as it is: whether its letters are angles is not known.", body.Angle)
		return
	}
	u.dial(body.Driver)
	for i := range u.d.Panels {
		if p := &u.d.Panels[i]; p.Kind == document.Plane && s.IsOn(p.ID) {
			u.axis(p)
		}
	}
}

// partsOf converts the steps and places of a polar curve's parts, and the axes of its graphs.
func (u *unitChange) partsOf(id string) {
	for _, s := range u.d.Shown {
		part, ok := s.Body.(*trajectory.PartBody)
		if !ok || part.Of != id {
			continue
		}
		for _, text := range []*string{&part.Step, &part.At} {
			if *text != "" {
				*text = u.end(*text)
			}
		}
		if part.Piece != trajectory.Graph {
			continue
		}
		for i := range u.d.Panels {
			if p := &u.d.Panels[i]; s.IsOn(p.ID) {
				u.axis(p)
			}
		}
	}
}

// axis lets a panel's x-axis count the new unit; with equal scales a radian is as long as a unit of y in both.
func (u *unitChange) axis(p *document.Panel) {
	if !u.once(p.ID) {
		return
	}
	u.tell("An x-axis counts the new unit.")
	was := p.TicksX
	if p.TicksX = u.ticks; p.TicksBefore != "" {
		p.TicksX, p.TicksBefore = p.TicksBefore, ""
	} else if u.unit == document.Degree && was != document.TicksInPi {
		p.TicksBefore = was
	}
	p.Window.Left, p.Window.Right = u.convert(p.Window.Left), u.convert(p.Window.Right)
	for k := range u.d.Scenes {
		if w, ok := u.d.Scenes[k].Windows[p.ID]; ok {
			w.Left, w.Right = u.convert(w.Left), u.convert(w.Right)
			u.d.Scenes[k].Windows[p.ID] = w
		}
	}
}

// end writes an end in the new unit: 2π as 360, 90 as π/2; one that cannot be read, holds a letter or has a unit stays.
func (u *unitChange) end(text string) string {
	f, err := expr.Parse(text, scope(u.d))
	if err != nil || len(expr.Names(f.Node)) > 0 || hasUnit(f.Node) {
		return text
	}
	return u.written(f.Node, text)
}

// written is a number in the new unit.
func (u *unitChange) written(n expr.Node, text string) string {
	at, err := program.CompilePoint(n, []string{"\x00"})
	if err != nil {
		return text
	}
	v := u.convert(at([]float64{0}))
	out := number.Format(v, 9)
	if exact := angles.At(v).Exact(); exact != nil && u.unit == document.Radian {
		out = expr.Pretty(exact)
	} else if u.d.DecimalComma {
		out = expr.WithDecimalComma(out)
	}
	if strings.HasPrefix(text, "-") {
		out = strings.Replace(out, number.Minus, "-", 1) // as it was typed
	}
	return out
}

// hasUnit tells that a degree sign stands in a formula.
func hasUnit(n expr.Node) (has bool) {
	expr.Walk(n, func(n expr.Node) bool {
		_, is := n.(*expr.Degree)
		has = has || is
		return !has
	})
	return has
}

// piece is a part of a text that becomes another.
type piece struct {
	from, to int
	text     string
}

// put writes pieces into a text.
func put(text string, pieces []piece) string {
	slices.SortFunc(pieces, func(a, b piece) int { return cmp.Compare(b.from, a.from) })
	for _, p := range pieces {
		text = text[:p.from] + p.text + text[p.to:]
	}
	return text
}

// inRadians is how an angle in degrees is turned into a number where it is no angle: r = 0.12θ runs on as r = 0.12(θ π/180).
const inRadians = " π/180)"

// radius lets the radius of a polar curve count its angle as before where that stands outside of trigonometric functions.
func (u *unitChange) radius(f *document.Stated) {
	if f == nil || len(f.Variables) != 1 || !u.once("radius "+f.ID) {
		return
	}
	letter := f.Variables[0]
	if u.unit == document.Radian {
		f.Formula = strings.ReplaceAll(f.Formula, "("+letter+inRadians, letter)
		return
	}
	n, err := expr.Parse(f.Formula, scope(u.d).With(letter))
	if err != nil {
		return
	}
	var pieces []piece
	expr.Walk(n.Node, func(n expr.Node) bool {
		if call, is := n.(*expr.Call); is && slices.Contains(circular, call.Name) {
			return false
		}
		if name, is := n.(*expr.Name); is && name.Name == letter {
			pieces = append(pieces, piece{name.Pos(), name.End(), "(" + letter + inRadians})
		}
		return true
	})
	if len(pieces) > 0 {
		f.Formula = put(f.Formula, pieces)
		u.tell("In %s the angle stands for a number too: it is turned into one there.", f.Name)
	}
}

// functions converts what stands inside of trigonometric functions, and the axes over which they are drawn; it tells which take an angle.
func (u *unitChange) functions() (turned map[string]bool) {
	turned = map[string]bool{}
	for i := range u.d.Stated {
		s := &u.d.Stated[i]
		if s.Kind != document.Function || len(s.Variables) != 1 {
			continue
		}
		n, err := expr.Parse(s.Formula, scope(u.d).With(s.Variables...))
		if err != nil {
			continue
		}
		a := arguments{u: u, s: s}
		expr.Walk(n.Node, func(n expr.Node) bool {
			call, is := n.(*expr.Call)
			if is = is && (slices.Contains(circular, call.Name) || turned[call.Name] && len(call.Args) == 1); is {
				a.terms(call.Args[0])
			}
			return !is
		})
		if len(a.pieces) > 0 {
			s.Formula = put(s.Formula, a.pieces)
			u.tell("%s is written %s.", s.Name, s.Formula)
		}
		turned[s.Name] = a.isAngle && !a.isTime
	}
	for i := range u.d.Panels {
		if p := &u.d.Panels[i]; p.Kind == document.Plane && u.countsAngles(p, turned) {
			u.axis(p)
		}
	}
	return turned
}

// countsAngles tells that all functions whose graphs stand on a panel take an angle; in degrees the axis says whether it counts them.
func (u *unitChange) countsAngles(p *document.Panel, turned map[string]bool) bool {
	graphs := 0
	var others []string
	for _, s := range u.d.Shown {
		c, is := s.Body.(*curve.Body)
		switch {
		case !is || !s.IsOn(p.ID):
		case turned[c.Function]:
			graphs++
		default:
			others = append(others, c.Function)
		}
	}
	if graphs > 0 && len(others) > 0 {
		u.tell("The x-axis beside %s stays as it is: that is no function of an angle.", strings.Join(others, ", "))
		return false
	}
	if graphs > 0 && u.unit == document.Radian && p.TicksX != document.TicksInDegrees {
		u.tell("An x-axis that does not count degrees stays as it is: whether its numbers are angles is not known.")
		return false
	}
	return graphs > 0
}

// arguments converts the arguments of the trigonometric functions of one formula.
type arguments struct {
	u      *unitChange
	s      *document.Stated
	pieces []piece
	// isAngle tells that the variable itself is an angle somewhere, isTime that it is multiplied by one.
	isAngle, isTime bool
}

// terms goes through a sum.
func (a *arguments) terms(n expr.Node) {
	switch n := n.(type) {
	case *expr.Binary:
		if n.Op == expr.Add || n.Op == expr.Sub {
			a.terms(n.L)
			a.terms(n.R)
			return
		}
	case *expr.Neg:
		a.terms(n.X)
		return
	}
	a.term(n)
}

// turnIn is half a turn as it is written in a unit.
var turnIn = map[document.AngleUnit]string{document.Radian: "π", document.Degree: "180"}

// term converts one: a number that is an angle, a dial that is one, a factor π.
func (a *arguments) term(n expr.Node) {
	u, names := a.u, expr.Names(n)
	if hasUnit(n) {
		return
	}
	name, isName := n.(*expr.Name)
	half := a.halfTurn(n)
	switch {
	case isName && name.Name != a.s.Variables[0]:
		u.dial(name.Name)
	case len(names) == 0 && (half != nil || u.unit == document.Radian):
		a.pieces = append(a.pieces, piece{n.Pos(), n.End(), u.written(n, a.s.Formula[n.Pos():n.End()])})
	case len(names) == 0:
		u.tell("%s in %s stays as it is: whether it is an angle in radians is not known.", a.s.Formula[n.Pos():n.End()], a.s.Name)
	case half != nil:
		a.isTime = a.isTime || slices.Contains(names, a.s.Variables[0])
		a.pieces = append(a.pieces, piece{half.Pos(), half.End(), turnIn[u.unit]})
	case slices.Contains(names, a.s.Variables[0]):
		a.isAngle = true
	default:
		u.tell("%s in %s stays as it is: whether its letters are angles is not known.", a.s.Formula[n.Pos():n.End()], a.s.Name)
	}
}

// halfTurn is the factor π of a term, in degrees 180; nil where there is none.
func (a *arguments) halfTurn(n expr.Node) (found expr.Node) {
	expr.Walk(n, func(n expr.Node) bool {
		switch n := n.(type) {
		case *expr.Constant:
			if n.Name == "pi" && a.u.unit == document.Degree {
				found = n
			}
		case *expr.Number:
			if n.Value.IsInt() && n.Value.Num().Int64() == 180 && a.u.unit == document.Radian {
				found = n
			}
		case *expr.Call:
			return false
		}
		return found == nil
	})
	return found
}
