package browser

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

const fountain = "The jet of the quay fountain"

type counters struct {
	Parses, Compiles int
	Runs             map[string]int
}

func count(t *testing.T, page *rod.Page) counters {
	t.Helper()
	return ask[counters](t, page, `() => parvix.counters()`)
}

// ranSince lists the entries that were computed between two counts.
func ranSince(before, after counters) []string {
	var ran []string
	for _, id := range slices.Sorted(maps.Keys(after.Runs)) {
		if after.Runs[id] > before.Runs[id] {
			ran = append(ran, id)
		}
	}
	return ran
}

// pull drags with the mouse from the middle of an element by so many pixels, in steps.
func pull(t *testing.T, page *rod.Page, e *rod.Element, dx, dy float64) {
	t.Helper()
	// What has just come up has no shape until it is laid out.
	require.NoError(t, e.Timeout(patience).WaitVisible())
	require.NoError(t, e.Timeout(patience).WaitStableRAF())
	shape, err := e.Shape()
	require.NoError(t, err)
	box := shape.Box()
	require.NotNil(t, box, "it has no shape")
	x, y := box.X+box.Width/2, box.Y+box.Height/2
	mouse := page.Mouse
	require.NoError(t, mouse.MoveTo(proto.Point{X: x, Y: y}))
	require.NoError(t, mouse.Down(proto.InputMouseButtonLeft, 1))
	for k := 1.0; k <= 12; k++ {
		require.NoError(t, mouse.MoveTo(proto.Point{X: x + dx*k/12, Y: y + dy*k/12}))
	}
	require.NoError(t, mouse.Up(proto.InputMouseButtonLeft, 1))
	drawn(t, page)
}

func jet(v map[string]float64) func(x float64) float64 {
	return func(x float64) float64 { return v["a"]*(x-v["h"])*(x-v["h"]) + v["k"] }
}

func TestDraggingADialMovesCurveReadoutsAndTextInOnePicture(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	assertDrawn(t, page, hueF, jet(values(t, page)))

	saved(t, page)
	before, requests := count(t, page), house.requests.Load()
	pull(t, page, one(t, page, `[data-dial="k"] .pointer`), -60, 0)
	after := count(t, page)

	v := values(t, page)
	assert.Less(t, v["k"], 4.5, "the pointer went to the left")
	assert.InDelta(t, v["k"]*10, float64(int(v["k"]*10+1e-9)), 1e-9, "the value lies on the steps of 0.1")
	assertDrawn(t, page, hueF, jet(v))

	assert.Equal(t, before.Parses, after.Parses, "parses in a drag")
	assert.Equal(t, before.Compiles, after.Compiles, "compiles in a drag")
	assert.Equal(t, requests, house.requests.Load(), "requests in a drag")
	assert.Equal(t, []string{"c1", "p1", "p2", "w1", "w2", "w3"}, ranSince(before, after),
		"only what depends on k: not the parent, not the guide at h")

	k := fmt.Sprintf("%.1f", v["k"])
	assert.Contains(t, read(t, one(t, page, `[data-dial="k"] .value`)), k)
	assert.Contains(t, read(t, one(t, page, `[data-entry="w1"]`)), strings.TrimSuffix(k, ".0")+" up")
	labelled(t, page, strings.TrimSuffix(k, ".0"))
}

func TestATracedPointLeavesItsPathOnTheCurve(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	pull(t, page, one(t, page, `[data-dial="t"] .pointer`), 70, 0)
	v := values(t, page)
	trace := ask[[]float64](t, page, `() => parvix.trace('t1')`)
	require.Greater(t, len(trace), 8, "positions were recorded")
	w := seen(t, page)
	var places [][2]float64
	for i := 0; i < len(trace); i += 2 {
		assert.InDelta(t, jet(v)(trace[i]), trace[i+1], 1e-9, "the trace lies on the curve")
		places = append(places, w.pixel(trace[i], trace[i+1]))
	}
	for i, n := range ink(t, page, places[:len(places)-1], 3, hueTrace) {
		assert.Positive(t, n, "a dot of the trace at pixel %v", places[i])
	}
	assert.InDelta(t, v["t"], trace[len(trace)-2], 1e-12, "the last position is where the point is now")

	click(t, saying(t, page, "button", "clear traces"))
	drawn(t, page)
	assert.Len(t, ask[[]float64](t, page, `() => parvix.trace('t1')`), 2, "the trace begins again where the point is")
}

func TestADialObeysTheKeyboard(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	require.NoError(t, one(t, page, `[role="slider"][aria-label="h"]`).Focus())
	keys := func(k ...input.Key) map[string]float64 {
		press(t, page, k...)
		drawn(t, page)
		return values(t, page)
	}
	assert.InDelta(t, 3.1, keys(input.ArrowRight)["h"], 1e-12)
	assert.InDelta(t, 2.9, keys(input.ArrowLeft, input.ArrowDown)["h"], 1e-12)
	require.NoError(t, page.Keyboard.Press(input.ShiftLeft))
	assert.InDelta(t, 3.9, keys(input.ArrowUp)["h"], 1e-12, "ten steps with Shift")
	require.NoError(t, page.Keyboard.Release(input.ShiftLeft))
	assert.InDelta(t, 3.0, keys(input.Home)["h"], 1e-12, "Home goes to the starting value")
	press(t, page, input.Enter)
	field := one(t, page, `[data-dial="h"] input`)
	write(t, field, "π/2")
	press(t, page, input.Enter)
	until(t, page, `() => !document.querySelector('[data-dial="h"] input')`)
	drawn(t, page)
	assert.InDelta(t, 1.5707963267948966, values(t, page)["h"], 1e-12, "a typed value may be a formula off the steps")
	assertDrawn(t, page, hueF, jet(values(t, page)))
}

func TestAWrongValueOfADialIsRefusedWithWords(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, one(t, page, `[data-dial="h"] .number button`))
	write(t, one(t, page, `[data-dial="h"] input`), "2 +")
	press(t, page, input.Enter)
	saying(t, page, `[data-dial="h"] .problem`, "stops after")
	press(t, page, input.Escape)
	drawn(t, page)
	assert.InDelta(t, 3.0, values(t, page)["h"], 1e-12)
}

func TestTheEndsOfADialAreEditedInPlace(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, one(t, page, `[data-dial="h"] .end.right button`))
	write(t, one(t, page, `[data-dial="h"] input`), "4π")
	press(t, page, input.Enter)
	saying(t, page, `[data-dial="h"] .end.right`, "4π")
	assert.Equal(t, "4π", ask[string](t, page, `() => parvix.document().stated.find(s => s.name === 'h').to`))
	click(t, one(t, page, `[data-dial="h"] .end button`))
	write(t, one(t, page, `[data-dial="h"] input`), "20")
	press(t, page, input.Enter)
	saying(t, page, `[data-dial="h"] .problem`, "must be below the largest")
}

func TestASweepRunsOncePausesAndGoesOn(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	click(t, saying(t, page, "button", "How t sweeps"))
	pace := one(t, page, `.ant-popover input.ant-input-number-input`)
	write(t, pace, "5")
	press(t, page, input.Enter)
	until(t, page, `() => parvix.document().stated.find(s => s.name === 't').sweep.seconds === 5`)
	press(t, page, input.Escape)

	click(t, one(t, page, `[aria-label="Sweep t"]`))
	until(t, page, `async () => (await parvix.values()).t > 2`)
	click(t, one(t, page, `[aria-label="Pause t"]`))
	one(t, page, `[aria-label="Sweep t"]`)
	drawn(t, page)
	paused := values(t, page)["t"]
	assert.Equal(t, paused, values(t, page)["t"])
	assert.InDelta(t, 0, 20*paused-float64(int(20*paused+0.5)), 1e-9, "a paused dial rests on a step of 0.05")

	click(t, one(t, page, `[aria-label="Sweep t"]`))
	until(t, page, `async () => (await parvix.values()).t === 6`)
	one(t, page, `[aria-label="Sweep t"]`) // it has ended by itself
	drawn(t, page)
	assert.InDelta(t, 6, values(t, page)["t"], 1e-12, "a sweep that runs once ends at the upper end")
	assert.True(t, ask[bool](t, page, `() => document.querySelector('[aria-label="Undo"]').disabled === false`))

	click(t, saying(t, page, "button", "starting values"))
	drawn(t, page)
	assert.InDelta(t, 1, values(t, page)["t"], 1e-12)
}

func TestAPointIsDraggedAndItsDialsFollow(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	w := seen(t, page)
	pull(t, page, one(t, page, `.handle[data-entry="p1"]`), 1.5*w.Width/(w.Right-w.Left), w.Height/(w.Top-w.Bottom))
	v := values(t, page)
	assert.InDelta(t, 4.5, v["h"], 0.051, "one unit and a half to the right")
	assert.InDelta(t, 3.5, v["k"], 0.051, "one unit down")
	assertDrawn(t, page, hueF, jet(v))

	require.NoError(t, one(t, page, `.handle[data-entry="p1"]`).Focus())
	press(t, page, input.ArrowRight)
	drawn(t, page)
	assert.InDelta(t, v["h"]+0.1, values(t, page)["h"], 1e-9, "an arrow key moves a point by a step of its dial")

	// Dragged off the picture, the point stays at its edge.
	pull(t, page, one(t, page, `.handle[data-entry="p1"]`), 0, -220)
	k := values(t, page)["k"]
	assert.LessOrEqual(t, k, w.Top)
	assert.Greater(t, k, w.Top-0.2)
}

func TestDragIsOneStepOfUndoAndASweepIsNone(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	pull(t, page, one(t, page, `[data-dial="a"] .pointer`), 40, 0)
	moved := values(t, page)["a"]
	require.NotEqual(t, -0.6, moved)
	click(t, one(t, page, `[aria-label="Undo"]`))
	until(t, page, `async () => Math.abs((await parvix.values()).a + 0.6) < 1e-9`)
	click(t, one(t, page, `[aria-label="Redo"]`))
	until(t, page, `async (a) => Math.abs((await parvix.values()).a - a) < 1e-9`, moved)
	drawn(t, page)
	assertDrawn(t, page, hueF, jet(values(t, page)))
}

func TestKeepingValuesMakesThemTheStartingValues(t *testing.T) {
	page := visit(t, 1280, 800)
	signInDemo(t, page)
	copyBench(t, page, fountain)
	assert.False(t, page.MustHas(".ribbon .dot"))
	click(t, one(t, page, `[aria-label="k one step down"]`))
	one(t, page, ".ribbon .dot")
	click(t, saying(t, page, "button", "keep as they are"))
	until(t, page, `() => !document.querySelector('.ribbon .dot')`)
	assert.InDelta(t, 4.4, ask[float64](t, page, `() => parvix.document().scenes[0].values.k`), 1e-9)
}
