package document

import "math"

// Sight is what the window of a space panel has beyond x and y: the heights that are seen, and from where. That of a plane is zero.
type Sight struct {
	Low  float64 `json:"low"`
	High float64 `json:"high"`
	// Turn is the direction of the eye in the floor, from the x-axis towards the y-axis, and Tilt its height above the floor, in degrees.
	Turn float64 `json:"turn"`
	Tilt float64 `json:"tilt"`
	// Zoom is the size of the box as a multiple of the one that fits; 0 means 1.
	Zoom float64 `json:"zoom,omitempty"`
	// Across and Up are how far the box is moved on the panel, in shares of its shorter side.
	Across float64 `json:"across,omitempty"`
	Up     float64 `json:"up,omitempty"`
	// Perspective draws what is farther away smaller.
	Perspective bool `json:"perspective,omitempty"`
}

// FirstSight is how space is seen at the start, as a textbook draws it: the first octant towards the reader, x to the lower left,
// y to the right, z up.
var FirstSight = Sight{Low: -3, High: 3, Turn: 32, Tilt: 24}

// Bounds of the zoom.
const (
	LeastZoom = 0.2
	MostZoom  = 20
)

// Magnified is the zoom, 1 where none is said.
func (s Sight) Magnified() float64 {
	if s.Zoom == 0 {
		return 1
	}
	return s.Zoom
}

// IsDeep tells that the heights can be told apart.
func (s Sight) IsDeep() bool {
	return s.High-s.Low >= narrowest*math.Max(math.Abs(s.Low), math.Abs(s.High)) && s.High > s.Low
}

// sight holds what a space panel shows to the format's rules, and that of a plane to nothing.
func (c *checker) sight(object string, s Sight, inSpace bool) {
	if !inSpace {
		c.require(s == Sight{}, object, "window.space", "only a space panel has it")
		return
	}
	for _, v := range []float64{s.Low, s.High} {
		c.require(math.Abs(v) <= largest, object, "window.space", "every end must be a number of at most 10^12")
	}
	c.require(s.IsDeep(), object, "window.space", "low must be below high")
	c.require(math.Abs(s.Turn) <= 3600, object, "window.space.turn", "between −3600 and 3600 degrees")
	c.require(math.Abs(s.Tilt) <= 90, object, "window.space.tilt", "between −90 and 90 degrees")
	c.require(s.Zoom == 0 || s.Zoom >= LeastZoom && s.Zoom <= MostZoom, object, "window.space.zoom", "between 0.2 and 20")
	c.require(math.Abs(s.Across) <= 20 && math.Abs(s.Up) <= 20, object, "window.space", "the box is moved off the panel")
}

// sights holds the windows that scenes give to panels to the panels' kinds.
func (c *checker) sights(d *Document) {
	for i := range d.Scenes {
		for _, p := range d.Panels {
			if w, own := d.Scenes[i].Windows[p.ID]; own {
				c.sight(d.Scenes[i].ID, w.Space, p.Kind == InSpace)
			}
		}
	}
}
