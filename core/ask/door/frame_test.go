package door_test

import (
	"encoding/json"
	"math"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/steps"
	"parvix/core/stage/picture"
)

// value is what a dial shows in the next frame.
func value(t *testing.T, it *door.Door, dial int) float64 {
	t.Helper()
	require.True(t, it.Frame(0, 900, 450))
	return float64(it.Floats()[door.FrameHeader+2*dial])
}

// page keeps what a page would: the words of the last frame that brought any.
type page struct {
	*door.Door
	words door.FrameTexts
}

func (p *page) frame(t *testing.T) {
	t.Helper()
	require.True(t, p.Frame(0, 900, 450))
	if len(p.Texts()) > 0 {
		p.words = door.FrameTexts{}
		require.NoError(t, json.Unmarshal(p.Texts(), &p.words))
	}
}

// A sweep runs from its end to the other in its seconds: once and ends there, round and begins again, back and forth.
func TestASweepRunsItsWay(t *testing.T) {
	for way, want := range map[document.SweepWay][]float64{
		document.Once: {-2, 0, 2, 2, 2}, document.Round: {-2, 0, -2, 0, -2}, document.BackAndForth: {-2, 0, 2, 0, -2},
	} {
		d := parabola(t)
		for i := range d.Stated {
			if d.Stated[i].Name == "a" {
				d.Stated[i].From, d.Stated[i].To, d.Stated[i].Sweep = "-2", "2", &document.Sweep{Way: way, Seconds: 4}
			}
		}
		it := loaded(t, d)
		for k, v := range want {
			ended := it.SweepDial(0, 0, 2*float64(k))
			assert.InDelta(t, v, value(t, it, 0), 1e-6, "%s after %d s", way, 2*k)
			assert.Equal(t, way == document.Once && k >= 2, ended, "%s after %d s", way, 2*k)
		}
	}
}

// The page asks for the next moment before it has heard that the sweep rests: the dial stays where it rests, and goes on only when it is
// swept from there.
func TestASweepThatRestsStaysThoughMoreWasAskedFor(t *testing.T) {
	d := parabola(t)
	for i := range d.Stated {
		if d.Stated[i].Name == "a" {
			d.Stated[i].From, d.Stated[i].To = "0", "4"
			d.Stated[i].Sweep = &document.Sweep{Way: document.Once, Seconds: 4, Every: "1"}
		}
	}
	it := loaded(t, d)
	assert.False(t, it.SweepDial(0, 0, 0.9))
	assert.True(t, it.SweepDial(0, 0, 1.1))
	assert.True(t, it.SweepDial(0, 0, 1.3), "asked for before")
	assert.InDelta(t, 1, value(t, it, 0), 1e-9)
	assert.False(t, it.SweepDial(0, 0.25, 0.5))
	assert.InDelta(t, 1.5, value(t, it, 0), 1e-6)
	it.SetDial(0, 0)
	assert.False(t, it.SweepDial(0, 0, 0.5), "swept once more from its first start")
	assert.InDelta(t, 0.5, value(t, it, 0), 1e-6)
}

func TestADialGoesByItsSteps(t *testing.T) {
	it := loaded(t, parabola(t))
	it.SetDial(1, 1)
	it.StepDial(1, 3)
	assert.InDelta(t, 1.3, value(t, it, 1), 1e-6)
	it.StepDial(1, -13)
	assert.InDelta(t, 0, value(t, it, 1), 1e-6)
	it.StepDial(1, 1e6)
	assert.InDelta(t, 5, value(t, it, 1), 1e-6, "no further than its end")
	it.StartingValues()
	assert.InDelta(t, 1, value(t, it, 1), 1e-6)
}

// Between two scenes the values glide; at last the other one's are in play, and what it hides is gone.
func TestAScenesValuesAreReachedInAGlide(t *testing.T) {
	d := parabola(t)
	second := d.Scenes[0]
	second.ID, second.Name = "second", "Second"
	second.Values = map[string]float64{"a": 3, "h": 1}
	second.Hidden = []string{d.Shown[0].ID}
	d.Scenes = append(d.Scenes, second)
	it := loaded(t, d)
	require.InDelta(t, 1, value(t, it, 0), 1e-6)
	curves := func() int { return drawn(it.Floats(), picture.Line) }
	before := curves()
	it.BeginScene(1)
	it.GoScene(0)
	assert.InDelta(t, 1, value(t, it, 0), 1e-6)
	last := 1.0
	for _, share := range []float64{0.25, 0.5, 0.75, 1} {
		it.GoScene(share)
		now := value(t, it, 0)
		assert.Greater(t, now, last)
		last = now
	}
	assert.InDelta(t, 3, last, 1e-6)
	assert.Less(t, curves(), before, "the curve is hidden there")
	it.BeginScene(0)
	it.GoScene(1)
	assert.InDelta(t, 1, value(t, it, 0), 1e-6)
	assert.Equal(t, before, curves())
}

// drawn counts the records of a kind among those of the last frame that are live.
func drawn(floats []float32, kind picture.Op) (n int) {
	for r := range picture.Records(floats[len(floats)-int(floats[3]):]) {
		if picture.Op(r[0]) == kind {
			n++
		}
	}
	return n
}

// A presenter covers what is seen and reveals it again; the scene stays as it was.
func TestWhatIsCoveredIsRevealedAgain(t *testing.T) {
	it := loaded(t, parabola(t))
	require.True(t, it.Frame(0, 900, 450))
	lines := drawn(it.Floats(), picture.Line)
	it.Turn(0)
	require.True(t, it.Frame(0, 900, 450))
	assert.Less(t, drawn(it.Floats(), picture.Line), lines)
	it.Turn(0)
	require.True(t, it.Frame(0, 900, 450))
	assert.Equal(t, lines, drawn(it.Floats(), picture.Line))
	it.Turn(0)
	it.Unturn()
	require.True(t, it.Frame(0, 900, 450))
	assert.Equal(t, lines, drawn(it.Floats(), picture.Line))
	it.Turn(99)
}

// The window in play goes with the hand, and back at last: zooming out and in, there and back again.
func TestPanningAndZoomingGoThereAndBack(t *testing.T) {
	it := &page{Door: loaded(t, parabola(t))}
	ticks := func() []string { it.frame(t); return it.words.Words }
	first := ticks()
	it.Pan(0, 900, 450, 300, -120)
	moved := ticks()
	assert.NotEqual(t, first, moved)
	it.Pan(0, 900, 450, -300, 120)
	assert.Equal(t, first, ticks())
	it.Zoom(0, 900, 450, 200, 100, 4)
	assert.NotEqual(t, first, ticks())
	it.Zoom(0, 900, 450, 200, 100, 0.25)
	assert.Equal(t, first, ticks())
}

// Every demonstration that ships is drawn in every scene, on a board and on a phone: no number of a picture is missing or
// without bounds, every label belongs to an entry, and every entry is said.
func TestEveryDemonstrationIsDrawnWholeInEveryScene(t *testing.T) {
	files, err := filepath.Glob("../../../demo/*.json")
	require.NoError(t, err)
	require.NotEmpty(t, files)
	for _, file := range files {
		data, err := os.ReadFile(file)
		require.NoError(t, err)
		d, err := document.Decode(data)
		require.NoError(t, err)
		name := filepath.Base(file)
		it := door.New()
		l := ask(t, it, door.Ask{Kind: door.AskLoad, Document: d}).Loaded
		require.NotNil(t, l, name)
		assert.Empty(t, l.Problems, name)
		for i, s := range l.Shown {
			assert.NotEmpty(t, s.Sentence, "%s: entry %d", name, i)
		}
		for scene := range d.Scenes {
			it.BeginScene(scene)
			it.GoScene(1)
			for _, size := range [][2]float64{{1180, 640}, {370, 420}} {
				for panel := range d.Panels {
					it.PanelSize(panel, size[0], size[1])
				}
				for panel := range d.Panels {
					require.True(t, it.Frame(panel, size[0], size[1]), name)
					for _, v := range it.Floats() {
						require.False(t, math.IsNaN(float64(v)) || math.IsInf(float64(v), 0), "%s, scene %d, panel %d", name, scene, panel)
					}
					var words door.FrameTexts
					if len(it.Texts()) > 0 {
						require.NoError(t, json.Unmarshal(it.Texts(), &words))
					}
					for _, word := range words.Words {
						assert.NotContains(t, word, "NaN", name)
					}
				}
			}
			for dial := range l.Dials {
				for _, share := range []float64{0, 0.31, 1} {
					it.DragDial(dial, share)
					require.True(t, it.Frame(0, 1180, 640), name)
				}
			}
			it.StartingValues()
		}
	}
}

// A transformation stands where it was put: its sentence and its key points are those of the step.
func TestATransformationStandsAtItsStep(t *testing.T) {
	d := parabola(t)
	d.Shown = append(d.Shown, document.Entry{ID: "steps", Body: &steps.Body{Function: "f"}})
	it := &page{Door: loaded(t, d)}
	index := len(d.Shown) - 1
	it.frame(t)
	require.Len(t, it.words.Steps, 1)
	last := it.words.Steps[0].Position
	assert.Positive(t, last, "it begins at its last step")
	for position, want := range map[float64]float64{0: 0, 1: 1, 0.5: 0.5, 99: last, -3: 0} {
		it.GoStep(index, position)
		it.frame(t)
		assert.Equal(t, want, it.words.Steps[0].Position)
		it.GoStep(index, math.NaN())
		it.frame(t)
		assert.Equal(t, want, it.words.Steps[0].Position, "what is no number moves nothing")
	}
	it.GoStep(0, 1) // a curve has no steps
	it.GoStep(99, 1)
	it.frame(t)
}

// Ink is written in a panel's pixels, drawn above everything, kept with its scene when that is asked for, and refused nowhere a hand can reach.
func TestInkIsWrittenThroughTheDoor(t *testing.T) {
	d := document.New("Ink")
	it := loaded(t, d)
	require.True(t, it.Frame(0, 600, 350))
	door.InkFrom(it, 0, 2, 600, 350, 100, 100)
	door.InkTo(it, 0, 600, 350, 200, 120)
	door.InkTo(it, 0, 600, 350, 300, 100)
	door.InkUp(it, 0, 600, 350)
	door.InkFrom(it, 5, 0, 600, 350, 1, 1)
	require.True(t, it.Frame(0, 600, 350))
	assert.Contains(t, string(it.Texts()), `"inked":true`)

	kept := ask(t, it, door.Ask{Kind: door.AskKeepInk, Document: d}).Document
	require.Len(t, kept.Scenes[0].Ink, 1)
	stroke := kept.Scenes[0].Ink[0]
	assert.Equal(t, 2, stroke.Colour)
	// 100 of 600 pixels from the left of a window from −6 to 6 is −4.
	assert.InDelta(t, -4, stroke.Points[0], 1e-9)
	assert.InDelta(t, 0, stroke.Points[len(stroke.Points)-2], 1e-9)

	door.InkBack(it)
	assert.Empty(t, ask(t, it, door.Ask{Kind: door.AskKeepInk, Document: d}).Document.Scenes[0].Ink)
}

// A value that rests off its steps is written as the texts write it; one that a sweep passes no finer than the steps.
func TestAValueOffItsStepsIsWrittenAsItIs(t *testing.T) {
	p := page{Door: loaded(t, parabola(t))}
	text := func() string {
		p.frame(t)
		return p.words.Dials[0]
	}
	for _, c := range []struct {
		value float64
		want  string
	}{{1, "1.0"}, {0.25, "0.25"}, {50 * math.Pi / 180, "0.872665"}, {0.3 - 0.1, "0.2"}, {math.Pi, "3.14159"}} {
		p.SetDial(0, c.value)
		assert.Equal(t, c.want, text(), "%v", c.value)
	}
	p.SweepDial(0, 0, 1)
	assert.Equal(t, "−3.3", text(), "a sixth of the way from −5 to 5")
	p.SetDial(0, -10.0/3)
	assert.Equal(t, "−3.33333", text())
}

// Formulas beside the stage follow a hand a few times a second, and are right as soon as it rests.
func TestFormulasFollowAHandAFewTimesASecond(t *testing.T) {
	it := loaded(t, tenCurves(t))
	told := func() (now []string) {
		require.True(t, it.Frame(0, 900, 450))
		var words door.FrameTexts
		require.NoError(t, json.Unmarshal(it.Texts(), &words))
		return words.Now
	}
	first := told()
	require.Len(t, first, 10)
	door.Moving(it, true)
	times := 0
	for k := range 60 { // a second
		it.DragDial(0, float64(k)/60)
		if told() != nil {
			times++
		}
	}
	assert.InDelta(t, 8, times, 1)
	door.Moving(it, false)
	last := told()
	assert.Len(t, last, 10)
	assert.NotEqual(t, first, last)
}
