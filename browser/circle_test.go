package browser

import (
	"fmt"
	"math"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Hues of the six functions (web/src/styles/theme.css in the order of core/circle.Functions).
const hueSine, hueCosine = "#0b4f8c", "#b5452c"

// extent is the first and the last pixel of a colour on a line of a panel, along x or along y, of the stretch that is nearest
// to a place, for labels wear the colour too; false when there is none.
func extent(t *testing.T, page *rod.Page, panel int, along string, at, near float64, colour string) (low, high float64, ok bool) {
	t.Helper()
	found := ask[[]float64](t, page, `(panel, along, at, near, colour) => {
		const shown = document.querySelectorAll('canvas.live')[panel];
		const pen = new OffscreenCanvas(shown.width, shown.height).getContext('2d');
		pen.drawImage(shown, 0, 0);
		const want = [1, 3, 5].map(i => parseInt(colour.slice(i, i + 2), 16));
		// Two pixels either side, since an arrow ends in a tip.
		const places = [];
		for (let beside = -2; beside <= 2; beside++) {
			const line = along === 'x' ? pen.getImageData(0, Math.round(at) + beside, shown.width, 1)
				: pen.getImageData(Math.round(at) + beside, 0, 1, shown.height);
			for (let i = 0; i < line.data.length; i += 4)
				if (line.data[i + 3] > 128 && want.every((v, k) => Math.abs(v - line.data[i + k]) < 40)) places.push(i / 4);
		}
		const stretches = [];
		for (const place of places.sort((a, b) => a - b)) {
			const last = stretches.at(-1);
			if (last && place - last[1] < 6) last[1] = place;
			else stretches.push([place, place]);
		}
		const away = ([low, high]) => Math.max(0, low - near, near - high);
		return stretches.sort((a, b) => away(a) - away(b))[0] ?? [];
	}`, panel, along, at, near, colour)
	if len(found) == 0 {
		return 0, 0, false
	}
	return found[0], found[1], true
}

// turnTo types an angle into the dial that turns the circle.
func turnTo(t *testing.T, page *rod.Page, angle string) {
	t.Helper()
	click(t, one(t, page, `[data-dial="θ"] .number button`))
	write(t, one(t, page, `[data-dial="θ"] input`), angle)
	press(t, page, input.Enter)
	drawn(t, page)
}

// From an empty bench in three actions; then the cosine in the circle, level, and in the graph, upright, has the same
// signed length: in pixels over the unit, at twelve angles with the axes among them. cos kπ/6 by DLMF Table 4.17.1.
func TestTheCosinesGraphIsBuiltFromTheCircle(t *testing.T) {
	l := emptyBench(t)
	l.click(".beginnings button", "The unit circle")
	l.click(`[data-ratio=cos]`, "cos")
	l.open("Sweep θ")
	l.atMost(3)
	until(t, l.page, `async () => (await parvix.values())['θ'] > 0.7`)
	click(t, one(t, l.page, `[aria-label="Pause θ"]`))

	click(t, one(t, l.page, `[data-ratio=sin]`))
	until(t, l.page, `() => document.querySelector('[data-ratio=sin]').getAttribute('aria-pressed') === 'false'`)
	half := math.Sqrt(3) / 2
	const disc = 4.5 // the radius of the point at the length's end in the graph
	for k, want := range []float64{1, half, 0.5, 0, -0.5, -half, -1, -half, -0.5, 0, 0.5, half} {
		turnTo(t, l.page, fmt.Sprintf("%dpi/6", k))
		angle := float64(k) * math.Pi / 6
		round, graph := seenOn(t, l.page, 0), seenOn(t, l.page, 1)
		unit := round.Width / (round.Right - round.Left)
		assert.InDelta(t, unit, graph.Width/(graph.Right-graph.Left), 1e-6*unit, "one scale in both pictures")
		assert.InDelta(t, round.pixel(0, 0)[1], graph.pixel(0, 0)[1], 0.01, "one height of the axis")

		centre := round.pixel(0, 0)
		inCircle := 0.0
		if left, right, ok := extent(t, l.page, 0, "x", centre[1], centre[0], hueCosine); ok {
			if inCircle = right - centre[0]; want < 0 {
				inCircle = left - centre[0]
			}
		}
		foot := graph.pixel(angle, 0)
		top, bottom, ok := extent(t, l.page, 1, "y", foot[0], foot[1], hueCosine)
		require.True(t, ok, "%d · 30°", k)
		inGraph := foot[1] - (top + disc)
		if want < 0 {
			inGraph = foot[1] - (bottom - disc)
		}
		assert.InDelta(t, want, inCircle/unit, 2.5/unit, "the cosine in the circle at %d · 30°", k)
		assert.InDelta(t, want, inGraph/unit, 2.5/unit, "the cosine in the graph at %d · 30°", k)
		assert.InDelta(t, inCircle, inGraph, 2.5, "the same length at %d · 30°", k)
	}
	saying(t, l.page, "[data-ratio=cos]", "cos")
}

// The point is dragged by hand: it snaps to 60°, winds on past a full turn, and the dial follows.
func TestThePointOnTheCircleIsDraggedSnapsAndWinds(t *testing.T) {
	l := emptyBench(t)
	l.click(".beginnings button", "The unit circle")
	one(t, l.page, ".readout")
	drawn(t, l.page)
	round := seenOn(t, l.page, 0)
	at := func(degrees float64) [2]float64 {
		return round.pixel(math.Cos(degrees*math.Pi/180), math.Sin(degrees*math.Pi/180))
	}
	from, to := at(30), at(60.8)
	handle := one(t, l.page, `.panel:nth-of-type(1) .handle`)
	pull(t, l.page, handle, to[0]-from[0], to[1]-from[1])
	until(t, l.page, `async () => Math.abs((await parvix.values())['θ'] - Math.PI / 3) < 1e-12`)
	saying(t, l.page, ".readout .angle", "60")
	turns := func(over ...float64) {
		here := 60.0
		for _, d := range over {
			from, to := at(here), at(d)
			pull(t, l.page, one(t, l.page, `.panel:nth-of-type(1) .handle`), to[0]-from[0], to[1]-from[1])
			here = d
		}
	}
	turns(180, 300, 390)
	until(t, l.page, `async () => Math.abs((await parvix.values())['θ'] - 13 * Math.PI / 6) < 1e-12`)
	// The findings know the quadrant and the angles with the same side.
	click(t, saying(t, l.page, "[aria-label=Shown] button", "^findings"))
	saying(t, l.page, ".told", "reference angle")
	saying(t, l.page, ".told", "coterminal")
	turnTo(t, l.page, "pi/2")
	click(t, one(t, l.page, `[data-ratio=tan]`))
	saying(t, l.page, "[data-ratio=tan]", "parallel to the x-axis")
	assertAccessible(t, l.page, "a circle and its graph")
}
