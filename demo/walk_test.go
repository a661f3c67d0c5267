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

// Whoever moves a dial that is in sight sees something change, in every scene; a dial that would do nothing is not in sight before a class.
func TestNoDialIsWithoutEffect(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range documents {
		e := evaluate.Load(d, nil)
		for scene := range d.Scenes {
			for dial, p := range e.Parameters {
				e.BeginScene(scene)
				e.GoScene(1)
				if p.Stated.Hidden || slices.Contains(e.Idle(), p.Stated.Name) {
					continue
				}
				composers := make([]compose.Composer, len(d.Panels))
				before := look(e, composers)
				e.Set(dial, p.AtFraction(0.31))
				changed := look(e, composers) != before
				e.Set(dial, p.AtFraction(0.83))
				assert.True(t, changed || look(e, composers) != before, "%s, scene %d (%s): the dial %s does nothing", d.Title, scene+1, d.Scenes[scene].Name, p.Stated.Name)
			}
		}
	}
}

// A point that moves with a dial stays in sight all along the dial's bar.
func TestNoMovingPointLeavesTheWindow(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range documents {
		e := evaluate.Load(d, nil)
		for scene := range d.Scenes {
			for dial, p := range e.Parameters {
				if p.Stated.Hidden {
					continue
				}
				e.BeginScene(scene)
				e.GoScene(1)
				for panel := range d.Panels {
					v := e.Frame(panel, 640, 480).View
					start := p.Value
					left := map[string]float64{}
					for k := 0.0; k <= 40; k++ {
						e.Set(dial, p.AtFraction(k/40))
						for _, a := range e.Frame(panel, 640, 480).Appearing {
							point, is := a.Live.(evaluate.Placed)
							if !is {
								continue
							}
							if x, y := point.Position(); !math.IsNaN(y) && !(x >= v.Left && x <= v.Right && y >= v.Bottom && y <= v.Top) {
								left[a.Entry.ID] = p.Value
							}
						}
					}
					e.Set(dial, start)
					for id, value := range left {
						assert.Fail(t, "a point leaves the window", "%s, scene %d (%s), panel %d: %s at %s = %.3g", d.Title, scene+1, d.Scenes[scene].Name, panel+1, id, p.Stated.Name, value)
					}
				}
			}
		}
	}
}

// In every scene something is seen; a panel that shows nothing leaves its room to the others before a class.
func TestNoSceneIsEmpty(t *testing.T) {
	documents, err := demo.Documents()
	require.NoError(t, err)
	for _, d := range documents {
		e := evaluate.Load(d, nil)
		for scene := range d.Scenes {
			e.BeginScene(scene)
			e.GoScene(1)
			seen := 0
			for panel := range d.Panels {
				seen += len(e.Frame(panel, 640, 480).Appearing)
			}
			assert.Positive(t, seen, "%s, scene %d (%s)", d.Title, scene+1, d.Scenes[scene].Name)
		}
	}
}
