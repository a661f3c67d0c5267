package svg_test

import (
	"encoding/xml"
	"io"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/document"
	"parvix/core/stage/kinds/guide"
	"parvix/core/stage/kinds/point"
	"parvix/core/stage/kinds/surface"
	"parvix/core/stage/kinds/trace"
	"parvix/demo"
	"parvix/export/svg"
	"parvix/export/theme"
)

// elements reads a picture as XML and counts its elements.
func elements(t *testing.T, picture string) map[string]int {
	t.Helper()
	counts := map[string]int{}
	for d := xml.NewDecoder(strings.NewReader(picture)); ; {
		token, err := d.Token()
		if err == io.EOF {
			return counts
		}
		require.NoError(t, err)
		if start, ok := token.(xml.StartElement); ok {
			counts[start.Name.Local]++
		}
	}
}

func TestEveryDemonstrationBecomesAPicture(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range documents {
		counts := elements(t, svg.Document(d, 480, 300))
		nested := map[bool]int{false: 1, true: 3}[len(d.Panels) > 1]
		assert.Equal(t, nested, counts["svg"], "%s, two panels beside each other", d.Title)
		assert.Greater(t, counts["polyline"], 10, "grid, axes and curves of "+d.Title)
		assert.Greater(t, counts["text"], 3, "numbers on the axes of "+d.Title)
	}
}

func TestWhatAPersonTypedCannotLeaveItsPlace(t *testing.T) {
	d := document.New(`</title><script>alert("x")</script>`)
	counts := elements(t, svg.Document(d, 480, 300))
	assert.Zero(t, counts["script"])
	assert.Equal(t, 1, counts["title"])
}

func TestThePictureStandsAtTheStartingValues(t *testing.T) {
	d := document.New("Line")
	d.Stated = append(d.Stated, document.Stated{ID: "s", Kind: document.Parameter, Name: "a", From: "-5", To: "5", Step: "1"})
	d.Shown = append(d.Shown, document.Entry{ID: "g", Look: document.Look{Colour: 1}, Body: &guide.Body{Direction: guide.Upright, At: "a"}})
	d.Scenes[0].Values["a"] = 3
	assert.Contains(t, svg.Document(d, 480, 280), `points="360.0,0.0 360.0,280.0 "`, "x = 3 lies three quarters along a window from −6 to 6")
}

func TestASmallPictureKeepsToItsSize(t *testing.T) {
	d := document.New("Traces")
	var kept []float64
	for i := range 10000 {
		kept = append(kept, float64(i%1000)/100-5, float64(i)/1000-5)
	}
	d.Shown = append(d.Shown, document.Entry{ID: "p", Body: &point.Body{Name: "P", X: "1", Y: "1"}})
	for i := range 8 {
		d.Shown = append(d.Shown, document.Entry{ID: "t" + string(rune('0'+i)), Body: &trace.Body{Of: "p", Kept: kept}})
	}
	require.Greater(t, len(svg.Document(d, 480, 300)), 300_000)
	small := svg.Small(d, 480, 300, 60_000)
	assert.LessOrEqual(t, len(small), 60_000)
	assert.Greater(t, elements(t, small)["circle"], 100, "what crowds is left out, the trace is still seen")
	assert.Equal(t, svg.Document(document.New("x"), 480, 300), svg.Small(document.New("x"), 480, 300, 60_000), "a small one is as it is")
	assert.Equal(t, 1, elements(t, svg.Small(d, 480, 300, 400))["title"], "the title is left of what is far too large")
}

func TestControlCharactersOfATitleBreakNoPicture(t *testing.T) {
	counts := elements(t, svg.Document(document.New("bell\x07 and \x00 nothing\ufffe"), 480, 300))
	assert.Equal(t, 1, counts["title"])
}

// An exported picture names what it shows: its formulas are written where they stand on the screen, letters leaning.
func TestThePictureHasItsFormulas(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	picture := svg.Document(documents[0], 915, 560)
	for _, words := range []string{`font-style="italic">f</text>`, `font-style="italic">V</text>`, `>3</text>`} {
		assert.Contains(t, picture, words)
	}
	assert.NotContains(t, picture, "htmlClass", "no command of the typesetting is left")
	assert.NotContains(t, picture, `\`)
}

// What was written by hand is part of a picture, in its colour.
func TestInkIsPartOfThePicture(t *testing.T) {
	d := document.New("Ink")
	without := svg.Document(d, 400, 300)
	d.Scenes[0].Ink = []document.InkStroke{{Panel: "plane1", Colour: 1, Points: []float64{-2, -1, 0, 1, 2, -1}}}
	with := svg.Document(d, 400, 300)
	red := theme.Paper.Hues[1]
	assert.NotContains(t, without, red)
	assert.Contains(t, with, red)
}

// A surface on the shelf is seen, of fewer cells than on the stage.
func TestASurfaceHasRoomInASmallPicture(t *testing.T) {
	d := document.New("A saddle")
	d.Panels[0].Kind, d.Panels[0].Window = document.InSpace, document.Window{Left: -3, Right: 3, Bottom: -3, Top: 3, Space: document.FirstSight}
	d.Stated = []document.Stated{{ID: "s1", Kind: document.Function, Name: "f", Variables: []string{"x", "y"}, Formula: "2 sin(x) cos(y)"}}
	d.Shown = []document.Entry{{ID: "u1", Body: &surface.Body{Function: "f"}}}
	require.NoError(t, d.Check())
	small := svg.Small(d, 480, 300, 60_000)
	assert.Greater(t, len(small), 5_000)
	assert.Less(t, len(small), len(svg.Document(d, 480, 300)))
}
