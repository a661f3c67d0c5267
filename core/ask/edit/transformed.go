package edit

import (
	"math"

	"parvix/core/formula/expr"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/trajectory"
)

// Transformation is what takes a polar or parametric curve to another one.
type Transformation string

// The transformations of the plane that keep shapes: turned by a dial about the origin, mirrored in an axis, stretched by a dial from the origin.
const (
	Turned     Transformation = "turned"
	MirroredX  Transformation = "mirroredX"
	MirroredY  Transformation = "mirroredY"
	Stretched  Transformation = "stretched"
	turnLetter                = "α"
)

// Transformed shows a further curve beside a polar or a parametric one: r(θ − α), r(−θ), r(π − θ) and k·r(θ) of a polar curve, those of both
// coordinates of a parametric one. What a dial does begins a little way off, so that it is seen.
func Transformed(before *document.Document, id string, way Transformation) (*document.Document, error) {
	d := clone(before)
	of := d.Find(id)
	m, is := bodyOf[*trajectory.Body](d, id)
	if of == nil || !is {
		return nil, problem.New("field", 0, 0, "id", "there is no such curve")
	}
	dial := ""
	switch way {
	case Turned:
		dial = freeLetter(d, turnLetter, "β", "γ", "δ")
	case Stretched:
		dial = freeLetter(d, "k", "a", "q")
	case MirroredX, MirroredY:
	default:
		return nil, problem.New("field", 0, 0, "text", "there is no such transformation")
	}
	d, err := withTransformingDial(d, dial, way)
	if err != nil {
		return nil, err
	}
	if m.Function != "" {
		return transformedPolar(d, of, m, way, dial)
	}
	return transformedParametric(d, of, m, way, dial)
}

// withTransformingDial states the dial of a transformation.
func withTransformingDial(d *document.Document, name string, way Transformation) (*document.Document, error) {
	if name == "" {
		return d, nil
	}
	d, err := AddParameters(d, []string{name})
	if err != nil {
		return nil, err
	}
	dial := &d.Stated[len(d.Stated)-1]
	start := 2.0
	switch {
	case way == Stretched:
		dial.From, dial.To, dial.Step = "-3", "3", "0.1"
		if d.DecimalComma {
			dial.Step = "0,1"
		}
	case d.AngleUnit == document.Degree:
		dial.From, dial.To, dial.Step, start = "-360", "360", "1", 45
	default:
		dial.From, dial.To, dial.Step, start = "-2π", "2π", "π/180", 0.7853981633974483
	}
	for i := range d.Scenes {
		d.Scenes[i].Values[name] = start
	}
	return d, nil
}

// transformedPolar states the radius of the new curve by that of the old one.
func transformedPolar(d *document.Document, of *document.Entry, m *trajectory.Body, way Transformation, dial string) (*document.Document, error) {
	angle := d.StatedNamed(m.Function).Variables[0]
	half := turnIn[d.AngleUnit]
	argument := map[Transformation]string{Turned: angle + " − " + dial, MirroredX: "−" + angle, MirroredY: half + " − " + angle, Stretched: angle}[way]
	head, factor := freeLetter(d, "s", "q", "p", "u", "w")+"("+angle+") = ", ""
	if way == Stretched {
		factor = dial + " "
	}
	d, err := State(d, "", head+factor+m.Function+"("+argument+")")
	if err != nil {
		return nil, err
	}
	added := &d.Shown[len(d.Shown)-1]
	new, is := added.Body.(*trajectory.Body)
	if !is {
		return nil, problem.New("field", 0, 0, "text", "it is no polar curve")
	}
	added.Where = of.Where
	if closes(d, of.ID) {
		new.From, new.To = m.From, m.To // the same turns hold all of it
		return d, d.Check()
	}
	ends := [2]string{m.From, m.To}
	put := func(format func(end string) string, backwards bool) {
		if backwards {
			ends[0], ends[1] = ends[1], ends[0]
		}
		new.From, new.To = format(ends[0]), format(ends[1])
	}
	switch way {
	case Turned:
		put(func(end string) string { return simplified(d, end+" + "+dial) }, false)
	case MirroredX:
		put(func(end string) string { return simplified(d, "−("+end+")") }, true)
	case MirroredY:
		put(func(end string) string { return simplified(d, half+" − ("+end+")") }, true)
	default:
		put(func(end string) string { return end }, false)
	}
	return d, d.Check()
}

// closes tells whether a polar curve is run through all around, once or more often.
func closes(d *document.Document, id string) bool {
	e := evaluate.Load(d, nil)
	for _, s := range e.Shown {
		m, is := s.Live.(*trajectory.Live)
		if s.Entry.ID != id || !is {
			continue
		}
		if c, err := m.Studied(e); err == nil {
			closing, ever := c.Closing()
			rounds := (m.To - m.From) * e.RadiansPerUnit() / closing.Float()
			return ever && rounds > 0.5 && math.Abs(rounds-math.Round(rounds)) < 1e-9
		}
	}
	return false
}

// simplified writes a formula shorter where it can be.
func simplified(d *document.Document, text string) string {
	f, err := expr.Parse(text, scope(d))
	if err != nil {
		return text
	}
	return written(d, symbolic.Simplify(f.Node).Node)
}

// transformedParametric puts up a curve whose coordinates are those of the old one, transformed.
func transformedParametric(d *document.Document, of *document.Entry, m *trajectory.Body, way Transformation, dial string) (*document.Document, error) {
	x, y := "("+m.X+")", "("+m.Y+")"
	b := *m
	b.Driver, b.Family = "", nil
	switch way {
	case Turned:
		b.X, b.Y = x+"cos "+dial+" − "+y+"sin "+dial, x+"sin "+dial+" + "+y+"cos "+dial
	case MirroredX:
		b.Y = "−" + y
	case MirroredY:
		b.X = "−" + x
	case Stretched:
		b.X, b.Y = dial+x, dial+y
	}
	look := of.Look
	look.Colour = freeColour(shownColours(d))
	return Put(d, document.Entry{Where: of.Where, Look: look, Body: &b})
}
