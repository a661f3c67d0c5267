package figure_test

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/figure"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/trace"
	"parvix/core/stage/picture"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

// inSpace is what lines give that are typed one after another.
func inSpace(t *testing.T, lines ...string) *document.Document {
	t.Helper()
	d, err := edit.Typed(document.New(""), "", strings.Join(lines, "\n"))
	require.NoError(t, err)
	require.Empty(t, evaluate.Load(d, nil).Problems)
	return d
}

// joined adds a figure through the first points.
func joined(t *testing.T, d *document.Document, shape figure.Shape, points int) *document.Document {
	t.Helper()
	body := &figure.Body{Shape: shape}
	for _, e := range d.Shown[:points] {
		body.Points = append(body.Points, e.ID)
	}
	d, err := edit.Put(d, document.Entry{Body: body})
	require.NoError(t, err)
	return d
}

// labelOfLast is what stands beside the last entry.
func labelOfLast(t *testing.T, d *document.Document) string {
	t.Helper()
	p := stagetest.Again(stagetest.Loaded(t, d), 800, 600)
	return stagetest.Labelled(p, d.Shown[len(d.Shown)-1].ID)
}

// The measures of the points (1, 0, 0), (0, 2, 0), (0, 0, 2), by hand: the way from the first to the second is (−1, 2, 0), of length √5;
// the triangle has half of |(−1, 2, 0) × (−1, 0, 2)| = |(4, 2, 2)|/2 = √24/2; the plane by its intercepts is x + y/2 + z/2 = 1
// (intercept form, common practice); the angle at (0, 2, 0) has the cosine (1 + 0 … −2·−2)/(√5 · √8) = 4/√40, 50.8°.
func TestFiguresOfSpaceTellTheirMeasures(t *testing.T) {
	d := inSpace(t, "A = (1, 0, 0)", "B = (0, 2, 0)", "C = (0, 0, 2)")
	require.Equal(t, document.InSpace, d.Panels[0].Kind)
	assert.Equal(t, "2.236", labelOfLast(t, joined(t, d, figure.Segment, 2)))
	assert.Equal(t, `(−1,\,2,\,0)`, labelOfLast(t, joined(t, d, figure.Arrow, 2)))
	assert.Equal(t, "A=2.449", labelOfLast(t, joined(t, d, figure.Polygon, 3)))
	assert.Equal(t, "2x+y+z=2", labelOfLast(t, joined(t, d, figure.Plane, 3)))
	degrees := joined(t, d, figure.Angle, 3)
	degrees.AngleUnit = document.Degree
	assert.Equal(t, `50.8^{\circ}`, labelOfLast(t, degrees))
	said := evaluate.Load(joined(t, d, figure.Plane, 3), nil)
	assert.Equal(t, "2x+y+z=2", said.Shown[3].Live.(evaluate.Measured).Measure(said))
	area := evaluate.Load(joined(t, d, figure.Polygon, 3), nil)
	assert.Equal(t, "2.449", area.Shown[3].Live.(evaluate.Measured).Measure(area))
	told := said.Shown[3].Live.(*figure.Live).Describe(said, said.Shown[3].Entry)
	assert.Equal(t, []string{"A plane with the normal 2, 1, 1, 0.816 from the origin."}, told, "2/√6 by Hesse's normal form")
}

// x + 2y + z = 3 meets the edges of the box from −3 to 3 in five places, by hand: two coordinates are ends, the third follows. What is not
// linear is no plane, and says so.
func TestAPlaneIsWhatFulfilsItsEquation(t *testing.T) {
	d := inSpace(t, "x + 2y + z = 3")
	assert.Equal(t, "x+2y+z=3", labelOfLast(t, d))
	e := stagetest.Loaded(t, d)
	p := stagetest.Again(e, 800, 600)
	q := view.Seen(e.Panel(0), 800, 600).Projection
	outlines := stagetest.Lines(p.Live, picture.Colour(d.Shown[0].Look.Colour))
	for _, corner := range []view.Place{{-3, 3, 0}, {3, -1.5, 3}, {3, 1.5, -3}, {-3, 1.5, 3}, {0, 3, -3}} {
		at, found := q.Pixel(corner), false
		for _, line := range outlines {
			for _, end := range line {
				found = found || math.Hypot(end[0]-at[0], end[1]-at[1]) < 0.6
			}
		}
		assert.True(t, found, "the corner %v", corner)
	}

	_, err := edit.Typed(d, "", "x² + y² + z² = 4")
	assert.ErrorContains(t, err, "linear")
	upright := inSpace(t, "x + z = 1", "x − y = 0")
	assert.Equal(t, "x-y=0", labelOfLast(t, upright), "where everything is in space, an equation in x and y is a plane too")
}

// A dial moves a plane, and its equation with it.
func TestAPlaneFollowsItsDial(t *testing.T) {
	d := inSpace(t, "x + y + z = k")
	e := stagetest.Loaded(t, d)
	e.Set(0, 2)
	e.Update()
	assert.Equal(t, "x+y+z=2", stagetest.Labelled(stagetest.Again(e, 800, 600), d.Shown[0].ID))
}

// Points of the plane and of space are not joined; a circle by two points needs a plane.
func TestWhatCannotStandInSpaceSaysSo(t *testing.T) {
	d := inSpace(t, "A = (1, 0, 0)", "B = (0, 2, 0)")
	d.Shown = append(d.Shown, document.Entry{ID: "p9", Body: &point.Body{Name: "Q", X: "1", Y: "2"}})
	for _, body := range []*figure.Body{{Shape: figure.Segment, Points: []string{d.Shown[0].ID, "p9"}}, {Shape: figure.Circle, Points: []string{d.Shown[0].ID, d.Shown[1].ID}}} {
		put, err := edit.Put(d, document.Entry{Body: body})
		require.NoError(t, err)
		assert.Len(t, evaluate.Load(put, nil).Problems, 1, body.Shape)
	}
}

// The trace of a point of space has three numbers a place.
func TestAPointOfSpaceIsTraced(t *testing.T) {
	d := inSpace(t, "P = (a, 2a, a²)")
	d.Shown = append(d.Shown, document.Entry{ID: "t1", Look: document.Look{Colour: 7}, Body: &trace.Body{Of: d.Shown[0].ID}})
	e := stagetest.Loaded(t, d)
	for _, a := range []float64{1, 1.5, 1.5, -1} {
		e.Set(0, a)
		e.Update()
	}
	places, inSpace := e.Shown[1].Live.(*trace.Live).Places(e, "t1")
	assert.True(t, inSpace)
	assert.Equal(t, []float64{1, 2, 1, 1.5, 3, 2.25, -1, -2, 1}, places)
	assert.Equal(t, 3, stagetest.Markers(stagetest.Again(e, 800, 600).Live, picture.Colour(7)))
}
