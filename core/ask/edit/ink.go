package edit

import "parvix/core/stage/document"

// KeepInk puts the ink that was written in play into the scenes, by their ids.
func KeepInk(before *document.Document, ink map[string][]document.InkStroke) (*document.Document, error) {
	d := clone(before)
	for i := range d.Scenes {
		if strokes, written := ink[d.Scenes[i].ID]; written {
			d.Scenes[i].Ink = strokes
		}
	}
	return d, d.Check()
}
