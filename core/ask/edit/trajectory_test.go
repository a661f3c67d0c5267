package edit_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/ask/edit"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/trajectory"
)

// A curve is polar because it is written as one; its interval is the one on which it closes (roses: π for three petals, 2π
// for four, common practice).
func TestWhatIsWrittenInThetaIsAPolarCurve(t *testing.T) {
	for text, to := range map[string]string{"r = cos(3θ)": "π", "r(θ) = 1 + cos θ": "2π", "r = 2cos(2θ)": "2π", "ρ(θ) = θ/2": "2π", "r(φ) = cos(φ/3)": "3π", "s = cos(2θ/3)": "6π"} {
		d, err := edit.State(document.New(""), "", text)
		require.NoError(t, err, text)
		require.Equal(t, document.Kind("trajectory"), d.Shown[0].Kind(), text)
		assert.Equal(t, to, d.Shown[0].Body.(*trajectory.Body).To, text)
		assert.True(t, d.Panels[0].Polar, "the grid becomes polar")
		assert.Empty(t, evaluate.Load(d, nil).Problems, text)
	}
	degrees := document.New("")
	degrees.AngleUnit = document.Degree
	d, err := edit.State(degrees, "", "r = cos(3θ)")
	require.NoError(t, err)
	assert.Equal(t, "180", d.Shown[0].Body.(*trajectory.Body).To)
	for _, text := range []string{"f(x) = x²", "y = sin x", "f(t) = t²", "f(θ) = sin θ"} {
		d, err := edit.State(document.New(""), "", text)
		require.NoError(t, err, text)
		assert.Equal(t, document.Kind("curve"), d.Shown[0].Kind(), text)
	}
}

// Watching adds a dial over the interval, the ray or the velocity, and the coordinates in a panel beside; done twice it adds
// nothing.
func TestACurveIsWatched(t *testing.T) {
	d, err := edit.State(document.New(""), "", "r = a cos(2θ)")
	require.NoError(t, err)
	d, err = edit.AddParameters(d, []string{"a"})
	require.NoError(t, err)
	d, err = edit.Watch(d, d.Shown[0].ID, 0)
	require.NoError(t, err)
	dial := d.StatedNamed("θ")
	require.NotNil(t, dial, "the dial has the curve's own letter")
	assert.Equal(t, []string{"0", "2π"}, []string{dial.From, dial.To})
	require.Len(t, d.Panels, 2)
	assert.Equal(t, []string{"plane1"}, d.Shown[0].Where.Panels)
	e := evaluate.Load(d, nil)
	require.Empty(t, e.Problems)
	assert.InDelta(t, 1.0471975511965976, e.Shown[0].Live.(*trajectory.Live).At, 1e-9, "a sixth of the turn")
	assert.InDelta(t, 0.5403023058681398, e.Shown[0].Live.(*trajectory.Live).Radius(0.5), 1e-12, "θ in the formula is the curve's own, not the dial's: cos 1")
	again, err := edit.Watch(d, d.Shown[0].ID, 0)
	require.NoError(t, err)
	assert.Len(t, again.Shown, len(d.Shown))
	assert.Len(t, again.Stated, len(d.Stated))
	second, err := edit.State(again, "", "s = 1 + cos θ")
	require.NoError(t, err)
	assert.Equal(t, document.Kind("trajectory"), second.Shown[len(second.Shown)-1].Kind(), "with the dial θ a second one is polar too")
	gone, err := edit.Delete(again, again.StatedNamed("r").ID)
	require.NoError(t, err)
	assert.Empty(t, gone.Shown, "the parts go with the curve")
	renamed, err := edit.Rename(again, again.StatedNamed("a").ID, "m")
	require.NoError(t, err)
	assert.Empty(t, evaluate.Load(renamed, nil).Problems)
}
