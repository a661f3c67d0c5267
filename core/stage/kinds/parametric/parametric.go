package parametric

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/sample"
	"parvix/core/stage/solid"
	"parvix/core/stage/view"
)

// mostParts bounds a coordinate, in parts of its formula: it is worked out at thousands of places for a picture.
const mostParts = 300

// Live is a parametric surface in play.
type Live struct {
	// Ends are those of u and of v.
	Ends [4]float64

	body   *Body
	coords [3]*sample.Surface
	ends   [4]*evaluate.Expression
	on     []int
	in     []float64
	nets   map[string]*kept
}

// kept is a surface's net on a panel, valid for one stamp, rectangle, box and number of cells.
type kept struct {
	net    *solid.Net
	stamp  uint64
	ends   [4]float64
	box    [3][2]float64
	units  view.Place
	cells  int
	places []view.Place
}

// Load compiles the coordinates.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	l := &Live{body: b, nets: map[string]*kept{}}
	letters := b.Letters()
	for k, text := range [3]string{b.X, b.Y, b.Z} {
		field := [3]string{"x", "y", "z"}[k]
		x := d.Expression(text, e.ID, field, letters...)
		if x == nil {
			return nil
		}
		others := d.InputNames("")[1:]
		if err := evaluate.Affordable(x.Inlined(), append(append([]string{}, letters...), others...), x.Formula, "a coordinate", mostParts); err != nil {
			d.Report(err, e.ID, field)
			return nil
		}
		var err error
		if l.coords[k], err = sample.CompileCoordinate(x.Inlined(), letters[0], letters[1], others); err != nil {
			d.Report(err, e.ID, field)
			return nil
		}
		l.on = append(l.on, x.Hangs()...)
	}
	for k, text := range [4]string{b.FromU, b.ToU, b.FromV, b.ToV} {
		if l.ends[k] = d.Expression(text, e.ID, [4]string{"fromU", "toU", "fromV", "toV"}[k]); l.ends[k] == nil {
			return nil
		}
		l.on = append(l.on, l.ends[k].Hangs()...)
	}
	d.CountCompile()
	return l
}

// AppearsIn tells that it stands in space.
func (l *Live) AppearsIn(kind document.PanelKind) bool { return kind == document.InSpace }

// Hangs lists the parameters of the surface.
func (l *Live) Hangs() []int { return l.on }

// Update works the ends out.
func (l *Live) Update(d evaluate.Moment) {
	for k, x := range l.ends {
		l.Ends[k] = x.At(d.Inputs())
	}
	l.in = append(append(l.in[:0], 0, 0), d.Inputs()[1:]...)
}

// Exists tells whether there is a rectangle of the parameters.
func (l *Live) Exists() bool {
	return l.Ends[0] < l.Ends[1] && l.Ends[2] < l.Ends[3] && !math.IsInf(l.Ends[1]-l.Ends[0], 0) && !math.IsInf(l.Ends[3]-l.Ends[2], 0)
}

// At is the place at values of the parameters.
func (l *Live) At(u, v float64) (p view.Place) {
	for k, c := range l.coords {
		p[k] = c.At(u, v, l.in)
	}
	return p
}

// restCells is about how many cells there are along each parameter at rest.
const restCells = 44

// cells is of about how many cells along each parameter it is drawn; 0 where even the fewest would take too long.
func (l *Live) cells(on *compose.On) int {
	most := restCells
	if on.Cells > 0 {
		most = on.Cells
	}
	return compose.NetCells(on, most, l.work())
}

// work is how many operations one place takes.
func (l *Live) work() (sum float64) {
	for _, c := range l.coords {
		sum += c.Work(l.in)
	}
	return sum
}

// net is the surface on a panel, made anew only where something of it has changed; nil where it takes too long.
func (l *Live) net(on *compose.On) *kept {
	q, cells := &on.View.Projection, l.cells(on)
	if cells == 0 {
		return nil
	}
	stamp := on.Now.StampOf(l.on, -1)
	k := l.nets[on.Panel.ID]
	if k != nil && k.stamp == stamp && k.ends == l.Ends && k.box == q.Box && k.units == q.Units && k.cells == cells {
		return k
	}
	k = &kept{stamp: stamp, ends: l.Ends, box: q.Box, units: q.Units, cells: cells}
	w := solid.Weave{At: l.At, Units: q.Units, Box: q.Box}
	w.U, w.MeshU = solid.Lines(l.Ends[0], l.Ends[1], l.meshOf(on.Now, 0), cells)
	w.V, w.MeshV = solid.Lines(l.Ends[2], l.Ends[3], l.meshOf(on.Now, 1), cells)
	var heights [3][]float64
	for c, coord := range l.coords {
		heights[c] = coord.Heights(w.U, w.V, l.in)
	}
	for i := range heights[0] {
		w.Places = append(w.Places, view.Place{heights[0][i], heights[1][i], heights[2][i]})
	}
	w.IsBounded = func(u0, u1, v0, v1 float64) bool {
		for _, c := range l.coords {
			if !c.IsBounded(u0, u1, v0, v1, l.in) {
				return false
			}
		}
		return true
	}
	k.net, k.places = solid.NewNet(w), w.Places
	l.nets[on.Panel.ID] = k
	on.CountRun(on.Entry.ID)
	return k
}

// meshParts is into about how many parts the lines of the mesh cut a parameter.
const meshParts = 12

// meshOf are the values of a parameter at the lines of the mesh: parts of a turn where the interval is some, else round ones.
func (l *Live) meshOf(d evaluate.Moment, axis int) (list []float64) {
	from, to := l.Ends[2*axis], l.Ends[2*axis+1]
	part := math.Pi / 12
	if d.IsInDegrees() {
		part = 15
	}
	step := compose.RoundStep(to-from, meshParts)
	if turns := (to - from) / part; math.Abs(turns-math.Round(turns)) < 1e-9 {
		step = (to - from) / meshParts
		for k := 1; k < meshParts; k++ {
			list = append(list, from+step*float64(k))
		}
		return list
	}
	for k := math.Ceil(from / step); k*step < to; k++ {
		list = append(list, k*step)
	}
	return list
}

// Compose puts the surface into space.
func (l *Live) Compose(on *compose.On) []compose.Anchor {
	if !l.Exists() {
		return nil
	}
	k := l.net(on)
	if k == nil {
		return nil
	}
	k.net.Hue = compose.ColourOf(on.Entry)
	on.Space.AddNet(k.net)
	places := outermost(&on.View.Projection, k.places)
	if len(places) == 0 {
		return nil
	}
	return on.Labelled(compose.Anchor{X: places[0][0], Y: places[0][1], Others: places[1:]}, l.label(on.Now), compose.ColourOf(on.Entry))
}

// outermost are the pixels of the places that are seen highest, farthest right, left and down.
func outermost(q *view.Projection, places []view.Place) (list [][2]float64) {
	for _, way := range [4][2]float64{{0, -1}, {1, 0}, {-1, 0}, {0, 1}} {
		best, found := [2]float64{}, false
		for _, p := range places {
			if !q.Holds(p) {
				continue
			}
			at := q.Pixel(p)
			if !found || at[0]*way[0]+at[1]*way[1] > best[0]*way[0]+best[1]*way[1] {
				best, found = at, true
			}
		}
		if found {
			list = append(list, best)
		}
	}
	return list
}

// label is the surface's formula.
func (l *Live) label(d evaluate.Moment) string {
	return compose.TripleFormulaLaTeX(d, [3]string{l.body.X, l.body.Y, l.body.Z}, l.body.Letters()...)
}

// Sentence says “the surface (cos u, sin u, v), u from 0 to 2π, v from 0 to 2”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	words := []evaluate.Word{evaluate.Says("the surface "), {LaTeX: compose.TripleFormulaLaTeX(d, [3]string{b.X, b.Y, b.Z}, b.Letters()...)}}
	for i, side := range [2][2]string{{b.FromU, b.ToU}, {b.FromV, b.ToV}} {
		words = append(words, evaluate.Says(", "), d.LetterWord(b.Letters()[i]), evaluate.Says(" from "), d.FormulaWord(side[0]), evaluate.Says(" to "), d.FormulaWord(side[1]))
	}
	return words
}

// Describe says what it is, and how far it reaches.
func (l *Live) Describe(evaluate.Moment, *document.Entry) []string {
	if !l.Exists() {
		return []string{"A parametric surface without an interval."}
	}
	low, high := view.Place{math.Inf(1), math.Inf(1), math.Inf(1)}, view.Place{math.Inf(-1), math.Inf(-1), math.Inf(-1)}
	l.eachPlace(func(p view.Place) {
		for k := range p {
			low[k], high[k] = min(low[k], p[k]), max(high[k], p[k])
		}
	})
	said := "A parametric surface"
	for k, axis := range [3]string{"x", "y", "z"} {
		said += fmt.Sprintf(", %s from %s to %s", axis, number.Format(low[k], 2), number.Format(high[k], 2))
	}
	return []string{said + "."}
}

// mostLooks bounds at how many values of each parameter it is looked how far the surface reaches, looksWork the operations that this takes.
const mostLooks, looksWork = 32, 3e5

// eachPlace visits places all over the surface.
func (l *Live) eachPlace(visit func(view.Place)) {
	looks := max(1, min(mostLooks, int(math.Sqrt(looksWork/max(1, l.work())))))
	for i := range looks + 1 {
		for j := range looks + 1 {
			if p := l.At(l.Ends[0]+(l.Ends[1]-l.Ends[0])*float64(i)/float64(looks), l.Ends[2]+(l.Ends[3]-l.Ends[2])*float64(j)/float64(looks)); p.IsFinite() {
				visit(p)
			}
		}
	}
}

// Box is all of the surface.
func (l *Live) Box(_ evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	if l.Exists() {
		l.eachPlace(box.AddPlace)
	}
}
