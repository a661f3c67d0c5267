package document

import "fmt"

// InkStroke is a line that was written by hand on a panel, without lifting.
type InkStroke struct {
	// Panel is the panel's id.
	Panel string `json:"panel"`
	// Colour is a number below InkColours: ink, red, blue, green.
	Colour int `json:"colour"`
	// Points are x and y in turn, in the panel's coordinates, so that ink stays where it was written when the window moves.
	Points []float64 `json:"points"`
}

// Limits of ink: its colours, the strokes of a scene and the numbers of a stroke.
const (
	InkColours    = 4
	MaxInkStrokes = 400
	MaxInkPoints  = 4000
)

func (c *checker) ink(scene Scene) {
	c.limit(len(scene.Ink), MaxInkStrokes, "strokes of ink in a scene")
	for _, s := range scene.Ink {
		c.require(s.Colour >= 0 && s.Colour < InkColours, scene.ID, "ink.colour", fmt.Sprintf("a colour from 0 to %d is needed", InkColours-1))
		c.require(len(s.Points) >= 4 && len(s.Points)%2 == 0, scene.ID, "ink.points", "x and y of at least two points are needed")
		c.require(len(s.Points) <= MaxInkPoints, scene.ID, "ink.points", fmt.Sprintf("at most %d numbers", MaxInkPoints))
		for _, v := range s.Points {
			c.require(v >= -largest && v <= largest, scene.ID, "ink.points", "numbers of at most 10^12 are needed")
		}
	}
}
