package demo_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/document"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/legible"
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
		assert.Contains(t, d.Scenes[0].Note, "Aim: ", "%s tells the teacher what it is for", d.Title)
		assert.Contains(t, d.Scenes[0].Note, "mistake", "%s tells what goes wrong", d.Title)
	}
}

// A class is asked something in every scene, or has something to do, before anything that waits is revealed.
func TestEverySceneAsksTheClass(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	tasks := []string{"?", "Say each", "Cover the formula", "Lead the parabola", "look it up"}
	for _, d := range documents {
		for i, scene := range d.Scenes {
			var words strings.Builder
			for _, e := range d.Said {
				if !scene.IsHidden(e.ID) && !slices.ContainsFunc(scene.Held, func(h document.Held) bool { return h.ID == e.ID }) {
					for _, p := range e.Body.(*text.Body).Pieces {
						words.WriteString(p.Text)
					}
				}
			}
			asks := func(task string) bool { return strings.Contains(words.String(), task) }
			assert.True(t, slices.ContainsFunc(tasks, asks), "%s, scene %d: %s", d.Title, i+1, words.String())
		}
	}
}

// On a laptop, on a board and on a phone: make look tells more, and counts the labels that change sides in a drag.
func TestNoLabelCoversAnythingOrLeavesDoubtInAnyScene(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	var all legible.Verdict
	for _, d := range documents {
		e := evaluate.Load(d, nil)
		for scene := range d.Scenes {
			e.BeginScene(scene)
			e.GoScene(1)
			for panel := range d.Panels {
				for _, size := range [][2]float64{{915 / float64(len(d.Panels)), 560}, {1500 / float64(len(d.Panels)), 830}, {366, 400}} {
					var c compose.Composer
					all.Add(legible.Judge(c.Compose(e.Frame(panel, size[0], size[1]))), fmt.Sprintf("%s, scene %d, panel %d, %v", d.Title, scene+1, panel+1, size))
				}
			}
		}
	}
	assert.Greater(t, all.Labels, 600)
	assert.Empty(t, all.Covering)
	assert.Empty(t, all.Ambiguous)
	assert.Empty(t, all.Blurred)
	assert.Empty(t, all.Far)
	assert.Less(t, all.LeftOut, all.Labels/100)
}

// On a screen of 3840 by 2160, where type is three times as large, labels have room as on a laptop.
func TestLabelsHaveRoomOnALargeBoard(t *testing.T) {
	var all legible.Verdict
	eachScene(t, func(e *evaluate.Demonstration, where string) {
		for panel := range e.Document.Panels {
			var c compose.Composer
			c.Type = 3.4
			all.Add(legible.Judge(c.Compose(e.Frame(panel, 3800/float64(len(e.Document.Panels)), 1300))), where)
		}
	})
	assert.Greater(t, all.Labels, 200)
	assert.LessOrEqual(t, len(all.Covering), 1, "wanted: none; an angle's label touches an edge of its arc: %v", all.Covering)
	assert.Less(t, all.LeftOut, all.Labels/50)
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
