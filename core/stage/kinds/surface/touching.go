package surface

import (
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// point draws the point with its coordinates.
func (p *Part) point(on *compose.On, at view.Place) []compose.Anchor {
	colour, shape := compose.ColourOf(on.Entry), picture.Disc
	x, y := on.InSpace(at)
	if p.xDial >= 0 || p.yDial >= 0 {
		shape = picture.Grip
		on.Pen.Handle(on.Index, x, y)
	}
	on.Space.AddMark(solid.Mark{At: at, Colour: colour, Shape: compose.ShapeOf(on.Entry, shape), Radius: on.Scaled(compose.PointRadius), On: p.sheet(on), Owner: on.Index})
	return on.Labelled(compose.Anchor{X: x, Y: y, IsPoint: true}, compose.TripleLaTeX(on.Now, at), colour)
}

// patchShare is the half side of a tangent plane as a share of the floor's.
const patchShare = 0.22

// patch is the rectangle over which the tangent plane is shown, within the box.
func (p *Part) patch(on *compose.On) (r [4]float64) {
	box := on.View.Projection.Box
	for k, v := range [2]float64{p.x.At(on.Now.Inputs()), p.y.At(on.Now.Inputs())} {
		half := patchShare * (box[k][1] - box[k][0])
		r[2*k], r[2*k+1] = math.Max(box[k][0], v-half), math.Min(box[k][1], v+half)
	}
	return r
}

// tangentPlane puts the plane z = f + f_x·(x − x₀) + f_y·(y − y₀) as a sheet of its own.
func (p *Part) tangentPlane(on *compose.On, at view.Place) []compose.Anchor {
	l, q := p.surface(), &on.View.Projection
	slopes := l.Shape.Slopes(at[0], at[1], l.inputs(on.Now))
	if math.IsNaN(slopes[0]+slopes[1]) || math.IsInf(slopes[0]+slopes[1], 0) {
		return nil
	}
	r := p.patch(on)
	height := func(x, y float64) float64 {
		const slack = 1e-9
		if x < r[0]-slack || x > r[1]+slack || y < r[2]-slack || y > r[3]+slack {
			return math.NaN()
		}
		return at[2] + slopes[0]*(x-at[0]) + slopes[1]*(y-at[1])
	}
	lattice := on.Space.Lattice
	heights := make([]float64, 0, len(lattice.X)*len(lattice.Y))
	for _, x := range lattice.X {
		for _, y := range lattice.Y {
			heights = append(heights, height(x, y))
		}
	}
	sheet := solid.NewSheet(&lattice, solid.Relief{Heights: heights, At: height, Units: q.Units, Low: q.Box[2][0], High: q.Box[2][1]})
	sheet.Hue = compose.ColourOf(on.Entry)
	sheet.MeshX, sheet.MeshY = make([]bool, len(lattice.X)), make([]bool, len(lattice.Y))
	on.Space.AddSheet(sheet)
	var places [][2]float64
	for _, c := range [4][2]float64{{r[0], r[2]}, {r[1], r[2]}, {r[1], r[3]}, {r[0], r[3]}} {
		if place := (view.Place{c[0], c[1], height(c[0], c[1])}); q.Holds(place) {
			places = append(places, q.Pixel(place))
		}
	}
	if len(places) == 0 {
		return nil
	}
	return on.Labelled(compose.Anchor{X: places[0][0], Y: places[0][1], Others: places[1:]}, planeLaTeX(at, slopes), compose.ColourOf(on.Entry))
}

// planeLaTeX is the equation of the tangent plane: z = z₀ + f_x (x − x₀) + f_y (y − y₀), multiplied out.
func planeLaTeX(at view.Place, slopes [5]float64) string {
	lift := at[2] - slopes[0]*at[0] - slopes[1]*at[1]
	return "z=" + compose.LinearLaTeX([]float64{slopes[0], slopes[1], lift}, "x", "y", "")
}

// arrowhead of an arrow in space, in pixels.
const arrowhead = 12.0

// gradient puts the gradient as an arrow on the floor, from below the point, and one up the surface's steepest way.
func (p *Part) gradient(on *compose.On, at view.Place) []compose.Anchor {
	l, box := p.surface(), on.View.Projection.Box
	slopes := l.Shape.Slopes(at[0], at[1], l.inputs(on.Now))
	size := math.Hypot(slopes[0], slopes[1])
	if math.IsNaN(size) || math.IsInf(size, 0) {
		return nil
	}
	colour := compose.ColourOf(on.Entry)
	pen := compose.SpacePen(compose.Stroke(colour, on.Scaled(compose.GuideWidth+1), picture.Whole, 1))
	floor := view.Place{at[0], at[1], box[2][0]}
	on.Space.AddStrand(solid.Strand{Line: []view.Place{at, floor}, Pen: solid.Pen{Colour: colour, Width: on.Scaled(compose.GuideWidth), Pattern: picture.Dotted, Opacity: 1}, Owner: on.Index})
	x, y := on.InSpace(floor)
	if size > 1e-12 {
		// Longer than the floor allows it is drawn at that length: its label tells the true components.
		const longest = 0.35
		scale := math.Min(1, longest*math.Min(box[0][1]-box[0][0], box[1][1]-box[1][0])/size)
		tip := view.Place{at[0] + slopes[0]*scale, at[1] + slopes[1]*scale, box[2][0]}
		on.Space.AddStrand(solid.Strand{Line: []view.Place{floor, tip}, Pen: pen, Owner: on.Index, Head: arrowhead})
		x, y = on.InSpace(tip)
	}
	return on.Labelled(compose.Anchor{X: x, Y: y, IsPoint: true}, gradientLaTeX(p, slopes), colour)
}

// gradientLaTeX tells the components of a gradient, the first two slopes.
func gradientLaTeX(p *Part, slopes [5]float64) string {
	return `\text{grad}\,` + evaluate.HeadLaTeX(p.surface().body.Function, nil) + "=(" + number.Format(slopes[0], 2) + `,\,` + number.Format(slopes[1], 2) + ")"
}

// gradientOnMap draws the gradient from above, where it stands upright on the level curve through its place.
func gradientOnMap(p *Part, on *compose.On) []compose.Anchor {
	v, in := on.View, on.Now.Inputs()
	x, y := p.x.At(in), p.y.At(in)
	slopes := p.surface().Shape.Slopes(x, y, p.surface().inputs(on.Now))
	size := math.Hypot(slopes[0], slopes[1])
	if math.IsNaN(size) || math.IsInf(size, 0) || !v.Sees(x, y) {
		return nil
	}
	colour := compose.ColourOf(on.Entry)
	from := on.At(x, y)
	const longest, least = 0.35, 1e-12
	scale := math.Min(1, longest*math.Min(v.Right-v.Left, v.Top-v.Bottom)/math.Max(size, least))
	to := [2]float64{v.X(x + slopes[0]*scale), v.Y(y + slopes[1]*scale)}
	if size > least {
		on.Arrow(compose.Stroke(colour, on.Scaled(compose.GuideWidth+1), picture.Whole, 1), from, to)
	}
	return on.Labelled(compose.Anchor{X: to[0], Y: to[1], IsPoint: true}, gradientLaTeX(p, slopes), colour)
}

// slopes puts the tangents of both sections through the point, each with its slope.
func (p *Part) slopes(on *compose.On, at view.Place) (anchors []compose.Anchor) {
	l, q := p.surface(), &on.View.Projection
	slopes := l.Shape.Slopes(at[0], at[1], l.inputs(on.Now))
	name := evaluate.HeadLaTeX(l.body.Function, nil)
	colours := [2]picture.Colour{compose.ColourOf(on.Entry), compose.ColourNumber(on.Entry.Look.Colour + 1)}
	for axis := range 2 {
		if math.IsNaN(slopes[axis]) || math.IsInf(slopes[axis], 0) {
			continue
		}
		half := patchShare * (q.Box[axis][1] - q.Box[axis][0])
		way := view.Place{0, 0, slopes[axis]}
		way[axis] = 1
		pen := compose.SpacePen(compose.Stroke(colours[axis], on.Scaled(compose.GuideWidth+1), compose.PatternOf(on.Entry, picture.Whole), 1))
		from, to := at.Plus(way, -half), at.Plus(way, half)
		on.Space.AddStrand(solid.Strand{Line: []view.Place{from, at, to}, Pen: pen, On: nil, Owner: on.Index})
		lines := p.cutLines(on, 1-axis, at[1-axis])
		thin := compose.SpacePen(compose.Stroke(colours[axis], on.Scaled(compose.GuideWidth), picture.Whole, 0.8))
		for _, line := range lines {
			on.Space.AddStrand(solid.Strand{Line: line, Pen: thin, On: p.sheet(on), Owner: on.Index})
		}
		x, y := on.InSpace(to)
		letter := l.Function.Stated.Variables[axis]
		anchors = append(anchors, on.PartLabelled(axis, compose.Anchor{X: x, Y: y}, name+"_{"+letter+"}="+number.Format(slopes[axis], 2), colours[axis])...)
	}
	return anchors
}
