package guide_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/found"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/stagetest"
	"parvix/core/stage/view"
)

// hand takes an entry to a place, as it is seen on a panel of 900 by 600 pixels.
func hand(e *evaluate.Demonstration, entry int, x, y float64) {
	p := e.Panel(0)
	v := view.Seen(p, 900, 600)
	e.Drag(entry, evaluate.Hand{Panel: p, View: v, X: x, Y: y, PX: v.X(x), PY: v.Y(y), Pixel: (v.Right - v.Left) / v.Width, Grain: v.Grain()})
	e.Update()
}

// Of 2 sin(3x − π/2) + 1 the first top is at π/3, the centre line y = 1 is crossed at π/6, and it lies between −1 and 3 (worked by hand): what
// its equation is read off by. Elsewhere a guide goes to the lines of the grid.
func TestAGuideSnapsToWhatASinusoidIsReadOffBy(t *testing.T) {
	_, e := stagetest.Composed(t, stagetest.Plane(-1, 8, -2, 4, false), 900, 600, []string{"2 sin(3x − π/2) + 1"},
		document.Entry{ID: "u", Body: &guide.Body{Direction: guide.Upright, At: "0.3"}},
		document.Entry{ID: "l", Body: &guide.Body{Direction: guide.Level, At: "0.3"}})
	upright, level := e.Shown[1].Live.(*guide.Live), e.Shown[2].Live.(*guide.Live)
	for from, want := range map[float64]struct {
		at   float64
		text string
	}{1.09: {math.Pi / 3, "π/3"}, 0.49: {math.Pi / 6, "π/6"}, 3.18: {math.Pi, "π"}, -0.48: {-math.Pi / 6, "-π/6"}, 0.76: {0.8, "0.8"}} {
		hand(e, 1, from, 0)
		assert.InDelta(t, want.at, upright.At, 1e-9, "from %v", from)
		entry := *e.Shown[1].Entry
		body := *entry.Body.(*guide.Body)
		entry.Body = &body
		upright.Settle(e, &entry)
		assert.Equal(t, want.text, body.At, "as it is kept")
	}
	for from, want := range map[float64]float64{2.95: 3, -1.06: -1, 1.04: 1, 0.03: 0, 1.51: 1.5} {
		hand(e, 2, 0, from)
		assert.InDelta(t, want, level.At, 1e-9, "from %v", from)
	}
}

// tan 2x has its poles at π/4 + kπ/2 (common practice), (x² − 1)/(x − 1) its hole at 1; 2.63x²/(x² + 1) nears y = 2.63 on both sides, which a guide
// knows once it is found.
func TestAGuideSnapsToPolesHolesAndAsymptotes(t *testing.T) {
	_, e := stagetest.Composed(t, stagetest.Plane(-2, 7, -2, 4, false), 900, 600, []string{"tan(2x) + 5", "(x² − 1)/(x − 1)", "2.63x²/(x² + 1)"},
		document.Entry{ID: "u", Body: &guide.Body{Direction: guide.Upright, At: "0.3"}},
		document.Entry{ID: "l", Body: &guide.Body{Direction: guide.Level, At: "0.3"}})
	upright, level := e.Shown[3].Live.(*guide.Live), e.Shown[4].Live.(*guide.Live)
	for from, want := range map[float64]float64{0.75: math.Pi / 4, 2.38: 3 * math.Pi / 4, 1.04: 1} {
		hand(e, 3, from, 0)
		assert.InDelta(t, want, upright.At, 1e-9, "from %v", from)
	}
	hand(e, 4, 0, 2.66)
	assert.NotEqual(t, 2.63, level.At)
	f := e.Functions[2]
	e.PutFound(&found.Found{Function: f.Stated.Name, Formula: f.Meaning, Guides: map[document.Finding][]found.Guide{document.LevelAsymptotes: {{At: 2.63}}}})
	hand(e, 4, 0, 2.66)
	assert.Equal(t, 2.63, level.At)
}

// A guide at a dial moves it, to a notable place though that lies off its steps; one that hangs on more, or is slanted, is not taken by a hand.
func TestAHandMovesAGuideByItsDial(t *testing.T) {
	e := stagetest.Demonstration(t, map[string]string{"f": "sin x"}, map[string]float64{"c": 1},
		document.Entry{ID: "u", Body: &guide.Body{Direction: guide.Upright, At: "c"}},
		document.Entry{ID: "v", Body: &guide.Body{Direction: guide.Upright, At: "2c"}},
		document.Entry{ID: "s", Body: &guide.Body{Direction: guide.Slanted, At: "c x"}})
	require.Empty(t, e.Problems)
	hand(e, 0, 2.13, 0)
	assert.Equal(t, 2.1, e.Parameters[0].Value, "on its steps")
	for _, entry := range []int{1, 2} {
		hand(e, entry, 3, 1)
		assert.Equal(t, 2.1, e.Parameters[0].Value)
		assert.Equal(t, [2]float64{4.2, 0}[entry-1], e.Shown[entry].Live.(*guide.Live).At)
	}
}
