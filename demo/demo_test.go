package demo_test

import (
	"regexp"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/core/stage/compose"
	"parvix/core/stage/evaluate"
	"parvix/core/stage/picture"
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

// box is a label's rectangle on a panel.
type box struct {
	id         string
	x, y, w, h float64
}

// labelBoxes composes a panel as the bench does: once to learn the labels, once with their sizes.
func labelBoxes(c *compose.Composer, e *evaluate.Demonstration, panel int, width, height float64) (boxes []box) {
	p := c.Compose(e.Frame(panel, width, height))
	c.LabelSizes = map[string]compose.Size{}
	for _, l := range p.Labels {
		// A letter of the formulas' face is about 8 pixels wide; commands of the typesetting are not seen.
		c.LabelSizes[l.ID] = compose.Size{Width: 14 + 8.5*float64(len([]rune(commands.ReplaceAllString(l.LaTeX, "")))), Height: 27}
	}
	p = c.Compose(e.Frame(panel, width, height))
	for i := 0; i < len(p.Live); {
		switch picture.Op(p.Live[i]) {
		case picture.Line, picture.Area:
			i += 6 + 2*int(p.Live[i+5])
		case picture.Marker, picture.Text:
			i += 6
		case picture.LabelAt:
			l := p.Labels[int(p.Live[i+1])]
			size := c.LabelSizes[l.ID]
			boxes = append(boxes, box{l.ID, float64(p.Live[i+2]), float64(p.Live[i+3]), size.Width, size.Height})
			i += 4
		default:
			i += 4
		}
	}
	return boxes
}

var commands = regexp.MustCompile(`\\[a-zA-Z]+(\{[^{}]*\})?|[{}\\;,]`)

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
				boxes := labelBoxes(&c, e, panel, 915/float64(len(d.Panels)), 560)
				for i, a := range boxes {
					for _, b := range boxes[i+1:] {
						apart := a.x+a.w <= b.x || b.x+b.w <= a.x || a.y+a.h <= b.y || b.y+b.h <= a.y
						assert.True(t, apart, "%s, scene %d: the labels of %s and %s", d.Title, scene+1, a.id, b.id)
					}
				}
			}
		}
	}
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
