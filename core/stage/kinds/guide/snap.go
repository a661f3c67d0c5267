package guide

import (
	"math"

	"parvix/core/formula/symbolic"
	"parvix/core/numeric/breaks"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
)

// notable are the places at which a hand lets a guide snap: zeros, turning points and inflections of the curves of a panel, whose heights
// include the extreme values and the centre line of a sinusoid, where a curve has no value, as at a pole, and its level asymptotes, once they
// are found.
type notable struct {
	x, y []float64
	// panel, left and right are where it was looked for, stamp with which values.
	panel       string
	left, right float64
	stamp, told uint64
}

// graph is a curve's formula as it is searched for notable places; it is read once.
type graph struct {
	// roots are of the function and its first two derivatives.
	roots []*breaks.Roots
	gaps  *breaks.Finder
}

// snapWork bounds the search for the notable places of one curve, in operations of arithmetic; snapCurves how many curves are looked at.
const snapWork, snapCurves = 3e5, 6

// snapRoom is how near to a notable place a hand comes before the guide snaps, in pixels.
const snapRoom = 9.0

// look finds the notable places of a panel; it looks anew where the window or a value has changed.
func (l *Live) look(d evaluate.Moment, h evaluate.Hand) *notable {
	curves, stamp := l.curves(d, h.Panel.ID)
	n := &l.known
	if n.panel == h.Panel.ID && n.left == h.View.Left && n.right == h.View.Right && n.stamp == stamp && n.told == d.FoundStamp() {
		return n
	}
	*n = notable{panel: h.Panel.ID, left: h.View.Left, right: h.View.Right, stamp: stamp, told: d.FoundStamp(), y: []float64{0}}
	in := append([]float64(nil), d.Inputs()...)
	for _, f := range curves {
		g := l.graphOf(f)
		gaps, _ := g.gaps.Within(snapWork, n.left, n.right, in)
		for _, gap := range gaps {
			if gap.Kind == breaks.Undefined {
				n.x = append(n.x, gap.X)
			}
		}
		if last, current := d.FoundOf(f); current {
			for _, asymptote := range last.Guides[document.LevelAsymptotes] {
				n.y = append(n.y, asymptote.At)
			}
		}
		for order, roots := range g.roots {
			places, _ := roots.Find(snapWork, n.left, n.right, in)
			for _, x := range places {
				n.x = append(n.x, x)
				if y := f.Curve.At(x, in); order > 0 && !math.IsNaN(y) {
					n.y = append(n.y, y)
				}
			}
		}
	}
	return n
}

func (l *Live) graphOf(f *evaluate.Function) *graph {
	if l.read[f] == nil {
		variable, node := f.Stated.Variables[0], f.Inlined
		g := &graph{gaps: breaks.New(node, l.inputs(variable))}
		for range 3 {
			g.roots = append(g.roots, breaks.NewRoots(node, l.inputs(variable)))
			node = symbolic.Derivative(node, variable)
		}
		l.read[f] = g
	}
	return l.read[f]
}

// curves are the functions whose graphs are seen on a panel, with a number that grows when one of their values moves.
func (l *Live) curves(d evaluate.Moment, panel string) (list []*evaluate.Function, stamp uint64) {
	for _, s := range d.Visible() {
		g, is := s.Live.(evaluate.Graphed)
		if !is || !s.Entry.IsOn(panel) || len(list) == snapCurves {
			continue
		}
		if f := g.Graph(); f != nil && f.Inlined != nil && len(f.Stated.Variables) == 1 {
			list, stamp = append(list, f), max(stamp, d.Stamp(f))
		}
	}
	return list, stamp
}

// Drag moves the guide: a dial to its steps, a number on the grain and to the lines of the grid, in play only until it settles; near a
// notable place of a curve it snaps.
func (l *Live) Drag(d evaluate.Play, h evaluate.Hand) {
	if !l.drags() {
		return
	}
	n := l.look(d, h)
	at, places, pixel := h.X, n.x, h.Pixel
	x, y := compose.Tapped(h.View, h.Panel, h.PX, h.PY)
	free := x
	if l.body.Direction == Level {
		at, places, free, pixel = h.Y, n.y, y, (h.View.Top-h.View.Bottom)/h.View.Height
	}
	near := nearest(places, at)
	switch snaps := math.Abs(near-at) <= snapRoom*pixel; {
	case snaps && l.dial >= 0:
		d.Set(l.dial, near)
	case snaps:
		l.At = near
	case l.dial >= 0:
		d.Set(l.dial, d.Dial(l.dial).OnStep(at))
	default:
		l.At = free
	}
	l.moved = l.moved || l.dial < 0
}

func nearest(places []float64, at float64) float64 {
	best := math.Inf(1)
	for _, p := range places {
		if math.Abs(p-at) < math.Abs(best-at) {
			best = p
		}
	}
	return best
}

// Nudge moves the guide by steps of its dial or of the grain.
func (l *Live) Nudge(d evaluate.Play, h evaluate.Hand) {
	by := h.DX
	if l.body.Direction == Level {
		by = h.DY
	}
	if l.dial >= 0 {
		d.Set(l.dial, d.Dial(l.dial).Stepped(by))
	}
	if !l.free {
		return
	}
	l.At, l.moved = evaluate.OnGrain(l.At+by*h.Grain, h.Grain), true
}

// Settle writes where a hand has left a guide that is a number.
func (l *Live) Settle(d evaluate.Moment, e *document.Entry) {
	if l.moved {
		e.Body.(*Body).At = d.Numeral(evaluate.PlaceText(l.At))
	}
}
