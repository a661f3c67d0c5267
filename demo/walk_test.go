package demo_test

import (
	"fmt"
	"hash/fnv"
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/kinds/text"
	"parvix/core/stage/picture"
	"parvix/core/stage/view"
	"parvix/demo"
)

// look is what a class sees at one moment: a number that differs when anything differs.
func look(e *evaluate.Demonstration, composers []compose.Composer) uint64 {
	sum := fnv.New64()
	for panel := range composers {
		pic := composers[panel].Compose(e.Frame(panel, 640, 480))
		for r := range picture.Records(pic.Live) {
			if picture.Op(r[0]) == picture.Handle {
				continue
			}
			fmt.Fprint(sum, r)
		}
	}
	for _, s := range e.Said {
		if said, is := s.Live.(*text.Live); is && e.InScene(s) {
			for _, piece := range said.Pieces {
				fmt.Fprint(sum, piece.Text, piece.LaTeX)
			}
		}
	}
	return sum.Sum64()
}

// eachScene begins every scene of every demonstration.
func eachScene(t *testing.T, visit func(e *evaluate.Demonstration, where string)) {
	t.Helper()
	documents, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range documents {
		e := evaluate.Load(d, nil)
		for scene := range d.Scenes {
			e.BeginScene(scene)
			e.GoScene(1)
			visit(e, fmt.Sprintf("%s, scene %d (%s)", d.Title, scene+1, d.Scenes[scene].Name))
		}
	}
}

// Whoever moves a dial that is in sight sees something change, in every scene; a dial that would do nothing is not in sight before a class.
func TestNoDialIsWithoutEffect(t *testing.T) {
	eachScene(t, func(e *evaluate.Demonstration, where string) {
		for dial, p := range e.Parameters {
			if p.Stated.Hidden || slices.Contains(e.Idle(), p.Stated.Name) {
				continue
			}
			e.StartingValues()
			composers := make([]compose.Composer, len(e.Document.Panels))
			before := look(e, composers)
			e.Set(dial, p.AtFraction(0.31))
			changed := look(e, composers) != before
			e.Set(dial, p.AtFraction(0.83))
			assert.True(t, changed || look(e, composers) != before, "%s: the dial %s does nothing", where, p.Stated.Name)
		}
	})
}

// A point that moves with a dial stays in sight all along the dial's bar.
func TestNoMovingPointLeavesTheWindow(t *testing.T) {
	eachScene(t, func(e *evaluate.Demonstration, where string) {
		for dial, p := range e.Parameters {
			if p.Stated.Hidden {
				continue
			}
			e.StartingValues()
			for k := 0.0; k <= 40; k++ {
				e.Set(dial, p.AtFraction(k/40))
				for panel := range e.Document.Panels {
					f := e.Frame(panel, 640, 480)
					for _, a := range f.Appearing {
						assert.True(t, isInSight(a, f.View), "%s, panel %d: %s leaves the window at %s = %.3g", where, panel+1, a.Entry.ID, p.Stated.Name, p.Value)
					}
				}
			}
		}
	})
}

// isInSight tells that an entry is no point, or one without a place, or one that is seen.
func isInSight(a evaluate.Appearing, v view.View) bool {
	point, is := a.Live.(evaluate.Placed)
	if !is {
		return true
	}
	x, y := point.Position()
	return math.IsNaN(x) || math.IsNaN(y) || v.Sees(x, y)
}

// In every scene something is seen; a panel that shows nothing leaves its room to the others before a class.
func TestNoSceneIsEmpty(t *testing.T) {
	eachScene(t, func(e *evaluate.Demonstration, where string) {
		seen := 0
		for panel := range e.Document.Panels {
			seen += len(e.Frame(panel, 640, 480).Appearing)
		}
		assert.Positive(t, seen, where)
	})
}
