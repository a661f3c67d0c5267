// Package svg writes a picture as a Scalable Vector Graphic (SVG 1.1), for shelf pictures and comparisons.
package svg

import (
	"fmt"
	"html"
	"strings"

	"parvix/core/compose"
	"parvix/core/document"
	"parvix/core/evaluate"
	"parvix/core/picture"
)

// Document draws a demonstration's first panel at its starting values, without labels.
func Document(doc *document.Document, width, height float64) string {
	d := evaluate.Load(doc, nil)
	shares := sharesOf(doc)
	if len(shares) == 1 {
		var c compose.Composer
		return Picture(c.Panel(d, d.Panel(0), width, height), width, height, doc.Title)
	}
	for i, share := range shares {
		d.SetSize(i, width*share, height)
	}
	var b strings.Builder
	begin(&b, width, height, doc.Title)
	left := 0.0
	for i, share := range shares {
		var c compose.Composer
		p := c.Panel(d, d.Panel(i), width*share, height)
		// A nested picture is cut at its edge.
		fmt.Fprintf(&b, `<svg x="%g" width="%g" height="%g">`, left, width*share, height)
		write(&b, p)
		fmt.Fprintf(&b, `<rect width="%g" height="%g" fill="none" stroke="%s"/></svg>`, width*share, height, colours[picture.Grid])
		left += width * share
	}
	b.WriteString("</svg>")
	return b.String()
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

// hues of the light theme; web/src/styles/theme.css holds the same.
var colours = map[picture.Colour]string{
	0: "#0B4F8C", 1: "#B5452C", 2: "#0B6B6F", 3: "#6A4C9C", 4: "#8A5A00", 5: "#A8326E", 6: "#3F6212", 7: "#4A4F57",
	picture.Ink: "#14283A", picture.Grid: "#D5DEE3", picture.FineGrid: "#E9EEF0", picture.Axis: "#5B6B78",
	picture.Grey: "#7C8893", picture.Sheet: "#FFFEFA",
	picture.Ramp: "#35308A", picture.Ramp + 1: "#1F5A9E", picture.Ramp + 2: "#0B7486", picture.Ramp + 3: "#147A4A", picture.Ramp + 4: "#5F7310",
	picture.Ramp + 5: "#9A6200", picture.Ramp + 6: "#B5481B", picture.Ramp + 7: "#A32344", picture.Ramp + 8: "#6D1A5B",
}

var dashes = map[picture.Pattern]string{picture.Dashed: "9 6", picture.Dotted: "2 5"}

// Picture writes one picture.
func Picture(p *picture.Picture, width, height float64, title string) string {
	var b strings.Builder
	begin(&b, width, height, title)
	write(&b, p)
	b.WriteString("</svg>")
	return b.String()
}

func begin(b *strings.Builder, width, height float64, title string) {
	fmt.Fprintf(b, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %g %g" role="img"><title>`, width, height)
	b.WriteString(html.EscapeString(title))
	fmt.Fprintf(b, `</title><rect width="%g" height="%g" fill="%s"/>`, width, height, colours[picture.Sheet])
}

func write(b *strings.Builder, p *picture.Picture) {
	for _, data := range [2][]float32{p.Ground, p.Live} {
		records(b, data, p.Texts)
	}
}

func records(b *strings.Builder, data []float32, texts []string) {
	for i := 0; i < len(data); {
		switch picture.Op(data[i]) {
		case picture.Line:
			i += line(b, data[i:])
		case picture.Area:
			i += area(b, data[i:])
		case picture.Marker:
			fill, stroke := colours[picture.Colour(data[i+1])], colours[picture.Sheet]
			if picture.Shape(data[i+2]) == picture.Ring {
				fill, stroke = stroke, fill
			}
			fmt.Fprintf(b, `<circle cx="%.1f" cy="%.1f" r="%.1f" fill="%s" stroke="%s" stroke-width="1.5"/>`,
				data[i+3], data[i+4], data[i+5], fill, stroke)
			i += 6
		case picture.Text:
			fmt.Fprintf(b, `<text x="%.1f" y="%.1f" font-family="sans-serif" font-size="12" text-anchor="%s" fill="%s">`,
				data[i+3], data[i+4]+4, [3]string{"start", "middle", "end"}[int(data[i+5])], colours[picture.Colour(data[i+1])])
			b.WriteString(html.EscapeString(texts[int(data[i+2])]))
			b.WriteString("</text>")
			i += 6
		default:
			i += 4
		}
	}
}

func area(b *strings.Builder, r []float32) int {
	fmt.Fprintf(b, `<polygon fill="%s" fill-opacity="%g"`, colours[picture.Colour(r[1])], r[4])
	return points(b, r)
}

func line(b *strings.Builder, r []float32) int {
	fmt.Fprintf(b, `<polyline fill="none" stroke="%s" stroke-width="%g" stroke-opacity="%g"`, colours[picture.Colour(r[1])], r[2], r[4])
	if dash := dashes[picture.Pattern(r[3])]; dash != "" {
		fmt.Fprintf(b, ` stroke-dasharray="%s"`, dash)
	}
	return points(b, r)
}

// points writes the points of a line or an area and returns the record's length.
func points(b *strings.Builder, r []float32) int {
	n := int(r[5])
	b.WriteString(` points="`)
	for k := range n {
		fmt.Fprintf(b, "%.1f,%.1f ", r[6+2*k], r[7+2*k])
	}
	b.WriteString(`"/>`)
	return 6 + 2*n
}
