package point_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/stagetest"
)

func dot(id, name, x, y string) document.Entry {
	return document.Entry{ID: id, Body: &point.Body{Name: name, X: x, Y: y}}
}

// A point on a curve goes along it: the hand moves its x, to the steps of the dial, and its y is the function's.
func TestAPointOnACurveIsDraggedAlongIt(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "x²/4"}, map[string]float64{"p": 1}, dot("P", "P", "p", "f(p)"))
	require.Empty(t, e.Problems)
	p := e.Shown[0].Live.(*point.Live)
	assert.True(t, p.Drags)
	p.Drag(e, evaluate.Hand{X: 2.94, Y: -40, Grain: 0.01})
	e.Update()
	assert.Equal(t, 2.9, e.Parameters[0].Value)
	assert.InDelta(t, 2.9*2.9/4, p.Y, 1e-12)
	p.Drag(e, evaluate.Hand{X: 400, Y: 0, Grain: 0.01})
	e.Update()
	assert.Equal(t, [2]float64{5, 6.25}, [2]float64{p.X, p.Y}, "as far as the dial goes, and no further")
	p.Nudge(e, evaluate.Hand{DX: -3, DY: 0, Grain: 0.01})
	e.Update()
	assert.InDelta(t, 4.7, p.X, 1e-12, "three steps of the dial back")
	assert.Equal(t, [2]string{"p", "f(p)"}, settled(e), "it is written as it was typed")
}

func TestAPointOfTwoDialsGoesWhereTheHandIs(t *testing.T) {
	e := stagetest.Demonstration(t, nil, map[string]float64{"a": 0, "b": 0}, dot("P", "P", "a", "b"))
	e.Shown[0].Live.(*point.Live).Drag(e, evaluate.Hand{X: 1.26, Y: -2.34, Grain: 0.01})
	assert.Equal(t, 1.3, e.Parameters[e.Find("a")].Value)
	assert.Equal(t, -2.3, e.Parameters[e.Find("b")].Value)
	e.Shown[0].Live.(*point.Live).Nudge(e, evaluate.Hand{DX: 0, DY: 2, Grain: 0.01})
	assert.InDelta(t, -2.1, e.Parameters[e.Find("b")].Value, 1e-12)
}

// A point typed as numbers is free: its place in play is rounded to the grain of the picture and can be typed again.
func TestAFreePointIsDraggedOnTheGrainOfThePicture(t *testing.T) {
	e := stagetest.Demonstration(t, nil, nil, dot("P", "P", "1/2", "-1.5"))
	p := e.Shown[0].Live.(*point.Live)
	assert.Equal(t, [2]float64{0.5, -1.5}, [2]float64{p.X, p.Y})
	p.Drag(e, evaluate.Hand{X: 0.3000000004, Y: 2.0499, Grain: 0.1})
	assert.Equal(t, [2]string{"0.3", "2"}, settled(e), "no 0.30000000000000004")
	p.Nudge(e, evaluate.Hand{DX: 1, DY: -1, Grain: 0.1})
	assert.Equal(t, [2]string{"0.4", "1.9"}, settled(e))
	fixed := stagetest.Demonstration(t, map[string]string{"f": "x"}, nil, dot("P", "P", "f(2)", "1"))
	assert.False(t, fixed.Shown[0].Live.(*point.Live).Drags, "a computed point is not moved by hand")
}

// settled are the coordinates of the first entry, written where the hand has left it.
func settled(e *evaluate.Demonstration) [2]string {
	body := *e.Shown[0].Entry.Body.(*point.Body)
	e.Shown[0].Live.(evaluate.Settler).Settle(e, &document.Entry{Body: &body})
	return [2]string{body.X, body.Y}
}
