package door_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/door"
	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/kinds/circle"
)

// told gives the words of a circle at the values in play: its lines by name, its ratios by short name.
func told(t *testing.T, it *door.Door) (now circle.Now, lines, ratios map[string]string) {
	t.Helper()
	for panel := range 2 {
		it.PanelSize(panel, 400, 500)
	}
	require.True(t, it.Frame(0, 400, 500))
	var texts door.FrameTexts
	require.NoError(t, json.Unmarshal(it.Texts(), &texts))
	require.Len(t, texts.Circles, 1)
	lines, ratios = map[string]string{}, map[string]string{}
	for _, l := range texts.Circles[0].Lines {
		lines[l.Name] = l.LaTeX
	}
	for _, r := range texts.Circles[0].Ratios {
		ratios[r.Ratio] = r.LaTeX + r.Decimal
	}
	return texts.Circles[0], lines, ratios
}

func begun(t *testing.T, idea edit.Idea) (*door.Door, *document.Document) {
	t.Helper()
	d, err := edit.Begin(document.New(""), idea)
	require.NoError(t, err)
	it := door.New()
	ask(t, it, door.Ask{Kind: door.AskLoad, Document: d})
	return it, d
}

// 210°: the third quadrant, the reference angle 30°, −150° and 570° on the same side; sin −1/2, tan √3/3 (DLMF Table 4.17.1).
func TestACircleTellsItsAngleAndRatios(t *testing.T) {
	it, _ := begun(t, edit.IdeaCircle)
	const dial = 0
	it.SetDial(dial, 7*3.141592653589793/6)
	now, lines, ratios := told(t, it)
	assert.Contains(t, now.Angle, `\frac{7 \pi}{6}={210}^{\circ}`)
	assert.Equal(t, `\text{III}`, lines["quadrant"])
	assert.Equal(t, `\frac{\pi}{6}={30}^{\circ}`, lines["reference angle"])
	assert.Contains(t, lines["coterminal angles"], `{−150}^{\circ}`)
	assert.Contains(t, lines["coterminal angles"], `{570}^{\circ}`)
	assert.Contains(t, ratios["sin"], `=-\frac{1}{2}`)
	assert.Contains(t, ratios["tan"], `\frac{\sqrt{3}}{3}\approx 0.58`)
	assert.True(t, now.Ratios[0].Shown)
	assert.False(t, now.Ratios[2].Shown, "the tangent is not shown yet")
	it.SetDial(dial, 3.141592653589793/2)
	_, lines, ratios = told(t, it)
	assert.Equal(t, `\text{positive y-axis}`, lines["the point lies on the"])
	assert.Contains(t, ratios["tan"], "undefined")
	it.SetDial(dial, 1)
	_, lines, _ = told(t, it)
	assert.Equal(t, `\frac{{1}}{{1}}=1`, lines["arc over radius"])
	assert.NotContains(t, lines, "turns")
	it.SetDial(dial, 10)
	_, lines, _ = told(t, it)
	assert.Equal(t, "1.59", lines["turns"])
}

// frequency = natural period / period: for b = 2 the period is π and the frequency 2; for a tangent the natural period is π
// and a quarter period from its centre it lies its factor above the centre line (common practice).
func TestAWaveTellsItsFrequencyWithTheLiveNumbers(t *testing.T) {
	it, d := begun(t, edit.IdeaWave)
	_, lines, _ := told(t, it)
	assert.Equal(t, "1.5", lines["amplitude"])
	assert.Equal(t, "y=0.5", lines["centre line"])
	assert.Equal(t, `\pi`, lines["period"])
	assert.Contains(t, lines["frequency"], `\frac{2 \pi}{\pi}=2`)
	tangent, err := edit.ShowPiece(d, edit.PieceWanted{Of: d.Shown[0].ID, Ratio: "tan", Shown: true})
	require.NoError(t, err)
	ask(t, it, door.Ask{Kind: door.AskLoad, Document: tangent})
	_, lines, _ = told(t, it)
	assert.Contains(t, lines["frequency"], `\frac{\pi}{\frac{\pi}{2}}=2`)
	assert.Equal(t, "0.5+1.5=2", lines["a quarter period on"])
}
