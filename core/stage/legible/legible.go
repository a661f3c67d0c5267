// Package legible judges a picture as one who reads it: does a label or a number cover anything, is it plain what it belongs to,
// does it stand crisp. It measures the records that are drawn and knows nothing of how places were found.
package legible

import (
	"fmt"
	"math"

	"parvix/core/stage/picture"
	"parvix/core/stage/view"
)

// Verdict is what is wrong with the labels of a picture.
type Verdict struct {
	// Labels is how many there are; LeftOut how many more had no room.
	Labels, LeftOut int
	// Covering, Ambiguous, Blurred and Far list what is wrong: the label and what with.
	Covering, Ambiguous, Blurred, Far []string
	// Led is how many are joined to their own by a line.
	Led int
}

// Add takes the faults of another picture in.
func (v *Verdict) Add(o Verdict, where string) {
	v.Labels, v.LeftOut, v.Led = v.Labels+o.Labels, v.LeftOut+o.LeftOut, v.Led+o.Led
	for _, pair := range []struct {
		to   *[]string
		from []string
	}{{&v.Covering, o.Covering}, {&v.Ambiguous, o.Ambiguous}, {&v.Blurred, o.Blurred}, {&v.Far, o.Far}} {
		for _, fault := range pair.from {
			*pair.to = append(*pair.to, where+": "+fault)
		}
	}
}

// rect is a rectangle by its sides.
type rect struct{ left, top, right, bottom float64 }

// pad is the empty room around the ink of a label, in pixels.
const pad = 3.0

// leastPoint is the radius from which a mark is a point, and no dot of a trace.
const leastPoint = 4

// mostFar is how far a label may be from its own without a line that leads there.
const mostFar = 24.0

func inkOf(l *picture.Label) rect {
	return rect{l.X + pad, l.Y + pad, l.X + l.Width - pad, l.Y + l.Height - pad}
}

func (r rect) meets(o rect) bool {
	return r.left < o.right && o.left < r.right && r.top < o.bottom && o.top < r.bottom
}

// from is the distance of a place from the rectangle.
func (r rect) from(x, y float64) float64 {
	return math.Hypot(math.Max(0, math.Max(r.left-x, x-r.right)), math.Max(0, math.Max(r.top-y, y-r.bottom)))
}

// fromSegment is the distance of a segment from the rectangle: 0 where they meet, else from an end of the segment or a corner.
func (r rect) fromSegment(x1, y1, x2, y2 float64) float64 {
	if _, _, is := view.Cut(x1, y1, x2, y2, r.left, r.top, r.right, r.bottom); is {
		return 0
	}
	least := math.Min(r.from(x1, y1), r.from(x2, y2))
	dx, dy := x2-x1, y2-y1
	square := dx*dx + dy*dy
	for _, c := range [4][2]float64{{r.left, r.top}, {r.right, r.top}, {r.left, r.bottom}, {r.right, r.bottom}} {
		share := 0.0
		if square > 0 {
			share = math.Max(0, math.Min(1, ((c[0]-x1)*dx+(c[1]-y1)*dy)/square))
		}
		least = math.Min(least, math.Hypot(c[0]-x1-share*dx, c[1]-y1-share*dy))
	}
	return least
}

// Judge tells what is wrong with a picture.
func Judge(p *picture.Picture) Verdict {
	v := Verdict{Labels: len(p.Labels), LeftOut: p.LeftOut}
	numbers := numbersOf(p)
	for i := range p.Labels {
		l := &p.Labels[i]
		ink := inkOf(l)
		if l.X != math.Round(l.X) || l.Y != math.Round(l.Y) {
			v.Blurred = append(v.Blurred, l.ID)
		}
		for k := range p.Labels[i+1:] {
			if other := &p.Labels[i+1+k]; ink.meets(inkOf(other)) {
				v.Covering = append(v.Covering, l.ID+" the label "+other.ID)
			}
		}
		for _, number := range numbers {
			if ink.meets(number) {
				v.Covering = append(v.Covering, l.ID+" a number")
			}
		}
		if what := covered(ink, p); what != "" {
			v.Covering = append(v.Covering, fmt.Sprintf("%s “%s” %s", l.ID, l.LaTeX, what))
		}
		v.judgeNearness(l, ink, p)
	}
	for _, number := range numbers {
		// The box of a number is a little larger than its digits.
		if what := covered(rect{number.left + 1, number.top + 2, number.right - 1, number.bottom - 2}, p); what == "a line" || what == "a point" {
			v.Covering = append(v.Covering, "a number "+what)
		}
	}
	return v
}

// judgeNearness tells whether a label is plainly that of its own: of lines in its colour, or of the point at its place.
func (v *Verdict) judgeNearness(l *picture.Label, ink rect, p *picture.Picture) {
	if l.IsLed {
		v.Led++
		return
	}
	if away := ink.from(l.At[0], l.At[1]); away > mostFar {
		v.Far = append(v.Far, fmt.Sprintf("%s “%s” by %.0f", l.ID, l.LaTeX, away))
	}
	if ink.from(l.At[0], l.At[1]) == 0 {
		return // it stands on its own
	}
	own, others := math.Inf(1), math.Inf(1)
	isPoint := false
	for r := range picture.Records(p.Live) {
		if picture.Op(r[0]) == picture.Marker && math.Hypot(float64(r[3])-l.At[0], float64(r[4])-l.At[1]) < 1 {
			isPoint = true
		}
	}
	if isPoint {
		for r := range picture.Records(p.Live) {
			if picture.Op(r[0]) != picture.Marker || r[5] < leastPoint {
				continue
			}
			away := ink.from(float64(r[3]), float64(r[4])) - float64(r[5])
			if math.Hypot(float64(r[3])-l.At[0], float64(r[4])-l.At[1]) < 1 {
				own = math.Min(own, away)
			} else {
				others = math.Min(others, away)
			}
		}
	} else {
		note := func(colour float32, away float64) {
			if picture.Colour(colour) == l.Colour {
				own = math.Min(own, away)
			} else {
				others = math.Min(others, away)
			}
		}
		eachSegment(p.Live, func(r []float32, x1, y1, x2, y2 float64) {
			// A leader is no line that a label could be of.
			if r[2] != 1 {
				note(r[1], ink.fromSegment(x1, y1, x2, y2))
			}
		})
		// The disc at the end of a curve is of the curve.
		for r := range picture.Records(p.Live) {
			if picture.Op(r[0]) == picture.Marker && r[5] >= leastPoint && picture.Colour(r[1]) == l.Colour {
				note(r[1], ink.from(float64(r[3]), float64(r[4]))-float64(r[5]))
			}
		}
	}
	// Pixels are whole: half a pixel is no fault.
	if !math.IsInf(own, 1) && others < 2*own-1 {
		v.Ambiguous = append(v.Ambiguous, fmt.Sprintf("%s “%s” %.0f from its own, %.0f from another", l.ID, l.LaTeX, own, others))
	}
}

// covered names what a rectangle of ink lies on.
func covered(ink rect, p *picture.Picture) (what string) {
	for i, list := range [2][]float32{p.Live, p.Ground} {
		eachSegment(list, func(r []float32, x1, y1, x2, y2 float64) {
			colour := picture.Colour(r[1])
			if colour == picture.Grid || colour == picture.FineGrid {
				return
			}
			away := ink.fromSegment(x1, y1, x2, y2)
			// A leader ends at its label.
			if isEnd := math.Min(ink.from(x1, y1), ink.from(x2, y2)) < 1; r[2] == 1 && isEnd {
				return
			}
			if away < float64(r[2])/2 {
				what = [2]string{"a line", "an axis"}[i]
			}
		})
	}
	for r := range picture.Records(p.Live) {
		if picture.Op(r[0]) == picture.Marker && ink.from(float64(r[3]), float64(r[4])) < float64(r[5]) {
			what = "a point"
		}
	}
	return what
}

func eachSegment(list []float32, visit func(r []float32, x1, y1, x2, y2 float64)) {
	for r := range picture.Records(list) {
		if op := picture.Op(r[0]); op != picture.Line && (op != picture.Area || r[4] != 1) {
			continue
		}
		// The faces of a surface and the lines of its mesh are what labels in space stand before.
		if picture.Colour(r[1]) >= picture.Tint {
			continue
		}
		for i := 8; i+1 < len(r); i += 2 {
			visit(r, float64(r[i-2]), float64(r[i-1]), float64(r[i]), float64(r[i+1]))
		}
	}
}

// numbersOf gives the places of the numbers at the axes.
func numbersOf(p *picture.Picture) (out []rect) {
	for _, n := range p.Numbers {
		out = append(out, rect{n.X, n.Y, n.X + n.Width, n.Y + n.Height})
	}
	return out
}
