package browser

import (
	"encoding/csv"
	"math"
	"strconv"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// From an empty bench a rose is drawn as its ray turns, with its r–θ graph beside it; where the ray has not been it is
// faint.
func TestARoseComesIntoBeingWithItsRayAndItsGraph(t *testing.T) {
	l := emptyBench(t)
	l.state("r = 3cos(3θ)")
	l.click("[aria-label=Shown] button", "watch it")
	l.open("Sweep θ")
	l.atMost(4)
	until(t, l.page, `async () => (await parvix.values())['θ'] > 1`)
	click(t, one(t, l.page, `[aria-label="Pause θ"]`))
	drawn(t, l.page)
	at := values(t, l.page)["θ"]
	rose, graph := seenOn(t, l.page, 0), seenOn(t, l.page, 1)
	place := func(angle float64) [2]float64 {
		r := 3 * math.Cos(3*angle)
		return rose.pixel(r*math.Cos(angle), r*math.Sin(angle))
	}
	var been, ahead, curve [][2]float64
	for k := range 12 {
		angle := 0.1 + (at-0.2)*float64(k)/11
		been = append(been, place(angle))
		curve = append(curve, graph.pixel(angle, 3*math.Cos(3*angle)))
	}
	for k := range 6 {
		ahead = append(ahead, place(at+0.15+(math.Pi-at-0.3)*float64(k)/5))
	}
	for i, n := range inkOn(t, l.page, 0, been, 3, hueF) {
		assert.Positive(t, n, "the rose is drawn where the ray has been: %d", i)
	}
	firm := 0
	for _, n := range inkOn(t, l.page, 0, ahead, 2, hueF) {
		if n > 0 {
			firm++
		}
	}
	assert.LessOrEqual(t, firm, 1, "ahead of the ray it is faint, but where a petal is passed again")
	shown := 0
	for _, n := range inkOn(t, l.page, 1, curve, 3, hueCosine) {
		if n > 0 {
			shown++
		}
	}
	assert.GreaterOrEqual(t, shown, 10, "r over θ is drawn beside it in the radius's colour")
	// A hand takes the point along the curve, and the dial follows.
	from, to := place(at), place(at-0.3)
	pull(t, l.page, one(t, l.page, `.handle`), to[0]-from[0], to[1]-from[1])
	drawn(t, l.page)
	assert.InDelta(t, at-0.3, values(t, l.page)["θ"], 0.05)
	assertAccessible(t, l.page, "a polar curve")
}

// The hyperbola r = 1/(1 − 2cos θ) is (x + 2/3)²·9 − 3y² = 1 with the asymptotes y = ±√3(x + 2/3) (worked by hand): its branches
// are drawn, and no line from one to the other where it runs off.
func TestAHyperbolaIsDrawnWithoutItsAsymptotes(t *testing.T) {
	l := emptyBench(t)
	l.state("r = 1/(1 − 2cos θ)")
	w := seenOn(t, l.page, 0)
	var branches, asymptotes [][2]float64
	for k := range 20 {
		y := -1.9 + 0.2*float64(k)
		for _, side := range []float64{-1, 1} {
			branches = append(branches, w.pixel(-2.0/3+side*math.Sqrt(1+3*y*y)/3, y))
			if math.Abs(y) < 0.6 { // further out the branches come near
				asymptotes = append(asymptotes, w.pixel(-2.0/3+side*y/math.Sqrt(3), y))
			}
		}
	}
	for i, n := range inkOn(t, l.page, 0, branches, 2, hueF) {
		assert.Positive(t, n, "place %d of the branches", i)
	}
	for i, n := range inkOn(t, l.page, 0, asymptotes, 2, hueF) {
		assert.Zero(t, n, "place %d of the asymptotes", i)
	}
	l.click("[aria-label=Shown] button", "^findings")
	one(t, l.page, ".trajectory annotation")
	assert.Contains(t, typesetOf(t, l.page, ".trajectory"), "∞", "neither its area nor its length has an end")
}

// A long curve with its table in steps, saved as CSV; the numbers are worked out here anew.
func TestATableOfALongCurveIsSaved(t *testing.T) {
	l := emptyBench(t)
	l.state("r = e^(sin θ) − 2cos(4θ) + sin((2θ − π)/24)^5")
	l.click("[aria-label=Shown] button", "^findings")
	l.click(".trajectory button", "^table")
	l.enter("Step of the table", "π/24")
	until(t, l.page, `() => document.querySelectorAll('.trajectory tbody tr').length === 577`)
	ask[any](t, l.page, `() => {
		const make = URL.createObjectURL.bind(URL);
		URL.createObjectURL = (blob) => { window.savedFile = blob.text(); return make(blob); };
	}`)
	l.click(".trajectory button", "save as CSV")
	l.atMost(6)
	saying(t, l.page, ".trajectory dl", "closes after")
	text := ask[string](t, l.page, `() => window.savedFile`)
	rows, err := csv.NewReader(strings.NewReader(text)).ReadAll()
	require.NoError(t, err)
	assert.Equal(t, []string{"θ", "r", "x", "y"}, rows[0])
	require.Len(t, rows, 578, "24π in steps of π/24, both ends")
	for k, row := range rows[1:] {
		angle := float64(k) * math.Pi / 24
		r := math.Exp(math.Sin(angle)) - 2*math.Cos(4*angle) + math.Pow(math.Sin((2*angle-math.Pi)/24), 5)
		for i, want := range []float64{angle, r, r * math.Cos(angle), r * math.Sin(angle)} {
			got, err := strconv.ParseFloat(row[i], 64)
			require.NoError(t, err)
			assert.InDelta(t, want, got, 1e-11, "row %d, column %d", k, i)
		}
	}
}

// What r = 3 sin θ encloses and r = 1 + sin θ does not has an area of π (common practice).
func TestARegionBetweenTwoPolarCurvesIsShaded(t *testing.T) {
	l := emptyBench(t)
	l.state("r = 3sin(θ)")
	l.more()
	l.state("s(φ) = 1 + sin(φ)")
	l.openIn("[aria-label=Shown]", "What to do with r")
	l.item("Shade what r encloses and s does not")
	l.atMost(5)
	saying(t, l.page, "[aria-label=Shown]", "encloses and")
	labelled(t, l.page, "3.1416")
	drawn(t, l.page)
	w := seenOn(t, l.page, 0)
	inside, outside := w.pixel(0.3, 2.5), w.pixel(0.3, -1)
	assert.Zero(t, shadeOn(t, l.page, 0, outside))
	shade := shadeOn(t, l.page, 0, inside)
	assert.True(t, shade > 10 && shade < 128, "the region is shaded, not covered: %d", shade)
}

func TestTheTableOfACurveIsShownAsPointsJoinedOrSmooth(t *testing.T) {
	l := emptyBench(t)
	l.state("r = 1 + cos(θ)")
	l.click("[aria-label=Shown] button", "^findings")
	l.click(".trajectory button", "^table")
	l.enter("Step of the table", "π/4")
	until(t, l.page, `() => document.querySelectorAll('.trajectory tbody tr').length === 9`)
	joined := func() string {
		return ask[string](t, l.page, `() => parvix.document().shown.filter(s => s.body.piece === 'dots').map(s => s.body.line ?? 'points').join()`)
	}
	for _, step := range []struct{ words, line string }{{"as points", "points"}, {"joined", "straight"}, {"smooth", "smooth"}} {
		l.click(".trajectory button", "^"+step.words+"$")
		until(t, l.page, `(line) => parvix.document().shown.some(s => s.body.piece === 'dots' && (s.body.line ?? 'points') === line)`, step.line)
		assert.Equal(t, step.line, joined(), "one set of points at a time")
	}
	saying(t, l.page, "[aria-label=Shown]", "points at steps of")
	l.click(".trajectory button", "^smooth$")
	until(t, l.page, `() => !parvix.document().shown.some(s => s.kind === 'trajectoryPart')`)
}

func TestAFamilyOfPolarCurvesIsListed(t *testing.T) {
	l := emptyBench(t)
	l.state("r = a + cos(3θ)")
	saying(t, l.page, "[aria-label=Stated] .now", "now") // a line that moves those below it
	click(t, one(t, l.page, `[aria-label=Shown] .says`))
	click(t, one(t, l.page, `[aria-label="For several values of a parameter"]`))
	l.fill("Values of the family", "0, 1, 2")
	l.click("[aria-label=Shown] button", "^Keep$")
	for _, words := range []string{"a=0", "a=1", "a=2"} {
		labelled(t, l.page, words)
	}
}

// Two cardioids from an empty bench: where they meet, with the pole, and what both enclose: 3π/2 − 2√2 (r = 1 + cos θ and 1 + sin θ; common
// practice).
func TestTwoCardioidsMeetAndEncloseAnArea(t *testing.T) {
	l := counted(t)
	l.paste("r = 1 + cos(θ)\ns(φ) = 1 + sin(φ)")
	l.openIn("[aria-label=Shown]", "What to do with r")
	l.item("Mark where r meets s")
	l.openIn("[aria-label=Shown]", "What to do with r")
	l.item("Shade what r and s both enclose")
	l.atMost(6)
	drawn(t, l.page)
	labelled(t, l.page, "(0,0)")
	labelled(t, l.page, "1.884")
	assertAccessible(t, l.page, "meetings")
}

// A throw from an empty bench, its angle in degrees: apex, range and path in x and y are read in its findings.
func TestAThrowWithItsAngleInDegrees(t *testing.T) {
	l := counted(t)
	l.click("button", "^angles in")
	l.click("label", "in degrees")
	press(t, l.page, input.Escape)
	l.paste("(v t cos α, v t sin α − 4.905t²)\nv = 20\nα = 50")
	l.click("[aria-label=Shown] button", "^findings")
	l.atMost(8)
	saying(t, l.page, ".trajectory dl", "level tangents")
	saying(t, l.page, ".trajectory dl", "in x and y")
	saying(t, l.page, ".trajectory dl", "40.155")
}

// A sweep rests at the special angles; a key goes to the next.
func TestASweepRestsAtSpecialAngles(t *testing.T) {
	l := counted(t)
	l.state("f(x) = sin(x − c)")
	l.click(`[data-dial="c"] .way`, "s")
	l.click("button", "^rests at the special angles")
	press(t, l.page, input.Escape)
	click(t, one(t, l.page, `[aria-label="c to the next stop"]`))
	until(t, l.page, `async () => Math.abs((await parvix.values()).c - Math.PI / 4) < 1e-9`)
	one(t, l.page, `[role="slider"][aria-label="c"]`).MustFocus()
	press(t, l.page, input.PageUp)
	until(t, l.page, `async () => Math.abs((await parvix.values()).c - Math.PI / 3) < 1e-9`)
	click(t, one(t, l.page, `[aria-label="Sweep c"]`))
	until(t, l.page, `async () => Math.abs((await parvix.values()).c - Math.PI / 2) < 1e-9`)
	one(t, l.page, `[aria-label="Sweep c"]`)
	// At the findings of another function it rests too; of one that changes with it, it cannot.
	l.more()
	l.state("g(x) = x^2 - 4")
	l.click(`[data-dial="c"] .way`, "s")
	l.click("button", "^rests at the findings of f")
	saying(t, l.page, ".problem", "f itself changes with c")
	l.click("button", "^rests at the findings of g")
	until(t, l.page, `() => parvix.document().stated.find(s => s.name === 'c').sweep.at.join() === '−2,0,2'`)
	l.click("button.link", "^goes slower on a stretch")
	until(t, l.page, `() => parvix.document().stated.find(s => s.name === 'c').sweep.paces?.[0].times === 3`)
	press(t, l.page, input.Escape)
}

// A conic is turned about its focus by one action: its places lie α further round, and its findings have its directrix.
func TestAConicIsTurnedByADial(t *testing.T) {
	l := counted(t)
	l.state("r = 2/(1 + 0.5cos θ)")
	l.click("[aria-label=Shown] button", "^findings")
	saying(t, l.page, ".trajectory dl", "an ellipse with a focus in the pole")
	saying(t, l.page, ".trajectory dl", "directrix")
	l.openIn("[aria-label=Shown]", "What to do with r")
	l.item("Turn it by a dial")
	until(t, l.page, `() => parvix.document().stated.some(s => s.formula === 'r(θ − α)')`)
	drawn(t, l.page)
	w, alpha := seen(t, l.page), values(t, l.page)["α"]
	assert.InDelta(t, math.Pi/4, alpha, 1e-9)
	var places [][2]float64
	for k := range 40 {
		angle := 2 * math.Pi * float64(k) / 40
		r := 2 / (1 + 0.5*math.Cos(angle))
		sin, cos := math.Sincos(angle + alpha)
		places = append(places, w.pixel(r*cos, r*sin))
	}
	assert.Greater(t, inkAlong(l, 0, places, hues[documentOf(t, l.page).Shown[1].Look.Colour]), 25)
	l.atMost(5)
}

// The unit of angles changes there and back: the picture stays, what was converted is told, and the document is what it was.
func TestTheUnitOfAnglesChangesThereAndBack(t *testing.T) {
	l := counted(t)
	l.state("g(x) = 2 sin(x − π/6) + 1")
	drawn(t, l.page)
	before := documentOf(t, l.page)
	l.click("button", "^angles in")
	l.click("label", "in degrees")
	saying(t, l.page, "[aria-label='What was converted']", "2 sin")
	drawn(t, l.page)
	assert.Equal(t, "2 sin(x − 30) + 1", documentOf(t, l.page).Stated[0].Formula)
	w := seen(t, l.page)
	assert.InDelta(t, 180/math.Pi*(w.Top-w.Bottom)/w.Height, (w.Right-w.Left)/w.Width, 1e-6, "a radian is as long as a unit of y")
	l.click("label", "in radians")
	until(t, l.page, `() => parvix.document().angleUnit === 'radian'`)
	assert.Equal(t, before, documentOf(t, l.page))
}

// Two ellipses that cross, from an empty bench: what both enclose is 24·atan(2/3) ≈ 14.11 (worked by hand).
func TestTwoParametricCurvesEncloseAnArea(t *testing.T) {
	l := counted(t)
	l.paste("(3cos t, 2sin t)\n(2cos t, 3sin t)")
	l.openIn("[aria-label=Shown]", "What to do with (3cos t, 2sin t)")
	l.item("Shade what (3cos t, 2sin t) and (2cos t, 3sin t) both enclose")
	l.atMost(4)
	drawn(t, l.page)
	labelled(t, l.page, "14.112")
	assertAccessible(t, l.page, "a region between parametric curves")
}
