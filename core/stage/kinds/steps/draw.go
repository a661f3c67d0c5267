package steps

import (
	"fmt"
	"math"

	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kind"
	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// Widths, opacities and lengths of a transformation in steps.
const (
	passedOpacity = 0.4
	passedWidth   = 1.6
	arrowWidth    = 2.0
	keyRadius     = 4.6
)

// sight is what is seen of a transformation: the places of the parent, of the steps that it has passed and where it stands,
// the key points of the parent, and the asymptotes where it stands.
type sight struct {
	passed         []Place
	now            Place
	keys           []float64
	upright, level []float64
}

// See works out where the steps lead with the values in play.
func (t *Live) See(m evaluate.Moment, v view.View, _ any) any {
	seen := &sight{now: t.PlaceAt(m, t.Position), keys: t.Keys(m)}
	for k := 0.0; k <= math.Max(0, math.Ceil(t.Position)-1); k++ {
		seen.passed = append(seen.passed, t.PlaceAt(m, k))
	}
	seen.upright, seen.level = t.Asymptotes(seen.now, v.Left, v.Right)
	return seen
}

// Compose draws the transformation where it stands: the parent grey and dashed, curves that it has passed compose.Faint, the present
// one strong, and arrows that carry the key points through the step at hand.
func (t *Live) Compose(on *compose.On) (anchors []compose.Anchor) {
	id, seen := on.Entry.ID, on.Seen.(*sight)
	stamp, hue := on.Now.Stamp(t.Function), compose.ColourOf(on.Entry)
	draw := func(key string, place Place, pen compose.Strokes) (compose.Anchor, bool) {
		from := compose.Source{Function: t.Parent, Stamp: stamp, Variant: place.asVariant()}
		return on.Stroked(on.Sampled(id+"."+key, id, from, t.Inputs(on.Now, place)), pen)
	}
	label := func(a compose.Anchor, ok bool, key, latex string, colour picture.Colour) {
		if ok {
			a.Label = picture.Label{ID: id + "." + key, LaTeX: latex, Colour: colour}
			anchors = append(anchors, a)
		}
	}
	a, ok := draw("parent", seen.passed[0], compose.Stroke(picture.Grey, on.Scaled(compose.ParentWidth), picture.Dashed, 1))
	label(a, ok, "parent", "y="+on.Now.LaTeX(t.States[0].Formula, nil), picture.Grey)
	for k := 1; k < len(seen.passed); k++ {
		draw(fmt.Sprint(k), seen.passed[k], compose.Stroke(hue, on.Scaled(passedWidth), picture.Whole, passedOpacity))
	}
	if t.Position == 0 {
		return append(anchors, t.composeKeys(on, seen.passed[0], picture.Grey)...)
	}
	t.composeAsymptotes(on)
	draw("now", seen.now, compose.Stroke(hue, on.Scaled(compose.CurveWidth), picture.Whole, 1))
	t.composeArrows(on)
	return append(anchors, t.composeKeys(on, seen.now, hue)...)
}

// composeAsymptotes draws those of the curve at hand.
func (t *Live) composeAsymptotes(on *compose.On) {
	v := on.View
	seen := on.Seen.(*sight)
	colour, width := compose.ColourOf(on.Entry), on.Scaled(compose.GuideWidth)
	for _, at := range seen.upright {
		if x := v.X(at); x >= 0 && x <= v.Width {
			on.Pen.Segment(colour, width, picture.Dashed, x, 0, x, v.Height)
		}
	}
	for _, at := range seen.level {
		if y := v.Y(at); y >= 0 && y <= v.Height {
			on.Pen.Segment(colour, width, picture.Dashed, 0, y, v.Width, y)
		}
	}
}

// composeArrows leads from the key points before the step at hand to where they are now.
func (t *Live) composeArrows(on *compose.On) {
	v, seen := on.View, on.Seen.(*sight)
	before, now, keys := seen.passed[len(seen.passed)-1], seen.now, seen.keys
	for i := 0; i+1 < len(keys); i += 2 {
		x1, y1 := before.Of(keys[i], keys[i+1])
		x2, y2 := now.Of(keys[i], keys[i+1])
		if v.Sees(x1, y1) || v.Sees(x2, y2) {
			from, to := [2]float64{v.X(x1), v.Y(y1)}, [2]float64{v.X(x2), v.Y(y2)}
			// Short of the point that stands at its end.
			if length := math.Hypot(to[0]-from[0], to[1]-from[1]); length > 2*keyRadius && length < 1e5 {
				share := 1 - float64(on.Scaled(keyRadius))/length
				to = [2]float64{from[0] + (to[0]-from[0])*share, from[1] + (to[1]-from[1])*share}
				on.Arrow(compose.Stroke(compose.ColourOf(on.Entry), on.Scaled(arrowWidth), picture.Whole, 1), from, to)
			}
		}
	}
}

// composeKeys draws the parent's key points at a place, with their coordinates while the curve rests.
func (t *Live) composeKeys(on *compose.On, place Place, colour picture.Colour) (anchors []compose.Anchor) {
	v, keys := on.View, on.Seen.(*sight).keys
	for i := 0; i+1 < len(keys); i += 2 {
		px, py := place.Of(keys[i], keys[i+1])
		if !v.Sees(px, py) {
			continue
		}
		x, y := v.X(px), v.Y(py)
		on.Mark(colour, picture.Disc, px, py, keyRadius)
		if t.Position == math.Trunc(t.Position) {
			anchors = append(anchors, compose.Anchor{X: x, Y: y, IsPoint: true, Label: picture.Label{ID: fmt.Sprintf("%s.key%d", on.Entry.ID, i/2),
				LaTeX: on.Now.Typeset(evaluate.PairLaTeX(px, py, 2)), Colour: colour}})
		}
	}
	return anchors
}

// Describe says where the transformation stands.
func (t *Live) Describe(d evaluate.Moment, _ *document.Entry) []string {
	text := fmt.Sprintf("%s from its parent, after %s of %d steps.", t.Function.Stated.Name, number.Format(math.Ceil(t.Position), 0), len(t.Steps))
	if k := int(math.Ceil(t.Position)); k > 0 {
		text += " " + t.Sentences(d)[k-1]
	}
	return []string{text}
}

// Box is the parent's key points and where they go.
func (t *Live) Box(d evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	keys := t.Keys(d)
	for _, place := range [2]Place{t.PlaceAt(d, 0), t.PlaceAt(d, float64(len(t.Steps)))} {
		for i := 0; i+1 < len(keys); i += 2 {
			box.Add(place.Of(keys[i], keys[i+1]))
		}
	}
}

// asVariant tells the curves at different places apart.
func (p Place) asVariant() [4]float64 { return [4]float64{p.Across, p.Right, p.Up, p.Lift} }
