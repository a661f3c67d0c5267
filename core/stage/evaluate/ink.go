package evaluate

import (
	"math"
	"reflect"
	"slices"

	"parvix/core/stage/document"
	"parvix/core/stage/sample"
	"parvix/core/stage/view"
)

// Ink is what is written by hand on the stage. What is written in play stays until it is wiped or kept with the document.
type Ink struct {
	document *document.Document
	scenes   *Scenes
	// inPlay holds the strokes of the scenes in which something was written or wiped, by their ids.
	inPlay map[string][]document.InkStroke
	// isOpen tells that the last stroke goes on.
	isOpen bool
}

// Strokes are those of the scene in play.
func (k *Ink) Strokes() []document.InkStroke {
	s := k.scenes.scene()
	if strokes, written := k.inPlay[s.ID]; written {
		return strokes
	}
	return s.Ink
}

// isPlace tells that a document can keep a place.
func isPlace(x, y float64) bool { return math.Abs(x) <= 1e12 && math.Abs(y) <= 1e12 }

func (k *Ink) put(strokes []document.InkStroke) { k.inPlay[k.scenes.scene().ID] = strokes }

// Begin begins a stroke on a panel.
func (k *Ink) Begin(panel, colour int, x, y float64) {
	k.isOpen = panel >= 0 && panel < len(k.document.Panels) && colour >= 0 && colour < document.InkColours &&
		len(k.Strokes()) < document.MaxInkStrokes && isPlace(x, y)
	if !k.isOpen {
		return
	}
	stroke := document.InkStroke{Panel: k.document.Panels[panel].ID, Colour: colour, Points: []float64{x, y}}
	k.put(append(slices.Clone(k.Strokes()), stroke))
}

// GoOn leads the stroke to a place.
func (k *Ink) GoOn(x, y float64) {
	strokes := k.Strokes()
	if !k.isOpen || len(strokes) == 0 || !isPlace(x, y) {
		return
	}
	if last := &strokes[len(strokes)-1]; len(last.Points) < document.MaxInkPoints {
		last.Points = append(last.Points, x, y)
	}
}

// End ends the stroke: points are left out that lie on the way between their neighbours as it is seen, and a touch becomes a dot.
func (k *Ink) End(v view.View) {
	strokes := k.Strokes()
	if !k.isOpen || len(strokes) == 0 {
		return
	}
	k.isOpen = false
	last := &strokes[len(strokes)-1]
	sx, sy := v.Width/(v.Right-v.Left), v.Height/(v.Top-v.Bottom)
	if len(last.Points) == 2 {
		last.Points = append(last.Points, last.Points[0]+1/sx, last.Points[1])
	}
	line := make([]sample.Point, 0, len(last.Points)/2)
	for i := 0; i < len(last.Points); i += 2 {
		line = append(line, sample.Point{X: last.Points[i], Y: last.Points[i+1]})
	}
	line = sample.Thin(line, sx, sy, sample.Moving)
	points := make([]float64, 0, 2*len(line))
	for _, p := range line {
		points = append(points, p.X, p.Y)
	}
	last.Points = points
}

// TakeBack takes the last stroke of the scene back.
func (k *Ink) TakeBack() {
	if strokes := k.Strokes(); len(strokes) > 0 {
		k.isOpen = false
		k.put(strokes[:len(strokes)-1])
	}
}

// Wipe takes all ink of the scene off.
func (k *Ink) Wipe() {
	if len(k.Strokes()) > 0 {
		k.isOpen = false
		k.put(nil)
	}
}

// Forget goes back to the ink that the document keeps.
func (k *Ink) Forget() { clear(k.inPlay) }

// IsInPlay tells that some scene has other ink than the document keeps.
func (k *Ink) IsInPlay() bool {
	for i := range k.document.Scenes {
		s := &k.document.Scenes[i]
		if strokes, written := k.inPlay[s.ID]; written && !sameInk(strokes, s.Ink) {
			return true
		}
	}
	return false
}

// Kept gives the ink of each scene by its id, as a document is to keep it.
func (k *Ink) Kept() map[string][]document.InkStroke {
	kept := map[string][]document.InkStroke{}
	for i := range k.document.Scenes {
		s := &k.document.Scenes[i]
		kept[s.ID] = s.Ink
		if strokes, written := k.inPlay[s.ID]; written {
			kept[s.ID] = strokes
		}
	}
	return kept
}

// goOnFrom takes over what was written before the document was loaded anew, but for what it keeps itself by now.
func (k *Ink) goOnFrom(before *Ink) {
	k.isOpen = before.isOpen
	for i := range k.document.Scenes {
		s := &k.document.Scenes[i]
		if strokes, written := before.inPlay[s.ID]; written && !sameInk(strokes, s.Ink) {
			k.inPlay[s.ID] = strokes
		}
	}
}

func sameInk(a, b []document.InkStroke) bool {
	return len(a) == len(b) && (len(a) == 0 || reflect.DeepEqual(a, b))
}
