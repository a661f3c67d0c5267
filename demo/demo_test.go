package demo_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/demo"
)

func TestEveryDemonstrationIsUnderstoodWhole(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	require.NotEmpty(t, documents)
	for _, d := range documents {
		e := evaluate.Load(d, nil)
		assert.Empty(t, e.Problems, d.Title)
		assert.Empty(t, e.Missing, d.Title)
		for _, p := range e.Parameters {
			assert.Contains(t, d.Scenes[0].Values, p.Stated.Name, "%s: a starting value for every dial", d.Title)
			assert.True(t, p.Value >= p.From && p.Value <= p.To, "%s: %s starts within its ends", d.Title, p.Stated.Name)
		}
		assert.NotEmpty(t, d.Said, "%s says something", d.Title)
	}
}

func TestNoLabelCoversAnotherInAnyScene(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range documents {
		e := evaluate.Load(d, nil)
		for scene := range d.Scenes {
			e.BeginScene(scene)
			e.GoScene(1)
			e.Update()
			for panel := range d.Panels {
				var c compose.Composer
				labels := c.Compose(e.Frame(panel, 915/float64(len(d.Panels)), 560)).Labels
				for i, a := range labels {
					entry, _, _ := strings.Cut(a.ID, ".")
					assert.True(t, slices.ContainsFunc(d.Shown, func(s document.Entry) bool { return s.ID == entry }), "%s: the label %s", d.Title, a.ID)
					for _, b := range labels[i+1:] {
						apart := a.X+a.Width <= b.X || b.X+b.Width <= a.X || a.Y+a.Height <= b.Y || b.Y+b.Height <= a.Y
						assert.True(t, apart, "%s, scene %d: the labels of %s and %s", d.Title, scene+1, a.ID, b.ID)
					}
				}
			}
		}
	}
}

// Few labels need a line that leads to their point or curve, and few jump from side to side while a dial goes over its bar. The
// bounds are where it stands; they may only be drawn closer.
func TestMostLabelsStandBesideTheirOwnAndStayThere(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	far, all, jumps, moved := 0, 0, 0, 0
	for _, d := range documents {
		e := evaluate.Load(d, nil)
		for scene := range d.Scenes {
			e.BeginScene(scene)
			e.GoScene(1)
			for panel := range d.Panels {
				for dial, p := range e.Parameters {
					var c compose.Composer
					start, side := p.Value, map[string][2]int{}
					changed := map[string]int{}
					for step := range 60 {
						e.Set(dial, start+(p.To-start)*float64(step)/60)
						for _, l := range c.Compose(e.Frame(panel, 915/float64(len(d.Panels)), 560)).Labels {
							now := [2]int{sideOf(l.X, l.Width, l.At[0]), sideOf(l.Y, l.Height, l.At[1])}
							if was, known := side[l.ID]; known && was != now {
								changed[l.ID]++
							}
							side[l.ID] = now
							all++
							dx := max(0, l.X-l.At[0], l.At[0]-l.X-l.Width)
							dy := max(0, l.Y-l.At[1], l.At[1]-l.Y-l.Height)
							if math.Hypot(dx, dy) > 24 {
								far++
							}
						}
					}
					moved += len(side)
					for _, n := range changed {
						if n > 1 {
							jumps++
						}
					}
					e.Set(dial, start)
				}
			}
		}
	}
	assert.Less(t, far, all/5)
	assert.Less(t, jumps, moved/2)
	t.Logf("%d labels, %d further than 24 px, %d of %d that changed sides more than once in a move", all, far, jumps, moved)
}

// sideOf tells whether a stretch lies behind a place, before it, or around it.
func sideOf(from, length, at float64) int {
	switch {
	case from > at:
		return 1
	case from+length < at:
		return -1
	}
	return 0
}

// At least six demonstrations are small lessons of three to six scenes.
func TestLessonsHaveScenes(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	lessons := 0
	for _, d := range documents {
		if n := len(d.Scenes); n >= 3 && n <= 6 {
			lessons++
			for k := range d.Scenes {
				shown := 0
				for _, s := range d.Shown {
					if !d.Scenes[k].IsHidden(s.ID) {
						shown++
					}
				}
				assert.Positive(t, shown, "%s, scene %d", d.Title, k+1)
			}
		}
	}
	assert.GreaterOrEqual(t, lessons, 6)
}
