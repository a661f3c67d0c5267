package figure

import (
	"fmt"
	"math"
	"slices"
	"sort"

	"parvix/core/formula/expr"
	"parvix/core/formula/number"
	"parvix/core/formula/problem"
	"parvix/core/formula/symbolic"
	"parvix/core/numeric/program"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// equation is one that is linear in x, y and z.
type equation struct {
	// slopes are the coefficients of x, y and z, value is what is 0 on the plane.
	slopes [3]program.Point
	value  program.Point
}

// spaceLetters are the coordinates of space.
var spaceLetters = []string{"x", "y", "z"}

// loadEquation compiles the equation of a plane; nil where it is none, which it reports.
func loadEquation(d evaluate.Loading, id, text string) *equation {
	refuse := func(err error) *equation {
		d.Report(err, id, "equation")
		return nil
	}
	r, err := expr.ParseRelation(text, d.Scope().With(spaceLetters...))
	if err != nil {
		return refuse(err)
	}
	if !r.IsEquation() {
		return refuse(problem.New("field", 0, len(text), "equation", "an equation is needed, with one “=”"))
	}
	typed := expr.Minus(r.Sides[0], r.Sides[1])
	n, err := d.Resolve(typed)
	if err != nil {
		return refuse(err)
	}
	if _, waits := d.Dependencies(n, spaceLetters); len(waits) > 0 {
		d.Wait(waits, typed, id, "equation")
		return nil
	}
	inputs := append(slices.Clone(spaceLetters), d.InputNames("")[1:]...)
	out := &equation{}
	if !IsLinear(n) {
		return refuse(problem.New("field", 0, len(text), "equation", "the equation of a plane is linear in x, y and z"))
	}
	for k, letter := range spaceLetters {
		slope := symbolic.Simplify(symbolic.Derivative(n, letter)).Node
		if out.slopes[k], err = program.CompilePoint(slope, inputs); err != nil {
			return refuse(err)
		}
	}
	if out.value, err = program.CompilePoint(n, inputs); err != nil {
		return refuse(err)
	}
	d.CountCompile()
	return out
}

// IsLinear tells whether an expression is linear in x, y and z: none of its slopes depends on them.
func IsLinear(n expr.Node) bool {
	for _, letter := range spaceLetters {
		slope := symbolic.Simplify(symbolic.Derivative(n, letter)).Node
		if slices.ContainsFunc(expr.Names(slope), func(name string) bool { return slices.Contains(spaceLetters, name) }) {
			return false
		}
	}
	return true
}

// planeEquation is normal · p = distance.
type planeEquation struct {
	Normal   view.Place
	Distance float64
}

// planeNow is the plane of a figure, if it has one.
func (f *Live) planeNow(d evaluate.Moment) (p planeEquation, is bool) {
	if f.plane != nil {
		in := append([]float64{0, 0, 0}, d.Inputs()[1:]...)
		for k, slope := range f.plane.slopes {
			p.Normal[k] = slope(in)
			in[0], in[1], in[2] = 0, 0, 0
		}
		p.Distance = -f.plane.value(in)
	} else {
		places, defined := f.places()
		if !defined {
			return p, false
		}
		p.Normal = places[1].Sub(places[0]).Cross(places[2].Sub(places[0]))
		p.Distance = p.Normal.Dot(places[0])
	}
	return p.tidied(), p.Normal.IsFinite() && p.Normal.Length() > 0 && !math.IsNaN(p.Distance)
}

// most is up to which number a common divisor is looked for.
const most = 1e6

// tidied is the equation with small whole coefficients where they are such, its first one positive.
func (p planeEquation) tidied() planeEquation {
	numbers := []float64{p.Normal[0], p.Normal[1], p.Normal[2], p.Distance}
	divisor := 0.0
	for _, v := range numbers {
		if math.Abs(v-math.Round(v)) > 1e-9*math.Max(1, math.Abs(v)) || math.Abs(v) > most {
			divisor = 1
			break
		}
		for a, b := divisor, math.Abs(math.Round(v)); ; a, b = b, math.Mod(a, b) {
			if divisor = a; b == 0 {
				break
			}
		}
	}
	for _, v := range numbers {
		if v != 0 {
			divisor = math.Copysign(divisor, v)
			break
		}
	}
	if divisor == 0 {
		return p
	}
	return planeEquation{view.Place{p.Normal[0] / divisor, p.Normal[1] / divisor, p.Normal[2] / divisor}, p.Distance / divisor}
}

// outline is where a plane meets the edges of a box, in order around it.
func (p planeEquation) outline(box [3][2]float64) []view.Place {
	var corners []view.Place
	for axis := range 3 {
		a, b := (axis+1)%3, (axis+2)%3
		for _, u := range box[a] {
			for _, v := range box[b] {
				if p.Normal[axis] == 0 {
					continue
				}
				at := (p.Distance - p.Normal[a]*u - p.Normal[b]*v) / p.Normal[axis]
				slack := 1e-9 * (box[axis][1] - box[axis][0])
				if at < box[axis][0]-slack || at > box[axis][1]+slack {
					continue
				}
				var c view.Place
				c[axis], c[a], c[b] = at, u, v
				if !slices.ContainsFunc(corners, func(other view.Place) bool { return isNear(c, other, box) }) {
					corners = append(corners, c)
				}
			}
		}
	}
	if len(corners) < 3 {
		return nil
	}
	// Around the middle, by the angle in the plane; the box is scaled to a cube, so that no side is lost.
	scaled := func(c view.Place) (s view.Place) {
		for k := range s {
			s[k] = c[k] / (box[k][1] - box[k][0])
		}
		return s
	}
	var middle view.Place
	for _, c := range corners {
		middle = middle.Plus(scaled(c), 1/float64(len(corners)))
	}
	right := scaled(corners[0]).Sub(middle)
	var normal view.Place
	for k := range normal {
		normal[k] = p.Normal[k] * (box[k][1] - box[k][0])
	}
	up := normal.Cross(right)
	angle := func(c view.Place) float64 {
		way := scaled(c).Sub(middle)
		return math.Atan2(way.Dot(up)/up.Length(), way.Dot(right)/right.Length())
	}
	sort.Slice(corners, func(i, j int) bool { return angle(corners[i]) < angle(corners[j]) })
	return corners
}

func isNear(a, b view.Place, box [3][2]float64) bool {
	for k := range a {
		if math.Abs(a[k]-b[k]) > 1e-9*(box[k][1]-box[k][0]) {
			return false
		}
	}
	return true
}

// places are the figure's points; false where one is undefined.
func (f *Live) places() (list []view.Place, defined bool) {
	for _, p := range f.Points {
		at, is := placeOf(p)
		if !is || !at.IsFinite() {
			return nil, false
		}
		list = append(list, at)
	}
	return list, true
}

// Sizes in space: the opacity of a plane and of a polygon, an arrowhead in pixels, and an angle's radius as a share of its shorter leg.
const (
	planeOpacity, polygonOpacity = 0.22, 0.4
	spaceHead                    = 12.0
	angleShare                   = 0.3
)

// composeSpace puts the figure into space.
func (f *Live) composeSpace(on *compose.On) []compose.Anchor {
	colour := compose.ColourOf(on.Entry)
	pen := compose.SpacePen(compose.Stroke(colour, on.Scaled(figureWidth), compose.PatternOf(on.Entry, picture.Whole), 1))
	if f.Shape == Plane {
		return f.composePlane(on, colour)
	}
	places, defined := f.places()
	if !defined {
		return nil
	}
	label := func(at view.Place, isPoint bool, latex string) []compose.Anchor {
		if !on.View.Projection.Holds(at) {
			return nil
		}
		x, y := on.InSpace(at)
		return on.Labelled(compose.Anchor{X: x, Y: y, IsPoint: isPoint}, latex, colour)
	}
	middle := view.Place{}.Plus(places[0], 0.5).Plus(places[1], 0.5)
	strand := solid.Strand{Line: places, Pen: pen, Owner: on.Index}
	switch f.Shape {
	case Arrow:
		strand.Head = spaceHead
		on.Space.AddStrand(strand)
		return label(middle, false, compose.TripleLaTeX(on.Now, places[1].Sub(places[0])))
	case Midpoint:
		on.Space.AddMark(solid.Mark{At: middle, Colour: colour, Shape: picture.Disc, Radius: on.Scaled(compose.PointRadius - 1), Owner: on.Index})
		return label(middle, true, evaluate.HeadLaTeX(f.body.Name, nil))
	case Angle, RightAngle:
		return f.composeAngleInSpace(on, places, strand)
	case Polygon:
		strand.Line = append(slices.Clone(places), places[0])
		on.Space.AddStrand(strand)
		q := &on.View.Projection
		plate := solid.NewPlate(places, false, q.Units, q.Box)
		plate.Hue, plate.Opacity = colour, polygonOpacity
		on.Space.AddNet(plate)
		centre := view.Place{}
		for _, p := range places {
			centre = centre.Plus(p, 1/float64(len(places)))
		}
		return label(centre, true, "A="+number.Format(areaInSpace(places), 3))
	}
	on.Space.AddStrand(strand)
	return label(middle, false, number.Format(places[1].Sub(places[0]).Length(), 3))
}

// composePlane puts the plane as far as the box reaches.
func (f *Live) composePlane(on *compose.On, colour picture.Colour) []compose.Anchor {
	p, is := f.planeNow(on.Now)
	if !is {
		return nil
	}
	q := &on.View.Projection
	outline := p.outline(q.Box)
	if outline == nil {
		return nil
	}
	plate := solid.NewPlate(outline, true, q.Units, q.Box)
	plate.Hue, plate.Opacity = colour, planeOpacity
	on.Space.AddNet(plate)
	var places [][2]float64
	for _, c := range outline {
		places = append(places, q.Pixel(c))
	}
	sort.Slice(places, func(i, j int) bool { return places[i][1] < places[j][1] })
	return on.Labelled(compose.Anchor{X: places[0][0], Y: places[0][1], Others: places[1:]}, p.laTeX(), colour)
}

// laTeX writes the plane's equation.
func (p planeEquation) laTeX() string {
	return compose.LinearLaTeX(p.Normal[:], spaceLetters...) + "=" + compose.LinearLaTeX([]float64{p.Distance}, "")
}

// composeAngleInSpace marks an angle at the second of three points with an arc and its measure.
func (f *Live) composeAngleInSpace(on *compose.On, p []view.Place, strand solid.Strand) []compose.Anchor {
	first, last := p[0].Sub(p[1]), p[2].Sub(p[1])
	angle := angleBetween(first, last)
	if math.IsNaN(angle) {
		return nil
	}
	radius := angleShare * math.Min(first.Length(), last.Length())
	along := view.Place{}.Plus(first, 1/first.Length())
	across := last.Plus(along, -last.Dot(along))
	if size := across.Length(); size > 0 {
		across = view.Place{}.Plus(across, 1/size)
	}
	at := func(turn float64) view.Place {
		sin, cos := math.Sincos(turn)
		return p[1].Plus(along, radius*cos).Plus(across, radius*sin)
	}
	strand.Line = nil
	if math.Abs(angle-math.Pi/2) < 1e-9 {
		strand.Line = []view.Place{at(0), at(0).Plus(across, radius), at(angle)}
	} else {
		const steps = 32
		for k := range steps + 1 {
			strand.Line = append(strand.Line, at(angle*float64(k)/steps))
		}
	}
	on.Space.AddStrand(strand)
	x, y := on.InSpace(at(angle / 2))
	return on.Labelled(compose.Anchor{X: x, Y: y}, angleLaTeX(on.Now, angle), strand.Pen.Colour)
}

// angleBetween is the angle between two ways, by its half (W. Kahan's formula, exact to rounding for all angles), NaN where one has no
// length.
func angleBetween(a, b view.Place) float64 {
	u, v := view.Place{}.Plus(a, b.Length()), view.Place{}.Plus(b, a.Length())
	if u.Length() == 0 {
		return math.NaN()
	}
	return 2 * math.Atan2(u.Sub(v).Length(), u.Plus(v, 1).Length())
}

// areaInSpace is that of a polygon: half of the length of the sum of its corners' products (Newell's method).
func areaInSpace(places []view.Place) float64 {
	var sum view.Place
	for k, p := range places {
		sum = sum.Plus(p.Sub(places[0]).Cross(places[(k+1)%len(places)].Sub(places[0])), 0.5)
	}
	return sum.Length()
}

// describeSpace says what stands in space, and how long or how large.
func (f *Live) describeSpace(d evaluate.Moment) []string {
	if f.Shape == Plane {
		if p, is := f.planeNow(d); is {
			return []string{fmt.Sprintf("A plane with the normal %s, %s from the origin.", compose.SpokenPlace(p.Normal), number.Format(math.Abs(p.Distance)/p.Normal.Length(), 3))}
		}
		return []string{"A plane that is undefined."}
	}
	places, defined := f.places()
	if !defined {
		return nil
	}
	switch f.Shape {
	case Segment:
		return []string{"A segment of length " + number.Format(places[1].Sub(places[0]).Length(), 3) + "."}
	case Arrow:
		way := places[1].Sub(places[0])
		return []string{fmt.Sprintf("An arrow by %s, of length %s.", compose.SpokenPlace(way), number.Format(way.Length(), 3))}
	case Polygon:
		return []string{"A polygon of area " + number.Format(areaInSpace(places), 3) + "."}
	case Angle, RightAngle:
		return []string{"An angle of " + number.Format(angleBetween(places[0].Sub(places[1]), places[2].Sub(places[1]))*180/math.Pi, 1) + " degrees."}
	}
	return nil
}
