package browser

import (
	"math"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/view"
)

// inSpace is how a space panel is seen on the page.
func inSpace(t *testing.T, l *lesson, panel int) view.Projection {
	t.Helper()
	doc, w := documentOf(t, l.page), seenOn(t, l.page, panel)
	p := doc.Panels[panel]
	require.Equal(t, document.InSpace, p.Kind)
	p.Window = ask[document.Window](t, l.page, `panel => parvix.window(panel)`, panel)
	return view.Seen(&p, w.Width, w.Height).Projection
}

// The surface, its section at a dial, the linked graph and its formula in a text, from an empty bench.
func TestASurfaceIsCutAndTheSectionSeenAsAGraph(t *testing.T) {
	l := counted(t)
	l.state("f(x, y) = (x² − y²)/3")
	l.open("What to do with surface of f")
	l.item("Cut it across y at a dial")
	l.openIn("[aria-label=Shown]", "What to do with g")
	l.item("Put the formula of g into a text")
	l.atMost(8)
	drawn(t, l.page)
	doc := documentOf(t, l.page)
	require.Len(t, doc.Panels, 2, "the graph stands beside")
	require.Len(t, doc.Said, 1)
	assertAccessible(t, l.page, "space")

	// The plane is taken at its corner in space; the graph and the text follow.
	before := values(t, l.page)["c"]
	text := ask[string](t, l.page, `() => document.querySelector('[aria-label=Said]').textContent`)
	pull(t, l.page, one(t, l.page, `[aria-label^="Point section at y = c"]`), 40, 10)
	drawn(t, l.page)
	c := values(t, l.page)["c"]
	require.NotEqual(t, before, c, "the dial goes with the plane")
	until(t, l.page, `before => document.querySelector('[aria-label=Said]').textContent !== before`, text)
	q := inSpace(t, l, 0)
	var onSurface, onGraph [][2]float64
	w := seenOn(t, l.page, 1)
	for k := range 40 {
		x := -2.9 + 5.8*float64(k)/39
		z := (x*x - c*c) / 3
		if math.Abs(z) < 2.9 {
			onSurface = append(onSurface, q.Pixel(view.Place{x, c, z}))
			onGraph = append(onGraph, w.pixel(x, z))
		}
	}
	assert.Greater(t, inkAlong(l, 0, onSurface, hues[1]), len(onSurface)/4, "the curve on the surface, where it is not hidden")
	assert.Greater(t, inkAlong(l, 1, onGraph, hues[1]), len(onGraph)*9/10, "the same curve as a graph")

	// Undone in one step, the plane stands where it stood.
	press(t, l.page, input.Escape)
	click(t, one(t, l.page, `[aria-label^="Undo"]`))
	drawn(t, l.page)
	assert.InDelta(t, before, values(t, l.page)["c"], 1e-9)
}

// A curve with a hole that a point runs through once, each piece in its colour, seen straight down the z-axis.
func TestACurveInSpaceIsRunThroughAndSeenFromAbove(t *testing.T) {
	l := counted(t)
	l.state("(sin t, cos t, (e^t − 1)/t)")
	l.open("What to do with curve in space")
	l.item("Let a point run through it")
	l.open("What to do with curve in space")
	l.item("A colour for each piece")
	l.click(`[data-dial="t"] button`, "▶")
	l.click(`[aria-label="Look straight down the z-axis"]`, "z")
	l.atMost(8)
	until(t, l.page, `async () => (await parvix.values()).t > 3.13`)
	drawn(t, l.page)
	saying(t, l.page, ".only-spoken[role=status]", "seen from straight above.*It has a hole at 0, 1, 1, for t equals 0")
	click(t, saying(t, l.page, "[aria-label=Shown] button", "^findings"))
	saying(t, l.page, "[aria-label=Shown] dt", "^hole$")
	saying(t, l.page, "[aria-label=Shown] dt", "^meets the xz-plane$")
	q := inSpace(t, l, 0)
	assert.InDelta(t, 90, ask[document.Window](t, l.page, `() => parvix.window(0)`).Space.Tilt, 1e-9)
	for _, piece := range []struct {
		from, to float64
		hue      string
	}{{-3.1, -0.3, hues[0]}, {0.3, 3.1, hues[1]}} {
		var places [][2]float64
		for k := range 30 {
			s := piece.from + (piece.to-piece.from)*float64(k)/29
			places = append(places, q.Pixel(view.Place{math.Sin(s), math.Cos(s), (math.Exp(s) - 1) / s}))
		}
		assert.Greater(t, inkAlong(l, 0, places, piece.hue), 24, "the piece from %v", piece.from)
	}
}

// Space is turned, moved and seen along its axes with keys alone; what is kept is how it is seen.
func TestSpaceIsTurnedByKeys(t *testing.T) {
	l := emptyBench(t)
	l.state("f(x, y) = x y/3")
	window := func() document.Sight {
		drawn(t, l.page)
		return documentOf(t, l.page).Panels[0].Window.Space
	}
	plane := one(t, l.page, ".plane")
	require.NoError(t, plane.Focus())
	first := window()
	press(t, l.page, input.ArrowLeft)
	until(t, l.page, `turn => parvix.document().panels[0].window.space.turn !== turn`, first.Turn)
	for key, want := range map[input.Key][2]float64{input.KeyX: {0, 0}, input.KeyY: {-90, 0}, input.KeyZ: {-90, 90}, input.Digit0: {32, 24}} {
		press(t, l.page, key)
		until(t, l.page, `(turn, tilt) => { const s = parvix.document().panels[0].window.space; return Math.abs(s.turn - turn) < 1e-6 && Math.abs(s.tilt - tilt) < 1e-6; }`, want[0], want[1])
	}
	press(t, l.page, input.Equal)
	require.NoError(t, l.page.Keyboard.Press(input.ShiftLeft))
	press(t, l.page, input.ArrowUp)
	require.NoError(t, l.page.Keyboard.Release(input.ShiftLeft))
	until(t, l.page, `() => (parvix.document().panels[0].window.space.up ?? 0) > 0`)
	saved(t, l.page)
}

// A plane through three points of space beside a sphere: a point is taken by a hand and moves on its height, the plane's equation follows;
// it is traced, and undone in one step.
func TestAPlaneThroughPointsOfSpaceFollowsAHand(t *testing.T) {
	l := counted(t)
	l.state("(2cos u sin v, 2sin u sin v, 2cos v)")
	for _, p := range []string{"A = (2, 0, 0)", "B = (0, 2, 0)", "C = (0, 0, 2)"} {
		l.more()
		l.state(p)
	}
	l.open("Show something on the stage")
	l.item("a piece of geometry")
	l.choose("Shape", "plane in space")
	l.click(".entry-form button", "Show it")
	labelled(t, l.page, "x+y+z=2")
	l.openIn("[aria-label=Shown]", "What to do with A")
	l.item("Trace it")
	drawn(t, l.page)
	assertAccessible(t, l.page, "figures of space")

	q := inSpace(t, l, 0)
	from, to := q.Pixel(view.Place{2, 0, 0}), q.Pixel(view.Place{1, 0, 0})
	pull(t, l.page, one(t, l.page, `[aria-label^="Point A"]`), to[0]-from[0], to[1]-from[1])
	until(t, l.page, `() => parvix.document().shown.find(s => s.body.name === 'A').body.x === '1'`)
	labelled(t, l.page, "2x+y+z=2")
	doc := documentOf(t, l.page)
	assert.Equal(t, "0", doc.Shown[1].Field("z"), "it keeps its height")
	press(t, l.page, input.Escape)
	click(t, one(t, l.page, `[aria-label^="Undo"]`))
	labelled(t, l.page, "x+y+z=2")
}
