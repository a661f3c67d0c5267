// Package curve is the graph of a function: one curve, or a family of them.
package curve

import (
	"fmt"
	"strings"

	"parvix/core/formula/number"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/kind"
	"parvix/core/stage/kinds/family"
	"parvix/core/stage/picture"
)

// Letter begins the ids of curves.
func (*Body) Letter() string { return "c" }

// Live is the graph of a function in play.
type Live struct {
	Function *evaluate.Function
	// Family is nil for a single curve.
	Family *family.Family
	// Grips are the key points by which a hand moves it.
	Grips []Grip

	body *Body
}

// Load finds the function, and the family's values or the grips.
func (b *Body) Load(d evaluate.Loading, e *document.Entry) kind.Live {
	l := &Live{body: b, Function: d.Graph(b.Function, e.ID)}
	if l.Function == nil {
		return nil
	}
	if b.Family != nil {
		if l.Family = family.Of(d, b.Family, e.ID); l.Family == nil {
			return nil
		}
	} else if b.Grips {
		l.Grips = gripsOf(d, l.Function)
	}
	return l
}

// Sentence says “the curve of f”.
func (b *Body) Sentence(d evaluate.Moment, _ *evaluate.Shown) []evaluate.Word {
	of := evaluate.NameWord(b.Function)
	switch {
	case b.Parent:
		return []evaluate.Word{evaluate.Says("the parent curve "), of}
	case b.Family != nil:
		return append([]evaluate.Word{of, evaluate.Says(" for ")}, family.Sentence(d, b.Family)...)
	}
	return []evaluate.Word{evaluate.Says("the curve of "), of}
}

// colour is the entry's own, the parent's grey.
func (l *Live) colour(e *document.Entry) picture.Colour {
	if l.body.Parent {
		return picture.Grey
	}
	return compose.ColourOf(e)
}

// IsParent tells that it is drawn as the parent, grey.
func (l *Live) IsParent() bool { return l.body.Parent }

// Graph is the function.
func (l *Live) Graph() *evaluate.Function { return l.Function }

// Curves is how many there are.
func (l *Live) Curves() int {
	if l.Family == nil {
		return 1
	}
	return len(l.Family.Members)
}

// Compose draws the curve, sampled again only when a parameter of it or the view has changed.
func (l *Live) Compose(on *compose.On) []compose.Anchor {
	if l.Family != nil {
		return l.members(on)
	}
	e := on.Entry
	drawn := on.Sampled(e.ID, e.ID, compose.Source{Function: l.Function.Curve, Stamp: on.Now.Stamp(l.Function)}, on.Now.Inputs())
	pen := compose.Stroke(l.colour(e), on.Scaled(compose.CurveWidth), compose.PatternOf(e, picture.Whole), 1)
	if l.body.Parent {
		pen.Width, pen.Pattern = on.Scaled(compose.ParentWidth), compose.PatternOf(e, picture.Dashed)
	}
	l.composeBefore(on, pen)
	a, ok := on.Stroked(drawn, pen)
	l.composeGrips(on)
	if !ok {
		return nil
	}
	a.Short = evaluate.HeadLaTeX(l.Function.Stated.Name, nil)
	return on.Labelled(a, l.label(on.Now, e), pen.Colour)
}

// composeBefore draws the curve as it was before a dial moved, pale, where it is remembered.
func (l *Live) composeBefore(on *compose.On, pen compose.Strokes) {
	in, number := on.Now.Before()
	if in == nil || len(l.Function.Hangs()) == 0 {
		return
	}
	from := compose.Source{Function: l.Function.Curve, Stamp: number, Variant: [4]float64{1}}
	pen.Opacity, pen.Pattern = compose.Faint, picture.Whole
	on.Stroked(on.Sampled(on.Entry.ID+".before", on.Entry.ID, from, in), pen)
}

// members draws one curve for each, in a ramp of colours and with patterns in turn, each labelled with its value.
func (l *Live) members(on *compose.On) (anchors []compose.Anchor) {
	id, count := on.Entry.ID, len(l.Family.Members)
	stamp := on.Now.StampOf(l.Function.Hangs(), l.Family.Parameter)
	for k, m := range l.Family.Members {
		key := fmt.Sprintf("%s.%d", id, k)
		from := compose.Source{Function: l.Function.Curve, Stamp: stamp, Variant: [4]float64{m.Value}}
		drawn := on.Sampled(key, id, from, l.Family.InputsFor(on.Now, m))
		pen := compose.Stroke(compose.RampColour(k, count), on.Scaled(compose.MemberWidth), picture.Pattern(k%3), 1)
		a, ok := on.Stroked(drawn, pen)
		if ok {
			a.Row = id
			anchors = append(anchors, on.LabelledAs(key, a, m.LaTeX, pen.Colour)...)
		}
	}
	return anchors
}

// Measure is its formula with the values in play, for a text; a family has none.
func (l *Live) Measure(d evaluate.Moment) string {
	if l.Family != nil {
		return ""
	}
	return d.HeadLaTeX(l.Function.Stated.Name, l.Function.Stated.Variables) + "=" + d.Now(l.Function)
}

func (l *Live) label(d evaluate.Moment, e *document.Entry) string {
	stated := l.Function.Stated
	head := evaluate.HeadLaTeX(stated.Name, nil)
	// A curve that has collapsed would seem to have vanished: it says what it is now.
	if what := d.Collapsed(l.Function); what != "" {
		return head + `\text{, now a ` + what + `}`
	}
	if e.Look.Label == document.LabelFormula {
		return l.Measure(d)
	}
	return head
}

// Describe says what the curve is, and where it meets the axes and turns as far as that is known; or the family's values.
func (l *Live) Describe(d evaluate.Moment, _ *document.Entry) []string {
	if l.Family == nil {
		said := []string{"The curve of " + l.body.Function + ": " + d.Spoken(l.Function) + "."}
		if known, isCurrent := d.FoundOf(l.Function); isCurrent && known.Period == 0 {
			for _, of := range described {
				if points := known.Points[of.finding]; len(points) > 0 && len(points) <= mostDescribed {
					said = append(said, of.words+" "+pairs(points)+".")
				}
			}
		}
		return said
	}
	first, last := l.Family.Ends()
	return []string{fmt.Sprintf("%d curves of %s, for values of %s from %v to %v.", len(l.Family.Members), l.body.Function, l.body.Family.Parameter, first, last)}
}

// Box is what is interesting of the curve.
func (l *Live) Box(_ evaluate.Moment, _ *evaluate.Shown, _ *document.Panel, box kind.Box) {
	box.Curve(l.Function)
}

// described are the findings that are told with a curve.
var described = []struct {
	finding document.Finding
	words   string
}{{document.Zeros, "It meets the x-axis at"}, {document.YIntercept, "It meets the y-axis at"}, {document.Maxima, "It is highest at"},
	{document.Minima, "It is lowest at"}, {document.Holes, "It has a hole at"}}

// mostDescribed is of how many points each is told.
const mostDescribed = 4

func pairs(points []found.Point) string {
	var list []string
	for _, p := range points {
		list = append(list, fmt.Sprintf("(%s, %s)", number.Format(p.X, 2), number.Format(p.Y, 2)))
	}
	return strings.Join(list, ", ")
}
