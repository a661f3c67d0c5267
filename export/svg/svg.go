// Package svg writes a picture as a Scalable Vector Graphic (SVG 1.1), for shelf pictures and comparisons.
package svg

import (
	"fmt"
	"html"
	"math"
	"strings"

	"parvix/core/formula/typeset"
	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	_ "parvix/core/stage/kinds"
	"parvix/core/stage/picture"
	"parvix/export/theme"
)

// Document draws a demonstration's first panels at its starting values, without labels.
func Document(doc *document.Document, width, height float64) string {
	return write(composed(doc, width, height, 0), doc.Title, width, height, 0)
}

// part is a panel's picture beside those of others.
type part struct {
	picture *picture.Picture
	width   float64
}

// composed are the pictures of the panels that are drawn beside each other; cells is how many a surface has along an axis, 0 for the usual.
func composed(doc *document.Document, width, height float64, cells int) []part {
	d := evaluate.Load(doc, nil)
	shares := sharesOf(doc)
	if len(shares) > 1 {
		for i, share := range shares {
			d.SetSize(i, width*share, height)
		}
	}
	parts := make([]part, len(shares))
	for i, share := range shares {
		c := compose.Composer{Cells: cells}
		parts[i] = part{c.Compose(d.Frame(i, width*share, height)), width * share}
	}
	return parts
}

// write puts parts beside each other; points of a line nearer than the grain to the one before are left out.
func write(parts []part, title string, width, height, grain float64) string {
	w := writer{grain: grain}
	w.begin(width, height, title)
	left := 0.0
	for _, p := range parts {
		if len(parts) == 1 {
			w.picture(p.picture)
			break
		}
		// A nested picture is cut at its edge.
		fmt.Fprintf(&w, `<svg x="%g" width="%g" height="%g">`, left, p.width, height)
		w.picture(p.picture)
		fmt.Fprintf(&w, `<rect width="%g" height="%g" fill="none" stroke="%s"/></svg>`, p.width, height, colours[picture.Grid])
		left += p.width
	}
	w.WriteString("</svg>")
	return w.String()
}

// Small is Document in at most so many bytes: points and marks that crowd are left out, and where that is not enough only
// the title is left.
func Small(doc *document.Document, width, height float64, most int) string {
	for _, cells := range []int{compose.MovingCells, compose.MovingCells / 2} {
		parts := composed(doc, width, height, cells)
		for _, grain := range []float64{0, 0.7, 1.5, 3, 6} {
			if text := write(parts, doc.Title, width, height, grain); len(text) <= most {
				return text
			}
		}
	}
	return write(nil, doc.Title, width, height, 0)
}

// sharesOf are the widths of the panels that are drawn beside each other, the first two; a circle needs half as much as
// its graph.
func sharesOf(doc *document.Document) []float64 {
	switch {
	case len(doc.Panels) == 1:
		return []float64{1}
	case doc.Panels[0].Kind == document.Around:
		return []float64{1.0 / 3, 2.0 / 3}
	}
	return []float64{0.5, 0.5}
}

// A picture as a file is on paper, whatever the theme of the screen.
var colours = theme.Paper.Colours()

var dashes = map[picture.Pattern]string{picture.Dashed: "9 6", picture.Dotted: "2 5"}

// Picture writes one picture.
func Picture(p *picture.Picture, width, height float64, title string) string {
	return write([]part{{p, width}}, title, width, height, 0)
}

// writer writes records; its grain is the least distance of two points in pixels, 0 for all of them.
type writer struct {
	strings.Builder
	grain float64
	// marked are the places of markers, in steps of the grain.
	marked map[[2]int]bool
}

func (w *writer) begin(width, height float64, title string) {
	fmt.Fprintf(w, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %g %g" role="img"><title>`, width, height)
	w.WriteString(escaped(title))
	fmt.Fprintf(w, `</title><rect width="%g" height="%g" fill="%s"/>`, width, height, colours[picture.Sheet])
}

// escaped leaves out what no XML may hold: control characters have no place in a title.
func escaped(text string) string {
	return html.EscapeString(strings.Map(func(r rune) rune {
		if r < ' ' || r == 0x7f || r == 0xfffe || r == 0xffff {
			return -1
		}
		return r
	}, text))
}

func (w *writer) picture(p *picture.Picture) {
	w.records(p.Ground, nil)
	w.records(p.Live, p.Words)
}

// records writes a list; words are what its texts and glyphs say.
func (w *writer) records(data []float32, words []string) {
	w.marked = map[[2]int]bool{}
	for r := range picture.Records(data) {
		switch picture.Op(r[0]) {
		case picture.Line:
			w.line(r)
		case picture.Area:
			w.area(r)
		case picture.Marker:
			w.marker(r)
		case picture.Text:
			fmt.Fprintf(w, `<text x="%.1f" y="%.1f" font-family="sans-serif" font-size="12" text-anchor="%s" fill="%s">`,
				r[3], r[4]+4, [3]string{"start", "middle", "end"}[int(r[5])], colours[picture.Colour(r[1])])
			w.WriteString(escaped(words[int(r[2])]))
			w.WriteString("</text>")
		case picture.Glyphs:
			w.glyphs(r, words[int(r[6])])
		case picture.Bar:
			fmt.Fprintf(w, `<rect x="%.1f" y="%.1f" width="%.1f" height="%.1f" fill="%s"/>`, r[2], r[3], r[4], r[5], colours[picture.Colour(r[1])])
		}
	}
}

// styles are those of the faces of formulas, where the faces themselves are not at hand; the page puts them into the pictures that it
// exports (web/src/core/fonts.ts).
var styles = map[typeset.Face]string{typeset.Italic: ` font-style="italic"`, typeset.Slanted: ` font-style="italic"`, typeset.Bold: ` font-weight="bold"`}

// glyphs writes a run of a formula, as wide as it was set, whatever face it is shown in.
func (w *writer) glyphs(r []float32, words string) {
	face := typeset.Face(r[2])
	width := typeset.Width(face, words) * float64(r[3])
	fmt.Fprintf(w, `<text x="%.1f" y="%.1f" font-family="ParvixFormula%d, serif" font-size="%.1f" textLength="%.1f" lengthAdjust="spacingAndGlyphs" fill="%s"%s`, r[4], r[5], face, r[3], width,
		colours[picture.Colour(r[1])], styles[face])
	if r[7] == 1 {
		fmt.Fprintf(w, ` stroke="%s" stroke-width="4" paint-order="stroke" stroke-linejoin="round"`, colours[picture.Sheet])
	}
	fmt.Fprintf(w, `>%s</text>`, escaped(words))
}

func (w *writer) marker(r []float32) {
	if w.grain > 0 {
		place := [2]int{int(float64(r[3]) / w.grain), int(float64(r[4]) / w.grain)}
		if w.marked[place] {
			return
		}
		w.marked[place] = true
	}
	fill, stroke := colours[picture.Colour(r[1])], colours[picture.Sheet]
	if picture.Shape(r[2]) == picture.Ring {
		fill, stroke = stroke, fill
	}
	if corners := cornersOf(picture.Shape(r[2])); corners != nil {
		fmt.Fprintf(w, `<polygon fill="%s" stroke="%s" stroke-width="1.5" points="`, fill, stroke)
		for _, at := range corners {
			fmt.Fprintf(w, "%.1f,%.1f ", float64(r[3])+at[0]*float64(r[5]), float64(r[4])+at[1]*float64(r[5]))
		}
		fmt.Fprint(w, `"/>`)
		return
	}
	fmt.Fprintf(w, `<circle cx="%.1f" cy="%.1f" r="%.1f" fill="%s" stroke="%s" stroke-width="1.5"/>`, r[3], r[4], r[5], fill, stroke)
}

// cornersOf is the outline of a shape that is no circle, in radii; web/src/core/draw.ts draws the same.
func cornersOf(shape picture.Shape) [][2]float64 {
	switch shape {
	case picture.Square:
		return [][2]float64{{-0.9, -0.9}, {0.9, -0.9}, {0.9, 0.9}, {-0.9, 0.9}}
	case picture.Diamond:
		return [][2]float64{{0, -1.25}, {1.25, 0}, {0, 1.25}, {-1.25, 0}}
	case picture.Triangle:
		return [][2]float64{{0, -1.2}, {1.1, 0.8}, {-1.1, 0.8}}
	case picture.Cross:
		return [][2]float64{{-1, -0.5}, {-0.5, -1}, {0, -0.5}, {0.5, -1}, {1, -0.5}, {0.5, 0}, {1, 0.5}, {0.5, 1}, {0, 0.5}, {-0.5, 1}, {-1, 0.5}, {-0.5, 0}}
	}
	return nil
}

func (w *writer) area(r []float32) {
	fmt.Fprintf(w, `<polygon fill="%s" fill-opacity="%g"`, colours[picture.Colour(r[1])], r[4])
	w.points(r)
}

func (w *writer) line(r []float32) {
	fmt.Fprintf(w, `<polyline fill="none" stroke="%s" stroke-width="%g" stroke-opacity="%g"`, colours[picture.Colour(r[1])], r[2], r[4])
	if dash := dashes[picture.Pattern(r[3])]; dash != "" {
		fmt.Fprintf(w, ` stroke-dasharray="%s"`, dash)
	}
	w.points(r)
}

// points writes the points of a line or an area.
func (w *writer) points(r []float32) {
	n := int(r[5])
	w.WriteString(` points="`)
	last := [2]float32{}
	for k := range n {
		x, y := r[6+2*k], r[7+2*k]
		if k > 0 && k < n-1 && math.Hypot(float64(x-last[0]), float64(y-last[1])) < w.grain {
			continue
		}
		last = [2]float32{x, y}
		fmt.Fprintf(w, "%.1f,%.1f ", x, y)
	}
	w.WriteString(`"/>`)
}
