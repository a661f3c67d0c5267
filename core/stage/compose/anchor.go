package compose

import (
	"math"

	"parvix/core/stage/picture"
)

// Anchor is what a label belongs to, in pixels.
type Anchor struct {
	X, Y    float64
	IsPoint bool
	// Inside tells that its label stands on the place itself when there is room, as that of an area does.
	Inside bool
	// IsFree tells that its label belongs to the whole panel and not to the place.
	IsFree bool
	Label  picture.Label
	// Short stands in the place of the label's formula where that has no room.
	Short string
	// Others are further places where its label may stand.
	Others [][2]float64
	// From and To bound its own records in the list that was drawn to; none stand for all that its entry has drawn.
	From, To int
	// Pen is how the curve is drawn, for a legend; a width of 0 stands for what is no curve.
	Pen Strokes
	// Row is the id of the entry whose curves are labelled in one row.
	Row string
	own owners
}

// Rather puts a place before the others.
func (a Anchor) Rather(x, y float64) Anchor {
	a.Others = append([][2]float64{{a.X, a.Y}}, a.Others...)
	a.X, a.Y = x, y
	return a
}

// eachLine visits the lines of a list of records.
func eachLine(data []float32, visit func(points []float32)) {
	for r := range picture.Records(data) {
		if picture.Op(r[0]) == picture.Line {
			visit(r[6:])
		}
	}
}

// apartOnLine is how far apart in pixels the places are that a curve offers to its label.
const apartOnLine, mostPlaces = 36.0, 24

// OnLines offers places along the lines that were drawn since begun, from their right ends on, where labels are looked for.
func (b *Brush) OnLines(begun int) (Anchor, bool) {
	v := b.View
	a := Anchor{From: begun, To: len(b.Pen.Data)}
	found := false
	const edge = 10
	add := func(x, y float64) {
		if x < edge || x > v.Width-edge || y < edge || y > v.Height-edge {
			return
		}
		if !found {
			a.X, a.Y, found = x, y, true
		} else if len(a.Others) < mostPlaces {
			a.Others = append(a.Others, [2]float64{x, y})
		}
	}
	eachLine(b.Pen.Data[begun:], func(points []float32) {
		left := 0.0
		for i := len(points) - 2; i >= 2; i -= 2 {
			x, y := float64(points[i]), float64(points[i+1])
			dx, dy := float64(points[i-2])-x, float64(points[i-1])-y
			length := math.Hypot(dx, dy)
			for ; left < length; left += apartOnLine {
				add(x+dx*left/length, y+dy*left/length)
			}
			left -= length
		}
	})
	return a, found
}

// ownersOf gives each label of an entry its bit, those of one range the same, and the bit of the next.
func ownersOf(anchors []Anchor, next owners) owners {
	for i := range anchors {
		if i > 0 && anchors[i].From == anchors[i-1].From && anchors[i].To == anchors[i-1].To {
			anchors[i].own = anchors[i-1].own
			continue
		}
		anchors[i].own = next
		if next = next << 1; next == 0 {
			next = firstOwner
		}
	}
	return next
}

// takeDrawn marks what an entry has drawn from a place of the list on, each record as that of the smallest range it lies in.
func (r *Room) takeDrawn(drawn []float32, at int, anchors []Anchor) {
	for record := range picture.Records(drawn) {
		by, least, isPoint := nobody, math.MaxInt, false
		for i := range anchors {
			if a := &anchors[i]; a.From <= at && at < a.To && a.To-a.From < least {
				by, least, isPoint = a.own, a.To-a.From, a.IsPoint
			}
		}
		// The grip of a guide and the end of a curve are no point that has a name, but may be taken for one.
		if by != nobody && !isPoint && picture.Op(record[0]) == picture.Marker && record[5] >= leastPoint {
			by |= unnamed
		}
		r.draw(record, by)
		at += len(record)
	}
}
