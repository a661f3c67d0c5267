package browser

import (
	"fmt"
	"math/rand/v2"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/proto"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/formula/tabular"
	"parvix/core/maths/circle"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/finding"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/scatter"
	"parvix/core/stage/kinds/spacecurve"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/kinds/trace"
	"parvix/core/stage/kinds/trajectory"
)

// TestFigures measures what quality demands of the page and prints it; it fails on nothing, since machines differ.
func TestFigures(t *testing.T) {
	if !*takeFigures {
		t.Skip("figures are taken by make bench")
	}
	before := processorTimes(t)
	if *onlyFigures == "" {
		resting(t)
		evaluations(t)
		openings(t)
	}
	frames(t, "ten curves, one dial dragged", tenCurves(t), "a")
	frames(t, "ten curves, three traces, labels and findings", tracedCurves(t), "a")
	frames(t, "circle and graph, all six functions, traced", tracedCircle(t), "θ")
	frames(t, "a polar curve of 25 turns and 101 loops, as its ray turns", fineCurve(t), "θ")
	frames(t, "the same curve, another dial moves all of it", fineCurve(t), "a")
	frames(t, "two polar curves that meet, with what both enclose, all of it moved", meetingCurves(t), "a")
	frames(t, "a closed curve with its inside, all of it moved", closedCurve(t), "a")
	frames(t, "two parametric curves with what both enclose, all of it moved", crossingEllipses(t), "a")
	frames(t, "ten thousand points, a dial of their model moved", manyPoints(t), "a")
	frames(t, "the fountain demonstration", mustDemo(t, 0), "k")
	frames(t, "a surface of 50 by 50 cells, with its section and its graph", cutSurface(t), "a")
	frames(t, "the same, its section moved", cutSurface(t), "c")
	measured(t, "the same surface, turned", cutSurface(t), turnAround)
	frames(t, "a curve in space with its shadows and its circle of curvature, run through", coil(t), "t")
	frames(t, "the same, all of it moved", coil(t), "h")
	// On a shared host the figures hold only while this is near 0.
	after := processorTimes(t)
	const steal, idle = 7, 3
	busy := 0.0
	for i := range after {
		if i != idle {
			busy += after[i] - before[i]
		}
	}
	fmt.Printf("figure|host|%.0f\n", 100*(after[steal]-before[steal])/busy)
}

// processorTimes reads the first line of /proc/stat: user, nice, system, idle, iowait, irq, softirq, steal.
func processorTimes(t *testing.T) (times [8]float64) {
	t.Helper()
	data, err := os.ReadFile("/proc/stat")
	require.NoError(t, err)
	_, err = fmt.Sscanf(string(data), "cpu %f %f %f %f %f %f %f %f", &times[0], &times[1], &times[2], &times[3], &times[4], &times[5], &times[6], &times[7])
	require.NoError(t, err)
	return times
}

func mustDemo(t *testing.T, place int) *document.Document {
	t.Helper()
	list := demoDocuments(t)
	return list[place]
}

// openings prints how long a demonstration takes to open: with an empty cache, and again.
func openings(t *testing.T) {
	var first, again []float64
	for range 7 {
		page := visitAnew(t, 1280, 800)
		signInDemo(t, page)
		id := importDocument(t, page, mustDemo(t, 0))
		for _, into := range []*[]float64{&first, &again} {
			goTo(t, page, "/bench/"+id)
			drawn(t, page)
			*into = append(*into, ask[float64](t, page, `() => parvix.opened()`))
		}
		require.NoError(t, page.Close())
	}
	fmt.Printf("figure|page|opening a demonstration, first visit, to its first picture|%s ms|2.0 s\n", spread(first))
	fmt.Printf("figure|page|the same, again|%s ms|0.6 s\n", spread(again))
}

// tenCurves is the demonstration of the core's own benchmark, in which one dial moves ten curves.
func tenCurves(t *testing.T) *document.Document {
	t.Helper()
	data, err := os.ReadFile("../core/ask/door/testdata/ten-curves.json")
	require.NoError(t, err)
	d, err := document.Decode(data)
	require.NoError(t, err)
	return d
}

// meetingCurves are two cardioids one of which a dial turns and swells, their meetings and what both enclose.
func meetingCurves(t *testing.T) *document.Document {
	t.Helper()
	d := ofLines(t, "r = a(1 + cos(θ − a/5))", "s = 1.5 − sin θ")
	r, s := d.Shown[0].ID, d.Shown[1].ID
	d = shown(t, d, document.Entry{Body: &trajectory.PartBody{Of: r, Piece: trajectory.Meets, Other: s}})
	return shown(t, d, document.Entry{Body: &trajectory.PartBody{Of: r, Piece: trajectory.Enclosed, Other: s, Common: true}})
}

// closedCurve is one that crosses itself, shaded.
func closedCurve(t *testing.T) *document.Document {
	t.Helper()
	d := ofLines(t, "a = 2")
	d = shown(t, d, document.Entry{Body: &trajectory.Body{X: "a cos(3t)", Y: "2sin(2t + a/4)", Variable: "t", From: "0", To: "2π"}})
	return shown(t, d, document.Entry{Body: &trajectory.PartBody{Of: d.Shown[0].ID, Piece: trajectory.Inside}})
}

// crossingEllipses are two ellipses of which a dial widens one, and what both enclose.
func crossingEllipses(t *testing.T) *document.Document {
	t.Helper()
	d := ofLines(t, "a = 2", "(a cos t, 1.5sin t)", "(1.5cos t, 2sin t)")
	return shown(t, d, document.Entry{Body: &trajectory.PartBody{Of: d.Shown[0].ID, Piece: trajectory.Enclosed, Other: d.Shown[1].ID, Common: true}})
}

// manyPoints are as many as a table may have, about a line whose slope is on a dial.
func manyPoints(t *testing.T) *document.Document {
	t.Helper()
	random := rand.New(rand.NewPCG(10, 23))
	columns := []document.Column{{Name: "t"}, {Name: "h"}}
	for k := range tabular.MaxRows {
		x := float64(k) / 1000
		columns[0].Cells = append(columns[0].Cells, strconv.FormatFloat(x, 'f', 3, 64))
		columns[1].Cells = append(columns[1].Cells, strconv.FormatFloat(0.4*x+random.NormFloat64(), 'f', 3, 64))
	}
	d, err := edit.PutData(document.New("points"), document.Stated{Name: "Points", Columns: columns})
	require.NoError(t, err)
	for _, line := range []string{"a = 0.5", "f(t) = a t"} {
		d, err = edit.Typed(d, "", line)
		require.NoError(t, err)
	}
	d.Shown[0].Body.(*scatter.Body).Function = "f"
	d.Panels[0].Window = document.Window{Left: 0, Right: 10, Bottom: -3, Top: 8}
	return d
}

// ofLines is a demonstration of lines that were typed one after another.
func ofLines(t *testing.T, lines ...string) *document.Document {
	t.Helper()
	d := document.New("lines")
	for _, line := range lines {
		var err error
		d, err = edit.Typed(d, "", line)
		require.NoError(t, err)
	}
	return d
}

// tracedCurves adds three traced points on the curves, and findings of two of them.
func tracedCurves(t *testing.T) *document.Document {
	t.Helper()
	d := tenCurves(t)
	functions := d.Functions()
	for k, x := range []string{"1", "2", "−1"} {
		d = shown(t, d, document.Entry{Body: &point.Body{X: x + " + a/4", Y: functions[k].Name + "(" + x + " + a/4)"}})
		d = shown(t, d, document.Entry{Body: &trace.Body{Of: d.Shown[len(d.Shown)-1].ID}})
	}
	for k, what := range []document.Finding{document.Zeros, document.Maxima} {
		d = shown(t, d, document.Entry{Body: &finding.Body{Function: functions[k].Name, Finding: what}})
	}
	return d
}

// tracedCircle is the circle with its graph, every ratio as a length and as a graph, and two traced points.
func tracedCircle(t *testing.T) *document.Document {
	t.Helper()
	d, err := edit.Begin(document.New("circle"), edit.IdeaCircle)
	require.NoError(t, err)
	for _, f := range circle.Functions() {
		d, err = edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Ratio: string(f), Shown: true})
		require.NoError(t, err)
	}
	for _, ratio := range []string{"sin", "cos"} {
		d = shown(t, d, document.Entry{Where: document.Where{Panels: []string{"plane1"}}, Body: &point.Body{X: "θ", Y: ratio + "(θ)"}})
		d = shown(t, d, document.Entry{Where: document.Where{Panels: []string{"plane1"}}, Body: &trace.Body{Of: d.Shown[len(d.Shown)-1].ID}})
	}
	return d
}

// fineCurve closes after 25 turns; it is watched with its ray and its graph.
func fineCurve(t *testing.T) *document.Document {
	t.Helper()
	d, err := edit.State(document.New("fine"), "", "r = 2 + a cos(101θ/25)/2")
	require.NoError(t, err)
	d, err = edit.AddParameters(d, []string{"a"})
	require.NoError(t, err)
	d.Shown[0].Body.(*trajectory.Body).To = "50π"
	d, err = edit.Watch(d, d.Shown[0].ID, 0)
	require.NoError(t, err)
	d.Panels[1].Window = document.Window{Left: -5, Right: 165, Bottom: -1, Top: 5}
	return d
}

func shown(t *testing.T, d *document.Document, entry document.Entry) *document.Document {
	t.Helper()
	after, err := edit.Put(d, entry)
	require.NoError(t, err)
	return after
}

type timing struct{ Core, Transfer, Draw, Total, Page, All float64 }

// cutSurface is a surface with a dial, cut at another, the section's graph beside.
func cutSurface(t *testing.T) *document.Document {
	d, err := edit.State(document.New("A surface"), "", "f(x, y) = a sin(x) cos(y)")
	require.NoError(t, err)
	d, err = edit.AddParameters(d, []string{"a"})
	require.NoError(t, err)
	d.Scenes[0].Values["a"] = 2
	d, err = edit.AddSection(d, d.Shown[0].ID, surface.AcrossY, 0)
	require.NoError(t, err)
	return d
}

// coil is a helix of six turns that a point runs through.
func coil(t *testing.T) *document.Document {
	d, err := edit.Typed(document.New("A coil"), "", "(2cos t, 2 sin t, h t)")
	require.NoError(t, err)
	curve := d.Shown[0].Body.(*spacecurve.Body)
	curve.To = "12π"
	d.Panels[0].Window.Space.Low, d.Panels[0].Window.Space.High = 0, 6
	for _, piece := range []spacecurve.SpacePiece{spacecurve.Osculating, spacecurve.Shadows} {
		d, err = edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Piece: string(piece), Shown: true})
		require.NoError(t, err)
	}
	d.Scenes[0].Values["h"] = 0.1
	return d
}

// turnAround turns space by pointer events, one for each display frame.
func turnAround(t *testing.T, page *rod.Page, moves int) {
	t.Helper()
	ask[any](t, page, `async (moves) => {
		const plane = document.querySelector('.plane');
		const box = plane.getBoundingClientRect();
		const fire = (kind, dx, dy) => plane.dispatchEvent(new PointerEvent(kind, {bubbles: true, pointerId: 1, button: 0,
			clientX: box.left + box.width / 2 + dx, clientY: box.top + 30 + dy}));
		plane.setPointerCapture = () => {};
		fire('pointerdown', 0, 0);
		for (let i = 0; i < moves; i++) {
			await new Promise(requestAnimationFrame);
			fire('pointermove', 200 * Math.sin(i / 25), 60 * Math.sin(i / 40));
		}
		fire('pointerup', 0, 0);
		await parvix.settled();
	}`, moves)
}

// frames drags a dial across its bar and back, a move a display frame, and prints the frames' times.
func frames(t *testing.T, name string, d *document.Document, dial string) {
	measured(t, name, d, func(t *testing.T, page *rod.Page, moves int) {
		t.Helper()
		drag(t, page, dial, moves)
	})
}

// looksFor is how long a teacher looks at what was opened before a hand moves anything.
const looksFor = 3 * time.Second

// measured prints the times of frames while something is moved, a move a display frame.
func measured(t *testing.T, name string, d *document.Document, move func(t *testing.T, page *rod.Page, moves int)) {
	if !strings.Contains(name, *onlyFigures) {
		return
	}
	var width, height int
	_, err := fmt.Sscanf(*figuresAt, "%dx%d", &width, &height)
	require.NoError(t, err)
	page := visit(t, width, height)
	signInDemo(t, page)
	goTo(t, page, "/bench/"+importDocument(t, page, d))
	drawn(t, page)
	require.NoError(t, proto.EmulationSetCPUThrottlingRate{Rate: *figuresSlowed}.Call(page))
	time.Sleep(looksFor)
	move(t, page, 60) // warm
	before := ask[int](t, page, `() => { const n = parvix.timings.length; parvix.timings.splice(0); return n; }`)
	require.Positive(t, before)
	move(t, page, 150)
	timings := ask[[]timing](t, page, `() => parvix.timings`)
	part := func(of func(timing) float64) []float64 {
		var list []float64
		for _, x := range timings {
			list = append(list, of(x))
		}
		return list
	}
	show := func(what string, of func(timing) float64, budget string) {
		fmt.Printf("figure|page|%s: %s|%s ms|%s\n", name, what, spread(part(of)), budget)
	}
	show("from the input's handler to the last drawing command", func(x timing) float64 { return x.Total }, "p95 16.7 ms")
	show("of that in the core", func(x timing) float64 { return x.Core }, "")
	show("of that drawing", func(x timing) float64 { return x.Draw }, "")
	show("until labels, dials and readouts are in place too", func(x timing) float64 { return x.All }, "")
	// The next one is measured alone, as a teacher's page is, and in the same browser.
	require.NoError(t, page.Close())
	house.visited.Store(false)
}

// drag moves a dial's pointer to and fro by pointer events, one for each display frame, as a hand's come.
func drag(t *testing.T, page *rod.Page, dial string, moves int) {
	t.Helper()
	ask[any](t, page, `async (dial, moves) => {
		const rule = document.querySelector('[role="slider"][aria-label="' + dial + '"]');
		const box = rule.getBoundingClientRect();
		const fire = (kind, share) => rule.dispatchEvent(new PointerEvent(kind, {bubbles: true, pointerId: 1, button: 0,
			clientX: box.left + 12 + share * (box.width - 24), clientY: box.top + 20}));
		rule.querySelector('.bar').setPointerCapture = () => {};
		fire('pointerdown', 0.5);
		for (let i = 0; i < moves; i++) {
			await new Promise(requestAnimationFrame);
			fire('pointermove', 0.5 + 0.45 * Math.sin(i / 20));
		}
		fire('pointerup', 0.5);
		await parvix.settled();
	}`, dial, moves)
}

func spread(list []float64) string {
	slices.Sort(list)
	at := func(share float64) float64 { return list[min(len(list)-1, int(share*float64(len(list))))] }
	return fmt.Sprintf("median %.1f, p95 %.1f", at(0.5), at(0.95))
}

// resting prints what all demonstrations do together while nobody touches them, and what the process that draws takes.
func resting(t *testing.T) {
	pages := map[string]*rod.Page{}
	for _, d := range demoDocuments(t) {
		page := visit(t, 1280, 800)
		signInDemo(t, page)
		copyBench(t, page, d.Title)
		pages[d.Title] = page
	}
	time.Sleep(rest)
	before, requests, ticks := map[string]counts{}, house.requests.Load(), drawingTicks(t)
	for title, page := range pages {
		before[title] = ask[counts](t, page, `() => parvix.counts`)
	}
	const watched = 30 * time.Second
	time.Sleep(watched)
	taken := float64(drawingTicks(t)-ticks) / 100 / watched.Seconds() // a tick is a hundredth of a second on Linux
	var sum counts
	for title, page := range pages {
		after := ask[counts](t, page, `() => parvix.counts`)
		sum.Frames += after.Frames - before[title].Frames
		sum.Messages += after.Messages - before[title].Messages
		sum.Timers += after.Timers - before[title].Timers
		sum.DisplayFrames += after.DisplayFrames - before[title].DisplayFrames
	}
	for _, page := range pages {
		require.NoError(t, page.Close())
	}
	fmt.Printf("figure|page|at rest, %d demonstrations for %v: frames, messages to a core, timers, display frames, requests|%d, %d, %d, %d, %d|0\n",
		len(pages), watched, sum.Frames, sum.Messages, sum.Timers, sum.DisplayFrames, house.requests.Load()-requests)
	fmt.Printf("figure|page|the same: the process that draws, of one processor|%.2f %%|1 %%\n", 100*taken)
}

// drawingTicks is the processor time of the browser's drawing process, in ticks.
func drawingTicks(t *testing.T) int {
	t.Helper()
	processes, err := filepath.Glob("/proc/[0-9]*/cmdline")
	require.NoError(t, err)
	for _, name := range processes {
		command, err := os.ReadFile(name)
		if err != nil || !strings.Contains(string(command), "--type=gpu-process") {
			continue
		}
		stat, err := os.ReadFile(filepath.Join(filepath.Dir(name), "stat"))
		require.NoError(t, err)
		fields := strings.Fields(string(stat[strings.LastIndexByte(string(stat), ')')+1:]))
		const user, system = 11, 12
		u, err := strconv.Atoi(fields[user])
		require.NoError(t, err)
		s, err := strconv.Atoi(fields[system])
		require.NoError(t, err)
		return u + s
	}
	t.Fatal("the browser has no drawing process")
	return 0
}
